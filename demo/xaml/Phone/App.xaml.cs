using System.Windows;
using System.Windows.Navigation;
using Microsoft.Phone.Controls;
using Borrowbarn.Phone.Navigation;

namespace Borrowbarn.Phone
{
    public partial class App : Application
    {
        public App()
        {
            InitializeComponent();
            RootFrame = new PhoneApplicationFrame();
            RootFrame.UriMapper = (UriMapper)Resources["Mapper"];
            RootFrame.NavigationFailed += (sender, e) => RootFrame.Navigate(Links.To(Links.Shelf));
        }

        public PhoneApplicationFrame RootFrame { get; private set; }
    }
}
