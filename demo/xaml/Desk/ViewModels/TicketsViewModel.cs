using Borrowbarn.Desk.Pages;

namespace Borrowbarn.Desk.ViewModels;

public partial class TicketsViewModel : ObservableObject
{
    [ObservableProperty]
    private Ticket? picked;

    public List<Ticket> Tickets { get; } = new();

    [RelayCommand]
    private Task Open()
    {
        return Shell.Current.GoToAsync($"{Routes.Ticket}?number={Picked!.Number}");
    }
}
