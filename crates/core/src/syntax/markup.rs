//! XML with positions, namespaces resolved, and recovery: a broken end tag or attribute costs no
//! more than itself, a broken tag what comes after it.

use super::{Body, Trouble};
use crate::model::Span;
use quick_xml::events::{BytesStart, Event};
use quick_xml::name::{PrefixDeclaration, ResolveResult};
use quick_xml::reader::NsReader;
use smol_str::SmolStr;

/// The elements of one file, parents before children.
#[derive(Debug, Default)]
pub struct Markup {
    elements: Vec<Element>,
    /// Prefixes of namespaces, first bound first.
    bindings: Vec<(SmolStr, SmolStr)>,
}

/// Index of an element in its file.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub struct ElementId(u32);

/// An element.
#[derive(Debug)]
pub struct Element {
    /// Local name.
    pub name: SmolStr,
    /// Namespace URI, empty where there is none.
    pub namespace: SmolStr,
    /// Its attributes, namespace declarations left out.
    pub attributes: Vec<Attribute>,
    /// The element around it.
    pub parent: Option<ElementId>,
    /// The elements directly inside.
    pub children: Vec<ElementId>,
    /// The text directly inside, entities left as they are.
    pub text: String,
    /// Its start tag's `<name`.
    pub span: Span,
}

/// An attribute.
#[derive(Debug)]
pub struct Attribute {
    /// Local name.
    pub name: SmolStr,
    /// Namespace URI, empty where there is none.
    pub namespace: SmolStr,
    /// Its value, entities undone.
    pub value: String,
    /// Where the value stands, quotes left out.
    pub span: Span,
}

/// Deeper nesting is not followed.
const MAX_DEPTH: usize = 256;

impl Markup {
    /// Every element, in document order.
    pub fn elements(&self) -> impl Iterator<Item = (ElementId, &Element)> {
        self.elements.iter().enumerate().map(|(i, element)| (ElementId(i as u32), element))
    }

    /// The element.
    #[must_use]
    pub fn element(&self, id: ElementId) -> &Element {
        &self.elements[id.0 as usize]
    }

    /// The namespace that a prefix stands for.
    #[must_use]
    pub fn namespace(&self, prefix: &str) -> Option<&str> {
        self.bindings.iter().find(|(bound, _)| bound == prefix).map(|(_, uri)| uri.as_str())
    }

    /// The document's element.
    #[must_use]
    pub fn root(&self) -> Option<(ElementId, &Element)> {
        self.elements().next()
    }

    /// The elements directly inside one.
    pub fn children(&self, id: ElementId) -> impl Iterator<Item = (ElementId, &Element)> {
        self.element(id).children.iter().map(|&child| (child, self.element(child)))
    }
}

impl Element {
    /// An attribute of a namespace.
    #[must_use]
    pub fn attribute(&self, namespace: &str, name: &str) -> Option<&Attribute> {
        self.attributes.iter().find(|a| a.name == name && a.namespace == namespace)
    }
}

pub(super) fn parse(text: &str) -> (Body, Option<Trouble>) {
    let mut reader = NsReader::from_str(text);
    reader.config_mut().check_end_names = false;
    reader.config_mut().allow_unmatched_ends = true;
    let mut builder = Builder { text, markup: Markup::default(), open: Vec::new(), trouble: None };
    loop {
        let before = offset(&reader);
        match reader.read_event() {
            Ok(Event::Start(start)) => builder.start(&reader, &start, false),
            Ok(Event::Empty(start)) => builder.start(&reader, &start, true),
            Ok(Event::End(end)) => builder.end(end.name().0, before),
            Ok(Event::Text(text)) => builder.text(&text),
            Ok(Event::Eof) => break,
            Ok(_) => {}
            Err(error) => {
                builder.note(before, error.to_string());
                break;
            }
        }
    }
    if let Some((id, name)) = builder.open.last().cloned() {
        let at = id.map_or(0, |id| builder.markup.element(id).span.start);
        builder.note(at as usize, format!("<{name}> is never closed"));
    } else if builder.markup.elements.is_empty() {
        builder.note(0, "no element in it".to_owned());
    }
    (Body::Markup(builder.markup), builder.trouble)
}

fn offset(reader: &NsReader<&[u8]>) -> usize {
    usize::try_from(reader.buffer_position()).unwrap_or(usize::MAX)
}

struct Builder<'t> {
    text: &'t str,
    markup: Markup,
    /// Open elements; without an id where they are nested too deep.
    open: Vec<(Option<ElementId>, String)>,
    trouble: Option<Trouble>,
}

impl<'t> Builder<'t> {
    fn note(&mut self, at: usize, what: String) {
        self.trouble.get_or_insert((Span::new(at, at).start, what));
    }

