using YokePair.Core.Plans;
using YokePair.Core.Power;

namespace YokePair.Core.Cards;

/// <summary>A moment of a day.</summary>
/// <param name="Part">Number of the part in the order of the day.</param>
/// <param name="Share">Share of it that is over.</param>
internal readonly record struct Moment(int Part, double Share);

/// <summary>The moments of a day in order: by the clock, or part after part where there are no times.</summary>
internal sealed class CardClock
{
    private readonly Part[] parts;
    private readonly (double Start, double Minutes)[] at;

    public CardClock(Part[] parts)
    {
        this.parts = parts;
        var first = parts.Length > 0 && parts.All(p => p.Start is not null && p.End > p.Start) ? parts.Min(p => p.Start!.Value) : (DateTime?)null;
        Starts = first;
        at = [.. parts.Select((p, n) => first is { } since ? ((p.Start!.Value - since).TotalMinutes, (p.End!.Value - p.Start.Value).TotalMinutes) : (n, 1.0))];
    }

    /// <summary>Minutes since the first part began; without times, parts.</summary>
    public double Of(Moment moment) => at[moment.Part].Start + (at[moment.Part].Minutes * moment.Share);

    /// <summary>When the last of some parts is over.</summary>
    public Moment EndOf(IEnumerable<int> some) => new(some.MaxBy(p => Of(new Moment(p, 1))), 1);

    /// <summary>Minutes from the start of a part to a time; infinite once it has begun where there are no times.</summary>
    public double Since(int part, double time) => Starts is not null ? time - at[part].Start : time > at[part].Start ? double.PositiveInfinity : 0;

    /// <summary>When the first part begins; null without times.</summary>
    private DateTime? Starts { get; }

    /// <summary>Share of a part that is over by a time.</summary>
    public double ShareBy(int part, double time) => Math.Clamp((time - at[part].Start) / at[part].Minutes, 0, 1);

    /// <summary>Whether a part goes on at a time, or did just before.</summary>
    public bool HasBegun(int part, double time, bool justBefore) => justBefore ? at[part].Start < time : at[part].Start <= time;

    /// <summary>Local time, some minutes since the first part began; null without times.</summary>
    public DateTime? TimeOf(double minutes) => Starts?.AddMinutes(Math.Ceiling(minutes));

    /// <summary>Local time of a moment; null without times.</summary>
    public DateTime? TimeOf(Moment moment) => PowerPlans.MinuteOf(parts[moment.Part], moment.Share);
}
