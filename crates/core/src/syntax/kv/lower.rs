//! From lines to the common tree.

use super::lines::{Line, below};
use crate::model::Span;
use crate::syntax::Modifier;
use crate::syntax::code::{named, plain};
use crate::syntax::python::{Names, Python};
use crate::syntax::{
    Arg, Call, Class, ClassKind, Function, Id, Import, Kind, Piece, SuperType, Trouble, TypeName, Variable,
};
use smol_str::SmolStr;
use tree_sitter::{Parser, Point, Range};

/// The function that stands for all that a rule sets up.
const SET_UP: &str = "<kv>";

/// A document's items, and the first line that says nothing.
pub(super) fn document(lens: &mut Python<'_>, lines: &[Line]) -> (Vec<Id>, Option<Trouble>) {
    let mut lower = Kv { lens, names: Names::Tree, trouble: None };
    let mut items = Vec::new();
    let mut at = 0;
    while at < lines.len() {
        let inner = &lines[at + 1..at + 1 + below(lines, at)];
        let text = lines[at].text(lower.lens.0.text);
        if let Some(directive) = text.strip_prefix("#:") {
            items.extend(lower.directive(lines[at], directive));
        } else if text.starts_with('<') {
            items.extend(lower.rule(lines[at], inner));
        } else if let Some(widget) = lower.widget(lines[at], inner) {
            items.push(widget);
        } else {
            lower.note(lines[at]);
        }
        at += 1 + inner.len();
    }
    (items, lower.trouble)
}

struct Kv<'l, 't> {
    lens: &'l mut Python<'t>,
    /// Who `root` and `self` are.
    names: Names,
    trouble: Option<Trouble>,
}

/// What a widget's lines say.
#[derive(Default)]
struct Content {
    /// Properties, with where each name stands.
    properties: Vec<(SmolStr, Span, Id)>,
    /// Handlers.
    handlers: Vec<(SmolStr, Id)>,
    /// Widgets in it.
    children: Vec<Id>,
}

impl Kv<'_, '_> {
    fn note(&mut self, line: Line) {
        let at = u32::try_from(line.start).unwrap_or(u32::MAX);
        self.trouble.get_or_insert((at, "not valid here; read as far as it could be understood".to_owned()));
    }

    /// `#:import name path`, `#:set NAME value`.
    fn directive(&mut self, line: Line, text: &str) -> Option<Id> {
        let mut words = text.split_whitespace();
        match (words.next()?, words.next(), words.next()) {
            ("import", Some(name), Some(path)) => {
                let known = |import: &Import| {
                    import.name.as_deref() == Some(name) || import.prefix.as_deref() == Some(name)
                };
                if !self.lens.0.tree.imports.iter().any(known) {
                    let import = Import { path: path.into(), name: Some(name.into()), ..Import::default() };
                    self.lens.0.tree.imports.push(import);
                }
                None
            }
            ("set", Some(name), Some(_)) => {
                let offset = line.text(self.lens.0.text).find(name)?;
                let value = line.start + offset + name.len();
                let init = self.python(&[(value, line.end)]);
                let start = line.start + offset;
                let variable = Variable {
                    name: name.into(),
                    name_span: Span::new(start, start + name.len()),
                    init: init.into_iter().next(),
                    ..Variable::default()
                };
                Some(self.lens.0.tree.add(Kind::Variable(variable), Span::new(start, line.end)))
            }
            _ => None,
        }
    }

    /// `<A, B>:`, `<New@Base>:`, `<-A>:`.
    fn rule(&mut self, line: Line, inner: &[Line]) -> Vec<Id> {
        let text = line.text(self.lens.0.text);
        let Some(close) = text.find('>') else {
            self.note(line);
            return Vec::new();
        };
        self.names = Names::Rule;
        let head = &text[1..close];
        let mut offset = line.start + 1;
        let mut found = Vec::new();
        for part in head.split(',') {
            let lead = part.len() - part.trim_start().len();
            let name_at = offset + lead + usize::from(part.trim_start().starts_with('-'));
            offset += part.len() + 1;
            let name = part.trim().trim_start_matches('-');
            let (name, bases) =
                name.split_once('@').map_or((name, None), |(name, bases)| (name, Some(bases)));
            // Several names share what is below: it is lowered for each of them.
            let content = self.content(inner);
            found.push(self.class(name.trim(), bases, name_at, line, content));
        }
        self.names = Names::Tree;
        found
    }

