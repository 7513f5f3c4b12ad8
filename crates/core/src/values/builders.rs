//! Text that is put together piece by piece: `buildString { append(a); parts.forEach { append(it) } }`.

use super::eval::combine;
use super::{Expr, Fuel, Ref, Shape, Values};
use crate::syntax::{Call, Kind};

impl Values<'_> {
    /// What a builder of text comes to: its pieces in order, those in a loop once for each round.
    pub(super) fn built_text(&self, expr: &Expr, call: &Call, fuel: &Fuel) -> Option<Vec<Shape>> {
        let tree = self.tree(expr.at);
        let (name, _) = tree.callee(call)?;
        tree.idioms.builds_text.contains(&name.as_str()).then_some(())?;
        let lambda = call.args.last()?.value;
        let Kind::Lambda { body, .. } = tree.kind(lambda) else { return None };
        let span = tree.span(*body);
        let mut ways = vec![Shape::text("", false)];
        let pieces = self.program().calls_in(expr.at.file, "append").iter();
        for &piece in pieces.filter(|piece| span.holds(tree.span(piece.id))) {
            // What is only sometimes put in leaves all of it unknown.
            let around = tree.ancestors(piece.id).take_while(|&id| id != lambda);
            if around.into_iter().any(|id| matches!(tree.kind(id), Kind::Branch { .. })) {
                return None;
            }
            let arg = tree.call(piece.id)?.args.first()?.value;
            let here = Expr { at: Ref { file: expr.at.file, id: arg }, env: expr.env.clone() };
            for round in self.in_rounds(&here) {
                ways = combine(&ways, &self.shapes(&round, fuel));
            }
        }
        Some(ways)
    }
}
