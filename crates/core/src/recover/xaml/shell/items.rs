//! Items, tabs and content of a shell, as its document nests them.

use super::{STYLE, receives, shells};
use crate::facts::{
    At, ContainerFact, ContainerKey, Facts, Holds, RedirectFact, RouteFact, RouteKey, ShownBy, Shows, Start,
    StartFact, Takes, TargetFact,
};
use crate::model::RouteKind;
use crate::recover::xaml::documents::{Document, element_class, held};
use crate::syntax::{Element, ElementId};
use crate::values::Values;

/// Elements that group content.
const GROUPS: &[&str] = &["FlyoutItem", "ShellItem", "ShellSection", "Tab", "TabBar"];
/// The element that shows a page.
const CONTENT: &str = "ShellContent";

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(document) = Document::of(file, values).filter(|d| shells::is_shell(d, values)) else { return };
    let mut routes = Vec::new();
    for (id, element) in document.markup.elements().skip(1) {
        let name = element.name.as_str();
        if name == CONTENT || is_bare_page(element, &document) {
            routes.extend(content(element, id, &document, values));
        } else if GROUPS.contains(&name) {
            if holds_nothing(id, &document) {
                facts.containers.push(empty(element, file));
            }
            routes.extend(group(element, &document, values));
        }
    }
    let start = routes.iter().find(|route| route.kind == RouteKind::Screen).map(StartFact::first);
    facts.containers.push(ContainerFact {
        name: document.class_name().and_then(|name| name.rsplit('.').next()).map(str::to_owned),
        shown_by: match shells::is_shown_by_nobody(&document, values) {
            true => ShownBy::Another,
            false => ShownBy::App,
        },
        start: Start::said_if_any(start),
        sight: crate::facts::Sight::Inside,
        ..ContainerFact::new(shells::content(&document))
    });
    facts.containers.push(ContainerFact {
        shown_by: ShownBy::Itself,
        start: Start::OPEN,
        sight: crate::facts::Sight::Inside,
        ..ContainerFact::new(shells::beside(&document))
    });
    // The flyout and the tabs lead to all of it.
    let keys = routes.iter().map(|route| RouteKey(route.at)).collect();
    facts.redirects.push(RedirectFact { style: STYLE, from: None, target: TargetFact::Routes(keys) });
    facts.routes.extend(routes);
}

/// A page that stands in a group without an element of content around it.
fn is_bare_page(element: &Element, document: &Document<'_>) -> bool {
    let parent = element.parent.map(|id| document.markup.element(id));
    element_class(element).is_some()
        && element.name.ends_with("Page")
        && parent.is_some_and(|parent| GROUPS.contains(&parent.name.as_str()))
}

/// What an element's route is called: as text, or by a constant.
fn route(element: &Element, values: &Values<'_>) -> Option<String> {
    let said = &element.attribute("", "Route")?.value;
    match held(said, values) {
        Some(constant) => values.initial_text(constant)?.plain(),
        None => (!said.starts_with('{')).then(|| said.clone()),
    }
}

fn group(element: &Element, document: &Document<'_>, values: &Values<'_>) -> Option<RouteFact> {
    let at = At { file: document.file, span: element.span };
    Some(RouteFact {
        container: Some(shells::content(document)),
        ..RouteFact::new(STYLE, RouteKind::Group, route(element, values)?, at)
    })
}

fn content(
    element: &Element,
    id: ElementId,
    document: &Document<'_>,
    values: &Values<'_>,
) -> Option<RouteFact> {
    let at = At { file: document.file, span: element.span };
    let page = page(element, id, document);
    let simple = page.as_deref().and_then(|page| page.rsplit('.').next());
    let name = route(element, values).or_else(|| simple.map(str::to_owned))?;
    let class = page.as_deref().and_then(|page| crate::recover::xaml::documents::class_at(page, values));
    let shows = match (&page, class) {
        (Some(page), Some(_)) => Shows::Class(page.clone(), at),
        (Some(page), None) if !is_outside(page, document) => {
            Shows::Absent(page.rsplit('.').next().unwrap_or(page).to_owned(), at)
        }
        _ => Shows::NotApplicable,
    };
    let taken = class.map(|class| receives::parameters(class, values)).unwrap_or_default();
    Some(RouteFact {
        container: Some(shells::content(document)),
        parent: group_around(element, document, values),
        parameters: taken.declared,
        takes: Takes::as_read_if(taken.by_reads),
        shows,
        ..RouteFact::new(STYLE, RouteKind::Screen, name, at)
    })
}

/// The group that an element stands in: equal names in two of them are two addresses.
fn group_around(element: &Element, document: &Document<'_>, values: &Values<'_>) -> Option<RouteKey> {
    let mut parent = element.parent;
    while let Some(around) = parent.map(|id| document.markup.element(id)) {
        if GROUPS.contains(&around.name.as_str()) && route(around, values).is_some() {
            return Some(RouteKey(At { file: document.file, span: around.span }));
        }
        parent = around.parent;
    }
    None
}

/// The class of the page that an element of content shows: by a template, as an element, or itself.
fn page(element: &Element, id: ElementId, document: &Document<'_>) -> Option<String> {
    if element.name != CONTENT {
        return element_class(element);
    }
    let said = ["ContentTemplate", "Content"].iter().find_map(|name| element.attribute("", name));
    if let Some(said) = said {
        let inside = said.value.trim().strip_prefix('{')?.strip_suffix('}')?;
        let named = inside.split_whitespace().find(|word| word.contains(':') && !word.starts_with("x:"))?;
        return document.class_by_prefix(named.trim_end_matches(',').trim_start_matches("TypeName="));
    }
    inside(id, document).into_iter().find_map(element_class)
}

/// The elements anywhere inside of one.
fn inside<'p>(id: ElementId, document: &Document<'p>) -> Vec<&'p Element> {
    let children = document.markup.children(id);
    children.flat_map(|(id, element)| std::iter::once(element).chain(inside(id, document))).collect()
}

/// Whether a page is of another namespace than the app's own, as a package's is.
fn is_outside(page: &str, document: &Document<'_>) -> bool {
    let own = document.class_name().and_then(|name| name.split('.').next());
    page.split('.').next() != own
}

fn holds_nothing(id: ElementId, document: &Document<'_>) -> bool {
    document.markup.children(id).next().is_none()
}

/// A group that shows nothing, unless code fills it.
fn empty(element: &Element, file: u32) -> ContainerFact {
    let filled = element.attributes.iter().any(|a| a.name == "Name" || a.name == "ItemsSource");
    ContainerFact {
        shown_by: ShownBy::Itself,
        start: Start::OPEN,
        holds: if filled { Holds::Known } else { Holds::MustHold },
        ..ContainerFact::new(ContainerKey(At { file, span: element.span }))
    }
}
