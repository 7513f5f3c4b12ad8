//! Navigators as objects: name to component, or to an object with one.

use crate::facts::{
    ContainerFact, ContainerKey, Facts, Holds, LinkFact, RouteFact, ShownBy, Shows, Start, StartFact, Takes,
};
use crate::model::{RouteKind, Style};
use crate::recover::code;
use crate::recover::react_native::addresses::{Link, Origin};
use crate::recover::react_native::components::{Shown, navigator_screen, screen, shown};
use crate::recover::react_native::element::{element, key_of, property};
use crate::recover::react_native::navigators::{is_older_creator, is_used, offers};
use crate::recover::react_native::stack_component::{links, routes, tree};
use crate::syntax::Kind;
use crate::values::{Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let at = Ref { file, id };
        let Some(call) = tree.call(id) else { continue };
        if let Some(element) = element(&Expr::new(at), values) {
            let prefix = element.property("uriPrefix", values).and_then(|prefix| values.plain_text(&prefix));
            let module = values.program().source(file).module;
            facts.own.extend(prefix.map(|origin| Origin { style: Style::StackConfig, origin, module }));
        } else if let Some(routes) = call.args.first().filter(|_| is_older_creator(&Expr::new(at), values)) {
            let options = call.args.get(1).map(|arg| Expr::new(at).with(arg.value));
            navigator(at, &Expr::new(at).with(routes.value), options.as_ref(), values, facts);
        }
    }
}

fn navigator(created: Ref, object: &Expr, options: Option<&Expr>, values: &Values<'_>, facts: &mut Facts) {
    let key = ContainerKey(code::callee_at(created, values));
    let entries = values.entries(object);
    let mut open = entries.as_ref().is_none_or(|entries| entries.open);
    let mut routes = Vec::new();
    for (at, value) in entries.map(|entries| entries.known).unwrap_or_default() {
        match key_of(&at, values) {
            Some(name) => routes.push(route(name, &at, &value, (created, key), values, facts)),
            None => open = true,
        }
    }
    let said = options.and_then(|options| property(options, "initialRouteName", values));
    let said = said.and_then(|said| tree::start_said(&said, created, values));
    let first = || routes.first().map(StartFact::first);
    let own = navigator_screen(created, values);
    let used = is_used(created, values);
    let is_app = used && !stands_in_other(created, values);
    facts.containers.push(ContainerFact {
        name: own.as_ref().map(|own| own.name.clone()),
        start: said.unwrap_or_else(|| Start::new(first(), false)),
        shown_by: if is_app { ShownBy::App } else { ShownBy::itself_if(used) },
        shown_in: own.map(|own| own.path),
        holds: Holds::more_if(open),
        offers: offers(
            created,
            |name| options.is_some_and(|all| property(all, name, values).is_some()),
            values,
        ),
        ..ContainerFact::new(key)
    });
    facts.routes.extend(routes);
}

/// Whether a navigator is made in place inside of another.
fn stands_in_other(created: Ref, values: &Values<'_>) -> bool {
    let around = values.tree(created).ancestors(created.id);
    around.into_iter().any(|id| is_older_creator(&Expr::new(Ref { file: created.file, id }), values))
}

fn route(
    name: String,
    key: &Expr,
    value: &Expr,
    (created, container): (Ref, ContainerKey),
    values: &Values<'_>,
    facts: &mut Facts,
) -> RouteFact {
    let at = code::node_at(key.at, values);
    let whole = property(value, "screen", values).or_else(|| property(value, "getScreen", values));
    let shown = shown(whole.as_ref().unwrap_or(value), values);
    let kind = match &shown {
        Shown::Navigator(_) => RouteKind::Group,
        _ if code::callee_name(created, values).contains("Tab") => RouteKind::Tab,
        _ => RouteKind::Screen,
    };
    let given = whole.as_ref().and_then(|_| property(value, "params", values));
    let path = whole.as_ref().and_then(|_| values.plain_text(&property(value, "path", values)?));
    if let Some(path) = path.as_ref().filter(|path| !path.is_empty() && kind != RouteKind::Group) {
        facts.own.push(Link {
            style: Style::StackConfig,
            pattern: Some(links::pattern(path)),
            origins: Vec::new(),
            module: values.program().source(at.file).module,
            to: LinkFact { route: name.clone(), at },
        });
    }
    let by_path = path.as_ref().filter(|_| kind != RouteKind::Group);
    let by_path = by_path.map(|path| links::parameters(&links::pattern(path), at)).unwrap_or_default();
    let (shows, holds) = match shown {
        Shown::Own(component) => {
            let fact = screen(component, values);
            let path = fact.as_ref().map(|fact| fact.path.clone()).unwrap_or_default();
            facts.screens.extend(fact);
            (Shows::Class(path, at), None)
        }
        Shown::Navigator(inner) => {
            let fact = navigator_screen(inner, values);
            let path = fact.as_ref().map(|fact| fact.path.clone());
            facts.screens.extend(fact);
            let shows = path.map_or(Shows::NotApplicable, |path| Shows::Class(path, at));
            (shows, Some(ContainerKey(code::callee_at(inner, values))))
        }
        Shown::Missing => (Shows::Nothing, None),
        Shown::Unknown => (Shows::NotApplicable, None),
    };
    RouteFact {
        shows,
        holds,
        container: Some(container),
        parameters: by_path
            .into_iter()
            .chain(given.map(|given| routes::defaults(&given, values)).unwrap_or_default())
            .collect(),
        takes: Takes::as_read_if(kind != RouteKind::Group),
        content: Some(value.at).filter(|at| matches!(values.kind(*at), Kind::Map(_))),
        ..RouteFact::new(Style::StackConfig, kind, name, at)
    }
}
