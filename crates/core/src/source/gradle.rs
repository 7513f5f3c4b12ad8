//! What a Gradle build file says about its module, in Groovy or Kotlin: both write the few
//! settings that matter here as a name and a quoted string.

use super::Build;
use super::build_tokens::{Token, tokens};
use super::projects::Link;

/// What makes a module one that is started by itself (developer.android.com, "Configure your build").
const APPLICATION: &str = "com.android.application";

/// Reads a build file's text.
pub(super) fn read(text: &str) -> Build {
    let tokens = tokens(text);
    let mut build = Build::default();
    for (i, token) in tokens.iter().enumerate() {
        let Token::Word(word) = token else { continue };
        let rest = &tokens[i + 1..];
        match (*word, value(rest)) {
            ("namespace", Some(text)) => {
                build.namespace.get_or_insert_with(|| text.to_owned());
            }
            ("applicationId", Some(text)) => {
                build.name.get_or_insert_with(|| text.to_owned());
            }
            ("id" | "plugin", Some(text)) => build.plugins.push(text.to_owned()),
            ("project", Some(text)) => {
                build.depends_on.push(text.to_owned());
                build.links.push(Link::Project(text.to_owned()));
            }
            ("dynamicFeatures", _) => {
                build.links.extend(texts(rest).map(|text| Link::Project(text.to_owned())))
            }
            ("projects", _) => build.links.extend(path(rest).map(Link::Accessor)),
            ("libs", _) => {
                let plugin = path(rest).and_then(|path| path.strip_prefix("plugins.").map(str::to_owned));
                build.plugins.extend(plugin.map(|alias| format!("{ALIAS}{alias}")));
            }
            _ => {}
        }
    }
    build.runs = build.plugins.iter().any(|plugin| plugin == APPLICATION);
    build
}

/// Stands before a plugin that is named by its alias in the catalogue of versions.
pub(super) const ALIAS: &str = "libs.plugins.";

/// Takes the plugins' ids for their aliases; an alias and its key in the catalogue differ in what joins
/// their words (docs.gradle.org, "Version catalogs").
pub(super) fn name_plugins(build: &mut Build, catalogue: &toml::Table) {
    for plugin in &mut build.plugins {
        let Some(alias) = plugin.strip_prefix(ALIAS) else { continue };
        let entries = catalogue.get("plugins").and_then(toml::Value::as_table).into_iter().flatten();
        let found =
            entries.filter(|(key, _)| key.replace(['-', '_'], ".") == alias).find_map(|(_, value)| {
                let short = value.as_str().and_then(|text| text.split(':').next());
                value.get("id").and_then(toml::Value::as_str).or(short)
            });
        if let Some(id) = found {
            *plugin = id.to_owned();
        }
    }
    build.runs |= build.plugins.iter().any(|plugin| plugin == APPLICATION);
}

/// What a settings file says: the projects that it takes in, the folders of those that lie elsewhere,
/// and the folders of builds that it includes (docs.gradle.org, "Settings file basics").
#[derive(Debug, Default, PartialEq, Eq)]
pub(super) struct GradleSettings {
    /// Folders by project path, where they are said.
    pub(super) folders: Vec<(String, String)>,
    /// Folders of included builds.
    pub(super) builds: Vec<String>,
}

/// Reads a settings file's text.
pub(super) fn read_settings(text: &str) -> GradleSettings {
    let tokens = tokens(text);
    let mut settings = GradleSettings::default();
    for (i, token) in tokens.iter().enumerate() {
        let rest = &tokens[i + 1..];
        match token {
            Token::Word("includeBuild") => settings.builds.extend(value(rest).map(str::to_owned)),
            // `project(":a").projectDir = file("x/a")`, or `new File(settingsDir, "x/a")`.
            Token::Word("project") => {
                let Some(path) = value(rest) else { continue };
                let places = rest.iter().skip_while(|token| !token.is_text()).skip(1);
                let words = places.clone().take(3).any(|token| matches!(token, Token::Word("projectDir")));
                let folder = places.take(12).find_map(Token::text).filter(|_| words);
                settings.folders.extend(folder.map(|folder| (path.to_owned(), folder.to_owned())));
            }
            _ => {}
        }
    }
    settings
}

/// The text that is given at once.
fn value<'t>(rest: &[Token<'t>]) -> Option<&'t str> {
    let near = rest.iter().take(4).take_while(|token| !matches!(token, Token::Word(word) if *word != "path"));
    near.filter_map(Token::text).next()
}

/// Texts up to the end of a list.
fn texts<'t>(rest: &[Token<'t>]) -> impl Iterator<Item = &'t str> {
    let list = rest.iter().take_while(|token| !matches!(token, Token::Mark(')' | ']' | '}')));
    list.filter_map(Token::text)
}

/// Names that follow a point each: `.core.data`.
fn path(rest: &[Token<'_>]) -> Option<String> {
    let mut names = Vec::new();
    for pair in rest.chunks(2) {
        match pair {
            [Token::Mark('.'), Token::Word(word)] => names.push(*word),
            _ => break,
        }
    }
    (!names.is_empty()).then(|| names.join("."))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn both_languages_and_comments() {
        let kotlin = read(
            "plugins { id(\"com.android.application\") }\n// namespace = \"no.such\"\nandroid { namespace = \"a.b\" }\ndependencies { implementation(project(\":core\")) }",
        );
        assert_eq!(kotlin.namespace.as_deref(), Some("a.b"));
        assert_eq!(kotlin.plugins, ["com.android.application"]);
        assert_eq!(kotlin.depends_on, [":core"]);
        let groovy = read("android {\n  namespace 'c.d'\n}\ndependencies { api project(':x:y') }");
        assert_eq!(groovy.namespace.as_deref(), Some("c.d"));
        assert_eq!(groovy.depends_on, [":x:y"]);
    }

    #[test]
    fn what_a_module_needs_in_every_spelling() {
        let build = read(
            "plugins { alias(libs.plugins.android.application); alias(libs.plugins.barn.feature) }
            android { dynamicFeatures = [':repairs', \":labels\"] }
            dependencies {
                implementation projects.core.dataStore
                implementation(project(path: ':core:ui'))
                api(project(\":shelf\")) // project(\":gone\")
            }",
        );
        let project = |path: &str| Link::Project(path.to_owned());
        let accessor = Link::Accessor("core.dataStore".to_owned());
        let links =
            [project(":repairs"), project(":labels"), accessor, project(":core:ui"), project(":shelf")];
        assert_eq!(build.links, links);
        assert!(!build.runs, "an alias is nothing before the catalogue is read");
        let catalogue = "[plugins]\nandroid-application = { id = \"com.android.application\" }\nbarn_feature = \"barn.feature:1\"";
        let mut named = build;
        name_plugins(&mut named, &catalogue.parse().unwrap_or_default());
        assert_eq!(named.plugins, ["com.android.application", "barn.feature"]);
        assert!(named.runs);
    }

    #[test]
    fn settings_say_where_projects_and_builds_lie() {
        let settings = read_settings(
            "includeBuild(\"build-logic\")
            include ':app', ':shelf'
            project(':shelf').projectDir = new File(settingsDir, '../common/shelf')
            project(\":app\").name = \"barn\"",
        );
        assert_eq!(settings.builds, ["build-logic"]);
        assert_eq!(settings.folders, [(":shelf".to_owned(), "../common/shelf".to_owned())]);
    }
}
