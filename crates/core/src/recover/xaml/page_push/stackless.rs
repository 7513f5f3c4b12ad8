//! Pushes and pops of pages that stand in no stack: they fail, or do nothing
//! (learn.microsoft.com, "NavigationPage": a page is pushed from one that a navigation page holds; "Modal
//! pages": what was presented is dismissed, not popped).

use super::STYLE;
use super::pages::Page;
use crate::facts::{At, Facts, MissingStep, OwnFact, ScreenId};
use crate::link::{Graph, Join, Joining, Phase};
use crate::recover::code;
use crate::syntax::Kind;
use crate::values::{Ref, Values};
use rustc_hash::FxHashMap;

pub(super) const JOIN: Join = Join { after: Phase::Named, join };

/// A step that needs a stack around its page.
#[derive(Debug)]
struct Step {
    /// The call.
    site: Ref,
    /// Its name.
    at: At,
    /// It takes the page off.
    pops: bool,
}

/// A way in which a page is shown.
#[derive(Debug)]
struct ShownAs {
    /// The page, by its full name.
    page: String,
    /// Inside of a stack, as far as that is known.
    in_stack: bool,
}

impl OwnFact for Step {}
impl OwnFact for ShownAs {}

/// Remembers how a page is shown.
pub(super) fn shown(page: &Page, in_stack: bool, values: &Values<'_>, facts: &mut Facts) {
    let in_stack = in_stack || page.in_stack || page.made.is_none();
    facts.own.push(ShownAs { page: values.program().path(page.class).to_owned(), in_stack });
}

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    // A shell is a stack around all that it shows.
    if !values.program().derived("Shell").is_empty() {
        return;
    }
    for (at, call) in code::calls(file, values, &["PushAsync", "PopAsync"]) {
        let tree = values.tree(at);
        let own = tree.receiver(call).is_some_and(|of| match tree.kind(of) {
            Kind::Name(name) => name == "Navigation",
            Kind::Member(member) => member.name == "Navigation" && matches!(tree.kind(member.of), Kind::This),
            _ => false,
        });
        if own {
            let pops = code::callee_name(at, values) == "PopAsync";
            facts.own.push(Step { site: at, at: code::callee_at(at, values), pops });
        }
    }
}

fn join(joining: &mut Joining<'_, '_>) {
    let mut ways: FxHashMap<String, Vec<bool>> = FxHashMap::default();
    for way in joining.take::<ShownAs>() {
        ways.entry(way.page).or_default().push(way.in_stack);
    }
    for step in joining.take::<Step>() {
        let screens = joining.owners_of(step.site);
        let graph = joining.graph();
        let Some(&first) = screens.first() else { continue };
        if !screens.iter().all(|&screen| is_stackless(screen, &ways, graph)) {
            continue;
        }
        let name = graph.screen_name(first);
        joining.slip(MissingStep {
            what: if step.pops { "this step back" } else { "this push" }.to_owned(),
            missing: String::new(),
            effect: format!("fails when it runs: `{name}` is never shown in a `NavigationPage`"),
            mend: match step.pops {
                true => "Take a presented page away with `PopModalAsync`.",
                false => "Put the page into a `NavigationPage` where it is shown, or present the other.",
            }
            .to_owned(),
            at: step.at,
        });
    }
}

/// Whether code alone shows a page, and never in a stack.
fn is_stackless(screen: ScreenId, ways: &FxHashMap<String, Vec<bool>>, graph: &Graph<'_>) -> bool {
    let screen = &graph.screens[screen];
    let by_code = screen.routes.iter().all(|&route| graph.routes[route].is(STYLE));
    by_code && !screen.derived && ways.get(&screen.fact.path).is_some_and(|ways| !ways.contains(&true))
}
