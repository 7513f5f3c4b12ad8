//! Objects whose entries are members: what stands at an index, and loops over keys and values
//! (tc39.es, "Object.entries").

use super::{Expr, Frame, Fuel, Ref, Values};
use crate::syntax::{Id, Kind, Listing};
use std::sync::Arc;

impl Values<'_> {
    /// What stands in a list or an object at a place or under a name.
    pub(super) fn indexed(&self, expr: &Expr, fuel: &Fuel) -> Option<Expr> {
        let _step = fuel.step().filter(|_| self.tree(expr.at).idioms.keyed_objects)?;
        let Kind::Index { of, args } = self.kind(expr.at) else { return None };
        let (of, index) = (expr.with(*of), expr.with(*args.first()?));
        if let Kind::Number(place) = self.kind(index.at) {
            return self.elements(&of).into_iter().nth(place.parse().ok()?);
        }
        let name = self.plain_text(&index)?;
        let object = self.built_object(&of)?;
        self.entry(&object, &name, fuel)
    }

    fn built_object(&self, of: &Expr) -> Option<Expr> {
        let root = self.built(of).root;
        matches!(self.kind(root.at), Kind::Map(_)).then_some(root)
    }

    /// The keys and values that `Object.entries(…)` and its like run over.
    fn pairs(&self, of: &Expr) -> Option<(Listing, Vec<(Expr, Expr)>)> {
        let tree = self.tree(of.at);
        let call = tree.call(of.at.id)?;
        let (name, _) = tree.callee(call)?;
        let (holder, _) = tree.last_name(tree.receiver(call)?)?;
        let mut known = tree.idioms.listings.iter();
        let (.., lists) = known.find(|(of, known, _)| holder == of && name == known)?;
        let object = of.with(call.args.first()?.value);
        Some((*lists, self.entries(&object)?.known))
    }

    /// The elements of `Object.keys(…)` or `Object.values(…)`.
    pub(super) fn keys_or_values(&self, of: &Expr) -> Option<Vec<Expr>> {
        let (lists, pairs) = self.pairs(of)?;
        match lists {
            Listing::Keys => Some(pairs.into_iter().map(|(key, _)| key).collect()),
            Listing::Values => Some(pairs.into_iter().map(|(_, value)| value).collect()),
            Listing::Entries => None,
        }
    }

    /// For each pair of `Object.entries(…)`, what the names stand for that a lambda takes it apart to.
    pub(super) fn taken_apart(&self, of: &Expr, params: &[Id], body: Id) -> Option<Vec<Expr>> {
        let (_, pairs) = self.pairs(of).filter(|(lists, _)| *lists == Listing::Entries)?;
        let at = of.at;
        let tree = self.tree(of.at);
        let parameter = tree.parameter(*params.first()?)?;
        let Kind::Block(items) = tree.kind(body) else { return None };
        let part = |id: &Id| {
            let Kind::Index { of, args } = tree.kind(tree.variable(*id)?.init?) else { return None };
            let of_pair = matches!(tree.kind(*of), Kind::Name(name) if *name == parameter.name);
            match args.first().map(|&arg| tree.kind(arg)) {
                Some(Kind::Number(place)) if of_pair => Some((Ref { file: at.file, id: *id }, place == "0")),
                _ => None,
            }
        };
        let parts: Vec<(Ref, bool)> = items.iter().filter_map(part).collect();
        let each = pairs.into_iter().map(|(key, value)| {
            let bound = parts
                .iter()
                .map(|(at, first)| (*at, if *first { key.clone() } else { value.clone() }))
                .collect();
            Expr { at: of.at, env: Some(Arc::new(Frame { bound, up: of.env.clone() })) }
        });
        Some(each.collect())
    }
}
