//! Known text against declared patterns, segment by segment, query parts optional.

use crate::values::{Part, Shape};

/// The type of what is known text rather than a value put in.
pub(super) const TEXT: &str = "\"";

/// How a text fits a pattern.
#[derive(Debug, Clone, PartialEq, Eq)]
pub(super) struct Fit {
    /// The better, the more of the text is in the pattern's own words.
    pub(super) score: u32,
    /// The pattern's placeholders that the text fills, with the expression put in and its type.
    pub(super) filled: Vec<(String, String, Option<String>)>,
    /// None of the pattern's own words is only possibly meant.
    pub(super) certain: bool,
    /// Placeholders that the text leaves as they are: the pattern itself was written.
    pub(super) raw: Vec<String>,
}

/// A character of a text, or a hole in it.
#[derive(Debug, Clone, PartialEq, Eq)]
enum Token {
    Char(char),
    /// What is put in, its type.
    Hole(String, Option<String>),
}

/// Fits a text to a pattern with `{name}` placeholders. `None` if it cannot be meant.
pub(super) fn fit(shape: &Shape, pattern: &str) -> Option<Fit> {
    let tokens = tokens(shape);
    let (path, query) = split_query(&tokens);
    let (pattern_path, pattern_query) = pattern.split_once('?').unwrap_or((pattern, ""));
    let path = path.as_slice();
    let schemeless = !pattern_path.contains("://");
    let path = if schemeless { without_web_scheme(path) } else { path };
    // An unnamed placeholder at the end takes whatever follows.
    if let Some(prefix) = pattern_path.strip_suffix("{}") {
        let length = prefix.chars().count();
        let begins = path.len() >= length && matches_text(&path[..length], prefix);
        return begins.then(|| Fit { score: 1, filled: Vec::new(), certain: true, raw: Vec::new() });
    }
    if let Some((prefix, rest)) = pattern_path.split_once("{...") {
        return rest_fit(path, &query, prefix, rest.trim_end_matches('}'));
    }
    let segments: Vec<&[Token]> = path.split(|token| *token == Token::Char('/')).collect();
    let wanted: Vec<&str> = pattern_path.split('/').collect();
    if segments.len() != wanted.len() {
        return None;
    }
    let mut fit = Fit { score: 0, filled: Vec::new(), certain: true, raw: Vec::new() };
    for (segment, wanted) in segments.iter().zip(&wanted) {
        let score = segment_fit(segment, wanted, &mut fit.filled)?;
        fit.certain &= score > 0;
        fit.score += score;
    }
    fill_query(&query, pattern_query, &mut fit.filled);
    let (raw, filled) =
        fit.filled.into_iter().partition(|(name, written, _)| *written == format!("{{{name}}}"));
    fit.filled = filled;
    fit.raw = raw.into_iter().map(|(name, ..): (String, String, Option<String>)| name).collect();
    Some(fit)
}

/// A named placeholder at the end takes all segments that follow, at least one.
fn rest_fit(path: &[Token], query: &[Token], prefix: &str, name: &str) -> Option<Fit> {
    let slashes = |tokens: &[Token]| tokens.iter().filter(|token| **token == Token::Char('/')).count();
    let wanted = prefix.matches('/').count();
    let mut seen = 0;
    let start = path.iter().position(|token| {
        seen += usize::from(*token == Token::Char('/'));
        seen == wanted
    })? + 1;
    (slashes(path) >= wanted && start < path.len()).then_some(())?;
    let mut fit = Fit { score: 0, filled: Vec::new(), certain: true, raw: Vec::new() };
    let head: Vec<&[Token]> = path[..start].split(|token| *token == Token::Char('/')).collect();
    for (segment, wanted) in head.iter().zip(prefix.split('/')) {
        let score = if segment.is_empty() { 3 } else { segment_fit(segment, wanted, &mut fit.filled)? };
        fit.certain &= score > 0;
        fit.score += score;
    }
    let rest = &path[start..];
    let hole = rest.iter().find_map(|token| match token {
        Token::Hole(written, ty) => Some((written.clone(), ty.clone())),
        Token::Char(_) => None,
    });
    fit.score -= if hole.is_some() { 1 } else { 2 };
    let (written, ty) = hole.unwrap_or_else(|| (text_of(rest), None));
    fit.filled.push((name.to_owned(), written, ty));
    fill_query(query, "", &mut fit.filled);
    Some(fit)
}

