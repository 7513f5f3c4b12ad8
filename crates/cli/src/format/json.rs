//! JSON: the scan document, and the parts of it that the listings show.

use fallow_lantern_core::model::{Call, Document, Route};
use fallow_lantern_core::rules::Rule;
use serde::Serialize;
use std::io::{self, Write};

/// A part of a scan.
#[derive(Serialize)]
struct Part<'d, T> {
    format: &'static str,
    version: u32,
    #[serde(skip_serializing_if = "Option::is_none")]
    root: Option<&'d str>,
    #[serde(flatten)]
    content: T,
}

fn write(value: &impl Serialize, out: &mut dyn Write) -> io::Result<()> {
    serde_json::to_writer_pretty(&mut *out, value)?;
    writeln!(out)
}

/// A whole document.
pub(crate) fn whole(document: &impl Serialize, out: &mut dyn Write) -> io::Result<()> {
    write(document, out)
}

/// A value a line (jsonlines.org).
pub(crate) fn lines<T: Serialize>(values: &[T], out: &mut dyn Write) -> io::Result<()> {
    values.iter().try_for_each(|value| {
        serde_json::to_writer(&mut *out, value)?;
        writeln!(out)
    })
}

/// The routes alone.
pub(crate) fn routes(document: &Document, out: &mut dyn Write) -> io::Result<()> {
    #[derive(Serialize)]
    struct Routes<'d> {
        routes: &'d [Route],
    }
    let content = Routes { routes: &document.routes };
    write(&Part { format: "fallow-lantern/routes", version: 1, root: Some(&document.root), content }, out)
}

/// The calls alone.
pub(crate) fn calls(document: &Document, out: &mut dyn Write) -> io::Result<()> {
    #[derive(Serialize)]
    struct Calls<'d> {
        calls: &'d [Call],
    }
    let content = Calls { calls: &document.calls };
    write(&Part { format: "fallow-lantern/calls", version: 1, root: Some(&document.root), content }, out)
}

/// The rules.
pub(crate) fn rules(rules: &[&Rule], out: &mut dyn Write) -> io::Result<()> {
    #[derive(Serialize)]
    struct Explained {
        name: &'static str,
        severity: fallow_lantern_core::model::Severity,
        summary: &'static str,
        why: &'static str,
        mend: &'static str,
    }
    #[derive(Serialize)]
    struct Rules {
        rules: Vec<Explained>,
    }
    let explained = rules.iter().map(|rule| Explained {
        name: rule.name,
        severity: rule.severity,
        summary: rule.summary,
        why: rule.why,
        mend: rule.mend,
    });
    let content = Rules { rules: explained.collect() };
    write(&Part { format: "fallow-lantern/rules", version: 1, root: None, content }, out)
}
