using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Ways;

namespace YokePair.Core.Wording;

/// <summary>What falls when a day is late, in words.</summary>
internal static class LateWords
{
    private const int MostNamed = 3;

    /// <summary>A part that is cut short by one that waits for nobody.</summary>
    public static IReadOnlyList<TextPiece> Cut(Part part, TimeSpan was) => part.End - part.Start <= TimeSpan.FromMinutes(1)
        ? [new("No time is left for "), Of(part), new(": what follows begins at "), new("", Time: part.End), new(".")]
        :
        [
            Of(part), new($" has {English.Minutes((part.End - part.Start)!.Value)} instead of {English.Minutes(was)}: what follows begins at "),
            new("", Time: part.End), new("."),
        ];

    /// <summary>A part out of doors that now ends in less light.</summary>
    public static IReadOnlyList<TextPiece> Darker(Part part, double minutesAfterSunset, (Way Way, NeedFit Fit)? darkest, IReadOnlyList<NeedFinding> worse)
    {
        var by = darkest is { } taken ? $", the {taken.Way.Rig.Fitted!.Glass.Lens.Label} at ISO {English.Iso(taken.Fit.Iso)}" : "";
        var sun = Math.Round(minutesAfterSunset) is var minutes && minutes >= 0 ? $"{minutes} min after sunset" : $"{-minutes} min before sunset";
        return [Of(part), new($" now ends {sun}: EV {English.Tenths(part.Ev)}{by}"), .. worse.Count > 0 ? Become(part, worse) : [], new(".")];
    }

    /// <summary>A part of which some pictures are worse off.</summary>
    public static IReadOnlyList<TextPiece> Worse(Part part, IReadOnlyList<NeedFinding> worse) => [Of(part), .. Become(part, worse), new(".")];

    /// <summary>By when one must go for all to be as planned.</summary>
    public static IReadOnlyList<TextPiece> GoBy(Part part, DateTime latest, bool isAsPlanned) => isAsPlanned
        ? [new("Go out now for "), Of(part), new(", before what comes first, and it is as planned.")]
        : [new("Begin "), Of(part), new(" by "), new("", Time: latest), new(" and it is as planned.")];

    /// <summary>The changes of batteries that go along, and what goes dark by it.</summary>
    /// <param name="then">The plan as it is then.</param>
    /// <param name="was">The plan as it was.</param>
    /// <param name="power">The changes as they were planned: what is done is done, and the rest stays at its join.</param>
    public static IReadOnlyList<TextPiece> Changes(Plan then, Plan was, PowerPlan power)
    {
        var names = new Names(then);
        var told = power.Changes.Select(c => (c.Body, At: PowerWords.MinuteOf(then, power, c), Was: PowerWords.MinuteOf(was, power, c)))
            .Where(c => c.At != c.Was).OrderBy(c => c.At).Take(MostNamed).ToList();
        return told.Count == 0 ? [] :
        [
            new("Change the battery of "),
            .. told.SelectMany((c, n) => new TextPiece[]
            {
                new($"{(n > 0 ? ", of " : "")}the {names.Item(c.Body)}", Item: c.Body), new(" at "), new("", Time: c.At),
                new(" instead of "), new("", Time: c.Was),
            }),
            new("."),
        ];
    }

    /// <summary>What goes dark in a part.</summary>
    public static IReadOnlyList<TextPiece> Dark(Plan then, PowerShort dark) =>
        [new("The "), new(new Names(then).Item(dark.Device), Item: dark.Device), new(" goes dark in "), Of(then.PartOf(dark.Part)!), new(".")];

    private static IEnumerable<TextPiece> Become(Part part, IReadOnlyList<NeedFinding> worse)
    {
        foreach (var outcome in worse.GroupBy(n => n.Outcome).OrderByDescending(g => g.Key))
        {
            List<NeedFinding> named = [.. outcome.OrderBy(n => n.Need.Importance).Take(MostNamed)];
            yield return new("; ");
            var more = outcome.Count() - named.Count;
            foreach (var (need, n) in named.Select((need, n) => (need, n)))
            {
                var joined = n == 0 ? "" : more == 0 && n == named.Count - 1 ? " and " : ", ";
                yield return new(joined + need.Need.Label, Part: part.Id, Need: need.Need.Id);
            }
            yield return new($"{(more > 0 ? $" and {English.Number(more)} more" : "")} {(outcome.Count() == 1 ? "is" : "are")} {OutcomeWord(outcome.Key)}");
        }
    }

    private static string OutcomeWord(Outcome outcome) => outcome switch
    {
        Outcome.Thins => "second best",
        Outcome.Late => "late",
        _ => "lost",
    };

    private static TextPiece Of(Part part) => new(part.Label, Part: part.Id);
}
