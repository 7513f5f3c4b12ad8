//! Controllers inside of others, and whether each is added and taken out with all steps
//! (developer.apple.com, "Creating a custom container view controller").

use super::super::pages::{What, page};
use super::stackless::ShownAs;
use super::{STYLE, is_platforms, route};
use crate::facts::{Facts, MissingStep, RedirectFact, RouteKey, TargetFact};
use crate::model::RouteKind;
use crate::recover::apple::shown::class_at;
use crate::recover::code;
use crate::syntax::{Id, Kind};
use crate::values::{Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["addChild", "addChildViewController"]) {
        let Some(child) = call.args.first().filter(|_| is_platforms(at, call, values)) else { continue };
        for said in values.sites(at, &Expr::new(at).with(child.value)) {
            shown(&said.bind(&Expr::new(Ref { file, id: child.value })), values, facts);
        }
        let tree = values.tree(at);
        let name = tree.dotted(child.value);
        if let Some(name) =
            name.filter(|name| !is_told(at, name, &["didMove", "didMoveToParentViewController"], values))
        {
            facts.missing_steps.push(MissingStep {
                what: format!("the child `{name}` that is added"),
                missing: "didMove(toParent:)".to_owned(),
                effect: "it is not told that it has a parent, and its appearance callbacks go wrong"
                    .to_owned(),
                mend: format!("Call `{name}.didMove(toParent: self)` once its view is in place."),
                at: code::callee_at(at, values),
            });
        }
    }
    for (at, call) in code::calls(file, values, &["removeFromParent", "removeFromParentViewController"]) {
        let tree = values.tree(at);
        let Some(of) = tree.receiver(call) else { continue };
        let controller = values.type_of(&Expr::new(at).with(of)).is_some_and(|ty| match ty.class {
            Some(class) => super::is_controller(class, values),
            None => ty.name.ends_with("ViewController"),
        });
        let name = tree.dotted(of).filter(|_| controller);
        if let Some(name) =
            name.filter(|name| !is_told(at, name, &["willMove", "willMoveToParentViewController"], values))
        {
            facts.missing_steps.push(MissingStep {
                what: format!("the child `{name}` that is taken out"),
                missing: "willMove(toParent: nil)".to_owned(),
                effect: "it is not told that it leaves, and its appearance callbacks go wrong".to_owned(),
                mend: format!("Call `{name}.willMove(toParent: nil)` before its view is taken out."),
                at: code::callee_at(at, values),
            });
        }
    }
}

/// A child is on screen with its parent.
fn shown(child: &Expr, values: &Values<'_>, facts: &mut Facts) {
    if let What::Class(class) | What::View(class) = page(child, values).what {
        let screen = values.program().path(class).to_owned();
        facts.own.push(ShownAs { screen, in_stack: true });
        facts.routes.push(route(class, RouteKind::Screen, values));
        let target = TargetFact::Routes(vec![RouteKey(class_at(class, values))]);
        facts.redirects.push(RedirectFact { style: STYLE, from: None, target });
    }
}

/// Whether the function around calls one of some methods on what has a name.
fn is_told(at: Ref, name: &str, methods: &[&str], values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let Some(function) = values.enclosing_function(at) else { return true };
    let mut todo = vec![function.id];
    while let Some(id) = todo.pop() {
        if let Some(call) = tree.call(id) {
            let told = tree.callee(call).is_some_and(|(callee, _)| methods.contains(&callee.as_str()));
            let same = tree.receiver(call).and_then(|of| plain(tree, of)).is_some_and(|of| of == name);
            if told && same {
                return true;
            }
            // Handed to a helper, which may do it.
            let helped = call.args.iter().any(|arg| plain(tree, arg.value).as_deref() == Some(name))
                && values.calls_own_function(&Expr::new(Ref { file: at.file, id }), call);
            if helped {
                return true;
            }
        }
        todo.extend(tree.kind(id).children());
    }
    false
}

fn plain(tree: &crate::syntax::Tree, id: Id) -> Option<String> {
    match tree.kind(id) {
        Kind::Unary { of, .. } => plain(tree, *of),
        _ => tree.dotted(id),
    }
}
