//! Files that others import by a URI, and the names they go by: a library is its path without the
//! extension.

use super::{Language, SourceFile, SourceTree, Tool};

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
    match module.path.as_str() {
        "." => String::new(),
        folder => folder.replace('.', "-"),
    }
}

impl SourceTree {
    /// The library that a file means by a URI: `../shelf.dart`, `package:barn/shelf.dart`. One that is
    /// not of the source keeps its URI (dart.dev, "Libraries & imports").
    #[must_use]
    pub fn library(&self, file: &SourceFile, uri: &str) -> String {
        if matches!(file.language, Language::Script { .. }) {
            return self.script(file, uri);
        }
        let bare = uri.strip_suffix(".dart").unwrap_or(uri);
        if let Some(rest) = bare.strip_prefix("package:") {
            let (package, path) = rest.split_once('/').unwrap_or((rest, ""));
            let module = self.modules.iter().find(|module| {
                module.build.tool == Tool::Pub && module.build.name.as_deref() == Some(package)
            });
            return match module {
                Some(module) if module.path == "." => format!("lib/{path}"),
                Some(module) => format!("{}/lib/{path}", module.path),
                None => bare.to_owned(),
            };
        }
        if bare.contains(':') {
            return bare.to_owned();
        }
        let folder = file.path.rsplit_once('/').map_or("", |(folder, _)| folder);
        joined(folder, bare)
    }
}

impl SourceTree {
    /// The library that a script means by a URI: relative, by a short name, or by a package of the
    /// workspace (nodejs.org, "Modules"; typescriptlang.org, "Module resolution").
    fn script(&self, file: &SourceFile, uri: &str) -> String {
        let folder = file.path.rsplit_once('/').map_or("", |(folder, _)| folder);
        if uri.starts_with('.') {
            let path = joined(folder, uri);
            return self.script_at(&path).unwrap_or(path);
        }
        let aliases = self.aliases.iter().filter(|alias| {
            (alias.folder.is_empty() || file.path.starts_with(&format!("{}/", alias.folder)))
                && alias.stands_for(uri)
        });
        for alias in aliases {
            let path = joined(&alias.to, &uri[alias.from.len()..]);
            if let Some(found) = self.script_at(&path) {
                return found;
            }
        }
        self.script_of_package(uri).unwrap_or_else(|| uri.to_owned())
    }

    fn script_of_package(&self, uri: &str) -> Option<String> {
        let module = self.modules.iter().find(|module| {
            let name = module.build.name.as_deref().filter(|_| module.build.tool == Tool::Npm);
            name.is_some_and(|name| {
                uri == name || uri.strip_prefix(name).is_some_and(|rest| rest.starts_with('/'))
            })
        })?;
        let name = module.build.name.as_deref()?;
        let folder = if module.path == "." { "" } else { module.path.as_str() };
        let rest = uri[name.len()..].trim_start_matches('/');
        if rest.is_empty() {
            let main = module.build.main.as_deref().map(|main| joined(folder, main));
            let candidates = [main, Some(joined(folder, "index")), Some(joined(folder, "src/index"))];
            return candidates.into_iter().flatten().find_map(|path| self.script_at(&path));
        }
        self.script_at(&joined(folder, rest))
            .or_else(|| self.script_at(&joined(folder, &format!("src/{rest}"))))
    }

    /// The library at a path: with an extension of its own, one for a platform, or a folder's index.
    fn script_at(&self, path: &str) -> Option<String> {
        const ENDINGS: &[&str] = &["", ".native", ".ios", ".android", "/index", "/index.native"];
        let known = |library: &str| self.scripts.contains(library);
        let bare =
            ["js", "jsx", "ts", "tsx", "mjs", "cjs"].iter().find_map(|e| path.strip_suffix(&format!(".{e}")));
        let whole = ENDINGS.iter().map(|ending| format!("{path}{ending}")).find(|library| known(library));
        whole.or_else(|| bare.filter(|library| known(library)).map(str::to_owned))
    }

    /// Notes which libraries there are, once all files are.
    pub(super) fn note_scripts(mut self) -> Self {
        let script = |file: &&SourceFile| matches!(file.language, Language::Script { .. } | Language::Python);
        let scripts = self.files.iter().filter(script);
        self.scripts = scripts.filter_map(library_of).map(str::to_owned).collect();
        self
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
        let known = |path: String| self.scripts.contains(&path).then_some(path);
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

impl super::Alias {
    fn stands_for(&self, uri: &str) -> bool {
        match uri.strip_prefix(self.from.as_str()) {
            Some("") => true,
            Some(rest) => !self.exact && (self.from.ends_with('/') || rest.starts_with('/')),
            None => false,
        }
    }
}

/// A relative path as seen from a folder.
pub(super) fn joined(folder: &str, path: &str) -> String {
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
        let file = &sources.files[0];
        assert_eq!(sources.library(file, "../nav/names.dart"), "lib/nav/names");
        assert_eq!(sources.library(file, "package:barn/nav/names.dart"), "lib/nav/names");
        assert_eq!(sources.library(file, "package:tools/tools.dart"), "packages/tools/lib/tools");
        assert_eq!(sources.library(file, "package:go_router/go_router.dart"), "package:go_router/go_router");
        assert_eq!(sources.library(file, "dart:async"), "dart:async");
    }
}
