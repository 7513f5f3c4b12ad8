//! What a manifest of Swift's package manager says of its package (docs.swift.org, "Package").

use super::Build;
use super::build_tokens::labelled;
use super::projects::Link;

/// The packages that it takes from folders.
pub(super) fn read(text: &str) -> Build {
    let links = labelled(text, "package", "path").map(|path| Link::Folder(path.to_owned()));
    Build { links: links.collect(), ..Build::default() }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn packages_from_folders() {
        let text = "let package = Package(name: \"Repairs\", dependencies: [
            .package(path: \"../BarnKit\"), .package(name: \"Labels\", path: \"../Labels\"),
            .package(url: \"https://example.org/far\", from: \"1.0.0\"),
        ], targets: [.target(name: \"Repairs\", path: \"Code\")])";
        let folders = ["../BarnKit", "../Labels"].map(|path| Link::Folder(path.to_owned()));
        assert_eq!(read(text).links, folders);
    }
}
