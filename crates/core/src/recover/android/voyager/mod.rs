//! `voyager`: screens and tabs that are classes, pushed onto a navigator as objects. Behaviour follows
//! the library's own documentation at voyager.adriel.cafe.

#[cfg(test)]
mod form_tests;
#[cfg(test)]
mod tests;

use super::code;
use crate::facts::{
    At, CallFact, ContainerFact, ContainerKey, Facts, MissingStep, Overruled, ReadFact, RouteFact,
    ScreenFact, ShownBy, Shows, Start, StartFact, TargetFact,
};
use crate::model::{Form, RouteKind, ScreenKind, Style, Verb};
use crate::recover::StyleRecoverer;
use crate::recover::android::{SPEAKS, WAYS};
use crate::recover::constructor::{made_with, parameters as parameters_of};
use crate::syntax::{AssignOp, BinaryOp, Call, ClassKind, Id, Kind, Modifier};
use crate::values::{Expr, Ref, Values};

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::Voyager),
    speaks: SPEAKS,
    words: &["cafe.adriel.voyager"],
    verbs: &["push", "replace", "replaceAll", "pop", "popUntil", "popAll", "popUntilRoot"],
    recover,
    ways: WAYS,
    ..StyleRecoverer::SHARED
};

const PACKAGE: &str = "cafe.adriel.voyager";

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids().filter(|&id| tree.class(id).is_some()) {
        declared(Ref { file, id }, values, facts);
    }
    for (at, call) in code::calls(file, values, &["Navigator", "TabNavigator", "BottomSheetNavigator"]) {
        start(at, call, values, facts);
    }
    let names =
        ["push", "replace", "replaceAll", "show", "pop", "popAll", "popUntilRoot", "popUntil", "hide"];
    for (at, call) in code::calls(file, values, &names) {
        method(at, call, values, facts);
    }
    for id in tree.ids() {
        let at = Ref { file, id };
        match tree.kind(id) {
            Kind::Assign { target, op, value } => assigned(at, *target, *op, *value, values, facts),
            // `onClick = navigator::pop`.
            Kind::Reference { of: Some(of), name }
                if name == "pop" && Navigator::of(&Expr::new(at).with(*of), values).is_some() =>
            {
                facts.calls.push(CallFact::new(Style::Voyager, Verb::Back, at, code::node_at(at, values)));
            }
            _ => {}
        }
    }
    overruled(file, values, facts);
}

/// Registrations that a later one of the same provider takes the place of.
fn overruled(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["register"]) {
        let Some(provider) = call.types.first().and_then(|ty| values.class_named(at, &ty.name)) else {
            continue;
        };
        let latest = registration(provider, values).filter(|(latest, _)| *latest != at);
        if let (Some((winner, _)), Some(class)) = (latest, registered_by(at, values)) {
            facts.overruled.push(Overruled {
                name: values.class_path(provider),
                class,
                at: code::callee_at(at, values),
                winner: code::callee_at(winner, values),
            });
        }
    }
}

/// Whether a class is a screen, or a tab, of the library.
fn kind_of(class: Ref, values: &Values<'_>) -> Option<RouteKind> {
    let bases = values.external_base_paths(class);
    let is = |name: &str| bases.iter().any(|base| base.starts_with(PACKAGE) && base.ends_with(name));
    match (is(".Tab"), is(".Screen")) {
        (true, _) => Some(RouteKind::Tab),
        (_, true) => Some(RouteKind::Screen),
        _ => None,
    }
}

fn declared(at: Ref, values: &Values<'_>, facts: &mut Facts) {
    let Some(class) =
        values.class(at).filter(|class| matches!(class.kind, ClassKind::Class | ClassKind::Object))
    else {
        return;
    };
    let Some(kind) = kind_of(at, values) else { return };
    let is_base = class.is(Modifier::Abstract) || class.is(Modifier::Sealed);
    if !class.is(Modifier::Final) && (is_base || class.is(Modifier::Open)) {
        values.expect_derived(at);
    }
    let place = At { file: at.file, span: class.name_span };
    // A tab that holds a navigator of its own shows that one's first screen.
    let first = (kind == RouteKind::Tab).then(|| first_inside(at, values)).flatten();
    if first.is_none() {
        facts.screens.push(ScreenFact {
            surely: true,
            is_base,
            ..code::screen(at, class, ScreenKind::Composable, values)
        });
    }
    if is_base {
        return;
    }
    unsaved(at, place, values, facts);
    uses(at, values, facts);
    facts.routes.push(RouteFact {
        shows: Shows::Class(values.program().path(first.unwrap_or(at)).to_owned(), place),
        parameters: parameters_of(at, values),
        class: Some(at),
        ..RouteFact::new(Style::Voyager, kind, class.name.to_string(), place)
    });
}

