using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Core.Reports;
using YokePair.Core.Season;
using YokePair.Core.Starting;
using YokePair.Core.Taken;
using YokePair.Core.Wording;

namespace YokePair.Core.Tests;

/// <summary>What past assignments teach the next, what may stay at home, and what carries over between assignments.</summary>
public sealed class LearntTests
{
    private static readonly DateTime Noon = new(2027, 6, 12, 12, 0, 0);

    private static readonly IReadOnlySet<string> None = new HashSet<string>();

    private static Plan Demo() => PlanFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo/steamer-wedding.yoke.json"))).Plan!;

    private static readonly string[] Refusing = ["light|chapel|ceremony"];

    private static TakenDay Used(string name, TakenPart part, IReadOnlyList<BodyUse>? bodies = null,
        IReadOnlyDictionary<string, BatteriesUsed>? batteries = null, int? kept = null) =>
        new(name, new DateOnly(2027, 6, 1), part.Taken, kept, 0, [part],
            [.. part.Hands.GroupBy(h => h.Glass).Select(g => new GlassUse(g.Key, g.Sum(h => h.Taken), 0, null, null, null, null, null, null))],
            bodies ?? [], [], ["b1", "w", "z"])
        { Batteries = batteries };

    private static TakenPart Ceremony(double ev = 5, int minutes = 40, int taken = 240, string place = "The chapel", double? near = null) =>
        new("c", "Ceremony", "ceremony", place, Noon, Noon.AddMinutes(minutes), taken, 0, ev, taken, near, near * 2,
            [new HandUse("b1", "w", taken * 4 / 5, 0), new HandUse("b1", "z", taken / 5, 0)]);

    [Fact]
    public void The_light_of_a_place_the_length_and_the_pictures_of_a_kind_are_learnt_from_how_many_jobs()
    {
        var learnt = Learnt.Of([Used("one", Ceremony(5, 38, 300)), Used("two", Ceremony(6, 52, 200)), Used("three", Ceremony(5.4, 41, 100, "a barn"))], None);
        Assert.Equal([("light|chapel|ceremony", 5.5, 2), ("light|a barn|ceremony", 5.4, 1)],
            learnt.Used(LearntKind.Light).Select(f => (f.Id, f.Value, f.Assignments)));
        // 40, 50 and 40 min in steps of five; 600 pictures in 131 minutes.
        Assert.Equal((40.0, 3), learnt.Used(LearntKind.Length).Select(f => (f.Value, f.Assignments)).Single());
        Assert.Equal(4.6, learnt.Used(LearntKind.FramesPerMinute).Single().Value);
        Assert.Equal(["w", "z"], learnt.Used(LearntKind.Hands).Single().Glass);
        Assert.Equal(["one", "two", "three"], learnt.Used(LearntKind.Length).Single().From);
    }

    [Fact]
    public void The_next_job_starts_with_it_and_what_is_refused_is_not_used()
    {
        var days = new[] { Used("one", Ceremony(5.6, 50, 300, near: 4)), Used("two", Ceremony(5.6, 50, 300, near: 4)) };
        Part Made(Learnt learnt) => NewDay.From(new NewDayRequest("Next", new DateOnly(2027, 9, 1), null, "14:00 ceremony, the chapel", null, false), [],
            learnt: learnt).Plan!.Parts[0];
        var usual = Made(Learnt.Nothing);
        var part = Made(Learnt.Of(days, None));
        Assert.Equal((5.6, 6.0, 50.0), (part.Ev, part.FramesPerMinute!.Value, (part.End!.Value - part.Start!.Value).TotalMinutes));
        Assert.Equal([(TaughtKind.Ev, 5.6, usual.Ev, 2), (TaughtKind.FramesPerMinute, 6, 6, 2),
            (TaughtKind.Minutes, 50, (usual.End!.Value - usual.Start!.Value).TotalMinutes, 2)],
            part.Taught!.Select(t => (t.Figure, t.Value, t.Usual, t.Assignments)));
        Assert.Equal(300, FrameEstimate.Of(TakenDays.Plan([], part), part).Likely);
        var refused = Made(Learnt.Of(days, Refusing.ToHashSet(StringComparer.Ordinal)));
        Assert.Equal((usual.Ev, 6.0), (refused.Ev, refused.FramesPerMinute!.Value));
        Assert.Null(Made(Learnt.Of(days, new HashSet<string> { "FramesPerMinute|ceremony" })).FramesPerMinute);
        // A part of no known kind is known by what it is called.
        Assert.Equal(4.2, Made(Learnt.Of([Used("one", Ceremony(4.2) with { Kind = null }), Used("two", Ceremony(7) with { Kind = "dinner", Name = "Dinner" })],
            None)).Ev);
        // What somebody types is no longer what was learnt.
        var typed = new SetPart { Part = part.Id, Ev = 7 }.Apply(TakenDays.Plan([], part)).Plan!.Parts[0];
        Assert.DoesNotContain(typed.Taught!, t => t.Figure == TaughtKind.Ev);
        Assert.Null(new SetPart { Part = part.Id, Clear = ["framesPerMinute"] }.Apply(TakenDays.Plan([], part)).Plan!.Parts[0].FramesPerMinute);
    }

