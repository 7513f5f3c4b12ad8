//! The questions a fact answers, each as one closed choice.

use super::{At, StartFact};

/// Who shows a container.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub enum ShownBy {
    /// What it stands in, or nobody that is known.
    #[default]
    Holder,
    /// It shows its routes itself.
    Itself,
    /// Something else has to.
    Another,
    /// It is the whole app's, unless a screen shows it.
    App,
}

impl ShownBy {
    /// By itself; as the app where it is that.
    #[must_use]
    pub fn app_if(is_app: bool) -> Self {
        if is_app { Self::App } else { Self::Itself }
    }

    /// By itself, as far as something uses it; else it has to be shown.
    #[must_use]
    pub fn itself_if(used: bool) -> Self {
        if used { Self::Itself } else { Self::Another }
    }

    /// Whether it shows its routes itself.
    #[must_use]
    pub fn is_host(self) -> bool {
        matches!(self, Self::Itself | Self::App)
    }
}

/// To which of its routes a container is a way in of itself.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub enum Offers {
    /// To what it shows first.
    #[default]
    Start,
    /// To all of them, called or not: by a bar, a drawer, a row of tabs of its own.
    All,
}

/// What a container shows first.
#[derive(Debug, Clone)]
pub enum Start {
    /// What is said: several where a choice is made. None at all is a slip.
    Said(Vec<StartFact>),
    /// What is known of it; code may choose another.
    Perhaps(Vec<StartFact>),
    /// What is known of an expression that says it and is decided at run time.
    AtRunTime(Vec<StartFact>),
    /// What is said, else the route that stands first in it.
    FirstDeclared(Vec<StartFact>),
}

impl Start {
    /// Not known from the source.
    pub const OPEN: Self = Self::Perhaps(Vec::new());

    /// What is said, where code may choose another or may not.
    #[must_use]
    pub fn new(starts: impl IntoIterator<Item = StartFact>, open: bool) -> Self {
        let starts = starts.into_iter().collect();
        if open { Self::Perhaps(starts) } else { Self::Said(starts) }
    }

    /// What is said, where anything is.
    #[must_use]
    pub fn said_if_any(starts: impl IntoIterator<Item = StartFact>) -> Self {
        let starts: Vec<StartFact> = starts.into_iter().collect();
        if starts.is_empty() { Self::OPEN } else { Self::Said(starts) }
    }

    /// The starts that are known.
    #[must_use]
    pub fn known(&self) -> &[StartFact] {
        match self {
            Self::Said(starts)
            | Self::Perhaps(starts)
            | Self::AtRunTime(starts)
            | Self::FirstDeclared(starts) => starts,
        }
    }

    /// Whether code may choose it when the app runs.
    #[must_use]
    pub fn is_open(&self) -> bool {
        matches!(self, Self::Perhaps(_) | Self::AtRunTime(_))
    }

    /// The same, with names that the compiler checks.
    #[must_use]
    pub fn checked(mut self) -> Self {
        match &mut self {
            Self::Said(starts)
            | Self::Perhaps(starts)
            | Self::AtRunTime(starts)
            | Self::FirstDeclared(starts) => {
                starts.iter_mut().for_each(|start| start.literal = false);
            }
        }
        self
    }

    /// Adds one that is said apart from the container.
    pub fn add(&mut self, start: StartFact) {
        match self {
            Self::Said(starts)
            | Self::Perhaps(starts)
            | Self::AtRunTime(starts)
            | Self::FirstDeclared(starts) => starts.push(start),
        }
    }
}

/// What a container holds.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub enum Holds {
    /// All that is known to.
    #[default]
    Known,
    /// Perhaps more than is known.
    MayBeMore,
    /// All that is known to, and something: it is of no use with nothing in it.
    MustHold,
}

impl Holds {
    /// Perhaps more, where something in it could not be understood.
    #[must_use]
    pub fn more_if(open: bool) -> Self {
        if open { Self::MayBeMore } else { Self::Known }
    }
}

/// Who opens a route.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub enum Opened {
    /// The app's own calls and containers.
    #[default]
    Inside,
    /// The same; and only a call makes it a route at all.
    OnlyIfCalled,
    /// Its path alone opens it, too.
    ByAddress,
    /// Others than the app itself may, too.
    FromOutside,
    /// The system does, first of all.
    AtLaunch,
}

impl Opened {
    /// Whether it is what the system opens first.
    #[must_use]
    pub fn at_launch(self) -> bool {
        self == Self::AtLaunch
    }

    /// Whether others than the app itself may open it.
    #[must_use]
    pub fn from_outside(self) -> bool {
        matches!(self, Self::FromOutside | Self::AtLaunch)
    }
}

/// How it is known what a route takes.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub enum Takes {
    /// Its declaration says it.
    #[default]
    Declared,
    /// What its screen takes out counts as well.
    AsRead {
        /// What is taken out within the declaration is all that is ever taken out.
        complete: bool,
    },
    /// Of what is declared, what somebody passes.
    AsPassed,
}

impl Takes {
    /// What is read counts where the declaration does not say all.
    #[must_use]
    pub fn as_read_if(open: bool) -> Self {
        if open { Self::AsRead { complete: false } } else { Self::Declared }
    }

    /// Whether what is read counts.
    #[must_use]
    pub fn by_reads(self) -> bool {
        matches!(self, Self::AsRead { .. })
    }
}

/// What comes of a read whose value is absent.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub enum Absent {
    /// Nothing that could be seen.
    #[default]
    Silent,
    /// It copes: a default or a check.
    Met,
    /// It fails there and then.
    Fails,
    /// It is used as if it were there, though nothing fails at once.
    Needed,
    /// It was asked for, and is used as if it were there without a look at the answer.
    Unmet,
}

impl Absent {
    /// It copes where it is met, else fails where it is forced.
    #[must_use]
    pub fn of(forced: bool, met: bool) -> Self {
        match (met, forced) {
            (true, _) => Self::Met,
            (false, true) => Self::Fails,
            (false, false) => Self::Silent,
        }
    }

    /// Whether the screen cannot do without the value.
    #[must_use]
    pub fn asks(self) -> bool {
        matches!(self, Self::Fails | Self::Needed)
    }
}

/// Which of several declarations is asked first: the smaller.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub enum Order {
    /// As it is declared among its siblings.
    Declared(usize),
    /// As code adds it, after all that is declared: where, and which of those that it adds there.
    Added(At, usize),
    /// After all others.
    Last,
}

impl Default for Order {
    fn default() -> Self {
        Self::Declared(0)
    }
}
