//! Actions that are sent to nobody in particular: somebody up the responder chain must answer
//! (developer.apple.com, "Using responders and the responder chain to handle events").

use crate::facts::{Facts, MissingStep};
use crate::recover::code;
use crate::syntax::{ClassKind, Kind};
use crate::values::{Def, Expr, Ref, Values};

/// Calls that take a target and an action: the target's label, empty for the first argument.
const SENDERS: &[(&str, &str)] = &[
    ("UIBarButtonItem", "target"),
    ("UIGestureRecognizer", "target"),
    ("addTarget", ""),
    ("sendAction", "to"),
];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for (name, label) in SENDERS {
        for (at, call) in code::calls(file, values, &[name]) {
            let target = match *label {
                "" => call.args.first().filter(|arg| arg.name.is_none()),
                label => call.args.iter().find(|arg| arg.name.as_deref() == Some(label)),
            };
            if !target.is_some_and(|arg| matches!(tree.kind(arg.value), Kind::Null)) {
                continue;
            }
            let action = call.args.iter().find(|arg| match tree.kind(arg.value) {
                Kind::Reference { .. } => true,
                Kind::Name(_) => arg.name.as_deref() == Some("action") || arg.name.is_none(),
                _ => false,
            });
            for said in action.map(|arg| values.sites(at, &Expr::new(at).with(arg.value))).unwrap_or_default()
            {
                let Some(arg) = action else { continue };
                let given = said.bind(&Expr::new(Ref { file, id: arg.value }));
                sent(said.at, &code::seen_through(&given, values), values, facts);
            }
        }
    }
}

fn sent(site: Ref, action: &Expr, values: &Values<'_>, facts: &mut Facts) {
    let Kind::Reference { of, name } = values.kind(action.at) else { return };
    // Only what the app itself declares: the platform's classes answer their own.
    let of_app = match of {
        Some(of) => matches!(values.meaning(&action.with(*of)), Some(Def::Class(_))),
        None => matches!(values.resolve(action.at, name), Some(Def::Functions(_))),
    };
    if !of_app {
        return;
    }
    values.expect_function(name);
    let answered = values.functions_called(name).into_iter().any(|function| {
        let Some(class) = values.enclosing_named_class(function) else { return true };
        let responds = values.class(class).is_some_and(|class| class.kind != ClassKind::Interface);
        responds && values.tree(function).function(function.id).is_some_and(|f| f.body.is_some())
    });
    if !answered {
        let at = code::callee_at(site, values);
        facts.missing_steps.push(MissingStep {
            what: format!("the action `{name}`"),
            missing: String::new(),
            effect: "is sent up to whoever answers it, and no class does: nothing happens".to_owned(),
            mend: format!("Implement `{name}` in a controller further up, or in the app's delegate."),
            at,
        });
    }
}
