using System.Text.Json.Serialization;

namespace YokePair.Core.Power;

/// <summary>What is put on charge at once.</summary>
/// <param name="Count">How many.</param>
/// <param name="On">Local time they are put on.</param>
/// <param name="Share">Share of a full charge they have when one leaves.</param>
public sealed record ChargingRound(int Count, DateTime On, double Share);

/// <summary>How batteries of one type get full in a night.</summary>
/// <param name="Type">The type.</param>
/// <param name="Wanted">How many must be full.</param>
/// <param name="Bays">How many are charged at once.</param>
/// <param name="Hours">Hours for a full charge.</param>
/// <param name="IsUsual">Whether bays or hours are usual figures, as no charger in the plan says them.</param>
/// <param name="Off">When one leaves.</param>
/// <param name="Rounds">What is put on when.</param>
/// <param name="IsBetween">Whether it is a night between two days of work, so that one cannot begin a day earlier.</param>
public sealed record Charging(
    string Type, int Wanted, int Bays, double Hours, bool IsUsual, DateTime Off, IReadOnlyList<ChargingRound> Rounds, bool IsBetween = false)
{
    /// <summary>How many are full when one leaves.</summary>
    public int Full => Rounds.Where(r => r.Share >= 1).Sum(r => r.Count);

    /// <summary>How many the day after cannot do without; null = all of them.</summary>
    [JsonIgnore] public int? Needed { get; init; }

    /// <summary>How many of those are not.</summary>
    public int Short => Math.Max(0, (Needed ?? Wanted) - Full);
}

/// <summary>A night between two days of work: a round is put on when one is awake, and not before the last is done.</summary>
public static class NightCharging
{
    private static readonly TimeSpan AwakeAfterHome = TimeSpan.FromMinutes(30), AwakeBeforeOff = TimeSpan.FromMinutes(90);

    /// <summary>The rounds of a night.</summary>
    /// <param name="home">Local time one comes home.</param>
    /// <param name="off">Local time one leaves.</param>
    /// <param name="wanted">How many must be full.</param>
    /// <param name="bays">How many are charged at once.</param>
    /// <param name="hours">Hours for a full charge.</param>
    /// <param name="bed">When one goes to bed; null = soon after coming home from a long day.</param>
    public static IReadOnlyList<ChargingRound> Rounds(DateTime home, DateTime off, int wanted, int bays, double hours, DateTime? bed = null)
    {
        var rounds = new List<ChargingRound>();
        var (asleep, awake) = (bed ?? home + AwakeAfterHome, off - AwakeBeforeOff);
        for (var at = home; wanted > 0 && bays > 0; at = at.AddHours(hours))
        {
            if (at > asleep && at < awake) at = awake;
            if (at >= off) break;
            var count = Math.Min(bays, wanted);
            rounds.Add(new ChargingRound(count, at, Math.Min(1, (off - at).TotalHours / hours)));
            wanted -= count;
        }
        return rounds;
    }
}
