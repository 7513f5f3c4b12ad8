//! Ways that a wrapper's arguments do not take: `if (name == "help") { … } else { open(name) }`, used
//! with `"help"`, opens nothing.

use super::{Datum, Def, Env, Expr, Ref, Value, Values};
use crate::syntax::{Arm, BinaryOp, Id, Kind, UnaryOp};

/// A value that can be compared.
#[derive(Debug, PartialEq, Eq)]
enum Known {
    Text(String),
    Number(String),
    Bool(bool),
    Resource(String, String),
    Null,
}

impl Values<'_> {
    /// Whether a call is not run by the use of the wrappers around it; `path` holds those, innermost
    /// first.
    pub(super) fn is_ruled_out(&self, call: Ref, path: &[(Ref, Ref)]) -> bool {
        let places = std::iter::once(call).chain(path.iter().map(|(_, used)| *used));
        // What the outermost use stands on is bound by nothing.
        places.take(path.len()).enumerate().any(|(i, at)| self.is_off_the_way(at, &self.env_of(&path[i..])))
    }

    fn is_off_the_way(&self, at: Ref, env: &Env) -> bool {
        let tree = self.tree(at);
        let here = |id: Id| Expr { at: Ref { file: at.file, id }, env: env.clone() };
        let mut inner = at.id;
        for outer in tree.ancestors(at.id) {
            let off = match tree.kind(outer) {
                Kind::Class(_) => return false,
                Kind::Branch { subject, arms } => {
                    self.goes_elsewhere(subject.map(here).as_ref(), arms, inner, &here)
                }
                Kind::Binary { op: BinaryOp::And, left, right } if *right == inner => {
                    self.holds(None, &here(*left)) == Some(false)
                }
                Kind::Binary { op: BinaryOp::Or, left, right } if *right == inner => {
                    self.holds(None, &here(*left)) == Some(true)
                }
                Kind::Block(items) => {
                    items.iter().take_while(|&&item| item != inner).any(|&item| self.leaves(&here(item)))
                }
                _ => false,
            };
            if off {
                return true;
            }
            inner = outer;
        }
        false
    }

    /// Whether a choice surely takes another way than the one that `inner` is.
    fn goes_elsewhere(
        &self,
        subject: Option<&Expr>,
        arms: &[Arm],
        inner: Id,
        here: &dyn Fn(Id) -> Expr,
    ) -> bool {
        let Some(place) = arms.iter().position(|arm| arm.body == inner) else { return false };
        let results = |arm: &Arm| -> Vec<Option<bool>> {
            arm.tests.iter().map(|&test| self.holds(subject, &here(test))).collect()
        };
        let earlier = arms[..place].iter().any(|arm| results(arm).contains(&Some(true)));
        let own = results(&arms[place]);
        earlier || !own.is_empty() && own.iter().all(|held| *held == Some(false))
    }

    /// Whether a statement surely leaves: a choice without a subject whose way that is taken returns.
    fn leaves(&self, statement: &Expr) -> bool {
        let Kind::Branch { subject: None, arms } = self.kind(statement.at) else { return false };
        let held = |arm: &Arm| -> Vec<Option<bool>> {
            arm.tests.iter().map(|&test| self.holds(None, &statement.with(test))).collect()
        };
        let taken =
            arms.iter().map(|arm| (arm, held(arm))).find(|(_, held)| held.iter().any(|h| *h != Some(false)));
        taken.is_some_and(|(arm, held)| {
            held.contains(&Some(true)) && self.ends_with_return(statement.with(arm.body).at)
        })
    }

    fn ends_with_return(&self, body: Ref) -> bool {
        match self.kind(body) {
            Kind::Return(_) => true,
            Kind::Block(items) => {
                items.last().is_some_and(|&last| self.ends_with_return(Ref { file: body.file, id: last }))
            }
            _ => false,
        }
    }

    /// Whether a test holds with what is bound; `None` where that is not known, or has nothing to do
    /// with what is bound.
    fn holds(&self, subject: Option<&Expr>, test: &Expr) -> Option<bool> {
        if let Some(subject) = subject {
            return self.equal(subject, test);
        }
        match self.kind(test.at) {
            Kind::Binary { op, left, right } => {
                let (left, right) = (test.with(*left), test.with(*right));
                match op {
                    BinaryOp::Equal => self.equal(&left, &right),
                    BinaryOp::NotEqual => self.equal(&left, &right).map(|same| !same),
                    BinaryOp::And => both(self.holds(None, &left), self.holds(None, &right), false),
                    BinaryOp::Or => both(self.holds(None, &left), self.holds(None, &right), true),
                    _ => None,
                }
            }
            Kind::Unary { op: UnaryOp::Not, of } => self.holds(None, &test.with(*of)).map(|held| !held),
            Kind::Call(call) if call.args.len() == 1 => {
                let Kind::Member(member) = self.kind(test.with(call.callee).at) else { return None };
                let equals = matches!(member.name.as_str(), "equals" | "Equals" | "isEqualToString");
                equals.then(|| self.equal(&test.with(member.of), &test.with(call.args[0].value)))?
            }
            Kind::Name(_) | Kind::Member(_) => match self.known(test)? {
                Known::Bool(held) if self.is_bound(test) => Some(held),
                _ => None,
            },
            _ => None,
        }
    }

    fn equal(&self, left: &Expr, right: &Expr) -> Option<bool> {
        if !self.is_bound(left) && !self.is_bound(right) {
            return None;
        }
        let (left, right) = (self.known(left)?, self.known(right)?);
        let comparable = std::mem::discriminant(&left) == std::mem::discriminant(&right)
            || left == Known::Null
            || right == Known::Null;
        comparable.then(|| left == right)
    }

    /// Whether an expression is a parameter's, which what is bound says: nothing else is put into it, nor
    /// into what it is read from.
    fn is_bound(&self, expr: &Expr) -> bool {
        let free = Expr { at: expr.at, env: None };
        if matches!(self.meaning(&free), Some(Def::Variable(at)) if self.is_changed(at)) {
            return false;
        }
        let values = self.eval(&free);
        let unchanged = |value: &Value| matches!(value.datum, Datum::Parameter(at) if !self.is_changed(at));
        !values.is_empty() && values.iter().all(unchanged)
    }

    /// Whether the file puts something else into a parameter or variable, or into a member of its name.
    fn is_changed(&self, declared: Ref) -> bool {
        let tree = self.tree(declared);
        let name = match tree.kind(declared.id) {
            Kind::Parameter(parameter) => &parameter.name,
            Kind::Variable(variable) => &variable.name,
            _ => return true,
        };
        self.program.uses_in(declared.file, name).iter().any(|used| {
            let Some(parent) = tree.node(used.id).parent else { return false };
            let set = match tree.kind(parent) {
                Kind::Assign { target, .. } => *target == used.id,
                Kind::Unary { op, .. } => matches!(
                    op,
                    UnaryOp::Increment
                        | UnaryOp::Decrement
                        | UnaryOp::ThenIncrement
                        | UnaryOp::ThenDecrement
                        | UnaryOp::Other
                ),
                _ => false,
            };
            set && match tree.kind(used.id) {
                Kind::Member(_) => true,
                _ => matches!(self.resolve(*used, name), Some(Def::Parameter(at) | Def::Variable(at)) if at == declared),
            }
        })
    }

    fn known(&self, expr: &Expr) -> Option<Known> {
        let values = self.eval(expr);
        let [one] = values.as_slice() else { return None };
        match &one.datum {
            Datum::Text(shape) => shape.plain().map(Known::Text),
            Datum::Number(number) => Some(Known::Number(number.to_string())),
            Datum::Bool(held) => Some(Known::Bool(*held)),
            Datum::Resource { kind, name, .. } => Some(Known::Resource(kind.to_string(), name.to_string())),
            Datum::Null => Some(Known::Null),
            _ => None,
        }
    }
}

/// Two tests together: one that is `decisive` decides, two that are not agree.
fn both(left: Option<bool>, right: Option<bool>, decisive: bool) -> Option<bool> {
    match (left, right) {
        (Some(held), _) | (_, Some(held)) if held == decisive => Some(decisive),
        (Some(_), Some(_)) => Some(!decisive),
        _ => None,
    }
}
