//! A map as SVG.

use super::measure::{LINE, NAME, PAD, SMALL, width};
use super::{legend, palette, shapes, words};
use fallow_lantern_core::map::{Arrow, Drawing, Frame, Map, Node, Shape};
use quick_xml::Writer;
use quick_xml::events::{BytesEnd, BytesStart, BytesText, Event};
use std::io;

/// What the picture is for.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub(crate) enum Use {
    /// A file of its own: with its style sheet, title and legend.
    Alone,
    /// A part of a page, which brings the style sheet and the legend.
    InPage,
}

/// Height of the line above the map.
const HEAD: f64 = 34.0;

/// Writes the picture.
pub(crate) fn svg(map: &Map, drawing: &Drawing, arguments: bool, use_: Use) -> io::Result<String> {
    let mut canvas = Canvas(Writer::new(Vec::new()));
    let (head, foot) = match use_ {
        Use::Alone => (HEAD, legend::HEIGHT),
        Use::InPage => (0.0, 0.0),
    };
    let wide = match use_ {
        Use::Alone => drawing.width.max(legend::width(map)).max(width(&map.title, NAME, true) + 40.0),
        Use::InPage => drawing.width,
    };
    let high = drawing.height + head + foot;
    let view = format!("0 0 {wide:.0} {high:.0}");
    let mut attributes = vec![
        ("xmlns", "http://www.w3.org/2000/svg".to_owned()),
        ("class", "map".to_owned()),
        ("viewBox", view),
        ("role", "img".to_owned()),
        ("aria-label", map.title.clone()),
    ];
    if use_ == Use::Alone {
        attributes.extend([("width", format!("{wide:.0}")), ("height", format!("{high:.0}"))]);
    }
    canvas.open("svg", &attributes)?;
    if use_ == Use::Alone {
        canvas.text_element("title", &[], &map.title)?;
        canvas.text_element("style", &[], palette::STYLE)?;
        canvas.rect("paper", Frame { x: 0.0, y: 0.0, width: wide, height: high })?;
        canvas.label("title", &map.title, (16.0, 22.0), None)?;
    }
    canvas.open("g", &[("transform", format!("translate(0 {head:.0})"))])?;
    boxes(map, drawing, &mut canvas)?;
    for (arrow, path) in map.arrows.iter().zip(&drawing.arrows) {
        write_arrow(arrow, path, &mut canvas)?;
    }
    for (node, frame) in map.nodes.iter().zip(&drawing.nodes) {
        write_node(node, *frame, &mut canvas)?;
    }
    for (arrow, path) in map.arrows.iter().zip(&drawing.arrows) {
        write_label(arrow, path, arguments, &mut canvas)?;
    }
    canvas.close("g")?;
    if use_ == Use::Alone {
        legend::write(map, (16.0, high - legend::HEIGHT), &mut canvas)?;
    }
    canvas.close("svg")?;
    canvas.finish()
}

/// A map's legend alone, for a page.
pub(crate) fn legend_of(map: &Map) -> io::Result<String> {
    let mut canvas = Canvas(Writer::new(Vec::new()));
    let view = format!("0 0 {:.0} {:.0}", legend::width(map), legend::HEIGHT);
    let attributes = [
        ("xmlns", "http://www.w3.org/2000/svg".to_owned()),
        ("class", "map".to_owned()),
        ("viewBox", view),
        ("role", "img".to_owned()),
        ("aria-label", "What the forms mean".to_owned()),
    ];
    canvas.open("svg", &attributes)?;
    legend::write(map, (0.0, 0.0), &mut canvas)?;
    canvas.close("svg")?;
    canvas.finish()
}

fn boxes(map: &Map, drawing: &Drawing, canvas: &mut Canvas) -> io::Result<()> {
    for (group, frame) in map.boxes.iter().zip(&drawing.boxes).filter(|(_, frame)| frame.width > 0.0) {
        let class = if group.within.is_some() { "box deep" } else { "box" };
        canvas.rect(class, *frame)?;
        let name = words::short(&format!("{} {}", group.what, group.name));
        canvas.label("box-name", &name, (frame.x + 10.0, frame.y + 15.0), None)?;
    }
    Ok(())
}

fn write_arrow(arrow: &Arrow, path: &[(f64, f64)], canvas: &mut Canvas) -> io::Result<()> {
    let kind = match (arrow.vain, arrow.calls) {
        (true, _) => " vain",
        (_, 0) => " inside",
        _ => "",
    };
    let ends = [("data-from", arrow.from.to_string()), ("data-to", arrow.to.to_string())];
    canvas.open("g", &[("class", "hop".to_owned()), ends[0].clone(), ends[1].clone()])?;
    canvas.path(&format!("arrow{kind}"), &shapes::curve(path))?;
    canvas.path(&format!("head{kind}"), &shapes::head(path))?;
    canvas.close("g")
}

