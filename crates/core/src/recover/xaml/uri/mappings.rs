//! Entries of a URI mapper, in order: the first that fits takes an address
//! (learn.microsoft.com, "UriMapper class").

use super::STYLE;
use crate::model::{RouteKind, Via};
use crate::recover::xaml::documents::Document;
use crate::recover::xaml::projects::Project;
use crate::recover::{At, Facts, MappedFact, MappedTo, ParameterFact, RouteFact, RouteKey, Shows};
use crate::syntax::Element;
use crate::values::Values;

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(document) = Document::of(file, values) else { return };
    let project = Project::of(file, values);
    let entries = document.markup.elements().filter(|(_, element)| element.name == "UriMapping");
    for (order, (_, element)) in entries.enumerate() {
        let at = At { file, span: element.span };
        let text = |name: &str| element.attribute("", name).map(|attribute| attribute.value.as_str());
        let (Some(uri), Some(mapped)) = (text("Uri"), text("MappedUri")) else { continue };
        let (shows, to) = page_of(mapped, at, &project);
        facts.routes.push(RouteFact {
            pattern: Some(uri.to_owned()),
            container: project.container(),
            parameters: placeholders(uri, element, at),
            closed: true,
            shows,
            order,
            ..RouteFact::new(STYLE, RouteKind::Screen, uri.to_owned(), at)
        });
        if let Some(to) = to {
            facts.mapped.push(MappedFact { from: RouteKey(at), to, passes: keys(mapped) });
        }
    }
}

/// What an entry shows, and the page that it leads to.
fn page_of(mapped: &str, at: At, project: &Project<'_, '_>) -> (Shows, Option<MappedTo>) {
    let path = mapped.split('?').next().unwrap_or(mapped);
    if let Some((before, (placeholder, after))) =
        path.split_once('{').and_then(|(before, rest)| Some((before, rest.split_once('}')?)))
    {
        let to = MappedTo::Named {
            before: before.to_owned(),
            placeholder: placeholder.to_owned(),
            after: after.to_owned(),
        };
        return (Shows::NotApplicable, Some(to));
    }
    let Some(page) = project.page(path) else {
        let name = path.rsplit('/').next().and_then(|file| file.strip_suffix(".xaml")).unwrap_or(path);
        return (Shows::Absent(name.to_owned(), at), None);
    };
    let shows = page.class_name().map_or(Shows::NotApplicable, |name| Shows::Class(name.to_owned(), at));
    (shows, Some(MappedTo::Page(page.key())))
}

fn placeholders(uri: &str, element: &Element, at: At) -> Vec<ParameterFact> {
    let names = uri.split('{').skip(1).filter_map(|rest| rest.split_once('}'));
    let parameter = |(name, _): (&str, &str)| ParameterFact {
        name: name.to_owned(),
        ty: Some("String".to_owned()),
        required: true,
        nullable: false,
        default: None,
        via: Via::Path,
        at: element.attribute("", "Uri").map_or(at, |uri| At { span: uri.span, ..at }),
    };
    names.map(parameter).collect()
}

/// The keys of a mapped query.
fn keys(mapped: &str) -> Vec<String> {
    let query = mapped.split_once('?').map_or("", |(_, query)| query);
    let pairs = query.split('&').filter(|pair| !pair.is_empty());
    pairs.map(|pair| pair.split('=').next().unwrap_or(pair).to_owned()).collect()
}
