use super::Apps;
use crate::args::Demo;
use crate::format;
use crate::look::Look;
use crate::{Failure, Outcome};
use include_dir::{Dir, DirEntry, include_dir};
use std::path::Path;

static APPS: Dir<'_> = include_dir!("$CARGO_MANIFEST_DIR/../../demo");

pub(super) fn run(args: &Demo, apps: &Apps) -> Result<Outcome, Failure> {
    let folder = &args.folder;
    if std::fs::read_dir(folder).is_ok_and(|mut entries| entries.next().is_some()) || folder.is_file() {
        return Err(Failure::Occupied(folder.clone()));
    }
    write(&APPS, folder)?;
    let app = folder.join("android");
    let scan = apps.scan(&app)?;
    let out = &mut anstream::stdout().lock();
    format::text::scan(&scan, Look::of_stdout(), out)?;
    next_steps(&app, out)?;
    Ok(Outcome::Clean)
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

fn next_steps(app: &Path, out: &mut dyn std::io::Write) -> std::io::Result<()> {
    let app = app.display();
    writeln!(out, "\nThis is Borrowbarn, a lending library for tools, written to {app}.")?;
    writeln!(out, "Go on with:")?;
    for (command, what) in [
        (format!("routes {app}"), "every screen, what it takes, how often it is opened"),
        (format!("calls {app}"), "every navigation call, from where to where, with what"),
        (format!("scan {app} --format json"), "all of it for other programs"),
        ("rules out-of-scope-route".to_owned(), "why one of the errors above matters"),
    ] {
        writeln!(out, "  fallow-lantern {command:<44} {what}")?;
    }
    writeln!(out, "Then mend a slip in the source and scan again, or point it at an app of your own.")
}
