//! Values that are put together in steps: bundles, intents, requests, transactions.

use super::{Def, Expr, Fuel, Ref, Values};
use crate::syntax::{BinaryOp, Call, Handed, Id, Kind, Scope, UnaryOp};
use smol_str::SmolStr;

/// How a value was put together.
#[derive(Debug, Clone)]
pub struct Built {
    /// What it started from: a constructor call, a factory, or whatever could not be followed.
    pub root: Expr,
    /// What was done to it since, in order.
    pub steps: Vec<Step>,
    /// Whether more may have been done to it where it could not be followed.
    pub open: bool,
}

/// One step.
#[derive(Debug, Clone)]
pub struct Step {
    /// The method called or property set; `[]` for an index.
    pub name: SmolStr,
    /// The call or assignment.
    pub at: Expr,
    /// Its arguments, or the index and the value that is set.
    pub args: Vec<Expr>,
}

impl Built {
    fn whole(root: &Expr) -> Self {
        Self { root: root.clone(), steps: Vec::new(), open: false }
    }

    fn unknown(root: &Expr) -> Self {
        Self { open: true, ..Self::whole(root) }
    }

    pub(super) fn then(mut self, steps: impl IntoIterator<Item = Step>) -> Self {
        self.steps.extend(steps);
        self
    }
}

impl<'p> Values<'p> {
    /// Follows an expression back to what it was made from, through locals, helpers, chains and
    /// scope functions.
    #[must_use]
    pub fn built(&self, expr: &Expr) -> Built {
        self.built_with(expr, &Fuel::new())
    }

    pub(super) fn built_with(&self, expr: &Expr, fuel: &Fuel) -> Built {
        let Some(_step) = fuel.step() else { return Built::unknown(expr) };
        if let Some(bound) = expr.bound(expr.at) {
            return self.built_with(&bound, fuel);
        }
        match self.kind(expr.at) {
            Kind::Name(_) | Kind::Member(_) => match self.definition(expr, fuel) {
                Some(Def::Variable(at)) => self.built_variable(at, expr, fuel),
                Some(Def::Parameter(at) | Def::It(at)) => {
                    let behind = expr.bound(at).or_else(|| self.handed(at).map(|of| expr.with(of)));
                    behind.map_or_else(|| Built::unknown(expr), |behind| self.built_with(&behind, fuel))
                }
                Some(Def::Class(_)) => Built::whole(expr),
                _ => Built::unknown(expr),
            },
            Kind::Call(call) => self.built_call(expr, call, fuel),
            Kind::Unary { op, of } if op.hands_on() => self.built_with(&expr.with(*of), fuel),
            Kind::Cast { of, .. } => self.built_with(&expr.with(*of), fuel),
            Kind::Binary { op, left, .. } if *op == BinaryOp::OrElse => {
                self.built_with(&expr.with(*left), fuel)
            }
            Kind::Branch { arms, .. } => {
                let ways = arms.iter().filter(|arm| !matches!(self.kind(expr.with(arm.body).at), Kind::Null));
                let mut ways: Vec<Built> =
                    ways.map(|arm| self.built_with(&expr.with(arm.body), fuel)).collect();
                let several = ways.len() > 1;
                match ways.is_empty() {
                    true => Built::whole(expr),
                    false => {
                        let first = ways.swap_remove(0);
                        Built { open: first.open || several, ..first }
                    }
                }
            }
            Kind::Index { .. } => match self.indexed(expr, fuel) {
                found if !found.open && found.known.len() == 1 => self.built_with(&found.known[0], fuel),
                _ => Built::whole(expr),
            },
            Kind::This => self.built_subject(expr, fuel),
            Kind::Return(Some(value)) => self.built_with(&expr.with(*value), fuel),
            Kind::Block(items) => match items.last() {
                Some(&last) => self.built_with(&expr.with(last), fuel),
                None => Built::whole(expr),
            },
            _ => Built::whole(expr),
        }
    }

    /// `this` inside of a scope function: what that is run on. What is done to it inside is not listed.
    fn built_subject(&self, expr: &Expr, fuel: &Fuel) -> Built {
        let tree = self.tree(expr.at);
        let lambdas =
            tree.ancestors(expr.at.id).take_while(|&id| !matches!(tree.kind(id), Kind::Function(_)));
        let mut lambdas = lambdas.filter(|&id| matches!(tree.kind(id), Kind::Lambda { .. }));
        match lambdas.find_map(|id| self.lambda_receiver(&expr.with(id))) {
            Some(subject) => Built { open: true, ..self.built_with(&subject, fuel) },
            None => Built::whole(expr),
        }
    }

