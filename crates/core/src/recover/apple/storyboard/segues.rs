//! Segues: those that something in a scene fires are calls, all that have an identifier are ways that
//! code may take, and an unwind goes back to whoever answers it.

use super::prepare::prepared;
use super::{STYLE, site_of};
use crate::facts::{ActionFact, CallFact, Facts, Owner, RedirectFact, RouteKey, TargetFact};
use crate::model::{Form, Verb};
use crate::recover::apple::scenes::{Board, Scene, Segue, content};
use crate::values::Values;

pub(super) fn recover(own: usize, boards: &[Board], values: &Values<'_>, facts: &mut Facts) {
    for scene in &boards[own].scenes {
        for segue in &scene.segues {
            match segue.kind.as_str() {
                "unwind" => unwind(scene, segue, own, boards, values, facts),
                "embed" => embed(segue, own, boards, facts),
                _ => forward(scene, segue, own, boards, values, facts),
            }
        }
    }
}

/// What a kind of segue does.
pub(super) fn verb_of(segue: &Segue) -> Verb {
    match segue.kind.as_str() {
        "presentation" | "modal" | "popoverPresentation" | "popover" => Verb::Present,
        "replace" => Verb::Replace,
        _ => Verb::Open,
    }
}

fn leads_to<'b>(segue: &Segue, own: usize, boards: &'b [Board]) -> Option<&'b Scene> {
    let (board, scene) = content(boards, own, &segue.destination, 0)?;
    Some(&boards[board].scenes[scene])
}

fn forward(
    scene: &Scene,
    segue: &Segue,
    own: usize,
    boards: &[Board],
    values: &Values<'_>,
    facts: &mut Facts,
) {
    let Some(destination) = leads_to(segue, own, boards) else { return };
    let name = destination.name().to_owned();
    if let Some(identifier) = &segue.identifier {
        facts.actions.push(ActionFact {
            name: identifier.clone(),
            owner: Owner::Route(scene.key()),
            destination: Some((name.clone(), segue.at)),
            leads: Some(destination.key()),
            wired: segue.wired,
            pop_up_to: None,
            supplies: Vec::new(),
            at: segue.at,
        });
    }
    if segue.wired {
        facts.calls.push(CallFact {
            target: TargetFact::Routes(vec![destination.key()]),
            written: segue.identifier.clone().unwrap_or(name),
            form: Form::Literal,
            arguments: prepared(scene, segue.identifier.as_deref(), destination, values),
            ..CallFact::new(STYLE, verb_of(segue), site_of(scene, &boards[own], values), segue.at)
        });
    }
}

/// What stands in another scene is there with it.
fn embed(segue: &Segue, own: usize, boards: &[Board], facts: &mut Facts) {
    if let Some(destination) = leads_to(segue, own, boards) {
        let target = TargetFact::Routes(vec![destination.key()]);
        facts.redirects.push(RedirectFact { style: STYLE, from: None, target });
    }
}

/// Back to a scene whose class has the method.
fn unwind(
    scene: &Scene,
    segue: &Segue,
    own: usize,
    boards: &[Board],
    values: &Values<'_>,
    facts: &mut Facts,
) {
    let Some(selector) = &segue.unwinds else { return };
    let method = selector.split(':').next().unwrap_or(selector);
    // `unwindToShelf(_:)`, or with a first label: `unwindWithSegue:`.
    let mut found = values.functions_called(method);
    if found.is_empty()
        && let Some((name, _)) = method.rsplit_once("With")
    {
        found = values.functions_called(name);
    }
    let classes: Vec<_> =
        found.into_iter().filter_map(|function| values.enclosing_named_class(function)).collect();
    let answers = |scene: &&Scene| {
        scene
            .declared(values)
            .is_some_and(|class| values.lineage(class).iter().any(|base| classes.contains(base)))
    };
    let keys: Vec<RouteKey> =
        boards.iter().flat_map(|board| &board.scenes).filter(answers).map(Scene::key).collect();
    let target = match (classes.is_empty(), keys.is_empty()) {
        (true, _) => TargetFact::Actions(vec![selector.clone()]),
        (false, true) => TargetFact::None,
        (false, false) => TargetFact::Routes(keys),
    };
    facts.calls.push(CallFact {
        target,
        written: selector.clone(),
        form: Form::Literal,
        ..CallFact::new(STYLE, Verb::BackTo, site_of(scene, &boards[own], values), segue.at)
    });
}
