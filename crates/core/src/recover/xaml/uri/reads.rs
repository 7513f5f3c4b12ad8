//! What pages take out of the query, and of the object that they are given.

use super::typed::WHOLE;
use crate::facts::{Absent, Facts, ReadFact};
use crate::model::Via;
use crate::recover::code;
use crate::recover::xaml::{only, said};
use crate::syntax::{AssignOp, BinaryOp, Id, Kind};
use crate::values::{Expr, Ref, Values};

/// Types that hold what a page is given.
const GIVEN: &[&str] = &["NavigationEventArgs", "NavigatingCancelEventArgs"];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    asked(file, values, facts);
    asked_of_keys(file, values, facts);
    indexed(file, values, facts);
    whole(file, values, facts);
}

/// `query.TryGetValue(key, out value)`, `query.ContainsKey(key)`.
fn asked(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["ContainsKey", "TryGetValue"]) {
        let tree = values.tree(at);
        let of = tree.receiver(call).map(|of| Expr::new(at).with(of));
        let Some(first) = call.args.first().filter(|_| of.is_some_and(|of| is_query(&of, values))) else {
            continue;
        };
        for read in taken(at, first.value, values) {
            facts.reads.push(ReadFact { absent: Absent::Met, ..read });
        }
    }
}

/// `query.Keys.Contains(key)`.
fn asked_of_keys(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["Contains"]) {
        let tree = values.tree(at);
        let keys = tree.receiver(call).and_then(|of| match tree.kind(of) {
            Kind::Member(member) if member.name == "Keys" => Some(Expr::new(at).with(member.of)),
            _ => None,
        });
        let Some(first) = call.args.first().filter(|_| keys.is_some_and(|of| is_query(&of, values))) else {
            continue;
        };
        for read in taken(at, first.value, values) {
            facts.reads.push(ReadFact { absent: Absent::Met, ..read });
        }
    }
}

/// `query[key]`, which fails without the key.
fn indexed(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Kind::Index { of, args } = tree.kind(id) else { continue };
        let here = Expr::new(Ref { file, id });
        let Some(key) = only(args).filter(|_| is_query(&here.with(*of), values)) else {
            continue;
        };
        let assigned = tree.node(id).parent.is_some_and(
            |up| matches!(tree.kind(up), Kind::Assign { target, op, .. } if *target == id && *op == AssignOp::Set),
        );
        if assigned || said::is_asked_for(&here.with(*key), values) {
            continue;
        }
        for read in taken(here.at, *key, values) {
            facts.reads.push(ReadFact { absent: Absent::Fails, ..read });
        }
    }
}

/// A value by its key, at every place that really says the key.
fn taken(at: Ref, key: Id, values: &Values<'_>) -> Vec<ReadFact> {
    let said = values.sites(at, &Expr::new(at).with(key)).into_iter().filter_map(|said| {
        let given = said.bind(&Expr::new(Ref { file: at.file, id: key }));
        let (name, literal_key) = code::key(&given, values)?;
        let place = if said.at == at { code::node_at(at, values) } else { code::callee_at(said.at, values) };
        let read = ReadFact::new(name, Via::Query, said.at, place);
        Some(ReadFact { ty: Some("string".to_owned()), literal_key, ..read })
    });
    said.collect()
}

/// Whether an expression is the query of the page's address.
fn is_query(of: &Expr, values: &Values<'_>) -> bool {
    let behind = match values.kind(of.at) {
        Kind::Name(_) => values.value_behind(of).unwrap_or_else(|| of.clone()),
        _ => of.clone(),
    };
    match values.kind(behind.at) {
        Kind::Member(member) => {
            let of = values.tree(behind.at).last_name(member.of).map(|(name, _)| name.as_str());
            member.name == "QueryString" && of == Some("NavigationContext")
        }
        _ => false,
    }
}

/// `e.Parameter`, most often cast to what it is.
fn whole(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for &used in values.program().uses_in(file, "Parameter") {
        let Kind::Member(member) = tree.kind(used.id) else { continue };
        let ty = values.type_of(&Expr::new(used).with(member.of)).map(|ty| ty.name);
        if !ty.is_some_and(|ty| GIVEN.contains(&ty.rsplit('.').next().unwrap_or(&ty))) {
            continue;
        }
        let cast = tree.node(used.id).parent.and_then(|up| match tree.kind(up) {
            Kind::Cast { ty, safe, .. } => Some((ty.name.to_string(), *safe)),
            Kind::Binary { op, right, .. } if *op == BinaryOp::Is => match tree.kind(*right) {
                Kind::ClassOf(ty) => Some((ty.name.to_string(), true)),
                _ => None,
            },
            _ => None,
        });
        let read = ReadFact::new(WHOLE.to_owned(), Via::Argument, used, code::node_at(used, values));
        let (ty, safe) =
            cast.filter(|(ty, _)| !ty.is_empty()).map_or((None, true), |(ty, safe)| (Some(ty), safe));
        // A pattern's variable takes the value once more.
        if facts.reads.iter().all(|known| known.at != read.at || known.name != WHOLE) {
            facts.reads.push(ReadFact { ty, absent: Absent::of(!safe, safe), ..read });
        }
    }
}
