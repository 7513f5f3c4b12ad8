//! What the page's script works on. Keys are short: they stand in the page thousands of times.

use super::pictures::{Leads, Picture};
use fallow_lantern_core::Scan;
use fallow_lantern_core::model::{Call, Document, Finding, Gaps, Place, ResultSide, Route};
use fallow_lantern_core::network::{Network, What};
use fallow_lantern_core::source::SourceTree;
use rustc_hash::FxHashMap;
use serde::Serialize;
use serde_json::{Value, json};

/// Lines shown above and below a place.
const AROUND: u32 = 2;
/// Longer lines of code are cut, in characters.
const LONGEST: usize = 160;

/// Everything.
#[derive(Serialize)]
pub(super) struct Data<'d> {
    files: Vec<&'d str>,
    places: Vec<Value>,
    hops: Vec<Value>,
    routes: Vec<Value>,
    calls: Vec<Value>,
    findings: Vec<Value>,
    entries: Vec<usize>,
    pictures: Vec<&'d [Leads]>,
    gaps: Vec<Value>,
    code: FxHashMap<String, (u32, Vec<String>)>,
}

pub(super) fn data<'d>(
    scan: &'d Scan,
    network: &Network<'d>,
    gaps: Option<&'d Gaps>,
    pictures: &'d [Picture],
) -> Data<'d> {
    let document = &scan.document;
    let mut files = Files::new(&scan.sources);
    let places = (0..network.places.len()).map(|at| place(network, at, &mut files)).collect();
    let hops = network.hops.iter().map(|hop| json!({ "f": hop.from, "t": hop.to, "c": hop.calls }));
    let routes = document.routes.iter().map(|route| self::route(network, route, &mut files)).collect();
    let calls = document.calls.iter().map(|call| self::call(network, call, &mut files)).collect();
    let findings = document.findings.iter().map(|finding| self::finding(finding, &mut files)).collect();
    let gaps = gaps.iter().flat_map(|gaps| &gaps.gaps);
    let gaps = gaps.map(|gap| {
        let at = gap.at.as_ref().map(|at| json!([at.file, at.line]));
        json!({ "k": gap.kind, "o": gap.old, "n": gap.new, "m": gap.message, "at": at })
    });
    Data {
        places,
        hops: hops.collect(),
        routes,
        calls,
        findings,
        entries: network.entries(),
        pictures: pictures.iter().map(|picture| picture.nodes.as_slice()).collect(),
        gaps: gaps.collect(),
        files: files.names,
        code: files.code,
    }
}

fn place(network: &Network<'_>, at: usize, files: &mut Files<'_>) -> Value {
    let document = network.document;
    let place = &network.places[at];
    let (kind, declared, id) = match place.what {
        What::Screen(screen) => (screen.kind.as_str(), Some(&screen.at), Some(screen.id.as_str())),
        What::Route => ("screen not known", None, None),
        What::Undeclared => ("nobody declares it", None, None),
        What::App => ("code of no screen", None, None),
    };
    let reads = document.reads.iter().filter(|read| id.is_some() && read.screen.as_deref() == id);
    let reads: Vec<Value> =
        reads.map(|r| json!({ "n": r.name, "t": r.ty, "f": r.forced, "at": files.at(&r.at) })).collect();
    let results = document.results.iter().filter(|result| id.is_some() && result.screen.as_deref() == id);
    let results: Vec<Value> = results
        .map(|r| json!({ "k": r.key, "s": r.side, "w": others(document, network, r), "at": files.at(&r.at) }))
        .collect();
    json!({
        "n": place.name, "k": kind, "r": place.routes, "e": place.entry, "o": place.out, "i": place.into,
        "g": place.findings, "x": reads, "b": results, "at": declared.map(|at| files.at(at)),
        "m": declared.and_then(|at| document.module_of(&at.file)),
    })
}

/// Names of the screens on the other side of a result.
fn others<'d>(
    document: &'d Document,
    network: &Network<'d>,
    result: &fallow_lantern_core::model::ResultFact,
) -> Vec<usize> {
    let other = if result.side == ResultSide::Send { ResultSide::Receive } else { ResultSide::Send };
    let sides = document.results.iter().filter(|o| o.side == other && o.key.is_some() && o.key == result.key);
    sides.filter_map(|side| network.of_screen(side.screen.as_deref()?)).collect()
}

fn route(network: &Network<'_>, route: &Route, files: &mut Files<'_>) -> Value {
    let parameters: Vec<Value> = route
        .parameters
        .iter()
        .map(|p| json!({ "n": p.name, "t": p.ty, "r": p.required, "d": p.default }))
        .collect();
    json!({
        "n": route.name, "s": route.style, "k": route.kind, "p": network.of_route(&route.id), "t": route.start,
        "a": parameters, "l": route.deep_links, "at": files.at(&route.at),
    })
}

fn call(network: &Network<'_>, call: &Call, files: &mut Files<'_>) -> Value {
    let from: Vec<usize> = call.screens.iter().filter_map(|id| network.of_screen(id)).collect();
    let target = call.target.as_ref();
    let to: Vec<usize> =
        target.iter().flat_map(|t| &t.routes).filter_map(|id| network.of_route(id)).collect();
    let arguments: Vec<Value> = call.arguments.iter().map(|a| json!([a.name, a.ty, a.value])).collect();
    json!({
        "v": call.verb, "s": call.style, "u": call.status, "f": from, "t": to, "a": arguments,
        "x": target.map(|t| &t.text), "w": target.map(|t| t.form), "at": files.at(&call.at),
    })
}

fn finding(finding: &Finding, files: &mut Files<'_>) -> Value {
    let related: Vec<Value> =
        finding.related.iter().map(|r| json!({ "m": r.message, "at": files.at(&r.at) })).collect();
    let unless: Vec<Value> = finding.unless.iter().map(|r| files.at(&r.at)).collect();
    json!({
        "r": finding.rule, "s": finding.severity, "m": finding.message, "h": finding.help, "l": related, "u": unless,
        "o": finding.apps, "at": files.at(&finding.at),
    })
}

/// Names of files, and the code that places stand in.
struct Files<'d> {
    sources: &'d SourceTree,
    names: Vec<&'d str>,
    index: FxHashMap<&'d str, usize>,
    code: FxHashMap<String, (u32, Vec<String>)>,
}

impl<'d> Files<'d> {
    fn new(sources: &'d SourceTree) -> Self {
        let names: Vec<&str> = sources.files.iter().map(|file| file.path.as_str()).collect();
        let index = names.iter().enumerate().map(|(i, name)| (*name, i)).collect();
        Self { sources, names, index, code: FxHashMap::default() }
    }

    /// `[file, line]`; the code around it is kept.
    fn at(&mut self, at: &Place) -> Value {
        let Some(&file) = self.index.get(at.file.as_str()) else { return Value::Null };
        let text = &self.sources.files[file].text;
        let first = at.line.saturating_sub(AROUND).max(1);
        self.code.entry(format!("{file}:{}", at.line)).or_insert_with(|| {
            let lines = first..=at.line + AROUND;
            (first, lines.map(|line| cut(text.line(line))).collect())
        });
        json!([file, at.line])
    }
}

fn cut(line: &str) -> String {
    let line = line.trim_end();
    if line.chars().count() > LONGEST {
        line.chars().take(LONGEST).chain(['…']).collect()
    } else {
        line.to_owned()
    }
}
