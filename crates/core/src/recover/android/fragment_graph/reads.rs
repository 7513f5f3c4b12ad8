//! Arguments taken out: generated args, the arguments bundle, a view model's saved state.

use crate::facts::{Absent, Facts, ReadFact};
use crate::model::Via;
use crate::recover::android::compose::is_entry;
use crate::recover::android::{bundle, code};
use crate::syntax::{Call, Kind, Member};
use crate::values::{Expr, Ref, Type, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let at = Ref { file, id };
        let found = match tree.kind(id) {
            Kind::Member(member) => generated_property(at, member, values),
            Kind::Call(call) => from_call(at, call, values),
            Kind::Index { of, args } => from_index(at, *of, args, values),
            _ => None,
        };
        facts.reads.extend(found);
        if is_handed_on(at, values) || takes_unknown_key(at, values) {
            facts.whole_bags.push(at);
        }
    }
}

/// A value taken out by a key that is not known may be any.
fn takes_unknown_key(at: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let expr = Expr::new(at);
    let (of, key) = match tree.kind(at.id) {
        Kind::Call(call) => match (tree.receiver(call), call.args.first(), tree.callee(call)) {
            (Some(of), Some(arg), Some((name, _))) if is_getter(name) => (of, arg.value),
            _ => return false,
        },
        Kind::Index { of, args } => match args.first() {
            Some(key) => (*of, *key),
            None => return false,
        },
        _ => return false,
    };
    let of = expr.with(of);
    (is_arguments(&of, values) || handle_of_view_model(&of, values).is_some())
        && code::key(&expr.with(key), values).is_none()
}

/// All arguments at once, handed to somebody who may take any of them.
fn is_handed_on(at: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let Kind::Call(call) = tree.kind(at.id) else { return false };
    let name = tree.callee(call).map_or("", |(name, _)| name.as_str());
    if matches!(name, "fromBundle" | "checkNotNull" | "requireNotNull") {
        return false;
    }
    let expr = Expr::new(at);
    call.args.iter().any(|arg| {
        let value = expr.with(arg.value);
        matches!(tree.kind(arg.value), Kind::Name(_) | Kind::Member(_) | Kind::Call(_) | Kind::Unary { .. })
            && (is_arguments(&value, values) || is_generated_args(&value, values))
    })
}

fn is_generated_args(expr: &Expr, values: &Values<'_>) -> bool {
    matches!(values.kind(expr.at), Kind::Name(_) | Kind::Member(_)) && generated_class(expr, values).is_some()
}

fn read(at: Ref, name: String, values: &Values<'_>) -> ReadFact {
    ReadFact {
        absent: code::absent(at, false, values),
        ..ReadFact::new(name, Via::Argument, at, code::node_at(at, values))
    }
}

/// `args.itemId`, with `args` of a generated class that takes arguments.
fn generated_property(at: Ref, member: &Member, values: &Values<'_>) -> Option<ReadFact> {
    let class = generated_class(&Expr::new(at).with(member.of), values)?;
    let tree = values.tree(at);
    let called = tree.node(at.id).parent.and_then(|id| tree.call(id)).filter(|call| call.callee == at.id);
    let (name, at) = match called {
        None => (member.name.to_string(), at),
        // Java's accessor. What else is called on the args is no read.
        Some(_) => {
            let rest = member.name.strip_prefix("get").filter(|rest| rest.starts_with(char::is_uppercase))?;
            let mut chars = rest.chars();
            let first = chars.next()?.to_lowercase().to_string();
            (format!("{first}{}", chars.as_str()), Ref { file: at.file, id: tree.node(at.id).parent? })
        }
    };
    let screen = class.strip_suffix("Args").unwrap_or(&class).to_owned();
    Some(ReadFact { generated: Some(screen), ..read(at, name, values) })
}

/// The generated class an expression is of: a delegate's, a parsed bundle's.
fn generated_class(expr: &Expr, values: &Values<'_>) -> Option<String> {
    let ty = values.type_of(expr).or_else(|| factory_type(expr, values))?;
    (ty.class.is_none() && ty.name.ends_with("Args") && ty.name.len() > 4).then(|| ty.name.to_string())
}

/// `ItemFragmentArgs.fromBundle(…)` and `fromSavedStateHandle(…)` hand back their own class.
fn factory_type(expr: &Expr, values: &Values<'_>) -> Option<Type> {
    let root = values.built(expr).root;
    let tree = values.tree(root.at);
    let call = tree.call(root.at.id)?;
    let (name, _) = tree.callee(call)?;
    matches!(name.as_str(), "fromBundle" | "fromSavedStateHandle").then_some(())?;
    let (class, _) = tree.last_name(tree.receiver(call)?)?;
    Some(Type::plain(class))
}

