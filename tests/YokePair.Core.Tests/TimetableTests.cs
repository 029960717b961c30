using YokePair.Core.Starting;

namespace YokePair.Core.Tests;

/// <summary>Timetables as people send them.</summary>
public sealed class TimetableTests
{
    private static readonly DateOnly Day = new(2027, 6, 12);

    public static TheoryData<string, string> Lines => TypedLines.Of("timetable-lines.txt");

    [Theory]
    [MemberData(nameof(Lines))]
    public void A_line_is_understood_or_asked_about(string line, string wanted)
    {
        var (lines, problems) = Timetable.Read(line, Day);
        if (wanted.StartsWith('?'))
        {
            Assert.Empty(lines);
            Assert.Contains(wanted[1..].Trim(), Assert.Single(problems).Message, StringComparison.Ordinal);
            return;
        }
        Assert.Empty(problems);
        var read = Assert.Single(lines);
        Assert.Equal(wanted, $"{read.Start:HH\\:mm}–{read.End:HH\\:mm} {read.Name}{(read.Location is null ? "" : $" @{read.Location}")} ={read.Kind}");
        Assert.Equal(DateOnly.FromDateTime(read.Start), Day);
    }

    /// <summary>By a clock of twelve hours the afternoon comes after noon, and it says that it took it so.</summary>
    [Fact]
    public void A_clock_of_twelve_hours_goes_on_in_the_afternoon()
    {
        var (lines, problems) = Timetable.Read("10:30 Getting ready\n12:00 Lunch break\n2:00 Ceremony\n2:45 Drinks\n9:00 pm Dancing\n12 am Exit", Day);
        Assert.Empty(problems);
        Assert.Equal("12 10:30, 12 12:00, 12 14:00, 12 14:45, 12 21:00, 13 00:00", string.Join(", ", lines.Select(l => $"{l.Start:dd HH\\:mm}")));
        Assert.Equal("2:00, 2:45", string.Join(", ", lines.Where(l => l.Guess is not null).Select(l => $"{l.Start:h\\:mm}")));
    }

    /// <summary>Where one hour shows a clock of 24, an hour that runs back is the next day's.</summary>
    [Fact]
    public void A_clock_of_24_hours_runs_into_the_next_day() =>
        Assert.Equal("12 20:00, 12 23:30, 13 01:30", string.Join(", ", Timetable.Read("20:00 Dinner\n23:30 Dance floor\n1:30 Exit", Day)
            .Lines.Select(l => $"{l.Start:dd HH\\:mm}")));

    [Fact]
    public void An_end_that_was_said_is_kept_though_the_next_begins_before_it()
    {
        var (lines, problems) = Timetable.Read("14:00–16:00 Drinks\n15:00–15:30 Groups\n15:00–15:20 Couple", Day);
        Assert.Empty(problems);
        Assert.Equal("16:00, 15:30, 15:20", string.Join(", ", lines.Select(l => $"{l.End:HH\\:mm}")));
        Assert.Contains("start at the same time", Assert.Single(Timetable.Read("14:00 Drinks\n14:00 Groups", Day).Problems).Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("14:00 Talks\n2027-06-13\n9:00 Talks")]
    [InlineData("14:00 Talks\nSunday\n9:00 Talks")]
    [InlineData("14:00 Talks\nSunday, 13 June 2027\n9:00 Talks")]
    [InlineData("14:00 Talks\nSonntag, 13. Juni 2027:\n9:00 Talks")]
    [InlineData("14:00 Talks\n13.6.2027\n9:00 Talks")]
    [InlineData("14:00 Talks\nDay 2\n9:00 Talks")]
    [InlineData("Time | What\n---|---\n14:00 | Talks\nday 2:\n9:00 | Talks")]
    public void A_date_or_a_weekday_begins_another_day(string text)
    {
        var (lines, problems) = Timetable.Read(text, Day);
        Assert.Empty(problems);
        Assert.Equal("12 14:00, 13 09:00", string.Join(", ", lines.Select(l => $"{l.Start:dd HH\\:mm}")));
    }
}
