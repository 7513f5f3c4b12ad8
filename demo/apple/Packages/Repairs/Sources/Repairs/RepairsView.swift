import SwiftUI

/// Older than the rest: links carry their views.
public struct RepairsView: View {
    @State private var opens = false

    public init() {}

    public var body: some View {
        NavigationView {
            List {
                NavigationLink(destination: TicketsView(tool: "saw")) { Text("Saws") }
                NavigationLink("Drills") { TicketsView(tool: "drill", open: false) }
                NavigationLink(isActive: $opens) { WorkshopView() } label: { EmptyView() }
                Button("Workshop") { opens = true }
            }
        }
    }
}

struct TicketsView: View {
    let tool: String
    var open = true

    var body: some View {
        Text("\(tool) \(String(open))")
    }
}

struct WorkshopView: View {
    @Environment(\.presentationMode) private var mode

    var body: some View {
        Button("Back") { mode.wrappedValue.dismiss() }
    }
}
