//! The documents of a tree's parts as one: what lies in several of them is there once.

use super::Part;
use crate::document::{empty, order, totals};
use crate::model::{
    App, Call, CallStatus, Document, Finding, Module, Place, Read, ResultFact, Route, Screen, Skipped, Style,
    Unsaid,
};
use crate::rules::{Says, says};
use crate::source::SourceTree;
use rustc_hash::{FxHashMap, FxHashSet};
use std::collections::{BTreeMap, BTreeSet};
use std::hash::Hash;

/// Joins what was found in each part. `parsed` counts the files that were parsed in any of them.
pub(crate) fn merge(
    sources: &SourceTree,
    parts: &[Part],
    documents: Vec<Document>,
    label: &str,
    parsed: usize,
) -> Document {
    let apps: Vec<App> = parts.iter().filter_map(|part| part.app.clone()).collect();
    let mut merged = Merged::default();
    let mut findings = Findings::default();
    for (part, document) in documents.into_iter().enumerate() {
        let names = merged.take_declarations(&document);
        merged.take_uses(&parts[part], document, &names, |finding| findings.take(part, finding));
    }
    let mut document = merged.into_document(label);
    document.findings = findings.settled(parts, sources);
    document.apps = apps;
    order(&mut document);
    let files: BTreeSet<usize> = parts.iter().flat_map(|part| &part.files).copied().collect();
    document.totals = totals(&document, files.len(), parsed);
    document
}

/// What was found so far, each thing once.
#[derive(Default)]
struct Merged {
    modules: BTreeMap<String, Module>,
    screens: Distinct<Screen>,
    routes: Distinct<Route>,
    calls: Distinct<Call>,
    reads: Distinct<Read>,
    results: Distinct<ResultFact>,
    skipped: BTreeSet<Skipped>,
    /// Apps by what is not said in them.
    unsaid: BTreeMap<(String, Style, String), Vec<String>>,
}

/// Things by what tells them apart, under ids that are theirs alone.
struct Distinct<T> {
    all: Vec<T>,
    known: FxHashMap<String, usize>,
    ids: FxHashSet<String>,
}

impl<T> Default for Distinct<T> {
    fn default() -> Self {
        Self { all: Vec::new(), known: FxHashMap::default(), ids: FxHashSet::default() }
    }
}

impl<T> Distinct<T> {
    /// The place of a thing, and whether it is new.
    fn place(&mut self, key: String, thing: impl FnOnce() -> T) -> (usize, bool) {
        if let Some(&place) = self.known.get(&key) {
            return (place, false);
        }
        self.all.push(thing());
        self.known.insert(key, self.all.len() - 1);
        (self.all.len() - 1, true)
    }

    /// An id like one, that nothing has.
    fn id(&mut self, like: &str) -> String {
        let mut id = like.to_owned();
        let mut count = 1;
        while !self.ids.insert(id.clone()) {
            count += 1;
            let plain = like.rsplit_once('~').filter(|(_, n)| n.parse::<usize>().is_ok());
            id = format!("{}~{count}", plain.map_or(like, |(name, _)| name));
        }
        id
    }
}

/// Ids of a part's document, and what they are in the whole.
#[derive(Default)]
struct Names(FxHashMap<String, String>);

impl Names {
    fn of(&self, id: &str) -> String {
        self.0.get(id).cloned().unwrap_or_else(|| id.to_owned())
    }

    fn all(&self, ids: &[String]) -> Vec<String> {
        ids.iter().map(|id| self.of(id)).collect()
    }
}

