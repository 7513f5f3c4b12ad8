using System;
using System.Windows;
using System.Windows.Navigation;
using Borrowbarn.Phone.Navigation;

namespace Borrowbarn.Phone.Views
{
    public partial class ItemPage : BarnPage
    {
        private int _id;

        protected override void OnNavigatedTo(NavigationEventArgs e)
        {
            _id = int.Parse(NavigationContext.QueryString[Keys.Id]);
            Tool.Text = "Tool " + _id;
        }

        private void OnLend(object sender, RoutedEventArgs e)
        {
            NavigationService.Navigate(new Uri(string.Format(Links.LoanFormat, _id, 12), UriKind.Relative));
        }

        private void OnBroken(object sender, RoutedEventArgs e)
        {
            NavigationService.Navigate(new Uri($"/ticket/{_id}", UriKind.Relative));
        }
    }
}
