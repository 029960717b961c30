using YokePair.Core.Editing;
using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Core.Starting;

namespace YokePair.Core.Tests;

/// <summary>Bounds on what is newly said, each with a word; what was there before stays workable.</summary>
public sealed class LimitTests
{
    private static readonly Plan Day = NewDay.From(new NewDayRequest("A day", new DateOnly(2027, 6, 12), "wedding-indoor", null, null, false), []).Plan!;

    private static readonly string Long = new('x', 5000);

    public static TheoryData<string, string, string> Beyond => new()
    {
        { "name", "   ", "is blank; say what it is called" },
        { "name", Long, "has 5000 letters; say it in at most 120" },
        { "location", Long, "has 5000 letters; say it in at most 300" },
        { "start", "1899-06-12", "1899-06-12 is no day one photographs on" },
        { "frames", "99999999", "expected frames from 0 to 1000000" },
        { "ev", "999", "expected an exposure value" },
    };

    [Theory]
    [MemberData(nameof(Beyond))]
    public void An_edit_beyond_them_is_refused_in_words(string field, string said, string message)
    {
        var part = Day.Parts[0].Id;
        var start = field == "start" ? DateTime.Parse(said, null) : (DateTime?)null;
        SetPart edit = new()
        {
            Part = part,
            Name = field == "name" ? said : null,
            Location = field == "location" ? said : null,
            Start = start,
            End = start?.AddHours(1),
            Frames = field == "frames" ? new FrameCount { Low = 1, Likely = 2, High = int.Parse(said, null) } : null,
            Ev = field == "ev" ? double.Parse(said, null) : null,
        };
        var result = EditResult.Apply(Day, [edit]);
        Assert.Null(result.Plan);
        Assert.Contains(result.Problems, p => p.Field.EndsWith(field == "frames" ? "high" : field, StringComparison.Ordinal)
            && p.Message.Contains(message, StringComparison.Ordinal));
    }

    [Fact]
    public void A_day_that_was_beyond_them_before_can_still_be_worked_on()
    {
        var old = Day with { Parts = [.. Day.Parts.Select((p, i) => i == 0 ? p with { Name = Long } : p)] };
        Assert.NotNull(EditResult.Apply(old, [new SetPart { Part = old.Parts[0].Id, Ev = 4 }]).Plan);
        Assert.Null(EditResult.Apply(old, [new SetPart { Part = old.Parts[1].Id, Name = Long + "y" }]).Plan);
    }

    [Theory]
    [InlineData("", 2027, "name", "is blank")]
    [InlineData("A day", 1899, "day", "no day one photographs on")]
    public void A_day_is_not_started_beyond_them(string name, int year, string field, string message) => Assert.Contains(
        NewDay.From(new NewDayRequest(name, new DateOnly(year, 1, 1), "wedding-indoor", null, null, false), []).Problems,
        p => p.Field == field && p.Message.Contains(message, StringComparison.Ordinal));

    [Theory]
    [InlineData("lens 999999 mm f/2 K1", "expected mm from 1 to 10000")]
    [InlineData("card SD 99999999 GB", "expected")]
    [InlineData("flash GN 99999 AA", "expected metres from 0.1 to 10000")]
    public void Nor_is_a_thing_taken(string line, string message) =>
        Assert.Contains(QuickAdd.Read(line, KnownWords.Of([])).Problems, p => p.Message.Contains(message, StringComparison.Ordinal));

    [Fact]
    public void Nor_a_name_of_a_page() => Assert.Contains(QuickAdd.Read("lens 50/1.8 K1 " + string.Join(' ', Enumerable.Repeat("fine", 60)), KnownWords.Of([]))
        .Problems, p => p.Field == "name");
}
