using Borrowbarn.Desk.ViewModels;

namespace Borrowbarn.Desk.Pages;

public partial class TicketsPage : ContentPage
{
    public TicketsPage(TicketsViewModel model)
    {
        InitializeComponent();
        BindingContext = model;
    }

    private async void OnSupplier(object sender, EventArgs e)
    {
        await Navigation.PushModalAsync(new SupplierPage("handles") { Urgent = true });
    }
}
