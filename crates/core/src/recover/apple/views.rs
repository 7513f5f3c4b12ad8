//! SwiftUI's views, and which of what they are made with they use. Which of them are screens is known
//! once routes are: linking keeps those. (developer.apple.com, "View".)

use super::{SPEAKS, initialiser, is_ours};
use crate::facts::{Absent, Facts, ReadFact};
use crate::model::ScreenKind;
use crate::recover::{StyleRecoverer, code};
use crate::syntax::{ClassKind, Kind};
use crate::values::{Def, Expr, Ref, Values};

pub(in crate::recover) const RECOVERER: StyleRecoverer =
    StyleRecoverer { style: None, speaks: SPEAKS, words: &[], recover, ..StyleRecoverer::SHARED };

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if !is_ours(file, values) {
        return;
    }
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Some(class) = tree.class(id).filter(|class| class.kind == ClassKind::Class) else { continue };
        let at = Ref { file, id };
        if !is_view(at, values) {
            continue;
        }
        facts.screens.push(code::screen(at, class, ScreenKind::View, values));
        // What the other app shows of it is said in the other language.
        if super::is_beside_another(file, values) {
            facts.shown_by_markup.push(values.program().path(at).to_owned());
        }
        for taken in initialiser::taken(at, values) {
            let site = Ref { file: at.file, id: class.members.first().copied().unwrap_or(at.id) };
            if let Some(read) = read_of(&taken, at, values) {
                facts.reads.push(ReadFact { site, ..read });
            }
        }
    }
}

/// Whether a type is a view: of the platform's protocol, itself or by an extension.
pub(super) fn is_view(class: Ref, values: &Values<'_>) -> bool {
    values.external_bases(class).iter().any(|base| base == "View")
}

/// The use of what an object is made with, outside of where it is stored; the forced one first.
pub(super) fn read_of(taken: &initialiser::Taken, class: Ref, values: &Values<'_>) -> Option<ReadFact> {
    let used = uses_of(taken.held, class, values);
    let forced = used.iter().copied().find(|&at| code::is_forced(at, values) && !code::is_met(at, values));
    let first = forced.or_else(|| used.first().copied())?;
    let at = code::node_at(first, values);
    Some(ReadFact {
        absent: Absent::of(forced.is_some(), false),
        ..ReadFact::of_parameter(&taken.fact.name, first, at)
    })
}

/// Where a property, or an initialiser's parameter, is used. One that is only stored is used where its
/// property is.
pub(super) fn uses_of(held: Ref, class: Ref, values: &Values<'_>) -> Vec<Ref> {
    let name = match values.kind(held) {
        Kind::Variable(variable) => variable.name.clone(),
        Kind::Parameter(parameter) => parameter.name.clone(),
        _ => return Vec::new(),
    };
    let meant = match values.kind(held) {
        Kind::Variable(_) => Def::Variable(held),
        _ => Def::Parameter(held),
    };
    let mut found = Vec::new();
    let files: Vec<u32> = match meant {
        Def::Parameter(_) => vec![held.file],
        _ => values.files_of(class),
    };
    let mentions = files.into_iter().flat_map(|file| values.program().uses_in(file, &name)).copied();
    for at in mentions.filter(|&at| values.meaning(&Expr::new(at)) == Some(meant.clone())) {
        let here = values.tree(at);
        match here.node(at.id).parent.map(|id| here.kind(id)) {
            Some(Kind::Assign { target, .. }) if *target == at.id => {}
            // Stored under another name, or handed to the base: that is where it goes on.
            Some(Kind::Assign { target, value, .. })
                if *value == at.id && matches!(meant, Def::Parameter(_)) =>
            {
                let stored = values.meaning(&Expr::new(Ref { file: at.file, id: *target }));
                match stored {
                    Some(Def::Variable(property)) if property != held => {
                        found.extend(uses_of(property, class, values));
                    }
                    _ => found.push(at),
                }
            }
            _ => found.push(at),
        }
    }
    found
}
