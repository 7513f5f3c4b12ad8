//! The linked graph, and the questions that rules ask of it.

use super::index::Index;
use super::stacks::Stood;
use crate::facts::{
    ActionFact, ActionId, Addresses, ArgumentFact, At, CallFact, CallId, ContainerFact, ContainerId,
    LinkFact, MissingStep, Overruled, ParameterFact, Passes, Query, ReadFact, ResultSideFact, RouteFact,
    RouteId, ScreenFact, ScreenId, Sight, StaleFact, Start, Takes, TargetFact, UnreadFact, Unwired, UsedFact,
    Ways,
};
use crate::model::{CallStatus, Form, RouteKind, Severity, Style, Verb, Via};
use crate::source::SourceTree;
use crate::values::Ref;
use oxc_index::IndexVec;
use rustc_hash::{FxHashMap, FxHashSet};

/// How a style's names work, by the style.
pub(super) type WaysOf = fn(Style) -> &'static Ways;

/// Everything that was found, joined. Lists point into each other by index.
#[derive(Debug)]
pub struct Graph<'p> {
    pub(crate) sources: &'p SourceTree,
    /// How each style's names work.
    pub ways: WaysOf,
    /// Screens.
    pub screens: IndexVec<ScreenId, Screen>,
    /// Routes.
    pub routes: IndexVec<RouteId, Route>,
    /// Graphs, navigators and the like.
    pub containers: IndexVec<ContainerId, Container>,
    /// Named ways to routes.
    pub actions: IndexVec<ActionId, Action>,
    /// Calls.
    pub calls: IndexVec<CallId, Call>,
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
    /// Addresses that are declared for routes which nobody declares.
    pub unlinked: Vec<LinkFact>,
    /// Registrations that never count.
    pub overruled: Vec<Overruled>,
    /// Ways on that no call takes.
    pub redirects: Vec<Redirect>,
    /// Routes that hand on to the pages that they lead to.
    pub hands_on: Vec<HandsOn>,
    /// Names of the source's classes whose objects are no plain values.
    pub objects: FxHashSet<String>,
    /// Generated code that is out of step.
    pub stale: Vec<StaleFact>,
    /// First parts of the dotted names that the source declares.
    pub namespaces: Vec<String>,
    /// Full names of the classes that the source declares.
    pub classes: FxHashSet<String>,
    /// Names of classes that calls name as typed routes.
    pub class_names: FxHashMap<Ref, String>,
    /// What the classes of routes derive from, themselves first.
    pub lineages: FxHashMap<Ref, Vec<Ref>>,
    /// What is put into containers and could not be read.
    pub unread: Vec<UnreadFact>,
    /// Names that files which could not be read whole may declare.
    pub half_read: FxHashSet<String>,
    /// The style that the app is moving to.
    pub target: Option<Style>,
    /// Whether any way into the app is known.
    pub has_entries: bool,
    /// Whether it is no app: others, that are not of the source, may use what it declares.
    pub exported: bool,
    /// Resources that code mentions.
    pub used: Vec<UsedFact>,
    /// Screens that markup shows outside of any route.
    pub shown_by_markup: Vec<String>,
    pub(super) index: Index,
}

/// A screen and where it stands.
#[derive(Debug)]
pub struct Screen {
    /// What was recovered.
    pub fact: ScreenFact,
    /// Containers it hosts.
    pub hosts: Vec<ContainerId>,
    /// Its places in stacks.
    pub stacks: Vec<Stood>,
    /// Routes that show it.
    pub routes: Vec<RouteId>,
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
    pub screen: Option<ScreenId>,
    /// The container it stands in.
    pub container: Option<ContainerId>,
    /// The container it is, for a group.
    pub group: Option<ContainerId>,
    /// Whether it is what its container shows first.
    pub start: bool,
    /// What it takes.
    pub parameters: Vec<Parameter>,
    /// Its places in stacks.
    pub stacks: Vec<Stood>,
    /// Screens that register it.
    pub registered_by: Vec<ScreenId>,
    /// What it takes as one object: what that is called, and its type.
    pub whole: Option<(String, String)>,
    /// The declaration that stands in for this one.
    pub loses_to: Option<RouteId>,
    /// The wider declaration that is asked first and takes all calls.
    pub shadowed_by: Option<RouteId>,
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
    pub parents: Vec<ContainerId>,
    /// Whether a view or code shows it.
    pub hosted: bool,
    /// What it shows first, as far as that is said, in its declaration or in code.
    pub says: Start,
    /// The route it shows first.
    pub start: Option<RouteId>,
    /// All that it may show first.
    pub starts: Vec<RouteId>,
    /// From where its routes can be named.
    pub sight: Sight,
    /// Something that is reported already keeps it from being shown.
    pub broken: bool,
    /// It includes a graph that is not in the source.
    pub incomplete: bool,
    /// Something stands in it that could not be read.
    pub unread: bool,
    /// It is the whole app's: what it shows first is what is opened first.
    pub is_app: bool,
}

