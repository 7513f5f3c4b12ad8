use super::Apps;
use crate::args::Demo;
use crate::format;
use crate::format::map as draw;
use crate::look::Look;
use crate::{Failure, Outcome};
use fallow_lantern_core::map::{Part, layout, map, map_of};
use fallow_lantern_core::model::{Gaps, Style};
use fallow_lantern_core::network::Network;
use fallow_lantern_core::{Scan, gaps, reach};
use include_dir::{Dir, DirEntry, include_dir};
use std::io::{self, Write};
use std::path::Path;

static APPS: Dir<'_> = include_dir!("$CARGO_MANIFEST_DIR/../../demo");

pub(super) fn run(args: &Demo, apps: &Apps) -> Result<Outcome, Failure> {
    let folder = &args.folder;
    if std::fs::read_dir(folder).is_ok_and(|mut entries| entries.next().is_some()) || folder.is_file() {
        return Err(Failure::Occupied(folder.clone()));
    }
    write(&APPS, folder)?;
    let app = folder.join("android");
    let scan = apps.scan(&app, None)?;
    let network = Network::new(&scan.document);
    let gaps = gaps::toward(&scan.document, TARGET);
    let (out, look) = (&mut anstream::stdout().lock(), Look::of_stdout());
    format::text::scan(&scan, false, look, out)?;
    heading("How one gets to a screen", &format!("reach {SCREEN} --in {}", app.display()), look, out)?;
    if let Ok(place) = network.find(SCREEN) {
        format::reach::reach(&reach(&network, place, None), &scan, look, out)?;
    }
    heading("How far a move is", &format!("gaps {} --to {TARGET}", app.display()), look, out)?;
    format::gaps::summary(&gaps, look, out)?;
    let mut files = files(&scan, &network, &gaps)?;
    for (name, page) in OTHERS {
        let app = folder.join(name);
        let other = apps.scan(&app, None)?;
        heading(
            if name == &"two-apps" { TWO_APPS } else { "The same barn on another platform" },
            &format!("scan {}", app.display()),
            look,
            out,
        )?;
        format::text::summary(&other, look, out)?;
        files.push((page, "that platform's page", format::report::page(&other, None)?.into_bytes()));
    }
    heading("Files to open", &format!("map, report and gaps, written to {}", folder.display()), look, out)?;
    let widest = files.iter().map(|(name, ..)| folder.join(name).display().to_string().len()).max();
    let widest = widest.unwrap_or_default();
    for (name, what, bytes) in files {
        let path = folder.join(name);
        std::fs::write(&path, bytes).map_err(|error| Failure::Write(path.clone(), error))?;
        writeln!(out, "  {:<widest$}  {what}", path.display().to_string())?;
    }
    next_steps(&app, &folder.join("flutter"), out)?;
    Ok(Outcome::Clean)
}

/// The style that the demo's app is moving to, and the screen that is looked at.
const TARGET: Style = Style::ComposeTyped;
const SCREEN: &str = "LoanDetailFragment";

/// What is said of a tree that holds two apps.
const TWO_APPS: &str = "Two apps of one tree, with a shelf that both show";

/// The apps of other platforms, and the pages that are written of them.
const OTHERS: &[(&str, &str)] = &[
    ("flutter", "flutter.html"),
    ("react-native", "react-native.html"),
    ("apple", "apple.html"),
    ("kivy", "kivy.html"),
    ("xaml", "xaml.html"),
    ("two-apps", "two-apps.html"),
];

fn heading(title: &str, command: &str, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let (strong, faint) = (look.strong(), look.faint());
    writeln!(out, "\n{strong}== {title}{strong:#}  {faint}{command}{faint:#}\n")
}

type File = (&'static str, &'static str, Vec<u8>);

fn files(scan: &Scan, network: &Network<'_>, gaps: &Gaps) -> Result<Vec<File>, Failure> {
    let map = map(network, &Part::default()).unwrap_or_else(|_| map_of(network, &[], ""));
    let drawing = layout(&map, draw::node_size);
    let svg = draw::svg(&map, &drawing, false, draw::Use::Alone)?;
    let mut markdown = Vec::new();
    format::gaps::markdown(gaps, &mut markdown)?;
    Ok(vec![
        ("map.png", "the picture", draw::png(&svg)?),
        ("map.svg", "the picture, to scale", svg.into_bytes()),
        (
            "report.html",
            "everything in one page, for a browser",
            format::report::page(scan, Some(gaps))?.into_bytes(),
        ),
        ("gaps.md", "what is left of the move, to tick off", markdown),
    ])
}

fn write(dir: &Dir<'_>, folder: &Path) -> Result<(), Failure> {
    for entry in dir.entries() {
        let path = folder.join(entry.path());
        let written = match entry {
            DirEntry::Dir(inner) => {
                std::fs::create_dir_all(&path).map_err(|error| Failure::Write(path, error))?;
                write(inner, folder)?;
                continue;
            }
            DirEntry::File(file) => {
                let parent = path.parent().map_or(Ok(()), std::fs::create_dir_all);
                parent.and_then(|()| std::fs::write(&path, file.contents()))
            }
        };
        written.map_err(|error| Failure::Write(path, error))?;
    }
    Ok(())
}

fn next_steps(app: &Path, flutter_app: &Path, out: &mut dyn Write) -> io::Result<()> {
    let app = app.display();
    writeln!(out, "\nThis is Borrowbarn, a lending library for tools, written to {app}.")?;
    writeln!(out, "Go on with:")?;
    let steps = [
        (format!("routes {app}"), "every screen, what it takes, how often it is opened"),
        (format!("calls {app}"), "every navigation call, from where to where, with what"),
        (format!("reach ShelfFragment EntryScreen --in {app}"), "the way from one screen to another"),
        (format!("map {app} --around itemDetail --output item.png"), "a part of the picture"),
        (format!("scan {app} --format json"), "all of it for other programs"),
        (
            format!("gaps {0}/lib/classic {0}/lib/desk", flutter_app.display()),
            "what the new desk does not have yet",
        ),
        ("rules out-of-scope-route".to_owned(), "why one of the errors above matters"),
    ];
    let widest = steps.iter().map(|(command, _)| command.len()).max().unwrap_or_default();
    for (command, what) in steps {
        writeln!(out, "  fallow-lantern {command:<widest$}  {what}")?;
    }
    writeln!(out, "Then mend a slip in the source and scan again, or point it at an app of your own.")
}
