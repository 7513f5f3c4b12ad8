//! Titles that are set on the container instead of the page in it: a bar shows the item of the page
//! (developer.apple.com, "UINavigationItem").

use crate::facts::{At, Facts, MissingStep};
use crate::syntax::Kind;
use crate::values::{Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for &used in values.program().uses_in(file, "title") {
        let assigned = tree
            .node(used.id)
            .parent
            .is_some_and(|up| matches!(tree.kind(up), Kind::Assign { target, .. } if *target == used.id));
        let Some(Kind::Member(member)) = assigned.then(|| tree.kind(used.id)) else { continue };
        let path = tree.dotted(member.of).unwrap_or_default();
        let path = path.strip_prefix("this.").unwrap_or(&path);
        if path == "navigationController.navigationItem" {
            facts.missing_steps.push(MissingStep {
                what: "this title".to_owned(),
                missing: String::new(),
                effect: "is set on the navigation controller, whose bar shows the page's own and stays empty"
                    .to_owned(),
                mend: "Set `title`, or `navigationItem.title`, of the page itself.".to_owned(),
                at: place(used, values),
            });
        }
    }
}

fn place(used: Ref, values: &Values<'_>) -> At {
    let tree = values.tree(used);
    At { file: used.file, span: tree.last_name(used.id).map_or(tree.span(used.id), |(_, span)| span) }
}
