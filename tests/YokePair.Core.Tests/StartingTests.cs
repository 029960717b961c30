using YokePair.Core.Editing;
using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Starting;

namespace YokePair.Core.Tests;

/// <summary>Starting a day from something, and changing its run.</summary>
public sealed class StartingTests
{
    private static readonly DateOnly Day = new(2027, 7, 3);

    private static readonly IReadOnlyList<Item> Owned = LockerFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo/locker.yoke-locker.json"))).Things.Select(t => PlanFile.ReadItem(t.Whole!).Item!).ToList();

    public static TheoryData<string, string> Templates => new(DayTemplate.All.SelectMany(t => StartingStyle.All.Select(s => (t.Id, s.Id))));

    [Theory]
    [MemberData(nameof(Templates))]
    public void Every_usual_day_in_every_style_is_a_plan_that_can_be_kept(string template, string style)
    {
        foreach (var locker in new[] { Owned, [] })
        {
            var made = NewDay.From(new NewDayRequest("A day", Day, template, null, style, Second: true), locker);
            Assert.Empty(made.Problems);
            Assert.Empty(PlanCheck.Complete(made.Plan!));
            Assert.Equal(made.Plan!.Parts.Count, made.Plan.Parts.Select(p => p.Start).Distinct().Count());
            Assert.True(new DayAnalysis(made.Plan).Report(withEvents: false).Needs.Count > 3);
        }
    }

    [Fact]
    public void Two_alike_go_to_the_two_hands_with_glass_of_the_style()
    {
        var plan = NewDay.From(new NewDayRequest("A day", Day, "wedding-indoor", null, "two-primes", Second: false), Owned).Plan!;
        string?[][] hands = [.. plan.Parts[0].Setups.Select(s => new[] { s.Body, s.Lens })];
        Assert.Equal([["b1", "l35"], ["b2", "l85"]], hands);
        Assert.DoesNotContain(plan.Items, i => i.Owner == "second");
        Assert.Equal("@b1", plan.Items.OfType<Battery>().First(b => b.Place == "@b1").Place);
    }

    [Fact]
    public void What_is_away_that_day_stays_at_home()
    {
        Assert.DoesNotContain(NewDay.From(new NewDayRequest("A day", new DateOnly(2027, 6, 12), "wedding-indoor", null, null, true), Owned).Plan!.Items, i => i.Id == "z70r");
        Assert.Contains(NewDay.From(new NewDayRequest("A day", new DateOnly(2027, 6, 15), "wedding-indoor", null, null, true), Owned).Plan!.Items, i => i.Id == "z70r");
    }

    /// <summary>A timetable, and what is read: start, end, name, place, kind.</summary>
    public static TheoryData<string, string> Timetables => new()
    {
        { "14:00 ceremony, chapel 40 min", "14:00-14:40 Ceremony @chapel ceremony" },
        { "14:00 ceremony\n14:30 drinks 60 min", "14:00-14:30 Ceremony ceremony|14:30-15:30 Drinks drinks" },
        { "9 talks\n10.30 keynote 1 h", "09:00-10:30 Talks talks|10:30-11:30 Keynote talks" },
        { "22:00 dancing\n0:30 farewell", "22:00-00:30 Dancing dance-floor|00:30-00:50 Farewell exit" },
        { "20:00 fireworks", "20:00-21:00 Fireworks " },
        { "14:00-14:40 vows, garden", "14:00-14:40 Vows @garden ceremony" },
    };

    [Theory]
    [MemberData(nameof(Timetables))]
    public void A_timetable_is_read_as_people_send_it(string text, string wanted)
    {
        var (lines, problems) = Timetable.Read(text, Day);
        Assert.Empty(problems);
        Assert.Equal(wanted, string.Join('|', lines.Select(l => FormattableString.Invariant($"{l.Start:HH:mm}-{l.End:HH:mm} {l.Name}{(l.Location is null ? "" : $" @{l.Location}")} {l.Kind}"))));
    }

    [Theory]
    [InlineData("ceremony at two", 1)]
    [InlineData("14:00 vows\n25:00 late", 2)]
    [InlineData("14:00 vows\n14:00 kiss", 2)]
    [InlineData("14:99 vows", 1)]
    public void A_line_that_cannot_be_is_named(string text, int line) => Assert.Contains(Timetable.Read(text, Day).Problems, p => p.Line == line);

    [Fact]
    public void Hours_that_run_back_belong_to_the_next_day() => Assert.Equal(Day.AddDays(1), DateOnly.FromDateTime(Timetable.Read("23:00 dancing\n1:00 exit", Day).Lines[1].Start));

