//! The best assignment of old to new: the one whose scores add up to the most.

use pathfinding::kuhn_munkres::kuhn_munkres;
use pathfinding::matrix::Matrix;
use std::collections::BTreeMap;

/// A possible pair: old, new, and how likely, from 0 to 1.
pub(super) type Candidate = (usize, usize, f64);

/// Larger knots are cut at their weakest candidates first.
const LARGEST: usize = 300;

/// Chooses candidates so that no old and no new is in two, and the scores add up to the most. Knots of
/// candidates that share nothing are solved one by one.
pub(super) fn assign(candidates: &[Candidate]) -> Vec<Candidate> {
    let mut chosen = Vec::new();
    let mut knots = knots(candidates);
    while let Some(knot) = knots.pop() {
        let weakest = knot.iter().map(|candidate| candidate.2).fold(1.0, f64::min);
        let stronger: Vec<Candidate> =
            knot.iter().copied().filter(|candidate| candidate.2 > weakest + 1e-9).collect();
        if size(&knot) > LARGEST && !stronger.is_empty() {
            knots.extend(self::knots(&stronger));
        } else {
            chosen.extend(solve(&knot));
        }
    }
    chosen.sort_by_key(|candidate| (candidate.0, candidate.1));
    chosen
}

fn size(knot: &[Candidate]) -> usize {
    let mut old: Vec<usize> = knot.iter().map(|candidate| candidate.0).collect();
    old.sort_unstable();
    old.dedup();
    old.len()
}

/// Candidates that are tied to each other by what they share.
fn knots(candidates: &[Candidate]) -> Vec<Vec<Candidate>> {
    let olds = candidates.iter().map(|candidate| candidate.0 + 1).max().unwrap_or(0);
    let news = candidates.iter().map(|candidate| candidate.1 + 1).max().unwrap_or(0);
    let mut sets = petgraph::unionfind::UnionFind::<usize>::new(olds + news);
    for &(old, new, _) in candidates {
        sets.union(old, olds + new);
    }
    let mut knots: BTreeMap<usize, Vec<Candidate>> = BTreeMap::new();
    for &candidate in candidates {
        knots.entry(sets.find(candidate.0)).or_default().push(candidate);
    }
    knots.into_values().collect()
}

fn solve(knot: &[Candidate]) -> Vec<Candidate> {
    let index = |list: Vec<usize>| {
        let mut list = list;
        list.sort_unstable();
        list.dedup();
        list
    };
    let olds = index(knot.iter().map(|candidate| candidate.0).collect());
    let news = index(knot.iter().map(|candidate| candidate.1).collect());
    // The library wants no more rows than columns; a pair that is no candidate is worth nothing.
    let mut weights = Matrix::new(olds.len(), news.len().max(olds.len()), 0_i64);
    for &(old, new, score) in knot {
        if let (Ok(row), Ok(column)) = (olds.binary_search(&old), news.binary_search(&new)) {
            weights[(row, column)] = (score * 1e6) as i64;
        }
    }
    let (_, columns) = kuhn_munkres(&weights);
    let pairs = columns.iter().enumerate().filter_map(|(row, &column)| {
        let (old, new) = (olds[row], *news.get(column)?);
        knot.iter().copied().find(|candidate| (candidate.0, candidate.1) == (old, new))
    });
    pairs.collect()
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn the_whole_counts_rather_than_the_single_best() {
        // Taking 0–0 first would leave 1 with nothing.
        let chosen = assign(&[(0, 0, 0.9), (0, 1, 0.8), (1, 0, 0.85)]);
        assert_eq!(chosen, [(0, 1, 0.8), (1, 0, 0.85)]);
        assert_eq!(assign(&[(3, 5, 0.7), (4, 5, 0.6)]), [(3, 5, 0.7)]);
        assert_eq!(assign(&[]), []);
    }

    #[test]
    fn large_knots_are_cut_at_their_weakest() {
        let mut all: Vec<Candidate> = (0..400).map(|i| (i, i, 0.9)).collect();
        all.extend((0..399).map(|i| (i, i + 1, 0.5)));
        assert_eq!(assign(&all).len(), 400);
    }
}
