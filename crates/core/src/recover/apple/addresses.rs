//! Addresses that an app answers: the schemes of its property list, and code that takes an address
//! apart by its host (developer.apple.com, "Defining a custom URL scheme for your app").

use super::answers::{Answer, JOIN, Scheme};
use super::is_ours;
use crate::facts::Facts;
use crate::recover::{StyleRecoverer, code};
use crate::source::Language;
use crate::syntax::{BinaryOp, Id, Kind, Markup};
use crate::values::{Expr, Ref, Values};

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: None,
    speaks: |language| matches!(language, Language::Swift | Language::PropertyList),
    words: &["URLContexts", "open url: URL", "onOpenURL", ".host"],
    recover,
    joins: &[JOIN],
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if !is_ours(file, values) {
        return;
    }
    if let Some(list) = values.program().markup(file) {
        let module = values.program().source(file).module;
        let schemes = schemes(list).into_iter();
        facts.own.extend(schemes.map(|scheme| Scheme { origin: format!("{scheme}://"), module }));
        return;
    }
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Kind::Branch { subject, arms } = tree.kind(id) else { continue };
        for arm in arms {
            let at = |id| Expr::new(Ref { file, id });
            let body = Ref { file, id: arm.body };
            for &test in &arm.tests {
                let host = match (subject, tree.kind(test)) {
                    (Some(subject), _) if is_host(&at(*subject), values) => values.plain_text(&at(test)),
                    (None, Kind::Binary { op, left, right })
                        if *op == BinaryOp::Equal && is_host(&at(*left), values) =>
                    {
                        values.plain_text(&at(*right))
                    }
                    _ => None,
                };
                let Some(host) = host else { continue };
                facts.own.push(Answer {
                    scheme: scheme_around(body, values),
                    host,
                    rest: rest_of(body, &arm.tests, values),
                    body,
                    at: code::node_at(Ref { file, id: test }, values),
                });
            }
        }
    }
}

/// The schemes that a property list declares.
fn schemes(list: &Markup) -> Vec<String> {
    let mut found = Vec::new();
    let mut wanted = false;
    for (_, element) in list.elements() {
        match element.name.as_str() {
            "key" => wanted = element.text.trim() == "CFBundleURLSchemes",
            "string" if wanted => found.push(element.text.trim().to_owned()),
            "dict" => wanted = false,
            _ => {}
        }
    }
    found
}

/// `url.host`, `url.host()`, `components.host`, and the local that holds one.
fn is_host(expr: &Expr, values: &Values<'_>) -> bool {
    let mut expr = expr.clone();
    for _ in 0..4 {
        let behind = match values.kind(expr.at) {
            Kind::Unary { of, .. } => Some(expr.with(*of)),
            Kind::Binary { op: BinaryOp::OrElse, left, .. } => Some(expr.with(*left)),
            Kind::Name(_) => values.value_behind(&expr),
            _ => None,
        };
        match behind.filter(|behind| behind.at != expr.at) {
            Some(behind) => expr = behind,
            None => break,
        }
    }
    is_host_of_url(&expr, values)
}

fn is_host_of_url(expr: &Expr, values: &Values<'_>) -> bool {
    let tree = values.tree(expr.at);
    let member = match tree.kind(expr.at.id) {
        Kind::Call(call) if call.args.is_empty() => call.callee,
        _ => expr.at.id,
    };
    let Kind::Member(member) = tree.kind(member) else { return false };
    let of = values.type_of(&expr.with(member.of));
    member.name == "host" && of.is_none_or(|ty| matches!(ty.name.as_str(), "URL" | "URLComponents"))
}

/// The scheme that the function around compares with.
fn scheme_around(body: Ref, values: &Values<'_>) -> Option<String> {
    let tree = values.tree(body);
    let around = tree.enclosing(body.id, |kind| matches!(kind, Kind::Function(_) | Kind::Lambda { .. }))?;
    let mut todo = vec![around];
    while let Some(id) = todo.pop() {
        if let Kind::Binary { op, left, right } = tree.kind(id)
            && *op == BinaryOp::Equal
            && tree.last_name(*left).is_some_and(|(name, _)| name == "scheme")
        {
            return values.plain_text(&Expr::new(Ref { file: body.file, id: *right }));
        }
        todo.extend(tree.kind(id).children());
    }
    None
}

/// The name that the last piece of the path goes by: `if let id = Int(url.lastPathComponent)`.
fn rest_of(body: Ref, tests: &[Id], values: &Values<'_>) -> Option<String> {
    let tree = values.tree(body);
    let mut todo: Vec<Id> = tests.iter().copied().chain([body.id]).collect();
    while let Some(id) = todo.pop() {
        if tree
            .last_name(id)
            .is_some_and(|(name, _)| matches!(name.as_str(), "lastPathComponent" | "pathComponents"))
        {
            let at = Ref { file: body.file, id };
            let variable = tree.enclosing(id, |kind| matches!(kind, Kind::Variable(_)));
            let name = variable.and_then(|id| tree.variable(id)).map(|variable| variable.name.to_string());
            return name.or_else(|| Some(values.written(at)));
        }
        todo.extend(tree.kind(id).children());
    }
    None
}
