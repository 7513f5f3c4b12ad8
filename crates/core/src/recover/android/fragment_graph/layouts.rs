//! `res/layout*/*.xml` and `res/menu*/*.xml`: hosts, views that show menus, menus.

use super::facts::{HostView, LayoutInclude, Menu, MenuItem, MenuView};
use crate::facts::Facts;
use crate::model::Verb;
use crate::recover::android::markup::{ANDROID, APP, class_path, element_at, id, resource_name, value_at};
use crate::syntax::{Element, Markup};
use crate::values::Values;

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(markup) = values.program().markup(file) else { return };
    let layout = values.program().source(file).stem().to_owned();
    for (_, element) in markup.elements() {
        match element.name.as_str() {
            "fragment" | "FragmentContainerView" | "androidx.fragment.app.FragmentContainerView" => {
                host(file, markup, element, &layout, values, facts);
            }
            "include" => {
                let inner = element.attribute("", "layout").and_then(|a| resource_name(&a.value));
                facts.own.extend(inner.map(|inner| LayoutInclude { outer: layout.clone(), inner }));
            }
            _ => facts.own.extend(menu_view(element, &layout)),
        }
    }
}

/// A view that shows a navigation host, or any fragment fixed in the layout.
fn host(file: u32, markup: &Markup, element: &Element, layout: &str, values: &Values<'_>, facts: &mut Facts) {
    let class = element.attribute(ANDROID, "name").or_else(|| element.attribute("", "class"));
    let Some(class) = class else { return };
    let path = class_path(file, &class.value, values);
    let graph = element.attribute(APP, "navGraph");
    let is_host = class.value.ends_with("NavHostFragment") || graph.is_some() || is_app_host(&path, values);
    if !is_host {
        facts.shown_by_markup.push(path);
        return;
    }
    facts.own.push(HostView {
        id: id(element).map(|(name, _)| name),
        identified: is_identified(markup, element),
        graph: graph
            .and_then(|attribute| Some((resource_name(&attribute.value)?, value_at(file, attribute)))),
        layout: layout.to_owned(),
        at: element_at(file, element),
    });
}

/// `<fragment>` needs an id, a tag, or a parent with an id; `FragmentContainerView` an id of its own
/// (their inflating code in androidx.fragment says so).
fn is_identified(markup: &Markup, element: &Element) -> bool {
    let parent = element.parent.map(|parent| markup.element(parent));
    let lenient = element.name == "fragment"
        && (element.attribute(ANDROID, "tag").is_some() || parent.is_some_and(|parent| id(parent).is_some()));
    id(element).is_some() || lenient
}

/// The app's own subclass of the host.
fn is_app_host(path: &str, values: &Values<'_>) -> bool {
    let classes = values.program().classes_at(path).iter();
    classes
        .copied()
        .any(|class| values.external_bases(class).iter().any(|base| base.ends_with("NavHostFragment")))
}

fn menu_view(element: &Element, layout: &str) -> Option<MenuView> {
    let menu = resource_name(&element.attribute(APP, "menu")?.value)?;
    let tag = element.name.rsplit('.').next().unwrap_or(&element.name);
    let bar = tag.contains("Bottom") || tag.contains("Rail") || tag.contains("Bar");
    let verb = if bar { Verb::Tab } else { Verb::Open };
    Some(MenuView { id: id(element).map(|(name, _)| name), menu, layout: layout.to_owned(), verb })
}

pub(super) fn recover_menu(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(markup) = values.program().markup(file) else { return };
    let items =
        markup.elements().filter(|(_, element)| element.name == "item" && element.children.is_empty());
    let items = items.filter_map(|(_, element)| {
        let (name, attribute) = id(element)?;
        Some(MenuItem { id: name, at: element_at(file, element), id_at: value_at(file, attribute) })
    });
    let name = values.program().source(file).stem().to_owned();
    facts.own.push(Menu { name, items: items.collect() });
}

/// Preferences and shortcuts open fragments and activities by their class.
pub(super) fn recover_preferences(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(markup) = values.program().markup(file) else { return };
    let named = markup
        .elements()
        .flat_map(|(_, element)| &element.attributes)
        .filter(|a| a.name == "fragment" || a.name == "targetClass");
    facts.shown_by_markup.extend(named.map(|a| class_path(file, &a.value, values)));
}
