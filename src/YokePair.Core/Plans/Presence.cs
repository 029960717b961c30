using YokePair.Core.Basics;

namespace YokePair.Core.Plans;

/// <summary>Whether a thing can be had on a day.</summary>
public static class Presence
{
    /// <summary>Whether it is here.</summary>
    public static bool IsHere(this Item item, DateOnly day) => WhyAway(item, day) is null;

    /// <summary>Why it is not here on a day, in words; null when it is.</summary>
    public static string? WhyAway(this Item item, DateOnly day)
    {
        var within = (item.From is not { } from || day >= from) && (item.To is not { } to || day <= to);
        var until = item.To is { } last ? $" until {English.Date(last)}" : "";
        return item.Status switch
        {
            Availability.Lent when within => "lent" + until,
            Availability.RentedOut when within => "rented out" + until,
            Availability.InRepair when within => "in repair" + until,
            Availability.Lost when item.From is not { } since || day >= since => "lost",
            Availability.Retired when item.From is not { } since || day >= since => "retired",
            Availability.RentedIn when !within => $"rented in only{(item.From is { } first ? $" from {English.Date(first)}" : "")}{until}",
            _ => null,
        };
    }
}
