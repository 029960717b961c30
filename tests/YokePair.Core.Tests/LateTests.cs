using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Pocket;
using YokePair.Core.Power;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

/// <summary>Sunset, the light after it, and a day that is late.</summary>
public sealed class LateTests
{
    private static readonly DateTime Day = new(2027, 6, 12);

    /// <summary>Against almanacs' tables of sunset by latitude on the meridian of Greenwich, to the minute and one in hand; null = it does not set.</summary>
    [Theory]
    [InlineData(3, 20, 0, "18:11")]
    [InlineData(6, 21, 0, "18:06")]
    [InlineData(6, 21, 40, "19:33")]
    [InlineData(12, 21, 40, "16:39")]
    [InlineData(6, 21, 51.48, "20:21")]
    [InlineData(12, 21, 51.48, "15:53")]
    [InlineData(6, 21, 60, "21:28")]
    [InlineData(12, 21, 60, "14:55")]
    [InlineData(6, 21, 70, null)]
    [InlineData(12, 21, 70, null)]
    public void Sunset_is_that_of_the_tables(int month, int day, double latitude, string? expected)
    {
        var found = Sun.SetsAt(new DateOnly(2027, month, day), latitude, 0);
        if (expected is null) Assert.Null(found);
        else Assert.InRange((found!.Value.TimeOfDay - TimeSpan.Parse(expected, System.Globalization.CultureInfo.InvariantCulture)).Duration().TotalMinutes, 0,
            2);
    }

    [Fact]
    public void Every_degree_to_the_west_it_sets_four_minutes_later()
    {
        var (here, there) = (Sun.SetsAt(DateOnly.FromDateTime(Day), 48, 10)!.Value, Sun.SetsAt(DateOnly.FromDateTime(Day), 48, -20)!.Value);
        Assert.InRange((there - here).TotalMinutes, 119.5, 120.5);
    }

    [Fact]
    public void Where_it_is_says_when_the_sun_sets_unless_somebody_typed_it()
    {
        var assignment = new Assignment { TimeZone = "Europe/Vienna", Latitude = 48, Longitude = 15 };
        // Mid June, 48° north on the meridian of the zone: 20:00 by the sun, an hour more by the summer's clock.
        Assert.InRange(Daylight.SunsetOn(assignment, DateOnly.FromDateTime(Day))!.Value.TimeOfDay.TotalHours, 20.9, 21.1);
        Assert.Equal(Day.AddHours(20.5), Daylight.SunsetOn(assignment with { Sunset = new TimeOnly(20, 30) }, DateOnly.FromDateTime(Day)));
        Assert.Null(Daylight.SunsetOn(assignment with { TimeZone = null }, DateOnly.FromDateTime(Day)));
    }

    [Theory]
    [InlineData(0, 391)]
    [InlineData(12, 1360)]
    [InlineData(19, 2816)]
    [InlineData(20, 3125)]
    public void Light_after_sunset(double minutes, double iso) => Assert.Equal(iso, Math.Round(100 * 2 * 2 * 250 / Math.Pow(2, Dusk.Ev(minutes))));

    [Fact]
    public void From_an_hour_after_sunset_on_it_is_night() => Assert.Equal((-1, -1), (Dusk.Ev(60), Dusk.Ev(300)));

    /// <summary>A couple at f/2 and 1/250 s from 19:40 to 20:20, the sun down at 20:31, a room after them.</summary>
    private static Plan Evening(double ceiling = 6400, bool isOutdoors = true) => PlanFile.Read(System.Text.Encoding.UTF8.GetBytes($$"""
        { "format": "yoke-pair/plan", "version": 1, "assignment": { "id": "a", "sunset": "20:31:00" }, "people": [{ "id": "lead" }],
          "items": [
            { "id": "b", "kind": "body", "mount": "K2", "megapixels": 24, "isoCeiling": {{ceiling}}, "slots": [{ "type": "SD" }, { "type": "SD" }],
              "batteryType": "LB7", "silent": true },
            { "id": "l", "kind": "lens", "name": "85 f/1.4", "mount": "K2", "focal": [85, 85], "aperture": [2, 2] },
            { "id": "bat", "kind": "battery", "place": "@b", "type": "LB7" }, { "id": "c", "kind": "card", "place": "@b/1", "type": "SD" }, { "id": "d",
              "kind": "card", "place": "@b/2", "type": "SD" }],
          "parts": [
            { "id": "couple", "name": "Couple", "ev": 11, "start": "2027-06-12T19:40", "end": "2027-06-12T20:20",
              "outdoors": {{(isOutdoors ? "true" : "false")}},
              "setups": [{ "person": "lead", "body": "b", "lens": "l" }],
              "needs": [{ "id": "both", "name": "Both", "focal": [85, 85], "shutterSeconds": 0.004, "minFNumber": 2, "light": ["ambient"] }] },
            { "id": "cake", "name": "Cake", "ev": 6, "start": "2027-06-12T20:40", "end": "2027-06-12T20:50" },
            { "id": "dinner", "name": "Dinner", "ev": 5, "start": "2027-06-12T21:00", "end": "2027-06-12T22:00", "fixedStart": true },
            { "id": "dance", "name": "Dance", "ev": 3, "start": "2027-06-12T22:00", "end": "2027-06-12T23:00" } ] }
        """)).Plan!;

