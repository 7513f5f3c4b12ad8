//! Lists and maps: their elements and entries, through names, spreads, loops and joins.

use super::{Expr, Frame, Fuel, Ref, Values};
use crate::syntax::{Arg, BinaryOp, Call, Entry, Kind};
use std::sync::Arc;

/// The entries of a map, as far as they are known.
#[derive(Debug, Default)]
pub struct Entries {
    /// Keys with their values, in order.
    pub known: Vec<(Expr, Expr)>,
    /// There may be more than these.
    pub open: bool,
}

impl Values<'_> {
    /// The elements of a list: written out, by `listOf(…)` and its like, through constants, spreads and
    /// loops. A choice gives the elements of every way.
    #[must_use]
    pub fn elements(&self, list: &Expr) -> Vec<Expr> {
        let mut found = Vec::new();
        self.collect_elements(list, &Fuel::new(), &mut found);
        found
    }

    fn collect_elements(&self, list: &Expr, fuel: &Fuel, found: &mut Vec<Expr>) {
        let Some(_step) = fuel.step() else { return };
        match self.kind(list.at) {
            Kind::List(items) => self.collect_items(list, items, fuel, found),
            Kind::Call(call) if self.is_loop(list.at, call) => self.collect_each(list, call, fuel, found),
            Kind::Call(call) if self.passes(list.at, call) => {
                if let Some(of) = self.tree(list.at).receiver(call) {
                    self.collect_elements(&list.with(of), fuel, found);
                }
            }
            Kind::Binary { op, left, right } if *op == BinaryOp::Add => {
                self.collect_elements(&list.with(*left), fuel, found);
                self.collect_elements(&list.with(*right), fuel, found);
            }
            Kind::Branch { arms, .. } => {
                arms.iter().for_each(|arm| self.collect_elements(&list.with(arm.body), fuel, found));
            }
            Kind::Call(_) if self.keys_or_values(list).is_some() => {
                found.extend(self.keys_or_values(list).unwrap_or_default());
            }
            _ if self.entries_of(list, fuel).is_some() => {
                found.extend(self.entries_of(list, fuel).unwrap_or_default());
            }
            _ => {
                let root = self.built(list).root;
                match self.kind(root.at) {
                    Kind::Call(call) if !self.is_loop(root.at, call) && !self.passes(root.at, call) => {
                        found.extend(call.args.iter().map(|arg| root.with(arg.value)));
                    }
                    Kind::List(_) | Kind::Call(_) | Kind::Binary { .. } if root.at != list.at => {
                        self.collect_elements(&root, fuel, found);
                    }
                    _ => {
                        if let Some(behind) = self.value_behind(&root).filter(|b| b.at != root.at) {
                            self.collect_elements(&behind, fuel, found);
                        }
                    }
                }
            }
        }
    }

    fn collect_items(&self, list: &Expr, items: &[Arg], fuel: &Fuel, found: &mut Vec<Expr>) {
        for item in items {
            let at = list.with(item.value);
            match self.kind(at.at) {
                _ if item.spread => self.collect_elements(&at, fuel, found),
                // `if (a) b else c`: each may be there.
                Kind::Branch { subject: None, arms } => {
                    for arm in arms {
                        let body = at.with(arm.body);
                        match self.kind(body.at) {
                            Kind::List(_) => self.collect_elements(&body, fuel, found),
                            _ => found.push(body),
                        }
                    }
                }
                _ => found.push(at),
            }
        }
    }

    /// What a loop makes of each element of what it runs over.
    fn collect_each(&self, list: &Expr, call: &Call, fuel: &Fuel, found: &mut Vec<Expr>) {
        let tree = self.tree(list.at);
        let lambda = call.args.last().map(|arg| tree.kind(arg.value));
        let (Some(Kind::Lambda { params, body }), Some(of)) = (lambda, tree.receiver(call)) else { return };
        let of = list.with(of);
        let mut over = Vec::new();
        self.collect_elements(&of, fuel, &mut over);
        let value = match self.returns(list.with(*body).at).as_slice() {
            [] => *body,
            [first, ..] => *first,
        };
        if let Some(pairs) = self.taken_apart(&of, params, *body) {
            found.extend(pairs.into_iter().map(|pair| pair.with(value)));
            return;
        }
        for element in &over {
            let bound = params.first().map(|&id| (Ref { file: list.at.file, id }, element.clone()));
            let env = Some(Arc::new(Frame { bound: bound.into_iter().collect(), up: list.env.clone() }));
            found.push(Expr { at: list.with(value).at, env });
        }
        if over.is_empty() {
            found.push(list.with(value));
        }
    }

    fn is_loop(&self, at: Ref, call: &Call) -> bool {
        let tree = self.tree(at);
        tree.receiver(call).is_some()
            && tree.callee(call).is_some_and(|(name, _)| tree.idioms.loops.contains(&name.as_str()))
    }

    fn passes(&self, at: Ref, call: &Call) -> bool {
        let tree = self.tree(at);
        tree.receiver(call).is_some()
            && tree.callee(call).is_some_and(|(name, _)| tree.idioms.passes.contains(&name.as_str()))
    }

    /// The entries of a map, with what is put into it before it is used.
    #[must_use]
    pub fn entries(&self, map: &Expr) -> Option<Entries> {
        let built = self.built(map);
        let Kind::Map(entries) = self.kind(built.root.at) else { return None };
        let mut found = Entries { known: Vec::new(), open: built.open };
        self.collect_entries(&built.root, entries, &Fuel::new(), &mut found);
        let idioms = self.tree(built.root.at).idioms;
        let puts = |name: &str| idioms.puts_entry.contains(&name);
        for step in built.steps.iter().filter(|step| puts(&step.name)) {
            match step.args.as_slice() {
                [key, value] => found.known.push((key.clone(), value.clone())),
                _ => found.open = true,
            }
        }
        found.open |= built.steps.iter().any(|step| idioms.puts_entries.contains(&step.name.as_str()));
        Some(found)
    }

    fn collect_entries(&self, map: &Expr, entries: &[Entry], fuel: &Fuel, found: &mut Entries) {
        let Some(_step) = fuel.step() else {
            found.open = true;
            return;
        };
        for entry in entries {
            let value = map.with(entry.value);
            match entry.key {
                Some(key) => found.known.push((map.with(key), value)),
                None => match self.entries(&value) {
                    Some(more) => {
                        found.known.extend(more.known);
                        found.open |= more.open;
                    }
                    None => found.open = true,
                },
            }
        }
    }
}
