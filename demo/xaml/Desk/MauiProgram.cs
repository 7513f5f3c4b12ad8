using Borrowbarn.Desk.Pages;
using Borrowbarn.Desk.ViewModels;

namespace Borrowbarn.Desk;

public static class MauiProgram
{
    public static MauiApp CreateMauiApp()
    {
        var builder = MauiApp.CreateBuilder();
        builder.UseMauiApp<App>();
        builder.Services.AddTransient<TicketsViewModel>().AddTransient<TicketsPage>();
        builder.Services.AddTransient<TicketViewModel>().AddTransient<TicketPage>();
        builder.Services.AddTransient<LabelPage>();
        return builder.Build();
    }
}
