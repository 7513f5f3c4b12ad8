//! Objects: what their members are, from how they were made.

use super::eval::Value;
use super::{Datum, Def, Env, Expr, Frame, Fuel, Ref, Values};
use crate::model::Form;
use crate::syntax::{Arg, Call, Class, ClassKind, Id, Kind, Modifier};
use std::sync::Arc;

/// Bases of bases are followed this deep.
const MAX_BASES: usize = 8;

impl<'p> Values<'p> {
    /// Binds parameters to arguments, by name and then by position, defaults for the rest.
    pub(super) fn bind(&self, file: u32, params: &[Id], args: &[Arg], at: &Expr, up: Env) -> Env {
        let tree = self.program.tree(file);
        let mut bound = Vec::new();
        // A lambda behind fewer arguments than there are parameters is for the last of them.
        let lambda = |arg: &&Arg| {
            arg.name.is_none() && matches!(self.tree(at.at).kind(arg.value), Kind::Lambda { .. })
        };
        let may_trail = self.tree(at.at).idioms.trailing_lambdas && args.len() < params.len();
        let trailing = args.last().filter(lambda).filter(|_| may_trail);
        let rest = &args[..args.len() - usize::from(trailing.is_some())];
        let mut unnamed = self.by_place(rest, at).into_iter();
        let mut many = None;
        for (i, &id) in params.iter().enumerate() {
            let Some(parameter) = tree.parameter(id) else { continue };
            let named = args.iter().find(|arg| arg.name.as_deref() == Some(parameter.called()));
            let last = trailing.filter(|_| i + 1 == params.len());
            let by_name =
                parameter.is(Modifier::Named) || parameter.label.as_ref().is_some_and(|l| !l.is_empty());
            let by_place = || if by_name { None } else { unnamed.next() };
            let given = named.or(last).map(|arg| at.with(arg.value)).or_else(by_place);
            let value = given.or_else(|| {
                parameter.default.map(|default| Expr { at: Ref { file, id: default }, env: up.clone() })
            });
            if let Some(value) = value {
                if parameter.is_vararg() && named.is_none() {
                    let all = std::iter::once(value.clone()).chain(unnamed.by_ref()).collect();
                    many = Some((Ref { file, id }, all));
                }
                bound.push((Ref { file, id }, value));
            }
        }
        if bound.is_empty() {
            return up;
        }
        Some(Arc::new(Frame { bound, rest: many, up }))
    }

    /// What is given by place; what is spread and known, element by element.
    #[must_use]
    pub fn by_place(&self, args: &[Arg], at: &Expr) -> Vec<Expr> {
        let mut found = Vec::new();
        for arg in args.iter().filter(|arg| arg.is_by_place()) {
            let value = at.with(arg.value);
            let elements = arg.spread.then(|| self.rest_of(&value)).flatten();
            match elements {
                Some(elements) => found.extend(elements.iter().cloned()),
                None => found.push(value),
            }
        }
        found
    }

