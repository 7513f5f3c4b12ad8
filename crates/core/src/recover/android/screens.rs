//! Fragments and activities, through the app's own bases, with the layouts they show.

use super::code;
use super::fragment_graph::facts::LayoutUse;
use crate::facts::{Facts, ScreenFact};
use crate::model::ScreenKind;
use crate::recover::StyleRecoverer;
use crate::recover::android::SPEAKS;
use crate::source::Language;
use crate::syntax::{ClassKind, Kind, Modifier};
use crate::values::{Expr, Ref, Values};
use std::collections::BTreeSet;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: None,
    speaks: SPEAKS,
    words: &["Fragment", "Activity"],
    recover,
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids().filter(|&id| tree.class(id).is_some()) {
        let at = Ref { file, id };
        if let Some(screen) = screen(at, values) {
            facts.own.extend(layouts(at, values));
            facts.screens.push(screen);
        }
    }
}

/// The class as a screen, if its bases make it one.
pub(super) fn screen(at: Ref, values: &Values<'_>) -> Option<ScreenFact> {
    let class = values.class(at)?;
    if class.kind != ClassKind::Class || class.name.is_empty() {
        return None;
    }
    let bases = values.external_bases(at);
    let kind = bases.iter().find_map(|base| kind_of(base))?;
    if bases.iter().any(|base| is_host_base(base)) {
        return None;
    }
    // A Kotlin class is closed unless it says otherwise, a Java class open.
    let kotlin = values.program().source(at.file).language == Language::Kotlin;
    if !class.is(Modifier::Final)
        && (!kotlin || class.is(Modifier::Abstract) || class.is(Modifier::Open) || class.is(Modifier::Sealed))
    {
        values.expect_derived(at);
    }
    let has = |word: &str| bases.iter().any(|base| base.contains(word));
    Some(ScreenFact {
        sheet: has("BottomSheetDialogFragment"),
        surely: true,
        is_base: class.is(Modifier::Abstract) || class.is(Modifier::Sealed),
        ..code::screen(at, class, kind, values)
    })
}

/// Activities that only hold an app which is written in something else.
pub(super) fn is_host_base(base: &str) -> bool {
    matches!(base, "FlutterActivity" | "FlutterFragmentActivity" | "ReactActivity")
}

/// Fragments and activities of the platform and of libraries are named as such.
fn kind_of(base: &str) -> Option<ScreenKind> {
    if base == "PreferenceFragmentCompat" || (base.ends_with("Fragment") && base != "NavHostFragment") {
        Some(ScreenKind::Fragment)
    } else if base.ends_with("Activity") {
        Some(ScreenKind::Activity)
    } else {
        None
    }
}

/// Layouts by constructor, by inflating or setting one, by view binding; a base's count too.
fn layouts(class: Ref, values: &Values<'_>) -> impl Iterator<Item = LayoutUse> {
    let mut names = BTreeSet::new();
    for at in values.lineage(class) {
        let tree = values.tree(at);
        let Some(declared) = tree.class(at.id) else { continue };
        for base in &declared.supers {
            names.extend(base.args.iter().flat_map(|arg| {
                code::resources(&Expr::new(Ref { file: at.file, id: arg.value }), "layout", values)
            }));
        }
        let mut todo = declared.members.clone();
        while let Some(id) = todo.pop() {
            let node = tree.kind(id);
            if let Kind::Call(_) = node {
                names.extend(layout_of_call(Ref { file: at.file, id }, values));
            }
            // Members of inner classes are not this screen's.
            if !matches!(node, Kind::Class(inner) if inner.kind == ClassKind::Class) {
                todo.extend(node.children());
            }
        }
    }
    names.into_iter().map(move |layout| LayoutUse { class, layout })
}

fn layout_of_call(at: Ref, values: &Values<'_>) -> Vec<String> {
    let tree = values.tree(at);
    let Some(call) = tree.call(at.id) else { return Vec::new() };
    let expr = Expr::new(at);
    match code::callee_name(at, values) {
        "setContentView" | "inflate" | "viewBinding" | "dataBinding" | "super" => {}
        "bind" => {}
        _ if matches!(tree.kind(call.callee), Kind::Super) => {}
        _ => return Vec::new(),
    }
    let binding =
        tree.receiver(call).and_then(|of| tree.last_name(of)).and_then(|(name, _)| layout_of_binding(name));
    let given = call.args.iter().flat_map(|arg| code::resources(&expr.with(arg.value), "layout", values));
    given.chain(binding).collect()
}

/// A binding class is its layout's name in camel case with `Binding` behind it
/// (developer.android.com, "View binding").
fn layout_of_binding(class: &str) -> Option<String> {
    let stem = class.strip_suffix("Binding").filter(|stem| !stem.is_empty())?;
    let mut name = String::new();
    for c in stem.chars() {
        if c.is_uppercase() && !name.is_empty() {
            name.push('_');
        }
        name.extend(c.to_lowercase());
    }
    Some(name)
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn binding_classes_name_their_layout() {
        assert_eq!(layout_of_binding("FragmentItemListBinding").as_deref(), Some("fragment_item_list"));
        assert_eq!(layout_of_binding("Binding"), None);
        assert_eq!(layout_of_binding("Layout"), None);
    }
}
