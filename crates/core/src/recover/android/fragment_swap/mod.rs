//! `fragment-swap`: fragments shown by transactions, by pager adapters, by layouts, as dialogs.

#[cfg(test)]
mod helper_tests;
#[cfg(test)]
mod tests;

use super::{bundle, code};
use crate::facts::{
    ArgumentFact, CallFact, Facts, MissingStep, Opened, RouteFact, Shows, Takes, TargetFact, Unopened, Ways,
};
use crate::model::{Form, RouteKind, Style, Verb};
use crate::recover::StyleRecoverer;
use crate::recover::android::{SPEAKS, WAYS};
use crate::syntax::{Call, Id, Kind};
use crate::values::{Built, Expr, Ref, Type, Values};

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::FragmentSwap),
    speaks: SPEAKS,
    words: &["Fragment"],
    verbs: &["beginTransaction", "popBackStack"],
    recover,
    ways: Ways { unopened: Unopened::Shown, ..WAYS },
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["replace", "add"]) {
        transaction(at, call, values, facts);
    }
    for (at, call) in code::calls(file, values, &["show", "showNow"]) {
        show(at, call, values, facts);
    }
    for (at, call) in code::calls(file, values, &["popBackStack", "popBackStackImmediate"]) {
        pop(at, call, values, facts);
    }
    pager(file, values, facts);
}

/// `replace(R.id.slot, ItemFragment.newInstance(id))` on a transaction.
fn transaction(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let expr = Expr::new(at);
    // Inside of `commit { … }` the transaction's own methods come before any of the app's.
    let bare = values.tree(at).receiver(call).is_none() && commit_lambda(&expr, values).is_some();
    if (!bare && values.calls_own_function(&expr, call)) || !is_on_transaction(&expr, call, values) {
        return;
    }
    let shown = shown(&expr, call, values);
    if shown.is_empty() {
        return;
    }
    let steps = steps_around(&expr, call, values);
    let has = |names: &[&str]| steps.iter().any(|step| names.contains(&step.as_str()));
    let replaces = code::callee_name(at, values) == "replace";
    let verb = if replaces && !has(&["addToBackStack"]) { Verb::Replace } else { Verb::Open };
    let committed = has(&["commit", "commitNow", "commitAllowingStateLoss", "commitNowAllowingStateLoss"]);
    if !committed && !is_handed_on(&expr, call, values) {
        facts.missing_steps.push(MissingStep {
            what: "this transaction".to_owned(),
            missing: "commit".to_owned(),
            effect: "it does nothing".to_owned(),
            mend: "Add `.commit()`.".to_owned(),
            at: code::callee_at(at, values),
        });
    }
    for (site, ways) in by_site(shown) {
        opens(verb, RouteKind::Screen, ways, site, values, facts);
    }
}

/// A call at one place, and the routes of all that it may show.
fn opens(verb: Verb, kind: RouteKind, ways: Vec<Shown>, site: Ref, values: &Values<'_>, facts: &mut Facts) {
    for class in ways.iter().filter_map(|shown| shown.class) {
        facts.routes.push(route(class, kind, Opened::OnlyIfCalled, values));
    }
    facts.calls.push(call_fact(verb, ways, site, values));
}

/// What one place shows stands together.
fn by_site(shown: Vec<Shown>) -> Vec<(Ref, Vec<Shown>)> {
    let mut sites: Vec<(Ref, Vec<Shown>)> = Vec::new();
    for shown in shown {
        match sites.iter_mut().find(|(site, _)| *site == shown.site) {
            Some((_, ways)) => ways.push(shown),
            None => sites.push((shown.site, vec![shown])),
        }
    }
    sites
}

struct Shown {
    /// The place that says what is shown.
    site: Ref,
    /// The fragment; `None` where it is not known.
    class: Option<Ref>,
    written: String,
    arguments: Vec<ArgumentFact>,
    open: bool,
}

