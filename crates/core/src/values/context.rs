//! Small questions about what surrounds an expression.

use super::{Datum, Def, Expr, Fuel, Ref, Shape, Step, Type, Value, Values};
use crate::syntax::{BinaryOp, Call, ClassKind, Id, Kind, Modifier, TypeName};
use smol_str::SmolStr;

impl<'p> Values<'p> {
    /// What a name stands for, where a call or a loop binds it.
    #[must_use]
    pub fn given(&self, expr: &Expr) -> Option<Expr> {
        match self.definition(expr, &Fuel::new())? {
            Def::Parameter(at) | Def::Variable(at) => expr.bound(at),
            _ => None,
        }
    }

    /// The expression that a local, a property, a parameter or `it` has its value from.
    #[must_use]
    pub fn value_behind(&self, expr: &Expr) -> Option<Expr> {
        self.value_of_def(self.definition(expr, &Fuel::new())?, expr)
    }

    /// What an object holds under the name of a member.
    #[must_use]
    pub fn entry_behind(&self, expr: &Expr) -> Option<Expr> {
        self.entry_behind_with(expr, &Fuel::new())
    }

    pub(super) fn entry_behind_with(&self, expr: &Expr, fuel: &Fuel) -> Option<Expr> {
        let Kind::Member(member) = self.kind(expr.at) else { return None };
        self.tree(expr.at).idioms.keyed_objects.then_some(())?;
        let objects = self.eval_with(&expr.with(member.of), fuel);
        let [Value { datum: Datum::Object(object), .. }] = objects.as_slice() else { return None };
        self.entry(object, &member.name, fuel)
    }

    fn value_of_def(&self, def: Def, expr: &Expr) -> Option<Expr> {
        match def {
            Def::Variable(at) if expr.bound(at).is_some() => expr.bound(at),
            Def::Variable(at) => {
                let variable = self.tree(at).variable(at.id)?;
                self.value_of_variable(&Expr { at, env: expr.env.clone() }, variable)
            }
            Def::Parameter(at) => expr.bound(at).or_else(|| self.handed(at).map(|of| expr.with(of))),
            Def::It(lambda) => self.handed(lambda).map(|of| expr.with(of)),
            _ => None,
        }
    }

    /// The imported path of what is not in the source: `library.name`.
    #[must_use]
    pub fn external(&self, expr: &Expr) -> Option<SmolStr> {
        match self.definition(expr, &Fuel::new())? {
            Def::External(path) => Some(path),
            _ => None,
        }
    }

    /// The class that a name stands for.
    #[must_use]
    pub fn class_meant(&self, expr: &Expr) -> Option<Ref> {
        match self.definition(expr, &Fuel::new())? {
            Def::Class(class) => Some(class),
            _ => None,
        }
    }

    /// What a file taken in where it is used gives by default.
    #[must_use]
    pub fn default_of(&self, expr: &Expr) -> Option<Def> {
        let prefix = self.import_prefix(expr)?;
        self.behind_prefix(expr.at.file, prefix, "default")
    }

    /// The path of the file that is taken in where it is used.
    #[must_use]
    pub fn library_taken_in(&self, expr: &Expr) -> Option<SmolStr> {
        let prefix = self.import_prefix(expr)?;
        let imports = &self.tree(expr.at).imports;
        imports
            .iter()
            .find(|import| import.prefix.as_deref() == Some(prefix))
            .map(|import| import.path.clone())
    }

    /// What a name means, as seen from where it stands.
    #[must_use]
    pub fn meaning(&self, expr: &Expr) -> Option<Def> {
        self.definition(expr, &Fuel::new())
    }

    /// Whether a call is of a function that the source declares.
    #[must_use]
    pub fn calls_own_function(&self, call_at: &Expr, call: &Call) -> bool {
        let def = self.definition(&call_at.with(call.callee), &Fuel::new());
        matches!(def, Some(Def::Functions(_) | Def::Class(_)))
    }

