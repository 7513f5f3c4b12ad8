//! Paths of files as paths of routes (docs.expo.dev, "Expo Router notation").

use super::PACKAGE;
use crate::source::{ModuleInfo, Tool, library_of};
use crate::values::Values;

/// A file of the folder whose files are routes.
#[derive(Debug, Clone, PartialEq, Eq)]
pub(super) struct RouteFile {
    /// The folder, with a `/` at its end.
    pub(super) folder: String,
    /// The file in it, without its extension: `(tabs)/items/[id]`.
    pub(super) inside: String,
}

/// What a file of that folder is.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub(super) enum Role {
    /// A route.
    Route,
    /// What is shown for unknown paths.
    Fallback,
    /// What stands around the routes of its folder.
    Layout,
    /// Nothing that is shown.
    Other,
}

impl RouteFile {
    /// The place of a file, if its module makes files routes.
    pub(super) fn of(file: u32, values: &Values<'_>) -> Option<Self> {
        let program = values.program();
        let source = program.source(file);
        let module = program.sources().modules.get(source.module)?;
        let says = module.build.depends_on.iter().any(|name| name == PACKAGE);
        (says || is_laid_out(module, values)).then_some(())?;
        let library = library_of(source)?;
        let root = if module.path == "." { String::new() } else { format!("{}/", module.path) };
        let rest = library.strip_prefix(&root)?;
        let folder = ["app/", "src/app/"].into_iter().find(|folder| rest.starts_with(folder))?;
        Some(Self { folder: format!("{root}{folder}"), inside: rest[folder.len()..].to_owned() })
    }

    /// What it is.
    pub(super) fn role(&self) -> Role {
        let name = self.inside.rsplit('/').next().unwrap_or_default();
        match name {
            "_layout" => Role::Layout,
            "+not-found" => Role::Fallback,
            // Servers' files, pages around the app, variants for one platform.
            _ if name.starts_with('+')
                || name.contains('+')
                || name.contains('.') && !name.contains("...") =>
            {
                Role::Other
            }
            _ => Role::Route,
        }
    }

    /// The path that opens it, parameters in brackets: `/items/[id]`.
    pub(super) fn path(&self) -> String {
        let shown = self.inside.split('/').filter(|part| !is_group(part) && *part != "index");
        format!("/{}", shown.collect::<Vec<_>>().join("/"))
    }

    /// The folder that it stands in, inside of the routes' own.
    pub(super) fn parent(&self) -> &str {
        self.inside.rsplit_once('/').map_or("", |(folder, _)| folder)
    }
}

/// Whether a module that says nothing of its packages has a layout at the root of its routes.
fn is_laid_out(module: &ModuleInfo, values: &Values<'_>) -> bool {
    if module.build.tool != Tool::Npm || !module.build.depends_on.is_empty() {
        return false;
    }
    let root = if module.path == "." { String::new() } else { format!("{}/", module.path) };
    let mut layouts = ["app/_layout", "src/app/_layout"]
        .into_iter()
        .flat_map(|layout| ["tsx", "jsx", "js", "ts"].map(|extension| format!("{root}{layout}.{extension}")));
    layouts.any(|path| values.program().sources().file_at(&path).is_some())
}

/// `(tabs)`: a folder that is no part of the path.
pub(super) fn is_group(part: &str) -> bool {
    part.starts_with('(') && part.ends_with(')')
}

/// The parameters of a path, and whether each takes several segments.
pub(super) fn parameters(path: &str) -> Vec<(String, bool)> {
    let inner =
        |part: &str| part.strip_prefix('[').and_then(|part| part.strip_suffix(']')).map(str::to_owned);
    let parts = path.split('/').filter_map(inner);
    parts
        .map(|name| match name.strip_prefix("...") {
            Some(rest) => (rest.to_owned(), true),
            None => (name, false),
        })
        .collect()
}

/// A path with its parameters in braces; one that takes several segments ends it.
pub(super) fn pattern(path: &str) -> String {
    let parts =
        path.split('/').map(|part| match part.strip_prefix('[').and_then(|part| part.strip_suffix(']')) {
            Some(name) => format!("{{{name}}}"),
            None => part.to_owned(),
        });
    parts.collect::<Vec<_>>().join("/")
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn files_to_paths() {
        let path = |inside: &str| RouteFile { folder: "app/".into(), inside: inside.into() }.path();
        assert_eq!(path("index"), "/");
        assert_eq!(path("(tabs)/items/[id]/index"), "/items/[id]");
        assert_eq!(path("manual/[...topic]"), "/manual/[...topic]");
        let role = |inside: &str| RouteFile { folder: "app/".into(), inside: inside.into() }.role();
        assert_eq!(role("items/_layout"), Role::Layout);
        assert_eq!(role("+not-found"), Role::Fallback);
        assert_eq!(role("hello+api"), Role::Other);
        assert_eq!(role("map.web"), Role::Other);
        assert_eq!(role("[...topic]"), Role::Route);
        assert_eq!(pattern("/a/[id]/[...rest]"), "/a/{id}/{...rest}");
        assert_eq!(parameters("/a/[id]/[...rest]"), [("id".to_owned(), false), ("rest".to_owned(), true)]);
    }
}
