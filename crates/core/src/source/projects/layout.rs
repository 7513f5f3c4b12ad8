//! What is settled above modules: Gradle's settings and its catalogues of versions.

use super::super::gradle::{self, GradleSettings};
use super::super::library::joined;
use super::super::{Build, ModuleInfo};
use super::{folders_around, plain};
use rustc_hash::FxHashMap;

/// Gradle builds of a tree by the folders of their settings, empty for the root.
#[derive(Debug, Default)]
pub(crate) struct Layout {
    builds: FxHashMap<String, GradleSettings>,
    catalogues: Vec<(String, toml::Table)>,
}

/// Whether a path (with `/`) is of a file that is read here.
pub(crate) fn is_file(path: &str) -> bool {
    is_settings(path) || is_catalogue(path)
}

fn is_settings(path: &str) -> bool {
    matches!(path.rsplit('/').next(), Some("settings.gradle" | "settings.gradle.kts"))
}

fn is_catalogue(path: &str) -> bool {
    path.ends_with(".versions.toml")
}

impl Layout {
    /// Reads what the texts of a tree settle, by path.
    pub(crate) fn read(texts: &[(String, String)]) -> Self {
        let folder = |path: &str| path.rsplit_once('/').map_or("", |(folder, _)| folder).to_owned();
        let settings = texts.iter().filter(|(path, _)| is_settings(path));
        let catalogues = texts.iter().filter(|(path, _)| is_catalogue(path));
        Self {
            builds: settings.map(|(path, text)| (folder(path), gradle::read_settings(text))).collect(),
            catalogues: catalogues
                .filter_map(|(path, text)| Some((folder(path), text.parse().ok()?)))
                .collect(),
        }
    }

    /// Names the plugins of a build by the catalogues of the builds around it.
    pub(crate) fn name_plugins(&self, folder: &str, build: &mut Build) {
        let around: Vec<&str> = folders_around(plain(folder)).collect();
        for (of, catalogue) in &self.catalogues {
            if around.iter().any(|folder| of == folder || *of == joined(folder, "gradle")) {
                gradle::name_plugins(build, catalogue);
            }
        }
    }

    /// The folder of the Gradle build that a module is of.
    pub(crate) fn root_of<'m>(&self, module: &'m str) -> Option<&'m str> {
        folders_around(plain(module)).find(|folder| self.builds.contains_key(*folder))
    }

    /// The folder of a project of the build that a module is of.
    pub(super) fn folder_of(&self, module: &str, path: &str) -> Option<String> {
        let root = self.root_of(module)?;
        let settled = self.builds.get(root)?.folders.iter().find(|(project, _)| project == path);
        let inside = match settled {
            Some((_, folder)) => folder.trim_start_matches("$rootDir/").to_owned(),
            None => path.trim_start_matches(':').replace(':', "/"),
        };
        Some(joined(root, &inside))
    }

    /// The modules of builds that the build of a module includes.
    pub(crate) fn included<'m>(
        &self,
        module: &str,
        modules: &'m [ModuleInfo],
    ) -> impl Iterator<Item = usize> + 'm {
        let root = self.root_of(module).unwrap_or_default();
        let builds = self.builds.get(root).into_iter().flat_map(|settings| &settings.builds);
        let folders: Vec<String> = builds.map(|folder| joined(root, folder)).collect();
        let inside = move |module: &ModuleInfo| {
            let path = plain(&module.path);
            folders.iter().any(|folder| path == folder || module_lies_in(path, folder))
        };
        modules.iter().enumerate().filter(move |(_, module)| inside(module)).map(|(i, _)| i)
    }
}

fn module_lies_in(path: &str, folder: &str) -> bool {
    path.strip_prefix(folder).is_some_and(|rest| rest.starts_with('/'))
}
