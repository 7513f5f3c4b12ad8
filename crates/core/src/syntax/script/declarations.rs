//! Functions, variables, classes, enums.

use super::Script;
use crate::model::Span;
use crate::syntax::Modifier;
use crate::syntax::code::{bare_type, child, has, named, span};
use crate::syntax::{
    Class, ClassKind, Entry, Function, Id, Kind, Parameter, Piece, SuperType, TypeName, Variable,
};
use smol_str::SmolStr;
use tree_sitter::Node;

/// Functions that hand the function they are given back, as far as its callers can tell.
const WRAPPERS: &[&str] = &["forwardRef", "memo", "observer", "useCallback"];

/// The name of a parameter that is taken apart at once.
const TAKEN_APART: &str = "<props>";

impl Script<'_> {
    /// The declaration, if the node is one.
    pub(super) fn declaration(&mut self, node: Node<'_>) -> Option<Id> {
        let id = match node.kind() {
            "function_declaration" | "generator_function_declaration" => self.function(node),
            "class_declaration" | "abstract_class_declaration" | "class" => self.class(node),
            "lexical_declaration" | "variable_declaration" => self.variables(node),
            "enum_declaration" => self.enumeration(node),
            "type_alias_declaration" => self.alias(node),
            "interface_declaration" => self.interface(node),
            "ambient_declaration" | "internal_module" | "module" => self.space(node),
            _ => return None,
        };
        Some(id)
    }

    /// What stands in a namespace is declared all the same.
    pub(super) fn space(&mut self, node: Node<'_>) -> Id {
        let inside = named(node).into_iter().find(|n| n.kind() == "statement_block").unwrap_or(node);
        let parts = named(inside).into_iter().filter(|n| n.kind() != "identifier").collect();
        let items = self.items(parts);
        self.0.add(Kind::Other(items), node)
    }

    fn function(&mut self, node: Node<'_>) -> Id {
        let name = node.child_by_field_name("name");
        let (written, at) = (name.map(|n| self.0.name(n)).unwrap_or_default(), name.map_or(span(node), span));
        self.function_named(written, at, node, Vec::new(), None, node)
    }

    /// A function or method by its node, under a name that may stand elsewhere.
    pub(super) fn function_named(
        &mut self,
        name: SmolStr,
        name_span: Span,
        function: Node<'_>,
        modifiers: Vec<SmolStr>,
        ty: Option<TypeName>,
        node: Node<'_>,
    ) -> Id {
        let (params, mut apart) = self.parameters(function, ty);
        let body = function.child_by_field_name("body").map(|n| self.item(n));
        let body = body.map(|body| self.with_parts(&mut apart, body, function));
        let result = function.child_by_field_name("return_type").map(|n| self.annotated(n));
        let declared = Function {
            name,
            name_span,
            modifiers: Modifier::among(modifiers),
            annotations: Vec::new(),
            receiver: None,
            type_params: self.0.type_params(function),
            params,
            result,
            body,
        };
        self.0.add(Kind::Function(declared), node)
    }

    /// A body with what its parameters are taken apart to before it.
    pub(super) fn with_parts(&mut self, apart: &mut Vec<Id>, body: Id, node: Node<'_>) -> Id {
        if apart.is_empty() {
            return body;
        }
        let mut items = std::mem::take(apart);
        match self.0.tree.kind(body) {
            Kind::Block(inside) => items.extend(inside.clone()),
            _ => {
                let at = self.0.tree.span(body);
                items.push(self.0.tree.add(Kind::Return(Some(body)), at));
            }
        }
        let end = span(node);
        let at = node.child_by_field_name("body").map_or(end, span);
        // What is taken apart stands before the body.
        self.0.tree.add(Kind::Block(items), Span { start: span(node).start, end: at.end })
    }

    /// Parameters, and the variables that patterns among them declare. `ty` is the type of the first,
    /// where the function's own type says it.
    pub(super) fn parameters(&mut self, function: Node<'_>, ty: Option<TypeName>) -> (Vec<Id>, Vec<Id>) {
        let (mut params, mut apart) = (Vec::new(), Vec::new());
        if let Some(single) = function.child_by_field_name("parameter") {
            let parameter = Parameter { name: self.0.name(single), ty, ..Parameter::default() };
            return (vec![self.0.add(Kind::Parameter(parameter), single)], apart);
        }
        let list = function.child_by_field_name("parameters").map(named).unwrap_or_default();
        for (i, part) in list.into_iter().enumerate() {
            let pattern = part.child_by_field_name("pattern").unwrap_or(part);
            let written = part.child_by_field_name("type").map(|n| self.annotated(n));
            let ty = written.or_else(|| ty.clone().filter(|_| i == 0));
            let default = part.child_by_field_name("value").map(|n| self.expression(n));
            let mut modifiers: Vec<SmolStr> = Vec::new();
            if part.kind() == "optional_parameter" {
                modifiers.push("optional".into());
            }
            let whole = matches!(pattern.kind(), "identifier" | "this");
            let (pattern, rest) = match pattern.kind() {
                "rest_pattern" => (named(pattern).into_iter().next().unwrap_or(pattern), true),
                _ => (pattern, false),
            };
            if rest {
                modifiers.push("vararg".into());
            }
            let simple = whole || pattern.kind() == "identifier";
            let name = if simple { self.0.name(pattern) } else { format!("{TAKEN_APART}{i}").into() };
            let property = child(part, "accessibility_modifier").is_some();
            let parameter = Parameter {
                name: name.clone(),
                ty,
                default,
                property,
                modifiers: Modifier::among(modifiers),
                ..Parameter::default()
            };
            params.push(self.0.add(Kind::Parameter(parameter), part));
            if !simple {
                let whole = |lens: &mut Self, at: Span| lens.0.tree.add(Kind::Name(name.clone()), at);
                self.taken_apart(pattern, &whole, &mut apart);
            }
        }
        (params, apart)
    }

    /// `const a = 1, { b } = c;`. A function that a name is given is declared by it.
    fn variables(&mut self, node: Node<'_>) -> Id {
        let mutable = !has(node, "const");
        let mut found = Vec::new();
        for part in named(node).into_iter().filter(|n| n.kind() == "variable_declarator") {
            if self.required(part) {
                continue;
            }
            let (Some(name), value) = (part.child_by_field_name("name"), part.child_by_field_name("value"))
            else {
                continue;
            };
            if name.kind() != "identifier" {
                let Some(value) = value else { continue };
                found.extend(self.destructured(name, value));
                continue;
            }
            let ty = part.child_by_field_name("type").map(|n| self.annotated(n));
            let written = self.0.name(name);
            found.push(match value {
                Some(value) if !mutable || is_function(value) => {
                    self.named_value(written, span(name), value, ty, part)
                }
                _ => {
                    let init = value.map(|n| self.expression(n));
                    let variable = Variable {
                        name: written,
                        name_span: span(name),
                        ty,
                        init,
                        mutable,
                        ..Variable::default()
                    };
                    self.0.add(Kind::Variable(variable), part)
                }
            });
        }
        match found.as_slice() {
            [one] => *one,
            _ => self.0.add(Kind::Other(found), node),
        }
    }

    /// What a name stands for: a function, if the value is one or only wraps one.
    pub(super) fn named_value(
        &mut self,
        name: SmolStr,
        name_span: Span,
        value: Node<'_>,
        ty: Option<TypeName>,
        node: Node<'_>,
    ) -> Id {
        if let Some(function) = self.inner_function(value) {
            let props = ty.as_ref().and_then(|ty| ty.args.first().cloned());
            return self.function_named(name, name_span, function, Vec::new(), props, node);
        }
        let init = Some(self.expression(value));
        let variable = Variable { name, name_span, ty, init, ..Variable::default() };
        self.0.add(Kind::Variable(variable), node)
    }

    /// The function that a value is, or that a wrapper is given first.
    fn inner_function<'n>(&self, value: Node<'n>) -> Option<Node<'n>> {
        if is_function(value) {
            return Some(value);
        }
        (value.kind() == "call_expression").then_some(())?;
        let callee = value.child_by_field_name("function")?;
        let last = callee.child_by_field_name("property").unwrap_or(callee);
        WRAPPERS.contains(&self.0.str(last)).then_some(())?;
        let first = named(value.child_by_field_name("arguments")?).into_iter().next()?;
        self.inner_function(first)
    }

    fn class(&mut self, node: Node<'_>) -> Id {
        let name = node.child_by_field_name("name");
        let mut class = Class {
            name: name.map(|n| self.0.name(n)).unwrap_or_default(),
            name_span: name.map_or(span(node), span),
            kind: if name.is_some() { ClassKind::Class } else { ClassKind::Anonymous },
            modifiers: if node.kind().starts_with("abstract") {
                vec![Modifier::Abstract]
            } else {
                Vec::new()
            },
            annotations: Vec::new(),
            supers: Vec::new(),
            params: Vec::new(),
            members: Vec::new(),
        };
        if let Some(heritage) = child(node, "class_heritage") {
            class.supers = self.heritage(heritage);
        }
        let mut constructor = None;
        for member in node.child_by_field_name("body").map(named).unwrap_or_default() {
            match member.kind() {
                "method_definition" => {
                    let method = self.method(member);
                    if self.0.tree.function(method).is_some_and(|f| f.name == "constructor") {
                        class.params =
                            self.0.tree.function(method).map(|f| f.params.clone()).unwrap_or_default();
                        constructor = Some(member);
                    }
                    class.members.push(method);
                }
                "public_field_definition" | "field_definition" => {
                    let field = self.field(member);
                    class.members.push(field);
                }
                "decorator" => {}
                _ => {
                    let other = self.item(member);
                    class.members.push(other);
                }
            }
        }
        if let Some(constructor) = constructor {
            let fields = self.set_on_object(constructor, &class.members);
            class.members.extend(fields);
        }
        self.take_properties(&mut class, name.unwrap_or(node));
        self.0.add(Kind::Class(class), node)
    }

    /// `extends React.Component<Props>`; in JavaScript the expression stands alone.
    fn heritage(&mut self, node: Node<'_>) -> Vec<SuperType> {
        let mut found = Vec::new();
        for part in named(node) {
            match part.kind() {
                "extends_clause" => {
                    let name = part.child_by_field_name("value").map(|n| self.dotted(n)).unwrap_or_default();
                    let args = part.child_by_field_name("type_arguments").map(|n| self.type_args(n));
                    let ty = TypeName { args: args.unwrap_or_default(), ..bare_type(name, span(part)) };
                    found.push(SuperType { ty, args: Vec::new() });
                }
                "implements_clause" => {
                    for base in named(part) {
                        found.push(SuperType { ty: self.type_name(base), args: Vec::new() });
                    }
                }
                _ => {
                    let ty = bare_type(self.dotted(part), span(part));
                    found.push(SuperType { ty, args: Vec::new() });
                }
            }
        }
        found
    }

    fn dotted(&self, node: Node<'_>) -> SmolStr {
        self.0.str(node).split_whitespace().collect::<String>().into()
    }

    fn modifiers(&self, node: Node<'_>) -> Vec<SmolStr> {
        ["static", "async", "abstract"].into_iter().filter(|word| has(node, word)).map(Into::into).collect()
    }

    pub(super) fn method(&mut self, node: Node<'_>) -> Id {
        let name = node.child_by_field_name("name").unwrap_or(node);
        let (written, modifiers) = (self.0.name(name), self.modifiers(node));
        if has(node, "get") {
            let body = node.child_by_field_name("body").map(|n| self.item(n));
            let variable = Variable {
                name: written,
                name_span: span(name),
                modifiers: Modifier::among(modifiers),
                getter: body,
                ..Variable::default()
            };
            return self.0.add(Kind::Variable(variable), node);
        }
        self.function_named(written, span(name), node, modifiers, None, node)
    }

    fn field(&mut self, node: Node<'_>) -> Id {
        let name = node.child_by_field_name("name").unwrap_or(node);
        let (written, modifiers) = (self.0.name(name), self.modifiers(node));
        let ty = node.child_by_field_name("type").map(|n| self.annotated(n));
        match node.child_by_field_name("value") {
            Some(value) if is_function(value) => {
                self.function_named(written, span(name), value, modifiers, None, node)
            }
            value => {
                let init = value.map(|n| self.expression(n));
                let variable = Variable {
                    name: written,
                    name_span: span(name),
                    modifiers: Modifier::among(modifiers),
                    ty,
                    init,
                    mutable: true,
                    ..Variable::default()
                };
                self.0.add(Kind::Variable(variable), node)
            }
        }
    }

    /// An enum is an object with a value a name.
    fn enumeration(&mut self, node: Node<'_>) -> Id {
        let name = node.child_by_field_name("name").unwrap_or(node);
        let mut entries = Vec::new();
        for part in node.child_by_field_name("body").map(named).unwrap_or_default() {
            let key = part.child_by_field_name("name").unwrap_or(part);
            let text = self.0.str(key).trim_matches(['\'', '"']).into();
            let key = self.0.add(Kind::Text(vec![Piece::Text(text)]), key);
            let value = match part.child_by_field_name("value") {
                Some(value) => self.expression(value),
                None => self.0.add(Kind::Number(entries.len().to_string().into()), part),
            };
            entries.push(Entry { key: Some(key), value });
        }
        let init = Some(self.0.add(Kind::Map(entries), node));
        let variable =
            Variable { name: self.0.name(name), name_span: span(name), init, ..Variable::default() };
        self.0.add(Kind::Variable(variable), node)
    }
}

pub(super) fn is_function(node: Node<'_>) -> bool {
    matches!(node.kind(), "arrow_function" | "function_expression" | "function" | "generator_function")
}
