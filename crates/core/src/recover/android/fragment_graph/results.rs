//! Results: fragment results by key, and the saved state of back-stack entries.

use crate::facts::{Channel, Facts, ResultSideFact};
use crate::model::ResultSide;
use crate::recover::android::code;
use crate::recover::android::compose::is_entry;
use crate::syntax::{BinaryOp, Id, Kind};
use crate::values::{Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let names: &[(&str, ResultSide)] =
        &[("setFragmentResult", ResultSide::Send), ("setFragmentResultListener", ResultSide::Receive)];
    for &(name, side) in names {
        for (at, call) in code::calls(file, values, &[name]) {
            let Some(first) = call.args.first() else { continue };
            for site in values.sites(at, &Expr::new(at).with(first.value)) {
                let key = site.bind(&Expr::new(Ref { file: at.file, id: first.value }));
                facts.results.push(result(
                    Channel::Key,
                    side,
                    Some(&key),
                    site.at,
                    code::callee_at(site.at, values),
                    values,
                ));
            }
        }
    }
    saved_state(file, values, facts);
}

fn result(
    channel: Channel,
    side: ResultSide,
    key: Option<&Expr>,
    site: Ref,
    at: crate::facts::At,
    values: &Values<'_>,
) -> ResultSideFact {
    let known = key.and_then(|key| code::key(key, values));
    let literal_key = known.as_ref().is_some_and(|(_, literal)| *literal);
    ResultSideFact {
        sure: true,
        key: known.map(|(key, _)| key),
        side,
        channel,
        ty: None,
        literal_key,
        site,
        at,
    }
}

/// `previous.savedStateHandle[KEY] = value` sends; what is taken from the current entry's receives.
fn saved_state(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let names = ["set", "get", "getLiveData", "getStateFlow", "remove"];
    for (at, call) in code::calls(file, values, &names) {
        let tree = values.tree(at);
        let (Some(of), Some(first)) = (tree.receiver(call), call.args.first()) else { continue };
        let expr = Expr::new(at);
        let Some(entry) = entry_of(&expr.with(of), values) else { continue };
        let name = code::callee_name(at, values);
        let Some(side) = side_of(entry, name == "set") else { continue };
        // Taking the value away once it is read is no reading of its own.
        if name == "remove" {
            continue;
        }
        let ty = call.types.first().map(|ty| ty.simple().to_owned());
        for site in values.sites(at, &Expr::new(at).with(first.value)) {
            let key = site.bind(&Expr::new(Ref { file: at.file, id: first.value }));
            let fact = result(
                Channel::SavedState,
                side,
                Some(&key),
                site.at,
                code::callee_at(site.at, values),
                values,
            );
            facts.results.push(ResultSideFact { ty: ty.clone(), ..fact });
        }
    }
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Kind::Index { of, args } = tree.kind(id) else { continue };
        let expr = Expr::new(Ref { file, id });
        let (Some(entry), Some(key)) = (entry_of(&expr.with(*of), values), args.first()) else { continue };
        let Some(side) = side_of(entry, is_assigned(expr.at, values)) else { continue };
        let place = code::node_at(expr.at, values);
        facts.results.push(result(Channel::SavedState, side, Some(&expr.with(*key)), expr.at, place, values));
    }
}

fn is_assigned(at: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let parent = tree.node(at.id).parent.map(|id| tree.kind(id));
    matches!(parent, Some(Kind::Assign { target, .. }) if *target == at.id)
}

/// Which entry's saved state is meant.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
enum Entry {
    Previous,
    Current,
    Named,
}

fn side_of(entry: Entry, sets: bool) -> Option<ResultSide> {
    match (entry, sets) {
        (Entry::Previous | Entry::Named, true) => Some(ResultSide::Send),
        (Entry::Current, false) => Some(ResultSide::Receive),
        _ => None,
    }
}

/// The entry whose saved state an expression is, through locals and safe calls.
fn entry_of(expr: &Expr, values: &Values<'_>) -> Option<Entry> {
    let of = member_named(expr, &["savedStateHandle", "getSavedStateHandle"], values)?;
    let mut at = of;
    for _ in 0..8 {
        let tree = values.tree(at.at);
        let name = match tree.kind(at.at.id) {
            Kind::Call(_) => code::callee_name(at.at, values),
            _ => tree.last_name(at.at.id).map_or("", |(name, _)| name.as_str()),
        };
        match name {
            "previousBackStackEntry" | "getPreviousBackStackEntry" => return Some(Entry::Previous),
            "currentBackStackEntry" | "getCurrentBackStackEntry" => return Some(Entry::Current),
            // An entry found by its destination is another screen's to those who set.
            "getBackStackEntry" => return Some(Entry::Named),
            _ => match step_back(&at, values) {
                Some(behind) => at = behind,
                // The entry that a destination's content is given.
                None => return is_entry(&at, values).then_some(Entry::Current),
            },
        }
    }
    None
}

fn step_back(expr: &Expr, values: &Values<'_>) -> Option<Expr> {
    match values.kind(expr.at) {
        Kind::Unary { of, .. } | Kind::Cast { of, .. } => Some(expr.with(*of)),
        Kind::Binary { op, left, .. } if *op == BinaryOp::OrElse => Some(expr.with(*left)),
        _ => values.value_behind(expr),
    }
}

/// What a member of one of these names is taken from, looking through locals.
fn member_named(expr: &Expr, names: &[&str], values: &Values<'_>) -> Option<Expr> {
    let mut at = expr.clone();
    for _ in 0..8 {
        let tree = values.tree(at.at);
        let of: Option<Id> = match tree.kind(at.at.id) {
            Kind::Call(call) if names.contains(&code::callee_name(at.at, values)) => tree.receiver(call),
            Kind::Member(member) if names.contains(&member.name.as_str()) => Some(member.of),
            _ => None,
        };
        if let Some(of) = of {
            return Some(at.with(of));
        }
        at = step_back(&at, values)?;
    }
    None
}
