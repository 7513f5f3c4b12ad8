using System.Windows;
using Borrowbarn.Phone.Navigation;

namespace Borrowbarn.Phone.Views
{
    public partial class MembersPage : BarnPage
    {
        private readonly Gate _gate = new Gate();

        private void OnMember(object sender, RoutedEventArgs e)
        {
            _gate.Navigate("/barn/left");
            NavigationService.Navigate(Links.Item(7));
        }
    }

    /// <summary>Steers the tool gate, and shows no page.</summary>
    public class Gate
    {
        public void Navigate(string lane)
        {
            Lane = lane;
        }

        public string Lane { get; private set; }
    }
}
