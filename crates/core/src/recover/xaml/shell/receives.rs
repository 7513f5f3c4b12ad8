//! What pages are given: by attributes for properties, or all at once
//! (learn.microsoft.com, "Pass data", "QueryPropertyAttribute", "IQueryAttributable").

use crate::facts::{Absent, Facts, ParameterFact, ReadFact};
use crate::model::Via;
use crate::recover::code;
use crate::recover::xaml::{only, pages, said};
use crate::syntax::{ClassKind, Kind, UnaryOp};
use crate::values::{Def, Expr, Ref, Values};

/// The method that is handed all of it.
const ALL: &str = "ApplyQueryAttributes";

/// What a page takes.
#[derive(Debug, Default)]
pub(super) struct Taken {
    /// What attributes declare.
    pub(super) declared: Vec<ParameterFact>,
    /// Whether more is taken out in code.
    pub(super) by_reads: bool,
}

/// What a page and what it is bound to take.
pub(super) fn parameters(page: Ref, values: &Values<'_>) -> Taken {
    let mut taken = Taken::default();
    let bound = pages::contexts(page, values).into_iter();
    for class in std::iter::once(page).chain(bound).flat_map(|class| values.lineage(class)) {
        for property in properties(class, values) {
            if taken.declared.iter().all(|known| known.name != property.key) {
                taken.declared.push(declared(&property, values));
            }
        }
        taken.by_reads |= values.member_of_class(class, ALL).is_some();
    }
    taken
}

/// A property that is set from a key.
struct Property {
    key: String,
    literal: bool,
    /// The property's declaration.
    held: Option<Ref>,
    name: String,
    /// The node that says the key.
    at: Ref,
}

/// `[QueryProperty(nameof(ItemId), "id")]`, on a class or any part of it.
fn properties(class: Ref, values: &Values<'_>) -> Vec<Property> {
    let parts = std::iter::once(class).chain(values.extensions(class));
    let mut found = Vec::new();
    for part in parts {
        let Some(declared) = values.class(part) else { continue };
        for note in declared.annotations.iter().filter(|note| note.name == "QueryProperty") {
            let [name, key] = note.args.as_slice() else { continue };
            let text = |id| values.plain_text(&Expr::new(Ref { file: part.file, id }));
            let said = Expr::new(Ref { file: part.file, id: key.value });
            let (Some(name), Some((text, literal))) = (text(name.value), code::key(&said, values)) else {
                continue;
            };
            let held = match values.member_of_class(class, &name) {
                Some(Def::Variable(at)) => Some(at),
                _ => generated(class, &name, values),
            };
            found.push(Property { key: text, literal, held, name, at: said.at });
        }
    }
    found
}

/// The field that a generator makes a property of: `_itemId` or `itemId` of `ItemId`
/// (learn.microsoft.com, "ObservableProperty attribute").
fn generated(class: Ref, name: &str, values: &Values<'_>) -> Option<Ref> {
    let mut chars = name.chars();
    let small = format!("{}{}", chars.next()?.to_lowercase(), chars.as_str());
    [format!("_{small}"), small, format!("m_{name}")].iter().find_map(|field| {
        match values.member_of_class(class, field) {
            Some(Def::Variable(at)) => Some(at),
            _ => None,
        }
    })
}

fn declared(property: &Property, values: &Values<'_>) -> ParameterFact {
    let ty = property.held.and_then(|at| values.tree(at).variable(at.id)?.ty.clone());
    ParameterFact {
        name: property.key.clone(),
        ty: ty.as_ref().map(|ty| ty.written()),
        required: false,
        nullable: true,
        default: None,
        via: Via::Query,
        at: code::node_at(property.at, values),
    }
}

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        match tree.kind(id) {
            Kind::Class(class) if class.kind == ClassKind::Class && !class.annotations.is_empty() => {
                let at = Ref { file, id };
                let site = class.members.first().map_or(at, |&id| Ref { file, id });
                for property in properties(at, values) {
                    facts.reads.extend(use_of(&property, site, values));
                }
            }
            Kind::Function(function) if function.name == ALL => all(Ref { file, id }, values, facts),
            _ => {}
        }
    }
}

