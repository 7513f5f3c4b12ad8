//! Entries of a URI mapper, in order: the first that fits takes an address
//! (learn.microsoft.com, "UriMapper class").

use super::STYLE;
use super::mapped::{self, LeadsTo};
use crate::facts::{At, Facts, Order, ParameterFact, RouteFact, RouteKey, Shows};
use crate::model::{RouteKind, Via};
use crate::recover::code;
use crate::recover::xaml::documents::Document;
use crate::recover::xaml::projects::Project;
use crate::values::{Expr, Ref, Values};

/// A mapper that is written in code may take any address.
pub(super) const IN_CODE: &str = "UriMapperBase";

/// Entries that code adds: `new UriMapping { Uri = …, MappedUri = … }`.
pub(super) fn of_code(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let project = Project::of(file, values);
    for (order, (site, call)) in code::calls(file, values, &["UriMapping"]).into_iter().enumerate() {
        let said = |name: &str| {
            let arg = call.args.iter().find(|arg| arg.name.as_deref() == Some(name))?;
            let value = Expr::new(Ref { file, id: arg.value });
            Some((values.plain_text(&value)?, code::node_at(value.at, values)))
        };
        let (Some((uri, uri_at)), Some((mapped, _))) = (said("Uri"), said("MappedUri")) else { continue };
        let entry = Entry { uri: &uri, uri_at, mapped: &mapped, order, at: code::callee_at(site, values) };
        entry.add(&project, facts);
    }
}

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(document) = Document::of(file, values) else { return };
    let project = Project::of(file, values);
    let entries = document.markup.elements().filter(|(_, element)| element.name == "UriMapping");
    for (order, (_, element)) in entries.enumerate() {
        let at = At { file, span: element.span };
        let text = |name: &str| element.attribute("", name).map(|attribute| attribute.value.as_str());
        let (Some(uri), Some(mapped)) = (text("Uri"), text("MappedUri")) else { continue };
        let uri_at = element.attribute("", "Uri").map_or(at, |uri| At { span: uri.span, ..at });
        Entry { uri, uri_at, mapped, order, at }.add(&project, facts);
    }
}

/// An entry, wherever it is written.
struct Entry<'t> {
    uri: &'t str,
    uri_at: At,
    mapped: &'t str,
    order: usize,
    at: At,
}

impl Entry<'_> {
    fn add(&self, project: &Project<'_, '_>, facts: &mut Facts) {
        let (shows, to) = page_of(self.mapped, self.at, project);
        facts.routes.push(RouteFact {
            pattern: Some(self.uri.to_owned()),
            container: project.container(),
            parameters: placeholders(self.uri, self.uri_at),
            shows,
            order: Order::Declared(self.order),
            ..RouteFact::new(STYLE, RouteKind::Screen, self.uri.to_owned(), self.at)
        });
        if let Some(to) = to {
            facts.own.push(mapped::Entry { from: RouteKey(self.at), to, passes: keys(self.mapped) });
        }
    }
}

/// What an entry shows, and the page that it leads to.
fn page_of(mapped: &str, at: At, project: &Project<'_, '_>) -> (Shows, Option<LeadsTo>) {
    let path = mapped.split('?').next().unwrap_or(mapped);
    if let Some((before, (placeholder, after))) =
        path.split_once('{').and_then(|(before, rest)| Some((before, rest.split_once('}')?)))
    {
        let to = LeadsTo::Named {
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
    (shows, Some(LeadsTo::Page(page.key())))
}

fn placeholders(uri: &str, at: At) -> Vec<ParameterFact> {
    let names = uri.split('{').skip(1).filter_map(|rest| rest.split_once('}'));
    let parameter = |(name, _): (&str, &str)| ParameterFact {
        name: name.to_owned(),
        ty: Some("String".to_owned()),
        required: true,
        nullable: false,
        default: None,
        via: Via::Path,
        at,
    };
    names.map(parameter).collect()
}

/// The keys of a mapped query.
fn keys(mapped: &str) -> Vec<String> {
    let query = mapped.split_once('?').map_or("", |(_, query)| query);
    let pairs = query.split('&').filter(|pair| !pair.is_empty());
    pairs.map(|pair| pair.split('=').next().unwrap_or(pair).to_owned()).collect()
}
