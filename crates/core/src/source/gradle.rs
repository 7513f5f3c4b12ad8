//! What a Gradle build file says about its module, in Groovy or Kotlin: both write the few
//! settings that matter here as a name and a quoted string.

use super::Build;

/// Reads a build file's text.
pub(super) fn read(text: &str) -> Build {
    let tokens = tokens(text);
    let mut build = Build::default();
    for (i, token) in tokens.iter().enumerate() {
        let Token::Word(word) = token else { continue };
        let value = tokens[i + 1..].iter().take(3).take_while(|t| !matches!(t, Token::Word(_)));
        let value = value.filter_map(Token::text).next();
        match (*word, value) {
            ("namespace", Some(text)) => {
                build.namespace.get_or_insert_with(|| text.to_owned());
            }
            ("id" | "plugin", Some(text)) => build.plugins.push(text.to_owned()),
            ("project", Some(text)) => build.depends_on.push(text.to_owned()),
            _ => {}
        }
    }
    build
}

enum Token<'t> {
    Word(&'t str),
    Text(&'t str),
    Mark,
}

impl<'t> Token<'t> {
    fn text(&self) -> Option<&'t str> {
        match self {
            Token::Text(text) => Some(text),
            _ => None,
        }
    }
}

fn tokens(text: &str) -> Vec<Token<'_>> {
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
                    tokens.push(Token::Mark);
                }
                c.len_utf8()
            }
        };
        rest = rest.get(taken..).unwrap_or_default();
    }
    tokens
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
}
