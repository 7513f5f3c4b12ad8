//! The type that is wanted where an expression stands, and what a pattern binds: what `.item(id)` and
//! `let id` are told by what is around them.

use super::{Def, Expr, Fuel, Ref, Type, Values};
use crate::syntax::{Arg, BinaryOp, Call, Id, Kind, Parameter};

impl Values<'_> {
    /// The type that what starts with an implied owner has to be.
    pub(super) fn wanted_type(&self, implied: &Expr, fuel: &Fuel) -> Option<Type> {
        let tree = self.tree(implied.at);
        let member = tree.node(implied.at.id).parent?;
        let called = |&up: &Id| tree.call(up).is_some_and(|call| call.callee == member);
        let whole = tree.node(member).parent.filter(called).unwrap_or(member);
        self.wanted_at(&implied.with(whole), fuel)
    }

    /// Whether an expression takes its type from where it stands: `.shelf`, `.item(id)`.
    pub(super) fn is_implied(&self, at: Ref) -> bool {
        let tree = self.tree(at);
        match tree.kind(at.id) {
            Kind::Member(member) => matches!(tree.kind(member.of), Kind::Implied),
            Kind::Call(call) => self.is_implied(Ref { file: at.file, id: call.callee }),
            _ => false,
        }
    }

    /// The type that is wanted where a whole expression stands.
    fn wanted_at(&self, expr: &Expr, fuel: &Fuel) -> Option<Type> {
        let _step = fuel.step()?;
        let tree = self.tree(expr.at);
        let (inner, outer) = (expr.at.id, tree.node(expr.at.id).parent?);
        let up = expr.with(outer);
        match tree.kind(outer) {
            Kind::Call(call) => self.wanted_by_call(&up, call, inner, fuel),
            Kind::Assign { target, value, .. } if *value == inner => {
                self.type_of_with(&expr.with(*target), fuel)
            }
            Kind::List(_) => self.wanted_at(&up, fuel)?.args.first().cloned(),
            Kind::Variable(variable) => {
                if let Some(ty) = &variable.ty {
                    return self.named_type(up.at, ty);
                }
                None
            }
            Kind::Parameter(parameter) => self.named_type(up.at, parameter.ty.as_ref()?),
            Kind::Function(function) => self.named_type(up.at, function.result.as_ref()?),
            Kind::Binary {
                op: BinaryOp::Equal | BinaryOp::NotEqual | BinaryOp::OrElse | BinaryOp::Matches,
                left,
                right,
            } => {
                let other = if *left == inner { *right } else { *left };
                self.type_of_with(&expr.with(other), fuel)
            }
            Kind::Cast { ty, .. } => self.named_type(up.at, ty),
            Kind::Return(_) => {
                let function = |kind: &Kind| {
                    matches!(kind, Kind::Function(_) | Kind::Lambda { .. })
                        || matches!(kind, Kind::Variable(v) if v.getter.is_some())
                };
                match tree.enclosing(outer, function).map(|id| (id, tree.kind(id)))? {
                    (id, Kind::Function(function)) => {
                        self.named_type(expr.with(id).at, function.result.as_ref()?)
                    }
                    (id, Kind::Variable(variable)) => {
                        self.named_type(expr.with(id).at, variable.ty.as_ref()?)
                    }
                    _ => None,
                }
            }
            Kind::Branch { arms, .. } if arms.iter().any(|arm| arm.body == inner) => {
                self.wanted_at(&up, fuel)
            }
            Kind::Block(items) if items.last() == Some(&inner) => self.wanted_at(&up, fuel),
            Kind::Unary { .. } => self.wanted_at(&up, fuel),
            _ => None,
        }
    }

    fn wanted_by_call(&self, at: &Expr, call: &Call, argument: Id, fuel: &Fuel) -> Option<Type> {
        let place = call.args.iter().position(|arg| arg.value == argument)?;
        let arg = &call.args[place];
        match self.definition(&at.with(call.callee), fuel) {
            Some(Def::Functions(found)) => {
                let function = self.chosen(&found, at, call)?;
                let parameter = self.parameter_for(at.at, argument, function)?;
                self.type_of_parameter(parameter)
            }
            Some(Def::Class(class)) => self.type_of_initialised(class, arg, place),
            _ => {
                // What is put into a list is one of its elements.
                let of = self.tree(at.at).receiver(call)?;
                let (name, _) = self.tree(at.at).callee(call)?;
                let idioms = self.tree(at.at).idioms;
                let known = [idioms.puts_element, idioms.seeks_element];
                known.iter().any(|known| known.contains(&name.as_str())).then_some(())?;
                self.type_of_with(&at.with(of), fuel)?.args.first().cloned()
            }
        }
    }

    fn type_of_parameter(&self, parameter: Ref) -> Option<Type> {
        let declared = self.tree(parameter).parameter(parameter.id)?;
        self.named_type(parameter, declared.ty.as_ref()?)
    }

    /// The type of what an object, or an enum's case, is made with.
    fn type_of_initialised(&self, class: Ref, arg: &Arg, place: usize) -> Option<Type> {
        self.type_name_initialised(class, arg, place).and_then(|(at, ty)| self.named_type(at, &ty))
    }

    /// The type as written of what an object is made with, and where it is written.
    pub(super) fn type_name_initialised(
        &self,
        class: Ref,
        arg: &Arg,
        place: usize,
    ) -> Option<(Ref, crate::syntax::TypeName)> {
        let tree = self.tree(class);
        let declared = self.class(class)?;
        let fits = |(i, parameter): &(usize, &Parameter)| match &arg.name {
            Some(name) => parameter.called() == name,
            None => *i == place || parameter.called().is_empty(),
        };
        let of_list = |params: &[Id]| {
            let params: Vec<&Parameter> = params.iter().filter_map(|&id| tree.parameter(id)).collect();
            let found = params.iter().copied().enumerate().find(fits)?;
            found.1.ty.clone()
        };
        if let Some(ty) = of_list(&declared.params) {
            return Some((class, ty));
        }
        let made = declared.members.iter().filter_map(|&id| tree.function(id)).filter(|f| f.name == "<init>");
        if let Some(ty) = made.into_iter().find_map(|function| of_list(&function.params)) {
            return Some((class, ty));
        }
        let name = arg.name.as_ref()?;
        let Def::Variable(property) = self.member_of_class(class, name)? else { return None };
        Some((property, self.tree(property).variable(property.id)?.ty.clone()?))
    }

    /// The type of what a pattern's case is one of.
    pub(super) fn matched_type(&self, case: &Expr, fuel: &Fuel) -> Option<Type> {
        let _step = fuel.step()?;
        let tree = self.tree(case.at);
        let mut inner = case.at.id;
        for outer in tree.ancestors(case.at.id) {
            match tree.kind(outer) {
                Kind::Branch { subject: Some(subject), arms } => {
                    let tested = arms.iter().any(|arm| arm.tests.contains(&inner));
                    return tested.then(|| self.type_of_with(&case.with(*subject), fuel)).flatten();
                }
                Kind::Binary { op, right, .. } if *op == BinaryOp::Matches => {
                    return self.type_of_with(&case.with(*right), fuel);
                }
                // `.some(.item(let id))` looks at what is there.
                Kind::Case { name, .. } if name == tree.idioms.some => {}
                Kind::Case { args, .. } => {
                    let place = args.iter().position(|arg| arg.value == inner)?;
                    return self.type_carried(&case.with(outer), &args[place], place, fuel);
                }
                _ => return None,
            }
            inner = outer;
        }
        None
    }

    fn type_carried(&self, case: &Expr, arg: &Arg, place: usize, fuel: &Fuel) -> Option<Type> {
        let Def::Class(entry) = self.definition(case, fuel)? else { return None };
        let tree = self.tree(entry);
        let params = &self.class(entry)?.params;
        let labelled = params.iter().copied().find(|&id| {
            arg.name.as_ref().is_some_and(|name| tree.parameter(id).is_some_and(|p| p.name == *name))
        });
        let id = labelled.or_else(|| params.get(place).copied())?;
        self.type_of_parameter(Ref { file: entry.file, id })
    }

    /// The type of a name that a pattern binds.
    pub(super) fn type_of_bound(&self, variable: Ref, expr: &Expr, fuel: &Fuel) -> Option<Type> {
        let tree = self.tree(variable);
        let outer = tree.node(variable.id).parent?;
        let at = Expr { at: Ref { file: variable.file, id: outer }, env: expr.env.clone() };
        match tree.kind(outer) {
            Kind::Case { name, .. } if name == self.tree(expr.at).idioms.some => {
                self.matched_type(&at, fuel).map(|ty| Type { nullable: false, ..ty })
            }
            Kind::Case { args, .. } => {
                let place = args.iter().position(|arg| arg.value == variable.id)?;
                self.type_carried(&at, &args[place], place, fuel)
            }
            Kind::Cast { ty, .. } => self.named_type(at.at, ty).map(|ty| Type { nullable: false, ..ty }),
            _ => None,
        }
    }
}
