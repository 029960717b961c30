using System.Globalization;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using YokePair.Core.Plans;
using YokePair.Core.Starting;

namespace YokePair.Data.Calendar;

/// <summary>A calendar file as a timetable that can be looked at and changed before it becomes a day.</summary>
/// <param name="Day">Day of the first event.</param>
/// <param name="Name">Name of the calendar, or of an event that lasts all day.</param>
/// <param name="Timetable">One line for each event; a line with a date begins each day after the first.</param>
/// <param name="Notes">What is no part of the timetable: cancelled events, those that last all day, those beyond the days an assignment may have.</param>
/// <param name="Events">The events by their UIDs, so that a later calendar changes the parts made of them instead of adding more.</param>
public sealed record CalendarDay(DateOnly Day, string? Name, string Timetable, IReadOnlyList<string> Notes, IReadOnlyList<TimetableEvent> Events);

/// <summary>iCalendar (RFC 5545) files in and out.</summary>
public static class DayCalendar
{
    /// <summary>Largest file read, in bytes.</summary>
    public const int MaxBytes = 1024 * 1024;

    /// <summary>Writes the parts of a day as events.</summary>
    public static string Write(Plan plan)
    {
        var calendar = new Ical.Net.Calendar { ProductId = "-//Yoke Pair//day//EN" };
        // Whoever reads it need not know the zone: its rules go along (RFC 5545, 3.6.5).
        if (Clock.Zone(plan.Assignment) is not null
            && plan.Parts.Min(p => p.Start) is { } first) calendar.AddTimeZone(VTimeZone.FromDateTimeZone(plan.Assignment.TimeZone!,
            first.AddMonths(-12), false));
        foreach (var part in Core.Plans.Day.InOrder(plan))
        {
            if (part.Start is not { } start || part.End is not { } end) continue;
            calendar.Events.Add(new CalendarEvent
            {
                Uid = TimetableDiff.ExportedAs(plan, part),
                Summary = part.Label,
                Location = part.Location,
                Start = At(start, plan.Assignment.TimeZone),
                End = At(end, plan.Assignment.TimeZone),
                Description = string.Join('\n', part.Needs.Select(n => n.Label)),
            });
        }
        return new CalendarSerializer().SerializeToString(calendar)!;
    }

    /// <summary>
    /// Reads the first days of a calendar, in the time of a zone: each event by its own zone, or as it stands where it has none. Events that
    /// come again do so on those days; events at the same time stay side by side.
    /// </summary>
    /// <param name="text">The file.</param>
    /// <param name="zone">Zone of the assignment; null = times are taken as each event has them.</param>
    /// <returns>The days as a timetable, or what is wrong with the file.</returns>
    public static (CalendarDay? Day, PlanProblem? Problem) Read(string text, string? zone = null)
    {
        try
        {
            return Ical.Net.Calendar.Load(text) is { } calendar ? Read(calendar, zone) : (null, NoCalendar());
        }
        // The library tells what it cannot read in these ways; an unknown zone among them.
        catch (Exception e) when (e is System.Runtime.Serialization.SerializationException or ArgumentException or FormatException or InvalidOperationException
            or OverflowException or NotSupportedException or IndexOutOfRangeException or KeyNotFoundException or NullReferenceException
            or NodaTime.TimeZones.DateTimeZoneNotFoundException)
        {
            return (null, e is NodaTime.TimeZones.DateTimeZoneNotFoundException || e.Message.Contains("zone", StringComparison.OrdinalIgnoreCase)
                ? new PlanProblem("", $"an event is in a time zone that is not known ({e.Message}); export the calendar in your own zone") : NoCalendar());
        }

        static PlanProblem NoCalendar() => new("", "this is no calendar file (.ics): it should begin with BEGIN:VCALENDAR");
    }

