//! What page an expression is, what pages are made with, and what they do with it.

use super::STYLE;
use crate::facts::{ArgumentFact, At, Facts, Opened, ParameterFact, ReadFact, RouteFact, Shows, Slot, Takes};
use crate::model::{RouteKind, Via};
use crate::recover::code;
use crate::recover::xaml::{is_kind, pages, said};
use crate::syntax::{Call, Function, Kind, Modifier, Parameter, TypeName};
use crate::values::{Def, Expr, Ref, Values};
use smol_str::SmolStr;

/// Pages around pages are looked into this deep.
const MAX_DEPTH: usize = 6;

/// Endings of what a page and what it is bound to are called.
const MODEL: &str = "ViewModel";
const PAGES: &[&str] = &["Page", "View"];

/// A page, and the expression that makes it.
pub(super) struct Page {
    /// Its class.
    pub(super) class: Ref,
    /// What makes it, where that is seen.
    pub(super) made: Option<Expr>,
    /// It is put into a stack of its own.
    pub(super) in_stack: bool,
    /// What is set on it before it is shown: property and value.
    pub(super) set: Vec<(SmolStr, Expr)>,
}

impl Page {
    /// A page that something else makes.
    pub(super) fn of(class: Ref) -> Self {
        Self { class, made: None, in_stack: false, set: Vec::new() }
    }
}

/// Whether a class is a page of the app's own that is shown as one.
pub(super) fn is_page(class: Ref, values: &Values<'_>) -> bool {
    is_kind(class, "Page", values)
}

/// The pages that an expression may be, through locals, choices, services and the stacks around them.
pub(super) fn pages_of(expr: &Expr, values: &Values<'_>) -> Vec<Page> {
    let mut found = Vec::new();
    collect(expr, 0, values, &mut found);
    found
}

/// `depth` is how many stacks are around.
fn collect(expr: &Expr, depth: usize, values: &Values<'_>, found: &mut Vec<Page>) {
    if depth > MAX_DEPTH {
        return;
    }
    for built in values.built_ways(expr) {
        let root = built.root;
        let call = values.tree(root.at).call(root.at.id);
        if let Some(call) = call.filter(|_| is_stack(&root, values)) {
            if let Some(inner) = call.args.first() {
                collect(&root.with(inner.value), depth + 1, values, found);
            }
            continue;
        }
        if let Some(class) = values.made_class(&root).filter(|&class| is_page(class, values)) {
            let set =
                built.steps.into_iter().filter_map(|step| Some((step.name, step.args.into_iter().next()?)));
            let set = set.filter(|(name, _)| property(class, name, values).is_some()).collect();
            found.push(Page { class, made: Some(root), in_stack: depth > 0, set });
            continue;
        }
        let asked = call.and_then(|call| asked_for(&root, call, values));
        let typed = || values.type_of(&root).and_then(|ty| ty.class);
        let class = asked.or_else(typed).filter(|&class| is_page(class, values));
        found.extend(class.map(Page::of));
    }
}

/// Whether an expression makes one of the platform's own stacks, which only holds another page.
fn is_stack(made: &Expr, values: &Values<'_>) -> bool {
    code::callee_name(made.at, values) == "NavigationPage"
        || values.made_class(made).is_some_and(|class| is_kind(class, "NavigationPage", values))
}

/// What a container of services is asked for by its type: `GetRequiredService<ToolPage>()`,
/// `GetService(typeof(ToolPage))`.
fn asked_for(root: &Expr, call: &Call, values: &Values<'_>) -> Option<Ref> {
    if let Some(ty) = call.types.first() {
        return values.class_named(root.at, &ty.name);
    }
    match values.kind(root.with(call.args.first()?.value).at) {
        Kind::ClassOf(ty) => values.class_named(root.at, &ty.name),
        _ => None,
    }
}

/// The pages that the uses of a helper name by a type: the page's own, or that of what it is bound to.
pub(super) fn named_by_type(at: Ref, values: &Values<'_>) -> Vec<(Ref, Option<Ref>)> {
    let Some(function) = values.enclosing_function(at) else { return Vec::new() };
    let Some(declared) = values.tree(function).function(function.id) else { return Vec::new() };
    let Some(own) = declared.type_params.first() else { return Vec::new() };
    let ty = TypeName { name: own.clone(), ..TypeName::default() };
    let sites = said::types(at, &ty, values);
    let used = sites.into_iter().filter(|(site, _)| *site != at);
    used.map(|(site, ty)| (site, page_for(site, &ty, values))).collect()
}

fn page_for(site: Ref, ty: &TypeName, values: &Values<'_>) -> Option<Ref> {
    let class = values.class_named(site, &ty.name)?;
    if is_page(class, values) {
        return Some(class);
    }
    let name = values.class(class)?.name.strip_suffix(MODEL)?;
    let named = PAGES.iter().flat_map(|ending| values.program().classes_named(&format!("{name}{ending}")));
    named.copied().find(|&page| is_page(page, values))
}

