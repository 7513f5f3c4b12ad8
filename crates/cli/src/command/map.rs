use super::Apps;
use crate::args::{Map, MapFormat};
use crate::format::map as draw;
use crate::output::deliver;
use crate::{Failure, Outcome};
use fallow_lantern_core::map::{Part, layout, map};
use fallow_lantern_core::network::Network;

pub(super) fn run(args: &Map, apps: &Apps) -> Result<Outcome, Failure> {
    let format = format(args)?;
    let scan = apps.scan(&args.path, args.app.as_deref())?;
    let network = Network::new(&scan.document);
    let part = Part {
        around: args.around.clone().map(|name| (name, args.depth)),
        module: args.module.clone(),
        style: args.style.as_deref().map(super::style).transpose()?,
    };
    let map = map(&network, &part).map_err(|near| {
        let (what, given) = match (&part.around, &part.module) {
            (Some((name, _)), _) if network.find(name).is_err() => ("screen or route", name.clone()),
            (_, module) => ("module", module.clone().unwrap_or_default()),
        };
        Failure::Unknown { what, given, near }
    })?;
    let svg = || {
        let drawing = layout(&map, draw::node_size);
        draw::svg(&map, &drawing, args.arguments, draw::Use::Alone)
    };
    let bytes = match format {
        MapFormat::Svg => svg()?.into_bytes(),
        MapFormat::Png => draw::png(&svg()?)?,
        MapFormat::Dot => draw::dot(&map, args.arguments).into_bytes(),
        MapFormat::Mermaid => draw::mermaid(&map, args.arguments).into_bytes(),
        MapFormat::Graphml => draw::graphml(&map)?.into_bytes(),
    };
    deliver(&bytes, args.output.as_deref(), format == MapFormat::Png)?;
    Ok(Outcome::Clean)
}

/// What was asked for, or what the file's name says.
fn format(args: &Map) -> Result<MapFormat, Failure> {
    if let Some(format) = args.format {
        return Ok(format);
    }
    let Some(output) = &args.output else { return Ok(MapFormat::Svg) };
    match output.extension().and_then(|extension| extension.to_str()) {
        Some("svg") => Ok(MapFormat::Svg),
        Some("png") => Ok(MapFormat::Png),
        Some("dot" | "gv") => Ok(MapFormat::Dot),
        Some("mmd" | "mermaid") => Ok(MapFormat::Mermaid),
        Some("graphml") => Ok(MapFormat::Graphml),
        _ => Err(Failure::NoFormat(output.clone())),
    }
}
