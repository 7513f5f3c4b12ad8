//! The places that really say where a call leads: it, or the uses of the wrappers around it.

use super::callbacks::Run;
use super::{Datum, Env, Expr, Ref, Values};
use crate::syntax::{Function, Kind, TypeName};

/// Wrappers inside wrappers are followed this deep.
const MAX_WRAPPERS: usize = 12;

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

impl Values<'_> {
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
            Datum::Text(shape) if !shape.has_literal_words() => match shape.parts.as_slice() {
                [super::Part::Hole(hole), ..] => hole.parameter,
                // What is only put behind slashes is said by whoever passes it.
                [super::Part::Text { text, .. }, super::Part::Hole(hole)]
                    if !text.contains(char::is_alphanumeric) =>
                {
                    hole.parameter
                }
                _ => None,
            },
            _ => None,
        });
        found.next()
    }
}
