//! What only this style has: hosts in layouts, graphs in code, menus.

use crate::facts::{At, ContainerKey, OwnFact};
use crate::model::Verb;
use crate::values::Ref;

/// A view that shows a graph.
#[derive(Debug)]
pub(super) struct HostView {
    /// The view's id.
    pub(super) id: Option<String>,
    /// Whether it can be inflated: it has the id, tag or parent's id that its kind needs.
    pub(super) identified: bool,
    /// The graph it names.
    pub(super) graph: Option<(String, At)>,
    /// The layout it is in, by resource name.
    pub(super) layout: String,
    /// Where.
    pub(super) at: At,
}

/// A layout that a screen shows.
#[derive(Debug)]
pub(in crate::recover::android) struct LayoutUse {
    /// The screen's class.
    pub(in crate::recover::android) class: Ref,
    /// The layout's resource name.
    pub(in crate::recover::android) layout: String,
}

/// A layout put into another.
#[derive(Debug)]
pub(super) struct LayoutInclude {
    /// The outer one's resource name.
    pub(super) outer: String,
    /// The inner one's.
    pub(super) inner: String,
}

/// A graph put into another.
#[derive(Debug)]
pub(super) struct GraphInclude {
    /// The outer one.
    pub(super) into: ContainerKey,
    /// The inner one's resource name.
    pub(super) resource: String,
}

/// A graph that code mentions.
#[derive(Debug)]
pub(super) struct GraphNamed {
    /// Its resource name.
    pub(super) resource: String,
}

/// A graph set or inflated from code.
#[derive(Debug)]
pub(super) struct Inflated {
    /// The graph's resource name, if it is known.
    pub(super) graph: Option<String>,
    /// A start that is set beside it.
    pub(super) start: Option<String>,
    /// The node it is at.
    pub(super) site: Ref,
}

/// A menu.
#[derive(Debug)]
pub(super) struct Menu {
    /// Resource name.
    pub(super) name: String,
    /// Its entries.
    pub(super) items: Vec<MenuItem>,
}

/// An entry of a menu.
#[derive(Debug)]
pub(super) struct MenuItem {
    /// Its id.
    pub(super) id: String,
    /// The element.
    pub(super) at: At,
    /// Where its id is said.
    pub(super) id_at: At,
}

/// A view that shows a menu.
#[derive(Debug)]
pub(super) struct MenuView {
    /// The view's id.
    pub(super) id: Option<String>,
    /// The menu's resource name.
    pub(super) menu: String,
    /// The layout it is in.
    pub(super) layout: String,
    /// What choosing an entry does.
    pub(super) verb: Verb,
}

/// Code that ties a menu to navigation.
#[derive(Debug)]
pub(super) struct MenuSetup {
    /// The view's id, in any spelling, where it is known.
    pub(super) view: Option<String>,
    /// The menu inflated beside it, for options menus.
    pub(super) menu: Option<String>,
    /// The node it is at.
    pub(super) site: Ref,
}

/// A menu entry that code answers itself.
#[derive(Debug)]
pub(super) struct Handled {
    /// The entry's id.
    pub(super) id: String,
    /// The node it is at.
    pub(super) site: Ref,
}

impl OwnFact for HostView {}
impl OwnFact for LayoutUse {}
impl OwnFact for LayoutInclude {}
impl OwnFact for GraphInclude {}
impl OwnFact for GraphNamed {}
impl OwnFact for Inflated {}
impl OwnFact for Menu {}
impl OwnFact for MenuView {}
impl OwnFact for MenuSetup {}
impl OwnFact for Handled {}
