//! `navigationDestination(for:)`: what is shown for the values of a type. An enum's cases are a route
//! each, where a switch says what each shows.

use super::stacks::{STYLE, around};
use super::targets::registered;
use super::text_table;
use crate::facts::{
    Absent, At, Facts, ParameterFact, ProblemFact, ReadFact, RouteFact, Shows, Standing, TypeNamed, Unwired,
};
use crate::model::{RouteKind, Via};
use crate::recover::apple::initialiser::{self, written_type};
use crate::recover::apple::shown::{Shown, shown};
use crate::recover::apple::views::{is_view, read_of};
use crate::recover::code;
use crate::syntax::{Arg, Call, ClassKind, Id, Kind, TypeName};
use crate::values::{Def, Expr, Ref, Values};

/// Helpers of helpers are followed this deep.
const MAX_DEPTH: usize = 8;

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["navigationDestination"]) {
        let for_type = call.args.iter().find(|arg| arg.name.as_deref() == Some("for"));
        let Some(Kind::ClassOf(ty)) = for_type.map(|arg| values.tree(at).kind(arg.value)) else { continue };
        let Some(closure) = closure_of(at, call, values) else { continue };
        register(at, ty, &closure, values, facts);
    }
}

/// The closure that shows what is registered.
pub(super) fn closure_of(at: Ref, call: &Call, values: &Values<'_>) -> Option<Expr> {
    let named = call.args.iter().find(|arg| matches!(arg.name.as_deref(), Some("destination" | "content")));
    let last =
        || call.args.last().filter(|arg| matches!(values.tree(at).kind(arg.value), Kind::Lambda { .. }));
    named.or_else(last).map(|arg| Expr::new(Ref { file: at.file, id: arg.value }))
}

fn register(at: Ref, ty: &TypeName, closure: &Expr, values: &Values<'_>, facts: &mut Facts) {
    let stands = standing(at, values, facts);
    let Some(value) = registered(at, ty, values) else { return };
    let class = value.class.filter(|&class| values.class(class).is_some_and(|c| c.kind == ClassKind::Enum));
    let choice = class.and_then(|class| choice_of(closure, class, 0, values));
    if let (Some(class), Some(choice)) = (class, choice) {
        let registers = TypeNamed { class: Some(class), name: values.class_path(class) };
        let cases = cases(class, &choice, values, facts).into_iter();
        facts.routes.extend(cases.map(|fact| RouteFact {
            registers: Some(registers.clone()),
            stands: stands.clone(),
            ..fact
        }));
        return;
    }
    let table = if ty.name == "String" { text_table::routes(closure, values, facts) } else { Vec::new() };
    if !table.is_empty() {
        facts.routes.extend(table.into_iter().map(|fact| RouteFact { stands: stands.clone(), ..fact }));
        return;
    }
    let place = code::callee_at(at, values);
    let parameter = parameter(closure, ty, values);
    if let Some(read) = closure_read(closure, &parameter, values) {
        facts.reads.push(read);
    }
    let fact = route(value.name.clone(), place, &shown(closure, values), closure.at, values);
    facts.routes.push(RouteFact {
        class: value.class,
        registers: Some(TypeNamed { class: value.class, name: value.name }),
        parameters: vec![parameter],
        stands,
        ..fact
    });
}

/// A route that shows the first of some views.
pub(super) fn route(name: String, at: At, shown: &[Shown], content: Ref, values: &Values<'_>) -> RouteFact {
    let path = |shown: &Shown| values.program().path(shown.class).to_owned();
    RouteFact {
        shows: shown.first().map_or(Shows::NotApplicable, |first| Shows::Class(path(first), at)),
        also: shown.iter().skip(1).map(path).collect(),
        content: Some(content),
        ..RouteFact::new(STYLE, RouteKind::Screen, name, at)
    }
}

