//! Types of what sequences hold: elements that are taken out, and what closures are given.

use super::{Def, Expr, Fuel, Ref, Type, Values};
use crate::syntax::{Call, Id, Kind};

impl Values<'_> {
    /// The type of what is taken out of a sequence, or of what one makes of another.
    pub(super) fn type_of_sequence(&self, expr: &Expr, fuel: &Fuel) -> Option<Type> {
        let tree = self.tree(expr.at);
        let known = &tree.idioms.sequences;
        (!known.lists.is_empty()).then_some(())?;
        match tree.kind(expr.at.id) {
            Kind::List(items) => {
                let first = self.type_of_with(&expr.with(items.first()?.value), fuel)?;
                Some(self.list_of(expr.at, first))
            }
            Kind::Index { of, .. } => {
                let of = self.type_of_with(&expr.with(*of), fuel)?;
                match known.maps.contains(&of.name.as_str()) {
                    true => of.args.get(1).map(|ty| Type { nullable: true, ..ty.clone() }),
                    false => self.element(expr.at, &of),
                }
            }
            Kind::Member(member) if tree.idioms.elements.contains(&member.name.as_str()) => {
                self.one_of(&expr.with(member.of), fuel)
            }
            Kind::Member(member) if tree.idioms.all_cases.contains(&member.name.as_str()) => {
                let Def::Class(class) = self.definition(&expr.with(member.of), fuel)? else { return None };
                Some(self.list_of(expr.at, Type::of_class(&self.class(class)?.name, class)))
            }
            Kind::Member(member) if known.same.contains(&member.name.as_str()) => {
                self.type_of_with(&expr.with(member.of), fuel)
            }
            Kind::Call(call) => self.type_made_of_sequence(expr, call, fuel),
            _ => None,
        }
    }

    fn one_of(&self, of: &Expr, fuel: &Fuel) -> Option<Type> {
        self.element(of.at, &self.type_of_with(of, fuel)?).map(|ty| Type { nullable: true, ..ty })
    }

    /// The type of what a loop over something takes.
    pub(super) fn type_of_each(&self, over: &Expr, fuel: &Fuel) -> Option<Type> {
        let held = self.type_of_with(over, fuel).and_then(|ty| self.element(over.at, &ty));
        // Of what is written out, all of one type.
        held.or_else(|| {
            let each = self.rounds(over, fuel).whole();
            let mut types = each.known.iter().map(|one| self.type_of_with(one, fuel));
            let first = types.next()?.filter(|_| !each.open)?;
            types.all(|ty| ty.is_some_and(|ty| ty.name == first.name)).then_some(first)
        })
    }

    fn type_made_of_sequence(&self, expr: &Expr, call: &Call, fuel: &Fuel) -> Option<Type> {
        let tree = self.tree(expr.at);
        let (name, _) = tree.callee(call)?;
        let Some(of) = tree.receiver(call).map(|of| expr.with(of)) else {
            let copied = tree.idioms.sequences.copies.contains(&name.as_str()) && call.args.len() == 1;
            let of = call.args.first().filter(|arg| copied && arg.name.is_none())?;
            let held = self.element(expr.at, &self.type_of_with(&expr.with(of.value), fuel)?)?;
            return Some(self.list_of(expr.at, held));
        };
        if tree.idioms.elements.contains(&name.as_str()) {
            return self.one_of(&of, fuel);
        }
        if tree.idioms.passes.contains(&name.as_str()) {
            return self.type_of_with(&of, fuel).filter(|ty| self.element(expr.at, ty).is_some());
        }
        tree.idioms.loops.contains(&name.as_str()).then_some(())?;
        let made = self.made_of_each(&of, expr, call.args.first()?.value, fuel)?;
        let over = self.type_of_with(&of, fuel)?;
        // Of what may be absent, one is made; of many, many.
        if self.element(expr.at, &over).is_none() {
            return Some(Type { nullable: true, ..made });
        }
        let flattens = tree.idioms.sequences.flatten.contains(&name.as_str());
        let each = match self.element(expr.at, &made).filter(|_| flattens) {
            Some(inner) => inner,
            None => Type { nullable: false, ..made },
        };
        Some(self.list_of(expr.at, each))
    }

    fn made_of_each(&self, of: &Expr, expr: &Expr, maker: Id, fuel: &Fuel) -> Option<Type> {
        match self.kind(expr.with(maker).at) {
            Kind::Lambda { body, .. } => self.type_of_body(&expr.with(*body), fuel),
            Kind::KeyPath(names) => {
                let over = self.type_of_with(of, fuel)?;
                let mut ty = self.element(expr.at, &over).unwrap_or(over);
                for name in names {
                    let def = self.member_of_class(ty.class?, name)?;
                    ty = self.type_of_def(&def, expr, fuel)?;
                }
                Some(ty)
            }
            _ => None,
        }
    }

    /// The type of what a closure is given, where its own declaration does not say.
    pub(super) fn type_given(&self, parameter: Ref, expr: &Expr, fuel: &Fuel) -> Option<Type> {
        let tree = self.tree(parameter);
        (!tree.idioms.sequences.lists.is_empty()).then_some(())?;
        let lambda = match tree.kind(parameter.id) {
            Kind::Lambda { .. } => parameter.id,
            _ => tree.node(parameter.id).parent?,
        };
        let Kind::Lambda { params, .. } = tree.kind(lambda) else { return None };
        let place = params.iter().position(|&id| id == parameter.id).unwrap_or(0);
        let outer = tree.node(lambda).parent?;
        let call = tree.call(outer)?;
        let at = Expr { at: Ref { file: parameter.file, id: outer }, env: expr.env.clone() };
        let argument = call.args.iter().position(|arg| arg.value == lambda)?;
        match self.definition(&at.with(call.callee), fuel) {
            Some(Def::Functions(found)) => {
                let function = self.chosen(&found, &at, call)?;
                let taken = self.parameter_for(at.at, lambda, function)?;
                let ty = self.tree(taken).parameter(taken.id)?.ty.as_ref()?;
                self.named_type(taken, ty.args.get(place).filter(|_| ty.name.is_empty())?)
            }
            Some(Def::Class(class)) => {
                let (at, ty) = self.type_name_initialised(class, &call.args[argument], argument)?;
                self.named_type(at, ty.args.get(place).filter(|_| ty.name.is_empty())?)
            }
            _ if place > 0 => None,
            _ => self.type_given_by_library(&at, call, fuel),
        }
    }

    fn type_given_by_library(&self, at: &Expr, call: &Call, fuel: &Fuel) -> Option<Type> {
        let tree = self.tree(at.at);
        let (name, _) = tree.callee(call)?;
        if let Some(label) = self.hands_on(at.at, name, call) {
            let given = call.args.iter().find(|arg| arg.name.as_deref().unwrap_or_default() == label)?.value;
            let held = match tree.kind(given) {
                Kind::ClassOf(ty) => self.named_type(at.at, ty)?,
                _ => self.type_of_with(&at.with(given), fuel)?,
            };
            // Without a label it is a sequence, with one it is the value itself.
            let one = if label.is_empty() { self.element(at.at, &held)? } else { held };
            return Some(Type { nullable: false, ..one });
        }
        let of = at.with(tree.receiver(call)?);
        let known = [tree.idioms.loops, tree.idioms.looks].iter().any(|list| list.contains(&name.as_str()));
        known.then_some(())?;
        let over = self.type_of_with(&of, fuel)?;
        Some(Type { nullable: false, ..self.element(at.at, &over).unwrap_or(over) })
    }

    /// The list that elements of a type make.
    fn list_of(&self, at: Ref, ty: Type) -> Type {
        Type { args: vec![ty], ..Type::plain(self.tree(at).idioms.sequences.list) }
    }

    /// What a sequence holds, of the language's or the platform's; `None` for what is none.
    fn element(&self, at: Ref, ty: &Type) -> Option<Type> {
        let held = ty.args.first().filter(|held| !held.name.is_empty())?;
        let name = ty.name.as_str();
        (self.tree(at).idioms.sequences.lists.contains(&name) || self.is_library_list(at, name))
            .then(|| held.clone())
    }
}
