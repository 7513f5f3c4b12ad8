import SwiftUI

struct CardView: View {
    @Environment(\.dismiss) private var dismiss
    @Environment(\.openURL) private var openURL
    @State private var showsRules = false

    var body: some View {
        List {
            Button("House rules") { showsRules = true }
            Button("My loans") { openURL(URL(string: "borrowbarn://loans")!) }
            NavigationLink("First tool", value: ShelfRoute.item(1))
        }
        .navigationDestination(isPresented: $showsRules) { RulesView() }
        .toolbar { Button("Close") { dismiss() } }
    }
}

struct RulesView: View {
    var body: some View {
        Text("Bring it back clean.")
    }
}

struct MemberView: View {
    let member: Member

    var body: some View {
        Text(member.name)
    }
}
