//! Which part of an app a map shows.

use crate::model::Style;
use crate::names;
use crate::network::{Network, What};

/// A part; everything by default.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Part {
    /// A screen or route, and how many hops away from it one still looks.
    pub around: Option<(String, usize)>,
    /// Only what is declared in a module.
    pub module: Option<String>,
    /// Only what a style declares, and what is called in it.
    pub style: Option<Style>,
}

impl Part {
    /// The places in the part, in the network's order.
    pub(super) fn places(&self, network: &Network<'_>) -> Result<Vec<usize>, Vec<String>> {
        let near = self.near(network)?;
        let module = self.module(network)?;
        let chosen = |&place: &usize| {
            near.as_ref().is_none_or(|near| near[place])
                && module.is_none_or(|module| is_in(network, place, module))
                && self.style.is_none_or(|style| is_of(network, place, style))
        };
        Ok((0..network.places.len()).filter(chosen).collect())
    }

    /// What it shows, in words.
    pub(super) fn title(&self, network: &Network<'_>, places: usize) -> String {
        let mut title = network.document.root.clone();
        if let Some((name, depth)) = &self.around {
            title += &format!(", {} around {name}", names::count(*depth, "hop"));
        }
        if let Some(module) = &self.module {
            title += &format!(", module {module}");
        }
        if let Some(style) = self.style {
            title += &format!(", {style}");
        }
        let plural = if places == 1 { "" } else { "s" };
        format!("{title}: {places} place{plural}")
    }

    /// Places within reach of the middle, along hops and against them.
    fn near(&self, network: &Network<'_>) -> Result<Option<Vec<bool>>, Vec<String>> {
        let Some((name, depth)) = &self.around else { return Ok(None) };
        let mut near = vec![false; network.places.len()];
        let mut edge = vec![network.find(name)?];
        for _ in 0..=*depth {
            let mut next = Vec::new();
            for place in edge {
                if !std::mem::replace(&mut near[place], true) {
                    let place = &network.places[place];
                    next.extend(place.out.iter().map(|&hop| network.hops[hop].to));
                    next.extend(place.into.iter().map(|&hop| network.hops[hop].from));
                }
            }
            edge = next;
        }
        Ok(Some(near))
    }

    fn module<'n>(&self, network: &Network<'n>) -> Result<Option<&'n str>, Vec<String>> {
        let Some(name) = &self.module else { return Ok(None) };
        let modules = || network.document.modules.iter().map(|module| module.path.as_str());
        let found = modules().find(|path| path == name);
        found.map(Some).ok_or_else(|| crate::names::nearest(name, modules()))
    }
}

/// The file that a place is declared in: its screen's, else its route's; where nothing declares it, that
/// of the first call that names it.
pub(super) fn file<'d>(network: &Network<'d>, place: usize) -> Option<&'d str> {
    let document = network.document;
    match network.places[place].what {
        What::Screen(screen) => Some(&screen.at.file),
        What::Undeclared => network.callers(place).next().map(|(_, call)| call.at.file.as_str()),
        _ => network.places[place].routes.first().map(|&route| document.routes[route].at.file.as_str()),
    }
}

/// The module of a place.
pub(super) fn module_of<'d>(network: &Network<'d>, place: usize) -> Option<&'d str> {
    network.document.module_of(file(network, place)?)
}

fn is_in(network: &Network<'_>, place: usize, module: &str) -> bool {
    module_of(network, place) == Some(module)
}

fn is_of(network: &Network<'_>, place: usize, style: Style) -> bool {
    let document = network.document;
    let place = &network.places[place];
    let called = || {
        let calls = place.into.iter().flat_map(|&hop| &network.hops[hop].calls);
        calls.into_iter().any(|&call| document.calls[call].style == style)
    };
    match place.what {
        What::Undeclared => called(),
        _ => place.routes.iter().any(|&route| document.routes[route].style == style),
    }
}
