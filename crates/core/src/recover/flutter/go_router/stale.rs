//! Generated code of typed routes, where it is checked in, against what it is made from.

use crate::facts::{Facts, StaleFact};
use crate::recover::code;
use crate::recover::constructor::parameters;
use crate::recover::flutter::builder::class_at;
use crate::syntax::Annotation;
use crate::values::{Expr, Ref, Values};

/// Compares a class with what is generated for it. Without a generated file nothing is said: it need
/// not be checked in.
pub(super) fn check(class: Ref, note: &Annotation, values: &Values<'_>, facts: &mut Facts) {
    let program = values.program();
    let library = program.tree(class.file).package.as_str();
    let Some(generated) =
        program.file_of_library(&format!("{library}.g")).filter(|&file| program.is_parsed(file))
    else {
        return;
    };
    let Some(declared) = values.class(class) else { return };
    let file = program.source(generated).path.clone();
    let made: Vec<Ref> = program.calls_in(generated, &declared.name).to_vec();
    let mentioned = !program.uses_in(generated, &declared.name).is_empty();
    if !mentioned {
        let what = format!("the route `{}` is not known to the generated code", declared.name);
        facts.stale.push(StaleFact { what, file, at: class_at(class, values), generated: None });
        return;
    }
    for parameter in parameters(class, values) {
        let knows = |at: &Ref| {
            let call = values.tree(*at).call(at.id);
            call.is_some_and(|call| {
                call.args.iter().any(|arg| arg.name.as_deref().is_none_or(|name| name == parameter.name))
            })
        };
        if let Some(first) = made.first()
            && !made.iter().any(knows)
        {
            let what =
                format!("the generated code does not know `{}` of `{}`", parameter.name, declared.name);
            let generated = Some(code::callee_at(*first, values));
            facts.stale.push(StaleFact { what, file: file.clone(), at: parameter.at, generated });
        }
    }
    path(class, note, generated, &file, values, facts);
}

/// The path that the generated code has for the class.
fn path(class: Ref, note: &Annotation, generated: u32, file: &str, values: &Values<'_>, facts: &mut Facts) {
    let written = note.args.iter().find(|arg| arg.name.as_deref() == Some("path"));
    let Some(written) = written.map(|arg| Expr::new(class).with(arg.value)) else { return };
    let Some(path) = values.plain_text(&written) else { return };
    let routes = values.program().calls_in(generated, "$route");
    let paths: Vec<String> = routes
        .iter()
        .filter_map(|&at| {
            let call = values.tree(at).call(at.id)?;
            let arg = call.args.iter().find(|arg| arg.name.as_deref() == Some("path"))?;
            values.plain_text(&Expr::new(at).with(arg.value))
        })
        .collect();
    if !paths.is_empty() && !paths.contains(&path) {
        let what = format!("the generated code does not have the path `{path}`");
        let at = code::node_at(written.at, values);
        facts.stale.push(StaleFact { what, file: file.to_owned(), at, generated: None });
    }
}
