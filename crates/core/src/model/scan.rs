//! The scan document: `scan --format json` writes one of these.

use super::{
    CallStatus, Form, Place, Platform, ResultSide, RouteKind, ScreenKind, Severity, Style, Verb, Via,
};
use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// All that one scan found. Lists are sorted by file, line, column and name.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Document {
    /// Always `fallow-lantern/scan`.
    pub format: String,
    /// Version of the format.
    pub version: u32,
    /// The scanned path as it was given.
    pub root: String,
    /// What is built and started as one.
    pub apps: Vec<App>,
    /// Parts of the tree with a build file of their own.
    pub modules: Vec<Module>,
    /// Pieces of UI that fill the window or are presented over it.
    pub screens: Vec<Screen>,
    /// Declared destinations.
    pub routes: Vec<Route>,
    /// Places that navigate.
    pub calls: Vec<Call>,
    /// Places where a screen takes an argument out.
    pub reads: Vec<Read>,
    /// Values handed back to an earlier screen.
    pub results: Vec<ResultFact>,
    /// What the rules report, worst first within a file's order kept by the caller.
    pub findings: Vec<Finding>,
    /// What is not said, since too much of what it would be said of is decided at run time.
    pub unsaid: Vec<Unsaid>,
    /// Findings that the ledger has.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub accepted: Vec<Finding>,
    /// Findings that a comment or the settings say are meant.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub meant: Vec<Meant>,
    /// Files that were left out or read only in part.
    pub skipped: Vec<Skipped>,
    /// Counts.
    pub totals: Totals,
}

/// What is built and started as one.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct App {
    /// Its own name: application id, package, target or project; its folder where it has none.
    pub name: String,
    /// What it is built for.
    pub platform: Platform,
    /// Folder from the scanned root, `.` for the root itself.
    pub root: String,
    /// Folders of the modules that it is made of, its root first.
    pub modules: Vec<String>,
}

/// What a rule does not say of a style.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Unsaid {
    /// The rule that is silent.
    pub rule: String,
    /// The style of the routes of which it is.
    pub style: Style,
    /// Why.
    pub reason: String,
    /// The apps in which it is, where there are several.
    pub apps: Vec<String>,
}

/// A part of the scanned tree with its own build file.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Module {
    /// Folder from the root, `.` for the root itself.
    pub path: String,
    /// What it is built for.
    pub platform: Platform,
    /// Navigation styles found in it.
    pub styles: Vec<Style>,
}

/// A screen.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Screen {
    /// Unique in the document.
    pub id: String,
    /// The class, function or component.
    pub name: String,
    /// What it is.
    pub kind: ScreenKind,
    /// What it is for.
    pub platform: Platform,
    /// Ids of the routes that it shows first in the containers it hosts.
    pub shows: Vec<String>,
    /// Whether other classes extend it.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub extended: bool,
    /// Its name in its declaration.
    pub at: Place,
}

/// A declared destination.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Route {
    /// Unique in the document.
    pub id: String,
    /// The style that declares it.
    pub style: Style,
    /// What callers write.
    pub name: String,
    /// Path with `{name}` for parameters, where the style has paths.
    pub pattern: Option<String>,
    /// How it shows its screen.
    pub kind: RouteKind,
    /// Id of the screen it shows.
    pub screen: Option<String>,
    /// Id of the route around it.
    pub parent: Option<String>,
    /// Whether it is what its graph shows first.
    pub start: bool,
    /// Whether something outside of the app can open it: a launcher, a deep link, an entry of the settings.
    pub entry: bool,
    /// What it takes.
    pub parameters: Vec<Parameter>,
    /// Addresses that open it from outside, with `{name}` for parameters.
    pub deep_links: Vec<String>,
    /// The token that declares it.
    pub at: Place,
}

/// What a route declares that it takes.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Parameter {
    /// Its name.
    pub name: String,
    /// Its type in the source's own words.
    #[serde(rename = "type")]
    pub ty: Option<String>,
    /// Whether a call must pass it.
    pub required: bool,
    /// Whether it may be null.
    pub nullable: bool,
    /// Its default in the source's own words.
    pub default: Option<String>,
    /// How it travels.
    pub via: Via,
}

/// A place that navigates.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Call {
    /// Unique in the document.
    pub id: String,
    /// The style it is written in.
    pub style: Style,
    /// What it does.
    pub verb: Verb,
    /// Where it leads; null for a plain step back.
    pub target: Option<Target>,
    /// What linking made of it.
    pub status: CallStatus,
    /// What it passes.
    pub arguments: Vec<Argument>,
    /// Ids of the screens it belongs to.
    pub screens: Vec<String>,
    /// The callee's last name, or the element.
    pub at: Place,
}

/// Where a call leads.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Target {
    /// The target as it is written.
    pub text: String,
    /// How it is named.
    pub form: Form,
    /// The string, with `{}` for what is not known, where it is one.
    pub value: Option<String>,
    /// Ids of the routes it resolves to.
    pub routes: Vec<String>,
    /// Ids of the routes that those lead on to for what this call passes.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub leads_on: Vec<String>,
}

