//! What a recoverer says it needs: files are read when somebody asks for what they declare.

use super::{Ref, Values};

impl Values<'_> {
    /// Says that a class of this dotted name is wanted, wherever it is declared.
    pub fn expect_class(&self, name: &str) {
        let simple = name.rsplit(['.', '$']).next().unwrap_or(name);
        if self.program.classes_named(simple).is_empty() {
            self.program.ask_for_name(simple);
        }
    }

    /// Says that functions of this name are wanted, wherever they are declared.
    pub fn expect_function(&self, name: &str) {
        self.program.ask_for_name(name);
    }

    /// The functions of a name, wherever they are declared.
    #[must_use]
    pub fn functions_called(&self, name: &str) -> Vec<Ref> {
        let found = self.program.functions_named(name);
        if found.is_empty() {
            self.program.ask_for_name(name);
        }
        found.to_vec()
    }

    /// Says that classes whose names end like this are wanted, wherever they are declared.
    pub fn expect_ending(&self, ending: &str) {
        self.program.ask_for_ending(ending);
    }

    /// Says that the classes derived from one are wanted, wherever they are declared.
    pub fn expect_derived(&self, class: Ref) {
        if let Some(declared) = self.class(class) {
            self.program.ask_for_derived(&declared.name);
        }
    }
}
