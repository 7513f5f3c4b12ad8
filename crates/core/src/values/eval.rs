//! Expressions to values: text with holes, resource ids, objects. Several where a choice is made.

use super::collections::Elements;
use super::text::{Hole, Shape};
use super::{Def, Env, Expr, Fuel, Ref, Values};
use crate::model::Form;
use crate::syntax::{BinaryOp, Id, Kind, Member, Piece, UnaryOp};
use smol_str::SmolStr;

/// One value that an expression may have.
#[derive(Debug, Clone)]
pub struct Value {
    /// What it is.
    pub datum: Datum,
    /// How it is named where it is used.
    pub form: Form,
    /// The constant that holds all of it.
    pub constant: Option<Ref>,
}

/// What a value is.
#[derive(Debug, Clone)]
pub enum Datum {
    /// A string, known at least in part.
    Text(Shape),
    /// A resource: `R.id.shelf`.
    Resource {
        /// `id`, `navigation`, `layout`…
        kind: SmolStr,
        /// Its name.
        name: SmolStr,
    },
    /// An object: the call that makes it, or the declaration that is it.
    Object(Expr),
    /// A function that is handed about: a lambda, or a name that stands for one.
    Function(Expr),
    /// A class itself: `ItemActivity::class.java`.
    Type(Expr),
    /// A number as written.
    Number(SmolStr),
    /// A truth value.
    Bool(bool),
    /// Nothing.
    Null,
    /// A parameter that nothing is bound to here, or something taken from it.
    Parameter(Ref),
    /// Not known from the source.
    Unknown,
}

/// More ways than this are as good as unknown.
const MAX_WAYS: usize = 8;

impl Value {
    pub(super) fn new(datum: Datum, form: Form) -> Self {
        Self { datum, form, constant: None }
    }

    /// What a parameter stands for, where nothing is bound to it.
    pub(super) fn parameter(at: Ref) -> Self {
        Self::new(Datum::Parameter(at), Form::Dynamic)
    }

    pub(super) fn unknown() -> Vec<Self> {
        vec![Self::new(Datum::Unknown, Form::Dynamic)]
    }

    pub(super) fn is_object(&self) -> bool {
        matches!(self.datum, Datum::Object(_))
    }

    /// The shape, if this is text.
    #[must_use]
    pub fn shape(&self) -> Option<&Shape> {
        match &self.datum {
            Datum::Text(shape) => Some(shape),
            _ => None,
        }
    }
}

impl<'p> Values<'p> {
    /// The values an expression may have; one is `Unknown` where nothing is known.
    #[must_use]
    pub fn eval(&self, expr: &Expr) -> Vec<Value> {
        self.eval_with(expr, &Fuel::new())
    }

    /// The objects and functions that an expression may be, each where it is made or written out.
    #[must_use]
    pub fn made_or_handed(&self, expr: &Expr) -> Vec<Expr> {
        let found = self.eval(expr).into_iter().filter_map(|value| match value.datum {
            Datum::Object(made) | Datum::Function(made) => Some(made),
            _ => None,
        });
        found.filter(|made| made.at != expr.at).collect()
    }

    /// As [`Self::eval`]; what depends on an enum's case that a caller chooses is what it is for each of
    /// the cases.
    #[must_use]
    pub fn eval_any_case(&self, expr: &Expr) -> Vec<Value> {
        let found = self.eval(expr);
        let [Value { datum: Datum::Parameter(at), .. }] = found.as_slice() else {
            let blank = found.iter().all(|value| matches!(value.datum, Datum::Unknown));
            return if blank { self.eval_event(expr, &Fuel::new()).unwrap_or(found) } else { found };
        };
        let ty = self.tree(*at).parameter(at.id).and_then(|parameter| parameter.ty.as_ref());
        let cases = ty.and_then(|ty| self.cases(self.class_named(*at, &ty.name)?));
        let each = cases.into_iter().flatten().flat_map(|case| {
            let env = super::Frame::env(vec![(*at, case)], expr.env.clone());
            self.eval(&Expr { at: expr.at, env })
        });
        let each: Vec<Value> = each.map(|value| Value { form: Form::Computed, ..value }).collect();
        if each.is_empty() { self.eval_event(expr, &Fuel::new()).unwrap_or(found) } else { each }
    }

    /// The only text an expression can be, if it is known whole.
    #[must_use]
    pub fn plain_text(&self, expr: &Expr) -> Option<String> {
        self.plain_text_with(expr, &Fuel::new())
    }

    pub(super) fn plain_text_with(&self, expr: &Expr, fuel: &Fuel) -> Option<String> {
        match self.eval_with(expr, fuel).as_slice() {
            [one] => one.shape().and_then(Shape::plain),
            _ => None,
        }
    }

