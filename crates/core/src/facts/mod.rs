//! What recoverers say. Facts of one file name others (a class, an id, a graph) as the source does;
//! linking joins them.

mod calls;
mod ids;
mod kinds;
mod own;
mod routes;
mod screens;
mod slips;
mod ways;

pub use calls::{
    ArgumentFact, CallFact, Channel, HostHint, Literal, ReadFact, ResultSideFact, Slot, TargetFact, ValueType,
};
pub use ids::{ActionId, CallId, ContainerId, RouteId, ScreenId};
pub use kinds::{Absent, Holds, Offers, Opened, Order, ShownBy, Start, Takes};
pub use own::{Own, OwnFact};
pub use routes::{
    ActionFact, ChosenStart, ContainerFact, ContainerKey, LinkFact, Owner, ParameterFact, RedirectFact,
    RouteFact, RouteKey, Shows, Sight, StaleFact, Standing, StartFact, TypeNamed, UnreadFact,
};
pub use screens::{PartFact, ScreenFact};
pub use slips::{MissingStep, Overruled, ProblemFact, Unwired, UsedFact};
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
            /// What one style has and no other.
            pub own: Own,
        }

        impl Facts {
            /// Takes over another file's facts.
            pub fn extend(&mut self, other: Self) {
                $(self.$name.extend(other.$name);)+
                self.own.append(other.own);
            }
        }
    };
}

facts! {
    /// Screens.
    screens: ScreenFact,
    /// Classes whose code runs as another's.
    parts: PartFact,
    /// Code that runs for no screen.
    nobodys: Ref,
    /// Routes.
    routes: RouteFact,
    /// What routes stand in: graphs, hosts, navigators.
    containers: ContainerFact,
    /// What is put into containers and could not be read.
    unread: UnreadFact,
    /// Starts that are chosen apart from their containers.
    chosen: ChosenStart,
    /// Named ways from one route to another.
    actions: ActionFact,
    /// Ways on that no call takes.
    redirects: RedirectFact,
    /// Calls.
    calls: CallFact,
    /// Reads.
    reads: ReadFact,
    /// Places where all arguments are handed on whole, so that any may be read there.
    whole_bags: Ref,
    /// Sides of results.
    results: ResultSideFact,
    /// Names that code mentions.
    used: UsedFact,
    /// Screens that markup shows outside of any route: full class names.
    shown_by_markup: String,
    /// What lacks something to be shown.
    problems: ProblemFact,
    /// Set-up with a step that is not there.
    missing_steps: MissingStep,
    /// Registrations that never count.
    overruled: Overruled,
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
