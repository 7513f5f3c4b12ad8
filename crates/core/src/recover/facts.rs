//! What recoverers say. Facts of one file name others (a class, an id, a graph) as the source does;
//! linking joins them.

use crate::model::{Form, Place, ResultSide, RouteKind, ScreenKind, Span, Style, Verb, Via};
use crate::source::SourceTree;
use crate::values::{Ref, Shape};

/// Facts of one file, or of all of them once they are gathered.
#[derive(Debug, Default)]
pub struct Facts {
    /// Screens.
    pub screens: Vec<ScreenFact>,
    /// Routes.
    pub routes: Vec<RouteFact>,
    /// What routes stand in: graphs, hosts, navigators.
    pub containers: Vec<ContainerFact>,
    /// Graphs put into others.
    pub includes: Vec<IncludeFact>,
    /// Named ways from one route to another.
    pub actions: Vec<ActionFact>,
    /// Calls.
    pub calls: Vec<CallFact>,
    /// Reads.
    pub reads: Vec<ReadFact>,
    /// Sides of results.
    pub results: Vec<ResultSideFact>,
    /// Views that show a container.
    pub hosts: Vec<HostFact>,
    /// Layouts put into others: the outer one's name, the inner one's.
    pub layout_includes: Vec<(String, String)>,
    /// Graphs set or inflated from code.
    pub inflates: Vec<InflateFact>,
    /// Graphs that the manifest names for deep links.
    pub manifest_graphs: Vec<String>,
    /// Menus.
    pub menus: Vec<MenuFact>,
    /// Views that show a menu.
    pub menu_views: Vec<MenuView>,
    /// Code that ties a menu to navigation.
    pub menu_setups: Vec<MenuSetup>,
    /// Menu entries that code answers itself.
    pub handled: Vec<HandledFact>,
    /// Resources that code mentions.
    pub used: Vec<UsedFact>,
    /// Set-up with a step that is not there.
    pub missing_steps: Vec<MissingStep>,
    /// Screens that markup shows outside of any route: full class names.
    pub shown_by_markup: Vec<String>,
    /// Registrations that never count.
    pub overruled: Vec<Overruled>,
    /// Places where all arguments are handed on whole, so that any may be read there.
    pub whole_bags: Vec<Ref>,
}

impl Facts {
    /// Takes over another file's facts.
    pub fn extend(&mut self, other: Self) {
        self.screens.extend(other.screens);
        self.routes.extend(other.routes);
        self.containers.extend(other.containers);
        self.includes.extend(other.includes);
        self.actions.extend(other.actions);
        self.calls.extend(other.calls);
        self.reads.extend(other.reads);
        self.results.extend(other.results);
        self.hosts.extend(other.hosts);
        self.layout_includes.extend(other.layout_includes);
        self.inflates.extend(other.inflates);
        self.manifest_graphs.extend(other.manifest_graphs);
        self.menus.extend(other.menus);
        self.menu_views.extend(other.menu_views);
        self.menu_setups.extend(other.menu_setups);
        self.handled.extend(other.handled);
        self.used.extend(other.used);
        self.missing_steps.extend(other.missing_steps);
        self.shown_by_markup.extend(other.shown_by_markup);
        self.whole_bags.extend(other.whole_bags);
        self.overruled.extend(other.overruled);
    }
}

/// A stretch of a file.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub struct At {
    /// Index of the file.
    pub file: u32,
    /// Where in it, in bytes.
    pub span: Span,
}

impl At {
    /// The place as the document writes it.
    #[must_use]
    pub fn place(self, sources: &SourceTree) -> Place {
        let file = &sources.files[self.file as usize];
        file.text.place(&file.path, self.span)
    }
}

/// A class, function or component that is a screen.
#[derive(Debug)]
pub struct ScreenFact {
    /// Its declaration.
    pub class: Ref,
    /// Its name.
    pub name: String,
    /// Its full dotted name.
    pub path: String,
    /// What it is.
    pub kind: ScreenKind,
    /// Its bases are those of a dialog.
    pub dialog: bool,
    /// Its bases are those of a bottom sheet.
    pub sheet: bool,
    /// It is only there to be derived from.
    pub is_base: bool,
    /// Layouts it shows, by resource name.
    pub layouts: Vec<LayoutUse>,
    /// Its name in its declaration.
    pub at: At,
}

