//! The gaps document: what one side of a migration has and the other lacks.

use super::{Place, Style};
use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use std::fmt;

/// Two apps compared, or one app against the style it is moving to.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Gaps {
    /// Always `fallow-lantern/gaps`.
    pub format: String,
    /// Version of the format.
    pub version: u32,
    /// The old app's path, or the one app's.
    pub old: String,
    /// The new app's path, or the style.
    pub new: String,
    /// Which old route or screen is which new one.
    pub pairs: Vec<Pair>,
    /// Differences.
    pub gaps: Vec<Gap>,
    /// How far the move is.
    pub progress: Progress,
    /// Towards a style: the order in which routes are best moved.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub order: Vec<Move>,
    /// Towards a style: how far each module is.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub modules: Vec<ModuleProgress>,
}

/// An old route or screen and what it became.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Pair {
    /// Name in the old app.
    pub old: String,
    /// Name in the new app.
    pub new: String,
    /// What it rests on.
    pub by: By,
    /// From 0 to 1: how sure it is.
    pub score: f64,
    /// Another that is nearly as likely.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub or: Option<String>,
    /// Whether a person should settle it.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub doubtful: bool,
}

/// What a pair rests on.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(rename_all = "kebab-case")]
pub enum By {
    /// The configuration says so.
    Given,
    /// Its names.
    Name,
    /// Its parameters and neighbours.
    Shape,
}

/// A difference.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Gap {
    /// What kind of difference.
    pub kind: GapKind,
    /// What the old app has; null where it has nothing.
    pub old: Option<String>,
    /// What the new app has; null where it has nothing.
    pub new: Option<String>,
    /// In one sentence.
    pub message: String,
    /// Where: in the old app, for extras in the new one.
    pub at: Option<Place>,
}

/// Kinds of differences.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, JsonSchema)]
#[serde(rename_all = "kebab-case")]
pub enum GapKind {
    /// The app begins elsewhere.
    Start,
    /// A screen without a route is gone.
    Screen,
    /// A route is gone.
    Route,
    /// A parameter is gone.
    Argument,
    /// A parameter has another type.
    ArgumentType,
    /// A parameter must be passed now.
    ArgumentRequired,
    /// Nothing leads from the one to the other any more.
    Hop,
    /// An address is gone.
    DeepLink,
    /// A result is not handed back any more.
    Result,
    /// A route is new.
    Extra,
    /// A route is still in another style.
    OlderRoute,
    /// A call is still in another style.
    OlderCall,
    /// Something stands in the way of a move.
    Blocked,
}

impl GapKind {
    /// The written form.
    #[must_use]
    pub fn as_str(self) -> &'static str {
        match self {
            Self::Start => "start",
            Self::Screen => "screen",
            Self::Route => "route",
            Self::Argument => "argument",
            Self::ArgumentType => "argument-type",
            Self::ArgumentRequired => "argument-required",
            Self::Hop => "hop",
            Self::DeepLink => "deep-link",
            Self::Result => "result",
            Self::Extra => "extra",
            Self::OlderRoute => "older-route",
            Self::OlderCall => "older-call",
            Self::Blocked => "blocked",
        }
    }
}

impl fmt::Display for GapKind {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.pad(self.as_str())
    }
}

/// How far a move is, by what is moved.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Progress {
    /// Screens.
    pub screens: Done,
    /// Routes.
    pub routes: Done,
    /// Parameters.
    pub arguments: Done,
    /// Hops.
    pub hops: Done,
    /// Addresses.
    pub deep_links: Done,
    /// Results.
    pub results: Done,
}

/// How many of how many.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Done {
    /// How many are moved.
    pub done: usize,
    /// Of how many.
    pub of: usize,
}

impl Done {
    /// Counts one more.
    pub fn count(&mut self, done: bool) {
        self.of += 1;
        self.done += usize::from(done);
    }
}

/// A step of a move.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct Move {
    /// The route.
    pub route: String,
    /// The style it is in.
    pub style: Style,
    /// How many calls can be moved once it is.
    pub unblocks: usize,
    /// What has to be settled first.
    pub blocked_by: Vec<String>,
    /// Where it is declared.
    pub at: Place,
}

/// How far a module is.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct ModuleProgress {
    /// Its folder.
    pub path: String,
    /// Routes in the style.
    pub routes: Done,
    /// Calls in the style.
    pub calls: Done,
}
