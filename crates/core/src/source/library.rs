//! Files that others import by a URI, and the names they go by: a library is its path without the
//! extension.

use super::{Language, SourceFile, SourceTree, Tool};

/// The library that a file is; `None` where files are no libraries.
#[must_use]
pub fn library_of(file: &SourceFile) -> Option<&str> {
    match file.language {
        Language::Dart => file.path.strip_suffix(".dart"),
        _ => None,
    }
}

impl SourceTree {
    /// The library that a file means by a URI: `../shelf.dart`, `package:barn/shelf.dart`. One that is
    /// not of the source keeps its URI (dart.dev, "Libraries & imports").
    #[must_use]
    pub fn library(&self, file: &SourceFile, uri: &str) -> String {
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

/// A relative path as seen from a folder.
fn joined(folder: &str, path: &str) -> String {
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
