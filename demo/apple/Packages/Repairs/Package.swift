// swift-tools-version: 5.9
import PackageDescription

let package = Package(
    name: "Repairs",
    products: [.library(name: "Repairs", targets: ["Repairs"])],
    targets: [.target(name: "Repairs")]
)
