//! Pages by URI as apps write them, by a mapper, by type, in WPF and on the phone.

use crate::recover::testing::{calls, lists, reads, routes, scanned};
use crate::rules::testing::judged;

const PRESENTATION: &str = "http://schemas.microsoft.com/winfx/2006/xaml/presentation";

/// A fixture with `XMLNS` for the namespaces that every document binds.
fn app(text: &str) -> String {
    let bound = format!("xmlns=\"{PRESENTATION}\" xmlns:x=\"http://schemas.microsoft.com/winfx/2006/xaml\"");
    text.replace("XMLNS", &bound)
}

#[test]
fn a_phone_app_with_a_mapper_and_a_helper_for_addresses() {
    let document = scanned(&app(r#"
//- Barn/Barn.csproj
<Project><PropertyGroup><AssemblyName>Barn</AssemblyName></PropertyGroup></Project>
//- Barn/Properties/WMAppManifest.xml
<Deployment><App><Tasks><DefaultTask Name="_default" NavigationPage="Views/ShelfPage.xaml"/></Tasks></App></Deployment>
//- Barn/App.xaml
<Application x:Class="Barn.App" XMLNS xmlns:nav="clr-namespace:System.Windows.Navigation;assembly=Microsoft.Phone">
  <Application.Resources>
    <nav:UriMapper x:Key="Mapper">
      <nav:UriMapping Uri="/item/{id}" MappedUri="/Views/ItemPage.xaml?id={id}"/>
      <nav:UriMapping Uri="/show/{name}" MappedUri="/Views/{name}Page.xaml"/>
    </nav:UriMapper>
  </Application.Resources>
</Application>
//- Barn/Views/ShelfPage.xaml
<phone:PhoneApplicationPage x:Class="Barn.Views.ShelfPage" XMLNS xmlns:phone="clr-namespace:Microsoft.Phone.Controls;assembly=Microsoft.Phone">
  <HyperlinkButton NavigateUri="/show/Members"/>
  <HyperlinkButton NavigateUri="{Binding Link}"/>
  <HyperlinkButton NavigateUri="http://barn.example/help" TargetName="_blank"/>
</phone:PhoneApplicationPage>
//- Barn/Views/ShelfPage.xaml.cs
using System;
using Microsoft.Phone.Controls;
namespace Barn.Views
{
    public partial class ShelfPage : PhoneApplicationPage
    {
        void First(Item item) { NavigationService.Navigate(Address.Of(item.Id)); }
        void Plain() { Open(Address.Members); }
        void Register(Till till) { till.Navigate(new Uri("/nowhere", UriKind.Relative)); }
        void Open(string page) { this.NavigationService.Navigate(new Uri(page, UriKind.Relative)); }
    }
    public class Till { public void Navigate(Uri to) { } }
    public class Item { public int Id { get; set; } }
    static class Address
    {
        public const string Members = "/Views/MembersPage.xaml";
        public static Uri Of(int id) { return new Uri(string.Format("/item/{0}", id), UriKind.Relative); }
    }
}
//- Barn/Views/ItemPage.xaml
<phone:PhoneApplicationPage x:Class="Barn.Views.ItemPage" XMLNS xmlns:phone="clr-namespace:Microsoft.Phone.Controls;assembly=Microsoft.Phone"/>
//- Barn/Views/ItemPage.xaml.cs
using Microsoft.Phone.Controls;
namespace Barn.Views
{
    public partial class ItemPage : PhoneApplicationPage
    {
        protected override void OnNavigatedTo(NavigationEventArgs e)
        {
            var query = this.NavigationContext.QueryString;
            Load(query["id"]);
            if (query.ContainsKey("tab")) Show(query["tab"]);
        }
        void Back() { if (NavigationService.CanGoBack) NavigationService.GoBack(); }
    }
}
//- Barn/Views/MembersPage.xaml
<phone:PhoneApplicationPage x:Class="Barn.Views.MembersPage" XMLNS xmlns:phone="clr-namespace:Microsoft.Phone.Controls;assembly=Microsoft.Phone"/>
//- Barn/Views/MembersPage.xaml.cs
using Microsoft.Phone.Controls;
namespace Barn.Views { public partial class MembersPage : PhoneApplicationPage { } }
"#));
    lists(
        &routes(&document),
        "/item/{id} [screen] -> ItemPage (id: String) App.xaml:4
         /show/{name} [screen] -> - (name: String) App.xaml:5
         /Views/ItemPage.xaml [screen] -> ItemPage (id: string, tab?: string) ItemPage.xaml:1
         /Views/MembersPage.xaml [screen] -> MembersPage () MembersPage.xaml:1
         */Views/ShelfPage.xaml [screen] -> ShelfPage () ShelfPage.xaml:1",
    );
    lists(
        &calls(&document),
        "ItemPage back - () ItemPage.xaml.cs:12
         ShelfPage link /show/{name} literal (name) ShelfPage.xaml:2
         ShelfPage link dynamic dynamic () ShelfPage.xaml:3
         ShelfPage link external literal () ShelfPage.xaml:4
         ShelfPage open /item/{id} computed (id) ShelfPage.xaml.cs:7
         ShelfPage open /Views/MembersPage.xaml constant () ShelfPage.xaml.cs:8",
    );
    lists(
        &reads(&document),
        "ItemPage id string forced ItemPage.xaml.cs:9
         ItemPage tab string ItemPage.xaml.cs:10",
    );
}

#[test]
fn pages_by_type_through_a_service_and_a_desktop_window() {
    let document = scanned(&app(r#"
//- Desk/Desk.csproj
<Project Sdk="Microsoft.NET.Sdk"><PropertyGroup><UseWPF>true</UseWPF></PropertyGroup></Project>
//- Desk/App.xaml
<Application x:Class="Desk.App" XMLNS StartupUri="MainWindow.xaml"/>
//- Desk/MainWindow.xaml
<Window x:Class="Desk.MainWindow" XMLNS><Frame x:Name="Body" Source="/Pages/LoansPage.xaml"/></Window>
//- Desk/MainWindow.xaml.cs
using System.Windows;
namespace Desk;
public partial class MainWindow : Window
{
    void Tickets() => Body.Navigate(new Uri("Pages/TicketsPage.xaml", UriKind.Relative));
}
//- Desk/Pages/LoansPage.xaml
<Page x:Class="Desk.Pages.LoansPage" XMLNS><Hyperlink NavigateUri="Pages/TicketsPage.xaml"/></Page>
//- Desk/Pages/LoansPage.xaml.cs
using System.Windows.Controls;
namespace Desk.Pages;
public partial class LoansPage : Page
{
    private readonly INavigator _navigator;
    void One(int id) { _navigator.Show<TicketPage>(id); }
    void Other() { _navigator.To(typeof(TicketsPage)); }
}
//- Desk/Pages/TicketsPage.xaml
<Page x:Class="Desk.Pages.TicketsPage" XMLNS/>
//- Desk/Pages/TicketsPage.xaml.cs
using System.Windows.Controls;
namespace Desk.Pages;
public partial class TicketsPage : Page { void Leave() { NavigationService?.GoBack(); } }
//- Desk/Pages/TicketPage.xaml
<Page x:Class="Desk.Pages.TicketPage" XMLNS/>
//- Desk/Pages/TicketPage.xaml.cs
using System.Windows.Controls;
using System.Windows.Navigation;
namespace Desk.Pages;
public partial class TicketPage : Page
{
    void OnNavigatedTo(NavigationEventArgs args)
    {
        if (args.Parameter is int id) Load(id);
    }
}
//- Desk/Navigator.cs
using System;
using System.Windows.Controls;
namespace Desk;
public interface INavigator
{
    void Show<T>(object given = null) where T : Page;
    void To(Type page);
}
public class Navigator : INavigator
{
    private readonly Frame _frame;
    public void Show<T>(object given = null) where T : Page { _frame.Navigate(typeof(T), given); }
    public void To(Type page) { _frame.Navigate(page); }
}
"#));
    lists(
        &routes(&document),
        "*/Pages/LoansPage.xaml [screen] -> LoansPage () LoansPage.xaml:1
         /Pages/TicketPage.xaml [screen] -> TicketPage (arguments?: int) TicketPage.xaml:1
         /Pages/TicketsPage.xaml [screen] -> TicketsPage () TicketsPage.xaml:1",
    );
    lists(
        &calls(&document),
        "- open /Pages/TicketsPage.xaml literal () MainWindow.xaml.cs:5
         LoansPage link /Pages/TicketsPage.xaml literal () LoansPage.xaml:1
         LoansPage open /Pages/TicketPage.xaml typed (arguments) LoansPage.xaml.cs:6
         LoansPage open /Pages/TicketsPage.xaml typed () LoansPage.xaml.cs:7
         TicketsPage back - () TicketsPage.xaml.cs:3",
    );
}

#[test]
fn queries_that_are_escaped_and_those_that_are_not() {
    judged(
        "wiring-slip",
        &app(r#"
//- App.xaml
<Application x:Class="Barn.App" XMLNS/>
//- FindPage.xaml
<Page x:Class="Barn.FindPage" XMLNS><TextBox x:Name="Box"/></Page>
//- FindPage.xaml.cs
using System;
namespace Barn
{
    public partial class FindPage : Page
    {
        string typed; int count;
        void Raw() { NavigationService.Navigate(new Uri("/FindPage.xaml?q=" + Box.Text, UriKind.Relative)); }
                                       ^^^^^^^^ wiring-slip: no `Uri.EscapeDataString`
        void Field() { NavigationService.Navigate(new Uri($"/FindPage.xaml?n={count}&q={typed}", UriKind.Relative)); }
                                         ^^^^^^^^ wiring-slip: `typed` in the query
        void Safe() { NavigationService.Navigate(new Uri("/FindPage.xaml?q=" + Uri.EscapeDataString(typed), UriKind.Relative)); }
        void Number() { NavigationService.Navigate(new Uri("/FindPage.xaml?n=" + count, UriKind.Relative)); }
        void Helped()
        {
            var safe = Clean(typed);
            NavigationService.Navigate(new Uri("/FindPage.xaml?q=" + safe, UriKind.Relative));
        }
        static string Clean(string text) { return HttpUtility.UrlEncode(text); }
        void OnNavigatedTo()
        {
            string q, n;
            NavigationContext.QueryString.TryGetValue("q", out q);
            NavigationContext.QueryString.TryGetValue("n", out n);
        }
    }
}
"#),
    );
}

#[test]
fn keys_that_no_page_asks_for_and_entries_that_hand_on_the_wrong_one() {
    let text = app(r#"
//- App.xaml
<Application x:Class="Barn.App" XMLNS StartupUri="ShelfPage.xaml">
  <UriMapper>
    <UriMapping Uri="/loan/{id}" MappedUri="/LoanPage.xaml?loan={id}"/>
    <UriMapping Uri="/item/{id}" MappedUri="/ItemPage.xaml?item={id}"/>
    RANK
  </UriMapper>
</Application>
//- ShelfPage.xaml
<Page x:Class="Barn.ShelfPage" XMLNS>
  <HyperlinkButton NavigateUri="/ItemPage.xaml?id=7&amp;tag=new"/>
  TAG
  <HyperlinkButton NavigateUri="/loan/7"/>
  <HyperlinkButton NavigateUri="/item/7"/>
</Page>
//- ShelfPage.xaml.cs
namespace Barn { public partial class ShelfPage : Page { } }
//- ItemPage.xaml
<Page x:Class="Barn.ItemPage" XMLNS/>
//- ItemPage.xaml.cs
namespace Barn { public partial class ItemPage : Page { void F() { Load(NavigationContext.QueryString["id"]); } } }
//- LoanPage.xaml
<Page x:Class="Barn.LoanPage" XMLNS/>
//- LoanPage.xaml.cs
namespace Barn { public partial class LoanPage : Page { void F() { Load(NavigationContext.QueryString["loan"]); } } }
"#);
    let unmarked = text.replace("RANK\n", "\n").replace("TAG\n", "\n");
    judged(
        "argument-unknown",
        &text.replace("    RANK\n", "").replace("  TAG\n", "  ^^^^ argument-unknown: declares no `tag`\n"),
    );
    judged(
        "argument-missing",
        &text
            .replace("    RANK\n", "    ^^^^ argument-missing: `/item/{id}` does not hand it on\n")
            .replace("  TAG\n", ""),
    );
    judged("argument-unread", &unmarked);
}
