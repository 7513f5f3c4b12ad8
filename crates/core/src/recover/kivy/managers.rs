//! Screen managers, and which one an expression means: by attribute, by id, through the app, a screen's
//! own, from a helper.

use super::documents;
use super::properties::set_up;
use super::screens::{is_manager, is_manager_name, is_screen};
use crate::facts::{At, ContainerFact, ContainerKey, Facts, Holds, ShownBy, Sight, Start, StartFact};
use crate::recover::code;
use crate::syntax::{Call, ClassKind, Id, Kind};
use crate::values::{Def, Expr, Ref, Values};

/// Names of names are followed this deep.
const MAX_DEPTH: usize = 12;

/// Which manager an expression means.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub(super) enum Manager {
    /// This one.
    Of(ContainerKey),
    /// That of the screen whose code it is.
    Own,
    /// One that is not known.
    Unknown,
}

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let at = Ref { file, id };
        match tree.kind(id) {
            Kind::Class(class) if class.kind == ClassKind::Class && is_manager(at, values) => {
                let rules = values.extensions(at).into_iter().filter_map(|rule| set_up(rule, values));
                let starts =
                    rules.filter_map(|(call, rule)| first_said(Ref { file: rule.file, id: call }, values));
                let key = ContainerKey(At { file, span: class.name_span });
                let fact = declared(key, starts.collect(), values.makes(at).to_vec());
                let used = values.is_made(at)
                    || values.is_derived(at)
                    || values.program().is_word_of_others(&[file], &class.name);
                facts.containers.push(ContainerFact {
                    name: Some(class.name.to_string()),
                    shown_by: if used { ShownBy::App } else { ShownBy::Another },
                    ..fact
                });
            }
            Kind::Call(call) if is_library_manager(at, call, values) => {
                let key = ContainerKey(code::callee_at(at, values));
                facts.containers.push(declared(key, first_said(at, values).into_iter().collect(), vec![at]));
            }
            _ => {}
        }
    }
}

fn declared(key: ContainerKey, starts: Vec<StartFact>, sites: Vec<Ref>) -> ContainerFact {
    ContainerFact {
        start: Start::FirstDeclared(starts),
        holds: Holds::MustHold,
        shown_by: ShownBy::App,
        sites,
        sight: Sight::Inside,
        ..ContainerFact::new(key)
    }
}

/// A manager of the library that is made here.
pub(super) fn is_library_manager(at: Ref, call: &Call, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let Kind::Name(name) = tree.kind(call.callee) else { return false };
    match values.meaning(&Expr::new(at).with(call.callee)) {
        Some(Def::External(path)) => path.rsplit('.').next().is_some_and(is_manager_name),
        None => is_manager_name(name),
        _ => false,
    }
}

/// `current: 'shelf'` where a manager is made.
fn first_said(at: Ref, values: &Values<'_>) -> Option<StartFact> {
    let call = values.tree(at).call(at.id)?;
    let value = call.args.iter().find(|arg| arg.name.as_deref() == Some("current"))?;
    start(&Expr::new(Ref { file: at.file, id: value.value }), values)
}

/// The start that an expression says.
pub(super) fn start(value: &Expr, values: &Values<'_>) -> Option<StartFact> {
    let found = values.eval(value);
    let [one] = found.as_slice() else { return None };
    let name = one.shape()?.plain()?;
    let literal = one.shape().is_some_and(crate::values::Shape::has_literal_words);
    Some(StartFact { literal, ..StartFact::new(name, code::node_at(value.at, values)) })
}

/// The manager that an expression means; `None` for what is none.
pub(super) fn manager_of(expr: &Expr, values: &Values<'_>) -> Option<Manager> {
    follow(expr, 0, values)
}

fn key_of_class(class: Ref, values: &Values<'_>) -> Manager {
    let span = values.class(class).map_or_else(|| values.tree(class).span(class.id), |c| c.name_span);
    Manager::Of(ContainerKey(At { file: class.file, span }))
}

