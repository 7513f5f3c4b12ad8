//! Looks through files that are not parsed for what was asked for in vain. Words decide what is
//! parsed next, nothing else.

use crate::source::{SourceFile, library_of, words};
use crate::syntax::declaring_words;
use crate::values::Asked;
use rustc_hash::{FxHashMap, FxHashSet};

/// What is looked for: what was asked since the last look.
pub(crate) struct Search<'a> {
    names: FxHashSet<&'a str>,
    bases: FxHashSet<&'a str>,
    functions: FxHashMap<&'a str, Vec<&'a [String]>>,
    members: FxHashMap<&'a str, FxHashSet<&'a str>>,
    endings: Vec<&'a str>,
}

impl<'a> Search<'a> {
    /// What `asked` has over `before`.
    pub(crate) fn new(asked: &'a Asked, before: &'a Asked) -> Self {
        let mut functions: FxHashMap<&str, Vec<&[String]>> = FxHashMap::default();
        for (name, holders) in asked.functions.difference(&before.functions) {
            functions.entry(name).or_default().push(holders);
        }
        let mut members: FxHashMap<&str, FxHashSet<&str>> = FxHashMap::default();
        for (library, names) in &asked.members {
            let known = before.members.get(library);
            let new = names.iter().filter(|name| known.is_none_or(|known| !known.contains(*name)));
            let new: FxHashSet<&str> = new.map(String::as_str).collect();
            if !new.is_empty() {
                members.insert(library, new);
            }
        }
        Self {
            members,
            endings: asked.endings.difference(&before.endings).map(String::as_str).collect(),
            names: asked.names.difference(&before.names).map(String::as_str).collect(),
            bases: asked.bases.difference(&before.bases).map(String::as_str).collect(),
            functions,
        }
    }

    /// Whether nothing new was asked.
    pub(crate) fn is_empty(&self) -> bool {
        self.names.is_empty()
            && self.bases.is_empty()
            && self.functions.is_empty()
            && self.members.is_empty()
            && self.endings.is_empty()
    }

    /// Whether a file may declare a name, derive from a class, or use a function.
    pub(crate) fn wants(&self, file: &SourceFile) -> bool {
        let text = file.text.as_str();
        let declaring = declaring_words(file.language);
        let members = library_of(file).and_then(|library| self.members.get(library));
        let ends = |word: &str| self.endings.iter().any(|ending| word.ends_with(ending));
        let mut before = "";
        let mut used: Vec<&[String]> = Vec::new();
        for word in words(text) {
            let declared = declaring.contains(&before) && (self.names.contains(word) || ends(word));
            if declared || self.bases.contains(word) || members.is_some_and(|names| names.contains(word)) {
                return true;
            }
            used.extend(self.functions.get(word).into_iter().flatten());
            before = word;
        }
        if used.is_empty() {
            return false;
        }
        let all: FxHashSet<&str> = words(text).collect();
        // A holder of several words is a line of the file's head.
        let held = |holder: &String| {
            all.contains(holder.as_str()) || (holder.contains(' ') && text.contains(holder))
        };
        used.into_iter().any(|holders| holders.iter().any(held))
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::source::from_texts;

    #[test]
    fn files_are_wanted_for_what_they_may_declare_or_use() {
        let mut asked = Asked::default();
        asked.names.insert("Links".to_owned());
        asked.bases.insert("BarnSheet".to_owned());
        asked.functions.insert(("go".to_owned(), vec!["import barn.nav.".to_owned()]));
        let nothing = Asked::default();
        let search = Search::new(&asked, &nothing);
        let wants =
            |text: &str| search.wants(&from_texts(vec![("A.kt".to_owned(), text.to_owned())]).files[0]);
        assert!(wants("object Links { }"));
        assert!(!wants("val links = Links.ITEM"), "a use declares nothing");
        assert!(wants("class TagSheet : BarnSheet()"));
        assert!(wants("import barn.nav.go\nfun f() = go(1)"));
        assert!(!wants("fun f() = go(1)"));
        assert!(Search::new(&asked, &asked).is_empty());
    }
}
