using Borrowbarn.Phone.Navigation;

namespace Borrowbarn.Phone.Views
{
    public partial class NewItemPage : BarnPage
    {
    }
}
