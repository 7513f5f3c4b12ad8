//! Comments, for those who look for a word in them: by each language's own grammar.

use super::code::{grammar_tree, span};
use super::script;
use crate::model::Span;
use crate::source::{Language, SourceFile};
use quick_xml::Reader;
use quick_xml::events::Event;

/// The comments of a file that hold a word, in order.
pub(crate) fn comments_with(file: &SourceFile, word: &str) -> Vec<Span> {
    let text = file.text.as_str();
    if !text.contains(word) {
        return Vec::new();
    }
    let mut found = match file.language {
        Language::Kv => of_lines(text),
        Language::Storyboard | Language::PropertyList | Language::Xaml | Language::Xml(_) => of_markup(text),
        language => grammar(language).map(|grammar| of_code(&grammar, text, word)).unwrap_or_default(),
    };
    found.retain(|&at| file.text.slice(at).contains(word));
    found
}

fn grammar(language: Language) -> Option<tree_sitter::Language> {
    Some(match language {
        Language::Kotlin => tree_sitter_kotlin_ng::LANGUAGE.into(),
        Language::Java => tree_sitter_java::LANGUAGE.into(),
        Language::Dart => tree_sitter_dart::LANGUAGE.into(),
        Language::Swift => tree_sitter_swift::LANGUAGE.into(),
        Language::ObjectiveC => tree_sitter_objc::LANGUAGE.into(),
        Language::Python => tree_sitter_python::LANGUAGE.into(),
        Language::CSharp => tree_sitter_c_sharp::LANGUAGE.into(),
        Language::Script { elements } => script::grammar(elements),
        _ => return None,
    })
}

/// Comments of code around a word. What no token of the grammar holds is in a comment as well: some
/// grammars skip those that stand where a line may end.
fn of_code(grammar: &tree_sitter::Language, text: &str, word: &str) -> Vec<Span> {
    let Some(tree) = grammar_tree(grammar, text) else { return Vec::new() };
    let mut found: Vec<Span> = Vec::new();
    for (at, _) in text.match_indices(word) {
        let Some(node) = tree.root_node().descendant_for_byte_range(at, at + 1) else { continue };
        let comment = match (node.kind().contains("comment"), node.child_count()) {
            (true, _) => Some(span(node)),
            (false, 0) => None,
            _ if ["string", "template", "literal"].iter().any(|text| node.kind().contains(text)) => None,
            (false, _) => skipped(text, at),
        };
        found.extend(comment);
    }
    found.dedup();
    found
}

/// A comment around a byte, by its signs.
fn skipped(text: &str, at: usize) -> Option<Span> {
    let before = text.get(..at)?;
    let start = before.rfind("//").max(before.rfind("/*"))?;
    // Behind an open quote it is text.
    let line = before.get(..start)?.rsplit('\n').next().unwrap_or_default();
    (line.matches('"').count() % 2 == 0).then_some(())?;
    let end = if text[start..].starts_with("/*") {
        text[at..].find("*/").map(|end| end + 2)
    } else {
        text[at..].find('\n')
    };
    Some(Span::new(start, end.map_or(text.len(), |end| at + end)))
}

fn of_markup(text: &str) -> Vec<Span> {
    let (mut found, mut reader) = (Vec::new(), Reader::from_str(text));
    loop {
        let start = reader.buffer_position();
        match reader.read_event() {
            Ok(Event::Comment(_)) => {
                let offset = |at: u64| u32::try_from(at).unwrap_or(u32::MAX);
                found.push(Span { start: offset(start), end: offset(reader.buffer_position()) });
            }
            Ok(Event::Eof) | Err(_) => return found,
            Ok(_) => {}
        }
    }
}

/// Lines of kv that are comments.
fn of_lines(text: &str) -> Vec<Span> {
    let (mut found, mut start) = (Vec::new(), 0);
    for line in text.split_inclusive('\n') {
        let end = start + line.len();
        if line.trim_start().starts_with('#') {
            let offset = |at: usize| u32::try_from(at).unwrap_or(u32::MAX);
            found.push(Span { start: offset(start), end: offset(end) });
        }
        start = end;
    }
    found
}
