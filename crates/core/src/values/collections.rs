//! Lists and maps: their elements and entries, through names, spreads, loops and joins.

use super::build::Step;
use super::rounds::Round;
use super::{Datum, Expr, Frame, Fuel, Ref, Value, Values};
use crate::syntax::{Arg, BinaryOp, Call, Entry, Kind};

/// The entries of a map, as far as they are known.
#[derive(Debug, Default)]
pub struct Entries {
    /// Keys with their values, in order.
    pub known: Vec<(Expr, Expr)>,
    /// There may be more than these.
    pub open: bool,
}

/// The elements of a list, as far as they are known.
#[derive(Debug, Default)]
pub(super) struct Elements {
    /// Them, in order.
    pub(super) known: Vec<Expr>,
    /// There may be others.
    pub(super) open: bool,
    /// Each is one of them, and no longer at its place: chosen, put in, sorted or left out.
    pub(super) unplaced: bool,
    /// Whatever a call is given counts as its elements, though what it makes of them is not known.
    trusting: bool,
}

impl Elements {
    pub(super) fn known(known: Vec<Expr>, open: bool) -> Self {
        Self { known, open, ..Self::default() }
    }

    /// One, known whole.
    pub(super) fn of(one: Expr) -> Self {
        Self { known: vec![one], ..Self::default() }
    }
}

