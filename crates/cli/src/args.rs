//! What can be typed.

use clap::{Args, Parser, Subcommand, ValueEnum};
use fallow_lantern_core::model::Severity;
use std::path::PathBuf;

/// Reads an app's source and says which screens it has, who opens them with what, and what is wrong.
#[derive(Debug, Parser)]
#[command(
    name = "fallow-lantern",
    version,
    about,
    after_help = "Exit status: 0 nothing at or over the threshold, 1 findings at or over it, 2 the job could not be done.\n\
                  Start with `fallow-lantern demo`, or `fallow-lantern scan path/to/app`."
)]
pub(crate) struct Arguments {
    #[command(flatten)]
    pub(crate) color: Color,
    /// Read the settings from this file, not from `fallow-lantern.toml` in the app's folder
    #[arg(long, global = true, value_name = "FILE")]
    pub(crate) settings: Option<PathBuf>,
    #[command(subcommand)]
    pub(crate) command: Command,
}

/// Whether to colour.
#[derive(Debug, Args)]
pub(crate) struct Color {
    /// Colour the answer
    #[arg(long, global = true, value_name = "WHEN", default_value = "auto")]
    color: When,
}

/// When something is done.
#[derive(Debug, Clone, Copy, ValueEnum)]
enum When {
    /// On a terminal that can
    Auto,
    /// Always
    Always,
    /// Never
    Never,
}

impl Color {
    /// Makes the choice known to everything that writes.
    pub(crate) fn write_global(&self) {
        let choice = match self.color {
            When::Auto => anstream::ColorChoice::Auto,
            When::Always => anstream::ColorChoice::Always,
            When::Never => anstream::ColorChoice::Never,
        };
        choice.write_global();
    }
}

/// The commands.
#[derive(Debug, Subcommand)]
pub(crate) enum Command {
    /// Say what is in an app, where it starts, and what is wrong with its navigation
    #[command(
        after_help = "Examples:\n  fallow-lantern scan\n  fallow-lantern scan path/to/app --threshold error\n  fallow-lantern scan path/to/tree --app members\n  fallow-lantern scan path/to/app --format json > scan.json\n  fallow-lantern scan path/to/app --accept\n  fallow-lantern scan path/to/app --also sarif=findings.sarif --also junit=findings.xml"
    )]
    Scan(Scan),
    /// List the declared routes: what each shows, takes, and how often it is opened
    #[command(
        after_help = "Examples:\n  fallow-lantern routes path/to/app\n  fallow-lantern routes path/to/app --screen LoanFragment\n  fallow-lantern routes path/to/app --style compose-typed --format csv"
    )]
    Routes(Listing),
    /// List the navigation calls: from where, to what, with which arguments
    #[command(
        after_help = "Examples:\n  fallow-lantern calls path/to/app\n  fallow-lantern calls path/to/app --status dynamic\n  fallow-lantern calls path/to/app --module app --format json-lines"
    )]
    Calls(Calls),
    /// Say how one gets to a screen, who opens it with what, and where it leads
    #[command(
        after_help = "Examples:\n  fallow-lantern reach LoanFragment\n  fallow-lantern reach HomeFragment LoanFragment --in path/to/app\n  fallow-lantern reach loanFragment --format json"
    )]
    Reach(Reach),
    /// Compare two apps, or an app with the style it is moving to, and say what is missing
    #[command(
        after_help = "Examples:\n  fallow-lantern gaps old/app new/app\n  fallow-lantern gaps path/to/app --to compose-typed\n  fallow-lantern gaps path/to/tree --old-app members --new-app desk\n  fallow-lantern gaps old/app new/app --format markdown > gaps.md\n\nExit status: 0 no gaps, 1 gaps, 2 the job could not be done."
    )]
    Gaps(Gaps),
    /// Draw the screens and the hops between them
    #[command(
        after_help = "Examples:\n  fallow-lantern map path/to/app --output map.svg\n  fallow-lantern map --around LoanFragment --depth 1 --output loan.png\n  fallow-lantern map --style compose-typed --format mermaid"
    )]
    Map(Map),
    /// Write everything into one page to look at and search, that asks nothing of the network
    #[command(
        after_help = "Examples:\n  fallow-lantern report path/to/app\n  fallow-lantern report path/to/app --to compose-typed --output barn.html\n  fallow-lantern report new/app --against old/app"
    )]
    Report(Report),
    /// List the rules, or explain one
    #[command(
        after_help = "Examples:\n  fallow-lantern rules\n  fallow-lantern rules orphan-screen\n  fallow-lantern rules orphan-screen --format markdown"
    )]
    Rules(Rules),
    /// Write what a shell needs to complete commands, options and their values
    #[command(
        after_help = "Examples:\n  fallow-lantern completions bash > /etc/bash_completion.d/fallow-lantern\n  fallow-lantern completions fish > ~/.config/fish/completions/fallow-lantern.fish"
    )]
    Completions {
        /// The shell
        shell: clap_complete::Shell,
    },
    /// Write the manual pages, one a command, into a folder
    #[command(after_help = "Examples:\n  fallow-lantern manual ~/.local/share/man/man1")]
    Manual {
        /// The folder
        folder: PathBuf,
    },
    /// Write the sample apps into a folder and run the whole example on them
    #[command(after_help = "Examples:\n  fallow-lantern demo\n  fallow-lantern demo /tmp/borrowbarn")]
    Demo(Demo),
}

