//! What switches screens: `current` set, `switch_to`, the next and the previous one.

use super::STYLE;
use super::adds::{added, route, unread};
use super::arguments::passed;
use super::managers::{Manager, manager_of, start};
use super::screens::is_manager;
use crate::facts::{
    ArgumentFact, At, CallFact, ChosenStart, ContainerKey, Facts, HostHint, Order, ParameterFact, RouteFact,
    RouteKey, Slot, TargetFact,
};
use crate::model::{Form, Verb, Via};
use crate::recover::code;
use crate::syntax::{AssignOp, Call, Kind, Parameter, TypeName};
use crate::values::{Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for &used in values.program().uses_in(file, "current") {
        let Some(outer) = tree.node(used.id).parent else { continue };
        let Kind::Assign { target, value, op } = tree.kind(outer) else { continue };
        let Kind::Member(member) = tree.kind(used.id) else { continue };
        if *target != used.id || *op != AssignOp::Set {
            continue;
        }
        let Some(manager) = manager_of(&Expr::new(used).with(member.of), values) else { continue };
        let site = Ref { file, id: outer };
        let at = At { file, span: member.name_span };
        let through = asked(&Expr::new(Ref { file, id: *value }), values);
        if !through.is_empty() {
            let of = |(call, given): (Ref, Expr)| {
                switch(call, code::callee_at(call, values), &given, manager, values)
            };
            facts.calls.extend(through.into_iter().map(of));
            continue;
        }
        for said in values.sites(site, &Expr::new(site).with(*value)) {
            let given = said.bind(&Expr::new(Ref { file, id: *value }));
            let given = name_of_asked(&given, values).unwrap_or(given);
            if let (Manager::Of(key), true) = (manager, is_set_up(said.at, values)) {
                facts.chosen.extend(start(&given, values).map(|start| ChosenStart { container: key, start }));
                continue;
            }
            let users = made_with(&code::seen_through(&given, values), values);
            for (user, given) in &users {
                let place = code::callee_at(*user, values);
                facts.calls.push(switch(*user, place, given, manager, values));
            }
            if users.is_empty() {
                let place = if said.at == site { at } else { code::callee_at(said.at, values) };
                facts.calls.push(switch(said.at, place, &given, manager, values));
            }
        }
    }
    for (at, call) in code::calls(file, values, &["switch_to"]) {
        let receiver = values.tree(at).receiver(call).map(|of| Expr::new(at).with(of));
        let manager = receiver.and_then(|of| manager_of(&of, values));
        let (Some(manager), Some(arg)) = (manager, call.args.first()) else { continue };
        let given = Expr::new(Ref { file, id: arg.value });
        if let Some(named) = asked_for(&given, values) {
            let call = switch(at, code::callee_at(at, values), &named, manager, values);
            facts.calls.push(CallFact { verb: Verb::Replace, ..call });
            continue;
        }
        switch_to(at, &Expr::new(Ref { file, id: arg.value }), manager, values, facts);
    }
}

/// What a widget of the app's own is made with under a property that it shows by, and where:
/// `NavButton: target: 'shelf'` for a button that opens its `self.target`.
fn made_with(given: &Expr, values: &Values<'_>) -> Vec<(Ref, Expr)> {
    let Kind::Member(member) = values.kind(given.at) else { return Vec::new() };
    let of = given.with(member.of);
    let own = matches!(values.kind(of.at), Kind::This)
        || matches!(values.kind(of.at), Kind::Name(name) if matches!(name.as_str(), "self" | "root"));
    let class = values.enclosing_named_class(given.at).filter(|&class| own && !is_manager(class, values));
    let makes = class.map(|class| values.makes(class)).unwrap_or_default().iter();
    let with = makes.filter_map(|&at| {
        let call = values.tree(at).call(at.id)?;
        let arg = call.args.iter().find(|arg| arg.name.as_deref() == Some(member.name.as_str()))?;
        Some((at, Expr::new(Ref { file: at.file, id: arg.value })))
    });
    with.collect()
}

