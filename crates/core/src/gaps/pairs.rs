//! Which old route is which new one.

use super::DOUBT;
use super::assign::{Candidate, assign};
use super::likeness::Weights;
use super::sides::{Side, Unit};
use crate::model::{By, Pair};
use crate::settings::{Named, SettingsError};

/// A pair that scores less is none.
const LEAST: f64 = 0.55;
/// Names that are less alike than this say nothing.
const LEAST_NAME: f64 = 0.45;
/// What one address of both is worth, as a likeness of names.
const LINKED: f64 = 0.8;
/// Another new route this close is named beside the chosen one.
const CLOSE: f64 = 0.06;
/// Pairs change their neighbours' scores, and those theirs: this often.
const ROUNDS: usize = 3;

/// The pairs, and each unit's other side.
#[derive(Debug)]
pub(super) struct Pairs {
    pub(super) list: Vec<Pair>,
    /// The new unit of each old one.
    pub(super) new_of: Vec<Option<usize>>,
    /// The old unit of each new one.
    pub(super) old_of: Vec<Option<usize>>,
}

pub(super) fn pair(old: &Side<'_>, new: &Side<'_>, given: &[(Named, Named)]) -> Result<Pairs, SettingsError> {
    let given = given
        .iter()
        .map(|(before, after)| Ok((find(old, before)?, find(new, after)?)))
        .collect::<Result<Vec<_>, SettingsError>>()?;
    let likeness = Likeness::new(old, new);
    let mut chosen: Vec<Candidate> = given.iter().map(|&(a, b)| (a, b, 1.0)).collect();
    let mut candidates = Vec::new();
    for _ in 0..ROUNDS {
        let sides = sides(old, new, &chosen);
        candidates = likeness.candidates(&sides, &given);
        chosen = assign(&candidates);
        chosen.extend(given.iter().map(|&(a, b)| (a, b, 1.0)));
    }
    let (new_of, old_of) = sides(old, new, &chosen);
    let listed = chosen.iter().map(|&(a, b, score)| {
        let by = match () {
            () if given.contains(&(a, b)) => By::Given,
            () if likeness.name(a, b) >= LEAST_NAME => By::Name,
            () => By::Shape,
        };
        let or = rival(&candidates, (a, b, score)).map(|rival| new.units[rival].route.name.clone());
        Pair {
            old: old.units[a].route.name.clone(),
            new: new.units[b].route.name.clone(),
            by,
            score: (score.min(1.0) * 100.0).round() / 100.0,
            doubtful: by != By::Given && (score < DOUBT || or.is_some()),
            or,
        }
    });
    Ok(Pairs { list: listed.collect(), new_of, old_of })
}

/// Another new route that is nearly as likely.
fn rival(candidates: &[Candidate], (a, b, score): Candidate) -> Option<usize> {
    let close = candidates.iter().filter(|c| c.0 == a && c.1 != b && c.2 >= score - CLOSE);
    close.max_by(|x, y| x.2.total_cmp(&y.2)).map(|candidate| candidate.1)
}

/// Each unit's other side.
type Sides = (Vec<Option<usize>>, Vec<Option<usize>>);

fn sides(old: &Side<'_>, new: &Side<'_>, chosen: &[Candidate]) -> Sides {
    let mut new_of = vec![None; old.units.len()];
    let mut old_of = vec![None; new.units.len()];
    for &(a, b, _) in chosen {
        new_of[a] = Some(b);
        old_of[b] = Some(a);
    }
    (new_of, old_of)
}

fn find(side: &Side<'_>, named: &Named) -> Result<usize, SettingsError> {
    let by_route = side.units.iter().position(|unit| unit.route.is_named(&named.name));
    let by_screen = || side.units.iter().position(|unit| unit.screen == Some(named.name.as_str()));
    by_route.or_else(by_screen).ok_or_else(|| named.unknown("route or screen", side.names()))
}

