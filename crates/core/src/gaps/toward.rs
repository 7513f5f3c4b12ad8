//! One app against the style it is moving to: what is still older, what stands in its way, and in
//! which order to move it.

use crate::facts::Objects;
use crate::model::{
    Call, CallStatus, Document, Done, Form, Gap, GapKind, Gaps, ModuleProgress, Move, Progress, ResultSide,
    Route, RouteKind, ScreenKind, Style, Verb,
};
use crate::network::Network;
use std::collections::{BTreeMap, BTreeSet};

/// What of an app is not in a style yet. Only what is built for the style's platform counts.
#[must_use]
pub fn toward(document: &Document, style: Style) -> Gaps {
    let network = Network::new(document);
    let mut gaps = Vec::new();
    let mut progress = Progress::default();
    let mut modules: BTreeMap<&str, ModuleProgress> = BTreeMap::new();
    for route in document.routes.iter().filter(|route| counts_as_route(route, style)) {
        let done = route.style == style;
        progress.routes.count(done);
        module(&mut modules, document, &route.at.file).routes.count(done);
        route.parameters.iter().for_each(|_| progress.arguments.count(done));
        route.deep_links.iter().for_each(|_| progress.deep_links.count(done));
        if !done {
            gaps.extend(older_route(document, route, style));
        }
    }
    for call in document.calls.iter().filter(|call| counts(call) && is_of_platform(call.style, style)) {
        let done = call.style == style;
        progress.hops.count(done);
        module(&mut modules, document, &call.at.file).calls.count(done);
        if !done {
            gaps.push(older_call(call));
        }
    }
    for place in network.places.iter().filter(|place| !place.routes.is_empty()) {
        progress.screens.count(place.routes.iter().any(|&route| document.routes[route].style == style));
    }
    let order = order(document, &gaps, style);
    super::sort(&mut gaps);
    Gaps {
        format: "fallow-lantern/gaps".to_owned(),
        version: 1,
        old: document.root.clone(),
        new: style.to_string(),
        pairs: Vec::new(),
        gaps,
        progress,
        order,
        modules: modules.into_values().collect(),
    }
}

/// The window that the system opens first stays: something has to hold the screens.
fn counts_as_route(route: &Route, style: Style) -> bool {
    let window = route.kind == RouteKind::Activity && route.start && route.entry;
    is_of_platform(route.style, style) && !window
}

fn is_of_platform(own: Style, target: Style) -> bool {
    own.platform() == target.platform()
}

/// Going back is the same in every style, or comes along with its screen.
fn counts(call: &Call) -> bool {
    !matches!(call.verb, Verb::Back | Verb::BackTo) && call.status != CallStatus::External
}

fn module<'m, 'd>(
    modules: &'m mut BTreeMap<&'d str, ModuleProgress>,
    document: &'d Document,
    file: &str,
) -> &'m mut ModuleProgress {
    let path = document.module_of(file).unwrap_or(".");
    modules.entry(path).or_insert_with(|| ModuleProgress {
        path: path.to_owned(),
        routes: Done::default(),
        calls: Done::default(),
    })
}

fn older_route(document: &Document, route: &Route, style: Style) -> Vec<Gap> {
    let gap = |kind, message| Gap {
        kind,
        old: Some(route.name.clone()),
        new: None,
        message,
        at: Some(route.at.clone()),
    };
    let still = format!("`{}` is still declared as {}", route.name, route.style);
    let blocked = obstacles(document, route, style).into_iter().map(|why| gap(GapKind::Blocked, why));
    std::iter::once(gap(GapKind::OlderRoute, still)).chain(blocked).collect()
}

fn older_call(call: &Call) -> Gap {
    let text = call.target.as_ref().map_or("", |target| target.text.as_str());
    Gap {
        kind: GapKind::OlderCall,
        old: Some(text.to_owned()),
        new: None,
        message: format!("`{text}` is still called as {}", call.style),
        at: Some(call.at.clone()),
    }
}

