//! Walks the tree and reads what may matter, a file at a time on every core.

use super::app_settings;
use super::decode::decode;
use super::language::is_test_source;
use super::projects::{self, Layout};
use super::scripts;
use super::{Build, Language, ModuleInfo, SourceFile, SourceTree, Text, Tool};
use crate::Error;
use crate::model::Skipped;
use ignore::gitignore::{Gitignore, GitignoreBuilder};
use ignore::{DirEntry, WalkBuilder};
use rayon::prelude::*;
use rustc_hash::{FxHashMap, FxHashSet};
use std::path::{Path, PathBuf};
use std::sync::Arc;

/// A larger file is no hand-written screen.
const MAX_BYTES: u64 = 2 * 1024 * 1024;
/// A longer line is minified or data.
const MAX_LINE: usize = 50_000;

/// Finds modules and source files below `root`. Ignore files are respected; links are not followed.
///
/// # Errors
/// When the root is not a readable folder, or holds nothing that is an app's source.
pub fn discover(root: &Path) -> Result<SourceTree, Error> {
    discover_without(root, &[])
}

/// As [`discover`], without the paths that some patterns match, written as in an ignore file.
///
/// # Errors
/// As [`discover`].
pub fn discover_without(root: &Path, left_out: &[String]) -> Result<SourceTree, Error> {
    let kind = std::fs::metadata(root).map_err(|source| match source.kind() {
        std::io::ErrorKind::NotFound => Error::NoSuchPath(root.to_owned()),
        _ => Error::Unreadable { path: root.to_owned(), source },
    })?;
    if !kind.is_dir() {
        return Err(Error::NotAFolder(root.to_owned()));
    }
    std::fs::read_dir(root).map_err(|source| Error::Unreadable { path: root.to_owned(), source })?;

    let mut found = list(root, &matcher(root, left_out));
    found.sources.sort_by(|a, b| a.0.cmp(&b.0));
    leave_bare_headers(&mut found.sources);
    let read: Vec<_> = found.sources.par_iter().map(|(path, language)| read(root, path, *language)).collect();
    let mut files = Vec::new();
    for outcome in read {
        match outcome {
            Outcome::Read(file, trouble) => {
                found.skipped.extend(trouble);
                files.push(*file);
            }
            Outcome::Skipped(skipped) => found.skipped.push(skipped),
        }
    }
    if files.is_empty() && found.skipped.is_empty() {
        return Err(Error::NoApp(root.to_owned()));
    }
    let builds = found.builds.iter().map(|path| {
        let text = std::fs::read(root.join(path)).map(|bytes| decode(&bytes).text).unwrap_or_default();
        (path.clone(), text)
    });
    let texts = sorted(builds);
    let modules = modules(&texts, &mut files);
    let tree = SourceTree { files, modules, skipped: found.skipped, ..SourceTree::default() };
    Ok(tree.note_scripts(&texts))
}

/// A source tree from texts by path, as if they had been found in a folder.
#[must_use]
pub fn from_texts(texts: Vec<(String, String)>) -> SourceTree {
    let (builds, sources): (Vec<_>, Vec<_>) = texts.into_iter().partition(|(path, _)| is_configuration(path));
    let mut files: Vec<SourceFile> = sources
        .into_iter()
        .filter_map(|(path, text)| {
            let language = Language::of(&path).filter(|_| !is_test_source(&path))?;
            Some(SourceFile { path, language, module: 0, text: Arc::new(Text::new(text)) })
        })
        .collect();
    files.sort_by(|a, b| a.path.cmp(&b.path));
    let texts = sorted(builds);
    let modules = modules(&texts, &mut files);
    SourceTree { files, modules, ..SourceTree::default() }.note_scripts(&texts)
}

#[derive(Default)]
struct Found {
    sources: Vec<(String, Language)>,
    builds: Vec<String>,
    skipped: Vec<Skipped>,
}

/// What is left out. A pattern that is none matches nothing.
fn matcher(root: &Path, left_out: &[String]) -> Gitignore {
    let mut builder = GitignoreBuilder::new(root);
    for pattern in left_out {
        let _ = builder.add_line(None, pattern);
    }
    builder.build().unwrap_or_else(|_| Gitignore::empty())
}

fn list(root: &Path, left_out: &Gitignore) -> Found {
    let mut found = Found::default();
    let kept = {
        let left_out = left_out.clone();
        move |entry: &DirEntry| {
            let folder = entry.file_type().is_some_and(|kind| kind.is_dir());
            wanted(entry) && !left_out.matched(entry.path(), folder).is_ignore()
        }
    };
    let walk = WalkBuilder::new(root).require_git(false).follow_links(false).filter_entry(kept).build();
    for entry in walk {
        match entry {
            Ok(entry) => note(root, &entry, &mut found),
            Err(error) => found.skipped.push(trouble(root, &error)),
        }
    }
    found
}

