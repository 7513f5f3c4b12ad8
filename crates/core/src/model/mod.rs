//! What a scan says: the data that leaves the library, and nothing but data.

mod gaps;
mod place;
mod reach;
mod scan;
mod words;

pub use gaps::{By, Done, Gap, GapKind, Gaps, ModuleProgress, Move, Pair, Progress};
pub use place::{Place, Span};
pub use reach::{HandedBack, Onward, Opener, Reach, Step, Taker, WayIn};
pub use scan::{
    App, Argument, Call, Document, Finding, Meant, Module, Parameter, Read, Related, ResultFact, Route,
    Screen, Skipped, StyleTotals, Target, Totals, Unsaid,
};
pub use words::{CallStatus, Form, Platform, ResultSide, RouteKind, ScreenKind, Severity, Style, Verb, Via};
