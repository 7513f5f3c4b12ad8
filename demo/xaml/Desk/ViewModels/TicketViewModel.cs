using Borrowbarn.Desk.Pages;

namespace Borrowbarn.Desk.ViewModels;

[QueryProperty(nameof(Number), "number")]
public partial class TicketViewModel : ObservableObject
{
    [ObservableProperty]
    private string heading = string.Empty;

    public int Number
    {
        set => Heading = $"Ticket {value}";
    }

    [RelayCommand]
    private Task Photo()
    {
        return Shell.Current.GoToAsync(nameof(PhotoPage), new Dictionary<string, object> { ["nr"] = 7 });
    }

    [RelayCommand]
    private Task Parts()
    {
        return Shell.Current.GoToAsync(Routes.Parts, new Dictionary<string, object> { ["ticket"] = 7 });
    }

    [RelayCommand]
    private Task Close()
    {
        return Shell.Current.GoToAsync("..");
    }

    [RelayCommand]
    private Task Print()
    {
        return Shell.Current.GoToAsync("label");
    }
}
