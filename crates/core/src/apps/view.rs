//! A part of a tree as a tree of its own.

use super::Part;
use crate::source::{SourceFile, SourceTree};

/// The files and modules of a part. Texts are shared, not copied.
pub(crate) fn view(sources: &SourceTree, part: &Part) -> SourceTree {
    let mut modules = part.modules.clone();
    modules.extend(part.files.iter().map(|&file| sources.files[file].module));
    modules.sort_unstable();
    modules.dedup();
    let mut places = vec![0; sources.modules.len()];
    modules.iter().enumerate().for_each(|(place, &module)| places[module] = place);
    let file = |&i: &usize| {
        let file = &sources.files[i];
        SourceFile { module: places[file.module], ..file.clone() }
    };
    let listed = modules.iter().map(|&i| {
        let mut module = sources.modules[i].clone();
        module.needs.retain(|need| modules.contains(need));
        module.needs.iter_mut().for_each(|need| *need = places[*need]);
        module
    });
    sources.part(part.files.iter().map(file).collect(), listed.collect())
}