    pub(super) fn eval_with(&self, expr: &Expr, fuel: &Fuel) -> Vec<Value> {
        let Some(_step) = fuel.step() else { return Value::unknown() };
        let mut values = match self.kind(expr.at) {
            Kind::Text(pieces) => self.template(expr, pieces, fuel),
            Kind::Number(text) => vec![Value::new(Datum::Number(text.clone()), Form::Literal)],
            Kind::Bool(yes) => vec![Value::new(Datum::Bool(*yes), Form::Literal)],
            Kind::Null => vec![Value::new(Datum::Null, Form::Literal)],
            Kind::Name(_) => self.eval_static(expr, fuel),
            Kind::Member(member) => self.eval_member(expr, member, fuel),
            Kind::Call(call) => self.eval_call(expr, call, fuel),
            Kind::Binary { op, left, right } => self.eval_binary(expr, *op, *left, *right, fuel),
            Kind::Unary { op, of } if op.hands_on() => self.eval_with(&expr.with(*of), fuel),
            Kind::Unary { op, of } if *op == UnaryOp::NameOf => match self.tree(expr.at).last_name(*of) {
                Some((name, _)) => vec![Value::new(Datum::Text(Shape::text(name, false)), Form::Typed)],
                None => Value::unknown(),
            },
            Kind::Cast { of, .. } => self.eval_with(&expr.with(*of), fuel),
            Kind::Branch { subject, arms } => {
                let bodies = self.arms_taken(expr, *subject, arms, fuel);
                self.either(expr, &bodies, fuel)
            }
            Kind::Block(items) => {
                items.last().map_or_else(Value::unknown, |&last| self.eval_with(&expr.with(last), fuel))
            }
            Kind::Return(Some(value)) => self.eval_with(&expr.with(*value), fuel),
            Kind::Index { .. } => self.eval_indexed(expr, fuel),
            Kind::ClassOf(_) => vec![Value::new(Datum::Type(expr.clone()), Form::Typed)],
            Kind::Lambda { .. } | Kind::Reference { .. } => {
                vec![Value::new(Datum::Function(expr.clone()), Form::Dynamic)]
            }
            Kind::Class(_) | Kind::Map(_) => vec![Value::new(Datum::Object(expr.clone()), Form::Typed)],
            _ => Value::unknown(),
        };
        if values.len() > MAX_WAYS || values.is_empty() {
            values = Value::unknown();
        }
        values
    }

    /// What stands at a place: of what a loop takes, at the place of each.
    fn eval_indexed(&self, expr: &Expr, fuel: &Fuel) -> Vec<Value> {
        let found = self.indexed(expr, fuel);
        match found.known.as_slice() {
            [one] if !found.open => self.eval_with(one, fuel),
            _ => self.eval_all(&found, fuel).unwrap_or_else(Value::unknown),
        }
    }

    /// Each way of a choice; none of them is the one that is written.
    pub(super) fn either(&self, expr: &Expr, ways: &[Id], fuel: &Fuel) -> Vec<Value> {
        let several = ways.len() > 1;
        let mut values = Vec::new();
        for &way in ways {
            for value in self.eval_with(&expr.with(way), fuel) {
                // A way that leaves the function gives no value.
                if matches!(self.kind(expr.with(way).at), Kind::Return(_)) {
                    continue;
                }
                let form = if several && value.form != Form::Dynamic { Form::Computed } else { value.form };
                values.push(Value { form, ..value });
            }
        }
        values
    }

    fn template(&self, expr: &Expr, pieces: &[Piece], fuel: &Fuel) -> Vec<Value> {
        let mut ways = vec![Shape::text("", true)];
        for piece in pieces {
            let next = match piece {
                Piece::Text(text) => vec![Shape::text(text, true)],
                Piece::Hole(id) => self.shapes(&expr.with(*id), fuel),
            };
            ways = combine(&ways, &next);
        }
        ways.into_iter().map(|shape| self.text_value(shape)).collect()
    }

    pub(super) fn text_value(&self, shape: Shape) -> Value {
        let written = shape.plain().is_some_and(|text| !text.is_empty()) && shape.is_in_place();
        let form = if shape.has_literal_words() || written {
            Form::Literal
        } else if shape.is_blank() {
            Form::Dynamic
        } else {
            Form::Computed
        };
        Value::new(Datum::Text(shape), form)
    }

