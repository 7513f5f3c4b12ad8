//! Who uses a function: the other way round from a call to its callee.

use super::callbacks::Run;
use super::{Datum, Def, Env, Expr, Fuel, Ref, Values};
use crate::source::library_of;
use crate::syntax::{Call, Function, Id, Kind, Member, Parameter, TypeName};
use rayon::prelude::*;
use rustc_hash::FxHashMap;

/// Wrappers inside wrappers are followed this deep.
const MAX_WRAPPERS: usize = 12;
/// A call whose receiver is not known means no more functions than this.
const MAX_CALLEES: usize = 8;

/// A place that really says where a call leads: the call, or the use of a wrapper around it.
#[derive(Debug, Clone)]
pub struct Site {
    /// The call, or the use.
    pub at: Ref,
    /// What the wrappers' parameters stand for.
    env: Env,
}

impl Site {
    /// A call that says itself where it leads.
    #[must_use]
    pub fn new(at: Ref) -> Self {
        Self { at, env: None }
    }

    /// An expression of the call's, under what is said here.
    #[must_use]
    pub fn bind(&self, expr: &Expr) -> Expr {
        expr.within(&self.env)
    }
}

impl<'p> Values<'p> {
    /// The calls of a function, and the references to it.
    #[must_use]
    pub fn uses(&self, function: Ref) -> Vec<Ref> {
        let Some(declared) = self.tree(function).function(function.id) else { return Vec::new() };
        self.program.ask_for_users(&declared.name, self.holders(function, declared));
        self.uses_by_callee().get(&function).cloned().unwrap_or_default()
    }

