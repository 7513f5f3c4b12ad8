//! `storyboard`: scenes are routes, segues are the ways between them, and code names both by
//! identifiers (developer.apple.com, "UIStoryboard", "UIStoryboardSegue").

mod perform;
mod prepare;
mod segues;

#[cfg(test)]
mod tests;

use super::controllers::{parameters, site_in};
use super::is_ours;
use super::pages::{What, board_of, page};
use super::scenes::{Board, Scene, SceneKind, boards, initial, tabs_of};
use crate::facts::{
    ContainerFact, Facts, Names, RedirectFact, RouteFact, ShownBy, Shows, Sight, Start, StartFact,
    TargetFact, Ways,
};
use crate::model::{RouteKind, Style};
use crate::recover::apple::WAYS;
use crate::recover::{Saying, StyleRecoverer, code};
use crate::source::Language;
use crate::syntax::Tree;
use crate::values::{Expr, Ref, Values};

pub(super) use prepare::is_value;

const STYLE: Style = Style::Storyboard;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(STYLE),
    speaks: |language| matches!(language, Language::Swift | Language::ObjectiveC | Language::Storyboard),
    words: &["performSegue", "UIStoryboard", "UIStoryboardSegue"],
    verbs: &["performSegue"],
    recover,
    ways: Ways { names: Names::Text, ..WAYS },
    says: &[Saying {
        rule: "out-of-scope-route",
        why: "A storyboard looks for an identifier among its own scenes, and a scene for a segue among its own.",
    }],
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if !is_ours(file, values) {
        return;
    }
    if values.program().source(file).language == Language::Storyboard {
        let boards = boards(values);
        if let Some(own) = boards.iter().position(|board| board.file == file) {
            declare(own, &boards, values, facts);
            segues::recover(own, &boards, values, facts);
        }
        return;
    }
    perform::recover(file, values, facts);
}

fn declare(own: usize, boards: &[Board], values: &Values<'_>, facts: &mut Facts) {
    let board = &boards[own];
    // A picture that is shown while the app starts is no screen.
    if board.scenes.iter().all(Scene::is_bare) {
        return;
    }
    let first = initial(boards, own).filter(|(of, _)| *of == own).map(|(_, scene)| &board.scenes[scene]);
    let is_main = is_main(board, values);
    let start = first.map(|scene| StartFact::new(scene.name().to_owned(), scene.at));
    // A container that nothing in the storyboard fills is filled by its class.
    let by_code = board.names_its_initial();
    let open = start.is_none() && (by_code || !is_main && !is_asked_for_first(board, boards, values));
    facts.containers.push(ContainerFact {
        name: Some(board.name.clone()),
        start: Start::new(start, open),
        shown_by: ShownBy::app_if(is_main),
        sight: Sight::Inside,
        ..ContainerFact::new(board.key)
    });
    let tabs: Vec<_> = (0..boards.len()).flat_map(|board| tabs_of(boards, board)).collect();
    for (place, scene) in board.scenes.iter().enumerate() {
        let (SceneKind::Content, name) = (&scene.kind, scene.name()) else { continue };
        let class = scene.declared(values);
        let is_tab = tabs.contains(&(own, place));
        if is_tab {
            let target = TargetFact::Routes(vec![scene.key()]);
            facts.redirects.push(RedirectFact { style: STYLE, from: None, target });
        }
        facts.routes.push(RouteFact {
            shows: shows(scene, class, values),
            container: Some(board.key),
            parameters: class.map(|class| parameters(class, values)).unwrap_or_default(),
            ..RouteFact::new(
                STYLE,
                if is_tab { RouteKind::Tab } else { RouteKind::Screen },
                name.to_owned(),
                scene.at,
            )
        });
    }
}

fn shows(scene: &Scene, class: Option<Ref>, values: &Values<'_>) -> Shows {
    match (class, &scene.class) {
        (Some(class), _) => Shows::Class(values.program().path(class).to_owned(), scene.at),
        // The class of another module may be in a binary.
        (None, Some(name)) if !scene.is_of_other_module() => Shows::Absent(name.clone(), scene.at),
        _ => Shows::NotApplicable,
    }
}

/// Whether a property list names a storyboard as the one that the app begins with; without any that
/// does, the one that new projects have.
fn is_main(board: &Board, values: &Values<'_>) -> bool {
    let program = values.program();
    let lists = program.parsed().filter(|&file| program.source(file).language == Language::PropertyList);
    let mut named: Vec<String> = Vec::new();
    for list in lists.filter_map(|file| program.markup(file)) {
        let mut wanted = false;
        for (_, element) in list.elements() {
            match element.name.as_str() {
                "key" => {
                    wanted = matches!(element.text.trim(), "UIMainStoryboardFile" | "UISceneStoryboardFile");
                }
                "string" if wanted => named.push(element.text.trim().to_owned()),
                _ => {}
            }
        }
    }
    named.contains(&board.name)
        || (named.is_empty() && board.name == "Main" && program.uses_of_name("rootViewController").is_empty())
}

/// Whether code asks a storyboard for what it shows first.
fn is_asked_for_first(board: &Board, boards: &[Board], values: &Values<'_>) -> bool {
    values.program().calls_named("instantiateInitialViewController").iter().any(|&at| {
        let What::Initial(name) = page(&Expr::new(at), values).what else { return false };
        board_of(&name, boards, values).is_some_and(|named| boards[named].key == board.key)
    })
}

/// A node that a scene's code is at: its class's own, else the storyboard's.
fn site_of(scene: &Scene, board: &Board, values: &Values<'_>) -> Ref {
    match scene.declared(values) {
        Some(class) => site_in(class, values),
        None => Ref { file: board.file, id: Tree::HOLLOW },
    }
}

/// The place of a node, for those who only have code.
fn at(site: Ref, values: &Values<'_>) -> crate::facts::At {
    code::callee_at(site, values)
}
