//! A generator: a function that is asked for a name and builds what the name is for.

use super::names::Asked;
use super::table::Table;
use crate::facts::{RouteFact, Shows};
use crate::model::{RouteKind, Style, Via};
use crate::recover::code;
use crate::recover::flutter::bag::{Bag, uses};
use crate::recover::flutter::builder::{callback, class_at, leaves};
use crate::syntax::{Arm, BinaryOp, Id, Kind};
use crate::values::{Expr, Ref, Values};

/// Generators that ask others are followed this deep.
const MAX_DEPTH: usize = 8;

/// A generator being read.
pub(super) struct Generator<'g, 't, 'p> {
    table: &'g mut Table<'t, 'p>,
    asked: Asked<'t, 'p>,
    depth: usize,
}

impl<'g, 't, 'p> Generator<'g, 't, 'p> {
    /// Reads a generator's routes into a table.
    pub(super) fn run(table: &'g mut Table<'t, 'p>, generate: &Expr) {
        let values = table.values;
        let Some((params, body)) = callback(generate, values) else {
            table.open = true;
            return;
        };
        let before = table.routes.len();
        let mut generator = Generator {
            asked: Asked { values, settings: params.into_iter().take(1).collect() },
            table,
            depth: 0,
        };
        generator.walk(&body);
        generator.whatever_is_asked(&body, before);
    }

    /// What is built whatever the name is: the only page there.
    fn whatever_is_asked(&mut self, body: &Expr, before: usize) {
        let values = self.table.values;
        let named = self.table.routes[before..].iter().any(|route| route.kind != RouteKind::Fallback);
        if named || before > 0 {
            return;
        }
        self.table.routes.truncate(before);
        let key = self.table.key;
        for shown in leaves(body, values).shown {
            let at = class_at(shown.class, values);
            let name = values.class(shown.class).map(|c| c.name.to_string()).unwrap_or_default();
            self.table.routes.push(RouteFact {
                shows: Shows::Class(values.program().path(shown.class).to_owned(), at),
                container: Some(key),
                class: Some(shown.class),
                ..RouteFact::new(Style::PushBuilder, RouteKind::Screen, name, at)
            });
        }
    }

    fn walk(&mut self, body: &Expr) {
        match self.table.values.kind(body.at) {
            Kind::Block(items) | Kind::Other(items) => {
                items.iter().for_each(|&item| self.statement(&body.with(item)));
            }
            _ => self.value(body),
        }
    }

    fn statement(&mut self, at: &Expr) {
        match self.table.values.kind(at.at) {
            Kind::Branch { subject, arms } => self.choice(at, *subject, arms),
            Kind::Return(Some(value)) => self.value(&at.with(*value)),
            Kind::Block(_) => self.walk(at),
            Kind::Other(items) => items.iter().for_each(|&item| self.statement(&at.with(item))),
            Kind::Variable(variable) => {
                if let Some(init) = variable.init.map(|init| at.with(init)) {
                    let _ = self.looked_up(&init, Some((at.at, &variable.name))) || self.asks_another(&init);
                }
            }
            _ => {}
        }
    }

    fn choice(&mut self, at: &Expr, subject: Option<Id>, arms: &[Arm]) {
        let on_name = subject.is_some_and(|subject| self.asked.is_name(&at.with(subject)));
        if subject.is_some() && !on_name {
            return;
        }
        for arm in arms {
            let body = at.with(arm.body);
            if arm.tests.is_empty() {
                self.walk(&body);
                continue;
            }
            for &test in &arm.tests {
                let test = at.with(test);
                let names = match on_name {
                    true => self.case(&test),
                    false => self.asked.tested(&test),
                };
                for (name, place) in names {
                    let place = code::node_at(place, self.table.values);
                    self.table.route(name, place, &body);
                }
            }
        }
    }

    /// The name of a case.
    fn case(&self, test: &Expr) -> Vec<(String, Ref)> {
        let name = self.table.values.plain_text(test);
        name.map(|name| (name, test.at)).into_iter().collect()
    }

    /// What is handed back where no test before has caught the name.
    fn value(&mut self, value: &Expr) {
        let values = self.table.values;
        match values.kind(value.at) {
            Kind::Branch { subject, arms } => return self.choice(value, *subject, arms),
            Kind::Null => return,
            // One generator, and another for what it does not know.
            Kind::Binary { op, left, right } if *op == BinaryOp::OrElse => {
                self.asks_another(&value.with(*left));
                return self.value(&value.with(*right));
            }
            // What a variable holds was read where it is declared.
            Kind::Name(_) if values.value_behind(value).is_some_and(|held| self.is_anothers(&held)) => return,
            _ => {}
        }
        if self.looked_up(value, None) || self.asks_another(value) {
            return;
        }
        if let Some(builder) = self.asking_builder(value) {
            return self.walk(&builder);
        }
        let uses_table = self.table.routes.iter().any(|route| route.kind == RouteKind::Screen);
        if uses_table && self.builds_looked_up(value) {
            return;
        }
        self.table.fallback(code::node_at(value.at, values), value);
    }

