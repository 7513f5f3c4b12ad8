using Microsoft.Phone.Controls;

namespace Borrowbarn.Phone.Navigation
{
    /// <summary>What all pages of the app have in common.</summary>
    public class BarnPage : PhoneApplicationPage
    {
        protected string Asked(string key)
        {
            string value;
            return NavigationContext.QueryString.TryGetValue(key, out value) ? value : null;
        }

        protected void Leave()
        {
            if (NavigationService.CanGoBack)
            {
                NavigationService.GoBack();
            }
        }
    }
}
