//! The trees of documents: what an app or a call of the builder gets of one (kivy.org, "Kivy Language":
//! loading).

use crate::recover::code;
use crate::source::Language;
use crate::syntax::Call;
use crate::values::{Expr, Ref, Values};

/// `Builder.load_file("barn.kv")`, `Builder.load_string(…)`: the tree that the document has.
pub(super) fn loaded(at: Ref, call: &Call, values: &Values<'_>) -> Option<Ref> {
    match code::callee_name(at, values) {
        "load_file" => {
            let path = values.plain_text(&Expr::new(at).with(call.args.first()?.value))?;
            let end = format!("/{}", path.trim_start_matches("./"));
            root_where(|file| format!("/{file}").ends_with(&end), values)
        }
        "load_string" => root(at.file, values),
        _ => None,
    }
}

/// The tree of the document that is named for an app: `barn.kv` of `BarnApp`.
pub(super) fn of_app(class: Ref, values: &Values<'_>) -> Option<Ref> {
    let name = values.class(class)?.name.to_ascii_lowercase();
    let named = format!("/{}.kv", name.strip_suffix("app").unwrap_or(&name));
    root_where(|file| format!("/{file}").ends_with(&named), values)
}

fn root_where(is_meant: impl Fn(&str) -> bool, values: &Values<'_>) -> Option<Ref> {
    let files = values.program().sources().files.iter().zip(0..);
    let mut own = files.filter(|(file, _)| file.language == Language::Kv && is_meant(&file.path));
    own.find_map(|(_, file)| root(file, values))
}

/// The widget that stands outside of any rule.
fn root(file: u32, values: &Values<'_>) -> Option<Ref> {
    let tree = values.program().tree(file);
    let is_widget = |id: &crate::syntax::Id| {
        tree.call(*id)
            .and_then(|call| tree.dotted(call.callee))
            .is_some_and(|name| name.starts_with(char::is_uppercase))
    };
    tree.items.iter().copied().find(is_widget).map(|id| Ref { file, id })
}
