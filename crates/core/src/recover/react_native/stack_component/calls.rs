//! Calls on navigation objects, and links.

use super::actions::{METHODS, Step, is_action, step};
use crate::facts::{ArgumentFact, At, CallFact, Facts, HostHint, Slot, TargetFact};
use crate::model::{Style, Verb};
use crate::recover::code;
use crate::recover::react_native::element::{key_of, property};
use crate::recover::react_native::navigation::{Method, Navigation, global_list, method_of, methods, sites};
use crate::syntax::Kind;
use crate::values::{Expr, Ref, Values};

pub(in crate::recover::react_native) fn recover(
    file: u32,
    style: Style,
    values: &Values<'_>,
    facts: &mut Facts,
) {
    for method in all_methods(file, values) {
        let at = Expr::new(method.at);
        let args = values.by_place(&method.call.args, &at);
        let Some(step) = step(method.name, &args, values) else { continue };
        // An action says nothing of the list that the object is checked against.
        let checked = method.on.list.is_some() && !matches!(method.name, "dispatch" | "resetRoot");
        let mut on = method.on.clone();
        // It looks inside of others, as all calls once did.
        if method.name == "navigateDeprecated" {
            on.host = Some(HostHint::Any);
        }
        add(method.at, style, &step, &on, checked, values, facts);
    }
    handed_over(file, style, values, facts);
    links(file, style, values, facts);
    by_path(file, style, values, facts);
}

/// `const linkTo = useLinkTo(); linkTo('/items/7')`: by the path of the linking configuration.
fn by_path(file: u32, style: Style, values: &Values<'_>, facts: &mut Facts) {
    for (hook, _) in code::calls(file, values, &["useLinkTo"]) {
        let tree = values.tree(hook);
        let held = tree.node(hook.id).parent.and_then(|id| Some((id, tree.variable(id)?)));
        let Some((id, variable)) = held else { continue };
        let named = Some(crate::values::Def::Variable(Ref { file, id }));
        for &used in values.program().uses_in(file, &variable.name) {
            let call = tree.node(used.id).parent.and_then(|id| Some((id, tree.call(id)?)));
            let Some((id, call)) = call.filter(|(_, call)| call.callee == used.id) else { continue };
            if values.resolve(used, &variable.name) == named
                && let Some(arg) = call.args.first()
            {
                let at = Ref { file, id };
                link_to(at, style, &Expr::new(at).with(arg.value), values, facts);
            }
        }
    }
}

fn link_to(at: Ref, style: Style, path: &Expr, values: &Values<'_>, facts: &mut Facts) {
    let base = CallFact::new(style, Verb::Link, at, code::callee_at(at, values));
    let fact = code::said(base, path, TargetFact::Text, values);
    facts.calls.push(CallFact { host: Some(HostHint::Any), ..fact });
}

/// Methods on navigation objects; what is handed an action of the library is one, whatever it is.
fn all_methods<'p>(file: u32, values: &Values<'p>) -> Vec<Method<'p>> {
    let mut found = methods(file, values, METHODS);
    for (at, call) in code::calls(file, values, &["dispatch"]) {
        let action = call.args.first().map(|arg| Expr::new(at).with(arg.value));
        let known = found.iter().any(|method| method.at == at);
        if !known && action.is_some_and(|action| is_action(&action, values)) {
            let on = Navigation { list: None, host: Some(HostHint::Any) };
            found.push(Method { at, call, name: "dispatch", on });
        }
    }
    found
}

/// `onPress={navigation.goBack}`: a method that is handed over and not called.
fn handed_over(file: u32, style: Style, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for (name, verb) in [("goBack", Verb::Back), ("popToTop", Verb::BackTo)] {
        for &at in values.program().uses_in(file, name) {
            let Some(parent) = tree.node(at.id).parent else { continue };
            let handed = match tree.kind(parent) {
                Kind::Call(call) => call.callee != at.id,
                Kind::Map(_) => true,
                _ => false,
            };
            let span = tree.last_name(at.id).map_or(tree.span(at.id), |(_, span)| span);
            if handed && method_of(&Expr::new(at), values).is_some() {
                facts.calls.push(CallFact::new(style, verb, at, At { file, span }));
            }
        }
    }
}

