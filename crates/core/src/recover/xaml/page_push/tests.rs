//! Pages that code makes, as apps write it.

use crate::recover::testing::{calls, lists, reads, routes, scanned};
use crate::rules::testing::judged;
use expect_test::expect;

const APP: &str = r#"
//- Barn.csproj
<Project Sdk="Microsoft.NET.Sdk"><PropertyGroup><UseMaui>true</UseMaui><OutputType>Exe</OutputType></PropertyGroup></Project>
//- App.xaml
<Application xmlns="http://schemas.microsoft.com/dotnet/2021/maui" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" x:Class="Barn.App"/>
"#;

#[test]
fn a_stack_of_pages_with_what_they_are_made_with() {
    let document = scanned(&format!(
        r#"{APP}//- App.xaml.cs
namespace Barn;
public partial class App : Application {{
    public App() {{ InitializeComponent(); MainPage = new NavigationPage(new ShelfPage()); }}
}}
//- ShelfPage.xaml
<ContentPage xmlns="http://schemas.microsoft.com/dotnet/2021/maui" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" x:Class="Barn.ShelfPage"/>
//- ShelfPage.xaml.cs
namespace Barn;
public partial class ShelfPage : ContentPage {{
    async void OnTool(object sender, EventArgs e) {{ await Navigation.PushAsync(new ToolPage("saw")); }}
    async void OnLoan(object sender, EventArgs e) {{
        var page = new LoanPage {{ Number = 7 }};
        page.Note = "late";
        await Navigation.PushModalAsync(new NavigationPage(page), true);
    }}
    async void OnOne(bool known) {{
        Page next = known ? new HelpPage() : new ToolPage("axe", 3);
        await this.Navigation.PushAsync(next);
    }}
}}
//- ToolPage.cs
namespace Barn;
public class ToolPage : ContentPage {{
    public ToolPage(string id, int count = 1) {{ Title = id; Load(count); }}
    async void Back() {{ await Navigation.PopAsync(); }}
    async void Root() {{ await Navigation.PopToRootAsync(); }}
    async void Instead() {{
        Navigation.InsertPageBefore(new HelpPage(), this);
        await Navigation.PopAsync();
    }}
}}
//- LoanPage.cs
namespace Barn;
public class LoanPage : ContentPage {{
    public int Number {{ get; set; }}
    public string Note {{ get; set; }}
    protected override void OnAppearing() {{ Show(Number, Note); }}
    async void Close() {{ await Navigation.PopModalAsync(); }}
}}
//- HelpPage.cs
namespace Barn;
public class HelpPage : ContentPage {{
    void Out() {{ Application.Current.MainPage = new NavigationPage(new LoginPage()); }}
    void In() {{ Application.Current.Windows[0].Page = new LoginPage(); }}
}}
public class LoginPage : ContentPage {{ }}
"#
    ));
    lists(
        &routes(&document),
        expect![[r#"
        HelpPage [screen] -> HelpPage () HelpPage.cs:2
        LoginPage [screen] -> LoginPage () HelpPage.cs:6
        LoanPage [sheet] -> LoanPage (Number?: int, Note?: string) LoanPage.cs:2
        *ShelfPage [screen] -> ShelfPage () ShelfPage.xaml.cs:2
        ToolPage [screen] -> ToolPage (id: string, count?: int) ToolPage.cs:2"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        HelpPage reset LoginPage typed () HelpPage.cs:3
        HelpPage reset LoginPage typed () HelpPage.cs:4
        LoanPage back - () LoanPage.cs:6
        ShelfPage open ToolPage typed (id) ShelfPage.xaml.cs:3
        ShelfPage present LoanPage typed (Note, Number) ShelfPage.xaml.cs:7
        ShelfPage open HelpPage|ToolPage computed (count, id) ShelfPage.xaml.cs:11
        ToolPage back - () ToolPage.cs:4
        ToolPage back-to - () ToolPage.cs:5
        ToolPage replace HelpPage typed () ToolPage.cs:7
        ToolPage back - () ToolPage.cs:8"#]],
    );
    lists(&reads(&document), expect![[""]]);
    let found: Vec<String> = document.findings.iter().map(|f| format!("{} {}", f.rule, f.message)).collect();
    lists(&found.join("\n"), expect![[""]]);
}

#[test]
fn services_that_make_pages_by_their_types() {
    let document = scanned(&format!(
        r#"{APP}//- App.xaml.cs
namespace Barn;
public partial class App : Application {{
    private readonly ShelfPage _shelf;
    public App(ShelfPage shelf) {{ InitializeComponent(); _shelf = shelf; }}
    protected override Window CreateWindow(IActivationState state) => new Window(new NavigationPage(_shelf));
}}
//- MauiProgram.cs
namespace Barn;
public static class MauiProgram {{
    public static MauiApp CreateMauiApp() {{
        var builder = MauiApp.CreateBuilder();
        builder.Services.AddSingleton<INavigator, Navigator>();
        builder.Services.AddTransient<ShelfPage>();
        builder.Services.AddTransient<ToolPage>();
        builder.Services.AddTransient<ToolViewModel>();
        return builder.Build();
    }}
}}
//- Navigator.cs
namespace Barn;
public interface INavigator {{ Task To<T>() where T : Page; Task ToModel<T>(); Task Back(); }}
public class Navigator : INavigator {{
    private readonly IServiceProvider _services;
    public Navigator(IServiceProvider services) {{ _services = services; }}
    private INavigation Navigation => Application.Current.MainPage.Navigation;
    public Task To<T>() where T : Page => Navigation.PushAsync(_services.GetRequiredService<T>());
    public Task ToModel<T>() => Navigation.PushAsync(Find(typeof(T)));
    public Task Back() => Navigation.PopAsync();
    private Page Find(Type model) => (Page)Activator.CreateInstance(_pages[model]);
}}
//- ShelfPage.cs
namespace Barn;
public class ShelfPage : ContentPage {{
    private readonly INavigator _navigator;
    public ShelfPage(INavigator navigator) {{ _navigator = navigator; }}
    async void OnTool() {{ await _navigator.To<ToolPage>(); }}
    async void OnLoans() {{ await _navigator.ToModel<LoansViewModel>(); }}
}}
//- ToolPage.cs
namespace Barn;
public class ToolPage : ContentPage {{
    public ToolPage(ToolViewModel model, INavigator navigator) {{ BindingContext = model; }}
}}
public class ToolViewModel {{ private INavigator _navigator; Task Back() => _navigator.Back(); }}
public class LoansPage : ContentPage {{ public LoansPage() {{ BindingContext = new LoansViewModel(); }} }}
public class LoansViewModel {{ }}
"#
    ));
    lists(
        &routes(&document),
        expect![[r#"
        *ShelfPage [screen] -> ShelfPage () ShelfPage.cs:2
        ToolPage [screen] -> ToolPage () ToolPage.cs:2
        LoansPage [screen] -> LoansPage () ToolPage.cs:6"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ToolPage back - () Navigator.cs:9
        ShelfPage open ToolPage typed () ShelfPage.cs:5
        ShelfPage open LoansPage typed () ShelfPage.cs:6"#]],
    );
    let found: Vec<String> = document.findings.iter().map(|f| format!("{} {}", f.rule, f.message)).collect();
    lists(&found.join("\n"), expect![[""]]);
}

#[test]
fn tabs_and_flyouts_hold_pages() {
    let document = scanned(&format!(
        r#"{APP}//- App.xaml.cs
namespace Barn;
public partial class App : Application {{ public App() {{ InitializeComponent(); MainPage = new BarnTabs(); }} }}
//- BarnTabs.xaml
<TabbedPage xmlns="http://schemas.microsoft.com/dotnet/2021/maui" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml"
    xmlns:local="clr-namespace:Barn" x:Class="Barn.BarnTabs">
  <local:ShelfPage Title="Shelf"/>
  <NavigationPage Title="Loans"><x:Arguments><local:LoansPage/></x:Arguments></NavigationPage>
</TabbedPage>
//- BarnTabs.xaml.cs
namespace Barn;
public partial class BarnTabs : TabbedPage {{ public BarnTabs() {{ InitializeComponent(); Children.Add(new NavigationPage(new MembersPage())); }} }}
//- Pages.cs
namespace Barn;
public class ShelfPage : ContentPage {{ void Open() {{ Application.Current.MainPage = new DeskPage(); }} }}
public class LoansPage : ContentPage {{ async void Open() {{ await Navigation.PushAsync(new LoanPage()); }} }}
public class LoanPage : ContentPage {{ }}
public class MembersPage : ContentPage {{ }}
public class DeskPage : FlyoutPage {{
    public DeskPage() {{ Flyout = new MenuPage(); Detail = new NavigationPage(new QueuePage()); }}
    public void Show(string what) {{ Detail = new NavigationPage(new FeesPage()); }}
}}
public class MenuPage : ContentPage {{ }}
public class QueuePage : ContentPage {{ }}
public class FeesPage : ContentPage {{ }}
public class AtticPage : ContentPage {{ }}
"#
    ));
    lists(
        &routes(&document),
        expect![[r#"
            *ShelfPage [tab] -> ShelfPage () BarnTabs.xaml:3
            LoansPage [tab] -> LoansPage () BarnTabs.xaml:4
            *BarnTabs [screen] -> BarnTabs () BarnTabs.xaml.cs:2
            MembersPage [tab] -> MembersPage () BarnTabs.xaml.cs:2
            LoanPage [screen] -> LoanPage () Pages.cs:4
            DeskPage [screen] -> DeskPage () Pages.cs:6
            MenuPage [tab] -> MenuPage () Pages.cs:7
            *QueuePage [tab] -> QueuePage () Pages.cs:7
            FeesPage [screen] -> FeesPage () Pages.cs:12"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfPage reset DeskPage typed () Pages.cs:2
        LoansPage open LoanPage typed () Pages.cs:3
        DeskPage tab FeesPage typed () Pages.cs:8"#]],
    );
    let found: Vec<String> = document.findings.iter().map(|f| format!("{} {}", f.rule, f.message)).collect();
    lists(&found.join("\n"), expect!["orphan-screen no route shows `AtticPage`, and nothing makes one"]);
}

#[test]
fn pushes_beside_a_shell_and_what_is_no_push() {
    let document = scanned(&format!(
        r#"{APP}//- App.xaml.cs
namespace Barn;
public partial class App : Application {{ public App() {{ InitializeComponent(); MainPage = new AppShell(); }} }}
//- AppShell.xaml
<Shell xmlns="http://schemas.microsoft.com/dotnet/2021/maui" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" xmlns:v="clr-namespace:Barn" x:Class="Barn.AppShell">
 <ShellContent Route="shelf" ContentTemplate="{{DataTemplate v:ShelfPage}}"/>
</Shell>
//- AppShell.xaml.cs
namespace Barn;
public partial class AppShell : Shell {{ public AppShell() {{ InitializeComponent(); }} }}
//- Pages.cs
namespace Barn;
public class ShelfPage : ContentPage {{
    private readonly Queue _queue = new Queue();
    async void Open() {{
        await Shell.Current.Navigation.PushModalAsync(new HelpPage());
        await _queue.PushAsync(new Ticket());
        await _queue.PopAsync();
    }}
}}
public class HelpPage : ContentPage {{ }}
public class Ticket {{ }}
public class Queue {{ public Task PushAsync(Ticket ticket) => null; public Task PopAsync() => null; }}
"#
    ));
    lists(
        &routes(&document),
        expect![[r#"
        *shelf [screen] -> ShelfPage () AppShell.xaml:2
        HelpPage [sheet] -> HelpPage () Pages.cs:10"#]],
    );
    lists(&calls(&document), expect!["ShelfPage present HelpPage typed () Pages.cs:5"]);
    let found: Vec<String> = document.findings.iter().map(|f| format!("{} {}", f.rule, f.message)).collect();
    lists(&found.join("\n"), expect![[""]]);
}

#[test]
fn steps_of_pages_that_stand_in_no_stack() {
    let app = |root: &str, shown: &str, marks: [&str; 2]| {
        let [push, pop] = marks;
        format!(
            r#"{APP}//- App.xaml.cs
namespace Barn;
public partial class App : Application {{ public App() {{ MainPage = {root}; }} }}
//- Pages.cs
namespace Barn;
public class ShelfPage : ContentPage {{
    async void Open() {{
        await Navigation.PushAsync(new ToolPage());
{push}
        await Navigation.PushModalAsync({shown});
    }}
}}
public class ToolPage : ContentPage {{ async void Back() {{ await Navigation.PopAsync(); }} }}
public class HelpPage : ContentPage {{
    async void Close() {{
        await Navigation.PopAsync();
{pop}
    }}
}}
"#
        )
    };
    let push = "                         ^^^^^^^^^ wiring-slip: this push";
    let pop = "                         ^^^^^^^^ wiring-slip: this step back fails when it runs: `HelpPage`";
    judged("wiring-slip", &app("new ShelfPage()", "new HelpPage()", [push, pop]));
    judged("wiring-slip", &app("new NavigationPage(new ShelfPage())", "new HelpPage()", ["", pop]));
    let in_stack = "new NavigationPage(new HelpPage())";
    judged("wiring-slip", &app("new NavigationPage(new ShelfPage())", in_stack, ["", ""]));
    // What is made out of sight may be put into a stack there.
    judged("wiring-slip", &app("Make()", "services.GetService<HelpPage>()", ["", ""]));
}
