//! The tree of scenes: keys, what each shows, what it stands in.

use super::{of_package, props};
use crate::facts::{
    At, ContainerFact, ContainerKey, Facts, Holds, Offers, ParameterFact, RouteFact, ShownBy, Shows, Start,
    StartFact, Takes,
};
use crate::model::{RouteKind, Style};
use crate::recover::react_native::components::{Shown, path, screen, shown};
use crate::recover::react_native::element::{Element, element};
use crate::recover::react_native::stack_component::links;
use crate::syntax::Kind;
use crate::values::{Expr, Ref, Values};

/// Trees are followed this deep.
const MAX_DEPTH: usize = 40;

/// Elements that are scenes or hold some.
const SCENES: &[&str] = &["Drawer", "Lightbox", "Modal", "Overlay", "Scene", "Stack", "Tabs"];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let at = Expr::new(Ref { file, id });
        let Some(call) = tree.call(id) else { continue };
        if let Some(router) = element(&at, values) {
            if of_package(&router.callee(), values).as_deref() == Some("Router") {
                let inside = router.property("children", values);
                let origin = router.property("uriPrefix", values);
                let origin = origin.and_then(|origin| values.plain_text(&origin)).unwrap_or_default();
                root(router.place(values), &origin, inside.as_ref(), values, facts);
            }
        } else if is_create(&at, values)
            && let Some(arg) = call.args.first()
        {
            let place = crate::recover::code::callee_at(at.at, values);
            root(place, "", Some(&at.with(arg.value)), values, facts);
        }
    }
}

/// `Actions.create(…)`.
fn is_create(at: &Expr, values: &Values<'_>) -> bool {
    let tree = values.tree(at.at);
    let Some(call) = tree.call(at.at.id) else { return false };
    tree.callee(call).is_some_and(|(name, _)| name == "create")
        && tree
            .receiver(call)
            .is_some_and(|of| of_package(&at.with(of), values).as_deref() == Some("Actions"))
}

fn root(at: At, origin: &str, inside: Option<&Expr>, values: &Values<'_>, facts: &mut Facts) {
    let mut scenes = Vec::new();
    inside.into_iter().for_each(|inside| collect(inside, 0, values, &mut scenes));
    if scenes.is_empty() {
        return;
    }
    let key = ContainerKey(at);
    container(key, None, &scenes, Offers::Start, values, facts);
    let around = Around { holder: key, element: "", origin };
    add(&scenes, around, values, facts);
}

/// The scenes that an expression comes to, groups without a key looked through by their callers.
fn collect<'p>(expr: &Expr, depth: usize, values: &Values<'p>, found: &mut Vec<Element<'p>>) {
    if depth > MAX_DEPTH {
        return;
    }
    match values.kind(expr.at) {
        Kind::List(items) => {
            items.iter().for_each(|item| collect(&expr.with(item.value), depth + 1, values, found));
        }
        Kind::Branch { arms, .. } => {
            arms.iter().for_each(|arm| collect(&expr.with(arm.body), depth + 1, values, found));
        }
        Kind::Binary { right, .. } => collect(&expr.with(*right), depth + 1, values, found),
        Kind::Call(_) => match element(expr, values) {
            Some(scene) => {
                let name = of_package(&scene.callee(), values);
                if name.is_some_and(|name| SCENES.contains(&name.as_str())) {
                    found.push(scene);
                }
            }
            None => {
                let body = values.called_body(expr).or_else(|| values.called_lambda(expr));
                let handed = body.map(|body| values.handed_back(&body)).unwrap_or_default();
                let made = match handed.is_empty() {
                    true => values.elements(expr),
                    false => handed,
                };
                made.iter()
                    .filter(|made| made.at != expr.at)
                    .for_each(|made| collect(made, depth + 1, values, found));
            }
        },
        Kind::Name(_) | Kind::Member(_) => {
            if let Some(behind) = values.value_behind(expr).filter(|behind| behind.at != expr.at) {
                collect(&behind, depth + 1, values, found);
            }
        }
        _ => {}
    }
}

fn children<'p>(scene: &Element<'p>, values: &Values<'p>) -> Vec<Element<'p>> {
    let mut found = Vec::new();
    if let Some(inside) = scene.property("children", values) {
        collect(&inside, 0, values, &mut found);
    }
    found
}

fn key_of(scene: &Element<'_>, values: &Values<'_>) -> Option<String> {
    values.plain_text(&scene.property("key", values)?)
}

