//! What a name means where it stands: locals, parameters, members, imports, packages.

use super::{Expr, Fuel, Ref, Values};
use crate::source::library_of;
use crate::syntax::{BinaryOp, Class, ClassKind, Handed, Id, Kind, Member, Tree, TypeName};
use smol_str::SmolStr;

/// What a name means.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Def {
    /// A property, field or local.
    Variable(Ref),
    /// A parameter.
    Parameter(Ref),
    /// The unnamed parameter of a lambda.
    It(Ref),
    /// A class, object or enum entry.
    Class(Ref),
    /// Functions of that name.
    Functions(Vec<Ref>),
    /// Something outside of the source, by its imported dotted name.
    External(SmolStr),
}

impl<'p> Values<'p> {
    /// What a bare name means at a node.
    #[must_use]
    pub fn resolve(&self, at: Ref, name: &str) -> Option<Def> {
        self.resolve_with(at, name, true)
    }

    /// Looks a name up; without `inherited` the bases of classes on the way are not asked, which is
    /// what looking those bases up needs to end.
    fn resolve_with(&self, at: Ref, name: &str, inherited: bool) -> Option<Def> {
        let tree = self.tree(at);
        if name == tree.idioms.self_type {
            return self.enclosing_class(at).map(Def::Class);
        }
        let mut inner = at.id;
        for outer in tree.ancestors(at.id) {
            if let Some(def) = self.in_node(Ref { file: at.file, id: outer }, inner, name, inherited) {
                return Some(def);
            }
            inner = outer;
        }
        let items = tree.items.iter().copied();
        let found = self.among(at.file, items, name).or_else(|| self.imported(at.file, name)).or_else(|| {
            let package = &tree.package;
            self.at_path(&if package.is_empty() { name.to_owned() } else { format!("{package}.{name}") })
        });
        // What is imported may stand in a file that is not parsed; so may a capitalised name.
        match &found {
            None if name.starts_with(char::is_uppercase) && !tree.idioms.imports_by_name => {
                self.program.ask_for_name(name);
            }
            None if name.starts_with(char::is_uppercase) => {
                self.ask_libraries(at.file, name);
                return self.class_by_bare_name(at, name).map(Def::Class);
            }
            None => self.ask_libraries(at.file, name),
            Some(Def::External(path)) if library_of(self.program.source(at.file)).is_none() => {
                self.program.ask_for_name(path.rsplit('.').next().unwrap_or(name));
            }
            _ => {}
        }
        found
    }

    /// What a node that encloses the use declares for what is inside it.
    fn in_node(&self, at: Ref, inner: Id, name: &str, inherited: bool) -> Option<Def> {
        let tree = self.tree(at);
        match tree.kind(at.id) {
            Kind::Block(items) => {
                let start = tree.span(inner).start;
                let around =
                    |i: Id| tree.idioms.scopes_by_function && matches!(tree.kind(i), Kind::Branch { .. });
                let before = items.iter().copied().filter(|&i| {
                    (i != inner || around(i))
                        && (tree.span(i).start < start || !matches!(tree.kind(i), Kind::Variable(_)))
                });
                // The latest of several of the same name is the one in force.
                let mut found = None;
                for item in before {
                    found = self.among(at.file, std::iter::once(item), name).or(found);
                }
                found
            }
            Kind::Other(items) => self.among(at.file, items.iter().copied().filter(|&i| i != inner), name),
            Kind::Branch { subject, arms } => {
                let own = subject.iter().copied().filter(|&subject| subject != inner);
                let arm = arms.iter().find(|arm| arm.body == inner || arm.tests.contains(&inner));
                let tests = arm.into_iter().flat_map(|arm| arm.tests.iter().copied()).filter(|&t| t != inner);
                self.among(at.file, own.chain(tests), name)
            }
            Kind::Lambda { params, .. } => {
                if name == tree.idioms.unnamed && params.is_empty() {
                    return Some(Def::It(at));
                }
                self.parameter(at.file, before(params, inner), name)
            }
            Kind::Function(function) => self.parameter(at.file, before(&function.params, inner), name),
            Kind::Class(class) => {
                let at = self.extended(at).unwrap_or(at);
                let member =
                    if inherited { self.member_of_class(at, name) } else { self.own_member(at, name) };
                member.or_else(|| self.parameter(at.file, &class.params, name))
            }
            _ => None,
        }
    }

    fn parameter(&self, file: u32, params: &[Id], name: &str) -> Option<Def> {
        let tree = self.program.tree(file);
        let found = params.iter().copied().find(|&id| tree.parameter(id).is_some_and(|p| p.name == name));
        found.map(|id| Def::Parameter(Ref { file, id }))
    }

