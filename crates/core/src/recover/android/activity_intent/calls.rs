//! Activities opened, finished, and opened for a result.

use super::intent::{self, Intent};
use crate::facts::{CallFact, Channel, Facts, Literal, ResultSideFact, TargetFact};
use crate::model::{Form, ResultSide, Style, Verb};
use crate::recover::android::code;
use crate::syntax::{Call, Kind};
use crate::values::{Expr, Ref, Shape, Site, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, OPENERS) {
        open(at, call, values, facts);
    }
    for (at, call) in code::calls(file, values, &["launch"]) {
        launch(&Expr::new(at), call, values, facts);
    }
    for (at, call) in code::calls(file, values, &["getActivity", "getActivities"]) {
        pending(at, call, values, facts);
    }
    for (at, call) in code::calls(file, values, &["addNextIntent", "addNextIntentWithParentStack"]) {
        if let Some(arg) = call.args.first() {
            link(at, &Expr::new(at).with(arg.value), values, facts);
        }
    }
    for (at, call) in code::calls(file, values, &["setContent"]) {
        tab(at, call, values, facts);
    }
    let closers = [
        "finish",
        "finishAffinity",
        "finishAndRemoveTask",
        "onBackPressed",
        "finishAfterTransition",
        "supportFinishAfterTransition",
    ];
    for (at, call) in code::calls(file, values, &closers) {
        close(at, call, values, facts);
    }
    for (at, call) in code::calls(file, values, &["setResult"]) {
        send(at, call, values, facts);
    }
}

/// What starts an activity from a context, an activity or a fragment.
const OPENERS: &[&str] = &[
    "startActivity",
    "startActivityForResult",
    "startActivityIfNeeded",
    "startActivityFromFragment",
    "startActivityFromChild",
    "startNextMatchingActivity",
    "startActivities",
    "navigateUpTo",
];

fn open(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let expr = Expr::new(at);
    if values.calls_own_function(&expr, call) {
        return;
    }
    let name = code::callee_name(at, values);
    // `startActivity<ItemActivity>(…)` of an app's own helper is that helper's business.
    let Some(position) = call.args.iter().position(|arg| may_be_intent(&expr.with(arg.value), values)) else {
        return;
    };
    let target = expr.with(call.args[position].value);
    if name == "startActivities" {
        let intents = intent::read_all(&target, values);
        facts.calls.extend(started_together(Verb::Open, &intents, &target, at, values));
        return;
    }
    // A helper may be handed the intent, or the class that it makes one for.
    let class = intent::class_argument(&target, values);
    let sites = match &class {
        Some(class) => match values.kind(class.at) {
            Kind::ClassOf(ty) => {
                let sites: Vec<_> = values.type_sites(class.at, ty);
                if let [(site, _), rest @ ..] = sites.as_slice()
                    && (!rest.is_empty() || site.at != class.at)
                {
                    opened_by_type(&target, &sites, values, facts);
                    return;
                }
                values.sites(at, &target)
            }
            _ => values.sites(at, class),
        },
        None => values.sites(at, &target),
    };
    for site in sites {
        let inner = site.bind(&target);
        let fact = match intent::read(&inner, values) {
            Some(intent) => call_fact(&intent, &inner, site.at, values),
            None if leaves(&inner, values) => None,
            None => Some(unknown(&inner, site.at, values)),
        };
        let back = name == "navigateUpTo";
        facts
            .calls
            .extend(fact.map(|fact| CallFact { verb: if back { Verb::BackTo } else { fact.verb }, ..fact }));
    }
}

/// A helper with a type parameter: `open<ItemActivity>()`.
fn opened_by_type(target: &Expr, sites: &[(Site, Ref)], values: &Values<'_>, facts: &mut Facts) {
    for (site, class) in sites {
        let inner = site.bind(target);
        let Some(intent) = intent::read(&inner, values) else { continue };
        let written = values.class(*class).map(|class| class.name.to_string());
        let intent = Intent { classes: vec![*class], written, unknown: false, ..intent };
        facts.calls.extend(call_fact(&intent, &inner, site.at, values));
    }
}

