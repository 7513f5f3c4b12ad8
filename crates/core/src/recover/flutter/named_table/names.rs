//! The name that a generator is asked for, and tests of it.

use crate::syntax::{BinaryOp, Id, Kind};
use crate::values::{Def, Expr, Ref, Values};

/// What is followed on the way to the name.
const MAX_STEPS: usize = 10;

/// Tells the asked name from everything else.
pub(super) struct Asked<'t, 'p> {
    pub(super) values: &'t Values<'p>,
    /// Parameters that are the route's settings.
    pub(super) settings: Vec<Ref>,
}

/// A part of the asked name.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
enum Part {
    Name,
    Uri,
    Segments,
}

impl Asked<'_, '_> {
    /// Whether an expression is the asked name, or the path of it.
    pub(super) fn is_name(&self, expr: &Expr) -> bool {
        self.part(expr, 0) == Some(Part::Name)
    }

    /// Whether an expression is the route's settings.
    pub(super) fn is_settings(&self, expr: &Expr) -> bool {
        if self.values.type_of(expr).is_some_and(|ty| ty.name == "RouteSettings") {
            return true;
        }
        match self.values.kind(expr.at) {
            Kind::Name(name) => match self.values.resolve(expr.at, name) {
                Some(Def::Parameter(at)) => {
                    self.settings.contains(&at)
                        || self.values.given(expr).is_some_and(|given| self.is_settings(&given))
                }
                _ => false,
            },
            Kind::Unary { of, .. } => self.is_settings(&expr.with(*of)),
            _ => false,
        }
    }

    fn part(&self, expr: &Expr, depth: usize) -> Option<Part> {
        if depth > MAX_STEPS {
            return None;
        }
        let tree = self.values.tree(expr.at);
        match tree.kind(expr.at.id) {
            Kind::Unary { of, .. } | Kind::Cast { of, .. } => self.part(&expr.with(*of), depth + 1),
            Kind::Binary { op, left, .. } if *op == BinaryOp::OrElse => {
                self.part(&expr.with(*left), depth + 1)
            }
            Kind::Member(member) => {
                let of = expr.with(member.of);
                match (member.name.as_str(), self.part(&of, depth + 1)) {
                    ("path", Some(Part::Uri)) => Some(Part::Name),
                    ("pathSegments", Some(Part::Uri)) => Some(Part::Segments),
                    ("name", _) if self.is_settings(&of) => Some(Part::Name),
                    _ => self.behind(expr, depth),
                }
            }
            Kind::Call(call) => {
                let (name, _) = tree.callee(call)?;
                let first = call.args.first().map(|arg| expr.with(arg.value));
                match name.as_str() {
                    "parse" | "tryParse" => {
                        let uri = first.and_then(|arg| self.part(&arg, depth + 1)) == Some(Part::Name);
                        uri.then_some(Part::Uri)
                    }
                    "toString" | "trim" | "toLowerCase" => {
                        self.part(&expr.with(tree.receiver(call)?), depth + 1)
                    }
                    _ => None,
                }
            }
            Kind::Name(_) => self.behind(expr, depth),
            _ => None,
        }
    }

    fn behind(&self, expr: &Expr, depth: usize) -> Option<Part> {
        let behind = self.values.value_behind(expr).filter(|behind| behind.at != expr.at)?;
        self.part(&behind, depth + 1)
    }

    /// The names or patterns that a test lets through, with where each is written.
    pub(super) fn tested(&self, test: &Expr) -> Vec<(String, Ref)> {
        if let Some(pattern) = self.by_segments(test) {
            return vec![(pattern, test.at)];
        }
        let tree = self.values.tree(test.at);
        match tree.kind(test.at.id) {
            Kind::Binary { op, left, right } if *op == BinaryOp::Or => {
                let mut all = self.tested(&test.with(*left));
                all.extend(self.tested(&test.with(*right)));
                all
            }
            Kind::Binary { op, left, right } if *op == BinaryOp::And => {
                let first = self.tested(&test.with(*left));
                if first.is_empty() { self.tested(&test.with(*right)) } else { first }
            }
            Kind::Binary { op, left, right } if *op == BinaryOp::Equal => {
                let (left, right) = (test.with(*left), test.with(*right));
                let text = match (self.is_name(&left), self.is_name(&right)) {
                    (true, _) => right,
                    (_, true) => left,
                    _ => return Vec::new(),
                };
                self.values.plain_text(&text).map(|name| (name, text.at)).into_iter().collect()
            }
            Kind::Call(call) => {
                let starts = tree.callee(call).is_some_and(|(name, _)| name == "startsWith");
                let of = tree.receiver(call).map(|of| test.with(of));
                let on_name = of.is_some_and(|of| self.is_name(&of));
                let prefix = call.args.first().filter(|_| starts && on_name).map(|arg| test.with(arg.value));
                let prefix = prefix.and_then(|arg| Some((self.values.plain_text(&arg)?, arg.at)));
                prefix.map(|(text, at)| (format!("{text}{{}}"), at)).into_iter().collect()
            }
            _ => Vec::new(),
        }
    }

    /// `segments.length == 2 && segments[0] == 'item'` is `/item/{}`.
    fn by_segments(&self, test: &Expr) -> Option<String> {
        let (mut length, mut known) = (None, Vec::new());
        self.segment_tests(test, &mut length, &mut known)?;
        let length: usize = length?;
        (!known.is_empty() && known.iter().all(|(at, _)| *at < length)).then_some(())?;
        let mut pattern = String::new();
        for at in 0..length {
            let text = known.iter().find(|(known, _)| *known == at).map(|(_, text)| text.as_str());
            pattern.push('/');
            pattern.push_str(text.unwrap_or("{}"));
        }
        Some(pattern)
    }

    fn segment_tests(
        &self,
        test: &Expr,
        length: &mut Option<usize>,
        known: &mut Vec<(usize, String)>,
    ) -> Option<()> {
        let Kind::Binary { op, left, right } = self.values.kind(test.at) else { return None };
        let (left, right) = (test.with(*left), test.with(*right));
        match op {
            BinaryOp::And => {
                self.segment_tests(&left, length, known)?;
                self.segment_tests(&right, length, known)
            }
            BinaryOp::Equal => match self.values.kind(left.at) {
                Kind::Member(member) if self.part(&left.with(member.of), 0) == Some(Part::Segments) => {
                    match member.name.as_str() {
                        "length" => *length = number(self.values, &right),
                        "first" => known.push((0, self.values.plain_text(&right)?)),
                        _ => return None,
                    }
                    Some(())
                }
                Kind::Index { of, args } if self.part(&left.with(*of), 0) == Some(Part::Segments) => {
                    let at = args.first().and_then(|&id: &Id| number(self.values, &left.with(id)))?;
                    known.push((at, self.values.plain_text(&right)?));
                    Some(())
                }
                _ => None,
            },
            _ => None,
        }
    }
}

fn number(values: &Values<'_>, expr: &Expr) -> Option<usize> {
    match values.kind(expr.at) {
        Kind::Number(text) => text.parse().ok(),
        _ => None,
    }
}
