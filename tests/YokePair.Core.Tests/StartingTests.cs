using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Reports;
using YokePair.Core.Starting;
using YokePair.Core.Ways;

namespace YokePair.Core.Tests;

/// <summary>Starting a day from something, and changing its run.</summary>
public sealed class StartingTests
{
    private static readonly DateOnly Day = new(2027, 7, 3);

    private static readonly List<Item> Owned = LockerFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo/locker.yoke-locker.json")))
        .Things.Select(t => PlanFile.ReadItem(t.Whole!).Item!).ToList();

    public static TheoryData<string, string> Templates => new(DayTemplate.All.SelectMany(t => StartingStyle.All.Select(s => (t.Id, s.Id))));

    [Theory]
    [MemberData(nameof(Templates))]
    [Trait("Takes", "long")]
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
        Assert.All(plan.Parts[0].Setups, s => Assert.Single(plan.Items.OfType<Battery>(), b => b.Place == "@" + s.Body));
    }

    /// <summary>One body, as its owner would name it, and a usual day: the four answers about charge come without another figure.</summary>
    [Fact]
    public void A_newcomer_is_told_what_to_charge_and_when_to_change()
    {
        string[] kit = ["body Verrin 24MP K2 dual SD iso6400 LB7", "24-70/2.8 K2", "flash GN 40", "8 AA", "9 batteries LB7", "4 cards SD 128GB", "charger LB7"];
        var owned = QuickAdd.ReadAll(string.Join('\n', kit), KnownWords.None).SelectMany(l => l.Things)
            .Select((t, n) => t with { Id = $"t{n}", Name = $"{t.Name} {n}" }).ToList();
        Assert.Equal(19, owned.Count);
        var plan = NewDay.From(new NewDayRequest("A day", Day, "wedding-indoor", null, null, Second: false), owned).Plan!;
        var power = PowerDay.Of(new DayAnalysis(plan), owned);
        var sentence = string.Concat(power.Sentence.Select(p => p.Text));
        Assert.Matches("^On charge tonight: .*LB7.*AA", sentence);
        Assert.Contains("Change the Verrin", sentence, StringComparison.Ordinal);
        Assert.Contains("; it will show about ", sentence, StringComparison.Ordinal);
        Assert.NotEmpty(power.Nights.SelectMany(n => n.Rounds));
        Assert.All(power.Plan.Figures, f => Assert.Equal(FigureSource.Usual, f.Source));
        Assert.DoesNotContain(power.Plan.Changes, c => c.InOnce);
    }

    [Theory]
    [InlineData(35, 3, 6)]
    [InlineData(50, 4.29, 8.57)]
    [InlineData(85, 6, 12)]
    public void Whoever_lives_at_a_short_focal_length_stands_nearer(double mm, double near, double far)
    {
        var plan = NewDay.From(new NewDayRequest("A day", Day, "wedding-indoor", null, "two-primes", false, Habits: new Habits(LivesAtMm: mm)), Owned).Plan!;
        var stands = plan.Parts.SelectMany(p => p.Needs).Single(n => n.Name == "Kiss").Framing!.DistanceM;
        Assert.Equal((near, far), (Math.Round(stands.Low, 2), Math.Round(stands.High, 2)));
    }

    [Fact]
    public void But_not_at_play()
    {
        Interval Stands(Habits? habits) => NewDay.From(new NewDayRequest("A day", Day, "sport-field", null, null, false, Habits: habits), Owned)
            .Plan!.Parts.SelectMany(p => p.Needs).First(n => n.Name == "Action").Framing!.DistanceM;
        Assert.Equal(Stands(null), Stands(new Habits(LivesAtMm: 35)));
    }

    [Fact]
    [Trait("Takes", "long")]
    public void A_second_photographer_gets_hands_whosever_the_camera_is_and_an_open_roller_is_at_hand()
    {
        Plan Made(string style) => NewDay.From(new NewDayRequest("A day", Day, "wedding-indoor", null, style, true),
            [.. Owned.Select(t => t with { Owner = "lead" })]).Plan!;
        Assert.Contains(Made("two-primes").Parts[0].Setups, s => s.Person == "second" && s.Body is not null);
        Assert.Equal((8, 60), (Made("open-roller").Places.Single(p => p.Id == "roller").ReachSeconds, Made("two-primes").Places.Single(p => p.Id == "roller")
            .ReachSeconds));
    }

    [Fact]
    [Trait("Takes", "long")]
    public void A_new_day_goes_on_as_the_team_worked_on_the_latest()
    {
        var before = NewDay.From(new NewDayRequest("Before", Day, "wedding-indoor", null, "two-primes", true), Owned).Plan!;
        var lead = before.People[0] with { Seconds = new OwnSeconds { ChangeLens = 15 } };
        var second = before.People[1] with { Habits = new WorkHabits { LivesAtMm = 85 } };
        before = before with { People = [lead, second], Rules = before.Rules with { House = new House { LeadAlone = true } } };
        var plan = NewDay.From(new NewDayRequest("Next", Day, "event-dinner", null, "two-primes", true), Owned, usual: UsualWays.Of([before])).Plan!;
        Assert.Equal((15, 85, true), (plan.People[0].Seconds?.ChangeLens, plan.People[1].Habits?.LivesAtMm, plan.Rules.House.LeadAlone));
        Assert.True(plan.Items.Count < Owned.Count);
    }

    [Fact]
    public void What_is_away_that_day_stays_at_home()
    {
        Assert.DoesNotContain(NewDay.From(new NewDayRequest("A day", new DateOnly(2027, 6, 12), "wedding-indoor", null, null, true), Owned).Plan!.Items, i =>
            i.Id == "z70r");
        Assert.Contains(NewDay.From(new NewDayRequest("A day", new DateOnly(2027, 6, 15), "wedding-indoor", null, null, true), Owned).Plan!.Items, i =>
            i.Id == "z70r");
    }

    [Fact]
    public void An_assignment_of_several_days_repeats_the_first_and_knows_its_team_and_zone()
    {
        var plan = NewDay.From(new NewDayRequest("Fair", Day, "event-talks", null, "two-zooms", true, Days: 3, Assistant: true, TimeZone: "Europe/Vienna"),
            Owned).Plan!;
        Assert.Equal(3, plan.Parts.Select(p => DateOnly.FromDateTime(p.Start!.Value)).Distinct().Count());
        Assert.Equal(plan.Parts.Count, plan.Parts.Select(p => p.Id).Distinct().Count());
        Assert.Equal(PersonRole.Assistant, plan.People.Single(p => p.Id == "assistant").Role);
        Assert.Empty(PlanCheck.Complete(plan));
        Assert.Contains("days", NewDay.From(new NewDayRequest("Fair", Day, "event-talks", null, null, true, Days: 0), Owned).Problems.Select(p => p.Field));
        Assert.Contains("assignment.timeZone", NewDay.From(new NewDayRequest("Fair", Day, "event-talks", null, null, true, TimeZone: "Here/There"), Owned)
            .Problems.Select(p => p.Field));
    }

    [Fact]
    [Trait("Takes", "long")]
    public void Habits_fill_the_day_their_own_way()
    {
        Plan Made(Habits habits, string style = "two-primes") =>
            NewDay.From(new NewDayRequest("A day", Day, "wedding-indoor", null, style, Second: true, Habits: habits), Owned).Plan!;
        string? Glass(Plan plan, string position) => plan.Parts[0].Setups.First(s => s.Person == "lead" && s.Position == position).Lens;
        Assert.Equal(("l24", "l85"), (Glass(Made(new Habits(LivesAtMm: 24)), "left"), Glass(Made(new Habits(LivesAtMm: 24)), "right")));
        Assert.Equal("l35", Glass(Made(new Habits(LivesAtMm: 100)), "left"));
        Assert.All(Made(new Habits(Light: Illumination.Stands)).Parts.SelectMany(p => p.Needs), n =>
            Assert.True(n.Light.Contains(LightKind.Stands) && n.Stands is not null));
        Assert.All(Made(new Habits(Light: Illumination.Available)).Parts.SelectMany(p => p.Needs), n => Assert.Equal([LightKind.Ambient], n.Light));
        Assert.False(Made(new Habits(TwoRecords: false)).Rules.DualRecord);
        Assert.Contains(Made(new Habits()).Items.OfType<Battery>(), b => b.Make == Make.ThirdParty);
        Assert.DoesNotContain(Made(new Habits(OwnMakeOnly: true)).Items.OfType<Battery>(), b => b.Make == Make.ThirdParty);
        Assert.Contains(Made(new Habits(Backups: BackupHome.Car)).Items.OfType<Lens>(), l => l.Place == "car");
        Assert.DoesNotContain(Made(new Habits()).Items.OfType<Lens>(), l => l.Place == "car");
        Assert.Contains("habits.livesAtMm", NewDay.From(new NewDayRequest("A day", Day, "wedding-indoor", null, null, true, Habits: new Habits(LivesAtMm: 3)),
            Owned).Problems.Select(p => p.Field));
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
        { "20:00 dinner\nday 2\n10:00 brunch", "20:00-21:30 Dinner dinner|10:00-11:00 Brunch " },
        { "20:00 dinner\n2027-07-04\n10:00 drinks, terrace\n11:00 farewell",
            "20:00-21:30 Dinner dinner|10:00-11:00 Drinks @terrace drinks|11:00-11:20 Farewell exit" },
    };

    [Theory]
    [MemberData(nameof(Timetables))]
    public void A_timetable_is_read_as_people_send_it(string text, string wanted)
    {
        var (lines, problems) = Timetable.Read(text, Day);
        Assert.Empty(problems);
        Assert.Equal(wanted, string.Join('|', lines.Select(l =>
            FormattableString.Invariant($"{l.Start:HH:mm}-{l.End:HH:mm} {l.Name}{(l.Location is null ? "" : $" @{l.Location}")} {l.Kind}"))));
    }

    [Theory]
    [InlineData("ceremony at two", 1)]
    [InlineData("14:00 vows\n25:00 late", 2)]
    [InlineData("14:00 vows\n14:00 kiss", 2)]
    [InlineData("14:99 vows", 1)]
    [InlineData("14:00 vows\nday 40\n10:00 brunch", 2)]
    [InlineData("14:00 vows\n2027-07-01\n10:00 brunch", 2)]
    public void A_line_that_cannot_be_is_named(string text, int line) => Assert.Contains(Timetable.Read(text, Day).Problems, p => p.Line == line);

    private static Part Anywhere { get; } = new() { Id = "anywhere", Ev = 10 };

    [Fact]
    public void Hours_that_run_back_belong_to_the_next_day() =>
        Assert.Equal(Day.AddDays(1), DateOnly.FromDateTime(Timetable.Read("23:00 dancing\n1:00 exit", Day).Lines[1].Start));

    [Fact]
    public void A_framing_gives_its_focal_lengths_unless_they_are_typed_over()
    {
        var need = Phrases.Need("Speaker", Importance.Must, Subject.FullLength, 7, 14, Motion.Talking);
        Assert.Equal(new Interval(7 * 24 / 2.2, 14 * 24 / 2.2), need.FocalMm(Anywhere)!.Value);
        Assert.Equal(153, need.FocalMm(Anywhere)!.Value.High, 0.5);
        Assert.Equal(new Interval(85, 85), (need with { Focal = new Interval(85, 85) }).FocalMm(Anywhere));
        Assert.Equal(14 * 24 / 2.2, need.FocalMm(Anywhere with { StayBehindM = 14 })!.Value.Low);
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
        var put = new PutNeed
        {
            Part = "part-drinks",
            Need = new Need { Id = "", Name = "Cake", ShutterSeconds = 1 },
            Subject = Subject.Couple,
            NearM = 3,
            FarM = 6,
            Motion = Motion.Walking
        };
        var need = EditResult.Apply(plan, [put]).Plan!.Parts[1].Needs[^1];
        Assert.Equal((1.0 / 250, DepthPreset.Couple, 3.2 / 1.5), (need.ShutterSeconds, need.Depth!.Value, need.DepthFNumber(50, 1.5)));
        Assert.Equal(3 * 24 / 2.2, need.FocalMm(Anywhere)!.Value.Low, 1e-9);
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
        // Twenty seconds to fetch the macro, thirty to change; the adapter lies on its lens, so it costs nothing more.
        Assert.Equal(50, right[0].Seconds);
        Assert.False(right[0].Tight);
        Assert.True(right.First(c => c.Part == "vows").Tight);
    }

    private static Plan Three() => NewDay.From(new NewDayRequest("Small", Day, null, "14:00 ceremony, chapel 40 min\n14:40 drinks 60 min\n15:40 exit 20 min",
        "two-primes", false), Owned).Plan!;

    private static string Run(Plan plan) => string.Join('|', Plans.Day.InOrder(plan)
        .Select(p => FormattableString.Invariant($"{p.Label} {p.Start:HH:mm}-{p.End:HH:mm}")));
}
