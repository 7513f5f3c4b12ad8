//! Pages by URI as apps write them, by a mapper, by type, in WPF and on the phone.

use crate::recover::testing::{calls, lists, reads, routes, scanned};
use crate::rules::testing::judged;
use expect_test::expect;

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
        expect![[r#"
        /item/{id} [screen] -> ItemPage (id: String) App.xaml:4
        /show/{name} [screen] -> - (name: String) App.xaml:5
        /Views/ItemPage.xaml [screen] -> ItemPage (id: string, tab?: string) ItemPage.xaml:1
        /Views/MembersPage.xaml [screen] -> MembersPage () MembersPage.xaml:1
        */Views/ShelfPage.xaml [screen] -> ShelfPage () ShelfPage.xaml:1"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ItemPage back - () ItemPage.xaml.cs:12
        ShelfPage link /show/{name} literal (name) ShelfPage.xaml:2
        ShelfPage link dynamic dynamic () ShelfPage.xaml:3
        ShelfPage link external literal () ShelfPage.xaml:4
        ShelfPage open /item/{id} computed (id) ShelfPage.xaml.cs:7
        ShelfPage open /Views/MembersPage.xaml constant () ShelfPage.xaml.cs:8"#]],
    );
    lists(
        &reads(&document),
        expect![[r#"
        ItemPage id string forced ItemPage.xaml.cs:9
        ItemPage tab string ItemPage.xaml.cs:10"#]],
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

#[test]
fn entries_in_code_constants_in_documents_and_names_put_together() {
    let document = scanned(
        r#"
//- Run/Run.csproj
<Project><PropertyGroup><AssemblyName>Run</AssemblyName></PropertyGroup></Project>
//- Run/Properties/WMAppManifest.xml
<Deployment><App><Tasks><DefaultTask Name="_default" NavigationPage="MainPage.xaml"/></Tasks></App></Deployment>
//- Run/App.xaml
<Application xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml" x:Class="Run.App"/>
//- Run/App.xaml.cs
namespace Run { public partial class App : Application { 
  public static PhoneApplicationFrame RootFrame { get; private set; }
  void Init() { RootFrame = new PhoneApplicationFrame();
   var mapper = new UriMapper();
   mapper.UriMappings.Add(new UriMapping { Uri = new Uri("/trip/{id}", UriKind.Relative), MappedUri = new Uri("/TripPage.xaml?tripId={id}", UriKind.Relative) });
   RootFrame.UriMapper = mapper; } } }
//- Run/MainPage.xaml
<phone:PhoneApplicationPage x:Class="Run.MainPage" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml" xmlns:phone="clr-namespace:Microsoft.Phone.Controls;assembly=Microsoft.Phone">
 <HyperlinkButton NavigateUri="/TripPage.xaml?tripId=3&amp;mode=view"/>
 <HyperlinkButton NavigateUri="{x:Static local:Uris.Trip}"/>
</phone:PhoneApplicationPage>
//- Run/MainPage.xaml.cs
namespace Run { public partial class MainPage : PhoneApplicationPage {
  void A(Trip t) { App.RootFrame.Navigate(new Uri("/TripPage.xaml?tripId=" + t.Id, UriKind.Relative)); }
  void B() { (Application.Current.RootVisual as PhoneApplicationFrame).Navigate(new Uri("/TripPge.xaml", UriKind.Relative)); }
  void C(Trip t) { var uri = new Uri("/trip/" + t.Id, UriKind.Relative); NavigationService.Navigate(uri); }
  void D() { NavigationService.Source = new Uri("/TripPage.xaml?tripId=1", UriKind.Relative); }
  void E(string name) { Nav.Go(name); }
  void F() { NavigationService.Navigate(new Uri("/Other;component/Page.xaml", UriKind.Relative)); }
  void G() { Nav.Go("Trip"); }
 }
 public static class Uris { public const string Trip = "/TripPage.xaml"; }
 public static class Nav { public static void Go(string page) { App.RootFrame.Navigate(new Uri("/" + page + "Page.xaml", UriKind.Relative)); } }
 public class Trip { public int Id { get; set; } } }
//- Run/TripPage.xaml
<phone:PhoneApplicationPage x:Class="Run.TripPage" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml" xmlns:phone="clr-namespace:Microsoft.Phone.Controls;assembly=Microsoft.Phone"/>
//- Run/TripPage.xaml.cs
namespace Run { public partial class TripPage : PhoneApplicationPage {
  protected override void OnNavigatedTo(NavigationEventArgs e) { string id = ""; if (NavigationContext.QueryString.TryGetValue("tripId", out id)) Load(id); 
   if (this.NavigationContext.QueryString.Keys.Contains("mode")) { var m = NavigationContext.QueryString["mode"]; } 
   if (e.NavigationMode == NavigationMode.Back) return; } } }
"#,
    );
    lists(
        &calls(&document),
        expect![[r#"
            MainPage link /TripPage.xaml literal (mode, tripId) MainPage.xaml:2
            MainPage link /TripPage.xaml constant () MainPage.xaml:3
            MainPage open /TripPage.xaml literal (tripId) MainPage.xaml.cs:2
            MainPage open undeclared literal () MainPage.xaml.cs:3
            MainPage open /trip/{id} literal (id) MainPage.xaml.cs:4
            MainPage open /TripPage.xaml literal (tripId) MainPage.xaml.cs:5
            MainPage open dynamic dynamic () MainPage.xaml.cs:6
            MainPage open external literal () MainPage.xaml.cs:7
            MainPage open /TripPage.xaml literal () MainPage.xaml.cs:8"#]],
    );
    lists(
        &reads(&document),
        expect![[r#"
        TripPage tripId string TripPage.xaml.cs:2
        TripPage mode string TripPage.xaml.cs:3"#]],
    );
}

#[test]
fn windows_pages_made_in_place_and_packed_addresses() {
    let document = scanned(
        r#"
//- Wpf/Wpf.csproj
<Project Sdk="Microsoft.NET.Sdk"><PropertyGroup><UseWPF>true</UseWPF></PropertyGroup></Project>
//- Wpf/App.xaml
<Application x:Class="Wpf.App" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml" StartupUri="Views/Main.xaml"/>
//- Wpf/Views/Main.xaml
<NavigationWindow x:Class="Wpf.Views.Main" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml" Source="/Views/HomePage.xaml"/>
//- Wpf/Views/Main.xaml.cs
namespace Wpf.Views { public partial class Main : NavigationWindow { } }
//- Wpf/Views/HomePage.xaml
<Page x:Class="Wpf.Views.HomePage" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml">
  <TextBlock><Hyperlink NavigateUri="ItemPage.xaml">Item</Hyperlink><Hyperlink NavigateUri="pack://application:,,,/Views/ListPage.xaml"/></TextBlock>
  <Grid DataContext="{Binding}"><Grid.DataContext><vm:HomeModel xmlns:vm="clr-namespace:Wpf.Models"/></Grid.DataContext></Grid>
</Page>
//- Wpf/Views/HomePage.xaml.cs
using System.Windows.Controls;
namespace Wpf.Views { public partial class HomePage : Page { 
   void A(Item i) { NavigationService.Navigate(new ItemPage(i)); var p = new ListPage(); this.NavigationService.Navigate(p); }
   void B() { NavigationService.GetNavigationService(this).Navigate(new System.Uri("/Views/ListPage.xaml", System.UriKind.Relative), 3); } } 
   public class Item {} }
//- Wpf/Views/ItemPage.xaml
<Page x:Class="Wpf.Views.ItemPage" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml"/>
//- Wpf/Views/ItemPage.xaml.cs
namespace Wpf.Views { public partial class ItemPage : System.Windows.Controls.Page { public ItemPage() {} public ItemPage(Item i) { } void Back() { if (this.NavigationService.CanGoBack) { this.NavigationService.GoBack(); } } } }
//- Wpf/Views/ListPage.xaml
<Page x:Class="Wpf.Views.ListPage" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml"/>
//- Wpf/Views/ListPage.xaml.cs
namespace Wpf.Views { public partial class ListPage : Page { } }
//- Wpf/Models/HomeModel.cs
namespace Wpf.Models { public class HomeModel { 
  void Go() { ((NavigationWindow)Application.Current.MainWindow).Navigate(new Uri("Views/NoPage.xaml", UriKind.Relative)); } } }
"#,
    );
    lists(
        &calls(&document),
        expect![[r#"
        HomePage open undeclared literal () HomeModel.cs:2
        HomePage link /Views/ItemPage.xaml literal () HomePage.xaml:2
        HomePage link /Views/ListPage.xaml literal () HomePage.xaml:2
        HomePage open /Views/ItemPage.xaml typed () HomePage.xaml.cs:3
        HomePage open /Views/ListPage.xaml typed () HomePage.xaml.cs:3
        HomePage open /Views/ListPage.xaml literal () HomePage.xaml.cs:4
        ItemPage back - () ItemPage.xaml.cs:1"#]],
    );
}

/// An app whose wide entry may show any page; `CALL` opens something by it.
const WIDE: &str = r#"
//- App.xaml
<Application x:Class="Barn.App" XMLNS StartupUri="ShelfPage.xaml">
  <UriMapper><UriMapping Uri="/go/{page}" MappedUri="/{page}Page.xaml"/></UriMapper>
</Application>
//- ShelfPage.xaml
<Page x:Class="Barn.ShelfPage" XMLNS/>
//- ShelfPage.xaml.cs
namespace Barn { public partial class ShelfPage : Page { void Go(Choice choice) { NavigationService.Navigate(CALL); } } public class Choice { public string Page; } }
//- LoansPage.xaml
<Page x:Class="Barn.LoansPage" XMLNS/>
//- LoansPage.xaml.cs
namespace Barn { public partial class LoansPage : Page { } }
//- StockPage.xaml
<Page x:Class="Barn.StockPage" XMLNS/>
MARK
//- StockPage.xaml.cs
namespace Barn { public partial class StockPage : Page { } }
"#;

#[test]
fn a_wide_entry_shows_what_is_put_in_and_where_that_is_not_known_any_page() {
    let by = |call: &str, mark: &str| app(WIDE).replace("CALL", call).replace("MARK\n", mark);
    let named = "new Uri(\"/go/Loans\", UriKind.Relative)";
    let mark = "^ orphan-screen: names `/StockPage.xaml`\n";
    judged("orphan-screen", &by(named, mark));
    judged("unreachable-route", &by(named, ""));
    let open = "new Uri(\"/go/\" + choice.Page, UriKind.Relative)";
    judged("orphan-screen", &by(open, ""));
    judged("unreachable-route", &by(open, ""));
}

#[test]
fn classes_in_parts_and_names_in_part() {
    let document = scanned(&app(r#"
//- App.xaml
<Application x:Class="Barn.App" XMLNS StartupUri="Views/ShelfPage.xaml"/>
//- Views/ShelfPage.xaml
<Page x:Class="Barn.Views.ShelfPage" XMLNS/>
//- Views/ShelfPage.xaml.cs
using Names = Barn.Navigation.Links;
namespace Barn
{
    namespace Views
    {
        public partial class ShelfPage : Page { void One() { Open(Names.Item); Open(Navigation.Links.Loan); } }
    }
}
//- Views/ShelfPage.Opening.cs
namespace Barn.Views
{
    public partial class ShelfPage { void Open(string page) { NavigationService.Navigate(new Uri(page, UriKind.Relative)); } }
}
//- Navigation/Links.cs
namespace Barn.Navigation;
public static partial class Links { public const string Item = "/Views/ItemPage.xaml"; }
public static partial class Links { public const string Loan = Views + "LoanPage.xaml"; private const string Views = "/Views/"; }
//- Views/ItemPage.xaml
<Page x:Class="Barn.Views.ItemPage" XMLNS/>
//- Views/ItemPage.xaml.cs
namespace Barn.Views { public partial class ItemPage : Page { } }
//- Views/LoanPage.xaml
<Page x:Class="Barn.Views.LoanPage" XMLNS/>
//- Views/LoanPage.xaml.cs
namespace Barn.Views { public partial class LoanPage : Page { } }
"#));
    lists(
        &calls(&document),
        expect![[r#"
        ShelfPage open /Views/ItemPage.xaml constant () ShelfPage.xaml.cs:6
        ShelfPage open /Views/LoanPage.xaml constant () ShelfPage.xaml.cs:6"#]],
    );
}
