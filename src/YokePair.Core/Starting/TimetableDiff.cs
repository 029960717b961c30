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

    /// <summary>A part of the day that the timetable does not name.</summary>
    Missing,
}

/// <summary>One change of a day by a timetable.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Part">The part of the day; null where it is new.</param>
/// <param name="Says">In words.</param>
/// <param name="Edit">What would be done.</param>
public sealed record TimetableChange(TimetableChangeKind Kind, string? Part, string Says, PlanEdit Edit);

/// <summary>
/// Holds a timetable against a day that exists. A line is the part that was made of the same calendar event; else the one of the same name,
/// the nearest in time where there are several; else the nearest of its kind within three hours; else the one that starts when it does.
/// </summary>
public static class TimetableDiff
{
    private static readonly TimeSpan Near = TimeSpan.FromHours(3);

    /// <summary>What would have to be done, in the order of the day; nothing where all is as the timetable has it.</summary>
    public static IReadOnlyList<TimetableChange> Of(Plan plan, IReadOnlyList<TimetableLine> lines, IReadOnlyList<TimetableEvent>? events = null)
    {
        var parts = Day.InOrder(plan).ToList();
        var uids = lines.ToDictionary(l => l, l => TimetableEvent.UidOf(events, l));
        var taken = new Dictionary<TimetableLine, Part>();
        Take((line, part) => uids[line] == ExportedAs(plan, part));
        Take((line, part) => part.Label.Equals(line.Name, StringComparison.OrdinalIgnoreCase));
        Take((line, part) => line.Kind is not null && line.Kind == part.Kind && Apart(line, part) < Near);
        Take((line, part) => line.Start == part.Start);
        var changes = lines.Select(line => (line.Start, Change: taken.TryGetValue(line, out var part) ? Changed(part, line, uids[line])
            : Added(line, uids[line])))
            .Concat(parts.Where(p => !taken.ContainsValue(p)).Select(p => (Start: p.Start ?? default, Change: (TimetableChange?)Missing(p))));
        return [.. changes.Where(c => c.Change is not null).OrderBy(c => c.Start).Select(c => c.Change!)];

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

    private static TimetableChange? Changed(Part part, TimetableLine line, string? uid)
    {
        // A timetable that does not say when something ends leaves it as long as it was.
        var end = line.EndSaid || part.End is null || part.Start is null ? line.End : line.Start + (part.End.Value - part.Start.Value);
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
