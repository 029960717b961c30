using System.Text.Json.Serialization;
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
/// <param name="Kept">What is kept of it when it is ticked: what it says, and where.</param>
public sealed record CheckedLine(CheckLine Line, Tick? Ticked, string? Was, [property: JsonIgnore] string Kept);

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
    /// <param name="atHome">What else is at home.</param>
    /// <param name="key">Key of the day in the record.</param>
    /// <param name="facts">What was recorded.</param>
    /// <param name="cards">What is so of each card.</param>
    public static CheckedLists Of(
        DayAnalysis day, IReadOnlyList<Item> atHome, string key, IReadOnlyList<Fact> facts, IReadOnlyDictionary<string, CardState> cards)
    {
        var ticks = TickBook.Of(facts, key);
        List<CheckedList> lists = [];
        string? phrase = null;
        foreach (var list in DayLists.Of(day, atHome, cards))
        {
            List<CheckedLine> lines = [.. list.Lines.Select(l => Checked(day.Plan, l, ticks.GetValueOrDefault(l.Id)))];
            List<CheckLine> open = [.. CheckLine.Sorted(lines.Where(l => l.Ticked is null).Select(l => l.Line))];
            if (list.Kind == ListKind.Morning) phrase = PhraseFor(day.Plan, open);
            lists.Add(new CheckedList(list.Kind, list.Part, list.Title, list.At, list.Kind == ListKind.Morning ? LeaveNow(day, open, lines.Count) : Open(open, lines.Count), lines));
        }
        return new CheckedLists(lists, phrase, TickBook.Departure(facts, key));
    }

    /// <summary>What is kept of a line when it is ticked; null where there is no such line.</summary>
    public string? Kept(string line) => Lists.SelectMany(l => l.Lines).FirstOrDefault(l => l.Line.Id == line)?.Kept;

    private static CheckedLine Checked(Plan plan, CheckLine line, Tick? tick)
    {
        var kept = plan.PlaceOf(line.Place) is { } place ? $"{place.Name ?? place.Id}: {line.Text}" : line.Text;
        return new CheckedLine(line, tick?.Text == kept ? tick : null, tick is null || tick.Text == kept ? null : tick.Text, kept);
    }

    /// <summary>Only for what a picture is lost without, or hangs by one thing.</summary>
    private static string? PhraseFor(Plan plan, List<CheckLine> open)
    {
        List<CheckLine> matter = [.. open.Where(l => l.Cost.Strands < 2)];
        if (matter.Count == 0) return null;
        var names = new Names(plan);
        return matter.Count == 1 ? $"leave without {names.Item(matter[0].Items[0])}"
            : $"leave without {names.Item(matter[0].Items[0])} and {English.Number(matter.Count - 1)} more";
    }

    private static string Open(List<CheckLine> open, int all) =>
        all == 0 ? "Nothing is asked here."
        : open.Count == 0 ? "All of it is done."
        : $"{English.Capital(English.Count(open.Count, "thing is", "things are"))} open. First: {open[0].Text}{(open[0].Why is { } why ? $"; {why}" : "")}.";

    /// <summary>What becomes of the day without all that is not ticked.</summary>
    private static string LeaveNow(DayAnalysis day, List<CheckLine> open, int all)
    {
        if (open.Count == 0) return all == 0 ? "Nothing is packed yet." : "All of it is there. You may leave.";
        List<string> gone = [.. open.SelectMany(l => l.Items).Distinct()];
        var then = new DayAnalysis(day.Whole, [.. day.Pulled, .. gone.Select(id => new Pulled(id))]);
        var worse = DayVerdict.Of(day).Needs.Zip(DayVerdict.Of(then).Needs, (before, after) => (Before: before, After: after))
            .Where(n => n.Before.Importance != Importance.Nice && n.After.Strands < n.Before.Strands && n.After.Strands < 2)
            .OrderBy(n => n.Before.Importance == Importance.Once ? 0 : 1).ToList();
        var names = new Names(day.Plan);
        List<string> said =
        [
            .. Said([.. worse.Where(n => n.After.Strands == 0).Select(n => names.Need(n.Before.Part, n.Before.Need))], "is lost", "are lost"),
            .. Said([.. worse.Where(n => n.After.Strands == 1).Select(n => names.Need(n.Before.Part, n.Before.Need))], "hangs by one thing", "hang by one thing each"),
        ];
        if (said.Count == 0 && PowerPlans.Without(day, gone, PowerPlans.Lack(day)) is [var dark, ..])
            said.Add($"the {names.Item(dark.Device)} goes dark in {names.Part(dark.Part)}");
        return said.Count == 0
            ? $"{English.Capital(English.Count(open.Count, "line is", "lines are"))} open; every picture holds without them."
            : $"Leave now and {string.Join("; ", said)}.";
    }

    private static IEnumerable<string> Said(List<string> needs, string one, string many)
    {
        if (needs.Count == 0) yield break;
        const int named = 2;
        yield return needs.Count <= named ? $"{English.List(needs)} {(needs.Count == 1 ? one : many)}"
            : $"{string.Join(", ", needs.Take(named))} and {English.Number(needs.Count - named)} more {many}";
    }
}
