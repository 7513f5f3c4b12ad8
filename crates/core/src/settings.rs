//! What a team settles for its app: the configuration file.
//!
//! TOML, read key by key so that a slip in it is told with its place and the nearest valid name.

use crate::meant::severity_named;
use crate::model::{Severity, Style};
use crate::names::nearest;
use crate::rules::RULES;
use toml::Spanned;
use toml::de::{DeTable, DeValue};

/// The file's name in the root of the scanned folder.
pub const SETTINGS_FILE: &str = "fallow-lantern.toml";

/// What was settled.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Settings {
    /// Paths that are not read, written as in an ignore file.
    pub leave_out: Vec<Named>,
    /// Routes that something outside of the source opens.
    pub entries: Vec<Named>,
    /// Routes or screens of an old app, and what each became.
    pub pairs: Vec<(Named, Named)>,
    /// The style that the app is moving to.
    pub target: Option<Style>,
    /// Findings that are meant.
    pub meant: Vec<MeantHere>,
    /// Rules, and how bad what they report is here; `None` for those that are off.
    pub severities: Vec<(Named, Option<Severity>)>,
}

/// Findings that are meant: by all that is said of them.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct MeantHere {
    /// Their rule.
    pub rule: Option<Named>,
    /// Where they are, as an ignore file writes it.
    pub path: Option<Named>,
    /// The route that they name.
    pub route: Option<Named>,
    /// Why.
    pub because: Named,
}

/// A name and where it is written.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Named {
    /// The name.
    pub name: String,
    /// 1-based line and column, in characters.
    pub at: (u32, u32),
}

/// A slip in the settings.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct SettingsError {
    /// 1-based line and column, in characters.
    pub at: (u32, u32),
    /// What is wrong.
    pub message: String,
    /// The valid names that are spelled most alike.
    pub near: Vec<String>,
}

const KEYS: &[&str] = &["entries", "leave-out", "meant", "pair", "severity", "target"];
const MEANT_KEYS: &[&str] = &["because", "path", "route", "rule"];
const SEVERITIES: &[&str] = &["error", "note", "off", "warning"];
const PAIR_KEYS: &[&str] = &["new", "old"];

impl Settings {
    /// Reads a configuration.
    ///
    /// # Errors
    /// Where it is not TOML, or names a key, a style or a form that is not there.
    pub fn parse(text: &str) -> Result<Self, SettingsError> {
        let file = File { text };
        let table = DeTable::parse(text).map_err(|error| {
            let start = error.span().map_or(0, |span| span.start);
            file.slip(start, error.message().lines().next().unwrap_or_default().to_owned())
        })?;
        let mut settings = Self::default();
        for (key, value) in table.get_ref() {
            match key.get_ref().as_ref() {
                "leave-out" => settings.leave_out = file.names(value)?,
                "entries" => settings.entries = file.names(value)?,
                "target" => settings.target = Some(file.style(value)?),
                "pair" => settings.pairs = file.pairs(value)?,
                "meant" => settings.meant = file.all_meant(value)?,
                "severity" => settings.severities = file.severities(value)?,
                _ => return Err(file.unknown_key(key, KEYS)),
            }
        }
        Ok(settings)
    }
}

impl Named {
    /// A slip for a name that nothing in the app has.
    #[must_use]
    pub fn unknown<'n>(&self, what: &str, among: impl Iterator<Item = &'n str>) -> SettingsError {
        let near = nearest(&self.name, among);
        SettingsError { at: self.at, message: format!("there is no {what} `{}`", self.name), near }
    }
}

type Value<'i> = Spanned<DeValue<'i>>;

/// The text that is read, for places in it.
struct File<'t> {
    text: &'t str,
}

