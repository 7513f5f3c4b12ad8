package org.borrowbarn.app.members

import androidx.lifecycle.SavedStateHandle
import androidx.lifecycle.ViewModel

class MemberViewModel(handle: SavedStateHandle) : ViewModel() {

    val memberId: String = checkNotNull(handle["memberId"])
}