    /// The class a call makes an object of, if it is one of the source.
    #[must_use]
    pub fn made_class(&self, expr: &Expr) -> Option<Ref> {
        let call = self.tree(expr.at).call(expr.at.id)?;
        match self.definition(&expr.with(call.callee), &Fuel::new()) {
            Some(Def::Class(class)) => Some(class),
            Some(Def::Functions(found)) => found.first().and_then(|&function| self.constructed(function)),
            Some(_) => None,
            None => self.copied_class(expr, call),
        }
    }

    /// The class of an object that is made by copying another: `tool.copy(id = 2)` of a data class.
    pub(super) fn copied_class(&self, expr: &Expr, call: &Call) -> Option<Ref> {
        let tree = self.tree(expr.at);
        (!tree.idioms.copies.is_empty() && tree.callee(call)?.0 == tree.idioms.copies).then_some(())?;
        let class = match tree.receiver(call) {
            Some(of) => self.type_of(&expr.with(of))?.class?,
            None => self.enclosing_named_class(expr.at)?,
        };
        self.class(class).filter(|declared| declared.is(Modifier::Data)).map(|_| class)
    }

    /// The class that a constructor with a name of its own makes an object of.
    #[must_use]
    pub fn constructed(&self, function: Ref) -> Option<Ref> {
        let constructor =
            self.tree(function).function(function.id).is_some_and(|f| f.is(Modifier::Constructor));
        constructor.then(|| self.enclosing_class(function)).flatten()
    }

    /// The type that a bare call is made on: of `with(x) { … }`, `x.apply { … }`, an extension.
    #[must_use]
    pub fn implicit_type(&self, expr: &Expr) -> Option<Type> {
        let tree = self.tree(expr.at);
        for outer in tree.ancestors(expr.at.id) {
            let at = expr.with(outer);
            match tree.kind(outer) {
                Kind::Lambda { .. } => {
                    if let Some(of) = self.lambda_receiver(&at) {
                        return self.type_of(&of);
                    }
                }
                Kind::Function(function) => {
                    return function.receiver.as_ref().and_then(|ty| self.named_type(at.at, ty));
                }
                Kind::Class(_) => return None,
                _ => {}
            }
        }
        None
    }

    /// Whether a node is run only on one way of a choice in its function.
    #[must_use]
    pub fn is_conditional(&self, at: Ref) -> bool {
        let tree = self.tree(at);
        let mut inner = at.id;
        for outer in tree.ancestors(at.id) {
            match tree.kind(outer) {
                Kind::Function(_) | Kind::Lambda { .. } | Kind::Class(_) => return false,
                Kind::Branch { arms, .. } if arms.iter().any(|arm| arm.body == inner) => return true,
                Kind::Binary { op: BinaryOp::And | BinaryOp::Or | BinaryOp::OrElse, right, .. }
                    if *right == inner =>
                {
                    return true;
                }
                _ => {}
            }
            inner = outer;
        }
        false
    }

    /// What a bare call is made on: the subject of `with(x) { … }` or `x.apply { … }`.
    #[must_use]
    pub fn implicit_receiver(&self, expr: &Expr) -> Option<Expr> {
        let tree = self.tree(expr.at);
        let around = tree.ancestors(expr.at.id).take_while(|&id| tree.class(id).is_none());
        let lambdas = around.filter(|&id| matches!(tree.kind(id), Kind::Lambda { .. }));
        lambdas.map(|id| expr.with(id)).find_map(|lambda| self.lambda_receiver(&lambda))
    }

    /// The outermost call of the chain a call is in.
    #[must_use]
    pub fn chain_end(&self, at: Ref) -> Ref {
        let tree = self.tree(at);
        let mut end = at.id;
        while let Some(parent) = tree.node(end).parent {
            let member = matches!(tree.kind(parent), Kind::Member(member) if member.of == end);
            let outer = tree
                .node(parent)
                .parent
                .filter(|&up| member && tree.call(up).is_some_and(|c| c.callee == parent));
            match outer {
                Some(up) => end = up,
                None => break,
            }
        }
        Ref { file: at.file, id: end }
    }

