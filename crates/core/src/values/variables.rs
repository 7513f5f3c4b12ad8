//! Variables: the one expression that gives each its value, and what that comes to under its name.

use super::eval::Value;
use super::{Datum, Def, Expr, Fuel, Ref, Values};
use crate::model::Form;
use crate::syntax::{AssignOp, ClassKind, Id, Kind, Modifier, Variable};

/// A place that sets a variable.
pub(super) struct Assigned {
    /// The assignment.
    pub(super) at: Id,
    /// `=`, `+=` and their like.
    pub(super) op: AssignOp,
    /// What it is set to, or changed by.
    pub(super) value: Id,
}

impl Values<'_> {
    pub(super) fn eval_variable(&self, at: Ref, expr: &Expr, fuel: &Fuel) -> Vec<Value> {
        if let Some(bound) = expr.bound(at) {
            return self.eval_with(&bound, fuel);
        }
        let Some(variable) = self.tree(at).variable(at.id) else { return Value::unknown() };
        let here = Expr { at, env: expr.env.clone() };
        if let Some(over) = variable.each {
            let each = self.rounds(&here.with(over), fuel).whole();
            return self.eval_all(&each, fuel).unwrap_or_else(|| {
                let list = self.list_taken_from(at, &expr.env, fuel);
                list.map_or_else(Value::unknown, |list| vec![Value::parameter(list)])
            });
        }
        let local = self.is_local(at);
        let Some(source) = self.value_of_variable(&here, variable) else {
            let reaching = if local { self.reaching(at, expr, &variable.name) } else { Vec::new() };
            let known = super::collections::Elements::known(reaching, false);
            let parameter = || {
                let filler = self.filled_by(at, variable)?;
                let bound = expr.bound(filler).map(|bound| self.eval_with(&bound, fuel));
                Some(bound.unwrap_or_else(|| vec![Value::parameter(filler)]))
            };
            return self.eval_all(&known, fuel).or_else(parameter).unwrap_or_else(Value::unknown);
        };
        let values = match variable.getter {
            Some(getter) if getter == source.at.id => self.eval_body(&source, fuel),
            _ => self.eval_with(&source, fuel),
        };
        if local {
            return values;
        }
        values.into_iter().map(|value| self.through_name(value, at)).collect()
    }

    /// The parameter that fills a field when an object is made; the field itself where the language
    /// makes the parameter of it.
    fn filled_by(&self, at: Ref, variable: &Variable) -> Option<Ref> {
        let bare = variable.init.is_none() && variable.getter.is_none() && !variable.is(Modifier::Static);
        let class = self.enclosing_class(at).filter(|_| bare && !self.is_local(at))?;
        let declared = self.class(class)?;
        let tree = self.tree(class);
        let constructors =
            declared.members.iter().filter_map(|&id| tree.function(id).filter(|f| f.is_constructor()));
        let params = constructors.flat_map(|function| function.params.iter().copied());
        let params = params.chain(declared.params.iter().copied());
        let mut named =
            params.filter(|&id| tree.parameter(id).is_some_and(|p| p.property && p.name == variable.name));
        match (named.next(), named.next()) {
            (Some(id), None) => Some(Ref { file: class.file, id }),
            (None, _) if tree.idioms.memberwise && self.says_where(at, variable) => Some(at),
            _ => None,
        }
    }

    /// Whether values of a field's type are told apart by what they are, not by their type alone.
    fn says_where(&self, at: Ref, variable: &Variable) -> bool {
        let Some(ty) = &variable.ty else { return false };
        ty.name == self.tree(at).idioms.literals.text
            || self
                .class_named(at, &ty.name)
                .and_then(|class| self.class(class))
                .is_some_and(|class| class.kind == ClassKind::Enum)
    }

    /// A value that a name outside of the function stands for.
    fn through_name(&self, value: Value, at: Ref) -> Value {
        let whole = value.form == Form::Literal && value.shape().is_some_and(|shape| shape.plain().is_some());
        let constant = value.constant.or(whole.then_some(at));
        let form = match value.form {
            Form::Literal if constant.is_some() => Form::Constant,
            Form::Literal => Form::Computed,
            form => form,
        };
        let datum = match value.datum {
            Datum::Text(shape) => Datum::Text(shape.named()),
            datum => datum,
        };
        Value { datum, form, constant }
    }

    /// Whether a variable is declared in a function's body.
    #[must_use]
    pub fn is_local(&self, at: Ref) -> bool {
        self.tree(at)
            .enclosing(at.id, |kind| matches!(kind, Kind::Class(_) | Kind::Function(_) | Kind::Lambda { .. }))
            .is_some_and(|id| !matches!(self.tree(at).kind(id), Kind::Class(_)))
    }

    /// The one expression that gives a variable its value; `None` if it is assigned several.
    pub(super) fn value_of_variable(&self, here: &Expr, variable: &Variable) -> Option<Expr> {
        if variable.mutable || variable.init.is_none() {
            let assigned = self.assignments(here.at, &variable.name);
            match (assigned.as_slice(), variable.init) {
                ([], Some(init)) => return Some(here.with(init)),
                ([one], None) => return Some(here.with(*one)),
                ([], None) => {}
                _ => return None,
            }
        }
        let lambda = variable.delegate.and_then(|delegate| self.lazy_body(here, delegate));
        variable.init.or(variable.getter).or(lambda).map(|id| here.with(id))
    }

    /// The body of `by lazy { … }`.
    fn lazy_body(&self, here: &Expr, delegate: Id) -> Option<Id> {
        let tree = self.tree(here.at);
        let call = tree.call(delegate)?;
        tree.idioms.lazy.contains(&tree.callee(call)?.0.as_str()).then_some(())?;
        match tree.kind(call.args.last()?.value) {
            Kind::Lambda { body, .. } => Some(*body),
            _ => None,
        }
    }

    /// The values that a variable is set to after its declaration, in the file that holds it.
    #[must_use]
    pub fn set_values(&self, at: Ref, name: &str) -> Vec<Expr> {
        self.assignments(at, name).into_iter().map(|id| Expr::new(Ref { file: at.file, id })).collect()
    }

    /// The values assigned to a variable after its declaration, in the scope that holds it.
    fn assignments(&self, at: Ref, name: &str) -> Vec<Id> {
        self.assigned(at, name).into_iter().map(|set| set.value).collect()
    }

    /// Where a variable is set after its declaration, in the scope that holds it.
    pub(super) fn assigned(&self, at: Ref, name: &str) -> Vec<Assigned> {
        let tree = self.tree(at);
        let uses = self.program.uses_in(at.file, name).iter();
        let mut found = Vec::new();
        for used in uses {
            let target = used.id;
            if let Kind::Member(member) = tree.kind(target)
                && !matches!(tree.kind(member.of), Kind::This)
            {
                continue;
            }
            let Some(parent) = tree.node(target).parent else { continue };
            if let Kind::Assign { target: assigned, op, value } = tree.kind(parent)
                && *assigned == target
                && self.assigns_to(at, *used, name)
            {
                found.push(Assigned { at: parent, op: *op, value: *value });
            }
        }
        found
    }

    fn assigns_to(&self, variable: Ref, used: Ref, name: &str) -> bool {
        match self.kind(used) {
            Kind::Member(_) => self.enclosing_class(used) == self.enclosing_class(variable),
            _ => self.resolve(used, name) == Some(Def::Variable(variable)),
        }
    }
}
