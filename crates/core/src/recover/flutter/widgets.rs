//! Widgets, and the states whose code is theirs. Which of them are screens is known once routes are:
//! linking keeps those. (api.flutter.dev, `StatelessWidget`, `StatefulWidget`, `State`.)

use super::SPEAKS;
use crate::facts::{Facts, PartFact, ReadFact, ScreenFact};
use crate::model::ScreenKind;
use crate::recover::constructor::parameters;
use crate::recover::{StyleRecoverer, code};
use crate::syntax::{Class, ClassKind, Modifier};
use crate::values::{Ref, Values};

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: None,
    speaks: SPEAKS,
    // Libraries that only hand others on have no word of their own.
    words: &["export '", "export \""],
    recover,
    joins: &[super::bag::JOIN],
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if values.program().source(file).is_generated() {
        return;
    }
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Some(class) = tree.class(id).filter(|class| class.kind == ClassKind::Class) else { continue };
        let at = Ref { file, id };
        if is_widget(at, values) {
            facts.screens.push(screen(at, class, values));
            uses(at, values, facts);
        } else if let Some(widget) = widget_of_state(at, class, values) {
            facts.parts.push(PartFact { class: at, of: widget });
        }
    }
}

fn screen(at: Ref, class: &Class, values: &Values<'_>) -> ScreenFact {
    if class.is(Modifier::Abstract) || class.is(Modifier::Sealed) {
        values.expect_derived(at);
    }
    ScreenFact {
        surely: class.annotations.iter().any(|note| note.name == "RoutePage"),
        is_base: class.is(Modifier::Abstract) || class.is(Modifier::Sealed),
        ..code::screen(at, class, ScreenKind::Widget, values)
    }
}

/// Whether a class is a widget, through the app's own bases.
pub(super) fn is_widget(class: Ref, values: &Values<'_>) -> bool {
    values.external_bases(class).iter().any(|base| base.ends_with("Widget"))
}

/// The widget whose state a class is: `State<ShelfPage>`, or a base of the app's own that is one.
fn widget_of_state(at: Ref, class: &Class, values: &Values<'_>) -> Option<Ref> {
    let state = values.external_bases(at).iter().any(|base| base.ends_with("State"));
    let mut named = class.supers.iter().filter(|_| state).filter_map(|base| base.ty.args.first());
    named.find_map(|ty| values.class_named(at, &ty.name)).filter(|&widget| is_widget(widget, values))
}

/// Parameters of the constructor that something in the file mentions.
fn uses(at: Ref, values: &Values<'_>, facts: &mut Facts) {
    // Whatever stands in the class is its own.
    let own = values.class(at).and_then(|class| class.params.first()).copied();
    let Some(site) = own.map(|id| Ref { file: at.file, id }) else { return };
    for parameter in parameters(at, values) {
        if let Some(&used) = values.program().uses_in(at.file, &parameter.name).first() {
            facts.reads.push(ReadFact::of_parameter(&parameter.name, site, code::node_at(used, values)));
        }
    }
}