    [Fact]
    public void A_copy_of_a_past_day_starts_with_what_is_known_by_now_and_keeps_what_somebody_said()
    {
        var (one, two) = (Used("one", Ceremony(5.6, 50, 300)), Used("two", Ceremony(4.8, 50, 200)));
        Plan Made(Learnt learnt) => NewDay.From(new NewDayRequest("Next", new DateOnly(2027, 9, 1), null, "14:00 ceremony, the chapel", null, false), [],
            learnt: learnt).Plan!;
        var (usual, past, now) = (Made(Learnt.Nothing).Parts[0], Made(Learnt.Of([one], None)), Learnt.Of([one, two], None));
        var part = AsLearnt.Of(past, now).Parts[0];
        Assert.Equal((5.2, 5.0), (part.Ev, part.FramesPerMinute!.Value));
        // What it is without them is what it was without them, not what the first of them taught.
        Assert.Equal([(TaughtKind.Ev, 5.2, usual.Ev, 2), (TaughtKind.FramesPerMinute, 5, 6, 2),
            (TaughtKind.Minutes, 50, (usual.End!.Value - usual.Start!.Value).TotalMinutes, 1)],
            part.Taught!.Select(t => (t.Figure, t.Value, t.Usual, t.Assignments)));
        var refused = AsLearnt.Of(past, Learnt.Nothing).Parts[0];
        Assert.Equal((usual.Ev, null), (refused.Ev, refused.FramesPerMinute));
        Part Copied(Part said) => AsLearnt.Of(past with { Parts = [said] }, now).Parts[0];
        var own = past.Parts[0] with { Taught = null, FramesPerMinute = 9, Ev = 7 };
        Assert.Equal((5.2, 9.0, 7.0), (Copied(own).Ev, Copied(own).FramesPerMinute!.Value, Copied(own).Taught!.Single().Usual));
        var noted = own with { Noted = new NotedExposure { FNumber = 2.8, ShutterSeconds = 0.01, Iso = 800 } };
        Assert.Equal(noted, Copied(noted));
    }

    [Fact]
    public void The_light_out_of_doors_is_the_weather_s_and_is_not_learnt() =>
        Assert.Empty(Learnt.Of([Used("one", Ceremony() with { Outdoors = true })], None).Used(LearntKind.Light));

    [Fact]
    public void Hands_are_those_of_past_jobs_unless_habits_name_their_own()
    {
        var learnt = Learnt.Of([Used("one", Ceremony())], None);
        Assert.Equal(["w", "z"], AsLearnt.Of((WorkHabits?)null, learnt)!.For("ceremony"));
        var own = new WorkHabits { Glass = [new UsualGlass { Kind = "ceremony", Lenses = ["x"] }] };
        Assert.Equal(["x"], AsLearnt.Of(own, learnt)!.For("ceremony"));
    }

