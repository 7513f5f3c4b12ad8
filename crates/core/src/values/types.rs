//! Types of expressions: what is declared, and what is plain from how a value is made.

use super::scope::property_of;
use super::{Def, Expr, Fuel, Ref, Values};
use crate::syntax::{BinaryOp, ClassKind, Id, Kind, Literals, Scope, TypeName, UnaryOp};
use smol_str::SmolStr;

/// A type, as far as it is known.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Type {
    /// Its simple name in the source's own words.
    pub name: SmolStr,
    /// Its declaration, if it is in the source.
    pub class: Option<Ref>,
    /// Whether it may be null.
    pub nullable: bool,
    /// Its type arguments.
    pub args: Vec<Type>,
}

impl Type {
    pub(crate) fn plain(name: &str) -> Self {
        Self { name: name.into(), class: None, nullable: false, args: Vec::new() }
    }

    pub(super) fn of_class(name: &SmolStr, class: Ref) -> Self {
        Self { class: Some(class), ..Self::plain(name) }
    }
}

impl<'p> Values<'p> {
    /// The type of an expression, if it is known.
    #[must_use]
    pub fn type_of(&self, expr: &Expr) -> Option<Type> {
        self.type_of_with(expr, &Fuel::new())
    }

    /// The type that a written type name means at a node.
    #[must_use]
    pub fn named_type(&self, at: Ref, ty: &TypeName) -> Option<Type> {
        if ty.name.is_empty() {
            return None;
        }
        if let ([held], true) =
            (ty.args.as_slice(), self.tree(at).idioms.promises.contains(&ty.name.as_str()))
        {
            return self.named_type(at, held);
        }
        let class = self.class_named(at, &ty.name);
        let name = class.and_then(|c| self.class(c)).map_or_else(|| ty.simple().into(), |c| c.name.clone());
        let args = ty.args.iter().map(|arg| self.named_type(at, arg).unwrap_or_else(|| Type::plain("")));
        Some(Type { name, class, nullable: ty.nullable, args: args.collect() })
    }

    pub(super) fn type_of_with(&self, expr: &Expr, fuel: &Fuel) -> Option<Type> {
        let _step = fuel.step()?;
        match self.kind(expr.at) {
            Kind::Text(_) => Some(Type::plain(self.literals(expr.at).text)),
            Kind::Bool(_) => Some(Type::plain(self.literals(expr.at).truth)),
            Kind::Number(text) => Some(Type::plain((self.literals(expr.at).number)(text))),
            Kind::ClassOf(_) => Some(Type::plain("Class")),
            Kind::Member(_) if self.resource(expr).is_some() => Some(Type::plain("Int")),
            Kind::Name(_) | Kind::Member(_) => self.type_of_name(expr, fuel),
            Kind::Call(call) => {
                self.type_of_sequence(expr, fuel).or_else(|| self.type_of_call(expr, call, fuel))
            }
            Kind::Implied => self.wanted_type(expr, fuel),
            Kind::List(_) | Kind::Index { .. } => self.type_of_sequence(expr, fuel),
            Kind::Cast { ty, .. } => self.named_type(expr.at, ty),
            Kind::This => self.type_of_this(expr),
            Kind::Binary { op, left, right } => match op {
                BinaryOp::OrElse => {
                    let ty = self.type_of_with(&expr.with(*left), fuel)?;
                    let other = self.type_of_with(&expr.with(*right), fuel);
                    Some(Type { nullable: other.is_some_and(|o| o.nullable), ..ty })
                }
                op if op.is_test() => Some(Type::plain(self.literals(expr.at).truth)),
                BinaryOp::Add => {
                    let left = self.type_of_with(&expr.with(*left), fuel)?;
                    let text = left.name == self.literals(expr.at).text;
                    (text || self.type_of_with(&expr.with(*right), fuel)?.name == left.name).then_some(left)
                }
                _ => None,
            },
            Kind::Unary { op, of } => {
                let ty = self.type_of_with(&expr.with(*of), fuel)?;
                match op {
                    UnaryOp::Force | UnaryOp::Bind => Some(Type { nullable: false, ..ty }),
                    UnaryOp::Not => Some(Type::plain(self.literals(expr.at).truth)),
                    _ => Some(ty),
                }
            }
            Kind::Branch { arms, .. } => self.type_of_branch(expr, arms.iter().map(|arm| arm.body), fuel),
            Kind::Block(items) => self.type_of_with(&expr.with(*items.last()?), fuel),
            Kind::Return(Some(value)) => self.type_of_with(&expr.with(*value), fuel),
            Kind::Class(class) => {
                let base = class.supers.first()?;
                self.named_type(expr.at, &base.ty)
            }
            _ => None,
        }
    }

