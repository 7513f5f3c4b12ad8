//! What well-known members of Android's own classes hand back.

use crate::source::Language;
use crate::syntax::TextStep;
use crate::values::Library;

pub(in crate::recover) const LIBRARY: Library = Library {
    speaks: |language| matches!(language, Language::Kotlin | Language::Java),
    members: &[
        ("activity", "Activity"),
        ("arguments", "Bundle?"),
        ("beginTransaction", "FragmentTransaction"),
        ("bundleOf", "Bundle"),
        ("childFragmentManager", "FragmentManager"),
        ("createNavigateOnClickListener", "OnClickListener"),
        ("currentBackStackEntry", "NavBackStackEntry"),
        ("extras", "Bundle"),
        ("findNavController", "NavController"),
        ("fragmentManager", "FragmentManager"),
        ("fromUri", "NavDeepLinkRequest.Builder"),
        ("getBackStackEntry", "NavBackStackEntry"),
        ("getCurrentBackStackEntry", "NavBackStackEntry?"),
        ("getPreviousBackStackEntry", "NavBackStackEntry?"),
        ("intent", "Intent"),
        ("navController", "NavController"),
        ("parentFragmentManager", "FragmentManager"),
        ("previousBackStackEntry", "NavBackStackEntry"),
        ("rememberNavController", "NavHostController"),
        ("requireActivity", "Activity"),
        ("requireArguments", "Bundle"),
        ("savedStateHandle", "SavedStateHandle"),
        ("supportFragmentManager", "FragmentManager"),
        ("toBundle", "Bundle"),
        ("toUri", "Uri"),
    ],
    factories: &[("Uri", "parse", "Uri")],
    typed: &[],
    derived: &[("NavHostController", "NavController")],
    texts: &[("create", TextStep::Argument), ("parse", TextStep::Argument), ("toUri", TextStep::Receiver)],
    plain: &["Bundle", "Intent", "NavDirections", "Uri"],
    hands_on: &[],
    enlists: &[],
    keeps: &["coroutineScope", "remember", "rememberSaveable", "runBlocking", "withContext"],
    lists: &[],
    resources: &["R"],
    previews: |name| name.contains("Preview"),
    singletons: &[],
};
