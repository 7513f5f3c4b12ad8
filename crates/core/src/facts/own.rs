//! Facts that one style has and no other: lists by their type, which only its own join asks for.

use rustc_hash::FxHashMap;
use std::any::{Any, TypeId};
use std::fmt::Debug;

/// A fact that one style has, and that its own join takes.
pub trait OwnFact: Any + Send + Debug {}

/// Lists of facts by their types.
#[derive(Debug, Default)]
pub struct Own {
    lists: FxHashMap<TypeId, Box<dyn List>>,
}

impl Own {
    /// Adds a fact.
    pub fn push<T: OwnFact>(&mut self, fact: T) {
        self.list::<T>().push(fact);
    }

    /// Adds several.
    pub fn extend<T: OwnFact>(&mut self, facts: impl IntoIterator<Item = T>) {
        self.list::<T>().extend(facts);
    }

    /// Takes all facts of a type out, in the order in which they were added.
    #[must_use]
    pub fn take<T: OwnFact>(&mut self) -> Vec<T> {
        std::mem::take(self.list::<T>())
    }

    /// Takes over what was said of another file.
    pub(super) fn append(&mut self, other: Self) {
        for (kind, list) in other.lists {
            match self.lists.get_mut(&kind) {
                Some(own) => own.append(list),
                None => drop(self.lists.insert(kind, list)),
            }
        }
    }

    fn list<T: OwnFact>(&mut self) -> &mut Vec<T> {
        let list = self.lists.entry(TypeId::of::<T>()).or_insert_with(|| Box::new(Vec::<T>::new()));
        list.as_any().downcast_mut().expect("a list stands under the type of its facts")
    }
}

/// A list of facts whose type is forgotten.
trait List: Send + Debug {
    /// Takes over a list of the same type.
    fn append(&mut self, other: Box<dyn List>);
    /// The list, to be told its type again.
    fn as_any(&mut self) -> &mut dyn Any;
}

impl<T: OwnFact> List for Vec<T> {
    fn append(&mut self, mut other: Box<dyn List>) {
        if let Some(other) = other.as_any().downcast_mut::<Self>() {
            self.append(other);
        }
    }

    fn as_any(&mut self) -> &mut dyn Any {
        self
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[derive(Debug, PartialEq)]
    struct Menu(&'static str);
    impl OwnFact for Menu {}

    #[derive(Debug, PartialEq)]
    struct Link(u8);
    impl OwnFact for Link {}

    #[test]
    fn lists_are_told_apart_by_their_types_and_joined_in_order() {
        let (mut one, mut other) = (Own::default(), Own::default());
        one.push(Menu("shelf"));
        other.extend([Menu("loans"), Menu("members")]);
        other.push(Link(1));
        one.append(other);
        assert_eq!(one.take::<Menu>(), [Menu("shelf"), Menu("loans"), Menu("members")]);
        assert_eq!(one.take::<Link>(), [Link(1)]);
        assert_eq!(one.take::<Menu>(), [], "what is taken is gone");
    }
}
