//! Calls on a navigation controller, and what stands for one.

use super::target::{self, Target};
use crate::facts::{CallFact, Facts, HostHint, TargetFact};
use crate::model::{Style, Verb};
use crate::recover::android::code;
use crate::source::{Language, Resource};
use crate::syntax::{Call, Kind};
use crate::values::{Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["navigate", "createNavigateOnClickListener"]) {
        navigate(at, call, values, facts);
    }
    for (at, call) in code::calls(file, values, &["popBackStack", "navigateUp"]) {
        back(at, call, values, facts);
    }
    references(file, values, facts);
    for (at, call) in code::calls(file, values, &["setDestination", "addDestination"]) {
        deep_link_builder(at, call, values, facts);
    }
    for (at, call) in code::calls(file, values, &["dismiss"]) {
        dismiss(at, call, values, facts);
    }
}

fn navigate(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let Some(first) = call.args.first() else { return };
    let listener = code::callee_name(at, values) == "createNavigateOnClickListener";
    let on = Controller::of(at, call, values);
    if on == Controller::NotOne {
        return;
    }
    for site in values.sites(at, &Expr::new(at).with(first.value)) {
        let inner = site.bind(&Expr::new(at).with(first.value));
        let Some(mut target) = target::read(&inner, values) else { continue };
        if on == Controller::Perhaps && !listener && !target.is_evident() {
            continue;
        }
        let bundle = call.arg("args", 1).map(|id| inner.with(id));
        let open = target::with_bundle(&mut target, bundle, values);
        let verb = if matches!(target.fact, TargetFact::Address(_)) { Verb::Link } else { Verb::Open };
        let written = values.written(code::seen_through(&inner, values).at);
        let host = host_hint(at, call, values);
        facts.calls.push(CallFact { host, open, ..call_fact(verb, target, written, site.at, values) });
    }
}

fn call_fact(verb: Verb, target: Target, written: String, site: Ref, values: &Values<'_>) -> CallFact {
    CallFact {
        target: target.fact,
        written,
        form: target.form,
        arguments: target.arguments,
        literal: target.literal,
        constant: target.constant,
        ..CallFact::new(style(site, values), verb, site, code::callee_at(site, values))
    }
}

/// What neither names a graph nor a route is of the style that the file, or else the app, is in.
fn style(site: Ref, values: &Values<'_>) -> Style {
    let compose = code::imports(site.file, "androidx.navigation.compose", values)
        || values.program().files_in(Language::Xml(Resource::Navigation)).is_empty();
    let fragment = code::imports(site.file, "androidx.navigation.fragment", values);
    if compose && !fragment { Style::ComposeString } else { Style::FragmentGraph }
}

fn plain_back(site: Ref, values: &Values<'_>) -> CallFact {
    CallFact::new(style(site, values), Verb::Back, site, code::callee_at(site, values))
}

/// Whether a call is made on a navigation controller.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
enum Controller {
    /// By its type.
    Yes,
    /// Its type is not known.
    Perhaps,
    /// Its type is another, or the call is one of the app's own functions.
    NotOne,
}

impl Controller {
    fn of(at: Ref, call: &Call, values: &Values<'_>) -> Self {
        let expr = Expr::new(at);
        if values.calls_own_function(&expr, call) {
            return Self::NotOne;
        }
        let tree = values.tree(at);
        let Some(of) = tree.receiver(call) else {
            let implicit = values.implicit_type(&expr);
            return match implicit {
                Some(ty) if ty.name.contains("NavController") => Self::Yes,
                _ => Self::Perhaps,
            };
        };
        match values.type_of(&expr.with(of)) {
            Some(ty) if values.is_a(&ty, "NavController") && !is_opaque(&ty) => Self::Yes,
            Some(ty) if ty.name == "Navigation" || ty.name == "NavigationUI" => Self::Yes,
            Some(_) => Self::NotOne,
            None => Self::Perhaps,
        }
    }
}

/// A platform type of another name is not a controller, though nothing is known of its bases.
fn is_opaque(ty: &crate::values::Type) -> bool {
    ty.class.is_none() && !ty.name.ends_with("NavController") && !ty.name.ends_with("NavHostController")
}

