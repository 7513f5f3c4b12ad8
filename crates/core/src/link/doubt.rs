//! What could not be understood, and what a finding of absence may therefore not say for sure.

use super::graph::{Call, Graph};
use super::patterns::fit;
use crate::facts::{At, RouteId, Start, TargetFact};
use crate::model::{CallStatus, Style};
use std::fmt;

/// A place that could not be understood and would make a finding wrong.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Doubt {
    /// What it may be.
    pub what: Doubted,
    /// Where.
    pub at: At,
}

/// What a place may be that could not be understood.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Doubted {
    /// A call whose target is decided at run time.
    Call,
    /// A start that is.
    Start,
    /// A declaration whose name could not be read.
    Entry,
}

impl fmt::Display for Doubt {
    fn fmt(&self, to: &mut fmt::Formatter<'_>) -> fmt::Result {
        to.write_str(match self.what {
            Doubted::Call => "this call is decided at run time",
            Doubted::Start => "what is shown first here is decided at run time",
            Doubted::Entry => "what is declared here could not be read",
        })
    }
}

/// In words: `one of 3 calls decided at run time does`.
pub(crate) fn doubted(doubts: &[Doubt]) -> Option<String> {
    let of = |what: Doubted| doubts.iter().filter(|doubt| doubt.what == what).count();
    let calls = match of(Doubted::Call) {
        0 => None,
        1 => Some("the call decided at run time does".to_owned()),
        n => Some(format!("one of {n} calls decided at run time does")),
    };
    let starts = (of(Doubted::Start) > 0).then(|| "it is the start that is decided at run time".to_owned());
    let entries = match of(Doubted::Entry) {
        0 => None,
        1 => Some("it is the one whose name could not be read".to_owned()),
        n => Some(format!("it is one of {n} whose names could not be read")),
    };
    let all: Vec<String> = calls.into_iter().chain(starts).chain(entries).collect();
    (!all.is_empty()).then(|| all.join(", or "))
}

impl Graph<'_> {
    /// Calls decided at run time that may lead to a route, as far as their targets are known.
    #[must_use]
    pub fn may_lead_to(&self, route: RouteId) -> Vec<Doubt> {
        let calls = self.calls.iter().filter(|call| self.may_mean(call, route));
        let container = self.routes[route].container.map(|container| &self.containers[container]);
        let start = container.filter(|c| matches!(c.says, Start::AtRunTime(_)) && c.starts.is_empty());
        calls
            .map(|call| Doubt { what: Doubted::Call, at: call.fact.at })
            .chain(start.map(|c| Doubt { what: Doubted::Start, at: c.fact.key.0 }))
            .collect()
    }

    /// Declarations that may be of any name that a call can mean.
    #[must_use]
    pub fn may_declare(&self, style: Style) -> Vec<Doubt> {
        let unread = self.unread.iter().filter(|unread| unread.style == style);
        unread.map(|unread| Doubt { what: Doubted::Entry, at: unread.at }).collect()
    }

    /// Whether so many calls are decided at run time that nothing can be said of what none of them does.
    #[must_use]
    pub fn is_beyond_saying(&self, route: RouteId) -> bool {
        let style = self.routes[route].fact.style;
        let forward = || self.calls.iter().filter(|call| call.fact.style == style && call.goes_forward());
        let unknown = forward().filter(|call| self.may_mean(call, route)).count();
        unknown > forward().filter(|call| call.status == CallStatus::Resolved).count().max(2)
    }

    fn may_mean(&self, call: &Call, route: RouteId) -> bool {
        let fact = &self.routes[route].fact;
        if call.status != CallStatus::Dynamic || !call.goes_forward() || call.fact.style != fact.style {
            return false;
        }
        match &call.fact.target {
            TargetFact::Text(shapes) | TargetFact::Named(shapes) | TargetFact::FirstOf(shapes) => {
                let pattern = fact.pattern.as_deref().unwrap_or(&fact.name);
                shapes.iter().any(|shape| shape.is_blank() || fit(shape, pattern).is_some())
            }
            TargetFact::Unknown => match (call.fact.value_class, fact.class) {
                (Some(known), Some(class)) => {
                    self.lineages.get(&class).is_some_and(|all| all.contains(&known))
                }
                _ => true,
            },
            _ => true,
        }
    }
}
