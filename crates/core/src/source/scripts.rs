//! Where a script finds what it takes in (nodejs.org, "Modules"; typescriptlang.org, "Module
//! resolution"; metrobundler.dev, "Module resolution"): a resolver over the files that were found.

use super::library::joined;
use super::script_files::ScriptFiles;
use oxc_resolver::{ResolveOptions, ResolverGeneric, TsconfigDiscovery};
use std::fmt;
use std::path::{Path, PathBuf};
use std::sync::OnceLock;

/// Extensions in the order in which a bundler tries them, each for a platform first.
const EXTENSIONS: &[&str] = &["js", "jsx", "ts", "tsx", "mjs", "cjs"];
/// What stands before an extension where a file is for one kind of platform; any other comes last.
const PLATFORMS: &[&str] = &[".native", ".ios", ".android", ""];

/// The entries of an object that a script writes out under a name. Reading a script is not this
/// stage's to do: whoever asks brings it.
pub(crate) type Entries = fn(&str, &str) -> Vec<(String, String)>;

/// Finds the scripts that others take in.
pub(crate) struct Scripts {
    resolver: ResolverGeneric<ScriptFiles>,
    plugins: Vec<(String, String)>,
    aliases: OnceLock<Vec<Alias>>,
}

/// A short name that a plugin of the compiler puts in the place of a folder.
#[derive(Debug)]
struct Alias {
    /// The folder of the configuration, empty for the root.
    folder: String,
    from: String,
    to: String,
}

/// Whether a path (with `/`) is of a configuration that says where scripts find others.
pub(super) fn is_configuration(path: &str) -> bool {
    let name = path.rsplit('/').next().unwrap_or(path);
    is_of_plugins(name)
        || name == "jsconfig.json"
        || (name.starts_with("tsconfig") && name.ends_with(".json"))
}

fn is_of_plugins(path: &str) -> bool {
    let name = path.rsplit('/').next().unwrap_or(path);
    matches!(name, "babel.config.js" | ".babelrc" | ".babelrc.js")
}

impl Default for Scripts {
    fn default() -> Self {
        Self::new(&[], &[])
    }
}

impl fmt::Debug for Scripts {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.debug_struct("Scripts").field("aliases", &self.aliases).finish_non_exhaustive()
    }
}

impl Scripts {
    /// A resolver over scripts by their paths, and over the texts of packages and configurations.
    pub(super) fn new(scripts: &[&str], configurations: &[(String, String)]) -> Self {
        let (plugins, configurations): (Vec<_>, Vec<_>) =
            configurations.iter().cloned().partition(|(path, _)| is_of_plugins(path));
        let words = |all: &[&str]| all.iter().map(|word| (*word).to_owned()).collect::<Vec<_>>();
        let extensions = PLATFORMS
            .iter()
            .flat_map(|platform| EXTENSIONS.iter().map(move |extension| format!("{platform}.{extension}")));
        let fields = ["react-native", "source", "browser", "module", "main"];
        let options = ResolveOptions {
            tsconfig: Some(TsconfigDiscovery::Auto),
            extensions: extensions.collect(),
            extension_alias: vec![
                (".js".to_owned(), words(&[".ts", ".tsx", ".js", ".jsx"])),
                (".jsx".to_owned(), words(&[".tsx", ".jsx"])),
            ],
            condition_names: words(&["react-native", "source", "import", "require", "default"]),
            main_fields: words(&fields),
            ..ResolveOptions::default()
        };
        let files = ScriptFiles::new(scripts, &configurations);
        let resolver = ResolverGeneric::new_with_file_system(files, options);
        Self { resolver, plugins, aliases: OnceLock::new() }
    }

    /// The path, without its extension, of the script that a file means by a URI.
    pub(super) fn find(&self, file: &str, uri: &str, entries: Entries) -> Option<String> {
        let short = self.aliases(entries).iter().filter(|alias| alias.is_for(file, uri));
        let mut short = short.map(|alias| joined(&alias.to, &uri[alias.from.len()..]));
        short
            .find_map(|path| self.resolve(file, &format!("/{path}")))
            .or_else(|| self.resolve(file, uri))
            // A package whose own paths lead to what is built, and was not yet.
            .or_else(|| (!uri.starts_with('.')).then(|| self.resolve(file, &source_of(uri))).flatten())
    }

    fn resolve(&self, file: &str, uri: &str) -> Option<String> {
        let here = Path::new("/").join(file);
        let found = self.resolver.resolve_file(here, uri).ok()?;
        let path = found.path().strip_prefix("/").ok()?.to_str()?;
        let extension = EXTENSIONS.iter().find_map(|end| path.strip_suffix(&format!(".{end}")));
        extension.map(str::to_owned)
    }

    fn aliases(&self, entries: Entries) -> &[Alias] {
        self.aliases.get_or_init(|| {
            let mut found: Vec<Alias> =
                self.plugins.iter().flat_map(|(path, text)| aliases_of(path, text, entries)).collect();
            // Those of the innermost folder count first, and of these the longest.
            found.sort_by_key(|alias| std::cmp::Reverse((alias.folder.len(), alias.from.len())));
            found
        })
    }
}

/// The short names of one configuration (babeljs.io, plugins that resolve modules).
fn aliases_of(path: &str, text: &str, entries: Entries) -> Vec<Alias> {
    let folder = path.rsplit_once('/').map_or("", |(folder, _)| folder);
    let alias = |(from, to): (String, String)| {
        let to = joined(folder, &to);
        Alias { folder: folder.to_owned(), from, to }
    };
    entries(text, "alias").into_iter().map(alias).collect()
}

impl Alias {
    fn is_for(&self, file: &str, uri: &str) -> bool {
        let holds = self.folder.is_empty()
            || file.strip_prefix(&self.folder).is_some_and(|rest| rest.starts_with('/'));
        holds
            && uri
                .strip_prefix(self.from.as_str())
                .is_some_and(|rest| rest.is_empty() || self.from.ends_with('/') || rest.starts_with('/'))
    }
}

/// `@barn/ui/button` where its sources usually lie: `@barn/ui/src/button`.
fn source_of(uri: &str) -> String {
    let scope = usize::from(uri.starts_with('@'));
    let mut parts: Vec<&str> = uri.split('/').collect();
    let place = (scope + 1).min(parts.len());
    parts.insert(place, "src");
    PathBuf::from_iter(parts).to_string_lossy().into_owned()
}
