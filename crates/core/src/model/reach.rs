//! The reach document: how one gets to a screen, and what happens there.

use super::{Argument, CallStatus, Finding, Form, Place, Read, Route, ScreenKind, Verb};
use schemars::JsonSchema;
use serde::{Deserialize, Serialize};

/// All that is known of one screen, seen from the ways to it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Reach {
    /// Always `fallow-lantern/reach`.
    pub format: String,
    /// Version of the format.
    pub version: u32,
    /// The scanned path as it was given.
    pub root: String,
    /// The screen or, where none is known, the route.
    pub name: String,
    /// Id of the screen.
    pub screen: Option<String>,
    /// What kind of UI it is.
    pub kind: Option<ScreenKind>,
    /// Where it is declared.
    pub at: Option<Place>,
    /// Routes that show it, with what they take.
    pub routes: Vec<Route>,
    /// Where the ways were to start; null where they start at every entry.
    pub from: Option<String>,
    /// The shortest way from each start that has one, shortest first.
    pub ways: Vec<WayIn>,
    /// Why there is no way; null where there is one.
    pub why_not: Option<String>,
    /// Every call that opens it.
    pub openers: Vec<Opener>,
    /// Where it takes arguments out.
    pub reads: Vec<Read>,
    /// What it hands back, and who takes it.
    pub hands_back: Vec<HandedBack>,
    /// Results that it takes from others.
    pub takes_back: Vec<HandedBack>,
    /// Where one goes on from it.
    pub onward: Vec<Onward>,
    /// What the rules report about it.
    pub findings: Vec<Finding>,
}

/// A way in.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct WayIn {
    /// The place it starts at.
    pub from: String,
    /// How the app is entered there: a launcher, an address, a start.
    pub entry: Option<String>,
    /// The steps; empty where the screen is the start itself.
    pub steps: Vec<Step>,
}

/// A step of a way.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Step {
    /// Where it leads.
    pub to: String,
    /// What the call does; null where the screen before shows this one inside itself.
    pub verb: Option<Verb>,
    /// The target as it is written.
    pub text: Option<String>,
    /// The call.
    pub at: Option<Place>,
}

/// A call that opens a screen.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Opener {
    /// Names of the screens it is in; none for the app's own code.
    pub from: Vec<String>,
    /// What it does.
    pub verb: Verb,
    /// How it names its target.
    pub form: Option<Form>,
    /// The target as it is written.
    pub text: String,
    /// What linking made of it.
    pub status: CallStatus,
    /// What it passes.
    pub arguments: Vec<Argument>,
    /// Where.
    pub at: Place,
}

/// A result and its other side.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct HandedBack {
    /// The key; null where it is decided at run time.
    pub key: Option<String>,
    /// The value's type, where it is known.
    #[serde(rename = "type")]
    pub ty: Option<String>,
    /// Where this side is.
    pub at: Place,
    /// The other sides.
    pub with: Vec<Taker>,
}

/// The other side of a result.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Taker {
    /// Its screen's name.
    pub screen: Option<String>,
    /// Where.
    pub at: Place,
}

/// Where one goes on.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Onward {
    /// The place.
    pub to: String,
    /// What the calls do; none where it is shown inside.
    pub verbs: Vec<Verb>,
    /// Where the calls are.
    pub at: Vec<Place>,
}
