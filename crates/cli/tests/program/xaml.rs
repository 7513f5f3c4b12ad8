//! XAML: the demo as it is shipped, and what builds leave beside an app.

use crate::support::{App, demo, places, run, scanned};

#[test]
fn the_demos_slips_and_nothing_graver() {
    let document = scanned(&demo("xaml"));
    assert_eq!(places(&document, "undeclared-route"), ["TicketViewModel.cs:37", "ShelfPage.xaml:9"]);
    assert_eq!(places(&document, "out-of-scope-route"), ["MorePages.cs:10"]);
    assert_eq!(places(&document, "argument-missing"), ["App.xaml:13"], "the entry hands on another name");
    assert_eq!(places(&document, "argument-type"), ["TicketViewModel.cs:25"]);
    assert_eq!(places(&document, "argument-unknown"), ["TicketViewModel.cs:19", "ShelfPage.xaml.cs:26"]);
    assert_eq!(places(&document, "host-unwired"), ["AppShell.xaml:10", "MembersPage.xaml:8"]);
    assert_eq!(places(&document, "shadowed-route"), ["App.xaml:11"]);
    assert_eq!(places(&document, "wiring-slip"), ["FindPage.xaml.cs:17"]);
    assert_eq!(places(&document, "back-too-far"), ["MorePages.cs:22", "LoanPage.xaml.cs:19"]);
    assert_eq!(places(&document, "orphan-screen"), ["MorePages.cs:36", "StockPage.xaml:1"]);
    assert_eq!(places(&document, "optional-forced"), ["MorePages.cs:32"]);
    for rule in ["unreachable-route", "start-missing", "screen-missing", "duplicate-route"] {
        assert!(places(&document, rule).is_empty(), "{rule}: {:?}", places(&document, rule));
    }
}

#[test]
fn ways_through_entries_and_gaps_between_the_styles() {
    let app = demo("xaml");
    let way = run(&["reach", "ShelfPage", "LoanPage", "--in", &app]);
    assert_eq!(way.status, 0, "{}", way.err);
    assert!(way.out.contains("ItemPage"), "by way of an item: {}", way.out);
    let wide = run(&["reach", "ShelfPage", "MembersPage", "--in", &app]);
    assert!(wide.out.contains("/open/Members"), "the wide entry leads on: {}", wide.out);
    let map = run(&["map", &app, "--format", "dot"]);
    assert!(!map.out.contains("/open/{page}"), "what leads on is no place: {}", map.out);
    assert!(map.out.contains("TicketPage") && map.out.contains("PhotoPage"), "{}", map.out);
    let move_on = run(&["gaps", &app, "--to", "shell-route"]);
    assert!(move_on.out.contains("Phone"), "{}", move_on.out);
}

/// What a build makes, and a file of tests, beside a page.
const BUILT: &str = r#"
//- Barn/Barn.csproj
<Project><PropertyGroup><AssemblyName>Barn</AssemblyName></PropertyGroup></Project>
//- Barn/App.xaml
<Application x:Class="Barn.App" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml" StartupUri="ShelfPage.xaml"/>
//- Barn/ShelfPage.xaml
<Page x:Class="Barn.ShelfPage" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml"/>
//- Barn/ShelfPage.xaml.cs
namespace Barn { public partial class ShelfPage : Page { } }
//- Barn/obj/Debug/ShelfPage.g.cs
namespace Barn { public partial class ShelfPage : Page { void F() { NavigationService.Navigate(new Uri("/Made.xaml", UriKind.Relative)); } } }
//- Barn.Tests/ShelfTests.cs
namespace Barn.Tests { class ShelfTests { void F() { NavigationService.Navigate(new Uri("/Tried.xaml", UriKind.Relative)); } } }
"#;

#[test]
fn what_builds_make_and_tests_try_is_left_aside() {
    let app = App::new(BUILT);
    let document = scanned(app.arg());
    assert_eq!(document["routes"].as_array().map(Vec::len), Some(1));
    assert_eq!(document["calls"].as_array().map(Vec::len), Some(0));
}
