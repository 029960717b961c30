using System.Globalization;
using System.Text.RegularExpressions;
using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Starting;

/// <summary>A line of a timetable, read.</summary>
/// <param name="Line">Its number, from 1.</param>
/// <param name="Start">When it starts.</param>
/// <param name="End">When it ends: as said, else at the next line, else as such parts usually do.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Location">Where it is.</param>
/// <param name="Kind">The kind of part it was taken for; null when it means none that is known.</param>
public sealed record TimetableLine(int Line, DateTime Start, DateTime End, string Name, string? Location, string? Kind);

/// <summary>Reads a timetable as people send it: <c>14:00 ceremony, chapel 40 min</c>.</summary>
public static partial class Timetable
{
    /// <summary>Reads it for a day; hours that run back belong to the next day. A line with a date, or <c>day 2</c>, begins another day.</summary>
    public static (IReadOnlyList<TimetableLine> Lines, IReadOnlyList<PlanProblem> Problems) Read(
        string text, DateOnly day, IReadOnlyList<PartKind>? kinds = null)
    {
        var raw = new List<(int Line, DateTime Start, int? Minutes, string Name, string? Location)>();
        var problems = new List<PlanProblem>();
        var last = day.ToDateTime(TimeOnly.MinValue);
        var number = 0;
        foreach (var line in text.Split('\n'))
        {
            number++;
            if (line.Trim().Length == 0) continue;
            if (NewDay(line.Trim(), day) is { } next)
            {
                if (next < day || next.DayNumber - day.DayNumber >= Starting.NewDay.MostDays) problems.Add(new PlanProblem("timetable", FormattableString.Invariant($"\"{line.Trim()}\" is not one of the {Starting.NewDay.MostDays} days from {day:yyyy-MM-dd} on"), number));
                else last = next.ToDateTime(TimeOnly.MinValue);
                continue;
            }
            var match = Shape().Match(line.Trim());
            if (!match.Success || !int.TryParse(match.Groups["h"].Value, out var hour) || hour > 23 || (match.Groups["m"].Success && int.Parse(match.Groups["m"].Value, CultureInfo.InvariantCulture) > 59))
            {
                problems.Add(new PlanProblem("timetable", $"\"{line.Trim()}\" does not begin with a time; write it as 14:00 ceremony, chapel 40 min", number));
                continue;
            }
            var start = DateOnly.FromDateTime(last).ToDateTime(new TimeOnly(hour, match.Groups["m"].Success ? int.Parse(match.Groups["m"].Value, CultureInfo.InvariantCulture) : 0));
            while (start < last) start = start.AddDays(1);
            last = start;
            int? minutes = match.Groups["min"].Success ? int.Parse(match.Groups["min"].Value, CultureInfo.InvariantCulture) * (match.Groups["unit"].Value.StartsWith('h') ? 60 : 1) : null;
            var words = match.Groups["what"].Value.Split(',', 2, StringSplitOptions.TrimEntries);
            var name = words[0].Trim(' ', '-', '–');
            raw.Add((number, start, minutes, name.Length == 0 ? "Part" : char.ToUpperInvariant(name[0]) + name[1..], words.Length > 1 && words[1].Length > 0 ? words[1] : null));
        }
        var lines = new List<TimetableLine>();
        for (var i = 0; i < raw.Count; i++)
        {
            var (line, start, minutes, name, location) = raw[i];
            var kind = PartKind.Meant(name, kinds) ?? PartKind.Meant(location ?? "", kinds);
            DateTime? next = i + 1 < raw.Count ? raw[i + 1].Start : null;
            // The night between two days is no part of either.
            if (next - start > TimeSpan.FromHours(12)) next = null;
            if (next == start)
            {
                problems.Add(new PlanProblem("timetable", $"\"{name}\" and \"{raw[i + 1].Name}\" start at the same time; make them one part, or move one", raw[i + 1].Line));
                continue;
            }
            var end = minutes is { } m and > 0 ? start.AddMinutes(m) : next ?? start.AddMinutes(kind?.Minutes ?? 60);
            // A part ends where the next begins, whatever was said.
            lines.Add(new TimetableLine(line, start, next < end ? next.Value : end, name, location, kind?.Id));
        }
        return (lines, problems);
    }

    private static DateOnly? NewDay(string line, DateOnly first) =>
        DateOnly.TryParseExact(line, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var date) ? date
        : DayNumber().Match(line) is { Success: true } nth && int.TryParse(nth.Groups[1].Value, out var n) ? first.AddDays(n - 1)
        : null;

    [GeneratedRegex(@"^day (\d{1,3})$", RegexOptions.IgnoreCase)]
    private static partial Regex DayNumber();

    [GeneratedRegex(@"^(?<h>\d{1,2})(?:[:.h](?<m>\d{2}))?\s*(?:[-–]\s*\d{1,2}[:.]\d{2})?\s*(?:h)?\s+(?<what>.*?)(?:[\s,(]+(?<min>\d{1,3})\s*(?<unit>min|m|h|hours?)\b\)?)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex Shape();
}