    fn built_variable(&self, at: Ref, used: &Expr, fuel: &Fuel) -> Built {
        let Some(variable) = self.tree(at).variable(at.id) else { return Built::unknown(used) };
        if let Some(bound) = used.bound(at) {
            return self.built_with(&bound, fuel);
        }
        let here = Expr { at, env: used.env.clone() };
        let Some(source) = self.value_of_variable(&here, variable) else { return Built::unknown(used) };
        let made = self.built_with(&source, fuel);
        // A local counts up to its use; a field anywhere in its class.
        let before = self.is_local(at).then(|| self.tree(at).span(used.at.id).start);
        let steps = self.steps_until(at, &variable.name, used, before);
        made.then(steps)
    }

    /// What is done to a variable before a byte of its file.
    pub(super) fn steps_until(&self, at: Ref, name: &str, used: &Expr, before: Option<u32>) -> Vec<Step> {
        let tree = self.tree(at);
        let mut steps = Vec::new();
        for &mention in self.program.uses_in(at.file, name) {
            let early = mention.file == at.file && before.is_none_or(|end| tree.span(mention.id).start < end);
            if !early || mention == used.at || self.resolve(mention, name) != Some(Def::Variable(at)) {
                continue;
            }
            let mut chain = Vec::new();
            self.steps_from(&Expr { at: mention, env: used.env.clone() }, &mut chain);
            steps.extend(chain);
        }
        steps.sort_by_key(|step| tree.span(step.at.at.id).end);
        steps
    }

    /// The calls chained onto a mention, scope functions opened.
    fn steps_from(&self, mention: &Expr, steps: &mut Vec<Step>) {
        let tree = self.tree(mention.at);
        let mut of = mention.at.id;
        while let Some(parent) = tree.node(of).parent {
            match tree.kind(parent) {
                Kind::Member(member) if member.of == of => {
                    match tree.node(parent).parent.map(|up| (up, tree.kind(up))) {
                        Some((up, Kind::Call(call))) if call.callee == parent => {
                            self.step_of_call(&mention.with(up), call, steps);
                            of = up;
                            continue;
                        }
                        Some((up, Kind::Assign { target, value, .. })) if *target == parent => {
                            let args = vec![mention.with(*value)];
                            steps.push(Step { name: member.name.clone(), at: mention.with(up), args });
                        }
                        _ => {}
                    }
                }
                Kind::Index { of: indexed, args } if *indexed == of => {
                    if let Some((up, Kind::Assign { target, value, .. })) =
                        tree.node(parent).parent.map(|up| (up, tree.kind(up)))
                        && *target == parent
                    {
                        let args = args.iter().chain([value]).map(|&id| mention.with(id)).collect();
                        steps.push(Step { name: "[]".into(), at: mention.with(up), args });
                    }
                }
                Kind::Unary { op, .. } if *op == UnaryOp::Force => {
                    of = parent;
                    continue;
                }
                _ => {}
            }
            return;
        }
    }

    fn step_of_call(&self, at: &Expr, call: &Call, steps: &mut Vec<Step>) {
        let Some((name, _)) = self.tree(at.at).callee(call) else { return };
        if self.tree(at.at).scope(call).is_some_and(|scope| scope.builds) {
            steps.extend(self.steps_inside(at, call));
        } else {
            let args = call.args.iter().map(|arg| at.with(arg.value)).collect();
            steps.push(Step { name: name.clone(), at: at.clone(), args });
        }
    }

    /// What a scope function's lambda does to its subject.
    fn steps_inside(&self, at: &Expr, call: &Call) -> Vec<Step> {
        let tree = self.tree(at.at);
        let Some((lambda, params, body)) = call.args.last().and_then(|arg| match tree.kind(arg.value) {
            Kind::Lambda { params, body } => Some((arg.value, params, *body)),
            _ => None,
        }) else {
            return Vec::new();
        };
        let implicit = tree.scope(call).is_some_and(|scope| scope.as_ == Handed::This);
        let subject = params
            .first()
            .and_then(|&id| tree.parameter(id))
            .map_or(tree.idioms.unnamed, |p| p.name.as_str());
        let mut steps = Vec::new();
        let mut todo = vec![body];
        while let Some(id) = todo.pop() {
            let node = tree.kind(id);
            match node {
                Kind::Call(inner) if self.is_on_subject(at.at.file, inner, implicit, subject) => {
                    self.step_of_call(&at.with(id), inner, &mut steps);
                }
                Kind::Assign { target, value, .. } => {
                    if let Some((name, _)) = tree.last_name(*target) {
                        steps.push(Step { name: name.clone(), at: at.with(id), args: vec![at.with(*value)] });
                    }
                }
                Kind::Lambda { .. } | Kind::Class(_) | Kind::Function(_) if id != lambda => continue,
                _ => {}
            }
            todo.extend(node.children());
        }
        steps.sort_by_key(|step| tree.span(step.at.at.id).end);
        steps
    }

