//! Everything an object may be that is put together on more than one way: each with what is done to it.

use super::{Built, Def, Expr, Fuel, Ref, Values};
use crate::syntax::{BinaryOp, Id, Kind};

/// More ways than this are not told apart.
const MAX_WAYS: usize = 24;

impl Values<'_> {
    /// As [`Values::built`], once for each way of a choice, a fallback, a local set in branches or a
    /// helper with several results. What is null on a way is no object and left out.
    #[must_use]
    pub fn built_ways(&self, expr: &Expr) -> Vec<Built> {
        let mut found = Vec::new();
        self.collect_ways(expr, &Fuel::new(), &mut found);
        match found.len() {
            0 | MAX_WAYS.. => vec![self.built(expr)],
            _ => found,
        }
    }

    fn collect_ways(&self, expr: &Expr, fuel: &Fuel, found: &mut Vec<Built>) {
        let Some(_step) = fuel.step().filter(|_| found.len() < MAX_WAYS) else { return };
        match self.kind(expr.at) {
            Kind::Null => {}
            Kind::Branch { arms, .. } => self.each_way(expr, arms.iter().map(|arm| arm.body), fuel, found),
            Kind::Binary { op: BinaryOp::OrElse, left, right } => {
                self.each_way(expr, [*left, *right].into_iter(), fuel, found);
            }
            Kind::Block(items) => self.each_way(expr, items.last().copied().into_iter(), fuel, found),
            Kind::Return(Some(value)) => self.collect_ways(&expr.with(*value), fuel, found),
            Kind::Cast { of, .. } => self.collect_ways(&expr.with(*of), fuel, found),
            Kind::Unary { op, of } if op.hands_on() => self.collect_ways(&expr.with(*of), fuel, found),
            Kind::Name(_) | Kind::Member(_) => match self.definition(expr, fuel) {
                Some(Def::Variable(at)) => self.ways_of_variable(at, expr, fuel, found),
                Some(Def::Parameter(at)) if expr.bound(at).is_some() => {
                    expr.bound(at).iter().for_each(|bound| self.collect_ways(bound, fuel, found));
                }
                _ => found.push(self.built(expr)),
            },
            Kind::Call(_) => match self.called_body(expr) {
                Some(body) if self.returns(body.at).len() > 1 => {
                    let returns = self.returns(body.at);
                    self.each_way(&body, returns.into_iter(), fuel, found);
                }
                Some(body) if matches!(self.kind(body.at), Kind::Branch { .. }) => {
                    self.collect_ways(&body, fuel, found);
                }
                _ => found.push(self.built(expr)),
            },
            _ => found.push(self.built(expr)),
        }
    }

    fn each_way(&self, expr: &Expr, ways: impl Iterator<Item = Id>, fuel: &Fuel, found: &mut Vec<Built>) {
        ways.for_each(|way| self.collect_ways(&expr.with(way), fuel, found));
    }

    /// What a variable is set to, each with what is done to the variable.
    fn ways_of_variable(&self, at: Ref, expr: &Expr, fuel: &Fuel, found: &mut Vec<Built>) {
        let Some(variable) = self.tree(at).variable(at.id) else { return };
        let here = Expr { at, env: expr.env.clone() };
        let sources = match self.value_of_variable(&here, variable) {
            Some(source) => vec![source],
            None => self.reaching(at, expr, &variable.name),
        };
        let mut ways = Vec::new();
        sources.iter().for_each(|source| self.collect_ways(source, fuel, &mut ways));
        if ways.len() < 2 && sources.len() < 2 {
            return found.push(self.built(expr));
        }
        let before = self.is_local(at).then(|| self.tree(at).span(expr.at.id).start);
        for way in ways {
            found.push(way.then(self.steps_until(at, &variable.name, expr, before)));
        }
    }
}
