//! Components: functions that hand back elements, and classes that render them. Which of them are
//! screens is known once routes are: linking keeps those. (react.dev, "Your first component".)

use super::addresses::JOINS;
use super::element::element;
use super::navigators::{Part, is_creator, is_older_creator, part, variable_name};
use super::{SPEAKS, is_of_app};
use crate::facts::{At, Facts, ScreenFact};
use crate::model::ScreenKind;
use crate::recover::StyleRecoverer;
use crate::source::library_of;
use crate::syntax::{ClassKind, Kind, Modifier};
use crate::values::{Def, Expr, Ref, Values};
use rustc_hash::FxHashSet;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: None,
    speaks: SPEAKS,
    words: &["@react-navigation/"],
    recover,
    joins: JOINS,
    ..StyleRecoverer::SHARED
};

/// Components in components are followed this deep.
const MAX_DEPTH: usize = 4;

/// What shows a navigator is a screen only where a route shows it.
fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if !is_of_app(file, values) {
        return;
    }
    let tree = values.program().tree(file);
    let mut seen = FxHashSet::default();
    let mut holders = FxHashSet::default();
    for id in tree.ids() {
        let at = Ref { file, id };
        let Some(element) = element(&Expr::new(at), values) else { continue };
        if let Some((_, Part::Navigator)) = part(&element.callee(), values) {
            holders.extend(component_around(at, values));
        }
    }
    for id in tree.ids() {
        let at = Ref { file, id };
        let component = match tree.kind(id) {
            Kind::Call(_) if element(&Expr::new(at), values).is_some() => component_around(at, values),
            Kind::Class(class) if class.kind == ClassKind::Class && is_component_class(at, values) => {
                Some(at)
            }
            _ => None,
        };
        if let Some(component) = component.filter(|at| !holders.contains(at) && seen.insert(*at)) {
            facts.screens.extend(screen(component, values));
        }
    }
}

/// The function or class with a capitalised name that a node is in.
pub(super) fn component_around(at: Ref, values: &Values<'_>) -> Option<Ref> {
    let tree = values.tree(at);
    let around = tree.ancestors(at.id).find(|&id| match tree.kind(id) {
        Kind::Function(function) => {
            // The method of a class is the class's.
            function.name.starts_with(char::is_uppercase) || function.name == "default"
        }
        Kind::Class(_) => true,
        _ => false,
    })?;
    let around = Ref { file: at.file, id: around };
    match tree.kind(around.id) {
        Kind::Class(_) => is_component_class(around, values).then_some(around),
        _ => Some(around),
    }
}

/// Whether a class is a component, through the app's own bases.
fn is_component_class(class: Ref, values: &Values<'_>) -> bool {
    let bases = values.external_bases(class);
    values.class(class).is_some_and(|class| class.kind == ClassKind::Class)
        && bases.iter().any(|base| matches!(base.as_str(), "Component" | "PureComponent"))
}

/// A component as a screen.
pub(super) fn screen(at: Ref, values: &Values<'_>) -> Option<ScreenFact> {
    let tree = values.tree(at);
    let (name, span, is_base) = match tree.kind(at.id) {
        Kind::Function(function) => (&function.name, function.name_span, false),
        Kind::Class(class) => (&class.name, class.name_span, class.is(Modifier::Abstract)),
        _ => return None,
    };
    if is_base {
        values.expect_derived(at);
    }
    let name = match name.as_str() {
        "default" => file_name(at, values),
        name => name.to_owned(),
    };
    let place = At { file: at.file, span };
    Some(ScreenFact { is_base, ..ScreenFact::new(at, name, path(at, values), ScreenKind::Component, place) })
}

/// A component's full name: its file's, and its own.
pub(super) fn path(at: Ref, values: &Values<'_>) -> String {
    let library = library_of(values.program().source(at.file)).unwrap_or_default();
    let tree = values.tree(at);
    let name = match tree.kind(at.id) {
        Kind::Function(function) => function.name.as_str(),
        Kind::Class(class) => class.name.as_str(),
        _ => "",
    };
    format!("{library}.{name}")
}

/// A navigator that is an object, as the screen that it is to the route that holds it;
/// one that is made in place has no name.
pub(super) fn navigator_screen(created: Ref, values: &Values<'_>) -> Option<ScreenFact> {
    let name = match variable_name(created, values)? {
        name if name == "default" => file_name(created, values),
        name => name,
    };
    let library = library_of(values.program().source(created.file)).unwrap_or_default();
    let path = format!("{library}.{name}");
    let place = crate::recover::code::callee_at(created, values);
    Some(ScreenFact::new(created, name, path, ScreenKind::Component, place))
}

/// What a component without a name goes by.
fn file_name(at: Ref, values: &Values<'_>) -> String {
    let library = library_of(values.program().source(at.file)).unwrap_or_default();
    let mut parts = library.rsplit('/');
    let last = parts.next().unwrap_or_default();
    if last == "index" { parts.next().unwrap_or(last).to_owned() } else { last.to_owned() }
}

/// What a route shows.
#[derive(Debug, Clone, PartialEq, Eq)]
pub(super) enum Shown {
    /// A component of the source.
    Own(Ref),
    /// A navigator that is declared as an object: the call that makes it.
    Navigator(Ref),
    /// A file that the source does not have.
    Missing,
    /// Something else.
    Unknown,
}

/// The component that an expression names, makes or wraps.
pub(super) fn shown(expr: &Expr, values: &Values<'_>) -> Shown {
    shown_at(expr, 0, values)
}

