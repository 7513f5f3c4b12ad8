//! The linked graph, and the questions that rules ask of it.

use crate::model::{CallStatus, Form, Place, RouteKind, Severity, Style, Verb, Via};
use crate::recover::{
    ActionFact, ArgumentFact, At, CallFact, ContainerFact, HostFact, MissingStep, ParameterFact, ReadFact,
    ResultSideFact, RouteFact, ScreenFact, Shows, TargetFact, UsedFact,
};
use crate::source::SourceTree;
use crate::values::Ref;
use rustc_hash::{FxHashMap, FxHashSet};

/// Everything that was found, joined. Lists point into each other by index.
#[derive(Debug)]
pub struct Graph<'p> {
    pub(crate) sources: &'p SourceTree,
    /// Screens.
    pub screens: Vec<Screen>,
    /// Routes.
    pub routes: Vec<Route>,
    /// Graphs, navigators and the like.
    pub containers: Vec<Container>,
    /// Named ways to routes.
    pub actions: Vec<Action>,
    /// Calls.
    pub calls: Vec<Call>,
    /// Reads.
    pub reads: Vec<Read>,
    /// Sides of results.
    pub results: Vec<ResultSideLinked>,
    /// Views that show a container.
    pub hosts: Vec<Host>,
    /// What is wrong with hosts and menus.
    pub host_problems: Vec<HostProblem>,
    /// Constants and functions that hold route text.
    pub constants: Vec<Constant>,
    /// Set-up with a step that is not there.
    pub missing_steps: Vec<MissingStep>,
    /// First parts of the dotted names that the source declares.
    pub namespaces: Vec<String>,
    /// Full names of the classes that the source declares.
    pub classes: FxHashSet<String>,
    /// Names that files which could not be read whole may declare.
    pub half_read: FxHashSet<String>,
    /// Whether any way into the app is known.
    pub has_entries: bool,
    /// Resources that code mentions.
    pub used: Vec<UsedFact>,
    /// Screens that markup shows outside of any route.
    pub shown_by_markup: Vec<String>,
    index: Index,
}

/// Look-ups by what lists are asked for most. Made by [`Graph::index_names`] and
/// [`Graph::index_uses`].
#[derive(Debug, Default)]
struct Index {
    routes_by_name: FxHashMap<String, Vec<usize>>,
    actions_by_name: FxHashMap<String, Vec<usize>>,
    routes_by_container: FxHashMap<usize, Vec<usize>>,
    routes_by_class: FxHashMap<String, Vec<usize>>,
    routes_with_links: Vec<usize>,
    actions_by_spelling: FxHashMap<String, Vec<usize>>,
    route_of_group: FxHashMap<usize, usize>,
    screens_by_class: FxHashMap<Ref, usize>,
    calls_by_target: Vec<Vec<usize>>,
    calls_by_screen: Vec<Vec<usize>>,
    reads_by_screen: Vec<Vec<usize>>,
}

/// A screen and where it stands.
#[derive(Debug)]
pub struct Screen {
    /// What was recovered.
    pub fact: ScreenFact,
    /// Layouts it shows, included ones too.
    pub layouts: Vec<String>,
    /// Containers it hosts.
    pub hosts: Vec<usize>,
    /// Routes that show it.
    pub routes: Vec<usize>,
    /// Somebody makes one, or markup shows it.
    pub made: bool,
    /// Others derive from it.
    pub derived: bool,
    /// All its arguments are handed on where they cannot be followed.
    pub whole_bag: bool,
}

/// A route and what it belongs to.
#[derive(Debug)]
pub struct Route {
    /// What was recovered.
    pub fact: RouteFact,
    /// The screen it shows.
    pub screen: Option<usize>,
    /// The container it stands in.
    pub container: Option<usize>,
    /// The container it is, for a group.
    pub group: Option<usize>,
    /// Whether it is what its container shows first.
    pub start: bool,
    /// What it takes.
    pub parameters: Vec<Parameter>,
    /// The declaration that stands in for this one.
    pub loses_to: Option<usize>,
    /// Whether a way leads here from an entry.
    pub reached: bool,
    /// Whether it is an entry itself.
    pub entry: bool,
}

/// A parameter.
pub type Parameter = ParameterFact;

