//! The whole run: discover → parse → recover → link → judge.
//!
//! Only files that hold one of the styles' words are parsed at first. What they name and do not
//! declare, and who uses the helpers they declare, is then looked for in the rest by words, and only
//! the files that may have it are parsed as well; again until nothing new is named.

use crate::account::unaccounted;
use crate::apps::{Part, merge, parts, view};
use crate::facts::Facts;
use crate::link::{Around, complete, link};
use crate::meant;
use crate::model::{Document, Place, Skipped};
use crate::parsing::Parsing;
use crate::recover::{LIBRARIES, ROOMS, STYLES, recover};
use crate::rules;
use crate::search::Search;
use crate::settings::{Named, Settings};
use crate::source::{SourceFile, SourceTree, discover_without, words};
use crate::syntax::Body;
use crate::values::{Asked, Program, Values};
use crate::{Error, document};
use aho_corasick::AhoCorasick;
use rayon::ThreadPoolBuilder;
use rayon::prelude::*;
use rustc_hash::FxHashSet;
use std::path::{Path, PathBuf};
use std::sync::Arc;
use std::sync::atomic::{AtomicUsize, Ordering};

/// What is looked for is named this many times over at the most.
const MAX_ROUNDS: usize = 6;

/// A finished scan.
#[derive(Debug)]
pub struct Scan {
    /// What was found.
    pub document: Document,
    /// The source it was found in, for those who show lines of it.
    pub sources: SourceTree,
}

/// How a scan is made.
#[derive(Default)]
pub struct Options<'o> {
    /// What the team settled.
    pub settings: Settings,
    /// The settings' file, for slips that only show against the app.
    pub settings_path: Option<PathBuf>,
    /// Keep to the app of this name, or of this folder.
    pub app: Option<String>,
    /// Told of places that look like navigation and became no call: those who mend recoverers ask.
    pub account: Option<&'o (dyn Fn(Vec<Place>) + Sync)>,
    /// Told of every step, from any thread.
    pub watch: Option<&'o (dyn Fn(Progress) + Sync)>,
}

/// How far a scan is.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Progress {
    /// What is being done.
    pub stage: Stage,
    /// How many are done.
    pub done: usize,
    /// Of how many, as far as is known by now.
    pub of: usize,
}

/// What takes a scan's time.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Stage {
    /// Files are found and read.
    Find,
    /// Files are parsed.
    Parse,
    /// Facts are recovered and linked.
    Link,
}

/// Scans a folder. `label` is the root as it is shown.
///
/// # Errors
/// When the folder is not there, cannot be read, or holds no app.
pub fn scan(root: &Path, label: &str) -> Result<Scan, Error> {
    scan_with(root, label, &Options::default())
}

/// Scans a folder as it was settled.
///
/// # Errors
/// As [`scan`]; and when the settings name a route that the app does not have.
pub fn scan_with(root: &Path, label: &str, options: &Options<'_>) -> Result<Scan, Error> {
    options.tell(Stage::Find, 0, 0);
    let left_out: Vec<String> = options.settings.leave_out.iter().map(|path| path.name.clone()).collect();
    let sources = discover_without(root, &left_out)?;
    let parts = kept(parts(&sources, label), label, options.app.as_deref())?;
    let scan = in_pool(|| run(sources, &parts, label, options));
    let unknown = |entry: &&Named| {
        !scan
            .document
            .routes
            .iter()
            .any(|route| route.name == entry.name || route.pattern.as_ref() == Some(&entry.name))
    };
    match options.settings.entries.iter().find(unknown) {
        Some(entry) => {
            let slip = entry.unknown("route", scan.document.routes.iter().map(|route| route.name.as_str()));
            Err(Error::Settings { path: options.settings_path.clone().unwrap_or_default(), slip })
        }
        None => Ok(scan),
    }
}

impl Options<'_> {
    fn tell(&self, stage: Stage, done: usize, of: usize) {
        if let Some(watch) = self.watch {
            watch(Progress { stage, done, of });
        }
    }
}

/// Stack of each thread: deep nesting is bounded, and this is enough for the bound.
const STACK: usize = 64 * 1024 * 1024;

/// Scans source that is in memory.
#[must_use]
pub fn scan_sources(sources: SourceTree, label: &str) -> Scan {
    scan_sources_with(sources, label, &Options::default())
}

/// Scans source that is in memory, as it was settled. Paths that are left out are for those who find
/// files; entries that name no route, and an app to keep to, are passed over.
#[must_use]
pub fn scan_sources_with(sources: SourceTree, label: &str, options: &Options<'_>) -> Scan {
    let parts = parts(&sources, label);
    in_pool(|| run(sources, &parts, label, options))
}

fn in_pool<T: Send>(work: impl FnOnce() -> T + Send) -> T {
    match ThreadPoolBuilder::new().stack_size(STACK).build() {
        Ok(pool) => pool.install(work),
        // No threads to be had: the caller's own must do.
        Err(_) => work(),
    }
}

fn run(mut sources: SourceTree, parts: &[Part], label: &str, options: &Options<'_>) -> Scan {
    let parsing = Parsing::new(&sources);
    let mut document = match parts {
        [part] if part.files.len() == sources.files.len() => {
            let apps = part.app.iter().cloned().collect();
            Document { apps, ..link_part(&sources, part, &parsing, label, options) }
        }
        several => {
            let link = |part: &Part| link_part(&view(&sources, part), part, &parsing, label, options);
            let documents = several.par_iter().map(link).collect();
            merge(&sources, several, documents, label, parsing.count())
        }
    };
    sources.skipped.append(&mut document.skipped);
    sources.skipped.sort();
    document.skipped.clone_from(&sources.skipped);
    let mut judged = vec![false; sources.files.len()];
    parts.iter().flat_map(|part| &part.files).for_each(|&file| judged[file] = true);
    meant::apply(&mut document, &sources, &options.settings, |file| judged[file], options.app.is_none());
    Scan { document, sources }
}

