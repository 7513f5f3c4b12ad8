//! Shells as apps write them: in XAML and in code, with view models and helpers.

use crate::recover::testing::{calls, lists, reads, routes, scanned};
use crate::rules::testing::judged;
use expect_test::expect;

/// A fixture with `XMLNS` for the namespaces that every document binds.
fn app(text: &str) -> String {
    text.replace(
        "XMLNS",
        "xmlns=\"http://schemas.microsoft.com/dotnet/2021/maui\" xmlns:x=\"http://schemas.microsoft.com/winfx/2009/xaml\"",
    )
}

#[test]
fn tabs_registered_pages_and_where_addresses_lead() {
    let document = scanned(&app(r#"
//- Barn.csproj
<Project Sdk="Microsoft.NET.Sdk"><PropertyGroup><UseMaui>true</UseMaui></PropertyGroup></Project>
//- AppShell.xaml
<Shell x:Class="Barn.AppShell" XMLNS xmlns:v="clr-namespace:Barn.Views">
  <TabBar>
    <ShellContent Title="Tools" Route="tools" ContentTemplate="{DataTemplate v:ToolsPage}"/>
    <ShellContent Title="Loans" Route="loans"><v:LoansPage/></ShellContent>
  </TabBar>
  <FlyoutItem Title="Desk"><v:DeskPage/></FlyoutItem>
</Shell>
//- AppShell.xaml.cs
namespace Barn;
public partial class AppShell : Shell
{
    public AppShell()
    {
        InitializeComponent();
        Routing.RegisterRoute("item", typeof(Views.ItemPage));
        Add<Views.LoanPage>();
    }
    static void Add<T>() where T : Page => Routing.RegisterRoute(typeof(T).Name, typeof(T));
}
//- Views/Pages.cs
using Barn.Models;
namespace Barn.Views;
public class ToolsPage : ContentPage
{
    public ToolsPage() { BindingContext = new ToolsModel(); }
    async Task Item(int id) => await Shell.Current.GoToAsync($"item?id={id}");
    async Task Loan() => await AppShell.Current.GoToAsync("item/LoanPage", true);
}
public class LoansPage : ContentPage
{
    public LoansPage(LoansModel model) { BindingContext = model; }
}
public class DeskPage : ContentPage { }
[QueryProperty(nameof(Id), "id")]
public class ItemPage : ContentPage
{
    public int Id { set { Load(value); } }
    async Task Away() { await Shell.Current.GoToAsync("//tools"); }
    async Task Deep() { await Shell.Current.GoToAsync("//loans/LoanPage"); }
}
public class LoanPage : ContentPage, IQueryAttributable
{
    public void ApplyQueryAttributes(IDictionary<string, object> query)
    {
        if (query.ContainsKey("item")) Show((Item)query["item"]);
        Title = query["title"] as string;
    }
    async Task Up() { await Shell.Current.GoToAsync("../.."); }
    async Task Swap() { await Shell.Current.GoToAsync("../item"); }
}
//- Models/Models.cs
namespace Barn.Models;
public class Item { }
public class ToolsModel
{
    Task Open(Item item) => Shell.Current.GoToAsync("LoanPage", new Dictionary<string, object> { ["item"] = item, ["title"] = "x" });
}
public class LoansModel(INavigator navigator)
{
    Task Open() { var where = nameof(Barn.Views.LoanPage); return navigator.Go(where); }
    Task Elsewhere(Map map) => map.GoToAsync("nowhere");
}
public interface INavigator { Task Go(string address); }
public class Navigator : INavigator
{
    public Task Go(string address) => Shell.Current.GoToAsync(address);
}
public class Map { public Task GoToAsync(string place) => null; }
"#));
    lists(
        &routes(&document),
        expect![[r#"
        *tools [screen] -> ToolsPage () AppShell.xaml:3
        loans [screen] -> LoansPage () AppShell.xaml:4
        DeskPage [screen] -> DeskPage () AppShell.xaml:6
        item [screen] -> ItemPage (id?: int) AppShell.xaml.cs:7
        LoanPage [screen] -> LoanPage (item?: -, title: string) AppShell.xaml.cs:8"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ToolsPage open LoanPage literal (item, title) Models.cs:5
        LoansPage open LoanPage typed () Models.cs:9
        ToolsPage open item literal (id) Pages.cs:6
        ToolsPage open LoanPage literal () Pages.cs:7
        ItemPage reset tools literal () Pages.cs:18
        ItemPage reset LoanPage literal () Pages.cs:19
        LoanPage back - () Pages.cs:28
        LoanPage replace item literal () Pages.cs:29"#]],
    );
    lists(
        &reads(&document),
        expect![[r#"
        LoanPage item - Pages.cs:25
        LoanPage title string forced Pages.cs:26"#]],
    );
}

#[test]
fn content_is_absolute_and_registered_pages_are_not() {
    judged(
        "out-of-scope-route",
        &app(r#"
//- AppShell.xaml
<Shell x:Class="Barn.AppShell" XMLNS xmlns:v="clr-namespace:Barn">
  <ShellContent Route="tools" ContentTemplate="{DataTemplate v:ToolsPage}"/>
  <ShellContent Route="loans" ContentTemplate="{DataTemplate v:LoansPage}"/>
</Shell>
//- Pages.cs
namespace Barn;
public partial class AppShell : Shell { public AppShell() { Routing.RegisterRoute("item", typeof(ItemPage)); } }
public class ToolsPage : ContentPage
{
    Task A() => Shell.Current.GoToAsync("item");
    Task B() => Shell.Current.GoToAsync("//item");
                              ^^^^^^^^^ out-of-scope-route: cannot be used here
    Task C() => Shell.Current.GoToAsync("//tools/item");
    Task D() => Shell.Current.GoToAsync("//loans");
    Task E() => Shell.Current.GoToAsync("loans");
                              ^^^^^^^^^ out-of-scope-route: cannot be used here
}
public class LoansPage : ContentPage { }
public class ItemPage : ContentPage { }
"#),
    );
}

#[test]
fn properties_that_nothing_uses_and_values_that_may_be_absent() {
    let text = app(r#"
//- AppShell.xaml
<Shell x:Class="Barn.AppShell" XMLNS xmlns:v="clr-namespace:Barn">
  <ShellContent Route="tools" ContentTemplate="{DataTemplate v:ToolsPage}"/>
</Shell>
//- ItemPage.xaml
<ContentPage x:Class="Barn.ItemPage" XMLNS><Label Text="{Binding Name}"/></ContentPage>
//- Pages.cs
namespace Barn;
public partial class AppShell : Shell { public AppShell() { Routing.RegisterRoute("item", typeof(ItemPage)); } }
public class ToolsPage : ContentPage
{
    Task A(string name) => Shell.Current.GoToAsync("item", new Dictionary<string, object> { { "id", 1 }, { "name", name }, { "tag", "x" } });
    Task B() => Shell.Current.GoToAsync("item");
}
//- ItemPage.xaml.cs
namespace Barn;
[QueryProperty(nameof(Name), "name")]
[QueryProperty(nameof(Tag), "tag")]
UNREAD
public partial class ItemPage : ContentPage, IQueryAttributable
{
    public ItemPage() { BindingContext = this; }
    public string Name { get; set; }
    public string Tag { get; set; }
    public void ApplyQueryAttributes(IDictionary<string, object> query)
    {
        query.TryGetValue("id", out var id);
        Load((int)id!);
        UNMET
        if (query.TryGetValue("id", out var other)) Load((int)other!);
    }
}
"#);
    judged(
        "optional-forced",
        &text
            .replace("UNREAD\n", "")
            .replace("        UNMET\n", "                  ^^ optional-forced: `id` may be absent\n"),
    );
    let tag = "                             ^^^^^ argument-unread: never reads `tag`\n";
    judged(
        "argument-unread",
        &text
            .replace("        UNMET\n", "")
            .replace("UNREAD\n", tag)
            .replace("[QueryProperty(nameof(Tag), \"tag\")]", "[QueryProperty(nameof(Tag),  \"tag\")]"),
    );
}

#[test]
fn a_templates_view_models_and_names_of_types() {
    let document = scanned(
        r#"
//- Shop/Shop.csproj
<Project Sdk="Microsoft.NET.Sdk"><PropertyGroup><UseMaui>true</UseMaui></PropertyGroup></Project>
//- Shop/AppShell.xaml
<?xml version="1.0" encoding="UTF-8"?>
<Shell xmlns="http://xamarin.com/schemas/2014/forms" 
       xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml"
       xmlns:local="clr-namespace:Shop.Views"
       x:Class="Shop.AppShell">
    <TabBar>
        <ShellContent Title="About" Route="AboutPage" ContentTemplate="{DataTemplate local:AboutPage}" />
        <ShellContent Title="Browse" ContentTemplate="{DataTemplate local:ItemsPage}" />
    </TabBar>
    <TabBar>
        <ShellContent Route="LoginPage" Shell.FlyoutItemIsVisible="False" ContentTemplate="{DataTemplate local:LoginPage}" />
    </TabBar>
</Shell>
//- Shop/AppShell.xaml.cs
using Shop.ViewModels;
using Shop.Views;
using System;
using Xamarin.Forms;

namespace Shop
{
    public partial class AppShell : Xamarin.Forms.Shell
    {
        public AppShell()
        {
            InitializeComponent();
            Routing.RegisterRoute(nameof(ItemDetailPage), typeof(ItemDetailPage));
            Routing.RegisterRoute(nameof(NewItemPage), typeof(NewItemPage));
        }

        private async void OnMenuItemClicked(object sender, EventArgs e)
        {
            await Shell.Current.GoToAsync("//LoginPage");
        }
    }
}
//- Shop/Views/ItemsPage.xaml
<ContentPage xmlns="http://xamarin.com/schemas/2014/forms" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" x:Class="Shop.Views.ItemsPage"/>
//- Shop/Views/ItemsPage.xaml.cs
using Shop.ViewModels;
using Xamarin.Forms;
namespace Shop.Views
{
    public partial class ItemsPage : ContentPage
    {
        ItemsViewModel _viewModel;
        public ItemsPage()
        {
            InitializeComponent();
            BindingContext = _viewModel = new ItemsViewModel();
        }
    }
}
//- Shop/Views/AboutPage.xaml
<ContentPage xmlns="http://xamarin.com/schemas/2014/forms" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" xmlns:vm="clr-namespace:Shop.ViewModels" x:Class="Shop.Views.AboutPage">
    <ContentPage.BindingContext><vm:AboutViewModel /></ContentPage.BindingContext>
</ContentPage>
//- Shop/Views/AboutPage.xaml.cs
using Xamarin.Forms;
namespace Shop.Views { public partial class AboutPage : ContentPage { } }
//- Shop/Views/LoginPage.xaml
<ContentPage xmlns="http://xamarin.com/schemas/2014/forms" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" x:Class="Shop.Views.LoginPage"/>
//- Shop/Views/LoginPage.xaml.cs
using Xamarin.Forms;
using Shop.ViewModels;
namespace Shop.Views { public partial class LoginPage : ContentPage { public LoginPage() { this.BindingContext = new LoginViewModel(); } } }
//- Shop/Views/ItemDetailPage.xaml
<ContentPage xmlns="http://xamarin.com/schemas/2014/forms" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" x:Class="Shop.Views.ItemDetailPage"/>
//- Shop/Views/ItemDetailPage.xaml.cs
using Xamarin.Forms;
using Shop.ViewModels;
namespace Shop.Views { public partial class ItemDetailPage : ContentPage { public ItemDetailPage() { BindingContext = new ItemDetailViewModel(); } } }
//- Shop/Views/NewItemPage.xaml
<ContentPage xmlns="http://xamarin.com/schemas/2014/forms" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" x:Class="Shop.Views.NewItemPage"/>
//- Shop/Views/NewItemPage.xaml.cs
using Xamarin.Forms;
using Shop.ViewModels;
namespace Shop.Views { public partial class NewItemPage : ContentPage { public NewItemPage() { BindingContext = new NewItemViewModel(); } } }
//- Shop/ViewModels/All.cs
using Shop.Views;
using Xamarin.Forms;
using System.Threading.Tasks;
namespace Shop.ViewModels
{
    public class BaseViewModel
    {
        public Command Back { get; }
        public BaseViewModel() { Back = new Command(async () => await Shell.Current.GoToAsync("..")); }
    }
    public class ItemsViewModel : BaseViewModel
    {
        public Command AddItemCommand { get; }
        public Command<Item> ItemTapped { get; }
        public ItemsViewModel()
        {
            ItemTapped = new Command<Item>(OnItemSelected);
            AddItemCommand = new Command(OnAddItem);
        }
        private async void OnAddItem(object obj) { await Shell.Current.GoToAsync(nameof(NewItemPage)); }
        async void OnItemSelected(Item item)
        {
            if (item == null) return;
            await Shell.Current.GoToAsync($"{nameof(ItemDetailPage)}?{nameof(ItemDetailViewModel.ItemId)}={item.Id}");
        }
    }
    [QueryProperty(nameof(ItemId), nameof(ItemId))]
    public class ItemDetailViewModel : BaseViewModel
    {
        private string itemId;
        public string ItemId
        {
            get { return itemId; }
            set { itemId = value; LoadItemId(value); }
        }
        void LoadItemId(string id) { }
    }
    public class NewItemViewModel : BaseViewModel
    {
        private async void OnCancel() { await Shell.Current.GoToAsync("../"); }
    }
    public class AboutViewModel : BaseViewModel { }
    public class LoginViewModel : BaseViewModel
    {
        private async void OnLoginClicked(object obj) { await Shell.Current.GoToAsync($"//{nameof(AboutPage)}"); }
    }
    public class Item { public string Id { get; set; } }
}
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *AboutPage [screen] -> AboutPage () AppShell.xaml:7
        ItemsPage [screen] -> ItemsPage () AppShell.xaml:8
        LoginPage [screen] -> LoginPage () AppShell.xaml:11
        ItemDetailPage [screen] -> ItemDetailPage (ItemId?: string) AppShell.xaml.cs:13
        NewItemPage [screen] -> NewItemPage () AppShell.xaml.cs:14"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        - reset LoginPage literal () AppShell.xaml.cs:19
        AboutPage+ItemDetailPage+ItemsPage+LoginPage+NewItemPage back - () All.cs:9
        ItemsPage open NewItemPage typed () All.cs:20
        ItemsPage open ItemDetailPage computed (ItemId) All.cs:24
        NewItemPage back - () All.cs:40
        LoginPage reset AboutPage computed () All.cs:45"#]],
    );
}

#[test]
fn tables_of_pages_constants_in_markup_and_platforms() {
    let document = scanned(
        r#"
//- Barn.csproj
<Project Sdk="Microsoft.NET.Sdk"><PropertyGroup><UseMaui>true</UseMaui></PropertyGroup></Project>
//- AppShell.xaml
<Shell x:Class="Barn.AppShell" xmlns="http://schemas.microsoft.com/dotnet/2021/maui" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" xmlns:b="clr-namespace:Barn">
  <ShellContent Route="{x:Static b:Routes.Tools}" ContentTemplate="{DataTemplate TypeName=b:ToolsPage}"/>
  <ShellContent Route="loans" ContentTemplate="{DataTemplate b:LoansPage}"/>
</Shell>
//- AppShell.xaml.cs
namespace Barn;
public static class Routes { public const string Tools = "tools"; public const string Item = "item"; public const string Edit = "item/edit"; }
public partial class AppShell : Shell {
  public AppShell() {
    var table = new Dictionary<string, Type> { [Routes.Item] = typeof(ItemPage), [Routes.Edit] = typeof(EditPage) };
    foreach (var pair in table) Routing.RegisterRoute(pair.Key, pair.Value);
#if ANDROID
    Routing.RegisterRoute("scan", typeof(ScanPage));
#else
    Routing.RegisterRoute("web", typeof(WebPage));
#endif
  }
}
//- Pages.cs
namespace Barn;
public class ToolsPage : ContentPage {
  async void A(int id) {
    var data = new Dictionary<string, object>();
    data.Add("id", id);
    data["name"] = "x";
    await Shell.Current.GoToAsync(Routes.Item, data);
    await Shell.Current.GoToAsync("scan");
    await Shell.Current.GoToAsync("//loans", false);
    await Shell.Current.GoToAsync($"{Routes.Item}/edit");
    await Shell.Current.GoToAsync(Routes.Edit);
    await Shell.Current.GoToAsync("gone");
  }
}
[QueryProperty("Id", "id")]
[QueryProperty("Name", "name")]
public class ItemPage : ContentPage { public int Id { get; set; } public string Name { get; set; } void F() => Load(Id, Name); 
#if DEBUG
  async Task D() { await Shell.Current.GoToAsync("//" + Routes.Tools); }
#endif
}
public class EditPage : ContentPage { }
public class ScanPage : ContentPage { }
public class WebPage : ContentPage { }
public class LoansPage : ContentPage { }
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *tools [screen] -> ToolsPage () AppShell.xaml:2
        loans [screen] -> LoansPage () AppShell.xaml:3
        item [screen] -> ItemPage (id?: int, name?: string) AppShell.xaml.cs:5
        item/edit [screen] -> EditPage () AppShell.xaml.cs:5
        scan [screen] -> ScanPage () AppShell.xaml.cs:8
        web [screen] -> WebPage () AppShell.xaml.cs:10"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ToolsPage open item constant (id, name) Pages.cs:7
        ToolsPage open scan literal () Pages.cs:8
        ToolsPage reset loans literal () Pages.cs:9
        ToolsPage open item/edit literal () Pages.cs:10
        ToolsPage open item/edit constant () Pages.cs:11
        ToolsPage open undeclared literal () Pages.cs:12
        ItemPage reset tools computed () Pages.cs:19"#]],
    );
}
