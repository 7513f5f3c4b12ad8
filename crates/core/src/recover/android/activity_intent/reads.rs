//! Extras taken out of the intent an activity was opened with, or out of a result's.

use crate::facts::{Channel, Facts, ReadFact, ResultSideFact};
use crate::model::{ResultSide, Via};
use crate::recover::android::{bundle, code};
use crate::syntax::{BinaryOp, Kind, Member};
use crate::values::{Def, Expr, Ref, Values};

/// Takes an extra out of an intent; the last only asks whether it is there.
const GETTERS: &[&str] = &[
    "getBooleanArrayExtra",
    "getBooleanExtra",
    "getBundleExtra",
    "getByteArrayExtra",
    "getByteExtra",
    "getCharArrayExtra",
    "getCharExtra",
    "getCharSequenceArrayExtra",
    "getCharSequenceArrayListExtra",
    "getCharSequenceExtra",
    "getDoubleArrayExtra",
    "getDoubleExtra",
    "getFloatArrayExtra",
    "getFloatExtra",
    "getIntArrayExtra",
    "getIntExtra",
    "getIntegerArrayListExtra",
    "getLongArrayExtra",
    "getLongExtra",
    "getParcelableArrayExtra",
    "getParcelableArrayListExtra",
    "getParcelableExtra",
    "getSerializableExtra",
    "getShortArrayExtra",
    "getShortExtra",
    "getStringArrayExtra",
    "getStringArrayListExtra",
    "getStringExtra",
    "hasExtra",
];

/// Taken out of `intent.extras` instead.
const BUNDLE_GETTERS: &[&str] = &[
    "containsKey",
    "get",
    "getBoolean",
    "getBundle",
    "getByte",
    "getByteArray",
    "getChar",
    "getCharSequence",
    "getDouble",
    "getFloat",
    "getInt",
    "getIntArray",
    "getIntegerArrayList",
    "getLong",
    "getLongArray",
    "getParcelable",
    "getParcelableArray",
    "getParcelableArrayList",
    "getSerializable",
    "getShort",
    "getString",
    "getStringArray",
    "getStringArrayList",
];

/// Asks for a key without taking the value.
const ASKS: &[&str] = &["containsKey", "hasExtra"];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    whole_extras(file, values, facts);
    for (at, call) in
        code::calls(file, values, GETTERS).into_iter().chain(code::calls(file, values, BUNDLE_GETTERS))
    {
        let tree = values.tree(at);
        let expr = Expr::new(at);
        let of = tree.receiver(call).map(|of| expr.with(of)).or_else(|| values.implicit_receiver(&expr));
        let (Some(of), Some(first)) = (of, call.args.first()) else { continue };
        let method = code::callee_name(at, values);
        let Some(origin) = origin(&of, !method.ends_with("Extra"), values) else { continue };
        let Some((name, literal_key)) = code::key(&expr.with(first.value), values) else { continue };
        let ty = bundle::taken_type(method).map(str::to_owned);
        if origin == Origin::Result {
            facts.results.push(ResultSideFact {
                sure: true,
                key: Some(name),
                side: ResultSide::Receive,
                channel: Channel::Answer,
                ty,
                literal_key,
                site: at,
                at: code::callee_at(at, values),
            });
            continue;
        }
        // A primitive's getter has its default beside the key.
        let default = call.args.len() > 1 || ASKS.contains(&method);
        facts.reads.push(ReadFact {
            name,
            ty,
            absent: code::absent(at, default, values),
            generated: None,
            via: Via::Extra,
            literal_key,
            from_outside: origin == Origin::Later,
            is_parameter: false,
            site: at,
            at: code::node_at(at, values),
        });
    }
}

/// `controller.setGraph(graph, getIntent().getExtras())`: all extras go on together.
fn whole_extras(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Kind::Call(call) = tree.kind(id) else { continue };
        let at = Ref { file, id };
        let all = call.args.iter().any(|arg| {
            let name = match tree.kind(arg.value) {
                Kind::Call(_) => code::callee_name(Ref { file, id: arg.value }, values),
                _ => tree.last_name(arg.value).map_or("", |(name, _)| name.as_str()),
            };
            matches!(name, "extras" | "getExtras")
                && origin(&Expr::new(at).with(arg.value), true, values).is_some()
        });
        if all {
            facts.whole_bags.push(at);
        }
    }
}

/// Choices inside of choices are followed this deep.
const MAX_CHOICES: usize = 4;

/// Where an intent comes from.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
enum Origin {
    /// It opened the activity.
    Own,
    /// It came while the activity was open, from anywhere.
    Later,
    /// It brings a result.
    Result,
}

/// Follows an expression to the intent it is, or, with `extras`, to the intent whose extras it is.
fn origin(expr: &Expr, extras: bool, values: &Values<'_>) -> Option<Origin> {
    origin_within(expr, extras, 0, values)
}

fn origin_within(expr: &Expr, extras: bool, depth: usize, values: &Values<'_>) -> Option<Origin> {
    let mut at = expr.clone();
    let mut extras_seen = !extras;
    for _ in 0..8 {
        let tree = values.tree(at.at);
        let (name, of) = match tree.kind(at.at.id) {
            Kind::Call(call) => (code::callee_name(at.at, values), tree.receiver(call)),
            Kind::Member(Member { of, name, .. }) => (name.as_str(), Some(*of)),
            Kind::Name(name) => (name.as_str(), None),
            Kind::Unary { of, .. } | Kind::Cast { of, .. } => {
                at = at.with(*of);
                continue;
            }
            Kind::Binary { op, left, .. } if *op == BinaryOp::OrElse => {
                at = at.with(*left);
                continue;
            }
            Kind::Branch { arms, .. } if depth < MAX_CHOICES => {
                let extras = !extras_seen;
                let mut ways = arms.iter().map(|arm| at.with(arm.body));
                return ways.find_map(|way| origin_within(&way, extras, depth + 1, values));
            }
            _ => return None,
        };
        match name {
            "extras" | "getExtras" if of.is_some() => {
                extras_seen = true;
                at = at.with(of?);
                continue;
            }
            "data" | "getData" if of.is_some() && extras_seen => return Some(Origin::Result),
            _ => {}
        }
        if let Some(kind) = parameter_origin(&at, values) {
            return (extras_seen).then_some(kind);
        }
        match values.value_behind(&at) {
            Some(behind) => at = behind,
            None => return (extras_seen && matches!(name, "intent" | "getIntent")).then_some(Origin::Own),
        }
    }
    None
}

/// An intent handed to one of the platform's callbacks.
fn parameter_origin(expr: &Expr, values: &Values<'_>) -> Option<Origin> {
    let Kind::Name(name) = values.kind(expr.at) else { return None };
    let Some(Def::Parameter(parameter)) = values.resolve(expr.at, name) else { return None };
    let tree = values.tree(parameter);
    let function = tree.function(tree.node(parameter.id).parent?)?;
    match function.name.as_str() {
        "parseResult" | "onActivityResult" => Some(Origin::Result),
        "onNewIntent" => Some(Origin::Later),
        _ => None,
    }
}
