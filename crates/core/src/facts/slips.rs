//! What is wrong by itself: wiring and set-up that lack something, declarations that never count.

use super::At;
use crate::values::Ref;

/// Something that lacks what it needs to be shown.
#[derive(Debug)]
pub struct ProblemFact {
    /// What is wrong.
    pub what: Unwired,
    /// Where.
    pub at: At,
}

/// Ways in which a host, a graph or a menu can be left without what it needs.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Unwired {
    /// A host that is given no graph.
    HostWithoutGraph,
    /// A host that cannot be inflated.
    HostWithoutId,
    /// A host whose graph is not in the source.
    NoSuchGraph(String),
    /// A graph that nothing shows.
    GraphWithoutHost(String),
    /// A menu entry that names no route, by its id.
    EntryWithoutRoute(String),
    /// A layout names a screen that no file is.
    ScreenWithoutFile(String),
    /// A manager that holds nothing.
    NothingIn,
    /// A helper that registers destinations, and that no stack uses.
    NoStack(String),
}

/// A name that code mentions.
#[derive(Debug)]
pub struct UsedFact {
    /// The name.
    pub name: String,
}

/// A registration that a later one takes the place of.
#[derive(Debug)]
pub struct Overruled {
    /// What is registered twice.
    pub name: String,
    /// The screen that is never shown for it.
    pub class: Ref,
    /// Where.
    pub at: At,
    /// The one that counts.
    pub winner: At,
}

/// Set-up with a step that is not there.
#[derive(Debug)]
pub struct MissingStep {
    /// What does nothing, or fails, without the step.
    pub what: String,
    /// The step that is missing; empty where it is done, and in the wrong place.
    pub missing: String,
    /// What comes of it.
    pub effect: String,
    /// What to do.
    pub mend: String,
    /// The step that is there.
    pub at: At,
}
