using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Swaps;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>A swap and what becomes of it.</summary>
public sealed record SwapChange(Swap Swap, SwapFate Fate);

/// <summary>The plan of swaps after a pull, beside the one before.</summary>
/// <param name="Headline">How they differ, in a sentence.</param>
/// <param name="Swaps">Swaps to be made in the order of the day, then those no longer made.</param>
/// <param name="Short">Where nothing is left to change to.</param>
/// <param name="Without">Frames of a busy day that find no battery, no card or neither.</param>
/// <param name="WithoutBefore">How many did before the pull.</param>
/// <param name="Estimated">Ids of the bodies whose frames per charge or raw size is a usual figure, as nobody has said.</param>
/// <param name="IsBest">Whether it is certain that no plan is better.</param>
public sealed record SwapChanges(string Headline, IReadOnlyList<SwapChange> Swaps, IReadOnlyList<Shortage> Short, int Without, int WithoutBefore,
    IReadOnlyList<string> Estimated, bool IsBest)
{
    /// <summary>Compares the swaps of a day with those of the same day short of a few things.</summary>
    public static SwapChanges Of(DayAnalysis whole, DayAnalysis left)
    {
        var before = SwapPlans.Of(whole);
        var after = SwapPlans.After(whole, left);
        var order = Day.InOrder(whole.Plan).Select((p, n) => (p.Id, n)).ToDictionary(p => p.Id, p => p.n, StringComparer.Ordinal);
        List<SwapChange> swaps =
        [
            .. after.Swaps.Select(s => new SwapChange(s, before.Swaps.FirstOrDefault(b => IsSame(b, s)) is not { } planned ? SwapFate.New : planned.In == s.In
                ? SwapFate.Stays : SwapFate.Other)),
            .. before.Swaps.Where(b => !after.Swaps.Any(s => IsSame(b, s))).Select(b => new SwapChange(b, SwapFate.Dropped)),
        ];
        var (without, were) = (Lacking(after), Lacking(before));
        return new SwapChanges(
            SwapWords.Headline(swaps.CountBy(s => s.Fate).ToDictionary(), without, were),
            [.. swaps.OrderBy(s => s.Fate == SwapFate.Dropped).ThenBy(s => order[s.Swap.Part]).ThenBy(s => s.Swap.AfterFrames ?? 0)
                .ThenBy(s => s.Swap.Body, StringComparer.Ordinal)],
            after.Short,
            without,
            were,
            after.Estimated,
            after.IsBest);
    }

    /// <summary>Frames that lack a battery, a card or both.</summary>
    private static int Lacking(SwapPlan swaps) => swaps.Short.GroupBy(s => (s.Part, s.Body), s => s.Frames).Sum(g => g.Max());

    /// <summary>Whether it is done at the same time to the same camera.</summary>
    private static bool IsSame(Swap a, Swap b) => (a.Part, a.AfterFrames is null, a.Person, a.Body, a.Slot) == (b.Part, b.AfterFrames is null, b.Person,
        b.Body, b.Slot);
}
