//! Listings that keep to a part.

use super::style;
use crate::Failure;
use crate::args::Only;
use fallow_lantern_core::model::{Call, CallStatus, Document, Route, Style};
use fallow_lantern_core::names::nearest;

/// What a listing keeps to, with its names looked up.
pub(super) struct Kept<'a> {
    only: &'a Only,
    style: Option<Style>,
    /// Ids of the screen.
    screens: Vec<String>,
}

impl<'a> Kept<'a> {
    /// Looks names up; one that nothing has is told with the nearest.
    pub(super) fn new(only: &'a Only, document: &Document) -> Result<Self, Failure> {
        let style = only.style.as_deref().map(style).transpose()?;
        let screens = match &only.screen {
            Some(name) => screens(name, document)?,
            None => Vec::new(),
        };
        if let Some(path) = &only.module
            && document.modules.iter().all(|module| module.path != *path)
        {
            let near = nearest(path, document.modules.iter().map(|module| module.path.as_str()));
            return Err(Failure::Unknown { what: "module", given: path.clone(), near });
        }
        Ok(Self { only, style, screens })
    }

    /// Keeps to routes.
    pub(super) fn routes(&self, document: &mut Document) {
        let routes = std::mem::take(&mut document.routes);
        let of_screen = |route: &Route| route.screen.as_ref().is_some_and(|id| self.screens.contains(id));
        let names =
            |route: &Route| format!("{} {}", route.name, route.pattern.as_deref().unwrap_or_default());
        let kept = routes.into_iter().filter(|route| {
            self.style.is_none_or(|style| style == route.style)
                && (self.only.screen.is_none() || of_screen(route))
                && self.is_in_module(&route.at.file, document)
                && self.holds(&names(route))
        });
        document.routes = kept.collect();
    }

    /// Keeps to calls.
    pub(super) fn calls(&self, document: &mut Document, status: Option<CallStatus>) {
        let calls = std::mem::take(&mut document.calls);
        let of_screen = |call: &Call| call.screens.iter().any(|id| self.screens.contains(id));
        let names = |call: &Call| {
            let target = call.target.as_ref();
            let named = |id: &String| document.routes.iter().find(|r| r.id == *id).map(|r| r.name.clone());
            let routes = target.into_iter().flat_map(|target| target.routes.iter().filter_map(named));
            let written = target.map(|target| target.text.clone()).unwrap_or_default();
            routes.chain([written]).collect::<Vec<_>>().join(" ")
        };
        let kept = calls.into_iter().filter(|call| {
            self.style.is_none_or(|style| style == call.style)
                && status.is_none_or(|status| status == call.status)
                && (self.only.screen.is_none() || of_screen(call))
                && self.is_in_module(&call.at.file, document)
                && self.holds(&names(call))
        });
        document.calls = kept.collect();
    }

    fn is_in_module(&self, file: &str, document: &Document) -> bool {
        self.only.module.as_deref().is_none_or(|path| document.module_of(file) == Some(path))
    }

    fn holds(&self, names: &str) -> bool {
        self.only.holding.as_ref().is_none_or(|text| names.to_lowercase().contains(&text.to_lowercase()))
    }
}

fn screens(name: &str, document: &Document) -> Result<Vec<String>, Failure> {
    let named = document.screens.iter().filter(|screen| screen.name == name || screen.id == name);
    let found: Vec<String> = named.map(|screen| screen.id.clone()).collect();
    if found.is_empty() {
        let near = nearest(name, document.screens.iter().map(|screen| screen.name.as_str()));
        return Err(Failure::Unknown { what: "screen", given: name.to_owned(), near });
    }
    Ok(found)
}

/// What calls came to, by its name.
pub(super) fn status(name: &str) -> Result<CallStatus, Failure> {
    let all = [CallStatus::Resolved, CallStatus::Undeclared, CallStatus::Dynamic, CallStatus::External];
    let names: Vec<String> = all.iter().map(CallStatus::to_string).collect();
    let found = all.into_iter().find(|status| status.to_string() == name);
    found.ok_or_else(|| Failure::Unknown {
        what: "status",
        given: name.to_owned(),
        near: nearest(name, names.iter().map(String::as_str)),
    })
}
