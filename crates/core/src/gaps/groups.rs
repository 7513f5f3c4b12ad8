//! Which old graph, navigator or row of tabs is which new one: by its words, and by what of it is in which.

use super::DOUBT;
use super::assign::assign;
use super::likeness::{Weights, words};
use super::pairs::Pairs;
use super::sides::Side;
use crate::model::{By, Pair, Route, RouteKind};

/// A pair that scores less is none.
const LEAST: f64 = 0.6;
/// How much of a score the name is; the rest is what stands in it.
const NAME: f64 = 0.75;

/// Which group is which.
#[derive(Debug)]
pub(super) struct GroupPairs(Vec<GroupPair>);

#[derive(Debug)]
struct GroupPair {
    old: usize,
    new: usize,
    pair: Pair,
}

impl GroupPairs {
    /// The pairs, as they are told.
    pub(super) fn list(self) -> impl Iterator<Item = Pair> {
        self.0.into_iter().map(|paired| paired.pair)
    }

    /// The new route that an old group is paired with, by their places in the documents.
    pub(super) fn new_of(&self, old: usize) -> Option<usize> {
        self.0.iter().find(|paired| paired.old == old).map(|paired| paired.new)
    }
}

/// A group with the units that stand in it.
struct Group<'d> {
    /// Its place in the document's routes.
    index: usize,
    route: &'d Route,
    words: Vec<String>,
    inside: Vec<usize>,
}

/// The pairs of groups; a group is no unit, so no gap comes of it.
pub(super) fn pair(old: &Side<'_>, new: &Side<'_>, units: &Pairs) -> GroupPairs {
    let (before, after) = (groups(old), groups(new));
    let weights = Weights::of(before.iter().chain(&after).map(|group| &group.words));
    let mut candidates = Vec::new();
    for (a, one) in before.iter().enumerate() {
        for (b, other) in after.iter().enumerate() {
            let name = weights.alike(&one.words, &other.words);
            let score = NAME * name + (1.0 - NAME) * shared(one, other, units);
            // A name alone may be anybody's; what is in it alone may have moved.
            if score >= LEAST && name > 0.5 {
                candidates.push((a, b, score));
            }
        }
    }
    let chosen = assign(&candidates).into_iter().map(|(a, b, score)| {
        let (one, other) = (&before[a], &after[b]);
        let pair = Pair {
            old: one.route.name.clone(),
            new: other.route.name.clone(),
            by: By::Name,
            score: (score * 100.0).round() / 100.0,
            or: None,
            doubtful: score < DOUBT,
        };
        GroupPair { old: one.index, new: other.index, pair }
    });
    GroupPairs(chosen.collect())
}

fn groups<'d>(side: &Side<'d>) -> Vec<Group<'d>> {
    let all = side.document.routes.iter().enumerate();
    let all = all.filter(|(_, route)| route.kind == RouteKind::Group && !route.name.is_empty());
    all.map(|(index, route)| Group {
        index,
        route,
        words: words(&route.name),
        inside: (0..side.units.len()).filter(|&unit| is_inside(side, unit, &route.id)).collect(),
    })
    .collect()
}

/// Whether a unit stands in a group, however deep.
fn is_inside(side: &Side<'_>, unit: usize, group: &str) -> bool {
    let mut parent = side.units[unit].route.parent.as_deref();
    for _ in 0..side.document.routes.len() {
        match parent {
            Some(id) if id == group => return true,
            Some(id) => {
                let above = side.document.routes.iter().find(|route| route.id == id);
                parent = above.and_then(|route| route.parent.as_deref());
            }
            None => return false,
        }
    }
    false
}

/// What share of the old group's paired units stand in the new one; all of it where none is paired.
fn shared(one: &Group<'_>, other: &Group<'_>, units: &Pairs) -> f64 {
    let paired: Vec<usize> = one.inside.iter().filter_map(|&unit| units.new_of[unit]).collect();
    if paired.is_empty() {
        return 1.0;
    }
    let kept = paired.iter().filter(|unit| other.inside.contains(unit)).count();
    kept as f64 / paired.len() as f64
}
