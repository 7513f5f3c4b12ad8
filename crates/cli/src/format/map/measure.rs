//! How much room text takes, by the font that pictures are drawn with.

use super::words;
use fallow_lantern_core::map::{Node, Shape};
use std::sync::OnceLock;
use ttf_parser::Face;

/// Size of a node's name, in pixels.
pub(super) const NAME: f64 = 13.0;
/// Size of everything else.
pub(super) const SMALL: f64 = 10.5;
/// From one line to the next.
pub(super) const LINE: f64 = 15.0;
/// Room left and right of a node's text.
pub(super) const PAD: f64 = 12.0;

static REGULAR: OnceLock<Option<Face<'static>>> = OnceLock::new();
static BOLD: OnceLock<Option<Face<'static>>> = OnceLock::new();

/// The width of a text at a size, in pixels.
pub(super) fn width(text: &str, size: f64, bold: bool) -> f64 {
    let face = if bold {
        BOLD.get_or_init(|| Face::parse(dejavu::sans::bold(), 0).ok())
    } else {
        REGULAR.get_or_init(|| Face::parse(dejavu::sans::regular(), 0).ok())
    };
    let Some(face) = face else { return text.chars().count() as f64 * size * 0.6 };
    let advance = |c: char| {
        let glyph = face.glyph_index(c).unwrap_or_default();
        f64::from(face.glyph_hor_advance(glyph).unwrap_or_default())
    };
    text.chars().map(advance).sum::<f64>() * size / f64::from(face.units_per_em())
}

/// Width and height of a node.
pub(crate) fn node_size(node: &Node) -> (f64, f64) {
    let lines = words::lines(node);
    let widths = lines
        .iter()
        .enumerate()
        .map(|(i, line)| if i == 0 { width(line, NAME, true) } else { width(line, SMALL, false) });
    let beside = match node.shape {
        Shape::Undeclared | Shape::Dialog => 2.0 * PAD,
        Shape::Activity | Shape::Cluster => PAD,
        _ => 0.0,
    };
    let entry = if node.entry { PAD } else { 0.0 };
    let widest = widths.fold(60.0, f64::max) + 2.0 * PAD + beside + entry;
    (widest.ceil(), lines.len() as f64 * LINE + 12.0)
}
