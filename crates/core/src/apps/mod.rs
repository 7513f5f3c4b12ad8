//! The apps of a tree: what is built and started as one, each with the modules that it needs. Nothing
//! is linked across apps.

mod merge;
mod modules;
mod starts;
mod view;

#[cfg(test)]
mod tests;

pub(crate) use merge::merge;
pub(crate) use view::view;

use crate::model::{App, Platform};
use crate::source::{SourceTree, Tool};

/// What is linked as one: an app, or what no app of the tree uses.
#[derive(Debug, Clone, PartialEq, Eq)]
pub(crate) struct Part {
    /// What it is called, for an app.
    pub(crate) app: Option<App>,
    /// Indices of its modules, in order.
    pub(crate) modules: Vec<usize>,
    /// Indices of its files, in order.
    pub(crate) files: Vec<usize>,
}

/// Something that may be an app, before it is known what belongs to it.
#[derive(Debug, Clone)]
struct Candidate {
    name: String,
    platform: Platform,
    module: usize,
    /// What it has of its module; all of it where nothing is said.
    own: Option<Own>,
}

/// A part of a module's files. What nobody names is everybody's.
#[derive(Debug, Clone, Default)]
struct Own {
    /// The folder that is only its own, from the root.
    root: String,
    /// Files and folders that are in it.
    taken: Vec<String>,
    /// Files and folders that are in others.
    left: Vec<String>,
}

impl Own {
    /// Whether a file is in it: the nearest place that holds the file decides.
    fn has(&self, path: &str) -> bool {
        let nearest =
            |places: &[String]| places.iter().filter(|place| lies_in(path, place)).map(String::len).max();
        nearest(&self.taken).map(|length| length + 1) >= nearest(&self.left).map(|length| length + 1)
    }
}

impl Own {
    /// Folders that others have as well.
    fn shared(&self) -> impl Iterator<Item = String> {
        let both = self.taken.iter().filter(|place| self.left.contains(place));
        both.map(|place| match place.rsplit_once('/') {
            Some((folder, name)) if name.contains('.') => folder.to_owned(),
            _ => place.clone(),
        })
    }
}

/// Takes a tree apart. Every file is in one part at least; a tree without an app is one.
pub(crate) fn parts(sources: &SourceTree, label: &str) -> Vec<Part> {
    let candidates = starts::candidates(sources);
    let groups = modules::groups(sources, &candidates);
    let mut parts: Vec<Part> = groups
        .apps
        .into_iter()
        .map(|(candidate, modules)| part(sources, &candidates[candidate], modules))
        .collect();
    parts.sort_by(|a, b| place(a).cmp(&place(b)));
    parts.extend(groups.libraries.into_iter().map(|modules| library(sources, modules)));
    parts.retain(|part| !part.files.is_empty());
    if parts.is_empty() {
        parts.push(library(sources, (0..sources.modules.len()).collect()));
    }
    name_apart(&mut parts, label);
    parts
}

/// Where an app comes in the order of apps.
fn place(part: &Part) -> Option<(&str, &str)> {
    part.app.as_ref().map(|app| (app.root.as_str(), app.name.as_str()))
}

fn part(sources: &SourceTree, candidate: &Candidate, modules: Vec<usize>) -> Part {
    let mut part = library(sources, modules);
    let module = &sources.modules[candidate.module];
    let mut root = module.path.clone();
    if let Some(own) = &candidate.own {
        let elsewhere = |path: &str| own.taken.iter().any(|place| lies_in(path, place));
        let of_module = |file: usize| sources.files[file].module == candidate.module;
        part.files.retain(|&file| !of_module(file) || own.has(&sources.files[file].path));
        let files = sources.files.iter().enumerate();
        part.files.extend(files.filter(|(i, file)| !of_module(*i) && elsewhere(&file.path)).map(|(i, _)| i));
        part.files.sort_unstable();
        part.files.dedup();
        root.clone_from(&own.root);
    }
    let mut used: Vec<usize> = part.files.iter().map(|&file| sources.files[file].module).collect();
    used.sort_unstable();
    used.dedup();
    let used = used.into_iter().map(|i| &sources.modules[i]).filter(|module| module.build.tool != Tool::None);
    let mut paths: Vec<String> =
        used.map(|module| module.path.clone()).filter(|path| *path != root).collect();
    if let Some(own) = candidate.own.as_ref().filter(|_| module.path != root) {
        paths.retain(|path| *path != module.path);
        paths.extend(own.shared());
        paths.sort();
        paths.dedup();
    }
    paths.insert(0, root.clone());
    part.app = Some(App { name: candidate.name.clone(), platform: candidate.platform, root, modules: paths });
    part
}

fn library(sources: &SourceTree, modules: Vec<usize>) -> Part {
    let mut known = vec![false; sources.modules.len()];
    modules.iter().for_each(|&module| known[module] = true);
    let files = sources.files.iter().enumerate().filter(|(_, file)| known[file.module]).map(|(i, _)| i);
    Part { app: None, files: files.collect(), modules }
}

/// Whether a path is a file, or lies in a folder.
fn lies_in(path: &str, place: &str) -> bool {
    let inside = |rest: &str| rest.is_empty() || rest.starts_with('/');
    place.is_empty() || path.strip_prefix(place).is_some_and(inside)
}

/// Two apps of one name go by their folders.
fn name_apart(parts: &mut [Part], label: &str) {
    let names: Vec<String> = parts.iter().filter_map(|part| Some(part.app.as_ref()?.name.clone())).collect();
    for app in parts.iter_mut().filter_map(|part| part.app.as_mut()) {
        let twice = names.iter().filter(|name| **name == app.name).count() > 1;
        if app.name.is_empty() || twice {
            app.name.clone_from(&app.root);
        }
        if app.name == "." {
            let last = label.trim_end_matches(['/', '\\']).rsplit(['/', '\\']).next();
            app.name = last.filter(|last| !matches!(*last, "" | "." | "..")).unwrap_or("app").to_owned();
        }
    }
}
