//! Calls by path: on the router, and links.

use super::PACKAGE;
use super::paths::is_group;
use crate::facts::{ArgumentFact, CallFact, Facts, Literal, Slot, TargetFact};
use crate::model::{Form, Style, Verb};
use crate::recover::code;
use crate::recover::react_native::element::{element, key_of, property};
use crate::syntax::Kind;
use crate::values::{Expr, Hole, Part, Ref, Shape, Values};

/// Methods of the router that take a path.
const METHODS: &[(&str, Verb)] = &[
    ("dismissTo", Verb::BackTo),
    ("navigate", Verb::Open),
    ("push", Verb::Open),
    ("replace", Verb::Replace),
];

/// Methods that lead back.
const BACK: &[(&str, Verb)] = &[("back", Verb::Back), ("dismiss", Verb::Back), ("dismissAll", Verb::BackTo)];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let names: Vec<&str> = METHODS.iter().chain(BACK).map(|(name, _)| *name).collect();
    for (at, call) in code::calls(file, values, &names) {
        let here = Expr::new(at);
        if !is_router_method(&here.with(call.callee), values) {
            continue;
        }
        let name = code::callee_name(at, values);
        if let Some((_, verb)) = BACK.iter().find(|(known, _)| *known == name) {
            let fact = CallFact::new(Style::FileRoute, *verb, at, code::callee_at(at, values));
            let count = call.args.first().map(|arg| values.kind(here.with(arg.value).at));
            let steps = match count {
                Some(Kind::Number(text)) => text.parse().unwrap_or(1),
                _ => 1,
            };
            facts.calls.push(CallFact { steps, ..fact });
            continue;
        }
        let verb = METHODS.iter().find(|(known, _)| *known == name).map_or(Verb::Open, |(_, verb)| *verb);
        if let Some(arg) = call.args.first() {
            add(at, &here.with(arg.value), verb, values, facts);
        }
    }
    for (at, call) in code::calls(file, values, &["Link", "TabTrigger"]) {
        let here = Expr::new(at);
        let verb = if code::callee_name(at, values) == "Link" { Verb::Link } else { Verb::Tab };
        let from = values.external(&here.with(call.callee));
        let to = element(&here, values).and_then(|element| element.property("href", values));
        if let Some(to) = to.filter(|_| from.is_some_and(|path| path.starts_with(PACKAGE))) {
            add(at, &to, verb, values, facts);
        }
    }
}

/// A method of `router`, of what `useRouter()` gives, or taken from either before.
fn is_router_method(callee: &Expr, values: &Values<'_>) -> bool {
    match values.kind(callee.at) {
        Kind::Member(member) => is_router(&callee.with(member.of), 0, values),
        Kind::Name(_) => {
            let behind = values.value_behind(callee).filter(|behind| behind.at != callee.at);
            behind.is_some_and(|behind| match values.kind(behind.at) {
                Kind::Member(member) => is_router(&behind.with(member.of), 0, values),
                _ => false,
            })
        }
        _ => false,
    }
}

fn is_router(of: &Expr, depth: usize, values: &Values<'_>) -> bool {
    if depth > 6 {
        return false;
    }
    if values.external(of).is_some_and(|path| path == format!("{PACKAGE}.router").as_str()) {
        return true;
    }
    match values.kind(of.at) {
        Kind::Call(call) => {
            let name = values.external(&of.with(call.callee));
            match name {
                Some(path) => path == format!("{PACKAGE}.useRouter").as_str(),
                None => values.called_body(of).is_some_and(|body| {
                    values.handed_back(&body).iter().any(|inner| is_router(inner, depth + 1, values))
                }),
            }
        }
        Kind::Name(name) => match values.value_behind(of).filter(|behind| behind.at != of.at) {
            Some(behind) => is_router(&behind, depth + 1, values),
            None => {
                let typed = values
                    .parameter_of_function(of)
                    .and_then(|at| values.tree(at).parameter(at.id)?.ty.clone());
                name == "router" && values.parameter_of_function(of).is_some()
                    || typed.is_some_and(|ty| ty.simple() == "Router")
            }
        },
        _ => false,
    }
}

/// A path as it is written, or as an object.
#[derive(Default)]
pub(super) struct Href {
    /// What it may be, groups left out, parameters as holes or in braces.
    pub(super) shapes: Vec<Shape>,
    form: Option<Form>,
    constant: Option<Ref>,
    arguments: Vec<ArgumentFact>,
    open: bool,
    literal: bool,
}