/// `manager.get_screen("shelf").name` is the name that it is asked by.
fn name_of_asked(given: &Expr, values: &Values<'_>) -> Option<Expr> {
    let Kind::Member(member) = values.kind(given.at) else { return None };
    (member.name == "name").then_some(())?;
    asked_for(&given.with(member.of), values)
}

/// The name by which a manager is asked for the screen: `manager.get_screen("shelf")`.
fn asked_for(given: &Expr, values: &Values<'_>) -> Option<Expr> {
    let made = code::seen_through(given, values);
    let behind = values.value_behind(&made).unwrap_or(made);
    let call = values.tree(behind.at).call(behind.at.id)?;
    (code::callee_name(behind.at, values) == "get_screen").then_some(())?;
    call.args.first().map(|arg| behind.with(arg.value))
}

/// Where a method of a manager is given the name that it shows: every call of it on a manager, though
/// nothing says which class that is: `self.manager.go("shelf")`.
fn asked(given: &Expr, values: &Values<'_>) -> Vec<(Ref, Expr)> {
    let found = values.parameter_of_function(given).zip(values.enclosing_function(given.at));
    let Some((parameter, function)) = found else { return Vec::new() };
    let own = values.enclosing_named_class(function).filter(|&class| is_manager(class, values));
    let name = values.tree(function).function(function.id).map(|f| f.name.clone()).filter(|_| own.is_some());
    let Some(name) = name.filter(|name| name != "<init>") else { return Vec::new() };
    let calls = values.program().calls_named(&name).iter().copied();
    let on_manager = |&call: &Ref| {
        let tree = values.tree(call);
        let of = tree.call(call.id).and_then(|made| tree.receiver(made));
        of.is_some_and(|of| manager_of(&Expr::new(call).with(of), values).is_some())
    };
    calls
        .filter(on_manager)
        .filter_map(|call| Some((call, values.argument_for(call, function, parameter)?)))
        .collect()
}

/// While the app is built, or a manager sets itself up, it is what is shown first.
fn is_set_up(site: Ref, values: &Values<'_>) -> bool {
    let Some(function) = values.enclosing_function(site) else { return false };
    let Some(declared) = values.tree(function).function(function.id) else { return false };
    let Some(class) = values.enclosing_named_class(site) else { return false };
    match declared.name.as_str() {
        "build" => values.external_bases(class).iter().any(|base| base.ends_with("App")),
        "<init>" => is_manager(class, values),
        _ => false,
    }
}

fn switch(site: Ref, at: At, given: &Expr, manager: Manager, values: &Values<'_>) -> CallFact {
    let base = CallFact { host: host(manager), ..CallFact::new(STYLE, Verb::Open, site, at) };
    if let Some(beside) = beside(given, values) {
        let base = CallFact { form: Form::Computed, written: values.written(given.at), ..base };
        return CallFact {
            target: TargetFact::Beside(beside),
            arguments: passed(site, None, values),
            ..base
        };
    }
    let call = code::said(base, given, TargetFact::Named, values);
    let names: Vec<String> = match &call.target {
        TargetFact::Named(shapes) => shapes.iter().filter_map(crate::values::Shape::plain).collect(),
        _ => Vec::new(),
    };
    let arguments = match names.as_slice() {
        [name] => passed(site, Some(name), values),
        _ => Vec::new(),
    };
    // Of two names each is one that is written: a choice is no shape.
    let form = match (&call.form, names.len()) {
        (Form::Computed, 2..) if call.literal.is_none() && call.constant.is_some() => Form::Constant,
        (form, _) => *form,
    };
    CallFact { arguments, form, ..call }
}

fn host(manager: Manager) -> Option<HostHint> {
    match manager {
        Manager::Of(key) => Some(HostHint::Container(key)),
        Manager::Own => None,
        Manager::Unknown => Some(HostHint::Any),
    }
}

