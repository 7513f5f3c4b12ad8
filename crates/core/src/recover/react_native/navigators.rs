//! Navigators: what makes one, and its parts (reactnavigation.org, "Navigator", "Screen", "Group").

use crate::facts::Offers;
use crate::recover::code;
use crate::syntax::Kind;
use crate::values::{Expr, Ref, Values};

/// A part of a navigator.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub(super) enum Part {
    /// What shows the screens.
    Navigator,
    /// One of them.
    Screen,
    /// Several of them.
    Group,
}

impl Part {
    fn of(name: &str) -> Option<Self> {
        match name {
            "Navigator" => Some(Self::Navigator),
            "Screen" => Some(Self::Screen),
            "Group" => Some(Self::Group),
            _ => None,
        }
    }
}

/// The part of a navigator that an element is of, and the call that makes the navigator.
pub(super) fn part(callee: &Expr, values: &Values<'_>) -> Option<(Ref, Part)> {
    part_at(callee, 0, values)
}

fn part_at(callee: &Expr, depth: usize, values: &Values<'_>) -> Option<(Ref, Part)> {
    match values.kind(callee.at) {
        Kind::Member(member) => {
            let part = Part::of(&member.name)?;
            Some((created(&callee.with(member.of), values)?, part))
        }
        // Taken apart: `const { Navigator, Screen } = create…()`.
        Kind::Name(name) if name.starts_with(char::is_uppercase) => {
            let behind = values.value_behind(callee).filter(|behind| behind.at != callee.at && depth < 4)?;
            matches!(values.kind(behind.at), Kind::Member(_) | Kind::Name(_)).then_some(())?;
            part_at(&behind, depth + 1, values)
        }
        _ => None,
    }
}

/// The call that makes a navigator.
pub(super) fn created(of: &Expr, values: &Values<'_>) -> Option<Ref> {
    let made = values.built(of).root;
    is_creator(&made, values).then_some(made.at)
}

/// Whether a call makes a navigator: `createNativeStackNavigator()` and its like. Those of the older
/// packages make components.
pub(super) fn is_creator(expr: &Expr, values: &Values<'_>) -> bool {
    let Some(call) = values.tree(expr.at).call(expr.at.id) else { return false };
    let name = code::callee_name(expr.at, values);
    name.starts_with("create")
        && name.ends_with("Navigator")
        && name.len() > "createNavigator".len()
        && !values.calls_own_function(expr, call)
        && values.external(&expr.with(call.callee)).is_none_or(|path| !path.starts_with("react-navigation"))
}

/// Whether a call makes a navigator by the older packages: `createStackNavigator({ … })`,
/// `StackNavigator({ … })`.
pub(super) fn is_older_creator(expr: &Expr, values: &Values<'_>) -> bool {
    let Some(call) = values.tree(expr.at).call(expr.at.id) else { return false };
    let name = code::callee_name(expr.at, values);
    name.ends_with("Navigator")
        && call.args.first().is_some_and(|arg| arg.name.is_none())
        && values.external(&expr.with(call.callee)).is_some_and(|path| path.starts_with("react-navigation"))
}

/// The variable that holds a navigator, by name.
pub(super) fn variable_name(created: Ref, values: &Values<'_>) -> Option<String> {
    let tree = values.tree(created);
    let variable = tree.variable(tree.node(created.id).parent?)?;
    Some(variable.name.to_string())
}

/// Whether anything may use a navigator: the name that holds it, or whoever takes its file in.
pub(super) fn is_used(created: Ref, values: &Values<'_>) -> bool {
    let Some(name) = variable_name(created, values).filter(|name| name != "default") else {
        return !is_whole_export(created, values)
            || is_root_file(created.file, values)
            || values.is_taken_in(created.file);
    };
    let given = |import: &crate::syntax::Import| {
        import.exported && import.path.rsplit('.').next() == Some(name.as_str())
    };
    !values.program().uses_of_name(&name).is_empty()
        || values.program().tree(created.file).imports.iter().any(given)
        || !values.program().words_of_unparsed(std::slice::from_ref(&name)).is_empty()
}

/// Whether a navigator is all that its file hands out: `export default createStackNavigator({ … })`.
fn is_whole_export(created: Ref, values: &Values<'_>) -> bool {
    variable_name(created, values).is_some_and(|name| name == "default")
}

/// Files that an entry takes in by where they are.
fn is_root_file(file: u32, values: &Values<'_>) -> bool {
    let name = values.program().source(file).path.rsplit('/').next().unwrap_or_default();
    let stem = name.split('.').next().unwrap_or_default().to_ascii_lowercase();
    matches!(stem.as_str(), "app" | "index" | "main")
}

/// What draws the list of screens in the app's own way, by the packages' versions.
const DRAWN: [&str; 4] = ["contentComponent", "drawerContent", "tabBar", "tabBarComponent"];

/// Tabs and drawers list all of their screens by themselves, unless the app draws what lists them
/// (reactnavigation.org, "Bottom Tabs Navigator", "Drawer Navigator"). `is_set`: of the navigator.
pub(super) fn offers(created: Ref, is_set: impl Fn(&str) -> bool, values: &Values<'_>) -> Offers {
    let maker = code::callee_name(created, values);
    let lists = maker.contains("Tab") || maker.contains("Drawer");
    if lists && !DRAWN.into_iter().any(is_set) { Offers::All } else { Offers::Start }
}