/// A container and what it is put into.
#[derive(Debug)]
pub struct Container {
    /// What was recovered.
    pub fact: ContainerFact,
    /// Containers around it: the one it is written in, those that include it.
    pub parents: Vec<usize>,
    /// Whether a view or code shows it.
    pub hosted: bool,
    /// Whether its start is chosen in code.
    pub start_in_code: Option<Option<String>>,
    /// The route it shows first.
    pub start: Option<usize>,
    /// Something that is reported already keeps it from being shown.
    pub broken: bool,
}

/// A named way to a route.
#[derive(Debug)]
pub struct Action {
    /// What was recovered.
    pub fact: ActionFact,
    /// The route that may use it.
    pub route: Option<usize>,
    /// The container whose routes may use it.
    pub container: Option<usize>,
    /// Where it leads.
    pub targets: Vec<usize>,
    /// Whether anything uses it.
    pub used: bool,
}

/// A call and where it leads.
#[derive(Debug)]
pub struct Call {
    /// What was recovered.
    pub fact: CallFact,
    /// Screens it belongs to.
    pub screens: Vec<usize>,
    /// Routes it resolves to.
    pub targets: Vec<usize>,
    /// What linking made of it.
    pub status: CallStatus,
    /// The action it goes by.
    pub action: Option<usize>,
    /// It cannot see what it names: who can.
    pub out_of_scope: Option<String>,
    /// Names that it wrote and nobody declares.
    pub unknown: Option<String>,
    /// What it passes, by the routes' names.
    pub arguments: Vec<Argument>,
}

/// An argument under the name of its parameter.
#[derive(Debug, Clone)]
pub struct Argument {
    /// The parameter's name, or the key as written.
    pub name: String,
    /// What was recovered.
    pub fact: ArgumentFact,
}

/// A read and the screens it belongs to.
#[derive(Debug)]
pub struct Read {
    /// What was recovered.
    pub fact: ReadFact,
    /// Screens it belongs to.
    pub screens: Vec<usize>,
    /// Its name as the routes of its screens spell it.
    pub name: String,
}

/// A side of a result and the screens it belongs to.
#[derive(Debug)]
pub struct ResultSideLinked {
    /// What was recovered.
    pub fact: ResultSideFact,
    /// Screens it belongs to.
    pub screens: Vec<usize>,
}

/// A host and the container it shows.
#[derive(Debug)]
pub struct Host {
    /// What was recovered.
    pub fact: HostFact,
    /// Screens whose layout it is in.
    pub screens: Vec<usize>,
    /// Containers it shows.
    pub containers: Vec<usize>,
}

/// What is wrong with a host, a graph or a menu.
#[derive(Debug)]
pub struct HostProblem {
    /// What is wrong.
    pub what: Unwired,
    /// Where.
    pub at: At,
}

/// Ways in which a host can be left without what it needs.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Unwired {
    /// A host that is given no graph.
    HostWithoutGraph,
    /// A host that cannot be inflated.
    HostWithoutId,
    /// A host whose graph is not in the source.
    NoSuchGraph(String),
    /// A graph that nothing shows.
    GraphWithoutHost(String),
    /// A menu entry that names no route, by its id.
    EntryWithoutRoute(String),
}

/// A constant or function that holds route text.
#[derive(Debug)]
pub struct Constant {
    /// Its name with its holder's: `Links.SHELF`.
    pub name: String,
    /// Its text, `{}` for holes.
    pub value: String,
    /// Whether it is a function.
    pub function: bool,
    /// Whether anything uses it.
    pub used: bool,
    /// Its name in its declaration.
    pub at: At,
}

impl<'p> Graph<'p> {
    pub(super) fn new(sources: &'p SourceTree) -> Self {
        Self {
            sources,
            screens: Vec::new(),
            routes: Vec::new(),
            containers: Vec::new(),
            actions: Vec::new(),
            calls: Vec::new(),
            reads: Vec::new(),
            results: Vec::new(),
            hosts: Vec::new(),
            host_problems: Vec::new(),
            constants: Vec::new(),
            missing_steps: Vec::new(),
            namespaces: Vec::new(),
            classes: FxHashSet::default(),
            half_read: FxHashSet::default(),
            has_entries: false,
            used: Vec::new(),
            shown_by_markup: Vec::new(),
            index: Index::default(),
        }
    }

