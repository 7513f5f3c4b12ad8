//! Why the job could not be done, and what is said about it.

use std::io;
use std::path::PathBuf;
use std::process::ExitCode;

/// Why the job could not be done.
#[derive(Debug)]
pub(crate) enum Failure {
    /// The scan could not be made.
    Scan(fallow_lantern_core::Error),
    /// A name that is not one: what it should name, what was given, the nearest.
    Unknown {
        /// What was wanted.
        what: &'static str,
        /// What was given.
        given: String,
        /// The nearest names.
        near: Vec<String>,
    },
    /// A name that several apps of a tree have.
    InSeveralApps {
        /// What was given.
        given: String,
        /// The apps.
        apps: Vec<String>,
    },
    /// A folder that is there already.
    Occupied(PathBuf),
    /// A comparison with nothing to compare to.
    NothingToCompare,
    /// A file's name that tells no format.
    NoFormat(PathBuf),
    /// A picture on a terminal.
    BinaryToTerminal,
    /// A picture that cannot be drawn.
    Picture(String),
    /// Reading a file failed.
    Read(PathBuf, io::Error),
    /// A ledger that is none.
    Ledger(PathBuf, fallow_lantern_core::ledger::LedgerError),
    /// Writing a file failed.
    Write(PathBuf, io::Error),
    /// Writing the answer failed.
    Output(io::Error),
}

impl From<fallow_lantern_core::Error> for Failure {
    fn from(error: fallow_lantern_core::Error) -> Self {
        Self::Scan(error)
    }
}

impl From<io::Error> for Failure {
    fn from(error: io::Error) -> Self {
        Self::Output(error)
    }
}

impl Failure {
    /// Says it on standard error, and gives the exit status. A closed pipe is nobody's failure.
    pub(crate) fn report(&self) -> ExitCode {
        if matches!(self, Self::Output(error) if error.kind() == io::ErrorKind::BrokenPipe) {
            return ExitCode::SUCCESS;
        }
        let text = match self {
            Self::Scan(error) => error.to_string(),
            Self::Unknown { what, given, near } if near.is_empty() => format!("there is no {what} `{given}`"),
            Self::Unknown { what, given, near } => {
                format!("there is no {what} `{given}`; did you mean `{}`?", near.join("`, `"))
            }
            Self::InSeveralApps { given, apps } => {
                format!("`{given}` is in several apps: name one with --app (`{}`)", apps.join("`, `"))
            }
            Self::Occupied(path) => {
                format!("{} is there already, and not empty; name another folder", path.display())
            }
            Self::NothingToCompare => {
                "name the new app's folder, or the style it is moving to with --to".to_owned()
            }
            Self::NoFormat(path) => {
                format!("{} does not tell a format by its name; add --format", path.display())
            }
            Self::BinaryToTerminal => "a terminal shows no PNG; add --output FILE".to_owned(),
            Self::Picture(error) => format!("the picture cannot be drawn: {error}"),
            Self::Read(path, error) => format!("{} cannot be read: {error}", path.display()),
            Self::Ledger(path, error) => format!("{}: {error}", path.display()),
            Self::Write(path, error) => format!("{} cannot be written: {error}", path.display()),
            Self::Output(error) => format!("the answer cannot be written: {error}"),
        };
        // Nothing is left to do if standard error is gone as well.
        let _ = io::Write::write_fmt(&mut anstream::stderr(), format_args!("fallow-lantern: {text}\n"));
        ExitCode::from(2)
    }
}
