use crate::args::{PageFormat, Rules};
use crate::format;
use crate::look::Look;
use crate::{Failure, Outcome};
use fallow_lantern_core::explain::page;
use fallow_lantern_core::rules::{RULES, nearest_rules};
use std::io::Write as _;

pub(super) fn run(args: &Rules) -> Result<Outcome, Failure> {
    let out = &mut anstream::stdout().lock();
    let look = Look::of_stdout();
    let chosen = match &args.rule {
        None => RULES.to_vec(),
        Some(name) => match RULES.iter().find(|rule| rule.name == name) {
            Some(rule) => vec![*rule],
            None => {
                return Err(Failure::Unknown {
                    what: "rule",
                    given: name.clone(),
                    near: nearest_rules(name),
                });
            }
        },
    };
    match (args.format, chosen.as_slice(), &args.rule) {
        (PageFormat::Text, [rule], Some(_)) => format::rules::explain(rule, look, out)?,
        (PageFormat::Text, rules, _) => format::rules::list(rules, look, out)?,
        (PageFormat::Json, rules, _) => format::json::rules(rules, out)?,
        (PageFormat::Markdown, rules, _) => {
            for rule in rules {
                out.write_all(page(rule).as_bytes())?;
            }
        }
    }
    Ok(Outcome::Clean)
}
