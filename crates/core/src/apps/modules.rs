//! Which modules belong to which app: all that it needs, through as many steps as it takes.

use super::{Candidate, lies_in, starts};
use crate::source::{ModuleInfo, SourceTree, Tool, plain};
use petgraph::graph::{DiGraph, NodeIndex};
use petgraph::unionfind::UnionFind;
use petgraph::visit::{Dfs, Walker};
use rustc_hash::FxHashMap;
use std::collections::{BTreeMap, BTreeSet};

/// Modules by what is linked as one.
pub(super) struct Groups {
    /// Apps by their candidates, each with its modules.
    pub(super) apps: Vec<(usize, Vec<usize>)>,
    /// What no app uses, with all that it needs.
    pub(super) libraries: Vec<Vec<usize>>,
}

/// Groups the modules of a tree.
pub(super) fn groups(sources: &SourceTree, candidates: &[Candidate]) -> Groups {
    let needs = graph(sources);
    let apps = apps(sources, candidates, &needs);
    let mut reached: Vec<BTreeSet<usize>> =
        apps.iter().map(|&app| closure(&needs, candidates[app].module)).collect();
    attach(sources, candidates, &apps, &needs, &mut reached);
    let libraries = match apps.is_empty() {
        true => Vec::new(),
        false => libraries(sources, &needs, &reached),
    };
    let modules = reached.into_iter().map(|modules| modules.into_iter().collect());
    Groups { apps: apps.into_iter().zip(modules).collect(), libraries }
}

/// Who needs whom; an app has its native folders.
fn graph(sources: &SourceTree) -> DiGraph<(), ()> {
    let mut graph = DiGraph::new();
    let nodes: Vec<NodeIndex> = sources.modules.iter().map(|_| graph.add_node(())).collect();
    for (i, module) in sources.modules.iter().enumerate() {
        for &need in &module.needs {
            graph.update_edge(nodes[i], nodes[need], ());
        }
        if let Some(owner) = starts::owner(sources, i) {
            graph.update_edge(nodes[owner], nodes[i], ());
        }
        if let Some(around) = around(sources, i) {
            graph.update_edge(nodes[i], nodes[around], ());
        }
    }
    graph
}

/// The package that an example inside of it shows, where nothing else says what it needs.
fn around(sources: &SourceTree, inner: usize) -> Option<usize> {
    let module = &sources.modules[inner];
    let near = |(i, outer): &(usize, &ModuleInfo)| {
        *i != inner
            && outer.build.tool == module.build.tool
            && outer.path != module.path
            && lies_in(&module.path, plain(&outer.path))
    };
    let outer = sources.modules.iter().enumerate().filter(near);
    let packages = matches!(module.build.tool, Tool::Npm | Tool::Pub);
    let outer =
        outer.max_by_key(|(_, outer)| outer.path.len()).filter(|_| packages && module.needs.is_empty());
    outer.map(|(i, _)| i)
}

fn closure(graph: &DiGraph<(), ()>, module: usize) -> BTreeSet<usize> {
    Dfs::new(graph, NodeIndex::new(module)).iter(graph).map(NodeIndex::index).collect()
}

/// The candidates that are apps: what another one needs is a library with an app's marks, and where
/// projects for several systems show the pages of one, they are its hosts.
fn apps(sources: &SourceTree, candidates: &[Candidate], needs: &DiGraph<(), ()>) -> Vec<usize> {
    let is_needed = |i: usize| {
        let own = &candidates[i];
        candidates.iter().enumerate().any(|(other, candidate)| {
            let apart = candidate.module != own.module && other != i;
            apart && closure(needs, candidate.module).contains(&own.module)
        })
    };
    let by_marks = |i: &usize| {
        let module = &sources.modules[candidates[*i].module];
        module.build.tool != Tool::Gradle || !is_needed(*i) || module.build.runs
    };
    let hosts = |i: &usize| {
        let own = &candidates[*i];
        let is_project = |i: usize| sources.modules[candidates[i].module].build.tool == Tool::MsBuild;
        let shown = (0..candidates.len()).filter(|&other| other != *i && is_project(other));
        let mut shown = shown.filter(|&other| candidates[other].module != own.module);
        is_project(*i) && shown.any(|other| closure(needs, own.module).contains(&candidates[other].module))
    };
    (0..candidates.len()).filter(|i| by_marks(i) && !hosts(i)).collect()
}

