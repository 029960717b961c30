using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Starting;

/// <summary>A calendar event that a line of a timetable was made of.</summary>
/// <param name="Uid">Its UID; of one that comes again with the time of this one behind it.</param>
/// <param name="Start">When it starts.</param>
/// <param name="Name">What its line calls it.</param>
public sealed record TimetableEvent(string Uid, DateTime Start, string Name)
{
    /// <summary>UID of the event that a line still tells of: it starts when it does, or is the only one of its name.</summary>
    public static string? UidOf(IReadOnlyList<TimetableEvent>? events, TimetableLine line)
    {
        if (events is null) return null;
        var named = events.Where(e => e.Name.Equals(line.Name, StringComparison.OrdinalIgnoreCase)).ToList();
        var then = events.Where(e => e.Start == line.Start).ToList();
        return (named.Find(e => e.Start == line.Start) ?? (named.Count == 1 ? named[0] : then.Count == 1 ? then[0] : null))?.Uid;
    }
}

/// <summary>What a timetable changes on a day.</summary>
public enum TimetableChangeKind
{
    /// <summary>A part is at another time, in another place or called otherwise.</summary>
    Changed,

    /// <summary>A part that the day does not have.</summary>
    Added,

    /// <summary>A part of the day that the timetable does not name, and that what it does name leaves no room as it is.</summary>
    GivesWay,

    /// <summary>A part of the day that the timetable does not name.</summary>
    Missing,
}

/// <summary>One change of a day by a timetable.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Part">The part of the day; null where it is new.</param>
/// <param name="Says">In words.</param>
/// <param name="Edit">What would be done.</param>
public sealed record TimetableChange(TimetableChangeKind Kind, string? Part, string Says, PlanEdit Edit);

/// <summary>A timetable held against a day.</summary>
/// <param name="Changes">What would have to be done, in the order of the day; nothing where all is as the timetable has it.</param>
/// <param name="Problems">Where the timetable has somebody in two places at once.</param>
public sealed record TimetableHeld(IReadOnlyList<TimetableChange> Changes, IReadOnlyList<PlanProblem> Problems);

/// <summary>
/// Holds a timetable against a day that exists. A line is the part that was made of the same calendar event; else the one of the same name,
/// the nearest in time where there are several; else the nearest of its kind within three hours; else the one that starts when it does.
/// </summary>
public static class TimetableDiff
{
    private static readonly TimeSpan Near = TimeSpan.FromHours(3);

    /// <summary>Less than this, minutes, is nothing to photograph in.</summary>
    private const double ShortestMinutes = 5;

    /// <summary>What would have to be done, so that nobody is in two places where it is all done.</summary>
    public static TimetableHeld Of(Plan plan, IReadOnlyList<TimetableLine> lines, IReadOnlyList<TimetableEvent>? events = null)
    {
        var parts = Day.InOrder(plan).ToList();
        var uids = lines.ToDictionary(l => l, l => TimetableEvent.UidOf(events, l));
        var taken = new Dictionary<TimetableLine, Part>();
        Take((line, part) => uids[line] == ExportedAs(plan, part));
        Take((line, part) => part.Label.Equals(line.Name, StringComparison.OrdinalIgnoreCase));
        Take((line, part) => line.Kind is not null && line.Kind == part.Kind && Apart(line, part) < Near);
        Take((line, part) => line.Start == part.Start);
        var named = lines.Select(line => (line.Start, Change: taken.TryGetValue(line, out var part)
            ? Changed(part, line, uids[line], lines.Where(l => l.Start > line.Start).Min(l => (DateTime?)l.Start))
            : Added(line, uids[line]))).Where(c => c.Change is not null).ToList();
        var unnamed = parts.Where(p => !taken.ContainsValue(p)).ToList();
        var then = EditResult.Tried(plan, [.. named.Select(c => c.Change!.Edit)]) ?? plan;
        var clashes = NewClashes(plan, then);
        var rest = unnamed.SelectMany(p => Unnamed(p, [.. clashes.Where(c => c.One.Id == p.Id && IsNamed(c.Other)).Select(c => c.Other)])
            .Select(change => (Start: p.Start ?? default, Change: (TimetableChange?)change)));
        return new TimetableHeld(
            [.. named.Concat(rest).OrderBy(c => c.Start).Select(c => c.Change!)],
            [.. clashes.Where(c => c.Index < c.OtherIndex && IsNamed(c.One) && IsNamed(c.Other)).Select(c => new PlanProblem(
                "timetable", PlanCheck.Both(then, c.Index, c.OtherIndex, c.Person), lines.FirstOrDefault(l => l.Start == c.Other.Start)?.Line))]);

        bool IsNamed(Part part) => unnamed.TrueForAll(u => u.Id != part.Id);

        void Take(Func<TimetableLine, Part, bool> same)
        {
            var pairs = from line in lines
                        where !taken.ContainsKey(line)
                        from part in parts
                        where !taken.ContainsValue(part) && same(line, part)
                        orderby Apart(line, part)
                        select (line, part);
            foreach (var (line, part) in pairs.ToList())
                if (!taken.ContainsKey(line) && !taken.ContainsValue(part)) taken.Add(line, part);
        }
    }

