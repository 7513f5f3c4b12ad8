//! Storyboards: their scenes, what is first in them, and the segues between them.

use crate::facts::{At, ContainerKey, RouteKey};
use crate::source::Language;
use crate::syntax::{Element, ElementId, Markup};
use crate::values::{Ref, Values};

/// A storyboard.
#[derive(Debug)]
pub(super) struct Board {
    /// Index of its file.
    pub(super) file: u32,
    /// Its name, as code writes it.
    pub(super) name: String,
    /// Its document.
    pub(super) key: ContainerKey,
    /// Its scenes, in order.
    pub(super) scenes: Vec<Scene>,
    /// The id of the scene that is shown first.
    initial: Option<String>,
}

/// A scene.
#[derive(Debug)]
pub(super) struct Scene {
    id: String,
    /// What it is.
    pub(super) kind: SceneKind,
    /// Its class's name.
    pub(super) class: Option<String>,
    /// The module of its class, where that is not the storyboard's own.
    module: Option<String>,
    /// The name that code has for it.
    pub(super) identifier: Option<String>,
    /// What it is called where nothing names it.
    called: String,
    /// The segues from it.
    pub(super) segues: Vec<Segue>,
    /// What it holds, by id.
    holds: Vec<String>,
    /// It holds tabs.
    pub(super) tabs: bool,
    /// Its element.
    pub(super) at: At,
}

/// What a scene is.
#[derive(Debug)]
pub(super) enum SceneKind {
    /// A controller with content of its own.
    Content,
    /// One that only holds others.
    Container,
    /// A scene of another storyboard, by name, and by identifier or as what is first there.
    Reference(String, Option<String>),
}

/// A way from a scene to another.
#[derive(Debug)]
pub(super) struct Segue {
    /// How it shows its destination.
    pub(super) kind: String,
    /// The id of where it leads.
    pub(super) destination: String,
    /// The name that code has for it.
    pub(super) identifier: Option<String>,
    /// The method that an unwind looks for.
    pub(super) unwinds: Option<String>,
    /// Something in the scene fires it.
    pub(super) wired: bool,
    /// Its element.
    pub(super) at: At,
}

/// Elements that are controllers, and whether they only hold others.
const CONTROLLERS: &[(&str, bool)] = &[
    ("avPlayerViewController", false),
    ("collectionViewController", false),
    ("glkViewController", false),
    ("hostingController", false),
    ("navigationController", true),
    ("pageViewController", true),
    ("splitViewController", true),
    ("tabBarController", true),
    ("tableViewController", false),
    ("viewController", false),
    ("viewControllerPlaceholder", false),
];

/// Every storyboard of the source.
pub(super) fn boards(values: &Values<'_>) -> Vec<Board> {
    let program = values.program();
    let files = program.parsed().filter(|&file| program.source(file).language == Language::Storyboard);
    files.filter_map(|file| board(file, program.markup(file)?, values)).collect()
}

fn board(file: u32, markup: &Markup, values: &Values<'_>) -> Option<Board> {
    let (_, root) = markup.root()?;
    let path = &values.program().source(file).path;
    let name = path.rsplit('/').next()?.strip_suffix(".storyboard")?;
    let mut scenes = Vec::new();
    for (id, element) in markup.elements() {
        if let Some((_, holds)) = CONTROLLERS.iter().find(|(name, _)| element.name == *name) {
            // Only what stands in a scene's objects is one of its own.
            let in_scene = element.parent.is_some_and(|parent| markup.element(parent).name == "objects");
            if in_scene {
                scenes.push(scene(file, id, element, *holds, markup));
            }
        }
    }
    Some(Board {
        file,
        name: name.to_owned(),
        key: ContainerKey(At { file, span: root.span }),
        scenes,
        initial: value(root, "initialViewController"),
    })
}

fn value(element: &Element, name: &str) -> Option<String> {
    element.attribute("", name).map(|attribute| attribute.value.clone())
}

fn scene(file: u32, id: ElementId, element: &Element, holds: bool, markup: &Markup) -> Scene {
    let kind = match element.name.as_str() {
        "viewControllerPlaceholder" => SceneKind::Reference(
            value(element, "storyboardName").unwrap_or_default(),
            value(element, "referencedIdentifier"),
        ),
        _ if holds => SceneKind::Container,
        _ => SceneKind::Content,
    };
    let mut scene = Scene {
        id: value(element, "id").unwrap_or_default(),
        kind,
        class: value(element, "customClass"),
        module: value(element, "customModule").filter(|_| value(element, "customModuleProvider").is_none()),
        identifier: value(element, "storyboardIdentifier"),
        called: called(id, element, markup),
        segues: Vec::new(),
        holds: Vec::new(),
        tabs: element.name == "tabBarController",
        at: At { file, span: element.span },
    };
    collect_segues(file, id, id, markup, &mut scene);
    scene
}