    /// Everything that is done to a variable where it is in scope.
    #[must_use]
    pub fn steps_of(&self, variable: Ref, name: &str) -> Vec<Step> {
        self.steps_until(variable, name, &Expr::new(variable), None)
    }

    /// The class around a node that has a name of its own.
    #[must_use]
    pub fn enclosing_named_class(&self, at: Ref) -> Option<Ref> {
        let named = |kind: &Kind| matches!(kind, Kind::Class(class) if class.kind != ClassKind::Anonymous);
        let id = self.tree(at).enclosing(at.id, named)?;
        let class = Ref { file: at.file, id };
        Some(self.extended(class).unwrap_or(class))
    }

    /// What a method of a class hands back when it is called with the last arguments of a call.
    #[must_use]
    pub fn made_by(&self, class: Ref, method: &str, call: &Call, at: &Expr) -> Option<Expr> {
        let Some(Def::Functions(functions)) = self.member_of_class(class, method) else { return None };
        let function_at = *functions.first()?;
        let function = self.tree(function_at).function(function_at.id)?;
        let skipped = function.params.len().saturating_sub(call.args.len());
        let env = self.bind(function_at.file, &function.params[skipped..], &call.args, at, None);
        let body = Expr { at: Ref { file: function_at.file, id: function.body? }, env };
        match self.returns(body.at).first() {
            Some(&first) => Some(body.with(first)),
            None => Some(body),
        }
    }

    /// The body of the source's own function that a call runs, with the call's arguments bound.
    #[must_use]
    pub fn called_body(&self, expr: &Expr) -> Option<Expr> {
        let call = self.tree(expr.at).call(expr.at.id)?;
        let function_at = self.called_function(expr)?;
        let function = self.tree(function_at).function(function_at.id)?;
        let env = self.bind(function_at.file, &function.params, &call.args, expr, expr.env.clone());
        Some(Expr { at: Ref { file: function_at.file, id: function.body? }, env })
    }

    /// The body of a lambda that a call runs by the name that holds it, with its arguments bound.
    #[must_use]
    pub fn called_lambda(&self, expr: &Expr) -> Option<Expr> {
        let call = self.tree(expr.at).call(expr.at.id)?;
        let lambda = self.value_behind(&expr.with(call.callee))?;
        let Kind::Lambda { params, body } = self.kind(lambda.at) else { return None };
        let env = self.bind(lambda.at.file, params, &call.args, expr, lambda.env.clone());
        Some(Expr { at: Ref { file: lambda.at.file, id: *body }, env })
    }

    /// The function, its parameters and body, that an expression names without calling it.
    #[must_use]
    pub fn named_function(&self, expr: &Expr) -> Option<Ref> {
        match self.definition(expr, &Fuel::new())? {
            Def::Functions(found) => found.first().copied(),
            _ => None,
        }
    }

    /// The values that a body hands back: its returns, or what it is.
    #[must_use]
    pub fn handed_back(&self, body: &Expr) -> Vec<Expr> {
        let returns = self.returns(body.at);
        match (returns.is_empty(), self.kind(body.at)) {
            (false, _) => {
                let fuel = Fuel::new();
                let taken = returns.into_iter().filter(|&id| self.is_on_the_way(body, id, &fuel));
                taken.map(|id| body.with(id)).collect()
            }
            (true, Kind::Block(_)) => Vec::new(),
            (true, _) => vec![body.clone()],
        }
    }

    /// Whether a variable is handed to somebody else: returned, stored, or passed as an argument.
    #[must_use]
    pub fn is_passed_on(&self, variable: Ref, name: &str) -> bool {
        let mentions = self.program.uses_in(variable.file, name).iter();
        mentions.copied().filter(|&at| self.resolve(at, name) == Some(Def::Variable(variable))).any(|at| {
            let tree = self.tree(at);
            tree.node(at.id).parent.is_some_and(|parent| match tree.kind(parent) {
                Kind::Call(call) => call.callee != at.id,
                Kind::Return(_) | Kind::Function(_) => true,
                Kind::Assign { value, .. } => *value == at.id,
                _ => false,
            })
        })
    }

