//! Whether anything makes an object of a class, shows what a function makes, or derives from a class.

use super::{Ref, Values};
use crate::syntax::Kind;

impl<'p> Values<'p> {
    /// Whether anything but a preview runs a function that makes UI, or makes an object of a class that
    /// is one.
    #[must_use]
    pub fn is_shown_in_code(&self, screen: Ref) -> bool {
        if self.class(screen).is_some() {
            return self.is_made(screen);
        }
        self.uses(screen).into_iter().any(|at| {
            let around = self.enclosing_function(at).and_then(|f| self.tree(f).function(f.id));
            around.is_none_or(|f| !f.annotations.iter().any(|note| self.is_preview(at, &note.name)))
        })
    }

    /// Whether a mention outside of a class can make one: a constructor's call, a class literal, a type
    /// argument, a factory of its own that others call.
    #[must_use]
    pub fn is_made(&self, class: Ref) -> bool {
        let Some(declared) = self.class(class) else { return false };
        let outside = |at: Ref| self.enclosing_named_class(at) != Some(class) && !self.is_inside(at, class);
        let (own, others): (Vec<Ref>, Vec<Ref>) =
            self.makes(class).iter().copied().partition(|&at| !outside(at));
        if !others.is_empty() {
            return true;
        }
        // Made in a factory of its own: then the factory must be used.
        let factories = own.into_iter().filter_map(|at| self.enclosing_function(at));
        if factories.into_iter().any(|factory| self.uses(factory).into_iter().any(outside)) {
            return true;
        }
        let program = self.program;
        program.uses_of_name(&declared.name).iter().any(|&at| self.is_literal_of(at, class))
            || program.typed(&declared.name).iter().any(|&at| self.is_argument_of(at, class))
            || program.references_named(&declared.name).iter().any(|&at| outside(at))
    }

    /// Whether another class derives from a class.
    #[must_use]
    pub fn is_derived(&self, class: Ref) -> bool {
        let Some(declared) = self.class(class) else { return false };
        let derived = self.program.derived(&declared.name).iter();
        derived.copied().any(|other| other != class && self.lineage(other).contains(&class))
    }

    /// A class literal: `ShelfActivity::class`, `typeof(ShelfPage)`.
    fn is_literal_of(&self, at: Ref, class: Ref) -> bool {
        matches!(self.kind(at), Kind::ClassOf(ty) if self.class_named(at, &ty.name) == Some(class))
    }

    /// A type argument of a call, or the type of a parameter by which objects are handed in.
    fn is_argument_of(&self, at: Ref, class: Ref) -> bool {
        let tree = self.tree(at);
        let call = tree.call(at.id);
        if let Some(ty) = self.asked_for(at) {
            return self.class_named(at, ty) == Some(class);
        }
        if call.and_then(|call| tree.callee(call)).is_some_and(|(name, _)| self.enlists(at, name)) {
            return false;
        }
        let types = call.map(|call| call.types.as_slice()).unwrap_or_default();
        types.iter().any(|ty| self.class_named(at, &ty.name) == Some(class))
    }

    /// The type of a parameter, where what is enlisted is handed in by it.
    fn asked_for(&self, at: Ref) -> Option<&'p str> {
        let parameter = self.tree(at).parameter(at.id).filter(|_| self.hands_in(at))?;
        parameter.ty.as_ref().map(|ty| ty.name.as_str())
    }

    /// Whether a node is written inside a class, at any depth.
    fn is_inside(&self, at: Ref, class: Ref) -> bool {
        at.file == class.file && self.tree(at).span(class.id).holds(self.tree(at).span(at.id))
    }

    /// Names of classes whose objects are never plain values, in languages that unbox.
    #[must_use]
    pub fn unboxed_classes(&self) -> rustc_hash::FxHashSet<String> {
        let own = self.program.classes().filter(|class| self.program.tree(class.file).idioms.unboxes);
        let classes = own.filter_map(|class| self.program.class(class));
        let classes = classes.filter(|class| class.kind == crate::syntax::ClassKind::Class);
        classes.map(|class| class.name.to_string()).collect()
    }
}
