//! Selectors as Swift names them: `performSegueWithIdentifier:sender:` is
//! `performSegue(withIdentifier:sender:)`.

/// First parts of selectors that Swift cuts in two: the part, the function, the first label.
const CUT: &[(&str, &str, Option<&str>)] = &[
    ("dismissViewControllerAnimated", "dismiss", Some("animated")),
    ("instantiateViewControllerWithIdentifier", "instantiateViewController", Some("withIdentifier")),
    ("performSegueWithIdentifier", "performSegue", Some("withIdentifier")),
    ("popToRootViewControllerAnimated", "popToRootViewController", Some("animated")),
    ("popViewControllerAnimated", "popViewController", Some("animated")),
    ("prepareForSegue", "prepare", Some("for")),
    ("presentViewController", "present", None),
    ("showViewController", "show", None),
];

/// The function that a selector's first part names, and the label of its first argument.
pub(super) fn cut(first: &str) -> (&str, Option<&str>) {
    let known = CUT.iter().find(|(part, ..)| *part == first);
    known.map_or((first, None), |(_, function, label)| (function, *label))
}

/// The label that the first part of an initialiser's selector gives: `initWithStyle` is `style`.
pub(super) fn initialiser_label(first: &str) -> Option<String> {
    let rest = first.strip_prefix("initWith")?;
    let mut letters = rest.chars();
    let head = letters.next()?.to_lowercase();
    Some(head.chain(letters).collect())
}

/// The class that a factory of a class makes, where Swift has an initialiser for it, and its label.
pub(super) fn factory_label(class: &str, first: &str) -> Option<&'static str> {
    match (class, first) {
        ("UIStoryboard", "storyboardWithName") => Some("name"),
        ("UINib", "nibWithNibName") => Some("nibName"),
        _ => None,
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn selectors_have_their_names_of_swift() {
        assert_eq!(cut("performSegueWithIdentifier"), ("performSegue", Some("withIdentifier")));
        assert_eq!(cut("presentViewController"), ("present", None));
        assert_eq!(cut("openTool"), ("openTool", None));
        assert_eq!(initialiser_label("initWithRootViewController").as_deref(), Some("rootViewController"));
        assert_eq!(initialiser_label("init"), None);
        assert_eq!(factory_label("UIStoryboard", "storyboardWithName"), Some("name"));
    }
}
