//! How names are spelled: their words, what generated code makes of them, which are alike.

use heck::ToSnakeCase;

/// A number of things: `1 place`, `2 places`.
#[must_use]
pub fn count(number: usize, what: &str) -> String {
    let plural = if number == 1 { "" } else { "s" };
    format!("{number} {what}{plural}")
}

/// Up to three of the names that are spelled most alike, the nearest first. The same words in another
/// order are near as well.
#[must_use]
pub fn nearest<'n>(name: &str, among: impl Iterator<Item = &'n str>) -> Vec<String> {
    let plain = |s: &str| s.to_lowercase().replace(['_', '-'], "");
    let wanted = plain(name);
    let wanted_words = sorted_words(name);
    let among: std::collections::BTreeSet<&str> = among.collect();
    let distance = |other: &str| {
        let same_words = wanted_words == sorted_words(other);
        if same_words { 0 } else { strsim::damerau_levenshtein(&wanted, &plain(other)) }
    };
    let mut scored: Vec<(usize, &str)> = among
        .into_iter()
        .filter(|other| !other.is_empty())
        .map(|other| (distance(other), other))
        .filter(|(distance, other)| *distance <= 1 + other.len().min(name.len()) / 4)
        .collect();
    scored.sort_unstable();
    scored.dedup();
    scored.into_iter().take(3).map(|(_, other)| other.to_owned()).collect()
}

/// A name without the marks that generated spelling leaves out.
pub(crate) fn spelling(name: &str) -> String {
    name.replace(['_', '.', '-'], "").to_lowercase()
}

/// The words of a name in small letters, whatever way it joins them.
#[must_use]
pub fn words(name: &str) -> Vec<String> {
    name.to_snake_case().split('_').filter(|word| !word.is_empty()).map(str::to_owned).collect()
}

/// The same, in the order of the alphabet.
fn sorted_words(name: &str) -> Vec<String> {
    let mut words = words(name);
    words.sort_unstable();
    words
}

/// `barn://item/{id}` as a text with holes.
pub(crate) fn without_names(pattern: &str) -> String {
    let mut text = String::new();
    for (i, piece) in pattern.split('{').enumerate() {
        let rest = if i == 0 { Some(piece) } else { piece.split_once('}').map(|(_, rest)| rest) };
        text.push_str(if i == 0 { "" } else { "{}" });
        text.push_str(rest.unwrap_or(piece));
    }
    text
}
