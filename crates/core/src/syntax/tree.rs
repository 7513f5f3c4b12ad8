//! The common tree: what every language's lens lowers its own syntax to. Recoverers and `values`
//! see only this, so that neither knows a parser or a grammar.

use super::Idioms;
use super::nodes::{Annotation, Call, Class, Function, Kind, Parameter, TypeName, Variable};
use crate::model::Span;
use crate::syntax::Modifier;
use smol_str::SmolStr;

/// A node of one [`Tree`].
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub struct Id(pub(super) u32);

/// A lowered file.
#[derive(Debug, Default)]
pub struct Tree {
    nodes: Vec<Node>,
    /// Dotted package, or the library that the file is, as its path; empty where there is none.
    pub package: SmolStr,
    /// It is part of a library whose imports stand in another file.
    pub is_part: bool,
    /// Imports in order.
    pub imports: Vec<Import>,
    /// What its language's own library does.
    pub idioms: &'static Idioms,
    /// Top-level declarations and statements.
    pub items: Vec<Id>,
}

/// One import, or export.
#[derive(Debug, Clone, PartialEq, Eq, Default)]
pub struct Import {
    /// Dotted path, without a trailing `*`; or the library's path.
    pub path: SmolStr,
    /// The name it goes by in this file; `None` for a wildcard.
    pub name: Option<SmolStr>,
    /// What its names are behind here: `nav` in `nav.Names`.
    pub prefix: Option<SmolStr>,
    /// The only names that come in, if any are said.
    pub only: Vec<SmolStr>,
    /// Names that do not come in.
    pub except: Vec<SmolStr>,
    /// Those who import this file get it as well.
    pub exported: bool,
    /// Where it is said, for what is exported under a name.
    pub span: Option<Span>,
}

impl Import {
    /// Whether a wildcard lets a name in.
    #[must_use]
    pub fn lets_in(&self, name: &str) -> bool {
        self.name.is_none()
            && (self.only.is_empty() || self.only.iter().any(|only| only == name))
            && !self.except.iter().any(|except| except == name)
    }
}

/// A node with its place and its parent.
#[derive(Debug)]
pub struct Node {
    /// What it is.
    pub kind: Kind,
    /// Where it is.
    pub span: Span,
    /// The node around it.
    pub parent: Option<Id>,
}

impl Tree {
    /// The one node of [`Tree::hollow`].
    pub const HOLLOW: Id = Id(0);

    /// A tree of one node that says nothing: what stands for a file that is no code.
    #[must_use]
    pub fn hollow() -> Self {
        let mut tree = Self::default();
        tree.add(Kind::Other(Vec::new()), Span::new(0, 0));
        tree
    }

    /// An empty tree of a language.
    pub(super) fn of(idioms: &'static Idioms) -> Self {
        Self { idioms, ..Self::default() }
    }

    /// The node.
    #[must_use]
    pub fn node(&self, id: Id) -> &Node {
        &self.nodes[id.0 as usize]
    }

    /// What the node is.
    #[must_use]
    pub fn kind(&self, id: Id) -> &Kind {
        &self.node(id).kind
    }

    /// Where the node is.
    #[must_use]
    pub fn span(&self, id: Id) -> Span {
        self.node(id).span
    }

