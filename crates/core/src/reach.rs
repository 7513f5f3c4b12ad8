//! How one gets to a place of the network, and what happens there.

use crate::model::{
    Call, HandedBack, Onward, Opener, Reach, ResultFact, ResultSide, Route, Screen, Step, Taker, WayIn,
};
use crate::names::count;
use crate::network::{Network, Way, Ways, What};

/// All that is known of a place; the ways to it start at `from`, or at every entry.
#[must_use]
pub fn reach(network: &Network<'_>, place: usize, from: Option<usize>) -> Reach {
    let document = network.document;
    let here = &network.places[place];
    let screen = match here.what {
        What::Screen(screen) => Some(screen),
        _ => None,
    };
    let ways = ways(network, place, from);
    let why_not = ways.is_empty().then(|| why_not(network, place, from));
    let routes: Vec<Route> = here.routes.iter().map(|&route| document.routes[route].clone()).collect();
    let own = |id: &Option<String>| id.is_some() && *id == screen.map(|screen| screen.id.clone());
    Reach {
        format: "fallow-lantern/reach".to_owned(),
        version: 1,
        root: document.root.clone(),
        name: here.name.to_owned(),
        screen: screen.map(|screen| screen.id.clone()),
        kind: screen.map(|screen| screen.kind),
        at: screen.map(|screen| screen.at.clone()).or_else(|| routes.first().map(|route| route.at.clone())),
        routes,
        from: from.map(|from| network.places[from].name.to_owned()),
        ways,
        why_not,
        openers: openers(network, place),
        reads: document.reads.iter().filter(|read| own(&read.screen)).cloned().collect(),
        hands_back: screen.map(|screen| results(network, screen, ResultSide::Send)).unwrap_or_default(),
        takes_back: screen.map(|screen| results(network, screen, ResultSide::Receive)).unwrap_or_default(),
        onward: onward(network, place),
        findings: here.findings.iter().map(|&finding| document.findings[finding].clone()).collect(),
    }
}

/// The shortest way from each start, the shortest first.
fn ways(network: &Network<'_>, place: usize, from: Option<usize>) -> Vec<WayIn> {
    let starts = from.map_or_else(|| network.entries(), |from| vec![from]);
    let mut found: Vec<WayIn> = starts
        .into_iter()
        .filter_map(|start| {
            let way = walk(network, start, from.is_some()).to(place)?;
            Some(way_in(network, start, &way, from.is_none()))
        })
        .collect();
    // A way that passes through another entry says nothing more than that entry's own.
    let starts: Vec<String> = found.iter().map(|way| way.from.clone()).collect();
    found.retain(|way| !way.steps.iter().rev().skip(1).any(|step| starts.contains(&step.to)));
    found.sort_by(|a, b| (a.steps.len(), &a.from).cmp(&(b.steps.len(), &b.from)));
    found
}

/// From an entry there is nothing around yet; from a screen there is.
fn walk(network: &Network<'_>, start: usize, from_screen: bool) -> Ways {
    if from_screen { network.ways_of_user(start) } else { network.ways_from(start) }
}

fn way_in(network: &Network<'_>, start: usize, way: &Way, by_entry: bool) -> WayIn {
    let steps = way.iter().map(|&hop| {
        let hop = &network.hops[hop];
        let call = hop.calls.first().map(|&call| &network.document.calls[call]);
        Step {
            to: network.places[hop.to].name.to_owned(),
            verb: call.map(|call| call.verb),
            text: call.and_then(|call| call.target.as_ref()).map(|target| target.text.clone()),
            at: call.map(|call| call.at.clone()),
        }
    });
    WayIn {
        from: network.places[start].name.to_owned(),
        entry: by_entry.then(|| entry(network, start)),
        steps: steps.collect(),
    }
}

