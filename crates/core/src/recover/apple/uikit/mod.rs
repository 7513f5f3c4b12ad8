//! `uikit`: controllers that code pushes, presents and holds (developer.apple.com, "UINavigationController",
//! "UIViewController": presenting and showing).

mod backs;
mod children;
mod containers;
mod made;
mod opens;
mod responders;
mod roots;
mod stackless;
mod titles;

#[cfg(test)]
mod tests;

use super::controllers::{is_controller, parameters};
use super::initialiser;
use super::pages::{Page, What, board_of, initial_of, page};
use super::scenes::{Board, boards};
use super::shown::class_at;
use super::storyboard::is_value;
use super::{SPEAKS, is_ours};
use crate::facts::{
    ArgumentFact, At, CallFact, Facts, HostHint, Opened, RouteFact, RouteKey, Shows, Slot, TargetFact,
};
use crate::model::{Form, RouteKind, Style, Verb};
use crate::recover::apple::WAYS;
use crate::recover::{StyleRecoverer, code};
use crate::syntax::{Call, Kind};
use crate::values::{Expr, Ref, Values};
use stackless::ShownAs;

const STYLE: Style = Style::Uikit;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(STYLE),
    speaks: SPEAKS,
    words: &[
        "pushViewController",
        "popViewController",
        "popToRootViewController",
        "popToViewController",
        "setViewControllers",
        "viewControllers",
        "rootViewController",
        "UIViewController",
        "selectedIndex",
        "dismiss(animated",
        "present(",
        "addChild(",
        "sendAction(",
        "#selector",
        "UIHostingController",
    ],
    verbs: &[
        "pushViewController",
        "popViewController",
        "popToRootViewController",
        "popToViewController",
        "setViewControllers",
        "present",
        "show",
        "showDetailViewController",
    ],
    recover,
    ways: WAYS,
    joins: &[stackless::JOIN],
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if !is_ours(file, values) {
        return;
    }
    roots::recover(file, values, facts);
    containers::recover(file, values, facts);
    opens::recover(file, values, facts);
    backs::recover(file, values, facts);
    children::recover(file, values, facts);
    made::recover(file, values, facts);
    responders::recover(file, values, facts);
    titles::recover(file, values, facts);
}

/// Whether a call is one of the platform's own method, on a controller as far as that is known.
fn is_platforms(at: Ref, call: &Call, values: &Values<'_>) -> bool {
    let expr = Expr::new(at);
    if values.calls_own_function(&expr, call) {
        return false;
    }
    match values.tree(at).receiver(call) {
        Some(of) => match values.type_of(&expr.with(of)) {
            Some(ty) => match ty.class {
                Some(class) => is_controller(class, values),
                None => ty.name.ends_with("Controller"),
            },
            None => true,
        },
        None => values.enclosing_class(at).is_some_and(|class| {
            is_controller(class, values)
                || values.class(class).is_some_and(|class| class.name.ends_with("Controller"))
        }),
    }
}

/// A call that shows a page, and the routes that this makes. `None` for what is the platform's own.
fn shows(
    site: Ref,
    at: At,
    verb: Verb,
    given: &Expr,
    values: &Values<'_>,
    facts: &mut Facts,
) -> Option<CallFact> {
    let found = page(given, values);
    let base = CallFact::new(STYLE, verb, site, at);
    let kind = match verb {
        Verb::Present => RouteKind::Sheet,
        _ => RouteKind::Screen,
    };
    match &found.what {
        What::Class(class) | What::View(class) => {
            facts.routes.push(route(*class, kind, values));
            facts.own.push(way(*class, &found, verb, values));
            let view = matches!(found.what, What::View(_));
            Some(CallFact {
                written: name_of(*class, values),
                form: Form::Typed,
                arguments: match view {
                    true => initialiser::arguments(&found.made, *class, values),
                    false => arguments(&found, *class, values),
                },
                target: TargetFact::Routes(vec![RouteKey(class_at(*class, values))]),
                ..base
            })
            .map(|fact| or_others(fact, &found.also, verb, values, facts))
        }
        What::Identified(..) | What::Initial(_) => Some(scene_call(base, &found, values)),
        What::Platform => None,
        What::Unknown => {
            Some(CallFact { target: TargetFact::Unknown, written: values.written(given.at), ..base })
        }
    }
}