/// A choice of the system's among others' screens.
fn leaves(target: &Expr, values: &Values<'_>) -> bool {
    code::callee_name(values.built(target).root.at, values) == "createChooser"
}

/// An intent of which nothing is known: it leads somewhere.
fn unknown(target: &Expr, site: Ref, values: &Values<'_>) -> CallFact {
    CallFact {
        target: TargetFact::Unknown,
        written: values.written(target.at),
        form: Form::Dynamic,
        open: true,
        ..CallFact::new(Style::ActivityIntent, Verb::Open, site, code::callee_at(site, values))
    }
}

fn may_be_intent(expr: &Expr, values: &Values<'_>) -> bool {
    values
        .type_of(expr)
        .is_none_or(|ty| ty.name == "Intent" || ty.name.contains("Array") || ty.name.ends_with("[]"))
}

/// A stack of activities that is made at once; any of them may be what is seen.
fn started_together(
    verb: Verb,
    intents: &[Intent],
    target: &Expr,
    site: Ref,
    values: &Values<'_>,
) -> Option<CallFact> {
    let classes: Vec<Ref> = intents.iter().flat_map(|intent| intent.classes.iter().copied()).collect();
    let base = CallFact { verb, ..unknown(target, site, values) };
    if classes.is_empty() {
        return Some(base);
    }
    Some(CallFact { target: TargetFact::Classes(classes), form: Form::Typed, ..base })
}

/// The tab of a host that shows an activity: `spec.setContent(new Intent(this, ItemActivity.class))`.
fn tab(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let expr = Expr::new(at);
    let [arg] = call.args.as_slice() else { return };
    if values.calls_own_function(&expr, call) || values.tree(at).receiver(call).is_none() {
        return;
    }
    let target = expr.with(arg.value);
    let fact = intent::read(&target, values).and_then(|intent| call_fact(&intent, &target, at, values));
    let opens = fact.filter(|fact| matches!(fact.target, TargetFact::Classes(_)));
    facts.calls.extend(opens.map(|fact| CallFact { verb: Verb::Tab, ..fact }));
}

/// A launcher registered for a contract: the intent is what the contract makes of the input.
fn launch(expr: &Expr, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(expr.at);
    let Some(of) = tree.receiver(call) else { return };
    let root = values.built(&expr.with(of)).root;
    let registers = ["registerForActivityResult", "rememberLauncherForActivityResult"];
    if !registers.contains(&code::callee_name(root.at, values)) {
        return;
    }
    let Some(registered) = values.tree(root.at).call(root.at.id) else { return };
    let Some(contract) = registered.args.first().map(|arg| values.built(&root.with(arg.value)).root) else {
        return;
    };
    let intent = match values.made_class(&contract) {
        Some(class) => {
            values.made_by(class, "createIntent", call, expr).and_then(|made| intent::read(&made, values))
        }
        None => call.args.first().and_then(|arg| intent::read(&expr.with(arg.value), values)),
    };
    let takes_any = code::callee_name(contract.at, values) == "StartActivityForResult";
    match intent {
        Some(intent) => facts.calls.extend(call_fact(&intent, expr, expr.at, values)),
        None if takes_any => facts.calls.push(unknown(expr, expr.at, values)),
        None => {}
    }
}

