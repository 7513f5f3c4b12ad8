//! What a node of the common tree can be.

use super::Id;
use super::modifiers::Modifier;
use super::operators::{AssignOp, BinaryOp, UnaryOp};
use crate::model::Span;
use smol_str::SmolStr;

/// What a node is.
#[derive(Debug)]
pub enum Kind {
    /// A class, interface, object, enum or enum entry.
    Class(Class),
    /// A function, method or secondary constructor.
    Function(Function),
    /// A property, field or local.
    Variable(Variable),
    /// A parameter of a function, constructor or lambda.
    Parameter(Parameter),
    /// Statements in order: a body, an initialiser.
    Block(Vec<Id>),
    /// A bare name.
    Name(SmolStr),
    /// `of.name`.
    Member(Member),
    /// A call or the making of an object.
    Call(Call),
    /// A string, in pieces.
    Text(Vec<Piece>),
    /// A number as written.
    Number(SmolStr),
    /// `true` or `false`.
    Bool(bool),
    /// `null`.
    Null,
    /// `left op right`.
    Binary { op: BinaryOp, left: Id, right: Id },
    /// `op of`, or `of op`.
    Unary { op: UnaryOp, of: Id },
    /// A choice among values: if, when, switch, ternary.
    Branch { subject: Option<Id>, arms: Vec<Arm> },
    /// An anonymous function.
    Lambda { params: Vec<Id>, body: Id },
    /// `target op value`.
    Assign { target: Id, op: AssignOp, value: Id },
    /// `of as ty`.
    Cast { of: Id, ty: TypeName, safe: bool },
    /// `of[args]`.
    Index { of: Id, args: Vec<Id> },
    /// A list or set written out.
    List(Vec<Arg>),
    /// A map or object written out.
    Map(Vec<Entry>),
    /// What a value must look like in a choice: `.item(let id)`, with the names that it binds.
    Case { of: Option<Id>, name: SmolStr, name_span: Span, args: Vec<Arg> },
    /// The type that is wanted where this stands: what `.shelf` is a member of.
    Implied,
    /// `\.shelf.name`: the names on the way.
    KeyPath(Vec<SmolStr>),
    /// `this`, possibly of an outer class.
    This,
    /// `super`.
    Super,
    /// `X::class`, `X.class`.
    ClassOf(TypeName),
    /// `of::name`.
    Reference { of: Option<Id>, name: SmolStr },
    /// `return value`.
    Return(Option<Id>),
    /// Anything else, with what is inside it.
    Other(Vec<Id>),
}

/// What a class is.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum ClassKind {
    /// A class or record.
    Class,
    /// An interface.
    Interface,
    /// A single object.
    Object,
    /// A companion object.
    Companion,
    /// An enum.
    Enum,
    /// A case of an enum.
    Entry,
    /// An anonymous class.
    Anonymous,
    /// More of a class that is declared elsewhere; its name is that class's.
    Extension,
}

/// A class-like declaration.
#[derive(Debug)]
pub struct Class {
    /// Its own name; empty for an anonymous one.
    pub name: SmolStr,
    /// Where the name stands.
    pub name_span: Span,
    /// What it is.
    pub kind: ClassKind,
    /// What it says of itself.
    pub modifiers: Vec<Modifier>,
    /// Annotations.
    pub annotations: Vec<Annotation>,
    /// What it extends and implements, with the arguments for a base constructor.
    pub supers: Vec<SuperType>,
    /// Parameters of the primary constructor.
    pub params: Vec<Id>,
    /// Members in order.
    pub members: Vec<Id>,
}

/// A base class or interface as named in a declaration.
#[derive(Debug)]
pub struct SuperType {
    /// The type.
    pub ty: TypeName,
    /// Arguments for its constructor.
    pub args: Vec<Arg>,
}

/// A function-like declaration.
#[derive(Debug)]
pub struct Function {
    /// Its name; `<init>` for a constructor.
    pub name: SmolStr,
    /// Where the name stands.
    pub name_span: Span,
    /// What it says of itself.
    pub modifiers: Vec<Modifier>,
    /// Annotations.
    pub annotations: Vec<Annotation>,
    /// The type it extends.
    pub receiver: Option<TypeName>,
    /// Names of its own type parameters, in order.
    pub type_params: Vec<SmolStr>,
    /// Parameters in order.
    pub params: Vec<Id>,
    /// Declared result.
    pub result: Option<TypeName>,
    /// Its body: a block, or the expression it is.
    pub body: Option<Id>,
}