    [Fact]
    public void A_part_out_of_doors_is_judged_at_its_darkest_minute()
    {
        // It ends 11 min before the sun does.
        Assert.Equal(9.65, new DayAnalysis(Evening()).Plan.Parts[0].Ev, 9);
        var late = new SlideDay { From = "couple", Minutes = 30 }.Apply(Evening()).Plan!;
        Assert.Equal(5.15, new DayAnalysis(late).Plan.Parts[0].Ev, 9);
        Assert.Equal(2816, Math.Round(new DayAnalysis(late).Explain("couple", "both")!.Weighed[0].Fit.Iso));
        Assert.Equal(11, new DayAnalysis(late with { Parts = [.. late.Parts.Select(p => p with { Outdoors = null })] }).Plan.Parts[0].Ev);
        // As it is typed the plan stays.
        Assert.Equal(11, late.Parts[0].Ev);
    }

    [Fact]
    public void Half_an_hour_late_it_says_what_the_dusk_does()
    {
        var found = Lateness.Of(new DayAnalysis(Evening()), "couple", 30)!;
        Assert.Equal("Couple now ends 19 min after sunset: EV 5.2, the 85 f/1.4 at ISO 2800.", Told(found)[0]);
    }

    [Fact]
    public void Where_no_picture_matters_only_the_light_is_told_and_where_several_suffer_they_do()
    {
        Plan With(double ceiling, Func<Need, IEnumerable<Need>> needs) =>
            Evening(ceiling) is var plan ? plan with { Parts = [.. plan.Parts.Select(p => p with { Needs = [.. p.Needs.SelectMany(needs)] })] } : plan;
        var nice = With(6400, n => [n with { Importance = Importance.Nice }]);
        Assert.Equal("Couple now ends 19 min after sunset: EV 5.2.", Told(Lateness.Of(new DayAnalysis(nice), "couple", 30)!)[0]);
        var two = With(2000, n => [n, n with { Id = "kiss", Name = "Kiss" }]);
        Assert.Equal("Couple now ends 19 min after sunset: EV 5.2, the 85 f/1.4 at ISO 2800; Both and Kiss are second best.",
            Told(Lateness.Of(new DayAnalysis(two), "couple", 30)!)[0]);
    }

    [Fact]
    public void Where_the_dusk_costs_it_says_by_when_one_must_go()
    {
        // The ceiling of 2000 holds until 15.7 min after sunset, which is 26 min late.
        var found = Told(Lateness.Of(new DayAnalysis(Evening(2000)), "couple", 30)!);
        Assert.Equal("Couple now ends 19 min after sunset: EV 5.2, the 85 f/1.4 at ISO 2800; Both is second best.", found[0]);
        Assert.Equal("Begin Couple by 20:06 and it is as planned.", found[1]);
        Assert.Equal("Couple now ends 19 min after sunset: EV 5.2, the 85 f/1.4 at ISO 2800; Both is lost.",
            Told(Lateness.Of(new DayAnalysis(Evening(800)), "couple", 30)!)[0]);
        Assert.Equal("Go out now for Couple, before what comes first, and it is as planned.",
            Told(Lateness.Of(new DayAnalysis(Evening(125)), "couple", 30)!)[1]);
        Assert.DoesNotContain(Told(Lateness.Of(new DayAnalysis(Evening(2000, isOutdoors: false)), "couple", 30)!), t =>
            t.Contains("Couple", StringComparison.Ordinal));
    }

