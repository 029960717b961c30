using YokePair.Core.Basics;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;

namespace YokePair.Core.Wording;

/// <summary>The verdict on a day, in the craft's words. Page, print and command line show this same text.</summary>
internal static class VerdictWords
{
    private const int NeedsNamed = 3;

    public static VerdictText Of(Plan plan, IReadOnlyList<Gap> gaps, IReadOnlyList<SinglePoint> singlePoints, IReadOnlyList<AwayThing> away)
    {
        var names = new Names(plan);
        var details = new List<TextPiece>();
        foreach (var group in singlePoints
                     .GroupBy(s => string.Join('|', s.Hits.Select(h => $"{h.Part}/{h.Need}")))
                     .Select(g => g.ToList())
                     .OrderByDescending(g => g[0].Hits.Count(h => names.Importance(h.Part, h.Need) == Importance.Once))
                     .ThenByDescending(g => g[0].Hits.Count))
            Carried(names, group, details);
        // What many needs lack alike is said once.
        foreach (var alike in gaps.GroupBy(g => g.Why))
        {
            Named(names, [.. alike.Select(g => (g.Part, g.Need))], details);
            details.Add(new TextPiece($": {alike.Key}. "));
        }
        foreach (var missing in away)
        {
            details.Add(new TextPiece(details.Count == 0 || missing == away[0] ? "Packed but not there: the " : "the "));
            details.Add(new TextPiece(names.Item(missing.Item), Item: missing.Item));
            details.Add(new TextPiece($", {missing.Why}{(missing == away[^1] ? ". " : "; ")}"));
        }
        if (details.Count == 0) details.Add(new TextPiece($"All {plan.Parts.Sum(p => p.Needs.Count)} needs are met in time, and stay so without any one thing."));
        return new VerdictText(Headline(gaps.Count, singlePoints.SelectMany(s => s.Hits).Select(h => (h.Part, h.Need)).Distinct().Count(), away.Count(a => a.InHand)), details);
    }

    public static string Plain(VerdictText verdict) => $"{verdict.Headline} {string.Concat(verdict.Details.Select(d => d.Text)).TrimEnd()}";

    private static string Headline(int uncovered, int hanging, int missing)
    {
        var absent = missing == 0 ? "" : $"{English.Capital(English.Number(missing))} {(missing == 1 ? "thing you plan to hold is" : "things you plan to hold are")} not there that day. ";
        if (absent.Length > 0) return (absent + (uncovered + hanging == 0 ? "" : Headline(uncovered, hanging, 0))).Trim();
        if (uncovered == 0 && hanging == 0) return "Everything holds, whatever single thing fails.";
        var gap = uncovered == 0 ? "" : hanging == 0
            ? $"{English.Number(uncovered)} {(uncovered == 1 ? "need is" : "needs are")} not covered"
            : $"{English.Number(uncovered)} {(uncovered == 1 ? "is" : "are")} not covered";
        var hang = hanging == 0 ? "" : $"{English.Number(hanging)} {(hanging == 1 ? "need hangs" : "needs hang")} by one thing";
        return English.Capital(string.Join(", ", new[] { hang, gap }.Where(s => s.Length > 0))) + ".";
    }

    private static void Carried(Names names, List<SinglePoint> group, List<TextPiece> details)
    {
        for (var i = 0; i < group.Count; i++)
        {
            details.Add(new TextPiece(i == 0 ? "The " : i == group.Count - 1 ? " and the " : ", the "));
            details.Add(new TextPiece(names.Item(group[i].Item), Item: group[i].Item));
        }
        details.Add(new TextPiece(group.Count == 1 ? " alone carries " : " each carry "));
        Named(names, [.. group[0].Hits.Select(h => (h.Part, h.Need))], details);
        details.Add(new TextPiece(". "));
    }

    private static void Named(Names names, List<(string Part, string Need)> needs, List<TextPiece> details)
    {
        var named = needs.Count == NeedsNamed + 1 ? needs.Count : Math.Min(needs.Count, NeedsNamed);
        for (var i = 0; i < named; i++)
        {
            if (i > 0) details.Add(new TextPiece(i == needs.Count - 1 ? " and " : ", "));
            details.Add(new TextPiece(names.Need(needs[i].Part, needs[i].Need), Part: needs[i].Part, Need: needs[i].Need));
        }
        if (needs.Count > named) details.Add(new TextPiece($" and {English.Number(needs.Count - named)} more"));
    }
}