    fn class(&mut self, name: &str, bases: Option<&str>, at: usize, line: Line, content: Content) -> Id {
        let name_span = Span::new(at, at + name.len());
        let whole = Span::new(line.start, line.end);
        let this = self.lens.0.tree.add(Kind::This, name_span);
        let args = self.arguments(content);
        let call = Call { callee: this, types: Vec::new(), args, new: false, body: None };
        let set_up = self.lens.0.tree.add(Kind::Call(call), whole);
        let function = Function {
            name: SET_UP.into(),
            name_span,
            modifiers: Vec::new(),
            annotations: Vec::new(),
            receiver: None,
            type_params: Vec::new(),
            params: Vec::new(),
            result: None,
            body: Some(set_up),
        };
        let function = self.lens.0.tree.add(Kind::Function(function), whole);
        let base = |name: &str| SuperType {
            ty: TypeName { name: name.trim().into(), span: name_span, ..TypeName::default() },
            args: Vec::new(),
        };
        let class = Class {
            name: name.into(),
            name_span,
            kind: if bases.is_some() { ClassKind::Class } else { ClassKind::Extension },
            modifiers: vec![Modifier::Rule],
            annotations: Vec::new(),
            supers: bases.map(|bases| bases.split('+').map(base).collect()).unwrap_or_default(),
            params: Vec::new(),
            members: vec![function],
        };
        self.lens.0.tree.add(Kind::Class(class), whole)
    }

    /// `Name:` with what is below it.
    fn widget(&mut self, line: Line, inner: &[Line]) -> Option<Id> {
        let text = line.text(self.lens.0.text);
        let name = text.strip_suffix(':')?.trim();
        let is_name = name.starts_with(char::is_uppercase)
            && name.chars().all(|c| c.is_alphanumeric() || matches!(c, '_' | '.'));
        is_name.then_some(())?;
        let content = self.content(inner);
        let span = Span::new(line.start, line.start + name.len());
        let callee = self.lens.0.tree.add(Kind::Name(name.into()), span);
        let args = self.arguments(content);
        let call = Call { callee, types: Vec::new(), args, new: false, body: None };
        Some(self.lens.0.tree.add(Kind::Call(call), Span::new(line.start, line.end)))
    }

    fn arguments(&mut self, content: Content) -> Vec<Arg> {
        let properties = content.properties.into_iter().map(|(name, _, value)| (name, value));
        let named =
            properties.chain(content.handlers).map(|(name, value)| Arg { name: Some(name), ..plain(value) });
        named.chain(content.children.into_iter().map(plain)).collect()
    }

    /// What stands below a rule or widget.
    fn content(&mut self, lines: &[Line]) -> Content {
        let mut found = Content::default();
        let Some(indent) = lines.first().map(|line| line.indent) else { return found };
        let mut at = 0;
        while at < lines.len() {
            let line = lines[at];
            let inner = &lines[at + 1..at + 1 + below(lines, at)];
            at += 1 + inner.len();
            if line.indent > indent {
                continue;
            }
            let text = line.text(self.lens.0.text);
            if text.starts_with("#:") {
                continue;
            }
            if let Some(widget) = self.widget(line, inner) {
                found.children.push(widget);
                continue;
            }
            let Some((name, _)) = text.split_once(':').filter(|(name, _)| is_property(name)) else {
                // What goes on behind a backslash belongs to the line before.
                self.note(line);
                continue;
            };
            let name = name.trim_end();
            if name.starts_with("canvas") {
                continue;
            }
            self.property(name, line, inner, &mut found);
        }
        found
    }

