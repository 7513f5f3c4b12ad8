//! Pages and the names of the routes that are generated for them.

use crate::syntax::{Annotation, Arg};
use crate::values::{Expr, Ref, Values};

/// Annotations of router classes: the present one, and those of older versions.
pub(super) const ROUTER_NOTES: &[&str] = &[
    "AutoRouterConfig",
    "MaterialAutoRouter",
    "CupertinoAutoRouter",
    "AdaptiveAutoRouter",
    "CustomAutoRouter",
];

/// The page whose generated route has a name.
pub(super) fn page_named(name: &str, near: Ref, values: &Values<'_>) -> Option<Ref> {
    let pages = values.program().classes_annotated("RoutePage").iter().copied();
    let mut found: Vec<Ref> = pages.filter(|&page| route_name(page, values) == name).collect();
    let module = |at: Ref| values.program().source(at.file).module;
    found.sort_by_key(|&page| module(page) != module(near));
    found.first().copied()
}

/// Whether a route of this name is generated.
pub(super) fn is_route(name: &str, near: Ref, values: &Values<'_>) -> bool {
    let generated = || {
        let classes = values.program().classes_named(name).iter();
        classes.copied().any(|class| values.external_bases(class).iter().any(|base| base == "PageRouteInfo"))
    };
    name.starts_with(char::is_uppercase) && (page_named(name, near, values).is_some() || generated())
}

/// The name of the route that is generated for a page.
pub(super) fn route_name(page: Ref, values: &Values<'_>) -> String {
    let Some(class) = values.class(page) else { return String::new() };
    let note = class.annotations.iter().find(|note| note.name == "RoutePage");
    let own = note.and_then(|note| text_arg(page, note, "name", values));
    own.unwrap_or_else(|| renamed(&class.name, &renaming(page, values)))
}

/// How a package's router turns a page's name into a route's: `Page|Screen,Route`.
fn renaming(page: Ref, values: &Values<'_>) -> Option<String> {
    let program = values.program();
    let module = |at: Ref| program.source(at.file).module;
    let routers = ROUTER_NOTES.iter().flat_map(|name| program.classes_annotated(name));
    let own = routers.copied().find(|&router| module(router) == module(page));
    let Some(router) = own else { return Some("Page|Screen,Route".to_owned()) };
    let notes = values.class(router).map(|class| class.annotations.as_slice()).unwrap_or_default();
    let note = notes.iter().find(|note| ROUTER_NOTES.contains(&note.name.as_str()))?;
    let said = text_arg(router, note, "replaceInRouteName", values);
    // The older annotations rename nothing unless they say so.
    said.or_else(|| (note.name == "AutoRouterConfig").then(|| "Page|Screen,Route".to_owned()))
}

fn text_arg(at: Ref, note: &Annotation, name: &str, values: &Values<'_>) -> Option<String> {
    let arg: &Arg = note.args.iter().find(|arg| arg.name.as_deref() == Some(name))?;
    values.plain_text(&Expr::new(Ref { file: at.file, id: arg.value }))
}

fn renamed(class: &str, renaming: &Option<String>) -> String {
    let by_rule = renaming.as_ref().and_then(|rule| rule.split_once(',')).map(|(from, to)| {
        from.split('|')
            .filter(|part| !part.is_empty())
            .fold(class.to_owned(), |name, part| name.replace(part, to))
    });
    by_rule.filter(|name| name != class).unwrap_or_else(|| format!("{class}Route"))
}

#[cfg(test)]
mod tests {
    use super::renamed;

    #[test]
    fn pages_are_renamed_as_the_router_says() {
        let rule = Some("Page|Screen,Route".to_owned());
        assert_eq!(renamed("ShelfPage", &rule), "ShelfRoute");
        assert_eq!(renamed("LoanScreen", &rule), "LoanRoute");
        assert_eq!(renamed("Home", &rule), "HomeRoute");
        assert_eq!(renamed("ShelfPage", &None), "ShelfPageRoute");
    }
}
