use super::{Example, Report, Rule, Says, Sink};
use crate::link::Graph;
use crate::model::Severity;

pub(super) static RULE: Rule = Rule {
    name: "wiring-slip",
    severity: Severity::Warning,
    says: Says::Presence,
    summary: "Set-up that compiles and then does nothing, or fails when it runs.",
    why: "The code reads as if it worked. What is missing is a step that nothing but running it would miss.",
    mend: "Add the step that is missing, or take the set-up out.",
    example: Example {
        wrong: "parentFragmentManager.beginTransaction()\n    .replace(R.id.slot, NoteFragment())\n// never committed",
        right: "parentFragmentManager.beginTransaction()\n    .replace(R.id.slot, NoteFragment())\n    .commit()",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    for step in &graph.missing_steps {
        let (message, subject) = match step.missing.as_str() {
            "" => (format!("{} {}", step.what, step.effect), &step.what),
            missing => (format!("{} has no `{missing}`: {}", step.what, step.effect), &step.missing),
        };
        sink.push(Report::new(step.at, subject, message).help(step.mend.clone()));
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn transactions_in_every_shape() {
        judged(
            "wiring-slip",
            &app(r#"
//- Screens.kt
package barn
import androidx.fragment.app.Fragment
import androidx.fragment.app.commit
class NoteFragment : Fragment()
class HomeFragment : Fragment() {
    fun chain() { parentFragmentManager.beginTransaction().replace(R.id.slot, NoteFragment()).commit() }
    fun lost() { parentFragmentManager.beginTransaction().replace(R.id.slot, NoteFragment()) }
                                                          ^^^^^^^ wiring-slip: no `commit`
    fun block() { childFragmentManager.commit { replace(R.id.slot, NoteFragment()) } }
    fun local() {
        val transaction = childFragmentManager.beginTransaction()
        transaction.add(R.id.slot, NoteFragment())
        transaction.commitNow()
    }
    fun scoped() { childFragmentManager.beginTransaction().apply { replace(R.id.slot, NoteFragment()); commit() } }
    fun handed() = childFragmentManager.beginTransaction().replace(R.id.slot, NoteFragment())
}
//- SwapFragment.java
package barn;
import androidx.fragment.app.Fragment;
public class SwapFragment extends Fragment {
    void lost() {
        FragmentTransaction transaction = getChildFragmentManager().beginTransaction();
        transaction.replace(R.id.slot, new NoteFragment());
                    ^^^^^^^ wiring-slip: no `commit`
    }
    void passed() {
        FragmentTransaction transaction = getChildFragmentManager().beginTransaction();
        transaction.replace(R.id.slot, new NoteFragment());
        finishIt(transaction);
    }
}
"#),
        );
    }
}
