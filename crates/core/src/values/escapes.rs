//! Whether a value was escaped for its place in an address.

use super::{Def, Expr, Fuel, Values};
use crate::syntax::Kind;

/// Functions of functions are followed this deep.
const MAX_DEPTH: usize = 4;

impl Values<'_> {
    pub(super) fn is_escaped(&self, expr: &Expr, fuel: &Fuel) -> bool {
        self.escaped(expr, MAX_DEPTH, fuel)
    }

    fn escaped(&self, expr: &Expr, depth: usize, fuel: &Fuel) -> bool {
        let tree = self.tree(expr.at);
        if depth == 0 {
            return false;
        }
        match tree.kind(expr.at.id) {
            Kind::Call(call) => {
                let named = tree.callee(call).is_some_and(|(name, _)| {
                    tree.idioms.escapes.iter().any(|start| name.as_str().starts_with(start))
                });
                named || self.hands_back_escaped(&expr.with(call.callee), depth, fuel)
            }
            Kind::Name(_) => match self.definition(expr, fuel) {
                Some(Def::Variable(at)) => {
                    let init = self.tree(at).variable(at.id).and_then(|variable| variable.init);
                    init.is_some_and(|id| {
                        self.escaped(
                            &Expr { at: super::Ref { file: at.file, id }, env: expr.env.clone() },
                            depth - 1,
                            fuel,
                        )
                    })
                }
                _ => false,
            },
            _ => false,
        }
    }

    /// Whether a function of the source hands back nothing but what it escaped.
    fn hands_back_escaped(&self, callee: &Expr, depth: usize, fuel: &Fuel) -> bool {
        let Some(Def::Functions(functions)) = self.definition(callee, fuel) else { return false };
        let [function] = functions.as_slice() else { return false };
        let tree = self.tree(*function);
        let Some(body) = tree.function(function.id).and_then(|function| function.body) else { return false };
        let returned: Vec<_> = match tree.kind(body) {
            Kind::Block(items) => items
                .iter()
                .filter_map(|&item| match tree.kind(item) {
                    Kind::Return(value) => *value,
                    _ => None,
                })
                .collect(),
            _ => vec![body],
        };
        let at = |id| Expr::new(super::Ref { file: function.file, id });
        !returned.is_empty() && returned.into_iter().all(|id| self.escaped(&at(id), depth - 1, fuel))
    }
}
