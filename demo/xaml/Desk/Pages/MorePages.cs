namespace Borrowbarn.Desk.Pages;

public class ReturnsPage : ContentPage
{
    public ReturnsPage()
    {
        var tickets = new Button { Text = "It came back broken" };
        tickets.Clicked += async (_, _) => await Shell.Current.GoToAsync("//tickets");
        var ticket = new Button { Text = "Its ticket" };
        ticket.Clicked += async (_, _) => await Shell.Current.GoToAsync($"//{Routes.Ticket}");
        Content = new VerticalStackLayout { tickets, ticket };
    }
}

[QueryProperty(nameof(Number), "number")]
public class PhotoPage : ContentPage
{
    public int Number { get; set; }

    private async void OnTaken(object sender, EventArgs e)
    {
        await Shell.Current.GoToAsync("../../..");
    }
}

public class PartsPage : ContentPage, IQueryAttributable
{
    public void ApplyQueryAttributes(IDictionary<string, object> query)
    {
        var ticket = (Ticket)query["ticket"];
        query.TryGetValue("shop", out var shop);
        Title = ticket.Number + shop!.ToString();
    }
}

public class LabelPage : ContentPage
{
}

public record Ticket(int Number, string Tool);
