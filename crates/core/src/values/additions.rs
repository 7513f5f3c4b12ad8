//! What adds to which class, remembered: asked for each member of each class, it is the same each time.

use super::Ref;
use rustc_hash::FxHashMap;
use std::sync::RwLock;

/// What adds to which class, as far as it was asked. Asked often, and the same each time.
#[derive(Debug, Default)]
pub(super) struct Additions {
    extended: RwLock<FxHashMap<Ref, Option<Ref>>>,
    extensions: RwLock<FxHashMap<Ref, Vec<Ref>>>,
}

impl Additions {
    /// The class that a node adds to.
    pub(super) fn extended(&self, at: Ref, find: impl FnOnce() -> Option<Ref>) -> Option<Ref> {
        if let Some(known) = self.extended.read().ok().and_then(|known| known.get(&at).copied()) {
            return known;
        }
        let found = find();
        if let Ok(mut known) = self.extended.write() {
            known.insert(at, found);
        }
        found
    }

    /// What adds to a class.
    pub(super) fn extensions(&self, class: Ref, find: impl FnOnce() -> Vec<Ref>) -> Vec<Ref> {
        if let Some(known) = self.extensions.read().ok().and_then(|known| known.get(&class).cloned()) {
            return known;
        }
        let found = find();
        if let Ok(mut known) = self.extensions.write() {
            known.insert(class, found.clone());
        }
        found
    }
}
