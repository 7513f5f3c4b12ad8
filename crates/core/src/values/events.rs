//! Objects that a flow, a stream or a store hands on: who takes one knows only its class, and what it
//! holds is what those say who make objects of that class.

use super::{Datum, Def, Expr, Fuel, Ref, Value, Values};
use crate::model::Form;
use crate::syntax::{Arm, BinaryOp, Id, Kind};

/// A class whose objects are made in more places than this is no event.
const MAX_MAKES: usize = 12;

impl Values<'_> {
    /// A part of an object of which only the class is known, by all places that make one:
    /// `is Event.Open -> go(event.route)`.
    pub(super) fn eval_event(&self, expr: &Expr, fuel: &Fuel) -> Option<Vec<Value>> {
        let Kind::Member(member) = self.kind(expr.at) else { return None };
        let of = expr.with(member.of);
        let class = match self.kind(of.at) {
            Kind::Cast { ty, .. } => self.class_named(of.at, &ty.name)?,
            _ => self.narrowed(&of, fuel)?,
        };
        let makes = self.makes(class);
        if makes.is_empty() || makes.len() > MAX_MAKES {
            return None;
        }
        let mut found = Vec::new();
        for &made in makes {
            self.tree(made).call(made.id)?;
            let values = self.member_of_object(&Expr::new(made), &member.name, fuel)?;
            found.extend(values.into_iter().map(|value| Value { form: Form::Computed, ..value }));
        }
        let told = |value: &Value| !matches!(value.datum, Datum::Parameter(_) | Datum::Unknown);
        found.iter().any(told).then_some(found)
    }

    /// The class that the way around a name has found what it stands for to be of.
    fn narrowed(&self, name: &Expr, fuel: &Fuel) -> Option<Ref> {
        let Kind::Name(_) = self.kind(name.at) else { return None };
        let held = self.definition(name, fuel)?;
        let tree = self.tree(name.at);
        let mut inner = name.at.id;
        for outer in tree.ancestors(name.at.id) {
            if let Kind::Branch { subject, arms } = tree.kind(outer)
                && let Some(arm) = arms.iter().find(|arm| arm.body == inner)
                && let Some(class) = self.class_tested(&name.with(outer), *subject, arm, &held, fuel)
            {
                return Some(class);
            }
            if matches!(tree.kind(outer), Kind::Function(_) | Kind::Class(_)) {
                break;
            }
            inner = outer;
        }
        None
    }

    /// The one class that a way of a choice asks for.
    fn class_tested(
        &self,
        at: &Expr,
        subject: Option<Id>,
        arm: &Arm,
        held: &Def,
        fuel: &Fuel,
    ) -> Option<Ref> {
        let [test] = arm.tests.as_slice() else { return None };
        let is_it = |id: Id| self.definition(&at.with(id), fuel).as_ref() == Some(held);
        let asked = match (subject, self.kind(at.with(*test).at)) {
            (Some(subject), _) if is_it(subject) => *test,
            (None, Kind::Binary { op: BinaryOp::Is, left, right }) if is_it(*left) => *right,
            _ => return None,
        };
        let ty = match self.kind(at.with(asked).at) {
            Kind::ClassOf(ty) => ty,
            // `case Opened():` of Dart.
            Kind::Other(inside) => match self.kind(at.with(*inside.first()?).at) {
                Kind::ClassOf(ty) => ty,
                _ => return None,
            },
            _ => return None,
        };
        self.class_named(at.at, &ty.name)
    }
}
