//! The graph as the scan document: ids, places, order.

use crate::facts::{Absent, CallId, ContainerId, RouteId, ScreenId, TargetFact};
use crate::link::{Call, Graph, Route, Screen};
use crate::model;
use crate::model::{
    Argument, Document, Finding, Form, Module, Parameter, Place, Platform, Read, ResultFact, Target, Totals,
    Unsaid,
};
use crate::source::SourceTree;
use crate::values::Program;
use oxc_index::{Idx, IndexVec};
use rustc_hash::FxHashMap;
use std::collections::{BTreeMap, BTreeSet};

/// Writes the document of a graph.
pub(crate) fn write(
    graph: &Graph<'_>,
    program: &Program<'_>,
    (findings, unsaid): (Vec<Finding>, Vec<Unsaid>),
    label: &str,
) -> Document {
    let ids = Ids::new(graph);
    let mut document = Document {
        modules: modules(graph, program),
        screens: graph
            .screens
            .iter_enumerated()
            .filter(|(_, s)| is_shown(s))
            .map(|(i, s)| screen(graph, &ids, i, s))
            .collect(),
        routes: graph.routes.iter_enumerated().map(|(i, r)| route(graph, &ids, i, r)).collect(),
        calls: graph.calls.iter_enumerated().map(|(i, c)| call(graph, &ids, i, c)).collect(),
        reads: reads(graph, &ids),
        results: results(graph, &ids),
        findings,
        unsaid,
        ..empty(label)
    };
    order(&mut document);
    document.totals = totals(&document, program.sources().files.len(), program.parsed().count());
    document
}

/// A document of nothing.
pub(crate) fn empty(label: &str) -> Document {
    Document {
        format: "fallow-lantern/scan".to_owned(),
        version: 1,
        root: label.to_owned(),
        apps: Vec::new(),
        modules: Vec::new(),
        screens: Vec::new(),
        routes: Vec::new(),
        calls: Vec::new(),
        reads: Vec::new(),
        results: Vec::new(),
        findings: Vec::new(),
        unsaid: Vec::new(),
        accepted: Vec::new(),
        meant: Vec::new(),
        skipped: Vec::new(),
        totals: Totals::default(),
    }
}

/// Puts what was found in the order of its places.
pub(crate) fn order(document: &mut Document) {
    document.screens.sort_by(|a, b| key(&a.at, &a.name).cmp(&key(&b.at, &b.name)));
    document.routes.sort_by(|a, b| key(&a.at, &a.name).cmp(&key(&b.at, &b.name)));
    document.calls.sort_by(|a, b| key(&a.at, &a.id).cmp(&key(&b.at, &b.id)));
    document.reads.sort_by(|a, b| (key(&a.at, &a.name), &a.screen).cmp(&(key(&b.at, &b.name), &b.screen)));
    document.results.sort_by(|a, b| (&a.at, &a.key, &a.screen).cmp(&(&b.at, &b.key, &b.screen)));
    document.findings.sort_by(|a, b| (&a.at, &a.rule, &a.message).cmp(&(&b.at, &b.rule, &b.message)));
}

fn key<'k>(at: &'k Place, name: &'k str) -> (&'k str, u32, u32, &'k str) {
    (&at.file, at.line, at.column, name)
}

/// A class that is only there to be derived from is no screen.
fn is_shown(screen: &Screen) -> bool {
    !screen.fact.is_base
}

/// Ids that say what they name and stay when lines move.
struct Ids {
    screens: IndexVec<ScreenId, String>,
    routes: IndexVec<RouteId, String>,
    calls: IndexVec<CallId, String>,
}

impl Ids {
    fn new(graph: &Graph<'_>) -> Self {
        let screens = unique(graph.screens.iter().map(|screen| format!("screen:{}", screen.fact.path)));
        let routes = unique(graph.routes.iter().map(|route| {
            let inside =
                route.container.or(route.group.and_then(|g| graph.containers[g].parents.first().copied()));
            let container = inside.map(|c| &graph.containers[c].fact);
            let holder = container.and_then(|fact| fact.name.as_deref().or(fact.resource.as_deref()));
            match holder {
                Some(holder) => format!("{}:{holder}/{}", route.fact.style, route.fact.name),
                None => format!("{}:{}", route.fact.style, route.fact.name),
            }
        }));
        let calls = unique(graph.calls.iter().map(|call| {
            let file = &graph.place(call.fact.at).file;
            let written = if call.fact.written.is_empty() { "-" } else { &call.fact.written };
            format!("{}:{file}:{written}", call.fact.verb)
        }));
        Self { screens, routes, calls }
    }
}

