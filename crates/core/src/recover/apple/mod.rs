//! Apple: SwiftUI by value and by links that carry their view, UIKit in code, storyboards.

mod initialiser;
#[cfg(test)]
mod objc_tests;
mod pages;
#[cfg(test)]
mod people_tests;
mod scenes;
mod shown;
mod variables;

pub(super) mod addresses;
mod answers;
pub(super) mod controllers;
pub(super) mod library;
pub(super) mod storyboard;
pub(super) mod swiftui_value;
pub(super) mod swiftui_view_link;
pub(super) mod uikit;
pub(super) mod views;

use crate::facts::{Addresses, Objects, Presents, Ways};
use crate::source::{Language, Tool};
use crate::values::Values;

/// How names work in all of the platform's styles.
const WAYS: Ways =
    Ways { addresses: Addresses::InCode, presents: Presents::Apart, objects: Objects::Whole, ..Ways::PLAIN };

/// What these apps are written in.
const SPEAKS: fn(Language) -> bool = |language| matches!(language, Language::Swift | Language::ObjectiveC);

/// Whether a file is of an app of the platform, not of the native host of an app that is written in
/// something else: those lie in a folder named for the platform.
fn is_ours(file: u32, values: &Values<'_>) -> bool {
    !is_beside_another(file, values) || !is_host(file, values)
}

/// Whether a file lies in the native folder of an app that is written in something else, which may show
/// what is there.
fn is_beside_another(file: u32, values: &Values<'_>) -> bool {
    let sources = values.program().sources();
    let source = values.program().source(file);
    let hosts = sources.modules.iter().filter(|module| matches!(module.build.tool, Tool::Pub | Tool::Npm));
    let hosted = |folder: &str| {
        let inside = match folder {
            "." => source.path.as_str(),
            _ => source.path.strip_prefix(folder).map_or("", |rest| rest.trim_start_matches('/')),
        };
        inside.starts_with("ios/") || inside.starts_with("macos/")
    };
    hosts.into_iter().any(|module| hosted(&module.path))
}

/// Whether a file only holds the other app: its delegates, its window, the storyboards around them.
fn is_host(file: u32, values: &Values<'_>) -> bool {
    let source = values.program().source(file);
    let name = source.path.rsplit('/').next().unwrap_or_default();
    if source.language == Language::Storyboard {
        return matches!(name, "LaunchScreen.storyboard" | "Main.storyboard");
    }
    let tree = values.program().tree(file);
    let delegates = |base: &str| {
        ["AppDelegate", "ApplicationDelegate", "SceneDelegate"].iter().any(|end| base.ends_with(end))
    };
    tree.items.iter().filter_map(|&id| tree.class(id)).any(|class| {
        class.name == "MainFlutterWindow" || class.supers.iter().any(|base| delegates(base.ty.simple()))
    })
}
