//! What a JavaScript package says of itself (docs.npmjs.com, "package.json").

use super::Build;
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
        depends_on: versions.iter().map(|(name, _)| name.clone()).collect(),
        versions,
        ..Build::default()
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
    }
}