fn add(at: Ref, to: &Expr, verb: Verb, values: &Values<'_>, facts: &mut Facts) {
    let said = property(to, "pathname", values).unwrap_or_else(|| to.clone());
    for site in values.sites(at, &said) {
        let to = site.bind(to);
        let href = href(&to, values);
        let fact = CallFact::new(Style::FileRoute, verb, site.at, code::callee_at(site.at, values));
        let text = href.shapes.iter().map(Shape::value).next().unwrap_or_default();
        let cast = matches!(values.kind(said.at), Kind::Cast { .. });
        let target = match text.as_str() {
            _ if href.shapes.iter().all(Shape::is_blank) => TargetFact::Unknown,
            text if text.contains(':') && !text.starts_with('/') => TargetFact::External,
            text if text.starts_with('.') || text.starts_with("{}") => TargetFact::Unknown,
            _ => TargetFact::Text(href.shapes),
        };
        facts.calls.push(CallFact {
            written: values.written(code::seen_through(&said, values).at),
            form: href.form.unwrap_or(Form::Dynamic),
            constant: href.constant,
            literal: (href.literal && matches!(target, TargetFact::Text(_))).then_some(Literal { text }),
            checked: checks_paths(site.at.file, values) && !cast,
            arguments: href.arguments,
            open: href.open,
            target,
            ..fact
        });
    }
}

fn checks_paths(file: u32, values: &Values<'_>) -> bool {
    let sources = values.program().sources();
    let module = sources.modules.get(values.program().source(file).module);
    module.is_some_and(|module| module.build.checks_paths)
}

/// What a path may be.
pub(super) fn href(to: &Expr, values: &Values<'_>) -> Href {
    let to = code::seen_through(to, values);
    let said = property(&to, "pathname", values);
    let found = values.eval(said.as_ref().unwrap_or(&to));
    let shapes: Vec<Shape> = found.iter().filter_map(|value| value.shape().cloned()).collect();
    let literal = shapes.iter().any(Shape::has_literal_words);
    let mut href = Href {
        form: Some(match found.as_slice() {
            [one] => one.form,
            _ => Form::Computed,
        }),
        constant: found.iter().find_map(|value| value.constant),
        literal,
        ..Href::default()
    };
    let params = said.as_ref().and_then(|_| property(&to, "params", values));
    if let Some(params) = params {
        match values.entries(&params) {
            Some(entries) => {
                href.open = entries.open;
                let known = entries.known.iter().filter_map(|(key, value)| {
                    Some(code::argument(Slot::Name(key_of(key, values)?), value, values))
                });
                href.arguments = known.collect();
            }
            None => href.open = true,
        }
    }
    let passed: Vec<String> = href.arguments.iter().filter_map(name).collect();
    href.shapes = shapes.iter().map(|shape| as_path(shape, &passed, href.open)).collect();
    // What fills the path is passed by it.
    let filled = |argument: &ArgumentFact| {
        let Some(name) = name(argument) else { return false };
        let marks = [format!("[{name}]"), format!("[...{name}]")];
        shapes.iter().any(|shape| marks.iter().any(|mark| shape.value().contains(mark)))
    };
    href.arguments.retain(|argument| !filled(argument));
    href
}

fn name(argument: &ArgumentFact) -> Option<String> {
    match &argument.slot {
        Slot::Name(name) => Some(name.clone()),
        Slot::Position(_) | Slot::Place(_) => None,
    }
}

/// A path as patterns are written: without groups, with `[id]` as what is passed for it, or in braces.
fn as_path(shape: &Shape, passed: &[String], open: bool) -> Shape {
    let mut path = Shape::default();
    for part in &shape.parts {
        match part {
            Part::Text { text, in_place } => {
                let text = without_groups(text);
                let mut rest = text.as_str();
                while let Some((before, after)) = rest.split_once('[') {
                    let Some((name, behind)) = after.split_once(']') else { break };
                    path.push(Shape::text(before, *in_place));
                    let given = open || passed.iter().any(|passed| passed == name.trim_start_matches("..."));
                    path.push(match given {
                        true => Shape::hole(hole(name)),
                        false => Shape::text(&format!("{{{name}}}"), *in_place),
                    });
                    rest = behind;
                }
                path.push(Shape::text(rest, *in_place));
            }
            Part::Hole(hole) => path.push(Shape::hole(hole.clone())),
        }
    }
    with_root(path)
}

fn hole(name: &str) -> Hole {
    Hole { written: name.trim_start_matches("...").to_owned(), ty: None, parameter: None, escaped: true }
}

/// `settings` is `/settings`; a slash at the end says nothing.
fn with_root(path: Shape) -> Shape {
    let value = path.value();
    if value.is_empty()
        || value.starts_with('/')
        || value.starts_with('.')
        || value.starts_with("{}")
        || value.contains(':')
    {
        return path;
    }
    let mut rooted = Shape::text("/", true);
    rooted.push(path);
    rooted
}

fn without_groups(text: &str) -> String {
    let parts: Vec<&str> = text.split('/').filter(|part| !is_group(part)).collect();
    let joined = parts.join("/");
    match (joined.is_empty() && text.starts_with('/'), joined.len() > 1) {
        (true, _) => "/".to_owned(),
        (false, true) => joined.trim_end_matches("/index").to_owned(),
        _ => joined,
    }
}
