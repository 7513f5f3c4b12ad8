//! The account of sites: which places look like navigation, by a style's verbs, and became no call.

use crate::facts::At;
use crate::link::Graph;
use crate::recover::{STYLES, StyleRecoverer};
use crate::syntax::Kind;
use crate::values::{Expr, Ref, Values};

/// Functions around functions are followed this far.
const MAX_AROUND: usize = 4;

/// Places where a style's verb is called that are neither a call of the graph nor part of a wrapper
/// whose uses are.
pub(crate) fn unaccounted(values: Values<'_>, graph: &Graph<'_>) -> Vec<At> {
    let account = Account { values, graph };
    let files: Vec<u32> = values.program().parsed().collect();
    let mut left: Vec<At> = files.into_iter().flat_map(|file| account.left_in(file)).collect();
    left.sort_unstable();
    left.dedup();
    left
}

struct Account<'a, 'p> {
    values: Values<'p>,
    graph: &'a Graph<'p>,
}

impl Account<'_, '_> {
    fn left_in(&self, file: u32) -> Vec<At> {
        let source = self.values.program().source(file);
        let is_of = |style: &&StyleRecoverer| {
            (style.speaks)(source.language)
                && style.words.iter().any(|word| source.text.as_str().contains(word))
        };
        let verbs = STYLES.iter().filter(is_of).flat_map(|style| style.verbs);
        let sites = verbs.flat_map(|verb| self.values.program().calls_in(file, verb)).copied();
        let left = sites.filter(|&site| !self.is_own(site) && !self.is_accounted(site, 0));
        left.map(|site| At { file, span: self.values.tree(site).span(site.id) }).collect()
    }

    /// A call of the source's own function says nothing; what is inside of that does.
    fn is_own(&self, site: Ref) -> bool {
        let call = self.values.tree(site).call(site.id);
        call.is_some_and(|call| self.values.calls_own_function(&Expr::new(site), call))
    }

    fn is_accounted(&self, site: Ref, depth: usize) -> bool {
        self.is_call(site) || self.is_part(site) || self.leads_elsewhere(site) || self.is_wrapped(site, depth)
    }

    /// Whether a call of the graph starts within the place.
    fn is_call(&self, site: Ref) -> bool {
        let span = self.values.tree(site).span(site.id);
        self.graph.calls.iter().any(|call| {
            let at = call.fact.at;
            at.file == site.file && at.span.start < span.end && span.start < at.span.end
        })
    }

    /// Whether it is what a call is given: an action that is dispatched, a page that is pushed.
    fn is_part(&self, site: Ref) -> bool {
        let tree = self.values.tree(site);
        let around = tree.ancestors(site.id).take_while(|&id| {
            matches!(tree.kind(id), Kind::Call(_) | Kind::Map(_) | Kind::List(_) | Kind::Member(_))
        });
        around.map(|id| Ref { file: site.file, id }).any(|outer| self.is_call(outer))
    }

    /// Whether what it is given is said elsewhere, and there stands a call.
    fn leads_elsewhere(&self, site: Ref) -> bool {
        let Kind::Call(call) = self.values.kind(site) else { return false };
        call.args.iter().any(|arg| {
            let inner = Expr::new(Ref { file: site.file, id: arg.value });
            self.values.sites(site, &inner).iter().any(|found| found.at != site && self.is_call(found.at))
        })
    }

    /// Whether the function around it is used, or an object of its class made, where calls stand.
    fn is_wrapped(&self, site: Ref, depth: usize) -> bool {
        if depth >= MAX_AROUND {
            return false;
        }
        let uses = self.values.enclosing_function(site).map(|at| self.values.uses(at)).unwrap_or_default();
        let makes =
            self.values.enclosing_named_class(site).map(|at| self.values.makes(at)).unwrap_or_default();
        uses.iter().chain(makes).any(|&used| self.is_call(used) || self.is_wrapped(used, depth + 1))
    }
}

#[cfg(test)]
mod tests {
    use crate::model::Place;
    use crate::{Options, fixture, scan_sources_with, scan_with};
    use std::path::Path;
    use std::sync::{Mutex, PoisonError};

    /// Lines on which something looks like navigation and is no call, as a scan tells them.
    fn told(scan: impl FnOnce(&Options<'_>)) -> Vec<String> {
        let left = Mutex::new(Vec::new());
        let told = |places: Vec<Place>| left.lock().unwrap_or_else(PoisonError::into_inner).extend(places);
        scan(&Options { account: Some(&told), ..Options::default() });
        let left = left.into_inner().unwrap_or_else(PoisonError::into_inner);
        left.iter().map(|place| format!("{}:{}", place.file, place.line)).collect()
    }

    #[test]
    fn every_site_of_the_demos_is_accounted_for() {
        for folder in ["android", "apple", "flutter", "kivy", "react-native", "two-apps", "xaml"] {
            let root = Path::new(env!("CARGO_MANIFEST_DIR")).join("../../demo").join(folder);
            let left = told(|options| drop(scan_with(&root, ".", options).expect("a demo")));
            assert_eq!(left, Vec::<String>::new(), "{folder}");
        }
    }

    #[test]
    fn a_step_through_what_nobody_knows_is_left_over() {
        let sources = fixture::files(
            r#"
//- minimal: react-native
//- App.js
import { createNativeStackNavigator } from '@react-navigation/native-stack';
import { useSomething } from 'elsewhere';
const Stack = createNativeStackNavigator();
export default () => <Stack.Navigator><Stack.Screen name="Shelf" component={ShelfScreen} /></Stack.Navigator>;
function ShelfScreen() {
  const thing = useSomething();
  return <Button onPress={() => thing.navigate('Shelf')} />;
}
"#,
        );
        let sources = fixture::scan(sources).sources;
        let left = told(|options| drop(scan_sources_with(sources, ".", options)));
        assert_eq!(left, ["App.js:7"]);
    }
}
