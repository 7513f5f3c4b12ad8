//! Pushes of screens that are never shown in a stack: they do nothing
//! (developer.apple.com, "navigationController": nil where the controller is in none).

use super::STYLE;
use crate::facts::{At, MissingStep, OwnFact, ScreenId};
use crate::link::{Graph, Join, Joining, Phase};
use crate::values::Ref;
use rustc_hash::FxHashMap;

pub(super) const JOIN: Join = Join { after: Phase::Named, join };

/// A push that goes through the stack around its screen.
#[derive(Debug)]
pub(super) struct Push {
    /// The call.
    pub(super) site: Ref,
    /// Its name.
    pub(super) at: At,
}

/// A way in which a screen is shown.
#[derive(Debug)]
pub(super) struct ShownAs {
    /// The screen, by its full name.
    pub(super) screen: String,
    /// Inside of a stack.
    pub(super) in_stack: bool,
}

impl OwnFact for Push {}
impl OwnFact for ShownAs {}

fn join(joining: &mut Joining<'_, '_>) {
    let mut shown: FxHashMap<String, Vec<bool>> = FxHashMap::default();
    for way in joining.take::<ShownAs>() {
        shown.entry(way.screen).or_default().push(way.in_stack);
    }
    for push in joining.take::<Push>() {
        let screens = joining.owners_of(push.site);
        let graph = joining.graph();
        let Some(&first) = screens.first() else { continue };
        if !screens.iter().all(|&screen| is_stackless(screen, &shown, graph)) {
            continue;
        }
        let name = graph.screen_name(first);
        joining.slip(MissingStep {
            what: "this push".to_owned(),
            missing: String::new(),
            effect: format!("does nothing: `{name}` is never shown in a navigation controller"),
            mend: "Put the screen into a navigation controller where it is shown.".to_owned(),
            at: push.at,
        });
    }
}

fn is_stackless(screen: ScreenId, shown: &FxHashMap<String, Vec<bool>>, graph: &Graph<'_>) -> bool {
    let screen = &graph.screens[screen];
    // A scene's surroundings are its storyboard's.
    let by_code = screen.routes.iter().all(|&route| graph.routes[route].is(STYLE));
    let ways = shown.get(&screen.fact.path);
    by_code && ways.is_some_and(|ways| !ways.contains(&true))
}
