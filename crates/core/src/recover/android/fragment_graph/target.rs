//! Where a navigation call leads: an id, generated directions, an address, a request.

use crate::facts::{ArgumentFact, Literal, Slot, TargetFact};
use crate::model::Form;
use crate::recover::android::{bundle, code};
use crate::syntax::Call;
use crate::values::{Built, Datum, Expr, Ref, Shape, Values};

/// A target with what it passes by itself.
pub(super) struct Target {
    pub(super) fact: TargetFact,
    pub(super) form: Form,
    pub(super) arguments: Vec<ArgumentFact>,
    pub(super) literal: Option<Literal>,
    pub(super) constant: Option<Ref>,
}

impl Target {
    fn new(fact: TargetFact, form: Form) -> Self {
        Self { fact, form, arguments: Vec::new(), literal: None, constant: None }
    }

    /// Whether the source shows that this is a target of a graph, whatever it is handed to.
    pub(super) fn is_evident(&self) -> bool {
        !matches!(self.fact, TargetFact::Unknown)
    }
}

/// Reads the target expression. `None` if it is one of another style: a plain string or object.
pub(super) fn read(expr: &Expr, values: &Values<'_>) -> Option<Target> {
    let ids = code::ids(expr, values);
    if !ids.is_empty() {
        let form = if ids.len() > 1 { Form::Computed } else { Form::Resource };
        return Some(Target::new(TargetFact::Ids(ids), form));
    }
    let built = values.built(expr);
    if let Some(target) = generated(&built, values) {
        return Some(target);
    }
    if let Some(uri) = address(expr, &built, values) {
        return Some(at_address(&uri, values));
    }
    let ty = values.type_of(expr);
    match ty.as_ref().map(|ty| (ty.name.as_str(), ty.class)) {
        None | Some(("Int" | "int" | "Integer" | "NavDirections" | "Uri" | "NavDeepLinkRequest", _)) => {
            let text = values
                .eval(expr)
                .iter()
                .any(|value| matches!(value.datum, Datum::Text(_) | Datum::Object(_)));
            (!text).then(|| Target::new(TargetFact::Unknown, Form::Dynamic))
        }
        Some(_) => None,
    }
}

/// `ShelfFragmentDirections.actionShelfToItem(id).setTag(tag)`.
fn generated(built: &Built, values: &Values<'_>) -> Option<Target> {
    let tree = values.tree(built.root.at);
    let call = tree.call(built.root.at.id)?;
    let (class, _) = tree.last_name(tree.receiver(call)?)?;
    let (method, _) = tree.callee(call)?;
    let owner = class.strip_suffix("Directions")?;
    let mut arguments = given(&built.root, call, values);
    for step in &built.steps {
        let Some(name) = step.name.strip_prefix("set").filter(|name| !name.is_empty()) else { continue };
        let Some(value) = step.args.first() else { continue };
        arguments.push(code::argument(Slot::Name(lower_first(name)), value, values));
    }
    let fact =
        TargetFact::Generated { owner: owner.to_owned(), method: method.to_string(), complete: !built.open };
    Some(Target { arguments, ..Target::new(fact, Form::Generated) })
}

fn given(root: &Expr, call: &Call, values: &Values<'_>) -> Vec<ArgumentFact> {
    let args = call.args.iter().enumerate().map(|(position, arg)| {
        let slot = arg.name.as_ref().map_or(Slot::Position(position), |name| Slot::Name(name.to_string()));
        code::argument(slot, &root.with(arg.value), values)
    });
    args.collect()
}

fn lower_first(name: &str) -> String {
    let mut chars = name.chars();
    chars.next().map_or_else(String::new, |first| format!("{}{}", first.to_lowercase(), chars.as_str()))
}

/// The expression that holds the address: a `Uri`, or what a request was made from.
fn address(expr: &Expr, built: &Built, values: &Values<'_>) -> Option<Expr> {
    let name = code::callee_name(built.root.at, values);
    let tree = values.tree(built.root.at);
    if let Some(call) = tree.call(built.root.at.id) {
        let of_request = matches!(name, "NavDeepLinkRequest" | "fromUri") && !call.args.is_empty();
        if of_request {
            return call.args.first().map(|arg| built.root.with(arg.value));
        }
    }
    let uri = values.type_of(expr).is_some_and(|ty| ty.name == "Uri" && ty.class.is_none());
    uri.then(|| expr.clone())
}

fn at_address(uri: &Expr, values: &Values<'_>) -> Target {
    let found = values.eval(uri);
    let shapes: Vec<Shape> = found.iter().filter_map(|value| value.shape().cloned()).collect();
    if shapes.is_empty() || shapes.iter().all(Shape::is_blank) {
        return Target::new(TargetFact::Unknown, Form::Dynamic);
    }
    let form = match found.as_slice() {
        [one] => one.form,
        _ => Form::Computed,
    };
    let literal =
        shapes.iter().find(|shape| shape.has_literal_words()).map(|shape| Literal { text: shape.value() });
    let constant = found.iter().find_map(|value| value.constant);
    let target = Target::new(TargetFact::Address(shapes), form);
    Target { literal, constant, ..target }
}

/// The arguments of the bundle a call passes beside its target.
pub(super) fn with_bundle(target: &mut Target, expr: Option<Expr>, values: &Values<'_>) -> bool {
    let Some(expr) = expr else { return false };
    let contents = bundle::contents(&expr, values);
    target.arguments.extend(contents.entries);
    contents.open
}