    /// The one text that a function hands back.
    #[must_use]
    pub fn returned_text(&self, function: Ref) -> Option<Shape> {
        let body = self.tree(function).function(function.id)?.body?;
        let body = Expr::new(Ref { file: function.file, id: body });
        // A body of statements that hands nothing back is no text.
        if matches!(self.kind(body.at), Kind::Block(_)) && self.returns(body.at).is_empty() {
            return None;
        }
        match self.eval_body(&body, &Fuel::new()).as_slice() {
            [one] => one.shape().cloned(),
            _ => None,
        }
    }

    /// The one text that a property or field starts with.
    #[must_use]
    pub fn initial_text(&self, variable: Ref) -> Option<Shape> {
        let init = self.tree(variable).variable(variable.id)?.init?;
        match self.eval(&Expr::new(Ref { file: variable.file, id: init })).as_slice() {
            [one] => one.shape().cloned(),
            _ => None,
        }
    }

    /// A class's dotted name without its package: `Outer.Inner`.
    #[must_use]
    pub fn class_path(&self, class: Ref) -> String {
        let path = self.program.path(class);
        let package = self.tree(class).package.as_str();
        path.strip_prefix(package).map_or(path, |rest| rest.trim_start_matches('.')).to_owned()
    }

    /// The one function of the source that a call runs.
    #[must_use]
    pub fn called_function(&self, expr: &Expr) -> Option<Ref> {
        let call = self.tree(expr.at).call(expr.at.id)?;
        match self.definition(&expr.with(call.callee), &Fuel::new())? {
            Def::Functions(found) => self.chosen(&found, expr, call),
            _ => None,
        }
    }

    /// What the trailing lambda of a call assigns: `type` in `navArgument("id") { type = … }`.
    #[must_use]
    pub fn assigned_in(&self, call: &Expr) -> Vec<(String, Expr)> {
        let tree = self.tree(call.at);
        let lambda = tree.call(call.at.id).and_then(|call| call.args.last());
        let Some(Kind::Lambda { body, .. }) = lambda.map(|arg| tree.kind(arg.value)) else {
            return Vec::new();
        };
        let Kind::Block(items) = tree.kind(*body) else { return Vec::new() };
        let assigned = items.iter().filter_map(|&item| match tree.kind(item) {
            Kind::Assign { target, value, .. } => {
                Some((tree.last_name(*target)?.0.to_string(), call.with(*value)))
            }
            _ => None,
        });
        assigned.collect()
    }

    /// The class that a value is an object of.
    #[must_use]
    pub fn object_class(&self, value: &Value) -> Option<Ref> {
        let made = self.made(value)?;
        match self.kind(made.at) {
            Kind::Class(_) => Some(made.at),
            _ => self.made_class(&made),
        }
    }

    /// The expression that makes an object.
    #[must_use]
    pub fn made(&self, value: &Value) -> Option<Expr> {
        match &value.datum {
            Datum::Object(made) => Some(made.clone()),
            _ => None,
        }
    }

    /// The other uses, in its file, of the variable that a name stands for.
    #[must_use]
    pub fn variable_uses(&self, expr: &Expr) -> Vec<Ref> {
        let Some(Def::Variable(at)) = self.definition(expr, &Fuel::new()) else { return Vec::new() };
        let Some(name) = self.tree(at).variable(at.id).map(|variable| variable.name.clone()) else {
            return Vec::new();
        };
        let uses = self.program.uses_in(at.file, &name).iter().copied();
        let own = uses.filter(|&used| {
            used != expr.at && self.definition(&Expr::new(used), &Fuel::new()) == Some(Def::Variable(at))
        });
        own.collect()
    }

    /// The number that a variable starts with.
    #[must_use]
    pub fn initial_number(&self, expr: &Expr) -> Option<i64> {
        let Def::Variable(at) = self.definition(expr, &Fuel::new())? else { return None };
        let init = self.tree(at).variable(at.id)?.init?;
        match self.tree(at).kind(init) {
            Kind::Number(text) => text.parse().ok(),
            _ => None,
        }
    }