    fn literals(&self, at: Ref) -> &'static Literals {
        &self.tree(at).idioms.literals
    }

    /// All ways that are not null must agree.
    fn type_of_branch(&self, expr: &Expr, arms: impl Iterator<Item = Id>, fuel: &Fuel) -> Option<Type> {
        let mut found: Option<Type> = None;
        let mut nullable = false;
        for arm in arms {
            if matches!(self.kind(expr.with(arm).at), Kind::Null) {
                nullable = true;
                continue;
            }
            let ty = self.type_of_with(&expr.with(arm), fuel)?;
            match &found {
                Some(first) if first.name != ty.name => return None,
                _ => found = Some(ty),
            }
        }
        found.map(|ty| Type { nullable: ty.nullable || nullable, ..ty })
    }

    fn type_of_this(&self, expr: &Expr) -> Option<Type> {
        let tree = self.tree(expr.at);
        for outer in tree.ancestors(expr.at.id) {
            match tree.kind(outer) {
                Kind::Class(class) => {
                    let at = Ref { file: expr.at.file, id: outer };
                    return Some(match self.extended(at) {
                        Some(of) => Type::of_class(&self.class(of)?.name, of),
                        None => Type::of_class(&class.name, at),
                    });
                }
                Kind::Function(function) => {
                    if let Some(receiver) = &function.receiver {
                        return self.named_type(expr.at, receiver);
                    }
                }
                _ => {}
            }
        }
        None
    }

    fn type_of_name(&self, expr: &Expr, fuel: &Fuel) -> Option<Type> {
        match self.definition(expr, fuel) {
            Some(def @ (Def::Variable(_) | Def::Parameter(_) | Def::Class(_))) => {
                self.type_of_def(&def, expr, fuel)
            }
            Some(Def::Functions(functions)) => self.type_of_function(*functions.first()?, fuel),
            Some(Def::It(lambda)) => self.type_of_handed(lambda, expr, fuel),
            Some(Def::External(_)) | None => {
                let (name, _) = self.tree(expr.at).last_name(expr.at.id)?;
                if let Some(ty) =
                    self.type_of_sequence(expr, fuel).or_else(|| self.singleton_type(expr.at, name))
                {
                    return Some(ty);
                }
                if let Some(ty) = self.type_of_typed_member(expr, name) {
                    return Some(ty);
                }
                // A property is asked for where it is checked: what it says of null is its getter's.
                self.library_type(expr.at, name).map(|ty| Type { nullable: false, ..ty })
            }
        }
    }

    /// A member whose type is what a base of the class around is told: `widget` in a `State<ShelfPage>`.
    fn type_of_typed_member(&self, expr: &Expr, name: &str) -> Option<Type> {
        let Kind::Name(_) = self.kind(expr.at) else { return None };
        let bases = self.typed_member_bases(expr.at, name)?;
        let class = self.enclosing_named_class(expr.at)?;
        self.lineage(class).into_iter().find_map(|at| {
            let base = self.class(at)?.supers.iter().find(|base| bases(base.ty.simple()))?;
            self.named_type(at, base.ty.args.first()?)
        })
    }

    /// What a scope function hands its lambda is what the function is called on.
    fn type_of_handed(&self, parameter: Ref, expr: &Expr, fuel: &Fuel) -> Option<Type> {
        let Some(of) = self.handed(parameter) else { return self.type_given(parameter, expr, fuel) };
        self.type_of_with(&expr.with(of), fuel).map(|ty| Type { nullable: false, ..ty })
    }

    pub(super) fn type_of_def(&self, def: &Def, expr: &Expr, fuel: &Fuel) -> Option<Type> {
        match *def {
            Def::Variable(at) => {
                let variable = self.tree(at).variable(at.id)?;
                if let Some(ty) = &variable.ty {
                    return self.named_type(at, ty);
                }
                let env = Expr { at, env: expr.env.clone() };
                if let Some(init) = variable.init {
                    return self.type_of_with(&env.with(init), fuel);
                }
                if let Some(over) = variable.each {
                    return self.type_of_each(&env.with(over), fuel);
                }
                if let Some(getter) = variable.getter {
                    return self.type_of_body(&env.with(getter), fuel);
                }
                if let Some(delegate) = variable.delegate {
                    return self.type_of_delegate(&env.with(delegate), fuel);
                }
                self.type_of_bound(at, expr, fuel)
            }
            Def::Parameter(at) => {
                let declared = self.tree(at).parameter(at.id).and_then(|parameter| parameter.ty.as_ref());
                let declared = declared.and_then(|ty| self.named_type(at, ty));
                // What is passed becomes what the function says that it takes: `4` a long one.
                if let Some(ty) = declared.filter(|ty| crate::types::plain_type(&ty.name).is_some()) {
                    return Some(ty);
                }
                if let Some(bound) = expr.bound(at)
                    && let Some(ty) = self.type_of_with(&bound, fuel)
                {
                    return Some(ty);
                }
                let parameter = self.tree(at).parameter(at.id)?;
                match &parameter.ty {
                    Some(ty) => self.named_type(at, ty),
                    None => self.type_of_handed(at, expr, fuel),
                }
            }
            Def::Class(at) => {
                let class = self.class(at)?;
                let value = matches!(class.kind, ClassKind::Object | ClassKind::Companion | ClassKind::Entry);
                value.then(|| self.type_of_made(at)).flatten()
            }
            _ => None,
        }
    }

    /// What making an object of a class gives: of an enum's case, the enum.
    fn type_of_made(&self, class: Ref) -> Option<Type> {
        let declared = self.class(class)?;
        let of = match declared.kind {
            ClassKind::Entry if self.tree(class).idioms.cases_carry => self.enclosing_class(class)?,
            _ => class,
        };
        Some(Type::of_class(&self.class(of)?.name, of))
    }

    /// `by lazy { x }` is an x; `by viewModels<T>()` and its like are what their type argument says.
    fn type_of_delegate(&self, expr: &Expr, fuel: &Fuel) -> Option<Type> {
        let Kind::Call(call) = self.kind(expr.at) else { return None };
        if let Some(ty) = call.types.first() {
            return self.named_type(expr.at, ty);
        }
        let lambda = call.args.iter().rev().find_map(|arg| match self.kind(expr.with(arg.value).at) {
            Kind::Lambda { body, .. } => Some(*body),
            _ => None,
        })?;
        self.type_of_body(&expr.with(lambda), fuel)
    }

    fn type_of_function(&self, at: Ref, fuel: &Fuel) -> Option<Type> {
        let function = self.tree(at).function(at.id)?;
        match (&function.result, function.body) {
            (Some(ty), _) => self.named_type(at, ty),
            (None, Some(body)) => self.type_of_body(&Expr::new(Ref { file: at.file, id: body }), fuel),
            (None, None) => None,
        }
    }

    /// A body's type: of what it returns, or of what it is.
    pub(super) fn type_of_body(&self, expr: &Expr, fuel: &Fuel) -> Option<Type> {
        let returns = self.returns(expr.at);
        match returns.first() {
            Some(&first) => self.type_of_with(&expr.with(first), fuel),
            None => self.type_of_with(expr, fuel),
        }
    }

    fn type_of_call(&self, expr: &Expr, call: &crate::syntax::Call, fuel: &Fuel) -> Option<Type> {
        let tree = self.tree(expr.at);
        if let Kind::Lambda { body, .. } = tree.kind(call.callee) {
            return self.type_of_body(&expr.with(*body), fuel);
        }
        let (name, _) = tree.callee(call)?;
        match self.definition(&expr.with(call.callee), fuel) {
            Some(Def::Class(class)) => {
                return self.type_of_made(class);
            }
            Some(Def::Functions(functions)) => {
                return self.type_of_function(self.chosen(&functions, expr, call)?, fuel);
            }
            Some(def @ Def::Variable(_)) if property_of(name).is_some() => {
                return self.type_of_def(&def, expr, fuel);
            }
            _ => {}
        }
        let receiver = tree.receiver(call);
        if let Some(scope) = tree.scope(call) {
            return self.type_of_scope(expr, call, scope, fuel);
        }
        if let Some(kept) = self.kept(expr, call) {
            return self.type_of_body(&kept, fuel);
        }
        if let Some(same) = self.handed_through(expr, call) {
            return self.type_of_with(&same, fuel);
        }
        if let Some(ty) = self.singleton_type(expr.at, name) {
            return Some(ty);
        }
        if let Some(ty) = receiver.and_then(|of| self.type_of_factory(expr, of, name)) {
            return Some(ty);
        }
        match (name.as_str(), receiver) {
            (name, Some(_)) if tree.idioms.typed_getters.contains(&name) && !call.types.is_empty() => {
                return self.named_type(expr.at, &call.types[0]).map(|ty| Type { nullable: true, ..ty });
            }
            _ if tree.idioms.asserts.contains(&name.as_str()) => {
                let ty = self.type_of_with(&expr.with(call.args.first()?.value), fuel)?;
                return Some(Type { nullable: false, ..ty });
            }
            _ => {}
        }
        if let Some(ty) = self.library_type(expr.at, name) {
            return Some(ty);
        }
        // `new X(…)` of the platform, or Kotlin's call of a capitalised name.
        let made = call.new || (receiver.is_none() && name.starts_with(char::is_uppercase));
        made.then(|| Type::plain(name))
    }

    fn type_of_factory(&self, expr: &Expr, of: Id, name: &str) -> Option<Type> {
        let (class, _) = self.tree(expr.at).last_name(of)?;
        self.factory_type(expr.at, class, name)
    }

    /// A scope function gives back its subject, or what its lambda comes to.
    fn type_of_scope(
        &self,
        expr: &Expr,
        call: &crate::syntax::Call,
        scope: Scope,
        fuel: &Fuel,
    ) -> Option<Type> {
        let given = if scope.gives_subject {
            self.tree(expr.at).subject(call, scope)?
        } else {
            match self.kind(expr.with(call.args.last()?.value).at) {
                Kind::Lambda { body, .. } => *body,
                _ => return None,
            }
        };
        let ty = self.type_of_with(&expr.with(given), fuel)?;
        Some(Type { nullable: ty.nullable || (scope.gives_subject && !scope.builds), ..ty })
    }

    /// The values that a body hands back, inner functions and lambdas left out.
    pub(super) fn returns(&self, body: Ref) -> Vec<Id> {
        let tree = self.tree(body);
        let mut found = Vec::new();
        let mut todo = vec![body.id];
        while let Some(id) = todo.pop() {
            match tree.kind(id) {
                Kind::Return(Some(value)) => found.push(*value),
                Kind::Lambda { .. } | Kind::Function(_) | Kind::Class(_) => {}
                kind => todo.extend(kind.children()),
            }
        }
        found.sort_unstable();
        found
    }
}
