//! The list of a router class: pages in pages, with their paths.

use super::names::{ROUTER_NOTES, page_named, route_name};
use crate::facts::{
    ContainerFact, ContainerKey, Facts, Order, ParameterFact, RedirectFact, RouteFact, RouteKey, ShownBy,
    Shows, Sight, Start, StartFact, TargetFact,
};
use crate::model::{RouteKind, Style, Via};
use crate::recover::code;
use crate::recover::constructor::parameters;
use crate::recover::flutter::builder::leaves;
use crate::recover::flutter::location::{joined, pattern};
use crate::recover::flutter::navigator::named;
use crate::syntax::{Call, Kind};
use crate::values::{Expr, Ref, Shape, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids().filter(|&id| tree.class(id).is_some()) {
        let at = Ref { file, id };
        if let Some(list) = listed(at, values) {
            router(at, &list, values, facts);
        }
    }
}

/// What a router class lists: its `routes`, or those of its annotation.
fn listed(class: Ref, values: &Values<'_>) -> Option<Expr> {
    let declared = values.class(class)?;
    let tree = values.tree(class);
    let note = declared.annotations.iter().find(|note| ROUTER_NOTES.contains(&note.name.as_str()));
    let in_note = note.and_then(|note| note.args.iter().find(|arg| arg.name.as_deref() == Some("routes")));
    if let Some(arg) = in_note {
        return Some(Expr::new(class).with(arg.value));
    }
    let is_router =
        note.is_some() || values.external_bases(class).iter().any(|base| base.ends_with("StackRouter"));
    let routes = declared.members.iter().filter_map(|&id| tree.variable(id)).find(|v| v.name == "routes")?;
    let body = Expr::new(class).with(routes.getter.or(routes.init).filter(|_| is_router)?);
    values.handed_back(&body).into_iter().next()
}

fn router(class: Ref, list: &Expr, values: &Values<'_>, facts: &mut Facts) {
    let at = crate::recover::flutter::builder::class_at(class, values);
    let key = ContainerKey(at);
    let mut tree = Tree { values, facts, order: 0, router: class };
    let starts =
        tree.routes(list, &Above { path: String::new(), container: key, route: None, tabs: false, depth: 0 });
    facts.containers.push(ContainerFact {
        start: Start::said_if_any(starts),
        shown_by: ShownBy::App,
        sites: values.makes(class).to_vec(),
        sight: Sight::Below,
        ..ContainerFact::new(key)
    });
}

struct Above {
    path: String,
    container: ContainerKey,
    route: Option<RouteKey>,
    tabs: bool,
    depth: usize,
}

struct Tree<'t, 'p> {
    values: &'t Values<'p>,
    facts: &'t mut Facts,
    order: usize,
    router: Ref,
}

impl Tree<'_, '_> {
    /// The routes of a list; what it shows first comes back.
    fn routes(&mut self, list: &Expr, above: &Above) -> Vec<StartFact> {
        let mut starts = Vec::new();
        for element in self.values.elements(list) {
            let root = self.values.built(&element).root;
            let Some(call) = self.values.tree(root.at).call(root.at.id).filter(|_| above.depth < 16) else {
                continue;
            };
            starts.extend(self.route(&root, call, above));
        }
        starts
    }

    fn route(&mut self, at: &Expr, call: &Call, above: &Above) -> Option<StartFact> {
        let values = self.values;
        let arg = |name: &str| named(at.at, call, name).map(|arg| Expr { env: at.env.clone(), ..arg });
        let place = code::callee_at(at.at, values);
        let path = arg("path").and_then(|path| values.plain_text(&path)).map(|path| pattern(&path));
        if let Some(to) = arg("redirectTo").and_then(|to| values.plain_text(&to)) {
            self.redirect(place, path.unwrap_or_default(), &to, above);
            return None;
        }
        let (name, page) = self.page(&arg("page"), &arg("name"), &arg("builder"))?;
        let initial = arg("initial").is_some_and(|value| matches!(values.kind(value.at), Kind::Bool(true)));
        let first =
            initial || path.as_deref() == Some("") || (path.as_deref() == Some("/") && above.route.is_none());
        let own = path.unwrap_or_else(|| if initial { String::new() } else { kebab(&name) });
        let path = joined(&above.path, &own);
        let children = arg("children");
        let holds_tabs = page.is_some_and(|page| builds_tabs(page, values));
        let kind = match (&children, above.tabs) {
            (Some(_), _) if holds_tabs => RouteKind::Group,
            (_, true) => RouteKind::Tab,
            _ => RouteKind::Screen,
        };
        self.order += 1;
        let shown = page.map(|page| values.program().path(page).to_owned());
        self.facts.routes.push(RouteFact {
            pattern: Some(path.clone()),
            shows: shown.clone().map_or(Shows::NotApplicable, |path| Shows::Class(path, place)),
            container: Some(above.container),
            parameters: page.map(|page| takes(page, values)).unwrap_or_default(),
            parent: above.route,
            order: Order::Declared(self.order),
            ..RouteFact::new(Style::AutoRoute, kind, name.clone(), place)
        });
        if let Some(list) = children {
            self.inside(&list, shown, place, path, holds_tabs, above);
        }
        first.then_some(StartFact::new(name, place))
    }

