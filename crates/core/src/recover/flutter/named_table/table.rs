//! The tables of an app or of a nested navigator.

use super::generator::{Generator, taken};
use crate::facts::{
    At, ContainerFact, ContainerKey, Facts, Order, RouteFact, ShownBy, Sight, Start, StartFact, Takes,
};
use crate::model::{Form, RouteKind, Style};
use crate::recover::code;
use crate::recover::flutter::builder::{Shown, body_of, leaves};
use crate::recover::flutter::is_left_over;
use crate::recover::flutter::navigator::named;
use crate::syntax::{Call, Kind, TypeName};
use crate::values::{Expr, Ref, Values};

/// Widgets that hold a table.
const HOLDERS: &[&str] = &["MaterialApp", "CupertinoApp", "WidgetsApp", "Navigator"];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, HOLDERS) {
        let holds =
            ["routes", "onGenerateRoute", "initialRoute"].iter().any(|name| named(at, call, name).is_some());
        if holds && !values.calls_own_function(&Expr::new(at), call) {
            holder(at, call, values, facts);
        }
    }
    for id in values.program().tree(file).ids() {
        left_over(Ref { file, id }, values, facts);
    }
}

/// A table that a variable holds, and that no app is given.
fn left_over(at: Ref, values: &Values<'_>, facts: &mut Facts) {
    let Some(variable) = values.tree(at).variable(at.id) else { return };
    let builders =
        |ty: &TypeName| ty.name == "Map" && ty.args.get(1).is_some_and(|of| of.name == "WidgetBuilder");
    let Some(init) = variable.init.filter(|_| variable.ty.as_ref().is_some_and(builders)) else { return };
    if values.is_local(at) || !is_left_over(at, values) {
        return;
    }
    let key = ContainerKey(At { file: at.file, span: variable.name_span });
    let mut table = Table::new(key, values);
    table.entries(&Expr::new(at).with(init));
    facts.containers.push(ContainerFact {
        name: Some(variable.name.to_string()),
        shown_by: ShownBy::Another,
        start: Start::OPEN,
        sight: Sight::Inside,
        ..ContainerFact::new(key)
    });
    facts.routes.extend(table.routes);
}

/// The routes of one table as they are found, in the order in which they are asked.
pub(super) struct Table<'t, 'p> {
    pub(super) values: &'t Values<'p>,
    pub(super) key: ContainerKey,
    pub(super) routes: Vec<RouteFact>,
    /// There are entries whose names are not known.
    pub(super) open: bool,
    pub(super) has_fallback: bool,
    /// Parameters of builders that are handed all arguments.
    pub(super) handed: Vec<Ref>,
}

impl<'t, 'p> Table<'t, 'p> {
    fn new(key: ContainerKey, values: &'t Values<'p>) -> Self {
        Self { values, key, routes: Vec::new(), open: false, has_fallback: false, handed: Vec::new() }
    }

    /// A route by a name, a prefix or a pattern, and what is built for it.
    pub(super) fn route(&mut self, name: String, at: At, content: &Expr) {
        let order = Order::Declared(self.routes.len());
        let fact = RouteFact::new(Style::NamedTable, RouteKind::Screen, name.clone(), at);
        let fact = self.shows(content, fact);
        self.routes.push(RouteFact {
            pattern: Some(name),
            takes: Takes::AsRead { complete: true },
            order,
            ..fact
        });
    }

    /// What answers any other name.
    pub(super) fn fallback(&mut self, at: At, content: &Expr) {
        if self.has_fallback {
            return;
        }
        self.has_fallback = true;
        let order = Order::Declared(self.routes.len());
        let fact = RouteFact::new(Style::NamedTable, RouteKind::Fallback, "default".to_owned(), at);
        let fact = self.shows(content, fact);
        self.routes.push(RouteFact { order, ..fact });
    }

    /// A route with the pages that are built for it.
    fn shows(&self, content: &Expr, fact: RouteFact) -> RouteFact {
        let mut found = leaves(content, self.values);
        if found.shown.is_empty() {
            found.shown = assigned(content, self.values);
        }
        let (shows, also) = found.shows(fact.at, self.values);
        RouteFact {
            shows,
            also,
            content: Some(body_of(content, self.values)),
            container: Some(self.key),
            ..fact
        }
    }

    /// The entries of a map from names to builders.
    pub(super) fn entries(&mut self, map: &Expr) {
        let Some(entries) = self.values.entries(map) else {
            self.open = true;
            return;
        };
        self.open |= entries.open;
        for (key, builder) in entries.known {
            match self.values.plain_text(&key) {
                Some(name) => self.route(name, code::node_at(key.at, self.values), &builder),
                None => self.open = true,
            }
        }
    }
}

/// `page = ShelfPage(); break;`: what a case puts into a variable.
fn assigned(content: &Expr, values: &Values<'_>) -> Vec<Shown> {
    let tree = values.tree(content.at);
    let mut found = Vec::new();
    let mut todo = vec![content.at.id];
    while let Some(id) = todo.pop() {
        match tree.kind(id) {
            Kind::Assign { value, .. } => found.extend(leaves(&content.with(*value), values).shown),
            Kind::Lambda { .. } => {}
            kind => todo.extend(kind.children()),
        }
    }
    found
}

fn holder(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let key = ContainerKey(code::callee_at(at, values));
    let mut table = Table::new(key, values);
    let map = named(at, call, "routes");
    if let Some(map) = &map {
        table.entries(map);
    }
    let generate = named(at, call, "onGenerateRoute");
    if let Some(generate) = &generate {
        Generator::run(&mut table, generate);
    }
    if let Some(unknown) = named(at, call, "onUnknownRoute") {
        let place = code::node_at(unknown.at, values);
        table.fallback(place, &unknown);
    }
    let initial = named(at, call, "initialRoute");
    let asked = generate.as_ref().or(map.as_ref()).map(|expr| code::node_at(expr.at, values));
    let fact = ContainerFact {
        shown_by: ShownBy::App,
        sites: vec![at],
        sight: Sight::Inside,
        no_fallback: asked.filter(|_| !table.has_fallback && !table.open),
        ..ContainerFact::new(key)
    };
    let home = named(at, call, "home").is_some();
    let said = initial.as_ref().map(|name| starts(name, values)).unwrap_or_default();
    let first = first(&table).filter(|_| initial.is_none() && !home);
    let starts: Vec<StartFact> = said.into_iter().chain(first).collect();
    let start = Start::new(starts.clone(), starts.is_empty() || table.open);
    facts.containers.push(ContainerFact { start, ..fact });
    taken(&table.handed, values, facts);
    facts.routes.extend(table.routes);
}

/// Where nothing says what comes first it is `/`, or all that there is.
fn first(table: &Table<'_, '_>) -> Option<StartFact> {
    let root = table.routes.iter().find(|route| route.name == "/");
    let only = table.routes.iter().find(|route| route.style == Style::PushBuilder);
    root.or(only).map(StartFact::first)
}

fn starts(initial: &Expr, values: &Values<'_>) -> Vec<StartFact> {
    let at = code::node_at(initial.at, values);
    let named = values.eval(initial).into_iter().filter_map(|value| {
        let literal = value.form == Form::Literal && value.shape()?.has_literal_words();
        Some(StartFact { name: value.shape()?.plain()?, literal, checked: false, at })
    });
    named.collect()
}