/// One call for each place that says where it leads.
fn add(
    at: Ref,
    style: Style,
    step: &Step,
    on: &Navigation,
    checked: bool,
    values: &Values<'_>,
    facts: &mut Facts,
) {
    let Some(name) = &step.name else {
        let fact = CallFact::new(style, step.verb, at, code::callee_at(at, values));
        // Plain steps in a row add up.
        let row = if step.steps == 1 { code::in_a_row(at, |call| call.args.is_empty(), values) } else { 1 };
        facts.calls.push(CallFact { steps: step.steps.max(row), host: on.host.clone(), ..fact });
        return;
    };
    for site in sites(at, name, values) {
        let bound = |expr: &Expr| site.bind(expr);
        let mut target = bound(name);
        let mut params = step.params.as_ref().map(bound);
        // `navigate(...args)`: all that its caller passes.
        if let Some([first, rest @ ..]) = values.rest_of(&target.clone()) {
            target = first.clone();
            params = params.or_else(|| rest.first().cloned());
        }
        let through_wrapper = site.at != at;
        let written_as_is = !matches!(values.kind(name.at), Kind::Cast { .. });
        let place = code::callee_at(site.at, values);
        let base = CallFact::new(style, step.verb, site.at, place);
        let fact = code::said(base, &target, TargetFact::Named, values);
        let (arguments, open) = params.as_ref().map(|params| passed(params, values)).unwrap_or_default();
        facts.calls.push(CallFact {
            arguments,
            open: open || step.merges,
            merges: step.merges,
            checked: checked && written_as_is && !through_wrapper,
            host: if step.nested { Some(HostHint::Any) } else { on.host.clone() },
            ..fact
        });
    }
}

/// What an object passes by its keys; whether there may be more.
pub(in crate::recover::react_native) fn passed(
    params: &Expr,
    values: &Values<'_>,
) -> (Vec<ArgumentFact>, bool) {
    let params = code::seen_through(params, values);
    if matches!(values.kind(params.at), Kind::Null) {
        return (Vec::new(), false);
    }
    let Some(entries) = values.entries(&params) else { return (Vec::new(), true) };
    let known: Vec<ArgumentFact> = entries
        .known
        .iter()
        .filter_map(|(key, value)| {
            let name = key_of(key, values)?;
            // A name is one that the language checks; text is not.
            let literal_key = values.written(key.at).starts_with(['\'', '"']);
            Some(ArgumentFact { literal_key, ..code::argument(Slot::Name(name), value, values) })
        })
        .collect();
    let open = entries.open || known.len() < entries.known.len();
    (known, open)
}

/// `<Link screen="…" params={…}>`, `useLinkProps({ screen, params })`.
fn links(file: u32, style: Style, values: &Values<'_>, facts: &mut Facts) {
    let checked = global_list(values).is_some();
    for (at, call) in code::calls(file, values, &["Link", "useLinkProps"]) {
        let here = Expr::new(at);
        let path = values.external(&here.with(call.callee));
        if !path.is_some_and(|path| path.starts_with("@react-navigation/")) {
            continue;
        }
        // An element's properties are its one argument, as the hook's object is.
        let Some(object) = call.args.first().map(|arg| here.with(arg.value)) else { continue };
        let to = property(&object, "to", values).unwrap_or_else(|| object.clone());
        let Some(name) = property(&to, "screen", values) else {
            if matches!(values.kind(to.at), Kind::Text(_)) {
                link_to(at, style, &to, values, facts);
            }
            continue;
        };
        let typed = checked || !call.types.is_empty();
        let step = Step {
            verb: Verb::Link,
            name: Some(name),
            params: property(&to, "params", values),
            merges: false,
            steps: 1,
            nested: false,
        };
        add(at, style, &step, &Navigation::default(), typed, values, facts);
    }
}
