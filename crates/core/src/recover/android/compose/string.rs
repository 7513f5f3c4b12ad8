//! `compose-string`: routes that are text, with placeholders for their arguments.

use super::builder::{Declaring, container, declaring, kind_of, route};
use super::{WORDS, calls, reads};
use crate::facts::{At, Facts, Names, ParameterFact, RouteFact, StartFact, Ways};
use crate::model::{Form, RouteKind, Style, Via};
use crate::recover::StyleRecoverer;
use crate::recover::android::code;
use crate::recover::android::{SPEAKS, WAYS};
use crate::syntax::Kind;
use crate::values::{Expr, Shape, Values};

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::ComposeString),
    speaks: SPEAKS,
    words: WORDS,
    verbs: &["navigate", "popBackStack", "navigateUp"],
    recover,
    ways: Ways { names: Names::Text, ..WAYS },
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for name in ["composable", "dialog", "bottomSheet"] {
        for declared in declaring(file, name, ("route", 0), values).iter().filter(|d| d.call.types.is_empty())
        {
            destination(name, declared, values, facts);
        }
    }
    for declared in
        declaring(file, "navigation", ("route", 1), values).iter().filter(|d| d.call.types.is_empty())
    {
        let starts =
            declared.argument("startDestination", 0, values).map(|start| self::starts(&start, values));
        let Some(name) = declared.argument("route", 1, values).and_then(|route| pattern(&route, values))
        else {
            continue;
        };
        container(declared, Some(name.clone()), starts.flatten(), false, values, facts);
        let fact = route(Style::ComposeString, RouteKind::Group, declared, values);
        facts.routes.push(RouteFact {
            parameters: parameters(&name, &[], fact.at),
            pattern: Some(name.clone()),
            name,
            ..fact
        });
    }
    for name in ["NavHost", "AnimatedNavHost"] {
        for declared in declaring(file, name, ("startDestination", 1), values) {
            if declared.content(values).is_some() {
                let start = declared.argument("startDestination", 1, values);
                let starts = start.map(|start| self::starts(&start, values)).unwrap_or_default();
                container(&declared, None, starts, true, values, facts);
            }
        }
    }
    calls::text(file, values, facts);
    reads::entries(file, values, facts);
}

fn destination(name: &str, declared: &Declaring<'_>, values: &Values<'_>, facts: &mut Facts) {
    let Some(pattern) = declared.argument("route", 0, values).and_then(|route| pattern(&route, values))
    else {
        return;
    };
    let fact = route(Style::ComposeString, kind_of(name), declared, values);
    let arguments =
        declared.argument("arguments", 1, values).map(|list| arguments(&list, values)).unwrap_or_default();
    let deep_links =
        declared.argument("deepLinks", 2, values).map(|list| links(&list, values)).unwrap_or_default();
    facts.routes.push(RouteFact {
        parameters: parameters(&pattern, &arguments, fact.at),
        pattern: Some(pattern.clone()),
        name: pattern,
        deep_links,
        ..fact
    });
}

/// The one text of a route's declaration.
fn pattern(route: &Expr, values: &Values<'_>) -> Option<String> {
    values.plain_text(route)
}

/// What a host or graph shows first; `None` where it is not known.
fn starts(start: &Expr, values: &Values<'_>) -> Option<Vec<StartFact>> {
    let at = code::node_at(start.at, values);
    let found = values.eval(start);
    let named = found.iter().map(|value| {
        let words = value.shape().is_some_and(Shape::has_literal_words);
        let literal = value.form == Form::Literal && words;
        value
            .shape()
            .and_then(Shape::plain)
            .map(|name| StartFact { name, literal, checked: false, at })
            .or_else(|| {
                let class = values.object_class(value)?;
                Some(StartFact::new(values.class_path(class), at))
            })
    });
    named.collect()
}

/// A declared argument before it is joined with the pattern.
struct Declared {
    name: String,
    ty: Option<String>,
    nullable: bool,
    default: Option<String>,
    at: At,
}

/// `listOf(navArgument("id") { type = NavType.IntType })`.
fn arguments(list: &Expr, values: &Values<'_>) -> Vec<Declared> {
    let mut found = Vec::new();
    for element in values.elements(list) {
        let built = values.built(&element);
        let Some(call) = values.tree(built.root.at).call(built.root.at.id) else { continue };
        if code::callee_name(built.root.at, values) != "navArgument" {
            continue;
        }
        let Some((name, _)) =
            call.args.first().and_then(|arg| code::key(&built.root.with(arg.value), values))
        else {
            continue;
        };
        let mut declared = Declared {
            name,
            ty: None,
            nullable: false,
            default: None,
            at: code::callee_at(built.root.at, values),
        };
        for (property, value) in values.assigned_in(&built.root) {
            match property.as_str() {
                "type" => {
                    declared.ty =
                        values.tree(value.at).last_name(value.at.id).map(|(name, _)| type_name(name))
                }
                "nullable" => declared.nullable = matches!(values.kind(value.at), Kind::Bool(true)),
                "defaultValue" => declared.default = Some(values.written(value.at)),
                _ => {}
            }
        }
        found.push(declared);
    }
    found
}

/// `NavType.IntType` is an `Int`.
fn type_name(name: &str) -> String {
    match name {
        "BoolType" => "Boolean".to_owned(),
        _ => name.strip_suffix("Type").unwrap_or(name).to_owned(),
    }
}

/// Placeholders in the path must be passed; those in the query need not. What is not declared is a
/// string.
fn parameters(pattern: &str, declared: &[Declared], at: At) -> Vec<ParameterFact> {
    let (path, query) = pattern.split_once('?').unwrap_or((pattern, ""));
    let of = |part: &str, via: Via| -> Vec<ParameterFact> {
        let names =
            part.split('{').skip(1).filter_map(|rest| rest.split_once('}')).map(|(name, _)| name.to_owned());
        names
            .map(|name| {
                let known = declared.iter().find(|d| d.name == name);
                ParameterFact {
                    ty: Some(known.and_then(|d| d.ty.clone()).unwrap_or_else(|| "String".to_owned())),
                    // A match that lacks what is declared, not nullable and without default is refused.
                    required: via == Via::Path || known.is_some_and(|d| !d.nullable && d.default.is_none()),
                    nullable: via == Via::Query && known.is_none_or(|d| d.nullable),
                    default: known.and_then(|d| d.default.clone()),
                    at: known.map_or(at, |d| d.at),
                    via,
                    name,
                }
            })
            .collect()
    };
    let mut all = of(path, Via::Path);
    all.extend(of(query, Via::Query));
    all
}

/// `listOf(navDeepLink { uriPattern = "…" })`.
pub(super) fn links(list: &Expr, values: &Values<'_>) -> Vec<(String, At)> {
    let mut found = Vec::new();
    for element in values.elements(list) {
        let named = values.assigned_in(&element).into_iter().find(|(property, _)| property == "uriPattern");
        let given =
            values.tree(element.at).call(element.at.id).and_then(|call| call.arg("uriPattern", usize::MAX));
        let pattern = named.map(|(_, value)| value).or_else(|| given.map(|id| element.with(id)));
        if let Some(text) = pattern.as_ref().and_then(|pattern| values.plain_text(pattern)) {
            found.push((text, code::node_at(element.at, values)));
        }
    }
    found
}
