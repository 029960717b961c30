using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>A line of the list for the insurer.</summary>
/// <param name="Item">Item id.</param>
/// <param name="Kind">What kind of thing it is.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Serial">Serial number; null = nobody has said.</param>
/// <param name="Value">What it would cost to replace; null = nobody has said.</param>
/// <param name="FirstUse">Day it was first used; null = not said.</param>
/// <param name="Owner">Whose it is; null = one's own.</param>
/// <param name="Away">Why it is not at home on that day; null = it is.</param>
/// <param name="IsNew">Whether it came within a year before that day.</param>
public sealed record InsuranceLine(
    string Item, string Kind, string Name, string? Serial, double? Value, DateOnly? FirstUse, string? Owner, string? Away, bool IsNew);

/// <summary>
/// Everything an insurer asks of once a year, what is worth most first: what is valued, and cameras, glass and lights that are not. What is
/// hired is its owner's to insure; what is lost or retired is no longer there.
/// </summary>
/// <param name="Day">The day it is made for.</param>
/// <param name="Lines">The lines.</param>
/// <param name="Value">What it is worth together, as far as it is known.</param>
/// <param name="Unvalued">How many cameras, lenses and lights nobody has valued.</param>
/// <param name="Unnumbered">How many of them have no serial number told.</param>
/// <param name="New">How many came within a year.</param>
public sealed record Insurance(DateOnly Day, IReadOnlyList<InsuranceLine> Lines, double Value, int Unvalued, int Unnumbered, int New)
{
    /// <summary>Makes it.</summary>
    /// <param name="things">Everything in the locker.</param>
    /// <param name="day">The day.</param>
    public static Insurance Of(IReadOnlyList<Item> things, DateOnly day)
    {
        var owned = things.Where(t => t.Status is not (Availability.RentedIn or Availability.Lost or Availability.Retired)
            && (t.Value is not null || IsDear(t)))
            .OrderByDescending(t => t.Value ?? 0).ThenBy(t => t.Label, StringComparer.Ordinal).ToList();
        List<InsuranceLine> lines = [.. owned.Select(t => new InsuranceLine(
            t.Id, ItemKinds.Of(t), t.Label, t.Serial, t.Value, t.FirstUse, t.Owner, t.WhyAway(day), t.FirstUse > day.AddYears(-1)))];
        var dear = owned.FindAll(IsDear);
        return new Insurance(day, lines, lines.Sum(l => l.Value ?? 0), dear.Count(t => t.Value is null), dear.Count(t => t.Serial is null),
            lines.Count(l => l.IsNew));
    }

    private static bool IsDear(Item item) => item is Body or Lens or Flash or StandLight or Drive;
}
