//! Everyday constructs, by language: a name goes through each of them to a navigation call, which
//! `show(…)` stands for. Each cell is a few lines; beside a row stands what must come out in all of them.
//!
//! `?` is a value that is not known, which no cell may turn into a guess: each group ends with twins that
//! must stay unknown. A cell that a language does not have says so.

mod absence;
mod asked;
mod callbacks;
mod choices;
mod collections;
mod functions;
mod loops;
mod objects;
mod parts;
mod records;
mod texts;
mod variables;
mod ways;
mod wrappers;

use crate::recover::LIBRARIES;
use crate::source::from_texts;
use crate::syntax::parse;
use crate::values::{Datum, Expr, Program, Value, Values};
use std::collections::BTreeSet;

/// A language of the matrix.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub(super) enum In {
    Kotlin,
    Java,
    Dart,
    Script,
    Typed,
    Swift,
    Python,
    CSharp,
}

use In::{CSharp, Dart, Java, Kotlin, Python, Script, Swift, Typed};

impl In {
    /// A file that holds a cell's lines: what stands in a class where the language has nothing outside.
    fn file(self, lines: &str) -> (String, String) {
        let (path, text) = match self {
            Kotlin => ("Cell.kt", lines.to_owned()),
            Java => ("Cell.java", format!("class Cell {{\n{lines}\n}}\n")),
            Dart => ("lib/cell.dart", lines.to_owned()),
            Script => ("cell.js", lines.to_owned()),
            Typed => ("cell.ts", lines.to_owned()),
            Swift => ("Cell.swift", lines.to_owned()),
            Python => ("cell.py", lines.to_owned()),
            CSharp => ("Cell.cs", format!("class Cell {{\n{lines}\n}}\n")),
        };
        (path.to_owned(), text)
    }
}

/// One construct in the languages that have it.
#[track_caller]
fn row(expected: &str, cells: &[(In, &str)]) {
    let mut wrong = Vec::new();
    for (cell, &(language, lines)) in cells.iter().enumerate() {
        let found = shown(language, lines);
        if found != expected {
            wrong.push(format!("{language:?}, cell {cell}: {found}"));
        }
    }
    assert!(wrong.is_empty(), "wanted {expected}, and not:\n{}", wrong.join("\n"));
}

/// What is shown: the texts, and the classes of objects, in the order of the alphabet.
fn shown(language: In, lines: &str) -> String {
    let sources = from_texts(vec![language.file(lines)]);
    let parsed = parse(&sources.files[0], &sources);
    assert_eq!(parsed.problem, None, "{language:?}: the cell is valid");
    let program = Program::new(&sources, vec![Some(parsed.body.into())], LIBRARIES);
    let values = Values::new(&program);
    let mut found = BTreeSet::new();
    for &at in program.calls_named("show") {
        let call = values.tree(at).call(at.id).expect("a call");
        let shown = Expr::new(at).with(call.args.first().expect("something is shown").value);
        for site in values.sites(at, &shown) {
            found.extend(values.eval_any_case(&site.bind(&shown)).iter().map(|value| written(value, values)));
        }
    }
    found.into_iter().collect::<Vec<_>>().join(" | ")
}

fn written(value: &Value, values: Values<'_>) -> String {
    match &value.datum {
        Datum::Text(shape) => shape.value(),
        Datum::Object(_) => {
            let class = values.object_class(value).and_then(|class| values.class(class));
            class.map_or_else(|| "object".to_owned(), |class| class.name.to_string())
        }
        Datum::Number(text) => text.to_string(),
        Datum::Null => "null".to_owned(),
        _ => "?".to_owned(),
    }
}
