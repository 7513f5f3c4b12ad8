//! Calls, reads and results, as they are recovered.

use super::{Absent, At, ContainerKey, RouteKey};
use crate::model::{Form, ResultSide, Style, Verb, Via};
use crate::values::{Ref, Shape};
use smol_str::SmolStr;

/// How an argument says which parameter it is for.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Slot {
    /// By name.
    Name(String),
    /// By position (0-based) among the route's parameters, required ones first.
    Position(usize),
    /// By position (0-based) among the route's parameters as they are declared.
    Place(usize),
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
    /// One of these named ways.
    Actions(Vec<String>),
    /// A generated way: what it leads on from, and its function.
    Generated {
        /// What they lead on from: `ShelfFragment`.
        owner: String,
        /// `actionShelfToItem`.
        method: String,
        /// Its arguments name all they pass: Kotlin's function, not Java's setters.
        complete: bool,
    },
    /// An address.
    Address(Vec<Shape>),
    /// Route text.
    Text(Vec<Shape>),
    /// Routes by the names they are declared with.
    Named(Vec<Shape>),
    /// One route by the first of these names that is declared.
    FirstOf(Vec<Shape>),
    /// Typed routes by their classes.
    Typed(Vec<Ref>),
    /// What is registered for values of these types.
    Values(Vec<ValueType>),
    /// Routes that are known themselves.
    Routes(Vec<RouteKey>),
    /// So many places behind the caller's own route, in the order of their container.
    Beside(i32),
    /// A screen by its class; of several any may be meant.
    Classes(Vec<Ref>),
    /// Out of the app.
    External,
    /// Not known from the source.
    Unknown,
}

/// The type of a value that says where a call leads.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct ValueType {
    /// Its declaration in the source: of an enum's value, the case where that is known.
    pub class: Option<Ref>,
    /// Its name, without its module.
    pub name: String,
    /// It may be absent, which is another type than the plain one.
    pub nullable: bool,
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
    /// The class that the target's value is of, where no more is known of it.
    pub value_class: Option<Ref>,
    /// How the target is named.
    pub form: Form,
    /// What it passes.
    pub arguments: Vec<ArgumentFact>,
    /// Whether it may pass more than is listed.
    pub open: bool,
    /// The class of the one object that holds all it passes, with what that derives from.
    pub object: Vec<SmolStr>,
    /// What it passes is put to what the route was given before: it hands back a result.
    pub merges: bool,
    /// Route text written in place.
    pub literal: Option<Literal>,
    /// The compiler checks the name against the declared ones.
    pub checked: bool,
    /// The constant that names the target.
    pub constant: Option<Ref>,
    /// The host whose controller makes it, where it is not the nearest one.
    pub host: Option<HostHint>,
    /// How many screens a step back goes back, where that is fixed.
    pub steps: u32,
    /// How many screens lie below what setting a whole stack ends on.
    pub lands: u32,
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
            value_class: None,
            form: Form::Dynamic,
            arguments: Vec::new(),
            open: false,
            object: Vec::new(),
            merges: false,
            literal: None,
            checked: false,
            constant: None,
            host: None,
            steps: 1,
            lands: 0,
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
    /// Any: the call says itself through which ones it goes.
    Any,
    /// The host that is this container.
    Container(ContainerKey),
    /// The container that it is written in, at the bottom of it.
    Within(ContainerKey),
}

/// A place where an argument is taken out.
#[derive(Debug)]
pub struct ReadFact {
    /// The argument's name, as written or as the generated property spells it.
    pub name: String,
    /// The type it is taken as.
    pub ty: Option<String>,
    /// What comes of it where the value is absent.
    pub absent: Absent,
    /// It is a property of what was generated for a screen: the screen's name.
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
    /// A value taken out under a name, as far as nothing more is known of it.
    #[must_use]
    pub fn new(name: String, via: Via, site: Ref, at: At) -> Self {
        Self {
            name,
            ty: None,
            absent: Absent::default(),
            generated: None,
            via,
            literal_key: false,
            from_outside: false,
            is_parameter: false,
            site,
            at,
        }
    }

    /// The use of a parameter that arrives by constructor.
    #[must_use]
    pub fn of_parameter(name: &str, site: Ref, at: At) -> Self {
        Self { is_parameter: true, ..Self::new(name.to_owned(), Via::Constructor, site, at) }
    }
}

/// How a result travels: keys of different channels never meet.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub enum Channel {
    /// By a key that both sides name.
    Key,
    /// In the saved state of an entry of the back stack.
    SavedState,
    /// As the answer of a finished screen, which others than the app may ask for, or give.
    Answer,
    /// As the value of the route that was opened.
    OpenedRoute,
    /// Put to what a route was given before.
    MergedParameters,
}

impl Channel {
    /// Whether the other side may be outside of the app.
    #[must_use]
    pub fn leaves_app(self) -> bool {
        self == Self::Answer
    }
}

/// One side of a result.
#[derive(Debug)]
pub struct ResultSideFact {
    /// The key, if it is known.
    pub key: Option<String>,
    /// Which side.
    pub side: ResultSide,
    /// It is there for sure; else it only may be.
    pub sure: bool,
    /// How it travels.
    pub channel: Channel,
    /// The value's type, where it is known.
    pub ty: Option<String>,
    /// Whether the key is written in place as a literal.
    pub literal_key: bool,
    /// The node it is at.
    pub site: Ref,
    /// Where.
    pub at: At,
}
