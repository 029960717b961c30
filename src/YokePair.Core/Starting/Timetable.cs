using System.Globalization;
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
/// <param name="EndSaid">Whether its end was said.</param>
/// <param name="Guess">What was guessed of it, in words; null where nothing was.</param>
public sealed record TimetableLine(int Line, DateTime Start, DateTime End, string Name, string? Location, string? Kind, bool EndSaid = false,
    string? Guess = null);

/// <summary>
/// Reads a timetable as people send it: <c>14:00 ceremony, chapel 40 min</c>; <c>2–3:30 pm portraits</c>; <c>14 Uhr Trauung bis 14:40</c>.
/// An end that was said is kept, also where the next part begins before it: somebody else may be there.
/// </summary>
public static class Timetable
{
    private const int Noon = 12;

    /// <summary>Nobody photographs before this hour who does not say so.</summary>
    private const int EarliestHour = 6;

    /// <summary>Reads it for a day; hours that run back belong to the next day. A line with a date, a weekday, or <c>day 2</c>, begins another day.</summary>
    public static (IReadOnlyList<TimetableLine> Lines, IReadOnlyList<PlanProblem> Problems) Read(
        string text, DateOnly day, IReadOnlyList<PartKind>? kinds = null)
    {
        var problems = new List<PlanProblem>();
        var raw = Times(text, day, problems);
        var lines = new List<TimetableLine>();
        for (var i = 0; i < raw.Count; i++)
        {
            var one = raw[i];
            var kind = KindOf(one.Words, kinds);
            var next = raw.Skip(i + 1).Select(r => (DateTime?)r.Start).FirstOrDefault(s => s > one.Start);
            // The night between two days is no part of either.
            if (next - one.Start > TimeSpan.FromHours(12)) next = null;
            if (one.End is null && i + 1 < raw.Count && raw[i + 1].Start == one.Start && raw[i + 1].End is null)
            {
                problems.Add(new PlanProblem(
                    "timetable", $"\"{one.Words.Name}\" and \"{raw[i + 1].Words.Name}\" start at the same time; make them one part, move one, or say when "
                        + $"each ends", raw[i + 1].Line));
                continue;
            }
            var usual = one.Start.AddMinutes(kind?.Minutes ?? 60);
            lines.Add(new TimetableLine(
                one.Line, one.Start, one.End ?? next ?? usual, one.Words.Name, one.Words.Location, kind?.Id, one.End is not null, one.Guess));
        }
        return (lines, problems);
    }

    private sealed record Raw(int Line, DateTime Start, DateTime? End, TimetableWords Words, string? Guess);

    private static List<Raw> Times(string text, DateOnly day, List<PlanProblem> problems)
    {
        var raw = new List<Raw>();
        var last = day.ToDateTime(TimeOnly.MinValue);
        var twelve = !TimetableWords.ByTheWholeClock(text);
        var number = 0;
        foreach (var typed in text.Split('\n', StringSplitOptions.TrimEntries))
        {
            number++;
            if (TypedLimits.Beyond("timetable", typed, number) is { } beyond)
            {
                problems.Add(beyond);
                if (number > TypedLimits.Lines) break;
                continue;
            }
            if (typed.Length == 0 || TimetableWords.IsRule(typed)) continue;
            if (TimetableWords.DayIn(typed, day, DateOnly.FromDateTime(last)) is { } date)
            {
                if (!date.Read) problems.Add(new PlanProblem("timetable", date.Problem!, number));
                else if (date.Value < day || date.Value.DayNumber - day.DayNumber >= NewDay.MostDays)
                    problems.Add(new PlanProblem("timetable",
                        FormattableString.Invariant($"\"{typed}\" is not one of the {NewDay.MostDays} days from {day:yyyy-MM-dd} on"), number));
                else last = date.Value.ToDateTime(TimeOnly.MinValue);
                continue;
            }
            var read = TimetableWords.Of(typed);
            if (!read.Read)
            {
                problems.Add(new PlanProblem("timetable", read.Problem!, number));
                continue;
            }
            var words = read.Value;
            var (start, guess) = Placed(words, last, twelve);
            last = start;
            raw.Add(new Raw(number, start, EndOf(words, start), words, guess));
        }
        return raw;
    }

    /// <summary>The first such time from the last one on. By a clock of twelve hours, the half of the day that comes next is a guess.</summary>
    private static (DateTime Start, string? Guess) Placed(TimetableWords words, DateTime last, bool twelve)
    {
        var start = DateOnly.FromDateTime(last).ToDateTime(words.Start);
        if (twelve && !words.HalfSaid && words.Start.Hour < Noon
            && (start < last || (last.TimeOfDay == TimeSpan.Zero && words.Start.Hour < EarliestHour)) && start.AddHours(Noon) >= last)
            return (start.AddHours(Noon), string.Create(CultureInfo.InvariantCulture, $"taken for {start.AddHours(Noon):HH:mm}, in the afternoon"));
        while (start < last) start = start.AddDays(1);
        return (start, null);
    }

    private static DateTime? EndOf(TimetableWords words, DateTime start)
    {
        if (words.Minutes is { } minutes) return start.AddMinutes(minutes);
        if (words.End is not { } end) return null;
        var at = DateOnly.FromDateTime(start).ToDateTime(end);
        // By twelve hours an end of half past three belongs to a start at two in the afternoon.
        if (at <= start && !words.EndHalfSaid && at.Hour < Noon && at.AddHours(Noon) > start
            && at.AddHours(Noon) - start < TimeSpan.FromHours(Noon)) at = at.AddHours(Noon);
        return at > start ? at : at.AddDays(1);
    }

    /// <summary>What it is called says what it is, and of that what stands before a place: travel to church is no ceremony.</summary>
    private static PartKind? KindOf(TimetableWords words, IReadOnlyList<PartKind>? kinds) =>
        words.KindSaid is { } said ? (kinds ?? PartKind.All).FirstOrDefault(k => k.Id.Equals(said, StringComparison.OrdinalIgnoreCase)
            || k.Name.Equals(said, StringComparison.OrdinalIgnoreCase))
        : PartKind.Meant(words.BeforePlace, kinds) ?? PartKind.Meant(words.Name, kinds);
}
