//! What the forms of a map mean.

use super::measure::{SMALL, width as text_width};
use super::shapes;
use super::svg::Canvas;
use fallow_lantern_core::map::{Frame, Map, Shape};
use std::io;

/// Height of the legend.
pub(super) const HEIGHT: f64 = 44.0;

const SAMPLE: Frame = Frame { x: 0.0, y: 0.0, width: 26.0, height: 16.0 };
const GAP: f64 = 18.0;

/// Something that a legend explains: the class it is drawn with, its form, and its words.
struct Entry {
    class: &'static str,
    form: Form,
    words: &'static str,
}

enum Form {
    Node(Shape),
    Entry,
    Arrow(&'static str),
}

/// Only what the map shows is explained.
fn entries(map: &Map) -> Vec<Entry> {
    let mut entries = Vec::new();
    let mut add = |on: bool, class, form, words| {
        if on {
            entries.push(Entry { class, form, words });
        }
    };
    let any = |shape: Shape| map.nodes.iter().any(|node| node.shape == shape);
    for (shape, words) in [
        (Shape::Screen, "screen"),
        (Shape::Activity, "activity"),
        (Shape::Dialog, "dialog"),
        (Shape::Sheet, "sheet"),
        (Shape::Tab, "tab"),
        (Shape::App, "code of no screen"),
        (Shape::Cluster, "several places"),
    ] {
        add(any(shape), "sample", Form::Node(shape), words);
    }
    add(any(Shape::Unknown), "sample vain", Form::Node(Shape::Unknown), "screen not known");
    add(any(Shape::Undeclared), "sample vain", Form::Node(Shape::Undeclared), "nobody declares it");
    add(map.nodes.iter().any(|n| n.entry), "sample entry-node", Form::Entry, "way into the app");
    add(map.nodes.iter().any(|n| n.orphan), "sample orphan", Form::Node(Shape::Screen), "nobody opens it");
    add(
        map.nodes.iter().any(|n| n.unreachable),
        "sample unreachable",
        Form::Node(Shape::Screen),
        "cannot be reached",
    );
    add(map.arrows.iter().any(|a| a.calls > 0 && !a.vain), "", Form::Arrow(""), "calls (2× where two)");
    add(map.arrows.iter().any(|a| a.calls == 0), "", Form::Arrow(" inside"), "shown inside");
    add(map.arrows.iter().any(|a| a.vain), "", Form::Arrow(" vain"), "call in vain");
    entries
}

fn entry_width(entry: &Entry) -> f64 {
    SAMPLE.width + 6.0 + text_width(entry.words, SMALL, false) + GAP
}

/// How wide a map's legend is.
pub(super) fn width(map: &Map) -> f64 {
    entries(map).iter().map(entry_width).sum::<f64>() + 32.0
}

/// Writes the legend at a point.
pub(super) fn write(map: &Map, (x, y): (f64, f64), canvas: &mut Canvas) -> io::Result<()> {
    let mut left = x;
    for entry in entries(map) {
        let at = (left, y + 14.0);
        canvas.open("g", &[("class", entry.class.to_owned())])?;
        let frame = Frame { x: at.0, y: at.1, ..SAMPLE };
        match entry.form {
            Form::Node(shape) => {
                canvas.path("body", &shapes::outline(shape, frame))?;
                if let Some(second) = shapes::second(shape, frame) {
                    canvas.path("second", &second)?;
                }
            }
            Form::Entry => {
                canvas.path("body", &shapes::outline(Shape::Screen, frame))?;
                canvas.path("entry", &shapes::entry(frame))?;
            }
            Form::Arrow(kind) => {
                let middle = at.1 + SAMPLE.height / 2.0;
                let line = [(at.0, middle), (at.0 + SAMPLE.width, middle)];
                canvas.path(&format!("arrow{kind}"), &shapes::curve(&line))?;
                canvas.path(&format!("head{kind}"), &shapes::head(&line))?;
            }
        }
        canvas.close("g")?;
        canvas.label("detail", entry.words, (at.0 + SAMPLE.width + 6.0, at.1 + 12.0), None)?;
        left += entry_width(&entry);
    }
    Ok(())
}