impl Merged {
    /// Screens and routes get their names in the whole; what they point at follows.
    fn take_declarations(&mut self, document: &Document) -> Names {
        for module in &document.modules {
            let known = self.modules.entry(module.path.clone()).or_insert_with(|| module.clone());
            join(&mut known.styles, &module.styles);
            known.styles.sort();
        }
        let mut names = Names::default();
        let mut counted = Counted::default();
        for screen in &document.screens {
            let key = counted.key(&(&screen.at, &screen.name));
            let (place, new) = self.screens.place(key, || Screen { shows: Vec::new(), ..screen.clone() });
            if new {
                self.screens.all[place].id = self.screens.id(&screen.id);
            }
            names.0.insert(screen.id.clone(), self.screens.all[place].id.clone());
        }
        for route in &document.routes {
            let key = counted.key(&(&route.at, &route.name, route.style));
            let (place, new) =
                self.routes.place(key, || Route { screen: None, parent: None, ..route.clone() });
            if new {
                self.routes.all[place].id = self.routes.id(&route.id);
            }
            names.0.insert(route.id.clone(), self.routes.all[place].id.clone());
        }
        self.fill(document, &names);
        names
    }

    fn fill(&mut self, document: &Document, names: &Names) {
        let of_id: FxHashMap<String, usize> =
            self.screens.all.iter().zip(0..).map(|(screen, i)| (screen.id.clone(), i)).collect();
        for screen in &document.screens {
            if let Some(&place) = of_id.get(&names.of(&screen.id)) {
                join(&mut self.screens.all[place].shows, &names.all(&screen.shows));
            }
        }
        let of_id: FxHashMap<String, usize> =
            self.routes.all.iter().zip(0..).map(|(route, i)| (route.id.clone(), i)).collect();
        for route in &document.routes {
            let Some(&place) = of_id.get(&names.of(&route.id)) else { continue };
            let known = &mut self.routes.all[place];
            known.start |= route.start;
            known.entry |= route.entry;
            join(&mut known.deep_links, &route.deep_links);
            known.screen = known.screen.take().or_else(|| route.screen.as_ref().map(|id| names.of(id)));
            known.parent = known.parent.take().or_else(|| route.parent.as_ref().map(|id| names.of(id)));
        }
    }

    /// Calls of one place are one; where it leads is all that it leads to in any app.
    fn take_uses(
        &mut self,
        part: &Part,
        document: Document,
        names: &Names,
        mut finding: impl FnMut(Finding),
    ) {
        let mut counted = Counted::default();
        for mut call in document.calls {
            call.screens = names.all(&call.screens);
            if let Some(target) = &mut call.target {
                target.routes = names.all(&target.routes);
                target.leads_on = names.all(&target.leads_on);
            }
            let written = call.target.as_ref().map(|target| (&target.text, &target.value));
            let key = counted.key(&(&call.at, call.style, call.verb, written));
            let (place, new) = self.calls.place(key, || call.clone());
            match new {
                true => self.calls.all[place].id = self.calls.id(&call.id),
                false => meet(&mut self.calls.all[place], call),
            }
        }
        for read in document.reads {
            let read = Read { screen: read.screen.map(|id| names.of(&id)), ..read };
            self.reads.place(counted.key(&read), || read);
        }
        for result in document.results {
            let result = ResultFact { screen: result.screen.map(|id| names.of(&id)), ..result };
            self.results.place(counted.key(&result), || result);
        }
        self.skipped.extend(document.skipped);
        for unsaid in document.unsaid {
            let apps = self.unsaid.entry((unsaid.rule, unsaid.style, unsaid.reason)).or_default();
            apps.extend(part.app.iter().map(|app| app.name.clone()));
        }
        document.findings.into_iter().for_each(&mut finding);
    }

    fn into_document(self, label: &str) -> Document {
        Document {
            modules: self.modules.into_values().collect(),
            screens: self.screens.all,
            routes: self.routes.all,
            calls: self.calls.all,
            reads: self.reads.all,
            results: self.results.all,
            skipped: self.skipped.into_iter().collect(),
            unsaid: self
                .unsaid
                .into_iter()
                .map(|((rule, style, reason), apps)| Unsaid { rule, style, reason, apps })
                .collect(),
            ..empty(label)
        }
    }
}

