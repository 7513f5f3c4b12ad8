//! What a language's own library does with the names that are called. Each lens brings one table, so
//! that nothing behind the lenses knows the names.

use super::{Call, Id, Tree};

/// A language's own functions, as far as values travel through them.
#[derive(Debug)]
pub struct Idioms {
    /// Functions that run a lambda on a value.
    pub scopes: &'static [(&'static str, Scope)],
    /// Functions that run a lambda on each element of what they are called on.
    pub loops: &'static [&'static str],
    /// Functions that hand the elements of what they are called on back.
    pub passes: &'static [&'static str],
    /// Delegates whose lambda is the value.
    pub lazy: &'static [&'static str],
    /// Functions that keep or make text.
    pub texts: &'static [(&'static str, TextStep)],
    /// Functions that hand their argument back, and fail where it is null.
    pub asserts: &'static [&'static str],
    /// What well-known members give, sorted by name; `?` after what may be null. By last name only,
    /// so nothing that an app is likely to name its own is in here.
    pub members: &'static [(&'static str, &'static str)],
    /// Types of which one never stands for another.
    pub plain: &'static [&'static str],
    /// Types that stand for what they will hold.
    pub promises: &'static [&'static str],
    /// The types of what is written out.
    pub literals: Literals,
    /// A lambda may stand behind a call for its last parameter.
    pub trailing_lambdas: bool,
    /// What a lambda without parameters calls what it is given.
    pub unnamed: &'static str,
    /// A function's bare name, not called, hands the function over.
    pub tear_offs: bool,
    /// Members that hand back one element of what they are asked of, which may be none.
    pub elements: &'static [&'static str],
    /// Functions whose lambda looks at each element of what they are called on.
    pub looks: &'static [&'static str],
    /// The member of an enum's case that is its text.
    pub case_text: &'static str,
    /// An enum's cases are values of it, and may carry more; types may be added to elsewhere.
    pub cases_carry: bool,
    /// A plain value that was put away whole comes out as no object of the app's own.
    pub unboxes: bool,
}

/// What a language calls the types of its literals.
#[derive(Debug)]
pub struct Literals {
    /// Of text.
    pub text: &'static str,
    /// Of a truth value.
    pub truth: &'static str,
    /// Of a number, by how it is written.
    pub number: fn(&str) -> &'static str,
}

/// A function that runs a lambda on a value.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Scope {
    /// Where the value stands.
    pub on: Subject,
    /// How the lambda sees it.
    pub as_: Handed,
    /// Whether the value comes back rather than what the lambda comes to.
    pub gives_subject: bool,
    /// Whether what is done to the value inside can be followed as steps of it.
    pub builds: bool,
}

/// Where the value of a scope function stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Subject {
    /// Before the dot.
    Receiver,
    /// The first argument.
    Argument,
}

/// How a lambda sees what it is run on.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Handed {
    /// As `this`.
    This,
    /// As its parameter.
    Parameter,
}

/// What a function does with text.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum TextStep {
    /// Hands back the text it is called on.
    Receiver,
    /// Hands back its argument.
    Argument,
    /// Fills the placeholders of a pattern.
    Format,
    /// Puts its argument behind the text it is called on.
    Join,
    /// Puts one text in the place of another.
    Replace,
}

impl Idioms {
    /// A language of which nothing is known.
    pub const NONE: Self = Self {
        scopes: &[],
        loops: &[],
        passes: &[],
        lazy: &[],
        texts: &[],
        asserts: &[],
        members: &[],
        plain: &[],
        promises: &[],
        literals: Literals { text: "String", truth: "Boolean", number: |_| "Int" },
        trailing_lambdas: false,
        unnamed: "it",
        tear_offs: false,
        elements: &[],
        looks: &[],
        case_text: "name",
        cases_carry: false,
        unboxes: false,
    };

    /// What a function does with text.
    #[must_use]
    pub fn text_step(&self, name: &str) -> Option<TextStep> {
        self.texts.iter().find(|(known, _)| *known == name).map(|(_, step)| *step)
    }
}

impl Default for &'static Idioms {
    fn default() -> Self {
        const { &Idioms::NONE }
    }
}

impl Tree {
    /// What a call does, if it is one of a scope function.
    #[must_use]
    pub fn scope(&self, call: &Call) -> Option<Scope> {
        let (name, _) = self.callee(call)?;
        self.idioms.scopes.iter().find(|(known, _)| known == name).map(|(_, scope)| *scope)
    }

    /// What a scope function is run on.
    #[must_use]
    pub fn subject(&self, call: &Call, scope: Scope) -> Option<Id> {
        match scope.on {
            Subject::Receiver => self.receiver(call),
            Subject::Argument => call.args.first().filter(|_| call.args.len() > 1).map(|arg| arg.value),
        }
    }
}
