use super::Apps;
use crate::args::{Format, Reach};
use crate::format;
use crate::look::Look;
use crate::{Failure, Outcome};
use fallow_lantern_core::network::Network;

pub(super) fn run(args: &Reach, apps: &Apps) -> Result<Outcome, Failure> {
    let scan = apps.scan(&args.path, args.app.as_deref())?;
    let network = Network::new(&scan.document);
    let find = |name: &String| {
        let unknown = |near| Failure::Unknown { what: "screen or route", given: name.clone(), near };
        network.find(name).map_err(unknown)
    };
    let first = find(&args.screen)?;
    let (place, from) = match &args.to {
        Some(to) => (find(to)?, Some(first)),
        None => (first, None),
    };
    let reach = fallow_lantern_core::reach(&network, place, from);
    let out = &mut anstream::stdout().lock();
    match args.format {
        Format::Text => format::reach::reach(&reach, &scan, Look::of_stdout(), out)?,
        Format::Json => format::json::whole(&reach, out)?,
    }
    Ok(Outcome::Clean)
}
