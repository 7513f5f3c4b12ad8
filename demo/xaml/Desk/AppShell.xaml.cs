using Borrowbarn.Desk.Pages;

namespace Borrowbarn.Desk;

public partial class AppShell : Shell
{
    public AppShell()
    {
        InitializeComponent();
        Routing.RegisterRoute(Routes.Ticket, typeof(TicketPage));
        Routing.RegisterRoute(nameof(PhotoPage), typeof(PhotoPage));
        Routing.RegisterRoute(Routes.Parts, typeof(PartsPage));
    }
}

public static class Routes
{
    public const string Returns = "returns";
    public const string Tickets = "tickets";
    public const string Ticket = "ticket";
    public const string Parts = "parts";
    public const string Price = "price";
}