/// A property, field or local.
#[derive(Debug, Default)]
pub struct Variable {
    /// Its name.
    pub name: SmolStr,
    /// Where the name stands.
    pub name_span: Span,
    /// What it says of itself.
    pub modifiers: Vec<Modifier>,
    /// Annotations.
    pub annotations: Vec<Annotation>,
    /// The type it extends.
    pub receiver: Option<TypeName>,
    /// What its name is computed from: `[Screens.Shelf]: …`.
    pub key: Option<Id>,
    /// Declared type.
    pub ty: Option<TypeName>,
    /// Its first value.
    pub init: Option<Id>,
    /// What a loop takes its values from, one after the other.
    pub each: Option<Id>,
    /// What gives its value: a delegate.
    pub delegate: Option<Id>,
    /// Its getter's body.
    pub getter: Option<Id>,
    /// Its setter's body.
    pub setter: Option<Id>,
    /// Whether it can be assigned again.
    pub mutable: bool,
}

/// A parameter.
#[derive(Debug, Default)]
pub struct Parameter {
    /// Its name.
    pub name: SmolStr,
    /// What callers write for it, where that is not its name; empty where they write nothing.
    pub label: Option<SmolStr>,
    /// Declared type.
    pub ty: Option<TypeName>,
    /// Its default.
    pub default: Option<Id>,
    /// Whether it is a property of its class as well.
    pub property: bool,
    /// What it says of itself.
    pub modifiers: Vec<Modifier>,
    /// Annotations.
    pub annotations: Vec<Annotation>,
}

/// `of.name`.
#[derive(Debug)]
pub struct Member {
    /// What it is a member of.
    pub of: Id,
    /// The member's name.
    pub name: SmolStr,
    /// Where the name stands.
    pub name_span: Span,
    /// It is left out where there is nothing to take it from: `of?.name`.
    pub safe: bool,
}

/// A call.
#[derive(Debug)]
pub struct Call {
    /// What is called: a name, a member, or any expression.
    pub callee: Id,
    /// Type arguments.
    pub types: Vec<TypeName>,
    /// Arguments in order, trailing lambdas last.
    pub args: Vec<Arg>,
    /// `new`, where the language says so.
    pub new: bool,
    /// The class body of an anonymous subclass.
    pub body: Option<Id>,
}

/// An argument.
#[derive(Debug, Clone)]
pub struct Arg {
    /// The parameter's name, where the caller writes it.
    pub name: Option<SmolStr>,
    /// The value.
    pub value: Id,
    /// Whether it spreads a list or object.
    pub spread: bool,
}

/// An entry of a map or object.
#[derive(Debug)]
pub struct Entry {
    /// Its key; `None` where another map is spread.
    pub key: Option<Id>,
    /// Its value, or the map that is spread.
    pub value: Id,
}

impl Arg {
    /// Whether its place says which parameter it is for.
    #[must_use]
    pub fn is_by_place(&self) -> bool {
        self.name.as_deref().is_none_or(|name| name == super::PROPERTIES)
    }
}

/// A piece of a string.
#[derive(Debug)]
pub enum Piece {
    /// Known text, escapes undone.
    Text(SmolStr),
    /// An expression put in.
    Hole(Id),
}

/// One way a choice can go.
#[derive(Debug)]
pub struct Arm {
    /// What must match; empty for the way that is left.
    pub tests: Vec<Id>,
    /// What it comes to.
    pub body: Id,
}

/// An annotation.
#[derive(Debug)]
pub struct Annotation {
    /// Its name as written.
    pub name: SmolStr,
    /// Type arguments.
    pub types: Vec<TypeName>,
    /// Its arguments.
    pub args: Vec<Arg>,
}

/// A type as written.
#[derive(Debug, Clone, PartialEq, Eq, Default)]
pub struct TypeName {
    /// Dotted name, without arguments; empty for a function type.
    pub name: SmolStr,
    /// Type arguments; of a function type, its parameters.
    pub args: Vec<TypeName>,
    /// Marked as nullable.
    pub nullable: bool,
    /// Where it stands.
    pub span: Span,
    /// The description of an object, where it is one that is written out.
    pub described: Option<Id>,
}

