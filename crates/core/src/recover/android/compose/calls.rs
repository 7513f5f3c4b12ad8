//! Calls on a controller by text or by typed object, and the ways back.

use crate::facts::{CallFact, ContainerKey, Facts, HostHint, Literal, TargetFact};
use crate::model::{Form, Style, Verb};
use crate::recover::android::code;
use crate::recover::constructor::made_with;
use crate::syntax::{Call, Kind};
use crate::values::{Def, Expr, Ref, Shape, Value, Values};

/// Calls whose target is text.
pub(super) fn text(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["navigate", "popBackStack"]) {
        let Some(first) = call.arg("route", 0).filter(|_| is_on_controller(at, call, values)) else {
            continue;
        };
        for site in values.sites(at, &Expr::new(at).with(first)) {
            let target = site.bind(&Expr::new(Ref { file, id: first }));
            if values.type_of(&target).is_some_and(|ty| ty.name == "Uri") {
                continue;
            }
            let found = values.eval_any_case(&target);
            let shapes: Vec<Shape> = found.iter().filter_map(|value| value.shape().cloned()).collect();
            // An object is another style's; what is not known at all is text only by its type.
            if shapes.is_empty() && values.type_of(&target).is_none_or(|ty| ty.name != "String") {
                continue;
            }
            let back = code::callee_name(at, values) == "popBackStack";
            let mut fact = new_call(
                Style::ComposeString,
                if back { Verb::BackTo } else { Verb::Open },
                &target,
                at,
                site.at,
                values,
            );
            fact.form = form(&found);
            fact.constant = found.iter().find_map(|value| value.constant);
            let literal = shapes.iter().find(|shape| shape.has_literal_words());
            fact.literal = literal.map(|shape| Literal { text: shape.value() });
            fact.target = if shapes.iter().all(Shape::is_blank) {
                TargetFact::Unknown
            } else {
                TargetFact::Text(shapes)
            };
            facts.calls.push(fact);
        }
    }
}

fn form(found: &[Value]) -> Form {
    match found {
        [one] => one.form,
        _ => Form::Computed,
    }
}

fn new_call(style: Style, verb: Verb, target: &Expr, inner: Ref, site: Ref, values: &Values<'_>) -> CallFact {
    CallFact {
        written: values.written(code::seen_through(target, values).at),
        host: host(inner, values),
        ..CallFact::new(style, verb, site, code::callee_at(site, values))
    }
}

/// Calls whose target is an object of the app's own, and pops to a type.
pub(super) fn typed(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["navigate", "popBackStack"]) {
        if !is_on_controller(at, call, values) {
            continue;
        }
        let back = code::callee_name(at, values) == "popBackStack";
        let verb = if back { Verb::BackTo } else { Verb::Open };
        if let (true, Some(ty)) = (back, call.types.first()) {
            if let Some(class) = values.class_named(at, &ty.name) {
                let mut fact = CallFact::new(Style::ComposeTyped, verb, at, code::callee_at(at, values));
                fact.written = ty.name.to_string();
                fact.form = Form::Typed;
                fact.target = TargetFact::Typed(vec![class]);
                facts.calls.push(fact);
            }
            continue;
        }
        let Some(first) = call.arg("route", 0) else { continue };
        for site in values.sites(at, &Expr::new(at).with(first)) {
            let target = site.bind(&Expr::new(Ref { file, id: first }));
            let found = values.eval_any_case(&target);
            let classes: Vec<Ref> = found.iter().filter_map(|value| values.object_class(value)).collect();
            if classes.is_empty() || found.iter().any(|value| value.shape().is_some()) {
                continue;
            }
            let mut fact = new_call(Style::ComposeTyped, verb, &target, at, site.at, values);
            fact.form = if classes.len() > 1 { Form::Computed } else { Form::Typed };
            fact.arguments = if back {
                Vec::new()
            } else {
                let ways = found
                    .iter()
                    .filter_map(|value| Some(made_with(value, values.object_class(value)?, values)));
                code::joined(ways)
            };
            fact.open = found.len() > classes.len();
            fact.target = TargetFact::Typed(classes);
            facts.calls.push(fact);
        }
    }
}

/// Whether a call is made on a controller, by its type or as a bare call in an extension of it.
fn is_on_controller(at: Ref, call: &Call, values: &Values<'_>) -> bool {
    let expr = Expr::new(at);
    if values.calls_own_function(&expr, call) {
        return false;
    }
    let ty = match values.tree(at).receiver(call) {
        Some(of) => values.type_of(&expr.with(of)),
        None => values.implicit_type(&expr),
    };
    ty.is_some_and(|ty| ty.name.ends_with("NavController") || ty.name.ends_with("NavHostController"))
}

/// The host that a controller made in the same function is given to.
fn host(at: Ref, values: &Values<'_>) -> Option<HostHint> {
    let tree = values.tree(at);
    let of = tree.receiver(tree.call(at.id)?)?;
    let Kind::Name(name) = tree.kind(of) else { return None };
    let def = values.resolve(Ref { file: at.file, id: of }, name)?;
    let Def::Variable(variable) = def else { return None };
    let given = |host: &Ref| {
        let call = values.tree(*host).call(host.id);
        let controller =
            call.and_then(|call| call.arg("navController", 0)).map(|id| Ref { file: host.file, id });
        controller.is_some_and(|c| matches!(values.kind(c), Kind::Name(n) if values.resolve(c, n) == Some(Def::Variable(variable))))
    };
    let hosts = values.program().calls_in(at.file, "NavHost").iter().copied();
    let mut mine = hosts.filter(given);
    mine.next().map(|host| HostHint::Container(ContainerKey(code::callee_at(host, values))))
}