/// The fragments a transaction may show: an instance, a class, or a type argument, here or where a
/// helper of the app's own is used.
fn shown(expr: &Expr, call: &Call, values: &Values<'_>) -> Vec<Shown> {
    let with_bag = |class: Ref, written: String, bag: Option<Id>, site: Ref| {
        let contents = bag.map(|id| bundle::contents(&expr.with(id), values));
        let (arguments, open) = contents.map_or((Vec::new(), false), |c| (c.entries, c.open));
        Shown { site, class: Some(class), written, arguments, open }
    };
    if let Some(ty) = call.types.first() {
        let sites = values.type_sites(expr.at, ty).into_iter();
        let name = |class: Ref| values.class(class).map_or_else(String::new, |c| c.name.to_string());
        let bag = call.arg("args", 2);
        return sites.map(|(site, class)| with_bag(class, name(class), bag, site.at)).collect();
    }
    for arg in &call.args {
        let value = expr.with(arg.value);
        if let Kind::ClassOf(ty) = values.kind(value.at)
            && let Some(class) = values.class_named(value.at, &ty.name)
        {
            let bag = call.args.get(2).map(|arg| arg.value);
            return vec![with_bag(class, ty.name.to_string(), bag, expr.at)];
        }
        let found = instances_at(expr.at, &value, values);
        if !found.is_empty() {
            return found;
        }
    }
    Vec::new()
}

/// The instances that an argument may be, at the places that say so.
fn instances_at(call: Ref, value: &Expr, values: &Values<'_>) -> Vec<Shown> {
    let sites = values.sites(call, value).into_iter();
    sites.flat_map(|site| instances(&site.bind(value), site.at, values)).collect()
}

/// Instances of the app's fragments, with the arguments set on them. One that is a fragment by its type
/// and no more is shown all the same.
fn instances(value: &Expr, site: Ref, values: &Values<'_>) -> Vec<Shown> {
    let ways = values.built_ways(value).into_iter();
    let mut found: Vec<Shown> = ways.filter_map(|built| instance(&built, value, site, values)).collect();
    if found.is_empty() && values.type_of(value).is_some_and(|ty| is_fragment_type(&ty, values)) {
        let written = values.written(code::seen_through(value, values).at);
        found.push(Shown { site, class: None, written, arguments: Vec::new(), open: true });
    }
    found
}

fn instance(built: &Built, value: &Expr, site: Ref, values: &Values<'_>) -> Option<Shown> {
    let own = matches!(values.kind(built.root.at), Kind::Class(_)).then_some(built.root.at);
    let class = values.made_class(&built.root).or(own)?;
    is_fragment(class, values).then_some(())?;
    let written = values.written(code::seen_through(value, values).at);
    let mut shown = Shown { site, class: Some(class), written, arguments: Vec::new(), open: false };
    for step in &built.steps {
        if let ("setArguments" | "arguments", [bundle]) = (step.name.as_str(), step.args.as_slice()) {
            let contents = bundle::contents(bundle, values);
            shown.arguments = contents.entries;
            shown.open = contents.open;
        }
    }
    Some(shown)
}

fn is_fragment_type(ty: &Type, values: &Values<'_>) -> bool {
    match ty.class {
        Some(class) => is_fragment(class, values),
        None => ty.name.ends_with("Fragment") && !ty.name.ends_with("NavHostFragment"),
    }
}

fn is_fragment(class: Ref, values: &Values<'_>) -> bool {
    values.external_bases(class).iter().any(|base| base.ends_with("Fragment"))
}

fn is_on_transaction(expr: &Expr, call: &Call, values: &Values<'_>) -> bool {
    let tree = values.tree(expr.at);
    match tree.receiver(call) {
        Some(of) => {
            let root = values.built(&expr.with(of)).root;
            code::callee_name(root.at, values) == "beginTransaction"
                || values.type_of(&expr.with(of)).is_some_and(|ty| ty.name == "FragmentTransaction")
                || values.type_of(&root).is_some_and(|ty| ty.name == "FragmentTransaction")
        }
        None => {
            commit_lambda(expr, values).is_some()
                || values.implicit_type(expr).is_some_and(|ty| ty.name == "FragmentTransaction")
        }
    }
}

/// The `commit { … }` around a bare call: the extension opens and commits the transaction itself.
fn commit_lambda(expr: &Expr, values: &Values<'_>) -> Option<Id> {
    let tree = values.tree(expr.at);
    tree.ancestors(expr.at.id).find(|&id| {
        tree.call(id).is_some_and(|call| {
            tree.callee(call)
                .is_some_and(|(name, _)| matches!(name.as_str(), "commit" | "commitNow" | "transaction"))
                && call.args.iter().any(|arg| matches!(tree.kind(arg.value), Kind::Lambda { .. }))
        })
    })
}

