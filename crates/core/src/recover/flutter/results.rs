//! Values that are awaited from what is opened, and handed back when it closes.

use super::builder::leaves;
use super::navigator::named;
use super::push_builder::PRESENTING;
use crate::facts::{At, Channel, Facts, ResultSideFact};
use crate::model::ResultSide;
use crate::recover::code;
use crate::syntax::{Call, Kind, TypeName};
use crate::values::{Datum, Expr, Ref, Values};

/// Types that say nothing of a result.
const NOTHING: &[&str] = &["void", "dynamic", "Object", "Null", "Never", ""];

/// A call that opens something, as a receiver of what it hands back, if its value is used.
pub(super) fn receive(call: Ref, types: &[TypeName], at: At, values: &Values<'_>, facts: &mut Facts) {
    let ty = types.first().filter(|ty| !NOTHING.contains(&ty.name.as_str())).map(TypeName::written);
    match use_of(call, ty.is_some(), values) {
        Use::None => {}
        used => {
            let fact = side(ResultSide::Receive, ty, call, at);
            facts.results.push(ResultSideFact { sure: used == Use::Sure, ..fact });
        }
    }
}

/// A value handed back by closing; through a helper, by each of its users.
pub(super) fn send_through(call: Ref, value: &Expr, values: &Values<'_>, facts: &mut Facts) {
    for site in values.sites(call, value) {
        let given = site.bind(value);
        // What a user leaves out is nothing.
        let found = values.eval(&given);
        let left_out = found.iter().all(|value| matches!(value.datum, Datum::Parameter(_)));
        if site.at == call || !left_out {
            send(site.at, &given, code::callee_at(site.at, values), values, facts);
        }
    }
}

/// A value handed back by closing.
fn send(site: Ref, value: &Expr, at: At, values: &Values<'_>, facts: &mut Facts) {
    let is_null = matches!(values.kind(value.at), Kind::Null);
    if is_null || is_in_framework_dialog(site, values) {
        return;
    }
    let ty = values.type_of(value).map(|ty| ty.name.to_string());
    facts.results.push(side(ResultSide::Send, ty, site, at));
}

fn side(side: ResultSide, ty: Option<String>, site: Ref, at: At) -> ResultSideFact {
    ResultSideFact {
        key: None,
        sure: true,
        side,
        channel: Channel::OpenedRoute,
        ty,
        literal_key: false,
        site,
        at,
    }
}

/// Whether a value goes anywhere.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
enum Use {
    None,
    /// It is handed on to whoever calls.
    Perhaps,
    Sure,
}

impl Use {
    fn sure_if(yes: bool) -> Self {
        if yes { Self::Sure } else { Self::None }
    }
}

/// Where the value of a call goes. What a function hands on counts where it says so by a type of its
/// own.
fn use_of(call: Ref, typed: bool, values: &Values<'_>) -> Use {
    let tree = values.tree(call);
    let mut inner = call.id;
    for outer in tree.ancestors(call.id) {
        match tree.kind(outer) {
            Kind::Unary { .. } | Kind::Cast { .. } => {}
            Kind::Member(member) if member.of == inner => match member.name.as_str() {
                "then" => return Use::sure_if(is_taken(Ref { file: call.file, id: outer }, values)),
                "whenComplete" | "ignore" | "catchError" => return Use::None,
                _ => return Use::Sure,
            },
            Kind::Return(_) if typed => return Use::Sure,
            Kind::Return(_) => return handed_on(call, values),
            Kind::Function(_) if typed => return Use::Sure,
            Kind::Function(_) => return handed_on(call, values),
            Kind::Lambda { .. } => return Use::sure_if(typed),
            Kind::Block(_) | Kind::Other(_) => return Use::None,
            Kind::Branch { arms, subject } => {
                let tested = subject.iter().chain(arms.iter().flat_map(|arm| &arm.tests));
                if tested.into_iter().any(|&test| test == inner) {
                    return Use::Sure;
                }
            }
            _ => return Use::Sure,
        }
        inner = outer;
    }
    Use::None
}

/// What a function hands back to its callers, unless it says that it hands back nothing.
fn handed_on(call: Ref, values: &Values<'_>) -> Use {
    let function = values.enclosing_function(call).and_then(|at| values.tree(at).function(at.id));
    let result = function.and_then(|function| function.result.as_ref());
    let nothing = |ty: &TypeName| ty.name == "void" || ty.args.iter().any(|held| held.name == "void");
    if result.is_some_and(nothing) { Use::None } else { Use::Perhaps }
}

/// `.then((value) { … })` with a value that the lambda mentions.
fn is_taken(member: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(member);
    let call = tree.node(member.id).parent.and_then(|id| tree.call(id));
    let Some(Kind::Lambda { params, .. }) =
        call.and_then(|call| call.args.first()).map(|arg| tree.kind(arg.value))
    else {
        return true;
    };
    let first = params.first().map(|&id| Ref { file: member.file, id });
    first.is_some_and(|parameter| !values.uses_of_parameter(parameter).is_empty())
}

/// Whether a node stands in a dialog that only the framework's own widgets make: what closes it closes
/// no screen.
fn is_in_framework_dialog(site: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(site);
    let around = tree.ancestors(site.id).filter_map(|id| Some((id, tree.call(id)?)));
    let mut dialogs = around.filter(|(_, call)| presents(tree.callee(call).map(|(name, _)| name.as_str())));
    dialogs.next().is_some_and(|(id, call)| {
        let at = Ref { file: site.file, id };
        builder_of(at, call).is_some_and(|builder| leaves(&builder, values).shown.is_empty())
    })
}

fn presents(name: Option<&str>) -> bool {
    name.is_some_and(|name| PRESENTING.iter().any(|(known, _)| *known == name))
}

/// What a call that presents builds.
pub(super) fn builder_of(at: Ref, call: &Call) -> Option<Expr> {
    let by_name = named(at, call, "builder").or_else(|| named(at, call, "pageBuilder"));
    by_name.or_else(|| {
        let first = call.args.iter().find(|arg| arg.name.is_none())?;
        Some(Expr::new(at).with(first.value))
    })
}
