//! Generated route code that does not know what its source declares.

use super::{Example, Report, Rule, Sink};
use crate::link::Graph;
use crate::model::Severity;

pub(super) static RULE: Rule = Rule {
    name: "generated-stale",
    severity: Severity::Error,
    summary: "Generated route code is missing, or does not know a route or parameter that its source declares.",
    why: "Callers can only pass what the generated code knows: the new value never arrives, or the app does not compile for the next one who generates.",
    mend: "Run the generator again and check in what it writes.",
    example: Example {
        wrong: "const ItemPage({required this.itemId, this.tag});\n// app_router.gr.dart: ItemRoute({required String itemId})",
        right: "dart run build_runner build",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    for stale in &graph.stale {
        let report = Report::new(stale.at, &stale.what, stale.what.clone())
            .help(format!("Generate `{}` again.", stale.file));
        sink.push(match stale.generated {
            Some(at) => report.related("the generated code is here", at),
            None => report,
        });
    }
}
