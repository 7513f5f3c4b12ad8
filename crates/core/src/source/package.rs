//! What a JavaScript package says of itself (docs.npmjs.com, "package.json").

use super::Build;
use super::projects::Link;
use serde_json::Value;

/// Reads a package's text. What is not valid says nothing.
pub(super) fn read(text: &str) -> Build {
    let Ok(root) = json5::from_str::<Value>(text) else { return Build::default() };
    let text = |name: &str| root.get(name).and_then(Value::as_str).map(str::to_owned);
    let sections = ["dependencies", "devDependencies", "peerDependencies"];
    let packages = sections.iter().filter_map(|section| root.get(section)?.as_object()).flatten();
    let versions: Vec<(String, String)> = packages
        .map(|(name, version)| (name.clone(), version.as_str().unwrap_or_default().to_owned()))
        .collect();
    Build {
        name: text("name"),
        main: text("main"),
        links: versions.iter().flat_map(|(name, version)| links(name, version)).collect(),
        depends_on: versions.iter().map(|(name, _)| name.clone()).collect(),
        versions,
        ..Build::default()
    }
}

/// A package by its name, and by the folder that its version is (docs.npmjs.com, "Local paths";
/// yarnpkg.com, "Protocols").
fn links(name: &str, version: &str) -> Vec<Link> {
    let protocols = ["file:", "link:", "portal:"];
    let folder = protocols.iter().find_map(|protocol| version.strip_prefix(protocol));
    let folder = folder.or_else(|| version.starts_with('.').then_some(version));
    match folder {
        Some(folder) => vec![Link::Folder(folder.to_owned())],
        None => vec![Link::Name(name.to_owned())],
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn names_and_dependencies() {
        let build = read(
            r#"{ "name": "@barn/app", "main": "index.js", "dependencies": { "react-native": "0.76" } }"#,
        );
        assert_eq!((build.name.as_deref(), build.main.as_deref()), (Some("@barn/app"), Some("index.js")));
        assert_eq!(build.depends_on, ["react-native"]);
        assert_eq!(read("{ name"), Build::default());
        let local = read(r#"{ "dependencies": { "@barn/ui": "workspace:*", "labels": "file:../labels" } }"#);
        assert_eq!(local.links, [Link::Name("@barn/ui".to_owned()), Link::Folder("../labels".to_owned())]);
    }
}