    fn inside(
        &mut self,
        list: &Expr,
        shown_in: Option<String>,
        owner: crate::facts::At,
        path: String,
        tabs: bool,
        above: &Above,
    ) {
        let key = ContainerKey(code::node_at(list.at, self.values));
        let below =
            Above { path, container: key, route: Some(RouteKey(owner)), tabs, depth: above.depth + 1 };
        let starts = self.routes(list, &below);
        self.facts.containers.push(ContainerFact {
            parent: Some(above.container),
            start: Start::said_if_any(starts),
            shown_in,
            owner: Some(RouteKey(owner)),
            sight: Sight::Below,
            ..ContainerFact::new(key)
        });
    }

    /// The name of an entry's route and its page: `page: ShelfRoute.page`, the page's class itself in
    /// older versions, or a name with a builder.
    fn page(
        &self,
        page: &Option<Expr>,
        name: &Option<Expr>,
        builder: &Option<Expr>,
    ) -> Option<(String, Option<Ref>)> {
        let values = self.values;
        let said = name.as_ref().and_then(|name| values.plain_text(name));
        let Some(page) = page else {
            let shown = builder.as_ref().map(|builder| leaves(builder, values).shown).unwrap_or_default();
            return Some((said?, shown.first().map(|shown| shown.class)));
        };
        let tree = values.tree(page.at);
        match tree.kind(page.at.id) {
            Kind::Member(member) if member.name == "page" => {
                let (name, _) = tree.last_name(member.of)?;
                Some((name.to_string(), page_named(name, self.router, values)))
            }
            Kind::Name(name) | Kind::Reference { name, .. } => {
                let class = values.class_named(page.at, name);
                let route = class.map_or_else(|| format!("{name}Route"), |class| route_name(class, values));
                Some((said.unwrap_or(route), class))
            }
            _ => None,
        }
    }

    fn redirect(&mut self, at: crate::facts::At, path: String, to: &str, above: &Above) {
        self.order += 1;
        let path = joined(&above.path, &path);
        self.facts.routes.push(RouteFact {
            pattern: Some(path.clone()),
            container: Some(above.container),
            order: Order::Declared(self.order),
            ..RouteFact::new(Style::AutoRoute, RouteKind::Redirect, path, at)
        });
        let to = joined(if to.starts_with('/') { "" } else { &above.path }, &pattern(to));
        self.facts.redirects.push(RedirectFact {
            style: Style::AutoRoute,
            from: Some(RouteKey(at)),
            target: TargetFact::Text(vec![Shape::text(&to, false)]),
        });
    }
}

/// What a page's constructor takes, and how each value travels.
fn takes(page: Ref, values: &Values<'_>) -> Vec<ParameterFact> {
    let tree = values.tree(page);
    let params = values.class(page).map(|class| class.params.as_slice()).unwrap_or_default();
    let via = |name: &str| {
        let parameter = params.iter().filter_map(|&id| tree.parameter(id)).find(|p| p.name == name);
        let notes = parameter.map(|parameter| parameter.annotations.as_slice()).unwrap_or_default();
        notes.iter().find_map(|note| match note.name.to_lowercase().as_str() {
            "pathparam" => Some(Via::Path),
            "queryparam" => Some(Via::Query),
            _ => None,
        })
    };
    let all = parameters(page, values).into_iter();
    all.map(|parameter| ParameterFact { via: via(&parameter.name).unwrap_or(parameter.via), ..parameter })
        .collect()
}

/// Whether a page shows its children as tabs.
fn builds_tabs(page: Ref, values: &Values<'_>) -> bool {
    let tabs = ["AutoTabsRouter", "AutoTabsScaffold"];
    tabs.iter().any(|name| !values.program().calls_in(page.file, name).is_empty())
}

/// `ItemDetailRoute` without a path of its own is at `item-detail-route`.
fn kebab(name: &str) -> String {
    let mut path = String::new();
    for c in name.chars() {
        if c.is_uppercase() && !path.is_empty() {
            path.push('-');
        }
        path.extend(c.to_lowercase());
    }
    path
}
