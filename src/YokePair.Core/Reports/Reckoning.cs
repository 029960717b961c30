using YokePair.Core.Plans;

namespace YokePair.Core.Reports;

/// <summary>What the rules' waits and seconds come to on this day.</summary>
/// <param name="Waits">For once and for must: what waits by the rule alone.</param>
/// <param name="Steps">How often each operation is needed, taking each picture as one would.</param>
public sealed record Reckoning(IReadOnlyList<WaitReckoned> Waits, IReadOnlyList<StepsReckoned> Steps)
{
    internal static Reckoning Of(Plan plan, IReadOnlyList<NeedReport> needs)
    {
        var typed = plan.Parts.SelectMany(p => p.Needs.Where(n => n.ToleranceSeconds is not null || n.MomentSeconds is not null).Select(n => (p.Id, n.Id)))
            .ToHashSet();
        var taken = needs.Where(n => n.Best is not null).ToList();
        return new Reckoning(
            [.. new[] { Importance.Once, Importance.Must }.Select(importance =>
                Wait(importance, [.. needs.Where(n => n.Importance == importance && !typed.Contains((n.Part, n.Need)))]))],
            [.. taken.SelectMany(n => n.Best!.Steps).CountBy(s => s.Action).OrderBy(c => c.Key).Select(c => new StepsReckoned(c.Key, c.Value))]);
    }

    private static WaitReckoned Wait(Importance importance, IReadOnlyList<NeedReport> needs)
    {
        var slowest = needs.Where(n => n.Best is not null).MaxBy(n => n.Best!.Seconds);
        return new WaitReckoned(importance, needs.Count, slowest?.Best!.Seconds, slowest?.Part, slowest?.Need);
    }
}

/// <summary>What waits by the rule alone.</summary>
/// <param name="Importance">Once or must.</param>
/// <param name="Needs">How many needs.</param>
/// <param name="SlowestSeconds">Seconds that the slowest of their ways takes; null = there is none.</param>
/// <param name="Part">Part of that need.</param>
/// <param name="Need">That need.</param>
public sealed record WaitReckoned(Importance Importance, int Needs, double? SlowestSeconds, string? Part, string? Need);

/// <summary>How often an operation is needed.</summary>
/// <param name="Action">The operation.</param>
/// <param name="Times">In so many steps of the day's pictures.</param>
public sealed record StepsReckoned(StepAction Action, int Times);
