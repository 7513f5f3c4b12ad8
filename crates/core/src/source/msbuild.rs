//! C#'s project files (learn.microsoft.com, "MSBuild project file schema reference").

use super::Build;
use quick_xml::Reader;
use quick_xml::events::Event;

/// The assembly's name, by which others name its pages, and the namespace that its classes start in.
pub(super) fn read(text: &str) -> Build {
    Build {
        name: first_text(text, "AssemblyName"),
        namespace: first_text(text, "RootNamespace"),
        ..Build::default()
    }
}

/// The text of the first element of a name. What is not valid says nothing.
fn first_text(text: &str, name: &str) -> Option<String> {
    let mut reader = Reader::from_str(text);
    loop {
        match reader.read_event().ok()? {
            Event::Start(start) if start.local_name().as_ref() == name => {
                let inside = reader.read_text(start.name()).ok()?;
                let plain = inside.xml10_content();
                return Some(plain.trim().to_owned()).filter(|text| !text.is_empty());
            }
            Event::Eof => return None,
            _ => {}
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn names_of_the_project() {
        let project = "<Project xmlns='x'><PropertyGroup><RootNamespace> Barn.App </RootNamespace>\
             <AssemblyName>Barn</AssemblyName></PropertyGroup></Project>";
        let build = read(project);
        assert_eq!((build.name.as_deref(), build.namespace.as_deref()), (Some("Barn"), Some("Barn.App")));
        assert_eq!(read("<Project><Assem"), Build::default());
    }
}
