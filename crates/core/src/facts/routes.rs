//! Routes and what they stand in, as they are recovered.

use super::{At, Holds, Offers, Opened, Order, ShownBy, Start, Takes, TargetFact};
use crate::model::{RouteKind, Style, Via};
use crate::values::Ref;

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
    /// Who opens it.
    pub opened: Opened,
    /// How it is known what it takes.
    pub takes: Takes,
    /// The class it is registered by, for typed routes.
    pub class: Option<Ref>,
    /// The type whose values it is registered for.
    pub registers: Option<TypeNamed>,
    /// Where a registration counts, where it is the surroundings that say.
    pub stands: Vec<Standing>,
    /// What it shows, in place: code in here is its screen's.
    pub content: Option<Ref>,
    /// What else it may show, by full names, where a choice is made.
    pub also: Vec<String>,
    /// The route it is written under, where that is no container.
    pub parent: Option<RouteKey>,
    /// Which of several declarations that fit is asked first.
    pub order: Order,
    /// The container that it shows whole.
    pub holds: Option<ContainerKey>,
    /// The arms that it stands in of choices made at run time: the choice, and which arm.
    pub arms: Vec<(Ref, usize)>,
    /// The token that declares it.
    pub at: At,
}

impl RouteFact {
    /// A route that shows nothing and takes nothing yet.
    #[must_use]
    pub fn new(style: Style, kind: RouteKind, name: String, at: At) -> Self {
        Self {
            style,
            name,
            pattern: None,
            kind,
            shows: Shows::NotApplicable,
            container: None,
            parameters: Vec::new(),
            deep_links: Vec::new(),
            opened: Opened::default(),
            takes: Takes::default(),
            class: None,
            registers: None,
            stands: Vec::new(),
            content: None,
            also: Vec::new(),
            parent: None,
            order: Order::default(),
            holds: None,
            arms: Vec::new(),
            at,
        }
    }
}

/// A type that values are registered by.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct TypeNamed {
    /// Its declaration, if it is in the source.
    pub class: Option<Ref>,
    /// Its name, without its module.
    pub name: String,
}

/// Where a registration counts.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Standing {
    /// In a stack that it is written in.
    In(ContainerKey),
    /// In whatever stack shows the screens that a node belongs to.
    With(Ref),
}

/// What a route shows.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Shows {
    /// A class by its full name, and where the route names it.
    Class(String, At),
    /// A class of this name that must be in the source, and is not; and where the route names it.
    Absent(String, At),
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
    /// The style that recovered it.
    pub style: Option<Style>,
    /// Its identity.
    pub key: ContainerKey,
    /// Its own name, where it has one.
    pub name: Option<String>,
    /// What others include it by: a resource name, for one that is a whole file.
    pub resource: Option<String>,
    /// What it stands in.
    pub parent: Option<ContainerKey>,
    /// What it shows first.
    pub start: Start,
    /// Who shows it.
    pub shown_by: ShownBy,
    /// Where code shows it, for a host in code.
    pub sites: Vec<Ref>,
    /// The screen that shows it, by its full name.
    pub shown_in: Option<String>,
    /// The route that holds it.
    pub owner: Option<RouteKey>,
    /// What stands at the bottom of it, by full names.
    pub roots: Vec<String>,
    /// From where its routes can be named.
    pub sight: Sight,
    /// Nothing in it answers an unknown name: where that could be said.
    pub no_fallback: Option<At>,
    /// It stands in whatever shows its screen.
    pub stands_where_shown: bool,
    /// What it holds.
    pub holds: Holds,
    /// To what of it there is a way in as soon as it is shown.
    pub offers: Offers,
}

impl ContainerFact {
    /// A container that is not known to be shown, without a start.
    #[must_use]
    pub fn new(key: ContainerKey) -> Self {
        Self {
            key,
            name: None,
            resource: None,
            parent: None,
            style: None,
            start: Start::Said(Vec::new()),
            shown_by: ShownBy::default(),
            sites: Vec::new(),
            shown_in: None,
            owner: None,
            roots: Vec::new(),
            sight: Sight::Anywhere,
            no_fallback: None,
            stands_where_shown: false,
            holds: Holds::default(),
            offers: Offers::default(),
        }
    }
}

/// From where the routes of a container can be named.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Sight {
    /// From anywhere.
    Anywhere,
    /// From inside it, and from inside what is in it.
    Below,
    /// From directly inside it.
    Inside,
    /// It is no place to call from: who stands in it stands where those do that show it.
    Through,
    /// From inside it, if it is declared on the caller or on what lies below the caller.
    AtOrAbove,
}

/// What a container shows first.
#[derive(Debug, Clone)]
pub struct StartFact {
    /// The route's name.
    pub name: String,
    /// It is text written in place, where it could be a constant.
    pub literal: bool,
    /// The compiler checks it against the declared names.
    pub checked: bool,
    /// Where it is said.
    pub at: At,
}

impl StartFact {
    /// A start that is said by the order of declarations, a type or a default: not by text in place.
    #[must_use]
    pub fn new(name: String, at: At) -> Self {
        Self { name, literal: false, checked: false, at }
    }

    /// The start that a route is by standing first.
    #[must_use]
    pub fn first(route: &RouteFact) -> Self {
        Self::new(route.name.clone(), route.at)
    }
}

/// What a container shows first, said apart from it.
#[derive(Debug)]
pub struct ChosenStart {
    /// The container.
    pub container: ContainerKey,
    /// What it shows first.
    pub start: StartFact,
}

/// Something that is put into a container and could not be read: it may be of any name.
#[derive(Debug)]
pub struct UnreadFact {
    /// The style that it is read for.
    pub style: Style,
    /// The container; `None` for one that is not known.
    pub container: Option<ContainerKey>,
    /// Where it is put in.
    pub at: At,
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
    /// The route it leads to, where that is known itself.
    pub leads: Option<RouteKey>,
    /// Something that is no call goes by it.
    pub wired: bool,
    /// The route it pops to first.
    pub pop_up_to: Option<String>,
    /// Arguments it gives a default, by name.
    pub supplies: Vec<ParameterFact>,
    /// Where it is declared.
    pub at: At,
}

/// A route, or a whole container, that leads on to another route by itself.
#[derive(Debug)]
pub struct RedirectFact {
    /// The style it is written in.
    pub style: Style,
    /// The route that leads on; `None` where any may.
    pub from: Option<RouteKey>,
    /// Where it leads.
    pub target: TargetFact,
}

/// An address that is declared apart from the route that it opens.
#[derive(Debug, Clone)]
pub struct LinkFact {
    /// The route's name.
    pub route: String,
    /// Where the route is named.
    pub at: At,
}

/// Generated code that is out of step with what it is made from.
#[derive(Debug)]
pub struct StaleFact {
    /// What is out of step, for people.
    pub what: String,
    /// The file to generate again, for people.
    pub file: String,
    /// The source's declaration.
    pub at: At,
    /// The generated one, where there is one.
    pub generated: Option<At>,
}
