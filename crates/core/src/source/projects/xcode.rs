//! An editor's project file for Apple's platforms: an old-style property list of objects by their ids
//! (developer.apple.com, "Xcode project"; the format itself is not published, but the same since long).

use super::super::Build;
use super::super::library::joined;
use super::{Link, Target};
use plist::{Dictionary, Value};
use rustc_hash::FxHashMap;

/// How deep groups are followed.
const MAX_DEPTH: usize = 64;

/// The targets that a project builds, and the packages that it takes from folders. What is not valid
/// says nothing.
pub(in crate::source) fn read(text: &str) -> Build {
    let root = Value::from_reader_ascii(text.as_bytes()).ok().and_then(Value::into_dictionary);
    let objects = root.as_ref().and_then(|root| root.get("objects")?.as_dictionary());
    let Some(objects) = objects else { return Build::default() };
    let project = Project::new(objects);
    let targets: Vec<Target> =
        project.of_kind("PBXNativeTarget").map(|target| project.target(target)).collect();
    let packages = project.of_kind("XCLocalSwiftPackageReference");
    let packages = packages.filter_map(|package| text_of(package, "relativePath")).map(str::to_owned);
    let links = packages.chain(project.folders()).map(Link::Folder).collect();
    Build { runs: targets.iter().any(|target| target.application), targets, links, ..Build::default() }
}

struct Project<'p> {
    objects: &'p Dictionary,
    /// Paths of files and groups by their ids.
    paths: FxHashMap<&'p str, String>,
}

impl<'p> Project<'p> {
    fn new(objects: &'p Dictionary) -> Self {
        let mut project = Self { objects, paths: FxHashMap::default() };
        let main = project.of_kind("PBXProject").find_map(|root| text_of(root, "mainGroup"));
        if let Some(main) = main {
            project.walk(main, "", MAX_DEPTH);
        }
        project
    }

    /// A group's path stands before those of what it holds, unless they count from the project.
    fn walk(&mut self, id: &'p str, around: &str, depth: usize) {
        let Some(object) = self.object(id).filter(|_| depth > 0) else { return };
        let around = if text_of(object, "sourceTree") == Some("SOURCE_ROOT") { "" } else { around };
        let path = text_of(object, "path").map_or_else(|| around.to_owned(), |path| joined_up(around, path));
        for child in texts_of(object, "children") {
            self.walk(child, &path, depth - 1);
        }
        self.paths.insert(id, path);
    }

    fn object(&self, id: &str) -> Option<&'p Dictionary> {
        self.objects.get(id)?.as_dictionary()
    }

    fn of_kind(&self, kind: &'static str) -> impl Iterator<Item = &'p Dictionary> + use<'p> {
        let objects = self.objects.values().filter_map(Value::as_dictionary);
        objects.filter(move |object| text_of(object, "isa") == Some(kind))
    }

    fn target(&self, target: &'p Dictionary) -> Target {
        let phases = texts_of(target, "buildPhases").filter_map(|phase| self.object(phase));
        let files = phases.flat_map(|phase| texts_of(phase, "files")).filter_map(|file| self.object(file));
        let files = files.filter_map(|file| text_of(file, "fileRef"));
        let synchronized = texts_of(target, "fileSystemSynchronizedGroups");
        let sources = files.flat_map(|file| self.variants(file)).chain(synchronized);
        let sources = sources.filter_map(|id| self.paths.get(id)).cloned().collect();
        let needs = texts_of(target, "dependencies").filter_map(|need| self.object(need));
        let needs = needs.filter_map(|need| self.object(text_of(need, "target")?));
        Target {
            name: text_of(target, "name").unwrap_or_default().to_owned(),
            application: text_of(target, "productType") == Some("com.apple.product-type.application"),
            sources,
            needs: needs.filter_map(|need| text_of(need, "name")).map(str::to_owned).collect(),
        }
    }

    /// A file in several languages is a group of its variants.
    fn variants(&self, file: &'p str) -> Vec<&'p str> {
        let group = self.object(file).filter(|object| text_of(object, "isa") == Some("PBXVariantGroup"));
        group.map_or_else(|| vec![file], |group| texts_of(group, "children").collect())
    }

    /// Folders that stand in the project as one thing each: a package may lie there.
    fn folders(&self) -> impl Iterator<Item = String> {
        let folder = |id: &&str| {
            let kind = self.object(id).and_then(|object| text_of(object, "lastKnownFileType"));
            matches!(kind, Some("wrapper" | "folder" | "text"))
        };
        let mut folders: Vec<String> =
            self.paths.keys().filter(|id| folder(id)).map(|id| self.paths[id].clone()).collect();
        folders.sort();
        folders.into_iter()
    }
}