    fn start(&mut self, reader: &NsReader<&'t [u8]>, start: &BytesStart<'_>, empty: bool) {
        // The tag ends where the reader stands: step back over what it holds, `<`, `>` and `/`.
        let end = offset(reader);
        let begin = self.text.get(..end).and_then(|t| t.rfind(&format!("<{}", start.name().0)));
        let begin = begin.unwrap_or(end);
        if self.open.len() >= MAX_DEPTH {
            self.note(begin, format!("nested deeper than {MAX_DEPTH} elements; what is below was left out"));
            if !empty {
                self.open.push((None, start.name().0.to_owned()));
            }
            return;
        }
        let parent = self.open.last().and_then(|(id, _)| *id);
        let id = ElementId(self.markup.elements.len() as u32);
        let (namespace, local) = reader.resolver().resolve_element(start.name());
        let element = Element {
            name: local.as_ref().into(),
            namespace: uri(&namespace),
            attributes: self.attributes(reader, start, begin),
            parent,
            children: Vec::new(),
            text: String::new(),
            span: Span::new(begin, begin + 1 + start.name().0.len()),
        };
        self.markup.elements.push(element);
        if let Some(parent) = parent {
            self.markup.elements[parent.0 as usize].children.push(id);
        }
        if !empty {
            self.open.push((Some(id), start.name().0.to_owned()));
        }
    }

    fn text(&mut self, text: &str) {
        if let Some((Some(id), _)) = self.open.last()
            && !text.trim().is_empty()
        {
            self.markup.elements[id.0 as usize].text.push_str(text);
        }
    }

    fn attributes(
        &mut self,
        reader: &NsReader<&'t [u8]>,
        start: &BytesStart<'_>,
        begin: usize,
    ) -> Vec<Attribute> {
        let mut list = Vec::new();
        let raw: &str = start;
        for attribute in start.attributes() {
            let attribute = match attribute {
                Ok(attribute) => attribute,
                Err(error) => {
                    self.note(begin, error.to_string());
                    continue;
                }
            };
            if let Some(binding) = attribute.key.as_namespace_binding() {
                if let PrefixDeclaration::Named(prefix) = binding {
                    self.markup.bindings.push((prefix.into(), attribute.value.as_ref().into()));
                }
                continue;
            }
            // The value is a slice of the tag's text, which starts one byte after `<`.
            let inside = (attribute.value.as_ptr() as usize).wrapping_sub(raw.as_ptr() as usize);
            let value_at = begin + 1 + inside.min(raw.len());
            let (namespace, local) = reader.resolver().resolve_attribute(attribute.key);
            let value =
                quick_xml::escape::unescape(&attribute.value).unwrap_or_else(|_| attribute.value.clone());
            list.push(Attribute {
                name: local.as_ref().into(),
                namespace: uri(&namespace),
                value: value.into_owned(),
                span: Span::new(value_at, value_at + attribute.value.len()),
            });
        }
        list
    }

    /// Closes the innermost element of that name; others that were left open inside it are closed
    /// with it. An end tag that closes nothing is passed over.
    fn end(&mut self, name: &str, at: usize) {
        match self.open.iter().rposition(|(_, open)| open == name) {
            Some(index) => {
                if index + 1 < self.open.len() {
                    self.note(at, format!("</{name}> closes an element that others inside it leave open"));
                }
                self.open.truncate(index);
            }
            None => self.note(at, format!("</{name}> closes nothing")),
        }
    }
}

fn uri(result: &ResolveResult<'_>) -> SmolStr {
    match result {
        ResolveResult::Bound(namespace) => namespace.as_ref().into(),
        ResolveResult::Unbound | ResolveResult::Unknown(_) => SmolStr::default(),
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn read(text: &str) -> (Markup, Option<Trouble>) {
        match parse(text) {
            (Body::Markup(markup), trouble) => (markup, trouble),
            (Body::Code(_), _) => panic!("XML is markup"),
        }
    }

    #[test]
    fn namespaces_are_resolved_by_uri_and_values_have_places() {
        let text = "<nav xmlns:a='urn:x'>\n  <item a:id=\"@+id/shelf &amp; more\" id='plain'/>\n</nav>";
        let (markup, trouble) = read(text);
        assert_eq!(trouble, None);
        let (_, item) = markup.elements().nth(1).expect("an item");
        let id = item.attribute("urn:x", "id").expect("a bound attribute");
        assert_eq!(id.value, "@+id/shelf & more");
        assert_eq!(&text[id.span.start as usize..id.span.end as usize], "@+id/shelf &amp; more");
        assert_eq!(item.attribute("", "id").map(|a| a.value.as_str()), Some("plain"));
        assert_eq!(&text[item.span.start as usize..item.span.end as usize], "<item");
    }

    #[test]
    fn broken_documents_keep_what_came_before() {
        let (markup, trouble) = read("<nav><a></nav><b/>");
        assert_eq!(markup.elements().count(), 3);
        assert!(trouble.is_some());
        let (markup, trouble) = read("<nav><a id='x'/><b id='");
        assert_eq!(markup.elements().count(), 2);
        assert!(trouble.is_some());
        let (_, trouble) = read("");
        assert!(trouble.is_some());
    }
}
