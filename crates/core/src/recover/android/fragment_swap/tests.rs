//! `fragment-swap` as apps write it.

use crate::recover::testing::{calls, lists, routes, scanned};
use expect_test::expect;

#[test]
fn transactions_dialogs_and_pagers() {
    let document = scanned(
        r#"
//- Screens.kt
package org.barn
import androidx.fragment.app.Fragment
class NoteFragment : Fragment() {
    fun text() = requireArguments().getString("text")
    companion object {
        fun newInstance(text: String) = NoteFragment().apply { arguments = bundleOf("text" to text) }
    }
}
class AskDialog : DialogFragment()
class TagSheet : BottomSheetDialogFragment()
class FirstPage : Fragment()
class SecondPage : Fragment()
class HomeFragment : Fragment() {
    fun open(manager: FragmentManager) {
        manager.beginTransaction().replace(R.id.slot, NoteFragment.newInstance("x")).addToBackStack(null).commit()
        childFragmentManager.commit { replace<NoteFragment>(R.id.slot, args = bundleOf("text" to "y")) }
        childFragmentManager.beginTransaction().add(R.id.slot, NoteFragment::class.java, bundleOf("text" to "z")).commitNow()
        AskDialog().show(childFragmentManager, "ask")
        TagSheet().apply { arguments = bundleOf("tag" to 1) }.show(childFragmentManager, null)
        listOf(1).toMutableList().add(2)
        manager.popBackStack()
    }
}
class Pages(fragment: Fragment) : FragmentStateAdapter(fragment) {
    override fun createFragment(position: Int): Fragment = when (position) { 0 -> FirstPage() else -> SecondPage() }
}
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        NoteFragment [screen] -> NoteFragment (text?: String) Screens.kt:3
        AskDialog [dialog] -> AskDialog () Screens.kt:9
        TagSheet [sheet] -> TagSheet () Screens.kt:10
        FirstPage [tab] -> FirstPage () Screens.kt:11
        SecondPage [tab] -> SecondPage () Screens.kt:12"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        HomeFragment open NoteFragment typed (text) Screens.kt:15
        HomeFragment replace NoteFragment typed (text) Screens.kt:16
        HomeFragment open NoteFragment typed (text) Screens.kt:17
        HomeFragment present AskDialog typed () Screens.kt:18
        HomeFragment present TagSheet typed (tag) Screens.kt:19
        HomeFragment back - () Screens.kt:21"#]],
    );
}