fn container(
    key: ContainerKey,
    parent: Option<ContainerKey>,
    scenes: &[Element<'_>],
    offers: Offers,
    values: &Values<'_>,
    facts: &mut Facts,
) {
    let named = || scenes.iter().filter_map(|scene| Some((scene, key_of(scene, values)?)));
    let said = named().find(|(scene, _)| {
        let initial = scene.property("initial", values);
        initial.is_some_and(|initial| !matches!(values.kind(initial.at), Kind::Bool(false)))
    });
    let start = said.or_else(|| named().next()).map(|(scene, name)| StartFact {
        name,
        literal: false,
        checked: false,
        at: scene.place(values),
    });
    facts.containers.push(ContainerFact {
        parent,
        start: Start::new(start, false),
        shown_by: ShownBy::app_if(parent.is_none()),
        offers,
        holds: Holds::more_if(named().count() < scenes.len()),
        ..ContainerFact::new(key)
    });
}

/// What scenes stand in.
#[derive(Clone, Copy)]
struct Around<'a> {
    holder: ContainerKey,
    /// The element around them.
    element: &'a str,
    /// What stands before the paths of scenes in an address.
    origin: &'a str,
}

/// Tabs and drawers list their scenes by themselves, unless the app draws what lists them.
fn offers(scene: &Element<'_>, element: &str, values: &Values<'_>) -> Offers {
    let drawn = ["contentComponent", "tabBarComponent"];
    match matches!(element, "Tabs" | "Drawer") && drawn.iter().all(|p| scene.property(p, values).is_none()) {
        true => Offers::All,
        false => Offers::Start,
    }
}

fn add(scenes: &[Element<'_>], around: Around<'_>, values: &Values<'_>, facts: &mut Facts) {
    let holder = around.holder;
    for (i, scene) in scenes.iter().enumerate() {
        let inside = children(scene, values);
        let own = of_package(&scene.callee(), values).unwrap_or_default();
        let at = scene.place(values);
        let Some(name) = key_of(scene, values) else {
            add(&inside, Around { element: &own, ..around }, values, facts);
            continue;
        };
        if inside.is_empty() {
            let kind = match around.element {
                "Tabs" => RouteKind::Tab,
                // What is first is what the others lie over.
                "Lightbox" if i > 0 => RouteKind::Dialog,
                _ => RouteKind::Screen,
            };
            leaf(scene, name, kind, around, values, facts);
            continue;
        }
        let key = ContainerKey(at);
        container(key, Some(holder), &inside, offers(scene, &own, values), values, facts);
        let fact = RouteFact::new(Style::FluxScene, RouteKind::Group, name, at);
        facts.routes.push(RouteFact { container: Some(holder), ..fact });
        add(&inside, Around { holder: key, element: &own, ..around }, values, facts);
    }
}

/// `path="/item/:itemId"`: the address that opens a scene, and what it must hold.
fn address(
    scene: &Element<'_>,
    origin: &str,
    values: &Values<'_>,
) -> (Vec<(String, At)>, Vec<ParameterFact>) {
    let Some(path) = scene.property("path", values) else { return Default::default() };
    let Some(text) = values.plain_text(&path) else { return Default::default() };
    let at = crate::recover::code::node_at(path.at, values);
    let pattern = links::pattern(text.trim_end_matches('/'));
    let parameters = links::parameters(&pattern, at);
    (vec![(format!("{origin}{pattern}"), at)], parameters)
}

fn leaf(
    scene: &Element<'_>,
    name: String,
    kind: RouteKind,
    around: Around<'_>,
    values: &Values<'_>,
    facts: &mut Facts,
) {
    let at = scene.place(values);
    let (deep_links, by_path) = address(scene, around.origin, values);
    let component = scene.property("component", values);
    let shows = component.as_ref().map_or(Shown::Unknown, |component| shown(component, values));
    let fact = RouteFact::new(Style::FluxScene, kind, name, at);
    let fact = RouteFact { container: Some(around.holder), content: Some(scene.at.at), deep_links, ..fact };
    let mut route = match shows {
        Shown::Own(own) => {
            facts.screens.extend(screen(own, values));
            let wrapped = component.is_some_and(|component| is_wrapped(&component, values));
            let taken = props::taken(own, scene, wrapped, values, facts);
            RouteFact {
                shows: Shows::Class(path(own, values), at),
                parameters: taken.parameters,
                takes: Takes::as_read_if(!taken.declared),
                ..fact
            }
        }
        Shown::Missing => RouteFact { shows: Shows::Nothing, ..fact },
        Shown::Navigator(_) | Shown::Unknown => RouteFact { takes: Takes::as_read_if(true), ..fact },
    };
    for parameter in by_path {
        match route.parameters.iter_mut().find(|known| known.name == parameter.name) {
            Some(known) => known.required = true,
            None => route.parameters.push(parameter),
        }
    }
    facts.routes.push(route);
}

/// Whether a component is shown through a wrapper, which may give it what no call passes.
fn is_wrapped(component: &Expr, values: &Values<'_>) -> bool {
    use crate::values::Def;
    !matches!(values.meaning(component), Some(Def::Functions(_) | Def::Class(_)))
}
