using System;

namespace Borrowbarn.Phone.Navigation
{
    /// <summary>Every address of the app.</summary>
    public static class Links
    {
        public const string Shelf = "/shelf";
        public const string ItemFormat = "/item/{0}";
        public const string LoanFormat = "/loan/{0}/{1}";
        public const string Returns = "/Views/ReturnsPage.xaml";
        public const string Members = "/Views/MembersPage.xaml";
        public const string Find = "/Views/FindPage.xaml";
        public const string Rules = "/Borrowbarn.Shared;component/Pages/RulesPage.xaml";
        public const string Calendar = "/Views/CalendarPage.xaml";

        public static Uri To(string page)
        {
            return new Uri(page, UriKind.Relative);
        }

        public static Uri To(string page, string key, object value)
        {
            return new Uri(page + "?" + key + "=" + Uri.EscapeDataString(value.ToString()), UriKind.Relative);
        }

        public static Uri Item(int id)
        {
            return To(string.Format(ItemFormat, id));
        }
    }

    public static class Keys
    {
        public const string Id = "id";
        public const string Item = "item";
        public const string Member = "member";
    }
}
