//! Intents: which class or address they name, what they carry, how they clear the stack.

use crate::facts::ArgumentFact;
use crate::recover::android::{bundle, code};
use crate::syntax::{Kind, TypeName};
use crate::values::{Expr, Ref, Step, Values};

/// An intent as it was put together.
pub(super) struct Intent {
    pub(super) class: Option<Ref>,
    /// The class as written, for one that the source does not have.
    pub(super) written: Option<String>,
    pub(super) address: Option<Expr>,
    pub(super) extras: Vec<ArgumentFact>,
    pub(super) open: bool,
    pub(super) resets: bool,
}

/// Reads an intent expression. `None` if it is not known to be one.
pub(super) fn read(expr: &Expr, values: &Values<'_>) -> Option<Intent> {
    let built = values.built(expr);
    let call = values.tree(built.root.at).call(built.root.at.id)?;
    (code::callee_name(built.root.at, values) == "Intent").then_some(())?;
    let mut intent = Intent {
        class: None,
        written: None,
        address: None,
        extras: Vec::new(),
        open: built.open,
        resets: false,
    };
    for arg in &call.args {
        let arg = built.root.with(arg.value);
        intent.name_class(&arg, values);
        if values.type_of(&arg).is_some_and(|ty| ty.name == "Uri") {
            intent.address = Some(arg);
        }
    }
    for step in &built.steps {
        intent.step(step, values);
    }
    Some(intent)
}

impl Intent {
    fn name_class(&mut self, expr: &Expr, values: &Values<'_>) {
        if let Kind::ClassOf(ty) = values.kind(code::seen_through(expr, values).at) {
            let at = code::seen_through(expr, values).at;
            self.class = class_of(at, ty, values);
            self.written = Some(ty.name.to_string());
        }
    }

    fn step(&mut self, step: &Step, values: &Values<'_>) {
        let name = step.name.as_str();
        match (name, step.args.as_slice()) {
            ("setClass" | "setClassName", [.., class]) => self.name_class(class, values),
            ("setData" | "data", [uri]) => self.address = Some(uri.clone()),
            ("addFlags" | "setFlags" | "flags", [flags]) => self.resets |= clears_task(flags, values),
            ("putExtras", [all]) => {
                let contents = bundle::contents(all, values);
                self.extras.extend(contents.entries);
                self.open |= contents.open;
            }
            (
                "putExtra"
                | "putStringArrayListExtra"
                | "putParcelableArrayListExtra"
                | "putIntegerArrayListExtra",
                [key, value],
            ) => match code::key(key, values) {
                Some((name, literal_key)) => {
                    let argument = code::argument(crate::facts::Slot::Name(name), value, values);
                    self.extras.push(ArgumentFact {
                        literal_key,
                        at: code::node_at(key.at, values),
                        ..argument
                    });
                }
                None => self.open = true,
            },
            _ => {}
        }
    }
}

fn class_of(at: Ref, ty: &TypeName, values: &Values<'_>) -> Option<Ref> {
    values.class_named(at, &ty.name)
}

/// A new task without the old one's screens: nothing is left to go back to.
fn clears_task(flags: &Expr, values: &Values<'_>) -> bool {
    let tree = values.tree(flags.at);
    let mut todo = vec![flags.at.id];
    while let Some(id) = todo.pop() {
        if tree.last_name(id).is_some_and(|(name, _)| name == "FLAG_ACTIVITY_CLEAR_TASK") {
            return true;
        }
        todo.extend(tree.kind(id).children());
    }
    false
}
