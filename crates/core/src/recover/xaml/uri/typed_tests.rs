//! `xaml-uri` where pages are named by their types.

use crate::recover::testing::{calls, lists, routes, scanned};
use expect_test::expect;

const PRESENTATION: &str = "http://schemas.microsoft.com/winfx/2006/xaml/presentation";

/// A fixture with `XMLNS` for the namespaces that every document binds.
fn app(text: &str) -> String {
    let bound = format!("xmlns=\"{PRESENTATION}\" xmlns:x=\"http://schemas.microsoft.com/winfx/2006/xaml\"");
    text.replace("XMLNS", &bound)
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
        expect![[r#"
        */Pages/LoansPage.xaml [screen] -> LoansPage () LoansPage.xaml:1
        /Pages/TicketPage.xaml [screen] -> TicketPage (arguments?: int) TicketPage.xaml:1
        /Pages/TicketsPage.xaml [screen] -> TicketsPage () TicketsPage.xaml:1"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        - open /Pages/TicketsPage.xaml literal () MainWindow.xaml.cs:5
        LoansPage link /Pages/TicketsPage.xaml literal () LoansPage.xaml:1
        LoansPage open /Pages/TicketPage.xaml typed (arguments) LoansPage.xaml.cs:6
        LoansPage open /Pages/TicketsPage.xaml typed () LoansPage.xaml.cs:7
        TicketsPage back - () TicketsPage.xaml.cs:3"#]],
    );
}

#[test]
fn types_kept_in_a_list_and_frames_by_name_or_cast() {
    let document = scanned(
        r#"
//- Reader/Reader.csproj
<Project Sdk="Microsoft.NET.Sdk"><PropertyGroup><AssemblyName>Reader</AssemblyName></PropertyGroup></Project>
//- Reader/App.xaml
<Application xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml" x:Class="Reader.App"/>
//- Reader/App.xaml.cs
using Windows.UI.Xaml;
using Windows.UI.Xaml.Controls;
namespace Reader
{
    sealed partial class App : Application
    {
        protected override void OnLaunched(LaunchActivatedEventArgs e)
        {
            Frame rootFrame = Window.Current.Content as Frame;
            if (rootFrame == null) { rootFrame = new Frame(); rootFrame.NavigationFailed += OnNavigationFailed; Window.Current.Content = rootFrame; }
            if (rootFrame.Content == null)
            {
                rootFrame.Navigate(typeof(MainPage), e.Arguments);
            }
        }
        void OnNavigationFailed(object sender, NavigationFailedEventArgs e) { throw new Exception("Failed to load " + e.SourcePageType.FullName); }
    }
}
//- Reader/MainPage.xaml
<Page x:Class="Reader.MainPage" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml" xmlns:local="using:Reader">
  <NavigationView ItemInvoked="Nav_ItemInvoked"><Frame x:Name="ContentFrame"/></NavigationView>
  <local:Footer/>
</Page>
//- Reader/MainPage.xaml.cs
using System;
using System.Collections.Generic;
using Windows.UI.Xaml.Controls;
namespace Reader
{
    public sealed partial class MainPage : Page
    {
        private readonly List<(string Tag, Type Page)> _pages = new List<(string Tag, Type Page)>
        {
            ("home", typeof(HomePage)),
            ("feeds", typeof(FeedsPage)),
        };
        private void Nav_ItemInvoked(NavigationView sender, NavigationViewItemInvokedEventArgs args)
        {
            if (args.IsSettingsInvoked) { ContentFrame.Navigate(typeof(SettingsPage)); return; }
            var item = _pages.First(p => p.Tag.Equals(args.InvokedItemContainer.Tag));
            ContentFrame.Navigate(item.Page, null);
        }
    }
}
//- Reader/Footer.xaml
<UserControl x:Class="Reader.Footer" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml"/>
//- Reader/Footer.xaml.cs
namespace Reader { public sealed partial class Footer : UserControl { void Help() { ((Frame)Window.Current.Content).Navigate(typeof(HelpPage), "intro"); } } }
//- Reader/HomePage.xaml
<Page x:Class="Reader.HomePage" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml"/>
//- Reader/HomePage.xaml.cs
namespace Reader { public sealed partial class HomePage : Page { 
  void Go(Feed f) { this.Frame.Navigate(typeof(FeedPage), f); Frame.Navigate(typeof(FeedPage), new FeedArgs { Id = 3 }, new SlideNavigationTransitionInfo()); }
  void Back() { if (Frame.CanGoBack) Frame.GoBack(); } } 
  public class Feed {} public class FeedArgs { public int Id; } }
//- Reader/FeedsPage.xaml
<Page x:Class="Reader.FeedsPage" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml"/>
//- Reader/FeedsPage.xaml.cs
namespace Reader { public sealed partial class FeedsPage : Page { } }
//- Reader/FeedPage.xaml
<Page x:Class="Reader.FeedPage" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml"/>
//- Reader/FeedPage.xaml.cs
namespace Reader { public sealed partial class FeedPage : Page { 
  protected override void OnNavigatedTo(NavigationEventArgs e) { var args = e.Parameter as FeedArgs; if (args != null) Load(args.Id); else if (e.Parameter is Feed feed) Load(feed); } } }
//- Reader/HelpPage.xaml
<Page x:Class="Reader.HelpPage" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml"/>
//- Reader/HelpPage.xaml.cs
namespace Reader { public sealed partial class HelpPage : Page { 
  protected override void OnNavigatedTo(NavigationEventArgs e) { if (e.Parameter != null) { var topic = e.Parameter.ToString(); } } } }
//- Reader/SettingsPage.xaml
<Page x:Class="Reader.SettingsPage" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml"/>
//- Reader/SettingsPage.xaml.cs
namespace Reader { public sealed partial class SettingsPage : Page { void Lost() { Frame.Navigate(typeof(AboutPage), 5); } } }
//- Reader/AboutPage.xaml
<Page x:Class="Reader.AboutPage" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation" xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml"/>
//- Reader/AboutPage.xaml.cs
namespace Reader { public sealed partial class AboutPage : Page { } }
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        /AboutPage.xaml [screen] -> AboutPage () AboutPage.xaml:1
        /FeedPage.xaml [screen] -> FeedPage (arguments?: FeedArgs) FeedPage.xaml:1
        /FeedsPage.xaml [screen] -> FeedsPage () FeedsPage.xaml:1
        /HelpPage.xaml [screen] -> HelpPage (arguments?: -) HelpPage.xaml:1
        /HomePage.xaml [screen] -> HomePage () HomePage.xaml:1
        */MainPage.xaml [screen] -> MainPage () MainPage.xaml:1
        /SettingsPage.xaml [screen] -> SettingsPage () SettingsPage.xaml:1"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        MainPage open /HelpPage.xaml typed (arguments) Footer.xaml.cs:1
        HomePage open /FeedPage.xaml typed (arguments) HomePage.xaml.cs:2
        HomePage open /FeedPage.xaml typed (arguments) HomePage.xaml.cs:2
        HomePage back - () HomePage.xaml.cs:3
        MainPage open /SettingsPage.xaml typed () MainPage.xaml.cs:15
        MainPage open dynamic dynamic () MainPage.xaml.cs:17
        SettingsPage open /AboutPage.xaml typed (arguments) SettingsPage.xaml.cs:1"#]],
    );
}
