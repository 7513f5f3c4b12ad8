//! Widgets that are put into the wrong screen: one gets two, and another that is made beside it none.

use crate::facts::{Facts, MissingStep};
use crate::recover::code;
use crate::syntax::Kind;
use crate::values::{Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Kind::Function(function) = tree.kind(id) else { continue };
        let Some(Kind::Block(items)) = function.body.map(|body| tree.kind(body)) else { continue };
        let screens: Vec<(Ref, &str, Vec<Ref>)> = items
            .iter()
            .filter_map(|&item| {
                let variable = tree.variable(item)?;
                let made = tree.call(variable.init?)?;
                let bare = tree.callee(made).is_some_and(|(name, _)| name == "Screen" || name == "MDScreen");
                let own = values.calls_own_function(&Expr::new(Ref { file, id: variable.init? }), made);
                let at = Ref { file, id: item };
                (bare && !own).then(|| (at, variable.name.as_str(), put_into(at, &variable.name, values)))
            })
            .collect();
        for (at, empty, _) in screens.iter().filter(|(.., put)| put.is_empty()) {
            let made = tree.span(at.id).end;
            let wrong = screens.iter().find_map(|(_, full, put)| {
                let late = put.iter().skip(1).find(|put| tree.span(put.id).start > made)?;
                Some((*full, *late))
            });
            let Some((full, wrong)) = wrong else { continue };
            facts.missing_steps.push(MissingStep {
                what: "this widget".to_owned(),
                missing: String::new(),
                effect: format!("goes into the screen `{full}`, which has one, and `{empty}` stays empty"),
                mend: format!("Put it into `{empty}`."),
                at: code::callee_at(wrong, values),
            });
        }
    }
}

/// The calls that put something into a screen that a variable holds.
fn put_into(at: Ref, name: &str, values: &Values<'_>) -> Vec<Ref> {
    let steps = values.steps_of(at, name).into_iter();
    steps.filter(|step| step.name == "add_widget").map(|step| step.at.at).collect()
}
