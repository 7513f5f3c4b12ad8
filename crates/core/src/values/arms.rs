//! Which ways of a choice may be taken: all of them, unless the case or the text that it is made by is
//! known.

use super::{Datum, Def, Expr, Fuel, Ref, Values};
use crate::syntax::{Arm, ClassKind, Id, Kind};

/// What a choice is made by.
enum Chosen {
    /// A case of an enum.
    Case(Ref),
    /// A text.
    Text(String),
}

impl Values<'_> {
    /// The bodies of the ways that a choice may take here.
    #[must_use]
    pub fn ways_taken(&self, choice: &Expr) -> Vec<Id> {
        match self.kind(choice.at) {
            Kind::Branch { subject, arms } => self.arms_taken(choice, *subject, arms, &Fuel::new()),
            _ => Vec::new(),
        }
    }

    /// Whether what is bound in a body leads to a node in it, through the choices around that.
    pub(super) fn is_on_the_way(&self, body: &Expr, id: Id, fuel: &Fuel) -> bool {
        if body.env.is_none() {
            return true;
        }
        let tree = self.tree(body.at);
        let mut inner = id;
        for outer in tree.ancestors(id) {
            if let Kind::Branch { subject: Some(subject), arms } = tree.kind(outer)
                && arms.iter().any(|arm| arm.body == inner)
                && !self.arms_taken(&body.with(outer), Some(*subject), arms, fuel).contains(&inner)
            {
                return false;
            }
            if outer == body.at.id {
                break;
            }
            inner = outer;
        }
        true
    }

    pub(super) fn arms_taken(
        &self,
        choice: &Expr,
        subject: Option<Id>,
        arms: &[Arm],
        fuel: &Fuel,
    ) -> Vec<Id> {
        let all = || arms.iter().map(|arm| arm.body).collect();
        let Some(chosen) = subject.and_then(|subject| self.chosen_by(&choice.with(subject), fuel)) else {
            return all();
        };
        let is_it =
            |arm: &&Arm| arm.tests.iter().any(|&test| self.is_chosen(&choice.with(test), &chosen, fuel));
        let known =
            |arm: &Arm| arm.tests.iter().all(|&test| self.is_plain_test(&choice.with(test), &chosen, fuel));
        match arms.iter().find(is_it).or_else(|| arms.iter().find(|arm| arm.tests.is_empty())) {
            Some(arm) if arms.iter().all(known) => vec![arm.body],
            _ => all(),
        }
    }

    fn chosen_by(&self, subject: &Expr, fuel: &Fuel) -> Option<Chosen> {
        if let Kind::This = self.kind(subject.at) {
            let class = self.enclosing_class(subject.at)?;
            return subject.bound(class).and_then(|case| self.case_made(&case, fuel)).map(Chosen::Case);
        }
        // Only what a caller or an object says: what stands in a variable may change.
        subject.env.as_ref()?;
        let [value] = self.eval_with(subject, fuel).try_into().ok()?;
        match value.datum {
            Datum::Object(made) => self.case_made(&made, fuel).map(Chosen::Case),
            Datum::Text(shape) => shape.plain().map(Chosen::Text),
            _ => None,
        }
    }

    /// The case that an object is of: itself, or a call that makes it with what it carries.
    fn case_made(&self, made: &Expr, fuel: &Fuel) -> Option<Ref> {
        let class = match self.kind(made.at) {
            Kind::Class(_) => made.at,
            Kind::Call(call) => match self.definition(&made.with(call.callee), fuel)? {
                Def::Class(class) => class,
                _ => return None,
            },
            _ => return None,
        };
        self.class(class).filter(|class| class.kind == ClassKind::Entry).map(|_| class)
    }

    fn is_chosen(&self, test: &Expr, chosen: &Chosen, fuel: &Fuel) -> bool {
        match chosen {
            Chosen::Case(case) => self.definition(test, fuel) == Some(Def::Class(*case)),
            Chosen::Text(text) => self.plain_text_with(test, fuel).as_ref() == Some(text),
        }
    }

    /// Whether a test can be compared with what the choice is made by at all.
    fn is_plain_test(&self, test: &Expr, chosen: &Chosen, fuel: &Fuel) -> bool {
        match chosen {
            Chosen::Case(_) => matches!(self.definition(test, fuel), Some(Def::Class(_))),
            Chosen::Text(_) => self.plain_text_with(test, fuel).is_some(),
        }
    }
}
