namespace Borrowbarn.Desk.Tests;

public class RoutesTests
{
    public async Task GoesNowhere() => await Shell.Current.GoToAsync("//nowhere");
}
