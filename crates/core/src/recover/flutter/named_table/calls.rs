//! Calls by name on the navigator.

use super::WHOLE;
use crate::facts::{ArgumentFact, CallFact, Facts, Slot, TargetFact};
use crate::model::{Style, Verb};
use crate::recover::code;
use crate::recover::constructor::arguments_of;
use crate::recover::flutter::navigator::{NavigatorCall, calls};
use crate::recover::flutter::results;
use crate::syntax::Kind;
use crate::values::{Expr, Site, Values};
use smol_str::SmolStr;

/// Methods that take a name, and what they do.
const METHODS: &[(&str, Verb)] = &[
    ("popAndPushNamed", Verb::Replace),
    ("pushNamed", Verb::Open),
    ("pushNamedAndRemoveUntil", Verb::Reset),
    ("pushReplacementNamed", Verb::Replace),
    ("restorablePopAndPushNamed", Verb::Replace),
    ("restorablePushNamed", Verb::Open),
    ("restorablePushNamedAndRemoveUntil", Verb::Reset),
    ("restorablePushReplacementNamed", Verb::Replace),
];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let methods: Vec<&str> = METHODS.iter().map(|(name, _)| *name).collect();
    for call in calls(file, values, &methods) {
        let verb =
            METHODS.iter().find(|(name, _)| *name == call.method).map_or(Verb::Open, |(_, verb)| *verb);
        let Some(name) = call.positional(0) else { continue };
        for site in values.sites(call.at, &name) {
            let fact = by_name(&call, &name, &site, verb, values);
            let types = values.tree(site.at).call(site.at.id).map(|c| c.types.clone()).unwrap_or_default();
            results::receive(site.at, &types, fact.at, values, facts);
            facts.calls.push(fact);
        }
    }
}

fn by_name(call: &NavigatorCall<'_>, name: &Expr, site: &Site, verb: Verb, values: &Values<'_>) -> CallFact {
    let target = site.bind(name);
    let passed = call.named("arguments").map(|value| site.bind(&value));
    let object = passed.as_ref().map(|value| object(value, values)).unwrap_or_default();
    let (arguments, open) = passed.map(|value| arguments(&value, WHOLE, values)).unwrap_or_default();
    let base = CallFact::new(Style::NamedTable, verb, site.at, code::callee_at(site.at, values));
    CallFact {
        host: call.host.clone(),
        arguments,
        open,
        object,
        ..code::said(base, &target, TargetFact::Text, values)
    }
}

/// The class of an object that is passed, with what it derives from.
fn object(value: &Expr, values: &Values<'_>) -> Vec<SmolStr> {
    let made = values.built(&code::seen_through(value, values)).root;
    let class = values.made_class(&made).or_else(|| values.type_of(value)?.class);
    let lineage = class.map(|class| values.lineage(class)).unwrap_or_default();
    lineage.into_iter().filter_map(|class| Some(values.class(class)?.name.clone())).collect()
}

/// What is passed: a map by its keys, an object by its constructor, or one value. Whether there may be
/// more.
pub(in crate::recover::flutter) fn arguments(
    value: &Expr,
    whole: &str,
    values: &Values<'_>,
) -> (Vec<ArgumentFact>, bool) {
    let value = code::seen_through(value, values);
    if matches!(values.kind(value.at), Kind::Null) {
        return (Vec::new(), false);
    }
    if let Some(entries) = values.entries(&value) {
        let known = entries.known.iter().filter_map(|(key, value)| {
            let (name, literal_key) = code::key(key, values)?;
            Some(ArgumentFact { literal_key, ..code::argument(Slot::Name(name), value, values) })
        });
        let known: Vec<ArgumentFact> = known.collect();
        let open = entries.open || known.len() < entries.known.len();
        return (known, open);
    }
    let made = values.built(&value).root;
    if let Some(class) = values.made_class(&made) {
        return (arguments_of(&made, class, values), false);
    }
    // A parameter, or an object of the app's own from elsewhere: its parts are not written here.
    let ty = values.type_of(&value);
    let own =
        ty.as_ref().is_some_and(|ty| ty.class.is_some() || matches!(ty.name.as_str(), "Object" | "Map"));
    let whole = code::argument(Slot::Name(whole.to_owned()), &value, values);
    match own || values.parameter_of_function(&value).is_some_and(|_| ty.is_none()) {
        true => (Vec::new(), true),
        false => (vec![whole], false),
    }
}