    private static (CalendarDay?, PlanProblem?) Read(Ical.Net.Calendar calendar, string? zone)
    {
        var notes = new List<string>();
        var cancelled = calendar.Events.Where(IsCancelled).ToList();
        notes.AddRange(cancelled.Select(e => $"{Flat(e.Summary ?? "an event")} is cancelled, so it is left out"));
        var allDay = calendar.Events.Where(e => !IsCancelled(e) && e.Start is { HasTime: false }).ToList();
        notes.AddRange(allDay.Select(e => $"{Flat(e.Summary ?? "an event")} lasts all day, {e.Start!.Value:yyyy-MM-dd}; it is no part"));
        var events = calendar.Events.Where(e => !IsCancelled(e) && e.Start is { HasTime: true }).ToList();
        if (events.Count == 0) return (null, new PlanProblem("", "there is no event with a time in this calendar"));
        var once = events.Where(e => e.RecurrenceRule is null && e.RecurrenceIdentifier is null).Select(e => In(e.Start!, zone)).Order().ToList();
        // Somebody moved one of its days: that one is an event of its own.
        var moved = calendar.Events.Where(e => e.RecurrenceIdentifier is not null).ToLookup(e => e.Uid, e => In(e.RecurrenceIdentifier!.StartTime, zone));
        var times = events.SelectMany(e => TimesOf(
            e, e.RecurrenceRule is null || once.Count == 0 ? In(e.Start!, zone) : once[0],
            e.RecurrenceIdentifier is null ? moved[e.Uid] : [], zone)).OrderBy(t => t.Start).ThenBy(t => t.End).ToList();
        if (times.Count == 0) return (null, new PlanProblem("", "there is no event with a time in this calendar"));
        var first = times[0];
        var day = DateOnly.FromDateTime(first.Start);
        var kept = times.Where(t => Nightly(t).DayNumber - day.DayNumber < NewDay.MostDays).ToList();
        if (times.Count - kept.Count is > 0 and var left) notes.Add($"{left} {(left == 1 ? "event" : "events")} beyond {NewDay.MostDays} days left out");
        var lines = kept.GroupBy(Nightly).OrderBy(g => g.Key).SelectMany(
            g => (g.Key == day ? [] : new[] { g.Key.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) }).Concat(g.Select(Line)));
        var name = allDay.Select(e => e.Summary).FirstOrDefault() ?? calendar.Properties.Get<string>("X-WR-CALNAME");
        return (new CalendarDay(day, name, string.Join('\n', lines), notes,
            [.. kept.Where(t => t.Uid is not null).Select(t => new TimetableEvent(t.Uid!, t.Start, NameOf(t)))]), null);

        // A night belongs to the day before it, but for an event that begins the calendar.
        DateOnly Nightly(EventTime t) => t == first || t.Start.Hour >= 6 ? DateOnly.FromDateTime(t.Start)
            : DateOnly.FromDateTime(t.Start) == day ? day : DateOnly.FromDateTime(t.Start.AddDays(-1));
    }

    /// <summary>An event, or one time of an event that comes again, in the assignment's zone.</summary>
    private sealed record EventTime(DateTime Start, DateTime End, string Name, string? Location, string? Uid);

    private static bool IsCancelled(CalendarEvent e) => string.Equals(e.Status, "CANCELLED", StringComparison.OrdinalIgnoreCase);

    /// <summary>
    /// The times of one event. One that comes again for ever is followed for the days an assignment may have, from the first event that does
    /// not come again on, where there is such a one.
    /// </summary>
    /// <param name="e">The event.</param>
    /// <param name="first">What it is followed from, by the day.</param>
    /// <param name="moved">Times of it that are events of their own.</param>
    /// <param name="zone">Zone of the assignment.</param>
    private static IEnumerable<EventTime> TimesOf(CalendarEvent e, DateTime first, IEnumerable<DateTime> moved, string? zone)
    {
        var begin = first.Date;
        var beyond = begin.AddDays(NewDay.MostDays + 1);
        foreach (var one in e.GetOccurrences(new CalDateTime(begin.AddDays(-1))).TakeWhile(o => In(o.Period.StartTime, zone) < beyond))
        {
            var start = In(one.Period.StartTime, zone);
            if (start < begin || moved.Contains(start)) continue;
            var end = one.Period.EffectiveEndTime is { } until ? In(until, zone) : start;
            var uid = e.RecurrenceRule is null && e.RecurrenceIdentifier is null ? e.Uid
                : string.Create(CultureInfo.InvariantCulture, $"{e.Uid}#{In(e.RecurrenceIdentifier?.StartTime ?? one.Period.StartTime, zone):yyyyMMdd'T'HHmm}");
            yield return new EventTime(start, end, Flat(e.Summary ?? "Part"), e.Location, e.Uid is null ? null : uid);
        }
    }

    /// <summary>A time as clocks show it in a zone; without a zone of its own it is taken as it stands.</summary>
    private static DateTime In(CalDateTime time, string? zone) => zone is null || time.TzId is null ? time.Value : time.ToTimeZone(zone).Value;

    private static string Line(EventTime e)
    {
        var minutes = (int)(e.End - e.Start).TotalMinutes;
        var where = string.IsNullOrWhiteSpace(e.Location) ? "" : $", {Flat(e.Location)}";
        return string.Create(CultureInfo.InvariantCulture,
            $"{e.Start:HH:mm} {NameOf(e)}{where.Replace('[', '(').Replace(']', ')')}{(minutes is > 0 and < 1000 ? $" {minutes} min" : "")}");
    }

    /// <summary>In a line a comma sets off the place, and brackets a kind.</summary>
    private static string NameOf(EventTime e) => Flat(e.Name.Replace(',', ' ').Replace('[', '(').Replace(']', ')'));

    private static string Flat(string text) => string.Join(' ', text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));

    private static CalDateTime At(DateTime local, string? zone) => zone is null ? new CalDateTime(local) : new CalDateTime(local, zone);
}
