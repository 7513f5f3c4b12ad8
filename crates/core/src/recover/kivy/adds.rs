//! Screens that are put into managers: by call, in a loop, by a helper, in a tree or rule of kv.

use super::STYLE;
use super::managers::{Manager, is_library_manager, manager_of};
use super::properties::{properties, set_up};
use super::screens::{is_manager, is_screen_name};
use crate::facts::{At, ContainerKey, Facts, Order, RouteFact, Shows, Takes, UnreadFact};
use crate::model::RouteKind;
use crate::recover::code;
use crate::source::Language;
use crate::syntax::{Call, ClassKind, Kind, Modifier};
use crate::values::{Def, Expr, Ref, Values};

/// A screen that is put somewhere.
pub(super) struct Added {
    /// Its name, and what gives it.
    pub(super) name: Option<(String, At)>,
    /// Its class, where it has one of the app's own.
    pub(super) class: Option<Ref>,
    /// A class that is named and not in the source.
    missing: Option<(String, At)>,
}

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["add_widget"]) {
        let receiver = values.tree(at).receiver(call).map(|of| Expr::new(at).with(of));
        let manager = receiver.and_then(|of| manager_of(&of, values));
        let (Some(manager), Some(arg)) = (manager, call.args.first()) else { continue };
        let Manager::Of(key) = manager else {
            facts.unread.push(unread(None, code::callee_at(at, values)));
            continue;
        };
        for said in values.sites(at, &Expr::new(at).with(arg.value)) {
            let given = said.bind(&Expr::new(Ref { file, id: arg.value }));
            for (place, each) in values.in_rounds(&given).into_iter().enumerate() {
                let order = Order::Added(code::node_at(at, values), place);
                match route(&added(&each, values), key, order, values) {
                    Some(route) => facts.routes.push(route),
                    None => facts.unread.push(unread(Some(key), code::callee_at(at, values))),
                }
            }
        }
    }
    documents(file, values, facts);
}

/// A screen whose name, or whose manager, is not known.
pub(super) fn unread(container: Option<ContainerKey>, at: At) -> UnreadFact {
    UnreadFact { style: STYLE, container, at }
}

/// Managers in trees and rules, with the screens written below them.
fn documents(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let at = Ref { file, id };
        let found = match tree.kind(id) {
            Kind::Call(call) if is_library_manager(at, call, values) => {
                Some((ContainerKey(code::callee_at(at, values)), call))
            }
            Kind::Call(call) if is_widget(at, call, values) => {
                let class = values.made_class(&Expr::new(at)).filter(|&class| is_manager(class, values));
                class.map(|class| (key_of(class, values), call))
            }
            Kind::Class(class) if class.is(Modifier::Rule) => {
                let of = if class.kind == ClassKind::Extension { values.extended(at) } else { Some(at) };
                let of = of.filter(|&of| is_manager(of, values));
                of.zip(set_up(at, values))
                    .and_then(|(of, (body, _))| Some((key_of(of, values), tree.call(body)?)))
            }
            _ => None,
        };
        let Some((key, call)) = found else { continue };
        for child in call.args.iter().filter(|arg| arg.name.is_none() && tree.call(arg.value).is_some()) {
            let order = Order::Declared(tree.span(child.value).start as usize);
            let added = added(&Expr::new(Ref { file, id: child.value }), values);
            match route(&added, key, order, values) {
                Some(route) => facts.routes.push(route),
                None => {
                    let at = code::callee_at(Ref { file, id: child.value }, values);
                    facts.unread.push(unread(Some(key), at));
                }
            }
        }
    }
}

/// A widget of a document: made by a bare name, with a place of its own.
fn is_widget(at: Ref, call: &Call, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    matches!(tree.kind(call.callee), Kind::Name(_)) && tree.span(call.callee).start == tree.span(at.id).start
}

fn key_of(class: Ref, values: &Values<'_>) -> ContainerKey {
    let span = values.class(class).map_or_else(|| values.tree(class).span(class.id), |c| c.name_span);
    ContainerKey(At { file: class.file, span })
}