impl Kind {
    /// The nodes directly inside.
    #[must_use]
    pub fn children(&self) -> Vec<Id> {
        fn args(list: &[Arg]) -> impl Iterator<Item = Id> + '_ {
            list.iter().map(|arg| arg.value)
        }
        fn notes(list: &[Annotation]) -> impl Iterator<Item = Id> + '_ {
            list.iter().flat_map(|note| args(&note.args))
        }
        match self {
            Self::Class(class) => notes(&class.annotations)
                .chain(class.supers.iter().flat_map(|s| args(&s.args)))
                .chain(class.params.iter().copied())
                .chain(class.members.iter().copied())
                .collect(),
            Self::Function(function) => notes(&function.annotations)
                .chain(function.params.iter().copied())
                .chain(function.body)
                .collect(),
            Self::Variable(variable) => notes(&variable.annotations)
                .chain(variable.init)
                .chain(variable.each)
                .chain(variable.key)
                .chain(variable.delegate)
                .chain(variable.getter)
                .chain(variable.setter)
                .collect(),
            Self::Parameter(parameter) => notes(&parameter.annotations).chain(parameter.default).collect(),
            Self::Block(items) | Self::Other(items) => items.clone(),
            Self::Member(member) => vec![member.of],
            Self::Call(call) => {
                std::iter::once(call.callee).chain(args(&call.args)).chain(call.body).collect()
            }
            Self::Text(pieces) => pieces
                .iter()
                .filter_map(|piece| match piece {
                    Piece::Hole(id) => Some(*id),
                    Piece::Text(_) => None,
                })
                .collect(),
            Self::Binary { left, right, .. } => vec![*left, *right],
            Self::Unary { of, .. } | Self::Cast { of, .. } => vec![*of],
            Self::Branch { subject, arms } => subject
                .iter()
                .copied()
                .chain(arms.iter().flat_map(|arm| arm.tests.iter().copied().chain([arm.body])))
                .collect(),
            Self::Lambda { params, body } => params.iter().copied().chain([*body]).collect(),
            Self::Assign { target, value, .. } => vec![*target, *value],
            Self::List(items) => args(items).collect(),
            Self::Case { of, args: bound, .. } => of.iter().copied().chain(args(bound)).collect(),
            Self::Map(entries) => {
                entries.iter().flat_map(|entry| entry.key.into_iter().chain([entry.value])).collect()
            }
            Self::Index { of, args } => std::iter::once(*of).chain(args.iter().copied()).collect(),
            Self::Reference { of, .. } | Self::Return(of) => of.iter().copied().collect(),
            Self::Name(_)
            | Self::Number(_)
            | Self::Bool(_)
            | Self::Null
            | Self::Implied
            | Self::KeyPath(_)
            | Self::This
            | Self::Super
            | Self::ClassOf(_) => Vec::new(),
        }
    }
}

impl TypeName {
    /// The type with its arguments, its mark of nullability left out.
    #[must_use]
    pub fn written(&self) -> String {
        if self.args.is_empty() {
            return self.name.to_string();
        }
        let mark = |ty: &Self| if ty.nullable { "?" } else { "" };
        let args: Vec<String> = self.args.iter().map(|ty| format!("{}{}", ty.written(), mark(ty))).collect();
        format!("{}<{}>", self.name, args.join(", "))
    }

    /// The last part of the dotted name.
    #[must_use]
    pub fn simple(&self) -> &str {
        self.name.rsplit('.').next().unwrap_or(&self.name)
    }
}

impl Class {
    /// Whether it carries a modifier.
    #[must_use]
    pub fn is(&self, modifier: Modifier) -> bool {
        self.modifiers.contains(&modifier)
    }
}

impl Function {
    /// Whether it makes an object of its class.
    #[must_use]
    pub fn is_constructor(&self) -> bool {
        self.name == "<init>" || self.is(Modifier::Constructor)
    }

    /// Whether it carries a modifier.
    #[must_use]
    pub fn is(&self, modifier: Modifier) -> bool {
        self.modifiers.contains(&modifier)
    }

    /// Whether it carries an annotation of this name.
    #[must_use]
    pub fn is_annotated(&self, name: &str) -> bool {
        self.annotations.iter().any(|annotation| annotation.name == name)
    }
}

impl Parameter {
    /// The name that callers write for it.
    #[must_use]
    pub fn called(&self) -> &str {
        self.label.as_ref().unwrap_or(&self.name)
    }

    /// Whether it carries a modifier.
    #[must_use]
    pub fn is(&self, modifier: Modifier) -> bool {
        self.modifiers.contains(&modifier)
    }

    /// Whether it takes any number of arguments.
    #[must_use]
    pub fn is_vararg(&self) -> bool {
        self.is(Modifier::Vararg)
    }
}

impl Variable {
    /// Whether it carries a modifier.
    #[must_use]
    pub fn is(&self, modifier: Modifier) -> bool {
        self.modifiers.contains(&modifier)
    }
}

impl Call {
    /// The argument for a parameter, by its name or else by position (0-based). Trailing lambdas
    /// count as the last position.
    #[must_use]
    pub fn arg(&self, name: &str, position: usize) -> Option<Id> {
        let named = self.args.iter().find(|arg| arg.name.as_deref() == Some(name));
        named.or_else(|| self.args.get(position).filter(|arg| arg.name.is_none())).map(|arg| arg.value)
    }
}
