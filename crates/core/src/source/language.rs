//! Which files are read, as what, and which are left aside for good.

use crate::model::Platform;

/// The language a file is written in, as far as it matters here.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash)]
pub enum Language {
    /// Kotlin source.
    Kotlin,
    /// Java source.
    Java,
    /// Dart source.
    Dart,
    /// JavaScript or TypeScript source.
    Script {
        /// It may hold elements in angle brackets.
        elements: bool,
    },
    /// Swift source.
    Swift,
    /// Objective-C source or header.
    ObjectiveC,
    /// Python source.
    Python,
    /// A document of Kivy's own language.
    Kv,
    /// C# source.
    CSharp,
    /// A XAML document, or the manifest of an app whose pages are XAML.
    Xaml,
    /// A storyboard.
    Storyboard,
    /// A property list.
    PropertyList,
    /// An Android resource or manifest.
    Xml(Resource),
}

/// Android XML by what its folder makes of it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash)]
pub enum Resource {
    /// `AndroidManifest.xml`.
    Manifest,
    /// `res/navigation*/`.
    Navigation,
    /// `res/layout*/`.
    Layout,
    /// `res/menu*/`.
    Menu,
    /// `res/xml*/`: preferences and the like.
    Other,
}

impl Language {
    /// Tells a file's language from its path (with `/`), or `None` if it is not read.
    #[must_use]
    pub fn of(path: &str) -> Option<Self> {
        let (folders, name) = path.rsplit_once('/').unwrap_or(("", path));
        let (_, extension) = name.rsplit_once('.')?;
        match extension {
            "kt" => Some(Self::Kotlin),
            "java" => Some(Self::Java),
            "dart" => Some(Self::Dart),
            "ts" | "mts" | "cts" => (!name.ends_with(".d.ts")).then_some(Self::Script { elements: false }),
            "tsx" | "jsx" | "js" | "mjs" | "cjs" => Some(Self::Script { elements: true }),
            "swift" => (name != "Package.swift").then_some(Self::Swift),
            "m" | "mm" | "h" => Some(Self::ObjectiveC),
            "py" => Some(Self::Python),
            "kv" => Some(Self::Kv),
            "cs" => Some(Self::CSharp),
            "xaml" => Some(Self::Xaml),
            "xml" if name == "WMAppManifest.xml" => Some(Self::Xaml),
            "storyboard" => Some(Self::Storyboard),
            "plist" => Some(Self::PropertyList),
            "xml" if name == "AndroidManifest.xml" => Some(Self::Xml(Resource::Manifest)),
            "xml" => Resource::of_folder(folders).map(Self::Xml),
            _ => None,
        }
    }

    /// The platform whose apps are written in it.
    #[must_use]
    pub fn platform(self) -> Platform {
        match self {
            Self::Kotlin | Self::Java | Self::Xml(_) => Platform::Android,
            Self::Dart => Platform::Flutter,
            Self::Script { .. } => Platform::ReactNative,
            Self::Python | Self::Kv => Platform::Kivy,
            Self::CSharp | Self::Xaml => Platform::Xaml,
            Self::Swift | Self::ObjectiveC | Self::Storyboard | Self::PropertyList => Platform::Apple,
        }
    }

    /// Whether the file is program code rather than markup.
    #[must_use]
    pub fn is_code(self) -> bool {
        !matches!(self, Self::Xml(_) | Self::Xaml | Self::Storyboard | Self::PropertyList)
    }
}

impl Resource {
    /// Resource folders are `res/<type>` with qualifiers after a dash
    /// (developer.android.com, "App resources overview").
    fn of_folder(folders: &str) -> Option<Self> {
        let mut parts = folders.rsplit('/');
        let folder = parts.next()?;
        match folder.split('-').next()? {
            "navigation" => Some(Self::Navigation),
            "layout" => Some(Self::Layout),
            "menu" => Some(Self::Menu),
            "xml" => Some(Self::Other),
            _ => None,
        }
    }
}

/// Whether a path belongs to tests: a Gradle source set named for them, or a folder of a Dart package.
pub(super) fn is_test_source(path: &str) -> bool {
    if path.ends_with(".dart") {
        let folder = |part: &str| matches!(part, "test" | "integration_test" | "test_driver");
        return path.ends_with("_test.dart") || path.split('/').any(folder);
    }
    let name = path.rsplit('/').next().unwrap_or(path);
    if matches!(Language::of(path), Some(Language::Script { .. })) {
        let folder =
            |part: &str| matches!(part, "__tests__" | "__mocks__" | "e2e" | "__fixtures__" | ".storybook");
        let word = [".test.", ".spec.", ".stories.", ".e2e."].iter().any(|word| name.contains(word));
        return word || path.split('/').any(folder);
    }
    if path.ends_with(".py") || path.ends_with(".kv") {
        let folder = |part: &str| matches!(part, "tests" | "test");
        return path.rsplit('/').skip(1).any(folder)
            || name.starts_with("test_")
            || name.ends_with("_test.py")
            || name == "conftest.py"
            || name == "setup.py";
    }
    if path.ends_with(".cs") || path.ends_with(".xaml") {
        let folder = |part: &str| part.ends_with("Tests") || part.ends_with("Test");
        return path.rsplit('/').skip(1).any(folder) || name.ends_with("Tests.cs");
    }
    if path.ends_with(".swift") {
        let folder = |part: &str| part.ends_with("Tests") || part.ends_with("TestCase");
        let stem = name.trim_end_matches(".swift");
        return path.rsplit('/').skip(1).any(folder) || stem.ends_with("Tests") || stem.ends_with("Test");
    }
    let mut parts = path.split('/').peekable();
    while let Some(part) = parts.next() {
        let Some(set) = parts.peek().filter(|_| part == "src") else { continue };
        let fixed = set.starts_with("test") || set.starts_with("androidTest");
        if fixed || set.ends_with("Test") || set.contains("UnitTest") {
            return true;
        }
    }
    false
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn resources_are_told_by_folder_and_qualifiers() {
        let of = |p| Language::of(p);
        assert_eq!(of("a/src/main/res/navigation/x.xml"), Some(Language::Xml(Resource::Navigation)));
        assert_eq!(of("a/res/layout-sw600dp/x.xml"), Some(Language::Xml(Resource::Layout)));
        assert_eq!(of("a/res/drawable/x.xml"), None);
        assert_eq!(of("a/README.md"), None);
    }

    #[test]
    fn test_source_sets_are_told_from_packages_named_test() {
        assert!(is_test_source("app/src/androidTest/java/x/A.kt"));
        assert!(is_test_source("shared/src/commonTest/kotlin/A.kt"));
        assert!(is_test_source("app/src/testDebug/java/A.kt"));
        assert!(!is_test_source("app/src/main/java/x/test/A.kt"));
        assert!(is_test_source("test/shelf_page_test.dart"));
        assert!(!is_test_source("lib/latest/shelf_page.dart"));
    }
}