    /// The type arguments that a name's declaration gives its type.
    #[must_use]
    pub fn declared_type_args(&self, expr: &Expr) -> &'p [TypeName] {
        let declared = match self.definition(expr, &Fuel::new()) {
            Some(Def::Variable(at)) => self.tree(at).variable(at.id).and_then(|v| v.ty.as_ref()),
            Some(Def::Parameter(at)) => self.tree(at).parameter(at.id).and_then(|p| p.ty.as_ref()),
            _ => None,
        };
        declared.map_or(&[], |ty| ty.args.as_slice())
    }

    /// The parameter of a function with a name that a name stands for, if nothing is bound to it.
    #[must_use]
    pub fn parameter_of_function(&self, expr: &Expr) -> Option<Ref> {
        match self.definition(expr, &Fuel::new())? {
            Def::Parameter(at) => {
                let outer = self.tree(at).node(at.id).parent?;
                matches!(self.tree(at).kind(outer), Kind::Function(_)).then_some(at)
            }
            _ => None,
        }
    }

    /// The call whose lambda a name is a parameter of.
    #[must_use]
    pub fn lambda_of_parameter(&self, expr: &Expr) -> Option<Ref> {
        let Kind::Name(name) = self.kind(expr.at) else { return None };
        let at = match self.resolve(expr.at, name)? {
            Def::Parameter(at) => at,
            Def::It(at) => at,
            _ => return None,
        };
        let tree = self.tree(at);
        let lambda = match tree.kind(at.id) {
            Kind::Lambda { .. } => at.id,
            _ => tree.node(at.id).parent.filter(|&id| matches!(tree.kind(id), Kind::Lambda { .. }))?,
        };
        let call = tree.node(lambda).parent.filter(|&id| tree.call(id).is_some())?;
        Some(Ref { file: at.file, id: call })
    }

    /// The parameter of a function that an argument of a call is for.
    #[must_use]
    pub fn parameter_for(&self, at: Ref, argument: Id, function: Ref) -> Option<Ref> {
        let call = self.tree(at).call(at.id)?;
        let declared = self.tree(function).function(function.id)?;
        let position = call.args.iter().position(|arg| arg.value == argument)?;
        let tree = self.tree(function);
        let named = call.args[position].name.as_ref().filter(|_| !call.args[position].is_by_place());
        let here = self.tree(at);
        let is_lambda = here.idioms.trailing_lambdas && matches!(here.kind(argument), Kind::Lambda { .. });
        let id = match named {
            Some(name) => declared
                .params
                .iter()
                .copied()
                .find(|&id| tree.parameter(id).is_some_and(|p| p.called() == name)),
            // A trailing lambda is for the last parameter, wherever it is written.
            None if position + 1 == call.args.len() && is_lambda => declared.params.last().copied(),
            None => declared.params.get(position).copied(),
        }?;
        Some(Ref { file: function.file, id })
    }

    /// What a call passes for a parameter of the function that it runs.
    #[must_use]
    pub fn argument_for(&self, at: Ref, function: Ref, parameter: Ref) -> Option<Expr> {
        let call = self.tree(at).call(at.id)?;
        let for_it =
            |arg: &&crate::syntax::Arg| self.parameter_for(at, arg.value, function) == Some(parameter);
        call.args.iter().find(for_it).map(|arg| Expr::new(Ref { file: at.file, id: arg.value }))
    }

    /// Every place where a parameter's name stands for it.
    #[must_use]
    pub fn uses_of_parameter(&self, parameter: Ref) -> Vec<Ref> {
        let Some(declared) = self.tree(parameter).parameter(parameter.id) else { return Vec::new() };
        let uses = self.program.uses_in(parameter.file, &declared.name).iter().copied();
        uses.filter(|&at| self.resolve(at, &declared.name) == Some(Def::Parameter(parameter))).collect()
    }
}
