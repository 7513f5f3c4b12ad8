using System.Windows;
using System.Windows.Navigation;
using Borrowbarn.Phone.Navigation;

namespace Borrowbarn.Phone.Views
{
    public partial class ReturnsPage : BarnPage
    {
        protected override void OnNavigatedTo(NavigationEventArgs e)
        {
            Title = Asked(Keys.Item) ?? "Any tool";
        }

        private void OnShelf(object sender, RoutedEventArgs e)
        {
            Leave();
        }
    }
}