/// Where a registration counts: the stack it is written in, or wherever what it stands in is shown. One
/// in a helper stands where the helper is used.
pub(super) fn standing(at: Ref, values: &Values<'_>, facts: &mut Facts) -> Vec<Standing> {
    let mut found = Vec::new();
    let mut todo = vec![(at, 0)];
    while let Some((site, depth)) = todo.pop() {
        if let Some(stack) = around(site, values) {
            found.push(Standing::In(stack));
            continue;
        }
        let helper = helper_of(site, values).filter(|_| depth < MAX_DEPTH);
        let Some(helper) = helper else {
            found.push(Standing::With(site));
            continue;
        };
        let uses = match values.kind(helper) {
            Kind::Function(_) => values.uses(helper),
            _ => values.makes(helper).to_vec(),
        };
        if uses.is_empty() && site == at {
            let name = match values.kind(helper) {
                Kind::Function(function) => (function.name.to_string(), function.name_span),
                _ => {
                    values.class(helper).map_or_else(Default::default, |c| (c.name.to_string(), c.name_span))
                }
            };
            let at = At { file: helper.file, span: name.1 };
            facts.problems.push(ProblemFact { what: Unwired::NoStack(name.0), at });
        }
        todo.extend(uses.into_iter().map(|used| (used, depth + 1)));
    }
    found
}

/// The extension of views, or the modifier, that a node is written in.
fn helper_of(site: Ref, values: &Values<'_>) -> Option<Ref> {
    let tree = values.tree(site);
    let function = values.enclosing_function(site);
    if let Some(at) = function {
        let declared = tree.function(at.id)?;
        let of_views =
            declared.receiver.as_ref().is_some_and(|ty| values.class_named(at, &ty.name).is_none());
        if of_views {
            return Some(at);
        }
    }
    let class = values.enclosing_named_class(site)?;
    values.external_bases(class).iter().any(|base| base == "ViewModifier").then_some(class)
}

/// A switch over a value, and the names that stand for it there.
pub(super) struct Choice {
    branch: Expr,
}

/// The switch by which a closure, or a helper, property or view that it goes through, chooses.
pub(super) fn choice_of(content: &Expr, class: Ref, depth: usize, values: &Values<'_>) -> Option<Choice> {
    if depth > MAX_DEPTH {
        return None;
    }
    let deeper = |inner: &Expr| choice_of(inner, class, depth + 1, values);
    match values.kind(content.at) {
        Kind::Lambda { body, .. } => deeper(&content.with(*body)),
        Kind::Block(items) | Kind::Other(items) => items.iter().find_map(|&item| deeper(&content.with(item))),
        Kind::Return(Some(value)) => deeper(&content.with(*value)),
        Kind::Branch { subject: Some(subject), arms } => {
            let of = values.type_of(&content.with(*subject)).and_then(|ty| ty.class);
            if of == Some(class) {
                return Some(Choice { branch: content.clone() });
            }
            arms.iter().find_map(|arm| deeper(&content.with(arm.body)))
        }
        Kind::Branch { arms, .. } => arms.iter().find_map(|arm| deeper(&content.with(arm.body))),
        Kind::Name(_) | Kind::Member(_) => through_name(content, class, depth, values),
        Kind::Call(call) => {
            let own = values.called_body(content).and_then(|body| deeper(&body));
            let made = || {
                // A view that is handed the value chooses in its body.
                let view = values.made_class(content).filter(|&view| is_view(view, values))?;
                choice_of(&body_of(view, values)?, class, depth + 1, values)
            };
            let receiver = || values.tree(content.at).receiver(call).and_then(|of| deeper(&content.with(of)));
            let inside = || {
                call.args.iter().find_map(|arg| match values.kind(content.with(arg.value).at) {
                    Kind::Lambda { .. } => deeper(&content.with(arg.value)),
                    _ => None,
                })
            };
            own.or_else(made).or_else(receiver).or_else(inside)
        }
        _ => None,
    }
}

/// A computed property, a method that is handed over, or the value itself where the enum is a view.
fn through_name(content: &Expr, class: Ref, depth: usize, values: &Values<'_>) -> Option<Choice> {
    if let Some(at) = values.named_function(content) {
        let body = values.tree(at).function(at.id)?.body?;
        return choice_of(&Expr::new(Ref { file: at.file, id: body }), class, depth + 1, values);
    }
    if let Some(Def::Variable(at)) = values.meaning(content)
        && let Some(getter) = values.tree(at).variable(at.id)?.getter
    {
        return choice_of(&Expr::new(Ref { file: at.file, id: getter }), class, depth + 1, values);
    }
    let of = values.type_of(content).and_then(|ty| ty.class);
    (of == Some(class) && is_view(class, values)).then_some(())?;
    choice_of(&body_of(class, values)?, class, depth + 1, values)
}

