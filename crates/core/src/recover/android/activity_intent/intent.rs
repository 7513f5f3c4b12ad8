//! Intents: which classes, action or address they name, what they carry, how they clear the stack.

use super::manifest;
use crate::facts::{ArgumentFact, Slot};
use crate::recover::android::{bundle, code};
use crate::syntax::{Kind, TypeName};
use crate::values::{Built, Datum, Expr, Ref, Step, Values};

/// An intent as it was put together, all of its ways together.
#[derive(Default)]
pub(super) struct Intent {
    /// The app's own classes that it may open.
    pub(super) classes: Vec<Ref>,
    /// The class as written, for one that the source does not have.
    pub(super) written: Option<String>,
    /// It names a class, and which one is not known on some way.
    pub(super) unknown: bool,
    pub(super) address: Option<Expr>,
    pub(super) extras: Vec<ArgumentFact>,
    pub(super) open: bool,
    pub(super) resets: bool,
}

/// Reads an intent expression. `None` if it is not known to be one.
pub(super) fn read(expr: &Expr, values: &Values<'_>) -> Option<Intent> {
    let ways = values.built_ways(expr);
    let several = ways.len() > 1;
    let mut read = ways.iter().filter_map(|built| one(built, values)).collect::<Vec<_>>().into_iter();
    let mut whole = read.next()?;
    whole.unknown |= several && read.len() + 1 < ways.len();
    for way in read {
        whole.classes.extend(way.classes);
        whole.written = whole.written.or(way.written);
        whole.unknown |= way.unknown;
        whole.address = whole.address.or(way.address);
        whole.open |= way.open;
        whole.resets &= way.resets;
        whole.extras = code::joined([whole.extras, way.extras].into_iter());
    }
    whole.classes.dedup();
    Some(whole)
}

/// Several intents that are started together.
pub(super) fn read_all(list: &Expr, values: &Values<'_>) -> Vec<Intent> {
    values.elements(list).iter().filter_map(|element| read(element, values)).collect()
}

fn one(built: &Built, values: &Values<'_>) -> Option<Intent> {
    let call = values.tree(built.root.at).call(built.root.at.id)?;
    (code::callee_name(built.root.at, values) == "Intent").then_some(())?;
    // A copy of another one.
    if let [arg] = call.args.as_slice()
        && values.type_of(&built.root.with(arg.value)).is_some_and(|ty| ty.name == "Intent")
    {
        let copied = read(&built.root.with(arg.value), values);
        let mut intent = copied.unwrap_or(Intent { unknown: true, open: true, ..Intent::default() });
        built.steps.iter().for_each(|step| intent.step(step, values));
        return Some(intent);
    }
    let mut intent = Intent { open: built.open, ..Intent::default() };
    for (i, arg) in call.args.iter().enumerate() {
        let arg = built.root.with(arg.value);
        if values.type_of(&arg).is_some_and(|ty| ty.name == "Uri") {
            intent.address = Some(arg);
        } else if i == 1 || i == 3 {
            intent.name_class(&arg, values);
        } else if i == 0 {
            intent.name_action(&arg, values);
        }
    }
    for step in &built.steps {
        intent.step(step, values);
    }
    Some(intent)
}

/// The class argument of the call that makes an intent: what a helper may hand through.
pub(super) fn class_argument(expr: &Expr, values: &Values<'_>) -> Option<Expr> {
    let root = values.built(expr).root;
    let call = values.tree(root.at).call(root.at.id)?;
    (code::callee_name(root.at, values) == "Intent" && call.args.len() == 2)
        .then(|| root.with(call.args[1].value))
}

