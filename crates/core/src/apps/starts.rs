//! Where an app starts, on each platform: what makes a module one that is built and started by itself.

use super::{Candidate, Own};
use crate::model::Platform;
use crate::source::{Language, ModuleInfo, Resource, SourceFile, SourceTree, Target, Tool, joined, plain};

/// Words of a file that starts an app (docs.flutter.dev, `runApp`; reactnative.dev, `AppRegistry`;
/// developer.android.com, "Intents and intent filters"; kivy.org, `App`; learn.microsoft.com,
/// "App class").
fn starts(file: &SourceFile, module: &ModuleInfo) -> bool {
    let text = file.text.as_str();
    let has = |words: &[&str]| words.iter().any(|word| text.contains(word));
    match file.language {
        Language::Dart => has(&["runApp("]),
        Language::Script { .. } => {
            has(&["registerComponent(", "registerRootComponent("]) || is_root_component(file, module)
        }
        Language::Xml(Resource::Manifest) => has(&["android.intent.category.LAUNCHER"]),
        Language::Swift => {
            has(&["@main", "@UIApplicationMain", "UIApplicationMain(", "UIApplicationDelegate"])
        }
        Language::ObjectiveC => has(&["UIApplicationMain(", "UIApplicationDelegate"]),
        Language::Python => has(&[".run(", "runTouchApp("]) && (has(&["kivy"]) || is_main(file)),
        Language::Xaml => has(&["<Application", ":Application"]),
        Language::CSharp => has(&["UseMauiApp<"]),
        _ => false,
    }
}

/// What an entry that nobody writes registers (docs.expo.dev, "registerRootComponent").
fn is_root_component(file: &SourceFile, module: &ModuleInfo) -> bool {
    let (folder, name) = file.path.rsplit_once('/').unwrap_or(("", &file.path));
    folder == plain(&module.path) && name.split('.').next() == Some("App")
}

/// The program of an app in Python (buildozer.readthedocs.io, "source.dir").
fn is_main(file: &SourceFile) -> bool {
    file.language == Language::Python && file.path.rsplit('/').next() == Some("main.py")
}

/// What the build file alone says.
fn is_said_to_start(module: &ModuleInfo) -> bool {
    let main = module.build.main.as_deref().unwrap_or_default();
    match module.build.tool {
        Tool::Gradle | Tool::Project => module.build.runs,
        Tool::Npm => {
            module.build.runs
                || ["expo-router/entry", "expo/AppEntry"].iter().any(|entry| main.contains(entry))
        }
        _ => false,
    }
}

/// Every app of a tree, by module.
pub(super) fn candidates(sources: &SourceTree) -> Vec<Candidate> {
    let mut platforms: Vec<Vec<Platform>> = vec![Vec::new(); sources.modules.len()];
    let mut mains: Vec<Vec<&str>> = vec![Vec::new(); sources.modules.len()];
    for file in &sources.files {
        if !starts(file, &sources.modules[file.module]) {
            continue;
        }
        let known = &mut platforms[file.module];
        if !known.contains(&file.language.platform()) {
            known.push(file.language.platform());
        }
        if is_main(file) {
            mains[file.module].push(file.path.rsplit_once('/').map_or("", |(folder, _)| folder));
        }
    }
    let hosted: Vec<bool> = (0..sources.modules.len()).map(|i| owner(sources, i).is_some()).collect();
    let mut candidates = Vec::new();
    for (i, module) in sources.modules.iter().enumerate().filter(|&(i, _)| !hosted[i]) {
        candidates.extend(of_module(i, module, &platforms[i], &mains[i]));
    }
    candidates.retain(|candidate| sources.files.iter().any(|file| file.module == candidate.module));
    candidates
}

/// The module whose app another module is only a native folder of.
pub(super) fn owner(sources: &SourceTree, inner: usize) -> Option<usize> {
    const NATIVE: &[&str] = &["android", "ios", "macos", "windows", "linux", "web", "tvos", "visionos"];
    let path = sources.modules[inner].path.as_str();
    let is_host = |outer: &ModuleInfo| {
        let inside = match outer.path.as_str() {
            "." => Some(path),
            folder => path.strip_prefix(folder).and_then(|rest| rest.strip_prefix('/')),
        };
        let first = inside.and_then(|inside| inside.split('/').next());
        matches!(outer.build.tool, Tool::Pub | Tool::Npm) && first.is_some_and(|name| NATIVE.contains(&name))
    };
    let outer = sources.modules.iter().enumerate().filter(|(i, outer)| *i != inner && is_host(outer));
    outer.max_by_key(|(_, outer)| outer.path.len()).map(|(i, _)| i)
}