/// The first screen of the navigator inside a tab.
fn first_inside(tab: Ref, values: &Values<'_>) -> Option<Ref> {
    let tree = values.tree(tab);
    let inside = values
        .program()
        .calls_in(tab.file, "Navigator")
        .iter()
        .find(|at| tree.span(tab.id).holds(tree.span(at.id)))?;
    let call = tree.call(inside.id)?;
    let screen = first_screen(&Expr::new(*inside), call, values)?;
    values.eval(&screen).iter().find_map(|value| values.object_class(value))
}

/// What a navigator shows first: its screen, or the last of its screens, which lies on top.
fn first_screen(expr: &Expr, call: &Call, values: &Values<'_>) -> Option<Expr> {
    let list = call.args.iter().find(|arg| arg.name.as_deref() == Some("screens")).map(|arg| arg.value);
    let given = expr.with(list.or_else(|| call.arg("screen", 0)).or_else(|| call.arg("tab", 0))?);
    let made = code::callee_name(values.built(&given).root.at, values) == "listOf";
    match list.is_some() || made {
        true => values.elements(&given).pop(),
        false => Some(given),
    }
}

/// A parameter of a class that cannot be saved when the system stops the app.
fn unsaved(at: Ref, place: At, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(at);
    let params = values.class(at).map(|class| class.params.as_slice()).unwrap_or_default();
    for parameter in params.iter().filter_map(|&id| tree.parameter(id)) {
        let class = parameter.ty.as_ref().and_then(|ty| values.class_named(at, &ty.name));
        let Some(class) =
            class.filter(|&class| values.class(class).is_some_and(|c| c.kind == ClassKind::Class))
        else {
            continue;
        };
        let lineage =
            values.lineage(class).into_iter().filter_map(|c| values.class(c)).map(|c| c.name.clone());
        let saved = lineage
            .chain(values.external_bases(class))
            .any(|base| base.contains("Serializable") || base.contains("Parcelable"));
        if !saved {
            facts.missing_steps.push(MissingStep {
                what: format!("`{}`, which this screen takes,", parameter.name),
                missing: "Serializable".to_owned(),
                effect: "the app fails when the system stops it in the background".to_owned(),
                mend: "Make its class serializable or parcelable, or pass an id instead.".to_owned(),
                at: place,
            });
        }
    }
}

/// Uses of the constructor's parameters.
fn uses(at: Ref, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(at);
    let params = values.class(at).map(|class| class.params.clone()).unwrap_or_default();
    for id in params {
        let Some(parameter) = tree.parameter(id) else { continue };
        for used in values.uses_of_parameter(Ref { file: at.file, id }) {
            facts.reads.push(ReadFact {
                absent: code::absent(used, false, values),
                ..ReadFact::of_parameter(&parameter.name, used, code::node_at(used, values))
            });
        }
    }
}

/// `Navigator(SplashScreen())`: a host, and what it shows first.
fn start(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let expr = Expr::new(at);
    if values.calls_own_function(&expr, call) || !code::imports(at.file, PACKAGE, values) {
        return;
    }
    let Some(first) = first_screen(&expr, call, values) else { return };
    let place = code::node_at(first.at, values);
    let classes = values.eval(&first).into_iter().filter_map(|value| values.object_class(&value));
    let starts: Vec<StartFact> = classes
        .filter_map(|class| values.class(class).map(|c| c.name.to_string()))
        .map(|name| StartFact::new(name, place))
        .collect();
    facts.containers.push(ContainerFact {
        start: Start::said_if_any(starts),
        shown_by: ShownBy::Itself,
        sites: vec![at],
        ..ContainerFact::new(ContainerKey(code::callee_at(at, values)))
    });
}

