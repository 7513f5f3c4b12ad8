import SwiftUI

@main
struct BorrowbarnApp: App {
    @State private var router = Router()
    @State private var barn = Barn()

    var body: some Scene {
        WindowGroup {
            MainView()
                .environment(router)
                .environment(barn)
                .onOpenURL { url in
                    Links(router: router).open(url)
                }
        }
    }
}
