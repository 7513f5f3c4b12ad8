//! What a file sees of others: its imports, their prefixes, and what imported files hand on.

use super::{Def, Expr, Ref, Values};
use crate::names::words;
use crate::source::library_of;
use crate::syntax::{Import, Kind};

/// Exports of exports are followed this deep.
const MAX_EXPORTS: usize = 8;

impl<'p> Values<'p> {
    /// The imports in force in a file: of a part, those of its library.
    fn imports(&self, file: u32) -> &'p [Import] {
        let tree = self.program.tree(file);
        let whole = tree.is_part.then(|| self.program.file_of_library(&tree.package)).flatten();
        &self.program.tree(whole.unwrap_or(file)).imports
    }

    /// Whether another file takes a file in, or may: one that nobody parsed holds its name.
    #[must_use]
    pub fn is_taken_in(&self, file: u32) -> bool {
        let path = self.program.tree(file).package.as_str();
        let of_it = |import: &Import| {
            import.path.strip_prefix(path).is_some_and(|rest| rest.is_empty() || rest.starts_with('.'))
        };
        let mut others = self.program.parsed().filter(|&other| other != file);
        if path.is_empty() || others.any(|other| self.program.tree(other).imports.iter().any(of_it)) {
            return true;
        }
        let source = self.program.source(file).path.as_str();
        let stem = source.rsplit('/').next().and_then(|name| name.split('.').next()).unwrap_or_default();
        let named = if stem == "index" { source.rsplit('/').nth(1).unwrap_or(stem) } else { stem };
        !self.program.words_of_unparsed(&[named.to_owned()]).is_empty()
    }

    /// Whether a name that nobody declares is imported from a file which should be of the source, and is
    /// not: one that is called like it. What generators make is left to them.
    #[must_use]
    pub fn is_of_missing_file(&self, at: Ref, name: &str) -> bool {
        let sources = self.program.sources();
        let missing = |import: &&Import| {
            let stem = import.path.rsplit('/').next().unwrap_or_default();
            let in_source = !import.path.contains(':') && import.lets_in(name) && import.prefix.is_none();
            in_source
                && words(stem) == words(name)
                && !sources.files.iter().any(|file| {
                    file.path.strip_prefix(import.path.as_str()).is_some_and(|rest| rest.starts_with('.'))
                })
        };
        library_of(self.program.source(at.file)).is_some()
            && !self.program.is_declared_name(name)
            && self.imports(at.file).iter().any(|import| missing(&import))
    }

    /// What a name means by a file's imports.
    pub(super) fn imported(&self, file: u32, name: &str) -> Option<Def> {
        let imports = self.imports(file);
        let is_library = library_of(self.program.source(file)).is_some();
        let own = |import: &&Import| import.name.as_deref() == Some(name) && !import.exported;
        if let Some(import) = imports.iter().find(own) {
            let found = match import.path.rsplit_once('.').filter(|_| is_library) {
                Some((library, member)) => self.in_library(library, member, 0).or_else(|| {
                    self.ask_library(library, member, 0);
                    None
                }),
                None => self.at_path(&import.path),
            };
            return Some(found.unwrap_or_else(|| Def::External(import.path.clone())));
        }
        if is_library && (name.starts_with('_') || !self.program.is_top_level_name(name)) {
            return None;
        }
        let wildcards = imports.iter().filter(|i| i.prefix.is_none() && !i.exported && i.lets_in(name));
        wildcards.into_iter().find_map(|import| self.in_library(&import.path, name, 0))
    }

    /// What a package or library has under a name, by itself or by what it exports.
    fn in_library(&self, path: &str, name: &str, depth: usize) -> Option<Def> {
        if let Some(found) = self.at_path(&format!("{path}.{name}")) {
            return Some(found);
        }
        let file = self.program.file_of_library(path).filter(|_| depth < MAX_EXPORTS)?;
        let given = |import: &&Import| import.exported && import.name.as_deref() == Some(name);
        if let Some((library, own)) =
            self.program.tree(file).imports.iter().find(given).and_then(|import| import.path.rsplit_once('.'))
        {
            return match library == path {
                true => self.at_path(&format!("{path}.{own}")).or_else(|| self.imported(file, own)),
                false => self.in_library(library, own, depth + 1),
            };
        }
        let exports = self.program.tree(file).imports.iter().filter(|i| i.exported && i.lets_in(name));
        exports.into_iter().find_map(|export| self.in_library(&export.path, name, depth + 1))
    }

    /// Whether a file sees a package that is not of the source, by its own imports or by what libraries
    /// of the source hand on.
    #[must_use]
    pub fn sees_package(&self, file: u32, package: &str) -> bool {
        self.imports(file).iter().any(|import| self.leads_to(import, package, 0))
    }

    fn leads_to(&self, import: &Import, package: &str, depth: usize) -> bool {
        if import.path.starts_with(package) {
            return true;
        }
        let Some(file) = self.program.file_of_library(&import.path).filter(|_| depth < MAX_EXPORTS) else {
            return false;
        };
        let exports = self.program.tree(file).imports.iter().filter(|export| export.exported);
        exports.into_iter().any(|export| self.leads_to(export, package, depth + 1))
    }

    /// What a dotted name means from inside of a file's namespaces, in a language where they are named
    /// in part: `Views.Shelf` in `Barn` (C# specification, "Namespace and type names").
    pub(super) fn in_namespaces(&self, file: u32, path: &str) -> Option<Def> {
        let nested = self.program.tree(file).idioms.nests_namespaces && path.contains('.');
        nested.then_some(())?;
        let tree = self.program.tree(file);
        let open = tree.imports.iter().filter(|import| import.name.is_none()).map(|import| &import.path);
        let around = std::iter::once(&tree.package).chain(open);
        let found = around.into_iter().find_map(|outer| self.at_path(&format!("{outer}.{path}")));
        if found.is_none() {
            let mut parts = path.split('.').filter(|part| part.starts_with(char::is_uppercase));
            parts.next_back().into_iter().for_each(|name| self.program.ask_for_name(name));
        }
        found
    }

    /// Whether a file's imports put names behind this one.
    pub(super) fn has_prefix(&self, file: u32, name: &str) -> bool {
        self.imports(file).iter().any(|import| import.prefix.as_deref() == Some(name))
    }

    /// The prefix of imports that an expression is.
    pub(super) fn import_prefix(&self, of: &Expr) -> Option<&'p str> {
        let Kind::Name(name) = self.kind(of.at) else { return None };
        (self.has_prefix(of.at.file, name) && self.resolve(of.at, name).is_none()).then_some(name.as_str())
    }

    /// What a name behind a prefix means.
    pub(super) fn behind_prefix(&self, file: u32, prefix: &str, name: &str) -> Option<Def> {
        let behind = |import: &&Import| import.prefix.as_deref() == Some(prefix) && import.lets_in(name);
        let found = self.imports(file).iter().filter(behind).find_map(|i| self.in_library(&i.path, name, 0));
        if found.is_none() {
            let libraries = self.imports(file).iter().filter(behind);
            libraries.for_each(|import| self.ask_library(&import.path, name, 0));
        }
        found
    }

    /// Says that a file of the source is wanted, as far as it holds a word.
    pub fn expect_file(&self, library: &str, word: &str) {
        if self.program.file_of_library(library).is_some_and(|file| !self.program.is_parsed(file)) {
            self.program.ask_library(library, word);
        }
    }

    /// What a library gives others under a name.
    #[must_use]
    pub fn given_by(&self, library: &str, name: &str) -> Option<Def> {
        self.in_library(library, name, 0)
    }

    /// Whether a file's language takes in nothing that it does not name.
    #[must_use]
    pub fn imports_all_by_name(&self, file: u32) -> bool {
        self.program.tree(file).idioms.imports_by_name
    }

    /// Asks the libraries in view that are not parsed for a name.
    pub(super) fn ask_libraries(&self, file: u32, name: &str) {
        if library_of(self.program.source(file)).is_some() && !name.starts_with('_') {
            let open = self.imports(file).iter().filter(|i| i.prefix.is_none() && i.lets_in(name));
            open.for_each(|import| self.ask_library(&import.path, name, 0));
        }
    }

    fn ask_library(&self, path: &str, name: &str, depth: usize) {
        let Some(file) = self.program.file_of_library(path).filter(|_| depth < MAX_EXPORTS) else { return };
        if !self.program.is_parsed(file) {
            return self.program.ask_library(path, name);
        }
        let exports = self.program.tree(file).imports.iter().filter(|i| i.exported);
        for export in exports {
            if export.lets_in(name) {
                self.ask_library(&export.path, name, depth + 1);
            } else if export.name.as_deref() == Some(name)
                && let Some((library, own)) = export.path.rsplit_once('.')
                && library != path
            {
                self.ask_library(library, own, depth + 1);
            }
        }
    }
}