/// `arguments?.getString(KEY)`, `handle.get<String>(KEY)`.
fn from_call(at: Ref, call: &Call, values: &Values<'_>) -> Option<ReadFact> {
    let tree = values.tree(at);
    let (method, _) = tree.callee(call)?;
    let of = tree.receiver(call)?;
    let first = call.args.first()?;
    let expr = Expr::new(at);
    let of = expr.with(of);
    if handle_of_view_model(&of, values).is_some() {
        // A first value makes it state of its own.
        let takes = matches!(method.as_str(), "get" | "getLiveData" | "getStateFlow") && call.args.len() == 1;
        takes.then_some(())?;
    } else {
        (is_getter(method) && is_arguments(&of, values)).then_some(())?;
    }
    let (name, literal_key) = code::key(&expr.with(first.value), values)?;
    if is_own_state(at, &name, values) {
        return None;
    }
    let stated = call.types.first().map(|ty| ty.simple().to_owned());
    let ty = bundle::taken_type(method).map(str::to_owned).or(stated);
    let default = call.args.len() > 1;
    let found = read(at, name, values);
    Some(ReadFact { ty, literal_key, absent: if default { Absent::Met } else { found.absent }, ..found })
}

/// `handle[KEY]`.
fn from_index(
    at: Ref,
    of: crate::syntax::Id,
    args: &[crate::syntax::Id],
    values: &Values<'_>,
) -> Option<ReadFact> {
    let tree = values.tree(at);
    let assigned = tree
        .node(at.id)
        .parent
        .is_some_and(|id| matches!(tree.kind(id), Kind::Assign { target, .. } if *target == at.id));
    if assigned {
        return None;
    }
    let expr = Expr::new(at);
    handle_of_view_model(&expr.with(of), values)?;
    let (name, literal_key) = code::key(&expr.with(*args.first()?), values)?;
    if is_own_state(at, &name, values) {
        return None;
    }
    Some(ReadFact { literal_key, ..read(at, name, values) })
}

/// The bundle's methods that take one value out by its key, or ask whether it is there.
fn is_getter(name: &str) -> bool {
    name.starts_with("get") || matches!(name, "containsKey" | "contains")
}

/// Whether an expression is a fragment's own arguments.
fn is_arguments(expr: &Expr, values: &Values<'_>) -> bool {
    let root = values.built(expr).root;
    let tree = values.tree(root.at);
    let last = match values.kind(root.at) {
        Kind::Call(_) => code::callee_name(root.at, values),
        _ => tree.last_name(root.at.id).map_or("", |(name, _)| name.as_str()),
    };
    if !matches!(last, "arguments" | "getArguments" | "requireArguments") {
        return false;
    }
    // A back-stack entry's arguments are read by other styles.
    match root_receiver(&root, values) {
        None => true,
        Some(of) if is_entry(&of, values) => false,
        Some(of) => values.type_of(&of).is_none_or(|ty| ty.name.ends_with("Fragment") || ty.class.is_some()),
    }
}

fn root_receiver(root: &Expr, values: &Values<'_>) -> Option<Expr> {
    let tree = values.tree(root.at);
    match tree.kind(root.at.id) {
        Kind::Call(call) => tree.receiver(call).map(|of| root.with(of)),
        Kind::Member(member) => Some(root.with(member.of)),
        _ => None,
    }
}

/// A saved-state handle that a view model was given: it starts out with the screen's arguments.
fn handle_of_view_model(expr: &Expr, values: &Values<'_>) -> Option<()> {
    let ty = values.type_of(expr)?;
    (ty.name == "SavedStateHandle").then_some(())?;
    matches!(values.kind(expr.at), Kind::Name(_) | Kind::Member(_)).then_some(())?;
    let class = values.enclosing_class(expr.at)?;
    let own = values.external_bases(class).iter().any(|base| base.ends_with("ViewModel"));
    // A class that takes the arguments out for a view model, by its constructor.
    let handed = || {
        values.parameter_of_function(expr).is_some_and(|at| {
            let tree = values.tree(at);
            let function = tree.node(at.id).parent.and_then(|id| tree.function(id));
            function.is_some_and(|function| function.name == "<init>")
        })
    };
    (own || handed()).then_some(())
}

/// Whether the class puts a value of that key into the handle itself.
fn is_own_state(at: Ref, key: &str, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let class = values.enclosing_class(at);
    let same = |node: Ref, arg: crate::syntax::Id| {
        values.enclosing_class(node) == class
            && code::key(&Expr::new(node).with(arg), values).is_some_and(|(name, _)| name == key)
    };
    let sets = code::calls(at.file, values, &["set", "getLiveData", "getStateFlow", "saveable"]);
    let by_call = sets.iter().any(|(node, call)| call.args.len() > 1 && same(*node, call.args[0].value));
    by_call
        || tree.ids().any(|id| match tree.kind(id) {
            Kind::Assign { target, .. } => match tree.kind(*target) {
                Kind::Index { args, .. } => {
                    args.first().is_some_and(|&arg| same(Ref { file: at.file, id: *target }, arg))
                }
                _ => false,
            },
            _ => false,
        })
}
