//! What operators do, whatever a language writes for them.

use std::fmt;

/// Declares operators with the forms that languages write; the first is the one that is shown.
macro_rules! operators {
    ($(#[$meta:meta])* $name:ident { $($(#[$doc:meta])* $variant:ident = $first:literal $(| $more:literal)*,)+ }) => {
        $(#[$meta])*
        #[derive(Debug, Clone, Copy, PartialEq, Eq, Hash)]
        pub enum $name {
            $($(#[$doc])* $variant,)+
            /// One that nothing depends on.
            Other,
        }

        impl From<&str> for $name {
            fn from(written: &str) -> Self {
                match written {
                    $($first $(| $more)* => Self::$variant,)+
                    _ => Self::Other,
                }
            }
        }

        impl fmt::Display for $name {
            fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
                f.write_str(match self {
                    $(Self::$variant => $first,)+
                    Self::Other => "<op>",
                })
            }
        }
    };
}

operators! {
    /// What stands between two values.
    BinaryOp {
        /// The second where the first is absent, or nothing.
        OrElse = "?:" | "??",
        /// Either is true. Of scripts and Python: the second where the first is nothing.
        Or = "||" | "or",
        /// Both are true.
        And = "&&" | "and",
        /// The same value, or the same object.
        Equal = "==" | "===",
        /// Another value, or another object.
        NotEqual = "!=" | "!==",
        /// Less.
        Less = "<",
        /// More.
        More = ">",
        /// No more.
        LessOrEqual = "<=",
        /// No less.
        MoreOrEqual = ">=",
        /// Among.
        In = "in",
        /// Of a type, or like a pattern.
        Is = "is",
        /// Not of a type.
        IsNot = "is!",
        /// A sum, or texts joined.
        Add = "+",
        /// A difference.
        Subtract = "-",
        /// A product.
        Multiply = "*",
        /// A quotient.
        Divide = "/",
        /// A remainder; Python's way of filling placeholders.
        Remainder = "%",
        /// A pair.
        Pair = "to",
        /// The first is a pattern that the second must match.
        Matches = "case",
    }
}

operators! {
    /// What stands before or behind a value.
    UnaryOp {
        /// The value is there, or it fails.
        Force = "!!",
        /// The value, once it is there.
        Await = "await",
        /// The value, where it is there: what a condition binds.
        Bind = "let",
        /// The opposite.
        Not = "!" | "not",
        /// The negative.
        Minus = "-",
        /// The same.
        Plus = "+",
        /// Where the value is kept.
        Binding = "$",
        /// The name of a thing.
        NameOf = "nameof",
        /// One more.
        Increment = "++",
        /// One less.
        Decrement = "--",
        /// One more, after the value is taken.
        ThenIncrement = "_++",
        /// One less, after the value is taken.
        ThenDecrement = "_--",
    }
}

operators! {
    /// How a value is put somewhere.
    AssignOp {
        /// In place of what was there.
        Set = "=" | ":=",
        /// Behind what was there, or added to it.
        Add = "+=",
        /// Taken off what was there.
        Subtract = "-=",
        /// Where nothing was there.
        SetIfAbsent = "??=" | "||=",
    }
}

impl BinaryOp {
    /// Whether it comes to true or false.
    #[must_use]
    pub fn is_test(self) -> bool {
        matches!(
            self,
            Self::Or
                | Self::And
                | Self::Equal
                | Self::NotEqual
                | Self::Less
                | Self::More
                | Self::LessOrEqual
                | Self::MoreOrEqual
                | Self::In
        )
    }

    /// Whether it compares two values for being the same.
    #[must_use]
    pub fn compares(self) -> bool {
        matches!(self, Self::Equal | Self::NotEqual)
    }
}

impl UnaryOp {
    /// Whether it hands its value on as it is.
    #[must_use]
    pub fn hands_on(self) -> bool {
        matches!(self, Self::Force | Self::Await | Self::Bind)
    }
}
