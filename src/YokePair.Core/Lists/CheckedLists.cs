using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Record;
using YokePair.Core.Verdict;
using YokePair.Core.Wording;

namespace YokePair.Core.Lists;

/// <summary>A line as it stands.</summary>
/// <param name="Line">The line.</param>
/// <param name="Ticked">Who ticked it, and when; null = it is open.</param>
/// <param name="Was">What it said when it was ticked, where that is something else now and it is open again for it.</param>
public sealed record CheckedLine(CheckLine Line, Tick? Ticked, string? Was)
{
    /// <summary>What is kept of a line when it is ticked: what it says, and where.</summary>
    public static string Kept(Plan plan, CheckLine line) => plan.PlaceOf(line.Place) is { } place ? $"{place.Name ?? place.Id}: {line.Text}" : line.Text;

    internal static CheckedLine Of(Plan plan, CheckLine line, Tick? tick)
    {
        var holds = tick?.Text == Kept(plan, line);
        return new CheckedLine(line, holds ? tick : null, holds ? null : tick?.Text);
    }
}

/// <summary>A list as it stands.</summary>
/// <param name="Kind">When it is gone through.</param>
/// <param name="Part">Id of the part before which; null = no part.</param>
/// <param name="Title">What it is called.</param>
/// <param name="At">Local time by which; null = without times.</param>
/// <param name="Sentence">What is open, and what that costs.</param>
/// <param name="Lines">Its lines.</param>
public sealed record CheckedList(ListKind Kind, string? Part, string Title, DateTime? At, string Sentence, IReadOnlyList<CheckedLine> Lines)
{
    /// <summary>Lines that are ticked.</summary>
    public int Done => Lines.Count(l => l.Ticked is not null);
}

/// <summary>The lists of a day with what was ticked of them.</summary>
/// <param name="Lists">All of them.</param>
/// <param name="Phrase">What must be typed to leave home with what is open; null = nothing that matters is.</param>
/// <param name="Departed">When somebody left; null = nobody has.</param>
public sealed record CheckedLists(IReadOnlyList<CheckedList> Lists, string? Phrase, Tick? Departed)
{
    /// <summary>Lists with the ticks of the record.</summary>
    /// <param name="day">The day.</param>
    /// <param name="lists">Its lists.</param>
    /// <param name="key">Key of the day in the record.</param>
    /// <param name="facts">What was recorded.</param>
    public static CheckedLists Of(DayAnalysis day, IReadOnlyList<CheckList> lists, string key, IReadOnlyList<Fact> facts)
    {
        var ticks = TickBook.Of(facts, key);
        return new CheckedLists([.. lists.Select(Checked)], PhraseFor(day.Plan, lists, ticks), TickBook.Departure(facts, key));

        CheckedList Checked(CheckList list)
        {
            List<CheckedLine> lines = [.. LinesOf(day.Plan, list, ticks)];
            List<CheckLine> open = OpenOf(lines);
            return new CheckedList(list.Kind, list.Part, list.Title, list.At,
                list.Kind == ListKind.Morning ? LeaveNow(day, open, lines.Count) : Open(open, lines.Count), lines);
        }
    }

    /// <summary>What must be typed to leave home, only where a picture is lost without something open, or hangs by one thing; null = nothing.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="lists">Its lists.</param>
    /// <param name="ticks">What is ticked of them.</param>
    public static string? PhraseFor(Plan plan, IReadOnlyList<CheckList> lists, IReadOnlyDictionary<string, Tick> ticks)
    {
        var morning = lists.Where(l => l.Kind == ListKind.Morning).SelectMany(l => LinesOf(plan, l, ticks));
        List<CheckLine> matter = [.. OpenOf(morning).Where(l => l.Cost.Strands < 2)];
        if (matter.Count == 0) return null;
        var first = new Names(plan).Item(matter[0].Items[0]);
        return matter.Count == 1 ? $"leave without {first}" : $"leave without {first} and {English.Number(matter.Count - 1)} more";
    }

    private static IEnumerable<CheckedLine> LinesOf(Plan plan, CheckList list, IReadOnlyDictionary<string, Tick> ticks) =>
        list.Lines.Select(l => CheckedLine.Of(plan, l, ticks.GetValueOrDefault(l.Id)));

    private static List<CheckLine> OpenOf(IEnumerable<CheckedLine> lines) => [.. CheckLine.Sorted(lines.Where(l => l.Ticked is null).Select(l => l.Line))];

    private static string Open(List<CheckLine> open, int all) =>
        all == 0 ? "Nothing is asked here."
        : open.Count == 0 ? "All of it is done."
        : $"{English.Capital(English.Count(open.Count, "thing is", "things are"))} open. First: {open[0].Text}{(open[0].Why is { } why ? $"; {why}" : "")}.";

    /// <summary>What becomes of the day without all that is not ticked.</summary>
    private static string LeaveNow(DayAnalysis day, List<CheckLine> open, int all)
    {
        if (open.Count == 0) return all == 0 ? "Nothing is packed yet." : "All of it is there. You may leave.";
        List<string> gone = [.. open.SelectMany(l => l.Items).Distinct()];
        var then = day.Without(gone.Select(id => new Pulled(id)));
        var worse = DayVerdict.Of(day).Needs.Zip(DayVerdict.Of(then).Needs, (before, after) => (Before: before, After: after))
            .Where(n => n.Before.Importance != Importance.Nice && n.After.Strands < n.Before.Strands && n.After.Strands < 2)
            .OrderBy(n => n.Before.Importance == Importance.Once ? 0 : 1).ToList();
        var names = new Names(day.Plan);
        List<string> said =
        [
            .. Said(WithLeft(0), "is lost", "are lost"), .. Said(WithLeft(1), "hangs by one thing", "hang by one thing each"),
        ];
        if (said.Count == 0 && PowerPlans.Without(day, gone, PowerPlans.Lack(day)) is [var dark, ..])
            said.Add($"the {names.Item(dark.Device)} goes dark in {names.Part(dark.Part)}");
        return said.Count == 0
            ? $"{English.Capital(English.Count(open.Count, "line is", "lines are"))} open; every picture holds without them."
            : $"Leave now and {string.Join("; ", said)}.";

        List<string> WithLeft(int strands) => [.. worse.Where(n => n.After.Strands == strands).Select(n => names.Need(n.Before.Part, n.Before.Need))];
    }

    private static IEnumerable<string> Said(List<string> needs, string one, string many)
    {
        if (needs.Count == 0) yield break;
        const int named = 2;
        yield return needs.Count <= named ? $"{English.List(needs)} {(needs.Count == 1 ? one : many)}"
            : $"{string.Join(", ", needs.Take(named))} and {English.Number(needs.Count - named)} more {many}";
    }
}