/// The host in `activity.findNavController(R.id.host)` and its like; one further out where the
/// controller is a parent's.
fn host_hint(at: Ref, call: &Call, values: &Values<'_>) -> Option<HostHint> {
    let expr = Expr::new(at);
    let of = values.tree(at).receiver(call)?;
    let built = values.built(&expr.with(of));
    let found: Vec<&Expr> =
        std::iter::once(&built.root).chain(built.steps.iter().map(|step| &step.at)).collect();
    let id = found.iter().rev().find_map(|finder| {
        let finds = matches!(code::callee_name(finder.at, values), "findNavController" | "findFragmentById");
        let call = values.tree(finder.at).call(finder.at.id).filter(|_| finds)?;
        call.args.iter().find_map(|arg| code::ids(&finder.with(arg.value), values).into_iter().next())
    });
    id.map(HostHint::Id)
        .or_else(|| found.iter().any(|expr| is_outer(expr, values)).then_some(HostHint::Outer))
}

/// A parent's or the activity's own.
fn is_outer(expr: &Expr, values: &Values<'_>) -> bool {
    let tree = values.tree(expr.at);
    tree.kind(expr.at.id).children().into_iter().chain([expr.at.id]).any(|id| {
        let name = match tree.kind(id) {
            Kind::Call(call) => tree.callee(call).map(|(name, _)| name.as_str()),
            _ => tree.last_name(id).map(|(name, _)| name.as_str()),
        };
        matches!(
            name,
            Some(
                "parentFragment"
                    | "requireParentFragment"
                    | "getParentFragment"
                    | "requireActivity"
                    | "getActivity"
                    | "activity"
            )
        )
    })
}

fn back(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let on = Controller::of(at, call, values);
    let known = on == Controller::Yes
        || (on == Controller::Perhaps && code::imports(at.file, "androidx.navigation", values));
    // A pop to a type is another style's.
    if !known || !call.types.is_empty() {
        return;
    }
    let destination = call.args.first().filter(|_| code::callee_name(at, values) == "popBackStack");
    let Some(first) = destination else {
        facts.calls.push(CallFact {
            steps: code::in_a_row(at, |call| call.args.is_empty(), values),
            ..plain_back(at, values)
        });
        return;
    };
    for site in values.sites(at, &Expr::new(at).with(first.value)) {
        let inner = site.bind(&Expr::new(at).with(first.value));
        let Some(target) = target::read(&inner, values) else { continue };
        let written = values.written(code::seen_through(&inner, values).at);
        facts.calls.push(call_fact(Verb::BackTo, target, written, site.at, values));
    }
}

/// `onBack = controller::navigateUp`.
fn references(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for name in ["navigateUp", "popBackStack"] {
        for &at in values.program().references_named(name).iter().filter(|at| at.file == file) {
            let Kind::Reference { of: Some(of), .. } = values.kind(at) else { continue };
            let ty = values.type_of(&Expr::new(at).with(*of));
            if ty.is_some_and(|ty| values.is_a(&ty, "NavController") && !is_opaque(&ty)) {
                let fact = CallFact::new(style(at, values), Verb::Back, at, code::node_at(at, values));
                facts.calls.push(fact);
            }
        }
    }
}

/// `NavDeepLinkBuilder(context).setGraph(…).setDestination(…).setArguments(…)`: the call is where
/// the destination is set.
fn deep_link_builder(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let expr = Expr::new(at);
    let Some(first) = call.args.first() else { return };
    let built = values.built(&expr);
    if code::callee_name(built.root.at, values) != "NavDeepLinkBuilder" {
        return;
    }
    let inner = expr.with(first.value);
    let Some(mut target) = target::read(&inner, values) else { return };
    let whole = values.built(&Expr::new(values.chain_end(at)));
    let bundle = whole
        .steps
        .iter()
        .rev()
        .find(|step| step.name == "setArguments")
        .and_then(|step| step.args.first().cloned());
    let bundle = bundle.or_else(|| call.arg("args", 1).map(|id| expr.with(id)));
    let open = target::with_bundle(&mut target, bundle, values);
    let written = values.written(inner.at);
    facts.calls.push(CallFact { open, ..call_fact(Verb::Link, target, written, at, values) });
}

/// A dialog that dismisses itself goes back.
fn dismiss(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(at);
    let own = match tree.receiver(call) {
        None => true,
        Some(of) => matches!(tree.kind(of), Kind::This),
    };
    let class = values.enclosing_class(at).filter(|_| own);
    let dialog = class.is_some_and(|class| {
        values.external_bases(class).iter().any(|base| base.ends_with("DialogFragment"))
    });
    if dialog && !values.calls_own_function(&Expr::new(at), call) {
        facts.calls.push(plain_back(at, values));
    }
}
