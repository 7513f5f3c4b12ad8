//! What well-known members hand back: of the language, as its lens says, and of the platform, as its
//! recoverers say. A declaration in the source always wins.

use super::scope::property_of;
use super::types::Type;
use super::{Expr, Ref, Values};
use crate::source::Language;
use crate::syntax::{Call, Kind, TextStep};
use crate::types::plain_type;

/// A member, and whether a base is one of those that give it.
pub(crate) type TypedMember = (&'static str, fn(&str) -> bool);

/// What a platform's own classes do, told by its recoverers.
#[derive(Debug)]
pub struct Library {
    /// The languages that its apps are written in.
    pub speaks: fn(Language) -> bool,
    /// What members give, sorted by name; `?` after what may be null. By last name only, so nothing
    /// that an app is likely to name its own is in here.
    pub members: &'static [(&'static str, &'static str)],
    /// Static functions: their class, their name, what they give.
    pub factories: &'static [(&'static str, &'static str, &'static str)],
    /// Members that a class has from a base, with the type that it tells the base first: the member,
    /// and whether a base is one of those.
    pub typed: &'static [TypedMember],
    /// Classes of the platform that derive from others of it.
    pub derived: &'static [(&'static str, &'static str)],
    /// Functions that keep text.
    pub texts: &'static [(&'static str, TextStep)],
    /// Types of which one never stands for another.
    pub plain: &'static [&'static str],
    /// Functions whose closure gets what an argument holds: the function, the argument's label. Without
    /// a label, it gets each element of it.
    pub hands_on: &'static [(&'static str, &'static str)],
    /// Functions that only say that an object of a type may be made, once something asks for one.
    pub enlists: &'static [&'static str],
    /// Functions that give what their closure comes to, and keep it.
    pub keeps: &'static [&'static str],
    /// Types that hold elements of their first argument.
    pub lists: &'static [&'static str],
    /// What holds the ids of resources.
    pub resources: &'static [&'static str],
    /// Whether an annotation says that a function only shows a preview.
    pub previews: fn(&str) -> bool,
    /// What stands for the one object of a class that derives from one of some bases.
    pub singletons: &'static [(&'static str, &'static [&'static str])],
}

impl<'p> Values<'p> {
    /// The platform libraries that code in a file may use.
    fn libraries(&self, at: Ref) -> impl Iterator<Item = &'static Library> + use<'p> {
        let language = self.program.source(at.file).language;
        self.program.libraries().iter().filter(move |library| (library.speaks)(language))
    }

    /// The type that a member of this name has or hands back.
    pub(super) fn library_type(&self, at: Ref, name: &str) -> Option<Type> {
        self.member_type(at, name).or_else(|| {
            let ty = self.member_type(at, &property_of(name)?)?;
            Some(Type { nullable: false, ..ty })
        })
    }

    fn member_type(&self, at: Ref, name: &str) -> Option<Type> {
        let own = find(self.tree(at).idioms.members, name);
        let ty = own.or_else(|| self.libraries(at).find_map(|library| find(library.members, name)))?;
        Some(Type { nullable: ty.ends_with('?'), ..Type::plain(ty.trim_end_matches('?')) })
    }

    /// Which bases give a class a member of this name with a type of its own.
    pub(super) fn typed_member_bases(&self, at: Ref, name: &str) -> Option<fn(&str) -> bool> {
        let typed = self.libraries(at).flat_map(|library| library.typed);
        typed.into_iter().find(|(member, _)| *member == name).map(|(_, bases)| *bases)
    }

    /// The type of the one object that a name of the platform stands for.
    pub(super) fn singleton_type(&self, at: Ref, name: &str) -> Option<Type> {
        let known = self.libraries(at).flat_map(|library| library.singletons);
        let (_, bases) = known.into_iter().find(|(known, _)| *known == name)?;
        let mut found = bases.iter().flat_map(|base| self.program.derived(base)).copied();
        let class = found.next()?;
        Some(Type::of_class(&self.class(class)?.name, class))
    }

    /// Whether a call only says that objects of a type may be made.
    #[must_use]
    pub fn enlists(&self, at: Ref, name: &str) -> bool {
        self.libraries(at).any(|library| library.enlists.contains(&name))
    }