    /// A declaration among siblings.
    fn among(&self, file: u32, items: impl Iterator<Item = Id>, name: &str) -> Option<Def> {
        let tree = self.program.tree(file);
        let mut functions = Vec::new();
        for id in items {
            let at = Ref { file, id };
            match tree.kind(id) {
                Kind::Variable(variable) if variable.name == name => return Some(Def::Variable(at)),
                Kind::Class(class) if class.name == name && class.kind != ClassKind::Extension => {
                    return Some(Def::Class(at));
                }
                Kind::Function(function) if function.name == name => functions.push(at),
                Kind::Branch { arms, .. } if tree.idioms.scopes_by_function => {
                    let inside: Vec<Id> = arms.iter().map(|arm| arm.body).collect();
                    if let Some(id) = declared_inside(tree, &inside, name) {
                        return Some(Def::Variable(Ref { file, id }));
                    }
                }
                Kind::Other(_) | Kind::Case { .. } | Kind::Cast { .. } | Kind::Binary { .. } => {
                    if let Some(id) = declared_inside(tree, &[id], name) {
                        return Some(Def::Variable(Ref { file, id }));
                    }
                }
                _ => {}
            }
        }
        (!functions.is_empty()).then_some(Def::Functions(functions))
    }

    /// What stands at a full dotted name: a class, a top-level declaration, a member of an object.
    #[must_use]
    pub fn at_path(&self, path: &str) -> Option<Def> {
        if let Some(&class) = self.program.classes_at(path).first() {
            return Some(Def::Class(class));
        }
        let top = self.program.top_level_at(path);
        if let Some(&first) = top.first() {
            return Some(match self.kind(first) {
                Kind::Function(_) => Def::Functions(top.to_vec()),
                _ => Def::Variable(first),
            });
        }
        let (owner, member) = path.rsplit_once('.')?;
        let class = *self.program.classes_at(owner).first()?;
        self.own_member(class, member)
    }

    /// A member of a class by name: its own, its companion's, a nested class, then its bases'.
    #[must_use]
    pub fn member_of_class(&self, class: Ref, name: &str) -> Option<Def> {
        self.lineage(class).into_iter().find_map(|at| self.own_member(at, name))
    }

    fn own_member(&self, at: Ref, name: &str) -> Option<Def> {
        let class = self.program.class(at)?;
        let members = || class.members.iter().copied();
        if let Some(def) = self.among(at.file, members(), name) {
            return Some(def);
        }
        let tree = self.tree(at);
        let property = class
            .params
            .iter()
            .copied()
            .find(|&id| tree.parameter(id).is_some_and(|p| p.property && p.name == name));
        if let Some(id) = property {
            return Some(Def::Parameter(Ref { file: at.file, id }));
        }
        let companion = members().find(|&id| tree.class(id).is_some_and(|c| c.kind == ClassKind::Companion));
        if let Some(companion) = companion.and_then(|id| tree.class(id)) {
            return self.among(at.file, companion.members.iter().copied(), name);
        }
        self.extensions(at).into_iter().find_map(|more| {
            let members = self.program.class(more)?.members.iter().copied();
            self.among(more.file, members, name)
        })
    }

    /// A class by a possibly dotted name, as seen from a node.
    #[must_use]
    pub fn class_named(&self, at: Ref, name: &str) -> Option<Ref> {
        let mut parts = name.split('.');
        let first = parts.next().filter(|part| !part.is_empty())?;
        // A script's default import is a name and a prefix at once.
        let member = parts.clone().next().filter(|_| self.has_prefix(at.file, first));
        let found = match member {
            Some(member) => {
                parts.next();
                self.behind_prefix(at.file, first, member)
            }
            None => self.resolve_with(at, first, false),
        };
        let mut class = match found {
            Some(Def::Class(class)) => Some(class),
            _ => None,
        };
        for part in parts {
            class = match class.and_then(|c| self.own_member(c, part)) {
                Some(Def::Class(inner)) => Some(inner),
                _ => None,
            };
        }
        class.or_else(|| self.program.classes_at(name).first().copied()).or_else(|| {
            match self.in_namespaces(at.file, name)? {
                Def::Class(class) => Some(class),
                _ => None,
            }
        })
    }

    /// The class around a node, anonymous ones included.
    #[must_use]
    pub fn enclosing_class(&self, at: Ref) -> Option<Ref> {
        let id = self.tree(at).enclosing(at.id, |kind| matches!(kind, Kind::Class(_)))?;
        let class = Ref { file: at.file, id };
        Some(self.extended(class).unwrap_or(class))
    }