fn body_of(view: Ref, values: &Values<'_>) -> Option<Expr> {
    let Def::Variable(at) = values.member_of_class(view, "body")? else { return None };
    let getter = values.tree(at).variable(at.id)?.getter?;
    Some(Expr::new(Ref { file: at.file, id: getter }))
}

/// A route for each case, at the label where it gets its screen.
pub(super) fn cases(class: Ref, choice: &Choice, values: &Values<'_>, facts: &mut Facts) -> Vec<RouteFact> {
    let Kind::Branch { arms, .. } = values.kind(choice.branch.at) else { return Vec::new() };
    let declared = values.class(class).map(|class| class.members.clone()).unwrap_or_default();
    let mut left: Vec<Ref> = declared
        .into_iter()
        .map(|id| Ref { file: class.file, id })
        .filter(|&at| values.class(at).is_some_and(|c| c.kind == ClassKind::Entry))
        .collect();
    let mut made: Vec<RouteFact> = Vec::new();
    for arm in arms {
        let body = choice.branch.with(arm.body);
        let views = shown(&body, values);
        let mut found: Vec<(Ref, At, &[Arg])> = Vec::new();
        for &test in &arm.tests {
            let at = choice.branch.with(test);
            let Kind::Case { args, .. } = values.kind(at.at) else { continue };
            let Some(Def::Class(entry)) = values.meaning(&at) else { continue };
            found.push((entry, code::node_at(at.at, values), args));
        }
        if arm.tests.is_empty() && !views.is_empty() {
            let place = code::node_at(body.at, values);
            found.extend(left.iter().map(|&entry| (entry, place, [].as_slice())));
        }
        for (entry, place, bound) in found {
            // A case that has a route already may show this as well.
            if let Some(known) = made.iter_mut().find(|known| known.class == Some(entry)) {
                known.also.extend(views.iter().map(|shown| values.program().path(shown.class).to_owned()));
                continue;
            }
            left.retain(|other| *other != entry);
            let parameters = carried(entry, bound, choice, values);
            let name = values.class_path(entry);
            facts.reads.extend(reads(&parameters, bound, &body, &views, values));
            made.push(RouteFact {
                class: Some(entry),
                parameters,
                ..route(name, place, &views, body.at, values)
            });
        }
    }
    made
}

/// What a case carries; what has no label takes the name that the switch gives it.
fn carried(entry: Ref, bound: &[Arg], choice: &Choice, values: &Values<'_>) -> Vec<ParameterFact> {
    let tree = values.tree(entry);
    let params = values.class(entry).map(|class| class.params.clone()).unwrap_or_default();
    let here = values.tree(choice.branch.at);
    let all = params.iter().enumerate().filter_map(|(place, &id)| {
        let parameter = tree.parameter(id)?;
        let bound = bound.get(place).and_then(|arg| here.variable(arg.value)).map(|v| v.name.to_string());
        let ty = parameter.ty.as_ref();
        let name = if parameter.name.is_empty() {
            bound.unwrap_or_else(|| format!("{place}"))
        } else {
            parameter.name.to_string()
        };
        Some(ParameterFact {
            name,
            ty: ty.map(|ty| written_type(entry.file, ty, values)),
            required: parameter.default.is_none(),
            nullable: ty.is_some_and(|ty| ty.nullable),
            default: parameter.default.map(|id| values.written(Ref { file: entry.file, id })),
            via: Via::Argument,
            at: At { file: entry.file, span: tree.span(id) },
        })
    });
    all.collect()
}

/// What a screen makes of each value that its case carries: used in place, or handed to what the screen
/// is made with and used there.
fn reads(
    parameters: &[ParameterFact],
    bound: &[Arg],
    body: &Expr,
    views: &[Shown],
    values: &Values<'_>,
) -> Vec<ReadFact> {
    let here = values.tree(body.at);
    let mut found = Vec::new();
    for (place, parameter) in parameters.iter().enumerate() {
        let variable = bound.get(place).map(|arg| arg.value).filter(|&id| here.variable(id).is_some());
        match variable {
            Some(id) => {
                let held = Ref { file: body.at.file, id };
                found.extend(read_of_bound(&parameter.name, held, body, views, values));
            }
            // A case that is not taken apart hands its values on unseen.
            None if bound.is_empty() => {
                found.push(ReadFact::of_parameter(&parameter.name, body.at, code::node_at(body.at, values)));
            }
            None => {}
        }
    }
    found
}