fn note(root: &Path, entry: &DirEntry, found: &mut Found) {
    let Some(path) = relative(root, entry.path()) else { return };
    let Some(kind) = entry.file_type() else { return };
    if kind.is_symlink() {
        if entry.path().is_dir() || Language::of(&path).is_some() {
            found.skipped.push(skip(path, "a symbolic link; not followed"));
        }
    } else if kind.is_file() {
        if is_configuration(&path) {
            found.builds.push(path.clone());
        }
        if Build::is_file(&path) {
            return;
        }
        if let Some(language) = Language::of(&path).filter(|_| !is_test_source(&path)) {
            found.sources.push((path, language));
        }
    }
}

/// Folders that hold what a build or a package manager made.
fn wanted(entry: &DirEntry) -> bool {
    let made = match entry.file_name().to_str() {
        Some(
            "node_modules" | ".dart_tool" | ".gradle" | "Pods" | "Carthage" | "DerivedData" | ".build"
            | "__pycache__" | ".venv" | "venv" | "site-packages" | ".buildozer",
        ) => true,
        Some("build" | "bin" | "obj" | "out") => beside_build_file(entry.path()),
        _ => false,
    };
    !(made && entry.file_type().is_some_and(|kind| kind.is_dir()))
}

fn beside_build_file(path: &Path) -> bool {
    let Some(parent) = path.parent() else { return false };
    let known = ["build.gradle", "build.gradle.kts", "pubspec.yaml", "package.json"];
    let project = |entry: std::fs::DirEntry| entry.path().extension().is_some_and(|end| end == "csproj");
    known.iter().any(|name| parent.join(name).is_file())
        || std::fs::read_dir(parent).is_ok_and(|entries| entries.flatten().any(project))
}

fn trouble(root: &Path, error: &ignore::Error) -> Skipped {
    match error {
        ignore::Error::WithPath { path, err } => {
            let path = relative(root, path).unwrap_or_else(|| path.display().to_string());
            Skipped { path, reason: err.to_string() }
        }
        ignore::Error::WithDepth { err, .. } => trouble(root, err),
        other => skip(".".to_owned(), &other.to_string()),
    }
}

fn skip(path: String, reason: &str) -> Skipped {
    Skipped { path, reason: reason.to_owned() }
}

fn relative(root: &Path, path: &Path) -> Option<String> {
    let path = path.strip_prefix(root).ok()?;
    let parts: Vec<_> = path.components().map(|c| c.as_os_str().to_string_lossy()).collect();
    (!parts.is_empty()).then(|| parts.join("/"))
}

enum Outcome {
    Read(Box<SourceFile>, Option<Skipped>),
    Skipped(Skipped),
}

/// A header is of Objective-C where something of it stands beside; else it is C's, and says nothing.
fn leave_bare_headers(sources: &mut Vec<(String, Language)>) {
    let folder = |path: &str| path.rsplit_once('/').map_or(String::new(), |(folder, _)| folder.to_owned());
    let is_header = |path: &str| path.ends_with(".h");
    let own = sources.iter().filter(|(path, language)| *language == Language::ObjectiveC && !is_header(path));
    let own: FxHashSet<String> = own.map(|(path, _)| folder(path)).collect();
    sources.retain(|(path, _)| !is_header(path) || own.contains(&folder(path)));
}

fn read(root: &Path, path: &str, language: Language) -> Outcome {
    let full: PathBuf = root.join(path);
    let leave = |reason: &str| Outcome::Skipped(skip(path.to_owned(), reason));
    match std::fs::metadata(&full) {
        Ok(data) if data.len() > MAX_BYTES => return leave("larger than 2 MiB; not read"),
        Ok(_) => {}
        Err(error) => return leave(&format!("cannot be read: {error}")),
    }
    let bytes = match std::fs::read(&full) {
        Ok(bytes) => bytes,
        Err(error) => return leave(&format!("cannot be read: {error}")),
    };
    let decoded = decode(&bytes);
    if decoded.text.contains('\0') {
        return leave("binary, though its name says source; not read");
    }
    if decoded.text.lines().any(|line| line.len() > MAX_LINE) {
        return leave("a line of more than 50,000 bytes: minified or data; not read");
    }
    let trouble = decoded.trouble.map(|reason| skip(path.to_owned(), &reason));
    let file =
        SourceFile { path: path.to_owned(), language, module: 0, text: Arc::new(Text::new(decoded.text)) };
    Outcome::Read(Box::new(file), trouble)
}

/// Whether a file at a path is read, as source or as a configuration.
#[cfg(test)]
pub(crate) fn is_read(path: &str) -> bool {
    Language::of(path).is_some() || is_configuration(path)
}

fn is_configuration(path: &str) -> bool {
    Build::is_file(path)
        || scripts::is_configuration(path)
        || app_settings::is_file(path)
        || projects::is_file(path)
}

