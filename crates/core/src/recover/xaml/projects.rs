//! Projects: the addresses of their pages, and what of theirs is shown first
//! (learn.microsoft.com, "Pack URIs").

use super::documents::Document;
use crate::facts::{At, ContainerKey};
use crate::model::Span;
use crate::source::{Language, Tool};
use crate::values::Values;

/// Between an assembly's name and the path of a page in it.
pub(super) const COMPONENT: &str = ";component";

/// A project, by the module that it is.
#[derive(Debug, Clone, Copy)]
pub(super) struct Project<'v, 'p> {
    module: usize,
    values: &'v Values<'p>,
}

impl<'v, 'p> Project<'v, 'p> {
    /// The project that a file is of.
    pub(super) fn of(file: u32, values: &'v Values<'p>) -> Self {
        Self { module: values.program().source(file).module, values }
    }

    /// Its first document, which stands for it.
    pub(super) fn first(&self) -> Option<u32> {
        let files = &self.values.program().sources().files;
        let own = files.iter().position(|f| f.module == self.module && f.language == Language::Xaml)?;
        u32::try_from(own).ok()
    }

    /// What its routes stand in.
    pub(super) fn container(&self) -> Option<ContainerKey> {
        Some(ContainerKey(At { file: self.first()?, span: Span::new(0, 0) }))
    }

    /// A path in it, as paths of the source are written.
    fn full(&self, path: &str) -> String {
        let path = path.trim_start_matches('/');
        match self.values.program().sources().modules[self.module].path.as_str() {
            "." => path.to_owned(),
            folder => format!("{folder}/{path}"),
        }
    }

    /// A file of it by its path.
    pub(super) fn file(&self, path: &str) -> Option<u32> {
        self.values.program().sources().file_at(&self.full(path))
    }

    /// Whether it is an app, and no library of one.
    pub(super) fn is_app(&self) -> bool {
        ["App.xaml", "Properties/WMAppManifest.xml", "Application.xaml"]
            .iter()
            .any(|path| self.file(path).is_some())
    }

    /// Whether all that it is built of stands here: what has no project file of its own is put into others.
    pub(super) fn is_whole(&self) -> bool {
        let module = &self.values.program().sources().modules[self.module];
        self.is_app() || module.build.tool == Tool::MsBuild
    }

    /// The address of a document of it, as its own code writes it.
    pub(super) fn own_path(&self, file: u32) -> String {
        let path = &self.values.program().source(file).path;
        let inside = match self.values.program().sources().modules[self.module].path.as_str() {
            "." => path.as_str(),
            folder => path.strip_prefix(folder).unwrap_or(path).trim_start_matches('/'),
        };
        format!("/{inside}")
    }

    /// The address of a document of it, as an app writes it: that of a library says so.
    pub(super) fn address(&self, file: u32) -> String {
        let own = self.own_path(file);
        let build = &self.values.program().sources().modules[self.module].build;
        match build.name.as_ref().filter(|_| !self.is_app()) {
            Some(assembly) => format!("/{assembly}{COMPONENT}{own}"),
            None => own,
        }
    }

    /// Whether the assembly that an address names is one of the source.
    pub(super) fn has_assembly(&self, address: &str) -> bool {
        let named = address.split(COMPONENT).next().map(|start| start.trim_start_matches('/'));
        let modules = &self.values.program().sources().modules;
        modules.iter().any(|module| module.build.name.as_deref() == named)
    }

    /// The page at an address that is known whole, if this project or a library has it.
    pub(super) fn page(&self, address: &str) -> Option<Document<'p>> {
        let path = address.split(['?', '#']).next().unwrap_or(address);
        match path.split_once(COMPONENT) {
            Some((assembly, path)) => {
                let sources = self.values.program().sources();
                let assembly = assembly.rsplit('/').next().unwrap_or(assembly);
                let module =
                    sources.modules.iter().position(|m| m.build.name.as_deref() == Some(assembly))?;
                let other = Self { module, values: self.values };
                Document::of(other.file(path)?, self.values)
            }
            None => Document::of(self.file(path)?, self.values),
        }
    }
}
