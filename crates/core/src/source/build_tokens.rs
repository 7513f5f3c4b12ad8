//! Build scripts as names and texts: what matters in them is written alike in Groovy, Kotlin and Swift.

/// The texts that calls of a function are given under a label: build scripts of every kind write them
/// alike.
pub(super) fn labelled<'t>(text: &'t str, function: &str, label: &str) -> impl Iterator<Item = &'t str> {
    let tokens = tokens(text);
    let mut found = Vec::new();
    for (i, token) in tokens.iter().enumerate() {
        let called = matches!(tokens.get(i + 1), Some(Token::Mark('(')));
        if !(called && matches!(token, Token::Word(word) if *word == function)) {
            continue;
        }
        let inside: Vec<&Token<'_>> =
            tokens[i + 2..].iter().take_while(|token| !matches!(token, Token::Mark(')'))).collect();
        found.extend(inside.windows(3).find_map(|three| match three {
            [Token::Word(word), Token::Mark(':'), Token::Text(text)] if *word == label => Some(*text),
            _ => None,
        }));
    }
    found.into_iter()
}

/// A piece of a build script.
pub(super) enum Token<'t> {
    /// A name.
    Word(&'t str),
    /// What stands in quotes.
    Text(&'t str),
    /// Anything else.
    Mark(char),
}

impl<'t> Token<'t> {
    /// What stands in its quotes.
    pub(super) fn text(&self) -> Option<&'t str> {
        match self {
            Token::Text(text) => Some(text),
            _ => None,
        }
    }

    /// Whether it stands in quotes.
    pub(super) fn is_text(&self) -> bool {
        self.text().is_some()
    }
}

/// The names and texts of a text, without its comments.
pub(super) fn tokens(text: &str) -> Vec<Token<'_>> {
    let mut tokens = Vec::new();
    let mut rest = text;
    while let Some(first) = rest.chars().next() {
        let taken = match first {
            '/' if rest.starts_with("//") => rest.find('\n').unwrap_or(rest.len()),
            '/' if rest.starts_with("/*") => rest.find("*/").map_or(rest.len(), |end| end + 2),
            '"' | '\'' => {
                let body = &rest[1..];
                let end = body.find([first, '\n']).unwrap_or(body.len());
                tokens.push(Token::Text(&body[..end]));
                (end + 2).min(rest.len())
            }
            c if c.is_alphabetic() || c == '_' => {
                let end = rest.find(|c: char| !c.is_alphanumeric() && c != '_').unwrap_or(rest.len());
                tokens.push(Token::Word(&rest[..end]));
                end
            }
            c => {
                if !c.is_whitespace() {
                    tokens.push(Token::Mark(c));
                }
                c.len_utf8()
            }
        };
        rest = rest.get(taken..).unwrap_or_default();
    }
    tokens
}
