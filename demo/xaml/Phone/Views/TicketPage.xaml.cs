using System.Windows.Navigation;
using Borrowbarn.Phone.Navigation;

namespace Borrowbarn.Phone.Views
{
    public partial class TicketPage : BarnPage
    {
        protected override void OnNavigatedTo(NavigationEventArgs e)
        {
            State.Text = NavigationContext.QueryString["number"];
        }
    }
}
