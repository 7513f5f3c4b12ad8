//! Short names for folders, as a project's own configuration gives them: `@/*` is `src/*`.

use crate::syntax::text_entries;
use serde_json::Value;

/// One short name.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Alias {
    /// The folder of the configuration, empty for the root.
    pub folder: String,
    /// What paths begin with, or are.
    pub from: String,
    /// What stands for it, from the root.
    pub to: String,
    /// Only the whole path is meant.
    pub exact: bool,
}

/// Whether a path (with `/`) is of a configuration that may hold short names.
pub(super) fn is_file(path: &str) -> bool {
    let name = path.rsplit('/').next().unwrap_or(path);
    matches!(
        name,
        "tsconfig.json"
            | "jsconfig.json"
            | "tsconfig.base.json"
            | "babel.config.js"
            | ".babelrc"
            | ".babelrc.js"
    )
}

/// The short names of one configuration (typescriptlang.org, "paths"; babeljs.io plugins that resolve
/// modules).
pub(super) fn read(path: &str, text: &str) -> Vec<Alias> {
    let folder = path.rsplit_once('/').map_or("", |(folder, _)| folder);
    let mut found = if path.ends_with(".json") { by_compiler(folder, text) } else { by_plugin(folder, text) };
    // The longest is the nearest.
    found.sort_by_key(|alias| std::cmp::Reverse(alias.from.len()));
    found
}

fn by_compiler(folder: &str, text: &str) -> Vec<Alias> {
    let Ok(root) = json5::from_str::<Value>(text) else { return Vec::new() };
    let Some(options) = root.get("compilerOptions") else { return Vec::new() };
    let base = options.get("baseUrl").and_then(Value::as_str).unwrap_or(".");
    let paths = options.get("paths").and_then(Value::as_object).into_iter().flatten();
    paths
        .filter_map(|(from, to)| {
            let to = to.as_array()?.first()?.as_str()?;
            let (from, exact) = (from.trim_end_matches('*'), !from.ends_with('*'));
            let to = super::library::joined(&super::library::joined(folder, base), to.trim_end_matches('*'));
            Some(Alias { folder: folder.to_owned(), from: from.to_owned(), to, exact })
        })
        .collect()
}

fn by_plugin(folder: &str, text: &str) -> Vec<Alias> {
    let entries = text_entries(text, "alias").into_iter();
    entries
        .map(|(from, to)| {
            let to = super::library::joined(folder, &to);
            Alias { folder: folder.to_owned(), from, to, exact: false }
        })
        .collect()
}