    /// The place of a stretch of source.
    #[must_use]
    pub fn place(&self, at: At) -> Place {
        at.place(self.sources)
    }

    /// A container with those around it, innermost first.
    #[must_use]
    pub fn around(&self, container: usize) -> Vec<usize> {
        let mut all = vec![container];
        let mut next = 0;
        while next < all.len() {
            for &parent in &self.containers[all[next]].parents {
                if !all.contains(&parent) {
                    all.push(parent);
                }
            }
            next += 1;
        }
        all
    }

    /// The outermost containers around one.
    #[must_use]
    pub fn roots(&self, container: usize) -> Vec<usize> {
        self.around(container).into_iter().filter(|&c| self.containers[c].parents.is_empty()).collect()
    }

    /// Whether `inner` is `outer` or somewhere inside it.
    #[must_use]
    pub fn is_within(&self, inner: usize, outer: usize) -> bool {
        self.around(inner).contains(&outer)
    }

    /// Makes names findable, once routes and actions are there.
    pub(super) fn index_names(&mut self) {
        let mut index = Index::default();
        for (i, route) in self.routes.iter().enumerate() {
            index.routes_by_name.entry(route.fact.name.clone()).or_default().push(i);
            let included =
                route.group.map(|group| self.containers[group].parents.as_slice()).unwrap_or_default();
            let mut around: Vec<usize> = route.container.iter().chain(included).copied().collect();
            around.sort_unstable();
            around.dedup();
            for container in around {
                index.routes_by_container.entry(container).or_default().push(i);
            }
            if let Some(group) = route.group {
                index.route_of_group.insert(group, i);
            }
            if let Shows::Class(path, _) = &route.fact.shows {
                let simple = path.rsplit('.').next().unwrap_or(path);
                index.routes_by_class.entry(simple.to_owned()).or_default().push(i);
            }
            if !route.fact.deep_links.is_empty() {
                index.routes_with_links.push(i);
            }
        }
        for (i, action) in self.actions.iter().enumerate() {
            index.actions_by_name.entry(action.fact.name.clone()).or_default().push(i);
            index.actions_by_spelling.entry(spelling(&action.fact.name)).or_default().push(i);
        }
        index.screens_by_class = self.screens.iter().enumerate().map(|(i, s)| (s.fact.class, i)).collect();
        self.index = index;
    }

    /// Makes calls and reads findable from their screens and targets, once they are linked.
    pub(super) fn index_uses(&mut self) {
        let mut by_target = vec![Vec::new(); self.routes.len()];
        let mut by_screen = vec![Vec::new(); self.screens.len()];
        for (i, call) in self.calls.iter().enumerate() {
            call.targets.iter().for_each(|&target| by_target[target].push(i));
            call.screens.iter().for_each(|&screen| by_screen[screen].push(i));
        }
        let mut reads = vec![Vec::new(); self.screens.len()];
        for (i, read) in self.reads.iter().enumerate() {
            read.screens.iter().for_each(|&screen| reads[screen].push(i));
        }
        self.index.calls_by_target = by_target;
        self.index.calls_by_screen = by_screen;
        self.index.reads_by_screen = reads;
    }

    /// Routes of a name.
    #[must_use]
    pub fn routes_named(&self, name: &str) -> &[usize] {
        self.index.routes_by_name.get(name).map_or(&[], Vec::as_slice)
    }

    /// Actions of a name.
    #[must_use]
    pub fn actions_named(&self, name: &str) -> &[usize] {
        self.index.actions_by_name.get(name).map_or(&[], Vec::as_slice)
    }

    /// Actions that generated code would spell like this.
    #[must_use]
    pub fn actions_spelled(&self, generated: &str) -> &[usize] {
        self.index.actions_by_spelling.get(&spelling(generated)).map_or(&[], Vec::as_slice)
    }

    /// Routes that show a class of this simple name.
    #[must_use]
    pub fn routes_showing(&self, class: &str) -> &[usize] {
        self.index.routes_by_class.get(class).map_or(&[], Vec::as_slice)
    }

    /// Routes that have addresses.
    #[must_use]
    pub fn linked_routes(&self) -> &[usize] {
        &self.index.routes_with_links
    }

