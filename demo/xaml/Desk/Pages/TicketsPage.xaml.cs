using Borrowbarn.Desk.ViewModels;

namespace Borrowbarn.Desk.Pages;

public partial class TicketsPage : ContentPage
{
    public TicketsPage(TicketsViewModel model)
    {
        InitializeComponent();
        BindingContext = model;
    }
}
