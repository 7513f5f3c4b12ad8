//! Linking: which addresses open which screens (reactnavigation.org, "Configuring links").

use crate::facts::{At, Facts, LinkFact, ParameterFact};
use crate::model::{Style, Via};
use crate::recover::code;
use crate::recover::react_native::addresses::{Link, LooksInside, Origin};
use crate::recover::react_native::element::{element, key_of, property};
use crate::syntax::Kind;
use crate::values::{Expr, Ref, Values};

/// Navigators in navigators are followed this deep.
const MAX_DEPTH: usize = 12;

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let at = Expr::new(Ref { file, id });
        let Some(element) = element(&at, values) else { continue };
        // The old way of looking names up, for those who move (reactnavigation.org, "Upgrading from 6.x").
        if element.property("navigationInChildEnabled", values).is_some() {
            facts.own.push(LooksInside { module: values.program().source(file).module });
        }
        let Some(linking) = element.property("linking", values) else { continue };
        let prefixes = property(&linking, "prefixes", values);
        let origins = prefixes.map(|list| values.elements(&list)).unwrap_or_default();
        let origins: Vec<String> = origins.iter().filter_map(|origin| values.plain_text(origin)).collect();
        let module = values.program().source(file).module;
        let of_app =
            |origin: &String| Origin { style: Style::StackComponent, origin: origin.clone(), module };
        facts.own.extend(origins.iter().map(of_app));
        let Some(config) = property(&linking, "config", values) else { continue };
        let root = Level { origins, path: String::new() };
        if let Some(screens) = property(&config, "screens", values) {
            root.screens(&screens, 0, values, facts);
        }
    }
}

/// The path that a screen of an object says itself: `linking: 'items/:id'`, `linking: { path: … }`.
pub(super) fn of_screen(name: &str, linking: &Expr, at: At, values: &Values<'_>, facts: &mut Facts) {
    let path = property(linking, "path", values).unwrap_or_else(|| linking.clone());
    let Some(path) = values.plain_text(&path) else { return };
    facts.own.push(Link {
        style: Style::StackComponent,
        pattern: Some(pattern(&joined("", &path))),
        origins: Vec::new(),
        module: values.program().source(at.file).module,
        to: LinkFact { route: name.to_owned(), at },
    });
}

/// What the screens on one level of the configuration share.
struct Level {
    /// Schemes and hosts.
    origins: Vec<String>,
    /// The path of those around.
    path: String,
}

impl Level {
    fn screens(&self, screens: &Expr, depth: usize, values: &Values<'_>, facts: &mut Facts) {
        let Some(entries) = values.entries(screens).filter(|_| depth < MAX_DEPTH) else { return };
        for (key, value) in entries.known {
            let Some(name) = key_of(&key, values) else { continue };
            let whole = property(&value, "path", values);
            let own = match (&whole, values.kind(value.at)) {
                (Some(path), _) => values.plain_text(path),
                (None, Kind::Map(_)) => None,
                (None, _) => values.plain_text(&value),
            };
            let exact = property(&value, "exact", values)
                .is_some_and(|exact| matches!(values.kind(exact.at), Kind::Bool(true)));
            let above = if exact { "" } else { self.path.as_str() };
            let path = joined(above, own.as_deref().unwrap_or_default());
            facts.own.push(Link {
                style: Style::StackComponent,
                pattern: own.map(|_| pattern(&path)),
                origins: self.origins.clone(),
                module: values.program().source(key.at.file).module,
                to: LinkFact { route: name, at: code::node_at(key.at, values) },
            });
            if let Some(inner) = property(&value, "screens", values) {
                let level = Self { origins: self.origins.clone(), path };
                level.screens(&inner, depth + 1, values, facts);
            }
        }
    }
}

fn joined(above: &str, path: &str) -> String {
    let parts = above.split('/').chain(path.split('/'));
    parts.filter(|part| !part.is_empty()).collect::<Vec<_>>().join("/")
}

/// What a path cannot do without: its placeholders.
pub(in crate::recover::react_native) fn parameters(pattern: &str, at: At) -> Vec<ParameterFact> {
    let names = pattern.split('{').skip(1).filter_map(|rest| rest.split_once('}')).map(|(name, _)| name);
    let parameter = |name: &str| ParameterFact {
        name: name.to_owned(),
        ty: None,
        required: true,
        nullable: false,
        default: None,
        via: Via::Path,
        at,
    };
    names.map(parameter).collect()
}

/// A path with its parameters in braces: `:id`, `:id?`, `:id(\\d+)`.
pub(in crate::recover::react_native) fn pattern(path: &str) -> String {
    let parts = path.split('/').map(|part| match part.strip_prefix(':') {
        Some(name) => {
            let name = name.trim_end_matches('?');
            format!("{{{}}}", name.split('(').next().unwrap_or(name))
        }
        None => part.to_owned(),
    });
    parts.collect::<Vec<_>>().join("/")
}