/// Scores of pairs.
struct Likeness<'s> {
    old: &'s Side<'s>,
    new: &'s Side<'s>,
    weights: Weights,
}

impl<'s> Likeness<'s> {
    fn new(old: &'s Side<'_>, new: &'s Side<'_>) -> Self {
        let all = old.units.iter().chain(&new.units);
        let weights = Weights::of(all.flat_map(|unit| [&unit.words, &unit.screen_words]));
        Self { old, new, weights }
    }

    fn candidates(&self, sides: &Sides, given: &[(usize, usize)]) -> Vec<Candidate> {
        let mut candidates = Vec::new();
        for a in (0..self.old.units.len()).filter(|a| given.iter().all(|pair| pair.0 != *a)) {
            for b in (0..self.new.units.len()).filter(|b| given.iter().all(|pair| pair.1 != *b)) {
                let score = self.score(a, b, sides);
                if score >= LEAST {
                    candidates.push((a, b, score));
                }
            }
        }
        candidates
    }

    fn score(&self, a: usize, b: usize, sides: &Sides) -> f64 {
        let (old, new) = (&self.old.units[a], &self.new.units[b]);
        let parameters = self.parameters(old, new);
        let shaped = old.parameters.len() >= 2 && parameters > 0.9;
        // One address opens one thing, whatever that is called now.
        let linked =
            old.addresses.iter().any(|address| !address.is_empty() && new.addresses.contains(address));
        let name = if linked { self.name(a, b).max(LINKED) } else { self.name(a, b) };
        if name < LEAST_NAME && !shaped {
            return 0.0;
        }
        let neighbours = self.neighbours(a, b, sides);
        0.74 * name + 0.14 * parameters + 0.08 * neighbours.unwrap_or(0.5) + 0.04 * like_kinds(old, new)
    }

    /// How alike the names are: of the routes, of the screens, or of the one and the other.
    fn name(&self, a: usize, b: usize) -> f64 {
        let (old, new) = (&self.old.units[a], &self.new.units[b]);
        let alike = |x: &[String], y: &[String]| self.weights.alike(x, y);
        let routes = alike(&old.words, &new.words);
        let screens = alike(&old.screen_words, &new.screen_words);
        let across = alike(&old.words, &new.screen_words).max(alike(&old.screen_words, &new.words));
        0.85 * routes.max(screens).max(0.95 * across) + 0.15 * routes.min(1.0).max(0.5 * screens)
    }

    fn parameters(&self, old: &Unit<'_>, new: &Unit<'_>) -> f64 {
        if old.parameters.is_empty() && new.parameters.is_empty() {
            return 0.8;
        }
        if is_bag(old) != is_bag(new) {
            return 0.5;
        }
        let found = |list: &[Vec<String>], among: &[Vec<String>]| {
            list.iter()
                .filter(|words| among.iter().any(|other| self.weights.alike(words, other) > 0.6))
                .count()
        };
        let common = found(&old.parameters, &new.parameters) + found(&new.parameters, &old.parameters);
        common as f64 / (old.parameters.len() + new.parameters.len()) as f64
    }

    /// What share of the old one's neighbours lead where they should; `None` where none is paired.
    fn neighbours(&self, a: usize, b: usize, (new_of, _): &Sides) -> Option<f64> {
        let paired: Vec<usize> = self.old.units[a].leads_to.iter().filter_map(|&next| new_of[next]).collect();
        if paired.is_empty() {
            return None;
        }
        let kept = paired.iter().filter(|next| self.new.units[b].leads_to.contains(next)).count();
        Some(kept as f64 / paired.len() as f64)
    }
}

fn like_kinds(old: &Unit<'_>, new: &Unit<'_>) -> f64 {
    if old.route.kind == new.route.kind { 1.0 } else { 0.4 }
}

/// Whether its one parameter is a whole untyped argument.
pub(super) fn is_bag(unit: &Unit<'_>) -> bool {
    matches!(unit.route.parameters.as_slice(), [one] if one.name == "arguments")
}
