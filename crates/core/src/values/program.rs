//! Every parsed file, and an index of what they declare and call.

use super::Library;
use super::additions::Additions;
use crate::source::words as words_of;
use crate::source::{Language, SourceFile, SourceTree, library_of};
use crate::syntax::{Body, Class, ClassKind, Function, Id, Kind, Markup, Tree, Variable};
use rayon::prelude::*;
use rustc_hash::{FxHashMap, FxHashSet};
use smol_str::SmolStr;
use std::collections::BTreeSet;
use std::sync::{Arc, Mutex, OnceLock};

/// A node of the program.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub struct Ref {
    /// Index of its file.
    pub file: u32,
    /// The node.
    pub id: Id,
}

/// The parsed files of a source tree with an index over them.
#[derive(Debug)]
pub struct Program<'s> {
    sources: &'s SourceTree,
    bodies: Vec<Option<Arc<Body>>>,
    libraries: &'static [Library],
    empty: Tree,
    index: Index,
    by_library: FxHashMap<&'s str, u32>,
    by_language: FxHashMap<Language, Vec<u32>>,
    asked: Mutex<Asked>,
    callees: OnceLock<FxHashMap<Ref, Vec<Ref>>>,
    additions: Additions,
}

/// What was looked for and may stand in files that are not parsed.
#[derive(Debug, Default, Clone)]
pub struct Asked {
    /// Names that nothing parsed declares.
    pub names: FxHashSet<String>,
    /// Functions whose users were asked for, each with words of which a user must hold one: its
    /// classes' names, or the import that brings it into view.
    pub functions: BTreeSet<(String, Vec<String>)>,
    /// Classes that others may derive from: whoever names one may be a screen.
    pub bases: FxHashSet<String>,
    /// Names that a library was asked for, by library.
    pub members: FxHashMap<String, FxHashSet<String>>,
    /// Ends of classes' names: whoever declares one may be a screen.
    pub endings: FxHashSet<String>,
}

/// Names to nodes. Built once; every look-up after that is a hash look-up.
#[derive(Debug, Default)]
struct Index {
    classes_by_path: FxHashMap<String, Vec<Ref>>,
    classes_by_name: FxHashMap<SmolStr, Vec<Ref>>,
    top_level: FxHashMap<String, Vec<Ref>>,
    top_level_names: FxHashSet<SmolStr>,
    functions_by_name: FxHashMap<SmolStr, Vec<Ref>>,
    calls_by_name: FxHashMap<SmolStr, Vec<Ref>>,
    references_by_name: FxHashMap<SmolStr, Vec<Ref>>,
    names: FxHashMap<SmolStr, Vec<Ref>>,
    typed_by_name: FxHashMap<SmolStr, Vec<Ref>>,
    derived_by_name: FxHashMap<SmolStr, Vec<Ref>>,
    extensions_by_name: FxHashMap<SmolStr, Vec<Ref>>,
    annotated_by_name: FxHashMap<SmolStr, Vec<Ref>>,
    paths: FxHashMap<Ref, String>,
}

impl<'s> Program<'s> {
    /// Indexes parsed files; `bodies` runs parallel to the tree's files, `None` for those that were
    /// not parsed. `libraries` says what the platforms' own classes do.
    #[must_use]
    pub fn new(
        sources: &'s SourceTree,
        bodies: Vec<Option<Arc<Body>>>,
        libraries: &'static [Library],
    ) -> Self {
        let mut index = Index::default();
        for (file, body) in bodies.iter().enumerate() {
            if let Some(tree) = body.as_deref().and_then(Body::code) {
                index.add(u32::try_from(file).unwrap_or(u32::MAX), tree);
            }
        }
        let mut by_language: FxHashMap<Language, Vec<u32>> = FxHashMap::default();
        for (file, i) in sources.files.iter().zip(0..) {
            by_language.entry(file.language).or_default().push(i);
        }
        let by_library = sources.files.iter().zip(0..).filter_map(|(file, i)| Some((library_of(file)?, i)));
        Self {
            sources,
            bodies,
            by_library: by_library.collect(),
            libraries,
            empty: Tree::hollow(),
            index,
            by_language,
            asked: Mutex::default(),
            callees: OnceLock::new(),
            additions: Additions::default(),
        }
    }