    /// What an expression is when put into a string.
    pub(super) fn shapes(&self, expr: &Expr, fuel: &Fuel) -> Vec<Shape> {
        self.eval_with(expr, fuel)
            .into_iter()
            .map(|value| match value.datum {
                Datum::Text(shape) => shape,
                Datum::Number(text) => Shape::text(&text, true),
                Datum::Bool(yes) => Shape::text(if yes { "true" } else { "false" }, true),
                datum => Shape::hole(Hole {
                    written: self.written(expr.at),
                    ty: self.type_of_with(expr, fuel).map(|ty| ty.name),
                    parameter: match datum {
                        Datum::Parameter(at) => Some(at),
                        _ => None,
                    },
                    escaped: self.is_escaped(expr, fuel),
                }),
            })
            .collect()
    }

    pub(super) fn eval_member(&self, expr: &Expr, member: &Member, fuel: &Fuel) -> Vec<Value> {
        if let Some(resource) = self.resource(expr) {
            return vec![Value::new(resource, Form::Resource)];
        }
        if let Some(bound) = expr.bound(expr.at) {
            return self.eval_with(&bound, fuel);
        }
        let of = expr.with(member.of);
        if let Kind::This = self.kind(of.at)
            && let Some(values) = self.eval_overridden(expr, &member.name, fuel)
        {
            return values;
        }
        if let Some(parts) = self.part_of_entry(&of, &member.name, fuel) {
            return self.eval_all(&parts, fuel).unwrap_or_else(Value::unknown);
        }
        if let Some(found) = self.picked(&of, &member.name, &[], expr, fuel) {
            return self.eval_all(&found, fuel).unwrap_or_else(Value::unknown);
        }
        let mut values = Vec::new();
        for value in self.eval_with(&of, fuel) {
            match value.datum {
                Datum::Object(object) => match self.member_of_object(&object, &member.name, fuel) {
                    Some(found) => values.extend(found),
                    None => return self.eval_static(expr, fuel),
                },
                Datum::Parameter(at) => values.push(Value::new(Datum::Parameter(at), Form::Dynamic)),
                // The same class as another language sees it: `kind.java`.
                Datum::Type(class)
                    if self.tree(expr.at).idioms.same_class.contains(&member.name.as_str()) =>
                {
                    values.push(Value::new(Datum::Type(class), value.form));
                }
                _ => return self.eval_static(expr, fuel),
            }
        }
        values
    }

    /// A field of the object itself that classes derived from this one have in their own way.
    fn eval_overridden(&self, expr: &Expr, name: &str, fuel: &Fuel) -> Option<Vec<Value>> {
        let class = self.enclosing_named_class(expr.at)?;
        let own = self.overriding(class, name);
        (!own.is_empty()).then_some(())?;
        let base = match self.definition(expr, fuel)? {
            def @ Def::Variable(_) => self.eval_def(&def, expr, fuel),
            _ => return None,
        };
        let theirs = own.into_iter().flat_map(|at| self.eval_variable(at, &Expr::new(at), fuel));
        let known = |value: &Value| !matches!(value.datum, Datum::Unknown | Datum::Null);
        let all: Vec<Value> = base.into_iter().chain(theirs).filter(known).collect();
        (!all.is_empty()).then_some(all)
    }

    /// A member found by the type of what it is a member of, or by a full path.
    fn eval_static(&self, expr: &Expr, fuel: &Fuel) -> Vec<Value> {
        match self.definition(expr, fuel) {
            Some(def) => self.eval_def(&def, expr, fuel),
            None => Value::unknown(),
        }
    }

    /// `R.id.shelf`, with or without the package of the `R`, or its alias.
    #[must_use]
    pub fn resource(&self, expr: &Expr) -> Option<Datum> {
        let tree = self.tree(expr.at);
        let Kind::Member(outer) = tree.kind(expr.at.id) else { return None };
        let Kind::Member(inner) = tree.kind(outer.of) else { return None };
        let (holder, _) = tree.last_name(inner.of)?;
        let aliased = || {
            let import = tree.imports.iter().find(|import| import.name.as_ref() == Some(holder))?;
            let (_, last) = import.path.rsplit_once('.')?;
            self.holds_resources(expr.at, last).then_some(())
        };
        (self.holds_resources(expr.at, holder) || aliased().is_some())
            .then(|| Datum::Resource { kind: inner.name.clone(), name: outer.name.clone() })
    }

