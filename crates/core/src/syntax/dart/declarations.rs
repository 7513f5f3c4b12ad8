//! Dart's declarations.

use super::Dart;
use crate::model::Span;
use crate::syntax::Modifier;
use crate::syntax::code::{Modifiers, bare_type, child, children, has, named, operands, plain, span};
use crate::syntax::{
    Annotation, Arg, Call, Class, ClassKind, Function, Id, Kind, Member, SuperType, TypeName, Variable,
};
use smol_str::SmolStr;
use tree_sitter::Node;

/// What the members of a class need to know of it.
#[derive(Default, Clone)]
pub(super) struct Around {
    name: SmolStr,
    /// Declared types of its fields.
    pub(super) fields: Vec<(SmolStr, TypeName)>,
    /// The type that an extension's members are for.
    receiver: Option<TypeName>,
    /// What the constructor gives fields before its body.
    initial: Vec<(SmolStr, Id)>,
}

impl Dart<'_> {
    /// The declaration, if the node is one.
    pub(super) fn declaration(&mut self, node: Node<'_>) -> Option<Id> {
        let id = match node.kind() {
            "class_declaration" | "mixin_declaration" | "enum_declaration" | "extension_type_declaration" => {
                self.class(node)
            }
            "extension_declaration" => self.extension(node),
            "function_declaration"
            | "local_function_declaration"
            | "getter_declaration"
            | "setter_declaration"
            | "external_function_declaration" => self.function_declaration(node),
            "top_level_variable_declaration" => self.variables(node, node),
            "member_declaration" => self.member_declaration(node),
            "type_alias" | "external_getter_declaration" | "external_setter_declaration" => {
                self.lower.nothing(node)
            }
            _ => return None,
        };
        Some(id)
    }

    /// Annotations before a declaration.
    pub(super) fn metadata(&mut self, node: Node<'_>) -> Vec<Annotation> {
        let notes: Vec<_> = named(node).into_iter().filter(|n| n.kind() == "annotation").collect();
        notes.into_iter().map(|n| self.annotation(n)).collect()
    }

    pub(super) fn annotation(&mut self, node: Node<'_>) -> Annotation {
        let name = node.child_by_field_name("name").map(|n| self.lower.str(n)).unwrap_or_default();
        let types = child(node, "type_arguments").map(|n| self.type_args(n)).unwrap_or_default();
        let args = child(node, "annotation_arguments").map(|n| self.arguments(n)).unwrap_or_default();
        Annotation { name: name.into(), types, args }
    }

    fn modifiers(&mut self, node: Node<'_>) -> Modifiers {
        let words =
            children(node).into_iter().filter(|n| !n.is_named() && n.kind().chars().all(char::is_alphabetic));
        let annotations = self.metadata(node);
        // What other languages have a word for.
        let overrides =
            annotations.iter().filter(|note| note.name == "override").map(|note| note.name.clone());
        let words = words.map(|n| n.kind().into()).chain(overrides).collect();
        Modifiers { words, annotations }
    }

    fn class(&mut self, node: Node<'_>) -> Id {
        let name = node.child_by_field_name("name").unwrap_or(node);
        let name = child(name, "identifier").unwrap_or(name);
        let modifiers = self.modifiers(node);
        let is_enum = node.kind() == "enum_declaration";
        let body = node.child_by_field_name("body");
        let around = Around {
            name: self.lower.name(name),
            fields: body.map(|n| self.field_types(n)).unwrap_or_default(),
            ..Around::default()
        };
        let outer = self.class.replace(around);
        let mut supers = self.supers(node);
        let params = self.primary_params(node, &mut supers);
        let mut members = Vec::new();
        for part in body.map(named).unwrap_or_default() {
            members.push(if part.kind() == "enum_entry" { self.entry(part) } else { self.item(part) });
        }
        self.class = outer;
        let class = Class {
            name: self.lower.name(name),
            name_span: span(name),
            kind: if is_enum { ClassKind::Enum } else { ClassKind::Class },
            modifiers: Modifier::among(modifiers.words),
            annotations: modifiers.annotations,
            supers,
            params,
            members,
        };
        self.lower.add(Kind::Class(class), node)
    }

    fn supers(&mut self, node: Node<'_>) -> Vec<SuperType> {
        let mut types = Vec::new();
        for part in named(node) {
            match part.kind() {
                "superclass" => {
                    types.extend(part.child_by_field_name("type"));
                    types.extend(child(part, "mixins").map(named).unwrap_or_default());
                }
                "mixins" | "interfaces" => types.extend(named(part)),
                // `mixin M on State<A>`.
                "type" if node.kind() == "mixin_declaration" => types.push(part),
                "mixin_application_class" => {
                    let application = child(part, "mixin_application");
                    types.extend(
                        application.map(named).unwrap_or_default().into_iter().filter(|n| n.kind() == "type"),
                    );
                }
                _ => {}
            }
        }
        types.into_iter().map(|n| SuperType { ty: self.type_name(n), args: Vec::new() }).collect()
    }

    /// The types of a class's fields, which `this.x` leaves out.
    fn field_types(&self, body: Node<'_>) -> Vec<(SmolStr, TypeName)> {
        let mut found = Vec::new();
        for member in named(body) {
            let Some(declaration) = child(member, "declaration") else { continue };
            let Some(ty) = child(declaration, "type") else { continue };
            let ty = self.type_name(ty);
            for list in named(declaration) {
                for name in named(list).iter().filter_map(|n| n.child_by_field_name("name")) {
                    found.push((self.lower.name(name), ty.clone()));
                }
            }
        }
        found
    }

    /// The parameters of the constructor without a name, with what it hands to the base's.
    fn primary_params(&mut self, class: Node<'_>, supers: &mut [SuperType]) -> Vec<Id> {
        if let Some(header) = child(class, "primary_constructor") {
            let list = header.child_by_field_name("parameters");
            return list.map(|n| self.params(n)).unwrap_or_default();
        }
        let body = class.child_by_field_name("body").map(named).unwrap_or_default();
        let Some((holder, signature)) = body.into_iter().find_map(unnamed_constructor) else {
            return Vec::new();
        };
        let list = child(signature, "formal_parameter_list");
        let params = list.map(|n| self.params(n)).unwrap_or_default();
        let mut handed = Vec::new();
        for &id in &params {
            let Some(parameter) = self.lower.tree.parameter(id).filter(|p| p.is(Modifier::Super)) else {
                continue;
            };
            let name = parameter.name.clone();
            let slot = parameter.is(Modifier::Named).then(|| name.clone());
            let at = self.lower.tree.span(id);
            let end = Span { start: at.end, end: at.end };
            let value = self.lower.tree.add(Kind::Name(name), end);
            handed.push(Arg { name: slot, value, spread: false });
        }
        for entry in child(holder, "initializers").map(named).unwrap_or_default() {
            self.initializer(entry, &mut handed);
        }
        if let Some(base) = supers.first_mut() {
            base.args = handed;
        }
        params
    }

    /// `x = y` before a constructor's body, or what is handed to the base's.
    fn initializer(&mut self, entry: Node<'_>, handed: &mut Vec<Arg>) {
        if let Some(field) = child(entry, "field_initializer") {
            let name = field.child_by_field_name("name").map(|n| self.lower.name(n)).unwrap_or_default();
            if let Some(value) = field.child_by_field_name("value") {
                let value = self.expression(value);
                if let Some(around) = &mut self.class {
                    around.initial.push((name, value));
                }
            }
        } else if has(entry, "super")
            && let Some(arguments) = child(entry, "arguments")
        {
            handed.extend(self.arguments(arguments));
        }
    }

    fn entry(&mut self, node: Node<'_>) -> Id {
        let name = node.child_by_field_name("name").unwrap_or(node);
        let args = child(node, "arguments").map(|n| self.arguments(n)).unwrap_or_default();
        let class = Class {
            name: self.lower.name(name),
            name_span: span(name),
            kind: ClassKind::Entry,
            modifiers: Vec::new(),
            annotations: Vec::new(),
            supers: vec![SuperType { ty: bare_type(SmolStr::default(), span(node)), args }],
            params: Vec::new(),
            members: Vec::new(),
        };
        self.lower.add(Kind::Class(class), node)
    }

    /// An extension's members are functions of what it extends; what is static is a class's.
    fn extension(&mut self, node: Node<'_>) -> Id {
        let receiver = node.child_by_field_name("class").map(|n| self.type_name(n));
        let around = Around { receiver, ..Around::default() };
        let outer = self.class.replace(around);
        let members = node.child_by_field_name("body").map(named).unwrap_or_default();
        let members = self.items(members);
        self.class = outer;
        let is_static = |id: &Id| match self.lower.tree.kind(*id) {
            Kind::Function(function) => function.is(Modifier::Static),
            Kind::Variable(variable) => variable.is(Modifier::Static),
            _ => false,
        };
        let (fixed, mut all): (Vec<Id>, Vec<Id>) = members.into_iter().partition(is_static);
        if let Some(name) = node.child_by_field_name("name").filter(|_| !fixed.is_empty()) {
            let class = Class {
                name: self.lower.name(name),
                name_span: span(name),
                kind: ClassKind::Object,
                modifiers: Vec::new(),
                annotations: Vec::new(),
                supers: Vec::new(),
                params: Vec::new(),
                members: fixed,
            };
            all.push(self.lower.add(Kind::Class(class), node));
        }
        self.lower.add(Kind::Other(all), node)
    }

    fn function_declaration(&mut self, node: Node<'_>) -> Id {
        let modifiers = self.modifiers(node);
        let signature = node.child_by_field_name("signature").or_else(|| child(node, "function_signature"));
        let body = node.child_by_field_name("body").or_else(|| child(node, "function_body"));
        match signature {
            Some(signature) => self.signed(signature, body, modifiers, node),
            None => self.lower.nothing(node),
        }
    }

    /// A member: a field, a method, a constructor.
    fn member_declaration(&mut self, node: Node<'_>) -> Id {
        let method = child(node, "method_declaration");
        let holder = method.unwrap_or(node);
        let mut modifiers = self.modifiers(holder);
        if let Some(method) = method {
            let body = method.child_by_field_name("body");
            let Some(signature) = method.child_by_field_name("signature") else {
                return self.lower.nothing(node);
            };
            modifiers.words.extend(self.modifiers(signature).words);
            let inner = named(signature).into_iter().find(|n| n.kind() != "initializers");
            return match inner {
                Some(inner) => self.signed(inner, body, modifiers, method),
                None => self.lower.nothing(node),
            };
        }
        let Some(declaration) = child(node, "declaration") else { return self.other(node) };
        let inner = named(declaration).into_iter().find(|n| n.kind().ends_with("_signature"));
        match inner {
            Some(signature) => {
                modifiers.words.extend(self.modifiers(declaration).words);
                if let Some(redirection) = child(declaration, "redirection") {
                    return self.redirected(signature, redirection, modifiers, node);
                }
                self.signed(signature, None, modifiers, node)
            }
            None => self.variables(declaration, node),
        }
    }

    /// A function by its signature: a function, a getter, a setter, a constructor, an operator.
    fn signed(
        &mut self,
        signature: Node<'_>,
        body: Option<Node<'_>>,
        mut modifiers: Modifiers,
        node: Node<'_>,
    ) -> Id {
        let constructor = signature.kind().contains("constructor");
        let name =
            if constructor { constructor_name(signature) } else { signature.child_by_field_name("name") };
        let list = child(signature, "formal_parameter_list");
        // What the constructor without a name takes is the class's.
        let of_class = constructor && name.is_none() && !signature.kind().contains("factory");
        let params = list.filter(|_| !of_class).map(|n| self.params(n)).unwrap_or_default();
        let target = signature.child_by_field_name("target");
        let body = match (body.and_then(|n| operands(n).into_iter().next_back()), target) {
            (Some(body), _) => Some(self.item(body)),
            // `factory A() = B`.
            (None, Some(target)) => Some(self.handed_on(target, &params)),
            (None, None) => None,
        };
        let result = signature.child_by_field_name("return_type").map(|n| self.type_name(n));
        let receiver = self.class.as_ref().and_then(|class| class.receiver.clone());
        let receiver = receiver.filter(|_| !modifiers.words.iter().any(|word| word == "static"));
        let written = name.map_or_else(|| "<init>".into(), |n| self.lower.name(n));
        if signature.kind() == "getter_signature" {
            let variable = Variable {
                name: written,
                name_span: name.map_or(span(node), span),
                modifiers: Modifier::among(modifiers.words),
                annotations: modifiers.annotations,
                receiver,
                ty: result,
                getter: body,
                ..Variable::default()
            };
            return self.lower.add(Kind::Variable(variable), node);
        }
        let own = self.class.as_ref().map(|class| class.name.clone()).filter(|_| constructor);
        if constructor {
            modifiers.words.push("constructor".into());
        }
        let function = Function {
            // A setter never stands for what is read.
            name: if signature.kind() == "setter_signature" { format!("{written}=").into() } else { written },
            name_span: name.map_or(span(signature), span),
            modifiers: Modifier::among(modifiers.words),
            annotations: modifiers.annotations,
            receiver,
            type_params: self.lower.type_params(signature),
            params,
            result: own.map(|own| bare_type(own, span(signature))).or(result),
            body,
        };
        self.lower.add(Kind::Function(function), node)
    }

    /// `A.small() : this(1)`: what it makes is what the other constructor makes.
    fn redirected(
        &mut self,
        signature: Node<'_>,
        redirection: Node<'_>,
        modifiers: Modifiers,
        node: Node<'_>,
    ) -> Id {
        let id = self.signed(signature, None, modifiers, node);
        let name = self.class.as_ref().map(|class| class.name.clone()).unwrap_or_default();
        let mut callee = self.lower.add(Kind::Name(name), redirection);
        if let Some(other) = child(redirection, "identifier") {
            let member =
                Member { of: callee, name: self.lower.name(other), name_span: span(other), safe: false };
            callee = self.lower.add(Kind::Member(member), redirection);
        }
        let args = child(redirection, "arguments").map(|n| self.arguments(n)).unwrap_or_default();
        let call = Call { callee, types: Vec::new(), args, new: true, body: None };
        let body = self.lower.add(Kind::Call(call), redirection);
        self.lower.tree.set_body(id, body);
        id
    }

    /// The other constructor called with the same parameters.
    fn handed_on(&mut self, target: Node<'_>, params: &[Id]) -> Id {
        let ty = self.type_name(target);
        let callee = self.lower.add(Kind::Name(ty.name), target);
        let mut args = Vec::new();
        for &id in params {
            let Some(parameter) = self.lower.tree.parameter(id) else { continue };
            let (name, named) = (parameter.name.clone(), parameter.is(Modifier::Named));
            let value = self.lower.add(Kind::Name(name.clone()), target);
            args.push(Arg { name: named.then_some(name), ..plain(value) });
        }
        self.lower.add(Kind::Call(Call { callee, types: Vec::new(), args, new: true, body: None }), target)
    }

    /// The variables of one declaration, each on its own.
    fn variables(&mut self, holder: Node<'_>, node: Node<'_>) -> Id {
        let modifiers = self.modifiers(holder);
        let annotations = self.metadata(node);
        let ty = holder.child_by_field_name("type").or_else(|| child(holder, "type"));
        let ty = ty.map(|n| self.type_name(n));
        let mutable = !modifiers.words.iter().any(|word| matches!(word.as_str(), "final" | "const"));
        let receiver = self.class.as_ref().and_then(|class| class.receiver.clone());
        let mut variables = Vec::new();
        for list in named(holder).into_iter().filter(|n| n.kind().ends_with("_list")) {
            for one in named(list) {
                let declared = self.declared(one, ty.clone(), mutable);
                let initial = self.class.as_ref().and_then(|class| {
                    class.initial.iter().find(|(name, _)| *name == declared.name).map(|(_, value)| *value)
                });
                let variable = Variable {
                    modifiers: Modifier::among(&modifiers.words),
                    receiver: receiver.clone().filter(|_| !modifiers.words.iter().any(|w| w == "static")),
                    init: declared.init.or(initial),
                    ..declared
                };
                variables.push(self.lower.add(Kind::Variable(variable), one));
            }
        }
        if let ([one], false) = (variables.as_slice(), annotations.is_empty()) {
            self.lower.tree.annotate(*one, annotations);
        }
        match variables.as_slice() {
            [one] => *one,
            _ => self.lower.add(Kind::Other(variables), node),
        }
    }

    /// A name with its first value.
    pub(super) fn declared(&mut self, node: Node<'_>, ty: Option<TypeName>, mutable: bool) -> Variable {
        let name = node.child_by_field_name("name").unwrap_or(node);
        Variable {
            name: self.lower.name(name),
            name_span: span(name),
            ty,
            init: node.child_by_field_name("value").map(|n| self.expression(n)),
            mutable,
            ..Variable::default()
        }
    }
}

/// A constructor's own name: `small` in `A.small()`.
fn constructor_name(signature: Node<'_>) -> Option<Node<'_>> {
    let names: Vec<_> = signature.children_by_field_name("name", &mut signature.walk()).collect();
    names.into_iter().filter(|n| n.kind() == "identifier").nth(1)
}

/// The constructor without a name, with what holds its initialisers.
fn unnamed_constructor(member: Node<'_>) -> Option<(Node<'_>, Node<'_>)> {
    let holder = match child(member, "method_declaration") {
        Some(method) => method.child_by_field_name("signature")?,
        None => child(member, "declaration")?,
    };
    let signature = named(holder)
        .into_iter()
        .find(|n| matches!(n.kind(), "constructor_signature" | "constant_constructor_signature"))?;
    constructor_name(signature).is_none().then_some((holder, signature))
}
