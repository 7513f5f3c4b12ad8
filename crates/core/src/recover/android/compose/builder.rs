//! The builder: where a declaring call stands, what it shows, what it is told.

use super::screens::{is_composable, path};
use crate::facts::{At, ContainerFact, ContainerKey, Facts, RouteFact, ShownBy, Shows, Start, StartFact};
use crate::model::{RouteKind, Style};
use crate::recover::android::code;
use crate::syntax::{Call, Id, Kind};
use crate::values::{Expr, Ref, Site, Values};

/// Builder functions of builder functions are followed this deep.
const MAX_DEPTH: usize = 12;

/// A call that declares, as its caller writes it: through a wrapper of the app's own too.
pub(super) struct Declaring<'p> {
    /// The call that is written, with what the wrapper's parameters stand for.
    pub(super) site: Site,
    /// The library's own call inside.
    pub(super) inner: Ref,
    /// The library's own call.
    pub(super) call: &'p Call,
    /// The class that is its type argument.
    pub(super) class: Option<Ref>,
}

impl<'p> Declaring<'p> {
    /// An argument of the library's call, as the caller gives it.
    pub(super) fn argument(&self, name: &str, position: usize, values: &Values<'_>) -> Option<Expr> {
        let id = self.call.args.iter().find(|arg| arg.name.as_deref() == Some(name)).map(|arg| arg.value);
        let unnamed = || {
            let arg = self.call.args.get(position).filter(|arg| arg.name.is_none())?;
            let lambda =
                matches!(values.kind(Ref { file: self.inner.file, id: arg.value }), Kind::Lambda { .. });
            (!lambda).then_some(arg.value)
        };
        let id = id.or_else(unnamed)?;
        let expr = self.site.bind(&Expr::new(Ref { file: self.inner.file, id }));
        Some(code::seen_through(&expr, values))
    }

    /// The content: the lambda that is handed over, or a reference to what makes it.
    pub(super) fn content(&self, values: &Values<'_>) -> Option<Expr> {
        let named =
            self.call.args.iter().find(|arg| matches!(arg.name.as_deref(), Some("content" | "builder")));
        let last = self.call.args.last();
        let id = named.or(last)?.value;
        let expr = self.site.bind(&Expr::new(Ref { file: self.inner.file, id }));
        let content = code::seen_through(&expr, values);
        match values.kind(content.at) {
            Kind::Lambda { .. } => Some(of_caller(&content, 0, values).unwrap_or(content)),
            _ => None,
        }
    }

    /// Where the declaration is.
    pub(super) fn at(&self, values: &Values<'_>) -> At {
        code::callee_at(self.site.at, values)
    }
}

/// Calls of a builder function of the library, each where it is really written. `decides` is the
/// argument that a wrapper passes on.
pub(super) fn declaring<'p>(
    file: u32,
    name: &str,
    decides: (&str, usize),
    values: &Values<'p>,
) -> Vec<Declaring<'p>> {
    let mut found = Vec::new();
    for (at, call) in code::calls(file, values, &[name]) {
        let expr = Expr::new(at);
        if values.calls_own_function(&expr, call) {
            continue;
        }
        let made = |site, class| Declaring { site, inner: at, call, class };
        if let Some(ty) = call.types.first() {
            found.extend(values.type_sites(at, ty).into_iter().map(|(site, class)| made(site, Some(class))));
            continue;
        }
        let target = call.arg(decides.0, decides.1);
        let sites = match target {
            Some(id) => values.sites(at, &Expr::new(at).with(id)),
            None => vec![Site::new(at)],
        };
        found.extend(sites.into_iter().map(|site| made(site, None)));
    }
    found
}

/// Where a call stands.
pub(super) enum Place {
    /// Inside a host or graph.
    In(ContainerKey),
    /// In a builder function that nothing calls.
    Nowhere,
    /// Not known.
    Unknown,
}

/// The host or graph around a node: the lambda it is in, or those its builder function is called in.
pub(super) fn place(at: Ref, values: &Values<'_>) -> Place {
    place_within(at, 0, values)
}

fn place_within(at: Ref, depth: usize, values: &Values<'_>) -> Place {
    let tree = values.tree(at);
    let mut inner = at.id;
    for outer in tree.ancestors(at.id) {
        match tree.kind(outer) {
            Kind::Call(call)
                if is_argument(call, inner)
                    && is_container(Ref { file: at.file, id: outer }, call, values) =>
            {
                let key = code::callee_at(Ref { file: at.file, id: outer }, values);
                return Place::In(ContainerKey(key));
            }
            Kind::Function(function) => {
                let builds = function.receiver.as_ref().is_some_and(|ty| ty.simple() == "NavGraphBuilder");
                if !builds || depth > MAX_DEPTH {
                    return Place::Unknown;
                }
                let function = Ref { file: at.file, id: outer };
                let uses = values.uses(function);
                let named = values
                    .program()
                    .uses_of_name(values.tree(function).function(outer).map_or("", |f| &f.name));
                if uses.is_empty() && named.is_empty() {
                    return Place::Nowhere;
                }
                let places = uses.into_iter().map(|used| place_within(used, depth + 1, values));
                return places
                    .into_iter()
                    .find(|place| matches!(place, Place::In(_)))
                    .unwrap_or(Place::Unknown);
            }
            _ => {}
        }
        inner = outer;
    }
    Place::Unknown
}

