//! Bundles and the like: what was put in, under which keys.

use super::code;
use crate::facts::{ArgumentFact, Slot};
use crate::syntax::{BinaryOp, Call, Kind};
use crate::values::{Built, Expr, Step, Values};

/// What a bundle holds, and whether it may hold more.
pub(super) struct Contents {
    pub(super) entries: Vec<ArgumentFact>,
    pub(super) open: bool,
}

/// The contents of a bundle expression.
pub(super) fn contents(expr: &Expr, values: &Values<'_>) -> Contents {
    if matches!(values.kind(expr.at), Kind::Null) {
        return Contents { entries: Vec::new(), open: false };
    }
    from_built(&values.built(expr), values)
}

fn from_built(built: &Built, values: &Values<'_>) -> Contents {
    let mut contents = root(&built.root, values);
    contents.open |= built.open;
    for step in &built.steps {
        put(step, &mut contents, values);
    }
    contents
}

/// What the first expression already puts in.
fn root(root: &Expr, values: &Values<'_>) -> Contents {
    let mut contents = Contents { entries: Vec::new(), open: false };
    let tree = values.tree(root.at);
    let Some(call) = tree.call(root.at.id) else {
        contents.open = !matches!(values.kind(root.at), Kind::Null);
        return contents;
    };
    let name = code::callee_name(root.at, values);
    match name {
        "Bundle" | "PersistableBundle" => match call.args.first() {
            // `Bundle(other)` copies; `Bundle(2)` only reserves.
            Some(arg) if !matches!(tree.kind(arg.value), Kind::Number(_)) => {
                return self::contents(&root.with(arg.value), values);
            }
            _ => {}
        },
        "bundleOf" => pairs(root, call, &mut contents, values),
        _ if name.ends_with("Args") => generated(root, call, &mut contents, values),
        "Builder"
            if tree
                .receiver(call)
                .and_then(|of| tree.last_name(of))
                .is_some_and(|(n, _)| n.ends_with("Args")) =>
        {
            generated(root, call, &mut contents, values);
        }
        _ => contents.open = true,
    }
    contents
}

/// `bundleOf("id" to id, Pair("tag", tag))`.
fn pairs(root: &Expr, call: &Call, contents: &mut Contents, values: &Values<'_>) {
    for arg in &call.args {
        let pair = root.with(arg.value);
        let (left, right) = match values.kind(pair.at) {
            Kind::Binary { op, left, right } if *op == BinaryOp::Pair => (*left, *right),
            Kind::Call(inner) if inner.args.len() == 2 => (inner.args[0].value, inner.args[1].value),
            _ => {
                contents.open = true;
                continue;
            }
        };
        entry(&root.with(left), &root.with(right), None, contents, values);
    }
}

/// `ItemFragmentArgs(id, tag = null)`: the generated class takes the destination's arguments.
fn generated(root: &Expr, call: &Call, contents: &mut Contents, values: &Values<'_>) {
    for (position, arg) in call.args.iter().enumerate() {
        let slot = arg.name.as_ref().map_or(Slot::Position(position), |name| Slot::Name(name.to_string()));
        contents.entries.push(code::argument(slot, &root.with(arg.value), values));
    }
}

fn put(step: &Step, contents: &mut Contents, values: &Values<'_>) {
    match (step.name.as_str(), step.args.as_slice()) {
        ("putAll" | "putExtras", [other]) => {
            let more = self::contents(other, values);
            contents.entries.extend(more.entries);
            contents.open |= more.open;
        }
        (name, [key, value]) if name.starts_with("put") => {
            entry(key, value, stored_type(name), contents, values);
        }
        (name, [value]) if name.starts_with("set") && name.len() > 3 => {
            let mut chars = name[3..].chars();
            let first = chars.next().map(|c| c.to_lowercase().to_string()).unwrap_or_default();
            let slot = Slot::Name(format!("{first}{}", chars.as_str()));
            contents.entries.push(code::argument(slot, value, values));
        }
        _ => {}
    }
}

fn entry(key: &Expr, value: &Expr, stored: Option<&str>, contents: &mut Contents, values: &Values<'_>) {
    let Some((name, literal_key)) = code::key(key, values) else {
        contents.open = true;
        return;
    };
    let argument = code::argument(Slot::Name(name), value, values);
    let ty = stored.map(str::to_owned).or(argument.ty);
    contents.entries.retain(|known| known.slot != argument.slot);
    contents.entries.push(ArgumentFact { ty, literal_key, at: code::node_at(key.at, values), ..argument });
}

/// The type that a put method stores.
fn stored_type(method: &str) -> Option<&'static str> {
    Some(match method {
        "putString" => "String",
        "putInt" => "Int",
        "putLong" => "Long",
        "putFloat" => "Float",
        "putDouble" => "Double",
        "putBoolean" => "Boolean",
        _ => return None,
    })
}

/// The type that a get method takes out: `getStringExtra`, `getInt`.
pub(super) fn taken_type(method: &str) -> Option<&'static str> {
    let method = method.strip_suffix("Extra").unwrap_or(method);
    Some(match method {
        "getString" => "String",
        "getInt" => "Int",
        "getLong" => "Long",
        "getFloat" => "Float",
        "getDouble" => "Double",
        "getBoolean" => "Boolean",
        _ => return None,
    })
}