/// The navigators of the library.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
enum Navigator {
    Stack,
    Tabs,
    Sheet,
}

impl Navigator {
    fn named(name: &str) -> Option<Self> {
        match name.strip_prefix("Local").unwrap_or(name) {
            "Navigator" => Some(Self::Stack),
            "TabNavigator" => Some(Self::Tabs),
            "BottomSheetNavigator" => Some(Self::Sheet),
            _ => None,
        }
    }

    /// The navigator that an expression is, through locals, parents and composition locals.
    fn of(expr: &Expr, values: &Values<'_>) -> Option<Self> {
        let mut at = expr.clone();
        for _ in 0..10 {
            if let Some(ty) = values.type_of(&at).filter(|ty| ty.class.is_none())
                && let Some(found) = Self::named(&ty.name)
            {
                return Some(found);
            }
            let tree = values.tree(at.at);
            at = match tree.kind(at.at.id) {
                Kind::Member(member) if matches!(member.name.as_str(), "current" | "currentOrThrow") => {
                    return tree.last_name(member.of).and_then(|(name, _)| Self::named(name));
                }
                Kind::Member(member) if member.name == "parent" => at.with(member.of),
                Kind::Name(name) if name == "parent" => {
                    let on = values.implicit_type(&at).filter(|ty| ty.class.is_none())?;
                    return Self::named(&on.name);
                }
                Kind::Unary { of, .. } | Kind::Cast { of, .. } => at.with(*of),
                Kind::Binary { op, left, .. } if *op == BinaryOp::OrElse => at.with(*left),
                _ => match values.value_behind(&at) {
                    Some(behind) => behind,
                    // The parameter of `Navigator(…) { navigator -> … }`.
                    None => {
                        let call = values.lambda_of_parameter(&at)?;
                        return Self::named(code::callee_name(call, values));
                    }
                },
            };
        }
        None
    }

    /// The navigator that a call is made on.
    fn of_call(at: Ref, call: &Call, values: &Values<'_>) -> Option<Self> {
        let expr = Expr::new(at);
        // What is called on a navigator is its own, whatever extensions of the name there are.
        let own = values.tree(at).receiver(call).and_then(|of| Self::of(&expr.with(of), values));
        if own.is_none() && values.calls_own_function(&expr, call) {
            return None;
        }
        match values.tree(at).receiver(call) {
            Some(_) => own,
            None => values
                .implicit_type(&expr)
                .filter(|ty| ty.class.is_none())
                .and_then(|ty| Self::named(&ty.name)),
        }
    }
}

fn method(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let Some(navigator) = Navigator::of_call(at, call, values) else { return };
    let name = code::callee_name(at, values);
    let back = |verb| CallFact {
        steps: code::in_a_row(at, |call| call.args.is_empty(), values),
        ..CallFact::new(Style::Voyager, verb, at, code::callee_at(at, values))
    };
    match name {
        "pop" | "hide" => facts.calls.push(back(Verb::Back)),
        "popAll" | "popUntilRoot" => facts.calls.push(back(Verb::BackTo)),
        "popUntil" => facts.calls.push(pop_until(call, back(Verb::BackTo), values)),
        _ => {
            let verb = match name {
                "replace" => Verb::Replace,
                "replaceAll" => Verb::Reset,
                "show" => Verb::Present,
                _ => Verb::Open,
            };
            let fits = (name == "show") == (navigator == Navigator::Sheet);
            if let Some(first) = call.args.first().filter(|_| fits) {
                let at_of = |site: Ref| code::callee_at(site, values);
                shows(at, first.value, verb, &at_of, values, facts);
            }
        }
    }
}

/// `popUntil { it is ShelfScreen }` names its screen in the test.
fn pop_until(call: &Call, fact: CallFact, values: &Values<'_>) -> CallFact {
    let tree = values.tree(fact.site);
    let mut todo: Vec<Id> = call.args.iter().map(|arg| arg.value).collect();
    while let Some(id) = todo.pop() {
        if let Kind::ClassOf(ty) = tree.kind(id)
            && let Some(class) = values.class_named(Ref { file: fact.site.file, id }, &ty.name)
        {
            return CallFact {
                target: TargetFact::Typed(vec![class]),
                written: ty.name.to_string(),
                form: Form::Typed,
                ..fact
            };
        }
        todo.extend(tree.kind(id).children());
    }
    CallFact { target: TargetFact::Unknown, ..fact }
}

