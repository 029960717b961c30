using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Core.Verdict;

/// <summary>How one need stands.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Need">Need id.</param>
/// <param name="Importance">What it is worth.</param>
/// <param name="Outcome">What becomes of it.</param>
/// <param name="Strands">0 broken, 1 hangs by one thing, 2, or 3 for three and more.</param>
/// <param name="SinglePoints">Ids of the things any one of which it is late or lost without.</param>
/// <param name="Seconds">Seconds to bring its way into use; null when lost.</param>
public sealed record NeedVerdict(string Part, string Need, Importance Importance, Outcome Outcome, int Strands, IReadOnlyList<string> SinglePoints,
    double? Seconds);

/// <summary>How a day stands, in one value: what proposals compare.</summary>
/// <param name="Needs">Every need, in the order of the plan.</param>
public sealed record DayVerdict(IReadOnlyList<NeedVerdict> Needs)
{
    /// <summary>Needs that are late or lost even with everything there.</summary>
    public int Gaps => Needs.Count(n => !n.Outcome.IsMet());

    /// <summary>Once and must needs that hang by one thing.</summary>
    public int Hanging => Needs.Count(n => n.Importance != Importance.Nice && n.SinglePoints.Count > 0);

    /// <summary>Once and must needs that are not covered or hang by one thing.</summary>
    public int Exposed => Needs.Count(n => n.Importance != Importance.Nice && n.Strands < 2);

    /// <summary>Ids of the things that alone carry a once or must need.</summary>
    public IReadOnlySet<string> SinglePoints => Needs.Where(n => n.Importance != Importance.Nice).SelectMany(n => n.SinglePoints)
        .ToHashSet(StringComparer.Ordinal);

    /// <summary>Seconds that all ways together take.</summary>
    public double Seconds => Needs.Sum(n => n.Seconds ?? 0);

    /// <summary>The verdict on an analysis.</summary>
    public static DayVerdict Of(DayAnalysis day) => new([.. day.Parts.SelectMany(part => part.Needs.Select(need => Of(day, part, need)))]);

    /// <summary>
    /// Whether nothing that matters stands worse than before: every need that was met is met still, and hangs by no thing it did not
    /// hang by.
    /// </summary>
    public bool IsNowhereWorseThan(DayVerdict before) => before.Needs.Zip(Needs).All(pair => pair.First.Importance == Importance.Nice
        || (pair.Second.Strands >= Math.Min(2, pair.First.Strands)
            && (pair.First.Strands == 0 || pair.Second.SinglePoints.All(pair.First.SinglePoints.Contains))));

    internal static NeedVerdict Of(DayAnalysis day, PartFindings part, NeedFinding need) =>
        new(part.Part.Id, need.Need.Id, need.Need.Importance, need.Outcome, need.Strands,
            [.. need.Cuts.TakeWhile(c => c.Length == 1).Select(c => day.Kit.Items[c[0]].Id)], need.Best?.Seconds);
}
