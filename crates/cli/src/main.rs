fn main() {
    let root = std::env::args().nth(2).unwrap();
    let scan = fallow_lantern_core::scan(root.as_ref(), &root).unwrap();
    println!("{}", serde_json::to_string_pretty(&scan.document).unwrap());
}