    /// <summary>1200 pictures at 800 a charge would be 1.5 charges; one changed at 15 % left and one half used are 1.35: 889 a charge.</summary>
    [Fact]
    public void Batteries_that_were_changed_and_pictures_give_the_pictures_of_a_charge()
    {
        BodyUse Camera(string id, int taken) => new(id, taken, 0, 1, 0, 0, null, new Dictionary<int, int>(), 0, taken / 800.0, 800, "L");
        double Of(int changed, double? left, params BodyUse[] cameras) =>
            Learnt.Of([Used("one", Ceremony(), cameras, new Dictionary<string, BatteriesUsed> { ["L"] = new(changed, left) })], None)
            .Used(LearntKind.FramesPerCharge).First(f => f.Thing == "b1").Value;
        Assert.Equal(890, Of(1, null, Camera("b1", 1200)));
        Assert.Equal(1140, Of(1, 0.8, Camera("b1", 1200)));
        // Two cameras share what was told: 2.25 charges' worth in 0.85 + 2 · 0.5.
        Assert.Equal(970, Of(1, null, Camera("b1", 1200), Camera("b2", 600)));
        Assert.Empty(Learnt.Of([Used("one", Ceremony(), [Camera("b1", 1200)])], None).Used(LearntKind.FramesPerCharge));
    }

    /// <summary>The Halm's battery was put in at 11:00; at 12:00 it showed 60 %, after 240 pictures: 600 a charge, of 1200 that are usual.</summary>
    [Fact]
    public void What_was_read_off_a_camera_tells_what_a_numbered_battery_gives()
    {
        var plan = Demo();
        var (body, battery) = ((Body)plan.ItemOf("b1")!, plan.Items.OfType<Battery>().First(b => b.Place == "@b1"));
        var day = new DayAnalysis(plan with
        {
            Items = [.. plan.Items.Select(i => i.Id == "b1" ? body with { FramesPerCharge = 1200 } : i.Id == battery.Id
            ? battery with { Number = 1 } : i)]
        });
        var start = plan.Parts.Min(p => p.Start)!.Value;
        var times = Enumerable.Range(0, 480).Select(n => ("b1", start.AddSeconds(15 * n))).ToLookup(x => x.Item1, x => x.Item2);
        Fact Read(double left, int minutes) => new(FactKind.Read, "b1",
            TimeZoneInfo.ConvertTimeToUtc(start.AddMinutes(minutes), TimeZoneInfo.FindSystemTimeZoneById("Europe/Vienna")), Left: left);
        var use = Assert.Single(BatteryReadings.Of(day, times, [Read(0.9, 20), Read(0.6, 60)]));
        Assert.Equal((battery.Id, "b1", 1200.0), (use.Battery, use.Body, use.Usual));
        Assert.Equal(241 / 0.4, use.PerCharge, 6);
        Assert.Equal(0.5, Learnt.Of([Used("one", Ceremony()) with { Charges = [use] }], None).Used(LearntKind.Health).Single().Value);
        // Nearly full tells nothing, nor does a battery nobody can tell from another.
        Assert.Empty(BatteryReadings.Of(day, times, [Read(0.9, 20)]));
        var unnumbered = new DayAnalysis(plan with { Items = [.. plan.Items.Select(i => i is Battery b ? b with { Number = null } : i)] });
        Assert.Empty(BatteryReadings.Of(unnumbered, times, [Read(0.6, 60)]));
    }

    [Fact]
    public void Your_ISO_is_the_highest_of_which_twenty_were_delivered_and_a_bright_season_lowers_nothing()
    {
        TakenDay Day(Dictionary<int, int> keptAt, Dictionary<int, int> takenAt, int? kept = 100) =>
            Used("one", Ceremony(), [new BodyUse("b1", takenAt.Values.Sum(), keptAt.Values.Sum(), 1, 0, 0, null, keptAt, 0, null, null, null, 0, takenAt,
                6400)], kept: kept);
        LearntFigure? Of(params TakenDay[] days) => Learnt.Of(days, None).Used(LearntKind.IsoCeiling).SingleOrDefault();
        Assert.Equal(10000, Of(Day(new() { [800] = 50, [10000] = 20, [12800] = 19 }, new() { [800] = 200, [10000] = 60, [12800] = 60 }))!.Value);
        Assert.Null(Of(Day(new() { [800] = 50 }, new() { [800] = 200 })));
        // Two hundred were taken above it, and next to none was delivered.
        Assert.Equal(3200, Of(Day(new() { [3200] = 80, [6400] = 2 }, new() { [3200] = 200, [6400] = 200 }))!.Value);
        Assert.Null(Of(Day(new() { [10000] = 50 }, new() { [10000] = 50 }, kept: null)));
        // Those delivered do not tell at what they were taken: that names no sensitivity.
        Assert.Null(Of(Day(new() { [0] = 98, [3200] = 2 }, new() { [3200] = 200 })));
        Assert.Equal(12800, IsoSteps.Of(13000));
    }

