use super::{Example, Report, Rule, Says, Sink, listed};
use crate::facts::{Channel, RouteId, ScreenId};
use crate::link::{Call, Doubt, Graph, ResultSideLinked};
use crate::model::{ResultSide, Severity, Verb};
use crate::names::nearest;
use crate::types::differ;

pub(super) static RULE: Rule = Rule {
    name: "result-unmatched",
    severity: Severity::Warning,
    says: Says::Absence,
    summary: "A result key is sent and never received, or the reverse.",
    why: "The screen that waits never hears, and nothing says so: the answer is simply lost.",
    mend: "Use one key on both sides, from one constant; or take out the side that has no other.",
    example: Example {
        wrong: "setFragmentResult(\"loan_closed\", bundle)\n// received is loanClosed",
        right: "setFragmentResult(Keys.LOAN_CLOSED, bundle)",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    let mut explained: Vec<&str> = Vec::new();
    let (opened, keyed): (Vec<_>, Vec<_>) =
        graph.results.iter().partition(|r| r.fact.channel == Channel::OpenedRoute);
    of_opened_routes(graph, &opened, sink);
    let (sends, receives): (Vec<_>, Vec<_>) =
        keyed.into_iter().partition(|result| result.fact.side == ResultSide::Send);
    for send in &sends {
        let Some(key) = lonely(send, &receives).filter(|key| !explained.contains(key)) else { continue };
        let waiting =
            receives.iter().filter(|r| r.fact.channel == send.fact.channel && lonely(r, &sends).is_some());
        let near = nearest(key, waiting.clone().filter_map(|r| r.fact.key.as_deref()));
        // A result of an activity may go to whoever opened it from outside.
        if near.is_empty() && from_outside(graph, send) {
            continue;
        }
        let mut report = Report::new(send.fact.at, key, format!("nothing receives the result `{key}`"));
        if let Some(first) = near.first() {
            report = report.help(format!("Did you mean {}? Use one key on both sides.", listed(&near)));
            if let Some(other) = waiting.clone().find(|r| r.fact.key.as_ref() == Some(first)) {
                report = report.related(format!("`{first}` is received here, and never sent"), other.fact.at);
                explained.extend(other.fact.key.as_deref());
            }
        }
        explained.push(key);
        sink.push(report);
    }
    for receive in receives.iter().filter(|receive| !receive.fact.channel.leaves_app()) {
        if let Some(key) = lonely(receive, &sends).filter(|key| !explained.contains(key)) {
            explained.push(key);
            sink.push(Report::new(receive.fact.at, key, format!("nothing sends the result `{key}`")));
        }
    }
}

/// Values that are awaited from an opened route against those that its screen hands back.
fn of_opened_routes(graph: &Graph<'_>, results: &[&ResultSideLinked], sink: &mut Sink) {
    let (sends, receives): (Vec<_>, Vec<_>) =
        results.iter().copied().partition(|result| result.fact.side == ResultSide::Send);
    let meets =
        |a: &ResultSideLinked, b: &ResultSideLinked| a.routes.iter().any(|route| b.routes.contains(route));
    for receive in &receives {
        let (Some(key), Some(wanted)) = (&receive.fact.key, &receive.fact.ty) else { continue };
        let wrong = sends.iter().filter(|send| meets(send, receive)).find_map(|send| {
            let given = send.fact.ty.as_ref().filter(|given| differ(given, wanted))?;
            Some((send, given))
        });
        if let Some((send, given)) = wrong {
            let message = format!("`{wanted}` is awaited from `{key}`, which hands back `{given}`");
            sink.push(
                Report::new(receive.fact.at, key, message)
                    .related("handed back here", send.fact.at)
                    .help("Await the type that is handed back, or hand back the one that is awaited."),
            );
        }
    }
    let mut seen: Vec<RouteId> = Vec::new();
    for send in &sends {
        let Some(key) =
            send.fact.key.as_ref().filter(|_| send.routes.iter().all(|route| !seen.contains(route)))
        else {
            continue;
        };
        seen.extend(&send.routes);
        let calls: Vec<_> = send.routes.iter().flat_map(|&route| graph.calls_to(route)).collect();
        // Somebody out of sight may open it as well.
        let entry = send.routes.iter().any(|&route| graph.routes[route].entry);
        if calls.is_empty() || entry || receives.iter().any(|receive| meets(receive, send)) {
            continue;
        }
        if send.routes.iter().any(|&route| sink.is_beyond(route, graph)) {
            continue;
        }
        let doubts: Vec<Doubt> = send.routes.iter().flat_map(|&route| graph.may_lead_to(route)).collect();
        let message = format!("nobody who opens `{key}` awaits what it hands back");
        let mut report = Report::new(send.fact.at, key, message).unless(doubts);
        for call in calls {
            report = report.related("opened here", call.fact.at);
        }
        sink.push(report);
    }
    for receive in receives.iter().filter(|receive| receive.fact.sure) {
        of_silent_screens(graph, receive, &sends, sink);
    }
}

/// A value that is awaited from screens which never hand one back.
fn of_silent_screens(
    graph: &Graph<'_>,
    receive: &ResultSideLinked,
    sends: &[&ResultSideLinked],
    sink: &mut Sink,
) {
    let Some(key) = receive.fact.key.as_ref() else { return };
    let screens: Vec<ScreenId> =
        receive.routes.iter().filter_map(|&route| graph.routes[route].screen).collect();
    let all_known = !screens.is_empty() && screens.len() == receive.routes.len();
    // A step back that is in no screen, or in one that another takes the place of, may be its own.
    let lost = sends.iter().any(|send| send.screens.is_empty());
    let silent = |screen: &ScreenId| {
        let goes = |call: &&Call| call.screens.contains(screen) && call.fact.verb != Verb::Back;
        graph.screens[*screen].hosts.is_empty()
            && !sends.iter().any(|send| send.screens.contains(screen))
            && !graph
                .calls
                .iter()
                .filter(goes)
                .any(|call| matches!(call.fact.verb, Verb::Replace | Verb::BackTo))
            && graph.calls.iter().any(|call| call.fact.verb == Verb::Back && call.screens == [*screen])
    };
    if all_known && !lost && screens.iter().all(silent) {
        let message = format!("a value is awaited from `{key}`, which never hands one back");
        let mut report = Report::new(receive.fact.at, key, message);
        for screen in screens {
            report = report.related("closed without a value", graph.screens[screen].fact.at);
        }
        sink.push(report.help("Hand back the value where the screen is closed, or do not wait for one."));
    }
}

/// The key, if the other side has none like it, and none that is not known.
fn lonely<'r>(result: &'r ResultSideLinked, others: &[&ResultSideLinked]) -> Option<&'r str> {
    let key = result.fact.key.as_deref()?;
    let mut same_channel = others.iter().filter(|other| other.fact.channel == result.fact.channel);
    let met = same_channel.any(|other| other.fact.key.as_deref().is_none_or(|other| other == key));
    (!met).then_some(key)
}