impl Values<'_> {
    /// The elements of a list: written out, by `listOf(…)` and its like, through constants, spreads and
    /// loops. A choice gives the elements of every way. What a call that is not known is given counts:
    /// for those who know that it makes a list.
    #[must_use]
    pub fn elements(&self, list: &Expr) -> Vec<Expr> {
        let mut found = Elements { trusting: true, ..Elements::default() };
        self.collect_elements(list, &Fuel::new(), &mut found);
        found.known
    }

    /// The elements of what may be no list at all.
    pub(super) fn elements_known(&self, list: &Expr, fuel: &Fuel) -> Elements {
        let mut found = Elements::default();
        self.collect_elements(list, fuel, &mut found);
        found
    }

    fn collect_elements(&self, list: &Expr, fuel: &Fuel, found: &mut Elements) {
        let Some(_step) = fuel.step() else {
            found.open = true;
            return;
        };
        if let Some(all) = self.rest_of(list) {
            found.known.extend(all.iter().cloned());
            return;
        }
        match self.kind(list.at) {
            Kind::List(items) => self.collect_items(list, items, fuel, found),
            Kind::Call(call) if self.is_loop(list.at, call) => self.collect_each(list, call, fuel, found),
            Kind::Call(call) if self.passes(list.at, call) => {
                found.unplaced = true;
                if let Some(of) = self.tree(list.at).receiver(call) {
                    self.collect_elements(&list.with(of), fuel, found);
                }
            }
            Kind::Call(call) if self.is_named_in(list.at, call, self.tree(list.at).idioms.same) => {
                found.unplaced = true;
                if let Some(given) = call.args.first() {
                    self.collect_elements(&list.with(given.value), fuel, found);
                }
            }
            Kind::Binary { op, left, right } if *op == BinaryOp::Add => {
                self.collect_elements(&list.with(*left), fuel, found);
                self.collect_elements(&list.with(*right), fuel, found);
            }
            Kind::Branch { arms, .. } => {
                found.unplaced = true;
                arms.iter().for_each(|arm| self.collect_elements(&list.with(arm.body), fuel, found));
            }
            Kind::Call(_) if self.keys_or_values(list, fuel).is_some() => {
                found.known.extend(self.keys_or_values(list, fuel).unwrap_or_default());
            }
            _ if self.entries_of(list, fuel).is_some() => {
                found.known.extend(self.entries_of(list, fuel).unwrap_or_default());
            }
            _ => self.collect_behind(list, fuel, found),
        }
    }

    /// The elements of what a name stands for, or of what a call makes.
    fn collect_behind(&self, list: &Expr, fuel: &Fuel, found: &mut Elements) {
        let built = self.built_with(list, fuel);
        self.collect_put(list, &built.steps, found);
        let root = built.root;
        match self.kind(root.at) {
            Kind::Call(call) if !self.hands_elements(root.at, call) => {
                match found.trusting || self.makes_list(root.at, call) {
                    true => found.known.extend(call.args.iter().map(|arg| root.with(arg.value))),
                    false => found.open = true,
                }
            }
            Kind::List(_) | Kind::Call(_) | Kind::Binary { .. } if root.at != list.at => {
                self.collect_elements(&root, fuel, found);
            }
            _ => match self.list_behind(&root, fuel).filter(|behind| behind.at != root.at) {
                Some(behind) => self.collect_elements(&behind, fuel, found),
                None => found.open = true,
            },
        }
    }

    /// What a name stands for; of an object that a caller hands over, what it holds.
    fn list_behind(&self, list: &Expr, fuel: &Fuel) -> Option<Expr> {
        let handed = || list.env.as_ref().and_then(|_| self.entry_behind_with(list, fuel));
        self.value_behind(list).or_else(handed).or_else(|| self.made_with(list, fuel))
    }

    /// What an object was made with under the name of one of its parameters, its bases' among them.
    fn made_with(&self, part: &Expr, fuel: &Fuel) -> Option<Expr> {
        let Kind::Member(member) = self.kind(part.at) else { return None };
        let found = self.eval_with(&part.with(member.of), fuel);
        let [Value { datum: Datum::Object(object), .. }] = found.as_slice() else { return None };
        let (class, env) = self.object_env(object, fuel)?;
        self.lineage(class).into_iter().find_map(|at| {
            let params = self.class(at)?.params.iter().map(|&id| Ref { file: at.file, id });
            let named = |id: &Ref| {
                self.tree(at).parameter(id.id).is_some_and(|p| p.property && p.name == member.name)
            };
            let parameter = params.into_iter().find(named)?;
            Expr { at: parameter, env: env.clone() }.bound(parameter)
        })
    }

    /// What is put into a list before it is used. Those who trust look for that themselves.
    fn collect_put(&self, list: &Expr, steps: &[Step], found: &mut Elements) {
        let idioms = self.tree(list.at).idioms;
        for step in steps.iter().filter(|_| !found.trusting) {
            let name = step.name.as_str();
            match step.args.as_slice() {
                [one] if idioms.puts_element.contains(&name) => {
                    found.unplaced = true;
                    found.known.push(one.clone());
                }
                _ => found.open |= idioms.puts_element.contains(&name) || idioms.puts_entries.contains(&name),
            }
        }
    }

    /// What a function of the language hands back as it got it: `Object.freeze(x)`.
    pub(super) fn handed_through(&self, expr: &Expr, call: &Call) -> Option<Expr> {
        let same = self.is_named_in(expr.at, call, self.tree(expr.at).idioms.same);
        call.args.first().filter(|_| same).map(|arg| expr.with(arg.value))
    }

    fn makes_list(&self, at: Ref, call: &Call) -> bool {
        self.is_named_in(at, call, self.tree(at).idioms.makes_list)
    }

    /// Whether a call is of one of these functions, with what it is called on.
    pub(super) fn is_named_in(&self, at: Ref, call: &Call, names: &[&str]) -> bool {
        let tree = self.tree(at);
        let Some((name, _)) = tree.callee(call) else { return false };
        let on = tree.receiver(call).and_then(|of| tree.last_name(of));
        let known = on.map_or_else(|| name.to_string(), |(on, _)| format!("{on}.{name}"));
        names.contains(&known.as_str())
    }

    fn collect_items(&self, list: &Expr, items: &[Arg], fuel: &Fuel, found: &mut Elements) {
        for item in items {
            let at = list.with(item.value);
            match self.kind(at.at) {
                _ if item.spread => self.collect_elements(&at, fuel, found),
                // `if (a) b else c`: each may be there.
                Kind::Branch { subject: None, arms } => {
                    found.unplaced = true;
                    for arm in arms {
                        let body = at.with(arm.body);
                        match self.kind(body.at) {
                            Kind::List(_) => self.collect_elements(&body, fuel, found),
                            _ => found.known.push(body),
                        }
                    }
                }
                _ => found.known.push(at),
            }
        }
    }

    /// What a loop makes of each element of what it runs over.
    fn collect_each(&self, list: &Expr, call: &Call, fuel: &Fuel, found: &mut Elements) {
        let tree = self.tree(list.at);
        let lambda = call.args.last().map(|arg| tree.kind(arg.value));
        let (Some(Kind::Lambda { params, body }), Some(of)) = (lambda, tree.receiver(call)) else { return };
        let of = list.with(of);
        let mut over = Elements { trusting: found.trusting, ..Elements::default() };
        self.collect_elements(&of, fuel, &mut over);
        found.open |= over.open;
        let value = match self.returns(list.with(*body).at).as_slice() {
            [] => *body,
            [first, ..] => *first,
        };
        if let Some(pairs) = self.taken_apart(&of, params, *body, fuel) {
            found.known.extend(pairs.into_iter().map(|pair| pair.with(value)));
            return;
        }
        for element in &over.known {
            let bound = params.first().map(|&id| (Ref { file: list.at.file, id }, element.clone()));
            let env = Frame::env(bound.into_iter().collect(), list.env.clone());
            found.known.push(Expr { at: list.with(value).at, env });
        }
        if over.known.is_empty() {
            found.known.push(list.with(value));
        }
    }

    fn is_loop(&self, at: Ref, call: &Call) -> bool {
        let tree = self.tree(at);
        tree.receiver(call).is_some()
            && tree.callee(call).is_some_and(|(name, _)| tree.idioms.loops.contains(&name.as_str()))
    }

    /// Whether a call is one whose elements are found by going through it.
    fn hands_elements(&self, at: Ref, call: &Call) -> bool {
        let same = self.tree(at).idioms.same;
        self.is_loop(at, call) || self.passes(at, call) || self.is_named_in(at, call, same)
    }

    pub(super) fn passes(&self, at: Ref, call: &Call) -> bool {
        let tree = self.tree(at);
        tree.receiver(call).is_some()
            && tree.callee(call).is_some_and(|(name, _)| tree.idioms.passes.contains(&name.as_str()))
    }

    /// The entries of a map, with what is put into it before it is used.
    #[must_use]
    pub fn entries(&self, map: &Expr) -> Option<Entries> {
        self.entries_with(map, &Fuel::new())
    }

    pub(super) fn entries_with(&self, map: &Expr, fuel: &Fuel) -> Option<Entries> {
        let _step = fuel.step()?;
        let built = self.built_with(map, fuel);
        let mut found = Entries { known: Vec::new(), open: built.open };
        match self.kind(built.root.at) {
            Kind::Map(entries) => self.collect_entries(&built.root, entries, fuel, &mut found),
            Kind::Call(call) => self.collect_paired(&built.root, call, fuel, &mut found)?,
            _ => return None,
        }
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

    /// The entries of a map that a function makes: of pairs, or of keys and values in turn.
    fn collect_paired(&self, map: &Expr, call: &Call, fuel: &Fuel, found: &mut Entries) -> Option<()> {
        let makes = self.tree(map.at).idioms.makes_map;
        self.is_named_in(map.at, call, makes).then_some(())?;
        let given: Vec<Expr> = call.args.iter().map(|arg| map.with(arg.value)).collect();
        let pair = |of: &Expr| {
            let one = Round::One(of.clone());
            Some((self.pair_part(&one, 0, fuel)?, self.pair_part(&one, 1, fuel)?))
        };
        let pairs: Vec<(Expr, Expr)> = given.iter().filter_map(pair).collect();
        if pairs.len() == given.len() {
            found.known.extend(pairs);
            return Some(());
        }
        found.open |= !pairs.is_empty() || !given.len().is_multiple_of(2);
        let in_turn = given.chunks_exact(2).filter(|_| pairs.is_empty());
        found.known.extend(in_turn.map(|two| (two[0].clone(), two[1].clone())));
        Some(())
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
                None => match self.entries_with(&value, fuel) {
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