    fn property(&mut self, name: &str, line: Line, inner: &[Line], found: &mut Content) {
        let text = self.lens.0.text;
        let colon = line.start + line.text(text).find(':').unwrap_or_default() + 1;
        let mut ranges: Vec<(usize, usize)> = vec![(colon, line.end)];
        ranges.extend(inner.iter().map(|line| (line.start, line.end)));
        ranges.retain(|(start, end)| text.get(*start..*end).is_some_and(|text| !text.trim().is_empty()));
        let span = Span::new(line.start, line.start + name.len());
        if name == "id" {
            let id =
                text.get(colon..line.end).unwrap_or_default().split('#').next().unwrap_or_default().trim();
            let value = self.lens.0.tree.add(Kind::Text(vec![Piece::Text(id.into())]), span);
            found.properties.push(("id".into(), span, value));
            return;
        }
        if let Some(handler) = Some(name).filter(|name| name.starts_with("on_")) {
            let items = self.handler(&ranges, inner);
            let end = ranges.last().map_or(line.end, |range| range.1);
            let at = Span::new(ranges.first().map_or(line.start, |range| range.0), end);
            let body = self.lens.0.tree.add(Kind::Block(items), at);
            let lambda = self.lens.0.tree.add(Kind::Lambda { params: Vec::new(), body }, at);
            found.handlers.push((handler.into(), lambda));
            return;
        }
        if let Some(value) = self.python(&ranges).into_iter().next() {
            found.properties.push((name.into(), span, value));
        }
    }

    /// The statements of a handler: deeper lines of it keep how far they are set in.
    fn handler(&mut self, ranges: &[(usize, usize)], inner: &[Line]) -> Vec<Id> {
        let Some(indent) = inner.iter().map(|line| line.indent).min() else { return self.python(ranges) };
        let text = self.lens.0.text;
        let lines = ranges.iter().map(|&(start, end)| match inner.iter().find(|line| line.start == start) {
            Some(line) => {
                let extra = line.indent.saturating_sub(indent);
                (start.saturating_sub(extra), end)
            }
            None => (start, end),
        });
        let lines: Vec<_> = lines.filter(|&(start, end)| text.get(start..end).is_some()).collect();
        self.python(&lines)
    }

    /// What Python makes of some parts of the text, as if they stood one below the other.
    fn python(&mut self, ranges: &[(usize, usize)]) -> Vec<Id> {
        let text = self.lens.0.text;
        let mut parser = Parser::new();
        if parser.set_language(&tree_sitter_python::LANGUAGE.into()).is_err() {
            return Vec::new();
        }
        let ranges: Vec<Range> = ranges
            .iter()
            .enumerate()
            .map(|(row, &(start, end))| {
                let lead = text[start..end].len() - text[start..end].trim_start().len();
                let start = if row == 0 { start + lead } else { start };
                // The line break ends a statement.
                let end = (end + usize::from(text[end..].starts_with('\n'))).min(text.len());
                let column = 0;
                Range {
                    start_byte: start,
                    end_byte: end,
                    start_point: Point { row, column },
                    end_point: Point { row: row + 1, column: 0 },
                }
            })
            .collect();
        if parser.set_included_ranges(&ranges).is_err() {
            return Vec::new();
        }
        let Some(tree) = parser.parse(text, None) else { return Vec::new() };
        self.lens.open();
        let before = self.lens.names_of(self.names);
        let items = self.lens.items(named(tree.root_node()));
        self.lens.names_of(before);
        self.lens.close();
        items
    }
}

fn is_property(name: &str) -> bool {
    let name = name.trim_end();
    !name.is_empty()
        && name.starts_with(|c: char| c.is_alphabetic() || c == '_')
        && name.chars().all(|c| c.is_alphanumeric() || matches!(c, '_' | '.' | ' '))
}
