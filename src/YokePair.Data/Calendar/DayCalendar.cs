using System.Globalization;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using YokePair.Core.Plans;

namespace YokePair.Data.Calendar;

/// <summary>A calendar file as a timetable that can be looked at and changed before it becomes a day.</summary>
/// <param name="Day">Day of the first event.</param>
/// <param name="Name">Name of the calendar, or of an event that lasts all day.</param>
/// <param name="Timetable">One line for each event; a line with a date begins each day after the first.</param>
/// <param name="Left">Events beyond the days an assignment may have, left out.</param>
public sealed record CalendarDay(DateOnly Day, string? Name, string Timetable, int Left);

/// <summary>iCalendar (RFC 5545) files in and out.</summary>
public static class DayCalendar
{
    /// <summary>Largest file read, in bytes.</summary>
    public const int MaxBytes = 1024 * 1024;

    /// <summary>Writes the parts of a day as events.</summary>
    public static string Write(Plan plan)
    {
        var calendar = new Ical.Net.Calendar { ProductId = "-//Yoke Pair//day//EN" };
        foreach (var part in Core.Plans.Day.InOrder(plan))
        {
            if (part.Start is not { } start || part.End is not { } end) continue;
            calendar.Events.Add(new CalendarEvent
            {
                Uid = $"{part.Id}@{plan.Assignment.Id}",
                Summary = part.Label,
                Location = part.Location,
                Start = At(start, plan.Assignment.TimeZone),
                End = At(end, plan.Assignment.TimeZone),
                Description = string.Join('\n', part.Needs.Select(n => n.Label)),
            });
        }
        return new CalendarSerializer().SerializeToString(calendar)!;
    }

    /// <summary>Reads the first days of a calendar.</summary>
    /// <returns>The days as a timetable, or what is wrong with the file.</returns>
    public static (CalendarDay? Day, PlanProblem? Problem) Read(string text)
    {
        Ical.Net.Calendar? calendar;
        try
        {
            calendar = Ical.Net.Calendar.Load(text);
        }
        catch (Exception e) when (e is System.Runtime.Serialization.SerializationException or ArgumentException or FormatException or InvalidOperationException)
        {
            return (null, new PlanProblem("", "this is no calendar file (.ics): it should begin with BEGIN:VCALENDAR"));
        }
        if (calendar is null) return (null, new PlanProblem("", "this is no calendar file (.ics): it should begin with BEGIN:VCALENDAR"));
        var timed = calendar.Events.Where(e => e.Start is { HasTime: true }).OrderBy(e => e.Start!.Value).ToList();
        if (timed.Count == 0) return (null, new PlanProblem("", "there is no event with a time in this calendar"));
        var day = DateOnly.FromDateTime(timed[0].Start!.Value);
        var kept = timed.Where(e => Nightly(e).DayNumber - day.DayNumber < Core.Starting.NewDay.MostDays).ToList();
        var lines = kept.GroupBy(Nightly).OrderBy(g => g.Key).SelectMany(g => (g.Key == day ? [] : new[] { g.Key.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) }).Concat(g.Select(Line)));
        var allDay = calendar.Events.FirstOrDefault(e => e.Start is { HasTime: false });
        return (new CalendarDay(day, allDay?.Summary ?? calendar.Properties.Get<string>("X-WR-CALNAME"), string.Join('\n', lines), timed.Count - kept.Count), null);

        // A night belongs to the day before it, but for an event that begins the calendar.
        DateOnly Nightly(CalendarEvent e) => e == timed[0] || e.Start!.Value.Hour >= 6 ? DateOnly.FromDateTime(e.Start!.Value)
            : DateOnly.FromDateTime(e.Start.Value) == day ? day : DateOnly.FromDateTime(e.Start.Value.AddDays(-1));
    }

    private static string Line(CalendarEvent e)
    {
        var minutes = e.End is { } end ? (int)(end.Value - e.Start!.Value).TotalMinutes : 0;
        var where = string.IsNullOrWhiteSpace(e.Location) ? "" : $", {Flat(e.Location)}";
        return string.Create(CultureInfo.InvariantCulture, $"{e.Start!.Value:HH:mm} {Flat(e.Summary ?? "Part").Replace(',', ' ')}{where}{(minutes is > 0 and < 1000 ? $" {minutes} min" : "")}");
    }

    private static string Flat(string text) => string.Join(' ', text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));

    private static CalDateTime At(DateTime local, string? zone) => zone is null ? new CalDateTime(local) : new CalDateTime(local, zone);
}
