//! `res/navigation/*.xml`: destinations, actions, arguments, deep links, nesting, starts.

use super::facts::GraphInclude;
use crate::facts::{
    ActionFact, ContainerFact, ContainerKey, Facts, Owner, ParameterFact, RouteFact, RouteKey, ShownBy,
    Shows, Start, StartFact,
};
use crate::model::{RouteKind, Style, Via};
use crate::recover::android::markup::{ANDROID, APP, class_path, element_at, id, resource_name, value_at};
use crate::syntax::{Element, ElementId, Markup};
use crate::values::Values;

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(markup) = values.program().markup(file) else { return };
    let Some((root, element)) = markup.root() else { return };
    if element.name == "navigation" {
        let resource = values.program().source(file).stem().to_owned();
        let mut reader = Reader { file, markup, values, facts };
        reader.graph(root, None, Some(resource));
    }
}

struct Reader<'r, 'p> {
    file: u32,
    markup: &'p Markup,
    values: &'r Values<'p>,
    facts: &'r mut Facts,
}

impl Reader<'_, '_> {
    fn graph(&mut self, at: ElementId, parent: Option<ContainerKey>, resource: Option<String>) {
        let element = self.markup.element(at);
        let key = ContainerKey(element_at(self.file, element));
        let name = id(element).map(|(name, _)| name);
        let start = element.attribute(APP, "startDestination").and_then(|attribute| {
            let name = resource_name(&attribute.value)?;
            Some(StartFact::new(name, value_at(self.file, attribute)))
        });
        self.facts.containers.push(ContainerFact {
            name: name.clone(),
            shown_by: if resource.is_some() { ShownBy::Another } else { ShownBy::Holder },
            resource,
            parent,
            start: Start::new(start, false),
            ..ContainerFact::new(key)
        });
        let (parameters, deep_links) = (self.parameters(at), self.deep_links(at));
        // Whether a root graph is a route depends on who shows it: linking knows.
        self.facts.routes.push(RouteFact {
            container: parent,
            parameters,
            deep_links,
            ..RouteFact::new(Style::FragmentGraph, RouteKind::Group, name.unwrap_or_default(), key.0)
        });
        for (child, inner) in self.markup.children(at) {
            match inner.name.as_str() {
                "navigation" => self.graph(child, Some(key), None),
                "include" => self.include(inner, key),
                "action" => self.action(child, Owner::Container(key)),
                "argument" | "deepLink" => {}
                _ => self.destination(child, key),
            }
        }
    }

    fn include(&mut self, element: &Element, into: ContainerKey) {
        let graph = element.attribute(APP, "graph").and_then(|attribute| resource_name(&attribute.value));
        if let Some(resource) = graph {
            self.facts.own.push(GraphInclude { into, resource });
        }
    }

    fn destination(&mut self, at: ElementId, container: ContainerKey) {
        let element = self.markup.element(at);
        // Without an id nothing can lead here.
        let Some((name, _)) = id(element) else { return };
        let kind = match element.name.as_str() {
            "activity" => RouteKind::Activity,
            tag if tag.to_ascii_lowercase().contains("bottomsheet") => RouteKind::Sheet,
            tag if tag.to_ascii_lowercase().contains("dialog") => RouteKind::Dialog,
            _ => RouteKind::Screen,
        };
        let class = element.attribute(ANDROID, "name").or_else(|| element.attribute(APP, "targetClass"));
        let custom = !matches!(element.name.as_str(), "fragment" | "dialog" | "activity");
        let shows = match class {
            Some(attribute) => {
                let path = class_path(self.file, &attribute.value, self.values);
                Shows::Class(path, value_at(self.file, attribute))
            }
            // An activity may be found by its action, a custom navigator's by rules of its own.
            None if custom || element.name == "activity" => Shows::NotApplicable,
            None => Shows::Nothing,
        };
        let (parameters, deep_links) = (self.parameters(at), self.deep_links(at));
        let place = element_at(self.file, element);
        self.facts.routes.push(RouteFact {
            shows,
            container: Some(container),
            parameters,
            deep_links,
            ..RouteFact::new(Style::FragmentGraph, kind, name, place)
        });
        for (child, inner) in self.markup.children(at) {
            if inner.name == "action" {
                self.action(child, Owner::Route(RouteKey(place)));
            }
        }
    }

    fn action(&mut self, at: ElementId, owner: Owner) {
        let element = self.markup.element(at);
        let Some((name, _)) = id(element) else { return };
        let to = |attribute: &str| {
            let attribute = element.attribute(APP, attribute)?;
            Some((resource_name(&attribute.value)?, value_at(self.file, attribute)))
        };
        let fact = ActionFact {
            leads: None,
            wired: false,
            name,
            owner,
            destination: to("destination"),
            pop_up_to: to("popUpTo").map(|(name, _)| name),
            supplies: self
                .parameters(at)
                .into_iter()
                .filter(|parameter| parameter.default.is_some())
                .collect(),
            at: element_at(self.file, element),
        };
        self.facts.actions.push(fact);
    }

    fn parameters(&self, at: ElementId) -> Vec<ParameterFact> {
        let arguments = self.markup.children(at).filter(|(_, element)| element.name == "argument");
        arguments.filter_map(|(_, element)| self.parameter(element)).collect()
    }

    /// Without a type it is what its default looks like, else a string; without a default it must be
    /// passed, nullable or not.
    fn parameter(&self, element: &Element) -> Option<ParameterFact> {
        let name = element.attribute(ANDROID, "name")?.value.clone();
        let default = element.attribute(ANDROID, "defaultValue").map(|attribute| attribute.value.clone());
        let ty = element.attribute(APP, "argType").map(|attribute| attribute.value.clone());
        let nullable = element.attribute(APP, "nullable").is_some_and(|attribute| attribute.value == "true");
        Some(ParameterFact {
            name,
            ty: ty.or_else(|| Some(type_of_default(default.as_deref()).to_owned())),
            required: default.is_none(),
            nullable: nullable || default.as_deref() == Some("@null"),
            default,
            via: Via::Argument,
            at: element_at(self.file, element),
        })
    }

    fn deep_links(&self, at: ElementId) -> Vec<(String, crate::facts::At)> {
        let links = self.markup.children(at).filter(|(_, element)| element.name == "deepLink");
        let uris = links.filter_map(|(_, element)| {
            let uri = element.attribute(APP, "uri")?;
            Some((uri.value.clone(), element_at(self.file, element)))
        });
        uris.collect()
    }
}

/// The library infers a missing type from the default's form.
fn type_of_default(default: Option<&str>) -> &'static str {
    match default {
        Some("true" | "false") => "boolean",
        Some(text) if text.parse::<i32>().is_ok() => "integer",
        Some(text) if text.strip_suffix('L').is_some_and(|t| t.parse::<i64>().is_ok()) => "long",
        Some(text) if text.contains('.') && text.parse::<f32>().is_ok() => "float",
        Some(text) if text.starts_with('@') && text != "@null" && text != "@empty" => "reference",
        _ => "string",
    }
}