    /// Whether a value is what another generator hands back; its routes are of this one, too.
    fn asks_another(&mut self, value: &Expr) -> bool {
        let values = self.table.values;
        if let Kind::Binary { op: BinaryOp::OrElse, left, right } = values.kind(value.at) {
            let first = self.asks_another(&value.with(*left));
            return self.asks_another(&value.with(*right)) || first;
        }
        let Some(body) = values.called_body(value).filter(|body| self.asks(body)) else { return false };
        if self.depth < MAX_DEPTH {
            self.depth += 1;
            self.walk(&body);
            self.depth -= 1;
        }
        true
    }

    /// The body of a builder that one page route is made with whatever is asked, and that asks itself.
    fn asking_builder(&self, value: &Expr) -> Option<Expr> {
        let values = self.table.values;
        let call = values.tree(value.at).call(value.at.id)?;
        let mut bodies = call.args.iter().filter_map(|arg| callback(&value.with(arg.value), values));
        bodies.find(|(_, body)| self.asks(body)).map(|(_, body)| body)
    }

    fn is_anothers(&self, value: &Expr) -> bool {
        let values = self.table.values;
        match values.kind(value.at) {
            Kind::Binary { op: BinaryOp::OrElse, left, right } => {
                self.is_anothers(&value.with(*left)) || self.is_anothers(&value.with(*right))
            }
            _ => values.called_body(value).is_some_and(|body| self.asks(&body)),
        }
    }

    /// Whether a body tests the name itself.
    fn asks(&self, body: &Expr) -> bool {
        let tree = self.table.values.tree(body.at);
        let mut todo = vec![body.at.id];
        while let Some(id) = todo.pop() {
            let node = tree.kind(id);
            match node {
                Kind::Branch { subject: Some(subject), .. } if self.asked.is_name(&body.with(*subject)) => {
                    return true;
                }
                Kind::Branch { subject: None, arms } => {
                    let tests = arms.iter().flat_map(|arm| &arm.tests);
                    if tests.into_iter().any(|&test| !self.asked.tested(&body.with(test)).is_empty()) {
                        return true;
                    }
                }
                Kind::Index { args, .. }
                    if args.first().is_some_and(|&key| self.asked.is_name(&body.with(key))) =>
                {
                    return true;
                }
                _ => {}
            }
            todo.extend(node.children());
        }
        false
    }

    /// `pages[settings.name]`: the entries of the map are routes. What the builder in it is called with
    /// says what its parameter is.
    fn looked_up(&mut self, expr: &Expr, holder: Option<(Ref, &str)>) -> bool {
        let values = self.table.values;
        let tree = values.tree(expr.at);
        let mut todo = vec![expr.at.id];
        while let Some(id) = todo.pop() {
            let node = tree.kind(id);
            if let Kind::Index { of, args } = node
                && args.first().is_some_and(|&key| self.asked.is_name(&expr.with(key)))
            {
                let map = expr.with(*of);
                let before = self.table.routes.len();
                self.table.entries(&map);
                let found = self.table.routes.len() > before;
                if let Some((variable, name)) = holder {
                    self.handed_over(&map, variable, name);
                }
                return found;
            }
            todo.extend(node.children());
        }
        false
    }

    /// The builder is called with the arguments: its parameter is what is taken out.
    fn handed_over(&mut self, map: &Expr, variable: Ref, name: &str) {
        let values = self.table.values;
        let tree = values.tree(variable);
        let calls = uses(variable, name, values).into_iter().filter_map(|used| {
            let call = tree.node(used.id).parent.and_then(|id| tree.call(id))?;
            (call.callee == used.id).then_some(call)
        });
        let is_arguments = |id: Id| {
            let at = Expr::new(Ref { file: variable.file, id });
            match values.kind(at.at) {
                Kind::Member(member) => {
                    member.name == "arguments" && self.asked.is_settings(&at.with(member.of))
                }
                _ => false,
            }
        };
        let position =
            calls.into_iter().find_map(|call| call.args.iter().position(|arg| is_arguments(arg.value)));
        let (Some(position), Some(entries)) = (position, values.entries(map)) else { return };
        for (_, builder) in entries.known {
            if let Some((params, _)) = callback(&builder, values) {
                self.table.handed.extend(params.get(position).copied());
            }
        }
    }

    /// Whether a value only builds what was looked up before, or was put into a variable.
    fn builds_looked_up(&self, value: &Expr) -> bool {
        let values = self.table.values;
        let known = |path: &str| {
            self.table.routes.iter().any(|route| {
                matches!(&route.shows, Shows::Class(shown, _) if shown == path)
                    || route.also.iter().any(|also| also == path)
            })
        };
        leaves(value, values).shown.iter().all(|shown| known(values.program().path(shown.class)))
    }
}

/// Reads of parameters that hold all arguments.
pub(super) fn taken(parameters: &[Ref], values: &Values<'_>, facts: &mut crate::facts::Facts) {
    for &parameter in parameters {
        for used in values.uses_of_parameter(parameter) {
            Bag { name: super::WHOLE, via: Via::Argument }.taken(used, values, facts);
        }
    }
}