    [Fact]
    public void What_is_fixed_stays_and_what_has_not_been_done_by_then_is_cut_short()
    {
        var moved = new SlideDay { From = "couple", Minutes = 45 }.Apply(Evening()).Plan!;
        Assert.Equal(
            ["couple 20:25 20:59", "cake 20:59 21:00", "dinner 21:00 22:00", "dance 22:00 23:00"],
            moved.Parts.Select(p => $"{p.Id} {p.Start:HH:mm} {p.End:HH:mm}"));
        var told = Told(Lateness.Of(new DayAnalysis(Evening()), "couple", 45)!);
        Assert.Contains("Couple has 34 min instead of 40 min: what follows begins at 20:59.", told);
        Assert.Contains("No time is left for Cake: what follows begins at 21:00.", told);
        Assert.Equal("dinner", Lateness.Of(new DayAnalysis(Evening()), "couple", 45)!.Stays);
        Assert.Empty(EditResult.Apply(Evening(), [new SlideDay { From = "couple", Minutes = 45 }]).Problems);
        // What is late itself has begun on the minute and goes on for longer.
        var dinner = new SlideDay { From = "dinner", Minutes = 20 }.Apply(Evening()).Plan!;
        Assert.Equal(["dinner 21:00 22:20", "dance 22:20 23:20"], dinner.Parts.TakeLast(2).Select(p => $"{p.Id} {p.Start:HH:mm} {p.End:HH:mm}"));
    }

    [Theory]
    [InlineData("couple", 0, "minutes")]
    [InlineData("couple", 241, "minutes")]
    [InlineData("nowhere", 20, "from")]
    public void A_delay_that_is_none_is_refused(string from, int minutes, string field) =>
        Assert.Equal(field, new SlideDay { From = from, Minutes = minutes }.Apply(Evening()).Problems.Single().Field);

    /// <summary>Every slide of the demo's wedding: what is told to be worse is what a plan typed with those times says, no more and no less.</summary>
    [Fact]
    [Trait("Takes", "long")]
    public void What_falls_is_what_the_moved_plan_says()
    {
        var plan = PlanFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo/steamer-wedding.yoke.json"))).Plan!;
        // In a short evening of a dark month.
        plan = plan with { Assignment = plan.Assignment with { Sunset = new TimeOnly(16, 40) } };
        var day = new DayAnalysis(plan);
        var before = day.Report(withEvents: false);
        var fell = 0;
        foreach (var part in plan.Parts)
            foreach (var minutes in Lateness.Usual)
            {
                var late = Lateness.Of(day, part.Id, minutes)!;
                var typed = plan with
                {
                    Parts = [.. plan.Parts.Select(p => late.Parts.FirstOrDefault(m => m.Part == p.Id) is { } at
                    ? p with { Start = at.Start, End = at.End } : p)]
                };
                var after = new DayAnalysis(typed).Report(withEvents: false);
                var worse = after.Needs.Zip(before.Needs).Where(n => n.First.Baseline > n.Second.Baseline).Select(n => n.First).ToList();
                fell += worse.Count;
                foreach (var need in worse)
                    Assert.Contains(late.Falls, line => line.Any(t => t.Part == need.Part)
                        && line.Any(t => t.Need == need.Need || t.Text.Contains(" more ", StringComparison.Ordinal)));
                Assert.Equal(worse.Select(n => n.Need).ToHashSet().Count == 0, !late.Falls.SelectMany(l => l).Any(t => t.Need is not null));
                // The changes of batteries go along, and hold.
                var (now, then) = (PowerPlans.Of(new DayAnalysis(typed)).Short, PowerPlans.Of(day).Short);
                Assert.Equal(now.Count(s => !then.Any(b => b.Device == s.Device && b.Part == s.Part)),
                    late.Falls.Count(l => string.Concat(l.Select(t => t.Text)).Contains("goes dark", StringComparison.Ordinal)));
            }
        Assert.True(fell > 5, "nothing was compared");
    }

    private static List<string> Told(LateDay late) => [.. late.Falls.Select(l =>
        string.Concat(l.Select(t => t.Time is { } at ? at.ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture) : t.Text)))];
}