/// Configurations by path, not in the order in which a disk happens to list them.
fn sorted(texts: impl IntoIterator<Item = (String, String)>) -> Vec<(String, String)> {
    let mut texts: Vec<(String, String)> = texts.into_iter().collect();
    texts.sort();
    texts
}

fn folder_of(path: &str) -> &str {
    path.rsplit_once('/').map_or(".", |(folder, _)| folder)
}

/// Gives every file the module with the longest matching folder. Files outside of any build file's
/// folder belong to a module at the root.
fn modules(texts: &[(String, String)], files: &mut [SourceFile]) -> Vec<ModuleInfo> {
    let settings = texts.iter().filter(|(path, _)| app_settings::is_file(path));
    let folders = |says: fn(&str) -> bool| -> Vec<&str> {
        settings.clone().filter(|(_, text)| says(text)).map(|(path, _)| folder_of(path)).collect()
    };
    let (checked, running) = (folders(app_settings::checks_paths), folders(app_settings::are_of_an_app));
    let layout = Layout::read(texts);
    let read = |(path, text): &(String, String)| {
        let folder = projects::folder_of_build(path);
        let mut build = Build { checks_paths: checked.contains(&folder), ..Build::read(path, text) };
        build.runs |= build.tool == Tool::Npm && running.contains(&folder);
        layout.name_plugins(folder, &mut build);
        let root = layout.root_of(folder).map(str::to_owned);
        ModuleInfo { path: folder.to_owned(), build, needs: Vec::new(), root }
    };
    let builds = texts.iter().filter(|(path, _)| Build::is_file(path));
    let mut modules: Vec<ModuleInfo> = builds.map(read).collect();
    let hosts: Vec<bool> =
        modules.iter().map(|m| projects::is_of_host(&m.path, m.build.tool, &modules)).collect();
    let mut hosts = hosts.into_iter();
    modules.retain(|_| !hosts.next().unwrap_or_default());
    modules.sort_by(|a, b| (&a.path, a.build.tool).cmp(&(&b.path, b.build.tool)));
    modules.dedup_by(|more, kept| {
        let same = more.path == kept.path;
        if same {
            kept.build.join(std::mem::take(&mut more.build));
        }
        same
    });
    if !modules.iter().any(|m| m.path == ".") {
        modules.insert(0, ModuleInfo { path: ".".to_owned(), ..ModuleInfo::default() });
    }
    let needs = projects::needs(&modules, &layout);
    modules.iter_mut().zip(needs).for_each(|(module, needs)| module.needs = needs);
    place(files, &modules);
    modules
}

/// A file is of the module of the nearest folder around it.
fn place(files: &mut [SourceFile], modules: &[ModuleInfo]) {
    let by_path: FxHashMap<&str, usize> =
        modules.iter().zip(0..).map(|(m, i)| (m.path.as_str(), i)).collect();
    let root = by_path.get(".").copied().unwrap_or_default();
    for file in files.iter_mut() {
        let mut around = file.path.as_str();
        file.module = loop {
            let Some((folder, _)) = around.rsplit_once('/') else { break root };
            match by_path.get(folder) {
                Some(&module) => break module,
                None => around = folder,
            }
        };
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn build_files_of_one_folder_are_one_module_whatever_their_order() {
        let mut texts: Vec<(String, String)> = [
            ("pyproject.toml", ""),
            ("package.json", "{ \"name\": \"barn\", \"dependencies\": { \"expo-router\": \"3\" } }"),
            ("build.gradle", "android { namespace \"barn.app\" }"),
            ("tsconfig.json", "{ \"compilerOptions\": { \"paths\": { \"@/*\": [\"src/*\"] } } }"),
            ("src/shelf.js", ""),
            ("lib/shelf.js", ""),
            ("index.js", ""),
            ("babel.config.js", "module.exports = { plugins: [['x', { alias: { '@/': 'lib/' } }]] };"),
        ]
        .map(|(path, text)| (path.to_owned(), text.to_owned()))
        .to_vec();
        let one = from_texts(texts.clone());
        texts.reverse();
        let other = from_texts(texts);
        assert_eq!(one.modules.len(), 1);
        let build = &one.modules[0].build;
        assert_eq!((build.tool, build.name.as_deref()), (crate::source::Tool::Npm, Some("barn")));
        assert_eq!(build.namespace.as_deref(), Some("barn.app"));
        assert_eq!(build.depends_on, ["expo-router"]);
        assert_eq!(build, &other.modules[0].build);
        let found = |sources: &SourceTree| {
            let entries = |_: &str, _: &str| vec![("@/".to_owned(), "lib/".to_owned())];
            sources.library(&sources.files[0], "@/shelf", entries)
        };
        assert_eq!((found(&one), found(&other)), ("lib/shelf".to_owned(), "lib/shelf".to_owned()));
    }
}
