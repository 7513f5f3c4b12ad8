//! What a local may hold where it is used: of what it is set to on the ways that lead there, the latest
//! on each ("reaching definitions").

use super::variables::Assigned;
use super::{Expr, Ref, Values};
use crate::syntax::{AssignOp, Id, Kind, Tree};

/// What is known while going back from a use.
struct Back<'t> {
    tree: &'t Tree,
    /// The declaration.
    variable: Id,
    /// Where the variable is set, with what.
    assigned: &'t [Assigned],
    found: Vec<Id>,
}

impl Values<'_> {
    /// The expressions that a local may have its value from at a use; empty where that is not known.
    pub(super) fn reaching(&self, variable: Ref, used: &Expr, name: &str) -> Vec<Expr> {
        let tree = self.tree(variable);
        let assigned = self.assigned(variable, name);
        // Of what is added to or counted up the text is not known.
        if used.at.file != variable.file || assigned.iter().any(|set| set.op != AssignOp::Set) {
            return Vec::new();
        }
        let mut back = Back { tree, variable: variable.id, assigned: &assigned, found: Vec::new() };
        if !back.reaches(used.at.id) {
            return Vec::new();
        }
        back.found.into_iter().map(|id| used.with(id)).collect()
    }
}

impl Back<'_> {
    /// Goes back from a use to where the variable is surely set; `false` where there is no such place.
    fn reaches(&mut self, used: Id) -> bool {
        let mut inner = used;
        for outer in self.tree.ancestors(used) {
            match self.tree.kind(outer) {
                Kind::Block(items) | Kind::Other(items) => {
                    let before = items.iter().copied().take_while(|&item| item != inner).collect::<Vec<_>>();
                    if before.into_iter().rev().any(|item| self.sets(item)) {
                        return true;
                    }
                    // A loop comes round with what is set behind the use.
                    if let Kind::Other(_) = self.tree.kind(outer) {
                        self.anything_in(outer);
                    }
                }
                // What is run later sees whatever was set by then.
                Kind::Lambda { .. } | Kind::Function(_) => return self.anything(),
                _ => {}
            }
            inner = outer;
        }
        false
    }

    fn anything(&mut self) -> bool {
        self.found.extend(self.tree.variable(self.variable).and_then(|variable| variable.init));
        self.found.extend(self.assigned.iter().map(|set| set.value));
        self.found.sort_unstable();
        self.found.dedup();
        true
    }

    /// Notes what a statement sets the variable to; whether it does so on every way through.
    fn sets(&mut self, statement: Id) -> bool {
        if statement == self.variable {
            let init = self.tree.variable(statement).and_then(|variable| variable.init);
            self.note(init);
            return true;
        }
        if let Some(set) = self.assigned.iter().find(|set| set.at == statement) {
            self.note(Some(set.value));
            return true;
        }
        match self.tree.kind(statement) {
            Kind::Block(items) => items.iter().rev().any(|&item| self.sets(item)),
            Kind::Branch { arms, .. } => {
                let ways: Vec<bool> = arms.iter().map(|arm| self.sets_or_leaves(arm.body)).collect();
                let total = arms.last().is_some_and(|arm| arm.tests.is_empty());
                total && ways.into_iter().all(|sets| sets)
            }
            _ => {
                self.anything_in(statement);
                false
            }
        }
    }

    fn anything_in(&mut self, outer: Id) {
        let inside = |at: Id| self.tree.ancestors(at).any(|above| above == outer);
        let within = self.assigned.iter().filter(|set| inside(set.at)).map(|set| set.value);
        let within: Vec<Id> = within.collect();
        within.into_iter().for_each(|value| self.note(Some(value)));
    }

    /// A way that leaves the function does not come to the use.
    fn sets_or_leaves(&mut self, way: Id) -> bool {
        let last = match self.tree.kind(way) {
            Kind::Block(items) => items.last().copied().unwrap_or(way),
            _ => way,
        };
        matches!(self.tree.kind(last), Kind::Return(_)) || self.sets(way)
    }

    fn note(&mut self, value: Option<Id>) {
        if let Some(value) = value.filter(|value| !self.found.contains(value)) {
            self.found.push(value);
        }
    }
}
