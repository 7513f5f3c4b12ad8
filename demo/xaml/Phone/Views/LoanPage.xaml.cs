using System.Windows;
using System.Windows.Navigation;
using Borrowbarn.Phone.Navigation;

namespace Borrowbarn.Phone.Views
{
    public partial class LoanPage : BarnPage
    {
        protected override void OnNavigatedTo(NavigationEventArgs e)
        {
            var query = NavigationContext.QueryString;
            Until.Text = query[Keys.Item] + ": " + query[Keys.Member] + ", " + (Asked("days") ?? "14");
        }

        private void OnDone(object sender, RoutedEventArgs e)
        {
            NavigationService.GoBack();
            NavigationService.GoBack();
            NavigationService.GoBack();
        }
    }
}
