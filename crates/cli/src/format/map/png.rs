//! A map as PNG: its SVG, drawn by a library with the font that it was measured with.

use crate::Failure;
use resvg::tiny_skia::{Pixmap, Transform};
use resvg::usvg::{Options, Tree, fontdb};
use std::sync::Arc;

/// Larger pictures are drawn smaller, in pixels a side.
const MOST: f32 = 12_000.0;
/// Pixels drawn for each pixel of the layout.
const SHARP: f32 = 2.0;

/// Draws it.
pub(crate) fn png(svg: &str) -> Result<Vec<u8>, Failure> {
    let mut fonts = fontdb::Database::new();
    fonts.load_font_data(dejavu::sans::regular().to_vec());
    fonts.load_font_data(dejavu::sans::bold().to_vec());
    let options =
        Options { fontdb: Arc::new(fonts), font_family: "DejaVu Sans".to_owned(), ..Options::default() };
    let tree = Tree::from_str(svg, &options).map_err(|error| Failure::Picture(error.to_string()))?;
    let size = tree.size();
    let scale = SHARP.min(MOST / size.width().max(size.height()));
    let pixels = |length: f32| (length * scale).ceil().max(1.0) as u32;
    let too_large = || Failure::Picture("it is too large to be drawn".to_owned());
    let mut pixmap = Pixmap::new(pixels(size.width()), pixels(size.height())).ok_or_else(too_large)?;
    resvg::render(&tree, Transform::from_scale(scale, scale), &mut pixmap.as_mut());
    pixmap.encode_png().map_err(|error| Failure::Picture(error.to_string()))
}