/// A route that leads on by itself.
#[derive(Debug)]
pub struct Redirect {
    /// The route; `None` where any may.
    pub from: Option<RouteId>,
    /// Where it leads.
    pub targets: Vec<RouteId>,
}

/// A route that hands what it is given on to a page.
#[derive(Debug)]
pub struct HandsOn {
    /// The route.
    pub route: RouteId,
    /// The page's route, where one is named.
    pub page: Option<RouteId>,
    /// The names under which it hands values on.
    pub passes: Vec<String>,
}

/// A named way to a route.
#[derive(Debug)]
pub struct Action {
    /// What was recovered.
    pub fact: ActionFact,
    /// The route that may use it.
    pub route: Option<RouteId>,
    /// The container whose routes may use it.
    pub container: Option<ContainerId>,
    /// Where it leads.
    pub targets: Vec<RouteId>,
    /// Whether anything uses it.
    pub used: bool,
}

/// A call and where it leads.
#[derive(Debug)]
pub struct Call {
    /// How its style's names work.
    pub ways: &'static Ways,
    /// What was recovered.
    pub fact: CallFact,
    /// Screens it belongs to.
    pub screens: Vec<ScreenId>,
    /// Routes it resolves to.
    pub targets: Vec<RouteId>,
    /// Routes that those lead on to, for what it passes.
    pub leads_on: Vec<RouteId>,
    /// What linking made of it.
    pub status: CallStatus,
    /// The action it goes by.
    pub action: Option<ActionId>,
    /// It cannot see what it names: who can.
    pub out_of_scope: Option<String>,
    /// Names that it wrote and nobody declares.
    pub unknown: Option<String>,
    /// Parameters that it names by their placeholder instead of a value.
    pub raw: Vec<String>,
    /// It is made only under a condition.
    pub conditional: bool,
    /// What some of its ways pass and others do not.
    pub sometimes: Vec<String>,
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
    pub screens: Vec<ScreenId>,
    /// Its name as the routes of its screens spell it.
    pub name: String,
    /// The routes in whose declaration it stands.
    pub declared_by: Vec<RouteId>,
}

/// A side of a result and the screens it belongs to.
#[derive(Debug)]
pub struct ResultSideLinked {
    /// What was recovered.
    pub fact: ResultSideFact,
    /// Screens it belongs to.
    pub screens: Vec<ScreenId>,
    /// Routes whose result it is, where it has no key of its own.
    pub routes: Vec<RouteId>,
}

/// A view and the containers it shows.
#[derive(Debug)]
pub struct Host {
    /// The view's id.
    pub id: Option<String>,
    /// Screens whose layout it is in.
    pub screens: Vec<ScreenId>,
    /// Containers it shows.
    pub containers: Vec<ContainerId>,
}

/// What is wrong with a host, a graph or a menu.
#[derive(Debug)]
pub struct HostProblem {
    /// What is wrong.
    pub what: Unwired,
    /// Where.
    pub at: At,
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
    pub(super) fn new(sources: &'p SourceTree, ways: WaysOf) -> Self {
        Self {
            sources,
            ways,
            screens: IndexVec::new(),
            routes: IndexVec::new(),
            containers: IndexVec::new(),
            actions: IndexVec::new(),
            calls: IndexVec::new(),
            reads: Vec::new(),
            results: Vec::new(),
            hosts: Vec::new(),
            host_problems: Vec::new(),
            constants: Vec::new(),
            missing_steps: Vec::new(),
            unlinked: Vec::new(),
            overruled: Vec::new(),
            redirects: Vec::new(),
            hands_on: Vec::new(),
            objects: FxHashSet::default(),
            stale: Vec::new(),
            namespaces: Vec::new(),
            classes: FxHashSet::default(),
            half_read: FxHashSet::default(),
            class_names: FxHashMap::default(),
            unread: Vec::new(),
            lineages: FxHashMap::default(),
            target: None,
            has_entries: false,
            exported: false,
            used: Vec::new(),
            shown_by_markup: Vec::new(),
            index: Index::default(),
        }
    }
}