/// A scene's title with its id, as the editor shows them.
fn called(id: ElementId, element: &Element, markup: &Markup) -> String {
    let own = value(element, "id").unwrap_or_default();
    let item = markup.children(id).find(|(_, child)| child.name == "navigationItem");
    let title = value(element, "title").or_else(|| value(item?.1, "title"));
    title.map_or_else(|| own.clone(), |title| format!("{title} ({own})"))
}

fn collect_segues(file: u32, scene_id: ElementId, within: ElementId, markup: &Markup, scene: &mut Scene) {
    for (child_id, child) in markup.children(within) {
        if child.name == "segue" {
            let destination = value(child, "destination").unwrap_or_default();
            let kind = value(child, "kind").unwrap_or_default();
            if kind == "relationship" {
                scene.holds.push(destination);
                continue;
            }
            scene.segues.push(Segue {
                kind,
                destination,
                identifier: value(child, "identifier"),
                unwinds: value(child, "unwindAction"),
                // The scene's own connections are fired by code, those of what is in it by a tap.
                wired: markup.element(within).parent != Some(scene_id),
                at: At { file, span: child.span },
            });
        } else {
            collect_segues(file, scene_id, child_id, markup, scene);
        }
    }
}

/// A scene's place among all storyboards.
pub(super) type At2 = (usize, usize);

/// What a storyboard shows first, containers looked through.
pub(super) fn initial(boards: &[Board], board: usize) -> Option<At2> {
    let id = boards[board].initial.as_ref()?;
    content(boards, board, id, 0)
}

/// The scene with content that an id of a storyboard leads to.
pub(super) fn content(boards: &[Board], board: usize, id: &str, depth: usize) -> Option<At2> {
    let place = boards[board].scenes.iter().position(|scene| scene.id == id)?;
    if depth > 8 {
        return None;
    }
    let scene = &boards[board].scenes[place];
    match &scene.kind {
        SceneKind::Content => Some((board, place)),
        SceneKind::Container => content(boards, board, scene.holds.first()?, depth + 1),
        SceneKind::Reference(name, identifier) => {
            let other = boards.iter().position(|board| board.name == *name)?;
            match identifier {
                None => initial(boards, other),
                Some(identifier) => {
                    let named = |scene: &&Scene| scene.identifier.as_ref() == Some(identifier);
                    let id = &boards[other].scenes.iter().find(named)?.id;
                    content(boards, other, id, depth + 1)
                }
            }
        }
    }
}

/// The scene with content that an identifier of a storyboard leads to.
pub(super) fn identified(boards: &[Board], board: usize, identifier: &str) -> Option<At2> {
    let named = |scene: &&Scene| scene.identifier.as_deref() == Some(identifier);
    let id = &boards[board].scenes.iter().find(named)?.id;
    content(boards, board, id, 0)
}

/// Scenes that a container of tabs holds.
pub(super) fn tabs_of(boards: &[Board], board: usize) -> Vec<At2> {
    let holders = boards[board].scenes.iter().filter(|scene| scene.tabs);
    holders.flat_map(|scene| scene.holds.iter().filter_map(|id| content(boards, board, id, 0))).collect()
}

impl Board {
    /// Whether it says which of its scenes comes first, whatever that one shows.
    pub(super) fn names_its_initial(&self) -> bool {
        self.initial.as_ref().is_some_and(|id| self.scenes.iter().any(|scene| scene.id == *id))
    }
}

impl Scene {
    /// What callers name it by; its title and id where nothing names it.
    pub(super) fn name(&self) -> &str {
        self.identifier.as_deref().or(self.class.as_deref()).unwrap_or(&self.called)
    }

    /// Whether nothing names it and nothing leads on from it.
    pub(super) fn is_bare(&self) -> bool {
        self.identifier.is_none() && self.class.is_none() && self.segues.is_empty()
    }

    /// Its route's identity.
    pub(super) fn key(&self) -> RouteKey {
        RouteKey(self.at)
    }

    /// The declaration of its class.
    pub(super) fn declared(&self, values: &Values<'_>) -> Option<Ref> {
        let name = self.class.as_ref()?;
        values.expect_class(name);
        values.program().classes_named(name).first().copied()
    }

    /// Whether its class is said to be in another module than the app's.
    pub(super) fn is_of_other_module(&self) -> bool {
        self.module.is_some()
    }
}
