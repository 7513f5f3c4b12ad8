//! What is said of a rule: its own reasons, and what the styles at hand add in their words.

use crate::model::Style;
use crate::recover::STYLES;
use crate::rules::Rule;
use std::fmt::Write as _;

/// What styles add to the reasons of a rule, each once, with those that say so.
#[must_use]
pub fn sayings(rule: &str, styles: &[Style]) -> Vec<(Style, &'static str)> {
    let at_hand = STYLES.iter().filter_map(|room| Some((room.style?, room.says)));
    let at_hand = at_hand.filter(|(style, _)| styles.contains(style));
    let own = at_hand.flat_map(|(style, says)| says.iter().map(move |saying| (style, saying)));
    own.filter(|(_, saying)| saying.rule == rule).map(|(style, saying)| (style, saying.why)).collect()
}

/// A rule's page in Markdown.
#[must_use]
pub fn page(rule: &Rule) -> String {
    let mut why = rule.why.to_owned();
    for (style, says) in sayings(rule.name, Style::ALL) {
        let _ = write!(why, "\n\n`{style}`: {says}");
    }
    let Rule { name, severity, summary, mend, example, .. } = rule;
    format!(
        "# {name}\n\nSeverity: {severity}\n\n{summary}\n\n## Why\n\n{why}\n\n## What to do\n\n{mend}\n\n\
         ## Example\n\nReported:\n\n```\n{}\n```\n\nMended:\n\n```\n{}\n```\n",
        example.wrong, example.right
    )
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::rules::RULES;

    #[test]
    fn what_styles_say_is_of_rules_that_there_are() {
        for saying in STYLES.iter().flat_map(|room| room.says) {
            assert!(RULES.iter().any(|rule| rule.name == saying.rule), "{}", saying.rule);
        }
    }

    #[test]
    fn only_the_styles_at_hand_are_heard() {
        let said = sayings("out-of-scope-route", &[Style::KivyScreen, Style::GoRouter]);
        assert_eq!(said.iter().map(|(style, _)| *style).collect::<Vec<_>>(), [Style::KivyScreen]);
        let rule = RULES.iter().find(|rule| rule.name == "out-of-scope-route").expect("the rule");
        let page = page(rule);
        assert!(page.contains("`kivy-screen`: ") && page.contains("`storyboard`: "));
    }
}
