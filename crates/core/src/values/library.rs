//! What well-known members of the platforms hand back. By last name only, so nothing that an app
//! is likely to name its own is in here; a declaration in the source always wins.

use super::scope::property_of;

const TYPES: &[(&str, &str)] = &[
    ("activity", "Activity"),
    ("arguments", "Bundle"),
    ("beginTransaction", "FragmentTransaction"),
    ("bundleOf", "Bundle"),
    ("childFragmentManager", "FragmentManager"),
    ("contains", "Boolean"),
    ("createNavigateOnClickListener", "OnClickListener"),
    ("currentBackStackEntry", "NavBackStackEntry"),
    ("endsWith", "Boolean"),
    ("extras", "Bundle"),
    ("findNavController", "NavController"),
    ("format", "String"),
    ("fragmentManager", "FragmentManager"),
    ("fromUri", "NavDeepLinkRequest.Builder"),
    ("getBackStackEntry", "NavBackStackEntry"),
    ("intent", "Intent"),
    ("isEmpty", "Boolean"),
    ("isNotEmpty", "Boolean"),
    ("joinToString", "String"),
    ("lowercase", "String"),
    ("navController", "NavController"),
    ("orEmpty", "String"),
    ("parentFragmentManager", "FragmentManager"),
    ("previousBackStackEntry", "NavBackStackEntry"),
    ("rememberNavController", "NavHostController"),
    ("replace", "String"),
    ("requireActivity", "Activity"),
    ("requireArguments", "Bundle"),
    ("savedStateHandle", "SavedStateHandle"),
    ("startsWith", "Boolean"),
    ("substring", "String"),
    ("supportFragmentManager", "FragmentManager"),
    ("toBoolean", "Boolean"),
    ("toBundle", "Bundle"),
    ("toDouble", "Double"),
    ("toFloat", "Float"),
    ("toInt", "Int"),
    ("toIntOrNull", "Int"),
    ("toLong", "Long"),
    ("toLongOrNull", "Long"),
    ("toString", "String"),
    ("toUri", "Uri"),
    ("trim", "String"),
    ("uppercase", "String"),
    ("valueOf", "String"),
];

/// The type that a member of this name has or hands back.
pub(super) fn type_of(name: &str) -> Option<&'static str> {
    let find = |name: &str| TYPES.binary_search_by(|(known, _)| (*known).cmp(name)).ok().map(|i| TYPES[i].1);
    find(name).or_else(|| property_of(name).and_then(|property| find(&property)))
}

/// Whether what it hands back may be null.
pub(super) fn may_be_null(name: &str) -> bool {
    matches!(
        name,
        "toIntOrNull"
            | "toLongOrNull"
            | "getArguments"
            | "arguments"
            | "getCurrentBackStackEntry"
            | "getPreviousBackStackEntry"
    )
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn the_table_is_sorted_and_accessors_find_their_property() {
        assert!(TYPES.is_sorted());
        assert_eq!(type_of("getNavController"), Some("NavController"));
        assert_eq!(type_of("getter"), None);
    }
}
