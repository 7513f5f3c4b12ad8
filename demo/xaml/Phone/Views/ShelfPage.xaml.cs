using System;
using System.Windows;
using Borrowbarn.Phone.Navigation;

namespace Borrowbarn.Phone.Views
{
    public partial class ShelfPage : BarnPage
    {
        private void OnFind(object sender, RoutedEventArgs e)
        {
            NavigationService.Navigate(Links.To(Links.Find));
        }

        private void OnRules(object sender, RoutedEventArgs e)
        {
            NavigationService.Navigate(new Uri(Links.Rules, UriKind.Relative));
        }

        private void OnNew(object sender, RoutedEventArgs e)
        {
            NavigationService.Navigate(new Uri("/item/new", UriKind.Relative));
        }

        private void OnReturn(object sender, RoutedEventArgs e)
        {
            NavigationService.Navigate(Links.To(Links.Returns, "itm", 7));
        }
    }
}