/// The names of everything done to the same transaction.
fn steps_around(expr: &Expr, call: &Call, values: &Values<'_>) -> Vec<String> {
    let tree = values.tree(expr.at);
    if let Some(outer) = commit_lambda(expr, values).filter(|_| tree.receiver(call).is_none()) {
        let mut names = vec!["commit".to_owned()];
        let inside = code::calls(expr.at.file, values, &["addToBackStack"]);
        let span = tree.span(outer);
        names.extend(
            inside.iter().filter(|(at, _)| span.holds(tree.span(at.id))).map(|_| "addToBackStack".to_owned()),
        );
        return names;
    }
    let whole = Expr::new(values.chain_end(expr.at));
    let mut names: Vec<String> =
        values.built(&whole).steps.iter().map(|step| step.name.to_string()).collect();
    let tree = values.tree(expr.at);
    // A chain that starts at a local: what is done to that local counts too, before and after.
    let mut first = tree.receiver(call);
    while let Some(inner) = first.and_then(|id| tree.call(id)) {
        first = tree.receiver(inner);
    }
    let held =
        first.and_then(|id| tree.last_name(id)).and_then(|(name, _)| match values.resolve(expr.at, name) {
            Some(crate::values::Def::Variable(variable)) => Some((variable, name.clone())),
            _ => None,
        });
    // Or the chain is what a local is made from.
    let holder = tree.ancestors(whole.at.id).next().filter(|&id| tree.variable(id).is_some());
    let holder = holder.map(|id| {
        (Ref { file: expr.at.file, id }, tree.variable(id).map(|v| v.name.clone()).unwrap_or_default())
    });
    for (variable, name) in held.into_iter().chain(holder) {
        names.extend(values.steps_of(variable, &name).into_iter().map(|step| step.name.to_string()));
    }
    // A scope function opened on the transaction: what stands beside the call in its lambda.
    for id in tree.ancestors(expr.at.id) {
        if let Some(scope) = tree.call(id)
            && tree.scope(scope).is_some_and(|scope| scope.builds)
        {
            names.extend(
                values
                    .built(&Expr::new(values.chain_end(Ref { file: expr.at.file, id })))
                    .steps
                    .iter()
                    .map(|s| s.name.to_string()),
            );
            let span = tree.span(id);
            let commits = code::calls(
                expr.at.file,
                values,
                &["commit", "commitNow", "commitAllowingStateLoss", "addToBackStack"],
            );
            names.extend(
                commits
                    .iter()
                    .filter(|(at, _)| span.holds(tree.span(at.id)))
                    .map(|(at, _)| code::callee_name(*at, values).to_owned()),
            );
        }
    }
    names
}

/// A transaction that is returned, kept or passed to somebody else may be committed there.
fn is_handed_on(expr: &Expr, call: &Call, values: &Values<'_>) -> bool {
    let tree = values.tree(expr.at);
    let mut first = tree.receiver(call);
    while let Some(inner) = first.and_then(|id| tree.call(id)) {
        first = tree.receiver(inner);
    }
    let end = values.chain_end(expr.at);
    let used_as_value = tree.node(end.id).parent.is_some_and(|id| match tree.kind(id) {
        Kind::Call(outer) => outer.callee != end.id,
        Kind::Return(_) | Kind::Function(_) => true,
        _ => false,
    });
    let Some((name, _)) = first.and_then(|id| tree.last_name(id)) else { return used_as_value };
    match values.resolve(expr.at, name) {
        Some(crate::values::Def::Variable(variable)) if values.is_local(variable) => {
            used_as_value || values.is_passed_on(variable, name)
        }
        Some(_) => true,
        None => used_as_value,
    }
}

fn route(class: Ref, kind: RouteKind, opened: Opened, values: &Values<'_>) -> RouteFact {
    let path = values.program().path(class).to_owned();
    let declared = values.class(class);
    let span = declared.map_or_else(|| values.tree(class).span(class.id), |c| c.name_span);
    let at = crate::facts::At { file: class.file, span };
    let name = declared.map(|c| c.name.to_string()).unwrap_or_default();
    RouteFact {
        shows: Shows::Class(path, at),
        opened,
        takes: Takes::as_read_if(true),
        ..RouteFact::new(Style::FragmentSwap, kind, name, at)
    }
}

