//! What a Dart package says of itself (dart.dev, "The pubspec file").

use super::Build;
use saphyr::{LoadableYamlNode, Yaml};

/// Reads a pubspec's text. What is not valid YAML says nothing.
pub(super) fn read(text: &str) -> Build {
    let documents = Yaml::load_from_str(text).unwrap_or_default();
    let Some(root) = documents.first() else { return Build::default() };
    let name = root.as_mapping_get("name").and_then(Yaml::as_str).map(str::to_owned);
    let sections = ["dependencies", "dev_dependencies"];
    let depends_on = sections.iter().filter_map(|section| root.as_mapping_get(section)?.as_mapping());
    let depends_on = depends_on.flat_map(|section| section.keys()).filter_map(Yaml::as_str);
    Build { name, depends_on: depends_on.map(str::to_owned).collect(), ..Build::default() }
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
    }
}