    /// Gives the parsed files back, to be indexed again with more of them.
    #[must_use]
    pub fn into_bodies(self) -> Vec<Option<Arc<Body>>> {
        self.bodies
    }

    /// What the platforms' own classes do.
    #[must_use]
    pub fn libraries(&self) -> &'static [Library] {
        self.libraries
    }

    /// What was looked for so far.
    #[must_use]
    pub fn asked(&self) -> Asked {
        self.asked.lock().map(|asked| asked.clone()).unwrap_or_default()
    }

    /// Calls and references by the function or class they mean, worked out once for all of them.
    pub(super) fn callees(
        &self,
        resolve: impl FnOnce() -> FxHashMap<Ref, Vec<Ref>>,
    ) -> &FxHashMap<Ref, Vec<Ref>> {
        self.callees.get_or_init(resolve)
    }

    /// What is known of what adds to which class.
    pub(super) fn additions(&self) -> &Additions {
        &self.additions
    }

    /// Names that the source declares as functions or classes.
    pub(super) fn is_declared_name(&self, name: &str) -> bool {
        self.index.functions_by_name.contains_key(name) || self.index.classes_by_name.contains_key(name)
    }

    /// Remembers a name that was looked for in vain.
    pub(super) fn ask_for_name(&self, name: &str) {
        if let Ok(mut asked) = self.asked.lock()
            && !asked.names.contains(name)
        {
            asked.names.insert(name.to_owned());
        }
    }

    /// Remembers that a library which is not parsed was asked for a name.
    pub(super) fn ask_library(&self, library: &str, name: &str) {
        if let Ok(mut asked) = self.asked.lock() {
            let known = asked.members.get(library).is_some_and(|names| names.contains(name));
            if !known {
                asked.members.entry(library.to_owned()).or_default().insert(name.to_owned());
            }
        }
    }

    /// Remembers that classes with names that end like this are wanted.
    pub(super) fn ask_for_ending(&self, ending: &str) {
        if let Ok(mut asked) = self.asked.lock() {
            asked.endings.insert(ending.to_owned());
        }
    }

    /// The file that is a library.
    #[must_use]
    pub fn file_of_library(&self, library: &str) -> Option<u32> {
        self.by_library.get(library).copied()
    }

    /// Whether anything parsed declares a name outside of a class.
    pub(super) fn is_top_level_name(&self, name: &str) -> bool {
        self.index.top_level_names.contains(name) || self.index.classes_by_name.contains_key(name)
    }

    /// Remembers a class whose derived classes are wanted.
    pub(super) fn ask_for_derived(&self, name: &str) {
        if let Ok(mut asked) = self.asked.lock() {
            asked.bases.insert(name.to_owned());
        }
    }

    /// Remembers a function whose users were asked for.
    pub(super) fn ask_for_users(&self, name: &str, holders: Vec<String>) {
        if let Ok(mut asked) = self.asked.lock() {
            asked.functions.insert((name.to_owned(), holders));
        }
    }

    /// The files of a language, in order.
    #[must_use]
    pub fn files_in(&self, language: Language) -> &[u32] {
        self.by_language.get(&language).map_or(&[], Vec::as_slice)
    }

    /// What was discovered.
    #[must_use]
    pub fn sources(&self) -> &'s SourceTree {
        self.sources
    }

    /// A file.
    #[must_use]
    pub fn source(&self, file: u32) -> &'s SourceFile {
        &self.sources.files[file as usize]
    }

    /// Indexes of the files that were parsed.
    pub fn parsed(&self) -> impl Iterator<Item = u32> + '_ {
        self.bodies.iter().enumerate().filter(|(_, body)| body.is_some()).map(|(i, _)| i as u32)
    }

    /// Whether a file was parsed.
    #[must_use]
    pub fn is_parsed(&self, file: u32) -> bool {
        self.bodies[file as usize].is_some()
    }

    /// A file's tree, empty for one that is not parsed code.
    #[must_use]
    pub fn tree(&self, file: u32) -> &Tree {
        self.bodies[file as usize].as_deref().and_then(Body::code).unwrap_or(&self.empty)
    }

    /// A file's elements, if it is parsed XML.
    #[must_use]
    pub fn markup(&self, file: u32) -> Option<&Markup> {
        self.bodies[file as usize].as_deref().and_then(Body::markup)
    }

    /// Classes of a full dotted name.
    #[must_use]
    pub fn classes_at(&self, path: &str) -> &[Ref] {
        slice(&self.index.classes_by_path, path)
    }

    /// Classes of a simple name, in any package.
    #[must_use]
    pub fn classes_named(&self, name: &str) -> &[Ref] {
        slice(&self.index.classes_by_name, name)
    }

    /// Top-level functions and properties of a full dotted name.
    #[must_use]
    pub fn top_level_at(&self, path: &str) -> &[Ref] {
        slice(&self.index.top_level, path)
    }

    /// Functions of a name, anywhere.
    #[must_use]
    pub fn functions_named(&self, name: &str) -> &[Ref] {
        slice(&self.index.functions_by_name, name)
    }

    /// Calls whose callee's last name is this.
    #[must_use]
    pub fn calls_named(&self, name: &str) -> &[Ref] {
        slice(&self.index.calls_by_name, name)
    }

    /// Calls of that name in one file.
    #[must_use]
    pub fn calls_in(&self, file: u32, name: &str) -> &[Ref] {
        in_file(self.calls_named(name), file)
    }

    /// Uses of a name in one file.
    #[must_use]
    pub fn uses_in(&self, file: u32, name: &str) -> &[Ref] {
        in_file(self.uses_of_name(name), file)
    }

    /// Function references to this name: `::name`.
    #[must_use]
    pub fn references_named(&self, name: &str) -> &[Ref] {
        slice(&self.index.references_by_name, name)
    }

    /// Every use of a name, bare or as a member.
    #[must_use]
    pub fn uses_of_name(&self, name: &str) -> &[Ref] {
        slice(&self.index.names, name)
    }

    /// Variables and parameters declared with a type of this simple name, and type arguments of calls.
    #[must_use]
    pub fn typed(&self, name: &str) -> &[Ref] {
        slice(&self.index.typed_by_name, name)
    }

    /// Classes that name this simple name among their bases.
    #[must_use]
    pub fn derived(&self, name: &str) -> &[Ref] {
        slice(&self.index.derived_by_name, name)
    }

    /// What adds to a class of this simple name, wherever it stands.
    #[must_use]
    pub fn extensions_named(&self, name: &str) -> &[Ref] {
        slice(&self.index.extensions_by_name, name)
    }

    /// Classes that carry an annotation of this name.
    #[must_use]
    pub fn classes_annotated(&self, name: &str) -> &[Ref] {
        slice(&self.index.annotated_by_name, name)
    }

    /// Whether any file but these holds a word, in whatever way: as a name, in a text, in a comment.
    #[must_use]
    pub fn is_word_of_others(&self, own: &[u32], word: &str) -> bool {
        let mut others = self.sources.files.iter().zip(0..).filter(|(_, other)| !own.contains(other));
        others.any(|(other, _)| {
            let text = other.text.as_str();
            text.contains(word) && words_of(text).any(|own| own == word)
        })
    }

    /// Which of these words stand in code files that were not parsed.
    #[must_use]
    pub fn words_of_unparsed(&self, words: &[String]) -> FxHashSet<String> {
        let unparsed: Vec<&SourceFile> = self
            .sources
            .files
            .iter()
            .zip(&self.bodies)
            .filter(|(file, body)| body.is_none() && file.language.is_code())
            .map(|(file, _)| file)
            .collect();
        let wanted: FxHashSet<&str> =
            words.iter().map(String::as_str).filter(|word| !word.is_empty()).collect();
        let found = unparsed.par_iter().map(|file| {
            words_of(file.text.as_str())
                .filter_map(|word| wanted.get(word))
                .map(|word| (*word).to_owned())
                .collect::<FxHashSet<_>>()
        });
        found.reduce(FxHashSet::default, |mut all, more| {
            all.extend(more);
            all
        })
    }

    /// Every class.
    pub fn classes(&self) -> impl Iterator<Item = Ref> + '_ {
        let mut all: Vec<Ref> = self.index.paths.keys().copied().collect();
        all.sort_unstable();
        all.into_iter()
    }

    /// A class's full dotted name.
    #[must_use]
    pub fn path(&self, class: Ref) -> &str {
        self.index.paths.get(&class).map_or("", String::as_str)
    }

    /// The class, if the node is one.
    #[must_use]
    pub fn class(&self, at: Ref) -> Option<&Class> {
        self.tree(at.file).class(at.id)
    }
}