/// What `scan` takes.
#[derive(Debug, Args)]
pub(crate) struct Scan {
    /// The app's folder
    #[arg(default_value = ".")]
    pub(crate) path: PathBuf,
    /// Keep to one app of the tree, by its name or its folder
    #[arg(long, value_name = "NAME")]
    pub(crate) app: Option<String>,
    /// How to write the answer
    #[arg(long, value_name = "FORMAT", default_value = "text")]
    pub(crate) format: ScanFormat,
    /// Write it in another form into a file as well: `--also sarif=findings.sarif`
    #[arg(long, value_name = "FORMAT=FILE", value_parser = also)]
    pub(crate) also: Vec<(ScanFormat, PathBuf)>,
    /// The findings that are accepted for now; by default `fallow-lantern.ledger` in the app's folder
    #[arg(long, value_name = "FILE")]
    pub(crate) ledger: Option<PathBuf>,
    /// Accept all that is found now: write it into the ledger
    #[arg(long, conflicts_with_all = ["shrink", "app"])]
    pub(crate) accept: bool,
    /// Take out of the ledger what is found no more
    #[arg(long, conflicts_with = "app")]
    pub(crate) shrink: bool,
    /// The least severity that makes the exit status 1
    #[arg(long, value_name = "SEVERITY", default_value = "warning")]
    pub(crate) threshold: Threshold,
    /// Show notes as well; without it they are counted by rule
    #[arg(long)]
    pub(crate) notes: bool,
}

/// How `scan` writes its answer.
#[derive(Debug, Clone, Copy, PartialEq, Eq, ValueEnum)]
pub(crate) enum ScanFormat {
    /// For people
    Text,
    /// The whole document
    Json,
    /// A finding a line, each as JSON
    JsonLines,
    /// Findings as comma-separated values
    Csv,
    /// Findings as SARIF 2.1.0, for code hosts and editors
    Sarif,
    /// Findings as JUnit XML, for servers that show tests
    Junit,
}

/// `FORMAT=FILE`.
fn also(given: &str) -> Result<(ScanFormat, PathBuf), String> {
    let (format, file) =
        given.split_once('=').ok_or("a form and a file are wanted: `sarif=findings.sarif`")?;
    if file.is_empty() {
        return Err("the file is missing behind `=`".to_owned());
    }
    Ok((ScanFormat::from_str(format, false)?, PathBuf::from(file)))
}

/// What the listings take.
#[derive(Debug, Args)]
pub(crate) struct Listing {
    /// The app's folder
    #[arg(default_value = ".")]
    pub(crate) path: PathBuf,
    /// Keep to one app of the tree, by its name or its folder
    #[arg(long, value_name = "NAME")]
    pub(crate) app: Option<String>,
    #[command(flatten)]
    pub(crate) only: Only,
    /// How to write the answer
    #[arg(long, value_name = "FORMAT", default_value = "text")]
    pub(crate) format: ListFormat,
}

/// What a listing keeps to.
#[derive(Debug, Args)]
pub(crate) struct Only {
    /// Keep to what this screen is shown by, or what it calls
    #[arg(long, value_name = "NAME")]
    pub(crate) screen: Option<String>,
    /// Keep to one style
    #[arg(long, value_name = "STYLE")]
    pub(crate) style: Option<String>,
    /// Keep to one module, by its path
    #[arg(long, value_name = "PATH")]
    pub(crate) module: Option<String>,
    /// Keep to what holds this text in its names
    #[arg(long, value_name = "TEXT")]
    pub(crate) holding: Option<String>,
}

/// What `calls` takes.
#[derive(Debug, Args)]
pub(crate) struct Calls {
    #[command(flatten)]
    pub(crate) listing: Listing,
    /// Keep to calls that came to this: resolved, undeclared, dynamic or external
    #[arg(long, value_name = "STATUS")]
    pub(crate) status: Option<String>,
}

/// What `reach` takes.
#[derive(Debug, Args)]
pub(crate) struct Reach {
    /// The screen: its class or function, or a route that shows it
    pub(crate) screen: String,
    /// Say how one gets from the first screen to this one instead
    pub(crate) to: Option<String>,
    /// The app's folder
    #[arg(long = "in", value_name = "PATH", default_value = ".")]
    pub(crate) path: PathBuf,
    /// Keep to one app of the tree, by its name or its folder
    #[arg(long, value_name = "NAME")]
    pub(crate) app: Option<String>,
    /// How to write the answer
    #[arg(long, value_name = "FORMAT", default_value = "text")]
    pub(crate) format: Format,
}