/// A call that may show others as well, by a choice.
fn or_others(fact: CallFact, also: &[Page], verb: Verb, values: &Values<'_>, facts: &mut Facts) -> CallFact {
    let (TargetFact::Routes(mut keys), false) = (fact.target.clone(), also.is_empty()) else { return fact };
    let kind = if verb == Verb::Present { RouteKind::Sheet } else { RouteKind::Screen };
    for page in also {
        if let What::Class(class) | What::View(class) = page.what {
            facts.routes.push(route(class, kind, values));
            facts.own.push(way(class, page, verb, values));
            keys.push(RouteKey(class_at(class, values)));
        }
    }
    CallFact { target: TargetFact::Routes(keys), form: Form::Computed, open: true, ..fact }
}

fn way(class: Ref, page: &Page, verb: Verb, values: &Values<'_>) -> ShownAs {
    let in_stack = page.wrapped || verb != Verb::Present;
    ShownAs { screen: values.program().path(class).to_owned(), in_stack }
}

fn name_of(class: Ref, values: &Values<'_>) -> String {
    values.class(class).map(|class| class.name.to_string()).unwrap_or_default()
}

/// A call that shows a scene.
fn scene_call(base: CallFact, page: &Page, values: &Values<'_>) -> CallFact {
    let boards = boards(values);
    let base = CallFact { style: Style::Storyboard, ..base };
    match &page.what {
        What::Identified(identifier, board) => {
            let host = board.as_ref().and_then(|name| board_of(name, &boards, values));
            let said = code::said(base, identifier, TargetFact::Named, values);
            let arguments = scene_arguments(page, identifier, &boards, values);
            // A storyboard that is named and not known may hold anything.
            let anywhere = board.is_some() && host.is_none();
            CallFact {
                host: match anywhere {
                    true => Some(HostHint::Any),
                    false => host.map(|board| HostHint::Container(boards[board].key)),
                },
                arguments,
                ..said
            }
        }
        What::Initial(name) => {
            let found = initial_of(name, &boards, values).map(|(board, scene)| &boards[board].scenes[scene]);
            let said = code::said(base, name, TargetFact::Named, values);
            let target = match (board_of(name, &boards, values), found) {
                (_, Some(scene)) => TargetFact::Routes(vec![scene.key()]),
                (Some(_), None) => TargetFact::Routes(Vec::new()),
                (None, None) => TargetFact::Unknown,
            };
            let class = found.and_then(|scene| scene.declared(values));
            let arguments = class.map(|class| set_on(page, class, values)).unwrap_or_default();
            CallFact { target, literal: None, arguments, ..said }
        }
        _ => base,
    }
}

fn scene_arguments(
    page: &Page,
    identifier: &Expr,
    boards: &[Board],
    values: &Values<'_>,
) -> Vec<ArgumentFact> {
    let name = values.plain_text(identifier).unwrap_or_default();
    let scenes = boards.iter().flat_map(|board| &board.scenes);
    let scene = scenes.into_iter().find(|scene| scene.identifier.as_deref() == Some(name.as_str()));
    let class = scene.and_then(|scene| scene.declared(values));
    class.map(|class| set_on(page, class, values)).unwrap_or_default()
}

/// What a controller is made with, and what is set on it before it is shown.
fn arguments(page: &Page, class: Ref, values: &Values<'_>) -> Vec<ArgumentFact> {
    let mut found = initialiser::arguments(&page.made, class, values);
    for set in set_on(page, class, values) {
        let known = |other: &ArgumentFact| matches!((&other.slot, &set.slot), (Slot::Name(a), Slot::Name(b)) if a == b);
        if !found.iter().any(known) {
            found.push(set);
        }
    }
    found
}

/// Properties of the app's own that are set on a page.
fn set_on(page: &Page, class: Ref, values: &Values<'_>) -> Vec<ArgumentFact> {
    let mut found: Vec<ArgumentFact> = Vec::new();
    for step in &page.steps {
        let Kind::Assign { target, .. } = values.kind(step.at.at) else { continue };
        let own = values.member_of_class(class, &step.name).is_some();
        let (true, Some(value)) = (own && is_value(&step.at.with(*target), values), step.args.first()) else {
            continue;
        };
        let slot = Slot::Name(step.name.to_string());
        if !found.iter().any(|known| matches!(&known.slot, Slot::Name(name) if *name == step.name.as_str())) {
            found.push(code::argument(slot, value, values));
        }
    }
    found
}

/// A route of a controller that something shows.
fn route(class: Ref, kind: RouteKind, values: &Values<'_>) -> RouteFact {
    let at = class_at(class, values);
    RouteFact {
        shows: Shows::Class(values.program().path(class).to_owned(), at),
        opened: Opened::OnlyIfCalled,
        parameters: match is_controller(class, values) {
            true => parameters(class, values),
            false => initialiser::parameters(class, values),
        },
        ..RouteFact::new(STYLE, kind, name_of(class, values), at)
    }
}
