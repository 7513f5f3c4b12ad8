import XCTest
@testable import Borrowbarn

final class RouterTests: XCTestCase {
    func testLabels() {
        let router = Router()
        router.show(.labels(3))
        XCTAssertEqual(router.shelfPath.count, 1)
    }
}