fn tokens(shape: &Shape) -> Vec<Token> {
    let parts = shape.parts.iter().flat_map(|part| match part {
        Part::Text { text, .. } => text.chars().map(Token::Char).collect::<Vec<_>>(),
        Part::Hole(hole) => {
            vec![Token::Hole(hole.written.clone(), hole.ty.as_ref().map(ToString::to_string))]
        }
    });
    parts.collect()
}

fn split_query(tokens: &[Token]) -> (Vec<Token>, Vec<Token>) {
    match tokens.iter().position(|token| *token == Token::Char('?')) {
        Some(at) => (tokens[..at].to_vec(), tokens[at + 1..].to_vec()),
        None => (tokens.to_vec(), Vec::new()),
    }
}

/// A pattern without a scheme is a web address of either scheme.
fn without_web_scheme(path: &[Token]) -> &[Token] {
    let text: String =
        path.iter().map_while(|t| if let Token::Char(c) = t { Some(*c) } else { None }).take(8).collect();
    let length = ["https://", "http://"]
        .iter()
        .find(|scheme| text.starts_with(**scheme))
        .map_or(0, |scheme| scheme.len());
    &path[length..]
}

/// One segment: own words for own words are worth most, a hole for a placeholder next, words for a
/// placeholder little, and a hole for own words nothing: it is only possible.
fn segment_fit(
    segment: &[Token],
    wanted: &str,
    filled: &mut Vec<(String, String, Option<String>)>,
) -> Option<u32> {
    let Some((before, rest)) = wanted.split_once('{') else {
        return plain_fit(segment, wanted);
    };
    let (name, after) = rest.split_once('}')?;
    let length = segment.len();
    let (head, tail) = (before.chars().count(), after.chars().count());
    if length < head + tail
        || !matches_text(&segment[..head], before)
        || !matches_text(&segment[length - tail..], after)
    {
        return None;
    }
    let inside = &segment[head..length - tail];
    if inside.is_empty() && !wanted.contains(".*") {
        return None;
    }
    let hole = inside.iter().find_map(|token| match token {
        Token::Hole(written, ty) => Some((written.clone(), ty.clone())),
        Token::Char(_) => None,
    });
    let holes = hole.is_some();
    let (written, ty) = hole.unwrap_or_else(|| (text_of(inside), Some(TEXT.to_owned())));
    filled.push((name.to_owned(), written, ty));
    Some(if holes { 2 } else { 1 })
}

fn plain_fit(segment: &[Token], wanted: &str) -> Option<u32> {
    if matches_text(segment, wanted) {
        return Some(3);
    }
    let only_hole = matches!(segment, [Token::Hole(..)]);
    (only_hole && !wanted.is_empty()).then_some(0)
}

fn matches_text(tokens: &[Token], text: &str) -> bool {
    tokens.len() == text.chars().count()
        && tokens.iter().zip(text.chars()).all(|(token, c)| *token == Token::Char(c))
}

fn text_of(tokens: &[Token]) -> String {
    tokens.iter().map(|token| if let Token::Char(c) = token { *c } else { '…' }).collect()
}

