//! Declarations that an earlier, wider one keeps from ever being asked.

use super::graph::Graph;
use crate::facts::{ContainerId, RouteId};

/// Finds routes whose every call an earlier route of the same container takes.
pub(super) fn find(graph: &mut Graph<'_>) {
    let mut ordered: Vec<RouteId> =
        graph.patterned_in_order().into_iter().filter(|&r| graph.routes[r].loses_to.is_none()).collect();
    ordered.sort_by_key(|&route| (root(graph, route), graph.routes[route].fact.order));
    for at in 0..ordered.len() {
        let route = ordered[at];
        let earlier = ordered[..at].iter().copied().filter(|&other| root(graph, other) == root(graph, route));
        let winner = earlier.into_iter().find(|&other| {
            match (&graph.routes[other].fact.pattern, &graph.routes[route].fact.pattern) {
                (Some(wide), Some(narrow)) => covers(wide, narrow),
                _ => false,
            }
        });
        graph.routes[route].shadowed_by = winner;
    }
}

fn root(graph: &Graph<'_>, route: RouteId) -> Option<ContainerId> {
    let container = graph.routes[route].container?;
    graph.roots(container).first().copied()
}

/// Whether a pattern takes every path that another, of another shape, is for.
fn covers(wide: &str, narrow: &str) -> bool {
    let (wide, narrow) = (path(wide), path(narrow));
    if let Some(prefix) = wide.strip_suffix("{}") {
        return narrow.starts_with(prefix) && narrow != wide;
    }
    let (ours, theirs): (Vec<&str>, Vec<&str>) = (wide.split('/').collect(), narrow.split('/').collect());
    let hole = |part: &str| part.starts_with('{') && part.ends_with('}');
    let takes = |(own, other): (&&str, &&str)| own == other || hole(own);
    let wider = ours.iter().zip(&theirs).any(|(own, other)| hole(own) && !hole(other));
    ours.len() == theirs.len() && wider && ours.iter().zip(&theirs).all(takes)
}

/// A pattern without its query.
fn path(pattern: &str) -> &str {
    pattern.split('?').next().unwrap_or(pattern)
}

#[cfg(test)]
mod tests {
    use super::covers;

    #[test]
    fn wider_patterns_cover_narrower_ones_of_their_length() {
        assert!(covers("/item/{id}", "/item/new"));
        assert!(covers("/tower/{}", "/tower/plan"));
        assert!(covers("/{page}/{id}", "/item/{id}"));
        assert!(!covers("/item/new", "/item/{id}"));
        assert!(!covers("/item/{id}", "/item/{key}"));
        assert!(!covers("/item/{id}", "/item/new/more"));
        assert!(!covers("/item/x{id}", "/item/xy"));
    }
}