/// What an expression makes, as a screen.
pub(super) fn added(expr: &Expr, values: &Values<'_>) -> Added {
    let mut made = expr.clone();
    let mut set_later = None;
    for _ in 0..8 {
        if let Some(Def::Variable(at)) = values.meaning(&made)
            && let Some(variable) = values.tree(at).variable(at.id)
        {
            let steps = values.steps_of(at, &variable.name);
            set_later = steps
                .iter()
                .find(|step| step.name == "name")
                .and_then(|step| step.args.first().cloned())
                .or(set_later);
        }
        match values.kind(made.at) {
            Kind::Name(_) | Kind::Member(_) | Kind::Index { .. } => match values.value_behind(&made) {
                Some(behind) if behind.at != made.at => made = behind,
                _ => break,
            },
            _ => break,
        }
    }
    let class = class_made(&made, values);
    let call = values.tree(made.at).call(made.at.id);
    let keyword = call.and_then(|call| call.args.iter().find(|arg| arg.name.as_deref() == Some("name")));
    let name = keyword
        .and_then(|arg| said(&made.with(arg.value), values))
        .or_else(|| set_later.and_then(|value| said(&value, values)))
        .or_else(|| own_name(class?, values));
    let bare = class.is_none() && call.is_some_and(|call| is_bare(&made, call, values));
    let inside = if bare { content(expr, &made, values) } else { None };
    let missing = call.filter(|_| class.is_none() && !bare).and_then(|call| missing(&made, call, values));
    Added { name, class: class.or(inside), missing }
}

/// The class that a call makes an object of, also where a name stands for the class.
fn class_made(made: &Expr, values: &Values<'_>) -> Option<Ref> {
    if let Some(class) = values.made_class(made) {
        return Some(class).filter(|&class| !is_document(made.at, values) || is_built_on(class, values));
    }
    let call = values.tree(made.at).call(made.at.id)?;
    let mut callee = made.with(call.callee);
    for _ in 0..4 {
        if let Some(class) = values.class_meant(&callee) {
            return Some(class);
        }
        let found = values.eval(&callee).into_iter().find_map(|value| values.object_class(&value));
        if found.is_some() {
            return found;
        }
        callee = values.value_behind(&callee)?;
    }
    None
}

/// A name, and what gives it: in a loop, what stands in the list.
fn said(value: &Expr, values: &Values<'_>) -> Option<(String, At)> {
    let name = values.plain_text(value)?;
    let mut at = value.clone();
    for _ in 0..4 {
        match values.kind(at.at) {
            Kind::Name(_) => {
                match values.value_behind(&at).filter(|b| b.at.file == at.at.file && values.is_local(b.at)) {
                    Some(behind) => at = behind,
                    None => break,
                }
            }
            Kind::Index { of, args } => {
                let place = match args.first().map(|&id| values.kind(at.with(id).at)) {
                    Some(Kind::Number(text)) => text.parse::<usize>().ok(),
                    _ => None,
                };
                match place.and_then(|place| values.elements(&at.with(*of)).into_iter().nth(place)) {
                    Some(element) => at = element,
                    None => break,
                }
            }
            _ => break,
        }
    }
    Some((name, code::node_at(at.at, values)))
}

/// The name that a class gives itself: by attribute, or in its rule.
fn own_name(class: Ref, values: &Values<'_>) -> Option<(String, At)> {
    for at in values.lineage(class) {
        let tree = values.tree(at);
        let attribute =
            values.class(at)?.members.iter().find_map(|&id| tree.variable(id).filter(|v| v.name == "name"));
        if let Some(variable) = attribute {
            let init = Expr::new(Ref { file: at.file, id: variable.init? });
            let value = match tree.call(init.at.id) {
                Some(call) => init.with(call.args.first()?.value),
                None => init,
            };
            let name = values.plain_text(&value)?;
            return Some((name, At { file: at.file, span: variable.name_span }));
        }
        if let Some(given) = named_by_itself(at, values) {
            return Some(given);
        }
        for rule in std::iter::once(at).chain(values.extensions(at)) {
            let Some((call, rule)) = set_up(rule, values) else { continue };
            let args = values.tree(rule).call(call).map(|call| call.args.as_slice()).unwrap_or_default();
            if let Some(arg) = args.iter().find(|arg| arg.name.as_deref() == Some("name")) {
                return said(&Expr::new(Ref { file: rule.file, id: arg.value }), values);
            }
        }
    }
    None
}

