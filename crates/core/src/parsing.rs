//! Files as they are parsed, each once however many apps have it.

use crate::source::SourceTree;
use crate::syntax::{self, Body};
use std::sync::{Arc, OnceLock};

/// The files of a tree, parsed when they are asked for.
pub(crate) struct Parsing<'s> {
    sources: &'s SourceTree,
    files: Vec<OnceLock<ParsedFile>>,
}

/// One parsed file.
#[derive(Clone)]
pub(crate) struct ParsedFile {
    /// Its tree.
    pub(crate) body: Arc<Body>,
    /// Where it could not be read, and why.
    pub(crate) problem: Option<String>,
}

impl<'s> Parsing<'s> {
    /// Nothing is parsed yet.
    pub(crate) fn new(sources: &'s SourceTree) -> Self {
        Self { sources, files: sources.files.iter().map(|_| OnceLock::new()).collect() }
    }

    /// A file by its index in the whole tree.
    pub(crate) fn file(&self, file: usize) -> &ParsedFile {
        self.files[file].get_or_init(|| {
            let parsed = syntax::parse(&self.sources.files[file], self.sources);
            let problem = parsed.problem.map(|problem| format!("line {}: {}", problem.line, problem.what));
            ParsedFile { body: Arc::new(parsed.body), problem }
        })
    }

    /// How many files were parsed.
    pub(crate) fn count(&self) -> usize {
        self.files.iter().filter(|file| file.get().is_some()).count()
    }
}
