//! Pages that hold others: tabs, and a flyout with what it shows beside it.

use super::STYLE;
use super::pages::{Page, pages_of, route};
use super::roots::{is_detail, is_made_here};
use super::stackless;
use crate::facts::{
    At, ContainerFact, ContainerKey, Facts, Offers, Opened, RedirectFact, RouteFact, ShownBy, Sight, Start,
    StartFact, TargetFact,
};
use crate::model::RouteKind;
use crate::recover::code;
use crate::recover::xaml::documents::{Document, class_at, document_of, element_class};
use crate::recover::xaml::is_kind;
use crate::syntax::{ElementId, Kind};
use crate::values::{Expr, Ref, Values};

/// Pages that hold several.
const HOLDERS: &[&str] = &["TabbedPage", "FlyoutPage", "MasterDetailPage", "CarouselPage"];

/// `<TabbedPage>` with pages in it, `<FlyoutPage.Detail>`.
pub(super) fn of_document(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(document) = Document::of(file, values).filter(|document| document.has_shell()) else { return };
    let class = document.class(values);
    let is =
        |kind: &&str| document.root.name == **kind || class.is_some_and(|class| is_kind(class, kind, values));
    if !HOLDERS.iter().any(is) {
        return;
    }
    let held = all_inside(&document, values);
    let start = held.first().map(|(page, _)| *page);
    holds(document.at(), class, &held, start, values, facts);
}

fn all_inside(document: &Document<'_>, values: &Values<'_>) -> Vec<(Ref, At)> {
    document.markup.root().map(|(root, _)| inside(root, document, values)).unwrap_or_default()
}

/// The pages of the source in an element, and where each is named.
fn inside(id: ElementId, document: &Document<'_>, values: &Values<'_>) -> Vec<(Ref, At)> {
    let children = document.markup.children(id);
    children
        .flat_map(|(id, element)| {
            let class = element_class(element).and_then(|name| class_at(&name, values));
            match class.filter(|&class| is_kind(class, "Page", values)) {
                Some(class) => vec![(class, At { file: document.file, span: element.span })],
                None => inside(id, document, values),
            }
        })
        .collect()
}

/// `Children.Add(new ShelfPage())`, `Detail = new NavigationPage(new ShelfPage())` where a holder is made.
pub(super) fn of_code(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    let mut held: Vec<(Ref, Vec<(Ref, At)>)> = Vec::new();
    let mut add = |class: Ref, page: &Expr| {
        let at = code::node_at(page.at, values);
        let pages = pages_of(page, values).into_iter().map(|page| (page.class, at));
        match held.iter_mut().find(|(known, _)| *known == class) {
            Some((_, all)) => all.extend(pages),
            None => held.push((class, pages.collect())),
        }
    };
    for (at, call) in code::calls(file, values, &["Add"]) {
        let on = tree.receiver(call).and_then(|of| tree.last_name(of));
        let (Some((name, _)), Some(first)) = (on, call.args.first()) else { continue };
        let class = values.enclosing_named_class(at).filter(|&class| is_kind(class, "TabbedPage", values));
        if let Some(class) = class.filter(|_| name == "Children") {
            add(class, &Expr::new(at).with(first.value));
        }
    }
    for id in tree.ids() {
        let at = Ref { file, id };
        let Kind::Assign { target, value, .. } = tree.kind(id) else { continue };
        let target = Expr::new(at).with(*target);
        let flyout =
            tree.last_name(target.at.id).is_some_and(|(name, _)| name == "Flyout" || name == "Master");
        let class = values.enclosing_named_class(at);
        let here = is_made_here(at, values)
            && class.is_some_and(|class| HOLDERS[1..3].iter().any(|kind| is_kind(class, kind, values)));
        if let Some(class) = class.filter(|_| here && (flyout || is_detail(&target, values))) {
            add(class, &Expr::new(at).with(*value));
        }
    }
    for (class, pages) in held {
        // What its document holds comes first.
        let before = document_of(class, values).is_some_and(|own| !all_inside(&own, values).is_empty());
        // A flyout is shown beside what it leads to.
        let shown = if is_kind(class, "TabbedPage", values) { pages.first() } else { pages.last() };
        let start = shown.filter(|_| !before).map(|(page, _)| *page);
        let span = values.class(class).map_or(tree.span(class.id), |class| class.name_span);
        holds(At { file: class.file, span }, Some(class), &pages, start, values, facts);
    }
}

fn holds(
    at: At,
    class: Option<Ref>,
    held: &[(Ref, At)],
    start: Option<Ref>,
    values: &Values<'_>,
    facts: &mut Facts,
) {
    if held.is_empty() {
        return;
    }
    let key = ContainerKey(at);
    let name = start.and_then(|first| values.class(first)).map(|class| class.name.to_string());
    facts.containers.push(ContainerFact {
        start: Start::said_if_any(name.map(|name| StartFact::new(name, at))),
        shown_by: ShownBy::Itself,
        shown_in: class.map(|class| values.program().path(class).to_owned()),
        sight: Sight::Through,
        offers: Offers::All,
        ..ContainerFact::new(key)
    });
    for (page, at) in held {
        // What is around the holder is around what it holds.
        stackless::shown(&Page::of(*page), true, values, facts);
        let fact = route(*page, RouteKind::Tab, values);
        facts.routes.push(RouteFact { at: *at, container: Some(key), opened: Opened::Inside, ..fact });
        let target = TargetFact::Typed(vec![*page]);
        facts.redirects.push(RedirectFact { style: STYLE, from: None, target });
    }
}
