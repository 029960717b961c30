using System.Numerics;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Verdict;

/// <summary>What keeps a need from being met.</summary>
public enum GapKind
{
    /// <summary>Things that would do are not here that day.</summary>
    Away,

    /// <summary>Each need of its moment could be met, but not all at once.</summary>
    SharedMoment,

    /// <summary>The quickest thing for its role takes too long.</summary>
    RoleTooSlow,

    /// <summary>No thing for its role, with all it needs, can be had.</summary>
    NoRole,

    /// <summary>The quickest way takes too long.</summary>
    TooSlow,

    /// <summary>Nobody is there who may photograph it.</summary>
    Nobody,

    /// <summary>A camera would do, and has no battery or card.</summary>
    NoSupplies,

    /// <summary>No working camera with glass is packed.</summary>
    NoCamera,

    /// <summary>What would do is out of reach.</summary>
    OutOfReach,

    /// <summary>Nothing serves it; the nearest tells what it lacks.</summary>
    NothingServes,
}

/// <summary>Why a need is not met, as facts; <c>Wording</c> makes the sentence.</summary>
/// <param name="Kind">What keeps it from being met.</param>
public sealed record GapCause(GapKind Kind)
{
    /// <summary>Ids of what is away, or of the camera's body and lens that come nearest or are quickest, or of the thing for a role.</summary>
    public IReadOnlyList<string> Items { get; init; } = [];

    /// <summary>Why each of <see cref="Items"/> is away.</summary>
    public IReadOnlyList<string> Whys { get; init; } = [];

    /// <summary>Ids of the other needs of its moment.</summary>
    public IReadOnlyList<string> Others { get; init; } = [];

    /// <summary>Seconds the quickest way takes.</summary>
    public double Seconds { get; init; }

    /// <summary>Seconds the need can wait.</summary>
    public double WaitSeconds { get; init; }

    /// <summary>Figures of the nearest, where nothing serves.</summary>
    public NeedFit? Fit { get; init; }

    /// <summary>Where all of an interval must be covered, the stretch of it that is not.</summary>
    public Stretch? Where { get; init; }

    /// <summary>The cause of a need that is late or lost.</summary>
    internal static GapCause Of(DayAnalysis day, PartFindings part, NeedFinding need) =>
        Cause(day, part, need) is var cause && need.Bands.Count > 1 ? cause with { Where = Stretch.Worst(day, part, need) } : cause;

    private static GapCause Cause(DayAnalysis day, PartFindings part, NeedFinding need)
    {
        var kit = part.Ways.Kit;
        if (Away(day, part, need) is { } away) return away;
        if (need.Moment is not null && day.WorstOf(need.Bands, part.Failed).Outcome.IsMet())
            return new GapCause(GapKind.SharedMoment)
            {
                Others =
                [.. part.Needs.Where(n => n != need && n.Need.Moment == need.Need.Moment).Select(n => n.Need.Id)]
            };
        if (need.Best is { } slow)
            return new GapCause(need.Need.Role is null ? GapKind.TooSlow : GapKind.RoleTooSlow)
            {
                Items = slow.Rig.Fitted is { } fitted ? Named(kit, fitted) : [kit.Items[slow.Rig.Items[0]].Id],
                Seconds = slow.Seconds,
                WaitSeconds = need.Ways.ToleranceSeconds,
            };
        if (need.Need.Role is not null) return new GapCause(GapKind.NoRole);
        if (!part.Ways.Layout.Actors.Any(a => need.Need.Who == Need.Anyone || kit.Plan.People[a].Id == need.Need.Who)) return new GapCause(GapKind.Nobody);
        return need.Ways.Candidates.Any(c => !c.Rig.IsHit(part.Failed)) ? new GapCause(GapKind.NoSupplies) : Nearest(kit, part, need.Ways.Need);
    }

    private static GapCause Nearest(Kit kit, PartFindings part, Need need)
    {
        var weighed = kit.Glass.Where(g => Array.TrueForAll(g.Items, i => kit.Twins.Works(i, part.Failed)))
            .Select(g => (Glass: g, Fit: NeedFit.Ambient(kit.Plan.Rules, part.Part, need, g.Glass)))
            .ToList();
        if (weighed.Count == 0) return new GapCause(GapKind.NoCamera);
        if (weighed.Any(w => w.Fit.NoFor == Shortfalls.None)) return new GapCause(GapKind.OutOfReach);
        var (glass, fit) = weighed.OrderBy(w => BitOperations.PopCount((uint)w.Fit.NoFor))
            // What reaches farthest, where none reaches; else what is least too dark.
            .ThenByDescending(w => w.Fit.NoFor.HasFlag(Shortfalls.Megapixels) ? w.Fit.MegapixelsLeft : double.MaxValue).ThenBy(w => w.Fit.StopsOver).First();
        return new GapCause(GapKind.NothingServes) { Items = Named(kit, glass), Fit = fit };
    }

    /// <summary>Where the need would be met if what is away were here: what of that it would take.</summary>
    private static GapCause? Away(DayAnalysis day, PartFindings part, NeedFinding need)
    {
        if (!part.Away.Contains(true)) return null;
        var (outcome, way) = day.Left(need, [.. part.Failed.Zip(part.Away, (failed, away) => failed && !away)]);
        if (!outcome.IsMet() || way is null) return null;
        var kit = part.Ways.Kit;
        int[] missing = [.. way.Items.Where(i => part.Away[i])];
        return missing.Length == 0 ? null : new GapCause(GapKind.Away)
        {
            Items = [.. missing.Select(i => kit.Items[i].Id)],
            Whys = [.. missing.Select(i => kit.WhyAway(i, Day.Of(part.Part)!.Value)!)],
        };
    }

    private static string[] Named(Kit kit, FittedGlass fitted) => [kit.Items[fitted.Body].Id, kit.Items[fitted.Lens].Id];
}