/// A route of a page that something shows.
pub(super) fn route(class: Ref, kind: RouteKind, values: &Values<'_>) -> RouteFact {
    let at = place_of(class, values);
    let name = values.class(class).map(|class| class.name.to_string()).unwrap_or_default();
    RouteFact {
        shows: Shows::Class(values.program().path(class).to_owned(), at),
        opened: Opened::OnlyIfCalled,
        parameters: parameters(class, values),
        takes: Takes::AsPassed,
        class: Some(class),
        ..RouteFact::new(STYLE, kind, name, at)
    }
}

fn place_of(class: Ref, values: &Values<'_>) -> At {
    let span = values.class(class).map_or(values.tree(class).span(class.id), |class| class.name_span);
    At { file: class.file, span }
}

/// The constructors of a class, in any of its parts.
fn constructors<'p>(class: Ref, values: &Values<'p>) -> Vec<(Ref, &'p Function)> {
    let parts = std::iter::once(class).chain(values.extensions(class));
    let members = parts.flat_map(|part| {
        let members = values.class(part).map(|class| class.members.as_slice()).unwrap_or_default();
        members.iter().map(move |&id| Ref { file: part.file, id })
    });
    let functions = members.filter_map(|at| Some((at, values.tree(at).function(at.id)?)));
    functions.filter(|(_, function)| function.name == "<init>").collect()
}

/// What a page is made with, as far as it is no service that a container gives.
fn parameters(class: Ref, values: &Values<'_>) -> Vec<ParameterFact> {
    let mut found: Vec<ParameterFact> = Vec::new();
    for (at, function) in constructors(class, values) {
        for (id, parameter) in params(at, function, values) {
            if is_service(at, parameter, values) || found.iter().any(|known| known.name == *parameter.name) {
                continue;
            }
            found.push(ParameterFact {
                name: parameter.name.to_string(),
                ty: parameter.ty.as_ref().map(TypeName::written),
                required: parameter.default.is_none() && constructors(class, values).len() == 1,
                nullable: parameter.ty.as_ref().is_some_and(|ty| ty.nullable),
                default: parameter.default.map(|id| values.written(Ref { file: at.file, id })),
                via: Via::Constructor,
                at: code::node_at(id, values),
            });
        }
    }
    for (name, at) in properties(class, values) {
        if found.iter().all(|known| known.name != name) && is_set_from_outside(class, &name, at, values) {
            found.extend(parameter_of(&name, at, values));
        }
    }
    found
}

/// The properties that a class, in any of its parts, lets others set.
fn properties(class: Ref, values: &Values<'_>) -> Vec<(SmolStr, Ref)> {
    let parts = std::iter::once(class).chain(values.extensions(class));
    let members = parts.flat_map(|part| {
        let members = values.class(part).map(|class| class.members.as_slice()).unwrap_or_default();
        members.iter().map(move |&id| Ref { file: part.file, id })
    });
    let open = members.filter_map(|at| {
        let variable = values.tree(at).variable(at.id)?;
        (!variable.is(Modifier::Private) && !variable.is(Modifier::Static))
            .then(|| (variable.name.clone(), at))
    });
    open.collect()
}

fn property(class: Ref, name: &str, values: &Values<'_>) -> Option<Ref> {
    properties(class, values).into_iter().find(|(own, _)| own == name).map(|(_, at)| at)
}

fn parameter_of(name: &str, at: Ref, values: &Values<'_>) -> Option<ParameterFact> {
    let variable = values.tree(at).variable(at.id)?;
    Some(ParameterFact {
        name: name.to_owned(),
        ty: variable.ty.as_ref().map(TypeName::written),
        required: false,
        nullable: variable.ty.as_ref().is_some_and(|ty| ty.nullable),
        default: variable.init.map(|id| values.written(Ref { file: at.file, id })),
        via: Via::Property,
        at: At { file: at.file, span: variable.name_span },
    })
}

/// Whether others set a property when they make a page: `new ToolPage { ToolId = id }`, `page.ToolId = id`.
fn is_set_from_outside(class: Ref, name: &str, property: Ref, values: &Values<'_>) -> bool {
    let by_name = |made: &Ref| {
        let call = values.tree(*made).call(made.id);
        call.is_some_and(|call| call.args.iter().any(|arg| arg.name.as_deref() == Some(name)))
    };
    values.expect_users(property, name);
    let assigned = |used: &Ref| {
        let tree = values.tree(*used);
        let Kind::Member(member) = tree.kind(used.id) else { return false };
        let set = tree.node(used.id).parent;
        set.is_some_and(|up| matches!(tree.kind(up), Kind::Assign { target, .. } if *target == used.id))
            && !matches!(tree.kind(member.of), Kind::This | Kind::Super)
            && values.meaning(&Expr::new(*used)) == Some(Def::Variable(property))
    };
    values.makes(class).iter().any(by_name) || values.program().uses_of_name(name).iter().any(assigned)
}

