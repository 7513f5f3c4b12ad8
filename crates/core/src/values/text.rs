//! Known text with holes.

use super::Ref;
use smol_str::SmolStr;

/// A string as far as it is known: text and holes in order.
#[derive(Debug, Clone, PartialEq, Eq, Default)]
pub struct Shape {
    /// Its parts; neighbouring texts are one.
    pub parts: Vec<Part>,
}

/// A part of a [`Shape`].
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Part {
    /// Known text.
    Text {
        /// The text.
        text: String,
        /// Whether it is written where it is used, not taken from a constant or function.
        in_place: bool,
    },
    /// A value that is not known.
    Hole(Hole),
}

/// A value put into a string.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Hole {
    /// The expression as written.
    pub written: String,
    /// Its type, where it is known.
    pub ty: Option<SmolStr>,
    /// The parameter it is, if it is one.
    pub parameter: Option<Ref>,
    /// Whether the value was escaped for its place.
    pub escaped: bool,
}

impl Shape {
    /// Plain known text.
    #[must_use]
    pub fn text(text: &str, in_place: bool) -> Self {
        Self { parts: vec![Part::Text { text: text.to_owned(), in_place }] }
    }

    /// One hole.
    #[must_use]
    pub fn hole(hole: Hole) -> Self {
        Self { parts: vec![Part::Hole(hole)] }
    }

    /// Appends another shape.
    pub fn push(&mut self, other: Self) {
        for part in other.parts {
            match (self.parts.last_mut(), part) {
                (Some(Part::Text { text, in_place }), Part::Text { text: more, in_place: also })
                    if *in_place == also || more.is_empty() =>
                {
                    text.push_str(&more);
                }
                (_, part) => self.parts.push(part),
            }
        }
    }

    /// The string with `{}` for holes.
    #[must_use]
    pub fn value(&self) -> String {
        self.parts
            .iter()
            .map(|part| match part {
                Part::Text { text, .. } => text.as_str(),
                Part::Hole(_) => "{}",
            })
            .collect()
    }

    /// The whole text, if there are no holes.
    #[must_use]
    pub fn plain(&self) -> Option<String> {
        self.holes().next().is_none().then(|| self.value())
    }

    /// Its holes in order.
    pub fn holes(&self) -> impl Iterator<Item = &Hole> {
        self.parts.iter().filter_map(|part| match part {
            Part::Hole(hole) => Some(hole),
            Part::Text { .. } => None,
        })
    }

    /// Whether nothing of it is known.
    #[must_use]
    pub fn is_blank(&self) -> bool {
        !self.parts.iter().any(|part| matches!(part, Part::Text { text, .. } if !text.is_empty()))
    }

    /// Whether words of it are written in place; separators, numbers and what is asked for behind a
    /// `?` are no words of a route.
    #[must_use]
    pub fn has_literal_words(&self) -> bool {
        let mut in_query = false;
        self.parts.iter().any(|part| {
            let Part::Text { text, in_place } = part else { return false };
            let path = if in_query { "" } else { text.split('?').next().unwrap_or_default() };
            in_query |= text.contains('?');
            *in_place && path.chars().any(char::is_alphabetic)
        })
    }

    /// Whether all of its text is written where it is used.
    #[must_use]
    pub fn is_in_place(&self) -> bool {
        self.parts.iter().all(|part| matches!(part, Part::Text { in_place: true, .. }))
    }

    /// The same text, as taken from a name.
    #[must_use]
    pub fn named(mut self) -> Self {
        for part in &mut self.parts {
            if let Part::Text { in_place, .. } = part {
                *in_place = false;
            }
        }
        self
    }

    /// Every occurrence of a known text in place of another shape, also where it spans pieces.
    #[must_use]
    pub fn replaced(&self, from: &str, to: &Self) -> Self {
        let mut result = Self::default();
        let mut run: Vec<(&str, bool)> = Vec::new();
        for part in &self.parts {
            match part {
                Part::Text { text, in_place } => run.push((text, *in_place)),
                Part::Hole(_) => {
                    replace_in(&std::mem::take(&mut run), from, to, &mut result);
                    result.push(Self { parts: vec![part.clone()] });
                }
            }
        }
        replace_in(&run, from, to, &mut result);
        result
    }
}

/// Replaces in known text that stands together.
fn replace_in(run: &[(&str, bool)], from: &str, to: &Shape, result: &mut Shape) {
    let whole: String = run.iter().map(|(text, _)| *text).collect();
    let copy = |start: usize, end: usize, result: &mut Shape| {
        let mut before = 0;
        for (text, in_place) in run {
            let (from, to) = (start.max(before), end.min(before + text.len()));
            if from < to {
                result.push(Shape::text(&text[from - before..to - before], *in_place));
            }
            before += text.len();
        }
    };
    let mut done = 0;
    for (at, _) in whole.match_indices(from).filter(|_| !from.is_empty()) {
        copy(done, at, result);
        result.push(to.clone());
        done = at + from.len();
    }
    copy(done, whole.len(), result);
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn texts_join_and_replace() {
        let mut shape = Shape::text("loan/", true);
        shape.push(Shape::text("{id}", true));
        let hole = Hole { written: "loan.id".into(), ty: None, parameter: None, escaped: false };
        let filled = shape.replaced("{id}", &Shape::hole(hole));
        assert_eq!(filled.value(), "loan/{}");
        assert!(filled.has_literal_words() && !filled.clone().named().has_literal_words());
        assert_eq!(filled.plain(), None);
        let mut spanned = Shape::text("loan/{", true);
        spanned.push(Shape::text("id", false));
        spanned.push(Shape::text("}/{id}", true));
        assert_eq!(spanned.replaced("{id}", &Shape::text("7", false)).value(), "loan/7/7");
        assert_eq!(spanned.replaced("", &Shape::text("7", false)).value(), "loan/{id}/{id}");
    }
}
