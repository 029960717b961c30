using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Lists;

/// <summary>
/// The small things that a day asks for and no picture hangs by: by its kind, its weather and its places. What is packed already has its line
/// among the things of its bag.
/// </summary>
internal static class SmallThings
{
    /// <summary>From so many hours on one eats on the way.</summary>
    private const double LongHours = 6;

    /// <summary>Light in which one does not find a thing in a bag.</summary>
    private const double DarkEv = 3;

    /// <summary>Cold enough that glass fogs where it is warm again, °C.</summary>
    private const double ColdC = 5;

    private static readonly string[] Loud = ["dance-floor", "concert", "road-race", "hall-play"], Named = ["groups", "podium", "press", "talks", "awards"];

    /// <summary>Words by which a packed thing is known as one of them, what it is, and why this day asks for it; null = it does not.</summary>
    private static readonly (string Id, string[] Words, string Text, Func<Plan, string?> Why)[] All =
    [
        ("rain", ["rain"], "A rain cover for each camera", plan => In(plan, "rain in", p => p.Rain == true)),
        ("damp", ["silica", "dry bag"], "A closed bag with silica: cold glass fogs in the warm", plan => In(plan, "cold in", p => p.TemperatureC < ColdC)),
        ("ears", ["earplug", "ear plug"], "Earplugs", plan => In(plan, "loud in", p => Loud.Contains(KindOf(p)))),
        ("clips", ["clip", "mending", "needle"], "Dress clips, needle and thread", plan => plan.Assignment.Kind == "wedding" ? "a wedding" : null),
        ("names", ["pen", "notebook", "list of names"], "A pen and the list of names", plan => In(plan, "who is who in", p => Named.Contains(KindOf(p)))),
        ("torch", ["torch", "headlamp", "head lamp"], "A torch for your own bag", plan => In(plan, "dark in", p => p.Ev <= DarkEv)),
        ("food", ["food", "water", "snack"], "Food and water", plan => Hours(plan) is > LongHours and var h
            ? FormattableString.Invariant($"{h:0} hours on your feet") : null),
    ];

    /// <summary>A line for each that the day asks for and that nothing packed is.</summary>
    public static IEnumerable<CheckLine> Missing(Plan plan) =>
        from small in All
        let why = small.Why(plan)
        where why is not null && !plan.Items.Any(i => small.Words.Any(word => IsCalled(i, word)))
        select new CheckLine($"morning/small/{small.Id}", small.Text, $"{why}; none is packed", null, LineCost.None, []);

    /// <summary>By its name or one of its roles, one of it or several, as whole words: an open reel is no pen.</summary>
    private static bool IsCalled(Item item, string word) => (item.Roles ?? []).Append(item.Name ?? "").Any(text =>
    {
        var words = text.ToLowerInvariant().Split([' ', ',', ';', '-', '/'], StringSplitOptions.RemoveEmptyEntries).Select(w => w.TrimEnd('s'));
        return $" {string.Join(' ', words)} ".Contains($" {word} ", StringComparison.Ordinal);
    });

    /// <summary>As it says, else as its name does.</summary>
    private static string? KindOf(Part part) => part.Kind ?? PartKind.Meant(part.Label)?.Id;

    private static string? In(Plan plan, string words, Func<Part, bool> asks) =>
        Day.InOrder(plan).FirstOrDefault(asks) is { } part ? $"{words} {part.Label}" : null;

    private static double Hours(Plan plan) =>
        plan.Parts.Min(p => p.Start) is { } first && plan.Parts.Max(p => p.End) is { } last ? (last - first).TotalHours : 0;
}
