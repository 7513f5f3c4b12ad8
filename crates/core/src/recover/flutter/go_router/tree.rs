//! The declared tree: routes in routes, shells around them, branches side by side.

use crate::facts::{
    At, ContainerFact, ContainerKey, Facts, MissingStep, Order, ParameterFact, RedirectFact, RouteFact,
    RouteKey, ShownBy, Start, StartFact, Takes, TargetFact,
};
use crate::model::{Form, RouteKind, Style, Via};
use crate::recover::code;
use crate::recover::flutter::builder::{body_of, callback, leaves};
use crate::recover::flutter::is_left_over;
use crate::recover::flutter::location::{joined, location, pattern};
use crate::recover::flutter::navigator::named;
use crate::syntax::{Call, Kind};
use crate::values::{Expr, Ref, Shape, Values};

/// Routes in routes are followed this deep.
const MAX_DEPTH: usize = 24;

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["GoRouter", "RoutingConfig"]) {
        let own = values.calls_own_function(&Expr::new(at), call);
        if let Some(routes) = named(at, call, "routes").filter(|_| !own) {
            router(at, call, &routes, values, facts);
        }
    }
}

fn router(at: Ref, call: &Call, routes: &Expr, values: &Values<'_>, facts: &mut Facts) {
    let key = ContainerKey(code::callee_at(at, values));
    let mut tree = Tree { values, facts, order: 0, open: false };
    let top = Above { path: String::new(), parameters: Vec::new(), route: None, container: key, depth: 0 };
    tree.routes(routes, &top);
    let fallback = ["errorBuilder", "errorPageBuilder", "onException"];
    let fallback = fallback.iter().find_map(|name| named(at, call, name));
    if let Some(shown) = &fallback {
        let place = code::node_at(shown.at, values);
        let fact = RouteFact::new(Style::GoRouter, RouteKind::Fallback, "default".to_owned(), place);
        let fact = tree.shows(shown, RouteFact { container: Some(key), ..fact });
        tree.facts.routes.push(fact);
    }
    let open = tree.open;
    if let Some(redirect) = named(at, call, "redirect") {
        leads_on(&redirect, None, values, facts);
    }
    let initial = named(at, call, "initialLocation");
    let starts = match &initial {
        Some(initial) => starts(initial, values),
        None => Some(vec![StartFact::new("/".to_owned(), key.0)]),
    };
    let unknown = open || starts.is_none();
    let held = held_by(at, values);
    facts.containers.push(ContainerFact {
        start: Start::new(starts.into_iter().flatten(), unknown),
        name: held.as_ref().map(|(_, name)| name.clone()),
        shown_by: match held.is_some_and(|(variable, _)| is_left_over(variable, values)) {
            true => ShownBy::Another,
            false => ShownBy::App,
        },
        sites: vec![at],
        no_fallback: fallback.is_none().then_some(key.0),
        ..ContainerFact::new(key)
    });
}

/// The variable that a router is made for, and its name.
fn held_by(router: Ref, values: &Values<'_>) -> Option<(Ref, String)> {
    let tree = values.tree(router);
    let up = tree.node(router.id).parent?;
    Some((Ref { file: router.file, id: up }, tree.variable(up)?.name.to_string()))
}

/// The locations that come first, if they are known.
fn starts(initial: &Expr, values: &Values<'_>) -> Option<Vec<StartFact>> {
    let found = location(initial, values);
    let at = code::node_at(initial.at, values);
    let literal = found.form == Form::Literal && found.shapes.iter().any(Shape::has_literal_words);
    let names = found.shapes.iter().map(Shape::plain);
    let starts: Option<Vec<StartFact>> =
        names.map(|name| Some(StartFact { name: name?, literal, checked: false, at })).collect();
    starts.filter(|starts| !starts.is_empty())
}