/// `?tag={tag}`: a placeholder is filled where the text has its key. A key that the pattern does not
/// have is passed all the same, under its own name.
fn fill_query(query: &[Token], pattern: &str, filled: &mut Vec<(String, String, Option<String>)>) {
    for given in query.split(|token| *token == Token::Char('&')).filter(|given| !given.is_empty()) {
        let Some(at) = given.iter().position(|token| *token == Token::Char('=')) else { continue };
        let key = text_of(&given[..at]);
        let wanted =
            pattern.split('&').filter_map(|part| part.split_once('=')).find(|(name, _)| *name == key);
        let name =
            wanted.map_or(key.as_str(), |(_, placeholder)| placeholder.trim_matches(['{', '}'])).to_owned();
        let (written, ty) = match &given[at + 1..] {
            [Token::Hole(written, ty)] => (written.clone(), ty.clone()),
            other => (text_of(other), Some(TEXT.to_owned())),
        };
        filled.push((name, written, ty));
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::values::Hole;

    fn shape(text: &str) -> Shape {
        let mut shape = Shape::text("", true);
        for (i, piece) in text.split("{}").enumerate() {
            if i > 0 {
                shape.push(Shape::hole(Hole {
                    written: "x".into(),
                    ty: Some("Int".into()),
                    parameter: None,
                    escaped: false,
                }));
            }
            shape.push(Shape::text(piece, true));
        }
        shape
    }

    #[track_caller]
    fn filled(text: &str, pattern: &str) -> Option<Vec<String>> {
        fit(&shape(text), pattern)
            .map(|fit| fit.filled.into_iter().map(|(name, value, _)| format!("{name}={value}")).collect())
    }

    #[test]
    fn placeholders_take_one_segment() {
        assert_eq!(filled("barn://item/{}", "barn://item/{id}"), Some(vec!["id=x".into()]));
        assert_eq!(filled("barn://item/7", "barn://item/{id}"), Some(vec!["id=7".into()]));
        assert_eq!(filled("barn://item/7/more", "barn://item/{id}"), None);
        assert_eq!(filled("barn://item/", "barn://item/{id}"), None);
        assert_eq!(filled("item-{}", "item-{id}"), Some(vec!["id=x".into()]));
        assert_eq!(filled("barn://item/at/7/x", "barn://item/at{}"), Some(vec![]));
        assert_eq!(filled("barn://item/by/7", "barn://item/at{}"), None);
    }

    #[test]
    fn the_rest_takes_what_follows() {
        assert_eq!(filled("/manual/a/b", "/manual/{...topic}"), Some(vec!["topic=a/b".into()]));
        assert_eq!(filled("/manual/{}", "/manual/{...topic}"), Some(vec!["topic=x".into()]));
        assert_eq!(filled("/manual", "/manual/{...topic}"), None);
        assert_eq!(filled("/manual/", "/manual/{...topic}"), None);
        assert_eq!(filled("/other/a", "/manual/{...topic}"), None);
        let score = |pattern| fit(&shape("/manual/felt"), pattern).map(|fit| fit.score);
        assert!(score("/manual/felt") > score("/manual/{...topic}"));
        let hole = |pattern| fit(&shape("/manual/{}"), pattern).map(|fit| fit.score);
        assert!(hole("/manual/{...topic}") > hole("/manual/felt"));
    }

    #[test]
    fn queries_are_optional_and_web_schemes_implied() {
        assert_eq!(filled("barn://find", "barn://find?tag={tag}"), Some(vec![]));
        assert_eq!(
            filled("barn://find?tag={}", "barn://find?tag={tag}&page={page}"),
            Some(vec!["tag=x".into()])
        );
        assert_eq!(filled("https://barn.example/a", "barn.example/{page}"), Some(vec!["page=a".into()]));
    }

    #[test]
    fn own_words_beat_placeholders() {
        let score = |pattern| fit(&shape("barn://item/new"), pattern).map(|fit| fit.score);
        assert!(score("barn://item/new") > score("barn://item/{id}"));
        let hole = |pattern| fit(&shape("barn://item/{}"), pattern).map(|fit| fit.score);
        assert!(hole("barn://item/{id}") > hole("barn://item/new"));
    }
}