/// The name that a class gives its base when it is made, or sets on itself then.
fn named_by_itself(class: Ref, values: &Values<'_>) -> Option<(String, At)> {
    let tree = values.tree(class);
    let init = values
        .class(class)?
        .members
        .iter()
        .copied()
        .find(|&id| tree.function(id).is_some_and(|function| function.name == "<init>"))?;
    let span = tree.span(init);
    let file = class.file;
    let inside = |id: &crate::syntax::Id| span.holds(tree.span(*id));
    let given = tree.ids().filter(inside).find_map(|id| match tree.kind(id) {
        Kind::Call(call) if tree.callee(call)?.0 == "__init__" || tree.callee(call)?.0 == "<init>" => {
            call.args.iter().find(|arg| arg.name.as_deref() == Some("name")).map(|arg| arg.value)
        }
        Kind::Assign { target, value, .. } => match tree.kind(*target) {
            Kind::Member(member) if member.name == "name" && matches!(tree.kind(member.of), Kind::This) => {
                Some(*value)
            }
            _ => None,
        },
        _ => None,
    })?;
    let name = values.plain_text(&Expr::new(Ref { file, id: given }))?;
    Some((name, At { file, span: values.class(class)?.name_span }))
}

/// A screen of a library, with nothing of the app's own.
fn is_bare(made: &Expr, call: &Call, values: &Values<'_>) -> bool {
    let tree = values.tree(made.at);
    let name = match values.meaning(&made.with(call.callee)) {
        Some(Def::External(path)) => path.to_string(),
        // A document knows widgets only: what is none is not meant.
        Some(Def::Class(class)) if is_document(made.at, values) && !is_built_on(class, values) => {
            tree.callee(call).map(|(name, _)| name.to_string()).unwrap_or_default()
        }
        Some(_) => return false,
        None => tree.callee(call).map(|(name, _)| name.to_string()).unwrap_or_default(),
    };
    let last = name.rsplit('.').next().unwrap_or_default();
    last == "Screen" || (name.contains('.') && is_screen_name(last)) || last == "MDScreen"
}

fn is_document(at: Ref, values: &Values<'_>) -> bool {
    values.program().source(at.file).language == Language::Kv
}

/// Whether a class builds on anything, as every widget does.
fn is_built_on(class: Ref, values: &Values<'_>) -> bool {
    !values.external_bases(class).is_empty() || values.lineage(class).len() > 1
}

/// What a bare screen shows: the first widget of the app's own that is put into it.
fn content(given: &Expr, made: &Expr, values: &Values<'_>) -> Option<Ref> {
    let tree = values.tree(made.at);
    let below =
        tree.call(made.at.id)?.args.iter().filter(|arg| arg.name.is_none()).map(|arg| made.with(arg.value));
    let put = match values.meaning(given) {
        Some(Def::Variable(at)) => {
            let name = values.tree(at).variable(at.id)?.name.clone();
            values.steps_of(at, &name)
        }
        _ => Vec::new(),
    };
    let here = |at: Ref| Expr { at, env: given.env.clone() };
    let put = put
        .into_iter()
        .filter(|step| step.name == "add_widget")
        .filter_map(|step| step.args.first().map(|arg| here(arg.at)));
    below.chain(put).find_map(|widget| class_made(&widget, values))
}

/// Screens that documents know without an import.
const LIBRARY: &[&str] = &["MDScreen", "Screen"];

/// The name of a class that a document uses for a screen, and that nobody declares.
fn missing(made: &Expr, call: &Call, values: &Values<'_>) -> Option<(String, At)> {
    let (name, span) = values.tree(made.at).callee(call)?;
    let named = call.args.iter().any(|arg| arg.name.as_deref() == Some("name"));
    let unknown = values.meaning(&made.with(call.callee)).is_none();
    values.expect_class(name);
    // A library's screen comes in by an import, or is registered somewhere by its name.
    let is_library = || {
        is_screen_name(name)
            && (LIBRARY.contains(&name.as_str()) || values.program().is_word_of_others(&[made.at.file], name))
    };
    (named && unknown && !is_library()).then(|| (name.to_string(), At { file: made.at.file, span }))
}

/// The route of a screen in a manager.
pub(super) fn route(
    added: &Added,
    key: ContainerKey,
    order: Order,
    values: &Values<'_>,
) -> Option<RouteFact> {
    let (name, at) = added.name.clone()?;
    let class = added.class;
    let parameters = class.map(|class| properties(class, values)).unwrap_or_default();
    Some(RouteFact {
        shows: match (class, &added.missing) {
            (Some(class), _) => Shows::Class(values.program().path(class).to_owned(), at),
            (None, Some((name, at))) => Shows::Absent(name.clone(), *at),
            (None, None) => Shows::NotApplicable,
        },
        container: Some(key),
        parameters: parameters.into_iter().map(super::properties::Property::parameter).collect(),
        takes: Takes::AsPassed,
        order,
        ..RouteFact::new(STYLE, RouteKind::Screen, name, at)
    })
}
