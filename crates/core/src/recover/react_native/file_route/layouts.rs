//! Layouts: the screens that they name, and the start that they say.

use super::PACKAGE;
use super::paths::{Role, RouteFile};
use crate::facts::{ContainerFact, ContainerKey, Facts, ProblemFact, ShownBy, Start, StartFact, Unwired};
use crate::recover::code;
use crate::recover::react_native::element::{element, property};
use crate::source::library_of;
use crate::syntax::Kind;
use crate::values::{Def, Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(layout) = RouteFile::of(file, values).filter(|own| own.role() == Role::Layout) else { return };
    let folder = match layout.parent() {
        "" => layout.folder.clone(),
        parent => format!("{}{parent}/", layout.folder),
    };
    let children = children(&folder, values);
    for (at, call) in code::calls(file, values, &["Screen"]) {
        let here = Expr::new(at);
        let Kind::Member(member) = values.kind(here.with(call.callee).at) else { continue };
        let from = values.external(&here.with(member.of));
        if !from.is_some_and(|path| path.starts_with(PACKAGE)) {
            continue;
        }
        let name = element(&here, values).and_then(|element| element.property("name", values));
        let Some((name, at)) =
            name.and_then(|name| Some((values.plain_text(&name)?, code::callee_at(at, values))))
        else {
            continue;
        };
        if !is_child(&name, &children) {
            facts.problems.push(ProblemFact { what: Unwired::ScreenWithoutFile(name), at });
        }
    }
    start(file, &children, values, facts);
}

/// What stands in a folder, by its path from there, without extensions.
fn children(folder: &str, values: &Values<'_>) -> Vec<String> {
    let files = values.program().sources().files.iter();
    files.filter_map(|file| Some(library_of(file)?.strip_prefix(folder)?.to_owned())).collect()
}

/// A file, or a folder of some.
fn is_child(name: &str, children: &[String]) -> bool {
    let name = name.trim_start_matches('/').trim_end_matches('/');
    let folder = format!("{name}/");
    children.iter().any(|child| child == name || child.starts_with(&folder))
}

/// `export const unstable_settings = { initialRouteName: 'list' }`, where no file is called so.
fn start(file: u32, children: &[String], values: &Values<'_>, facts: &mut Facts) {
    let library = library_of(values.program().source(file)).unwrap_or_default();
    let Some(Def::Variable(at)) = values.at_path(&format!("{library}.unstable_settings")) else { return };
    let Some(init) = values.tree(at).variable(at.id).and_then(|variable| variable.init) else { return };
    let settings = Expr::new(Ref { file, id: init });
    let Some(said) = property(&settings, "initialRouteName", values) else { return };
    let Some(name) = values.plain_text(&said).filter(|name| !is_child(name, children)) else { return };
    let at = code::node_at(said.at, values);
    facts.containers.push(ContainerFact {
        start: Start::Said(vec![StartFact::new(name, at)]),
        shown_by: ShownBy::Itself,
        ..ContainerFact::new(ContainerKey(at))
    });
}
