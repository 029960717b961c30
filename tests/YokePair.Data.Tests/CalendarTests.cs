using YokePair.Data.Calendar;

namespace YokePair.Data.Tests;

/// <summary>
/// Calendar files as other programs write them, by hand after the examples of RFC 5545 (3.6.1, 3.8.5.3, 3.1), read for a day in New York.
/// </summary>
public sealed class CalendarTests
{
    private const string Zone = "America/New_York";

    /// <summary>What stands between BEGIN:VCALENDAR and its end, the timetable wanted, and what must be noted.</summary>
    public static TheoryData<string, string, string> Files => new()
    {
        // UTC, as in 3.6.1: 18:30 in Greenwich is 14:30 in New York in June.
        { Event("DTSTART:20270612T183000Z", "DTEND:20270612T191000Z", "SUMMARY:Ceremony", "LOCATION:Chapel"), "14:30 Ceremony, Chapel 40 min", "" },
        // A zone of its own.
        { Event("DTSTART;TZID=Europe/Vienna:20270612T203000", "DTEND;TZID=Europe/Vienna:20270612T213000", "SUMMARY:Call"), "14:30 Call 60 min", "" },
        // No zone: it stands as it is, wherever one is (3.3.5, form 1).
        { Event("DTSTART:20270612T143000", "DTEND:20270612T150000", "SUMMARY:Vows"), "14:30 Vows 30 min", "" },
        // A length in place of an end (3.3.6).
        { Event("DTSTART:20270612T143000", "DURATION:PT1H30M", "SUMMARY:Portraits"), "14:30 Portraits 90 min", "" },
        // Neither: no length is said.
        { Event("DTSTART:20270612T143000", "SUMMARY:Cake"), "14:30 Cake", "" },
        // Two at once, for two photographers: both whole.
        { Event("DTSTART:20270612T140000", "DTEND:20270612T160000", "SUMMARY:Drinks")
            + Event("DTSTART:20270612T150000", "DTEND:20270612T153000", "SUMMARY:Groups"), "14:00 Drinks 120 min|15:00 Groups 30 min", "" },
        // Cancelled (3.8.1.11).
        { Event("DTSTART:20270612T140000", "SUMMARY:Drinks") + Event("STATUS:CANCELLED", "DTSTART:20270612T150000", "SUMMARY:Boat trip"), "14:00 Drinks",
            "Boat trip is cancelled" },
        // All day (3.8.2.4, VALUE=DATE).
        { Event("DTSTART;VALUE=DATE:20270612", "SUMMARY:Anna and Ben") + Event("DTSTART:20270612T140000", "SUMMARY:Drinks"), "14:00 Drinks",
            "Anna and Ben lasts all day" },
        // Every day, three times (3.8.5.3).
        { Event("DTSTART:20270612T090000", "DURATION:PT1H", "RRULE:FREQ=DAILY;COUNT=3", "SUMMARY:Talks"),
            "09:00 Talks 60 min|2027-06-13|09:00 Talks 60 min|2027-06-14|09:00 Talks 60 min", "" },
        // Every day but one (3.8.5.1).
        { Event("DTSTART:20270612T090000", "DURATION:PT1H", "RRULE:FREQ=DAILY;COUNT=3", "EXDATE:20270613T090000", "SUMMARY:Talks"),
            "09:00 Talks 60 min|2027-06-14|09:00 Talks 60 min", "" },
        // One of them moved (3.8.4.4).
        { Event("UID:a@b", "DTSTART:20270612T090000", "DURATION:PT1H", "RRULE:FREQ=DAILY;COUNT=2", "SUMMARY:Talks")
            + Event("UID:a@b", "RECURRENCE-ID:20270613T090000", "DTSTART:20270613T110000", "DURATION:PT1H", "SUMMARY:Talks"),
            "09:00 Talks 60 min|2027-06-13|11:00 Talks 60 min", "" },
        // A comma, a folded line (3.1) and an escaped one (3.3.11).
        { Event("DTSTART:20270612T143000", "SUMMARY:Speeches\\, by the fa", " ther", "LOCATION:Hall\\, first floor"),
            "14:30 Speeches by the father, Hall, first floor", "" },
        // A rule without end beside a day of its own: only the days from that one on.
        { Event("DTSTART:20200106T080000", "DURATION:PT15M", "RRULE:FREQ=WEEKLY", "SUMMARY:Charge") + Event("DTSTART:20270613T140000", "SUMMARY:Drinks"),
            "14:00 Drinks|2027-06-14|08:00 Charge 15 min|2027-06-21|08:00 Charge 15 min", "" },
        // Past midnight belongs to the night before it.
        { Event("DTSTART:20270612T220000", "DURATION:PT2H", "SUMMARY:Party") + Event("DTSTART:20270613T003000", "SUMMARY:Exit"),
            "22:00 Party 120 min|00:30 Exit", "" },
    };

    [Theory]
    [MemberData(nameof(Files))]
    public void A_calendar_is_read_as_it_is_meant(string events, string timetable, string noted)
    {
        var (day, problem) = DayCalendar.Read($"BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//test//EN\r\n{events}END:VCALENDAR\r\n", Zone);
        Assert.Null(problem);
        Assert.Equal(timetable.Split('|'), day!.Timetable.Split('\n'));
        if (noted.Length > 0) Assert.Contains(day.Notes, n => n.Contains(noted, StringComparison.Ordinal));
        else Assert.Empty(day.Notes);
    }

    [Fact]
    public void An_unknown_zone_is_told()
    {
        var (day, problem) = DayCalendar.Read($"BEGIN:VCALENDAR\r\n{Event("DTSTART;TZID=Nowhere/Island:20270612T140000", "SUMMARY:Drinks")}END:VCALENDAR\r\n",
            Zone);
        Assert.Null(day);
        Assert.Contains("time zone", problem!.Message, StringComparison.Ordinal);
    }

    private static string Event(params string[] lines) => $"BEGIN:VEVENT\r\n{string.Concat(lines.Select(l => l + "\r\n"))}END:VEVENT\r\n";
}