/// A layout that a screen shows.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct LayoutUse {
    /// Resource name.
    pub layout: String,
}

/// Identity of a route: where it is declared.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub struct RouteKey(pub At);

/// Identity of a container: where it is declared.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub struct ContainerKey(pub At);

/// A declared destination.
#[derive(Debug)]
pub struct RouteFact {
    /// The style that declares it.
    pub style: Style,
    /// What callers write.
    pub name: String,
    /// Its path, where the style has paths.
    pub pattern: Option<String>,
    /// How it shows its screen.
    pub kind: RouteKind,
    /// What it shows.
    pub shows: Shows,
    /// What it stands in.
    pub container: Option<ContainerKey>,
    /// What it takes.
    pub parameters: Vec<ParameterFact>,
    /// Addresses that open it, with where each is declared.
    pub deep_links: Vec<(String, At)>,
    /// Whether it is what the system opens first.
    pub launcher: bool,
    /// Whether others than the app itself may open it.
    pub from_outside: bool,
    /// Whether only a call that opens it makes it a route.
    pub only_if_opened: bool,
    /// Its parameters are what its screen takes out.
    pub parameters_from_reads: bool,
    /// The class it is registered by, for typed routes.
    pub class: Option<Ref>,
    /// What it shows, in place: code in here is its screen's.
    pub content: Option<Ref>,
    /// The token that declares it.
    pub at: At,
}

/// What a route shows.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Shows {
    /// A class by its full name, and where the route names it.
    Class(String, At),
    /// Nothing, though its kind must.
    Nothing,
    /// It is not meant to show anything of its own.
    NotApplicable,
}

/// A declared parameter.
#[derive(Debug, Clone)]
pub struct ParameterFact {
    /// Its name.
    pub name: String,
    /// Its type in the source's own words.
    pub ty: Option<String>,
    /// Whether a call must pass it.
    pub required: bool,
    /// Whether it may be null.
    pub nullable: bool,
    /// Its default in the source's own words.
    pub default: Option<String>,
    /// How it travels.
    pub via: Via,
    /// Where it is declared.
    pub at: At,
}

/// A graph, navigator or the like.
#[derive(Debug)]
pub struct ContainerFact {
    /// Its identity.
    pub key: ContainerKey,
    /// Its own name, where it has one.
    pub name: Option<String>,
    /// What others include it by: a resource name, for one that is a whole file.
    pub resource: Option<String>,
    /// What it stands in.
    pub parent: Option<ContainerKey>,
    /// What it shows first, where it says so: several where a choice is made.
    pub starts: Vec<StartFact>,
    /// It shows its routes itself.
    pub is_host: bool,
    /// Something else has to show it.
    pub needs_host: bool,
    /// Its start is not known from the source.
    pub open_start: bool,
    /// The call that makes it, for a host in code.
    pub site: Option<Ref>,
}

/// What a container shows first.
#[derive(Debug, Clone)]
pub struct StartFact {
    /// The route's name.
    pub name: String,
    /// It is text written in place, where it could be a constant.
    pub literal: bool,
    /// Where it is said.
    pub at: At,
}

/// A graph put into another.
#[derive(Debug)]
pub struct IncludeFact {
    /// The outer one.
    pub into: ContainerKey,
    /// The inner one's resource name.
    pub resource: String,
}

/// What an action belongs to.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Owner {
    /// One route's own.
    Route(RouteKey),
    /// Everything in a container.
    Container(ContainerKey),
}

/// A named way to a route.
#[derive(Debug)]
pub struct ActionFact {
    /// Its id.
    pub name: String,
    /// Who may use it.
    pub owner: Owner,
    /// The route it leads to and where that is said.
    pub destination: Option<(String, At)>,
    /// The route it pops to first.
    pub pop_up_to: Option<String>,
    /// Arguments it gives a default, by name.
    pub supplies: Vec<ParameterFact>,
    /// Where it is declared.
    pub at: At,
}