fn from_outside(graph: &Graph<'_>, result: &ResultSideLinked) -> bool {
    let routes = result.screens.iter().flat_map(|&screen| &graph.screens[screen].routes);
    result.fact.channel.leaves_app()
        && routes.into_iter().any(|&route| graph.routes[route].fact.opened.from_outside())
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn keys_that_miss_each_other_are_one_finding() {
        judged(
            "result-unmatched",
            &app(r#"
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class LoanFragment : Fragment() {
    fun close() {
        setFragmentResult("loan_closed", bundleOf())
        ^^^^^^^^^^^^^^^^^ result-unmatched: nothing receives the result `loan_closed`
        setFragmentResult(KEY, bundleOf())
        findNavController().previousBackStackEntry?.savedStateHandle?.set("picked", 1)
    }
}
class ShelfFragment : Fragment() {
    fun listen(key: String) {
        setFragmentResultListener("loanClosed") { _, _ -> }
        parentFragmentManager.setFragmentResultListener(KEY, this) { _, _ -> }
        val entry = findNavController().currentBackStackEntry
        entry?.savedStateHandle?.getLiveData<Int>("picked")?.observe(this) { }
        entry!!.savedStateHandle.get<Int>("gone")
                                 ^^^ result-unmatched: nothing sends the result `gone`
    }
}
const val KEY = "key"
"#),
        );
    }

    #[test]
    fn values_of_opened_routes_by_type_and_by_whether_anybody_waits() {
        judged(
            "result-unmatched",
            r"
//- pubspec.yaml
name: barn
//- lib/main.dart
import 'package:flutter/material.dart';
void main() => runApp(MaterialApp(home: const ShelfPage()));
class ShelfPage extends StatelessWidget {
  const ShelfPage({super.key});
  Future<void> _open(BuildContext context) async {
    final count = await Navigator.push<int>(context, MaterialPageRoute(builder: (_) => const CountPage()));
                                  ^^^^ result-unmatched: `int` is awaited from `CountPage`, which hands back `bool`
    final name = await Navigator.push<String>(context, MaterialPageRoute(builder: (_) => const NamePage()));
    print('$count $name');
    Navigator.push(context, MaterialPageRoute(builder: (_) => const AlonePage()));
  }
  Future<void> _handsOn(BuildContext context) async { await handedOn(context); }
  @override
  Widget build(BuildContext context) => Column(children: [TextButton(onPressed: () => _open(context)), TextButton(onPressed: () => _handsOn(context))]);
}
Future handedOn(BuildContext context) => Navigator.push(context, MaterialPageRoute(builder: (_) => const OnPage()));
class CountPage extends StatelessWidget { const CountPage({super.key}); @override Widget build(BuildContext context) => BackButton(onPressed: () => Navigator.pop(context, true)); }
class NamePage extends StatelessWidget { const NamePage({super.key}); @override Widget build(BuildContext context) => BackButton(onPressed: () => Navigator.pop(context, 'spade')); }
class OnPage extends StatelessWidget { const OnPage({super.key}); @override Widget build(BuildContext context) => BackButton(onPressed: () => Navigator.pop(context, 1)); }
class AlonePage extends StatelessWidget {
  const AlonePage({super.key});
  @override
  Widget build(BuildContext context) => BackButton(onPressed: () => Navigator.pop(context, 1));
                                                                              ^^^ result-unmatched: nobody who opens `AlonePage` awaits
}
",
        );
    }
}
