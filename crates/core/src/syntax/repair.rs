//! Length-preserving repairs of what the published grammars stumble over. They are tried only
//! where a first parse has errors, and kept only where the second has fewer. Offsets stay right.

/// Kotlin: an annotation before a function type, `content: @Composable () -> Unit`, is blanked; a
/// member before a closing brace on the same line, `val K = 1 }`, gets the `;` the grammar wants;
/// `fun interface` becomes `interface`; a call of something named like a modifier, `open(x)`, gets
/// another first letter.
pub(super) fn kotlin(text: &str) -> String {
    let mut bytes = text.as_bytes().to_vec();
    let code = code_bytes(text);
    blank_type_annotations(&mut bytes, &code);
    close_one_line_members(&mut bytes, &code);
    blank_fun_before_interface(&mut bytes, &code);
    rename_modifier_calls(&mut bytes, &code);
    String::from_utf8(bytes).unwrap_or_else(|_| text.to_owned())
}

/// Swift: the line break before a labelled trailing closure, `}` newline `label: {`, is blanked, and so
/// are the conditions (`#if`, `#endif`) between the links of a chain.
pub(super) fn swift(text: &str) -> String {
    let mut bytes = text.as_bytes().to_vec();
    let code = code_bytes(text);
    join_labelled_closures(&mut bytes, &code);
    blank_conditions_in_chains(&mut bytes, text, &code);
    String::from_utf8(bytes).unwrap_or_else(|_| text.to_owned())
}

fn join_labelled_closures(bytes: &mut [u8], code: &[bool]) {
    for at in 0..bytes.len() {
        if bytes[at] != b'}' || !code[at] {
            continue;
        }
        let rest = &bytes[at + 1..];
        let space = rest.iter().take_while(|b| b.is_ascii_whitespace()).count();
        let word = rest[space..].iter().take_while(|b| b.is_ascii_alphanumeric() || **b == b'_').count();
        let behind = &rest[space + word..];
        let opens = behind.strip_prefix(b":").is_some_and(|b| b.trim_ascii_start().starts_with(b"{"));
        let label = rest[space..].first().is_some_and(u8::is_ascii_lowercase);
        // `default: {` cannot follow a closing brace on its own line in any other way.
        if opens && label && &rest[space..space + word] != b"default" && rest[..space].contains(&b'\n') {
            bytes[at + 1..at + 1 + space].fill(b' ');
        }
    }
}

/// A condition whose next line goes on with `.`, and those that belong to it.
fn blank_conditions_in_chains(bytes: &mut [u8], text: &str, code: &[bool]) {
    let mut lines = Vec::new();
    let mut at = 0;
    for line in text.split_inclusive('\n') {
        lines.push((at, line));
        at += line.len();
    }
    let directive = |i: usize| {
        let (at, line) = lines[i];
        let trimmed = line.trim_start();
        let starts = at + line.len() - trimmed.len();
        (trimmed.starts_with('#') && code.get(starts) == Some(&true)).then_some(trimmed)
    };
    let mut chains: Vec<bool> = Vec::new();
    for i in 0..lines.len() {
        let Some(word) = directive(i) else { continue };
        if word.starts_with("#if") {
            let next = lines[i + 1..].iter().map(|(_, line)| line.trim_start()).find(|line| !line.is_empty());
            chains.push(next.is_some_and(|line| line.starts_with('.')));
        }
        let known = ["#if", "#else", "#elseif", "#endif"].iter().any(|known| word.starts_with(known));
        if known && chains.last() == Some(&true) {
            let (at, line) = lines[i];
            bytes[at..at + line.trim_end().len()].fill(b' ');
        }
        if word.starts_with("#endif") {
            chains.pop();
        }
    }
}

/// Which bytes are code, not in a string or a comment.
fn code_bytes(text: &str) -> Vec<bool> {
    let bytes = text.as_bytes();
    let mut code = vec![true; bytes.len()];
    let mut at = 0;
    while at < bytes.len() {
        let rest = &text.as_bytes()[at..];
        let length = if rest.starts_with(b"//") {
            rest.iter().position(|b| *b == b'\n').unwrap_or(rest.len())
        } else if rest.starts_with(b"/*") {
            find(rest, b"*/", 2).unwrap_or(rest.len())
        } else if rest.starts_with(b"\"\"\"") {
            find(rest, b"\"\"\"", 3).unwrap_or(rest.len())
        } else if rest[0] == b'"' || rest[0] == b'\'' {
            quoted(rest)
        } else {
            at += 1;
            continue;
        };
        code[at..at + length].fill(false);
        at += length;
    }
    code
}

