//! The built program on real folders: what it prints, how it exits, what it makes of bad input.

mod apple;
mod bad_input;
mod documents;
mod formats;
mod kivy;
mod ledger;
mod looking;
mod react_native;
mod settings;
mod support;
mod two_apps;
mod usage;
mod xaml;