/// The second of a name gets a number.
fn unique<I: Idx>(names: impl Iterator<Item = String>) -> IndexVec<I, String> {
    let mut seen: FxHashMap<String, usize> = FxHashMap::default();
    let numbered = names.map(|name| {
        let count = seen.entry(name.clone()).or_default();
        *count += 1;
        if *count == 1 { name } else { format!("{name}~{count}") }
    });
    numbered.collect()
}

fn modules(graph: &Graph<'_>, program: &Program<'_>) -> Vec<Module> {
    let sources = program.sources();
    let mut styles: BTreeMap<usize, BTreeSet<crate::model::Style>> = BTreeMap::new();
    for route in &graph.routes {
        styles.entry(sources.files[route.fact.at.file as usize].module).or_default().insert(route.fact.style);
    }
    for call in &graph.calls {
        styles.entry(sources.files[call.fact.at.file as usize].module).or_default().insert(call.fact.style);
    }
    let platforms = platforms_of(sources);
    let used: BTreeSet<usize> = sources.files.iter().map(|file| file.module).collect();
    let listed = used.into_iter().filter_map(|i| {
        Some(Module {
            path: sources.modules[i].path.clone(),
            platform: platforms[i]?,
            styles: styles.remove(&i).unwrap_or_default().into_iter().collect(),
        })
    });
    listed.collect()
}

/// What each module is for: what most of its files are written for; nothing where it has none.
fn platforms_of(sources: &SourceTree) -> Vec<Option<Platform>> {
    let mut counts: Vec<BTreeMap<Platform, usize>> = vec![BTreeMap::new(); sources.modules.len()];
    for file in &sources.files {
        *counts[file.module].entry(file.language.platform()).or_default() += 1;
    }
    let most =
        |counts: &BTreeMap<Platform, usize>| counts.iter().max_by_key(|(_, count)| **count).map(|(p, _)| *p);
    counts.iter().map(most).collect()
}

fn screen(graph: &Graph<'_>, ids: &Ids, index: ScreenId, screen: &Screen) -> model::Screen {
    model::Screen {
        id: ids.screens[index].clone(),
        name: screen.fact.name.clone(),
        kind: screen.fact.kind,
        platform: graph.sources.files[screen.fact.at.file as usize].language.platform(),
        shows: screen
            .hosts
            .iter()
            .flat_map(|&container| &graph.containers[container].starts)
            .map(|&route| ids.routes[route].clone())
            .collect(),
        extended: screen.derived || screen.fact.is_base,
        at: graph.place(screen.fact.at),
    }
}

fn route(graph: &Graph<'_>, ids: &Ids, index: RouteId, route: &Route) -> model::Route {
    let parents = route
        .container
        .into_iter()
        .chain(route.group.into_iter().flat_map(|g| graph.containers[g].parents.clone()));
    let owned = |container: ContainerId| {
        let owner = graph.containers[container].fact.owner?;
        graph.routes.position(|other| other.fact.at == owner.0)
    };
    let named = route.fact.parent.and_then(|key| graph.routes.position(|other| other.fact.at == key.0));
    let parent = named.or_else(|| {
        let around = parents.into_iter().filter(|&c| route.group != Some(c));
        around.into_iter().find_map(|c| graph.route_of_group(c).or_else(|| owned(c)))
    });
    let parameters = route.parameters.iter().map(|parameter| Parameter {
        name: parameter.name.clone(),
        ty: parameter.ty.clone(),
        required: parameter.required,
        nullable: parameter.nullable,
        default: parameter.default.clone(),
        via: parameter.via,
    });
    model::Route {
        id: ids.routes[index].clone(),
        style: route.fact.style,
        name: route.fact.name.clone(),
        pattern: route.fact.pattern.clone(),
        kind: kind(graph, route),
        screen: route.screen.map(|screen| ids.screens[screen].clone()),
        parent: parent.map(|parent| ids.routes[parent].clone()),
        start: route.start,
        entry: route.entry || route.fact.opened.from_outside(),
        parameters: parameters.collect(),
        deep_links: route.fact.deep_links.iter().map(|(pattern, _)| pattern.clone()).collect(),
        at: graph.place(route.fact.at),
    }
}

