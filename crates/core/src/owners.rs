//! Which screens a place in the source belongs to: the screen it is written in, those derived from
//! it, or, in a helper, every screen that uses the helper.

use crate::facts::{PartFact, ReadFact, RouteFact, ScreenFact, ScreenId, Shows};
use crate::syntax::{ClassKind, Id, Kind, Modifier};
use crate::values::{Expr, Ref, Values};
use oxc_index::IndexVec;
use rustc_hash::{FxHashMap, FxHashSet};
use std::cell::RefCell;

/// Helpers of helpers are followed this deep.
const MAX_DEPTH: usize = 12;
/// Parts of parts are followed this deep.
const MAX_PARTS: usize = 6;

/// Answers whose a place is. What was asked once is remembered.
pub(crate) struct Owners<'p> {
    values: Values<'p>,
    by_class: FxHashMap<Ref, ScreenId>,
    /// Classes of screens, by the screen's index.
    classes: IndexVec<ScreenId, Ref>,
    /// Concrete screens at or below a class.
    below: FxHashMap<Ref, Vec<ScreenId>>,
    by_name: FxHashMap<String, Vec<ScreenId>>,
    /// Screens by what shows them in place.
    by_content: FxHashMap<Ref, ScreenId>,
    /// Nodes whose code runs for no screen.
    nobodys: FxHashSet<Ref>,
    known: RefCell<FxHashMap<Ref, Vec<ScreenId>>>,
}

