//! Files that others import by a URI, and the names they go by: a library is its path without the
//! extension.

use super::projects::common;
use super::scripts::{Entries, Scripts};
use super::{Language, ModuleInfo, SourceFile, SourceTree, Tool};
use rustc_hash::FxHashSet;
use std::sync::Arc;

/// The library that a file is; `None` where files are no libraries.
#[must_use]
pub fn library_of(file: &SourceFile) -> Option<&str> {
    match file.language {
        Language::Dart => file.path.strip_suffix(".dart"),
        Language::Script { .. } => file.path.rsplit_once('.').map(|(path, _)| path),
        Language::Python => {
            let path = file.path.strip_suffix(".py")?;
            Some(path.strip_suffix("/__init__").unwrap_or(path))
        }
        // Nobody imports it.
        Language::Kv => Some(&file.path),
        _ => None,
    }
}

/// What a Swift file is compiled into, as others import it: the target of a package, else all that
/// lies in a module (docs.swift.org, "Package": sources of a target lie in `Sources/<target>`).
#[must_use]
pub fn target_of(file: &SourceFile, sources: &SourceTree) -> String {
    let module = &sources.modules[file.module];
    if module.build.tool == Tool::SwiftPackage {
        let inside = match module.path.as_str() {
            "." => file.path.as_str(),
            folder => file.path[folder.len()..].trim_start_matches('/'),
        };
        if let Some((target, _)) = inside.strip_prefix("Sources/").and_then(|rest| rest.split_once('/')) {
            return target.to_owned();
        }
    }
    match (module.build.tool, module.path.as_str()) {
        (Tool::SwiftPackage, folder) if folder != "." => folder.replace('.', "-"),
        _ => String::new(),
    }
}

impl SourceTree {
    /// The library that a file means by a URI: `../shelf.dart`, `package:barn/shelf.dart`. One that is
    /// not of the source keeps its URI (dart.dev, "Libraries & imports"). `entries` reads a script's
    /// configuration.
    #[must_use]
    pub(crate) fn library(&self, file: &SourceFile, uri: &str, entries: Entries) -> String {
        let folder = file.path.rsplit_once('/').map_or("", |(folder, _)| folder);
        if matches!(file.language, Language::Script { .. }) {
            let missing = || if uri.starts_with('.') { joined(folder, uri) } else { uri.to_owned() };
            return self.scripts.find(&file.path, uri, entries).unwrap_or_else(missing);
        }
        let bare = uri.strip_suffix(".dart").unwrap_or(uri);
        if let Some(rest) = bare.strip_prefix("package:") {
            let (package, path) = rest.split_once('/').unwrap_or((rest, ""));
            // Of several packages of a name, the one that lies nearest.
            let named = self.modules.iter().filter(|module| {
                module.build.tool == Tool::Pub && module.build.name.as_deref() == Some(package)
            });
            let module = named.max_by_key(|module| (module.holds(&file.path), common(&module.path, folder)));
            return match module {
                Some(module) if module.path == "." => format!("lib/{path}"),
                Some(module) => format!("{}/lib/{path}", module.path),
                None => bare.to_owned(),
            };
        }
        if bare.contains(':') {
            return bare.to_owned();
        }
        joined(folder, bare)
    }
}

impl SourceTree {
    /// Notes which libraries there are, once all files are.
    pub(super) fn note_scripts(mut self, configurations: &[(String, String)]) -> Self {
        self.libraries = libraries(&self.files);
        let scripts = self.files.iter().filter(|file| matches!(file.language, Language::Script { .. }));
        let scripts: Vec<&str> = scripts.map(|file| file.path.as_str()).collect();
        self.scripts = Arc::new(Scripts::new(&scripts, configurations));
        self
    }

    /// Some of its files, with modules that they are of, as a tree of their own.
    pub(crate) fn part(&self, files: Vec<SourceFile>, modules: Vec<ModuleInfo>) -> Self {
        let libraries = libraries(&files);
        Self { files, modules, libraries, scripts: Arc::clone(&self.scripts), skipped: Vec::new() }
    }
}

impl SourceTree {
    /// The library that a Python file means by a module's dotted name, if it is of the source
    /// (docs.python.org, "The import system").
    pub(crate) fn module_named(&self, file: &SourceFile, dotted: &str) -> Option<String> {
        let mut folders: Vec<&str> = file.path.split('/').collect();
        folders.pop();
        let name = dotted.trim_start_matches('.');
        let path = name.replace('.', "/");
        let known = |path: String| self.libraries.contains(&path).then_some(path);
        let under = |folders: &[&str]| {
            let folder = folders.join("/");
            known(if folder.is_empty() {
                path.clone()
            } else if path.is_empty() {
                folder
            } else {
                format!("{folder}/{path}")
            })
        };
        match dotted.len() - name.len() {
            // Found from where the program starts: some folder around.
            0 => (0..=folders.len()).find_map(|depth| under(&folders[..depth])),
            up => under(&folders[..(folders.len() + 1).checked_sub(up)?]),
        }
    }
}

fn libraries(files: &[SourceFile]) -> FxHashSet<String> {
    let script = |file: &&SourceFile| matches!(file.language, Language::Script { .. } | Language::Python);
    files.iter().filter(script).filter_map(library_of).map(str::to_owned).collect()
}

/// A relative path as seen from a folder.
pub(crate) fn joined(folder: &str, path: &str) -> String {
    let mut parts: Vec<&str> = folder.split('/').filter(|part| !part.is_empty()).collect();
    for part in path.split('/') {
        match part {
            "" | "." => {}
            ".." => {
                parts.pop();
            }
            _ => parts.push(part),
        }
    }
    parts.join("/")
}

#[cfg(test)]
mod tests {
    use crate::source::from_texts;

    #[test]
    fn uris_from_a_file_and_between_packages() {
        let texts = [
            ("pubspec.yaml", "name: barn"),
            ("packages/tools/pubspec.yaml", "name: tools"),
            ("lib/pages/shelf.dart", ""),
        ];
        let sources = from_texts(texts.map(|(path, text)| (path.to_owned(), text.to_owned())).to_vec());
        let library = |uri| sources.library(&sources.files[0], uri, |_, _| Vec::new());
        assert_eq!(library("../nav/names.dart"), "lib/nav/names");
        assert_eq!(library("package:barn/nav/names.dart"), "lib/nav/names");
        assert_eq!(library("package:tools/tools.dart"), "packages/tools/lib/tools");
        assert_eq!(library("package:go_router/go_router.dart"), "package:go_router/go_router");
        assert_eq!(library("dart:async"), "dart:async");
    }
}