/// A path from a folder that may lead out of the project's own.
fn joined_up(around: &str, path: &str) -> String {
    let up = path.split('/').take_while(|part| *part == "..").count();
    let inside = around.split('/').filter(|part| !part.is_empty()).count();
    match up.checked_sub(inside) {
        Some(out) if out > 0 => {
            let rest: Vec<&str> = path.split('/').skip(up).collect();
            format!("{}{}", "../".repeat(out), rest.join("/"))
        }
        _ => joined(around, path),
    }
}

fn text_of<'p>(object: &'p Dictionary, key: &str) -> Option<&'p str> {
    object.get(key)?.as_string()
}

fn texts_of<'p>(object: &'p Dictionary, key: &str) -> impl Iterator<Item = &'p str> + use<'p> {
    let list = object.get(key).and_then(Value::as_array);
    list.into_iter().flatten().filter_map(Value::as_string)
}

#[cfg(test)]
mod tests {
    use super::*;

    const PROJECT: &str = r#"// !$*UTF8*$!
{ archiveVersion = 1; objects = {
  P /* Project object */ = { isa = PBXProject; mainGroup = G; targets = ( T1, T2, T3, ); };
  G = { isa = PBXGroup; children = ( A, B, F3, K, ); sourceTree = "<group>"; };
  A = { isa = PBXGroup; children = ( F1, V, ); path = Members; sourceTree = "<group>"; };
  B = { isa = PBXFileSystemSynchronizedRootGroup; path = "../Shared Shelf"; sourceTree = "<group>"; };
  F1 = { isa = PBXFileReference; path = Home.swift; sourceTree = "<group>"; };
  F3 = { isa = PBXFileReference; path = Desk/Desk.swift; sourceTree = SOURCE_ROOT; };
  V = { isa = PBXVariantGroup; children = ( V1, ); name = Main.storyboard; sourceTree = "<group>"; };
  V1 = { isa = PBXFileReference; name = Base; path = Base.lproj/Main.storyboard; sourceTree = "<group>"; };
  K = { isa = PBXFileReference; lastKnownFileType = wrapper; path = Packages/Labels; sourceTree = "<group>"; };
  L = { isa = XCLocalSwiftPackageReference; relativePath = ../Kit; };
  S1 = { isa = PBXSourcesBuildPhase; files = ( X1, X2, ); };
  X1 = { isa = PBXBuildFile; fileRef = F1; };
  X2 = { isa = PBXBuildFile; fileRef = V; };
  S2 = { isa = PBXSourcesBuildPhase; files = ( X3, ); };
  X3 = { isa = PBXBuildFile; fileRef = F3; };
  D = { isa = PBXTargetDependency; target = T3; };
  T1 = { isa = PBXNativeTarget; name = Members; buildPhases = ( S1, ); dependencies = ( D, );
         fileSystemSynchronizedGroups = ( B, ); productType = "com.apple.product-type.application"; };
  T2 = { isa = PBXNativeTarget; name = Desk; buildPhases = ( S2, ); productType = "com.apple.product-type.application"; };
  T3 = { isa = PBXNativeTarget; name = Shelf; productType = "com.apple.product-type.app-extension"; };
}; rootObject = P; }"#;

    #[test]
    fn targets_with_their_files_and_the_packages_beside() {
        let build = read(PROJECT);
        let said: Vec<String> = build
            .targets
            .iter()
            .map(|t| format!("{} {} {} | {}", t.name, t.application, t.sources.join(" "), t.needs.join(" ")))
            .collect();
        let expected = [
            "Members true Members/Home.swift Members/Base.lproj/Main.storyboard ../Shared Shelf | Shelf",
            "Desk true Desk/Desk.swift | ",
            "Shelf false  | ",
        ];
        assert_eq!(said, expected);
        assert_eq!(build.links, ["../Kit", "Packages/Labels"].map(|path| Link::Folder(path.to_owned())));
        assert!(build.runs);
        assert_eq!(read("{ objects = { P = "), Build::default());
    }
}
