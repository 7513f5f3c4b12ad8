//! What a Dart package says of itself (dart.dev, "The pubspec file").

use super::Build;
use super::projects::Link;
use saphyr::{LoadableYamlNode, Yaml};

/// Reads a pubspec's text. What is not valid YAML says nothing.
pub(super) fn read(text: &str) -> Build {
    let documents = Yaml::load_from_str(text).unwrap_or_default();
    let Some(root) = documents.first() else { return Build::default() };
    let name = root.as_mapping_get("name").and_then(Yaml::as_str).map(str::to_owned);
    let sections = ["dependencies", "dev_dependencies", "dependency_overrides"];
    let packages = sections.iter().filter_map(|section| root.as_mapping_get(section)?.as_mapping()).flatten();
    let packages: Vec<_> = packages.filter_map(|(name, from)| Some((name.as_str()?, from))).collect();
    Build {
        name,
        links: packages.iter().map(|(name, from)| link(name, from)).collect(),
        depends_on: packages.into_iter().map(|(name, _)| name.to_owned()).collect(),
        ..Build::default()
    }
}

/// A package by its folder where one is said, else by its name: a workspace has it under that
/// (dart.dev, "Package dependencies", "Pub workspaces").
fn link(name: &str, from: &Yaml<'_>) -> Link {
    match from.as_mapping_get("path").and_then(Yaml::as_str) {
        Some(path) => Link::Folder(path.to_owned()),
        None => Link::Name(name.to_owned()),
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn names_and_dependencies() {
        let build = read("name: barn\ndependencies:\n  flutter:\n    sdk: flutter\n  go_router: ^14.0.0\n");
        assert_eq!(build.name.as_deref(), Some("barn"));
        assert_eq!(build.depends_on, ["flutter", "go_router"]);
        assert_eq!(read("name: [barn"), Build::default());
        let local = read("dependencies:\n  labels:\n    path: ../labels\n  shelf: any\n");
        assert_eq!(local.links, [Link::Folder("../labels".to_owned()), Link::Name("shelf".to_owned())]);
    }
}
