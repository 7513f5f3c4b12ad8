//! From parsed files to facts: one folder a platform, one file or folder a style.
//!
//! A recoverer takes one file of the program and says what it declares and calls, in one style. It
//! may ask [`Values`] what a name, a string or an object is, wherever that is declared; it knows
//! nothing of other styles, reports nothing, and never fails. To add a style, add its file and its
//! line in [`STYLES`].

mod android;
mod apple;
mod code;
mod constructor;
mod flutter;
mod kivy;
mod react_native;
mod xaml;

#[cfg(test)]
pub(crate) mod testing;

use crate::facts::{Facts, Ways};
use crate::link::{Join, Rooms};
use crate::model::Style;
use crate::source::{Language, Resource};
use crate::values::{Library, Values};

/// A style's recoverer, and the words without which a file holds nothing of it.
#[derive(Debug)]
pub struct StyleRecoverer {
    /// The style it recovers; `None` for what several styles of a platform share.
    pub style: Option<Style>,
    /// The languages it is written in.
    pub speaks: fn(Language) -> bool,
    /// A code file that holds none of these has nothing to recover. Markup is always read.
    pub words: &'static [&'static str],
    /// Functions by whose names one navigates in it: each use must become a call or be known not to be one.
    pub verbs: &'static [&'static str],
    /// One file in, its facts out.
    pub recover: fn(u32, &Values<'_>, &mut Facts),
    /// How its names work.
    pub ways: Ways,
    /// How facts that only it has are joined.
    pub joins: &'static [Join],
    /// What it adds to the reasons of rules, in its own words.
    pub says: &'static [Saying],
}

/// Why a rule matters in one style.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Saying {
    /// The rule's name.
    pub rule: &'static str,
    /// Why, with the source where the framework documents it.
    pub why: &'static str,
}

impl StyleRecoverer {
    /// What several styles share has no names of its own.
    const SHARED: Self = Self {
        style: None,
        speaks: |_| false,
        words: &[],
        verbs: &[],
        recover: |_, _, _| {},
        ways: Ways::PLAIN,
        joins: &[],
        says: &[],
    };
}

/// What linking is told of the styles.
pub const ROOMS: Rooms =
    Rooms { ways, joins: || STYLES.iter().flat_map(|room| room.joins).copied().collect() };

/// How a style's names work.
#[must_use]
pub fn ways(style: Style) -> &'static Ways {
    STYLES.iter().find(|room| room.style == Some(style)).map_or(&Ways::PLAIN, |room| &room.ways)
}

/// Every recoverer. Those without a style recover what several of their platform's styles share.
pub const STYLES: &[StyleRecoverer] = &[
    android::screens::RECOVERER,
    android::compose::SCREENS,
    android::compose::STRING,
    android::compose::TYPED,
    android::compose_stack::RECOVERER,
    android::fragment_graph::RECOVERER,
    android::voyager::RECOVERER,
    android::activity_intent::RECOVERER,
    android::fragment_swap::RECOVERER,
    flutter::widgets::RECOVERER,
    flutter::links::RECOVERER,
    flutter::push_builder::RECOVERER,
    flutter::named_table::RECOVERER,
    flutter::go_router::RECOVERER,
    flutter::auto_route::RECOVERER,
    react_native::COMPONENTS,
    react_native::stack_component::RECOVERER,
    react_native::stack_config::RECOVERER,
    react_native::flux_scene::RECOVERER,
    react_native::file_route::RECOVERER,
    apple::addresses::RECOVERER,
    apple::views::RECOVERER,
    apple::swiftui_value::RECOVERER,
    apple::swiftui_view_link::RECOVERER,
    apple::controllers::RECOVERER,
    apple::uikit::RECOVERER,
    apple::storyboard::RECOVERER,
    kivy::RECOVERER,
    xaml::PAGES,
    xaml::uri::RECOVERER,
    xaml::shell::RECOVERER,
    xaml::page_push::RECOVERER,
];

/// What the platforms' own classes do.
pub const LIBRARIES: &[Library] = &[
    android::library::LIBRARY,
    flutter::library::LIBRARY,
    apple::library::LIBRARY,
    kivy::library::LIBRARY,
    xaml::library::LIBRARY,
];

/// Runs every recoverer over one file.
#[must_use]
pub fn recover(file: u32, values: &Values<'_>) -> Facts {
    let mut facts = Facts::default();
    let source = values.program().source(file);
    for style in STYLES.iter().filter(|style| (style.speaks)(source.language)) {
        let before = facts.containers.len();
        (style.recover)(file, values, &mut facts);
        facts.containers[before..].iter_mut().for_each(|container| container.style = style.style);
    }
    facts
}

/// The kind of Android XML a file is, if it is one.
fn resource(file: u32, values: &Values<'_>) -> Option<Resource> {
    match values.program().source(file).language {
        Language::Xml(resource) => Some(resource),
        _ => None,
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn every_style_has_its_recoverer() {
        let mut styles: Vec<Style> = STYLES.iter().filter_map(|recoverer| recoverer.style).collect();
        styles.sort();
        assert_eq!(styles, Style::ALL);
    }
}
