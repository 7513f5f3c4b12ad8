//! Swift's patterns: what a value must look like, and the names that it binds.

use super::Swift;
use super::types::is_type;
use crate::syntax::code::{children, named, plain, span};
use crate::syntax::{Arg, Id, Kind, Member, Variable};
use tree_sitter::Node;

impl Swift<'_> {
    /// A pattern. With `binds`, bare names in it are new ones.
    pub(super) fn pattern(&mut self, node: Node<'_>, binds: bool) -> Id {
        if !self.0.enter(node) {
            return self.0.nothing(node);
        }
        let id = self.pattern_of(children(node), node, binds);
        self.0.leave();
        id
    }

    /// A pattern by its parts: a condition's stand among other tokens.
    pub(super) fn pattern_of(&mut self, mut parts: Vec<Node<'_>>, whole: Node<'_>, binds: bool) -> Id {
        parts.retain(|n| !n.is_extra());
        let binds = binds || parts.first().is_some_and(|n| n.kind() == "value_binding_pattern");
        parts.retain(|n| !matches!(n.kind(), "value_binding_pattern" | "?"));
        if let Some(at) = parts.iter().position(|n| n.kind() == "as")
            && let Some(ty) = parts.get(at + 1).copied()
        {
            let of = self.pattern_of(parts[..at].to_vec(), whole, binds);
            let ty = self.type_name(ty);
            return self.0.add(Kind::Cast { of, ty, safe: true }, whole);
        }
        let dot = parts.iter().position(|n| n.kind() == ".");
        match (parts.as_slice(), dot) {
            (_, Some(dot)) => self.case(&parts, dot, whole, binds),
            ([first, ..], None) if first.kind() == "(" => {
                let inner: Vec<Node<'_>> = parts.iter().copied().filter(|n| n.kind() == "pattern").collect();
                match inner.as_slice() {
                    [one] => self.pattern(*one, binds),
                    _ => {
                        let items = inner.into_iter().map(|n| self.pattern(n, binds)).collect();
                        self.0.add(Kind::Other(items), whole)
                    }
                }
            }
            ([is, ty, ..], None) if is.kind() == "is" => {
                let of = self.0.nothing(whole);
                let ty = self.type_name(*ty);
                self.0.add(Kind::Cast { of, ty, safe: true }, whole)
            }
            ([one], None) => match one.kind() {
                "simple_identifier" if binds => self.binding(*one),
                "pattern" => self.pattern(*one, binds),
                "wildcard_pattern" => self.0.nothing(*one),
                _ => self.expression(*one),
            },
            _ => self.0.nothing(whole),
        }
    }

    /// `.item(let id)`, `Route.item(let id)`, `.shelf`.
    fn case(&mut self, parts: &[Node<'_>], dot: usize, whole: Node<'_>, binds: bool) -> Id {
        let Some(name) = parts.get(dot + 1).copied() else { return self.0.nothing(whole) };
        let owner = parts[..dot].iter().find(|n| is_type(**n) || n.is_named()).copied();
        let of = owner.map(|n| {
            let name = self.0.str(n).split_whitespace().collect::<String>();
            let mut parts = name.split('.');
            let first = parts.next().unwrap_or_default();
            let mut id = self.0.add(Kind::Name(first.into()), n);
            for part in parts {
                let member = Member { of: id, name: part.into(), name_span: span(n), safe: false };
                id = self.0.add(Kind::Member(member), n);
            }
            id
        });
        let carries = parts.get(dot + 2).is_some_and(|n| n.kind() == "(");
        if let (Some(of), false) = (of, carries) {
            let member = Member { of, name: self.0.name(name), name_span: span(name), safe: false };
            return self.0.add(Kind::Member(member), whole);
        }
        let args = match carries {
            true => self.bound(&parts[dot + 2..], binds),
            false => Vec::new(),
        };
        let kind = Kind::Case { of, name: self.0.name(name), name_span: span(name), args };
        self.0.add(kind, whole)
    }

    /// What a case's values are bound to, with their labels.
    fn bound(&mut self, parts: &[Node<'_>], binds: bool) -> Vec<Arg> {
        let mut args = Vec::new();
        for group in self.groups(parts.to_vec()) {
            let Some(pattern) = group.iter().find(|n| n.kind() == "pattern").copied() else { continue };
            let label = group.first().filter(|n| n.kind() == "simple_identifier").map(|n| self.0.name(*n));
            let value = self.pattern(pattern, binds);
            args.push(Arg { name: label, ..plain(value) });
        }
        args
    }

    /// A name that a pattern gives to what it finds.
    pub(super) fn binding(&mut self, node: Node<'_>) -> Id {
        let variable = Variable { name: self.0.name(node), name_span: span(node), ..Variable::default() };
        self.0.add(Kind::Variable(variable), node)
    }

    /// The condition of an if, guard or while: values, names bound to what is there, cases.
    pub(super) fn conditions(&mut self, node: Node<'_>) -> Vec<Id> {
        let parts = children(node);
        let end = parts.iter().position(|n| matches!(n.kind(), "{" | "else")).unwrap_or(parts.len());
        let mut depth = 0_usize;
        let mut groups: Vec<Vec<Node<'_>>> = vec![Vec::new()];
        for part in parts[..end].iter().skip(1).copied() {
            match part.kind() {
                "(" => depth += 1,
                ")" => depth = depth.saturating_sub(1),
                "," if depth == 0 => {
                    groups.push(Vec::new());
                    continue;
                }
                _ => {}
            }
            groups.last_mut().into_iter().for_each(|group| group.push(part));
        }
        // The grammar loses a comma now and then: what follows a whole value is a condition of its own.
        groups.into_iter().flat_map(|group| self.condition(&group, node)).collect()
    }

    fn condition(&mut self, group: &[Node<'_>], whole: Node<'_>) -> Vec<Id> {
        let equals = group.iter().position(|n| n.kind() == "=");
        let value = equals.and_then(|at| group.get(at + 1)).copied();
        let rest = equals.map_or(group.len(), |at| at + 2).min(group.len());
        let mut found = Vec::new();
        match group.first().map(Node::kind) {
            Some("case") => {
                let pattern = group[1..equals.unwrap_or(group.len())].to_vec();
                let at = pattern.first().copied().unwrap_or(whole);
                let left = self.pattern_of(pattern, at, false);
                if let Some(value) = value {
                    let right = self.expression(value);
                    found.push(self.0.add(Kind::Binary { op: "case".into(), left, right }, value));
                }
            }
            Some("value_binding_pattern") => found.extend(self.bound_condition(group, value)),
            _ => {
                let values = group.iter().filter(|n| n.is_named() && !n.is_extra());
                found.extend(values.map(|n| self.expression(*n)).collect::<Vec<_>>());
                return found;
            }
        }
        let left_over = group[rest..].iter().filter(|n| n.is_named() && !n.is_extra());
        found.extend(left_over.map(|n| self.expression(*n)).collect::<Vec<_>>());
        found
    }

    /// `let shelf = found`, `let shelf`.
    fn bound_condition(&mut self, group: &[Node<'_>], value: Option<Node<'_>>) -> Option<Id> {
        let name = group.iter().find(|n| n.kind() == "simple_identifier").copied()?;
        let ty = group.iter().find(|n| n.kind() == "type_annotation").and_then(|n| self.annotated(*n));
        let init = match value {
            Some(value) => self.expression(value),
            None => self.expression(name),
        };
        let init = self.0.add(Kind::Unary { op: "let".into(), of: init }, value.unwrap_or(name));
        let variable = Variable {
            name: self.0.name(name),
            name_span: span(name),
            ty,
            init: Some(init),
            ..Variable::default()
        };
        Some(self.0.add(Kind::Variable(variable), name))
    }

    /// A choice's entries.
    pub(super) fn arms(&mut self, node: Node<'_>) -> Vec<crate::syntax::Arm> {
        let entries: Vec<_> = named(node).into_iter().filter(|n| n.kind() == "switch_entry").collect();
        let mut arms = Vec::new();
        for entry in entries {
            let patterns: Vec<_> = named(entry)
                .into_iter()
                .filter(|n| n.kind() == "switch_pattern")
                .filter_map(|n| named(n).into_iter().next())
                .collect();
            let mut tests: Vec<Id> = patterns.into_iter().map(|n| self.pattern(n, false)).collect();
            // `where`: what is asked besides.
            let parts = children(entry);
            let asked = parts.iter().skip_while(|n| n.kind() != "where_keyword").nth(1).copied();
            tests.extend(asked.map(|n| self.expression(n)));
            let body = self.body(entry);
            arms.push(crate::syntax::Arm { tests, body });
        }
        arms
    }
}
