//! Objects: what their members are, from how they were made.

use super::eval::Value;
use super::{Datum, Def, Env, Expr, Frame, Fuel, Ref, Values};
use crate::model::Form;
use crate::syntax::{Arg, Call, ClassKind, Id, Kind};
use std::sync::Arc;

/// Bases of bases are followed this deep.
const MAX_BASES: usize = 8;

impl Values<'_> {
    /// Binds parameters to arguments, by name and then by position, defaults for the rest.
    pub(super) fn bind(&self, file: u32, params: &[Id], args: &[Arg], at: &Expr, up: Env) -> Env {
        let tree = self.program.tree(file);
        let mut bound = Vec::new();
        // A lambda behind fewer arguments than there are parameters is for the last of them.
        let lambda = |arg: &&Arg| {
            arg.name.is_none() && matches!(self.tree(at.at).kind(arg.value), Kind::Lambda { .. })
        };
        let trailing = args.last().filter(lambda).filter(|_| args.len() < params.len());
        let rest = &args[..args.len() - usize::from(trailing.is_some())];
        let mut unnamed = rest.iter().filter(|arg| arg.name.is_none());
        for (i, &id) in params.iter().enumerate() {
            let Some(parameter) = tree.parameter(id) else { continue };
            let named = args.iter().find(|arg| arg.name.as_ref() == Some(&parameter.name));
            let last = trailing.filter(|_| i + 1 == params.len());
            let given = named.or(last).or_else(|| unnamed.next()).map(|arg| at.with(arg.value));
            let value = given.or_else(|| {
                parameter.default.map(|default| Expr { at: Ref { file, id: default }, env: up.clone() })
            });
            if let Some(value) = value {
                bound.push((Ref { file, id }, value));
            }
        }
        if bound.is_empty() {
            return up;
        }
        Some(Arc::new(Frame { bound, up }))
    }

    /// The bindings that a method sees: those of the object it is called on.
    pub(super) fn receiver_env(&self, expr: &Expr, call: Option<&Call>, fuel: &Fuel) -> Env {
        let tree = self.tree(expr.at);
        let of = match (call, self.kind(expr.at)) {
            (Some(call), _) => tree.receiver(call),
            (None, Kind::Member(member)) => Some(member.of),
            _ => None,
        };
        let Some(of) = of else { return expr.env.clone() };
        let object = self.eval_with(&expr.with(of), fuel).into_iter().find_map(|value| match value.datum {
            Datum::Object(object) => Some(object),
            _ => None,
        });
        object.and_then(|object| self.object_env(&object, fuel).map(|(_, env)| env)).unwrap_or(None)
    }

    /// The class an object is of, and the bindings of its constructor's parameters.
    pub(super) fn object_env(&self, object: &Expr, fuel: &Fuel) -> Option<(Ref, Env)> {
        let (class, env) = self.own_env(object, fuel)?;
        Some((class, self.with_bases(class, env, 0)))
    }

    /// Adds what a class hands to its bases' constructors.
    fn with_bases(&self, at: Ref, env: Env, depth: usize) -> Env {
        let Some(class) = self.class(at).filter(|_| depth < MAX_BASES) else { return env };
        let mut all = env.clone();
        for base in class.supers.iter().filter(|base| !base.args.is_empty()) {
            let named = match class.kind {
                ClassKind::Entry => self.enclosing_class(at),
                _ => self.class_named(at, &base.ty.name),
            };
            let Some(named) = named else { continue };
            let here = Expr { at, env: env.clone() };
            let bound = self.bind(named.file, &self.constructor_params(named), &base.args, &here, all);
            all = self.with_bases(named, bound, depth + 1);
        }
        all
    }

    fn own_env(&self, object: &Expr, fuel: &Fuel) -> Option<(Ref, Env)> {
        match self.kind(object.at) {
            Kind::Class(_) => Some((object.at, object.env.clone())),
            Kind::Call(call) => {
                let Some(Def::Class(class)) = self.definition(&object.with(call.callee), fuel) else {
                    return None;
                };
                let params = &self.class(class)?.params;
                let args: Vec<Arg> = call.args.clone();
                Some((class, self.bind(class.file, params, &args, object, object.env.clone())))
            }
            _ => None,
        }
    }

    /// A member of an object: its own, or its bases' with what it hands to their constructors.
    pub(super) fn member_of_object(&self, object: &Expr, name: &str, fuel: &Fuel) -> Option<Vec<Value>> {
        let (class, env) = self.object_env(object, fuel)?;
        self.member_of_made(class, env, name, fuel)
    }

    fn member_of_made(&self, at: Ref, env: Env, name: &str, fuel: &Fuel) -> Option<Vec<Value>> {
        let _step = fuel.step()?;
        let class = self.class(at)?;
        let tree = self.tree(at);
        if class.kind == ClassKind::Entry && name == "name" {
            let shape = super::Shape::text(&class.name, false);
            return Some(vec![Value { datum: Datum::Text(shape), form: Form::Computed, constant: None }]);
        }
        let here = Expr { at, env };
        let own = class.members.iter().copied().find(|&id| match tree.kind(id) {
            Kind::Variable(variable) => variable.name == name,
            Kind::Class(inner) => inner.name == name,
            _ => false,
        });
        let property =
            class.params.iter().copied().find(|&id| tree.parameter(id).is_some_and(|p| p.name == name));
        let def = match (own, property) {
            (Some(id), _) if matches!(tree.kind(id), Kind::Class(_)) => Some(Def::Class(here.with(id).at)),
            (Some(id), _) => Some(Def::Variable(here.with(id).at)),
            (None, Some(id)) => Some(Def::Parameter(here.with(id).at)),
            (None, None) => None,
        };
        if let Some(def) = def {
            let values = self.eval_def(&def, &here, fuel);
            return Some(values.into_iter().map(|value| named(value, &def)).collect());
        }
        self.member_of_base(&here, name, fuel).or_else(|| self.member_of_companion(&here, name, fuel))
    }

    fn member_of_companion(&self, here: &Expr, name: &str, fuel: &Fuel) -> Option<Vec<Value>> {
        let class = self.class(here.at)?;
        let tree = self.tree(here.at);
        let companion =
            class.members.iter().find(|&&id| tree.class(id).is_some_and(|c| c.kind == ClassKind::Companion));
        let companion = here.with(*companion?);
        self.member_of_made(companion.at, companion.env, name, fuel)
    }

    fn member_of_base(&self, here: &Expr, name: &str, fuel: &Fuel) -> Option<Vec<Value>> {
        let class = self.class(here.at)?;
        for base in &class.supers {
            let at = match class.kind {
                ClassKind::Entry => self.enclosing_class(here.at),
                _ => self.class_named(here.at, &base.ty.name),
            };
            let Some(at) = at else { continue };
            let params = self.constructor_params(at);
            let env = self.bind(at.file, &params, &base.args, here, here.env.clone());
            if let Some(values) = self.member_of_made(at, env, name, fuel) {
                return Some(values);
            }
        }
        None
    }

    /// The parameters that an object of a class is made with: of its primary constructor, or of the
    /// first other one.
    fn constructor_params(&self, at: Ref) -> Vec<Id> {
        let Some(class) = self.class(at) else { return Vec::new() };
        if !class.params.is_empty() {
            return class.params.clone();
        }
        let tree = self.tree(at);
        let made = class.members.iter().filter_map(|&id| tree.function(id)).find(|f| f.name == "<init>");
        made.map(|function| function.params.clone()).unwrap_or_default()
    }
}

/// A literal handed to a constructor is a constant to those who read the property.
fn named(value: Value, def: &Def) -> Value {
    let holder = match def {
        Def::Variable(at) | Def::Parameter(at) => *at,
        _ => return value,
    };
    match value.datum {
        Datum::Text(shape) if value.form == Form::Literal => {
            let whole = shape.plain().is_some();
            Value {
                datum: Datum::Text(shape.named()),
                form: if whole { Form::Constant } else { Form::Computed },
                constant: value.constant.or(whole.then_some(holder)),
            }
        }
        datum => Value { datum, ..value },
    }
}
