//! Text from the source, made safe for a terminal.

use std::borrow::Cow;

/// The text with control characters shown instead of obeyed.
pub(crate) fn plain(text: &str) -> Cow<'_, str> {
    if !text.chars().any(is_hostile) {
        return Cow::Borrowed(text);
    }
    let shown =
        text.chars().map(|c| if is_hostile(c) { c.escape_unicode().to_string() } else { c.to_string() });
    Cow::Owned(shown.collect())
}

/// Control characters, and those that turn the direction of what follows.
fn is_hostile(c: char) -> bool {
    c.is_control() || matches!(c, '\u{200e}' | '\u{200f}' | '\u{202a}'..='\u{202e}' | '\u{2066}'..='\u{2069}')
}

#[cfg(test)]
mod tests {
    use super::plain;

    #[test]
    fn escapes_are_shown() {
        assert_eq!(plain("a\u{1b}[31mb"), "a\\u{1b}[31mb");
        assert_eq!(plain("\u{202e}x"), "\\u{202e}x");
        assert_eq!(plain("ä{}"), "ä{}");
    }
}
