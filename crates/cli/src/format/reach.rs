//! How one gets to a screen, for people.

use super::plain;
use super::tables::{argument, parameter, place, table, write_table};
use super::text::blocks;
use crate::look::Look;
use fallow_lantern_core::Scan;
use fallow_lantern_core::model::{HandedBack, Opener, Reach, Route, WayIn};
use fallow_lantern_core::names::count;
use std::io::{self, Write};

/// The whole of it.
pub(crate) fn reach(reach: &Reach, scan: &Scan, look: Look, out: &mut dyn Write) -> io::Result<()> {
    head(reach, look, out)?;
    ways(reach, look, out)?;
    if reach.from.is_some() {
        return Ok(());
    }
    openers(&reach.openers, look, out)?;
    reads(reach, look, out)?;
    results("Hands back", "taken by", &reach.hands_back, look, out)?;
    results("Waits for", "sent by", &reach.takes_back, look, out)?;
    onward(reach, look, out)?;
    if !reach.findings.is_empty() {
        title("Findings", look, out)?;
        writeln!(out)?;
        blocks(&reach.findings.iter().collect::<Vec<_>>(), scan, look, out)?;
    }
    Ok(())
}

fn title(title: &str, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let strong = look.strong();
    writeln!(out, "\n{strong}{title}{strong:#}")
}

fn head(reach: &Reach, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let (strong, faint) = (look.strong(), look.faint());
    let kind = reach.kind.map_or("no screen is known for it", |kind| kind.as_str());
    let at = reach.at.as_ref().map(|at| format!("  {}:{}", at.file, at.line)).unwrap_or_default();
    writeln!(out, "{strong}{}{strong:#}  {kind}{faint}{}{faint:#}", plain(&reach.name), plain(&at))?;
    for route in &reach.routes {
        writeln!(out, "  {}", route_line(route))?;
    }
    if reach.routes.is_empty() {
        writeln!(out, "  no route shows it")?;
    }
    Ok(())
}

/// `loanFragment (fragment-graph) takes loanId: Long, note?: String`
fn route_line(route: &Route) -> String {
    let takes: Vec<String> = route.parameters.iter().map(parameter).collect();
    let takes =
        if takes.is_empty() { "takes nothing".to_owned() } else { format!("takes {}", takes.join(", ")) };
    let links: String = route.deep_links.iter().map(|link| format!("; opened by {link}")).collect();
    plain(&format!("route {} ({}, {}) {takes}{links}", route.name, route.style, route.kind)).into_owned()
}

fn ways(reach: &Reach, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let heading = match &reach.from {
        Some(from) => format!("The way from {}", plain(from)),
        None => "Ways in".to_owned(),
    };
    title(&heading, look, out)?;
    if let Some(why_not) = &reach.why_not {
        return writeln!(out, "  none: {}", plain(why_not));
    }
    for way in &reach.ways {
        write_way(way, look, out)?;
    }
    Ok(())
}

fn write_way(way: &WayIn, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let faint = look.faint();
    let entry = way.entry.as_ref().map(|entry| format!("  {}", plain(entry))).unwrap_or_default();
    let steps =
        if way.steps.is_empty() { String::new() } else { format!("  {}", count(way.steps.len(), "step")) };
    writeln!(out, "  {}{faint}{entry}{steps}{faint:#}", plain(&way.from))?;
    for step in &way.steps {
        let how = match (step.verb, &step.at) {
            (Some(verb), Some(at)) => {
                format!("{verb} {}  {}", plain(step.text.as_deref().unwrap_or_default()), place(at))
            }
            _ => "shown inside".to_owned(),
        };
        writeln!(out, "    → {}  {faint}{how}{faint:#}", plain(&step.to))?;
    }
    Ok(())
}

fn openers(openers: &[Opener], look: Look, out: &mut dyn Write) -> io::Result<()> {
    title("Opened by", look, out)?;
    if openers.is_empty() {
        return writeln!(out, "  no call");
    }
    let mut rows = table(&["from", "does", "by", "form", "with", "at"], look);
    for opener in openers {
        rows.add_row([
            names(&opener.from),
            opener.verb.to_string(),
            plain(&opener.text).into_owned(),
            opener.form.map(|form| form.to_string()).unwrap_or_default(),
            opener.arguments.iter().map(argument).collect::<Vec<_>>().join("\n"),
            place(&opener.at),
        ]);
    }
    write_table(&rows, out)
}

fn names(names: &[String]) -> String {
    match names {
        [] => "(no screen)".to_owned(),
        [first, rest @ ..] if rest.len() > 2 => format!("{} and {} more", plain(first), rest.len()),
        names => names.iter().map(|name| plain(name)).collect::<Vec<_>>().join("\n"),
    }
}

fn reads(reach: &Reach, look: Look, out: &mut dyn Write) -> io::Result<()> {
    if reach.reads.is_empty() {
        return Ok(());
    }
    title("Reads", look, out)?;
    let mut rows = table(&["name", "type", "value", "at"], look);
    for read in &reach.reads {
        rows.add_row([
            plain(&read.name).into_owned(),
            plain(read.ty.as_deref().unwrap_or("-")).into_owned(),
            if read.forced { "must be there" } else { "may be absent" }.to_owned(),
            place(&read.at),
        ]);
    }
    write_table(&rows, out)
}

fn results(
    heading: &str,
    other: &str,
    list: &[HandedBack],
    look: Look,
    out: &mut dyn Write,
) -> io::Result<()> {
    if list.is_empty() {
        return Ok(());
    }
    title(heading, look, out)?;
    let mut rows = table(&["key", "type", "at", other], look);
    for result in list {
        let with = result.with.iter().map(|taker| {
            format!("{} {}", plain(taker.screen.as_deref().unwrap_or("(no screen)")), place(&taker.at))
        });
        let with: Vec<String> = with.collect();
        rows.add_row([
            plain(result.key.as_deref().unwrap_or("(decided at run time)")).into_owned(),
            plain(result.ty.as_deref().unwrap_or("-")).into_owned(),
            place(&result.at),
            if with.is_empty() { "nobody".to_owned() } else { with.join("\n") },
        ]);
    }
    write_table(&rows, out)
}

fn onward(reach: &Reach, look: Look, out: &mut dyn Write) -> io::Result<()> {
    title("Goes on to", look, out)?;
    if reach.onward.is_empty() {
        return writeln!(out, "  nothing");
    }
    let mut rows = table(&["to", "by", "at"], look);
    for onward in &reach.onward {
        let verbs: Vec<&str> = onward.verbs.iter().map(|verb| verb.as_str()).collect();
        rows.add_row([
            plain(&onward.to).into_owned(),
            if verbs.is_empty() { "shown inside".to_owned() } else { verbs.join(", ") },
            onward.at.iter().map(place).collect::<Vec<_>>().join("\n"),
        ]);
    }
    write_table(&rows, out)
}
