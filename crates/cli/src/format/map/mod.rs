//! Maps as pictures and as graphs for other programs: one file a format.

mod dot;
mod graphml;
mod legend;
mod measure;
mod mermaid;
mod palette;
mod png;
mod shapes;
mod svg;
mod words;

pub(crate) use dot::dot;
pub(crate) use graphml::graphml;
pub(crate) use measure::node_size;
pub(crate) use mermaid::mermaid;
pub(crate) use palette::STYLE;
pub(crate) use png::png;
pub(crate) use svg::{Use, legend_of, svg};
