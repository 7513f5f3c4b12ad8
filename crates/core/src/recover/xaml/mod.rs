//! XAML: pages by URI, through a mapper or a frame, and the routes of shells.

mod documents;
mod pages;
mod projects;
mod said;

pub(super) mod library;

pub(super) mod page_push;
pub(super) mod shell;
pub(super) mod uri;

use crate::facts::{Names, Query, Ways};
use crate::recover::StyleRecoverer;
use crate::source::Language;
use crate::values::Values;

/// How names work in all of the platform's styles.
const WAYS: Ways = Ways { names: Names::Text, query: Query::FailsWithout, ending: ".xaml", ..Ways::PLAIN };

/// What XAML apps are written in.
const SPEAKS: fn(Language) -> bool = |language| matches!(language, Language::CSharp | Language::Xaml);

/// Pages, and what runs as theirs, whatever shows them.
pub(super) const PAGES: StyleRecoverer = StyleRecoverer {
    style: None,
    speaks: SPEAKS,
    words: &["Page", "UserControl", "ContentView", "AddTransient", "AddSingleton", "AddScoped"],
    recover: |file, values, facts| pages::recover(file, values, facts),
    ..StyleRecoverer::SHARED
};

/// The only element of a list, if it has just one.
fn only<T>(list: &[T]) -> Option<&T> {
    match list {
        [one] => Some(one),
        _ => None,
    }
}

/// Whether a class of the source, or a name outside of it, has a base whose name ends like this.
fn is_kind(class: crate::values::Ref, ending: &str, values: &Values<'_>) -> bool {
    values.external_bases(class).iter().any(|base| base.ends_with(ending))
}
