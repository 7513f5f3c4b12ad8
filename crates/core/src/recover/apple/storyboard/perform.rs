//! `performSegue(withIdentifier:sender:)`.

use super::prepare::prepared_by;
use super::segues::verb_of;
use super::{STYLE, at};
use crate::facts::{CallFact, Facts, TargetFact};
use crate::model::Verb;
use crate::recover::apple::scenes::{Board, Scene, Segue, boards, content};
use crate::recover::code;
use crate::values::{Expr, Ref, Shape, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let calls = code::calls(file, values, &["performSegue"]);
    if calls.is_empty() {
        return;
    }
    let boards = boards(values);
    for (site, call) in calls {
        let Some(arg) = call.args.iter().find(|arg| arg.name.as_deref() == Some("withIdentifier")) else {
            continue;
        };
        for said in values.sites(site, &Expr::new(site).with(arg.value)) {
            let identifier = said.bind(&Expr::new(Ref { file, id: arg.value }));
            facts.calls.push(perform(said.at, &identifier, &boards, values));
        }
    }
}

fn perform(site: Ref, identifier: &Expr, boards: &[Board], values: &Values<'_>) -> CallFact {
    let base = CallFact::new(STYLE, Verb::Open, site, at(site, values));
    let call = code::said(base, identifier, names, values);
    let class = values.enclosing_named_class(site);
    let Some(name) = values.plain_text(identifier) else { return call };
    let Some((board, segue)) = segue_of(class, &name, boards, values) else { return call };
    let shown = content(boards, board, &segue.destination, 0)
        .and_then(|(board, scene)| boards[board].scenes[scene].declared(values));
    let arguments = match (class, shown) {
        (Some(class), Some(shown)) => prepared_by(class, Some(&name), shown, values),
        _ => Vec::new(),
    };
    CallFact { verb: verb_of(segue), arguments, ..call }
}

/// What an identifier names, by the text that it may be.
fn names(shapes: Vec<Shape>) -> TargetFact {
    let known: Option<Vec<String>> = shapes.iter().map(Shape::plain).collect();
    known.map_or(TargetFact::Unknown, TargetFact::Actions)
}

/// The segue of a name: one of the class's own scenes, else any.
fn segue_of<'b>(
    class: Option<Ref>,
    name: &str,
    boards: &'b [Board],
    values: &Values<'_>,
) -> Option<(usize, &'b Segue)> {
    let own = |scene: &Scene| {
        let of_scene = scene.declared(values);
        class.is_some_and(|class| of_scene.is_some_and(|of| values.lineage(of).contains(&class)))
    };
    let all =
        boards.iter().enumerate().flat_map(|(i, board)| board.scenes.iter().map(move |scene| (i, scene)));
    let named = all.flat_map(|(i, scene)| scene.segues.iter().map(move |segue| (i, scene, segue)));
    let mut named: Vec<_> = named.filter(|(.., segue)| segue.identifier.as_deref() == Some(name)).collect();
    named.sort_by_key(|(_, scene, _)| !own(scene));
    named.first().map(|(i, _, segue)| (*i, *segue))
}
