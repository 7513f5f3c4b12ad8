//! Files as routes: what each shows and takes.

use super::paths::{Role, RouteFile, parameters, pattern};
use super::reads::HOOKS;
use crate::facts::{
    At, ContainerFact, ContainerKey, Facts, Opened, ParameterFact, RouteFact, ShownBy, Shows, Start,
    StartFact, Takes,
};
use crate::model::{RouteKind, Span, Style, Via};
use crate::recover::code;
use crate::recover::react_native::components::{Shown, path, screen, shown_by};
use crate::recover::react_native::list_types;
use crate::source::library_of;
use crate::syntax::Kind;
use crate::values::{Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(route_file) = RouteFile::of(file, values) else { return };
    ask_for_others(&route_file, values);
    let at = At { file, span: declaration(file, values) };
    let kind = match route_file.role() {
        Role::Route if stands_in_tabs(file, &route_file, values) => RouteKind::Tab,
        Role::Route => RouteKind::Screen,
        Role::Fallback => RouteKind::Fallback,
        Role::Layout | Role::Other => return,
    };
    let Some(root) = root(file, &route_file, values) else { return };
    if root == file {
        container(file, facts);
    }
    let shown = component(file, values);
    facts.routes.push(route(file, &route_file, kind, root, at, shown, values));
    facts.screens.extend(shown.and_then(|component| screen(component, values)));
}

/// The component that a file gives by default.
fn component(file: u32, values: &Values<'_>) -> Option<Ref> {
    let library = library_of(values.program().source(file))?;
    match shown_by(values.given_by(library, "default")?, values) {
        Shown::Own(component) => Some(component),
        _ => None,
    }
}

fn route(
    file: u32,
    route_file: &RouteFile,
    kind: RouteKind,
    root: u32,
    at: At,
    component: Option<Ref>,
    values: &Values<'_>,
) -> RouteFact {
    let name = match kind {
        RouteKind::Fallback => "default".to_owned(),
        _ => route_file.path(),
    };
    let given = library_of(values.program().source(file)).and_then(|l| values.given_by(l, "default"));
    RouteFact {
        pattern: (kind != RouteKind::Fallback).then(|| pattern(&name)),
        shows: match (component, given.is_some() || hands_default_on(file, values)) {
            (Some(component), _) => Shows::Class(path(component, values), at),
            (None, true) => Shows::NotApplicable,
            (None, false) => Shows::Nothing,
        },
        container: Some(key(root)),
        parameters: taken(file, &name, at, values),
        takes: Takes::as_read_if(!says_what_it_takes(file, values)),
        also: if component.is_none() { left_over(file, values) } else { Vec::new() },
        opened: Opened::ByAddress,
        ..RouteFact::new(Style::FileRoute, kind, name, at)
    }
}

/// Whether a default export is there, though what it is is not known.
fn hands_default_on(file: u32, values: &Values<'_>) -> bool {
    let imports = &values.program().tree(file).imports;
    imports.iter().any(|import| import.exported && import.name.as_deref() == Some("default"))
}

/// What the path takes, and what the screen says that it takes besides.
fn taken(file: u32, name: &str, at: At, values: &Values<'_>) -> Vec<ParameterFact> {
    let by_path = parameters(name).into_iter().map(|(name, several)| ParameterFact {
        name,
        ty: Some(if several { "string[]" } else { "string" }.to_owned()),
        required: true,
        nullable: false,
        default: None,
        via: Via::Path,
        at,
    });
    let mut all: Vec<ParameterFact> = by_path.collect();
    for (hook, call) in code::calls(file, values, HOOKS) {
        let said = call.types.first().and_then(|ty| list_types::parameters(ty, hook, values));
        for parameter in said.unwrap_or_default() {
            if all.iter().all(|known| known.name != parameter.name) {
                all.push(ParameterFact { required: false, nullable: true, via: Via::Query, ..parameter });
            }
        }
    }
    all
}

/// Whether the types of the hooks say what there is.
fn says_what_it_takes(file: u32, values: &Values<'_>) -> bool {
    code::calls(file, values, HOOKS).iter().any(|(_, call)| !call.types.is_empty())
}

/// The app's one container is where its first file is.
fn key(root: u32) -> ContainerKey {
    ContainerKey(At { file: root, span: Span { start: 0, end: 0 } })
}

fn container(root: u32, facts: &mut Facts) {
    let key = key(root);
    facts.containers.push(ContainerFact {
        start: Start::Said(vec![StartFact { checked: true, ..StartFact::new("/".to_owned(), key.0) }]),
        shown_by: ShownBy::App,
        ..ContainerFact::new(key)
    });
}

/// The first route file of the same folder of routes.
fn root(file: u32, own: &RouteFile, values: &Values<'_>) -> Option<u32> {
    let files = &values.program().sources().files;
    let module = values.program().source(file).module;
    let routes = files.iter().enumerate().filter(|(_, other)| {
        other.module == module && library_of(other).is_some_and(|library| library.starts_with(&own.folder))
    });
    let indices = routes.filter_map(|(i, _)| u32::try_from(i).ok());
    let mut parsed = indices.filter(|&i| values.program().is_parsed(i));
    parsed.find(|&i| {
        RouteFile::of(i, values).is_some_and(|other| matches!(other.role(), Role::Route | Role::Fallback))
    })
}

/// Files that hold no word of the package are routes as well.
fn ask_for_others(own: &RouteFile, values: &Values<'_>) {
    if own.inside.contains('/') {
        return;
    }
    for file in &values.program().sources().files {
        if let Some(library) = library_of(file).filter(|library| library.starts_with(&own.folder)) {
            values.expect_file(library, "export");
            values.expect_file(library, "exports");
        }
    }
}

/// Where a file says what it shows: at its name, or where it is handed on; its start where it says
/// nothing.
fn declaration(file: u32, values: &Values<'_>) -> Span {
    let tree = values.program().tree(file);
    let exported = tree.imports.iter().find(|i| i.exported && i.name.as_deref() == Some("default"));
    let handed_on = exported.and_then(|import| import.span);
    let component = component(file, values).filter(|component| component.file == file);
    let named = component.map(|component| match tree.kind(component.id) {
        Kind::Function(function) => function.name_span,
        Kind::Class(class) => class.name_span,
        _ => tree.span(component.id),
    });
    // `export default X` behind the declaration says it, one around it does not.
    let said = match (handed_on, named) {
        (Some(handed), Some(named)) if handed.holds(named) => Some(named),
        (Some(handed), _) => Some(handed),
        (None, named) => named,
    };
    let first = tree.items.iter().map(|&id| tree.span(id)).next();
    said.or(first).unwrap_or(Span { start: 0, end: 0 })
}

/// Components of a file that gives others none: what it was to show is among them.
fn left_over(file: u32, values: &Values<'_>) -> Vec<String> {
    let tree = values.program().tree(file);
    let functions = tree.items.iter().map(|&id| Ref { file, id });
    functions.filter(|at| tree.function(at.id).is_some()).map(|at| path(at, values)).collect()
}

/// Whether the layout around a file shows its files as tabs.
fn stands_in_tabs(file: u32, own: &RouteFile, values: &Values<'_>) -> bool {
    let folder = own.parent();
    let library = match folder {
        "" => format!("{}_layout", own.folder),
        folder => format!("{}{folder}/_layout", own.folder),
    };
    let Some(layout) = values.program().file_of_library(&library).filter(|&at| at != file) else {
        return false;
    };
    values.program().is_parsed(layout) && !values.program().calls_in(layout, "Tabs").is_empty()
}