/// Where a redirect leads: everything that it may hand back.
pub(super) fn leads_on(redirect: &Expr, from: Option<RouteKey>, values: &Values<'_>, facts: &mut Facts) {
    let Some((_, body)) = callback(redirect, values) else { return };
    for value in values.handed_back(&body) {
        let shapes = location(&value, values).shapes;
        if !shapes.is_empty() && !shapes.iter().all(Shape::is_blank) {
            facts.redirects.push(RedirectFact {
                style: Style::GoRouter,
                from,
                target: TargetFact::Text(shapes),
            });
        }
    }
}

/// What stands around a list of routes.
#[derive(Clone)]
struct Above {
    path: String,
    parameters: Vec<ParameterFact>,
    route: Option<RouteKey>,
    container: ContainerKey,
    depth: usize,
}

struct Tree<'t, 'p> {
    values: &'t Values<'p>,
    facts: &'t mut Facts,
    order: usize,
    /// There are routes that are not known.
    open: bool,
}

impl Tree<'_, '_> {
    fn routes(&mut self, list: &Expr, above: &Above) {
        let elements = self.values.elements(list);
        if elements.is_empty() && !matches!(self.values.kind(list.at), Kind::List(_)) {
            self.open = true;
        }
        for element in elements {
            self.element(&element, above);
        }
    }

    fn element(&mut self, element: &Expr, above: &Above) {
        let values = self.values;
        let Some(made) = Made::of(element, values).filter(|_| above.depth < MAX_DEPTH) else {
            // Routes that are generated from annotations are known by those.
            let generated =
                values.tree(element.at).last_name(element.at.id).is_some_and(|(n, _)| n.starts_with('$'));
            self.open |= !generated;
            return;
        };
        match made.name.as_str() {
            "GoRoute" => self.route(&made, above),
            "ShellRoute" => self.inside(&made, "routes", above),
            "StatefulShellRoute" | "indexedStack" => {
                if let Some(branches) = made.named("branches") {
                    for branch in values.elements(&branches) {
                        self.branch(&branch, above);
                    }
                }
            }
            _ => self.open = true,
        }
    }

    fn inside(&mut self, made: &Made, name: &str, above: &Above) {
        if let Some(list) = made.named(name) {
            self.routes(&list, &Above { depth: above.depth + 1, ..above.clone() });
        }
    }

    fn branch(&mut self, branch: &Expr, above: &Above) {
        let values = self.values;
        let Some(made) = Made::of(branch, values) else { return };
        let key = ContainerKey(made.at);
        let initial = made.named("initialLocation").and_then(|initial| starts(&initial, values));
        let before = self.facts.routes.len();
        self.inside(&made, "routes", &Above { container: key, ..above.clone() });
        let first = self.facts.routes.get(before).map(|route| StartFact {
            name: route.name.clone(),
            literal: false,
            checked: false,
            at: route.at,
        });
        let starts = initial.unwrap_or_else(|| first.into_iter().collect());
        let unknown = starts.is_empty() || self.open;
        self.facts.containers.push(ContainerFact {
            parent: Some(above.container),
            start: Start::new(starts, unknown),
            ..ContainerFact::new(key)
        });
    }

    fn route(&mut self, made: &Made, above: &Above) {
        let values = self.values;
        let Some(path_at) = made.named("path") else { return };
        let Some(written) = values.plain_text(&path_at) else {
            self.open = true;
            return;
        };
        let place = code::node_at(path_at.at, values);
        if above.route.is_some() && written.starts_with('/') {
            self.facts.missing_steps.push(leading_slash(&written, place));
        }
        let own = pattern(&written);
        let path = joined(&above.path, &own);
        let mut parameters = above.parameters.clone();
        parameters.extend(placeholders(&own, place));
        let name = made.named("name").and_then(|name| values.plain_text(&name));
        let key = RouteKey(made.at);
        let redirect = made.named("redirect");
        let builder = made.named("builder").or_else(|| made.named("pageBuilder"));
        let kind = match (&builder, &redirect) {
            (None, Some(_)) => RouteKind::Redirect,
            _ => RouteKind::Screen,
        };
        self.order += 1;
        let fact = RouteFact {
            pattern: Some(path.clone()),
            container: Some(above.container),
            parameters: parameters.clone(),
            takes: Takes::AsRead { complete: true },
            parent: above.route,
            order: Order::Declared(self.order),
            content: redirect.as_ref().map(|redirect| redirect.at),
            ..RouteFact::new(Style::GoRouter, kind, name.unwrap_or_else(|| path.clone()), made.at)
        };
        let fact = match &builder {
            Some(builder) => self.shows(builder, fact),
            None => fact,
        };
        self.facts.routes.push(fact);
        if let Some(redirect) = &redirect {
            leads_on(redirect, Some(key), values, self.facts);
        }
        self.inside(made, "routes", &Above { path, parameters, route: Some(key), ..above.clone() });
    }