/// The parts that were asked for.
fn kept(mut parts: Vec<Part>, label: &str, app: Option<&str>) -> Result<Vec<Part>, Error> {
    let Some(given) = app else { return Ok(parts) };
    let names = || parts.iter().filter_map(|part| Some(part.app.as_ref()?.name.clone())).collect();
    let is_meant = |part: &Part| part.app.as_ref().is_some_and(|app| app.name == given || app.root == given);
    if !parts.iter().any(is_meant) {
        return Err(Error::NoSuchApp { given: given.to_owned(), label: label.to_owned(), names: names() });
    }
    parts.retain(is_meant);
    Ok(parts)
}

/// Links what is one; `sources` are its own.
fn link_part(
    sources: &SourceTree,
    part: &Part,
    parsing: &Parsing<'_>,
    label: &str,
    options: &Options<'_>,
) -> Document {
    let mut files = Files::new(&part.files, parsing);
    files.parse_first(sources, options);
    let mut round = 0;
    loop {
        options.tell(Stage::Link, round, 0);
        let program = Program::new(sources, std::mem::take(&mut files.bodies), LIBRARIES);
        let values = Values::new(&program);
        values.prepare();
        let linked = link(recover_all(&program, values), values, ROOMS);
        let more = if round < MAX_ROUNDS { files.wanted(&program) } else { Vec::new() };
        if more.is_empty() {
            let around = Around { half_read: files.half_read(sources), exported: part.app.is_none() };
            let graph = complete(linked, values, &options.settings, around);
            if let Some(told) = options.account {
                let left = unaccounted(values, &graph).into_iter();
                told(left.map(|at| at.place(sources)).collect());
            }
            let document = document::write(&graph, &program, rules::judge(&graph), label);
            return Document { skipped: files.problems, ..document };
        }
        files.bodies = program.into_bodies();
        files.parse(&more, sources, options);
        round += 1;
    }
}

fn recover_all(program: &Program<'_>, values: Values<'_>) -> Facts {
    let files: Vec<u32> = program.parsed().collect();
    let each: Vec<Facts> = files.par_iter().map(|&file| recover(file, &values)).collect();
    let mut all = Facts::default();
    each.into_iter().for_each(|facts| all.extend(facts));
    all
}

/// Which files are parsed, and what the others might hold.
struct Files<'p> {
    origins: &'p [usize],
    parsing: &'p Parsing<'p>,
    bodies: Vec<Option<Arc<Body>>>,
    problems: Vec<Skipped>,
    tried: Vec<bool>,
    asked: Asked,
}

impl<'p> Files<'p> {
    fn new(origins: &'p [usize], parsing: &'p Parsing<'p>) -> Self {
        let count = origins.len();
        Self {
            origins,
            parsing,
            bodies: (0..count).map(|_| None).collect(),
            problems: Vec::new(),
            tried: vec![false; count],
            asked: Asked::default(),
        }
    }

    /// Markup, and code that holds a style's word.
    fn parse_first(&mut self, sources: &SourceTree, options: &Options<'_>) {
        let words: Vec<&str> = STYLES.iter().flat_map(|style| style.words).copied().collect();
        let Ok(words) = AhoCorasick::new(words) else { return };
        let hit = |file: &SourceFile| !file.language.is_code() || words.is_match(file.text.as_str());
        let first: Vec<usize> =
            sources.files.par_iter().enumerate().filter(|(_, file)| hit(file)).map(|(i, _)| i).collect();
        self.parse(&first, sources, options);
    }

    fn parse(&mut self, files: &[usize], sources: &SourceTree, options: &Options<'_>) {
        let done = AtomicUsize::new(0);
        let parse = |&i: &usize| {
            let parsed = self.parsing.file(self.origins[i]);
            options.tell(Stage::Parse, done.fetch_add(1, Ordering::Relaxed) + 1, files.len());
            (i, parsed.clone())
        };
        let parsed: Vec<_> = files.par_iter().map(parse).collect();
        for (i, parsed) in parsed {
            self.tried[i] = true;
            if let Some(reason) = parsed.problem {
                self.problems.push(Skipped { path: sources.files[i].path.clone(), reason });
            }
            self.bodies[i] = Some(parsed.body);
        }
    }

    /// Words of files which could not be read whole: they may declare them.
    fn half_read(&self, sources: &SourceTree) -> FxHashSet<String> {
        let broken =
            sources.files.iter().filter(|file| self.problems.iter().any(|problem| problem.path == file.path));
        broken.flat_map(|file| words(file.text.as_str())).map(str::to_owned).collect()
    }

    /// Files that may hold what was asked for since the last round.
    fn wanted(&mut self, program: &Program<'_>) -> Vec<usize> {
        let asked = program.asked();
        let search = Search::new(&asked, &self.asked);
        let sources = program.sources();
        let rest = (0..sources.files.len())
            .into_par_iter()
            .filter(|&i| !self.tried[i] && sources.files[i].language.is_code());
        let found = if search.is_empty() {
            Vec::new()
        } else {
            rest.filter(|&i| search.wants(&sources.files[i])).collect()
        };
        self.asked = asked;
        found
    }
}
