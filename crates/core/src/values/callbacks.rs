//! Functions that are handed on to be run by others: where they are run, and with what.

use super::collections::Elements;
use super::{Datum, Def, Expr, Fuel, Ref, Value, Values};
use crate::syntax::{Call, ClassKind, Id, Kind, Member};
use smol_str::SmolStr;

/// Those who only hand it on are followed this deep.
const MAX_DEPTH: usize = 8;
/// More places than this are not looked at.
const MAX_RUNS: usize = 24;

/// Of the uses of a name so many are looked at.
const MAX_USES: usize = 200;

/// A call of what was handed on.
#[derive(Debug, Clone)]
pub(super) struct Run {
    /// The call.
    pub(super) call: Ref,
    /// The functions around it that were given it, innermost first, each with the call that did.
    pub(super) path: Vec<(Ref, Ref)>,
}

impl Values<'_> {
    /// Every known call of a function value, by those that it is handed to.
    pub(super) fn runs(&self, handed: Ref) -> Vec<Run> {
        let mut found = Vec::new();
        self.runs_of(handed, &mut Vec::new(), &mut found);
        found
    }

    /// What those that run a lambda hand to one of its parameters.
    pub(super) fn handed_by_runs(&self, parameter: Ref, fuel: &Fuel) -> Option<Elements> {
        let _step = fuel.step()?;
        let tree = self.tree(parameter);
        let (lambda, place) = match tree.kind(parameter.id) {
            Kind::Lambda { .. } => (parameter.id, 0),
            _ => {
                let lambda = tree.node(parameter.id).parent?;
                let Kind::Lambda { params, .. } = tree.kind(lambda) else { return None };
                (lambda, params.iter().position(|&id| id == parameter.id)?)
            }
        };
        let runs = self.runs(Ref { file: parameter.file, id: lambda });
        let known = runs.iter().filter_map(|run| {
            let arg = self.tree(run.call).call(run.call.id)?.args.get(place)?;
            Some(Expr { at: run.call, env: self.env_of(&run.path) }.with(arg.value))
        });
        let known: Vec<Expr> = known.collect();
        (!known.is_empty()).then(|| Elements::known(known, false))
    }

    /// `at` is a node that is the function; `path` as in [`Run`].
    fn runs_of(&self, at: Ref, path: &mut Vec<(Ref, Ref)>, found: &mut Vec<Run>) {
        if path.len() > MAX_DEPTH || found.len() >= MAX_RUNS {
            return;
        }
        let tree = self.tree(at);
        let Some(parent) = tree.node(at.id).parent else { return };
        let outer = Ref { file: at.file, id: parent };
        match tree.kind(parent) {
            Kind::Call(call) if call.callee == at.id => {
                found.push(Run { call: outer, path: path.clone() });
            }
            Kind::Call(call) if call.args.iter().any(|arg| arg.value == at.id) => {
                self.runs_by_callee(outer, call, at.id, path, found);
            }
            Kind::Member(member) if member.of == at.id && self.is_run_by(at, &member.name) => {
                self.runs_of(outer, path, found);
            }
            Kind::Unary { .. } | Kind::Cast { .. } | Kind::Binary { .. } => self.runs_of(outer, path, found),
            Kind::Variable(variable) if variable.init == Some(at.id) => {
                self.runs_of_uses(outer, &variable.name, path, found);
            }
            // An object of properties: `<Bar onPick={…} />`.
            Kind::Map(entries) => {
                let key = entries.iter().find(|entry| entry.value == at.id).and_then(|entry| entry.key);
                let key = key.and_then(|key| self.plain_key(Ref { file: at.file, id: key }));
                let Some(key) = key else { return };
                match tree.node(parent).parent.filter(|&id| tree.call(id).is_some()) {
                    Some(holder) => {
                        self.runs_under_key(Ref { file: at.file, id: holder }, parent, &key, path, found);
                    }
                    None => self.runs_of_entry(outer, &key, path, found),
                }
            }
            _ => {}
        }
    }

    /// Whether a member of a function value runs it: the language's own, or the one method of an
    /// interface that it stands for.
    fn is_run_by(&self, at: Ref, member: &str) -> bool {
        if self.tree(at).idioms.runs.contains(&member) {
            return true;
        }
        let interface = self.type_of(&Expr::new(at)).and_then(|ty| ty.class).and_then(|at| self.class(at));
        interface.is_some_and(|class| class.kind == ClassKind::Interface && class.members.len() == 1)
    }

    fn plain_key(&self, key: Ref) -> Option<SmolStr> {
        match self.kind(key) {
            Kind::Name(name) => Some(name.clone()),
            Kind::Text(_) => self.plain_text(&Expr::new(key)).map(SmolStr::from),
            _ => None,
        }
    }

    /// In the function or object that a call gives it to.
    fn runs_by_callee(
        &self,
        at: Ref,
        call: &Call,
        argument: Id,
        path: &mut Vec<(Ref, Ref)>,
        found: &mut Vec<Run>,
    ) {
        match self.definition(&Expr::new(at).with(call.callee), &Fuel::new()) {
            Some(Def::Functions(functions)) => {
                let Some(function) = self.chosen(&functions, &Expr::new(at), call) else { return };
                if path.iter().any(|(seen, _)| *seen == function) {
                    return;
                }
                let Some(parameter) = self.parameter_for(at, argument, function) else { return };
                path.push((function, at));
                self.runs_of_parameter(parameter, path, found);
                if let Some(class) = self.constructed(function) {
                    self.runs_of_field(class, parameter, path, found);
                }
                path.pop();
            }
            Some(Def::Class(class)) => {
                let Some(place) = call.args.iter().position(|arg| arg.value == argument) else { return };
                self.runs_of_given(class, call, place, at, path, found);
            }
            _ => {}
        }
    }

    /// In an object that is made with it: through a parameter of its constructor, or the field that
    /// is called like the argument.
    fn runs_of_given(
        &self,
        class: Ref,
        call: &Call,
        place: usize,
        at: Ref,
        path: &mut Vec<(Ref, Ref)>,
        found: &mut Vec<Run>,
    ) {
        if path.iter().any(|(seen, _)| *seen == class) {
            return;
        }
        let Some(declared) = self.class(class) else { return };
        let tree = self.tree(class);
        let arg = &call.args[place];
        let trails = matches!(self.tree(at).kind(arg.value), Kind::Lambda { .. })
            && self.tree(at).idioms.trailing_lambdas
            && place + 1 == call.args.len();
        let of_class = declared.params.iter().copied().map(|id| Ref { file: class.file, id });
        let params: Vec<Ref> = of_class.collect();
        let called = |at: &Ref| tree.parameter(at.id).map(|parameter| parameter.called().to_owned());
        let given = match &arg.name {
            Some(name) => params.iter().copied().find(|at| called(at).as_deref() == Some(name.as_str())),
            None if trails => params.last().copied(),
            None => params.get(place).copied(),
        };
        path.push((class, at));
        if let Some(parameter) = given {
            self.runs_of_parameter(parameter, path, found);
            self.runs_of_field(class, parameter, path, found);
        } else if let Some(name) = &arg.name
            && let Some(Def::Variable(field)) = self.member_of_class(class, name)
        {
            self.runs_of_uses(field, name, path, found);
        }
        path.pop();
    }

    /// Through the field that a constructor's parameter fills: `this.onPick`.
    fn runs_of_field(&self, class: Ref, parameter: Ref, path: &mut Vec<(Ref, Ref)>, found: &mut Vec<Run>) {
        let Some(name) = self.tree(parameter).parameter(parameter.id).map(|p| p.name.clone()) else { return };
        if let Some(Def::Variable(field)) = self.member_of_class(class, &name) {
            self.runs_of_uses(field, &name, path, found);
        }
    }

    fn runs_of_parameter(&self, parameter: Ref, path: &mut Vec<(Ref, Ref)>, found: &mut Vec<Run>) {
        for used in self.uses_of_parameter(parameter) {
            self.runs_of(used, path, found);
        }
        // A parameter that is a field as well is seen through the object too.
        let field = self.tree(parameter).parameter(parameter.id).filter(|p| p.property);
        if let Some(declared) = field {
            self.runs_of_members(parameter, &declared.name, path, found);
        }
    }

    /// Uses of a variable by its bare name, and through an object that has it.
    fn runs_of_uses(&self, at: Ref, name: &str, path: &mut Vec<(Ref, Ref)>, found: &mut Vec<Run>) {
        let uses = self.program.uses_in(at.file, name).iter().copied();
        let own = uses.filter(|&used| {
            matches!(self.kind(used), Kind::Name(_)) && self.resolve(used, name) == Some(Def::Variable(at))
        });
        for used in own.collect::<Vec<_>>() {
            self.runs_of(used, path, found);
        }
        self.runs_of_members(at, name, path, found);
    }

    fn runs_of_members(&self, field: Ref, name: &str, path: &mut Vec<(Ref, Ref)>, found: &mut Vec<Run>) {
        for &used in self.program.uses_in(field.file, name) {
            if !matches!(self.kind(used), Kind::Member(_)) {
                continue;
            }
            let def = self.definition(&Expr::new(used), &Fuel::new());
            if matches!(def, Some(Def::Variable(at) | Def::Parameter(at)) if at == field) {
                self.runs_of(used, path, found);
            }
        }
    }

    /// As what an object holds that a name stands for, or that a function hands back.
    fn runs_of_entry(&self, object: Ref, key: &str, path: &mut Vec<(Ref, Ref)>, found: &mut Vec<Run>) {
        self.program.ask_for_users(key, vec![key.to_owned()]);
        let uses = self.program.uses_of_name(key);
        for &used in uses.iter().take(MAX_USES) {
            let Kind::Member(member) = self.kind(used) else { continue };
            let of = self.eval(&Expr { at: used, env: None }.with(member.of));
            let is_it = |value: &Value| matches!(&value.datum, Datum::Object(made) if made.at == object);
            if of.iter().any(is_it) {
                self.runs_of(used, path, found);
            }
        }
    }

    /// Calls of a lambda that a variable or an object holds under a name; `None` for one that is handed
    /// to somebody in place.
    pub(super) fn runs_by_name(&self, lambda: Ref) -> Option<Vec<Run>> {
        self.is_held(lambda).then(|| self.runs(lambda))
    }

    /// The calls of a function by the name that an object or variable holds it under at a place.
    #[must_use]
    pub fn calls_by_name(&self, held: Ref) -> Vec<Ref> {
        if !self.is_held(held) {
            return Vec::new();
        }
        self.runs(held).into_iter().map(|run| run.call).collect()
    }

    /// Whether a variable or an object holds a function value under a name.
    pub(super) fn is_held(&self, at: Ref) -> bool {
        let tree = self.tree(at);
        let Some(parent) = tree.node(at.id).parent else { return false };
        match tree.kind(parent) {
            Kind::Variable(variable) => variable.init == Some(at.id),
            // Run on the spot.
            Kind::Call(call) => call.callee == at.id,
            Kind::Map(_) => tree.node(parent).parent.is_none_or(|id| tree.call(id).is_none()),
            _ => false,
        }
    }

    /// Through a property of the object that a function takes.
    fn runs_under_key(
        &self,
        at: Ref,
        object: Id,
        key: &str,
        path: &mut Vec<(Ref, Ref)>,
        found: &mut Vec<Run>,
    ) {
        let Some(function) = self.called_function(&Expr::new(at)) else { return };
        if path.iter().any(|(seen, _)| *seen == function) {
            return;
        }
        let Some(parameter) = self.parameter_for(at, object, function) else { return };
        path.push((function, at));
        let tree = self.tree(function);
        for used in self.uses_of_parameter(parameter) {
            let outer = tree.node(used.id).parent;
            let outer =
                outer.filter(|&id| matches!(tree.kind(id), Kind::Member(Member { name, .. }) if name == key));
            if let Some(id) = outer {
                self.runs_of(Ref { file: used.file, id }, path, found);
            }
        }
        path.pop();
    }
}
