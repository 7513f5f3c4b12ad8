//! Calls on frames and the navigation service: by address, by type, and back.

use super::queries::split;
use super::{STYLE, targets, typed};
use crate::facts::{At, CallFact, Facts};
use crate::model::Verb;
use crate::recover::code;
use crate::recover::xaml::documents::{Document, directive, document_of};
use crate::syntax::{AssignOp, Call, Id, Kind};
use crate::values::{Expr, Ref, Shape, Values};

/// Names of the platform's own members that are a frame or its service.
const BY_NAME: &[&str] = &["Frame", "NavigationService"];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["Navigate"]) {
        let Some(first) = call.args.first().filter(|_| is_on_frame(at, call, values)) else { continue };
        if typed::recover(at, call, first.value, values, facts) || typed::made(at, first.value, values, facts)
        {
            continue;
        }
        let inner = innermost(at, first.value, values);
        for said in values.sites(at, &Expr::new(at).with(inner)) {
            let given = said.bind(&Expr::new(Ref { file, id: first.value }));
            targets::call(Verb::Open, said.at, code::callee_at(said.at, values), &given, values, facts);
        }
    }
    for (at, call) in code::calls(file, values, &["GoBack"]) {
        if is_on_frame(at, call, values) {
            let fact = CallFact::new(STYLE, Verb::Back, at, code::callee_at(at, values));
            facts.calls.push(CallFact { steps: code::in_a_row(at, |_| true, values), ..fact });
        }
    }
    sources(file, values, facts);
    tiles(file, values, facts);
}

/// `frame.Source = uri`.
fn sources(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for &used in values.program().uses_in(file, "Source") {
        let Kind::Member(member) = tree.kind(used.id) else { continue };
        let Some(outer) = tree.node(used.id).parent else { continue };
        let Kind::Assign { target, op, value } = tree.kind(outer) else { continue };
        if *target != used.id || *op != AssignOp::Set || !is_frame(&Expr::new(used).with(member.of), values) {
            continue;
        }
        let (site, at) = (Ref { file, id: outer }, At { file, span: member.name_span });
        targets::call(Verb::Open, site, at, &Expr::new(used).with(*value), values, facts);
    }
}

/// `ShellTile.Create(uri, data)`: what the user pins leads to the address.
fn tiles(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["Create"]) {
        let tree = values.tree(at);
        let of = tree.receiver(call).map(|of| tree.kind(of));
        let tile = matches!(of, Some(Kind::Name(name)) if name == "ShellTile");
        if let Some(first) = call.args.first().filter(|_| tile) {
            let given = Expr::new(Ref { file, id: first.value });
            targets::call(Verb::Link, at, code::callee_at(at, values), &given, values, facts);
        }
    }
}

/// The expression that says the address: `page` in `new Uri(page, UriKind.Relative)`, and in
/// `new Uri("/" + page + ".xaml", UriKind.Relative)`.
fn innermost(at: Ref, value: Id, values: &Values<'_>) -> Id {
    let tree = values.tree(at);
    let said = match tree.call(value) {
        Some(made) if made.new => made.args.first().map_or(value, |arg| arg.value),
        _ => value,
    };
    let found = values.eval(&Expr::new(at).with(said));
    let paths = found.iter().filter_map(|value| Some(split(value.shape()?, code::callee_at(at, values)).0));
    let open: Vec<Shape> = paths.filter(targets::is_put_together).collect();
    let parameter = open.iter().flat_map(Shape::holes).find_map(|hole| hole.parameter);
    let uses = parameter.map(|parameter| values.uses_of_parameter(parameter)).unwrap_or_default();
    let inside = |used: &&Ref| used.file == at.file && tree.span(said).holds(tree.span(used.id));
    uses.iter().find(inside).map_or(said, |used| used.id)
}

fn is_on_frame(at: Ref, call: &Call, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    tree.receiver(call).is_some_and(|of| is_frame(&Expr::new(at).with(of), values))
}

/// Whether an expression is a frame or a navigation service of the platform.
pub(super) fn is_frame(of: &Expr, values: &Values<'_>) -> bool {
    if let Some(ty) = values.type_of(of) {
        let named = is_frame_name(ty.name.rsplit('.').next().unwrap_or(&ty.name));
        return match ty.class {
            Some(class) => values.external_bases(class).iter().any(|base| is_frame_name(base)),
            None => named,
        };
    }
    let Some((name, _)) = values.tree(of.at).last_name(of.at.id) else { return false };
    if values.meaning(of).is_some() {
        return false;
    }
    BY_NAME.contains(&name.as_str()) || is_element(of.at, name, values)
}

fn is_frame_name(name: &str) -> bool {
    name.ends_with("Frame") || matches!(name, "NavigationService" | "NavigationWindow")
}

/// A frame that the page's document names.
fn is_element(at: Ref, name: &str, values: &Values<'_>) -> bool {
    let document: Option<Document<'_>> =
        values.enclosing_named_class(at).and_then(|class| document_of(class, values));
    document.is_some_and(|document| {
        document.markup.elements().any(|(_, element)| {
            let named = directive(element, "Name")
                .or_else(|| element.attribute("", "Name").map(|attribute| attribute.value.as_str()));
            named == Some(name) && is_frame_name(&element.name)
        })
    })
}
