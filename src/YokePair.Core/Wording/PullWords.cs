using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Core.Wording;

/// <summary>A need whose way changes by a pull.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Need">Need id.</param>
/// <param name="Before">Outcome with everything there.</param>
/// <param name="After">Outcome now.</param>
internal sealed record ChangedNeed(string Part, string Need, Outcome Before, Outcome After);

/// <summary>What a pull does to a day, in a sentence.</summary>
internal static class PullWords
{
    private const int MostNamed = 4;

    /// <param name="plan">The plan.</param>
    /// <param name="pulled">What is pulled.</param>
    /// <param name="changes">Needs whose way changes.</param>
    /// <param name="without">Frames that find no battery or card now.</param>
    /// <param name="withoutBefore">Those that found none before.</param>
    /// <param name="swapsChange">Whether batteries and cards are changed otherwise.</param>
    public static string Headline(Plan plan, IReadOnlyList<Pulled> pulled, IReadOnlyList<ChangedNeed> changes, int without, int withoutBefore, bool swapsChange)
    {
        var names = new Names(plan);
        // When they are out is said once where it is the same for all.
        var whens = pulled.Select(p => When(plan, p)).Distinct().ToList();
        var things = pulled.Select(p => LossWords.Pulled(names, p.Kind, p.Item) + (whens.Count > 1 ? When(plan, p) : "")).ToList();
        var when = whens is [var same] ? same : "";
        List<string> told = [.. new[] { (Outcome.Lost, "lost"), (Outcome.Late, "late"), (Outcome.Thins, "second best") }.Select(o =>
            Tell(names, changes, o.Item1, o.Item2)).OfType<string>()];
        if (without > withoutBefore) told.Add(
            $"{English.Number(without - withoutBefore)} {(withoutBefore > 0 ? "more " : "")}frames of a busy day find no battery or card");
        var otherwise = changes.Any(c => c.After == c.Before);
        var rest = told.Count > 0 ? otherwise ? "the rest goes on, some of it another way" : "everything else stays as it was"
            : otherwise ? "nothing is lost by it; some pictures are taken another way"
            : swapsChange ? "every picture stays as it was; batteries and cards are changed otherwise" : "nothing changes";
        return $"Without {English.List(things)}{when}, {(told.Count > 0 ? string.Join(", ", told) + "; " : "")}{rest}.";
    }

    private static string? Tell(Names names, IReadOnlyList<ChangedNeed> changes, Outcome outcome, string word)
    {
        var needs = changes.Where(c => c.After == outcome && c.Before < outcome).Select(c => names.Need(c.Part, c.Need)).ToList();
        if (needs.Count == 0) return null;
        var named = needs.Count > MostNamed ? [.. needs.Take(MostNamed - 1), $"{English.Number(needs.Count - MostNamed + 1)} more"] : needs;
        return $"{English.List(named)} {(needs.Count == 1 ? "is" : "are")} {word}";
    }

    private static string When(Plan plan, Pulled pull)
    {
        var from = plan.PartOf(pull.FromPart)?.Label;
        var until = Day.Mended(plan, pull.FromPart, pull.UntilPart)?.Label;
        return (from, until) switch
        {
            (null, null) => "",
            (_, null) => $" from {from} on",
            (null, _) => $" until {until}",
            _ => $" from {from} until {until}",
        };
    }
}
