//! What calls hand back: of the app's own functions, of functions that are handed about, of the language
//! and the platform.

use super::eval::{Value, combine};
use super::{Datum, Def, Expr, Fuel, Ref, Shape, Values};
use crate::model::Form;
use crate::syntax::{Call, Kind, Scope, TextStep};

impl Values<'_> {
    pub(super) fn eval_call(&self, expr: &Expr, call: &Call, fuel: &Fuel) -> Vec<Value> {
        if let Kind::Member(member) = self.kind(expr.with(call.callee).at)
            && let Some(parts) = self.part_of_entry(&expr.with(member.of), &member.name, fuel)
        {
            return self.eval_all(&parts, fuel).unwrap_or_else(Value::unknown);
        }
        if let Some(values) = self.eval_call_of_entry(expr, call, fuel) {
            return values;
        }
        if let Kind::Lambda { params, body } = self.kind(expr.with(call.callee).at) {
            let env = self.bind(expr.at.file, params, &call.args, expr, expr.env.clone());
            return self.eval_body(&Expr { at: expr.with(*body).at, env }, fuel);
        }
        match self.definition(&expr.with(call.callee), fuel) {
            Some(Def::Class(_)) => return vec![Value::new(Datum::Object(expr.clone()), Form::Typed)],
            Some(Def::Functions(functions)) => {
                let Some(function) = self.chosen(&functions, expr, call) else { return Value::unknown() };
                let values = self.eval_function(function, expr, Some(call), fuel);
                let made = || self.constructed(function).is_some() && !values.iter().any(Value::is_object);
                return if made() {
                    vec![Value::new(Datum::Object(expr.clone()), Form::Typed)]
                } else {
                    values
                };
            }
            // A property that is asked for as a function, as a record's are.
            Some(Def::Parameter(at)) if call.args.is_empty() => {
                if let Kind::Member(member) = self.kind(expr.with(call.callee).at)
                    && self.tree(at).parameter(at.id).is_some_and(|parameter| parameter.property)
                {
                    return self.eval_member(&expr.with(call.callee), member, fuel);
                }
            }
            _ => {}
        }
        if self.copied_class(expr, call).is_some() {
            return vec![Value::new(Datum::Object(expr.clone()), Form::Typed)];
        }
        if let Kind::Member(member) = self.kind(expr.with(call.callee).at)
            && let Some(found) = self.picked(&expr.with(member.of), &member.name, &call.args, expr, fuel)
        {
            return self.eval_all(&found, fuel).unwrap_or_else(Value::unknown);
        }
        if let Some(values) = self.eval_handed_function(expr, call, fuel) {
            return values;
        }
        self.eval_library_call(expr, call, fuel).unwrap_or_else(Value::unknown)
    }

    /// A call of a function that a list, a map, a variable or a parameter holds: what it hands back.
    fn eval_handed_function(&self, expr: &Expr, call: &Call, fuel: &Fuel) -> Option<Vec<Value>> {
        let mut functions = self.eval_with(&expr.with(call.callee), fuel);
        // `make?.invoke()`, `supplier.get()`: by the member that runs it.
        if let Kind::Member(member) = self.kind(expr.with(call.callee).at)
            && self.tree(expr.at).idioms.runs.contains(&member.name.as_str())
        {
            functions = self.eval_with(&expr.with(member.of), fuel);
        }
        let mut found = Vec::new();
        for value in functions {
            let Datum::Function(function) = value.datum else { return None };
            match self.kind(function.at) {
                Kind::Lambda { params, body } => {
                    let env = self.bind(function.at.file, params, &call.args, expr, function.env.clone());
                    found.extend(self.eval_body(&Expr { at: function.with(*body).at, env }, fuel));
                }
                Kind::Reference { name, .. } => {
                    let class = self.class_named(function.at, name)?;
                    found.push(Value::new(Datum::Object(Expr::new(class)), Form::Typed));
                }
                _ => return None,
            }
        }
        (!found.is_empty()).then_some(found)
    }

    /// Calls of the platform that keep or make text.
    fn eval_library_call(&self, expr: &Expr, call: &Call, fuel: &Fuel) -> Option<Vec<Value>> {
        let tree = self.tree(expr.at);
        let (name, _) = tree.callee(call)?;
        let receiver = tree.receiver(call).map(|of| expr.with(of));
        let first = call.args.first().map(|arg| expr.with(arg.value));
        if let Some(ways) = self.built_text(expr, call, fuel) {
            return Some(ways.into_iter().map(|shape| self.text_value(shape)).collect());
        }
        if let Some(scope) = tree.scope(call) {
            return self.eval_scope(expr, call, scope, fuel);
        }
        if let Some(kept) = self.kept(expr, call) {
            return Some(self.eval_body(&kept, fuel));
        }
        if let Some(same) = self.handed_through(expr, call) {
            return Some(self.eval_with(&same, fuel));
        }
        let asserts = tree.idioms.asserts.contains(&name.as_str()).then_some(TextStep::Argument);
        match (asserts.or_else(|| self.text_step(expr.at, name))?, receiver, first) {
            (TextStep::Receiver, Some(of), _) => Some(self.eval_with(&of, fuel)),
            (TextStep::Argument, _, Some(arg)) => {
                let values = self.eval_with(&arg, fuel);
                values
                    .iter()
                    .all(|v| v.shape().is_some() || matches!(v.datum, Datum::Parameter(_)))
                    .then_some(values)
            }
            (TextStep::Format, Some(of), Some(arg)) => {
                let (pattern, rest) = match self.plain_of(&of, fuel) {
                    Some(_) => (of, &call.args[..]),
                    None => (arg, &call.args[1..]),
                };
                Some(self.formatted(&pattern, expr, rest, fuel))
            }
            (TextStep::Join, Some(of), Some(arg)) => {
                let ways = combine(&self.shapes(&of, fuel), &self.shapes(&arg, fuel));
                Some(ways.into_iter().map(|shape| self.text_value(shape)).collect())
            }
            (TextStep::Replace, Some(of), Some(from)) => {
                let from = self.plain_of(&from, fuel)?;
                let to = expr.with(call.args.get(1)?.value);
                let to = self.shapes(&to, fuel).into_iter().next()?;
                let ways = self.shapes(&of, fuel).into_iter().map(|shape| shape.replaced(&from, &to));
                Some(ways.map(|shape| self.text_value(shape)).collect())
            }
            _ => None,
        }
    }

    /// A scope function gives back its subject, or what its lambda comes to.
    fn eval_scope(&self, expr: &Expr, call: &Call, scope: Scope, fuel: &Fuel) -> Option<Vec<Value>> {
        let tree = self.tree(expr.at);
        if scope.gives_subject {
            return tree.subject(call, scope).map(|of| self.eval_with(&expr.with(of), fuel));
        }
        match tree.kind(call.args.last()?.value) {
            Kind::Lambda { body, .. } => Some(self.eval_with(&expr.with(*body), fuel)),
            _ => None,
        }
    }

    fn plain_of(&self, expr: &Expr, fuel: &Fuel) -> Option<String> {
        match self.eval_with(expr, fuel).as_slice() {
            [one] => one.shape().and_then(Shape::plain),
            _ => None,
        }
    }

    /// A call of one of the app's own functions: what it hands back, its parameters bound.
    pub(super) fn eval_function(&self, at: Ref, expr: &Expr, call: Option<&Call>, fuel: &Fuel) -> Vec<Value> {
        let Some(function) = self.tree(at).function(at.id) else { return Value::unknown() };
        let Some(body) = function.body else { return Value::unknown() };
        let args = call.map(|call| call.args.as_slice()).unwrap_or_default();
        let up = self.receiver_env(expr, call, fuel);
        let env = self.bind(at.file, &function.params, args, expr, up);
        let body = Expr { at: Ref { file: at.file, id: body }, env };
        let values = self.eval_body(&body, fuel).into_iter().map(|value| {
            let datum = match value.datum {
                Datum::Text(shape) => Datum::Text(shape.named()),
                datum => datum,
            };
            let form = match value.form {
                Form::Literal | Form::Constant => Form::Computed,
                form => form,
            };
            Value { datum, form, ..value }
        });
        values.collect()
    }
}