impl Intent {
    /// Every class that an expression may stand for.
    fn name_class(&mut self, expr: &Expr, values: &Values<'_>) {
        for way in values.built_ways(expr) {
            let at = code::seen_through(&way.root, values);
            match values.kind(at.at) {
                Kind::ClassOf(ty) => self.class(at.at, ty, values),
                Kind::Call(_)
                    if matches!(code::callee_name(at.at, values), "getName" | "getCanonicalName") =>
                {
                    let tree = values.tree(at.at);
                    if let Some(of) = tree.call(at.at.id).and_then(|call| tree.receiver(call)) {
                        self.name_class(&at.with(of), values);
                    }
                }
                // `Item::class.java.name`.
                Kind::Member(member)
                    if matches!(member.name.as_str(), "name" | "canonicalName" | "qualifiedName") =>
                {
                    self.name_class(&at.with(member.of), values);
                }
                Kind::Call(call) if code::callee_name(at.at, values) == "forName" => {
                    match call.args.first() {
                        Some(path) => self.name_class(&at.with(path.value), values),
                        None => self.unknown = true,
                    }
                }
                // `new Intent(this, getClass())`, `javaClass`.
                Kind::Call(_) if code::callee_name(at.at, values) == "getClass" => self.own(&at, values),
                Kind::Name(name) if name == "javaClass" => self.own(&at, values),
                // The action of `Intent(ACTION_VIEW, uri)` and the like is no class.
                _ if self.held_classes(&at, values) => {}
                _ => match values.plain_text(&at) {
                    Some(path) => self.class_called(&path, values),
                    None => self.unknown = true,
                },
            }
        }
    }

    /// Classes that rows of a list or entries of a map hold. Whether any are known.
    fn held_classes(&mut self, expr: &Expr, values: &Values<'_>) -> bool {
        let found = values.eval_any_case(expr);
        let classes = found.iter().filter_map(|value| match &value.datum {
            Datum::Type(class) => Some(class),
            _ => None,
        });
        let mut known = 0;
        for class in classes {
            if let Kind::ClassOf(ty) = values.kind(class.at) {
                self.class(class.at, ty, values);
                known += 1;
            }
        }
        self.unknown |= known > 0 && known < found.len();
        known > 0
    }

    fn class(&mut self, at: Ref, ty: &TypeName, values: &Values<'_>) {
        self.classes.extend(values.class_named(at, &ty.name));
        self.written = Some(ty.name.to_string());
    }

    fn own(&mut self, at: &Expr, values: &Values<'_>) {
        let class = values.enclosing_named_class(at.at);
        self.written = class.and_then(|class| values.class(class)).map(|class| class.name.to_string());
        self.classes.extend(class);
    }

    fn class_called(&mut self, path: &str, values: &Values<'_>) {
        values.expect_class(path);
        self.classes.extend(values.program().classes_at(&path.replace('$', ".")).first());
        self.written = Some(path.to_owned());
    }

    /// An action that a manifest of the app's own answers to.
    fn name_action(&mut self, expr: &Expr, values: &Values<'_>) {
        if let Some(action) = values.plain_text(expr) {
            let found = manifest::answering(&action, values);
            if !found.is_empty() {
                self.written = Some(action);
            }
            self.classes.extend(found);
        }
    }

    fn step(&mut self, step: &Step, values: &Values<'_>) {
        let name = step.name.as_str();
        match (name, step.args.as_slice()) {
            ("setClass" | "setClassName", [.., class]) => self.name_class(class, values),
            ("setComponent" | "component", [component]) => {
                let root = values.built(component).root;
                let args = values.tree(root.at).call(root.at.id).map(|call| call.args.as_slice());
                match args {
                    Some([.., class]) => self.name_class(&root.with(class.value), values),
                    _ => self.unknown = true,
                }
            }
            ("setAction" | "action", [action]) => self.name_action(action, values),
            ("setData" | "data", [uri]) => self.address = Some(uri.clone()),
            ("addFlags" | "setFlags" | "flags", [flags]) => self.resets |= clears_task(flags, values),
            ("putExtras", [all]) => {
                let contents = bundle::contents(all, values);
                self.extras.extend(contents.entries);
                self.open |= contents.open;
            }
            (put, [key, value]) if put.starts_with("put") && put.ends_with("Extra") => {
                self.put(key, value, values);
            }
            _ => {}
        }
    }

    fn put(&mut self, key: &Expr, value: &Expr, values: &Values<'_>) {
        match code::key(key, values) {
            Some((name, literal_key)) => {
                let argument = code::argument(Slot::Name(name), value, values);
                self.extras.push(ArgumentFact { literal_key, at: code::node_at(key.at, values), ..argument });
            }
            None => self.open = true,
        }
    }
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
