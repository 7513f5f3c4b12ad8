//! `page-push`: pages that code makes and pushes, without addresses (learn.microsoft.com,
//! "NavigationPage", "Modal pages", "TabbedPage", "FlyoutPage").

mod calls;
mod holders;
mod pages;
mod roots;
mod stackless;

#[cfg(test)]
mod tests;

use super::SPEAKS;
use crate::facts::{Facts, Names, Objects, Passes, Unopened, Ways};
use crate::model::Style;
use crate::recover::StyleRecoverer;
use crate::source::Language;
use crate::values::Values;

const STYLE: Style = Style::PagePush;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(STYLE),
    speaks: SPEAKS,
    words: &[
        "PushAsync",
        "PushModalAsync",
        "PopAsync",
        "PopModalAsync",
        "PopToRootAsync",
        "InsertPageBefore",
        "NavigationPage",
        "TabbedPage",
        "FlyoutPage",
        "MainPage",
        "new Window(",
    ],
    verbs: &["PushAsync", "PushModalAsync", "PopAsync", "PopModalAsync", "PopToRootAsync"],
    recover,
    ways: Ways {
        names: Names::Classes,
        passes: Passes::Checked,
        objects: Objects::Whole,
        unopened: Unopened::Shown,
        ..Ways::PLAIN
    },
    joins: &[stackless::JOIN],
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if values.program().source(file).language == Language::Xaml {
        holders::of_document(file, values, facts);
        return;
    }
    roots::recover(file, values, facts);
    holders::of_code(file, values, facts);
    calls::recover(file, values, facts);
    pages::reads(file, values, facts);
    stackless::recover(file, values, facts);
}
