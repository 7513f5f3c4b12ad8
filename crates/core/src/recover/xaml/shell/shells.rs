//! The shell of an app: what its own content stands in, and what the pages registered beside it do.

use crate::facts::{At, ContainerKey};
use crate::model::Span;
use crate::recover::xaml::documents::Document;
use crate::recover::xaml::is_kind;
use crate::source::Language;
use crate::syntax::Kind;
use crate::values::{Expr, Ref, Values};

/// The document of the shell that a file's module has.
pub(super) fn shell<'p>(file: u32, values: &Values<'p>) -> Option<Document<'p>> {
    let sources = values.program().sources();
    let module = values.program().source(file).module;
    let own = sources.files.iter().zip(0..).filter(|(f, _)| f.language == Language::Xaml);
    let documents = own.filter(|(f, _)| f.module == module).filter_map(|(_, i)| Document::of(i, values));
    documents.into_iter().find(|document| is_shell(document, values))
}

/// Whether a document is a shell.
pub(super) fn is_shell(document: &Document<'_>, values: &Values<'_>) -> bool {
    document.has_shell()
        && (document.root.name == "Shell"
            || document.class(values).is_some_and(|class| is_kind(class, "Shell", values)))
}

/// Whether nothing shows a shell, where the app has another that something does.
pub(super) fn is_shown_by_nobody(shell: &Document<'_>, values: &Values<'_>) -> bool {
    let is_used = |shell: &Document<'_>| {
        let class = shell.class(values)?;
        let mut own = values.files_of(class);
        own.push(shell.file);
        let name = &values.class(class)?.name;
        Some(
            values.is_made(class)
                || values.is_derived(class)
                || values.program().is_word_of_others(&own, name),
        )
    };
    let files = values.program().sources().files.iter().zip(0..);
    let others = files.filter(|(f, other)| f.language == Language::Xaml && *other != shell.file);
    let mut others = others.filter_map(|(_, other)| Document::of(other, values));
    is_used(shell) == Some(false)
        && others.any(|other| is_shell(&other, values) && is_used(&other) == Some(true))
}

/// What a shell's own items and content stand in.
pub(super) fn content(shell: &Document<'_>) -> ContainerKey {
    ContainerKey(shell.at())
}

/// What the pages that are registered beside a shell stand in.
pub(super) fn beside(shell: &Document<'_>) -> ContainerKey {
    ContainerKey(At { file: shell.file, span: Span::new(0, 0) })
}

/// Whether an expression is a shell: the current one, or one by its type.
pub(super) fn is_current(of: &Expr, values: &Values<'_>) -> bool {
    if let Some(ty) = values.type_of(of) {
        return match ty.class {
            Some(class) => is_kind(class, "Shell", values),
            None => ty.name == "Shell",
        };
    }
    match values.kind(of.at) {
        Kind::Member(member) if member.name == "Current" => is_shell_name(&of.with(member.of), values),
        Kind::Name(name) if name == "Current" => is_in_shell(of.at, values),
        Kind::This => is_in_shell(of.at, values),
        _ => false,
    }
}

fn is_shell_name(of: &Expr, values: &Values<'_>) -> bool {
    let Kind::Name(name) = values.kind(of.at) else { return false };
    match values.class_named(of.at, name) {
        Some(class) => is_kind(class, "Shell", values),
        None => name == "Shell",
    }
}

/// Whether code stands in a shell's own class.
pub(super) fn is_in_shell(at: Ref, values: &Values<'_>) -> bool {
    values.enclosing_named_class(at).is_some_and(|class| is_kind(class, "Shell", values))
}
