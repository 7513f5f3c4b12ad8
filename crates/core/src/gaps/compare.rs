//! The differences between two apps, once it is known which route is which.

use super::groups::GroupPairs;
use super::likeness::words;
use super::meaning::{Meaning, differ, meaning};
use super::pairs::{Pairs, is_bag};
use super::sides::{Side, Unit};
use crate::model::{Gap, GapKind, Parameter, Place, Progress, ResultFact, ResultSide, Via};
use crate::network::What;

pub(super) fn differences(
    old: &Side<'_>,
    new: &Side<'_>,
    pairs: &Pairs,
    groups: &GroupPairs,
) -> (Vec<Gap>, Progress) {
    let mut comparison =
        Comparison { old, new, pairs, groups, gaps: Vec::new(), progress: Progress::default() };
    comparison.routes();
    comparison.screens();
    comparison.hops();
    comparison.deep_links();
    comparison.results();
    comparison.starts();
    (comparison.gaps, comparison.progress)
}

struct Comparison<'s> {
    old: &'s Side<'s>,
    new: &'s Side<'s>,
    pairs: &'s Pairs,
    groups: &'s GroupPairs,
    gaps: Vec<Gap>,
    progress: Progress,
}

impl Comparison<'_> {
    fn add(&mut self, kind: GapKind, old: Option<String>, new: Option<String>, message: String, at: &Place) {
        self.gaps.push(Gap { kind, old, new, message, at: Some(at.clone()) });
    }

    fn routes(&mut self) {
        for (a, unit) in self.old.units.iter().enumerate() {
            let to = self.pairs.new_of[a];
            self.progress.routes.count(to.is_some());
            match to {
                Some(b) => self.parameters(unit, &self.new.units[b]),
                None => {
                    let shows =
                        unit.screen.map(|screen| format!(", which shows {screen},")).unwrap_or_default();
                    let message = format!("`{}`{shows} is not in the new app", unit.route.name);
                    self.add(GapKind::Route, Some(unit.route.name.clone()), None, message, &unit.route.at);
                }
            }
        }
        for (b, unit) in self.new.units.iter().enumerate() {
            if self.pairs.old_of[b].is_none() {
                let message = format!("`{}` is only in the new app", unit.route.name);
                self.add(GapKind::Extra, None, Some(unit.route.name.clone()), message, &unit.route.at);
            }
        }
    }

    fn parameters(&mut self, old: &Unit<'_>, new: &Unit<'_>) {
        let mut left: Vec<&Parameter> = new.route.parameters.iter().collect();
        let mut lost = Vec::new();
        for parameter in &old.route.parameters {
            let same = |other: &&Parameter| other.name == parameter.name;
            let alike = |other: &&Parameter| words(&other.name) == words(&parameter.name);
            let found = left.iter().position(same).or_else(|| left.iter().position(alike));
            match found {
                Some(at) => {
                    let other = left.remove(at);
                    self.progress.arguments.count(true);
                    self.parameter(old, new, parameter, other);
                }
                None => lost.push(parameter),
            }
        }
        // A whole untyped argument answers to the one parameter it became, and the reverse.
        if (is_bag(old) && new.route.parameters.len() == 1)
            || (is_bag(new) && old.route.parameters.len() == 1)
        {
            lost.iter().for_each(|_| self.progress.arguments.count(true));
            return;
        }
        let only = old.route.parameters.len() == 1 && new.route.parameters.len() == 1;
        for parameter in &lost {
            let renamed = |other: &&&Parameter| {
                !types_differ(parameter, other) && (only || share_a_word(&parameter.name, &other.name))
            };
            let renamed = left.iter().find(renamed).copied();
            self.progress.arguments.count(renamed.is_some());
            let name = format!("{}.{}", old.route.name, parameter.name);
            let (to, message) = match renamed {
                Some(other) => (
                    Some(format!("{}.{}", new.route.name, other.name)),
                    format!("`{}` of `{}` is called `{}` now", parameter.name, old.route.name, other.name),
                ),
                None => (None, format!("`{}` no longer takes `{}`", new.route.name, parameter.name)),
            };
            self.add(GapKind::Argument, Some(name), to, message, &old.route.at);
        }
    }

    fn parameter(&mut self, old: &Unit<'_>, new: &Unit<'_>, before: &Parameter, after: &Parameter) {
        let names = (
            Some(format!("{}.{}", old.route.name, before.name)),
            Some(format!("{}.{}", new.route.name, after.name)),
        );
        if types_differ(before, after) {
            let (was, is) = (written(before), written(after));
            let message = format!("`{}` of `{}` was `{was}` and is `{is}`", before.name, old.route.name);
            self.add(GapKind::ArgumentType, names.0.clone(), names.1.clone(), message, &old.route.at);
        }
        // What is known by its being taken out says nothing of whether it was asked for.
        if after.required && !before.required && before.ty.is_some() {
            let message = format!(
                "`{}` of `{}` might be left out, and must be passed now",
                before.name, old.route.name
            );
            self.add(GapKind::ArgumentRequired, names.0, names.1, message, &old.route.at);
        }
    }

    /// A screen that is gone with its route is one gap: the route's.
    fn screens(&mut self) {
        for place in &self.old.network.places {
            let What::Screen(screen) = place.what else { continue };
            // What is only there to be extended is nothing to move.
            if screen.extended && place.routes.is_empty() {
                continue;
            }
            if !place.routes.is_empty() {
                let units = self.old.units.iter().enumerate();
                let moved = units
                    .filter(|(_, unit)| unit.screen == Some(place.name))
                    .any(|(a, _)| self.pairs.new_of[a].is_some());
                self.progress.screens.count(moved);
                continue;
            }
            let wanted = words(place.name);
            let there = self.new.document.screens.iter().any(|other| words(&other.name) == wanted);
            self.progress.screens.count(there);
            if !there {
                let message = format!("`{}`, which no route shows, is not in the new app", place.name);
                self.add(GapKind::Screen, Some(place.name.to_owned()), None, message, &screen.at);
            }
        }
    }

    /// A hop with a lost end is no gap of its own.
    fn hops(&mut self) {
        for (from, to, call) in self.old.hops() {
            let name = format!("{} -> {}", self.old.units[from].route.name, self.old.units[to].route.name);
            let ends = (self.images(from), self.pairs.new_of[to]);
            let (sources, Some(end)) = ends else {
                self.progress.hops.count(false);
                continue;
            };
            if sources.is_empty() {
                self.progress.hops.count(false);
                continue;
            }
            let kept = sources.iter().any(|&source| self.new.has_hop(source, end))
                || self.leads_to_the_group(from, to, &sources);
            self.progress.hops.count(kept);
            if !kept {
                let (a, b) = (&self.new.units[sources[0]], &self.new.units[end]);
                let message = format!("nothing leads from `{}` to `{}` any more", a.route.name, b.route.name);
                let at = self.old.document.calls[call].at.clone();
                self.add(GapKind::Hop, Some(name), None, message, &at);
            }
        }
    }

    /// Whether what led to a group leads to what the group has become, whichever of it comes first now.
    fn leads_to_the_group(&self, from: usize, to: usize, sources: &[usize]) -> bool {
        let old = self.old.routes_between(from, to);
        old.into_iter().filter_map(|route| self.groups.new_of(route)).any(|group| {
            sources.iter().any(|&source| self.new.routes_from(source).any(|route| route == group))
        })
    }

    /// New units of all routes that show a unit's screen.
    fn images(&self, unit: usize) -> Vec<usize> {
        let place = self.old.units[unit].place;
        let same = self.old.units.iter().enumerate().filter(|(_, other)| other.place == place);
        same.filter_map(|(i, _)| self.pairs.new_of[i]).collect()
    }

    fn deep_links(&mut self) {
        let plain = |link: &String| crate::names::without_names(link);
        let there: Vec<String> =
            self.new.document.routes.iter().flat_map(|route| &route.deep_links).map(plain).collect();
        for route in &self.old.document.routes {
            for link in &route.deep_links {
                let kept = there.contains(&plain(link));
                self.progress.deep_links.count(kept);
                if !kept {
                    let message = format!("`{link}` opened `{}` and opens nothing now", route.name);
                    self.add(GapKind::DeepLink, Some(link.clone()), None, message, &route.at);
                }
            }
        }
    }

    /// Results that were both sent and received.
    fn results(&mut self) {
        let all = &self.old.document.results;
        let mut seen: Vec<&str> = Vec::new();
        for result in all.iter().filter(|result| result.side == ResultSide::Send) {
            let Some(key) = result.key.as_deref() else { continue };
            let received = all
                .iter()
                .any(|other| other.side == ResultSide::Receive && other.key.as_deref() == Some(key));
            if !received || seen.contains(&key) {
                continue;
            }
            seen.push(key);
            let kept = self.is_handed_back(key, result);
            self.progress.results.count(kept);
            if !kept {
                let message = format!("the result `{key}` is not handed back any more");
                self.add(GapKind::Result, Some(key.to_owned()), None, message, &result.at);
            }
        }
    }

    fn is_handed_back(&self, key: &str, result: &ResultFact) -> bool {
        let wanted = words(key);
        let by_key = self.new.document.results.iter().any(|other| {
            other.side == ResultSide::Send && other.key.as_deref().is_some_and(|other| words(other) == wanted)
        });
        let place = result.screen.as_deref().and_then(|id| self.old.network.of_screen(id));
        let senders =
            self.old.units.iter().enumerate().filter(|(_, unit)| place.is_some() && unit.place == place);
        by_key || senders.filter_map(|(a, _)| self.pairs.new_of[a]).any(|b| self.new.sends(b))
    }

    fn starts(&mut self) {
        let firsts = |side: &Side<'_>| -> Vec<String> {
            let units = side.units.iter().filter(|unit| unit.route.start && unit.route.parent.is_none());
            units.map(|unit| unit.route.name.clone()).collect()
        };
        let new_starts = firsts(self.new);
        for (a, unit) in self.old.units.iter().enumerate() {
            let Some(b) = self.pairs.new_of[a] else { continue };
            let (before, after) = (unit.route, self.new.units[b].route);
            if !before.start || before.parent.is_some() || after.start {
                continue;
            }
            let message = match new_starts.as_slice() {
                [] => format!("`{}` came first, and nothing does now", before.name),
                [one] => format!("`{}` came first; now `{one}` does", before.name),
                several => format!("`{}` came first; now `{}` do", before.name, several.join("`, `")),
            };
            let new = new_starts.first().cloned();
            self.add(GapKind::Start, Some(before.name.clone()), new, message, &before.at);
        }
    }
}

fn written(parameter: &Parameter) -> &str {
    parameter.ty.as_deref().unwrap_or("?")
}

/// Whether both types are known and mean different things. Text in a path or query is only how a value
/// travels.
fn types_differ(before: &Parameter, after: &Parameter) -> bool {
    let (Some(was), Some(is)) = (&before.ty, &after.ty) else { return false };
    let (was, is) = (meaning(was), meaning(is));
    let carried = |parameter: &Parameter, meaning: &Meaning| {
        matches!(parameter.via, Via::Path | Via::Query) && *meaning == Meaning::Text
    };
    differ(&was, &is) && !carried(before, &was) && !carried(after, &is)
}

/// Whether two names have a word in common: `tare` and `tareGrams`.
fn share_a_word(one: &str, other: &str) -> bool {
    let others = words(other);
    words(one).iter().any(|word| others.contains(word))
}