/// The part of a list that is of one file: lists are made file by file.
fn in_file(all: &[Ref], file: u32) -> &[Ref] {
    let start = all.partition_point(|at| at.file < file);
    let end = all.partition_point(|at| at.file <= file);
    &all[start..end]
}

fn slice<'m, K: std::hash::Hash + Eq + std::borrow::Borrow<str>>(
    map: &'m FxHashMap<K, Vec<Ref>>,
    key: &str,
) -> &'m [Ref] {
    map.get(key).map_or(&[], Vec::as_slice)
}

impl Index {
    fn add(&mut self, file: u32, tree: &Tree) {
        for &item in &tree.items {
            self.declare(file, tree, item, &tree.package);
        }
        for id in tree.ids() {
            self.mention(Ref { file, id }, tree, id);
        }
    }

    /// Declarations below a package or class.
    fn declare(&mut self, file: u32, tree: &Tree, id: Id, within: &str) {
        let at = Ref { file, id };
        let join = |name: &str| if within.is_empty() { name.to_owned() } else { format!("{within}.{name}") };
        match tree.kind(id) {
            Kind::Class(class) if class.kind == ClassKind::Extension => {
                let path = join(&class.name);
                let simple = class.name.rsplit('.').next().unwrap_or_default();
                self.extensions_by_name.entry(simple.into()).or_default().push(at);
                for base in &class.supers {
                    self.derived_by_name.entry(base.ty.simple().into()).or_default().push(at);
                }
                for &member in &class.members {
                    match tree.kind(member) {
                        Kind::Class(_) => self.declare(file, tree, member, &path),
                        _ => self.declare(file, tree, member, within),
                    }
                }
            }
            Kind::Class(class) => {
                let path = join(&class.name);
                self.classes_by_path.entry(path.clone()).or_default().push(at);
                self.classes_by_name.entry(class.name.clone()).or_default().push(at);
                for base in &class.supers {
                    self.derived_by_name.entry(base.ty.simple().into()).or_default().push(at);
                }
                for note in &class.annotations {
                    self.annotated_by_name.entry(note.name.clone()).or_default().push(at);
                }
                for &member in &class.members {
                    self.declare_member(file, tree, member, &path);
                }
                self.paths.insert(at, path);
            }
            Kind::Function(Function { name, .. }) | Kind::Variable(Variable { name, .. }) => {
                self.top_level.entry(join(name)).or_default().push(at);
                self.top_level_names.insert(name.clone());
            }
            Kind::Other(inside) => inside.iter().for_each(|&inner| self.declare(file, tree, inner, within)),
            _ => {}
        }
    }

