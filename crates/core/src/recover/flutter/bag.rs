//! Values taken out of what a page gets whole: a map by its keys, an object by its properties, or the
//! value as it is.

use crate::facts::{Absent, Facts, OwnFact, ParameterFact, ReadFact};
use crate::link::{Join, Joining, Phase};
use crate::model::Via;
use crate::recover::code;
use crate::recover::constructor::parameters;
use crate::syntax::{BinaryOp, Id, Kind, TypeName, UnaryOp};
use crate::values::{Def, Expr, Ref, Values};

/// Where all that a page gets is taken as one object, that object's parts are what its route takes.
pub(super) const JOIN: Join = Join { after: Phase::Named, join };

/// A place where all that a page gets is taken as one object.
#[derive(Debug)]
struct TakenWhole {
    /// What the whole is called, and its type.
    whole: (String, String),
    /// The parts.
    parameters: Vec<ParameterFact>,
    /// The node it is at.
    site: Ref,
}

impl OwnFact for TakenWhole {}

fn join(joining: &mut Joining<'_, '_>) {
    for taken in joining.take::<TakenWhole>() {
        for route in joining.routes_around(taken.site) {
            if joining.graph().routes[route].fact.takes.by_reads() {
                joining.takes_whole(route, taken.whole.clone(), &taken.parameters);
            }
        }
    }
}

/// What is taken out, and what it is called where it has no parts.
pub(super) struct Bag<'n> {
    /// The name of the whole.
    pub(super) name: &'n str,
    /// How its parts travel.
    pub(super) via: Via,
}

impl Bag<'_> {
    /// Follows a whole value from where it is taken: casts, locals, keys, properties.
    pub(super) fn taken(&self, at: Ref, values: &Values<'_>, facts: &mut Facts) {
        self.follow(at, None, 0, values, facts);
    }

    fn follow(
        &self,
        at: Ref,
        known: Option<&TypeName>,
        depth: usize,
        values: &Values<'_>,
        facts: &mut Facts,
    ) {
        let (top, cast) = outermost(at, values);
        let tree = values.tree(at);
        let Some(parent) = tree.node(top.id).parent.filter(|_| depth < 4) else { return };
        let ty = cast.or(known);
        let class = ty.and_then(|ty| values.class_named(at, &ty.name));
        if let (Some(class), Some(cast)) = (class, cast) {
            let parts = parameters(class, values).into_iter();
            // Where the whole may be absent, so may its parts.
            let required = |part: &ParameterFact| part.required && !cast.nullable;
            let parameters = parts
                .map(|part| ParameterFact { via: self.via, required: required(&part), ..part })
                .collect();
            let whole = (self.name.to_owned(), cast.written());
            facts.own.push(TakenWhole { whole, parameters, site: top });
        }
        // A value that has no parts is taken where it is cast.
        if let Some(cast) = cast.filter(|ty| class.is_none() && !is_map(ty)) {
            return self.whole(top, Some(cast), values, facts);
        }
        match tree.kind(parent) {
            Kind::Variable(variable) if variable.init == Some(top.id) => {
                let variable_at = Ref { file: at.file, id: parent };
                let declared = ty.or(variable.ty.as_ref());
                for used in uses(variable_at, &variable.name, values) {
                    self.follow(used, declared, depth + 1, values, facts);
                }
            }
            // A field or variable that is given it.
            Kind::Assign { target, value, .. } if *value == top.id => {
                let target = Expr::new(Ref { file: at.file, id: *target });
                for used in values.variable_uses(&target) {
                    self.follow(used, ty, depth + 1, values, facts);
                }
            }
            Kind::Index { of, args } if *of == top.id => {
                let index = Ref { file: at.file, id: parent };
                if let Some(&key) = args.first() {
                    self.keyed(index, key, values, facts);
                }
            }
            Kind::Member(member) if member.of == top.id => {
                let read = Ref { file: at.file, id: parent };
                let called = tree.node(parent).parent.and_then(|id| tree.call(id));
                if called.is_some_and(|call| call.callee == parent) && class.is_none() {
                    return self.whole(top, ty, values, facts);
                }
                let forced = code::is_forced(read, values);
                let met = code::is_met(read, values) || member.safe;
                let at = code::node_at(read, values);
                let fact = ReadFact::new(member.name.to_string(), self.via, read, at);
                facts.reads.push(ReadFact { absent: Absent::of(forced, met), ..fact });
            }
            // `if (args is ItemArgs)`, `args == null`: looked at, not taken.
            Kind::Binary {
                op: BinaryOp::Is | BinaryOp::IsNot | BinaryOp::Equal | BinaryOp::NotEqual,
                ..
            } => {}
            // The whole object handed on is none.
            _ if class.is_some() => facts.whole_bags.push(top),
            _ => self.whole(top, ty, values, facts),
        }
    }

    fn keyed(&self, index: Ref, key: Id, values: &Values<'_>, facts: &mut Facts) {
        let Some((name, literal_key)) = code::key(&Expr::new(Ref { file: index.file, id: key }), values)
        else {
            facts.whole_bags.push(index);
            return;
        };
        let (top, cast) = outermost(index, values);
        let nullable = cast.is_some_and(|ty| ty.nullable);
        // What stands in an address is text.
        let text = matches!(self.via, Via::Path | Via::Query).then(|| "String".to_owned());
        let fact = ReadFact::new(name, self.via, index, code::node_at(index, values));
        facts.reads.push(ReadFact {
            ty: cast.map(|ty| format!("{}{}", ty.written(), if ty.nullable { "?" } else { "" })).or(text),
            absent: Absent::of(is_forced(index, values) && !nullable, code::is_met(top, values)),
            literal_key,
            ..fact
        });
    }

    fn whole(&self, top: Ref, ty: Option<&TypeName>, values: &Values<'_>, facts: &mut Facts) {
        if is_handed_to_looked_up(top, values) {
            return;
        }
        let plain = ty.filter(|ty| !is_map(ty));
        let fact = ReadFact::new(self.name.to_owned(), self.via, top, code::node_at(top, values));
        if plain.is_none() && ty.is_some() {
            facts.whole_bags.push(top);
            return;
        }
        facts.reads.push(ReadFact {
            ty: plain.map(TypeName::written),
            absent: Absent::of(ty.is_some_and(|ty| !ty.nullable), code::is_met(top, values)),
            ..fact
        });
    }
}

