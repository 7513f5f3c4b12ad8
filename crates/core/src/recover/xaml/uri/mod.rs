//! Pages by URI: mapped or by their file, opened on a frame
//! (learn.microsoft.com, "In-app navigation for Windows Phone", "Navigation overview", "Frame.Navigate").

mod calls;
mod frames;
mod links;
mod mapped;
mod mappings;
mod queries;
mod reads;
mod routes;
mod starts;
mod targets;
mod typed;

#[cfg(test)]
mod tests;
#[cfg(test)]
mod typed_tests;

pub(super) use queries::{Pair, split};
pub(super) use targets::unescaped;

use super::SPEAKS;
use crate::facts::{Choice, Facts, Ways};
use crate::model::Style;
use crate::recover::xaml::WAYS;
use crate::recover::{Saying, StyleRecoverer};
use crate::source::Language;
use crate::values::Values;

const STYLE: Style = Style::XamlUri;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(STYLE),
    speaks: SPEAKS,
    words: &[
        "Navigate",
        "GoBack",
        "NavigationContext",
        "QueryString",
        "NavigationEventArgs",
        "ShellTile",
        "NavigationService",
        "UriMapp",
        "typeof(",
    ],
    verbs: &["Navigate", "GoBack"],
    recover,
    ways: Ways { choice: Choice::InOrder, ..WAYS },
    joins: &[mapped::JOIN],
    says: &[Saying {
        rule: "out-of-scope-route",
        why: "An address that names no assembly is one of its own project.",
    }],
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    match values.program().source(file).language {
        Language::Xaml => {
            routes::recover(file, values, facts);
            mappings::recover(file, values, facts);
            links::recover(file, values, facts);
            frames::recover(file, values, facts);
        }
        _ => {
            mappings::of_code(file, values, facts);
            calls::recover(file, values, facts);
            typed::kept(file, values, facts);
            reads::recover(file, values, facts);
        }
    }
}
