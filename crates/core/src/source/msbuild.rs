//! C#'s project files (learn.microsoft.com, "MSBuild project file schema reference").

use super::Build;
use crate::syntax::text_of_elements;

/// The assembly's name, by which others name its pages, and the namespace that its classes start in.
pub(super) fn read(text: &str) -> Build {
    let said = |name: &str| text_of_elements(text, name).into_iter().next();
    let depends_on = Vec::new();
    Build { name: said("AssemblyName"), namespace: said("RootNamespace"), depends_on, ..Build::default() }
}