/// How an argument says which parameter it is for.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Slot {
    /// By name.
    Name(String),
    /// By position (0-based) among the route's parameters, required ones first.
    Position(usize),
}

/// What a call passes.
#[derive(Debug, Clone)]
pub struct ArgumentFact {
    /// Which parameter it is for.
    pub slot: Slot,
    /// The value's type, where it is known.
    pub ty: Option<String>,
    /// The value as it is written.
    pub value: Option<String>,
    /// Whether the value may be null.
    pub nullable: bool,
    /// The key written in place as a literal.
    pub literal_key: bool,
    /// The value is this text, as a part of route text.
    pub text: Option<String>,
    /// Where it is passed.
    pub at: At,
}

/// Route text written in place.
#[derive(Debug, Clone)]
pub struct Literal {
    /// The text, `{}` for holes.
    pub text: String,
}

/// Where a call leads, in the source's terms.
#[derive(Debug, Clone)]
pub enum TargetFact {
    /// Nowhere named: a step back.
    None,
    /// One of these ids, of an action or a route.
    Ids(Vec<String>),
    /// Generated directions: the class, the method, as written.
    Generated {
        /// `ShelfFragmentDirections`.
        class: String,
        /// `actionShelfToItem`.
        method: String,
        /// Its arguments name all they pass: Kotlin's function, not Java's setters.
        complete: bool,
    },
    /// An address.
    Address(Vec<Shape>),
    /// Route text.
    Text(Vec<Shape>),
    /// Typed routes by their classes.
    Typed(Vec<Ref>),
    /// A screen by its class.
    Class(Ref),
    /// Out of the app.
    External,
    /// Not known from the source.
    Unknown,
}

/// A place that navigates.
#[derive(Debug, Clone)]
pub struct CallFact {
    /// The style it is written in.
    pub style: Style,
    /// What it does.
    pub verb: Verb,
    /// Where it leads.
    pub target: TargetFact,
    /// The target as it is written.
    pub written: String,
    /// How the target is named.
    pub form: Form,
    /// What it passes.
    pub arguments: Vec<ArgumentFact>,
    /// Whether it may pass more than is listed.
    pub open: bool,
    /// Route text written in place.
    pub literal: Option<Literal>,
    /// The constant that names the target.
    pub constant: Option<Ref>,
    /// The host whose controller makes it, where it is not the nearest one.
    pub host: Option<HostHint>,
    /// How many screens a step back goes back, where that is fixed.
    pub steps: u32,
    /// The node it is at, which says what it belongs to.
    pub site: Ref,
    /// The callee's last name, or the element.
    pub at: At,
}

impl CallFact {
    /// A call that names nothing and passes nothing yet: a step back as it stands.
    #[must_use]
    pub fn new(style: Style, verb: Verb, site: Ref, at: At) -> Self {
        Self {
            style,
            verb,
            target: TargetFact::None,
            written: String::new(),
            form: Form::Dynamic,
            arguments: Vec::new(),
            open: false,
            literal: None,
            constant: None,
            host: None,
            steps: 1,
            site,
            at,
        }
    }
}

/// Which host a controller is of.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum HostHint {
    /// The host of this id.
    Id(String),
    /// One further out: of a parent, of the activity.
    Outer,
    /// The host that is this container.
    Container(ContainerKey),
}

/// A place where an argument is taken out.
#[derive(Debug)]
pub struct ReadFact {
    /// The argument's name, as written or as the generated property spells it.
    pub name: String,
    /// The type it is taken as.
    pub ty: Option<String>,
    /// Whether it fails when the value is absent.
    pub forced: bool,
    /// It copes with an absent value: a default or a check.
    pub tolerant: bool,
    /// It is a property of a generated class: the class's name.
    pub generated: Option<String>,
    /// Extras of an intent rather than arguments.
    pub via: Via,
    /// Whether the key is written in place as a literal.
    pub literal_key: bool,
    /// It may come from outside of the app as well.
    pub from_outside: bool,
    /// It is a plain use of a constructor's parameter: nothing is taken out of anything.
    pub is_parameter: bool,
    /// The node it is at.
    pub site: Ref,
    /// Where.
    pub at: At,
}

