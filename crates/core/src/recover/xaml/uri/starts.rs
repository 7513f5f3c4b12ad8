//! What an app shows first: by its manifest, its application element, or a frame's source.

use crate::facts::{At, ChosenStart, Facts, StartFact};
use crate::recover::xaml::documents::Document;
use crate::recover::xaml::projects::Project;
use crate::syntax::{Element, Markup};
use crate::values::Values;

const MANIFEST: &str = "Properties/WMAppManifest.xml";

/// Whether a project has a file that must say its start.
pub(super) fn is_said(project: &Project<'_, '_>) -> bool {
    project.file(MANIFEST).is_some()
}

/// The default page of a project's manifest
/// (learn.microsoft.com, "App manifest file for Windows Phone 8").
pub(super) fn of_manifest(project: &Project<'_, '_>, values: &Values<'_>) -> Option<StartFact> {
    let file = project.file(MANIFEST)?;
    let markup: &Markup = values.program().markup(file)?;
    let (_, task) = markup.elements().find(|(_, element)| element.name == "DefaultTask")?;
    let page = task.attribute("", "NavigationPage")?;
    Some(StartFact::new(address(&page.value), At { file, span: task.span }))
}

/// `StartupUri` of an application, and `Source` of a frame or navigation window that fills one.
pub(super) fn recover(document: &Document<'_>, project: &Project<'_, '_>, facts: &mut Facts) {
    let Some(container) = project.container() else { return };
    let said = document.markup.elements().filter_map(|(_, element)| Some((element, first(element)?)));
    for (element, uri) in said {
        // A start that is a window is no page; its frame says which is.
        if project.page(&address(uri)).is_some() && uri.ends_with(".xaml") && !uri.contains("Window") {
            let start = StartFact::new(address(uri), At { file: document.file, span: element.span });
            facts.chosen.push(ChosenStart { container, start });
        }
    }
}

fn first(element: &Element) -> Option<&str> {
    let name = match element.name.as_str() {
        "Application" => "StartupUri",
        "Frame" | "NavigationWindow" | "PhoneApplicationFrame" => "Source",
        _ => return None,
    };
    element.attribute("", name).map(|attribute| attribute.value.as_str())
}

/// An address from the project's root.
fn address(uri: &str) -> String {
    format!("/{}", uri.trim_start_matches('/'))
}