/// Why a route cannot simply be moved.
fn obstacles(document: &Document, route: &Route, style: Style) -> Vec<String> {
    let mut why = Vec::new();
    let name = &route.name;
    let screen = route.screen.as_ref().and_then(|id| document.screens.iter().find(|screen| screen.id == *id));
    if screen.is_some_and(|screen| screen.kind == ScreenKind::Activity) && !route.start {
        let from_outside = if route.entry { ", and other apps may open it" } else { "" };
        why.push(format!(
            "`{name}` is a window of its own{from_outside}: it has to become a screen of one first"
        ));
    }
    for parameter in
        route.parameters.iter().filter(|_| crate::recover::ways(style).objects == Objects::Written)
    {
        if let Some(ty) = parameter.ty.as_deref().filter(|ty| is_own(ty)) {
            why.push(format!(
                "`{name}` is handed a whole `{ty}` as `{}`: pass what identifies it, or say how it is written down",
                parameter.name
            ));
        }
    }
    let dynamic: Vec<&Call> = document
        .calls
        .iter()
        .filter(|call| call.status == CallStatus::Dynamic && counts(call))
        .filter(|call| route.screen.as_ref().is_some_and(|screen| call.screens.contains(screen)))
        .collect();
    if let Some(first) = dynamic.first() {
        let text = first.target.as_ref().map_or("", |target| target.text.as_str());
        why.push(format!(
            "`{name}` decides at run time where it goes on (`{text}`): name the routes it can mean"
        ));
    }
    why.extend(tied_results(document, route));
    if route.screen.is_none() && route.kind != RouteKind::Group {
        why.push(format!("what `{name}` shows is not known"));
    }
    why
}

/// A result moves with its other side.
fn tied_results(document: &Document, route: &Route) -> Option<String> {
    let own =
        document.results.iter().filter(|result| result.screen.is_some() && result.screen == route.screen);
    let mut others = BTreeSet::new();
    for result in own.filter(|result| result.side == ResultSide::Send && result.key.is_some()) {
        let takers =
            document.results.iter().filter(|other| other.side != result.side && other.key == result.key);
        let names = takers.filter_map(|taker| {
            let id = taker.screen.as_ref().filter(|id| Some(*id) != route.screen.as_ref())?;
            document.screens.iter().find(|screen| screen.id == *id).map(|screen| screen.name.clone())
        });
        others.extend(names);
    }
    let names: Vec<String> = others.into_iter().collect();
    (!names.is_empty()).then(|| {
        format!("`{}` hands a result back to `{}`: move both together", route.name, names.join("`, `"))
    })
}

/// Whether a type is the app's own.
fn is_own(ty: &str) -> bool {
    use super::meaning::{Meaning, meaning};
    match meaning(ty) {
        Meaning::Own(_) => true,
        Meaning::Many(inner) => matches!(*inner, Meaning::Own(_)),
        _ => false,
    }
}

/// Routes in the order that frees the most calls soonest: a call can be moved once every route it may
/// mean is.
fn order(document: &Document, gaps: &[Gap], style: Style) -> Vec<Move> {
    let older = |route: &&Route| {
        counts_as_route(route, style) && route.style != style && route.kind != RouteKind::Group
    };
    let mut left: Vec<&Route> = document.routes.iter().filter(older).collect();
    let mut waiting: Vec<BTreeSet<&str>> = document
        .calls
        .iter()
        .filter(|call| counts(call) && call.style != style && is_of_platform(call.style, style))
        .filter_map(|call| call.target.as_ref().filter(|target| target.form != Form::Dynamic))
        .map(|target| target.routes.iter().map(String::as_str).collect())
        .filter(|routes: &BTreeSet<&str>| !routes.is_empty())
        .collect();
    let blocked: BTreeMap<String, Vec<String>> =
        gaps.iter().filter(|gap| gap.kind == GapKind::Blocked).fold(BTreeMap::new(), |mut all, gap| {
            let name = gap.old.clone().unwrap_or_default();
            all.entry(name).or_insert_with(Vec::new).push(gap.message.clone());
            all
        });
    let mut order = Vec::new();
    while !left.is_empty() {
        let frees =
            |route: &Route| waiting.iter().filter(|w| w.len() == 1 && w.contains(route.id.as_str())).count();
        let why = |route: &Route| blocked.get(&route.name).cloned().unwrap_or_default();
        // What nothing stands in the way of comes first; then what frees the most.
        let best = left
            .iter()
            .enumerate()
            .min_by_key(|(i, route)| (why(route).len(), std::cmp::Reverse(frees(route)), *i));
        let Some((at, _)) = best else { break };
        let route = left.remove(at);
        order.push(Move {
            route: route.name.clone(),
            style: route.style,
            unblocks: frees(route),
            blocked_by: why(route),
            at: route.at.clone(),
        });
        waiting.iter_mut().for_each(|routes| {
            routes.remove(route.id.as_str());
        });
        waiting.retain(|routes| !routes.is_empty());
    }
    order
}
