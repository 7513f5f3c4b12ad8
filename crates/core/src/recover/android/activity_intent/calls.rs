//! Activities opened, finished, and opened for a result.

use super::intent::{self, Intent};
use crate::facts::{CallFact, Channel, Facts, Literal, ResultSideFact, TargetFact};
use crate::model::{Form, ResultSide, Style, Verb};
use crate::recover::android::code;
use crate::syntax::{Call, Kind};
use crate::values::{Expr, Ref, Shape, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let openers = ["startActivity", "startActivityForResult", "startActivityIfNeeded", "launch"];
    for (at, call) in code::calls(file, values, &openers) {
        open(at, call, values, facts);
    }
    for (at, call) in code::calls(file, values, &["getActivity"]) {
        pending(at, call, values, facts);
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

fn open(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let expr = Expr::new(at);
    if values.calls_own_function(&expr, call) {
        return;
    }
    let name = code::callee_name(at, values);
    if name == "launch" {
        return launch(&expr, call, values, facts);
    }
    // `startActivity<ItemActivity>(…)` of an app's own helper is that helper's business.
    let Some(position) = call.args.iter().position(|arg| may_be_intent(&expr.with(arg.value), values)) else {
        return;
    };
    let target = call.args[position].value;
    for site in values.sites(at, &Expr::new(at).with(target)) {
        let inner = site.bind(&Expr::new(Ref { file: at.file, id: target }));
        if let Some(intent) = intent::read(&inner, values) {
            facts.calls.extend(call_fact(&intent, &inner, site.at, values));
        }
    }
}

fn may_be_intent(expr: &Expr, values: &Values<'_>) -> bool {
    values.type_of(expr).is_none_or(|ty| ty.name == "Intent")
}

/// A launcher registered for a contract: the intent is what the contract makes of the input.
fn launch(expr: &Expr, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(expr.at);
    let Some(of) = tree.receiver(call) else { return };
    let root = values.built(&expr.with(of)).root;
    if code::callee_name(root.at, values) != "registerForActivityResult" {
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
    if let Some(intent) = intent {
        facts.calls.extend(call_fact(&intent, expr, expr.at, values));
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
    if let Some(class) = intent.class {
        fact.target = TargetFact::Class(class);
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
    let expr = Expr::new(at);
    let intent = intent::read(&expr.with(arg.value), values);
    let fact = intent.and_then(|intent| call_fact(&intent, &expr.with(arg.value), at, values));
    facts.calls.extend(
        fact.filter(|fact| matches!(fact.target, TargetFact::Class(_)))
            .map(|fact| CallFact { verb: Verb::Link, ..fact }),
    );
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
