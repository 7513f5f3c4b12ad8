//! The lines of a kv document: how far each is set in, and what it begins with.

/// A line that says something.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub(super) struct Line {
    /// Where its first character stands, in bytes of the file.
    pub(super) start: usize,
    /// Where it ends, the line break left out.
    pub(super) end: usize,
    /// How far it is set in, in characters; a tab counts as four.
    pub(super) indent: usize,
}

/// The lines of a part of a text, without empty ones and comments; directives are kept.
pub(super) fn read(text: &str, (start, end): (usize, usize)) -> Vec<Line> {
    let mut found = Vec::new();
    let mut at = start;
    for line in text.get(start..end).unwrap_or_default().split_inclusive('\n') {
        let body = line.trim_end_matches(['\n', '\r']);
        let trimmed = body.trim_start();
        let directive = trimmed.starts_with("#:");
        if !trimmed.is_empty() && (directive || !trimmed.starts_with('#')) {
            let before = &body[..body.len() - trimmed.len()];
            let indent = before.chars().map(|c| if c == '\t' { 4 } else { 1 }).sum();
            let start = at + before.len();
            found.push(Line { start, end: at + body.trim_end().len(), indent });
        }
        at += line.len();
    }
    found
}

impl Line {
    /// What it says.
    pub(super) fn text<'t>(&self, text: &'t str) -> &'t str {
        text.get(self.start..self.end).unwrap_or_default()
    }
}

/// How many lines behind one are set in further.
pub(super) fn below(lines: &[Line], at: usize) -> usize {
    lines[at + 1..].iter().take_while(|line| line.indent > lines[at].indent).count()
}
