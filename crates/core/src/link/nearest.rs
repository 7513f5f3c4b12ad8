//! Names that are spelled alike.

/// Up to three of the names that are spelled most alike, the nearest first. The same words in another
/// order are near as well.
#[must_use]
pub fn nearest<'n>(name: &str, among: impl Iterator<Item = &'n str>) -> Vec<String> {
    let plain = |s: &str| s.to_lowercase().replace(['_', '-'], "");
    let wanted = plain(name);
    let among: std::collections::BTreeSet<&str> = among.collect();
    let distance = |other: &str| {
        let same_words = words(name) == words(other);
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
pub(super) fn spelling(name: &str) -> String {
    name.replace(['_', '.', '-'], "").to_lowercase()
}

/// The words of a name, whatever way it joins them, in order of the alphabet.
fn words(name: &str) -> Vec<String> {
    let mut words = vec![String::new()];
    for c in name.chars() {
        if c == '_' || c == '-' || c.is_uppercase() {
            words.push(String::new());
        }
        if let (true, Some(word)) = (c.is_alphanumeric(), words.last_mut()) {
            word.extend(c.to_lowercase());
        }
    }
    words.retain(|word| !word.is_empty());
    words.sort_unstable();
    words
}