/// `manager.next()`, `manager.previous()`.
fn beside(given: &Expr, values: &Values<'_>) -> Option<i32> {
    values.tree(given.at).call(given.at.id)?;
    match code::callee_name(given.at, values) {
        "next" => Some(1),
        "previous" => Some(-1),
        _ => None,
    }
}

/// A screen is handed over whole, and stands in the manager from then on.
fn switch_to(at: Ref, given: &Expr, manager: Manager, values: &Values<'_>, facts: &mut Facts) {
    let base = CallFact {
        host: host(manager),
        ..CallFact::new(STYLE, Verb::Replace, at, code::callee_at(at, values))
    };
    let screen = added(given, values);
    let written = values.written(code::seen_through(given, values).at);
    let Some((_, name_at)) = screen.name.clone() else {
        // Once shown, it stands there.
        let key = if let Manager::Of(key) = manager { Some(key) } else { None };
        facts.unread.push(unread(key, code::callee_at(at, values)));
        facts.calls.push(CallFact { written, target: TargetFact::Unknown, ..base });
        return;
    };
    let local = matches!(values.kind(given.at), Kind::Name(_)).then(|| values.value_behind(given)).flatten();
    let given = &local.filter(|behind| values.is_local(behind.at)).unwrap_or_else(|| given.clone());
    let made = values.tree(given.at).call(given.at.id);
    if made.is_some() {
        let key = if let Manager::Of(key) = manager { Some(key) } else { None };
        let fact = route(&screen, key.unwrap_or(ContainerKey(name_at)), Order::Last, values);
        facts.routes.extend(fact.map(|mut route| {
            let taken = taken(screen.class, values);
            // What is handed over and kept under its name is one thing.
            route.parameters.retain(|known| taken.iter().all(|own| own.name != known.name));
            route.parameters.extend(taken);
            RouteFact { container: key, ..route }
        }));
    }
    facts.calls.push(CallFact {
        written,
        arguments: made.map(|made| handed(given, made, screen.class, values)).unwrap_or_default(),
        form: Form::Typed,
        target: TargetFact::Routes(vec![RouteKey(name_at)]),
        ..base
    });
}

/// What a screen that is made for a switch must be made with; what it hands on to its base is not told.
fn taken(class: Option<Ref>, values: &Values<'_>) -> Vec<ParameterFact> {
    let own = constructor(class, values);
    let facts = own.into_iter().map(|(at, parameter)| ParameterFact {
        name: parameter.name.to_string(),
        ty: parameter.ty.as_ref().map(TypeName::written),
        required: parameter.default.is_none(),
        nullable: false,
        default: parameter.default.map(|id| values.written(Ref { file: at.file, id })),
        via: Via::Constructor,
        at: code::node_at(at, values),
    });
    facts.collect()
}

/// The parameters of a class's own constructor.
fn constructor<'p>(class: Option<Ref>, values: &Values<'p>) -> Vec<(Ref, &'p Parameter)> {
    let Some((class, declared)) = class.and_then(|class| Some((class, values.class(class)?))) else {
        return Vec::new();
    };
    let tree = values.tree(class);
    let init = declared.members.iter().filter_map(|&id| tree.function(id)).find(|f| f.name == "<init>");
    let params = init.map(|function| function.params.as_slice()).unwrap_or_default().iter();
    let own = params.filter_map(|&id| Some((Ref { file: class.file, id }, tree.parameter(id)?)));
    own.filter(|(_, parameter)| !parameter.is_vararg() && parameter.name != "name").collect()
}

/// What a screen is made with where it is switched to.
fn handed(given: &Expr, made: &Call, class: Option<Ref>, values: &Values<'_>) -> Vec<ArgumentFact> {
    let own = constructor(class, values);
    let named = made.args.iter().enumerate().filter_map(|(place, arg)| {
        let known = |name: &str| own.iter().any(|(_, parameter)| parameter.name == name);
        let name = match &arg.name {
            Some(name) => known(name).then(|| name.to_string())?,
            None => own.get(place)?.1.name.to_string(),
        };
        Some(code::argument(Slot::Name(name), &given.with(arg.value), values))
    });
    named.collect()
}