    /// The body of the closure whose value a call of the language or the platform gives and keeps.
    pub(super) fn kept(&self, expr: &Expr, call: &Call) -> Option<Expr> {
        let (name, _) = self.tree(expr.at).callee(call)?;
        let keeps = self.libraries(expr.at).any(|library| library.keeps.contains(&name.as_str()));
        keeps.then_some(())?;
        call.args.iter().rev().find_map(|arg| match self.tree(expr.at).kind(arg.value) {
            Kind::Lambda { body, .. } => Some(expr.with(*body)),
            _ => None,
        })
    }

    /// Whether a type of the platform holds elements of its first argument.
    pub(super) fn is_library_list(&self, at: Ref, name: &str) -> bool {
        self.libraries(at).any(|library| library.lists.contains(&name))
    }

    /// Whether a name holds the ids of resources.
    pub(super) fn holds_resources(&self, at: Ref, name: &str) -> bool {
        self.libraries(at).any(|library| library.resources.contains(&name))
    }

    /// Whether an annotation of this name says that a function only shows a preview.
    pub(super) fn is_preview(&self, at: Ref, name: &str) -> bool {
        self.libraries(at).any(|library| (library.previews)(name))
    }

    /// Whether what is enlisted is handed to whoever asks for it by type.
    #[must_use]
    pub fn hands_in(&self, at: Ref) -> bool {
        self.libraries(at).any(|library| !library.enlists.is_empty())
    }

    /// The label of the argument whose value a function of the platform hands its closure.
    pub(super) fn hands_on(&self, at: Ref, name: &str, call: &Call) -> Option<&'static str> {
        let known = self.libraries(at).flat_map(|library| library.hands_on);
        let given =
            |label: &str| call.args.iter().any(|arg| arg.name.as_deref().unwrap_or_default() == label);
        known.into_iter().find(|(of, label)| *of == name && given(label)).map(|(_, label)| *label)
    }

    /// Whether a class of the platform is, or derives from, another of it.
    pub(super) fn library_derives(&self, at: Ref, name: &str, base: &str) -> bool {
        name == base
            || self
                .libraries(at)
                .flat_map(|library| library.derived)
                .any(|(derived, of)| *derived == name && *of == base)
    }

    /// What a static function of the platform gives.
    pub(super) fn factory_type(&self, at: Ref, class: &str, name: &str) -> Option<Type> {
        let made = self.libraries(at).flat_map(|library| library.factories);
        made.into_iter()
            .find(|(of, known, _)| (*of, *known) == (class, name))
            .map(|(_, _, ty)| Type::plain(ty))
    }

    /// What a function of the language or the platform does with text.
    pub(super) fn text_step(&self, at: Ref, name: &str) -> Option<TextStep> {
        let of_platform =
            || self.libraries(at).flat_map(|library| library.texts).find(|(known, _)| *known == name);
        self.tree(at).idioms.text_step(name).or_else(|| of_platform().map(|(_, step)| *step))
    }

    /// Whether two types are both known, as plain ones or as the platform's, and are not the same.
    pub(super) fn differ(&self, at: Ref, given: &str, wanted: &str) -> bool {
        let of_platform = |name: &str| self.libraries(at).any(|library| library.plain.contains(&name));
        match (plain_type(given), plain_type(wanted)) {
            (Some(given), Some(wanted)) => given != wanted,
            (Some(_), None) => of_platform(wanted),
            (None, Some(_)) => of_platform(given),
            (None, None) => given != wanted && of_platform(given) && of_platform(wanted),
        }
    }
}

fn find(members: &[(&str, &'static str)], name: &str) -> Option<&'static str> {
    members.binary_search_by(|(known, _)| (*known).cmp(name)).ok().map(|i| members[i].1)
}

#[cfg(test)]
mod tests {
    use crate::recover::LIBRARIES;
    use crate::source::from_texts;
    use crate::syntax::parse;

    /// They are searched by halving.
    #[test]
    fn tables_of_members_are_sorted() {
        for library in LIBRARIES {
            assert!(library.members.is_sorted(), "{library:?}");
        }
        for path in ["A.kt", "A.java", "A.swift"] {
            let sources = from_texts(vec![(path.to_owned(), String::new())]);
            let parsed = parse(&sources.files[0], &sources);
            let idioms = parsed.body.code().expect("code").idioms;
            assert!(!idioms.members.is_empty() && idioms.members.is_sorted(), "{path}");
        }
    }
}