impl File<'_> {
    fn at(&self, byte: usize) -> (u32, u32) {
        let before = self.text.get(..byte).unwrap_or(self.text);
        let line = before.matches('\n').count() + 1;
        let column = before.rsplit('\n').next().unwrap_or_default().chars().count() + 1;
        (u32::try_from(line).unwrap_or(u32::MAX), u32::try_from(column).unwrap_or(u32::MAX))
    }

    fn slip(&self, byte: usize, message: String) -> SettingsError {
        SettingsError { at: self.at(byte), message, near: Vec::new() }
    }

    fn unknown_key(&self, key: &Spanned<std::borrow::Cow<'_, str>>, known: &[&str]) -> SettingsError {
        let name = key.get_ref();
        let near = nearest(name, known.iter().copied());
        let hint = format!("there is no key `{name}`; known ones are {}", known.join(", "));
        SettingsError { near, ..self.slip(key.span().start, hint) }
    }

    fn name(&self, value: &Value<'_>) -> Result<Named, SettingsError> {
        let start = value.span().start;
        match value.get_ref() {
            DeValue::String(text) => Ok(Named { name: text.to_string(), at: self.at(start) }),
            _ => Err(self.slip(start, "text in quotes is wanted here".to_owned())),
        }
    }

    fn list<'v, 'i>(&self, value: &'v Value<'i>) -> Result<&'v [Value<'i>], SettingsError> {
        match value.get_ref() {
            DeValue::Array(items) => Ok(items.as_ref()),
            _ => Err(self.slip(value.span().start, "a list is wanted here".to_owned())),
        }
    }

    fn names(&self, value: &Value<'_>) -> Result<Vec<Named>, SettingsError> {
        self.list(value)?.iter().map(|item| self.name(item)).collect()
    }

    fn style(&self, value: &Value<'_>) -> Result<Style, SettingsError> {
        let written = self.name(value)?;
        let found = Style::ALL.iter().copied().find(|style| style.as_str() == written.name);
        found.ok_or_else(|| written.unknown("style", Style::ALL.iter().map(|style| style.as_str())))
    }

    fn pairs(&self, value: &Value<'_>) -> Result<Vec<(Named, Named)>, SettingsError> {
        self.list(value)?.iter().map(|item| self.pair(item)).collect()
    }

    fn pair(&self, value: &Value<'_>) -> Result<(Named, Named), SettingsError> {
        let start = value.span().start;
        let DeValue::Table(table) = value.get_ref() else {
            return Err(self.slip(start, "`old = \"…\"` and `new = \"…\"` are wanted here".to_owned()));
        };
        let (mut old, mut new) = (None, None);
        for (key, value) in table {
            match key.get_ref().as_ref() {
                "old" => old = Some(self.name(value)?),
                "new" => new = Some(self.name(value)?),
                _ => return Err(self.unknown_key(key, PAIR_KEYS)),
            }
        }
        match (old, new) {
            (Some(old), Some(new)) => Ok((old, new)),
            _ => Err(self.slip(start, "a pair needs both `old` and `new`".to_owned())),
        }
    }

    fn all_meant(&self, value: &Value<'_>) -> Result<Vec<MeantHere>, SettingsError> {
        self.list(value)?.iter().map(|item| self.meant(item)).collect()
    }

    fn meant(&self, value: &Value<'_>) -> Result<MeantHere, SettingsError> {
        let start = value.span().start;
        let DeValue::Table(table) = value.get_ref() else {
            return Err(
                self.slip(start, "`rule`, `path` or `route` and `because` are wanted here".to_owned())
            );
        };
        let (mut rule, mut path, mut route, mut because) = (None, None, None, None);
        for (key, value) in table {
            match key.get_ref().as_ref() {
                "rule" => rule = Some(self.rule(self.name(value)?)?),
                "path" => path = Some(self.name(value)?),
                "route" => route = Some(self.name(value)?),
                "because" => because = Some(self.name(value)?),
                _ => return Err(self.unknown_key(key, MEANT_KEYS)),
            }
        }
        match because.filter(|because| !because.name.trim().is_empty()) {
            None => Err(self.slip(start, "what is meant needs a reason: `because`".to_owned())),
            Some(_) if rule.is_none() && path.is_none() && route.is_none() => {
                Err(self.slip(start, "say which: `rule`, `path` or `route`".to_owned()))
            }
            Some(because) => Ok(MeantHere { rule, path, route, because }),
        }
    }

    fn severities(&self, value: &Value<'_>) -> Result<Vec<(Named, Option<Severity>)>, SettingsError> {
        let DeValue::Table(table) = value.get_ref() else {
            return Err(self.slip(value.span().start, "a table is wanted here".to_owned()));
        };
        let entry = |(key, value): (&Spanned<std::borrow::Cow<'_, str>>, &Value<'_>)| {
            let name = key.get_ref().to_string();
            let rule = self.rule(Named { name, at: self.at(key.span().start) })?;
            let written = self.name(value)?;
            let severity = severity_named(&written.name);
            let severity = severity.ok_or_else(|| written.unknown("severity", SEVERITIES.iter().copied()))?;
            Ok((rule, severity))
        };
        table.iter().map(entry).collect()
    }

    fn rule(&self, written: Named) -> Result<Named, SettingsError> {
        match RULES.iter().any(|rule| rule.name == written.name) {
            true => Ok(written),
            false => Err(written.unknown("rule", RULES.iter().map(|rule| rule.name))),
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn slip(text: &str) -> String {
        let error = Settings::parse(text).expect_err("a slip");
        format!("{}:{}: {} {:?}", error.at.0, error.at.1, error.message, error.near)
    }

    #[test]
    fn everything_that_can_be_settled() {
        let text = r#"
target = "compose-typed"
leave-out = ["legacy/", "**/samples/**"]
entries = ["reports"]
[[pair]]
old = "loanDetailFragment"
new = "LoanRoute"
"#;
        let settings = Settings::parse(text).expect("valid");
        assert_eq!(settings.target, Some(Style::ComposeTyped));
        let names = |list: &[Named]| list.iter().map(|n| n.name.clone()).collect::<Vec<_>>();
        assert_eq!(names(&settings.leave_out), ["legacy/", "**/samples/**"]);
        assert_eq!(names(&settings.entries), ["reports"]);
        let (old, new) = &settings.pairs[0];
        assert_eq!((old.name.as_str(), new.name.as_str()), ("loanDetailFragment", "LoanRoute"));
        assert_eq!(old.at, (6, 7));
        assert_eq!(Settings::parse(""), Ok(Settings::default()));
    }

    #[test]
    fn slips_are_told_with_their_place_and_the_nearest_name() {
        assert_eq!(
            slip("# é\n  targt = \"x\""),
            "2:3: there is no key `targt`; known ones are entries, leave-out, meant, pair, severity, target [\"target\"]"
        );
        assert_eq!(
            slip("target = \"compose-typedd\""),
            "1:10: there is no style `compose-typedd` [\"compose-typed\"]"
        );
        assert_eq!(slip("target = 3"), "1:10: text in quotes is wanted here []");
        assert_eq!(slip("entries = \"x\""), "1:11: a list is wanted here []");
        assert!(slip("[[pair]]\nold = \"x\"").contains("both `old` and `new`"));
        assert!(slip("[[pair]]\nodl = \"x\"").contains("[\"old\"]"));
        assert!(slip("pair = [1]").starts_with("1:9: "));
        assert_eq!(slip("entries = [\"a\""), "1:15: unclosed array, expected `]` []", "not TOML");
    }
}