    /// The named function around a node, passing lambdas by.
    #[must_use]
    pub fn enclosing_function(&self, at: Ref) -> Option<Ref> {
        let id = self.tree(at).enclosing(at.id, |kind| matches!(kind, Kind::Function(_) | Kind::Class(_)))?;
        matches!(self.tree(at).kind(id), Kind::Function(_)).then_some(Ref { file: at.file, id })
    }

    /// What a name or member expression means.
    pub(super) fn definition(&self, expr: &Expr, fuel: &Fuel) -> Option<Def> {
        let _step = fuel.step()?;
        match self.kind(expr.at) {
            Kind::Name(name) => {
                let found = self.resolve(expr.at, name).and_then(|def| self.of_this(def, expr.at));
                found.or_else(|| self.implicit_member(expr, name, fuel))
            }
            Kind::Case { of, name, .. } => {
                let class = match of {
                    Some(of) => match self.definition(&expr.with(*of), fuel)? {
                        Def::Class(class) => class,
                        _ => return None,
                    },
                    None => self.matched_type(expr, fuel)?.class?,
                };
                self.member_of_class(class, name)
            }
            Kind::Member(member) => fuel.remembered(expr, || self.member_meant(expr, member, fuel)),
            _ => None,
        }
    }

    /// What a member expression means.
    fn member_meant(&self, expr: &Expr, member: &Member, fuel: &Fuel) -> Option<Def> {
        let of = expr.with(member.of);
        if let Kind::Implied = self.kind(of.at) {
            let class = self.wanted_type(&of, fuel)?.class?;
            return self.member_of_class(class, &member.name);
        }
        if let Some(prefix) = self.import_prefix(&of) {
            return self.behind_prefix(expr.at.file, prefix, &member.name);
        }
        if let Some(Def::Class(class)) = self.static_owner(&of, fuel)
            && let Some(def) = self.member_of_class(class, &member.name)
        {
            return Some(def);
        }
        if let Some(class) = self.type_of_with(&of, fuel).and_then(|ty| ty.class) {
            let found = self.member_or_accessor(class, &member.name);
            if found.is_none() && self.tree(expr.at).idioms.extends_types {
                self.program.ask_for_name(&member.name);
            }
            return found.or_else(|| self.extension(&of, expr.at, &member.name, fuel));
        }
        let path = self
            .tree(expr.at)
            .dotted(expr.at.id)
            .and_then(|path| self.at_path(&path).or_else(|| self.in_namespaces(expr.at.file, &path)));
        path.or_else(|| self.extension(&of, expr.at, &member.name, fuel))
    }

    /// An extension in view whose receiver the value can be.
    pub(super) fn extension(&self, of: &Expr, at: Ref, name: &str, fuel: &Fuel) -> Option<Def> {
        let fits = |wanted: Option<&TypeName>| {
            let Some(wanted) = wanted else { return false };
            let given = self.type_of_with(of, fuel);
            given.is_none_or(|ty| {
                let of_platform = || self.library_derives(at, &ty.name, wanted.simple());
                if ty.class.is_some() { self.is_a(&ty, wanted.simple()) } else { of_platform() }
            })
        };
        match self.resolve(at, name)? {
            Def::Functions(found) => {
                let receiver = |f: &Ref| fits(self.tree(*f).function(f.id).and_then(|f| f.receiver.as_ref()));
                let found: Vec<Ref> = found.into_iter().filter(receiver).collect();
                (!found.is_empty()).then_some(Def::Functions(found))
            }
            Def::Variable(found) => {
                let variable = self.tree(found).variable(found.id)?;
                fits(variable.receiver.as_ref()).then_some(Def::Variable(found))
            }
            _ => None,
        }
    }

    /// A name that stands for a type rather than a value.
    fn static_owner(&self, of: &Expr, fuel: &Fuel) -> Option<Def> {
        matches!(self.kind(of.at), Kind::Name(_) | Kind::Member(_))
            .then(|| self.definition(of, fuel))
            .flatten()
    }

    /// A member by its name, or by the accessor that the other language writes for it.
    pub(super) fn member_or_accessor(&self, class: Ref, name: &str) -> Option<Def> {
        self.member_of_class(class, name)
            .or_else(|| self.member_of_class(class, &accessor(name)))
            .or_else(|| property_of(name).and_then(|property| self.member_of_class(class, &property)))
    }

    /// A bare name inside `with(x) { … }`, `x.apply { … }` or an extension function.
    fn implicit_member(&self, expr: &Expr, name: &str, fuel: &Fuel) -> Option<Def> {
        let tree = self.tree(expr.at);
        for outer in tree.ancestors(expr.at.id) {
            let at = expr.with(outer);
            let class = match tree.kind(outer) {
                Kind::Lambda { .. } => {
                    self.lambda_receiver(&at).and_then(|of| self.type_of_with(&of, fuel)?.class)
                }
                Kind::Function(function) => {
                    function.receiver.as_ref().and_then(|ty| self.class_named(at.at, &ty.name))
                }
                _ => None,
            };
            if let Some(def) = class.and_then(|class| self.member_or_accessor(class, name)) {
                return Some(def);
            }
        }
        None
    }

