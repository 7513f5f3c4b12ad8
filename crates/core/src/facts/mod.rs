//! What recoverers say. Facts of one file name others (a class, an id, a graph) as the source does;
//! linking joins them.

mod calls;
mod ids;
mod kinds;
mod routes;
mod screens;
mod ways;
mod wiring;

pub use calls::{
    ArgumentFact, BagFact, CallFact, Channel, HostHint, Literal, ReadFact, ResultSideFact, Slot, TargetFact,
    ValueType,
};
pub use ids::{ActionId, CallId, ContainerId, RouteId, ScreenId};
pub use kinds::{Absent, Holds, Opened, Order, ShownBy, Start, Takes};
pub use routes::{
    ActionFact, AddressFact, AnswerFact, ChosenStart, ContainerFact, ContainerKey, IncludeFact, LinkFact,
    OriginFact, Owner, ParameterFact, RedirectFact, RouteFact, RouteKey, Shows, Sight, StaleFact, Standing,
    StartFact, TypeNamed, UnplacedFact,
};
pub use screens::{LayoutUse, PartFact, ScreenFact};
pub use wiring::{
    HandledFact, HostFact, InflateFact, MappedFact, MappedTo, MenuFact, MenuItem, MenuSetup, MenuView,
    MissingStep, Overruled, PushFact, UnfiledFact, UsedFact,
};

pub use ways::{
    Addresses, Choice, Names, Objects, Passes, Presents, Query, Sentence, Space, Unknown, Unopened, Ways,
};

use crate::model::{Place, Span};
use crate::source::SourceTree;
use crate::values::Ref;

/// Declares the lists of facts, and how those of another file are taken over.
macro_rules! facts {
    ($($(#[$doc:meta])* $name:ident: $of:ty,)+) => {
        /// Facts of one file, or of all of them once they are gathered.
        #[derive(Debug, Default)]
        pub struct Facts {
            $($(#[$doc])* pub $name: Vec<$of>,)+
        }

        impl Facts {
            /// Takes over another file's facts.
            pub fn extend(&mut self, other: Self) {
                $(self.$name.extend(other.$name);)+
            }
        }
    };
}

facts! {
    /// Screens.
    screens: ScreenFact,
    /// Classes whose code runs as another's.
    parts: PartFact,
    /// Routes.
    routes: RouteFact,
    /// What routes stand in: graphs, hosts, navigators.
    containers: ContainerFact,
    /// What is set on a screen from outside, by the name of its route.
    set_outside: (String, String),
    /// Starts that are chosen apart from their containers.
    chosen: ChosenStart,
    /// Graphs put into others.
    includes: IncludeFact,
    /// Named ways from one route to another.
    actions: ActionFact,
    /// Ways on that no call takes.
    redirects: RedirectFact,
    /// Entries that lead on to pages.
    mapped: MappedFact,
    /// Addresses that are declared apart from their routes.
    links: LinkFact,
    /// Schemes and hosts that an app answers.
    origins: OriginFact,
    /// Modules whose navigators look for names inside of others as well.
    looking_inside: usize,
    /// Code that runs for no screen.
    nobodys: Ref,
    /// Addresses that lead into the app.
    addresses: AddressFact,
    /// Addresses that code takes apart itself.
    answers: AnswerFact,
    /// Calls.
    calls: CallFact,
    /// Reads.
    reads: ReadFact,
    /// Places where all arguments are taken as one object.
    bags: BagFact,
    /// Sides of results.
    results: ResultSideFact,
    /// Views that show a container.
    hosts: HostFact,
    /// Layouts put into others: the outer one's name, the inner one's.
    layout_includes: (String, String),
    /// Graphs set or inflated from code.
    inflates: InflateFact,
    /// Menus.
    menus: MenuFact,
    /// Views that show a menu.
    menu_views: MenuView,
    /// Code that ties a menu to navigation.
    menu_setups: MenuSetup,
    /// Menu entries that code answers itself.
    handled: HandledFact,
    /// Resources that code mentions.
    used: UsedFact,
    /// Screens that a layout names and no file is.
    unfiled: UnfiledFact,
    /// Destinations that no stack has.
    unplaced: UnplacedFact,
    /// Ways in which screens are shown, by full names: inside of a stack or not.
    ways: (String, bool),
    /// Pushes that need a stack around.
    pushes: PushFact,
    /// Set-up with a step that is not there.
    missing_steps: MissingStep,
    /// Screens that markup shows outside of any route: full class names.
    shown_by_markup: String,
    /// Registrations that never count.
    overruled: Overruled,
    /// Places where all arguments are handed on whole, so that any may be read there.
    whole_bags: Ref,
    /// Generated code that is out of step.
    stale: StaleFact,
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