/// How the app is entered at a place.
fn entry(network: &Network<'_>, start: usize) -> String {
    let here = &network.places[start];
    if here.what == What::App {
        return "the app's own code".to_owned();
    }
    let routes = || here.routes.iter().map(|&route| &network.document.routes[route]);
    let first = routes().any(|route| route.start && route.entry);
    let links: Vec<&str> = routes().flat_map(|route| &route.deep_links).map(String::as_str).collect();
    match (first, links.as_slice()) {
        (true, []) => "the app's start".to_owned(),
        (true, links) => format!("the app's start, {}", links.join(", ")),
        (false, []) if routes().any(|route| route.entry) => "from outside".to_owned(),
        (false, []) => "first in its graph".to_owned(),
        (false, links) => links.join(", "),
    }
}

/// Why no way leads to a place.
fn why_not(network: &Network<'_>, place: usize, from: Option<usize>) -> String {
    let name = network.places[place].name;
    let mut callers: Vec<&str> =
        network.places[place].into.iter().map(|&hop| network.places[network.hops[hop].from].name).collect();
    callers.dedup();
    let start =
        from.map_or_else(|| "any entry".to_owned(), |from| format!("`{}`", network.places[from].name));
    if callers.is_empty() {
        return format!("nothing opens `{name}`");
    }
    let shown: Vec<String> = callers.iter().take(5).map(|caller| format!("`{caller}`")).collect();
    let more = callers.len().saturating_sub(5);
    let more = if more > 0 { format!(" and {more} more") } else { String::new() };
    let none = if callers.len() == 1 { "which cannot" } else { "none of which can" };
    let beyond = from.map_or_else(String::new, |from| {
        let reached = walk(network, from, true).reached();
        format!("; {start} leads to {}", count(reached, "other place"))
    });
    format!("`{name}` is only opened from {}{more}, {none} be reached from {start}{beyond}", shown.join(", "))
}

fn openers(network: &Network<'_>, place: usize) -> Vec<Opener> {
    let mut calls: Vec<&Call> = network.callers(place).map(|(_, call)| call).collect();
    calls.sort_by(|a, b| (&a.at, &a.id).cmp(&(&b.at, &b.id)));
    calls.dedup_by(|a, b| a.id == b.id);
    let opener = |call: &Call| Opener {
        from: call
            .screens
            .iter()
            .filter_map(|id| network.of_screen(id))
            .map(|at| network.places[at].name.to_owned())
            .collect(),
        verb: call.verb,
        form: call.target.as_ref().map(|target| target.form),
        text: call.target.as_ref().map(|target| target.text.clone()).unwrap_or_default(),
        status: call.status,
        arguments: call.arguments.clone(),
        at: call.at.clone(),
    };
    calls.into_iter().map(opener).collect()
}

fn results(network: &Network<'_>, screen: &Screen, side: ResultSide) -> Vec<HandedBack> {
    let all = &network.document.results;
    let own = |result: &&ResultFact| result.side == side && result.screen.as_ref() == Some(&screen.id);
    let other = |result: &ResultFact| Taker {
        screen: result
            .screen
            .as_deref()
            .and_then(|id| network.of_screen(id))
            .map(|at| network.places[at].name.to_owned()),
        at: result.at.clone(),
    };
    let rows = all.iter().filter(own).map(|result| HandedBack {
        key: result.key.clone(),
        ty: result.ty.clone(),
        at: result.at.clone(),
        with: all
            .iter()
            .filter(|o| o.side != side && o.key.is_some() && o.key == result.key)
            .map(other)
            .collect(),
    });
    rows.collect()
}

fn onward(network: &Network<'_>, place: usize) -> Vec<Onward> {
    let hops = network.places[place].out.iter().map(|&hop| &network.hops[hop]);
    let rows = hops.map(|hop| {
        let calls = || hop.calls.iter().map(|&call| &network.document.calls[call]);
        let mut verbs: Vec<_> = calls().map(|call| call.verb).collect();
        verbs.sort_unstable();
        verbs.dedup();
        Onward {
            to: network.places[hop.to].name.to_owned(),
            verbs,
            at: calls().map(|call| call.at.clone()).collect(),
        }
    });
    rows.collect()
}