fn call_fact(intent: &Intent, target: &Expr, site: Ref, values: &Values<'_>) -> Option<CallFact> {
    let verb = if intent.resets { Verb::Reset } else { Verb::Open };
    let mut fact = CallFact {
        target: TargetFact::Unknown,
        written: values.written(target.at),
        form: Form::Typed,
        arguments: intent.extras.clone(),
        open: intent.open,
        ..CallFact::new(Style::ActivityIntent, verb, site, code::callee_at(site, values))
    };
    if !intent.classes.is_empty() {
        fact.form = if intent.classes.len() > 1 || intent.unknown { Form::Computed } else { Form::Typed };
        fact.open |= intent.unknown;
        fact.target = TargetFact::Classes(intent.classes.clone());
        fact.written = intent.written.clone().unwrap_or_default();
    } else if let Some(address) = &intent.address {
        let found = values.eval(address);
        let shapes: Vec<Shape> =
            found.iter().filter_map(|value| value.shape().cloned()).filter(|s| !s.is_blank()).collect();
        fact.verb = Verb::Link;
        fact.written = values.written(address.at);
        fact.form = found.first().map_or(Form::Dynamic, |value| value.form);
        fact.constant = found.iter().find_map(|value| value.constant);
        fact.literal = shapes.iter().find(|s| s.has_literal_words()).map(|s| Literal { text: s.value() });
        if shapes.is_empty() {
            fact.form = Form::Dynamic;
        } else {
            fact.target = TargetFact::Address(shapes);
        }
    } else if intent.written.is_some() {
        fact.target = TargetFact::External;
    } else if intent.unknown {
        fact.form = Form::Dynamic;
    } else {
        // An action of the system: no screen of this app, and none that can be named.
        return None;
    }
    Some(fact)
}

/// `PendingIntent.getActivity(context, 0, intent, flags)`: a way in from a notification.
fn pending(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(at);
    let on = tree
        .receiver(call)
        .and_then(|of| tree.last_name(of))
        .is_some_and(|(name, _)| name == "PendingIntent");
    let Some(arg) = call.args.get(2).filter(|_| on) else { return };
    let target = Expr::new(at).with(arg.value);
    if code::callee_name(at, values) == "getActivities" {
        let intents = intent::read_all(&target, values);
        facts.calls.extend(started_together(Verb::Link, &intents, &target, at, values));
        return;
    }
    link(at, &target, values, facts);
}

/// An intent that others start for the app.
fn link(at: Ref, target: &Expr, values: &Values<'_>, facts: &mut Facts) {
    for site in values.sites(at, target) {
        let inner = site.bind(target);
        let fact = match intent::read(&inner, values) {
            Some(intent) => call_fact(&intent, &inner, site.at, values),
            None => Some(unknown(&inner, site.at, values)),
        };
        let own = fact.filter(|fact| matches!(fact.target, TargetFact::Classes(_) | TargetFact::Unknown));
        facts.calls.extend(own.map(|fact| CallFact { verb: Verb::Link, ..fact }));
    }
}

/// Finishing an activity goes back, from inside of it or from a fragment of it.
fn close(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(at);
    let expr = Expr::new(at);
    if !call.args.is_empty() || values.calls_own_function(&expr, call) {
        return;
    }
    let on_activity = match tree.receiver(call) {
        None => is_in_activity(at, values),
        Some(of) => match tree.kind(of) {
            Kind::Super => false,
            Kind::This => is_in_activity(at, values),
            Kind::Name(name) | Kind::Member(crate::syntax::Member { name, .. })
                if name == "onBackPressedDispatcher" =>
            {
                true
            }
            _ => values.type_of(&expr.with(of)).is_some_and(|ty| match ty.class {
                Some(class) => values.external_bases(class).iter().any(|base| base.ends_with("Activity")),
                None => ty.name.ends_with("Activity"),
            }),
        },
    };
    if on_activity {
        facts.calls.push(CallFact::new(Style::ActivityIntent, Verb::Back, at, code::callee_at(at, values)));
    }
}

fn is_in_activity(at: Ref, values: &Values<'_>) -> bool {
    let class = values.enclosing_named_class(at);
    class.is_some_and(|class| values.external_bases(class).iter().any(|base| base.ends_with("Activity")))
}

/// `setResult(RESULT_OK, data)`: each extra of the data is handed back.
fn send(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let Some(data) = call.args.get(1) else { return };
    let Some(intent) = intent::read(&Expr::new(at).with(data.value), values) else { return };
    for extra in intent.extras {
        let crate::facts::Slot::Name(key) = extra.slot else { continue };
        facts.results.push(ResultSideFact {
            sure: true,
            key: Some(key),
            side: ResultSide::Send,
            channel: Channel::Answer,
            ty: extra.ty,
            literal_key: extra.literal_key,
            site: at,
            at: code::callee_at(at, values),
        });
    }
}
