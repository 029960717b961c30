using YokePair.Core.Editing;
using YokePair.Core.Plans;
using YokePair.Core.Starting;

namespace YokePair.Core.Tests;

/// <summary>A newer timetable held against a day that exists.</summary>
public sealed class TimetableDiffTests
{
    private static readonly DateOnly On = new(2027, 6, 12);

    private static Plan Started(string timetable, IReadOnlyList<TimetableEvent>? events = null) =>
        NewDay.From(new NewDayRequest("A day", On, null, timetable, null, false, Events: events), []).Plan!;

    private static IReadOnlyList<TimetableChange> Against(Plan plan, string timetable, IReadOnlyList<TimetableEvent>? events = null)
    {
        var held = Held(plan, timetable, events);
        Assert.Empty(held.Problems);
        return held.Changes;
    }

    private static TimetableHeld Held(Plan plan, string timetable, IReadOnlyList<TimetableEvent>? events = null)
    {
        var (lines, problems) = Timetable.Read(timetable, On);
        Assert.Empty(problems);
        return TimetableDiff.Of(plan, lines, events);
    }

    [Theory]
    [InlineData("14:20 ceremony, chapel 40 min", "Group photos starts 20 min later, to make room for Ceremony")]
    [InlineData("14:40 ceremony, chapel 30 min", "Group photos is taken out: Ceremony takes all of its time")]
    [InlineData("14:45 ceremony, chapel 10 min", "Group photos starts 15 min later, to make room for Ceremony")]
    [InlineData("14:00 ceremony, chapel 40 min\n15:00 tea 10 min", "Group photos ends 10 min earlier, to make room for Tea")]
    public void What_it_does_not_name_gives_way_to_what_it_does(string now, string says)
    {
        var plan = Started("14:00 ceremony, chapel 40 min\n14:40 group photos 30 min\n15:10 speeches, hall 60 min");
        var changes = Against(plan, now + "\n15:10 speeches, hall 60 min");
        Assert.Equal(says, Assert.Single(changes, c => c.Kind == TimetableChangeKind.GivesWay).Says, StringComparer.OrdinalIgnoreCase);
        var proposed = changes.Where(c => c.Kind != TimetableChangeKind.Missing).Select(c => c.Edit).ToList();
        Assert.Empty(EditResult.Apply(plan, proposed).Problems);
        Assert.Empty(EditResult.Apply(plan, [.. changes.Select(c => c.Edit)]).Problems);
    }

    [Fact]
    public void A_part_is_no_longer_than_the_next_line_lets_it()
    {
        var changes = Against(Started(First),
            "13:00 getting ready, inn 60 min\n14:20 ceremony, chapel\n14:45 group photos until 15:10\n15:10 speeches, hall 60 min");
        Assert.Equal("Ceremony: starts 20 min later and ends 5 min later", Assert.Single(changes, c => c.Part == "part-ceremony").Says);
    }

    [Fact]
    public void Somebody_in_two_places_by_the_timetable_itself_is_said_at_its_line()
    {
        var (lines, _) = Timetable.Read("14:00 ceremony, chapel until 15:00\n14:40 group photos until 15:10", On);
        var problem = Assert.Single(TimetableDiff.Of(Started(First), lines).Problems);
        Assert.Equal(2, problem.Line);
        Assert.StartsWith("Ceremony and Group photos go on at the same time", problem.Message, StringComparison.Ordinal);
    }

    private const string First = "13:00 getting ready, inn 60 min\n14:00 ceremony, chapel 40 min\n14:40 group photos 30 min\n15:10 speeches, hall 60 min";

    [Fact]
    public void The_same_timetable_changes_nothing() => Assert.Empty(Against(Started(First), First));