/// What a call passes.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Argument {
    /// The parameter's name.
    pub name: String,
    /// The value's type, where it is known.
    #[serde(rename = "type")]
    pub ty: Option<String>,
    /// The value as it is written.
    pub value: Option<String>,
}

/// A place where a screen takes an argument out.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Read {
    /// The argument's name.
    pub name: String,
    /// The type it is taken as.
    #[serde(rename = "type")]
    pub ty: Option<String>,
    /// Whether it fails when the value is absent.
    pub forced: bool,
    /// Id of the screen.
    pub screen: Option<String>,
    /// Where.
    pub at: Place,
}

/// One side of a value handed back.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct ResultFact {
    /// The key both sides write; null where it is not known.
    pub key: Option<String>,
    /// Which side this is.
    pub side: ResultSide,
    /// The value's type, where it is known.
    #[serde(rename = "type")]
    pub ty: Option<String>,
    /// Id of the screen.
    pub screen: Option<String>,
    /// Where.
    pub at: Place,
}

/// Something a rule reports.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Finding {
    /// The rule's name.
    pub rule: String,
    /// How bad it is.
    pub severity: Severity,
    /// What is wrong, in one sentence.
    pub message: String,
    /// What to do about it.
    pub help: String,
    /// Where.
    pub at: Place,
    /// Other places that belong to it.
    pub related: Vec<Related>,
    /// What could not be understood and would make the finding wrong.
    pub unless: Vec<Related>,
    /// Names of the apps in which it holds; none where it holds in all that have the place.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub apps: Vec<String>,
    /// Stable when lines move or unrelated code changes.
    pub fingerprint: String,
}

/// A finding that is meant.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Meant {
    /// What was found.
    pub finding: Finding,
    /// Why it is meant.
    pub because: String,
    /// The comment that says so; none where the settings do.
    pub said_at: Option<Place>,
}

/// Another place that belongs to a finding.
#[derive(Debug, Clone, PartialEq, Eq, Hash, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Related {
    /// What is there.
    pub message: String,
    /// Where.
    pub at: Place,
}

/// A file that was left out or read only in part.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Skipped {
    /// Path from the scanned root, with `/`.
    pub path: String,
    /// Why.
    pub reason: String,
}

/// Counts over the whole document.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Totals {
    /// Source files looked at.
    pub files: usize,
    /// Source files that were parsed.
    pub parsed: usize,
    /// Screens.
    pub screens: usize,
    /// Routes.
    pub routes: usize,
    /// Calls.
    pub calls: usize,
    /// Calls by status.
    pub calls_by_status: BTreeMap<CallStatus, usize>,
    /// Routes and calls by style.
    pub by_style: BTreeMap<Style, StyleTotals>,
    /// Reads.
    pub reads: usize,
    /// Results, both sides.
    pub results: usize,
    /// Findings by severity.
    pub findings: BTreeMap<Severity, usize>,
}

/// How much of an app is in one style.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct StyleTotals {
    /// Routes declared in it.
    pub routes: usize,
    /// Calls written in it.
    pub calls: usize,
}

impl Route {
    /// Whether a name means this route: its own, or its id.
    #[must_use]
    pub fn is_named(&self, name: &str) -> bool {
        self.name == name || self.id == name || self.pattern.as_deref() == Some(name)
    }
}

impl Document {
    /// The apps that have a file.
    #[must_use]
    pub fn apps_of(&self, file: &str) -> Vec<&App> {
        let folders = self.apps.iter().flat_map(|app| &app.modules);
        let folders = folders.chain(self.modules.iter().map(|module| &module.path));
        let nearest = folders.filter(|folder| holds(folder, file)).max_by_key(|folder| depth(folder));
        self.apps.iter().filter(|app| nearest.is_some_and(|folder| app.modules.contains(folder))).collect()
    }

    /// Modules that no app uses, where there are apps.
    #[must_use]
    pub fn libraries(&self) -> Vec<&Module> {
        let is_used = |module: &Module| self.apps.iter().any(|app| app.modules.contains(&module.path));
        let unused = self.modules.iter().filter(|module| !self.apps.is_empty() && !is_used(module));
        unused.filter(|module| !module.styles.is_empty()).collect()
    }

    /// The module whose folder holds a file most closely.
    #[must_use]
    pub fn module_of(&self, file: &str) -> Option<&str> {
        let paths = self.modules.iter().map(|module| module.path.as_str());
        paths.filter(|path| holds(path, file)).max_by_key(|path| depth(path))
    }
}

/// Whether a folder holds a file.
fn holds(folder: &str, file: &str) -> bool {
    folder == "." || file.strip_prefix(folder).is_some_and(|rest| rest.starts_with('/'))
}

/// How near a folder around a file is.
fn depth(folder: &str) -> usize {
    if folder == "." { 0 } else { folder.len() }
}
