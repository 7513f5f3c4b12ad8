//! What an app's settings say of its routes (docs.expo.dev, "app.json", "Typed routes").

use serde_json::Value;

/// Whether a path (with `/`) is of an app's settings.
pub(super) fn is_file(path: &str) -> bool {
    path.rsplit('/').next() == Some("app.json")
}

/// Whether the compiler checks the paths that calls write.
pub(super) fn checks_paths(text: &str) -> bool {
    let Ok(root) = json5::from_str::<Value>(text) else { return false };
    root.pointer("/expo/experiments/typedRoutes").and_then(Value::as_bool) == Some(true)
}
