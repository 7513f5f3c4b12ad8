//! The shortest ways from one place to another.

use super::Network;
use std::collections::VecDeque;

/// A way: hops, one after the other.
pub type Way = Vec<usize>;

/// The shortest ways from one place to all others.
#[derive(Debug)]
pub struct Ways {
    start: usize,
    /// The hop by which each place is reached first; `None` where it is not, or for the start.
    by: Vec<Option<usize>>,
    from: Vec<Option<usize>>,
}

impl Network<'_> {
    /// The shortest ways from a place. Of several, the one whose hops stand first in the source.
    #[must_use]
    pub fn ways_from(&self, start: usize) -> Ways {
        let mut ways = Ways { start, by: vec![None; self.places.len()], from: vec![None; self.places.len()] };
        let mut todo = VecDeque::from([start]);
        while let Some(at) = todo.pop_front() {
            for &hop in &self.places[at].out {
                let next = self.hops[hop].to;
                if next != start && ways.by[next].is_none() {
                    ways.by[next] = Some(hop);
                    ways.from[next] = Some(at);
                    todo.push_back(next);
                }
            }
        }
        ways
    }
}

impl Ways {
    /// The way to a place; empty where it is the start, `None` where there is none.
    #[must_use]
    pub fn to(&self, end: usize) -> Option<Way> {
        let mut way = Vec::new();
        let mut at = end;
        while at != self.start {
            way.push(self.by[at]?);
            at = self.from[at]?;
        }
        way.reverse();
        Some(way)
    }

    /// How many places can be reached, the start left out.
    #[must_use]
    pub fn reached(&self) -> usize {
        self.by.iter().flatten().count()
    }
}
