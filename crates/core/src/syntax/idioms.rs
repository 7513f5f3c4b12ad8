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
    /// Loop functions whose lambda is told the count before the element.
    pub counted_loops: &'static [&'static str],
    /// Functions that make a sequence of their arguments, with what they are called on where that matters.
    pub makes_list: &'static [&'static str],
    /// Functions that hand the elements of what they are called on back.
    pub passes: &'static [&'static str],
    /// Functions whose lambda puts text together.
    pub builds_text: &'static [&'static str],
    /// Members of a class that are the class as another language sees it.
    pub same_class: &'static [&'static str],
    /// A list that is declared with a type is filled elsewhere as well.
    pub types_say_data: bool,
    /// Functions that hand back one of what they are called on.
    pub asks: &'static [(&'static str, Ask)],
    /// Delegates whose lambda is the value.
    pub lazy: &'static [&'static str],
    /// Functions that keep or make text.
    pub texts: &'static [(&'static str, TextStep)],
    /// Functions that hand their argument back, and fail where it is null.
    pub asserts: &'static [&'static str],
    /// What well-known members give, sorted by name; `?` after what may be null. By last name only,
    /// so nothing that an app is likely to name its own is in here.
    pub members: &'static [(&'static str, &'static str)],
    /// Functions that hand the sequence back that they are given, with what they are called on where that
    /// matters.
    pub same: &'static [&'static str],
    /// Functions that give each element of what they are given, or are called on, behind its count.
    pub counts: &'static [&'static str],
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
    /// An enum's cases are values of it, and may carry more.
    pub cases_carry: bool,
    /// What gives all cases of an enum.
    pub all_cases: &'static [&'static str],
    /// The case of what is there, where what may be absent is an enum.
    pub some: &'static str,
    /// A plain value that was put away whole comes out as no object of the app's own.
    pub unboxes: bool,
    /// Types that hold others, and what is known of them.
    pub sequences: Sequences,
    /// Methods that put an element into what they are called on.
    pub puts_element: &'static [&'static str],
    /// Methods that look for an element in what they are called on.
    pub seeks_element: &'static [&'static str],
    /// Methods that put a value under a key.
    pub puts_entry: &'static [&'static str],
    /// Methods that put another map's entries in.
    pub puts_entries: &'static [&'static str],
    /// Methods that take a value of the type they are told out of where it was put, if it is there.
    pub typed_getters: &'static [&'static str],
    /// Functions that list what an object holds: their object, their name, what they list.
    pub listings: &'static [(&'static str, &'static str, Listing)],
    /// Members that list what a map holds.
    pub own_listings: &'static [(&'static str, Listing)],
    /// What a loop over a map takes.
    pub map_rounds: Option<Listing>,
    /// Functions that make a map, with what they are called on where that matters.
    pub makes_map: &'static [&'static str],
    /// The names of an entry's key, and of its value.
    pub entry_parts: [&'static [&'static str]; 2],
    /// Objects are taken apart by the places of what they are made with.
    pub parts_by_place: bool,
    /// Records or tuples may name their fields.
    pub named_tuples: bool,
    /// Members of a function value that run it.
    pub runs: &'static [&'static str],
    /// What makes a changed copy of an object of a data class.
    pub copies: &'static str,
    /// What makes a pair of its arguments.
    pub pairs: &'static [&'static str],
    /// How the names of functions begin that escape text for its place in an address.
    pub escapes: &'static [&'static str],
    /// Fields without a value are parameters of what makes an object.
    pub memberwise: bool,
    /// What stands for the class around.
    pub self_type: &'static str,
    /// What a function's body declares at any depth is there in all of it.
    pub scopes_by_function: bool,
    /// A file takes in nothing that it does not name.
    pub imports_by_name: bool,
    /// What one file of a module declares, all of its files see.
    pub whole_modules: bool,
    /// A namespace may be named in part, from inside of those around it.
    pub nests_namespaces: bool,
    /// Members may be added to a type where it is not declared.
    pub extends_types: bool,
    /// Objects are asked for what they hold by place or key, and for functions that they hold.
    pub keyed_objects: bool,
    /// The bare name of a class, or of what wraps one, hands it on.
    pub hands_classes: bool,
    /// A class may be named by its bare name, wherever it is declared.
    pub bare_classes: bool,
    /// What stands in for a base's is marked so.
    pub marks_overrides: bool,
    /// A closure that a call is given builds what is around the call, not something of its own.
    pub closures_build: bool,
}

/// Types that hold others: by their names.
#[derive(Debug)]
pub struct Sequences {
    /// What is made where elements are written out or made of others.
    pub list: &'static str,
    /// Types that hold elements of their first argument.
    pub lists: &'static [&'static str],
    /// Types that hold values of their second argument, and may lack one.
    pub maps: &'static [&'static str],
    /// Types whose initialiser copies a sequence.
    pub copies: &'static [&'static str],
    /// Members that give the same elements.
    pub same: &'static [&'static str],
    /// Functions that make one sequence of several.
    pub flatten: &'static [&'static str],
}

impl Sequences {
    /// None are known.
    pub const NONE: Self = Self { list: "", lists: &[], maps: &[], copies: &[], same: &[], flatten: &[] };
}

/// What a function lists of an object.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Listing {
    /// Pairs of keys and values.
    Entries,
    /// Keys.
    Keys,
    /// Values.
    Values,
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

/// Which one a list or map hands back.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Ask {
    /// The first, or the first that a lambda likes.
    First,
    /// The last, or the last that a lambda likes.
    Last,
    /// Any of them.
    Any,
    /// The one at a place or under a key; or else what is given behind that.
    At,
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
        counted_loops: &[],
        makes_list: &[],
        passes: &[],
        asks: &[],
        types_say_data: false,
        same_class: &[],
        builds_text: &[],
        lazy: &[],
        texts: &[],
        asserts: &[],
        members: &[],
        same: &[],
        counts: &[],
        promises: &[],
        literals: Literals { text: "String", truth: "Boolean", number: |_| "Int" },
        trailing_lambdas: false,
        unnamed: "it",
        tear_offs: false,
        elements: &[],
        looks: &[],
        case_text: "name",
        cases_carry: false,
        all_cases: &[],
        some: "",
        unboxes: false,
        sequences: Sequences::NONE,
        puts_element: &[],
        seeks_element: &[],
        puts_entry: &["[]"],
        puts_entries: &[],
        typed_getters: &[],
        listings: &[],
        own_listings: &[],
        map_rounds: None,
        makes_map: &[],
        entry_parts: [&[], &[]],
        named_tuples: false,
        parts_by_place: false,
        runs: &[],
        copies: "",
        pairs: &[],
        escapes: &["encode"],
        memberwise: false,
        self_type: "",
        scopes_by_function: false,
        imports_by_name: false,
        whole_modules: false,
        nests_namespaces: false,
        extends_types: false,
        keyed_objects: false,
        hands_classes: false,
        bare_classes: false,
        marks_overrides: true,
        closures_build: false,
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
