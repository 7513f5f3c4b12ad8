//! What a scene of an app shows first: `WindowGroup { Home() }`.

use super::stacks::STYLE;
use crate::facts::{Facts, Opened, RouteFact, Shows};
use crate::model::RouteKind;
use crate::recover::apple::shown::shown;
use crate::recover::code;
use crate::values::{Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["WindowGroup", "Window", "DocumentGroup"]) {
        let in_app = values.enclosing_named_class(at).is_some_and(|class| {
            values.external_bases(class).iter().any(|base| matches!(base.as_str(), "App" | "Scene"))
        });
        let Some(content) = call.args.last().filter(|_| in_app) else { continue };
        for shown in shown(&Expr::new(Ref { file, id: content.value }), values) {
            let name = values.class(shown.class).map(|class| class.name.to_string()).unwrap_or_default();
            let place = code::callee_at(at, values);
            facts.routes.push(RouteFact {
                shows: Shows::Class(values.program().path(shown.class).to_owned(), place),
                opened: Opened::AtLaunch,
                ..RouteFact::new(STYLE, RouteKind::Screen, name, place)
            });
        }
    }
}