/// What `gaps` takes.
#[derive(Debug, Args)]
pub(crate) struct Gaps {
    /// The old app's folder, or the one that is moving
    pub(crate) old: PathBuf,
    /// The new app's folder
    #[arg(conflicts_with = "to")]
    pub(crate) new: Option<PathBuf>,
    /// The app that is old, of several in its tree, by its name or its folder
    #[arg(long, value_name = "NAME")]
    pub(crate) old_app: Option<String>,
    /// The app that is new; of the same tree where no other is named
    #[arg(long, value_name = "NAME", conflicts_with = "to")]
    pub(crate) new_app: Option<String>,
    /// The style that the app is moving to; by default the settings' target
    #[arg(long, value_name = "STYLE")]
    pub(crate) to: Option<String>,
    /// How to write the answer
    #[arg(long, value_name = "FORMAT", default_value = "text")]
    pub(crate) format: PageFormat,
}

/// What `map` takes.
#[derive(Debug, Args)]
pub(crate) struct Map {
    /// The app's folder
    #[arg(default_value = ".")]
    pub(crate) path: PathBuf,
    /// Keep to one app of the tree, by its name or its folder
    #[arg(long, value_name = "NAME")]
    pub(crate) app: Option<String>,
    /// How to draw it; by default what the output's name says, else SVG
    #[arg(long, value_name = "FORMAT")]
    pub(crate) format: Option<MapFormat>,
    /// The file to write to, instead of standard output
    #[arg(long, short, value_name = "FILE")]
    pub(crate) output: Option<PathBuf>,
    /// Draw only what is around a screen
    #[arg(long, value_name = "SCREEN")]
    pub(crate) around: Option<String>,
    /// How many hops around it
    #[arg(long, value_name = "HOPS", default_value_t = 2, requires = "around")]
    pub(crate) depth: usize,
    /// Draw only what is declared in a module
    #[arg(long, value_name = "FOLDER")]
    pub(crate) module: Option<String>,
    /// Draw only what a style declares
    #[arg(long, value_name = "STYLE")]
    pub(crate) style: Option<String>,
    /// Write at each arrow what its calls pass
    #[arg(long)]
    pub(crate) arguments: bool,
}

/// Formats of maps.
#[derive(Debug, Clone, Copy, PartialEq, Eq, ValueEnum)]
pub(crate) enum MapFormat {
    /// A picture that scales
    Svg,
    /// A picture of pixels
    Png,
    /// A graph in the DOT language
    Dot,
    /// A Mermaid flowchart
    Mermaid,
    /// A graph in GraphML
    Graphml,
}

/// What `report` takes.
#[derive(Debug, Args)]
pub(crate) struct Report {
    /// The app's folder
    #[arg(default_value = ".")]
    pub(crate) path: PathBuf,
    /// Keep to one app of the tree, by its name or its folder
    #[arg(long, value_name = "NAME")]
    pub(crate) app: Option<String>,
    /// The file to write to
    #[arg(long, short, value_name = "FILE", default_value = "report.html")]
    pub(crate) output: PathBuf,
    /// Say how far the app is on its way to a style; by default the settings' target
    #[arg(long, value_name = "STYLE")]
    pub(crate) to: Option<String>,
    /// Say what this old app has and the app lacks
    #[arg(long, value_name = "OLD", conflicts_with = "to")]
    pub(crate) against: Option<PathBuf>,
}

/// What `rules` takes.
#[derive(Debug, Args)]
pub(crate) struct Rules {
    /// The rule to explain
    pub(crate) rule: Option<String>,
    /// How to write the answer
    #[arg(long, value_name = "FORMAT", default_value = "text")]
    pub(crate) format: PageFormat,
}

/// What `demo` takes.
#[derive(Debug, Args)]
pub(crate) struct Demo {
    /// The folder to write to; it must be new or empty
    #[arg(default_value = "borrowbarn")]
    pub(crate) folder: PathBuf,
}

/// Formats of listings.
#[derive(Debug, Clone, Copy, PartialEq, Eq, ValueEnum)]
pub(crate) enum ListFormat {
    /// For people
    Text,
    /// One JSON object
    Json,
    /// One a line, each as JSON
    JsonLines,
    /// Comma-separated values
    Csv,
}

/// Formats of ways and of one rule.
#[derive(Debug, Clone, Copy, PartialEq, Eq, ValueEnum)]
pub(crate) enum Format {
    /// For people
    Text,
    /// One JSON object
    Json,
}

/// Formats of rules and gaps.
#[derive(Debug, Clone, Copy, PartialEq, Eq, ValueEnum)]
pub(crate) enum PageFormat {
    /// For people
    Text,
    /// One JSON object
    Json,
    /// A page
    Markdown,
}

/// Where findings begin to count.
#[derive(Debug, Clone, Copy, PartialEq, Eq, ValueEnum)]
pub(crate) enum Threshold {
    /// Errors only
    Error,
    /// Warnings and errors
    Warning,
    /// Everything
    Note,
    /// Nothing: the exit status is 0 whatever is found
    None,
}

impl Threshold {
    /// Whether a finding counts.
    pub(crate) fn counts(self, severity: Severity) -> bool {
        match self {
            Self::Error => severity >= Severity::Error,
            Self::Warning => severity >= Severity::Warning,
            Self::Note => true,
            Self::None => false,
        }
    }
}