fn find(bytes: &[u8], end: &[u8], from: usize) -> Option<usize> {
    bytes.get(from..)?.windows(end.len()).position(|w| w == end).map(|i| i + from + end.len())
}

fn quoted(bytes: &[u8]) -> usize {
    let mut at = 1;
    while at < bytes.len() && bytes[at] != bytes[0] && bytes[at] != b'\n' {
        at += if bytes[at] == b'\\' { 2 } else { 1 };
    }
    (at + 1).min(bytes.len())
}

fn blank_type_annotations(bytes: &mut [u8], code: &[bool]) {
    for at in 0..bytes.len() {
        if bytes[at] != b'@' || !code[at] {
            continue;
        }
        let before = bytes[..at].iter().rposition(|b| *b != b' ').map(|i| bytes[i]);
        let end = bytes[at + 1..]
            .iter()
            .position(|b| !b.is_ascii_alphanumeric())
            .map_or(bytes.len(), |i| at + 1 + i);
        let opens = bytes[end..].iter().find(|b| **b != b' ') == Some(&b'(');
        if matches!(before, Some(b':' | b'(' | b'<')) && opens && bytes.get(end) == Some(&b' ') {
            bytes[at..end].fill(b' ');
        }
    }
}

fn close_one_line_members(bytes: &mut [u8], code: &[bool]) {
    for at in 2..bytes.len() {
        let closes = bytes[at] == b'}' && code[at] && bytes[at - 1] == b' ';
        if closes
            && (bytes[at - 2].is_ascii_alphanumeric() || matches!(bytes[at - 2], b'"' | b')' | b']' | b'}'))
        {
            bytes[at - 1] = b';';
        }
    }
}

fn blank_fun_before_interface(bytes: &mut [u8], code: &[bool]) {
    let word = b"fun interface ";
    for at in 0..bytes.len().saturating_sub(word.len()) {
        if code[at] && bytes[at..].starts_with(word) {
            bytes[at..at + 3].fill(b' ');
        }
    }
}

/// Modifiers that are names everywhere else.
const SOFT: &[&[u8]] = &[
    b"abstract",
    b"annotation",
    b"data",
    b"enum",
    b"external",
    b"final",
    b"infix",
    b"inline",
    b"inner",
    b"open",
    b"operator",
    b"override",
    b"sealed",
    b"suspend",
    b"value",
];

fn rename_modifier_calls(bytes: &mut [u8], code: &[bool]) {
    for at in 0..bytes.len() {
        let starts = code[at]
            && at
                .checked_sub(1)
                .is_none_or(|i| !bytes[i].is_ascii_alphanumeric() && !matches!(bytes[i], b'_' | b'.' | b'@'));
        let called =
            |word: &&&[u8]| bytes[at..].starts_with(word) && bytes.get(at + word.len()) == Some(&b'(');
        if starts && SOFT.iter().any(|word| called(&word)) {
            bytes[at] = b'_';
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[track_caller]
    fn repaired(from: &str, to: &str) {
        assert_eq!(kotlin(from), to);
        assert_eq!(from.len(), to.len());
    }

    #[test]
    fn annotations_before_function_types_are_blanked() {
        repaired("fun a(c: @Composable () -> Unit)", "fun a(c:             () -> Unit)");
        repaired("@Composable (x)", "@Composable (x)");
        repaired("val a = \"x: @B ()\"", "val a = \"x: @B ()\"");
    }

    #[test]
    fn calls_named_like_modifiers_are_renamed() {
        repaired("fun f() { open(x); a.open(y) }", "fun f() { _pen(x); a.open(y);}");
        repaired("open class A", "open class A");
    }

    #[test]
    fn one_line_members_are_closed() {
        repaired("object A { val K = 1 }", "object A { val K = 1;}");
        repaired("val a = \"{ 1 }\" // { 1 }", "val a = \"{ 1 }\" // { 1 }");
        repaired("fun interface X { fun b() }", "    interface X { fun b();}");
        repaired(
            "class A { companion object { fun b() = A() } }",
            "class A { companion object { fun b() = A();};}",
        );
    }
}