/// Several things of one part that nothing tells apart are told apart by their order.
#[derive(Default)]
struct Counted(FxHashMap<String, usize>);

impl Counted {
    fn key(&mut self, of: &impl std::fmt::Debug) -> String {
        let key = format!("{of:?}");
        let count = self.0.entry(key.clone()).or_default();
        *count += 1;
        format!("{key}~{count}")
    }
}

/// What a call is in one app more.
fn meet(known: &mut Call, other: Call) {
    join(&mut known.screens, &other.screens);
    if let (Some(target), Some(more)) = (&mut known.target, other.target) {
        join(&mut target.routes, &more.routes);
        join(&mut target.leads_on, &more.leads_on);
        if target.form != more.form && known.status == CallStatus::Dynamic {
            target.form = more.form;
        }
    }
    let rank = |status: CallStatus| match status {
        CallStatus::Resolved => 0,
        CallStatus::External => 1,
        CallStatus::Undeclared => 2,
        CallStatus::Dynamic => 3,
    };
    if rank(other.status) < rank(known.status) {
        known.status = other.status;
        known.arguments = other.arguments;
    }
}

fn join<T: Clone + Eq + Hash>(known: &mut Vec<T>, more: &[T]) {
    let new: Vec<T> = more.iter().filter(|one| !known.contains(one)).cloned().collect();
    known.extend(new);
}

/// Findings by what they say, with the parts that say it.
#[derive(Default)]
struct Findings {
    said: Vec<(Finding, Vec<usize>)>,
    known: FxHashMap<(String, String, Place), usize>,
}

impl Findings {
    fn take(&mut self, part: usize, finding: Finding) {
        let key = (finding.rule.clone(), finding.fingerprint.clone(), finding.at.clone());
        match self.known.get(&key) {
            Some(&place) => {
                let (known, parts) = &mut self.said[place];
                known.severity = known.severity.max(finding.severity);
                join(&mut known.related, &finding.related);
                join(&mut known.unless, &finding.unless);
                parts.push(part);
            }
            None => {
                self.known.insert(key, self.said.len());
                self.said.push((finding, vec![part]));
            }
        }
    }

    /// What is nowhere must be nowhere in all apps that have the place.
    fn settled(self, parts: &[Part], sources: &SourceTree) -> Vec<Finding> {
        let holders = Holders::new(parts, sources);
        let settle = |(finding, said): (Finding, Vec<usize>)| {
            let holding = holders.of(&finding.at.file, sources);
            let said: Vec<usize> = said.into_iter().filter(|part| holding.contains(part)).collect();
            let everywhere = said.len() == holding.len();
            let holds = if says(&finding.rule) == Says::Absence { everywhere } else { !said.is_empty() };
            let names = said.iter().filter_map(|&part| Some(parts[part].app.as_ref()?.name.clone()));
            let apps = if everywhere { Vec::new() } else { names.collect() };
            holds.then_some(Finding { apps, ..finding })
        };
        self.said.into_iter().filter_map(settle).collect()
    }
}

/// Parts by the files that they have.
struct Holders(Vec<Vec<usize>>);

impl Holders {
    /// Where an app has a file, libraries do not count.
    fn new(parts: &[Part], sources: &SourceTree) -> Self {
        let mut holders = vec![Vec::new(); sources.files.len()];
        let is_app = |part: usize| parts[part].app.is_some();
        for (i, part) in parts.iter().enumerate() {
            for &file in &part.files {
                holders[file].push(i);
            }
        }
        for parts in &mut holders {
            if parts.iter().any(|&part| is_app(part)) {
                parts.retain(|&part| is_app(part));
            }
        }
        Self(holders)
    }

    fn of(&self, file: &str, sources: &SourceTree) -> &[usize] {
        sources.file_at(file).map_or(&[], |file| &self.0[file as usize])
    }
}