/// What nothing says who needs it.
fn attach(
    sources: &SourceTree,
    candidates: &[Candidate],
    apps: &[usize],
    needs: &DiGraph<(), ()>,
    reached: &mut [BTreeSet<usize>],
) {
    let free =
        |reached: &[BTreeSet<usize>], module: usize| !reached.iter().any(|known| known.contains(&module));
    let mentions = Mentions::new(sources);
    let mut named: FxHashMap<Vec<String>, Vec<usize>> = FxHashMap::default();
    for (i, words) in sources.modules.iter().map(imports_of).enumerate() {
        named.entry(words.unwrap_or_default()).or_default().push(i);
    }
    for module in 0..sources.modules.len() {
        if !free(reached, module) {
            continue;
        }
        let words = imports_of(&sources.modules[module]).unwrap_or_default();
        let rivals: &[usize] = named.get(&words).filter(|_| !words.is_empty()).map_or(&[], Vec::as_slice);
        for (at, &app) in apps.iter().enumerate() {
            let home = candidates[app].module;
            let told = || belongs(sources, module, home, needs);
            let made = || mentions.are_made(sources, module, &reached[at]);
            if is_nearest(sources, module, rivals, home) && (told() || made()) {
                reached[at].extend(closure(needs, module));
            }
        }
    }
}

/// Whether a module belongs to an app by where it lies, or by what it shows of it.
fn belongs(sources: &SourceTree, module: usize, home: usize, needs: &DiGraph<(), ()>) -> bool {
    let (own, app) = (&sources.modules[module], &sources.modules[home]);
    let around = lies_in(&app.path, plain(&own.path));
    match own.build.tool {
        // Nothing says what it is for.
        Tool::None => around || own.path == ".",
        Tool::Project => around || lies_in(&own.path, plain(&app.path)),
        // A host for one system.
        Tool::MsBuild => closure(needs, module).contains(&home),
        // No build file says anything of others.
        Tool::Gradle if app.needs.is_empty() => app.build.tool == Tool::Gradle && own.root == app.root,
        tool => tool == app.build.tool && around,
    }
}

/// Whether none of the modules that are imported by the same name lies nearer to an app.
fn is_nearest(sources: &SourceTree, module: usize, rivals: &[usize], home: usize) -> bool {
    let shared = |other: usize| {
        let (one, other) = (sources.modules[other].path.split('/'), sources.modules[home].path.split('/'));
        one.zip(other).take_while(|(one, other)| one == other).count()
    };
    let own = shared(module);
    !rivals.iter().any(|&other| shared(other) > own)
}

/// Modules that no app has, by what hangs together, each with what it needs.
fn libraries(sources: &SourceTree, needs: &DiGraph<(), ()>, reached: &[BTreeSet<usize>]) -> Vec<Vec<usize>> {
    let free: Vec<usize> =
        (0..sources.modules.len()).filter(|i| !reached.iter().any(|known| known.contains(i))).collect();
    let mut together: UnionFind<usize> = UnionFind::new(sources.modules.len());
    for &module in &free {
        for other in closure(needs, module) {
            together.union(module, other);
        }
    }
    let mut groups: BTreeMap<usize, BTreeSet<usize>> = BTreeMap::new();
    for module in free {
        groups.entry(together.find(module)).or_default().extend(closure(needs, module));
    }
    groups.into_values().map(|group| group.into_iter().collect()).collect()
}

/// Who takes something in from a module by its name, though no build file says so.
struct Mentions {
    /// Modules by the files that may name them.
    by_module: FxHashMap<usize, Vec<usize>>,
}

impl Mentions {
    fn new(sources: &SourceTree) -> Self {
        let mut by_module: FxHashMap<usize, Vec<usize>> = FxHashMap::default();
        for (i, file) in sources.files.iter().enumerate() {
            by_module.entry(file.module).or_default().push(i);
        }
        Self { by_module }
    }

    fn are_made(&self, sources: &SourceTree, module: usize, by: &BTreeSet<usize>) -> bool {
        let Some(words) = imports_of(&sources.modules[module]) else { return false };
        let mut files = by.iter().filter_map(|module| self.by_module.get(module)).flatten();
        files.any(|&file| {
            let text = sources.files[file].text.as_str();
            words.iter().any(|word| text.contains(word.as_str()))
        })
    }
}

/// How others begin to take something in from a module.
fn imports_of(module: &ModuleInfo) -> Option<Vec<String>> {
    let name = module.build.name.as_deref().filter(|name| !name.is_empty());
    let last = || Some(module.path.rsplit('/').next()?.to_owned()).filter(|name| name != ".");
    match module.build.tool {
        Tool::Pub => Some(vec![format!("package:{}/", name?)]),
        Tool::Npm => Some(["'", "\""].map(|quote| format!("{quote}{}", name.unwrap_or("\n"))).to_vec()),
        Tool::Gradle => Some(vec![format!("import {}.", module.build.namespace.as_deref()?)]),
        Tool::MsBuild => {
            let space = module.build.namespace.as_deref().or(name)?;
            Some(vec![format!("using {space}"), format!("assembly={space}")])
        }
        Tool::SwiftPackage => Some(vec![format!("import {}", last()?)]),
        Tool::Project | Tool::None => None,
    }
}