    /// A route, and the groups that show it when they are opened.
    #[must_use]
    pub fn opened_as(&self, route: usize) -> Vec<usize> {
        let mut all = vec![route];
        while let Some(group) = self.group_started_by(all[all.len() - 1]).filter(|group| !all.contains(group))
        {
            all.push(group);
        }
        all
    }

    fn group_started_by(&self, route: usize) -> Option<usize> {
        let around = self.routes[route].container?;
        (self.containers[around].start == Some(route)).then(|| self.route_of_group(around)).flatten()
    }

    /// The screen that a class is.
    #[must_use]
    pub fn screen_of(&self, class: Ref) -> Option<usize> {
        self.index.screens_by_class.get(&class).copied()
    }

    /// The route that stands for a container.
    #[must_use]
    pub fn route_of_group(&self, container: usize) -> Option<usize> {
        self.index.route_of_group.get(&container).copied()
    }

    /// Calls that belong to a screen.
    pub fn calls_of(&self, screen: usize) -> impl Iterator<Item = &Call> {
        self.index.calls_by_screen.get(screen).into_iter().flatten().map(|&call| &self.calls[call])
    }

    /// The routes directly in a container, groups of included containers among them.
    pub fn routes_in(&self, container: usize) -> impl Iterator<Item = usize> + '_ {
        self.index.routes_by_container.get(&container).into_iter().flatten().copied()
    }

    /// What is shown when a route is opened: itself, or a group's start, all the way down.
    #[must_use]
    pub fn shown_by(&self, route: usize) -> usize {
        let mut at = route;
        for _ in 0..self.containers.len() {
            let start = self.routes[at].group.and_then(|group| self.containers[group].start);
            match start {
                Some(next) if next != at => at = next,
                _ => break,
            }
        }
        at
    }

    /// Whether a route is in, or is, a container that something already reported keeps from working.
    #[must_use]
    pub fn is_excused(&self, route: usize) -> bool {
        let route = &self.routes[route];
        let own = route.container.or(route.group);
        let around = own.map(|container| self.around(container)).unwrap_or_default();
        route.loses_to.is_some() || around.into_iter().any(|container| self.containers[container].broken)
    }

    /// Calls that resolve to a route.
    pub fn calls_to(&self, route: usize) -> impl Iterator<Item = &Call> {
        self.index.calls_by_target.get(route).into_iter().flatten().map(|&call| &self.calls[call])
    }

    /// Reads that belong to a screen.
    pub fn reads_of(&self, screen: usize) -> impl Iterator<Item = &Read> {
        self.index.reads_by_screen.get(screen).into_iter().flatten().map(|&read| &self.reads[read])
    }

    /// The routes that one call can mean by name, nearest spelling first.
    #[must_use]
    pub fn nearest_routes(&self, name: &str) -> Vec<String> {
        let names = self.routes.iter().map(|route| route.fact.name.as_str());
        nearest(name, names.chain(self.actions.iter().map(|action| action.fact.name.as_str())))
    }

    /// Whether a dotted class name is of a package that the source declares.
    #[must_use]
    pub fn is_own(&self, path: &str) -> bool {
        self.namespaces.iter().any(|namespace| path.starts_with(namespace.as_str()))
    }

    /// Whether the source declares a class of that full name.
    #[must_use]
    pub fn is_declared(&self, path: &str) -> bool {
        // A file that could not be read whole may hold it.
        self.classes.contains(path) || self.half_read.contains(path.rsplit('.').next().unwrap_or(path))
    }

    /// Whether a call names the route.
    #[must_use]
    pub fn is_called(&self, route: usize) -> bool {
        self.calls_to(route).next().is_some()
    }

    /// Whether a call that stands outside of a container names the route.
    #[must_use]
    pub fn is_called_from_outside(&self, route: usize, container: usize) -> bool {
        self.calls_to(route).any(|call| {
            call.screens.is_empty()
                || call
                    .screens
                    .iter()
                    .flat_map(|&screen| &self.screens[screen].routes)
                    .any(|&from| self.routes[from].container.is_none_or(|c| !self.is_within(c, container)))
        })
    }

    /// Screens that no route shows: what they open cannot be reached through them.
    pub fn lost_screens(&self) -> impl Iterator<Item = usize> + '_ {
        (0..self.screens.len()).filter(|&screen| self.screens[screen].routes.is_empty())
    }

    /// Routes that a screen's calls and hosts open.
    #[must_use]
    pub fn opened_by(&self, screen: usize) -> Vec<usize> {
        let hosted =
            self.screens[screen].hosts.iter().filter_map(|&container| self.containers[container].start);
        hosted.chain(self.calls_of(screen).flat_map(|call| call.targets.iter().copied())).collect()
    }

    /// A screen's name.
    #[must_use]
    pub fn screen_name(&self, screen: usize) -> &str {
        &self.screens[screen].fact.name
    }
}

