using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Use;

namespace YokePair.Core.Taken;

/// <summary>What was planned against what was.</summary>
/// <param name="Parts">Its parts; none where no pictures were read.</param>
public sealed record DayAsItWas(IReadOnlyList<PartAsUsed> Parts)
{
    /// <summary>Holds the plan against what the pictures tell.</summary>
    /// <param name="day">The day as it was planned.</param>
    /// <param name="used">What it used.</param>
    /// <param name="atHome">What is owned besides: it may have been used all the same.</param>
    public static DayAsItWas Of(DayAnalysis day, TakenDay used, IReadOnlyList<Item> atHome)
    {
        var names = day.Whole.Items.Concat(atHome).DistinctBy(i => i.Id).ToDictionary(i => i.Id, i => i.Label, StringComparer.Ordinal);
        var cameras = new CameraDay(day, level: UseLevel.Likely);
        var planned = cameras.Work().ToLookup(w => (cameras.Parts[w.Part].Id, cameras.Kit.Items[w.Body].Id), w => w.Frames);
        return new DayAsItWas([.. used.Parts.Select(p => new PartAsUsed(
            p.Part, p.From, p.To, p.Taken, (int)Math.Round(cameras.Parts.Any(x => x.Id == p.Part) ? planned.Where(w => w.Key.Item1 == p.Part).Sum(w => w.Sum())
                : 0),
            [.. p.Hands.GroupBy(h => h.Body).Select(g => new HandAsUsed(
                g.Key, g.Sum(h => h.Taken), g.Key is null ? 0 : (int)Math.Round(planned[(p.Part, g.Key)].Sum()),
                [.. g.Select(h => new GlassAsUsed(h.Glass, h.Glass is null ? "unknown glass" : names.GetValueOrDefault(h.Glass, h.Glass),
                    (double)h.Taken / g.Sum(x => x.Taken)))]))]))]);
    }
}

/// <summary>A part as it was.</summary>
/// <param name="Part">Its id.</param>
/// <param name="From">When it began.</param>
/// <param name="To">When it ended.</param>
/// <param name="Frames">Pictures taken.</param>
/// <param name="Planned">Pictures that were likely by the plan.</param>
/// <param name="Hands">Each camera.</param>
public sealed record PartAsUsed(string Part, DateTime From, DateTime To, int Frames, int Planned, IReadOnlyList<HandAsUsed> Hands);

/// <summary>A camera in a part as it was.</summary>
/// <param name="Body">Its id; null = not known.</param>
/// <param name="Frames">Pictures taken.</param>
/// <param name="Planned">Pictures that were likely by the plan.</param>
/// <param name="Glass">What was on it, what took most first.</param>
public sealed record HandAsUsed(string? Body, int Frames, int Planned, IReadOnlyList<GlassAsUsed> Glass);

/// <summary>Glass on a camera.</summary>
/// <param name="Glass">Its id; null = not known.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Share">Share of the pictures of that camera in that part.</param>
public sealed record GlassAsUsed(string? Glass, string Name, double Share);
