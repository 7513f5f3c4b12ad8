//! What a class derives from and what derives from it.

use super::{Def, Ref, Values};
use crate::syntax::ClassKind;
use smol_str::SmolStr;

/// Inheritance is followed this far.
const MAX_BASES: usize = 24;
/// Of classes derived from one so many are looked at.
const MAX_DERIVED: usize = 32;

impl Values<'_> {
    /// A class and its bases that are in the source, nearest first.
    #[must_use]
    pub fn lineage(&self, class: Ref) -> Vec<Ref> {
        let mut all = vec![class];
        let mut next = 0;
        while next < all.len() && all.len() < MAX_BASES {
            for base in self.bases(all[next]) {
                if !all.contains(&base) {
                    all.push(base);
                }
            }
            next += 1;
        }
        all
    }

    /// The bases of a class that are in the source. An enum's entry derives from its enum.
    fn bases(&self, at: Ref) -> Vec<Ref> {
        let Some(class) = self.program.class(at) else { return Vec::new() };
        if class.kind == ClassKind::Entry {
            return self.enclosing_class(at).into_iter().collect();
        }
        let mut bases: Vec<Ref> =
            class.supers.iter().filter_map(|base| self.class_named(at, &base.ty.name)).collect();
        for more in self.extensions(at) {
            let supers = self.program.class(more).into_iter().flat_map(|class| &class.supers);
            bases.extend(supers.filter_map(|base| self.class_named(more, &base.ty.name)));
        }
        bases
    }

    /// Every external type among a class's bases, by simple name, with those of its bases.
    #[must_use]
    pub fn external_bases(&self, class: Ref) -> Vec<SmolStr> {
        let paths = self.external_base_paths(class).into_iter();
        paths.map(|path| path.rsplit('.').next().unwrap_or_default().into()).collect()
    }

    /// Every external type among a class's bases, as imported, with those of its bases.
    #[must_use]
    pub fn external_base_paths(&self, class: Ref) -> Vec<SmolStr> {
        let mut found = Vec::new();
        let lineage = self.lineage(class).into_iter();
        for at in lineage.flat_map(|at| std::iter::once(at).chain(self.extensions(at))) {
            let Some(class) = self.program.class(at) else { continue };
            for base in &class.supers {
                if !base.ty.name.is_empty() && self.class_named(at, &base.ty.name).is_none() {
                    found.push(self.external_path(at, &base.ty.name));
                }
            }
        }
        found
    }

    /// The path behind an imported name or alias; the name itself where nothing imports it.
    fn external_path(&self, at: Ref, name: &str) -> SmolStr {
        match self.imported(at.file, name.split('.').next().unwrap_or(name)) {
            Some(Def::External(path)) => match name.split_once('.') {
                Some((_, rest)) => format!("{path}.{rest}").into(),
                None => path,
            },
            _ => name.into(),
        }
    }

    /// The fields of a name in the classes derived from one.
    pub(super) fn overriding(&self, class: Ref, name: &str) -> Vec<Ref> {
        let Some(declared) = self.class(class) else { return Vec::new() };
        let derived = self.program.derived(&declared.name).iter().copied();
        let below = derived.filter(|&other| other != class && self.lineage(other).contains(&class));
        let fields = below.take(MAX_DERIVED).filter_map(|other| {
            let members = &self.class(other)?.members;
            let tree = self.tree(other);
            let id = members.iter().copied().find(|&id| tree.variable(id).is_some_and(|v| v.name == name))?;
            Some(Ref { file: other.file, id })
        });
        fields.collect()
    }
}
