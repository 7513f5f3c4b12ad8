//! The files of a tree as a resolver of scripts sees them: packages of the tree stand under the names
//! that others take them in by, and configurations say what they can without what is not in the tree.

use super::library::joined;
use oxc_resolver::{FileMetadata, FileSystem, ResolveError};
use rustc_hash::{FxHashMap, FxHashSet};
use serde_json::Value;
use std::io;
use std::path::{Path, PathBuf};

/// Where packages are looked for.
const PACKAGES: &str = "/node_modules/";

/// Files, folders and packages, by absolute paths from the root of the tree.
#[derive(Debug, Default)]
pub(crate) struct ScriptFiles {
    /// Texts of configurations; `None` for scripts, which nobody reads here.
    files: FxHashMap<String, Option<String>>,
    folders: FxHashSet<String>,
    /// Folders of packages by their names.
    packages: FxHashMap<String, String>,
}

impl ScriptFiles {
    pub(super) fn new(scripts: &[&str], configurations: &[(String, String)]) -> Self {
        let mut own = Self::default();
        for script in scripts {
            own.add(script, None);
        }
        for (path, text) in configurations {
            own.add_configuration(path, text, configurations);
        }
        own
    }

    fn add(&mut self, path: &str, text: Option<String>) {
        self.add_folders(&format!("/{path}"));
        self.files.insert(format!("/{path}"), text);
    }

    fn add_folders(&mut self, path: &str) {
        let ends = path.match_indices('/').map(|(at, _)| &path[..at.max(1)]);
        self.folders.extend(ends.map(str::to_owned));
    }

    fn add_configuration(&mut self, path: &str, text: &str, all: &[(String, String)]) {
        let Ok(value) = json5::from_str::<Value>(text) else { return };
        let (folder, name) = path.rsplit_once('/').unwrap_or(("", path));
        if name == "package.json" {
            if let Some(package) = value.get("name").and_then(Value::as_str).filter(|name| !name.is_empty()) {
                let link = format!("{PACKAGES}{package}");
                self.add_folders(&link);
                self.packages.insert(link, format!("/{folder}"));
            }
            return self.add(path, Some(value.to_string()));
        }
        let text = for_all_files(value, folder, all).to_string();
        // A script's own configuration, and the base of several, stand in for the compiler's.
        let stands_in = matches!(name, "jsconfig.json" | "tsconfig.base.json");
        let compilers = joined(folder, "tsconfig.json");
        if stands_in && all.iter().all(|(other, _)| *other != compilers) {
            self.add(&compilers, Some(text.clone()));
        }
        self.add(path, Some(text));
    }

    /// A path with the package that it goes through, if any, put in place.
    fn real(&self, path: &Path) -> String {
        let path = path.to_string_lossy();
        let Some(inside) = path.strip_prefix(PACKAGES) else { return path.into_owned() };
        let scope = usize::from(inside.starts_with('@'));
        let end = inside.match_indices('/').nth(scope).map_or(path.len(), |(at, _)| PACKAGES.len() + at);
        match self.packages.get(&path[..end]) {
            Some(folder) => format!("{}{}", folder.trim_end_matches('/'), &path[end..]),
            None => path.into_owned(),
        }
    }

    fn metadata_of(&self, path: &str) -> io::Result<FileMetadata> {
        let path = if path.is_empty() { "/" } else { path };
        if self.files.contains_key(path) {
            return Ok(FileMetadata::new(true, false, false));
        }
        match self.folders.contains(path) {
            true => Ok(FileMetadata::new(false, true, false)),
            false => Err(io::ErrorKind::NotFound.into()),
        }
    }
}

/// A compiler's configuration as it holds for every script in its folder, without what it takes over
/// from elsewhere where that is not in the tree.
fn for_all_files(mut value: Value, folder: &str, all: &[(String, String)]) -> Value {
    let Some(root) = value.as_object_mut() else { return value };
    for key in ["include", "files", "exclude", "references"] {
        root.remove(key);
    }
    let known = |base: &str| {
        let path = joined(folder, base);
        base.starts_with('.')
            && all.iter().any(|(other, _)| *other == path || *other == format!("{path}.json"))
    };
    let kept = match root.get("extends") {
        Some(Value::String(base)) => known(base),
        Some(Value::Array(bases)) => bases.iter().all(|base| base.as_str().is_some_and(known)),
        _ => false,
    };
    if !kept {
        root.remove("extends");
    }
    let options = root.entry("compilerOptions").or_insert_with(|| Value::Object(serde_json::Map::new()));
    if let Some(options) = options.as_object_mut() {
        options.insert("allowJs".to_owned(), Value::Bool(true));
    }
    value
}

impl FileSystem for ScriptFiles {
    fn new() -> Self {
        Self::default()
    }

    fn read(&self, path: &Path) -> io::Result<Vec<u8>> {
        self.read_to_string(path).map(String::into_bytes)
    }

    fn read_to_string(&self, path: &Path) -> io::Result<String> {
        let text = self.files.get(&self.real(path)).ok_or(io::ErrorKind::NotFound)?;
        Ok(text.clone().unwrap_or_default())
    }

    fn metadata(&self, path: &Path) -> io::Result<FileMetadata> {
        self.metadata_of(&self.real(path))
    }

    fn symlink_metadata(&self, path: &Path) -> io::Result<FileMetadata> {
        if self.packages.contains_key(path.to_string_lossy().as_ref()) {
            return Ok(FileMetadata::new(false, false, true));
        }
        self.metadata_of(&self.real(path))
    }

    fn read_link(&self, path: &Path) -> Result<PathBuf, ResolveError> {
        let folder = self.packages.get(path.to_string_lossy().as_ref());
        let folder = folder.ok_or_else(|| io::Error::from(io::ErrorKind::InvalidInput))?;
        Ok(PathBuf::from(folder))
    }

    fn canonicalize(&self, path: &Path) -> io::Result<PathBuf> {
        let real = self.real(path);
        self.metadata_of(&real).map(|_| PathBuf::from(real))
    }
}
