using Borrowbarn.Desk.ViewModels;

namespace Borrowbarn.Desk.Pages;

public partial class TicketPage : ContentPage
{
    public TicketPage(TicketViewModel model)
    {
        InitializeComponent();
        BindingContext = model;
    }
}