/// Up to three of the names that are spelled most alike, the nearest first. The same words in another
/// order are near as well.
#[must_use]
pub fn nearest<'n>(name: &str, among: impl Iterator<Item = &'n str>) -> Vec<String> {
    let plain = |s: &str| s.to_lowercase().replace(['_', '-'], "");
    let wanted = plain(name);
    let among: std::collections::BTreeSet<&str> = among.collect();
    let distance = |other: &str| {
        let same_words = words(name) == words(other);
        if same_words { 0 } else { strsim::damerau_levenshtein(&wanted, &plain(other)) }
    };
    let mut scored: Vec<(usize, &str)> = among
        .into_iter()
        .filter(|other| !other.is_empty())
        .map(|other| (distance(other), other))
        .filter(|(distance, other)| *distance <= 1 + other.len().min(name.len()) / 4)
        .collect();
    scored.sort_unstable();
    scored.dedup();
    scored.into_iter().take(3).map(|(_, other)| other.to_owned()).collect()
}

/// A name without the marks that generated spelling leaves out.
pub(super) fn spelling(name: &str) -> String {
    name.replace(['_', '.', '-'], "").to_lowercase()
}

/// The words of a name, whatever way it joins them, in order of the alphabet.
fn words(name: &str) -> Vec<String> {
    let mut words = vec![String::new()];
    for c in name.chars() {
        if c == '_' || c == '-' || c.is_uppercase() {
            words.push(String::new());
        }
        if let (true, Some(word)) = (c.is_alphanumeric(), words.last_mut()) {
            word.extend(c.to_lowercase());
        }
    }
    words.retain(|word| !word.is_empty());
    words.sort_unstable();
    words
}

impl Route {
    /// Its parameter of a name.
    #[must_use]
    pub fn parameter(&self, name: &str) -> Option<&Parameter> {
        self.parameters.iter().find(|parameter| parameter.name == name)
    }
}

impl Call {
    /// Whether it leads forward to something it names.
    #[must_use]
    pub fn goes_forward(&self) -> bool {
        !matches!(self.fact.verb, Verb::Back | Verb::BackTo)
    }

    /// Whether its target is an address.
    #[must_use]
    pub fn is_address(&self) -> bool {
        matches!(self.fact.target, TargetFact::Address(_))
    }

    /// Whether the compiler sees to it that nothing required is left out.
    #[must_use]
    pub fn completes_itself(&self) -> bool {
        matches!(self.fact.target, TargetFact::Generated { .. })
    }

    /// How grave it is that the target is written in place.
    #[must_use]
    pub fn literal_severity(&self) -> Severity {
        match self.fact.form {
            Form::Typed => Severity::Note,
            _ => Severity::Warning,
        }
    }
}

/// A group's own route takes part in none of the checks that need a screen.
impl Route {
    /// Whether it only groups others.
    #[must_use]
    pub fn is_group(&self) -> bool {
        self.fact.kind == RouteKind::Group
    }

    /// Whether its style is this one.
    #[must_use]
    pub fn is(&self, style: Style) -> bool {
        self.fact.style == style
    }

    /// Whether its parameters are what its screen takes out.
    #[must_use]
    pub fn declares_by_reads(&self) -> bool {
        self.fact.parameters_from_reads
    }

    /// Whether its values travel as extras.
    #[must_use]
    pub fn takes_extras(&self) -> bool {
        self.fact.kind == RouteKind::Activity
    }

    /// A parameter made from a read.
    pub(super) fn extra(name: &str, ty: Option<String>, required: bool, at: At) -> Parameter {
        ParameterFact {
            name: name.to_owned(),
            ty,
            required,
            nullable: !required,
            default: None,
            via: Via::Extra,
            at,
        }
    }
}
