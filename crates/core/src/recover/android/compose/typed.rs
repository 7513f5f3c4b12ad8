//! `compose-typed`: routes that are serializable classes and objects.

use super::builder::{Declaring, container, declaring, kind_of, route};
use super::{WORDS, calls, reads, string};
use crate::facts::{At, Facts, MissingStep, Names, RouteFact, StartFact, Ways};
use crate::model::{RouteKind, Style};
use crate::recover::StyleRecoverer;
use crate::recover::android::code;
use crate::recover::android::{SPEAKS, WAYS};
use crate::recover::constructor::parameters;
use crate::syntax::{ClassKind, TypeName};
use crate::values::{Expr, Ref, Values};

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::ComposeTyped),
    speaks: SPEAKS,
    words: WORDS,
    verbs: &["navigate", "popBackStack", "navigateUp"],
    recover,
    ways: Ways { names: Names::Types, ..WAYS },
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for name in ["composable", "dialog", "bottomSheet"] {
        for declared in typed(file, name, values) {
            destination(name, &declared, values, facts);
        }
    }
    for declared in typed(file, "navigation", values) {
        let Some(class) = declared.class else { continue };
        let start = declared.argument("startDestination", 0, values);
        let starts = start.as_ref().map(|start| {
            let classes = values.eval(start).into_iter().filter_map(|value| values.object_class(&value));
            let at = code::node_at(start.at, values);
            classes.map(|class| StartFact::new(values.class_path(class), at)).collect()
        });
        let name = values.class_path(class);
        container(
            &declared,
            Some(name.clone()),
            starts.filter(|s: &Vec<_>| !s.is_empty()),
            false,
            values,
            facts,
        );
        let fact = route(Style::ComposeTyped, RouteKind::Group, &declared, values);
        facts.routes.push(RouteFact {
            parameters: parameters(class, values),
            name,
            class: Some(class),
            ..fact
        });
    }
    calls::typed(file, values, facts);
    reads::routes(file, values, facts);
}

fn typed<'p>(file: u32, name: &str, values: &Values<'p>) -> Vec<Declaring<'p>> {
    let all = declaring(file, name, ("", usize::MAX), values);
    all.into_iter().filter(|declared| declared.class.is_some()).collect()
}

fn destination(name: &str, declared: &Declaring<'_>, values: &Values<'_>, facts: &mut Facts) {
    let Some(class) = declared.class else { return };
    let fact = route(Style::ComposeTyped, kind_of(name), declared, values);
    let links = declared.argument("deepLinks", 1, values).map(|list| links(&list, class, values));
    slips(class, declared, fact.at, values, facts);
    facts.routes.push(RouteFact {
        name: values.class_path(class),
        parameters: parameters(class, values),
        deep_links: links.unwrap_or_default(),
        class: Some(class),
        ..fact
    });
}

/// `navDeepLink<Item>(basePath = "…")`, and the block that says the pattern itself.
fn links(list: &Expr, class: Ref, values: &Values<'_>) -> Vec<(String, At)> {
    let bases = values.elements(list).into_iter().filter_map(|element| {
        let call = values.tree(element.at).call(element.at.id)?;
        let base = values.plain_text(&element.with(call.arg("basePath", 0)?))?;
        Some((typed_link(&base, class, values), code::node_at(element.at, values)))
    });
    let mut found: Vec<_> = bases.collect();
    found.extend(string::links(list, values));
    found.sort_by_key(|(_, at)| *at);
    found
}

/// A typed link puts required parameters in the path and the others in the query.
fn typed_link(base: &str, class: Ref, values: &Values<'_>) -> String {
    let parameters = parameters(class, values);
    let (required, rest): (Vec<_>, Vec<_>) = parameters.iter().partition(|parameter| parameter.required);
    let path: String = required.iter().map(|parameter| format!("/{{{}}}", parameter.name)).collect();
    let query: Vec<String> = rest.iter().map(|parameter| format!("{0}={{{0}}}", parameter.name)).collect();
    let query = if query.is_empty() { String::new() } else { format!("?{}", query.join("&")) };
    format!("{base}{path}{query}")
}

/// Types that travel without a map of their own.
const KNOWN: &[&str] = &[
    "Boolean",
    "Double",
    "Float",
    "Int",
    "Long",
    "String",
    "List",
    "Array",
    "IntArray",
    "LongArray",
    "BooleanArray",
    "FloatArray",
];

/// A type without its mark, or a parameter of a class of the app's own without a map for it.
fn slips(class: Ref, declared: &Declaring<'_>, at: At, values: &Values<'_>, facts: &mut Facts) {
    let Some(fact) = values.class(class) else { return };
    if let Some(slip) = unmarked(class, "the app stops when the graph is built", at, values) {
        facts.missing_steps.push(slip);
        return;
    }
    let mapped = declared.call.args.iter().any(|arg| arg.name.as_deref() == Some("typeMap"));
    let tree = values.tree(class);
    let custom = fact
        .params
        .iter()
        .filter_map(|&id| tree.parameter(id)?.ty.as_ref())
        .find(|ty| needs_map(class, ty, values));
    if let Some(ty) = custom.filter(|_| !mapped) {
        let what = format!("the route `{}` takes a `{}`, and", values.class_path(class), ty.name);
        facts.missing_steps.push(MissingStep {
            what,
            missing: "typeMap".to_owned(),
            effect: "the app stops when the graph is built".to_owned(),
            mend: "Give a type map with a `NavType` for it, here and at every deep link of the route."
                .to_owned(),
            at,
        });
    }
}

/// A class that is written down and has not the mark for it.
pub(in crate::recover::android) fn unmarked(
    class: Ref,
    effect: &str,
    at: At,
    values: &Values<'_>,
) -> Option<MissingStep> {
    let marks = &values.class(class)?.annotations;
    let marked = marks.iter().any(|annotation| annotation.name.ends_with("Serializable"));
    (!marked).then(|| MissingStep {
        what: format!("the route `{}`", values.class_path(class)),
        missing: "@Serializable".to_owned(),
        effect: effect.to_owned(),
        mend: "Mark the class with `@Serializable`.".to_owned(),
        at,
    })
}

fn needs_map(at: Ref, ty: &TypeName, values: &Values<'_>) -> bool {
    if KNOWN.contains(&ty.simple()) {
        return false;
    }
    let class = values.class_named(at, &ty.name).and_then(|class| values.class(class));
    class.is_some_and(|class| class.kind == ClassKind::Class)
}
