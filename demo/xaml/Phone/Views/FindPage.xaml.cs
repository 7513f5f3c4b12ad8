using System;
using System.Windows;
using System.Windows.Navigation;
using Borrowbarn.Phone.Navigation;

namespace Borrowbarn.Phone.Views
{
    public partial class FindPage : BarnPage
    {
        protected override void OnNavigatedTo(NavigationEventArgs e)
        {
            Words.Text = Asked("words") ?? string.Empty;
        }

        private void OnFind(object sender, RoutedEventArgs e)
        {
            NavigationService.Navigate(new Uri(Links.Find + "?words=" + Words.Text, UriKind.Relative));
        }
    }
}
