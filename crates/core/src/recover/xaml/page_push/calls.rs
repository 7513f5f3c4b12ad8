//! Pushing and popping, on a page's own navigation or through a service of the app's.

use super::pages::{Page, arguments, named_by_type, pages_of, route};
use super::{STYLE, roots, stackless};
use crate::facts::{CallFact, Facts, TargetFact};
use crate::model::{Form, RouteKind, Verb};
use crate::recover::code;
use crate::syntax::{Call, Kind};
use crate::values::{Expr, Ref, Values};

/// Methods that show a page, and what they do.
const OPENING: &[(&str, Verb, RouteKind)] = &[
    ("PushAsync", Verb::Open, RouteKind::Screen),
    ("PushModalAsync", Verb::Present, RouteKind::Sheet),
    // What is put below the page that is then popped takes its place.
    ("InsertPageBefore", Verb::Replace, RouteKind::Screen),
];

/// Methods that go back.
const CLOSING: &[(&str, Verb)] =
    &[("PopAsync", Verb::Back), ("PopModalAsync", Verb::Back), ("PopToRootAsync", Verb::BackTo)];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (name, verb, kind) in OPENING {
        for (at, call) in code::calls(file, values, &[name]) {
            if let Some(first) = call.args.first().filter(|_| is_on_navigation(at, call, values)) {
                opens(at, &Expr::new(at).with(first.value), *verb, *kind, values, facts);
            }
        }
    }
    for (name, verb) in CLOSING {
        for (at, call) in code::calls(file, values, &[name]) {
            if is_on_navigation(at, call, values) {
                let back = CallFact::new(STYLE, *verb, at, code::callee_at(at, values));
                facts.calls.push(CallFact { steps: code::in_a_row(at, |_| true, values), ..back });
            }
        }
    }
    for id in values.program().tree(file).ids() {
        let at = Ref { file, id };
        if let Kind::Assign { target, value, .. } = values.kind(at) {
            let (target, value) = (Expr::new(at).with(*target), Expr::new(at).with(*value));
            if roots::is_root(&target, values) && !roots::is_launch(at, values) {
                opens(at, &value, Verb::Reset, RouteKind::Screen, values, facts);
            } else if roots::is_detail(&target, values) && !roots::is_made_here(at, values) {
                opens(at, &value, Verb::Tab, RouteKind::Screen, values, facts);
            }
        }
    }
}

/// A call that shows what an expression is, wherever that is really said.
pub(super) fn opens(
    at: Ref,
    shown: &Expr,
    verb: Verb,
    kind: RouteKind,
    values: &Values<'_>,
    facts: &mut Facts,
) {
    for site in values.sites(at, shown) {
        let pages = pages_of(&site.bind(shown), values);
        if !pages.is_empty() {
            push(site.at, &pages, shown, verb, kind, values, facts);
            continue;
        }
        let typed = named_by_type(at, values);
        for (used, class) in &typed {
            let pages: Vec<Page> = class.iter().map(|&class| Page::of(class)).collect();
            push(*used, &pages, shown, verb, kind, values, facts);
        }
        // A shell or another that is no page of the app's is shown by its own style.
        if typed.is_empty() && !roots::is_root_assigned(site.at, values) {
            push(site.at, &[], shown, verb, kind, values, facts);
        }
    }
}

fn push(
    site: Ref,
    pages: &[Page],
    shown: &Expr,
    verb: Verb,
    kind: RouteKind,
    values: &Values<'_>,
    facts: &mut Facts,
) {
    for page in pages {
        facts.routes.push(route(page.class, kind, values));
        stackless::shown(page, matches!(verb, Verb::Open | Verb::Replace), values, facts);
    }
    let classes: Vec<Ref> = pages.iter().map(|page| page.class).collect();
    let name = |class: &Ref| values.class(*class).map(|class| class.name.to_string());
    facts.calls.push(CallFact {
        written: classes.first().and_then(name).unwrap_or_else(|| values.written(shown.at)),
        form: match classes.len() {
            0 => Form::Dynamic,
            1 => Form::Typed,
            _ => Form::Computed,
        },
        arguments: code::joined(pages.iter().map(|page| arguments(page, values))),
        open: pages.iter().any(|page| page.made.is_none()),
        target: if classes.is_empty() { TargetFact::Unknown } else { TargetFact::Typed(classes) },
        ..CallFact::new(STYLE, verb, site, roots::place_of(site, values))
    });
}

/// Whether a call is made on the navigation of a page, a window or a service that holds one.
fn is_on_navigation(at: Ref, call: &Call, values: &Values<'_>) -> bool {
    let expr = Expr::new(at);
    if values.calls_own_function(&expr, call) {
        return false;
    }
    let Some(of) = values.tree(at).receiver(call) else {
        // In a class that is a stack itself.
        return values
            .enclosing_named_class(at)
            .is_some_and(|class| crate::recover::xaml::is_kind(class, "NavigationPage", values));
    };
    let of = expr.with(of);
    if let Some(ty) = values.type_of(&of) {
        return match ty.class {
            Some(class) => crate::recover::xaml::is_kind(class, "NavigationPage", values),
            None => matches!(ty.name.as_str(), "INavigation" | "NavigationPage" | "NavigationProxy"),
        };
    }
    values.tree(of.at).last_name(of.at.id).is_some_and(|(name, _)| name == "Navigation")
        && values.meaning(&of).is_none()
}