    fn is_on_subject(&self, file: u32, call: &Call, implicit: bool, subject: &str) -> bool {
        let tree = self.program.tree(file);
        match tree.receiver(call) {
            None => implicit,
            Some(of) => match tree.kind(of) {
                Kind::This => implicit,
                Kind::Name(name) => !implicit && name == subject,
                // A chain inside the lambda: its first call counts, and so do those behind it.
                Kind::Call(first) => self.is_on_subject(file, first, implicit, subject),
                _ => false,
            },
        }
    }

    fn built_call(&self, expr: &Expr, call: &Call, fuel: &Fuel) -> Built {
        let tree = self.tree(expr.at);
        let receiver = tree.receiver(call);
        match self.definition(&expr.with(call.callee), fuel) {
            Some(Def::Class(_)) => return Built::whole(expr),
            Some(Def::Functions(functions)) => {
                if let Some(made) =
                    self.chosen(&functions, expr, call).and_then(|f| self.built_function(f, expr, call, fuel))
                {
                    return made;
                }
            }
            _ => {}
        }
        if let Some(scope) = tree.scope(call)
            && let Some(of) = tree.subject(call, scope)
        {
            return self.built_scope(expr, call, scope, of, fuel);
        }
        if let Some(same) = self.kept(expr, call).or_else(|| self.handed_through(expr, call)) {
            return self.built_with(&same, fuel);
        }
        let Some(of) = receiver else { return Built::whole(expr) };
        if self.is_type_name(of, expr) {
            return Built::whole(expr);
        }
        let mut steps = Vec::new();
        self.step_of_call(expr, call, &mut steps);
        self.built_with(&expr.with(of), fuel).then(steps)
    }

    /// A scope function gives back its subject with what its lambda did to it, or what the lambda
    /// comes to.
    fn built_scope(&self, expr: &Expr, call: &Call, scope: Scope, of: Id, fuel: &Fuel) -> Built {
        if scope.gives_subject {
            let steps = if scope.builds { self.steps_inside(expr, call) } else { Vec::new() };
            let built = self.built_with(&expr.with(of), fuel).then(steps);
            // What somebody else's lambda does to it is not followed.
            let handed = call
                .args
                .last()
                .is_some_and(|arg| !matches!(self.kind(expr.with(arg.value).at), Kind::Lambda { .. }));
            return Built { open: built.open || (scope.builds && handed), ..built };
        }
        match call.args.last().map(|arg| self.kind(expr.with(arg.value).at)) {
            Some(Kind::Lambda { body, .. }) => self.built_with(&expr.with(*body), fuel),
            _ => Built::unknown(expr),
        }
    }

    /// `Uri.parse(…)`: what is called is a factory, not a step.
    fn is_type_name(&self, of: Id, expr: &Expr) -> bool {
        let tree = self.tree(expr.at);
        let capital = tree.last_name(of).is_some_and(|(name, _)| name.starts_with(char::is_uppercase));
        capital
            && !matches!(
                self.definition(&expr.with(of), &Fuel::new()),
                Some(Def::Variable(_) | Def::Parameter(_))
            )
    }

    /// A helper that hands a built value back.
    fn built_function(&self, at: Ref, expr: &Expr, call: &Call, fuel: &Fuel) -> Option<Built> {
        let function = self.tree(at).function(at.id)?;
        let body = function.body?;
        let env = self.bind(at.file, &function.params, &call.args, expr, expr.env.clone());
        let body = Expr { at: Ref { file: at.file, id: body }, env };
        let returns = self.returns(body.at);
        match returns.as_slice() {
            [] => (!matches!(self.kind(body.at), Kind::Block(_))).then(|| self.built_with(&body, fuel)),
            [one] => Some(self.built_with(&body.with(*one), fuel)),
            [first, ..] => Some(Built { open: true, ..self.built_with(&body.with(*first), fuel) }),
        }
    }
}
