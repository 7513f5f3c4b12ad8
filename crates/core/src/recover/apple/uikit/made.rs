//! Scenes that code makes by their identifiers and puts where no call is seen to show them: into a
//! split view's list, into what a delegate is asked for.

use super::super::pages::{What, board_of, page};
use super::super::scenes::{Board, boards, identified};
use crate::facts::{CallFact, Facts, RedirectFact, RouteKey, TargetFact};
use crate::model::Style;
use crate::recover::code;
use crate::values::{Expr, Shape, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let made = code::calls(file, values, &["instantiateViewController"]);
    let mut found = Vec::new();
    for (at, _) in made {
        let What::Identified(identifier, board) = page(&Expr::new(at), values).what else { continue };
        for site in values.sites(at, &identifier) {
            let names = values.eval(&site.bind(&identifier));
            let names = names.iter().filter_map(|value| value.shape().and_then(Shape::plain));
            found
                .extend(names.filter(|name| !is_shown(name, &facts.calls)).map(|name| (name, board.clone())));
        }
    }
    if found.is_empty() {
        return;
    }
    let boards = boards(values);
    for (name, board) in found {
        let host = board.and_then(|board| board_of(&board, &boards, values));
        for target in scenes(&name, host, &boards) {
            let target = TargetFact::Routes(vec![target]);
            facts.redirects.push(RedirectFact { style: Style::Storyboard, from: None, target });
        }
    }
}

/// Whether a call of the file shows the scene: then that call is the way there.
fn is_shown(name: &str, calls: &[CallFact]) -> bool {
    calls.iter().any(|call| match &call.target {
        TargetFact::Named(shapes) => shapes.iter().any(|shape| shape.plain().as_deref() == Some(name)),
        _ => false,
    })
}

/// What an identifier leads to, in its storyboard or, where that is not said, in any.
fn scenes(name: &str, host: Option<usize>, boards: &[Board]) -> Vec<RouteKey> {
    let places = (0..boards.len()).filter(|place| host.is_none_or(|host| host == *place));
    let found = places.filter_map(|place| identified(boards, place, name));
    found.map(|(board, scene)| boards[board].scenes[scene].key()).collect()
}
