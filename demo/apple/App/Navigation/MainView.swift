import Repairs
import SwiftUI

struct MainView: View {
    @Environment(Router.self) private var router

    var body: some View {
        @Bindable var router = router

        TabView(selection: $router.tab) {
            NavigationStack(path: $router.shelfPath) {
                ShelfView()
                    .shelfDestinations()
            }
            .navigationTitle("Borrowbarn")
            .tabItem { Label("Shelf", systemImage: "hammer") }
            .tag(Tab.shelf)

            NavigationStack(path: $router.loansPath) {
                LoansView()
            }
            .tabItem { Label("Loans", systemImage: "calendar") }
            .tag(Tab.loans)

            RepairsView()
                .tabItem { Label("Repairs", systemImage: "wrench") }
                .tag(Tab.repairs)

            DeskView()
                .tabItem { Label("Desk", systemImage: "tray") }
                .tag(Tab.desk)
        }
        .sheet(isPresented: $router.asksForCard) {
            NavigationStack {
                CardView()
            }
        }
    }
}
