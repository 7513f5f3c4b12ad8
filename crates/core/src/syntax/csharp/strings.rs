//! C#'s texts: plain, verbatim, raw, interpolated (C# specification, "Lexical structure").

use super::CSharp;
use crate::syntax::code::{named, unescape};
use crate::syntax::{Id, Kind, Piece};
use smol_str::SmolStr;
use tree_sitter::Node;

impl CSharp<'_> {
    pub(super) fn text(&mut self, node: Node<'_>) -> Id {
        let pieces = match node.kind() {
            "verbatim_string_literal" => {
                let text = self.low.str(node);
                let inner = text.strip_prefix("@\"").and_then(|t| t.strip_suffix('"')).unwrap_or_default();
                vec![Piece::Text(inner.replace("\"\"", "\"").into())]
            }
            "interpolated_string_expression" => self.interpolated(node),
            _ => named(node).into_iter().filter_map(|part| self.piece(part)).collect(),
        };
        self.low.add(Kind::Text(pieces), node)
    }

    fn piece(&self, part: Node<'_>) -> Option<Piece> {
        match part.kind() {
            "escape_sequence" => Some(Piece::Text(unescape(self.low.str(part)))),
            kind if kind.ends_with("_content") || kind == "character_literal_content" => {
                Some(Piece::Text(self.low.str(part).into()))
            }
            _ => None,
        }
    }

    fn interpolated(&mut self, node: Node<'_>) -> Vec<Piece> {
        let verbatim = self.low.str(node).split('"').next().is_some_and(|start| start.contains('@'));
        let mut pieces = Vec::new();
        for part in named(node) {
            match part.kind() {
                "interpolation" => {
                    let inner = named(part).into_iter().find(|n| n.kind() != "interpolation_brace");
                    pieces.extend(inner.map(|n| Piece::Hole(self.expression(n))));
                }
                "string_content" => {
                    let text = self.low.str(part).replace("{{", "{").replace("}}", "}");
                    let text = if verbatim { text.replace("\"\"", "\"") } else { text };
                    pieces.push(Piece::Text(SmolStr::from(text)));
                }
                _ => pieces.extend(self.piece(part)),
            }
        }
        pieces
    }
}