    /// All that a name stands for, where it is a parameter of any number.
    #[must_use]
    pub fn rest_of<'e>(&self, expr: &'e Expr) -> Option<&'e [Expr]> {
        let Kind::Name(name) = self.kind(expr.at) else { return None };
        match self.resolve(expr.at, name)? {
            Def::Parameter(parameter) => expr.bound_rest(parameter),
            _ => None,
        }
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

    /// The value of a map or object under a name; the last one counts.
    pub(super) fn entry(&self, object: &Expr, name: &str, fuel: &Fuel) -> Option<Expr> {
        let _step = fuel.step()?;
        let Kind::Map(entries) = self.kind(object.at) else { return None };
        entries.iter().rev().find_map(|entry| match entry.key {
            Some(key) => {
                let own = match self.kind(object.with(key).at) {
                    Kind::Text(_) | Kind::Name(_) | Kind::Member(_) => {
                        self.eval_with(&object.with(key), fuel).first().and_then(|v| v.shape()?.plain())
                    }
                    _ => None,
                };
                (own.as_deref() == Some(name)).then(|| object.with(entry.value))
            }
            None => self.eval_with(&object.with(entry.value), fuel).into_iter().find_map(|value| match value
                .datum
            {
                Datum::Object(inner) => self.entry(&inner, name, fuel),
                _ => None,
            }),
        })
    }

    /// A call of a function that an object holds under a name: `paths.item(id)`. Of several objects each
    /// may be meant.
    pub(super) fn eval_call_of_entry(&self, expr: &Expr, call: &Call, fuel: &Fuel) -> Option<Vec<Value>> {
        let Kind::Member(member) = self.kind(expr.with(call.callee).at) else { return None };
        if !self.tree(expr.at).idioms.keyed_objects {
            return None;
        }
        let objects =
            self.eval_with(&expr.with(member.of), fuel).into_iter().filter_map(|value| match value.datum {
                Datum::Object(object) if matches!(self.kind(object.at), Kind::Map(_)) => Some(object),
                _ => None,
            });
        let mut found = Vec::new();
        for object in objects {
            let entry = self.entry(&object, &member.name, fuel)?;
            let (params, body) = match self.kind(entry.at) {
                Kind::Lambda { params, body } => (params, *body),
                Kind::Function(function) => (&function.params, function.body?),
                _ => return None,
            };
            let env = self.bind(entry.at.file, params, &call.args, expr, entry.env.clone());
            found.extend(self.eval_body(&Expr { at: Ref { file: entry.at.file, id: body }, env }, fuel));
        }
        let named = found.into_iter().map(|value| match value.datum {
            Datum::Text(shape) => Value { datum: Datum::Text(shape.named()), form: Form::Computed, ..value },
            datum => Value { datum, ..value },
        });
        let named: Vec<Value> = named.collect();
        (!named.is_empty()).then_some(named)
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

    /// What the parameters of an object's class stand for.
    #[must_use]
    pub fn made_env(&self, object: &Expr) -> Option<Env> {
        self.own_env(object, &Fuel::new()).map(|(_, env)| env)
    }

    /// A copy: what it changes, and the rest as in what it copies.
    fn env_of_copy(&self, class: Ref, copy: &Expr, call: &Call, fuel: &Fuel) -> Option<(Ref, Env)> {
        let of = copy.with(self.tree(copy.at).receiver(call)?);
        let (_, env) = self.object_env(&self.built_with(&of, fuel).root, fuel)?;
        let tree = self.tree(class);
        let params = &self.class(class)?.params;
        let changed = call.args.iter().enumerate().filter_map(|(place, arg)| {
            let called =
                |id: &&Id| tree.parameter(**id).is_some_and(|p| arg.name.as_deref() == Some(p.called()));
            let parameter = if arg.name.is_some() { params.iter().find(called) } else { params.get(place) };
            Some((Ref { file: class.file, id: *parameter? }, copy.with(arg.value)))
        });
        Some((class, Frame::env(changed.collect(), env)))
    }

    fn own_env(&self, object: &Expr, fuel: &Fuel) -> Option<(Ref, Env)> {
        let _step = fuel.step()?;
        match self.kind(object.at) {
            Kind::Class(_) => Some((object.at, object.env.clone())),
            Kind::Call(call) if let Some(class) = self.copied_class(object, call) => {
                self.env_of_copy(class, object, call, fuel)
            }
            Kind::Call(call) => {
                let (class, params) = match self.definition(&object.with(call.callee), fuel)? {
                    Def::Class(class) => (class, self.params_taking(class, object, call)),
                    Def::Functions(found) => {
                        let constructor = *found.first()?;
                        let class = self.constructed(constructor)?;
                        (class, &*self.tree(constructor).function(constructor.id)?.params)
                    }
                    _ => return None,
                };
                let set = self.set_by_name(class, params, object, call);
                Some((class, self.bind(class.file, params, &call.args, object, set)))
            }
            _ => None,
        }
    }

    /// The parameters of the constructor that a call is one of.
    pub(super) fn params_taking(&self, class: Ref, at: &Expr, call: &Call) -> &'p [Id] {
        let Some(declared) = self.class(class).filter(|declared| declared.params.is_empty()) else {
            return self.class(class).map_or(&[], |declared| &declared.params);
        };
        let tree = self.tree(class);
        // A constructor with a name of its own is called by it.
        let own = |name: &str| name == "<init>" || name == declared.name;
        let made = |id: &&Id| tree.function(**id).is_some_and(|f| f.is_constructor() && own(&f.name));
        let made = match self.definition(&at.with(call.callee), &Fuel::new()) {
            Some(Def::Functions(found)) => found,
            _ => declared.members.iter().filter(made).map(|&id| Ref { file: class.file, id }).collect(),
        };
        let chosen = self.chosen(&made, at, call).and_then(|made| tree.function(made.id));
        chosen.map_or(&[], |function| &function.params)
    }

    /// Members that a call sets by their names: in an initialiser, or where nothing else is declared to
    /// take them.
    pub(super) fn set_by_name(&self, class: Ref, params: &[Id], object: &Expr, call: &Call) -> Env {
        let tree = self.tree(class);
        let up = object.env.clone();
        let Some(declared) = self.class(class) else { return up };
        let takes =
            |name: &str| params.iter().any(|&id| tree.parameter(id).is_some_and(|p| p.called() == name));
        let set = call.args.iter().filter_map(|arg| {
            let name = arg.name.as_deref().filter(|name| !takes(name))?;
            let member =
                declared.members.iter().copied().find(|&id| {
                    tree.variable(id).is_some_and(|v| v.name == name && !v.is(Modifier::Static))
                })?;
            Some((Ref { file: class.file, id: member }, object.with(arg.value)))
        });
        let bound: Vec<(Ref, Expr)> = set.collect();
        if bound.is_empty() { up } else { Frame::env(bound, up) }
    }

    /// A member of an object: its own, or its bases' with what it hands to their constructors.
    pub(super) fn member_of_object(&self, object: &Expr, name: &str, fuel: &Fuel) -> Option<Vec<Value>> {
        if let Kind::Map(_) = self.kind(object.at) {
            let entry = self.entry(object, name, fuel)?;
            let values = self.eval_with(&entry, fuel).into_iter();
            return Some(values.map(|value| named(value, &Def::Variable(entry.at))).collect());
        }
        let (class, env) = self.object_env(object, fuel)?;
        self.member_of_made(class, env, name, fuel)
    }

    fn member_of_made(&self, at: Ref, env: Env, name: &str, fuel: &Fuel) -> Option<Vec<Value>> {
        let _step = fuel.step()?;
        let class = self.class(at)?;
        let tree = self.tree(at);
        if class.kind == ClassKind::Entry && name == tree.idioms.case_text {
            let given = class.supers.first().and_then(|base| base.args.first());
            // A raw value is a constant that the case is the name of.
            let held = tree.idioms.cases_carry.then_some(at);
            if let Some(raw) = given.filter(|_| held.is_some()) {
                let values = self.eval_with(&Expr { at, env }.with(raw.value), fuel).into_iter();
                return Some(values.map(|value| named(value, &Def::Variable(at))).collect());
            }
            let shape = super::Shape::text(&class.name, false);
            let form = if held.is_some() { Form::Constant } else { Form::Computed };
            return Some(vec![Value { datum: Datum::Text(shape), form, constant: held }]);
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
        let set = || self.set_by_constructor(&here, at, name);
        let bare = |id: Id| tree.variable(id).is_some_and(|v| v.init.is_none() && v.getter.is_none());
        if let Some((parameter, value)) = own.filter(|&id| bare(id)).and_then(|_| set()) {
            let values = self.eval_with(&value, fuel);
            return Some(values.into_iter().map(|value| named(value, &Def::Parameter(parameter))).collect());
        }
        if let Some(def) = def {
            let values = self.eval_def(&def, &here, fuel);
            return Some(values.into_iter().map(|value| named(value, &def)).collect());
        }
        self.member_of_base(&here, name, fuel).or_else(|| self.member_of_companion(&here, name, fuel))
    }

    /// What a constructor's parameter gives the field it sets: `this.route` in Dart.
    fn set_by_constructor(&self, here: &Expr, class: Ref, name: &str) -> Option<(Ref, Expr)> {
        let tree = self.tree(class);
        let mut frame = here.env.as_ref();
        while let Some(inner) = frame {
            let found = inner.bound.iter().find(|(at, _)| {
                at.file == class.file
                    && tree.span(class.id).holds(tree.span(at.id))
                    && tree.parameter(at.id).is_some_and(|p| p.property && p.name == name)
            });
            if let Some((parameter, value)) = found {
                return Some((*parameter, value.clone()));
            }
            frame = inner.up.as_ref();
        }
        None
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
        if class.kind == ClassKind::Entry {
            return self.member_of_enum(here, class, name, fuel);
        }
        for base in &class.supers {
            let Some(at) = self.class_named(here.at, &base.ty.name) else { continue };
            let env = self.bind(at.file, &self.constructor_params(at), &base.args, here, here.env.clone());
            if let Some(values) = self.member_of_made(at, env, name, fuel) {
                return Some(values);
            }
        }
        None
    }

    /// A member that a case has from its enum, which may ask which case it is of.
    fn member_of_enum(&self, case: &Expr, declared: &Class, name: &str, fuel: &Fuel) -> Option<Vec<Value>> {
        let at = self.enclosing_class(case.at)?;
        let args = declared.supers.first().map(|base| base.args.as_slice()).unwrap_or_default();
        let env = self.bind(at.file, &self.constructor_params(at), args, case, case.env.clone());
        self.member_of_made(at, Frame::env(vec![(at, case.clone())], env), name, fuel)
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