/// Types that have parts which no class of the app's own declares.
fn is_map(ty: &TypeName) -> bool {
    matches!(ty.simple(), "Map" | "dynamic" | "Object")
}

/// `final page = pages[settings.name]; page(settings.arguments)`: the builder takes it out.
fn is_handed_to_looked_up(at: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let call = tree.node(at.id).parent.and_then(|id| tree.call(id));
    let callee = call
        .filter(|call| call.callee != at.id)
        .map(|call| Expr::new(Ref { file: at.file, id: call.callee }));
    let behind = callee.and_then(|callee| values.value_behind(&callee));
    behind.is_some_and(|behind| matches!(values.kind(behind.at), Kind::Index { .. }))
}

/// Whether a value is forced on its way out: `x!`, or a cast to what cannot be null.
pub(super) fn is_forced(at: Ref, values: &Values<'_>) -> bool {
    code::is_forced(at, values)
}

/// The node around casts and assertions, and the type that it is cast to.
fn outermost<'p>(at: Ref, values: &Values<'p>) -> (Ref, Option<&'p TypeName>) {
    let tree = values.tree(at);
    let (mut top, mut cast) = (at.id, None);
    while let Some(parent) = tree.node(top).parent {
        match tree.kind(parent) {
            Kind::Unary { op, .. } if *op == UnaryOp::Force => top = parent,
            // A stand-in for one that is absent.
            Kind::Binary { op: BinaryOp::OrElse, left, .. } if *left == top && cast.is_some_and(is_map) => {
                top = parent;
            }
            Kind::Cast { ty, of, .. } if *of == top => {
                cast = Some(ty);
                top = parent;
            }
            _ => break,
        }
    }
    (Ref { file: at.file, id: top }, cast)
}

/// Where a variable is used.
pub(super) fn uses(variable: Ref, name: &str, values: &Values<'_>) -> Vec<Ref> {
    let uses = values.program().uses_in(variable.file, name).iter().copied();
    uses.filter(|&at| values.resolve(at, name) == Some(Def::Variable(variable))).collect()
}