fn call_fact(verb: Verb, ways: Vec<Shown>, site: Ref, values: &Values<'_>) -> CallFact {
    let mut classes: Vec<Ref> = ways.iter().filter_map(|shown| shown.class).collect();
    classes.dedup();
    let open = ways.iter().any(|shown| shown.open || shown.class.is_none());
    let (target, form) = match classes.as_slice() {
        [] => (TargetFact::Unknown, Form::Dynamic),
        [_] => (TargetFact::Classes(classes), Form::Typed),
        _ => (TargetFact::Classes(classes), Form::Computed),
    };
    CallFact {
        target,
        written: ways.first().map(|shown| shown.written.clone()).unwrap_or_default(),
        form,
        open,
        arguments: code::joined(ways.into_iter().map(|shown| shown.arguments)),
        ..CallFact::new(Style::FragmentSwap, verb, site, code::callee_at(site, values))
    }
}

/// `ItemSheet.newInstance(id).show(parentFragmentManager, "item")`.
fn show(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let expr = Expr::new(at);
    let Some(of) = values.tree(at).receiver(call) else { return };
    if call.args.is_empty() || values.calls_own_function(&expr, call) {
        return;
    }
    let dialogs = instances_at(at, &expr.with(of), values).into_iter().filter(|shown| {
        let bases = shown.class.map(|class| values.external_bases(class));
        bases.is_some_and(|bases| bases.iter().any(|base| base.ends_with("DialogFragment")))
    });
    for (site, ways) in by_site(dialogs.collect()) {
        let sheet = ways
            .iter()
            .filter_map(|shown| shown.class)
            .any(|class| values.external_bases(class).iter().any(|base| base.starts_with("BottomSheet")));
        let kind = if sheet { RouteKind::Sheet } else { RouteKind::Dialog };
        opens(Verb::Present, kind, ways, site, values, facts);
    }
}

/// The fragment manager's own way back.
fn pop(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let Some(of) = values.tree(at).receiver(call) else { return };
    let ty = values.type_of(&Expr::new(at).with(of));
    if ty.is_some_and(|ty| ty.class.is_none() && ty.name == "FragmentManager") {
        facts.calls.push(CallFact::new(Style::FragmentSwap, Verb::Back, at, code::callee_at(at, values)));
    }
}

/// Pages of a pager adapter are tabs.
fn pager(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Some(function) =
            tree.function(id).filter(|f| matches!(f.name.as_str(), "createFragment" | "getItem"))
        else {
            continue;
        };
        let at = Ref { file, id };
        let adapter = values.enclosing_class(at).is_some_and(|class| {
            values.external_bases(class).iter().any(|base| {
                matches!(
                    base.as_str(),
                    "FragmentStateAdapter" | "FragmentPagerAdapter" | "FragmentStatePagerAdapter"
                )
            })
        });
        let Some(body) = function.body.filter(|_| adapter) else { continue };
        let span = tree.span(body);
        for made in tree.ids().filter(|&id| span.holds(tree.span(id))) {
            let made = Ref { file, id: made };
            let built = tree.call(made.id).map(|_| values.built(&Expr::new(made)));
            let shown = built.and_then(|built| instance(&built, &Expr::new(made), made, values));
            if let Some(class) = shown.and_then(|shown| shown.class) {
                facts.routes.push(route(class, RouteKind::Tab, Opened::Inside, values));
            }
        }
        held_elsewhere(at, body, values, facts);
    }
}

/// Pages that a list or map of the adapter's holds, made or as what makes them.
fn held_elsewhere(at: Ref, body: Id, values: &Values<'_>, facts: &mut Facts) {
    let body = Expr::new(Ref { file: at.file, id: body });
    for made in values.handed_back(&body).iter().flat_map(|back| values.made_or_handed(back)) {
        let shown = instance(&values.built(&made), &made, made.at, values);
        if let Some(class) = shown.and_then(|shown| shown.class) {
            facts.routes.push(route(class, RouteKind::Tab, Opened::Inside, values));
        }
    }
}