    fn shows(&self, builder: &Expr, fact: RouteFact) -> RouteFact {
        let (shows, also) = leaves(builder, self.values).shows(fact.at, self.values);
        RouteFact { shows, also, content: Some(body_of(builder, self.values)), ..fact }
    }
}

/// A route object: the call that makes it, or what a class of the app's own hands to its base.
struct Made<'p> {
    name: String,
    args: &'p [crate::syntax::Arg],
    base: Expr,
    at: At,
}

impl<'p> Made<'p> {
    fn of(element: &Expr, values: &Values<'p>) -> Option<Self> {
        let root = values.built(element).root;
        let call = values.tree(root.at).call(root.at.id)?;
        let at = code::callee_at(root.at, values);
        if let Some(class) = values.made_class(&root) {
            let (env, declared) = (values.made_env(&root)?, values.class(class)?);
            let base = declared.supers.first()?;
            let name = base.ty.simple().to_owned();
            return Some(Self { name, args: &base.args, base: Expr { at: class, env }, at });
        }
        let tree = values.tree(root.at);
        let (name, _) = tree.callee(call)?;
        // `GoRoute(…)`, `StatefulShellRoute.indexedStack(…)`.
        Some(Self { name: name.to_string(), args: &call.args, base: root, at })
    }

    fn named(&self, name: &str) -> Option<Expr> {
        let arg = self.args.iter().find(|arg| arg.name.as_deref() == Some(name))?;
        Some(self.base.with(arg.value))
    }
}

/// The parameters of a path, which must all be there.
pub(super) fn placeholders(path: &str, at: At) -> Vec<ParameterFact> {
    let names =
        path.split('{').skip(1).filter_map(|rest| rest.split_once('}')).map(|(name, _)| name.to_owned());
    names
        .map(|name| ParameterFact {
            name,
            ty: Some("String".to_owned()),
            required: true,
            nullable: false,
            default: None,
            via: Via::Path,
            at,
        })
        .collect()
}

fn leading_slash(path: &str, at: At) -> MissingStep {
    MissingStep {
        what: format!("the child path `{path}` begins with a slash, as only a path at the top does, and"),
        missing: path.trim_start_matches('/').to_owned(),
        effect: "the router refuses it, or joins it to its parent's".to_owned(),
        mend: "Write it without the slash, or move the route to the top.".to_owned(),
        at,
    }
}

/// The paths of what stands first in the branches of this position.
pub(super) fn first_of_branch(position: usize, values: &Values<'_>) -> Vec<Shape> {
    let program = values.program();
    let shells = program.calls_named("indexedStack").iter().chain(program.calls_named("StatefulShellRoute"));
    let paths = shells.filter_map(|&at| {
        let call = values.tree(at).call(at.id)?;
        let branch = values.elements(&named(at, call, "branches")?).into_iter().nth(position)?;
        let made = Made::of(&branch, values)?;
        if let Some(first) = made.named("initialLocation").and_then(|initial| values.plain_text(&initial)) {
            return Some(Shape::text(&first, false));
        }
        let mut routes = made.named("routes")?;
        for _ in 0..MAX_DEPTH {
            let first = Made::of(values.elements(&routes).first()?, values)?;
            if let Some(path) = first.named("path") {
                return Some(Shape::text(&pattern(&joined("", &values.plain_text(&path)?)), false));
            }
            routes = first.named("routes")?;
        }
        None
    });
    paths.collect()
}