impl<'p> Owners<'p> {
    pub(crate) fn new<'f>(
        screens: impl Iterator<Item = &'f ScreenFact>,
        routes: &[RouteFact],
        parts: &[PartFact],
        nobodys: Vec<Ref>,
        values: Values<'p>,
    ) -> Self {
        let screens: IndexVec<ScreenId, &ScreenFact> = screens.collect();
        let mut by_name: FxHashMap<String, Vec<ScreenId>> = FxHashMap::default();
        let mut below: FxHashMap<Ref, Vec<ScreenId>> = FxHashMap::default();
        for (i, screen) in screens.iter_enumerated() {
            by_name.entry(screen.name.clone()).or_default().push(i);
            if !screen.is_base {
                for class in values.lineage(screen.class) {
                    below.entry(class).or_default().push(i);
                }
            }
        }
        let classes: IndexVec<ScreenId, Ref> = screens.iter().map(|screen| screen.class).collect();
        let by_class = classes.iter_enumerated().map(|(i, &class)| (class, i)).collect();
        let by_path: FxHashMap<&str, ScreenId> =
            screens.iter_enumerated().map(|(i, screen)| (screen.path.as_str(), i)).collect();
        let contents = routes.iter().filter_map(|route| match &route.shows {
            Shows::Class(path, _) => Some((route.content?, *by_path.get(path.as_str())?)),
            _ => None,
        });
        // A part may be a part of another, which may come later.
        for _ in 0..MAX_PARTS {
            let before: usize = below.values().map(Vec::len).sum();
            for part in parts {
                let screens = below.get(&part.of).cloned().unwrap_or_default();
                for class in values.lineage(part.class) {
                    let known = below.entry(class).or_default();
                    let new: Vec<ScreenId> =
                        screens.iter().copied().filter(|screen| !known.contains(screen)).collect();
                    known.extend(new);
                }
            }
            if below.values().map(Vec::len).sum::<usize>() == before {
                break;
            }
        }
        below.retain(|_, screens| !screens.is_empty());
        let by_content = contents.collect();
        Self {
            values,
            by_class,
            classes,
            below,
            by_name,
            by_content,
            nobodys: nobodys.into_iter().collect(),
            known: RefCell::default(),
        }
    }

    /// The screens a node belongs to, in order.
    pub(crate) fn of(&self, site: Ref) -> Vec<ScreenId> {
        let mut found = FxHashSet::default();
        self.collect(site, &mut FxHashSet::default(), 0, &mut found);
        let mut found: Vec<ScreenId> = found.into_iter().collect();
        found.sort_unstable();
        found
    }

    /// What was generated for a screen names it; any other read belongs to where it is.
    pub(crate) fn of_read(&self, read: &ReadFact) -> Vec<ScreenId> {
        let named = read.generated.as_ref().and_then(|screen| self.by_name.get(screen));
        let here = self.of(read.site);
        match named {
            Some(screens) if !screens.iter().any(|s| here.contains(s)) => screens.clone(),
            _ => here,
        }
    }

    fn collect(&self, site: Ref, seen: &mut FxHashSet<Ref>, depth: usize, found: &mut FxHashSet<ScreenId>) {
        if depth > MAX_DEPTH {
            return;
        }
        if let Some(screen) = self.content_around(site) {
            found.insert(screen);
            return;
        }
        let function = self.values.enclosing_function(site);
        if let Some(class) = self.screen_class(site) {
            found.extend(self.screens_with(class, function));
            return;
        }
        if self.collect_handed(site, seen, depth, found) {
            return;
        }
        if let Some(function) = self.named_function(site).filter(|&function| !self.is_constructor(function)) {
            self.collect_users(function, seen, depth, found);
        } else if let Some(class) = self.values.enclosing_named_class(site) {
            self.collect_class_users(class, seen, depth, found);
        }
    }

    /// Whoever makes an object runs its constructor.
    fn is_constructor(&self, function: Ref) -> bool {
        let declared = self.values.tree(function).function(function.id);
        declared.is_some_and(|f| f.name == "<init>" || f.is(Modifier::Constructor))
    }

    /// The screen of what is shown in place around a node, inside of its class.
    fn content_around(&self, site: Ref) -> Option<ScreenId> {
        let tree = self.values.tree(site);
        let here = std::iter::once(site.id).chain(tree.ancestors(site.id));
        let inside = here.take_while(|&id| !matches!(tree.kind(id), Kind::Class(_)));
        let handed = |id: &Id| tree.idioms.closures_build || !matches!(tree.kind(*id), Kind::Call(_));
        // What is handed to another widget on the way belongs to that one.
        let mut around = inside.filter(handed);
        around.find_map(|id| self.by_content.get(&Ref { file: site.file, id }).copied())
    }

    /// Code handed to a screen, or standing in what shows one, is that screen's. Whether it was.
    fn collect_handed(
        &self,
        site: Ref,
        seen: &mut FxHashSet<Ref>,
        depth: usize,
        found: &mut FxHashSet<ScreenId>,
    ) -> bool {
        let tree = self.values.tree(site);
        let mut inner = site.id;
        for outer in tree.ancestors(site.id) {
            let here = Ref { file: site.file, id: outer };
            if let Some(&screen) = self.by_content.get(&here) {
                found.insert(screen);
                return true;
            }
            if self.nobodys.contains(&here) {
                return true;
            }
            let handed =
                matches!(tree.kind(inner), Kind::Lambda { .. } | Kind::Reference { .. } | Kind::Name(_));
            match tree.kind(outer) {
                Kind::Call(call)
                    if handed
                        && call.args.iter().any(|arg| arg.value == inner)
                        && self.collect_through(here, inner, seen, depth, found) =>
                {
                    return true;
                }
                Kind::Function(_) => {
                    let screen = self.by_class.get(&here).copied();
                    found.extend(screen);
                    return screen.is_some();
                }
                _ => {}
            }
            inner = outer;
        }
        false
    }

    /// What a function does with a callback: it is a screen, or it hands the callback on to some.
    fn collect_through(
        &self,
        at: Ref,
        argument: Id,
        seen: &mut FxHashSet<Ref>,
        depth: usize,
        found: &mut FxHashSet<ScreenId>,
    ) -> bool {
        let Some(function) = self.values.called_function(&Expr::new(at)) else { return false };
        if let Some(screen) = self.by_class.get(&function).copied() {
            found.insert(screen);
            return true;
        }
        let Some(parameter) = self.values.parameter_for(at, argument, function) else { return false };
        if depth > MAX_DEPTH || !seen.insert(parameter) {
            return false;
        }
        let mut own = FxHashSet::default();
        for used in self.values.uses_of_parameter(parameter) {
            self.collect_handed(used, seen, depth + 1, &mut own);
        }
        let any = !own.is_empty();
        found.extend(own);
        any
    }

    /// The innermost screen class around a node. A companion's or static function's code runs for
    /// whoever calls it.
    fn screen_class(&self, site: Ref) -> Option<Ref> {
        let tree = self.values.tree(site);
        for id in tree.ancestors(site.id) {
            match tree.kind(id) {
                Kind::Function(function) if function.is(Modifier::Static) => return None,
                Kind::Class(class) => {
                    let at = Ref { file: site.file, id };
                    let at = self.values.extended(at).unwrap_or(at);
                    if self.by_class.contains_key(&at) || self.below.contains_key(&at) {
                        return Some(at);
                    }
                    if matches!(class.kind, ClassKind::Companion | ClassKind::Object) {
                        return None;
                    }
                }
                _ => {}
            }
        }
        None
    }

    /// The concrete screens that run a class's code: itself and those derived from it, unless they
    /// put their own in place of the function.
    fn screens_with(&self, class: Ref, function: Option<Ref>) -> Vec<ScreenId> {
        let name = function.and_then(|at| self.values.tree(at).function(at.id)).map(|f| f.name.clone());
        let below = self.below.get(&class).map(Vec::as_slice).unwrap_or_default();
        let runs = |screen: &ScreenId| match &name {
            Some(name) => !self.replaces(self.classes[*screen], class, name),
            None => true,
        };
        below.iter().copied().filter(runs).collect()
    }

    /// Whether a class between `derived` and `base` overrides the function without calling it.
    fn replaces(&self, derived: Ref, base: Ref, name: &str) -> bool {
        let lineage = self.values.lineage(derived);
        // A constructor runs that of its base; what is only a part of another class replaces nothing.
        if name == "<init>" || !lineage.contains(&base) {
            return false;
        }
        let between = lineage.into_iter().take_while(|class| *class != base);
        let mut own = between.filter_map(|class| {
            let tree = self.values.tree(class);
            let members = &self.values.class(class)?.members;
            let function = members.iter().find_map(|&id| tree.function(id).filter(|f| f.name == name))?;
            Some(function.body.is_some_and(|body| calls_super(tree, body, name)))
        });
        own.any(|calls_base| !calls_base)
    }

    /// The named function around a node, lambdas and anonymous classes passed by.
    fn named_function(&self, site: Ref) -> Option<Ref> {
        let tree = self.values.tree(site);
        let mut anonymous = false;
        let mut function = None;
        for id in tree.ancestors(site.id) {
            match tree.kind(id) {
                Kind::Function(_) if function.is_none() || anonymous => {
                    function = Some(Ref { file: site.file, id });
                    anonymous = false;
                }
                Kind::Class(class) if class.kind == ClassKind::Anonymous => anonymous = true,
                Kind::Class(_) => break,
                _ => {}
            }
        }
        function
    }

    fn collect_users(
        &self,
        function: Ref,
        seen: &mut FxHashSet<Ref>,
        depth: usize,
        found: &mut FxHashSet<ScreenId>,
    ) {
        if !seen.insert(function) {
            return;
        }
        if let Some(known) = self.known.borrow().get(&function) {
            found.extend(known.iter().copied());
            return;
        }
        let mut own = FxHashSet::default();
        for used in self.values.uses(function) {
            self.collect(used, seen, depth + 1, &mut own);
            for call in self.values.calls_by_name(used) {
                self.collect(call, seen, depth + 1, &mut own);
            }
        }
        let declared = self.values.tree(function).function(function.id);
        // What the platform calls, it calls on whoever made the object.
        let called_by_platform = declared.is_some_and(|f| f.is(Modifier::Override));
        // A language without a word for it leaves what nobody calls to the platform.
        let unmarked = own.is_empty() && !self.values.tree(function).idioms.marks_overrides;
        if (called_by_platform || unmarked)
            && let Some(class) = self.values.enclosing_named_class(function)
        {
            self.collect_class_users(class, seen, depth, &mut own);
        }
        if depth == 0 {
            self.known.borrow_mut().insert(function, own.iter().copied().collect());
        }
        found.extend(own);
    }

    /// Who makes or holds an object of a class.
    fn collect_class_users(
        &self,
        class: Ref,
        seen: &mut FxHashSet<Ref>,
        depth: usize,
        found: &mut FxHashSet<ScreenId>,
    ) {
        if !seen.insert(class) {
            return;
        }
        let Some(declared) = self.values.class(class) else { return };
        let program = self.values.program();
        let made = self.values.makes(class);
        let typed = program.typed(&declared.name).iter();
        for &at in made.iter().chain(typed) {
            let inside = at.file == class.file
                && self.values.tree(at).span(class.id).holds(self.values.tree(at).span(at.id));
            if !inside && (made.contains(&at) || self.means(at, class, &declared.name)) {
                self.collect(at, seen, depth + 1, found);
            }
        }
    }

    fn means(&self, at: Ref, class: Ref, name: &str) -> bool {
        let tree = self.values.tree(at);
        let written = match tree.kind(at.id) {
            Kind::Variable(variable) => variable.ty.as_ref().map(|ty| ty.name.as_str()),
            Kind::Parameter(parameter) => parameter.ty.as_ref().map(|ty| ty.name.as_str()),
            Kind::Call(call) => call.types.iter().map(|ty| ty.name.as_str()).find(|ty| ty.ends_with(name)),
            _ => None,
        };
        self.values.class_named(at, written.unwrap_or(name)) == Some(class)
    }
}

fn calls_super(tree: &crate::syntax::Tree, body: crate::syntax::Id, name: &str) -> bool {
    let mut todo = vec![body];
    while let Some(id) = todo.pop() {
        if let Kind::Member(member) = tree.kind(id)
            && member.name == name
            && matches!(tree.kind(member.of), Kind::Super)
        {
            return true;
        }
        todo.extend(tree.kind(id).children());
    }
    false
}
