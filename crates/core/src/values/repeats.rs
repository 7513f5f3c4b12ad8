//! An expression as it is in each round of the loops around it: what stands together in one round stays
//! together.

use super::rounds::Round;
use super::{Def, Expr, Frame, Fuel, Ref, Values};
use crate::syntax::{Id, Kind};

/// More rounds than this are not told apart.
const MAX_ROUNDS: usize = 128;

/// A loop around an expression.
struct Loop {
    /// What it takes its values from.
    over: Id,
    /// The variable or parameter that holds what is taken.
    holder: Id,
    /// What stands beside the holder: the names that what is taken is taken apart to among them.
    beside: Vec<Id>,
}

impl Values<'_> {
    /// An expression under what the loops around it take in each round; once where there is no loop, or
    /// nothing is known of what it takes.
    #[must_use]
    pub fn in_rounds(&self, expr: &Expr) -> Vec<Expr> {
        let mut ways = vec![expr.clone()];
        for around in self.loops_around(expr.at).iter().rev() {
            let more: Vec<Expr> = ways.iter().flat_map(|way| self.rounds_of(way, around)).collect();
            if more.len() > MAX_ROUNDS {
                break;
            }
            ways = more;
        }
        ways
    }

    /// The loops that a node is run by, innermost first.
    fn loops_around(&self, at: Ref) -> Vec<Loop> {
        let tree = self.tree(at);
        let mut found = Vec::new();
        let mut inner = at.id;
        for outer in tree.ancestors(at.id) {
            match tree.kind(outer) {
                Kind::Function(_) | Kind::Class(_) => break,
                Kind::Other(items) | Kind::Block(items) => {
                    let held = items.iter().find_map(|&id| Some((id, tree.variable(id)?.each?)));
                    if let Some((holder, over)) =
                        held.filter(|(holder, over)| ![*holder, *over].contains(&inner))
                    {
                        found.push(Loop { over, holder, beside: items.clone() });
                    }
                }
                Kind::Lambda { params, body } => {
                    let lambda = Ref { file: at.file, id: outer };
                    found.extend(self.loop_of_lambda(lambda, params, *body));
                }
                _ => {}
            }
            inner = outer;
        }
        found
    }

    fn loop_of_lambda(&self, lambda: Ref, params: &[Id], body: Id) -> Option<Loop> {
        let tree = self.tree(lambda);
        let call = tree.call(tree.node(lambda.id).parent?)?;
        let place = self.first_element(lambda, call)?;
        let over = tree.receiver(call)?;
        let beside = match tree.kind(body) {
            Kind::Block(items) => items.clone(),
            _ => Vec::new(),
        };
        let holder = params.get(place).copied().unwrap_or(lambda.id);
        Some(Loop { over, holder, beside })
    }

    fn rounds_of(&self, way: &Expr, around: &Loop) -> Vec<Expr> {
        let rounds = self.rounds(&way.with(around.over), &Fuel::new());
        if rounds.each.is_empty() {
            return vec![way.clone()];
        }
        let bound = rounds.each.iter().map(|round| Expr {
            at: way.at,
            env: Frame::env(self.bound_in(way, around, round), way.env.clone()),
        });
        bound.collect()
    }

    /// What the names of a loop stand for in one round.
    fn bound_in(&self, way: &Expr, around: &Loop, round: &Round) -> Vec<(Ref, Expr)> {
        let at = |id: Id| Ref { file: way.at.file, id };
        let (key, value) = match round {
            Round::One(one) => return vec![(at(around.holder), one.clone())],
            Round::Entry(key, value) => (key, value),
        };
        let tree = self.tree(way.at);
        let parts = around.beside.iter().filter_map(|&id| {
            let Kind::Index { args, .. } = tree.kind(tree.variable(id)?.init?) else { return None };
            match tree.kind(*args.first()?) {
                Kind::Number(place) if place == "0" => Some((at(id), key.clone())),
                Kind::Number(place) if place == "1" => Some((at(id), value.clone())),
                _ => None,
            }
        });
        let parts: Vec<(Ref, Expr)> = parts.collect();
        parts.into_iter().chain(self.bound_members(way, around.holder, key, value)).collect()
    }

    /// `entry.Key` and `entry.Value`: the members of an entry stand for its parts.
    fn bound_members(&self, way: &Expr, holder: Id, key: &Expr, value: &Expr) -> Vec<(Ref, Expr)> {
        let tree = self.tree(way.at);
        let holder = Ref { file: way.at.file, id: holder };
        let of_holder = |at: &Ref| {
            let Kind::Member(member) = tree.kind(at.id) else { return false };
            let of = Ref { file: at.file, id: member.of };
            matches!(tree.kind(of.id), Kind::Name(name)
                if matches!(self.resolve(of, name), Some(Def::Variable(to) | Def::Parameter(to)) if to == holder))
        };
        let mut bound = Vec::new();
        for (names, part) in tree.idioms.entry_parts.iter().zip([key, value]) {
            for name in *names {
                let uses = self.program.uses_in(way.at.file, name).iter().copied();
                bound.extend(uses.filter(of_holder).map(|at| (at, part.clone())));
            }
        }
        bound
    }
}
