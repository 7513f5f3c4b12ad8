//! Pages opened by their types, with one object for all that they are given.

use super::STYLE;
use crate::facts::{ArgumentFact, CallFact, ChosenStart, Facts, RedirectFact, Slot, StartFact, TargetFact};
use crate::model::{Form, Verb};
use crate::recover::code;
use crate::recover::xaml::documents::document_of;
use crate::recover::xaml::is_kind;
use crate::recover::xaml::projects::Project;
use crate::recover::xaml::said;
use crate::syntax::{Call, Id, Kind, TypeName};
use crate::values::{Expr, Ref, Site, Values};

/// What a page gets as a whole is called this.
pub(super) const WHOLE: &str = "arguments";
/// Functions of an application in which it shows its first page.
const LAUNCHING: &[&str] = &["OnActivated", "OnInitialized", "OnLaunched", "OnStartup"];

/// `Navigate(typeof(ShelfPage), shelf)`. Whether the call is one by type.
pub(super) fn recover(at: Ref, call: &Call, first: Id, values: &Values<'_>, facts: &mut Facts) -> bool {
    let given = call.args.get(1).map(|arg| arg.value);
    if let Kind::ClassOf(ty) = values.tree(at).kind(first) {
        for (site, ty) in said::types(at, ty, values) {
            let passed = given.and_then(|value| passed(at, value, site, values));
            add(site, &ty, passed, values, facts);
        }
        return true;
    }
    // A wrapper takes the type as an argument.
    let sites = values.sites(at, &Expr::new(at).with(first));
    let mut by_type = false;
    for said in sites {
        let Kind::ClassOf(ty) = values.kind(given_type(first, at, &said, values)) else { continue };
        by_type = true;
        let passed = given.and_then(|value| passed(at, value, said.at, values));
        add(said.at, ty, passed, values, facts);
    }
    by_type
}

/// `Navigate(new ShelfPage(shelf))`: the page is made in place, with what its constructor takes.
pub(super) fn made(at: Ref, first: Id, values: &Values<'_>, facts: &mut Facts) -> bool {
    let given = code::seen_through(&Expr::new(at).with(first), values);
    let given = match values.kind(given.at) {
        Kind::Name(_) => values.value_behind(&given).unwrap_or(given),
        _ => given,
    };
    let Some(class) = values.made_class(&given).filter(|&class| is_kind(class, "Page", values)) else {
        return false;
    };
    let page = document_of(class, values);
    let target = page.map_or(TargetFact::Classes(vec![class]), |page| TargetFact::Routes(vec![page.key()]));
    facts.calls.push(CallFact {
        written: values.written(given.at),
        form: Form::Typed,
        open: true,
        target,
        ..CallFact::new(STYLE, Verb::Open, at, code::callee_at(at, values))
    });
    true
}

/// Pages whose types are kept in a list or table may be opened from wherever that is asked.
pub(super) fn kept(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Kind::ClassOf(ty) = tree.kind(id) else { continue };
        let at = Ref { file, id };
        let handed = tree.node(id).parent.is_some_and(|up| match tree.kind(up) {
            Kind::Call(call) => {
                code::callee_name(Ref { file, id: up }, values) == "Navigate"
                    || values.called_function(&Expr::new(Ref { file, id: up })).is_some()
                    || call.callee == id
            }
            Kind::Binary { .. } | Kind::Member(_) => true,
            _ => false,
        });
        let page = values.class_named(at, &ty.name).and_then(|class| document_of(class, values));
        if let Some(page) = page.filter(|page| !handed && !page.has_shell()) {
            let target = TargetFact::Routes(vec![page.key()]);
            facts.redirects.push(RedirectFact { style: STYLE, from: None, target });
        }
    }
}

/// What a parameter stands for at a use of its function.
fn given_type(parameter: Id, at: Ref, said: &Site, values: &Values<'_>) -> Ref {
    let inner = said.bind(&Expr::new(Ref { file: at.file, id: parameter }));
    code::seen_through(&inner, values).at
}

/// What a call hands on, where it is really said.
fn passed(at: Ref, value: Id, site: Ref, values: &Values<'_>) -> Option<Expr> {
    let own = Expr::new(at).with(value);
    if site == at {
        return Some(own);
    }
    let parameter = values.parameter_of_function(&own)?;
    let function = values.enclosing_function(at)?;
    values.argument_for(site, function, parameter)
}

fn add(site: Ref, ty: &TypeName, passed: Option<Expr>, values: &Values<'_>, facts: &mut Facts) {
    let at = code::callee_at(site, values);
    let Some(class) = values.class_named(site, &ty.name) else { return };
    let page = document_of(class, values);
    if let (Some(page), true) = (page, is_launch(site, values)) {
        let project = Project::of(page.file, values);
        let start = StartFact::new(project.address(page.file), at);
        facts.chosen.extend(project.container().map(|container| ChosenStart { container, start }));
        return;
    }
    let target = page.map_or(TargetFact::Classes(vec![class]), |page| TargetFact::Routes(vec![page.key()]));
    let null = |given: &Expr| matches!(values.kind(given.at), Kind::Null);
    let whole = |given: Expr| ArgumentFact {
        literal_key: false,
        ..code::argument(Slot::Name(WHOLE.to_owned()), &given, values)
    };
    facts.calls.push(CallFact {
        written: ty.name.to_string(),
        form: Form::Typed,
        arguments: passed.filter(|given| !null(given)).map(whole).into_iter().collect(),
        target,
        ..CallFact::new(STYLE, Verb::Open, site, at)
    });
}

/// Whether an application shows its first page here.
fn is_launch(site: Ref, values: &Values<'_>) -> bool {
    let function = values.enclosing_function(site);
    let name = function.and_then(|at| values.tree(at).function(at.id)).map(|f| f.name.as_str());
    let class = values.enclosing_named_class(site);
    name.is_some_and(|name| LAUNCHING.contains(&name))
        && class.is_some_and(|class| is_kind(class, "Application", values))
}
