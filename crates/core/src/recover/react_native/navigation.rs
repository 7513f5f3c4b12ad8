//! Objects that calls are made on: what a screen is handed, what hooks and references give.

use super::list_types::{self, is_list, list_of};
use crate::facts::HostHint;
use crate::recover::code;
use crate::syntax::{BinaryOp, Call, Kind, TypeName};
use crate::values::{Def, Expr, Ref, Site, Values};

/// What the names of the packages' types of navigation objects end in.
const OBJECT_TYPES: &[&str] =
    &["NavigationProp", "NavigationContainerRef", "NavigationContainerRefWithCurrent"];
/// Names are followed this far.
const MAX_DEPTH: usize = 10;

/// A navigation object.
#[derive(Debug, Clone, Default)]
pub(super) struct Navigation {
    /// The list of parameters that its calls are checked against.
    pub(super) list: Option<Ref>,
    /// Which navigator it starts from, where that is not the caller's own.
    pub(super) host: Option<HostHint>,
}

/// The navigation object that an expression is.
pub(super) fn navigation(expr: &Expr, values: &Values<'_>) -> Option<Navigation> {
    at(expr, 0, values)
}

fn at(expr: &Expr, depth: usize, values: &Values<'_>) -> Option<Navigation> {
    if depth > MAX_DEPTH {
        return None;
    }
    match values.kind(expr.at) {
        Kind::Unary { of, .. } => at(&expr.with(*of), depth + 1, values),
        Kind::Cast { of, ty, .. } => {
            let inner = at(&expr.with(*of), depth + 1, values)?;
            Some(Navigation { list: list_of(ty, expr.at, values), ..inner })
        }
        Kind::Member(member) if member.name == "current" => at(&expr.with(member.of), depth + 1, values),
        Kind::Member(member) if member.name == "navigation" => {
            of_properties(&expr.with(member.of), values).or_else(|| by_member(expr, depth, values))
        }
        Kind::Member(_) => by_member(expr, depth, values),
        Kind::Call(call) => by_call(expr, call, depth, values),
        Kind::Name(name) => by_name(expr, name, depth, values),
        Kind::Binary { op, left, .. } if *op == BinaryOp::OrElse => at(&expr.with(*left), depth + 1, values),
        _ => None,
    }
}

fn by_name(expr: &Expr, name: &str, depth: usize, values: &Values<'_>) -> Option<Navigation> {
    match values.meaning(expr)? {
        Def::Variable(_) => {
            let behind = values.value_behind(expr).filter(|behind| behind.at != expr.at)?;
            at(&behind, depth + 1, values)
        }
        Def::Parameter(parameter) => {
            if let Some(given) = values.given(expr).filter(|given| given.at != expr.at) {
                return at(&given, depth + 1, values);
            }
            let ty = values.tree(parameter).parameter(parameter.id)?.ty.as_ref();
            let by_type = ty.is_some_and(|ty| is_navigation_type(ty, parameter, values));
            (by_type || matches!(name, "navigation" | "nav"))
                .then(|| Navigation { list: ty.and_then(|ty| list_of(ty, parameter, values)), host: None })
        }
        _ => None,
    }
}

/// What a field keeps, by its declared type, or an object holds under a name.
fn by_member(expr: &Expr, depth: usize, values: &Values<'_>) -> Option<Navigation> {
    let declared = match values.meaning(expr) {
        Some(Def::Variable(at)) => values.tree(at).variable(at.id).and_then(|v| Some((at, v.ty.as_ref()?))),
        Some(Def::Parameter(at)) => values.tree(at).parameter(at.id).and_then(|p| Some((at, p.ty.as_ref()?))),
        _ => None,
    };
    if let Some((at, ty)) = declared.filter(|(at, ty)| is_navigation_type(ty, *at, values)) {
        return Some(Navigation { list: list_of(ty, at, values), host: None });
    }
    let behind = values.value_behind(expr).or_else(|| values.entry_behind(expr));
    at(&behind.filter(|behind| behind.at != expr.at)?, depth + 1, values)
}

/// Whether a type is of navigation objects: by its own name, by that of the type it stands for, or by
/// what a reference holds.
fn is_navigation_type(ty: &TypeName, at: Ref, values: &Values<'_>) -> bool {
    is_type_within(ty, at, 0, values)
}

fn is_type_within(ty: &TypeName, at: Ref, depth: usize, values: &Values<'_>) -> bool {
    if depth > MAX_DEPTH {
        return false;
    }
    let inside = |inner: &TypeName| is_type_within(inner, at, depth + 1, values);
    match ty.simple() {
        "NavigationHelpers" => true,
        "RefObject" | "MutableRefObject" | "ForwardedRef" | "Ref" | "NonNullable" | "Partial" | "Pick"
        | "Omit" => ty.args.first().is_some_and(inside),
        name if OBJECT_TYPES.iter().any(|end| name.ends_with(end)) => true,
        _ => {
            let supers = list_types::class_of(ty, at, values).map(|own| list_types::supers(own, values));
            supers.into_iter().flatten().any(|(at, base)| is_type_within(base, at, depth + 1, values))
        }
    }
}

/// `props.navigation`, `this.props.navigation`, `{ navigation }` of a parameter.
fn of_properties(of: &Expr, values: &Values<'_>) -> Option<Navigation> {
    let ty = properties_type(of, values)?;
    Some(Navigation { list: ty.and_then(|(at, ty)| list_of(ty, at, values)), host: None })
}