    pub(super) fn eval_def(&self, def: &Def, expr: &Expr, fuel: &Fuel) -> Vec<Value> {
        match def {
            Def::Variable(at) => self.eval_variable(*at, expr, fuel),
            Def::Parameter(at) => {
                match expr.bound(*at).or_else(|| self.handed(*at).map(|of| expr.with(of))) {
                    Some(bound) => self.eval_with(&bound, fuel),
                    None => self
                        .eval_each(*at, &expr.env, fuel)
                        .or_else(|| self.eval_kept(*at, expr, fuel))
                        .unwrap_or_else(|| {
                            let list = self.list_taken_from(*at, &expr.env, fuel);
                            vec![Value::parameter(list.unwrap_or(*at))]
                        }),
                }
            }
            Def::It(lambda) => {
                let of = self.handed(*lambda);
                match of {
                    Some(of) => self.eval_with(&expr.with(of), fuel),
                    None => self.eval_each(*lambda, &expr.env, fuel).unwrap_or_else(|| {
                        let list = self.list_taken_from(*lambda, &expr.env, fuel);
                        list.map_or_else(Value::unknown, |list| vec![Value::parameter(list)])
                    }),
                }
            }
            Def::Class(at) => {
                vec![Value::new(Datum::Object(Expr { at: *at, env: expr.env.clone() }), Form::Typed)]
            }
            // Java's accessor of a Kotlin property, or the reverse, is a member without arguments.
            Def::Functions(functions) => match functions.first() {
                Some(&function) if !matches!(self.kind(expr.at), Kind::Name(_)) => {
                    self.eval_function(function, expr, None, fuel)
                }
                _ => Value::unknown(),
            },
            Def::External(_) => Value::unknown(),
        }
    }

    /// What a lambda keeps under a parameter that nobody fills: `lambda event, key=key: go(key)`.
    fn eval_kept(&self, at: Ref, expr: &Expr, fuel: &Fuel) -> Option<Vec<Value>> {
        let tree = self.tree(at);
        let lambda = tree.node(at.id).parent.filter(|&id| matches!(tree.kind(id), Kind::Lambda { .. }));
        let default = tree.parameter(at.id)?.default.filter(|_| lambda.is_some())?;
        let default = Expr { at: Ref { file: at.file, id: default }, env: expr.env.clone() };
        Some(self.eval_with(&default, fuel))
    }

    /// Every value that a loop hands to its lambda.
    fn eval_each(&self, parameter: Ref, env: &Env, fuel: &Fuel) -> Option<Vec<Value>> {
        match self.each_handed(parameter, env, fuel) {
            Some(each) => self.eval_all(&each, fuel),
            None => self.eval_runs(parameter, fuel),
        }
    }

    /// What those hand to a lambda that run it, as far as it is known.
    fn eval_runs(&self, parameter: Ref, fuel: &Fuel) -> Option<Vec<Value>> {
        let values = self.eval_all(&self.handed_by_runs(parameter, fuel)?, fuel)?;
        let known = |value: &Value| value.is_object() || value.shape().is_some_and(|shape| !shape.is_blank());
        values.iter().any(known).then_some(values)
    }

    /// What all of several come to; none of them is the one that is written.
    pub(super) fn eval_all(&self, each: &Elements, fuel: &Fuel) -> Option<Vec<Value>> {
        let values = each.known.iter().flat_map(|one| self.eval_with(one, fuel));
        let computed = values.map(|value| {
            let datum = match value.datum {
                Datum::Text(shape) => Datum::Text(shape.named()),
                datum => datum,
            };
            Value { datum, form: Form::Computed, ..value }
        });
        let others = each.open.then(Value::unknown).into_iter().flatten();
        (!each.known.is_empty()).then(|| computed.chain(others).collect())
    }

    fn eval_binary(&self, expr: &Expr, op: BinaryOp, left: Id, right: Id, fuel: &Fuel) -> Vec<Value> {
        match op {
            BinaryOp::Add => {
                let ways =
                    combine(&self.shapes(&expr.with(left), fuel), &self.shapes(&expr.with(right), fuel));
                ways.into_iter().map(|shape| self.text_value(shape)).collect()
            }
            BinaryOp::OrElse => {
                let mut values = self.either(expr, &[left, right], fuel);
                values.retain(|value| !matches!(value.datum, Datum::Null));
                values
            }
            _ => Value::unknown(),
        }
    }

    /// What a body hands back: its returns, or what it is.
    pub(super) fn eval_body(&self, body: &Expr, fuel: &Fuel) -> Vec<Value> {
        let mut returns = self.returns(body.at);
        if returns.is_empty() {
            return self.eval_with(body, fuel);
        }
        returns.retain(|&id| self.is_on_the_way(body, id, fuel));
        self.either(body, &returns, fuel)
    }
}

/// Every pair of ways, one after the other.
pub(super) fn combine(left: &[Shape], right: &[Shape]) -> Vec<Shape> {
    let pairs = left.iter().flat_map(|l| right.iter().map(move |r| (l, r)));
    let joined = pairs.map(|(l, r)| {
        let mut shape = l.clone();
        shape.push(r.clone());
        shape
    });
    joined.take(MAX_WAYS + 1).collect()
}
