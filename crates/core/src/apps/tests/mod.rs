//! Trees of several apps: which there are, what resolves where, and what is said of which.

mod gradle;
mod overlays;
mod packages;

use crate::fixture;
use crate::model::{Document, Place};
use expect_test::Expect;

fn scanned(tree: &str) -> Document {
    fixture::scan(fixture::files(tree)).document
}

/// Apps with their modules, calls with what they lead to, findings with the apps in which they hold.
#[track_caller]
fn lists(document: &Document, expected: Expect) {
    let at = |at: &Place| format!("{}:{}", at.file, at.line);
    let apps = document
        .apps
        .iter()
        .map(|app| format!("{} ({}) {}: {}", app.name, app.platform, app.root, app.modules.join(" ")));
    let calls = document.calls.iter().map(|call| {
        let target = call.target.as_ref();
        let leads = |id: &String| target.is_some_and(|target| target.routes.contains(id));
        let routes: Vec<String> =
            document.routes.iter().filter(|route| leads(&route.id)).map(|route| at(&route.at)).collect();
        let written = target.map_or("back", |target| target.text.as_str());
        let status = if routes.is_empty() { call.status.to_string() } else { routes.join(" ") };
        format!("{} {written} -> {status}", at(&call.at))
    });
    let findings =
        document.findings.iter().filter(|finding| finding.rule != "hard-coded-route").map(|finding| {
            let only = if finding.apps.is_empty() {
                String::new()
            } else {
                format!(" in {}", finding.apps.join(", "))
            };
            format!("! {} {}{only}", finding.rule, at(&finding.at))
        });
    let lines: Vec<String> = apps.chain(calls).chain(findings).collect();
    expected.assert_eq(&lines.join("\n"));
}

/// No id is given twice, and none leads nowhere.
#[track_caller]
fn holds_together(document: &Document) {
    let ids = |ids: Vec<&String>| {
        let mut sorted = ids.clone();
        sorted.sort();
        sorted.dedup();
        assert_eq!(sorted.len(), ids.len(), "an id twice: {ids:?}");
        sorted.into_iter().cloned().collect::<Vec<_>>()
    };
    let screens = ids(document.screens.iter().map(|screen| &screen.id).collect());
    let routes = ids(document.routes.iter().map(|route| &route.id).collect());
    ids(document.calls.iter().map(|call| &call.id).collect());
    for route in &document.routes {
        assert!(route.screen.iter().all(|id| screens.contains(id)), "{route:?}");
        assert!(route.parent.iter().all(|id| routes.contains(id)), "{route:?}");
    }
    for call in &document.calls {
        assert!(call.screens.iter().all(|id| screens.contains(id)), "{call:?}");
        assert!(
            call.target.iter().flat_map(|target| &target.routes).all(|id| routes.contains(id)),
            "{call:?}"
        );
    }
}
