//! `activity-intent`: activities of the manifest, intents that open them, extras, results.

pub(in crate::recover) use manifest::{Address, addresses};

mod calls;
mod intent;
mod manifest;
mod reads;

#[cfg(test)]
mod tests;
#[cfg(test)]
mod way_tests;

use crate::facts::{
    Addresses, Facts, Opened, RouteFact, ScreenFact, Shows, Takes, TargetFact, Unknown, Unopened, Ways,
};
use crate::model::{RouteKind, Style};
use crate::recover::android::{SPEAKS, WAYS, screens};
use crate::recover::{StyleRecoverer, resource};
use crate::source::Resource;
use crate::values::Values;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::ActivityIntent),
    speaks: SPEAKS,
    words: &["Intent", "Activity", "intent", "finish()"],
    verbs: &["startActivity", "startActivityForResult", "startActivities", "startActivityIfNeeded"],
    recover,
    ways: Ways {
        unopened: Unopened::ByItsScreen,
        unknown: Unknown::External,
        addresses: Addresses::AnyPath,
        ..WAYS
    },
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    match resource(file, values) {
        Some(Resource::Manifest) => manifest::recover(file, values, facts),
        Some(_) => {}
        None => {
            let before = facts.calls.len();
            calls::recover(file, values, facts);
            opened(before, values, facts);
            reads::recover(file, values, facts);
        }
    }
}

/// What calls open by its class is a route there, unless a manifest declares it.
fn opened(first: usize, values: &Values<'_>, facts: &mut Facts) {
    let classes = facts.calls[first..].iter().flat_map(|call| match &call.target {
        TargetFact::Classes(classes) => classes.as_slice(),
        _ => &[],
    });
    let screens = classes.filter_map(|&class| screens::screen(class, values));
    let route = |screen: ScreenFact| RouteFact {
        shows: Shows::Class(screen.path, screen.at),
        opened: Opened::OnlyIfCalled,
        takes: Takes::as_read_if(true),
        ..RouteFact::new(Style::ActivityIntent, RouteKind::Activity, screen.name, screen.at)
    };
    let routes: Vec<RouteFact> = screens.map(route).collect();
    facts.routes.extend(routes);
}
