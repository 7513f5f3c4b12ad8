//! Pages registered from tables, equal names in two tabs, names below the page one is on, depths.

use crate::recover::testing::{calls, lists, routes, scanned};
use crate::rules::testing::quiet;
use expect_test::expect;

const SHELL: &str = r#"
//- Barn.csproj
<Project><PropertyGroup><UseMaui>true</UseMaui></PropertyGroup></Project>
//- App.xaml
<Application xmlns="http://schemas.microsoft.com/dotnet/2021/maui" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" x:Class="Barn.App"/>
//- App.xaml.cs
namespace Barn;
public partial class App : Application { public App() { MainPage = new AppShell(); } }
//- AppShell.xaml
<Shell xmlns="http://schemas.microsoft.com/dotnet/2021/maui" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" xmlns:v="clr-namespace:Barn" x:Class="Barn.AppShell">
 <TabBar Route="barn">
  <Tab Route="tools"><ShellContent Route="all" ContentTemplate="{DataTemplate v:ToolsPage}"/></Tab>
  <Tab Route="loans"><ShellContent Route="all" ContentTemplate="{DataTemplate v:LoansPage}"/><ShellContent Route="due" ContentTemplate="{DataTemplate v:DuePage}"/></Tab>
 </TabBar>
</Shell>
"#;

#[test]
fn tables_give_each_page_under_its_own_name() {
    let document = scanned(&format!(
        "{SHELL}{}",
        r#"
//- AppShell.xaml.cs
namespace Barn;
public partial class AppShell : Shell {
    static readonly (string Name, Type Page)[] Benches = { (Names.Bench, typeof(BenchPage)), ("vice", typeof(VicePage)) };
    static readonly Dictionary<string, Type> Desks = new() { ["desk"] = typeof(DeskPage) };
    public AppShell() {
        foreach (var (name, page) in Benches) { Routing.RegisterRoute(name, page); }
        foreach (var desk in Desks) { Routing.RegisterRoute(desk.Key, desk.Value); }
        Routing.RegisterRoute("due/hours", typeof(HoursPage));
    }
}
//- Pages.cs
namespace Barn;
public static class Names { public const string Bench = "bench"; }
public class ToolsPage : ContentPage { void Go() { Shell.Current.GoToAsync(Names.Bench); Shell.Current.GoToAsync("vice"); Shell.Current.GoToAsync("desk"); } }
public class LoansPage : ContentPage { }
public class DuePage : ContentPage { void Go() { Shell.Current.GoToAsync("hours"); } }
public class BenchPage : ContentPage { }
public class VicePage : ContentPage { }
public class DeskPage : ContentPage { }
public class HoursPage : ContentPage { }
"#
    ));
    lists(
        &routes(&document),
        expect![[r#"
        barn [group] -> - () AppShell.xaml:2
        tools [group] -> - () AppShell.xaml:3
        *all [screen] -> ToolsPage () AppShell.xaml:3
        loans [group] -> - () AppShell.xaml:4
        all [screen] -> LoansPage () AppShell.xaml:4
        due [screen] -> DuePage () AppShell.xaml:4
        bench [screen] -> BenchPage () AppShell.xaml.cs:3
        vice [screen] -> VicePage () AppShell.xaml.cs:3
        desk [screen] -> DeskPage () AppShell.xaml.cs:4
        due/hours [screen] -> HoursPage () AppShell.xaml.cs:8"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ToolsPage open bench constant () Pages.cs:3
        ToolsPage open vice literal () Pages.cs:3
        ToolsPage open desk literal () Pages.cs:3
        DuePage open due/hours literal () Pages.cs:5"#]],
    );
    let rules: Vec<&str> = document.findings.iter().map(|finding| finding.rule.as_str()).collect();
    for silent in ["duplicate-route", "undeclared-route", "orphan-screen"] {
        assert!(!rules.contains(&silent), "{silent}: {:#?}", document.findings);
    }
}

#[test]
fn what_is_beside_the_content_lies_on_some_of_it() {
    quiet(&format!(
        "{SHELL}{}",
        r#"
//- AppShell.xaml.cs
namespace Barn;
public partial class AppShell : Shell { public AppShell() { Routing.RegisterRoute(Names.Tool, typeof(ToolPage)); Routing.RegisterRoute(Names.Slot, typeof(SlotPage)); } }
//- Pages.cs
namespace Barn;
public static class Names { public const string Tool = "tool"; public const string Slot = "slot"; public const string FarTool = "//barn/loans/due/tool"; }
public class ToolsPage : ContentPage { }
public class LoansPage : ContentPage { void Go() { Shell.Current.GoToAsync(Names.FarTool); } }
public class DuePage : ContentPage { }
public class ToolPage : ContentPage { void Go() { Shell.Current.GoToAsync(Names.Slot); } }
public class SlotPage : ContentPage { void Back() { Shell.Current.GoToAsync("../.."); } }
"#
    ));
}
