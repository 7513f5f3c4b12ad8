//! What a loop takes, one after the other: the elements of a list, the entries of a map, the cases of
//! an enum.

use super::collections::Elements;
use super::eval::Value;
use super::{Datum, Def, Env, Expr, Fuel, Ref, Values};
use crate::syntax::{BinaryOp, Call, Kind, Listing};

/// What is taken in one round.
#[derive(Debug, Clone)]
pub(super) enum Round {
    /// An element.
    One(Expr),
    /// A key with its value.
    Entry(Expr, Expr),
}

/// All that is known of what a loop takes.
#[derive(Debug, Default)]
pub(super) struct Rounds {
    pub(super) each: Vec<Round>,
    /// There may be others.
    pub(super) open: bool,
}

impl Rounds {
    fn once(one: Expr) -> Self {
        Self { each: vec![Round::One(one)], open: false }
    }

    /// What each round comes to; a round that `part` can say nothing of leaves it open.
    pub(super) fn map(&self, part: impl Fn(&Round) -> Option<Expr>) -> Elements {
        let known: Vec<Expr> = self.each.iter().filter_map(part).collect();
        let open = self.open || known.len() < self.each.len();
        Elements::known(known, open)
    }

    /// What is taken where no entry is.
    pub(super) fn whole(&self) -> Elements {
        self.map(|round| match round {
            Round::One(one) => Some(one.clone()),
            Round::Entry(..) => None,
        })
    }
}