impl Route {
    /// Its parameter of a name.
    #[must_use]
    pub fn parameter(&self, name: &str) -> Option<&Parameter> {
        self.parameters.iter().find(|parameter| parameter.name == name)
    }
}

impl Call {
    /// A call that leads to routes which are known.
    #[must_use]
    pub fn resolved(
        fact: CallFact,
        ways: &'static Ways,
        screens: Vec<ScreenId>,
        targets: Vec<RouteId>,
    ) -> Self {
        Self {
            ways,
            fact,
            screens,
            targets,
            leads_on: Vec::new(),
            status: CallStatus::Resolved,
            action: None,
            out_of_scope: None,
            unknown: None,
            raw: Vec::new(),
            sometimes: Vec::new(),
            conditional: false,
            arguments: Vec::new(),
        }
    }

    /// Whether all that it passes is an object of another class than a route takes it as.
    #[must_use]
    pub fn passes_another(&self, route: &Route) -> bool {
        let wanted = route.whole.as_ref().map(|(_, wanted)| wanted.trim_end_matches('?'));
        !self.fact.object.is_empty()
            && wanted.is_some_and(|wanted| self.fact.object.iter().all(|own| own != wanted))
    }

    /// Whether it leads forward to something it names.
    #[must_use]
    pub fn goes_forward(&self) -> bool {
        !matches!(self.fact.verb, Verb::Back | Verb::BackTo)
    }

    /// Whether what it passes is looked for by name in a query.
    #[must_use]
    pub fn asks_by_query(&self) -> bool {
        self.ways.query == Query::FailsWithout && self.fact.form != Form::Typed
    }

    /// Whether its target is an address.
    #[must_use]
    pub fn is_address(&self) -> bool {
        matches!(self.fact.target, TargetFact::Address(_) | TargetFact::Text(_))
            && self.ways.addresses != Addresses::None
    }

    /// Whether the compiler sees to it that nothing required is left out.
    #[must_use]
    pub fn completes_itself(&self) -> bool {
        // A method for each name that is made when the app runs checks nothing.
        (self.fact.form == Form::Generated && self.fact.checked)
            || matches!(self.fact.target, TargetFact::Generated { .. } | TargetFact::Typed(_))
            || self.ways.passes == Passes::Checked
    }

    /// How grave it is that the target is written in place.
    #[must_use]
    pub fn literal_severity(&self) -> Severity {
        match self.fact.form {
            _ if self.fact.checked => Severity::Note,
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

    /// Whether a name is that of all it takes, as one object.
    #[must_use]
    pub fn is_whole(&self, name: &str) -> bool {
        self.whole.as_ref().is_some_and(|(whole, _)| whole == name) && self.parameter(name).is_none()
    }

    /// Whether its parameters are what its screen takes out.
    #[must_use]
    pub fn declares_by_reads(&self) -> bool {
        self.fact.takes == Takes::AsRead { complete: false }
    }

    /// Whether its values travel as extras.
    #[must_use]
    pub fn takes_extras(&self) -> bool {
        self.fact.kind == RouteKind::Activity
    }

    /// A parameter made from a read. What is in a query can always be left out.
    pub(super) fn read(name: &str, fact: &ReadFact, ways: &Ways) -> Parameter {
        let asked = fact.via == Via::Query && ways.query == Query::MayLack;
        let required = fact.absent.asks() && !asked;
        ParameterFact {
            name: name.to_owned(),
            ty: fact.ty.clone(),
            required,
            nullable: !required,
            default: None,
            via: fact.via,
            at: fact.at,
        }
    }
}