fn write_label(arrow: &Arrow, path: &[(f64, f64)], arguments: bool, canvas: &mut Canvas) -> io::Result<()> {
    let label = words::label(arrow, arguments);
    if label.is_empty() || path.is_empty() {
        return Ok(());
    }
    let (x, y) = if path.len().is_multiple_of(2) {
        let (a, b) = (path[path.len() / 2 - 1], path[path.len() / 2]);
        ((a.0 + b.0) / 2.0, (a.1 + b.1) / 2.0)
    } else {
        path[path.len() / 2]
    };
    let wide = width(&label, SMALL, false);
    let halo = Frame { x: x - wide / 2.0 - 2.0, y: y - 7.0, width: wide + 4.0, height: 13.0 };
    canvas.rect("halo", halo)?;
    canvas.label("count", &label, (x - wide / 2.0, y + 3.5), Some(wide))
}

/// A node with everything that is written in it.
pub(super) fn write_node(node: &Node, frame: Frame, canvas: &mut Canvas) -> io::Result<()> {
    let mut class = "node".to_owned();
    for (on, name) in [
        (node.entry, " entry-node"),
        (node.orphan, " orphan"),
        (node.unreachable, " unreachable"),
        (matches!(node.shape, Shape::Undeclared | Shape::Unknown), " vain"),
    ] {
        if on {
            class += name;
        }
    }
    let lines = words::lines(node);
    let mut attributes = vec![("class", class)];
    if let Some(place) = node.place {
        attributes.push(("data-place", place.to_string()));
    }
    canvas.open("g", &attributes)?;
    canvas.text_element("title", &[], &format!("{}: {}", node.name, lines[1..].join(", ")))?;
    canvas.path("body", &shapes::outline(node.shape, frame))?;
    if let Some(second) = shapes::second(node.shape, frame) {
        canvas.path("second", &second)?;
    }
    if node.entry {
        canvas.path("entry", &shapes::entry(frame))?;
    }
    let inset = match node.shape {
        Shape::Undeclared | Shape::Dialog => PAD,
        Shape::Activity | Shape::Cluster => PAD / 2.0,
        _ => 0.0,
    };
    let x = frame.x + PAD + inset + if node.entry { PAD } else { 0.0 };
    for (i, line) in lines.iter().enumerate() {
        let y = frame.y + LINE * (i as f64 + 1.0) + 2.0;
        let (class, size) = match i {
            0 => ("name", NAME),
            1 => ("detail", SMALL),
            _ if line.contains("error") => ("mark error", SMALL),
            _ if line.contains("warning") => ("mark warning", SMALL),
            _ => ("mark", SMALL),
        };
        canvas.label(class, line, (x, y), Some(width(line, size, i == 0)))?;
    }
    canvas.close("g")
}

/// Writes elements, everything escaped.
pub(super) struct Canvas(Writer<Vec<u8>>);

impl Canvas {
    pub(super) fn open(&mut self, name: &str, attributes: &[(&str, String)]) -> io::Result<()> {
        let mut start = BytesStart::new(name);
        start.extend_attributes(attributes.iter().map(|(name, value)| (*name, value.as_str())));
        self.0.write_event(Event::Start(start))
    }

    pub(super) fn close(&mut self, name: &str) -> io::Result<()> {
        self.0.write_event(Event::End(BytesEnd::new(name)))
    }

    fn text_element(&mut self, name: &str, attributes: &[(&str, String)], text: &str) -> io::Result<()> {
        self.open(name, attributes)?;
        self.0.write_event(Event::Text(BytesText::new(text)))?;
        self.close(name)
    }

    pub(super) fn path(&mut self, class: &str, data: &str) -> io::Result<()> {
        let mut path = BytesStart::new("path");
        path.extend_attributes([("class", class), ("d", data)]);
        self.0.write_event(Event::Empty(path))
    }

    fn rect(&mut self, class: &str, frame: Frame) -> io::Result<()> {
        let mut rect = BytesStart::new("rect");
        rect.push_attribute(("class", class));
        for (name, value) in
            [("x", frame.x), ("y", frame.y), ("width", frame.width), ("height", frame.height)]
        {
            rect.push_attribute((name, format!("{value:.1}").as_str()));
        }
        rect.push_attribute(("rx", if class == "paper" { "0" } else { "5" }));
        self.0.write_event(Event::Empty(rect))
    }

    /// Text that begins at a point. With a width it keeps that width in any font.
    pub(super) fn label(
        &mut self,
        class: &str,
        text: &str,
        (x, y): (f64, f64),
        wide: Option<f64>,
    ) -> io::Result<()> {
        let mut attributes =
            vec![("class", class.to_owned()), ("x", format!("{x:.1}")), ("y", format!("{y:.1}"))];
        if let Some(wide) = wide.filter(|wide| *wide > 1.0) {
            attributes.push(("textLength", format!("{wide:.1}")));
            attributes.push(("lengthAdjust", "spacingAndGlyphs".to_owned()));
        }
        self.text_element("text", &attributes, text)
    }

    fn finish(self) -> io::Result<String> {
        String::from_utf8(self.0.into_inner()).map_err(|error| io::Error::other(error.to_string()))
    }
}