    /// What `this` is inside a lambda handed to a scope function.
    pub(super) fn lambda_receiver(&self, lambda: &Expr) -> Option<Expr> {
        let tree = self.tree(lambda.at);
        let outer = tree.node(lambda.at.id).parent?;
        let call = tree.call(outer)?;
        let scope = tree.scope(call).filter(|scope| scope.as_ == Handed::This)?;
        tree.subject(call, scope).map(|of| lambda.with(of))
    }

    /// What a scope function hands its lambda: `x` for `it`, or the named parameter, of `x.let { … }`.
    pub(super) fn handed(&self, parameter: Ref) -> Option<Id> {
        let tree = self.tree(parameter);
        let lambda = match tree.kind(parameter.id) {
            Kind::Lambda { .. } => parameter.id,
            _ => tree.node(parameter.id).parent.filter(|&id| matches!(tree.kind(id), Kind::Lambda { .. }))?,
        };
        let call = tree.call(tree.node(lambda).parent?)?;
        let scope = tree.scope(call).filter(|scope| scope.as_ == Handed::Parameter)?;
        tree.subject(call, scope)
    }

    /// `Tab.entries`, `Tab.values()`.
    pub(super) fn entries_of(&self, of: &Expr, fuel: &Fuel) -> Option<Vec<Expr>> {
        let tree = self.tree(of.at);
        let (holder, name) = match tree.kind(of.at.id) {
            Kind::Member(member) => (member.of, member.name.as_str()),
            Kind::Call(call) => (tree.receiver(call)?, tree.callee(call)?.0.as_str()),
            _ => return None,
        };
        tree.idioms.all_cases.contains(&name).then_some(())?;
        let Def::Class(at) = self.definition(&of.with(holder), fuel)? else { return None };
        self.cases(at)
    }

    /// The cases of an enum.
    pub(super) fn cases(&self, at: Ref) -> Option<Vec<Expr>> {
        let class = self.class(at).filter(|class| class.kind == ClassKind::Enum)?;
        let entries = class
            .members
            .iter()
            .filter(|&&id| self.tree(at).class(id).is_some_and(|c| c.kind == ClassKind::Entry));
        Some(entries.map(|&id| Expr::new(Ref { file: at.file, id })).collect())
    }

    /// The class's declaration, if it is one of the source.
    #[must_use]
    pub fn class(&self, at: Ref) -> Option<&'p Class> {
        self.program.class(at)
    }
}

/// The parameters that a node sees: a default sees those before its own.
fn before(params: &[Id], inner: Id) -> &[Id] {
    let end = params.iter().position(|&id| id == inner).unwrap_or(params.len());
    &params[..end]
}

/// A variable of a name among what stands together, at any depth, patterns included.
fn declared_inside(tree: &Tree, inside: &[Id], name: &str) -> Option<Id> {
    inside.iter().copied().find_map(|id| match tree.kind(id) {
        Kind::Variable(variable) if variable.name == name => Some(id),
        Kind::Other(inner) => declared_inside(tree, inner, name),
        Kind::Block(inner) if tree.idioms.scopes_by_function => declared_inside(tree, inner, name),
        Kind::Branch { arms, .. } if tree.idioms.scopes_by_function => {
            arms.iter().find_map(|arm| declared_inside(tree, &[arm.body], name))
        }
        Kind::Case { args, .. } => args.iter().find_map(|arg| declared_inside(tree, &[arg.value], name)),
        Kind::Cast { of, .. } => declared_inside(tree, &[*of], name),
        Kind::Binary { op, left, .. } if *op == BinaryOp::Matches => declared_inside(tree, &[*left], name),
        _ => None,
    })
}

/// `fooBar` as Java reads it: `getFooBar`.
fn accessor(property: &str) -> String {
    let mut chars = property.chars();
    chars.next().map_or_else(String::new, |first| format!("get{}{}", first.to_uppercase(), chars.as_str()))
}

/// `getFooBar` as Kotlin reads it: `fooBar`.
pub(super) fn property_of(name: &str) -> Option<String> {
    let rest = name.strip_prefix("get")?;
    let mut chars = rest.chars();
    let first = chars.next().filter(|c| c.is_uppercase())?;
    Some(format!("{}{}", first.to_lowercase(), chars.as_str()))
}