    [Theory]
    [InlineData("14:00 ceremony, chapel 40 min", "14:15 ceremony, chapel 40 min", "Ceremony: starts 15 min later")]
    [InlineData("14:00 ceremony, chapel 40 min", "14:00 ceremony, chapel until 15:00", "Ceremony: ends 20 min later")]
    [InlineData("14:00 ceremony, chapel 40 min", "14:00 ceremony, garden 40 min", "Ceremony: at garden")]
    [InlineData("14:40 group photos 30 min", "14:40 family formals 30 min", "Group photos: called Family formals")]
    [InlineData("15:10 speeches, hall 60 min", "15:10 speeches, hall 60 min\n21:00 fireworks, lake 20 min", "Fireworks is new, at lake")]
    [InlineData("14:40 group photos 30 min\n", "", "Group photos is not in it")]
    public void It_says_what_is_otherwise(string was, string now, string says)
    {
        var change = Assert.Single(Held(Started(First), First.Replace(was, now, StringComparison.Ordinal)).Changes);
        Assert.Equal(says, change.Says, StringComparer.OrdinalIgnoreCase);
    }

    /// <summary>Whatever two timetables: what is proposed makes of the one day the parts of the other, and then nothing is left to propose.</summary>
    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void What_it_proposes_makes_the_day_as_the_timetable_has_it(int seed)
    {
        var random = new Random(seed);
        string[] kinds = ["ceremony", "group photos", "speeches", "first dance", "fireworks", "getting ready", "travel", "tea"];
        for (var run = 0; run < 60; run++)
        {
            var (one, other) = (Written(), Written());
            var plan = Started(one);
            var changes = Against(plan, other);
            var then = EditResult.Apply(plan, [.. changes.OrderBy(c => c.Kind == TimetableChangeKind.Missing).Select(c => c.Edit)]).Plan!;
            var (lines, _) = Timetable.Read(other, On);
            Assert.Equal(
                lines.Select(l => (l.Start, l.End, l.Name)).Order(),
                then.Parts.Select(p => (p.Start!.Value, p.End!.Value, p.Label)).Order());
            Assert.Empty(Against(then, other));
            // As it is proposed, without what is only told, it can be taken too.
            Assert.Empty(EditResult.Apply(plan, [.. changes.Where(c => c.Kind != TimetableChangeKind.Missing).Select(c => c.Edit)]).Problems);
        }

        string Written()
        {
            var at = 9 * 60;
            var lines = new List<string>();
            foreach (var kind in kinds.Where(_ => random.Next(3) > 0))
            {
                at += random.Next(0, 12) * 5;
                var minutes = random.Next(2, 12) * 5;
                lines.Add(FormattableString.Invariant($"{at / 60:00}:{at % 60:00} {kind} {minutes} min"));
                at += minutes;
            }
            return lines.Count > 0 ? string.Join('\n', lines) : "10:00 tea 30 min";
        }
    }

    [Fact]
    public void A_part_is_known_by_its_calendar_event_whatever_it_is_called_and_whenever_it_is()
    {
        TimetableEvent[] first = [new("a@x", new DateTime(2027, 6, 12, 14, 0, 0), "Meet the vicar")];
        var plan = Started("14:00 Meet the vicar 40 min\n15:00 speeches 60 min", first);
        Assert.Equal("a@x", plan.Parts[0].Uid);
        TimetableEvent[] then = [new("a@x", new DateTime(2027, 6, 12, 19, 0, 0), "Blessing")];
        var change = Assert.Single(Against(plan, "15:00 speeches 60 min\n19:00 Blessing 40 min", then));
        Assert.Equal("Meet the vicar: starts 5 h later and called Blessing", change.Says);
        // Without the event it would be one more part.
        Assert.Equal(2, Against(plan, "15:00 speeches 60 min\n19:00 Blessing 40 min").Count);
    }

    [Fact]
    public void What_was_exported_comes_back_to_its_own_parts()
    {
        var plan = Started(First);
        TimetableEvent[] events = [.. plan.Parts.Select(p => new TimetableEvent(TimetableDiff.ExportedAs(plan, p), p.Start!.Value.AddHours(5), "x" + p.Label))];
        var changes = Against(plan, string.Join('\n', plan.Parts.Select(p =>
            FormattableString.Invariant($"{p.Start!.Value.AddHours(5):HH:mm} x{p.Label} 30 min"))), events);
        Assert.All(changes, c => Assert.Equal(TimetableChangeKind.Changed, c.Kind));
        Assert.Equal(plan.Parts.Count, changes.Count);
    }
}
