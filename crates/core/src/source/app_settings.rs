//! What an app's settings say of its routes (docs.expo.dev, "app.json", "Typed routes").

use serde_json::Value;

/// Whether a path (with `/`) is of an app's settings.
pub(super) fn is_file(path: &str) -> bool {
    path.rsplit('/').next() == Some("app.json")
}

/// Whether it is an app's at all (docs.expo.dev, "app.json"; the templates of React Native write a name to
/// show).
pub(super) fn are_of_an_app(text: &str) -> bool {
    let Ok(root) = json5::from_str::<Value>(text) else { return false };
    root.get("expo").is_some() || root.get("displayName").is_some()
}

/// Whether the compiler checks the paths that calls write.
pub(super) fn checks_paths(text: &str) -> bool {
    let Ok(root) = json5::from_str::<Value>(text) else { return false };
    root.pointer("/expo/experiments/typedRoutes").and_then(Value::as_bool) == Some(true)
}
