//! Which modules need which: what build files name of each other, as modules of the tree.

mod layout;
pub(super) mod xcode;
pub(super) mod xcodegen;

pub(super) use layout::{Layout, is_file};

use super::library::joined;
use super::{ModuleInfo, Tool};

/// Another part of the tree, as a build file names it.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Link {
    /// A folder, from the build file's own.
    Folder(String),
    /// A project of the same Gradle build by its path: `:core:data`.
    Project(String),
    /// The same by the accessor that is made for it: `core.data` of `projects.core.data`.
    Accessor(String),
    /// A package by its name.
    Name(String),
}

/// Something that a project file builds.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Target {
    /// Its name.
    pub name: String,
    /// Whether it is an app, not a library, an extension or a test.
    pub application: bool,
    /// Files and folders that are compiled into it, from the module's folder.
    pub sources: Vec<String>,
    /// Names of the targets that it needs.
    pub needs: Vec<String>,
}

/// The modules that each module needs, by index, each once and in order.
pub(super) fn needs(modules: &[ModuleInfo], layout: &Layout) -> Vec<Vec<usize>> {
    let finder = Finder { modules, layout };
    let of = |(i, module): (usize, &ModuleInfo)| {
        let linked = module.build.links.iter().filter_map(|link| finder.find(i, link));
        // What an included build makes goes by names that only the build itself knows.
        let included = layout.included(&module.path, modules).filter(|_| module.build.tool == Tool::Gradle);
        let mut needed: Vec<usize> = linked.chain(included).filter(|&n| n != i).collect();
        needed.sort_unstable();
        needed.dedup();
        needed
    };
    modules.iter().enumerate().map(of).collect()
}

struct Finder<'a> {
    modules: &'a [ModuleInfo],
    layout: &'a Layout,
}

impl Finder<'_> {
    fn find(&self, from: usize, link: &Link) -> Option<usize> {
        let module = &self.modules[from];
        match link {
            Link::Folder(folder) => self.holding(&joined(plain(&module.path), folder)),
            Link::Project(path) => self.project(&module.path, path),
            Link::Accessor(accessor) => self.accessor(&module.path, accessor),
            Link::Name(name) => self.named(from, name),
        }
    }

    fn at(&self, folder: &str) -> Option<usize> {
        self.modules.iter().position(|module| plain(&module.path) == folder)
    }

    /// The module of a folder, which may lie inside of it.
    fn holding(&self, folder: &str) -> Option<usize> {
        let holds =
            |(_, module): &(usize, &ModuleInfo)| plain(&module.path) == folder || module.holds(folder);
        let found = self.modules.iter().enumerate().filter(holds);
        found.max_by_key(|(_, module)| plain(&module.path).len()).map(|(i, _)| i)
    }

    /// A Gradle project, by the settings of the build around, or without any by folders around.
    fn project(&self, from: &str, path: &str) -> Option<usize> {
        if let Some(folder) = self.layout.folder_of(from, path) {
            return self.at(&folder);
        }
        let inside = path.trim_start_matches(':').replace(':', "/");
        folders_around(plain(from)).find_map(|around| self.at(&joined(around, &inside)))
    }

    /// An accessor joins the words of a name otherwise than its folder does.
    fn accessor(&self, from: &str, accessor: &str) -> Option<usize> {
        let root = self.layout.root_of(from).unwrap_or_default();
        let wanted: Vec<String> = accessor.split('.').map(bare).collect();
        let taken = |module: &ModuleInfo| {
            let inside = inside_of(plain(&module.path), root)?;
            let parts: Vec<String> = inside.split('/').map(bare).collect();
            wanted.starts_with(&parts).then_some(parts.len())
        };
        let found = self.modules.iter().enumerate().filter_map(|(i, module)| Some((taken(module)?, i)));
        found.max_by_key(|(length, _)| *length).map(|(_, i)| i)
    }

    /// Of several packages of a name, the one that lies nearest.
    fn named(&self, from: usize, name: &str) -> Option<usize> {
        let own = &self.modules[from];
        let found = self.modules.iter().enumerate().filter(|(_, module)| {
            module.build.tool == own.build.tool && module.build.name.as_deref() == Some(name)
        });
        found
            .map(|(i, module)| (common(&own.path, &module.path), i))
            .max_by_key(|&(common, i)| (common, std::cmp::Reverse(i)))
            .map(|(_, i)| i)
    }
}

/// A folder with nothing for the root.
pub(crate) fn plain(folder: &str) -> &str {
    if folder == "." { "" } else { folder }
}

/// A name without what joins its words.
fn bare(name: &str) -> String {
    name.chars().filter(|c| !matches!(c, '-' | '_')).flat_map(char::to_lowercase).collect()
}

/// A folder as it is seen from one around it; `None` where it is the same, or lies elsewhere.
fn inside_of<'p>(folder: &'p str, around: &str) -> Option<&'p str> {
    match around {
        "" => Some(folder).filter(|folder| !folder.is_empty()),
        around => folder.strip_prefix(around)?.strip_prefix('/'),
    }
}

/// The folders around one, the nearest first, and the root.
fn folders_around(folder: &str) -> impl Iterator<Item = &str> {
    std::iter::successors(Some(folder), |folder| {
        (!folder.is_empty()).then(|| folder.rsplit_once('/').map_or("", |(around, _)| around))
    })
}

/// How many folders two paths share.
pub(super) fn common(one: &str, other: &str) -> usize {
    plain(one).split('/').zip(plain(other).split('/')).take_while(|(a, b)| a == b).count()
}

/// The folder that a build file speaks of: an editor's project lies in a folder of its own.
pub(super) fn folder_of_build(path: &str) -> &str {
    let around = |path: &'_ str| path.rsplit_once('/').map_or(".".len(), |(folder, _)| folder.len());
    let folder = if path.contains('/') { &path[..around(path)] } else { return "." };
    match folder.ends_with(".xcodeproj") {
        true if folder.contains('/') => &folder[..around(folder)],
        true => ".",
        false => folder,
    }
}

/// Whether a project file only belongs to the native folder of an app that is written in something else.
pub(super) fn is_of_host(folder: &str, tool: Tool, modules: &[ModuleInfo]) -> bool {
    let hosts = |module: &ModuleInfo| {
        let inside = inside_of(folder, plain(&module.path));
        let first = inside.and_then(|inside| inside.split('/').next());
        matches!(module.build.tool, Tool::Pub | Tool::Npm)
            && matches!(first, Some("ios" | "macos" | "tvos" | "visionos"))
    };
    tool == Tool::Project && modules.iter().any(hosts)
}
