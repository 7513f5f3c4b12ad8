//! Which screens show which layouts, included ones too.

use super::facts::{LayoutInclude, LayoutUse};
use crate::facts::{OwnFact, ScreenId};
use crate::link::Joining;
use rustc_hash::{FxHashMap, FxHashSet};

/// The screens that show each layout.
#[derive(Debug, Default)]
pub(super) struct ShownLayouts {
    screens: FxHashMap<String, Vec<ScreenId>>,
}

impl OwnFact for ShownLayouts {}

impl ShownLayouts {
    /// What classes show, with what that includes.
    pub(super) fn of(joining: &mut Joining<'_, '_>) -> Self {
        let mut inner: FxHashMap<String, Vec<String>> = FxHashMap::default();
        for include in joining.take::<LayoutInclude>() {
            inner.entry(include.outer).or_default().push(include.inner);
        }
        let by_class: FxHashMap<_, ScreenId> =
            joining.graph().screens.iter_enumerated().map(|(i, screen)| (screen.fact.class, i)).collect();
        let mut screens: FxHashMap<String, Vec<ScreenId>> = FxHashMap::default();
        let mut seen = FxHashSet::default();
        for used in joining.take::<LayoutUse>() {
            let Some(&screen) = by_class.get(&used.class) else { continue };
            let mut todo = vec![used.layout];
            while let Some(layout) = todo.pop() {
                if seen.insert((screen, layout.clone())) {
                    todo.extend(inner.get(&layout).into_iter().flatten().cloned());
                    screens.entry(layout).or_default().push(screen);
                }
            }
        }
        screens.values_mut().for_each(|screens| screens.sort_unstable());
        Self { screens }
    }

    /// The screens that show a layout.
    pub(super) fn screens_with(&self, layout: &str) -> Vec<ScreenId> {
        self.screens.get(layout).cloned().unwrap_or_default()
    }

    /// Whether a screen shows a layout.
    pub(super) fn shows(&self, screen: ScreenId, layout: &str) -> bool {
        self.screens.get(layout).is_some_and(|screens| screens.contains(&screen))
    }
}