fn params<'p>(at: Ref, function: &'p Function, values: &Values<'p>) -> Vec<(Ref, &'p Parameter)> {
    let tree = values.tree(at);
    let own = function.params.iter();
    own.filter_map(|&id| Some((Ref { file: at.file, id }, tree.parameter(id)?))).collect()
}

/// An interface, or a class that a container of services has.
fn is_service(at: Ref, parameter: &Parameter, values: &Values<'_>) -> bool {
    let Some(ty) = &parameter.ty else { return false };
    let mut letters = ty.simple().chars();
    let interface = letters.next() == Some('I') && letters.next().is_some_and(char::is_uppercase);
    let class = values.class_named(at, &ty.name);
    interface || ty.simple().ends_with("Service") || class.is_some_and(|class| is_enlisted(class, values))
}

/// Whether a container of services is told of a class.
pub(super) fn is_enlisted(class: Ref, values: &Values<'_>) -> bool {
    let enlists = ["AddTransient", "AddSingleton", "AddScoped"];
    let calls = enlists.iter().flat_map(|name| values.program().calls_named(name));
    calls.copied().any(|at| {
        let types = values.tree(at).call(at.id).map(|call| call.types.as_slice()).unwrap_or_default();
        types.iter().any(|ty| values.class_named(at, &ty.name) == Some(class))
    })
}

/// What the expression that makes a page passes: to its constructor, and as properties set with it.
pub(super) fn arguments(page: &Page, values: &Values<'_>) -> Vec<ArgumentFact> {
    let Some(made) = &page.made else { return Vec::new() };
    let Some(call) = values.tree(made.at).call(made.at.id) else { return Vec::new() };
    let positional = call.args.iter().filter(|arg| arg.name.is_none()).count();
    let fits = |(_, function): &&(Ref, &Function)| function.params.len() >= positional;
    let all = constructors(page.class, values);
    let constructor = all.iter().filter(fits).min_by_key(|(_, function)| function.params.len());
    let mut names = Vec::new();
    if let Some((at, function)) = constructor {
        names.extend(params(*at, function, values).into_iter().map(|(_, parameter)| parameter.name.clone()));
    }
    let passed = call.args.iter().enumerate().filter_map(|(place, arg)| {
        let name = arg.name.clone().or_else(|| names.get(place).cloned())?;
        let known = names.contains(&name) || property(page.class, &name, values).is_some();
        known.then(|| (name, made.with(arg.value)))
    });
    let all = passed.chain(page.set.iter().cloned());
    all.map(|(name, value)| code::argument(Slot::Name(name.to_string()), &value, values)).collect()
}

/// Uses of what constructors of pages take.
pub(super) fn reads(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids().filter(|&id| tree.function(id).is_some_and(|f| f.name == "<init>")) {
        let at = Ref { file, id };
        let Some(function) = tree.function(id) else { continue };
        if !values.enclosing_class(at).is_some_and(|class| is_page(class, values)) {
            continue;
        }
        for (parameter, declared) in params(at, function, values) {
            for used in values.uses_of_parameter(parameter) {
                facts.reads.push(ReadFact {
                    absent: code::absent(used, false, values),
                    ..ReadFact::of_parameter(&declared.name, used, code::node_at(used, values))
                });
            }
        }
    }
    for id in tree.ids().filter(|&id| tree.class(id).is_some()) {
        let class = Ref { file, id };
        if is_page(class, values) {
            properties_read(class, values, facts);
        }
    }
}

/// Properties that something asks for, or that do something when they are set.
fn properties_read(class: Ref, values: &Values<'_>, facts: &mut Facts) {
    for (name, at) in properties(class, values).into_iter().filter(|(_, at)| at.file == class.file) {
        let Some(variable) = values.tree(at).variable(at.id) else { continue };
        let uses = values.program().uses_of_name(&name).iter();
        let mut uses = uses.filter(|&&used| values.meaning(&Expr::new(used)) == Some(Def::Variable(at)));
        let asked = uses.any(|used| {
            let tree = values.tree(*used);
            !tree
                .node(used.id)
                .parent
                .is_some_and(|up| matches!(tree.kind(up), Kind::Assign { target, .. } if *target == used.id))
        });
        if asked || variable.setter.is_some() || pages::is_bound(&name, values) {
            let place = At { file: at.file, span: variable.name_span };
            facts.reads.push(ReadFact::of_parameter(&name, at, place));
        }
    }
}
