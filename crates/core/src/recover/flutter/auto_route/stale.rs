//! Generated routes, where they are checked in, against the pages that they are made from.

use super::names::route_name;
use crate::facts::{Facts, StaleFact};
use crate::recover::constructor::parameters;
use crate::recover::flutter::builder::class_at;
use crate::values::{Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let program = values.program();
    let module = program.source(file).module;
    let is_route_code = |&file: &u32| {
        let source = program.source(file);
        source.module == module && source.path.ends_with(".gr.dart")
    };
    let generated: Vec<u32> = program.parsed().filter(is_route_code).collect();
    let Some(&first) = generated.first() else { return };
    let pages = program.classes_annotated("RoutePage").iter().copied().filter(|page| page.file == file);
    for page in pages {
        let name = route_name(page, values);
        let class =
            program.classes_named(&name).iter().copied().find(|class| generated.contains(&class.file));
        match class {
            Some(class) => compare(page, class, &name, values, facts),
            None => facts.stale.push(StaleFact {
                what: format!("no route is generated for the page: `{name}` is missing"),
                file: program.source(first).path.clone(),
                at: class_at(page, values),
                generated: None,
            }),
        }
    }
}

/// Parameters that the page takes and the generated route does not, or takes as another type.
fn compare(page: Ref, route: Ref, name: &str, values: &Values<'_>, facts: &mut Facts) {
    let known = parameters(route, values);
    let file = values.program().source(route.file).path.clone();
    for parameter in parameters(page, values) {
        let what = match known.iter().find(|known| known.name == parameter.name) {
            None => format!("the generated `{name}` does not know `{}`", parameter.name),
            Some(known) => match (&known.ty, &parameter.ty) {
                (Some(old), Some(new)) if simple(old) != simple(new) => {
                    format!(
                        "the generated `{name}` takes `{}` as {old}, and the page as {new}",
                        parameter.name
                    )
                }
                _ => continue,
            },
        };
        let generated = Some(class_at(route, values));
        facts.stale.push(StaleFact { what, file: file.clone(), at: parameter.at, generated });
    }
}

/// Generated code writes types behind import prefixes.
fn simple(ty: &str) -> String {
    let word = |part: &str| part.rsplit('.').next().unwrap_or(part).to_owned();
    ty.split_inclusive(['<', '>', ',', ' ']).map(word).collect()
}