    [Fact]
    public void What_hardly_comes_out_is_left_unless_something_hangs_by_it_or_somebody_always_takes_it()
    {
        var plan = Demo();
        var seldom = new[] { "z14", "m100", "l35", "z28", "z70" };
        TakenDay Day(int n) => new($"assignment {n}", null, 1000, 1000, 0, [],
            [.. plan.Items.OfType<Lens>().Select(l => new GlassUse(l.Id, 0, seldom.Contains(l.Id) ? 2 : 50, null, null, null, null, null, null))],
            [], [], [.. plan.Items.Where(i => i is Body or Lens).Select(i => i.Id)]);
        List<TakenDay> days = [.. Enumerable.Range(0, 5).Select(n =>
            Day(n) with { Bodies = [.. plan.Items.OfType<Body>().Select(b => new BodyUse(b.Id, 0, 300, 1, 0, 0, null, new Dictionary<int, int>(), 0))] })];
        var found = StayAtHome.Of(new DayAnalysis(plan), days, []);
        var macro = found.Single(f => f.Thing == "m100");
        // The 60 takes it as well, from nearer.
        Assert.Equal((0, "Ring close-up"), (macro.AloneFor.Count, macro.BackupFor.Single()));
        Assert.Equal("Keep the 100 f/2.8 macro K1: a backup for Ring close-up, though it took ten of 5000 pictures in five assignments.",
            string.Concat(TakenWords.Of(macro).Select(p => p.Text)));
        Assert.StartsWith("Keep the 70–200 f/2.8: alone for Speaker's face, a backup for ",
            TakenWords.Of(found.Single(f => f.Thing == "z70"))[0].Text, StringComparison.Ordinal);
        var idle = found.Where(f => f.MayStay).ToList();
        Assert.NotEmpty(idle);
        // All of them may stay at once: no need stands worse.
        var without = EditResult.Apply(plan, [.. idle.Select(f => new UnpackThing { Item = f.Thing, Everywhere = true })]).Plan!;
        Assert.True(Verdict.DayVerdict.Of(new DayAnalysis(without)).IsNowhereWorseThan(Verdict.DayVerdict.Of(new DayAnalysis(plan))));
        // Four assignments are no proof, and what is pinned is not spoken of.
        Assert.Empty(StayAtHome.Of(new DayAnalysis(plan), days[..4], []));
        var pinned = plan with { Items = [.. plan.Items.Select(i => i.Id == idle[0].Thing ? i with { Keep = Keep.Always } : i)] };
        Assert.DoesNotContain(StayAtHome.Of(new DayAnalysis(pinned), days, []), f => f.Thing == idle[0].Thing);
    }

    [Fact]
    public void What_is_promised_to_another_job_is_a_gap_with_its_reason_and_what_would_do_instead()
    {
        var plan = Demo();
        var promised = plan with { Promised = new Dictionary<string, Promise> { ["z70"] = new("other", "Harbour party", new(2027, 6, 12), new(2027, 6, 12)) } };
        var (before, after) = (new DayAnalysis(plan), new DayAnalysis(promised));
        Assert.Contains("promised to Harbour party", after.Report().Verdict, StringComparison.Ordinal);
        Assert.True(Verdict.DayVerdict.Of(after).Gaps > Verdict.DayVerdict.Of(before).Gaps);
        // Promised no longer it is here, and on another day.
        Assert.Equal(Verdict.DayVerdict.Of(before).Gaps, Verdict.DayVerdict.Of(new DayAnalysis(plan, before: after)).Gaps);
        var later = promised.Promised!.ToDictionary(p => p.Key, p => p.Value with { From = new(2027, 6, 13), To = new(2027, 6, 13) });
        Assert.Equal(Verdict.DayVerdict.Of(before).Gaps, Verdict.DayVerdict.Of(new DayAnalysis(plan with { Promised = later }, before: after)).Gaps);
        var partner = TakenDays.Glass("p70", 70, 200, 2.8) with { Mount = ((Lens)plan.ItemOf("z70")!).Mount, Owner = "second", TakesConverter = true };
        var instead = InsteadOf.Of(after, [partner]);
        Assert.Contains(instead, i => i.Said == "Take second's 70–200 f/2.8 instead of the 70–200 f/2.8");
        Assert.Contains(instead, i => i.Said.StartsWith("Hire a lens 70–200 f/2.8", StringComparison.Ordinal));
        Assert.All(instead, i => Assert.Equal(i.Gaps, Verdict.DayVerdict.Of(new DayAnalysis(EditResult.Apply(promised, i.Edits).Plan!)).Gaps));
        Assert.All(instead, i => Assert.True(i.Gaps < i.GapsNow));
    }

