//! Who uses a function: the other way round from a call to its callee.

use super::{Def, Expr, Fuel, Ref, Values};
use crate::source::library_of;
use crate::syntax::{Call, Function, Id, Kind, Member, Parameter};
use rayon::prelude::*;
use rustc_hash::FxHashMap;

/// A call whose receiver is not known means no more functions than this.
const MAX_CALLEES: usize = 8;

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
}