    /// The nodes around this one, innermost first.
    pub fn ancestors(&self, id: Id) -> impl Iterator<Item = Id> + '_ {
        std::iter::successors(self.node(id).parent, |&at| self.node(at).parent)
    }

    /// Every node, in the order of lowering: inner ones before outer ones.
    pub fn ids(&self) -> impl Iterator<Item = Id> + use<> {
        (0..u32::try_from(self.nodes.len()).unwrap_or(u32::MAX)).map(Id)
    }

    /// The call, if the node is one.
    #[must_use]
    pub fn call(&self, id: Id) -> Option<&Call> {
        match self.kind(id) {
            Kind::Call(call) => Some(call),
            _ => None,
        }
    }

    /// The class, if the node is one.
    #[must_use]
    pub fn class(&self, id: Id) -> Option<&Class> {
        match self.kind(id) {
            Kind::Class(class) => Some(class),
            _ => None,
        }
    }

    /// The function, if the node is one.
    #[must_use]
    pub fn function(&self, id: Id) -> Option<&Function> {
        match self.kind(id) {
            Kind::Function(function) => Some(function),
            _ => None,
        }
    }

    /// The variable, if the node is one.
    #[must_use]
    pub fn variable(&self, id: Id) -> Option<&Variable> {
        match self.kind(id) {
            Kind::Variable(variable) => Some(variable),
            _ => None,
        }
    }

    /// The parameter, if the node is one.
    #[must_use]
    pub fn parameter(&self, id: Id) -> Option<&Parameter> {
        match self.kind(id) {
            Kind::Parameter(parameter) => Some(parameter),
            _ => None,
        }
    }

    /// The last name of a call's callee with its place: `navigate` in `nav.navigate(…)`.
    #[must_use]
    pub fn callee(&self, call: &Call) -> Option<(&SmolStr, Span)> {
        self.last_name(call.callee)
    }

    /// The last name of a name or member with its place.
    #[must_use]
    pub fn last_name(&self, id: Id) -> Option<(&SmolStr, Span)> {
        match self.kind(id) {
            Kind::Name(name) => Some((name, self.span(id))),
            Kind::Member(member) => Some((&member.name, member.name_span)),
            _ => None,
        }
    }

    /// What a call is made on: `nav` in `nav.navigate(…)`.
    #[must_use]
    pub fn receiver(&self, call: &Call) -> Option<Id> {
        match self.kind(call.callee) {
            Kind::Member(member) => Some(member.of),
            _ => None,
        }
    }

    /// A chain of plain names, dotted: `R.id.shelf`.
    #[must_use]
    pub fn dotted(&self, id: Id) -> Option<String> {
        match self.kind(id) {
            Kind::Name(name) => Some(name.to_string()),
            Kind::Member(member) => Some(format!("{}.{}", self.dotted(member.of)?, member.name)),
            Kind::This => Some("this".to_owned()),
            _ => None,
        }
    }

    /// The innermost node around `id` for which `test` holds.
    pub fn enclosing(&self, id: Id, test: impl Fn(&Kind) -> bool) -> Option<Id> {
        self.ancestors(id).find(|&at| test(self.kind(at)))
    }

    /// Makes a member one of a type that is declared elsewhere, unless it is the type's own.
    pub(super) fn extend_type(&mut self, member: Id, of: &TypeName) {
        match &mut self.nodes[member.0 as usize].kind {
            Kind::Function(function) if !function.is(Modifier::Static) => {
                function.receiver = Some(of.clone())
            }
            Kind::Variable(variable) if !variable.is(Modifier::Static) => {
                variable.receiver = Some(of.clone())
            }
            _ => {}
        }
    }

    /// Gives a function that has none its body.
    pub(super) fn set_body(&mut self, function: Id, body: Id) {
        if let Kind::Function(declared) = &mut self.nodes[function.0 as usize].kind {
            declared.body = Some(body);
            self.nodes[body.0 as usize].parent = Some(function);
        }
    }

    /// Makes a parameter of that name a property of its class as well.
    pub(super) fn keep_as_property(&mut self, parameter: Id, name: &str) {
        if let Kind::Parameter(parameter) = &mut self.nodes[parameter.0 as usize].kind
            && parameter.name == name
        {
            parameter.property = true;
        }
    }

    /// Puts annotations before a variable.
    pub(super) fn annotate(&mut self, variable: Id, annotations: Vec<Annotation>) {
        for arg in annotations.iter().flat_map(|note| &note.args) {
            self.nodes[arg.value.0 as usize].parent = Some(variable);
        }
        if let Kind::Variable(declared) = &mut self.nodes[variable.0 as usize].kind {
            declared.annotations = annotations;
        }
    }

    /// Adds a node whose children are in place and makes it their parent.
    pub(super) fn add(&mut self, kind: Kind, span: Span) -> Id {
        let id = Id(u32::try_from(self.nodes.len()).unwrap_or(u32::MAX));
        for child in kind.children() {
            self.nodes[child.0 as usize].parent = Some(id);
        }
        self.nodes.push(Node { kind, span, parent: None });
        id
    }
}
