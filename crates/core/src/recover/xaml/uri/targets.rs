//! Where an address leads, and what it passes.

use super::STYLE;
use super::queries::split;
use crate::facts::{At, CallFact, Facts, HostHint, Literal, MissingStep, TargetFact};
use crate::model::{Form, Verb};
use crate::recover::code;
use crate::recover::xaml::projects::{COMPONENT, Project};
use crate::values::{Expr, Ref, Shape, Values};

/// Before the path of a resource of the app's own (learn.microsoft.com, "Pack URIs in WPF").
const PACKED: &str = "pack://application:,,,";

/// An address that an expression says, as a call.
pub(super) fn call(verb: Verb, site: Ref, at: At, given: &Expr, values: &Values<'_>, facts: &mut Facts) {
    let base = CallFact::new(STYLE, verb, site, at);
    let said = code::said(base, given, TargetFact::Text, values);
    let shapes = match &said.target {
        TargetFact::Text(shapes) => shapes.clone(),
        _ => Vec::new(),
    };
    add(said, &shapes, values, facts);
}

/// An address that is written out in a document.
pub(super) fn written(site: Ref, at: At, text: &str, values: &Values<'_>, facts: &mut Facts) {
    let base = CallFact {
        written: text.to_owned(),
        form: Form::Literal,
        literal: Some(Literal { text: text.to_owned() }),
        ..CallFact::new(STYLE, Verb::Link, site, at)
    };
    add(base, &[Shape::text(text, true)], values, facts);
}

/// An address that a document takes from a constant.
pub(super) fn held(site: Ref, at: At, constant: &Ref, values: &Values<'_>, facts: &mut Facts) {
    let shape = values.initial_text(*constant);
    let base = CallFact {
        written: shape.as_ref().map(Shape::value).unwrap_or_default(),
        form: if shape.is_some() { Form::Constant } else { Form::Dynamic },
        constant: Some(*constant),
        ..CallFact::new(STYLE, Verb::Link, site, at)
    };
    let shapes: Vec<Shape> = shape.into_iter().map(Shape::named).collect();
    add(base, &shapes, values, facts);
}

fn add(base: CallFact, shapes: &[Shape], values: &Values<'_>, facts: &mut Facts) {
    let project = Project::of(base.at.file, values);
    let mut arguments = Vec::new();
    let mut paths = Vec::new();
    for shape in shapes {
        let (path, pairs) = split(&shape.replaced(PACKED, &Shape::default()), base.at);
        for pair in pairs {
            if pair.unescaped {
                facts.missing_steps.push(unescaped(&pair.argument, base.at));
            }
            arguments.push(pair.argument);
        }
        paths.push(path);
    }
    let target = target(&paths, base.at.file, &project);
    let outside = matches!(target, TargetFact::External);
    let host = project.container().filter(|_| matches!(target, TargetFact::Text(_)));
    facts.calls.push(CallFact {
        literal: base.literal.clone().filter(|_| !outside),
        host: host.map(HostHint::Container),
        target,
        arguments,
        ..base
    });
}

fn target(paths: &[Shape], file: u32, project: &Project<'_, '_>) -> TargetFact {
    let Some(first) = paths.first() else { return TargetFact::Unknown };
    let text = first.value();
    if text.starts_with("{}") || first.is_blank() {
        return TargetFact::Unknown;
    }
    if text.split('/').next().is_some_and(|start| start.contains(':')) {
        return TargetFact::External;
    }
    if text.contains(COMPONENT) {
        // Of an assembly that is not in the source nothing is known.
        let page = first.plain().and_then(|address| project.page(&address));
        return match page {
            Some(page) => TargetFact::Routes(vec![page.key()]),
            None if project.has_assembly(&text) => TargetFact::Text(paths.to_vec()),
            None => TargetFact::External,
        };
    }
    // A file whose name is put together may be any.
    if paths.iter().any(is_put_together) {
        return TargetFact::Unknown;
    }
    TargetFact::Text(paths.iter().map(|path| rooted(path, file, project)).collect())
}

/// Whether a part of a path is put together of text and what is not known.
pub(super) fn is_put_together(path: &Shape) -> bool {
    let text = path.value();
    text.split('/').any(|segment| segment.contains("{}") && segment != "{}")
}

/// An address without its first slash is from the project's root, or beside the document that links.
fn rooted(path: &Shape, file: u32, project: &Project<'_, '_>) -> Shape {
    if path.value().starts_with('/') {
        return path.clone();
    }
    let own = project.own_path(file);
    let folder = own.rsplit_once('/').map_or("", |(folder, _)| folder);
    let beside = path.plain().is_some_and(|plain| {
        project.page(&format!("/{plain}")).is_none() && project.page(&format!("{folder}/{plain}")).is_some()
    });
    let start = if beside { format!("{folder}/") } else { "/".to_owned() };
    let mut rooted = Shape::text(&start, false);
    rooted.push(path.clone());
    rooted
}

/// What the user typed goes into a query as it is.
pub(in crate::recover::xaml) fn unescaped(argument: &crate::facts::ArgumentFact, at: At) -> MissingStep {
    let value = argument.value.clone().unwrap_or_default();
    MissingStep {
        what: format!("`{value}` in the query"),
        missing: "Uri.EscapeDataString".to_owned(),
        effect: "an `&` or `#` in it cuts the address short".to_owned(),
        mend: "Escape the value where the address is put together.".to_owned(),
        at,
    }
}
