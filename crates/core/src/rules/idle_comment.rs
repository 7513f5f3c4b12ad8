use super::{Example, Rule, Says, listed};
use crate::model::{Finding, Place, Severity};
use xxhash_rust::xxh3::xxh3_64;

pub(super) static RULE: Rule = Rule {
    name: "idle-comment",
    severity: Severity::Warning,
    says: Says::Presence,
    summary: "What is said to be meant is not found, or is said without a rule or a reason.",
    why: "It hides the next finding of its kind, which nobody has looked at.",
    mend: "Take it out, or name the rule and say why it is meant.",
    example: Example {
        wrong: "<!-- lantern: orphan-screen is meant: the tablet opens it -->\n<fragment android:id=\"@+id/help\" android:name=\"barn.HelpFragment\"/>",
        right: "<fragment android:id=\"@+id/help\" android:name=\"barn.HelpFragment\"/>",
    },
    // It looks at what the others found: see `meant`.
    check: |_, _| {},
};

/// What is wrong with a comment, with the rules that may have been meant.
pub(crate) fn finding(at: Place, message: String, near: &[String]) -> Finding {
    let identity = format!("{}\0{}\0{message}", RULE.name, at.file);
    Finding {
        rule: RULE.name.to_owned(),
        severity: RULE.severity,
        help: match near {
            [] => RULE.mend.to_owned(),
            near => format!("Did you mean {}?", listed(near)),
        },
        message,
        at,
        related: Vec::new(),
        unless: Vec::new(),
        apps: Vec::new(),
        fingerprint: format!("{:016x}", xxh3_64(identity.as_bytes())),
    }
}