    [Fact]
    public void A_framing_gives_its_focal_lengths_unless_they_are_typed_over()
    {
        var need = Phrases.Need("Speaker", Importance.Must, Subject.FullLength, 7, 14, Motion.Talking);
        Assert.Equal(new Interval(7 * 24 / 2.2, 14 * 24 / 2.2), need.FocalWanted!.Value);
        Assert.Equal(153, need.FocalWanted.Value.High, 0.5);
        Assert.Equal(new Interval(85, 85), (need with { Focal = new Interval(85, 85) }).FocalWanted);
    }

    /// <summary>Edits of a day of three parts, and its run after them.</summary>
    public static TheoryData<string, string> Edits => new()
    {
        { """{"type":"addPart","kind":"groups","after":"part-ceremony"}""", "Ceremony 14:00-14:40|Groups 14:40-15:20|Drinks 15:20-16:20|Exit 16:20-16:40" },
        { """{"type":"removePart","part":"part-drinks"}""", "Ceremony 14:00-14:40|Exit 15:40-16:00" },
        { """{"type":"splitPart","part":"part-drinks"}""", "Ceremony 14:00-14:40|Drinks 14:40-15:10|Drinks, later 15:10-15:40|Exit 15:40-16:00" },
        { """{"type":"joinParts","part":"part-ceremony"}""", "Ceremony 14:00-15:40|Exit 15:40-16:00" },
        { """{"type":"setPart","part":"part-ceremony","end":"2027-07-03T15:00","ripple":true}""", "Ceremony 14:00-15:00|Drinks 15:00-16:00|Exit 16:00-16:20" },
        { """{"type":"setPart","part":"part-drinks","name":"Champagne"}""", "Ceremony 14:00-14:40|Champagne 14:40-15:40|Exit 15:40-16:00" },
    };

    [Theory]
    [MemberData(nameof(Edits))]
    public void The_run_of_a_day_is_changed_and_put_back(string edit, string run)
    {
        var plan = Three();
        var changed = EditResult.Apply(plan, [System.Text.Json.JsonSerializer.Deserialize<PlanEdit>(edit, PlanFile.JsonOptions)!]);
        Assert.Empty(changed.Problems);
        Assert.Equal(run, Run(changed.Plan!));
        var back = PlanDelta.To(changed.Plan!, plan).ApplyTo(changed.Plan!);
        Assert.Equal(PlanFile.Write(plan), PlanFile.Write(back));
        Assert.Equal(PlanFile.Write(changed.Plan!), PlanFile.Write(PlanDelta.To(plan, changed.Plan!).ApplyTo(plan)));
    }

    [Fact]
    public void A_need_is_put_in_words_and_taken_out()
    {
        var plan = Three();
        var put = new PutNeed { Part = "part-drinks", Need = new Need { Id = "", Name = "Cake", ShutterSeconds = 1 }, Subject = Subject.Couple, NearM = 3, FarM = 6, Motion = Motion.Walking };
        var need = EditResult.Apply(plan, [put]).Plan!.Parts[1].Needs[^1];
        Assert.Equal((1.0 / 250, 3.2), (need.ShutterSeconds, need.MinFNumber!.Value));
        Assert.Equal(3 * 24 / 2.2, need.FocalWanted!.Value.Low, 1e-9);
        Assert.Contains("farM", EditResult.Apply(plan, [put with { FarM = 1 }]).Problems.Select(p => p.Field));
        Assert.Contains("nearM", EditResult.Apply(plan, [put with { NearM = 0 }]).Problems.Select(p => p.Field));
        var gone = EditResult.Apply(plan, [new RemoveNeed { Part = "part-ceremony", Need = "need-kiss" }]).Plan!;
        Assert.DoesNotContain(gone.Parts[0].Needs, n => n.Id == "need-kiss");
    }

    [Fact]
    public void Changes_in_the_hands_are_counted_and_those_without_the_time_for_them_marked()
    {
        var plan = PlanFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo/steamer-wedding.yoke.json"))).Plan!;
        var changes = new DayAnalysis(plan).Report(withEvents: false).Changes;
        var right = changes.Where(c => c is { Person: "lead", Position: "right" }).ToList();
        Assert.Equal(["details", "boarding", "vows", "toast", "room", "dinner", "dance1", "lanterns"], right.Select(c => c.Part));
        // The adapter lies on its lens, so it costs nothing more.
        Assert.Equal(30, right[0].Seconds);
        Assert.False(right[0].Tight);
        Assert.True(right.First(c => c.Part == "vows").Tight);
    }

    private static Plan Three() => NewDay.From(new NewDayRequest("Small", Day, null, "14:00 ceremony, chapel 40 min\n14:40 drinks 60 min\n15:40 exit 20 min", "two-primes", false), Owned).Plan!;

    private static string Run(Plan plan) => string.Join('|', Plans.Day.InOrder(plan).Select(p => FormattableString.Invariant($"{p.Label} {p.Start:HH:mm}-{p.End:HH:mm}")));
}
