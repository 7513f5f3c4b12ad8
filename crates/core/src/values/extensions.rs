//! What is added to a type where it is not declared (docs.swift.org, "Extensions").

use super::{Def, Ref, Values};
use crate::syntax::{ClassKind, Kind, Modifier, TypeName};

impl Values<'_> {
    /// The class of the source that a node adds to.
    #[must_use]
    pub fn extended(&self, at: Ref) -> Option<Ref> {
        let class = self.class(at)?;
        if class.kind != ClassKind::Extension {
            return class.is(Modifier::Partial).then(|| self.first_part(at)).flatten();
        }
        self.program.additions().extended(at, || {
            self.class_by_full_name(at, &class.name).or_else(|| self.class_by_bare_name(at, &class.name))
        })
    }

    /// A class by its full name, as seen from a node. What other extensions hold is found by its path:
    /// asking them for their members would ask for this node again.
    fn class_by_full_name(&self, at: Ref, name: &str) -> Option<Ref> {
        let tree = self.tree(at);
        let first = name.split('.').next().unwrap_or(name);
        let around = tree
            .ancestors(at.id)
            .filter(|&id| tree.class(id).is_some_and(|c| c.kind != ClassKind::Extension));
        let around = around.map(|id| self.program.path(Ref { file: at.file, id }).to_owned());
        let imported = tree.imports.iter().filter_map(|import| match &import.name {
            Some(known) if known == first => {
                Some(import.path.strip_suffix(first)?.trim_end_matches('.').to_owned())
            }
            Some(_) => None,
            None => Some(import.path.to_string()),
        });
        let mut outer = around.chain([tree.package.to_string()]).chain(imported).chain([String::new()]);
        outer.find_map(|outer| {
            let path = if outer.is_empty() { name.to_owned() } else { format!("{outer}.{name}") };
            self.program.classes_at(&path).first().copied()
        })
    }

    /// A class of a name, wherever it is declared, in languages that name classes so
    /// (kivy.org, "Factory object").
    pub(super) fn class_by_bare_name(&self, at: Ref, name: &str) -> Option<Ref> {
        self.tree(at).idioms.bare_classes.then_some(())?;
        let found = self.program.classes_named(name).first().copied();
        if found.is_none() {
            self.program.ask_for_name(name);
        }
        found
    }

    /// Of a class that is declared in parts, the first; for all others of them
    /// (C# specification, "Partial declarations").
    fn first_part(&self, at: Ref) -> Option<Ref> {
        self.program.classes_at(self.program.path(at)).first().copied().filter(|&first| first != at)
    }

    /// What adds to a class, wherever it stands.
    #[must_use]
    pub fn extensions(&self, class: Ref) -> Vec<Ref> {
        let Some(declared) = self.class(class) else { return Vec::new() };
        if declared.is(Modifier::Partial) {
            let parts = self.program.classes_at(self.program.path(class)).iter().copied();
            return parts.filter(|&part| part != class && self.extended(part) == Some(class)).collect();
        }
        let named = self.program.extensions_named(&declared.name);
        if named.is_empty() {
            return Vec::new();
        }
        self.program.additions().extensions(class, || {
            named.iter().copied().filter(|&more| self.extended(more) == Some(class)).collect()
        })
    }

    /// The files that hold a class or add to it.
    #[must_use]
    pub fn files_of(&self, class: Ref) -> Vec<u32> {
        let mut files: Vec<u32> =
            std::iter::once(class).chain(self.extensions(class)).map(|at| at.file).collect();
        files.sort_unstable();
        files.dedup();
        files
    }

    /// Says that the users of a property are wanted, wherever they are.
    pub fn expect_users(&self, property: Ref, name: &str) {
        let Some(class) = self.enclosing_named_class(property).and_then(|class| self.class(class)) else {
            return;
        };
        self.program.ask_for_users(name, vec![class.name.to_string()]);
    }

    /// What a bare name means, if it is no member of a type that has nothing to do with the one around.
    pub(super) fn of_this(&self, def: Def, at: Ref) -> Option<Def> {
        match def {
            Def::Functions(found) => {
                let fits = |&f: &Ref| {
                    let of = self.tree(f).function(f.id).and_then(|function| function.receiver.as_ref());
                    self.may_mean_this(f, of, at)
                };
                let found: Vec<Ref> = found.into_iter().filter(fits).collect();
                (!found.is_empty()).then_some(Def::Functions(found))
            }
            Def::Variable(variable) => {
                let of = self.tree(variable).variable(variable.id).and_then(|v| v.receiver.as_ref());
                self.may_mean_this(variable, of, at).then_some(Def::Variable(variable))
            }
            def => Some(def),
        }
    }

    fn may_mean_this(&self, member: Ref, of: Option<&TypeName>, at: Ref) -> bool {
        let Some(of) = of.filter(|_| self.tree(member).idioms.extends_types) else { return true };
        let wanted = of.simple();
        let tree = self.tree(at);
        tree.ancestors(at.id).any(|id| match tree.kind(id) {
            Kind::Class(class) => {
                let here = Ref { file: at.file, id };
                let here = self.extended(here).unwrap_or(here);
                class.name.rsplit('.').next() == Some(wanted)
                    || self.lineage(here).iter().any(|&c| self.class(c).is_some_and(|c| c.name == wanted))
                    || self.library_derives(at, class.name.as_str(), wanted)
                    || self.external_bases(here).iter().any(|base| self.library_derives(at, base, wanted))
            }
            _ => false,
        })
    }
}
