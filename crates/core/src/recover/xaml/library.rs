//! What well-known members of the XAML frameworks hand back.

use super::SPEAKS;
use crate::syntax::TextStep;
use crate::values::Library;

pub(in crate::recover) const LIBRARY: Library = Library {
    speaks: SPEAKS,
    members: &[("Text", "string")],
    factories: &[("NavigationService", "GetNavigationService", "NavigationService")],
    typed: &[],
    derived: &[
        ("PhoneApplicationFrame", "Frame"),
        ("PhoneApplicationPage", "Page"),
        ("TransitionFrame", "Frame"),
    ],
    texts: &[("ShellNavigationState", TextStep::Argument), ("Uri", TextStep::Argument)],
    plain: &[],
    hands_on: &[],
    enlists: &["AddScoped", "AddSingleton", "AddTransient"],
    keeps: &[],
    lists: &[],
    resources: &[],
    previews: |_| false,
    singletons: &[],
};
