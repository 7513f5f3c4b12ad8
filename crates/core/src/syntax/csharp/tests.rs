//! What C#'s lens makes of each construct.

use crate::syntax::tests::sketched;

#[track_caller]
fn csharp(text: &str, expected: &str) {
    let found = sketched("barn/A.cs", text);
    let expected: Vec<&str> = expected.lines().map(str::trim).filter(|line| !line.is_empty()).collect();
    assert_eq!(found.lines().collect::<Vec<_>>(), expected, "\n{found}\n");
}

#[test]
fn types_with_primary_constructors_properties_and_accessors() {
    csharp(
        r#"
using System;
using Ui = Barn.Controls;
namespace Barn.Shelf;
[QueryProperty(nameof(Id), "id")]
public partial class ItemPage(Model model, int size = 3) : BasePage<Tool>(model), IThing
{
    [ObservableProperty] private string _name = "a";
    public const string Key = "id";
    public int Count { get; set; } = 4;
    public string Route => "item";
    public string Title { get { return _name; } set { _name = value; } }
    public ItemPage() : base(3) { Init(); }
    public static Uri To(string page, params int[] rest) => new Uri(page);
}
public record Tool(int Id, string? Name);
public enum Kind { Hand, Power = 2 }
"#,
        r#"
class ItemPage(model: Model, size: int = 3): BasePage<Tool>(model), IThing() { val _name: string = "a"; val Key: string = "id"; val Count: int = 4; val Route: string get "item"; val Title: string get { return _name }; fun <init>() = { super(3); { Init() } }; fun To(page: string, rest: Array<int>): Uri = Uri(page) }
class Tool(Id: int, Name: string?):  {  }
enum Kind():  { entry Hand(): () {  }; entry Power(): () {  } }
"#,
    );
}

#[test]
fn values_as_they_are_made_and_taken_apart() {
    csharp(
        r#"
class A
{
    void Go(object x)
    {
        var made = new Item(1) { Name = "a" };
        Item short_ = new(2);
        var map = new Dictionary<string, object> { ["a"] = 1, [Keys.B] = x };
        var old = new Dictionary<string, object> { { "b", 2 } };
        var list = new List<int> { 1, 2 };
        int[] fresh = [1, 2];
        if (map.TryGetValue("k", out var found) && x is Item item) Show(found, item);
        var text = $"item/{made.Id:F1}?q={x}" + @"a""b" + string.Format("{0}/{1}", x, 2);
        var cast = (Item)x; var safe = x as Item; var or = cast ?? safe; var sure = cast!.Name?.Length;
        frame?.Navigate<ItemPage>(typeof(ItemPage), key: nameof(Item.Name));
        b.Click += (s, e) => { Go(e); };
        var way = x switch { 1 => "a", Item i => i.Name, _ => "c" };
        foreach (var one in list) Go(one);
        x = map["a"];
    }
}
"#,
        r#"
class A():  { fun Go(x: object) = { val made = Item(1, Name = "a"); val short_: Item = Item(2); val map = {"a": 1, Keys.B: x}; val old = {"b": 2}; val list = [1, 2]; val fresh: Array<int> = [1, 2]; val found; val item: Item = (x as? Item); choose ((map.TryGetValue("k", found) && (x is classOf Item)) -> Show(found, item)); val text = (("item/${made.Id}?q=${x}" + "a"b") + string.Format("{0}/{1}", x, 2)); val cast = (x as Item); val safe = (x as? Item); val or = (cast ?: safe); val sure = [!! cast].Name.Length; frame.Navigate<ItemPage>(classOf ItemPage, key = [nameof Item.Name]); b.Click += \s, e { Go(e) }; val i: Item = (x as? Item); val way = choose x (1 -> "a" | classOf Item -> i.Name |  -> "c"); <val one of list; Go(one)>; x = map["a"] } }
"#,
    );
}
