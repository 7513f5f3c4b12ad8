//! C#'s project files (learn.microsoft.com, "MSBuild project file schema reference").

use super::Build;
use super::projects::Link;
use quick_xml::Reader;
use quick_xml::events::{BytesStart, Event};

/// The assembly's name, by which others name its pages, the namespace that its classes start in, and
/// the projects that it needs. What is not valid ends it.
pub(super) fn read(text: &str) -> Build {
    let mut build = Build::default();
    let mut reader = Reader::from_str(text);
    let mut inside = String::new();
    loop {
        match reader.read_event() {
            Ok(Event::Start(start)) => {
                build.links.extend(link(&start));
                inside = start.local_name().as_ref().to_owned();
            }
            Ok(Event::Empty(start)) => build.links.extend(link(&start)),
            Ok(Event::Text(text)) => note(&mut build, &inside, text.xml10_content().trim()),
            Ok(Event::End(_)) => inside.clear(),
            Ok(Event::Eof) | Err(_) => return build,
            Ok(_) => {}
        }
    }
}

fn note(build: &mut Build, element: &str, text: &str) {
    let first = |known: &mut Option<String>| {
        if !text.is_empty() {
            known.get_or_insert_with(|| text.to_owned());
        }
    };
    match element {
        "AssemblyName" => first(&mut build.name),
        "RootNamespace" => first(&mut build.namespace),
        "OutputType" => build.runs |= matches!(text, "Exe" | "WinExe" | "AppContainerExe"),
        _ => {}
    }
}

/// The folder of another project, of one whose files are shared, or of files that lie elsewhere.
fn link(start: &BytesStart<'_>) -> Option<Link> {
    let name = start.local_name();
    let attribute = if name.as_ref() == "Import" { "Project" } else { "Include" };
    let attribute =
        start.attributes().flatten().find(|known| known.key.local_name().as_ref() == attribute)?;
    let path = attribute.value.replace('\\', "/");
    let is_link = match name.as_ref() {
        "ProjectReference" => path.ends_with("proj"),
        "Import" => path.ends_with(".projitems"),
        "Compile" | "Page" | "ApplicationDefinition" | "Content" | "MauiXaml" => path.starts_with("../"),
        _ => false,
    };
    let named = path.split('*').next().unwrap_or(&path);
    let folder = named.rsplit_once('/').map_or(".", |(folder, _)| folder);
    is_link.then(|| Link::Folder(folder.to_owned()))
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
        assert!(!build.runs);
        assert_eq!(read("<Project><Assem"), Build::default());
    }

    #[test]
    fn projects_that_it_needs() {
        let build = read(
            r#"<Project Sdk="x"><PropertyGroup><OutputType>WinExe</OutputType></PropertyGroup>
            <ItemGroup><ProjectReference Include="..\Barn.Core\Barn.Core.csproj"><Private>x</Private></ProjectReference>
            <PackageReference Include="Far" /><Compile Include="Own.cs" />
            <Compile Include="..\Models\**\*.cs" /></ItemGroup>
            <Import Project="..\Shared\Shared.projitems" Label="Shared" />
            <Import Project="$(Tools)\far.targets" /></Project>"#,
        );
        let folders = ["../Barn.Core", "../Models", "../Shared"].map(|path| Link::Folder(path.to_owned()));
        assert_eq!(build.links, folders);
        assert!(build.runs);
    }
}
