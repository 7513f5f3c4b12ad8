//! Constants and functions that hold text, wherever they stand.

use super::{Expr, Ref, Values};
use crate::model::Span;
use crate::syntax::{ClassKind, Kind};

/// Objects in objects are followed this deep.
const MAX_DEPTH: usize = 6;

/// A constant, or a function that hands text back.
#[derive(Debug)]
pub struct TextConstant {
    /// What holds it: a class; or, where names outside of anything are a file's own, the file.
    pub holder: Option<Ref>,
    /// Its name with its holder's: `Links.SHELF`.
    pub name: String,
    /// Its text, `{}` for holes.
    pub value: String,
    /// Whether it is a function.
    pub is_function: bool,
    /// Index of its file.
    pub file: u32,
    /// Its name in its declaration, in bytes.
    pub name_span: Span,
}

impl Values<'_> {
    /// Every constant, and every function that hands one text back, in the parsed files.
    #[must_use]
    pub fn text_constants(&self) -> Vec<TextConstant> {
        let mut found = Vec::new();
        for file in self.program.parsed() {
            for id in self.program.tree(file).ids() {
                let at = Ref { file, id };
                found.extend(self.text_constant(at));
                found.extend(self.texts_of_object(at));
            }
        }
        found
    }

    /// A constant outside of any function, or a function that hands back text.
    fn text_constant(&self, at: Ref) -> Option<TextConstant> {
        let (name, name_span, is_function) = match self.kind(at) {
            Kind::Variable(variable) => (&variable.name, variable.name_span, false),
            Kind::Function(function) => (&function.name, function.name_span, true),
            _ => return None,
        };
        let class = self.enclosing_class(at);
        let declared = class.and_then(|class| self.class(class));
        let anonymous = declared.is_some_and(|class| class.kind == ClassKind::Anonymous);
        if anonymous || (!is_function && self.is_local(at)) {
            return None;
        }
        let value = if is_function { self.returned_text(at)? } else { self.initial_text(at)? };
        if value.is_blank() || value.value().starts_with("{}") {
            return None;
        }
        let holder_name = match (class, declared) {
            (Some(companion), Some(class)) if class.kind == ClassKind::Companion => {
                let outer = self.enclosing_class(companion).and_then(|outer| self.class(outer));
                outer.map_or("", |class| class.name.as_str())
            }
            (_, Some(class)) => class.name.as_str(),
            _ => "",
        };
        let name = if holder_name.is_empty() { name.to_string() } else { format!("{holder_name}.{name}") };
        let holder = class.or_else(|| self.first_of_file(at)).filter(|_| !is_function);
        Some(TextConstant { holder, name, value: value.value(), is_function, file: at.file, name_span })
    }

    /// Where names outside of anything are a file's own, its first item stands for it.
    fn first_of_file(&self, at: Ref) -> Option<Ref> {
        let id = *self.tree(at).items.first()?;
        self.imports_all_by_name(at.file).then_some(Ref { file: at.file, id })
    }

    /// The texts of an object that a name holds outside of any function, in languages where its entries
    /// are read as members.
    fn texts_of_object(&self, at: Ref) -> Vec<TextConstant> {
        let tree = self.tree(at);
        let Some(variable) = tree.variable(at.id).filter(|_| tree.idioms.keyed_objects) else {
            return Vec::new();
        };
        if self.is_local(at) {
            return Vec::new();
        }
        let mut found = Vec::new();
        if let Some(init) = variable.init {
            let object = Expr::new(Ref { file: at.file, id: init });
            self.texts_within(&object, &variable.name, at, 0, &mut found);
        }
        found
    }

    /// The texts of an object that is written out, frozen or not, and of those inside of it.
    fn texts_within(
        &self,
        object: &Expr,
        name: &str,
        holder: Ref,
        depth: usize,
        found: &mut Vec<TextConstant>,
    ) {
        let tree = self.tree(object.at);
        let entries = match tree.kind(object.at.id) {
            _ if depth > MAX_DEPTH => return,
            Kind::Map(entries) => entries,
            Kind::Cast { of, .. } => {
                return self.texts_within(&object.with(*of), name, holder, depth + 1, found);
            }
            Kind::Call(call) => {
                let inner = self.handed_through(object, call);
                return inner.iter().for_each(|of| self.texts_within(of, name, holder, depth + 1, found));
            }
            _ => return,
        };
        for entry in entries {
            let Some(key) = entry.key.map(|id| object.with(id)) else { continue };
            let Some(own) = self.plain_text(&key) else { continue };
            let (name, value) = (format!("{name}.{own}"), object.with(entry.value));
            match self.plain_text(&value) {
                Some(value) => found.push(TextConstant {
                    holder: Some(holder),
                    name,
                    value,
                    is_function: false,
                    file: key.at.file,
                    name_span: tree.span(key.at.id),
                }),
                None => self.texts_within(&value, &name, holder, depth + 1, found),
            }
        }
    }
}
