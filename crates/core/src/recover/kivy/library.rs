//! What well-known members of Kivy's own classes hand back.

use super::SPEAKS;
use crate::values::Library;

pub(in crate::recover) const LIBRARY: Library = Library {
    speaks: SPEAKS,
    members: &[],
    factories: &[],
    typed: &[],
    derived: &[],
    texts: &[],
    plain: &[],
    hands_on: &[],
    enlists: &[],
    keeps: &[],
    lists: &[],
    resources: &[],
    previews: |_| false,
    singletons: &[("app", &["App", "MDApp"]), ("get_running_app", &["App", "MDApp"])],
};
