//! Hosts, menus and set-up, as they are recovered.

use super::{At, RouteKey};
use crate::model::Verb;
use crate::values::Ref;

/// A view that shows a graph.
#[derive(Debug)]
pub struct HostFact {
    /// The view's id.
    pub id: Option<String>,
    /// Whether it can be inflated: it has the id, tag or parent's id that its kind needs.
    pub identified: bool,
    /// The graph it names.
    pub graph: Option<(String, At)>,
    /// The layout it is in, by resource name.
    pub layout: String,
    /// A fragment class that is shown fixed, where it is no navigation host.
    pub fixed: Option<String>,
    /// Where.
    pub at: At,
}

/// An entry that leads on to a page, and what it hands the page.
#[derive(Debug)]
pub struct MappedFact {
    /// The entry's route.
    pub from: RouteKey,
    /// The page.
    pub to: MappedTo,
    /// The names under which it hands values on.
    pub passes: Vec<String>,
}

/// The page that an entry leads to.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum MappedTo {
    /// This one.
    Page(RouteKey),
    /// One that a placeholder names, between the rest of its address.
    Named {
        /// What stands before it.
        before: String,
        /// The placeholder.
        placeholder: String,
        /// What stands behind it.
        after: String,
    },
}

/// A graph set or inflated from code.
#[derive(Debug)]
pub struct InflateFact {
    /// The graph's resource name, if it is known.
    pub graph: Option<String>,
    /// A start that is set beside it.
    pub start: Option<String>,
    /// The node it is at.
    pub site: Ref,
}

/// A menu.
#[derive(Debug)]
pub struct MenuFact {
    /// Resource name.
    pub name: String,
    /// Its entries.
    pub items: Vec<MenuItem>,
}

/// An entry of a menu.
#[derive(Debug)]
pub struct MenuItem {
    /// Its id.
    pub id: String,
    /// The element.
    pub at: At,
    /// Where its id is said.
    pub id_at: At,
}

/// A view that shows a menu.
#[derive(Debug)]
pub struct MenuView {
    /// The view's id.
    pub id: Option<String>,
    /// The menu's resource name.
    pub menu: String,
    /// The layout it is in.
    pub layout: String,
    /// What choosing an entry does.
    pub verb: Verb,
}

/// Code that ties a menu to navigation.
#[derive(Debug)]
pub struct MenuSetup {
    /// The view's id, in any spelling, where it is known.
    pub view: Option<String>,
    /// The menu inflated beside it, for options menus.
    pub menu: Option<String>,
    /// The node it is at.
    pub site: Ref,
}

/// A menu entry that code answers itself.
#[derive(Debug)]
pub struct HandledFact {
    /// The entry's id.
    pub id: String,
    /// The node it is at.
    pub site: Ref,
}

/// A resource that code mentions.
#[derive(Debug)]
pub struct UsedFact {
    /// `id`, `navigation`, `layout`…
    pub kind: String,
    /// Its name.
    pub name: String,
}

/// A registration that a later one takes the place of.
#[derive(Debug)]
pub struct Overruled {
    /// What is registered twice.
    pub name: String,
    /// The screen that is never shown for it.
    pub class: Ref,
    /// Where.
    pub at: At,
    /// The one that counts.
    pub winner: At,
}

/// A screen that a layout names and no file is.
#[derive(Debug)]
pub struct UnfiledFact {
    /// Its name.
    pub name: String,
    /// Where it is named.
    pub at: At,
}

/// A push that goes through the stack around its screen.
#[derive(Debug)]
pub struct PushFact {
    /// The call.
    pub site: Ref,
    /// Its name.
    pub at: At,
}

/// Set-up with a step that is not there.
#[derive(Debug)]
pub struct MissingStep {
    /// What does nothing, or fails, without the step.
    pub what: String,
    /// The step that is missing; empty where it is done, and in the wrong place.
    pub missing: String,
    /// What comes of it.
    pub effect: String,
    /// What to do.
    pub mend: String,
    /// The step that is there.
    pub at: At,
}