fn follow(expr: &Expr, depth: usize, values: &Values<'_>) -> Option<Manager> {
    if depth > MAX_DEPTH {
        return None;
    }
    match values.kind(expr.at) {
        Kind::This => {
            let class = values.enclosing_named_class(expr.at)?;
            is_manager(class, values).then(|| key_of_class(class, values))
        }
        Kind::Call(call) => made(expr, call, depth, values),
        Kind::Name(name) => {
            let by_id = || {
                widget_around(expr.at, name, values).and_then(|at| follow(&Expr::new(at), depth + 1, values))
            };
            named(expr, depth, values).or_else(by_id).or_else(|| looks_like_one(name, expr, values))
        }
        Kind::Member(member) => {
            let of = expr.with(member.of);
            if let Some(found) = by_ids(&of, &member.name, depth, values) {
                return Some(found);
            }
            if let Some(found) = named(expr, depth, values) {
                return Some(found);
            }
            match member.name.as_str() {
                "manager" => Some(of_screen(&of, depth, values)),
                "parent" => is_in_screen(&of, values).then_some(Manager::Own),
                "root" => app_root(&of, depth, values)
                    .or_else(|| is_in_app(&of, values).then_some(Manager::Unknown)),
                _ => None,
            }
            .or_else(|| looks_like_one(&member.name, expr, values))
        }
        Kind::Branch { arms, .. } => {
            arms.iter().find_map(|arm| follow(&expr.with(arm.body), depth + 1, values))
        }
        Kind::Other(items) => items.iter().find_map(|&id| follow(&expr.with(id), depth + 1, values)),
        Kind::Assign { value, .. } => follow(&expr.with(*value), depth + 1, values),
        _ => None,
    }
}

/// What is called like a manager, and of which nothing is known that says otherwise.
fn looks_like_one(name: &str, expr: &Expr, values: &Values<'_>) -> Option<Manager> {
    let words = name.to_lowercase();
    let called = words == "sm" || words.ends_with("_sm") || words.contains("manager");
    let other = || match values.type_of(expr) {
        Some(ty) => !is_manager_name(&ty.name) && !ty.name.ends_with("Property"),
        None => false,
    };
    (called && !other()).then_some(Manager::Unknown)
}

fn made(expr: &Expr, call: &Call, depth: usize, values: &Values<'_>) -> Option<Manager> {
    if let Some(class) = values.made_class(expr) {
        return is_manager(class, values).then(|| key_of_class(class, values));
    }
    if is_library_manager(expr.at, call, values) {
        return Some(Manager::Of(ContainerKey(code::callee_at(expr.at, values))));
    }
    if let Some(root) = documents::loaded(expr.at, call, values) {
        return follow(&Expr::new(root), depth + 1, values);
    }
    let body = values.called_body(expr)?;
    values.handed_back(&body).iter().find_map(|back| follow(back, depth + 1, values))
}

/// A local, an attribute or a parameter: whatever it is set to that is a manager.
fn named(expr: &Expr, depth: usize, values: &Values<'_>) -> Option<Manager> {
    match values.meaning(expr)? {
        Def::Variable(at) => {
            let variable = values.tree(at).variable(at.id)?;
            let own = |id: Id| Expr { at: Ref { file: at.file, id }, env: expr.env.clone() };
            let set = values.set_values(at, &variable.name).into_iter();
            let mut all = variable.init.into_iter().chain(variable.getter).map(own).chain(set);
            let inside = all.find_map(|value| match values.kind(value.at) {
                Kind::Block(_) => {
                    values.handed_back(&value).iter().find_map(|back| sure(follow(back, depth + 1, values)))
                }
                _ => sure(follow(&value, depth + 1, values)),
            });
            inside.or_else(|| given_from_outside(at, &variable.name, depth, values))
        }
        Def::Parameter(at) => {
            if let Some(given) = values.given(expr) {
                return follow(&given, depth + 1, values);
            }
            let function = values.tree(at).node(at.id).parent.map(|id| Ref { file: at.file, id })?;
            values.users(function).into_iter().find_map(|used| {
                let given = values.argument_for(used, function, at)?;
                sure(follow(&given, depth + 1, values))
            })
        }
        _ => None,
    }
}

/// A manager that is known.
fn sure(found: Option<Manager>) -> Option<Manager> {
    found.filter(|manager| *manager != Manager::Unknown)
}

/// What the rules of a class and those who make one give to one of its properties.
fn given_from_outside(property: Ref, name: &str, depth: usize, values: &Values<'_>) -> Option<Manager> {
    let class = values.enclosing_named_class(property)?;
    let in_rules = values.extensions(class).into_iter().filter_map(|rule| {
        let (call, rule) = set_up(rule, values)?;
        Some(Ref { file: rule.file, id: call })
    });
    let mut calls = in_rules.chain(values.makes(class).iter().copied());
    calls.find_map(|at| {
        let args = &values.tree(at).call(at.id)?.args;
        let given = args.iter().find(|arg| arg.name.as_deref() == Some(name))?;
        sure(follow(&Expr::new(Ref { file: at.file, id: given.value }), depth + 1, values))
    })
}