impl ReadFact {
    /// The use of a parameter that arrives by constructor.
    #[must_use]
    pub fn of_parameter(name: &str, site: Ref, at: At) -> Self {
        Self {
            name: name.to_owned(),
            ty: None,
            forced: false,
            tolerant: false,
            generated: None,
            via: Via::Constructor,
            literal_key: false,
            from_outside: false,
            is_parameter: true,
            site,
            at,
        }
    }
}

/// One side of a result.
#[derive(Debug)]
pub struct ResultSideFact {
    /// The key, if it is known.
    pub key: Option<String>,
    /// Which side.
    pub side: ResultSide,
    /// How it travels: keys of different channels never meet.
    pub channel: &'static str,
    /// The value's type, where it is known.
    pub ty: Option<String>,
    /// Whether the key is written in place as a literal.
    pub literal_key: bool,
    /// The node it is at.
    pub site: Ref,
    /// Where.
    pub at: At,
}

/// A view that shows a graph.
#[derive(Debug)]
pub struct HostFact {
    /// The view's id.
    pub id: Option<String>,
    /// Whether it can be inflated: it has the id, tag or parent's id that its kind needs.
    pub identified: bool,
    /// The graph it names.
    pub graph: Option<(String, At)>,
    /// The layout it is in, by resource name.
    pub layout: String,
    /// A fragment class that is shown fixed, where it is no navigation host.
    pub fixed: Option<String>,
    /// Where.
    pub at: At,
}

/// A graph set or inflated from code.
#[derive(Debug)]
pub struct InflateFact {
    /// The graph's resource name, if it is known.
    pub graph: Option<String>,
    /// A start that is set beside it.
    pub start: Option<String>,
    /// The node it is at.
    pub site: Ref,
}

/// A menu.
#[derive(Debug)]
pub struct MenuFact {
    /// Resource name.
    pub name: String,
    /// Its entries.
    pub items: Vec<MenuItem>,
}

/// An entry of a menu.
#[derive(Debug)]
pub struct MenuItem {
    /// Its id.
    pub id: String,
    /// The element.
    pub at: At,
    /// Where its id is said.
    pub id_at: At,
}

/// A view that shows a menu.
#[derive(Debug)]
pub struct MenuView {
    /// The view's id.
    pub id: Option<String>,
    /// The menu's resource name.
    pub menu: String,
    /// The layout it is in.
    pub layout: String,
    /// What choosing an entry does.
    pub verb: Verb,
}

/// Code that ties a menu to navigation.
#[derive(Debug)]
pub struct MenuSetup {
    /// The view's id, in any spelling, where it is known.
    pub view: Option<String>,
    /// The menu inflated beside it, for options menus.
    pub menu: Option<String>,
    /// The node it is at.
    pub site: Ref,
}

/// A menu entry that code answers itself.
#[derive(Debug)]
pub struct HandledFact {
    /// The entry's id.
    pub id: String,
    /// The node it is at.
    pub site: Ref,
}

/// A resource that code mentions.
#[derive(Debug)]
pub struct UsedFact {
    /// `id`, `navigation`, `layout`…
    pub kind: String,
    /// Its name.
    pub name: String,
}

/// A registration that a later one takes the place of.
#[derive(Debug)]
pub struct Overruled {
    /// What is registered twice.
    pub name: String,
    /// The screen that is never shown for it.
    pub class: Ref,
    /// Where.
    pub at: At,
    /// The one that counts.
    pub winner: At,
}

/// Set-up with a step that is not there.
#[derive(Debug)]
pub struct MissingStep {
    /// What does nothing, or fails, without the step.
    pub what: String,
    /// What is missing.
    pub missing: String,
    /// What comes of it.
    pub effect: String,
    /// What to do.
    pub mend: String,
    /// The step that is there.
    pub at: At,
}
