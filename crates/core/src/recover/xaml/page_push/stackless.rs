//! A push without a stack around it, which fails when it runs (learn.microsoft.com, "NavigationPage":
//! a page can only be pushed from one that a navigation page holds).

use super::roots::is_root;
use crate::facts::{Facts, MissingStep};
use crate::recover::code;
use crate::source::Language;
use crate::syntax::Kind;
use crate::values::{Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["PushAsync"]) {
        let tree = values.tree(at);
        let own = tree.receiver(call).is_some_and(|of| match tree.kind(of) {
            Kind::Name(name) => name == "Navigation",
            Kind::Member(member) => member.name == "Navigation" && matches!(tree.kind(member.of), Kind::This),
            _ => false,
        });
        if own && has_no_stack(values) {
            facts.missing_steps.push(MissingStep {
                what: "this push".to_owned(),
                missing: "NavigationPage".to_owned(),
                effect: "fails when it runs: no page of the app stands in a stack".to_owned(),
                mend: "Put the app's first page into a `NavigationPage`, or present this one.".to_owned(),
                at: code::callee_at(at, values),
            });
        }
    }
}

/// Whether the app says what it shows first, and nothing in it is, or makes, a stack.
fn has_no_stack(values: &Values<'_>) -> bool {
    let program = values.program();
    let stacks = ["NavigationPage", "Shell", "FlyoutPage", "MasterDetailPage"];
    let in_code = stacks.iter().any(|name| {
        !program.calls_named(name).is_empty()
            || !program.derived(name).is_empty()
            || program.words_of_unparsed(&[(*name).to_owned()]).contains(*name)
    });
    let documents = program.sources().files.iter().zip(0..).filter(|(f, _)| f.language == Language::Xaml);
    let in_markup = documents
        .filter_map(|(_, file)| program.markup(file))
        .any(|markup| markup.elements().any(|(_, element)| stacks.contains(&element.name.as_str())));
    !in_code && !in_markup && says_its_root(values)
}

fn says_its_root(values: &Values<'_>) -> bool {
    values.program().uses_of_name("MainPage").iter().any(|&used| {
        let tree = values.tree(used);
        let up = tree.node(used.id).parent;
        let assigned =
            up.is_some_and(|up| matches!(tree.kind(up), Kind::Assign { target, .. } if *target == used.id));
        assigned && is_root(&Expr::new(Ref { file: used.file, id: used.id }), values)
    })
}
