//! What lists and maps hand back when a function of the language asks them for one: `first()`,
//! `getOrNull(i)`, `getValue(key)`.

use super::collections::Elements;
use super::{Def, Expr, Fuel, Values};
use crate::syntax::{Arg, Ask, Kind};

impl Values<'_> {
    /// The elements that a member or a call of a list or map may hand back; `None` where nothing is
    /// known of what it is asked of.
    pub(super) fn picked(
        &self,
        of: &Expr,
        name: &str,
        args: &[Arg],
        at: &Expr,
        fuel: &Fuel,
    ) -> Option<Elements> {
        let _step = fuel.step()?;
        let (_, ask) = self.tree(at.at).idioms.asks.iter().find(|(known, _)| *known == name)?;
        if self.is_data(of, fuel) {
            return None;
        }
        match ask {
            Ask::At => self.picked_at(of, args, at, fuel),
            Ask::First | Ask::Last if args.is_empty() => {
                let list = self.elements_known(of, fuel);
                let end = if *ask == Ask::First { list.known.first() } else { list.known.last() };
                match end.filter(|_| !list.open && !list.unplaced) {
                    Some(one) => Some(Elements::of(one.clone())),
                    None => any(list),
                }
            }
            _ => any(self.elements_known(of, fuel)),
        }
    }

    /// Whether a list is declared with a type of its elements, in a language that says so only of what is
    /// filled elsewhere: its first elements say nothing of the others.
    fn is_data(&self, of: &Expr, fuel: &Fuel) -> bool {
        let Some(Def::Variable(at)) = self.definition(of, fuel) else { return false };
        let tree = self.tree(at);
        let typed = tree.variable(at.id).and_then(|variable| variable.ty.as_ref());
        tree.idioms.types_say_data && typed.is_some_and(|ty| ty.name == "Array" || ty.name.ends_with("[]"))
    }

    /// At a place or under a key; what is given behind that stands in.
    fn picked_at(&self, of: &Expr, args: &[Arg], at: &Expr, fuel: &Fuel) -> Option<Elements> {
        let index = at.with(args.first()?.value);
        let mut found = self.at_any_round(of, &index, fuel).filter(|found| !found.known.is_empty())?;
        if let Some(other) = args.get(1).map(|arg| at.with(arg.value)) {
            match self.kind(other.at) {
                Kind::Lambda { body, .. } => found.known.push(other.with(*body)),
                _ => found.known.push(other),
            }
        }
        Some(found)
    }
}

fn any(list: Elements) -> Option<Elements> {
    (!list.known.is_empty()).then_some(list)
}
