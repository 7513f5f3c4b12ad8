//! Pages as routes by their addresses, and the projects that they stand in.

use super::{STYLE, mappings, starts};
use crate::facts::{ContainerFact, Facts, Holds, Order, RouteFact, ShownBy, Shows, Sight, Start, Takes};
use crate::model::RouteKind;
use crate::recover::xaml::documents::Document;
use crate::recover::xaml::projects::Project;
use crate::values::Values;

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let project = Project::of(file, values);
    let Some(document) = Document::of(file, values) else { return };
    if document.has_shell() {
        return;
    }
    starts::recover(&document, &project, facts);
    if project.first() == Some(file) {
        facts.containers.extend(container(&project, values));
    }
    if document.is_page(values) {
        facts.routes.extend(page(&document, &project));
    }
}

fn container(project: &Project<'_, '_>, values: &Values<'_>) -> Option<ContainerFact> {
    let key = project.container()?;
    Some(ContainerFact {
        shown_by: ShownBy::app_if(project.is_app()),
        start: Start::new(starts::of_manifest(project, values), !starts::is_said(project)),
        holds: Holds::more_if(!project.is_whole() || !values.program().derived(mappings::IN_CODE).is_empty()),
        sight: Sight::Inside,
        ..ContainerFact::new(key)
    })
}

fn page(document: &Document<'_>, project: &Project<'_, '_>) -> Option<RouteFact> {
    let class = document.class_name()?;
    let at = document.at();
    let address = project.address(document.file);
    Some(RouteFact {
        pattern: Some(project.own_path(document.file)),
        shows: Shows::Class(class.to_owned(), at),
        container: project.container(),
        takes: Takes::as_read_if(true),
        // Asked for once no entry of a mapper fits.
        order: Order::Last,
        ..RouteFact::new(STYLE, RouteKind::Screen, address, at)
    })
}