/// `self.manager`, `root.manager`; `page.manager` of a screen that a manager was asked for.
fn of_screen(of: &Expr, depth: usize, values: &Values<'_>) -> Manager {
    match values.kind(of.at) {
        Kind::This => Manager::Own,
        Kind::Name(_) => {
            let asked = values.value_behind(of).and_then(|behind| {
                let call = values.tree(behind.at).call(behind.at.id)?;
                (code::callee_name(behind.at, values) == "get_screen").then_some(())?;
                follow(&behind.with(values.tree(behind.at).receiver(call)?), depth + 1, values)
            });
            asked.unwrap_or(Manager::Unknown)
        }
        _ => Manager::Unknown,
    }
}

fn is_in_screen(of: &Expr, values: &Values<'_>) -> bool {
    matches!(values.kind(of.at), Kind::This)
        && values.enclosing_named_class(of.at).is_some_and(|class| is_screen(class, values))
}

/// Whether an expression is the app: its root may be built out of sight.
fn is_in_app(of: &Expr, values: &Values<'_>) -> bool {
    let class = values.type_of(of).and_then(|ty| ty.class);
    class.is_some_and(|class| values.external_bases(class).iter().any(|base| base.ends_with("App")))
}

/// `app.root`, `self.root` in the app: what the app's `build` hands back, or the tree of its document.
fn app_root(of: &Expr, depth: usize, values: &Values<'_>) -> Option<Manager> {
    let class = values.type_of(of)?.class?;
    let built = || {
        let Def::Functions(found) = values.member_of_class(class, "build")? else { return None };
        let function = *found.first()?;
        let body = values.tree(function).function(function.id)?.body?;
        let body = Expr::new(Ref { file: function.file, id: body });
        values.handed_back(&body).iter().find_map(|back| follow(back, depth + 1, values))
    };
    built().or_else(|| {
        documents::of_app(class, values).and_then(|root| follow(&Expr::new(root), depth + 1, values))
    })
}

/// `….ids.name`: the widget of that id, in the rules of the object's class first.
fn by_ids(of: &Expr, id: &str, depth: usize, values: &Values<'_>) -> Option<Manager> {
    let Kind::Member(ids) = values.kind(of.at) else { return None };
    (ids.name == "ids").then_some(())?;
    let class = values.type_of(&of.with(ids.of)).and_then(|ty| ty.class);
    let rules = class.map(|class| values.extensions(class)).unwrap_or_default();
    let inside = rules.into_iter().find_map(|rule| {
        let (call, rule) = set_up(rule, values)?;
        widget_with(Ref { file: rule.file, id: call }, id, values)
    });
    let found = inside.or_else(|| {
        let files: Vec<u32> = values.program().parsed().collect();
        let items = files
            .into_iter()
            .flat_map(|file| values.program().tree(file).items.iter().map(move |&id| Ref { file, id }));
        let items: Vec<Ref> = items.collect();
        let in_tree = items.iter().find_map(|&item| widget_with(item, id, values));
        // Of a widget whose class is not known the rules may be anybody's.
        let in_rule = || {
            let rules = items.iter().filter(|_| class.is_none());
            rules
                .filter_map(|&item| set_up(item, values))
                .find_map(|(call, rule)| widget_with(Ref { file: rule.file, id: call }, id, values))
        };
        in_tree.or_else(in_rule)
    })?;
    follow(&Expr::new(found), depth + 1, values)
}

/// A widget of an id in the rule or tree around a node.
fn widget_around(at: Ref, id: &str, values: &Values<'_>) -> Option<Ref> {
    let tree = values.tree(at);
    let outermost =
        tree.ancestors(at.id).take_while(|&up| !matches!(tree.kind(up), Kind::Function(_) | Kind::Class(_)));
    let top = outermost.filter(|&up| tree.call(up).is_some()).last()?;
    widget_with(Ref { file: at.file, id: top }, id, values)
}

/// A widget of an id inside of another.
fn widget_with(within: Ref, id: &str, values: &Values<'_>) -> Option<Ref> {
    let tree = values.tree(within);
    let mut todo = vec![within.id];
    while let Some(at) = todo.pop() {
        let Some(call) = tree.call(at) else { continue };
        let own = call.args.iter().find(|arg| arg.name.as_deref() == Some("id"));
        let here = Ref { file: within.file, id: at };
        if own.is_some_and(|arg| {
            values.plain_text(&Expr::new(Ref { file: within.file, id: arg.value })).as_deref() == Some(id)
        }) {
            return Some(here);
        }
        todo.extend(call.args.iter().filter(|arg| arg.name.is_none()).map(|arg| arg.value));
    }
    None
}
