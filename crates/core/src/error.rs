use crate::SettingsError;
use std::path::PathBuf;

/// Why a scan could not be made at all. A single bad file is no error: it is listed as skipped.
#[derive(Debug, thiserror::Error)]
#[non_exhaustive]
pub enum Error {
    /// The path is not there.
    #[error("{} does not exist", .0.display())]
    NoSuchPath(PathBuf),
    /// The path is there but is no folder.
    #[error("{} is a file; an app's folder is wanted", .0.display())]
    NotAFolder(PathBuf),
    /// The folder cannot be listed.
    #[error("{} cannot be read: {source}", .path.display())]
    Unreadable {
        /// The folder.
        path: PathBuf,
        /// What the system said.
        source: std::io::Error,
    },
    /// The settings have a slip in them.
    #[error("{}:{}:{}: {}{}", .path.display(), .slip.at.0, .slip.at.1, .slip.message, did_you_mean(&.slip.near))]
    Settings {
        /// The file.
        path: PathBuf,
        /// What is wrong in it.
        slip: SettingsError,
    },
    /// Nothing below the path is an app's source.
    #[error("{} holds no app that can be read: no build file, manifest or source of a known platform was found below it", .0.display())]
    NoApp(PathBuf),
    /// An app that the tree does not have.
    #[error("there is no app `{given}` in {label}: {}", known(.names))]
    NoSuchApp {
        /// What was asked for.
        given: String,
        /// The tree as it is shown.
        label: String,
        /// The apps that it has.
        names: Vec<String>,
    },
}

fn known(names: &[String]) -> String {
    match names {
        [] => "no app was found in it".to_owned(),
        names => format!("it has `{}`", names.join("`, `")),
    }
}

fn did_you_mean(near: &[String]) -> String {
    if near.is_empty() { String::new() } else { format!("; did you mean `{}`?", near.join("`, `")) }
}
