//! C#'s members: methods, fields, properties.

use super::{CSharp, body_of};
use crate::syntax::Modifier;
use crate::syntax::code::{child, named, operands, span};
use crate::syntax::{Call, Function, Id, Kind, Variable};
use tree_sitter::Node;

impl CSharp<'_> {
    pub(super) fn method(&mut self, node: Node<'_>) -> Id {
        let modifiers = self.modifiers(node);
        let name = node.child_by_field_name("name");
        let constructor = node.kind() == "constructor_declaration";
        let result = node.child_by_field_name("returns").or_else(|| node.child_by_field_name("type"));
        let params = node.child_by_field_name("parameters");
        let mut function = Function {
            name: if constructor { "<init>".into() } else { self.field_name(node, "name") },
            name_span: name.map_or(span(node), span),
            modifiers: Modifier::among(modifiers.words),
            annotations: modifiers.annotations,
            receiver: None,
            type_params: self.low.type_params(node),
            params: params.map(|n| self.params(n, false)).unwrap_or_default(),
            result: result.map(|n| self.type_name(n)).filter(|ty| ty.name != "void"),
            body: None,
        };
        // The first parameter of an extension method says what it is called on.
        let first = function.params.first().and_then(|&id| self.low.tree.parameter(id));
        if let Some(of) = first.filter(|p| p.is(Modifier::This)) {
            function.receiver = of.ty.clone();
        }
        function.body = self.body(node);
        self.low.add(Kind::Function(function), node)
    }

    /// A body, after what its constructor hands to another.
    fn body(&mut self, node: Node<'_>) -> Option<Id> {
        let handed = child(node, "constructor_initializer").map(|n| self.initializer(n));
        let body = body_of(node)?;
        let id = match body.kind() {
            "block" => self.block(body),
            _ => self.value(body),
        };
        match handed {
            Some(handed) => Some(self.low.add(Kind::Block(vec![handed, id]), body)),
            None => Some(id),
        }
    }

    /// An expression that is all of a body, after what it declares.
    fn value(&mut self, node: Node<'_>) -> Id {
        let outer = std::mem::take(&mut self.hoisted);
        let id = self.expression(node);
        let mut before = std::mem::replace(&mut self.hoisted, outer);
        if before.is_empty() {
            return id;
        }
        before.push(self.low.add(Kind::Return(Some(id)), node));
        self.low.add(Kind::Block(before), node)
    }

    /// `: base(…)`, `: this(…)`.
    fn initializer(&mut self, node: Node<'_>) -> Id {
        let own = child(node, "this");
        let callee = self.low.add(if own.is_some() { Kind::This } else { Kind::Super }, node);
        let args = child(node, "argument_list").map(|n| self.arguments(n)).unwrap_or_default();
        self.low.add(Kind::Call(Call { callee, types: Vec::new(), args, new: false, body: None }), node)
    }

    /// A declaration may name several variables; each is one.
    pub(super) fn variables(&mut self, node: Node<'_>) -> Id {
        let Some(list) = child(node, "variable_declaration") else { return self.low.nothing(node) };
        let mut variables = Vec::new();
        for declarator in named(list).into_iter().filter(|n| n.kind() == "variable_declarator") {
            let modifiers = self.modifiers(node);
            let ty = self.declared(list);
            let fixed = modifiers.words.iter().any(|w| w == "const" || w == "readonly");
            let name = declarator.child_by_field_name("name");
            let value = operands(declarator).into_iter().rfind(|n| {
                Some(n.id()) != name.map(|n| n.id())
                    && !matches!(n.kind(), "tuple_pattern" | "bracketed_argument_list")
            });
            let init = value.map(|n| self.wanted(n, ty.as_ref()));
            let Some(name) = name else {
                variables.extend(init);
                continue;
            };
            let variable = Variable {
                name: self.low.name(name),
                name_span: span(name),
                modifiers: Modifier::among(modifiers.words),
                annotations: modifiers.annotations,
                ty,
                init,
                mutable: !fixed,
                ..Variable::default()
            };
            variables.push(self.low.add(Kind::Variable(variable), declarator));
        }
        match variables.as_slice() {
            [one] => *one,
            _ => self.low.add(Kind::Other(variables), node),
        }
    }

    pub(super) fn property(&mut self, node: Node<'_>) -> Id {
        let modifiers = self.modifiers(node);
        let Some(name) = node.child_by_field_name("name") else { return self.low.nothing(node) };
        let ty = self.declared(node);
        let value = node.child_by_field_name("value");
        let (arrow, value) = match value {
            Some(n) if n.kind() == "arrow_expression_clause" => (operands(n).into_iter().next(), None),
            other => (None, other),
        };
        let init = value.map(|n| self.wanted(n, ty.as_ref()));
        let mut variable = Variable {
            name: self.low.name(name),
            name_span: span(name),
            modifiers: Modifier::among(modifiers.words),
            annotations: modifiers.annotations,
            ty,
            init,
            getter: arrow.map(|n| self.value(n)),
            ..Variable::default()
        };
        let accessors = node.child_by_field_name("accessors").map(named).unwrap_or_default();
        for accessor in accessors.into_iter().filter(|n| n.kind() == "accessor_declaration") {
            let body = self.body(accessor);
            match self.field_name(accessor, "name").as_str() {
                "get" => variable.getter = body,
                _ => {
                    variable.setter = body;
                    variable.mutable = true;
                }
            }
        }
        self.low.add(Kind::Variable(variable), node)
    }
}
