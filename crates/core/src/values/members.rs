//! Objects whose entries are members: what stands at an index, and loops over keys and values
//! (tc39.es, "Object.entries").

use super::collections::Elements;
use super::rounds::Round;
use super::{Expr, Frame, Fuel, Ref, Values};
use crate::syntax::{Id, Kind, Listing};

impl Values<'_> {
    /// What stands in a list or an object at a place or under a name; of what a loop takes, in each
    /// round. Under what is not known any of them may be meant.
    pub(super) fn indexed(&self, expr: &Expr, fuel: &Fuel) -> Elements {
        let mut found = Elements::default();
        let Kind::Index { of, args } = self.kind(expr.at) else { return found };
        let (Some(_step), Some(&index)) = (fuel.step(), args.first()) else { return found };
        self.at_any_round(&expr.with(*of), &expr.with(index), fuel).unwrap_or_else(|| {
            found.open = true;
            found
        })
    }

    /// At a place or under a key of what something is in each round.
    pub(super) fn at_any_round(&self, of: &Expr, index: &Expr, fuel: &Fuel) -> Option<Elements> {
        let mut found = Elements::default();
        let taken = self.taken(of, fuel);
        found.open = taken.open;
        for round in &taken.each {
            match self.at_index(round, index, fuel) {
                Some(parts) => {
                    found.known.extend(parts.known);
                    found.open |= parts.open;
                }
                None => found.open = true,
            }
        }
        Some(found)
    }

    fn at_index(&self, round: &Round, index: &Expr, fuel: &Fuel) -> Option<Elements> {
        let place = match self.kind(index.at) {
            Kind::Number(place) => place.parse::<usize>().ok(),
            _ => None,
        };
        let pair = place.and_then(|place| self.pair_part(round, place, fuel));
        let of = match round {
            Round::One(of) if pair.is_none() => of,
            _ => return pair.map(Elements::of),
        };
        if let Some(name) = self.plain_text_with(index, fuel) {
            return self.under_key(of, &name, fuel).map(Elements::of);
        }
        if let Some(entries) = self.entries_with(of, fuel) {
            let known = entries.known.into_iter().map(|(_, value)| value).collect();
            return Some(Elements::known(known, entries.open));
        }
        if let Some(one) = place.and_then(|place| self.at_place(of, place, fuel)) {
            return Some(Elements::of(one));
        }
        if let Some(one) = place.and_then(|place| self.component(of, place, fuel)) {
            return Some(Elements::of(one));
        }
        let list = self.elements_known(of, fuel);
        (!list.known.is_empty() && (place.is_none() || list.unplaced)).then_some(list)
    }

    /// What an object was made with at a place, in languages that take objects apart so
    /// (kotlinlang.org, "Destructuring declarations").
    fn component(&self, of: &Expr, place: usize, fuel: &Fuel) -> Option<Expr> {
        if !self.tree(of.at).idioms.parts_by_place {
            return None;
        }
        let made = self.built_with(of, fuel).root;
        let (class, env) = self.object_env(&made, fuel)?;
        let parameter = Ref { file: class.file, id: *self.class(class)?.params.get(place)? };
        Expr { at: parameter, env }.bound(parameter)
    }

    /// What stands at a place, where all of a list is known and in order.
    pub(super) fn at_place(&self, list: &Expr, place: usize, fuel: &Fuel) -> Option<Expr> {
        let list = self.elements_known(list, fuel);
        list.known.into_iter().nth(place).filter(|_| !list.open && !list.unplaced)
    }

    fn under_key(&self, of: &Expr, name: &str, fuel: &Fuel) -> Option<Expr> {
        if self.tree(of.at).idioms.keyed_objects {
            let object = self.built_object(of, fuel)?;
            return self.entry(&object, name, fuel);
        }
        let entries = self.entries_with(of, fuel).filter(|entries| !entries.open)?;
        let mut under = entries
            .known
            .into_iter()
            .filter(|(key, _)| self.plain_text_with(key, fuel).as_deref() == Some(name));
        under.next_back().map(|(_, value)| value)
    }

    fn built_object(&self, of: &Expr, fuel: &Fuel) -> Option<Expr> {
        let root = self.built_with(of, fuel).root;
        matches!(self.kind(root.at), Kind::Map(_)).then_some(root)
    }

    /// The keys and values that `Object.entries(…)` and its like run over.
    fn pairs(&self, of: &Expr, fuel: &Fuel) -> Option<(Listing, Vec<(Expr, Expr)>)> {
        let (object, lists) = self.listed_by_function(of)?;
        Some((lists, self.entries_with(&object, fuel)?.known))
    }

    /// The elements of `Object.keys(…)` or `Object.values(…)`.
    pub(super) fn keys_or_values(&self, of: &Expr, fuel: &Fuel) -> Option<Vec<Expr>> {
        let (lists, pairs) = self.pairs(of, fuel)?;
        match lists {
            Listing::Keys => Some(pairs.into_iter().map(|(key, _)| key).collect()),
            Listing::Values => Some(pairs.into_iter().map(|(_, value)| value).collect()),
            Listing::Entries => None,
        }
    }

    /// For each pair of `Object.entries(…)`, what the names stand for that a lambda takes it apart to.
    pub(super) fn taken_apart(&self, of: &Expr, params: &[Id], body: Id, fuel: &Fuel) -> Option<Vec<Expr>> {
        let (_, pairs) = self.pairs(of, fuel).filter(|(lists, _)| *lists == Listing::Entries)?;
        let at = of.at;
        let tree = self.tree(of.at);
        let parameter = tree.parameter(*params.first()?)?;
        let Kind::Block(items) = tree.kind(body) else { return None };
        let part = |id: &Id| {
            let Kind::Index { of, args } = tree.kind(tree.variable(*id)?.init?) else { return None };
            let of_pair = matches!(tree.kind(*of), Kind::Name(name) if *name == parameter.name);
            match args.first().map(|&arg| tree.kind(arg)) {
                Some(Kind::Number(place)) if of_pair => Some((Ref { file: at.file, id: *id }, place == "0")),
                _ => None,
            }
        };
        let parts: Vec<(Ref, bool)> = items.iter().filter_map(part).collect();
        let each = pairs.into_iter().map(|(key, value)| {
            let bound = parts
                .iter()
                .map(|(at, first)| (*at, if *first { key.clone() } else { value.clone() }))
                .collect();
            Expr { at: of.at, env: Frame::env(bound, of.env.clone()) }
        });
        Some(each.collect())
    }
}