fn is_argument(call: &Call, id: Id) -> bool {
    call.args.iter().any(|arg| arg.value == id)
}

fn is_container(at: Ref, call: &Call, values: &Values<'_>) -> bool {
    let name = code::callee_name(at, values);
    matches!(name, "NavHost" | "AnimatedNavHost" | "navigation")
        && !values.calls_own_function(&Expr::new(at), call)
}

/// What a content shows: the first composable of the app's own in it, looking into those that only
/// put something around others.
pub(in crate::recover::android) fn shown(content: &Expr, values: &Values<'_>) -> Option<Ref> {
    if let Kind::Reference { .. } = values.kind(content.at) {
        let function = values.referenced(content.at)?;
        return values.tree(function).function(function.id).filter(|f| is_composable(f)).map(|_| function);
    }
    if !matches!(values.kind(content.at), Kind::Lambda { .. }) {
        return None;
    }
    let tree = values.tree(content.at);
    let mut calls: Vec<Id> = Vec::new();
    let mut todo = vec![content.at.id];
    while let Some(id) = todo.pop() {
        if tree.call(id).is_some() {
            calls.push(id);
        }
        todo.extend(tree.kind(id).children());
    }
    calls.sort_by_key(|id| tree.span(*id).start);
    let composables: Vec<(Id, Ref)> = calls
        .into_iter()
        .filter_map(|id| Some((id, composable_of(Ref { file: content.at.file, id }, values)?)))
        .collect();
    let first = composables.first()?;
    let around = tree.span(first.0);
    // A wrapper has its screen in a lambda of its own, and gets nothing else from the entry.
    let inside = composables
        .iter()
        .skip(1)
        .find(|(id, _)| around.holds(tree.span(*id)) && is_content(first.0, *id, content.at.file, values));
    Some(inside.unwrap_or(first).1)
}

/// Whether a call stands in the trailing lambda of another.
fn is_content(outer: Id, inner: Id, file: u32, values: &Values<'_>) -> bool {
    let tree = values.program().tree(file);
    let last = tree.call(outer).and_then(|call| call.args.last());
    last.is_some_and(|arg| {
        arg.name.is_none()
            && matches!(tree.kind(arg.value), Kind::Lambda { .. })
            && tree.span(arg.value).holds(tree.span(inner))
    })
}

/// What a wrapper's caller hands over to be shown, where the wrapper only puts something around it:
/// `composable(route) { entry -> Frame { content(entry) } }`.
fn of_caller(content: &Expr, depth: usize, values: &Values<'_>) -> Option<Expr> {
    let tree = values.tree(content.at);
    let mut todo = vec![content.at.id];
    while let Some(id) = todo.pop().filter(|_| depth < MAX_DEPTH) {
        if matches!(tree.kind(id), Kind::Name(_))
            && let Some(given) = values.given(&content.with(id))
        {
            let given = match values.kind(given.at) {
                Kind::Lambda { .. } => of_caller(&given, depth + 1, values).unwrap_or(given),
                _ => given,
            };
            if shown(&given, values).is_some() {
                return Some(given);
            }
        }
        todo.extend(tree.kind(id).children().into_iter().rev());
    }
    None
}

/// The app's own composable that a call runs.
pub(super) fn composable_of(at: Ref, values: &Values<'_>) -> Option<Ref> {
    let function = values.called_function(&Expr::new(at))?;
    values.tree(function).function(function.id).filter(|f| is_composable(f)).map(|_| function)
}

/// A route as far as every style has it.
pub(super) fn route(
    style: Style,
    kind: RouteKind,
    declared: &Declaring<'_>,
    values: &Values<'_>,
) -> RouteFact {
    let at = declared.at(values);
    let content = declared.content(values).filter(|_| kind != RouteKind::Group);
    let shown = content.as_ref().and_then(|content| shown(content, values));
    let shows = shown.map_or(Shows::NotApplicable, |function| Shows::Class(path(function, values), at));
    let container = match place(declared.site.at, values) {
        Place::In(key) => Some(key),
        _ => None,
    };
    RouteFact {
        shows,
        container,
        content: content.map(|content| content.at),
        ..RouteFact::new(style, kind, String::new(), at)
    }
}

/// A graph or host as a container.
pub(super) fn container(
    declared: &Declaring<'_>,
    name: Option<String>,
    starts: Option<Vec<StartFact>>,
    is_host: bool,
    values: &Values<'_>,
    facts: &mut Facts,
) {
    let place = if is_host { Place::Unknown } else { place(declared.site.at, values) };
    facts.containers.push(ContainerFact {
        name,
        parent: match place {
            Place::In(key) => Some(key),
            _ => None,
        },
        shown_by: match place {
            _ if is_host => ShownBy::Itself,
            Place::Nowhere => ShownBy::Another,
            _ => ShownBy::Holder,
        },
        start: starts.map_or(Start::OPEN, Start::Said),
        sites: is_host.then_some(declared.site.at).into_iter().collect(),
        ..ContainerFact::new(ContainerKey(declared.at(values)))
    });
}

/// Which of the three kinds of destination a builder function declares.
pub(super) fn kind_of(name: &str) -> RouteKind {
    match name {
        "dialog" => RouteKind::Dialog,
        "bottomSheet" => RouteKind::Sheet,
        _ => RouteKind::Screen,
    }
}