/// The type of a component's properties, if an expression is those; the type may not be said.
#[expect(clippy::option_option, reason = "properties whose type is not said are properties")]
pub(super) fn properties_type<'p>(of: &Expr, values: &Values<'p>) -> Option<Option<(Ref, &'p TypeName)>> {
    match values.kind(of.at) {
        Kind::Member(member) if member.name == "props" => {
            matches!(values.kind(of.with(member.of).at), Kind::This).then_some(())?;
            let class = values.enclosing_named_class(of.at)?;
            let base = values.class(class)?.supers.first();
            Some(base.and_then(|base| base.ty.args.first()).map(|ty| (class, ty)))
        }
        Kind::Name(_) => match values.meaning(of)? {
            Def::Parameter(parameter) => {
                let ty = values.tree(parameter).parameter(parameter.id)?.ty.as_ref();
                Some(ty.map(|ty| (parameter, ty)))
            }
            Def::Variable(_) => {
                let behind = values.value_behind(of).filter(|behind| behind.at != of.at)?;
                matches!(values.kind(behind.at), Kind::Member(_) | Kind::Name(_)).then_some(())?;
                properties_type(&behind, values)
            }
            _ => None,
        },
        _ => None,
    }
}

/// Hooks, references and parents.
fn by_call(expr: &Expr, call: &Call, depth: usize, values: &Values<'_>) -> Option<Navigation> {
    let tree = values.tree(expr.at);
    let name = tree.callee(call)?.0.as_str();
    if let Some(of) = tree.receiver(call) {
        if matches!(name, "getParent" | "dangerouslyGetParent") {
            at(&expr.with(of), depth + 1, values)?;
            return Some(Navigation { list: None, host: Some(HostHint::Any) });
        }
        if !matches!(name, "createRef" | "useContext" | "useRef") {
            return helper(expr, depth, values);
        }
    }
    let own = call.types.first().map(|ty| list_of(ty, expr.at, values));
    match name {
        _ if values.calls_own_function(expr, call) => helper(expr, depth, values),
        "useNavigation" => {
            // Without a type of its own it has that of the app's one list.
            let list = own.unwrap_or_else(|| global_list(values));
            Some(Navigation { list, host: None })
        }
        "createNavigationContainerRef" | "useNavigationContainerRef" => {
            let list = match call.types.first() {
                Some(ty) => values.class_named(expr.at, &ty.name).filter(|&list| is_list(list, values)),
                None => global_list(values),
            };
            Some(Navigation { list, host: Some(HostHint::Any) })
        }
        "createRef" | "useRef" => {
            let by_type = call.types.first().is_some_and(|ty| is_navigation_type(ty, expr.at, values));
            (by_type || is_called_navigation(expr.at, values))
                .then(|| Navigation { list: own.flatten(), host: Some(HostHint::Any) })
        }
        "useContext" => {
            let context = call.args.first()?.value;
            let (name, _) = tree.last_name(context)?;
            (name == "NavigationContext").then(Navigation::default)
        }
        _ => None,
    }
}

/// `export const navigationRef = React.createRef()`.
fn is_called_navigation(at: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let holder = tree.node(at.id).parent.and_then(|id| tree.variable(id));
    holder.is_some_and(|variable| variable.name.to_ascii_lowercase().contains("navigat"))
}

/// A hook or function of the app's own that hands one back.
fn helper(expr: &Expr, depth: usize, values: &Values<'_>) -> Option<Navigation> {
    let body = values.called_body(expr)?;
    values.handed_back(&body).iter().find_map(|inner| at(inner, depth + 1, values))
}

/// The list that the app declares for all of its navigation.
pub(super) fn global_list(values: &Values<'_>) -> Option<Ref> {
    let found = values.program().classes_named("RootParamList").first().copied();
    if found.is_none() {
        values.expect_class("RootParamList");
    }
    found.filter(|&list| is_list(list, values))
}

/// The places that say where a call leads: the call, or the uses of the function that it stands in and
/// that only passes the name on.
pub(super) fn sites(at: Ref, name: &Expr, values: &Values<'_>) -> Vec<Site> {
    let found = values.sites(at, name);
    // A part of what a function is given is passed on by nobody.
    match found.is_empty() && matches!(values.kind(name.at), Kind::Member(_)) {
        true => vec![Site::new(at)],
        false => found,
    }
}

/// A method that is called on a navigation object.
pub(super) struct Method<'p> {
    /// The call.
    pub(super) at: Ref,
    /// The same.
    pub(super) call: &'p Call,
    /// Its name.
    pub(super) name: &'p str,
    /// The object.
    pub(super) on: Navigation,
}

/// The calls in a file of these methods on navigation objects.
pub(super) fn methods<'p>(file: u32, values: &Values<'p>, names: &[&str]) -> Vec<Method<'p>> {
    let found = code::calls(file, values, names).into_iter();
    found
        .filter_map(|(at, call)| {
            let callee = Expr::new(at).with(call.callee);
            let name = values.tree(at).callee(call)?.0.as_str();
            Some(Method { at, call, name, on: method_of(&callee, values)? })
        })
        .collect()
}

/// The navigation object that a method is of, by the object or taken from it before.
pub(super) fn method_of(callee: &Expr, values: &Values<'_>) -> Option<Navigation> {
    match values.kind(callee.at) {
        Kind::Member(member) => navigation(&callee.with(member.of), values),
        Kind::Name(_) => {
            let behind = values.value_behind(callee).filter(|behind| behind.at != callee.at)?;
            match values.kind(behind.at) {
                Kind::Member(member) => navigation(&behind.with(member.of), values),
                _ => None,
            }
        }
        _ => None,
    }
}