fn of_module(i: usize, module: &ModuleInfo, platforms: &[Platform], mains: &[&str]) -> Vec<Candidate> {
    let platform = match module.build.tool {
        Tool::Pub => Some(Platform::Flutter).filter(|known| platforms.contains(known)),
        Tool::Npm => {
            let says = is_said_to_start(module) || platforms.contains(&Platform::ReactNative);
            says.then_some(Platform::ReactNative)
        }
        Tool::Gradle => {
            let says = is_said_to_start(module) || platforms.contains(&Platform::Android);
            says.then_some(Platform::Android)
        }
        Tool::MsBuild => Some(Platform::Xaml).filter(|known| platforms.contains(known)),
        Tool::SwiftPackage => Some(Platform::Apple).filter(|known| platforms.contains(known)),
        Tool::Project if module.build.runs => Some(Platform::Apple),
        Tool::Project | Tool::None => platforms.first().copied(),
    };
    let Some(platform) = platform else { return Vec::new() };
    let name = module.build.name.clone().unwrap_or_default();
    let whole = Candidate { name, platform, module: i, own: None };
    let targets: Vec<&Target> = module.build.targets.iter().filter(|target| target.application).collect();
    match platform {
        Platform::Apple if !targets.is_empty() => of_targets(module, &targets, &whole),
        Platform::Kivy if mains.len() > 1 => of_folders(mains, &whole),
        _ => vec![whole],
    }
}

/// One app a target; targets of the same files are flavours of one.
fn of_targets(module: &ModuleInfo, targets: &[&Target], whole: &Candidate) -> Vec<Candidate> {
    let mut sets: Vec<(String, Vec<String>)> = Vec::new();
    for target in targets {
        let mut taken = sources_of(target, module, 16);
        taken.sort();
        taken.dedup();
        if !sets.iter().any(|(_, known)| *known == taken) {
            sets.push((target.name.clone(), taken));
        }
    }
    let own = |i: usize| {
        let taken = sets[i].1.clone();
        let others =
            sets.iter().enumerate().filter(|(other, _)| *other != i).flat_map(|(_, (_, taken))| taken);
        let left: Vec<String> = others.cloned().collect();
        let only: Vec<&String> = taken.iter().filter(|path| !left.contains(path)).collect();
        let root = match sets.len() {
            1 => module.path.clone(),
            _ => folder_around(&only).unwrap_or_else(|| module.path.clone()),
        };
        Own { root, taken, left }
    };
    let app = |i: usize| Candidate { name: sets[i].0.clone(), own: Some(own(i)), ..whole.clone() };
    (0..sets.len()).map(app).collect()
}

/// A target's sources from the root of the tree, with those of the targets that it needs.
fn sources_of(target: &Target, module: &ModuleInfo, depth: usize) -> Vec<String> {
    let own = target.sources.iter().map(|path| joined(plain(&module.path), path));
    let needed = module.build.targets.iter().filter(|other| depth > 0 && target.needs.contains(&other.name));
    own.chain(needed.flat_map(|other| sources_of(other, module, depth - 1))).collect()
}

/// The nearest folder around some files and folders.
fn folder_around(paths: &[&String]) -> Option<String> {
    let is_file = |path: &str| path.rsplit('/').next().is_some_and(|name| name.contains('.'));
    let folders = paths.iter().map(|path| match is_file(path) {
        true => path.rsplit_once('/').map_or("", |(folder, _)| folder),
        false => path.as_str(),
    });
    let around = folders.map(|folder| folder.split('/').collect::<Vec<_>>()).reduce(|one, other| {
        one.into_iter().zip(other).take_while(|(a, b)| a == b).map(|(a, _)| a).collect()
    })?;
    Some(around.join("/")).filter(|folder| !folder.is_empty())
}

/// Several programs without a build file each: one app a folder that has a `main.py`
/// (buildozer.readthedocs.io, "source.dir").
fn of_folders(mains: &[&str], whole: &Candidate) -> Vec<Candidate> {
    let app = |folder: &&str| {
        let others = mains.iter().filter(|other| *other != folder);
        let own = Own {
            root: (*folder).to_owned(),
            taken: vec![(*folder).to_owned()],
            left: others.map(|other| (*other).to_owned()).collect(),
        };
        Candidate { name: (*folder).to_owned(), own: Some(own), ..whole.clone() }
    };
    mains.iter().map(app).collect()
}
