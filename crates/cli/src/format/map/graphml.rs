//! A map as GraphML (graphml.graphdrawing.org, "The GraphML File Format").

use super::words;
use fallow_lantern_core::map::{Arrow, Map, Node};
use quick_xml::Writer;
use quick_xml::events::{BytesDecl, BytesText, Event};
use std::io;

/// What is said of nodes and arrows: the key, whose it is, its type.
const KEYS: &[(&str, &str, &str)] = &[
    ("name", "node", "string"),
    ("detail", "node", "string"),
    ("shape", "node", "string"),
    ("marks", "node", "string"),
    ("box", "node", "string"),
    ("calls", "edge", "int"),
    ("verbs", "edge", "string"),
    ("arguments", "edge", "string"),
];

type Xml = Writer<Vec<u8>>;

/// Writes it.
pub(crate) fn graphml(map: &Map) -> io::Result<String> {
    let mut xml = Writer::new_with_indent(Vec::new(), b' ', 2);
    xml.write_event(Event::Decl(BytesDecl::new("1.0", Some("UTF-8"), None)))?;
    let root = xml.create_element("graphml");
    root.with_attribute(("xmlns", "http://graphml.graphdrawing.org/xmlns")).write_inner_content(|xml| {
        for (name, owner, ty) in KEYS {
            let key = xml.create_element("key").with_attribute(("id", *name)).with_attribute(("for", *owner));
            key.with_attribute(("attr.name", *name)).with_attribute(("attr.type", *ty)).write_empty()?;
        }
        let graph = xml.create_element("graph").with_attribute(("id", "map"));
        graph.with_attribute(("edgedefault", "directed")).write_inner_content(|xml| {
            for (i, node) in map.nodes.iter().enumerate() {
                write_node(map, i, node, xml)?;
            }
            map.arrows.iter().try_for_each(|arrow| write_arrow(arrow, xml))
        })?;
        Ok(())
    })?;
    String::from_utf8(xml.into_inner())
        .map(|text| text + "\n")
        .map_err(|error| io::Error::other(error.to_string()))
}

fn write_node(map: &Map, index: usize, node: &Node, xml: &mut Xml) -> io::Result<()> {
    let mut around = Vec::new();
    let mut within = node.within;
    while let Some(at) = within {
        around.insert(0, map.boxes[at].name.as_str());
        within = map.boxes[at].within;
    }
    let shape = format!("{:?}", node.shape).to_lowercase();
    let element = xml.create_element("node").with_attribute(("id", format!("n{index}").as_str()));
    element.write_inner_content(|xml| {
        data("name", &node.name, xml)?;
        data("detail", &node.detail, xml)?;
        data("shape", &shape, xml)?;
        data("marks", &words::marks(node).join(", "), xml)?;
        data("box", &around.join("/"), xml)
    })?;
    Ok(())
}

fn write_arrow(arrow: &Arrow, xml: &mut Xml) -> io::Result<()> {
    let verbs: Vec<&str> = arrow.verbs.iter().map(|verb| verb.as_str()).collect();
    let element = xml.create_element("edge").with_attribute(("source", format!("n{}", arrow.from).as_str()));
    element.with_attribute(("target", format!("n{}", arrow.to).as_str())).write_inner_content(|xml| {
        data("calls", &arrow.calls.to_string(), xml)?;
        data("verbs", &verbs.join(" "), xml)?;
        data("arguments", &arrow.arguments.join(" "), xml)
    })?;
    Ok(())
}

/// XML has no way to write most control characters.
fn data(key: &str, text: &str, xml: &mut Xml) -> io::Result<()> {
    let clean: String = text.chars().map(|c| if c.is_control() { '\u{fffd}' } else { c }).collect();
    xml.create_element("data").with_attribute(("key", key)).write_text_content(BytesText::new(&clean))?;
    Ok(())
}