    fn declare_member(&mut self, file: u32, tree: &Tree, id: Id, within: &str) {
        if matches!(tree.kind(id), Kind::Class(_)) {
            self.declare(file, tree, id, within);
        }
    }

    fn mention(&mut self, at: Ref, tree: &Tree, id: Id) {
        match tree.kind(id) {
            Kind::Function(function) => {
                self.functions_by_name.entry(function.name.clone()).or_default().push(at);
            }
            Kind::Call(call) => {
                if let Some((name, _)) = tree.callee(call) {
                    self.calls_by_name.entry(name.clone()).or_default().push(at);
                }
                for ty in &call.types {
                    self.typed_by_name.entry(ty.simple().into()).or_default().push(at);
                }
            }
            Kind::Reference { name, .. } => self.references_by_name.entry(name.clone()).or_default().push(at),
            Kind::Name(name) => self.names.entry(name.clone()).or_default().push(at),
            Kind::Member(member) => self.names.entry(member.name.clone()).or_default().push(at),
            Kind::ClassOf(ty) => self.names.entry(ty.simple().into()).or_default().push(at),
            Kind::Variable(variable) => self.typed(at, variable.ty.as_ref()),
            Kind::Parameter(parameter) => self.typed(at, parameter.ty.as_ref()),
            _ => {}
        }
    }

    fn typed(&mut self, at: Ref, ty: Option<&crate::syntax::TypeName>) {
        if let Some(ty) = ty.filter(|ty| !ty.name.is_empty()) {
            self.typed_by_name.entry(ty.simple().into()).or_default().push(at);
        }
    }
}