/// The component that a file gives others.
pub(super) fn shown_by(given: Def, values: &Values<'_>) -> Shown {
    match given {
        Def::Functions(found) => found.first().map_or(Shown::Unknown, |&at| Shown::Own(at)),
        Def::Class(class) => Shown::Own(class),
        Def::Variable(at) => {
            let init = values.tree(at).variable(at.id).and_then(|variable| variable.init);
            init.map_or(Shown::Unknown, |init| shown(&Expr::new(Ref { file: at.file, id: init }), values))
        }
        _ => Shown::Unknown,
    }
}

fn shown_at(expr: &Expr, depth: usize, values: &Values<'_>) -> Shown {
    if depth > 2 * MAX_DEPTH {
        return Shown::Unknown;
    }
    let deeper = |inner: &Expr| shown_at(inner, depth + 1, values);
    match values.kind(expr.at) {
        Kind::Cast { of, .. } | Kind::Unary { of, .. } => deeper(&expr.with(*of)),
        Kind::Name(_) | Kind::Member(_) => named(expr, depth, values),
        Kind::Lambda { body, .. } => first(&values.handed_back(&expr.with(*body)), depth, values),
        Kind::Branch { arms, .. } => {
            let arms: Vec<Expr> = arms.iter().map(|arm| expr.with(arm.body)).collect();
            first(&arms, depth, values)
        }
        Kind::List(items) => {
            let items: Vec<Expr> = items.iter().map(|item| expr.with(item.value)).collect();
            first(&items, depth, values)
        }
        Kind::Call(call) => {
            if let Some(element) = element(expr, values) {
                let own = deeper(&element.callee());
                let inside = || element.property("children", values).map(|inside| deeper(&inside));
                return match own {
                    Shown::Own(_) | Shown::Navigator(_) => own,
                    other => inside().unwrap_or(other),
                };
            }
            if is_creator(expr, values) || is_older_creator(expr, values) {
                return Shown::Navigator(expr.at);
            }
            // A wrapper shows what it is given.
            let given: Vec<Expr> = call.args.iter().map(|arg| expr.with(arg.value)).collect();
            match (first(&given, depth, values), values.called_body(expr)) {
                (Shown::Unknown, Some(body)) => first(&values.handed_back(&body), depth, values),
                (given, _) => given,
            }
        }
        _ => Shown::Unknown,
    }
}

fn first(all: &[Expr], depth: usize, values: &Values<'_>) -> Shown {
    let mut best = Shown::Unknown;
    for expr in all {
        match shown_at(expr, depth + 1, values) {
            Shown::Unknown => {}
            Shown::Missing => best = Shown::Missing,
            found => return found,
        }
    }
    best
}

fn named(expr: &Expr, depth: usize, values: &Values<'_>) -> Shown {
    let meant = values.default_of(expr).or_else(|| values.meaning(expr));
    match meant {
        Some(Def::Functions(found)) => found.first().map_or(Shown::Unknown, |&at| Shown::Own(at)),
        Some(Def::Class(class)) => Shown::Own(class),
        Some(Def::Variable(_) | Def::Parameter(_)) => {
            match values.value_behind(expr).filter(|behind| behind.at != expr.at) {
                Some(behind) => shown_at(&behind, depth + 1, values),
                None => member_of_object(expr, depth, values),
            }
        }
        Some(Def::External(path)) if is_own(&path, values) => Shown::Missing,
        Some(_) => Shown::Unknown,
        None => match values.kind(expr.at) {
            Kind::Member(member) => match values.library_taken_in(&expr.with(member.of)) {
                Some(library) if is_own(&library, values) => Shown::Missing,
                _ => member_of_object(expr, depth, values),
            },
            _ => Shown::Unknown,
        },
    }
}

/// `page.component`, of an object that is written out.
fn member_of_object(expr: &Expr, depth: usize, values: &Values<'_>) -> Shown {
    let Kind::Member(member) = values.kind(expr.at) else { return Shown::Unknown };
    let found = super::element::property(&expr.with(member.of), &member.name, values);
    found.map_or(Shown::Unknown, |value| shown_at(&value, depth + 1, values))
}

/// Whether what could not be found would stand beside files of the app's own: what is relative was
/// made whole.
fn is_own(path: &str, values: &Values<'_>) -> bool {
    let folder = path.rsplit_once('/').map(|(folder, _)| format!("{folder}/"));
    let files = &values.program().sources().files;
    folder.is_some_and(|folder| files.iter().any(|file| file.path.starts_with(&folder)))
}

/// Whether a component shows a navigator, itself or by what it is put together from.
pub(super) fn holds_navigator(component: Ref, values: &Values<'_>) -> bool {
    holds(component, 0, values)
}

fn holds(component: Ref, depth: usize, values: &Values<'_>) -> bool {
    if depth > MAX_DEPTH {
        return false;
    }
    let tree = values.tree(component);
    let around = tree.span(component.id);
    let inside = tree.ids().filter(|&id| around.holds(tree.span(id)));
    let elements: Vec<Expr> = inside
        .map(|id| Expr::new(Ref { file: component.file, id }))
        .filter_map(|at| element(&at, values).map(|element| element.callee()))
        .collect();
    elements.iter().any(|callee| matches!(part(callee, values), Some((_, Part::Navigator))))
        || elements.iter().any(|callee| match shown(callee, values) {
            Shown::Own(inner) => inner != component && holds(inner, depth + 1, values),
            _ => false,
        })
}
