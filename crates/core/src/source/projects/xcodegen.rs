//! A project's description in YAML, of which the editor's project file is made.

use super::super::Build;
use super::{Link, Target};
use saphyr::{LoadableYamlNode, Yaml};

/// The targets that a project builds, and the packages that it takes from folders. What is not valid
/// YAML says nothing.
pub(in crate::source) fn read(text: &str) -> Build {
    let documents = Yaml::load_from_str(text).unwrap_or_default();
    let Some(root) = documents.first() else { return Build::default() };
    let named = |key: &str| {
        let entries = root.as_mapping_get(key).and_then(Yaml::as_mapping).into_iter().flatten();
        entries.filter_map(|(name, value)| Some((name.as_str()?.to_owned(), value)))
    };
    let targets: Vec<Target> = named("targets").map(|(name, target)| read_target(name, target)).collect();
    let packages = named("packages").filter_map(|(_, package)| text_of(package, "path"));
    Build {
        name: text_of(root, "name"),
        runs: targets.iter().any(|target| target.application),
        links: packages.map(Link::Folder).collect(),
        targets,
        ..Build::default()
    }
}

fn read_target(name: String, target: &Yaml<'_>) -> Target {
    let needs = list(target, "dependencies").filter_map(|need| text_of(need, "target"));
    let sources =
        list(target, "sources").filter_map(|source| own_text(source).or_else(|| text_of(source, "path")));
    let sources: Vec<String> = sources.collect();
    let one = target.as_mapping_get("sources").and_then(own_text);
    Target {
        application: text_of(target, "type").is_some_and(|kind| kind == "application"),
        // Without a list, the folder of its name.
        sources: if sources.is_empty() { vec![one.unwrap_or_else(|| name.clone())] } else { sources },
        needs: needs.collect(),
        name,
    }
}

fn list<'y>(node: &'y Yaml<'y>, key: &str) -> impl Iterator<Item = &'y Yaml<'y>> {
    node.as_mapping_get(key).and_then(Yaml::as_vec).into_iter().flatten()
}

fn text_of(node: &Yaml<'_>, key: &str) -> Option<String> {
    own_text(node.as_mapping_get(key)?)
}

fn own_text(node: &Yaml<'_>) -> Option<String> {
    node.as_str().map(str::to_owned)
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn targets_and_packages() {
        let build = read(
            "name: Borrowbarn\npackages:\n  Kit: { path: ../Kit }\n  Far: { url: x }\ntargets:\n  Members:\n    type: application\n    sources: [Members, { path: Shared }]\n    dependencies: [{ package: Kit }, { target: Shelf }]\n  Shelf: { type: framework, sources: Code }\n  Desk: { type: application }\n",
        );
        let said: Vec<String> = build
            .targets
            .iter()
            .map(|t| format!("{} {} {} | {}", t.name, t.application, t.sources.join(" "), t.needs.join(" ")))
            .collect();
        assert_eq!(said, ["Members true Members Shared | Shelf", "Shelf false Code | ", "Desk true Desk | "]);
        assert_eq!(build.links, [Link::Folder("../Kit".to_owned())]);
        assert_eq!(build.name.as_deref(), Some("Borrowbarn"));
        assert_eq!(read("targets: ["), Build::default());
    }
}
