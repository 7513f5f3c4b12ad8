//! Calls by path, name, type or branch, and the way back.

use super::WHOLE;
use super::tree::first_of_branch;
use crate::facts::{ArgumentFact, CallFact, Facts, Literal, Slot, TargetFact};
use crate::model::{Form, Style, Verb};
use crate::recover::code;
use crate::recover::constructor::arguments_of;
use crate::recover::flutter::location::{is_text, location};
use crate::recover::flutter::named_table::arguments;
use crate::recover::flutter::navigator::named;
use crate::recover::flutter::results;
use crate::syntax::{Call, Kind};
use crate::values::{Expr, Ref, Shape, Site, Values};

/// Methods that take a path.
const BY_PATH: &[(&str, Verb)] = &[
    ("go", Verb::Open),
    ("push", Verb::Open),
    ("pushReplacement", Verb::Replace),
    ("replace", Verb::Replace),
];
/// Methods that take a name.
const BY_NAME: &[(&str, Verb)] = &[
    ("goNamed", Verb::Open),
    ("pushNamed", Verb::Open),
    ("pushReplacementNamed", Verb::Replace),
    ("replaceNamed", Verb::Replace),
];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let verb = |table: &[(&str, Verb)], name: &str| {
        table.iter().find(|(known, _)| *known == name).map(|(_, verb)| *verb)
    };
    let names =
        |table: &'static [(&'static str, Verb)]| table.iter().map(|(name, _)| *name).collect::<Vec<_>>();
    for (at, call) in code::calls(file, values, &names(BY_PATH)) {
        let Some(verb) = verb(BY_PATH, code::callee_name(at, values)) else { continue };
        if let Some(class) = typed_route(at, call, values) {
            facts.calls.push(by_type(at, class, verb, values));
        } else if is_router(at, call, values) {
            by_path(at, call, verb, values, facts);
        }
    }
    for (at, call) in code::calls(file, values, &names(BY_NAME)) {
        let Some(verb) = verb(BY_NAME, code::callee_name(at, values)) else { continue };
        if is_router(at, call, values) {
            by_name(at, call, verb, values, facts);
        }
    }
    for (at, call) in code::calls(file, values, &["pop"]) {
        if is_router(at, call, values) {
            let place = code::callee_at(at, values);
            if let Some(value) = call.args.iter().find(|arg| arg.name.is_none()) {
                results::send_through(at, &Expr::new(at).with(value.value), values, facts);
            }
            let steps = code::in_a_row(at, |_| true, values);
            facts.calls.push(CallFact { steps, ..CallFact::new(Style::GoRouter, Verb::Back, at, place) });
        }
    }
    for (at, call) in code::calls(file, values, &["goBranch"]) {
        facts.calls.push(branch(at, call, values));
    }
}

/// Whether a call is made on a router or, by the router's extension, on a context.
fn is_router(at: Ref, call: &Call, values: &Values<'_>) -> bool {
    let expr = Expr::new(at);
    if values.calls_own_function(&expr, call) {
        return false;
    }
    let tree = values.tree(at);
    let Some(of) = tree.receiver(call) else {
        // Inside an extension of the context.
        let on = values.implicit_type(&expr);
        return on.is_some_and(|ty| ty.name == "BuildContext" || ty.name == "GoRouter");
    };
    let of = expr.with(of);
    match values.type_of(&of) {
        Some(ty) => {
            ty.class.is_none()
                && (ty.name == "GoRouter" || (ty.name == "BuildContext" && sees_router(at, values)))
        }
        None => is_untyped_router(&of, at, values),
    }
}

/// Whether the router's library is in view, by itself or by a library of the app's own.
fn sees_router(at: Ref, values: &Values<'_>) -> bool {
    values.sees_package(at.file, "package:go_router/")
}

/// `context`, which every builder is handed, or something that is called a router.
fn is_untyped_router(of: &Expr, at: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(of.at);
    if let Kind::Name(name) = tree.kind(of.at.id)
        && matches!(name.as_str(), "context" | "ctx" | "buildContext" | "_context")
    {
        return sees_router(at, values);
    }
    // Another router's library has members of the same names.
    let other = values.sees_package(at.file, "package:auto_route/");
    let declared = !other && !values.program().calls_named("GoRouter").is_empty();
    let called = match tree.kind(of.at.id) {
        Kind::Call(call) => call.args.first().and_then(|arg| tree.last_name(arg.value)),
        Kind::Unary { of, .. } => tree.last_name(*of),
        _ => tree.last_name(of.at.id),
    };
    declared && called.is_some_and(|(name, _)| name.to_lowercase().contains("router"))
}

/// The class of a typed route on which a call is made: `ItemRoute(id).go(context)`.
fn typed_route(at: Ref, call: &Call, values: &Values<'_>) -> Option<Ref> {
    let of = Expr::new(at).with(values.tree(at).receiver(call)?);
    let class = values.type_of(&of)?.class?;
    super::typed::is_typed(class, values).then_some(class)
}

fn by_type(at: Ref, class: Ref, verb: Verb, values: &Values<'_>) -> CallFact {
    let of = values.tree(at).call(at.id).and_then(|call| values.tree(at).receiver(call));
    let made = of.map(|of| values.built(&Expr::new(at).with(of)).root);
    CallFact {
        target: TargetFact::Typed(vec![class]),
        written: values.class(class).map(|c| c.name.to_string()).unwrap_or_default(),
        form: Form::Typed,
        arguments: made.map(|made| arguments_of(&made, class, values)).unwrap_or_default(),
        ..CallFact::new(Style::GoRouter, verb, at, code::callee_at(at, values))
    }
}

