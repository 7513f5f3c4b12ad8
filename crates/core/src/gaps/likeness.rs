//! How alike two names are: by their words, without what a platform puts behind them.

use crate::names;
use rustc_hash::FxHashMap;

/// Words that say what something is for a platform, not what it shows.
const SUFFIXES: &[&str] = &[
    "activity",
    "component",
    "composable",
    "controller",
    "destination",
    "dialog",
    "frag",
    "fragment",
    "page",
    "route",
    "screen",
    "sheet",
    "ui",
    "view",
    "vc",
    "widget",
    "bottom",
    "graph",
    "link",
    "scene",
];

/// Words for what is done with a thing: they say less than the thing, and two that differ tell two
/// screens of one thing apart.
const ASPECTS: &[&str] = &[
    "add", "create", "detail", "edit", "editor", "form", "home", "index", "info", "list", "main", "new",
    "overview", "picker", "select", "summary",
];

/// The words of a name: case styles, separators and plurals off, placeholders left out.
pub(super) fn words(name: &str) -> Vec<String> {
    let all = split(name);
    let kept: Vec<String> = all.iter().filter(|word| !SUFFIXES.contains(&word.as_str())).cloned().collect();
    if kept.is_empty() { all } else { kept }
}

fn split(name: &str) -> Vec<String> {
    // What follows a `?` is a query, and what stands in braces a placeholder: parameters, no name.
    let name = name.split('?').next().unwrap_or(name);
    names::words(&without_brackets(name)).into_iter().map(singular).collect()
}

fn without_brackets(name: &str) -> String {
    let mut depth = 0_usize;
    let mut kept = String::new();
    for c in name.chars() {
        match c {
            '{' | '<' => depth += 1,
            '}' | '>' => depth = depth.saturating_sub(1),
            _ if depth == 0 => kept.push(c),
            _ => {}
        }
    }
    kept
}

fn singular(word: String) -> String {
    match word.strip_suffix('s') {
        Some(stem) if stem.len() > 2 && !stem.ends_with('s') && !stem.ends_with('u') => stem.to_owned(),
        _ => word,
    }
}

/// How much each word says: the rarer, the more.
#[derive(Debug, Default)]
pub(super) struct Weights(FxHashMap<String, f64>);

impl Weights {
    pub(super) fn of<'w>(names: impl Iterator<Item = &'w Vec<String>>) -> Self {
        let mut counts: FxHashMap<String, f64> = FxHashMap::default();
        let mut all = 1.0;
        for words in names {
            all += 1.0;
            for word in words {
                *counts.entry(word.clone()).or_default() += 1.0;
            }
        }
        Self(counts.into_iter().map(|(word, count)| (word, 1.0 + f64::ln(all / count))).collect())
    }

    fn weight(&self, word: &str) -> f64 {
        let rarity = self.0.get(word).copied().unwrap_or(1.0);
        if is_aspect(word) { rarity * 0.5 } else { rarity }
    }

    /// From 0 to 1: what share of their words two names have in common, by weight. Words that only
    /// begin alike count half.
    pub(super) fn alike(&self, a: &[String], b: &[String]) -> f64 {
        if a.is_empty() || b.is_empty() {
            return 0.0;
        }
        let found = |word: &String, among: &[String]| {
            let best = among.iter().map(|other| kinship(word, other)).fold(0.0, f64::max);
            best * self.weight(word)
        };
        let common: f64 =
            a.iter().map(|word| found(word, b)).chain(b.iter().map(|word| found(word, a))).sum();
        let all: f64 = a.iter().chain(b).map(|word| self.weight(word)).sum();
        let aspects =
            |words: &[String]| words.iter().filter(|word| is_aspect(word)).cloned().collect::<Vec<_>>();
        let (one, other) = (aspects(a), aspects(b));
        let apart = !one.is_empty() && !other.is_empty() && one.iter().all(|word| !other.contains(word));
        common / all * if apart { 0.7 } else { 1.0 }
    }
}

fn is_aspect(word: &str) -> bool {
    ASPECTS.contains(&word)
}

fn kinship(a: &str, b: &str) -> f64 {
    if a == b {
        return 1.0;
    }
    let (short, long) = if a.len() <= b.len() { (a, b) } else { (b, a) };
    if short.len() >= 4 && long.starts_with(short) { 0.6 } else { 0.0 }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn alike(a: &str, b: &str) -> f64 {
        Weights::default().alike(&words(a), &words(b))
    }

    #[test]
    fn platform_words_case_styles_and_plurals_are_off() {
        for name in [
            "LoanDetailFragment",
            "loan_detail",
            "loan-details/{loanId}?copies={n}",
            "LoanDetailRoute",
            "LOAN_DETAIL",
        ] {
            assert_eq!(words(name), ["loan", "detail"], "{name}");
        }
        assert_eq!(words("HTMLPage"), ["html"]);
        assert_eq!(words("Screen"), ["screen"], "where nothing else is left, it is the name");
        assert_eq!(words("status"), ["status"]);
    }

    #[test]
    fn words_are_compared_whole() {
        assert!((alike("LoanScreen", "loans") - 1.0).abs() < 1e-9);
        assert!(alike("LoanList", "LoanDetail") < 0.5, "two screens of one thing");
        assert!(alike("LoanList", "MemberList") < 0.4, "one aspect of two things");
        assert!(alike("LoanDetail", "LoanScreen") > 0.7);
        assert!(alike("member", "membership") > 0.5);
        assert!(alike("shelf", "shell") < 1e-9);
    }
}
