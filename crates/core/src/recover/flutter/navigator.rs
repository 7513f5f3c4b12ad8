//! Calls on Flutter's navigator (api.flutter.dev, `Navigator`, `NavigatorState`).

use crate::facts::HostHint;
use crate::recover::code;
use crate::syntax::{Call, Kind};
use crate::values::{Expr, Ref, Values};

/// A call of a method of the navigator.
pub(super) struct NavigatorCall<'p> {
    /// The call.
    pub(super) at: Ref,
    /// The same.
    pub(super) call: &'p Call,
    /// The method's name, without its restorable form.
    pub(super) method: &'p str,
    /// How many arguments stand before the method's own: the context, where it is static.
    skipped: usize,
    /// Which navigator it is, where it is not the nearest one.
    pub(super) host: Option<HostHint>,
}

impl NavigatorCall<'_> {
    /// The method's own argument at a position (0-based).
    pub(super) fn positional(&self, position: usize) -> Option<Expr> {
        let mut unnamed = self.call.args.iter().filter(|arg| arg.name.is_none());
        unnamed.nth(position + self.skipped).map(|arg| Expr::new(self.at).with(arg.value))
    }

    /// A named argument.
    pub(super) fn named(&self, name: &str) -> Option<Expr> {
        named(self.at, self.call, name)
    }
}

/// A named argument of a call.
pub(super) fn named(at: Ref, call: &Call, name: &str) -> Option<Expr> {
    let arg = call.args.iter().find(|arg| arg.name.as_deref() == Some(name))?;
    Some(Expr::new(at).with(arg.value))
}

/// The calls of these methods on a navigator in one file.
pub(super) fn calls<'p>(file: u32, values: &Values<'p>, methods: &[&str]) -> Vec<NavigatorCall<'p>> {
    let found = code::calls(file, values, methods).into_iter();
    found.filter_map(|(at, call)| navigator_call(at, call, values)).collect()
}

fn navigator_call<'p>(at: Ref, call: &'p Call, values: &Values<'p>) -> Option<NavigatorCall<'p>> {
    let expr = Expr::new(at);
    if values.calls_own_function(&expr, call) {
        return None;
    }
    let tree = values.tree(at);
    let method = tree.callee(call)?.0.as_str();
    let (skipped, host) = match tree.receiver(call) {
        Some(of) if is_static(&expr.with(of), values) => (1, None),
        Some(of) => (0, navigator(&expr.with(of), values)?),
        None => {
            let ty = values.implicit_type(&expr)?;
            (ty.name == "NavigatorState").then_some((0, None))?
        }
    };
    Some(NavigatorCall { at, call, method, skipped, host })
}

fn is_static(of: &Expr, values: &Values<'_>) -> bool {
    let tree = values.tree(of.at);
    let name = tree.last_name(of.at.id).is_some_and(|(name, _)| name == "Navigator");
    name && values.class_named(of.at, "Navigator").is_none()
}

/// Which navigator an expression is; `None` if it is none.
fn navigator(of: &Expr, values: &Values<'_>) -> Option<Option<HostHint>> {
    let mut at = of.clone();
    for _ in 0..10 {
        match values.kind(at.at) {
            Kind::Unary { of, .. } | Kind::Cast { of, .. } => at = at.with(*of),
            Kind::Call(call) if is_finder(&at, call, values) => {
                let root = named(at.at, call, "rootNavigator");
                let root = root.is_some_and(|value| matches!(values.kind(value.at), Kind::Bool(true)));
                return Some(root.then_some(HostHint::Outer));
            }
            Kind::Member(member) if member.name == "currentState" => {
                return is_key(&at.with(member.of), values).then_some(None);
            }
            Kind::Call(_) if values.called_body(&at).is_some() => {
                let body = values.called_body(&at)?;
                at = values.handed_back(&body).into_iter().next()?;
            }
            _ => match values.value_behind(&at).filter(|behind| behind.at != at.at) {
                Some(behind) => {
                    at = behind;
                    if matches!(values.kind(at.at), Kind::Block(_)) {
                        at = values.handed_back(&at).into_iter().next()?;
                    }
                }
                None => break,
            },
        }
    }
    let ty = values.type_of(&at)?;
    (ty.name == "NavigatorState" && ty.class.is_none()).then_some(None)
}

/// `Navigator.of(context)`, `Navigator.maybeOf(context)`.
fn is_finder(at: &Expr, call: &Call, values: &Values<'_>) -> bool {
    let tree = values.tree(at.at);
    let name = tree.callee(call).is_some_and(|(name, _)| matches!(name.as_str(), "of" | "maybeOf"));
    name && tree.receiver(call).is_some_and(|of| is_static(&at.with(of), values))
}

/// A key of a navigator: `GlobalKey<NavigatorState>()`.
fn is_key(of: &Expr, values: &Values<'_>) -> bool {
    let made = values.built(of).root;
    let by_call = values
        .tree(made.at)
        .call(made.at.id)
        .is_some_and(|call| call.types.iter().any(|ty| ty.simple() == "NavigatorState"));
    by_call || values.declared_type_args(of).iter().any(|ty| ty.simple() == "NavigatorState")
}
