//! How a style's names work, as data: what linking and rules have to know of it.

/// What a style does that others do not. Each style has one, made from [`Ways::PLAIN`].
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Ways {
    /// What callers name a route by.
    pub names: Names,
    /// Which of several declarations that fit takes a call.
    pub choice: Choice,
    /// Who sees to it that what a route takes is passed.
    pub passes: Passes,
    /// What comes of a value that is taken out of a query without asking.
    pub query: Query,
    /// Where what is presented stands.
    pub presents: Presents,
    /// How objects travel.
    pub objects: Objects,
    /// What its routes have to do with addresses.
    pub addresses: Addresses,
    /// What it says of a route that no call names.
    pub unopened: Unopened,
    /// What an address that no route has leads to.
    pub unknown: Unknown,
    /// How a route shows nothing, and what then to do.
    pub shows_nothing: Sentence,
    /// What stands at the end of its addresses and says nothing: `.xaml`.
    pub ending: &'static str,
}

impl Ways {
    /// Text that is matched as well as it can be, declared in full, nothing checked.
    pub const PLAIN: Self = Self {
        names: Names::Classes,
        choice: Choice::Best,
        passes: Passes::Declared,
        query: Query::MayLack,
        presents: Presents::OnTop,
        objects: Objects::Written,
        addresses: Addresses::Declared,
        unopened: Unopened::Orphan,
        unknown: Unknown::Undeclared,
        shows_nothing: Sentence {
            says: "what `{}` is to show is not in the source",
            mend: "Name what is there now, or take the route out.",
        },
        ending: "",
    };

    /// Whether the first of several declarations of a name takes its calls.
    #[must_use]
    pub fn first_of_a_name_counts(&self) -> bool {
        matches!(self.choice, Choice::FirstOfAName(_))
    }
}

/// What callers name a route by.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Names {
    /// Text.
    Text,
    /// The type of a value.
    Types,
    /// The class of its screen, or an object of it.
    Classes,
    /// A resource's id.
    Ids,
}

/// Which of several declarations that fit takes a call.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Choice {
    /// The one that says most of it in words of its own.
    Best,
    /// They are asked one after the other: the first that fits.
    InOrder,
    /// The first of its name.
    FirstOfAName(Space),
}

/// Where a name is one name.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Space {
    /// In each container.
    Container,
    /// In all containers of an app.
    App,
}

/// Who sees to it that what a route takes is passed.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Passes {
    /// Nobody: it is declared, and a call may leave it out.
    Declared,
    /// Nobody: callers pass what they like where a route says nothing of what it takes.
    Loosely,
    /// The compiler.
    Checked,
}

/// What comes of a value that is taken out of a query without asking.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Query {
    /// It may always be absent.
    MayLack,
    /// The screen fails where it is not there.
    FailsWithout,
}

/// Where what is presented stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Presents {
    /// On the stack that it is presented from.
    OnTop,
    /// On a stack of its own.
    Apart,
}

/// How objects travel.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Objects {
    /// Written down.
    Written,
    /// Whole, as they are.
    Whole,
}

/// What a style's routes have to do with addresses.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Addresses {
    /// They declare those that open them.
    Declared,
    /// They declare those that open them; one that says no path takes any.
    AnyPath,
    /// Code answers an app's addresses, and opens what it likes for them.
    InCode,
    /// Their names are no addresses.
    None,
}

/// What a style says of a route that no call names.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Unopened {
    /// Nobody can open it.
    Orphan,
    /// Something shows it that makes no call: an adapter, a layout.
    Shown,
    /// Nobody can open it, where no other route shows its screen.
    ByItsScreen,
}

/// What an address that no route has leads to.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Unknown {
    /// Nowhere.
    Undeclared,
    /// To any other app.
    External,
}

/// A sentence about a name, which stands for `{}`, and what to do.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Sentence {
    /// What is so.
    pub says: &'static str,
    /// What to do about it.
    pub mend: &'static str,
}

impl Sentence {
    /// The sentence with its name.
    #[must_use]
    pub fn of(&self, name: &str) -> String {
        self.says.replacen("{}", name, 1)
    }
}