/// A property that does something when it is set, or that something asks for.
fn use_of(property: &Property, site: Ref, values: &Values<'_>) -> Option<ReadFact> {
    let held = property.held?;
    let variable = values.tree(held).variable(held.id)?;
    let acts =
        variable.setter.is_some() || variable.annotations.iter().any(|n| n.name == "ObservableProperty");
    values.expect_users(held, &property.name);
    let asked = values.program().uses_of_name(&property.name).iter().any(|&at| {
        let named = values
            .tree(at)
            .enclosing(at.id, |kind| matches!(kind, Kind::Unary { op, .. } if *op == UnaryOp::NameOf));
        named.is_none() && values.meaning(&Expr::new(at)) == Some(Def::Variable(held))
    });
    let shown = || pages::is_bound(&property.name, values);
    let first = code::node_at(held, values);
    (acts || asked || shown()).then(|| ReadFact {
        is_parameter: true,
        literal_key: property.literal,
        ..ReadFact::new(property.key.clone(), Via::Query, site, first)
    })
}

/// What is taken out of all that is handed over at once.
fn all(function: Ref, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(function);
    let Some(declared) = tree.function(function.id) else { return };
    let Some(&query) = only(&declared.params) else { return };
    let query = Ref { file: function.file, id: query };
    for used in values.uses_of_parameter(query) {
        let Some(up) = tree.node(used.id).parent else { continue };
        let at = Ref { file: function.file, id: up };
        match tree.kind(up) {
            Kind::Index { of, args } if *of == used.id => {
                let Some(key) = only(args).map(|&id| Expr::new(used).with(id)) else { continue };
                if !said::is_asked_for(&key, values) {
                    facts.reads.extend(
                        taken(at, &key, values).map(|read| ReadFact { absent: Absent::Fails, ..read }),
                    );
                }
            }
            Kind::Member(member) if matches!(member.name.as_str(), "TryGetValue" | "ContainsKey") => {
                let Some(outer) = tree.node(up).parent else { continue };
                let call = tree.call(outer).and_then(|call| Some((call, call.args.first()?.value)));
                let Some((call, key)) = call else { continue };
                let site = Ref { file: function.file, id: outer };
                let read = taken(site, &Expr::new(used).with(key), values);
                let Some(read) = read.map(|read| ReadFact { absent: Absent::Met, ..read }) else { continue };
                facts.reads.extend(forced_later(site, call.args.get(1).map(|arg| arg.value), &read, values));
                facts.reads.push(read);
            }
            // Handed on whole: anything may be taken out of it.
            Kind::Call(_) => facts.whole_bags.push(used),
            _ => {}
        }
    }
}

fn taken(at: Ref, key: &Expr, values: &Values<'_>) -> Option<ReadFact> {
    let (name, literal_key) = code::key(key, values)?;
    let tree = values.tree(at);
    let ty = tree.node(at.id).parent.and_then(|up| match tree.kind(up) {
        Kind::Cast { ty, .. } => Some(ty.written()),
        _ => None,
    });
    let read = ReadFact::new(name, Via::Query, at, code::node_at(at, values));
    Some(ReadFact { ty, literal_key, ..read })
}

/// A value that was asked for without looking at the answer, and is used as if it were there.
fn forced_later(
    call: Ref,
    out: Option<crate::syntax::Id>,
    read: &ReadFact,
    values: &Values<'_>,
) -> Option<ReadFact> {
    let tree = values.tree(call);
    let Kind::Block(items) = tree.node(call.id).parent.map(|up| tree.kind(up))? else { return None };
    let (name, _) = tree.last_name(out?)?;
    let after = items.iter().skip_while(|&&item| item != call.id).skip(1);
    let span = |id| tree.span(id);
    let forced = values.program().uses_in(call.file, name).iter().find(|used| {
        let inside = after.clone().any(|&item| span(item).holds(span(used.id)));
        inside && code::is_forced(**used, values)
    })?;
    let read = ReadFact::new(read.name.clone(), Via::Query, read.site, code::node_at(*forced, values));
    Some(ReadFact { absent: Absent::Unmet, ..read })
}