pub(super) fn read_of_bound(
    name: &str,
    held: Ref,
    body: &Expr,
    views: &[Shown],
    values: &Values<'_>,
) -> Option<ReadFact> {
    let tree = values.tree(held);
    let variable = tree.variable(held.id)?;
    let span = tree.span(body.at.id);
    let uses = values.program().uses_in(held.file, &variable.name).iter().copied();
    let inside = uses.filter(|at| span.holds(tree.span(at.id)));
    let mut best: Option<ReadFact> = None;
    for used in inside.filter(|&at| values.meaning(&Expr::new(at)) == Some(Def::Variable(held))) {
        let found = match handed_to(used, views, values) {
            Some((view, label)) => {
                let taken =
                    initialiser::taken(view, values).into_iter().find(|taken| taken.fact.name == label);
                let Some(taken) = taken else {
                    return Some(ReadFact::of_parameter(name, body.at, code::node_at(used, values)));
                };
                read_in(name, &taken, view, values)
            }
            None => {
                let at = code::node_at(used, values);
                let forced = code::is_forced(used, values) && !code::is_met(used, values);
                Some(ReadFact {
                    absent: Absent::of(forced, false),
                    ..ReadFact::of_parameter(name, body.at, at)
                })
            }
        };
        if let Some(found) = found {
            let better = best
                .as_ref()
                .is_none_or(|known| found.absent == Absent::Fails && known.absent != Absent::Fails);
            best = if better { Some(found) } else { best };
        }
    }
    best
}

/// The use, in a view, of what it is made with, under a route's own name for it.
fn read_in(name: &str, taken: &initialiser::Taken, view: Ref, values: &Values<'_>) -> Option<ReadFact> {
    let read = read_of(taken, view, values)?;
    Some(ReadFact { name: name.to_owned(), ..read })
}

/// The view that a name is handed to whole, and as what.
fn handed_to(used: Ref, views: &[Shown], values: &Values<'_>) -> Option<(Ref, String)> {
    let tree = values.tree(used);
    let call = tree.node(used.id).parent?;
    let made = tree.call(call)?;
    let class = values.made_class(&Expr::new(Ref { file: used.file, id: call }))?;
    views.iter().any(|shown| shown.class == class).then_some(())?;
    let place = made.args.iter().position(|arg| arg.value == used.id)?;
    let label = match &made.args[place].name {
        Some(label) => label.to_string(),
        None => initialiser::taken(class, values).get(place)?.fact.name.clone(),
    };
    Some((class, label))
}

/// The one parameter of a plain type's route: the value, as the closure calls it.
fn parameter(closure: &Expr, ty: &TypeName, values: &Values<'_>) -> ParameterFact {
    let tree = values.tree(closure.at);
    let first = match tree.kind(closure.at.id) {
        Kind::Lambda { params, .. } => params.first().copied(),
        _ => None,
    };
    let named = first.and_then(|id| tree.parameter(id)).map(|p| p.name.to_string());
    ParameterFact {
        name: named.filter(|name| name != "_").unwrap_or_else(|| "value".to_owned()),
        ty: Some(written_type(closure.at.file, ty, values)),
        required: true,
        nullable: false,
        default: None,
        via: Via::Argument,
        at: code::node_at(first.map_or(closure.at, |id| Ref { file: closure.at.file, id }), values),
    }
}

/// A use of the value that a closure is given.
pub(super) fn closure_read(
    closure: &Expr,
    parameter: &ParameterFact,
    values: &Values<'_>,
) -> Option<ReadFact> {
    let tree = values.tree(closure.at);
    let Kind::Lambda { params, body } = tree.kind(closure.at.id) else {
        return Some(ReadFact::of_parameter(&parameter.name, closure.at, code::node_at(closure.at, values)));
    };
    let given = params.first().map(|&id: &Id| Ref { file: closure.at.file, id });
    let name = given.and_then(|at| tree.parameter(at.id)).map_or(tree.idioms.unnamed, |p| p.name.as_str());
    let uses = values.program().uses_in(closure.at.file, name).iter().copied();
    let body_at = closure.with(*body).at;
    let span = tree.span(*body);
    let mut inside = uses.filter(|at| span.holds(tree.span(at.id)));
    inside.next().map(|used| ReadFact::of_parameter(&parameter.name, body_at, code::node_at(used, values)))
}