/// A dialog whose class is a bottom sheet is a sheet.
fn kind(graph: &Graph<'_>, route: &Route) -> model::RouteKind {
    let sheet = route.screen.is_some_and(|screen| graph.screens[screen].fact.sheet);
    match route.fact.kind {
        model::RouteKind::Dialog if sheet => model::RouteKind::Sheet,
        kind => kind,
    }
}

fn call(graph: &Graph<'_>, ids: &Ids, index: CallId, call: &Call) -> model::Call {
    let mut arguments: Vec<Argument> = call
        .arguments
        .iter()
        .map(|argument| Argument {
            name: argument.name.clone(),
            ty: argument.fact.ty.clone(),
            value: argument.fact.value.clone(),
        })
        .collect();
    arguments.sort_by(|a, b| a.name.cmp(&b.name));
    model::Call {
        id: ids.calls[index].clone(),
        style: call.fact.style,
        verb: call.fact.verb,
        target: target(ids, call),
        status: call.status,
        arguments,
        screens: call.screens.iter().map(|&screen| ids.screens[screen].clone()).collect(),
        at: graph.place(call.fact.at),
    }
}

fn target(ids: &Ids, call: &Call) -> Option<Target> {
    let value = match &call.fact.target {
        TargetFact::None => return None,
        TargetFact::Address(shapes)
        | TargetFact::Text(shapes)
        | TargetFact::Named(shapes)
        | TargetFact::FirstOf(shapes) => shapes.first().map(crate::values::Shape::value),
        _ => None,
    };
    let form = if call.status == model::CallStatus::Dynamic { Form::Dynamic } else { call.fact.form };
    let named = |routes: &[RouteId]| routes.iter().map(|&route| ids.routes[route].clone()).collect();
    Some(Target {
        text: call.fact.written.clone(),
        form,
        value,
        routes: named(&call.targets),
        leads_on: named(&call.leads_on),
    })
}

/// A read in a base class is one of each screen that runs it.
fn reads(graph: &Graph<'_>, ids: &Ids) -> Vec<Read> {
    let rows = graph.reads.iter().filter(|read| !read.fact.is_parameter).flat_map(|read| {
        let screens: Vec<Option<ScreenId>> = if read.screens.is_empty() {
            vec![None]
        } else {
            read.screens.iter().copied().map(Some).collect()
        };
        screens.into_iter().map(move |screen| Read {
            name: read.name.clone(),
            ty: read.fact.ty.clone(),
            forced: read.fact.absent == Absent::Fails,
            screen: screen.map(|screen| ids.screens[screen].clone()),
            at: graph.place(read.fact.at),
        })
    });
    rows.collect()
}

fn results(graph: &Graph<'_>, ids: &Ids) -> Vec<ResultFact> {
    let rows = graph.results.iter().filter(|result| result.fact.sure).map(|result| ResultFact {
        key: result.fact.key.clone(),
        side: result.fact.side,
        ty: result.fact.ty.clone(),
        screen: result.screens.first().map(|&screen| ids.screens[screen].clone()),
        at: graph.place(result.fact.at),
    });
    rows.collect()
}

/// Counts what a document holds of some files, of which some were parsed.
pub(crate) fn totals(document: &Document, files: usize, parsed: usize) -> Totals {
    let mut totals = Totals {
        files,
        parsed,
        screens: document.screens.len(),
        routes: document.routes.len(),
        calls: document.calls.len(),
        reads: document.reads.len(),
        results: document.results.len(),
        ..Totals::default()
    };
    for route in &document.routes {
        totals.by_style.entry(route.style).or_default().routes += 1;
    }
    for call in &document.calls {
        totals.by_style.entry(call.style).or_default().calls += 1;
        *totals.calls_by_status.entry(call.status).or_default() += 1;
    }
    for finding in &document.findings {
        *totals.findings.entry(finding.severity).or_default() += 1;
    }
    totals
}