    [Fact]
    public void Between_two_jobs_only_what_carries_over_is_told()
    {
        var plan = Demo();
        var next = new SeasonAssignment("next", "Steamer", plan.Parts.Min(p => p.Start)!.Value, plan.Parts.Max(p => p.End)!.Value);
        var before = new SeasonAssignment("before", "Friday talk", next.Start.AddHours(-20), next.Start.AddHours(-13));
        var card = plan.Items.OfType<Card>().First();
        Fact[] facts = [new(FactKind.Put, card.Id, next.Start.AddDays(-2), "before", Where: "b1"),
            new(FactKind.Taken, card.Id, next.Start.AddDays(-1), "before", Who: "lead")];
        var book = new CardBook(CardBook.Fold(facts), id => id);
        var left = plan with { Left = new Dictionary<string, double> { [plan.Items.OfType<Battery>().First().Id] = 0.2 } };
        Item[] locker = [.. plan.Items, new Lens { Id = "h", Name = "300 f/4", Mount = "M", Focal = new(300, 300), Aperture = new(4, 4),
            Status = Availability.RentedIn, To = DateOnly.FromDateTime(before.Start) }];
        var lines = CarryingOver.Of(before, next, new DayAnalysis(left), locker, book, isFirst: true);
        string Said(CarriedKind kind) => string.Join('|', lines.Where(l => l.Kind == kind).Select(l => string.Concat(l.Said.Select(s => s.Text))));
        Assert.Contains($"{card.Label} is not free: one copy of 3 so far.", Said(CarriedKind.Cards), StringComparison.Ordinal);
        Assert.Contains("is not charged.", Said(CarriedKind.Charge), StringComparison.Ordinal);
        Assert.Contains("The night after Friday talk charges", Said(CarriedKind.Charge), StringComparison.Ordinal);
        Assert.StartsWith("The 300 f/4 goes back on Jun 11, 2027.", Said(CarriedKind.Return), StringComparison.Ordinal);
        // Long before, and with nothing recorded, nothing carries over.
        Assert.Empty(CarryingOver.Of(null, next, new DayAnalysis(plan), plan.Items, new CardBook(new Dictionary<string, CardState>(), id => id),
            isFirst: true));
        Assert.Contains("Before Steamer: ", string.Concat(CarryingOver.Sentence(2, next, [lines]).Select(s => s.Text)), StringComparison.Ordinal);
    }

    [Fact]
    public void What_began_late_says_where_time_is_lacking()
    {
        TakenDay Day(double late) => Used("one", Ceremony()) with
        {
            Parts =
            [Ceremony() with { Name = "Groups", Kind = "groups" }, Ceremony() with { Name = "Couple", Kind = "couple", LateMinutes = late }]
        };
        var found = RunningLate.Of([Day(12), Day(9), Day(20)]);
        Assert.Equal([new LateKind("Couple", 16, 2, "Groups")], found);
        Assert.Equal("Time: couple began 16 min late in two assignments; groups before it takes more than it is given.", TakenWords.Of(found[0]));
    }

    [Fact]
    public void The_insurer_is_told_what_is_owned_and_what_is_still_to_be_told()
    {
        Item[] things = [TakenDays.Camera("b1", "Halm 45", "H-1") with { Value = 3000, FirstUse = new(2027, 2, 1) }, TakenDays.Glass("w", 28, 28, 2),
            TakenDays.Glass("h", 300, 300, 4) with { Status = Availability.RentedIn, Value = 9000 },
                TakenDays.Glass("g", 50, 50, 2) with { Status = Availability.Retired, Value = 100 },
            new Battery { Id = "x", Name = "L" }, new Battery { Id = "y", Name = "L dear", Value = 80 }];
        var list = Locker.Insurance.Of(things, new DateOnly(2027, 6, 1));
        Assert.Equal(["b1", "y", "w"], list.Lines.Select(l => l.Item));
        Assert.Equal((3080.0, 1, 1, 1), (list.Value, list.Unvalued, list.Unnumbered, list.New));
    }
}
