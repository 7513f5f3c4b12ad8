//! The shortest ways from one place to another.

use super::{Hop, Network, What};
use crate::model::ScreenKind;
use pathfinding::prelude::bfs_reach;

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
        self.spread(start, |_| &[])
    }

    /// As [`Self::ways_from`], for somebody who stands there: the bars and menus of the screens around
    /// a place are at hand in it.
    #[must_use]
    pub fn ways_of_user(&self, start: usize) -> Ways {
        let hosts = self.hosts();
        self.spread(start, |place| &hosts[place])
    }

    fn spread<'h>(&self, start: usize, around: impl Fn(usize) -> &'h [usize]) -> Ways {
        let none = vec![None; self.places.len()];
        let mut ways = Ways { start, by: none.clone(), from: none };
        // Hops in the order in which they can be taken, each with the place that it is taken from.
        let taken = bfs_reach(None, |hop: &Option<(usize, usize)>| {
            let at = hop.map_or(start, |(hop, _)| self.hops[hop].to);
            // What a host shows first is not to be had from what it shows now: only its calls are.
            let beside = around(at).iter().flat_map(|&host| &self.places[host].out);
            let beside = beside.filter(|&&hop| !self.hops[hop].calls.is_empty());
            self.places[at].out.iter().chain(beside).map(move |&hop| Some((hop, at))).collect::<Vec<_>>()
        });
        for (hop, from) in taken.flatten() {
            let to = self.hops[hop].to;
            if to != start && ways.by[to].is_none() {
                ways.by[to] = Some(hop);
                ways.from[to] = Some(from);
            }
        }
        ways
    }

    /// The screens around each place: those that show it inside themselves, or show what leads to it
    /// without leaving them.
    fn hosts(&self) -> Vec<Vec<usize>> {
        let mut hosts = vec![Vec::new(); self.places.len()];
        let inside = |at: usize| match self.places[at].what {
            What::Screen(screen) => screen.kind != ScreenKind::Activity,
            _ => false,
        };
        for (host, place) in self.places.iter().enumerate() {
            let What::Screen(screen) = place.what else { continue };
            let first = |hop: &&Hop| screen.shows.iter().any(|id| self.of_route(id) == Some(hop.to));
            let shown = place.out.iter().map(|&hop| &self.hops[hop]);
            let first: Vec<usize> = shown.filter(first).map(|hop| hop.to).collect();
            let within = bfs_reach(None, |at: &Option<usize>| {
                let onward = at.map(|at| self.places[at].out.iter().map(|&hop| self.hops[hop].to).collect());
                let onward: Vec<usize> = onward.unwrap_or_else(|| first.clone());
                onward.into_iter().filter(|&at| at != host && inside(at)).map(Some)
            });
            within.flatten().for_each(|at| hosts[at].push(host));
        }
        hosts
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
