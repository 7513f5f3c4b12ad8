//! A file's text, and lines and columns from byte offsets.

use crate::model::{Place, Span};

/// Decoded text with the starts of its lines.
#[derive(Debug, Clone, Default)]
pub struct Text {
    text: Box<str>,
    /// Byte offset of each line's first character.
    lines: Box<[u32]>,
}

impl Text {
    /// Indexes `text`. Lines end at `\n`; a `\r` before it belongs to the line.
    #[must_use]
    pub fn new(text: String) -> Self {
        let mut lines = vec![0];
        lines.extend(
            text.bytes().enumerate().filter(|(_, b)| *b == b'\n').map(|(i, _)| Span::new(i + 1, 0).start),
        );
        Self { text: text.into_boxed_str(), lines: lines.into_boxed_slice() }
    }

    /// The whole text.
    #[must_use]
    pub fn as_str(&self) -> &str {
        &self.text
    }

    /// The text of a span, empty where it does not fit.
    #[must_use]
    pub fn slice(&self, span: Span) -> &str {
        self.text.get(span.start as usize..span.end as usize).unwrap_or_default()
    }

    /// Line `number` (1-based) without its line end.
    #[must_use]
    pub fn line(&self, number: u32) -> &str {
        let index = number.saturating_sub(1) as usize;
        let Some(&start) = self.lines.get(index) else { return "" };
        let end = self.lines.get(index + 1).map_or(self.text.len(), |&next| next as usize - 1);
        self.text.get(start as usize..end).unwrap_or_default().trim_end_matches('\r')
    }

    /// How many lines there are.
    #[must_use]
    pub fn line_count(&self) -> usize {
        self.lines.len()
    }

    /// 1-based line and column (in characters) of a byte offset.
    #[must_use]
    pub fn position(&self, offset: u32) -> (u32, u32) {
        let line = self.lines.partition_point(|&start| start <= offset).max(1);
        let start = self.lines[line - 1];
        let before = self.slice(Span { start, end: offset.min(self.text.len() as u32) });
        (line as u32, before.chars().count() as u32 + 1)
    }

    /// The place of a span in the file of that name.
    #[must_use]
    pub fn place(&self, file: &str, span: Span) -> Place {
        let (line, column) = self.position(span.start);
        let (end_line, end_column) = self.position(span.end.max(span.start));
        Place { file: file.to_owned(), line, column, end_line, end_column }
    }
}

/// The words of a text, as code has them.
pub(crate) fn words(text: &str) -> impl Iterator<Item = &str> {
    text.split(|c: char| !c.is_alphanumeric() && c != '_').filter(|word| !word.is_empty())
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn columns_count_characters_and_lines_survive_crlf() {
        let text = Text::new("ä = 1\r\nöö x\r\n".to_owned());
        let x = text.as_str().find('x').unwrap_or_default();
        assert_eq!(text.position(x as u32), (2, 4));
        assert_eq!(text.line(2), "öö x");
        assert_eq!(text.line(9), "");
    }
}