/// `navigator += ItemScreen(id)` and `tabs.current = LoansTab`.
fn assigned(at: Ref, target: Id, op: AssignOp, value: Id, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(at);
    let expr = Expr::new(at);
    let span = tree.last_name(target).map_or(tree.span(target), |(_, span)| span);
    let own = At { file: at.file, span };
    let at_of = |site: Ref| if site == at { own } else { code::callee_at(site, values) };
    match (op, tree.kind(target)) {
        (AssignOp::Add, _) if Navigator::of(&expr.with(target), values) == Some(Navigator::Stack) => {
            shows(at, value, Verb::Open, &at_of, values, facts);
        }
        (AssignOp::Set, Kind::Member(member))
            if member.name == "current"
                && Navigator::of(&expr.with(member.of), values) == Some(Navigator::Tabs) =>
        {
            shows(at, value, Verb::Tab, &at_of, values, facts);
        }
        _ => {}
    }
}

/// A call that shows what an expression is: one screen, several, or what is registered for a provider.
fn shows(at: Ref, shown: Id, verb: Verb, at_of: &dyn Fn(Ref) -> At, values: &Values<'_>, facts: &mut Facts) {
    for site in values.sites(at, &Expr::new(at).with(shown)) {
        let target = code::seen_through(&site.bind(&Expr::new(Ref { file: at.file, id: shown })), values);
        let elements = values.elements(&target);
        let list = code::callee_name(values.built(&target).root.at, values) == "listOf";
        let all = if list { elements } else { vec![target.clone()] };
        let mut fact = CallFact::new(Style::Voyager, verb, site.at, at_of(site.at));
        let mut classes = Vec::new();
        let mut ways = Vec::new();
        for one in &all {
            let provider = provider(one, values);
            for value in values.eval(provider.as_ref().unwrap_or(one)) {
                let Some(class) = values.object_class(&value) else { continue };
                ways.push(made_with(&value, class, values));
                classes.push(if provider.is_some() {
                    registered(class, values).unwrap_or(class)
                } else {
                    class
                });
            }
        }
        classes.dedup();
        fact.arguments = code::joined(ways.into_iter());
        fact.written = values.written(target.at);
        fact.form = Form::Typed;
        fact.target = if classes.is_empty() { TargetFact::Unknown } else { TargetFact::Typed(classes) };
        facts.calls.push(fact);
    }
}

/// `rememberScreen(Provider(…))`, `ScreenRegistry.get(Provider(…))`.
fn provider(expr: &Expr, values: &Values<'_>) -> Option<Expr> {
    let root = values.built(expr).root;
    let call = values.tree(root.at).call(root.at.id)?;
    let gets = match code::callee_name(root.at, values) {
        "rememberScreen" => true,
        "get" => {
            let tree = values.tree(root.at);
            tree.receiver(call)
                .and_then(|of| tree.last_name(of))
                .is_some_and(|(name, _)| name == "ScreenRegistry")
        }
        _ => false,
    };
    call.args.first().filter(|_| gets).map(|arg| root.with(arg.value))
}

/// The screen that is registered for a provider; the latest wins.
fn registered(provider: Ref, values: &Values<'_>) -> Option<Ref> {
    registration(provider, values).map(|(_, class)| class)
}

/// The latest registration of a provider, with its screen.
fn registration(provider: Ref, values: &Values<'_>) -> Option<(Ref, Ref)> {
    let calls = values.program().calls_named("register").iter().rev();
    calls.copied().find_map(|at| {
        let call = values.tree(at).call(at.id)?;
        (values.class_named(at, &call.types.first()?.name)? == provider).then_some(())?;
        Some((at, registered_by(at, values)?))
    })
}

/// The screen that one registration makes.
fn registered_by(at: Ref, values: &Values<'_>) -> Option<Ref> {
    let call = values.tree(at).call(at.id)?;
    let Kind::Lambda { body, .. } = values.tree(at).kind(call.args.last()?.value) else { return None };
    values.eval(&Expr::new(at).with(*body)).iter().find_map(|value| values.object_class(value))
}
