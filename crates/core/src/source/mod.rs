//! From a folder to decoded source files: ignore rules, encodings, languages, modules.

mod app_settings;
mod build;
mod build_tokens;
mod decode;
mod gradle;
mod language;
mod library;
mod msbuild;
mod overlays;
mod package;
mod projects;
mod pubspec;
mod script_files;
mod scripts;
mod swift_package;
mod text;
mod walk;

pub use build::{Build, Tool};
pub use language::{Language, Resource};
pub(crate) use library::joined;
pub use library::{library_of, target_of};
pub use overlays::are_alternatives;
pub(crate) use projects::plain;
pub use projects::{Link, Target};
pub use text::Text;
pub(crate) use text::words;
#[cfg(test)]
pub(crate) use walk::is_read;
pub use walk::{discover, discover_without, from_texts};

use crate::model::Skipped;
use rustc_hash::FxHashSet;
use scripts::Scripts;
use std::sync::Arc;

/// All that was found below a root.
#[derive(Debug, Default)]
pub struct SourceTree {
    /// Source files, sorted by path.
    pub files: Vec<SourceFile>,
    /// Modules, sorted by path; the root is always one.
    pub modules: Vec<ModuleInfo>,
    /// Libraries that are found by their paths.
    pub(crate) libraries: FxHashSet<String>,
    /// Where scripts find others.
    pub(crate) scripts: Arc<Scripts>,
    /// Files that were left out or only partly read.
    pub skipped: Vec<Skipped>,
}

/// One decoded file.
#[derive(Debug, Clone)]
pub struct SourceFile {
    /// Path from the root, with `/`.
    pub path: String,
    /// Its language.
    pub language: Language,
    /// Index into [`SourceTree::modules`].
    pub module: usize,
    /// Its text.
    pub text: Arc<Text>,
}

/// A folder with a build file of its own.
#[derive(Debug, Clone, Default)]
pub struct ModuleInfo {
    /// Folder from the root, `.` for the root itself.
    pub path: String,
    /// What its build file says.
    pub build: Build,
    /// Indices of the modules that it needs.
    pub needs: Vec<usize>,
    /// Folder of the settings that it is built under, where some are; empty for the root.
    pub root: Option<String>,
}

impl ModuleInfo {
    /// Whether a path lies in this module's folder.
    #[must_use]
    pub fn holds(&self, path: &str) -> bool {
        self.path == "." || path.strip_prefix(self.path.as_str()).is_some_and(|rest| rest.starts_with('/'))
    }
}

impl SourceTree {
    /// Whether a module is only the native host of an app that is written in something else: it lies
    /// in that app's folder for the platform.
    #[must_use]
    pub fn is_native_host(&self, module: usize) -> bool {
        self.module_hosted_by(module).is_some()
    }

    /// The module of the app that a native host is for.
    #[must_use]
    pub fn module_hosted_by(&self, host: usize) -> Option<usize> {
        let inner = &self.modules[host];
        let holds = |outer: &ModuleInfo| {
            let folder =
                if outer.path == "." { "android".to_owned() } else { format!("{}/android", outer.path) };
            matches!(outer.build.tool, Tool::Pub | Tool::Npm)
                && (inner.path == folder || inner.path.starts_with(&format!("{folder}/")))
        };
        self.modules.iter().position(holds).filter(|_| inner.build.tool == Tool::Gradle)
    }
}

impl SourceTree {
    /// The file at a path from the root.
    #[must_use]
    pub fn file_at(&self, path: &str) -> Option<u32> {
        let found = self.files.binary_search_by(|file| file.path.as_str().cmp(path)).ok()?;
        u32::try_from(found).ok()
    }
}

impl SourceFile {
    /// Whether a generator wrote it: it declares and calls nothing of its own.
    #[must_use]
    pub fn is_generated(&self) -> bool {
        const ENDINGS: &[&str] = &[
            ".g.dart",
            ".gr.dart",
            ".freezed.dart",
            ".config.dart",
            ".mocks.dart",
            ".gen.dart",
            ".g.cs",
            ".g.i.cs",
            ".Designer.cs",
        ];
        ENDINGS.iter().any(|ending| self.path.ends_with(ending))
    }

    /// The file's name without folders and extension.
    #[must_use]
    pub fn stem(&self) -> &str {
        let name = self.path.rsplit('/').next().unwrap_or(&self.path);
        name.split('.').next().unwrap_or(name)
    }
}
