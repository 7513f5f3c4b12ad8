//! `compose-string` and `compose-typed`: routes declared by calls in a builder, screens that are
//! functions. Behaviour follows developer.android.com, "Navigation with Compose" and "Type safety in
//! Kotlin DSL and Navigation Compose".

mod builder;
mod calls;
mod reads;
mod screens;
mod string;
mod typed;

#[cfg(test)]
mod tests;
#[cfg(test)]
mod wrapper_tests;

pub(super) use builder::shown;
pub(super) use reads::{component, is_entry, taken_apart};
pub(in crate::recover) use screens::RECOVERER as SCREENS;
pub(super) use screens::path;
pub(in crate::recover) use string::RECOVERER as STRING;
pub(in crate::recover) use typed::RECOVERER as TYPED;
pub(super) use typed::unmarked;

/// Words without which a file neither declares nor calls.
const WORDS: &[&str] = &["NavGraphBuilder", "NavHost", "NavController", "androidx.navigation", "toRoute"];
