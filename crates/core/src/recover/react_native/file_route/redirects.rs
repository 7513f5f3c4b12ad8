//! `<Redirect href="…">`: ways on that nobody takes by hand.

use super::PACKAGE;
use super::calls::href;
use crate::facts::{Facts, RedirectFact, TargetFact};
use crate::model::Style;
use crate::recover::code;
use crate::recover::react_native::element::element;
use crate::values::{Expr, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["Redirect"]) {
        let here = Expr::new(at);
        let from = values.external(&here.with(call.callee));
        let Some(element) =
            element(&here, values).filter(|_| from.is_some_and(|path| path.starts_with(PACKAGE)))
        else {
            continue;
        };
        let Some(to) = element.property("href", values) else { continue };
        let target = TargetFact::Text(href(&to, values).shapes);
        facts.redirects.push(RedirectFact { style: Style::FileRoute, from: None, target });
    }
}
