//! Code that sets a graph, or ties a menu to a controller.

use super::facts::{GraphNamed, Handled, Inflated, MenuSetup};
use crate::facts::{Facts, UsedFact};
use crate::recover::android::code;
use crate::syntax::{BinaryOp, Kind};
use crate::values::{Datum, Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    graphs(file, values, facts);
    menus(file, values, facts);
    mentions(file, values, facts);
}

/// `setGraph(R.navigation.main)`, `inflate(R.navigation.main)`, `NavHostFragment.create(…)`.
fn graphs(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["setGraph", "inflate", "create"]) {
        let expr = Expr::new(at);
        let args = call.args.iter().map(|arg| expr.with(arg.value));
        let named: Vec<String> = args.flat_map(|arg| code::resources(&arg, "navigation", values)).collect();
        let start = start_set_on(at, values);
        if named.is_empty() && code::callee_name(at, values) == "setGraph" {
            // Some graph, whichever it is.
            facts.own.push(Inflated { graph: None, start, site: at });
            continue;
        }
        let found =
            named.into_iter().map(|graph| Inflated { graph: Some(graph), start: start.clone(), site: at });
        facts.own.extend(found);
    }
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Kind::Assign { target, .. } = tree.kind(id) else { continue };
        // `controller.graph = graph`, in Kotlin.
        if matches!(tree.kind(*target), Kind::Member(member) if member.name == "graph") {
            facts.own.push(Inflated { graph: None, start: None, site: Ref { file, id } });
        }
    }
}

/// The start that is set on the variable an inflated graph is put into.
fn start_set_on(at: Ref, values: &Values<'_>) -> Option<String> {
    let tree = values.tree(at);
    let holder = tree.ancestors(at.id).find(|&id| matches!(tree.kind(id), Kind::Variable(_)))?;
    let name = &tree.variable(holder)?.name;
    let steps = values.steps_of(Ref { file: at.file, id: holder }, name);
    let set = steps
        .into_iter()
        .rev()
        .find(|step| matches!(step.name.as_str(), "setStartDestination" | "startDestination"))?;
    code::ids(set.args.first()?, values).into_iter().next()
}

fn menus(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["setupWithNavController"]) {
        let tree = values.tree(at);
        let expr = Expr::new(at);
        // `view.setupWithNavController(controller)` or `NavigationUI.setupWithNavController(view, controller)`.
        let of = tree
            .receiver(call)
            .filter(|of| tree.last_name(*of).is_none_or(|(name, _)| name != "NavigationUI"));
        let view = of.or_else(|| call.args.first().map(|arg| arg.value));
        let view = view.and_then(|id| view_id(&expr.with(id), values));
        facts.own.push(MenuSetup { view, menu: None, site: at });
    }
    for (at, _) in code::calls(file, values, &["onNavDestinationSelected"]) {
        facts.own.extend(listener_setups(at, values));
    }
}

/// A listener that hands entries on to the controller ties the views that it listens to, and the
/// options menu that its class inflates.
fn listener_setups(at: Ref, values: &Values<'_>) -> Vec<MenuSetup> {
    let class = values.enclosing_class(at);
    let in_class =
        |node: Ref| class.is_some() && values.enclosing_named_class(node) == values.enclosing_named_class(at);
    let mut setups = Vec::new();
    let listeners = [
        "setNavigationItemSelectedListener",
        "setOnItemSelectedListener",
        "setOnNavigationItemSelectedListener",
        "setOnMenuItemClickListener",
    ];
    for (node, call) in code::calls(at.file, values, &listeners) {
        let of = values.tree(node).receiver(call);
        let view = of.and_then(|of| view_id(&Expr::new(node).with(of), values));
        if in_class(node) && view.is_some() {
            setups.push(MenuSetup { view, menu: None, site: node });
        }
    }
    for (node, call) in code::calls(at.file, values, &["inflate", "inflateMenu"]) {
        let menus = call
            .args
            .iter()
            .flat_map(|arg| code::resources(&Expr::new(node).with(arg.value), "menu", values));
        if in_class(node) {
            setups.extend(menus.map(|menu| MenuSetup { view: None, menu: Some(menu), site: node }));
        }
    }
    setups
}

/// A view's id: from a look-up by id, or the name of a binding's property.
fn view_id(expr: &Expr, values: &Values<'_>) -> Option<String> {
    let root = values.built(expr).root;
    let tree = values.tree(root.at);
    if let Some(call) = tree.call(root.at.id) {
        let found =
            call.args.iter().find_map(|arg| code::ids(&root.with(arg.value), values).into_iter().next());
        return found
            .filter(|_| matches!(code::callee_name(root.at, values), "findViewById" | "requireViewById"));
    }
    tree.last_name(root.at.id).map(|(name, _)| name.to_string())
}

/// Ids that code compares an entry's id with, and every resource that code names.
fn mentions(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let expr = Expr::new(Ref { file, id });
        match tree.kind(id) {
            Kind::Binary { op, left, right } if *op == BinaryOp::Equal => {
                let sides = [*left, *right].into_iter().flat_map(|side| code::ids(&expr.with(side), values));
                facts.own.extend(sides.map(|id| Handled { id, site: expr.at }));
            }
            Kind::Branch { subject: Some(_), arms } => {
                let tests = arms
                    .iter()
                    .flat_map(|arm| &arm.tests)
                    .flat_map(|&test| code::ids(&expr.with(test), values));
                facts.own.extend(tests.map(|id| Handled { id, site: expr.at }));
            }
            Kind::Member(_) => {
                if let Some(Datum::Resource { kind, name }) = values.resource(&expr) {
                    if kind == "navigation" {
                        facts.own.push(GraphNamed { resource: name.to_string() });
                    }
                    facts.used.push(UsedFact { name: name.to_string() });
                }
            }
            _ => {}
        }
    }
}