    /// The calls that make an object of a class.
    #[must_use]
    pub fn makes(&self, class: Ref) -> &'p [Ref] {
        self.uses_by_callee().get(&class).map_or(&[], Vec::as_slice)
    }

    /// Resolves every call at once, before several threads ask for some of them.
    pub fn prepare(&self) {
        self.uses_by_callee();
    }

    /// Every call and reference under what it means. Each is resolved once, in parallel.
    fn uses_by_callee(&self) -> &'p FxHashMap<Ref, Vec<Ref>> {
        self.program.callees(|| {
            let files: Vec<u32> = self.program.parsed().collect();
            let each: Vec<Vec<(Ref, Ref)>> = files.par_iter().map(|&file| self.callees_in(file)).collect();
            let mut uses: FxHashMap<Ref, Vec<Ref>> = FxHashMap::default();
            for (callee, used) in each.into_iter().flatten() {
                uses.entry(callee).or_default().push(used);
            }
            uses
        })
    }

    /// Pairs of what is meant and where, for one file.
    fn callees_in(&self, file: u32) -> Vec<(Ref, Ref)> {
        let tree = self.program.tree(file);
        let mut found = Vec::new();
        // What a generator wrote uses nothing for the app.
        if self.program.source(file).is_generated() {
            return found;
        }
        for id in tree.ids() {
            let at = Ref { file, id };
            let meant = match tree.kind(id) {
                Kind::Call(call) => self.meant_by_call(at, call),
                Kind::Reference { of, name } => self.meant_by_reference(at, *of, name),
                Kind::Name(name) | Kind::Member(Member { name, .. }) if tree.idioms.tear_offs => {
                    self.meant_by_tear_off(at, name)
                }
                _ => continue,
            };
            found.extend(meant.into_iter().map(|callee| (callee, at)));
        }
        found
    }

    /// Words of which a file must hold one to use a function: its class's name or a base's, or the
    /// import or package that brings a top-level one into view.
    fn holders(&self, function: Ref, declared: &Function) -> Vec<String> {
        match self.enclosing_named_class(function) {
            Some(class) => {
                let named = self
                    .lineage(class)
                    .into_iter()
                    .filter_map(|at| self.class(at))
                    .map(|c| c.name.to_string());
                named.collect()
            }
            // Whoever can see it may be told so by another file.
            None if library_of(self.program.source(function.file)).is_some()
                || self.tree(function).idioms.whole_modules =>
            {
                vec![declared.name.to_string()]
            }
            None => {
                let package = &self.tree(function).package;
                vec![format!("import {package}."), format!("package {package}")]
            }
        }
    }

    /// The functions that a call may run, or the class it makes an object of.
    fn meant_by_call(&self, at: Ref, call: &Call) -> Vec<Ref> {
        let tree = self.tree(at);
        let Some((name, _)) = tree.callee(call) else { return Vec::new() };
        let expr = Expr::new(at);
        match self.definition(&expr.with(call.callee), &Fuel::new()) {
            Some(Def::Functions(found)) => {
                let Some(chosen) = self.chosen(&found, &expr, call) else { return Vec::new() };
                let mut all = self.with_overrides(chosen);
                all.extend(self.constructed(chosen));
                all
            }
            Some(Def::Class(class)) => vec![class],
            // A component behind a wrapper: `const Row = withTheme(PlainRow)`.
            Some(Def::Variable(variable)) if tree.idioms.hands_classes => self.wrapped(variable, 0),
            Some(_) => Vec::new(),
            None if self.program.is_declared_name(name) => {
                let named = self.program.functions_named(name).iter().copied();
                let receiver = tree.receiver(call);
                named.filter(|&function| self.may_call(&expr, receiver, function)).take(MAX_CALLEES).collect()
            }
            None => Vec::new(),
        }
    }

    /// The functions and classes that a wrapper is given whose result a variable holds.
    fn wrapped(&self, at: Ref, depth: usize) -> Vec<Ref> {
        let Some(init) = self.tree(at).variable(at.id).and_then(|variable| variable.init) else {
            return Vec::new();
        };
        let Some(call) = self.tree(at).call(init).filter(|_| depth < 4) else { return Vec::new() };
        let given = call.args.iter().map(|arg| Expr::new(Ref { file: at.file, id: arg.value }));
        given
            .flat_map(|arg| match self.kind(arg.at) {
                Kind::Name(name) if name.starts_with(char::is_uppercase) => {
                    match self.definition(&arg, &Fuel::new()) {
                        Some(Def::Functions(found)) => found,
                        Some(Def::Class(class)) => vec![class],
                        Some(Def::Variable(inner)) if inner != at => self.wrapped(inner, depth + 1),
                        _ => Vec::new(),
                    }
                }
                _ => Vec::new(),
            })
            .collect()
    }

    /// A function and those that stand in for it in derived classes.
    fn with_overrides(&self, base: Ref) -> Vec<Ref> {
        let Some(declared) = self.tree(base).function(base.id) else { return vec![base] };
        let mut all = vec![base];
        if let Some(class) = self.enclosing_class(base).and_then(|class| self.class(class)) {
            // Only classes that name this one among their bases can override it.
            if !self.program.derived(&class.name).is_empty() {
                let others = self.program.functions_named(&declared.name).iter().copied();
                all.extend(others.filter(|&other| self.overrides(other, base)));
            }
        }
        all
    }

    /// Of several functions of one name, the one that a call's arguments fit.
    pub(super) fn chosen(&self, functions: &[Ref], at: &Expr, call: &Call) -> Option<Ref> {
        match functions {
            [] => None,
            [one] => Some(*one),
            _ => functions
                .iter()
                .copied()
                .find(|&f| self.takes(f, at, call))
                .or_else(|| functions.first().copied()),
        }
    }

    /// Whether a function can take a call's arguments, by their number, names and plain types.
    fn takes(&self, function: Ref, at: &Expr, call: &Call) -> bool {
        let tree = self.tree(function);
        let Some(declared) = tree.function(function.id) else { return false };
        let params: Vec<&Parameter> = declared.params.iter().filter_map(|&id| tree.parameter(id)).collect();
        let needed = params.iter().filter(|p| p.default.is_none() && !p.is_vararg()).count();
        let many = params.iter().any(|p| p.is_vararg());
        if call.args.len() < needed || (call.args.len() > params.len() && !many) {
            return false;
        }
        call.args.iter().enumerate().all(|(i, arg)| {
            let parameter = match &arg.name {
                Some(name) => params.iter().find(|p| p.called() == name),
                None => params.get(i),
            };
            let Some(parameter) = parameter else { return arg.name.is_none() && many };
            let Some(wanted) = parameter.ty.as_ref().filter(|ty| !ty.name.is_empty()) else { return true };
            // What takes its type from the parameter says nothing of which one it is.
            if self.is_implied(at.with(arg.value).at) {
                return true;
            }
            self.type_of(&at.with(arg.value))
                .is_none_or(|given| !self.differ(at.at, &given.name, wanted.simple()))
        })
    }

    /// A call whose receiver has no known type: it is the function's if it can be no other's.
    fn may_call(&self, expr: &Expr, receiver: Option<Id>, function: Ref) -> bool {
        let Some(declared) = self.tree(function).function(function.id) else { return false };
        let Some(of) = receiver else {
            // An extension called inside its receiver.
            return declared.receiver.is_some() && self.sees(expr.at, function);
        };
        let known = self.type_of(&expr.with(of));
        if let Some(wanted) = &declared.receiver {
            let fits = known.is_none_or(|ty| self.is_a(&ty, wanted.simple()));
            return fits && self.sees(expr.at, function);
        }
        known.is_none()
            && self.program.functions_named(&declared.name).len() == 1
            && self.sees_class_of(expr.at, function)
    }

    /// Whether a type is, or derives from, a class of that simple name.
    #[must_use]
    pub fn is_a(&self, ty: &super::Type, name: &str) -> bool {
        if ty.name == name || ty.name.ends_with(name) {
            return true;
        }
        let Some(class) = ty.class else { return true };
        self.lineage(class).iter().any(|&base| self.class(base).is_some_and(|c| c.name == name))
            || self.external_bases(class).iter().any(|base| base == name || base.ends_with(name))
    }

    /// Whether a top-level function is in view: same package, imported, or by wildcard.
    fn sees(&self, at: Ref, function: Ref) -> bool {
        let Some(declared) = self.tree(function).function(function.id) else { return false };
        let (here, there) = (self.tree(at), self.tree(function));
        let path = format!("{}.{}", there.package, declared.name);
        here.package == there.package
            || here.imports.iter().any(|import| match &import.name {
                Some(_) => import.path == path,
                None => import.path == there.package,
            })
            || self.enclosing_class(function).is_some()
    }

    /// Whether a file can mean the function's class at all.
    fn sees_class_of(&self, at: Ref, function: Ref) -> bool {
        let Some(class) = self.enclosing_class(function) else { return false };
        let (here, there) = (self.tree(at), self.tree(function));
        let path = self.program.path(class);
        here.package == there.package
            || here
                .imports
                .iter()
                .any(|import| import.path == path || (import.name.is_none() && import.path == there.package))
    }

    /// A function that is named and not called: it is handed on.
    fn meant_by_tear_off(&self, at: Ref, name: &str) -> Vec<Ref> {
        let tree = self.tree(at);
        let called = |id: Id| match tree.kind(id) {
            Kind::Call(call) => call.callee == at.id,
            Kind::Member(member) => member.of == at.id,
            _ => false,
        };
        if !self.program.is_declared_name(name) || tree.node(at.id).parent.is_none_or(called) {
            return Vec::new();
        }
        match self.definition(&Expr::new(at), &Fuel::new()) {
            Some(Def::Functions(found)) => {
                found.into_iter().flat_map(|base| self.with_overrides(base)).collect()
            }
            Some(Def::Class(class)) if tree.idioms.hands_classes => vec![class],
            _ => Vec::new(),
        }
    }

    fn meant_by_reference(&self, at: Ref, of: Option<Id>, name: &str) -> Vec<Ref> {
        if !self.program.is_declared_name(name) {
            return Vec::new();
        }
        let expr = Expr::new(at);
        let def = match of {
            None => self.resolve(at, name),
            Some(of) => {
                let of = expr.with(of);
                let class = self.type_of(&of).and_then(|ty| ty.class);
                let member = class.and_then(|class| self.member_of_class(class, name));
                member.or_else(|| self.extension(&of, at, name, &Fuel::new()))
            }
        };
        match def {
            Some(Def::Functions(found)) => {
                found.into_iter().flat_map(|base| self.with_overrides(base)).collect()
            }
            Some(Def::Class(class)) => vec![class],
            _ => Vec::new(),
        }
    }

    /// The function that a reference names.
    #[must_use]
    pub fn referenced(&self, at: Ref) -> Option<Ref> {
        let Kind::Reference { of, name } = self.kind(at) else { return None };
        self.meant_by_reference(at, *of, name).first().copied()
    }

    /// Whether `function` stands in for `base` in a class derived from `base`'s.
    fn overrides(&self, function: Ref, base: Ref) -> bool {
        let (Some(derived), Some(of)) = (self.enclosing_class(function), self.enclosing_class(base)) else {
            return false;
        };
        derived != of
            && self.tree(function).function(function.id).map(|f| &f.name)
                == self.tree(base).function(base.id).map(|f| &f.name)
            && self.lineage(derived).contains(&of)
    }

    /// The places that really say what `inner` is: the call, or, where it is a parameter of a function
    /// that only passes it on, every use of that function. Each comes with its bindings. `inner` may
    /// stand in another file than the call.
    #[must_use]
    pub fn sites(&self, call: Ref, inner: &Expr) -> Vec<Site> {
        let mut sites = Vec::new();
        self.sites_of(call, inner, &mut Vec::new(), &mut sites);
        sites
    }

    /// `path` holds the wrappers gone through so far, innermost first, each with its use.
    fn sites_of(&self, call: Ref, inner: &Expr, path: &mut Vec<(Ref, Ref)>, sites: &mut Vec<Site>) {
        let env = self.env_of(path);
        let passed = self.passed_on(&inner.within(&env));
        if let Some((lambda, runs)) = passed.and_then(|at| self.wrapping_lambda(at))
            && path.len() < MAX_WRAPPERS
            && !path.iter().any(|(seen, _)| *seen == lambda)
            && !runs.is_empty()
        {
            for run in runs {
                let kept = path.len();
                path.push((lambda, run.call));
                path.extend(run.path);
                self.sites_of(call, inner, path, sites);
                path.truncate(kept);
            }
            return;
        }
        let Some(wrapper) = passed.and_then(|at| self.wrapper_of(at)) else {
            if self.is_ruled_out(call, path) {
                return;
            }
            let at = path.last().map_or(call, |(_, used)| *used);
            sites.push(Site { at, env });
            return;
        };
        if path.len() >= MAX_WRAPPERS || path.iter().any(|(seen, _)| *seen == wrapper) {
            return;
        }
        let uses = self.uses_of_wrapper(wrapper);
        let mut lost = uses.is_empty();
        for used in uses {
            if self.tree(used).call(used.id).is_some() {
                path.push((wrapper, used));
                self.sites_of(call, inner, path, sites);
                path.pop();
            } else {
                lost |= !self.sites_handed(call, inner, (wrapper, used), path, sites);
            }
        }
        // Nobody is seen to use it, or to run it: it leads nobody knows where.
        if lost {
            let at = path.last().map_or(call, |(_, used)| *used);
            sites.push(Site { at, env });
        }
    }

    /// The function that a parameter is of, or the class whose objects are made with it.
    fn wrapper_of(&self, parameter: Ref) -> Option<Ref> {
        let id = self.tree(parameter).node(parameter.id).parent?;
        let holder = Ref { file: parameter.file, id };
        match self.kind(holder) {
            Kind::Function(function) if function.name == "<init>" => self.enclosing_class(holder),
            Kind::Function(_) => Some(self.constructed(holder).unwrap_or(holder)),
            Kind::Class(_) => Some(holder),
            _ => None,
        }
    }

    /// The lambda with a name that a parameter is of, and its calls.
    fn wrapping_lambda(&self, parameter: Ref) -> Option<(Ref, Vec<Run>)> {
        let id = self.tree(parameter).node(parameter.id).parent?;
        let lambda = Ref { file: parameter.file, id };
        matches!(self.kind(lambda), Kind::Lambda { .. }).then_some(())?;
        Some((lambda, self.runs_by_name(lambda)?))
    }

    /// Whoever runs a function: of a constructor, those who make an object.
    #[must_use]
    pub fn users(&self, function: Ref) -> Vec<Ref> {
        let is_init = self.tree(function).function(function.id).is_some_and(|f| f.name == "<init>");
        let class = self.constructed(function).or_else(|| self.enclosing_class(function).filter(|_| is_init));
        self.uses_of_wrapper(class.unwrap_or(function))
    }

    fn uses_of_wrapper(&self, wrapper: Ref) -> Vec<Ref> {
        match self.class(wrapper) {
            Some(class) => {
                self.program.ask_for_users(&class.name, vec![class.name.to_string()]);
                self.makes(wrapper).to_vec()
            }
            None => self.uses(wrapper),
        }
    }

    /// A wrapper that is handed on: what those say who run it. Whether somebody is seen to.
    fn sites_handed(
        &self,
        call: Ref,
        inner: &Expr,
        (wrapper, handed): (Ref, Ref),
        path: &mut Vec<(Ref, Ref)>,
        sites: &mut Vec<Site>,
    ) -> bool {
        let runs = self.runs(handed);
        let before = sites.len();
        for run in runs {
            let kept = path.len();
            path.push((wrapper, run.call));
            path.extend(run.path);
            self.sites_of(call, inner, path, sites);
            path.truncate(kept);
        }
        // What is handed on in place stands where it is handed on.
        if !self.is_held(handed) {
            sites[before..].iter_mut().for_each(|site| site.at = handed);
        }
        sites.len() > before
    }

    /// The places that really say what a type argument of a call is, each with the class: the call, or,
    /// where it is a type parameter of a function around it, every use of that function.
    #[must_use]
    pub fn type_sites(&self, call: Ref, ty: &TypeName) -> Vec<(Site, Ref)> {
        let mut sites = Vec::new();
        self.type_sites_of(Expr::new(call), ty, &mut Vec::new(), &mut sites);
        sites
    }

    /// `at` is where `ty` is written; `path` holds the wrappers gone through so far.
    fn type_sites_of(
        &self,
        at: Expr,
        ty: &TypeName,
        path: &mut Vec<(Ref, Ref)>,
        sites: &mut Vec<(Site, Ref)>,
    ) {
        let around = self.tree(at.at).ancestors(at.at.id).find_map(|id| {
            let function = self.tree(at.at).function(id)?;
            let place = function.type_params.iter().position(|name| *name == ty.name)?;
            Some((Ref { file: at.at.file, id }, function, place))
        });
        let Some((wrapper, declared, place)) = around else {
            if let Some(class) = self.class_named(at.at, &ty.name) {
                let site = path.last().map_or(at.at, |(_, used)| *used);
                sites.push((Site { at: site, env: self.env_of(path) }, class));
            }
            return;
        };
        if path.len() >= MAX_WRAPPERS || path.iter().any(|(seen, _)| *seen == wrapper) {
            return;
        }
        for used in self.uses(wrapper) {
            let Some(call) = self.tree(used).call(used.id) else { continue };
            path.push((wrapper, used));
            match call.types.get(place) {
                Some(given) => self.type_sites_of(Expr::new(used), given, path, sites),
                None => {
                    let class = self.type_implied(wrapper, declared, ty, used);
                    let env = self.env_of(path);
                    sites.extend(class.map(|class| (Site { at: used, env }, class)));
                }
            }
            path.pop();
        }
    }

    /// The class that a call's arguments imply for a type parameter: of `it: R` and of `KClass<R>`.
    fn type_implied(&self, wrapper: Ref, declared: &Function, ty: &TypeName, used: Ref) -> Option<Ref> {
        declared.params.iter().find_map(|&id| {
            let wanted = self.tree(wrapper).parameter(id)?.ty.as_ref()?;
            let whole = wanted.name == ty.name;
            if !whole && !wanted.args.iter().any(|arg| arg.name == ty.name) {
                return None;
            }
            let given = self.argument_for(used, wrapper, Ref { file: wrapper.file, id })?;
            match self.kind(given.at) {
                Kind::ClassOf(of) if !whole => self.class_named(given.at, &of.name),
                _ if whole => self.type_of(&given)?.class,
                _ => None,
            }
        })
    }

    /// The bindings at the innermost wrapper of a path, made from the outermost use inwards.
    pub(super) fn env_of(&self, path: &[(Ref, Ref)]) -> Env {
        let mut env = None;
        for (function, used) in path.iter().rev() {
            let Some(call) = self.tree(*used).call(used.id) else { continue };
            let at = Expr { at: *used, env: env.clone() };
            let params = match self.tree(*function).function(function.id) {
                Some(declared) => &declared.params,
                None if let Kind::Lambda { params, .. } = self.kind(*function) => params,
                None if self.class(*function).is_some() => self.params_taking(*function, &at, call),
                None => continue,
            };
            let fields = match self.class(*function) {
                Some(_) => self.set_by_name(*function, params, &at, call),
                None => None,
            };
            env = self.bind(function.file, params, &call.args, &at, fields);
        }
        env
    }

    /// The parameter that an expression hands on whole.
    fn passed_on(&self, expr: &Expr) -> Option<Ref> {
        let values = self.eval(expr);
        let mut found = values.iter().filter_map(|value| match &value.datum {
            Datum::Parameter(at) => Some(*at),
            Datum::Text(shape) if !shape.has_literal_words() => match shape.parts.first() {
                Some(super::Part::Hole(hole)) => hole.parameter,
                _ => None,
            },
            _ => None,
        });
        found.next()
    }
}