    /// <summary>UID under which a part is written to a calendar: that of the event it was made of, else one of its own.</summary>
    public static string ExportedAs(Plan plan, Part part) => part.Uid ?? $"{part.Id}@{plan.Assignment.Id}";

    private static TimeSpan Apart(TimetableLine line, Part part) => (line.Start - (part.Start ?? line.Start)).Duration();

    /// <summary>Pairs of parts that claim the same person at once then and did not before, each told from both sides.</summary>
    private static List<(Part One, Part Other, int Index, int OtherIndex, string Person)> NewClashes(Plan before, Plan then)
    {
        var had = PlanCheck.TwoPlaces(before).Select(t => (before.Parts[t.One].Id, before.Parts[t.Other].Id)).ToHashSet();
        return [.. PlanCheck.TwoPlaces(then).Where(t => !had.Contains((then.Parts[t.One].Id, then.Parts[t.Other].Id))).SelectMany(t => new[]
        {
            (then.Parts[t.One], then.Parts[t.Other], t.One, t.Other, t.Person),
            (then.Parts[t.Other], then.Parts[t.One], t.Other, t.One, t.Person),
        })];
    }

    /// <summary>A part the timetable does not name: cut to the longest time that others leave it, or taken out where they leave none; else only told.</summary>
    private static IEnumerable<TimetableChange> Unnamed(Part part, IReadOnlyList<Part> others)
    {
        if (others.Count == 0) return [Missing(part)];
        IEnumerable<(DateTime From, DateTime To)> free = [(part.Start!.Value, part.End!.Value)];
        foreach (var other in others)
            free = [.. free.SelectMany(f => BeforeAndAfter(f, other)).Where(f => (f.To - f.From).TotalMinutes >= ShortestMinutes)];
        var names = English.List([.. others.Select(o => o.Label)]);
        if (!free.Any()) return [new TimetableChange(TimetableChangeKind.GivesWay, part.Id,
            $"{part.Label} is taken out: {names} {(others.Count == 1 ? "takes" : "take")} all of its time", new RemovePart { Part = part.Id })];
        var (from, to) = free.MaxBy(f => f.To - f.From);
        var said = new List<string>();
        if (from != part.Start) said.Add($"starts {English.Moved(from - part.Start)}");
        if (to != part.End) said.Add($"ends {English.Moved(to - part.End)}");
        return
        [
            new TimetableChange(TimetableChangeKind.GivesWay, part.Id, $"{part.Label} {English.List(said)}, to make room for {names}",
                new SetPart { Part = part.Id, Start = from == part.Start ? null : from, End = to == part.End ? null : to }),
            Missing(part),
        ];
    }

    private static (DateTime From, DateTime To)[] BeforeAndAfter((DateTime From, DateTime To) time, Part other) =>
        [(time.From, Earlier(time.To, other.Start!.Value)), (Later(time.From, other.End!.Value), time.To)];

    private static DateTime Earlier(DateTime one, DateTime other) => one < other ? one : other;

    private static DateTime Later(DateTime one, DateTime other) => one > other ? one : other;

    private static TimetableChange? Changed(Part part, TimetableLine line, string? uid, DateTime? next)
    {
        // A timetable that does not say when something ends leaves it as long as it was, as far as the next line lets it.
        var end = line.EndSaid || part.End is null || part.Start is null ? line.End
            : Earlier(line.Start + (part.End.Value - part.Start.Value), next ?? DateTime.MaxValue);
        var said = new List<string>();
        if (part.Start != line.Start) said.Add($"starts {English.Moved(line.Start - part.Start)}");
        if (part.End != end && end - part.End != line.Start - part.Start) said.Add($"ends {English.Moved(end - part.End)}");
        var elsewhere = line.Location is { } location && !location.Equals(part.Location, StringComparison.OrdinalIgnoreCase);
        if (elsewhere) said.Add($"at {line.Location}");
        var renamed = !line.Name.Equals(part.Label, StringComparison.OrdinalIgnoreCase);
        if (renamed) said.Add($"called {line.Name}");
        if (said.Count == 0) return null;
        var edit = new SetPart
        {
            Part = part.Id,
            Start = part.Start == line.Start ? null : line.Start,
            End = part.End == end ? null : end,
            Location = elsewhere ? line.Location : null,
            Name = renamed ? line.Name : null,
            Uid = uid,
        };
        return new TimetableChange(TimetableChangeKind.Changed, part.Id, $"{part.Label}: {English.List(said)}", edit);
    }

    private static TimetableChange Added(TimetableLine line, string? uid) => new(
        TimetableChangeKind.Added, null, $"{line.Name} is new{(line.Location is null ? "" : $", at {line.Location}")}",
        new AddPart { Kind = line.Kind ?? PartKind.All[^1].Id, Start = line.Start, End = line.End, Name = line.Name, Location = line.Location, Uid = uid });

    private static TimetableChange Missing(Part part) => new(TimetableChangeKind.Missing, part.Id, $"{part.Label} is not in it",
        new RemovePart { Part = part.Id });
}
