//! What a name, a string, an object and a type is, across files and languages.
//!
//! One engine over the common tree: [`Program`] holds every parsed file and an index of what they
//! declare; [`Values`] answers questions about it. All answers are bounded by [`Fuel`], so that
//! cyclic constants and self-calling helpers end.

mod additions;
mod arms;
mod asked;

mod build;
mod builders;
mod callbacks;
mod collections;
mod constants;
mod context;
mod escapes;
mod eval;
mod eval_calls;
mod events;
mod extensions;
mod formats;
mod imports;
mod library;
mod lineage;
mod makes;
mod members;
mod objects;
mod picks;
mod program;
mod reaching;
mod repeats;
mod rounds;
mod ruled_out;
mod scope;
mod sequences;
mod sites;
mod text;
mod types;
mod uses;
mod variables;
mod wanted;
mod ways;

#[cfg(test)]
mod tests;

pub use build::{Built, Step};
pub use collections::Entries;
pub use constants::TextConstant;
pub use eval::{Datum, Value};
pub use library::Library;
pub use program::{Asked, Program, Ref};
pub use scope::Def;
pub use sites::Site;
pub use text::{Hole, Part, Shape};
pub use types::Type;

use crate::syntax::{Id, Kind, Tree};
use rustc_hash::FxHashMap;
use std::cell::{Cell, RefCell};
use std::sync::Arc;

/// An expression, and what the parameters around it stand for.
#[derive(Debug, Clone)]
pub struct Expr {
    /// Its node.
    pub at: Ref,
    /// Values of parameters, innermost call first.
    pub env: Env,
}

/// What parameters stand for; `None` where nothing is bound.
pub type Env = Option<Arc<Frame>>;

/// The bound parameters of one call.
#[derive(Debug)]
pub struct Frame {
    bound: Vec<(Ref, Expr)>,
    /// What a parameter that takes any number is given; `bound` has the first of it.
    rest: Option<(Ref, Vec<Expr>)>,
    up: Env,
}

impl Frame {
    /// Bindings of one to one.
    fn env(bound: Vec<(Ref, Expr)>, up: Env) -> Env {
        Some(Arc::new(Self { bound, rest: None, up }))
    }
}

impl Expr {
    /// An expression as it stands, nothing bound.
    #[must_use]
    pub fn new(at: Ref) -> Self {
        Self { at, env: None }
    }

    /// Another node of the same file under the same bindings.
    #[must_use]
    pub fn with(&self, id: Id) -> Self {
        Self { at: Ref { file: self.at.file, id }, env: self.env.clone() }
    }

    /// The same where its own bindings stand inside of others.
    fn within(&self, outer: &Env) -> Self {
        let env = match outer {
            None => self.env.clone(),
            Some(_) => rebased(&self.env, outer, &mut FxHashMap::default()),
        };
        Self { at: self.at, env }
    }

    /// All that a parameter of any number is given here.
    fn bound_rest(&self, parameter: Ref) -> Option<&[Expr]> {
        let mut frame = self.env.as_ref();
        while let Some(inner) = frame {
            match &inner.rest {
                Some((at, all)) if *at == parameter => return Some(all),
                _ => frame = inner.up.as_ref(),
            }
        }
        None
    }

    /// What a parameter is bound to here.
    fn bound(&self, parameter: Ref) -> Option<Expr> {
        let mut frame = self.env.as_ref();
        while let Some(inner) = frame {
            if let Some((_, expr)) = inner.bound.iter().find(|(at, _)| *at == parameter) {
                return Some(expr.clone());
            }
            frame = inner.up.as_ref();
        }
        None
    }
}

/// Bindings put inside of outer ones; each frame once, however often it is shared.
fn rebased(env: &Env, outer: &Env, done: &mut FxHashMap<*const Frame, Env>) -> Env {
    let Some(frame) = env else { return outer.clone() };
    let key = Arc::as_ptr(frame);
    if let Some(known) = done.get(&key) {
        return known.clone();
    }
    let mut moved = |to: &Expr| Expr { at: to.at, env: rebased(&to.env, outer, done) };
    let bound = frame.bound.iter().map(|(at, to)| (*at, moved(to))).collect();
    let rest = frame.rest.as_ref().map(|(at, all)| (*at, all.iter().map(&mut moved).collect()));
    let made = Some(Arc::new(Frame { bound, rest, up: rebased(&frame.up, outer, done) }));
    done.insert(key, made.clone());
    made
}

/// How many steps one question may take, and how deep they may nest; and what it has found out on its
/// way: each part of `a.b.c.d` is asked what it means more than once.
#[derive(Debug)]
pub struct Fuel {
    steps: Cell<u32>,
    depth: Cell<u32>,
    meant: RefCell<FxHashMap<(Ref, *const Frame), Meant>>,
}

/// What a member means, and the bindings that this holds under.
#[derive(Debug)]
struct Meant {
    def: Option<Def>,
    /// Kept, so that no other bindings come to lie at the same address.
    _env: Env,
}

/// A step that is under way.
struct Deeper<'f>(&'f Cell<u32>);

impl Drop for Deeper<'_> {
    fn drop(&mut self) {
        self.0.set(self.0.get().saturating_sub(1));
    }
}

impl Fuel {
    const STEPS: u32 = 4_000;
    const DEPTH: u32 = 96;

    fn new() -> Self {
        Self { steps: Cell::new(Self::STEPS), depth: Cell::new(0), meant: RefCell::default() }
    }

    /// What an expression means: as found before, else as it is found now.
    fn remembered(&self, expr: &Expr, find: impl FnOnce() -> Option<Def>) -> Option<Def> {
        let key = (expr.at, expr.env.as_ref().map_or(std::ptr::null(), Arc::as_ptr));
        if let Some(known) = self.meant.borrow().get(&key) {
            return known.def.clone();
        }
        let def = find();
        self.meant.borrow_mut().insert(key, Meant { def: def.clone(), _env: expr.env.clone() });
        def
    }

    /// Takes a step for as long as what is handed back lives; `None` when there are none left.
    fn step(&self) -> Option<Deeper<'_>> {
        let (steps, depth) = (self.steps.get(), self.depth.get());
        if steps == 0 || depth >= Self::DEPTH {
            return None;
        }
        self.steps.set(steps - 1);
        self.depth.set(depth + 1);
        Some(Deeper(&self.depth))
    }
}

/// The engine: questions about a [`Program`].
#[derive(Debug, Clone, Copy)]
pub struct Values<'p> {
    program: &'p Program<'p>,
}

impl<'p> Values<'p> {
    /// An engine over a program.
    #[must_use]
    pub fn new(program: &'p Program<'p>) -> Self {
        Self { program }
    }

    /// The program.
    #[must_use]
    pub fn program(&self) -> &'p Program<'p> {
        self.program
    }

    /// The tree a node is in.
    #[must_use]
    pub fn tree(&self, at: Ref) -> &'p Tree {
        self.program.tree(at.file)
    }

    /// What a node is.
    #[must_use]
    pub fn kind(&self, at: Ref) -> &'p Kind {
        self.tree(at).kind(at.id)
    }

    /// A node's text as it is written, white space folded.
    #[must_use]
    pub fn written(&self, at: Ref) -> String {
        let text = self.program.source(at.file).text.slice(self.tree(at).span(at.id));
        let mut folded = text.split_whitespace().collect::<Vec<_>>().join(" ");
        if folded.chars().count() > 120 {
            folded = folded.chars().take(119).chain(['…']).collect();
        }
        folded
    }
}
