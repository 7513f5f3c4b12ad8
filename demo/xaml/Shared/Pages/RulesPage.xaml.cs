using Microsoft.Phone.Controls;

namespace Borrowbarn.Shared.Pages
{
    public partial class RulesPage : PhoneApplicationPage
    {
    }
}
