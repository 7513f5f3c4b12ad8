//! Files of which a build takes one: source sets of a module, a platform's own, one put aside.

/// Ends of a script's stem by which a bundler takes one file a platform.
const PLATFORMS: &[&str] = &["android", "ios", "native", "web", "windows", "macos"];

/// Whether no build has both files (paths with `/`), or takes the one in place of the other: they
/// stand in two source sets of a module, are one script for two platforms, or one lies in a folder
/// that keeps what the other one was (`x` and `x.old`).
#[must_use]
pub fn are_alternatives(one: &str, other: &str) -> bool {
    let sets = source_set(one).zip(source_set(other));
    let in_sets = sets.is_some_and(|(one, other)| one.0 == other.0 && one.1 != other.1);
    in_sets || are_of_platforms(one, other) || is_put_aside(one, other)
}

/// The module's folder and the set in it, of `<module>/src/<set>/…`.
fn source_set(path: &str) -> Option<(&str, &str)> {
    let at = if path.starts_with("src/") { 0 } else { path.find("/src/")? + 1 };
    let set = path[at + "src/".len()..].split_once('/')?.0;
    Some((&path[..at], set))
}

fn are_of_platforms(one: &str, other: &str) -> bool {
    let (stem, own) = platform(one);
    let (other_stem, other_own) = platform(other);
    stem == other_stem && own != other_own
}

/// A script's path without its end, and the platform in its name.
fn platform(path: &str) -> (&str, Option<&str>) {
    let name_at = path.rfind('/').map_or(0, |at| at + 1);
    let Some(dot) = path[name_at..].rfind('.').map(|at| name_at + at) else { return (path, None) };
    match path[name_at..dot].rfind('.').map(|at| name_at + at) {
        Some(at) if PLATFORMS.contains(&&path[at + 1..dot]) => (&path[..at], Some(&path[at + 1..dot])),
        _ => (&path[..dot], None),
    }
}

fn is_put_aside(one: &str, other: &str) -> bool {
    let (ours, theirs): (Vec<&str>, Vec<&str>) = (one.split('/').collect(), other.split('/').collect());
    let mut apart = ours.iter().zip(&theirs).filter(|(own, other)| own != other);
    let old = |own: &str, other: &str| own.strip_suffix(".old") == Some(other);
    ours.len() == theirs.len()
        && apart.next().is_some_and(|(own, other)| old(own, other) || old(other, own))
        && apart.next().is_none()
}

#[cfg(test)]
mod tests {
    use super::are_alternatives;

    #[test]
    fn a_build_takes_one_of_two_sets_platforms_or_ages() {
        for (one, other) in [
            ("app/src/free/java/Extra.kt", "app/src/paid/java/Extra.kt"),
            ("src/main/java/Extra.kt", "src/debug/java/more/Extra.kt"),
            ("screens/Shelf.ios.tsx", "screens/Shelf.android.tsx"),
            ("screens/Shelf.tsx", "screens/Shelf.web.tsx"),
            ("lib/shelf.old/page.dart", "lib/shelf/page.dart"),
        ] {
            assert!(are_alternatives(one, other), "{one} and {other}");
            assert!(are_alternatives(other, one), "{other} and {one}");
        }
        for (one, other) in [
            ("app/src/main/java/Extra.kt", "loans/src/free/java/Extra.kt"),
            ("app/src/main/java/Extra.kt", "app/src/main/java/Extra2.kt"),
            ("src/screens/Shelf.tsx", "src/screens/Item.tsx"),
            ("screens/Shelf.ios.tsx", "screens/Item.android.tsx"),
            ("screens/Shelf.tsx", "screens/Shelf.js"),
        ] {
            assert!(!are_alternatives(one, other), "{one} and {other}");
        }
    }
}
