//! React Native: navigators whose screens are elements or entries, and calls on what they hand over.

mod addresses;
mod components;
mod element;
mod list_types;
mod navigation;
mod navigators;
#[cfg(test)]
mod people_tests;
mod taken;
#[cfg(test)]
mod typed_tests;

pub(super) mod file_route;
pub(super) mod flux_scene;
pub(super) mod stack_component;
pub(super) mod stack_config;

pub(in crate::recover) use components::RECOVERER as COMPONENTS;

use crate::facts::{Choice, Names, Space, Ways};
use crate::source::Language;
use crate::values::Values;

/// How names work where navigators have them.
const WAYS: Ways = Ways { names: Names::Text, choice: Choice::FirstOfAName(Space::Container), ..Ways::PLAIN };

/// What React Native apps are written in.
const SPEAKS: fn(Language) -> bool = |language| matches!(language, Language::Script { .. });

/// The package whose version says how names are looked up.
const NATIVE: &str = "@react-navigation/native";

/// Packages of pages and servers.
const ELSEWHERE: &[&str] = &["express", "fastify", "next", "react-dom", "vite"];

/// Whether a file may be of an app: not of a page's or a server's package, nor a page's variant.
fn is_of_app(file: u32, values: &Values<'_>) -> bool {
    let source = values.program().source(file);
    let module = values.program().sources().modules.get(source.module);
    let depends = |name: &str| module.is_some_and(|m| m.build.depends_on.iter().any(|known| known == name));
    let native = depends("react-native") || depends("expo");
    !source.path.contains(".web.") && (native || !ELSEWHERE.iter().any(|name| depends(name)))
}

/// Whether a file's module uses a version in which a name is only looked for in the navigators around
/// the caller (reactnavigation.org, "Upgrading from 6.x").
fn looks_only_around(file: u32, values: &Values<'_>) -> bool {
    let sources = values.program().sources();
    let module = sources.modules.get(values.program().source(file).module);
    let asked = module.and_then(|module| module.build.versions.iter().find(|(name, _)| name == NATIVE));
    let major = asked.and_then(|(_, version)| {
        let digits = version.trim_start_matches(|c: char| !c.is_ascii_digit());
        digits.split('.').next()?.parse::<u32>().ok()
    });
    major.is_some_and(|major| major >= 7)
}
