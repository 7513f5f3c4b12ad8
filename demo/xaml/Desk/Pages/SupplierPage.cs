namespace Borrowbarn.Desk.Pages;

public class SupplierPage : ContentPage
{
    public SupplierPage(string parts)
    {
        Title = $"Order {parts}";
        var close = new Button { Text = "Close" };
        close.Clicked += async (_, _) => await Navigation.PopModalAsync();
        Content = close;
    }

    public bool Urgent { get; set; }
}
