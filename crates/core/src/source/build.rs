//! What a module's build file says of it.

use super::projects::{Link, Target, xcode, xcodegen};
use super::{gradle, msbuild, package, pubspec, swift_package};

/// Settings of one build file.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Build {
    /// What reads it.
    pub tool: Tool,
    /// The name that others import the module by.
    pub name: Option<String>,
    /// The file that others get who import the module whole.
    pub main: Option<String>,
    /// `namespace`, against which class names in resources are written.
    pub namespace: Option<String>,
    /// Plugin ids.
    pub plugins: Vec<String>,
    /// What it depends on: project paths or package names.
    pub depends_on: Vec<String>,
    /// Whether the compiler checks the paths that calls write.
    pub checks_paths: bool,
    /// The versions of packages that it asks for, as written.
    pub versions: Vec<(String, String)>,
    /// Other parts of the tree that it names.
    pub links: Vec<Link>,
    /// What the project builds, where it builds several things from one folder.
    pub targets: Vec<Target>,
    /// Whether what it builds is started by itself.
    pub runs: bool,
}

/// What builds a module. Of several in one folder the first counts.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, PartialOrd, Ord)]
pub enum Tool {
    /// Dart's package manager.
    Pub,
    /// A JavaScript package manager.
    Npm,
    /// Gradle.
    Gradle,
    /// MSBuild, for C#.
    MsBuild,
    /// Swift's package manager.
    SwiftPackage,
    /// A project that a generator or an editor keeps.
    Project,
    /// Nothing that is known.
    #[default]
    None,
}

/// A build file's name, what it is for, and how it is read.
type Reader = (&'static str, Tool, fn(&str) -> Build);

/// Build files by name, or by its end behind a star, and how each is read.
const READERS: &[Reader] = &[
    ("build.gradle", Tool::Gradle, gradle::read),
    ("build.gradle.kts", Tool::Gradle, gradle::read),
    ("Package.swift", Tool::SwiftPackage, swift_package::read),
    ("package.json", Tool::Npm, package::read),
    // A project of JavaScript whose package file is made when it is set up.
    ("app.config.js", Tool::Npm, of_an_app),
    ("app.config.ts", Tool::Npm, of_an_app),
    ("metro.config.js", Tool::Npm, nothing),
    ("buildozer.spec", Tool::Project, nothing),
    ("pyproject.toml", Tool::Project, nothing),
    ("*.csproj", Tool::MsBuild, msbuild::read),
    ("project.yml", Tool::Project, xcodegen::read),
    ("project.pbxproj", Tool::Project, xcode::read),
    ("pubspec.yaml", Tool::Pub, pubspec::read),
];

/// A build file that says nothing which matters here, but that its folder is a module.
fn nothing(_: &str) -> Build {
    Build::default()
}

/// The configuration of an app that says nothing else which matters here.
fn of_an_app(_: &str) -> Build {
    Build { runs: true, ..Build::default() }
}

impl Build {
    /// Whether a path (with `/`) is of a build file.
    #[must_use]
    pub fn is_file(path: &str) -> bool {
        reader(path).is_some()
    }

    /// Reads the text of a build file.
    #[must_use]
    pub fn read(path: &str, text: &str) -> Self {
        match reader(path) {
            Some((_, tool, read)) => {
                let build = Self { tool: *tool, ..read(text) };
                let named = || Some(path.rsplit('/').next()?.strip_suffix(".csproj")?.to_owned());
                let name = build.name.clone().or_else(named);
                Self { name, ..build }
            }
            None => Self::default(),
        }
    }

    /// Takes over what another build file of the same folder says.
    pub(super) fn join(&mut self, other: Self) {
        self.name = self.name.take().or(other.name);
        self.main = self.main.take().or(other.main);
        self.namespace = self.namespace.take().or(other.namespace);
        self.plugins.extend(other.plugins);
        self.depends_on.extend(other.depends_on);
        self.versions.extend(other.versions);
        self.links.extend(other.links);
        self.targets.extend(other.targets);
        self.runs |= other.runs;
        self.checks_paths |= other.checks_paths;
    }
}

fn reader(path: &str) -> Option<&'static Reader> {
    let name = path.rsplit('/').next()?;
    READERS.iter().find(|(file, ..)| match file.strip_prefix('*') {
        Some(end) => name.ends_with(end),
        None => *file == name,
    })
}