fn by_path(at: Ref, call: &Call, verb: Verb, values: &Values<'_>, facts: &mut Facts) {
    let Some(first) =
        call.args.iter().find(|arg| arg.name.is_none()).map(|arg| Expr::new(at).with(arg.value))
    else {
        return;
    };
    for site in values.sites(at, &first) {
        let target = site.bind(&first);
        // `ItemRoute(id).location` is the typed route.
        if let Some((class, made)) = typed_location(&target, values) {
            facts.calls.push(CallFact {
                target: TargetFact::Typed(vec![class]),
                written: values.class(class).map(|c| c.name.to_string()).unwrap_or_default(),
                form: Form::Typed,
                arguments: arguments_of(&made, class, values),
                ..CallFact::new(Style::GoRouter, verb, site.at, code::callee_at(site.at, values))
            });
            continue;
        }
        let found = location(&target, values);
        if found.shapes.is_empty() && !is_text(&target, values) {
            continue;
        }
        let (arguments, open) = extra(at, call, &site, values);
        let literal = found.shapes.iter().find(|shape| shape.has_literal_words());
        let fact = CallFact {
            written: values.written(code::seen_through(&target, values).at),
            form: found.form,
            constant: found.constant,
            literal: literal.map(|shape| Literal { text: shape.value() }),
            arguments,
            open,
            target: match found.shapes.iter().all(Shape::is_blank) {
                true => TargetFact::Unknown,
                false => TargetFact::Text(found.shapes),
            },
            ..CallFact::new(Style::GoRouter, verb, site.at, code::callee_at(site.at, values))
        };
        received(&fact, values, facts);
        facts.calls.push(fact);
    }
}

fn received(fact: &CallFact, values: &Values<'_>, facts: &mut Facts) {
    let types = values.tree(fact.site).call(fact.site.id).map(|call| call.types.clone()).unwrap_or_default();
    results::receive(fact.site, &types, fact.at, values, facts);
}

fn typed_location(target: &Expr, values: &Values<'_>) -> Option<(Ref, Expr)> {
    let Kind::Member(member) = values.kind(target.at) else { return None };
    (member.name == "location").then_some(())?;
    let of = target.with(member.of);
    let class = values.type_of(&of)?.class.filter(|&class| super::typed::is_typed(class, values))?;
    Some((class, values.built(&of).root))
}

/// What is passed as an object beside the path.
fn extra(at: Ref, call: &Call, site: &Site, values: &Values<'_>) -> (Vec<ArgumentFact>, bool) {
    let value = named(at, call, "extra").map(|value| site.bind(&value));
    value.map(|value| arguments(&value, WHOLE, values)).unwrap_or_default()
}

fn by_name(at: Ref, call: &Call, verb: Verb, values: &Values<'_>, facts: &mut Facts) {
    let Some(first) =
        call.args.iter().find(|arg| arg.name.is_none()).map(|arg| Expr::new(at).with(arg.value))
    else {
        return;
    };
    for site in values.sites(at, &first) {
        let target = site.bind(&first);
        let (mut arguments, mut open) = extra(at, call, &site, values);
        for name in ["pathParameters", "queryParameters", "params", "queryParams"] {
            let Some(map) = named(at, call, name).map(|map| site.bind(&map)) else {
                continue;
            };
            open |= entries(&map, &mut arguments, values);
        }
        let base = CallFact::new(Style::GoRouter, verb, site.at, code::callee_at(site.at, values));
        let fact = CallFact { arguments, open, ..code::said(base, &target, TargetFact::Named, values) };
        received(&fact, values, facts);
        facts.calls.push(fact);
    }
}

/// The entries of a map of parameters. Whether there may be more.
fn entries(map: &Expr, arguments: &mut Vec<ArgumentFact>, values: &Values<'_>) -> bool {
    let Some(entries) = values.entries(map) else { return true };
    let mut open = entries.open;
    for (key, value) in entries.known {
        match code::key(&key, values) {
            Some((name, literal_key)) => {
                // What a path or query holds is text, whatever it is made from.
                let fact = code::argument(Slot::Name(name), &value, values);
                arguments.push(ArgumentFact { literal_key, ty: None, ..fact });
            }
            None => open = true,
        }
    }
    open
}

fn branch(at: Ref, call: &Call, values: &Values<'_>) -> CallFact {
    let fact = CallFact::new(Style::GoRouter, Verb::Tab, at, code::callee_at(at, values));
    let first = call.args.first().map(|arg| Expr::new(at).with(arg.value));
    let number = first.as_ref().and_then(|first| match values.kind(first.at) {
        Kind::Number(text) => text.parse::<usize>().ok(),
        _ => None,
    });
    let shapes = number.map(|number| first_of_branch(number, values)).unwrap_or_default();
    let written = first.map(|first| values.written(first.at)).unwrap_or_default();
    match shapes.is_empty() {
        true => CallFact { target: TargetFact::Unknown, written, ..fact },
        false => CallFact { target: TargetFact::Text(shapes), form: Form::Computed, written, ..fact },
    }
}
