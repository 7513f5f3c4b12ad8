//! From a folder to decoded source files: ignore rules, encodings, languages, modules.

mod decode;
mod gradle;
mod language;
mod text;
mod walk;

pub use gradle::Build;
pub use language::{Language, Resource};
pub use text::Text;
pub use walk::{discover, discover_without, from_texts};

use crate::model::Skipped;

/// All that was found below a root.
#[derive(Debug, Default)]
pub struct SourceTree {
    /// Source files, sorted by path.
    pub files: Vec<SourceFile>,
    /// Modules, sorted by path; the root is always one.
    pub modules: Vec<ModuleInfo>,
    /// Files that were left out or only partly read.
    pub skipped: Vec<Skipped>,
}

/// One decoded file.
#[derive(Debug)]
pub struct SourceFile {
    /// Path from the root, with `/`.
    pub path: String,
    /// Its language.
    pub language: Language,
    /// Index into [`SourceTree::modules`].
    pub module: usize,
    /// Its text.
    pub text: Text,
}

/// A folder with a build file of its own.
#[derive(Debug, Clone)]
pub struct ModuleInfo {
    /// Folder from the root, `.` for the root itself.
    pub path: String,
    /// What its build file says.
    pub build: Build,
}

impl ModuleInfo {
    /// Whether a path lies in this module's folder.
    #[must_use]
    pub fn holds(&self, path: &str) -> bool {
        self.path == "." || path.strip_prefix(self.path.as_str()).is_some_and(|rest| rest.starts_with('/'))
    }
}

impl SourceFile {
    /// The file's name without folders and extension.
    #[must_use]
    pub fn stem(&self) -> &str {
        let name = self.path.rsplit('/').next().unwrap_or(&self.path);
        name.split('.').next().unwrap_or(name)
    }
}