impl Values<'_> {
    /// What a loop over something takes.
    pub(super) fn rounds(&self, over: &Expr, fuel: &Fuel) -> Rounds {
        if let Some(rounds) = self.counted(over, fuel).or_else(|| self.rounds_of_map(over, fuel)) {
            return rounds;
        }
        let Elements { known, open, .. } = self.elements_known(over, fuel);
        Rounds { each: known.into_iter().map(Round::One).collect(), open }
    }

    /// Elements with their counts, which nothing is known of: the call stands for them.
    fn counted(&self, over: &Expr, fuel: &Fuel) -> Option<Rounds> {
        let tree = self.tree(over.at);
        let call = tree.call(over.at.id)?;
        tree.idioms.counts.contains(&tree.callee(call)?.0.as_str()).then_some(())?;
        let of = tree.receiver(call).or_else(|| call.args.first().map(|arg| arg.value))?;
        let Elements { known, open, .. } = self.elements_known(&over.with(of), fuel);
        let each = known.into_iter().map(|one| Round::Entry(over.clone(), one));
        Some(Rounds { each: each.collect(), open })
    }

    /// A map itself, or what it lists of itself.
    fn rounds_of_map(&self, over: &Expr, fuel: &Fuel) -> Option<Rounds> {
        let (map, lists) = self.listed(over)?;
        let entries = self.entries_with(&map, fuel)?;
        let each = entries.known.into_iter().map(|(key, value)| match lists {
            Listing::Entries => Round::Entry(key, value),
            Listing::Keys => Round::One(key),
            Listing::Values => Round::One(value),
        });
        Some(Rounds { each: each.collect(), open: entries.open })
    }

    /// The map that is run over, and what of it.
    fn listed(&self, over: &Expr) -> Option<(Expr, Listing)> {
        let tree = self.tree(over.at);
        let idioms = tree.idioms;
        let (on, name) = match tree.kind(over.at.id) {
            Kind::Call(call) => (tree.receiver(call), tree.callee(call)?.0),
            Kind::Member(member) => (Some(member.of), &member.name),
            _ => return Some((over.clone(), idioms.map_rounds?)),
        };
        let Some(on) = on else { return Some((over.clone(), idioms.map_rounds?)) };
        let own = idioms.own_listings.iter().find(|(known, _)| name == known);
        self.listed_by_function(over)
            .or_else(|| own.map(|(_, lists)| (over.with(on), *lists)))
            .or_else(|| Some((over.clone(), idioms.map_rounds?)))
    }

    /// What `Object.entries(…)` and its like list, and what of it.
    pub(super) fn listed_by_function(&self, over: &Expr) -> Option<(Expr, Listing)> {
        let tree = self.tree(over.at);
        let call = tree.call(over.at.id)?;
        let (name, _) = tree.callee(call)?;
        let (holder, _) = tree.last_name(tree.receiver(call)?)?;
        let mut known = tree.idioms.listings.iter();
        let (.., lists) = known.find(|(of, known, _)| holder == of && name == known)?;
        Some((over.with(call.args.first()?.value), *lists))
    }

    /// What a loop hands to one parameter of its lambda, or to what it has in its place.
    pub(super) fn each_handed(&self, parameter: Ref, env: &Env, fuel: &Fuel) -> Option<Elements> {
        let (rounds, place, several) = self.handed_rounds(parameter, env, fuel)?;
        if rounds.each.is_empty() {
            return None;
        }
        Some(rounds.map(|round| match round {
            Round::One(one) if place == 0 => Some(one.clone()),
            Round::Entry(key, value) if several => [key, value].get(place).map(|part| Expr::clone(part)),
            _ => None,
        }))
    }

    /// The rounds of the loop function that runs a lambda, at which place of what it is handed a
    /// parameter stands, and whether it is handed the parts of an entry.
    fn handed_rounds(&self, parameter: Ref, env: &Env, fuel: &Fuel) -> Option<(Rounds, usize, bool)> {
        let (over, place, several) = self.run_over(parameter)?;
        let rounds = self.rounds(&Expr { at: over, env: env.clone() }, fuel);
        Some((rounds, place, several))
    }

    /// What the loop function runs over that hands a lambda its parameter, at which place of it the
    /// parameter stands, and whether the lambda takes several.
    fn run_over(&self, parameter: Ref) -> Option<(Ref, usize, bool)> {
        let tree = self.tree(parameter);
        let (lambda, params, place) = match tree.kind(parameter.id) {
            Kind::Lambda { .. } => (parameter.id, 0, 0),
            _ => {
                let lambda = tree.node(parameter.id).parent?;
                let Kind::Lambda { params, .. } = tree.kind(lambda) else { return None };
                (lambda, params.len(), params.iter().position(|&id| id == parameter.id)?)
            }
        };
        let call = tree.call(tree.node(lambda).parent?)?;
        let of = tree.receiver(call)?;
        let first = self.first_element(parameter, call)?;
        Some((Ref { file: parameter.file, id: of }, place.checked_sub(first)?, params > 1))
    }

    /// The parameter that holds the list which a loop takes an element of, where its callers say what is
    /// in it: `names` for `name` of `names.forEach { name -> … }`.
    pub(super) fn list_taken_from(&self, element: Ref, env: &Env, fuel: &Fuel) -> Option<Ref> {
        let over = match self.tree(element).variable(element.id) {
            Some(variable) => Ref { file: element.file, id: variable.each? },
            None => self.run_over(element)?.0,
        };
        let mut over = Expr { at: over, env: env.clone() };
        while let Kind::Call(call) = self.kind(over.at)
            && self.passes(over.at, call)
        {
            over = over.with(self.tree(over.at).receiver(call)?);
        }
        let [value]: [Value; 1] = self.eval_with(&over, fuel).try_into().ok()?;
        match value.datum {
            Datum::Parameter(at) if at != element => Some(at),
            _ => None,
        }
    }

    /// Where a loop function hands its lambda the element: behind the count, for some.
    pub(super) fn first_element(&self, at: Ref, call: &Call) -> Option<usize> {
        let tree = self.tree(at);
        let (name, _) = tree.callee(call)?;
        if tree.idioms.counted_loops.contains(&name.as_str()) {
            return Some(1);
        }
        tree.idioms.loops.contains(&name.as_str()).then_some(0)
    }

    /// What an expression is in each round, where a loop gives it its value; else itself.
    pub(super) fn taken(&self, of: &Expr, fuel: &Fuel) -> Rounds {
        let each = self.taken_by_loop(of, fuel).or_else(|| self.any_placed(of, fuel));
        each.unwrap_or_else(|| Rounds::once(of.clone()))
    }

    /// What stands at a place or under a key that is not known: each of them.
    fn any_placed(&self, of: &Expr, fuel: &Fuel) -> Option<Rounds> {
        let index = match self.kind(of.at) {
            Kind::Index { .. } => of.clone(),
            Kind::Name(_) => {
                self.value_behind(of).filter(|at| matches!(self.kind(at.at), Kind::Index { .. }))?
            }
            _ => return None,
        };
        let found = self.indexed(&index, fuel);
        let several = found.known.len() > 1;
        several.then(|| Rounds { each: found.known.into_iter().map(Round::One).collect(), open: found.open })
    }

    fn taken_by_loop(&self, of: &Expr, fuel: &Fuel) -> Option<Rounds> {
        if self.rest_of(of).is_some() {
            return None;
        }
        match self.definition(of, fuel)? {
            Def::Variable(at) | Def::Parameter(at) if of.bound(at).is_some() => {
                of.bound(at).map(Rounds::once)
            }
            Def::Variable(at) => {
                let over = self.tree(at).variable(at.id)?.each?;
                Some(self.rounds(&Expr { at, env: of.env.clone() }.with(over), fuel))
            }
            Def::Parameter(at) | Def::It(at) if of.bound(at).is_none() && self.handed(at).is_none() => {
                let (rounds, place, _) = self.handed_rounds(at, &of.env, fuel)?;
                (place == 0 && !rounds.each.is_empty()).then_some(rounds)
            }
            _ => None,
        }
    }

    /// A part of an entry by the name that the language's library has for it: `entry.value`.
    pub(super) fn part_of_entry(&self, of: &Expr, name: &str, fuel: &Fuel) -> Option<Elements> {
        let parts = self.tree(of.at).idioms.entry_parts;
        let Some(place) = parts.iter().position(|known| known.contains(&name)) else {
            return self.field_of_tuple(of, name, fuel);
        };
        let parts = self.taken(of, fuel).map(|round| {
            self.pair_part(round, place, fuel).or_else(|| match round {
                // Where a record is a list, a list may be one.
                Round::One(tuple) if self.tree(of.at).idioms.named_tuples => {
                    self.at_place(tuple, place, fuel)
                }
                Round::One(_) => None,
                Round::Entry(..) => None,
            })
        });
        (!parts.known.is_empty()).then_some(parts)
    }

    /// A field of a record or tuple by its own name: `row.page` of `(title: 'Saw', page: SawPage())`.
    fn field_of_tuple(&self, of: &Expr, name: &str, fuel: &Fuel) -> Option<Elements> {
        if !self.tree(of.at).idioms.named_tuples {
            return None;
        }
        let fields = self.taken(of, fuel).map(|round| {
            let Round::One(tuple) = round else { return None };
            let tuple = match self.kind(tuple.at) {
                Kind::List(_) => tuple.clone(),
                _ => self.built_with(tuple, fuel).root,
            };
            let Kind::List(fields) = self.kind(tuple.at) else { return None };
            let named = fields.iter().find(|field| field.name.as_deref() == Some(name));
            let placed = || fields.get(name.parse::<usize>().ok()?);
            named.or_else(placed).map(|field| tuple.with(field.value))
        });
        (!fields.known.is_empty()).then_some(fields)
    }

    /// The first or second of what a round takes.
    pub(super) fn pair_part(&self, round: &Round, place: usize, fuel: &Fuel) -> Option<Expr> {
        match round {
            Round::Entry(key, value) => [key, value].get(place).map(|part| Expr::clone(part)),
            Round::One(one) => match self.kind(one.at) {
                Kind::Name(_) | Kind::Member(_) => self.pair_part_of(&self.built_with(one, fuel).root, place),
                _ => self.pair_part_of(one, place),
            },
        }
    }

    fn pair_part_of(&self, pair: &Expr, place: usize) -> Option<Expr> {
        match self.kind(pair.at) {
            Kind::Binary { op: BinaryOp::Pair, left, right } => {
                [left, right].get(place).map(|&&part| pair.with(part))
            }
            Kind::Call(call) => {
                let tree = self.tree(pair.at);
                let pairs =
                    tree.callee(call).is_some_and(|(name, _)| tree.idioms.pairs.contains(&name.as_str()));
                call.args.get(place).filter(|_| pairs).map(|arg| pair.with(arg.value))
            }
            _ => None,
        }
    }
}
