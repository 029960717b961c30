using YokePair.Core.Advice;
using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

/// <summary>Shooting otherwise before packing or borrowing anything, and what the picture is when something has failed.</summary>
public class OtherwiseTests
{
    /// <summary>One photographer with one camera in hand and a spare of everything, so that only the pictures are in question.</summary>
    private static Plan Day(Need need, Part? part = null, double megapixels = 22, double iso = 12_800, bool silent = true, params Lens[] glass)
    {
        Body Camera(string id, string place) => new()
        {
            Id = id,
            Name = id,
            Place = place,
            Mount = ["K2"],
            Megapixels = megapixels,
            IsoCeiling = iso,
            Slots = [new CardSlot { Type = "SD" }, new CardSlot { Type = "SD" }],
            BatteryType = "LB7",
            Fps = 10,
            Silent = silent
        };
        Item[] Fed(string body) => [new Battery { Id = $"bat-{body}", Type = "LB7", Place = $"@{body}" },
            new Card { Id = $"c1-{body}", Type = "SD", Place = $"@{body}/1" }, new Card { Id = $"c2-{body}", Type = "SD", Place = $"@{body}/2" }];
        return new Plan
        {
            Format = Plan.FormatName,
            Version = 1,
            People = [new Person { Id = "lead", Name = "Lead" }],
            Places = [new Place { Id = "belt", Person = "lead", ReachSeconds = 3 }],
            Items = [Camera("left", "belt"), Camera("spare", "belt"), .. Fed("left"), .. Fed("spare"), .. glass],
            Parts = [(part ?? new Part { Id = "part", Name = "Part", Ev = 9 }) with { Id = "part", Needs = [need],
                Setups = [new Setup { Person = "lead", Position = "left", Body = "left", Lens = glass[0].Id }] }],
        };
    }

    private static Lens Prime(double mm, double wide, string? id = null) =>
        new() { Id = id ?? $"l{mm}", Name = $"{mm}", Place = "belt", Mount = "K2", Focal = new Interval(mm, mm), Aperture = new Interval(wide, wide) };

    private static IReadOnlyList<Mend> Mends(Plan plan) => Mending.For(new DayAnalysis(plan), "part", plan.Parts[0].Needs[0].Id)!;

    private static Need Framed(double heightM, double near, double far) =>
        new() { Id = "n", ShutterSeconds = 1.0 / 125, Framing = new SubjectFrame { HeightM = heightM, DistanceM = new Interval(near, far) } };

    /// <summary>A half-length on 50 mm: 8 of 22 MP are left at 50·√2.75·1.1/24 m, and it fills the frame near enough at 50·1.15·1.1/24 m.</summary>
    [Fact]
    public void One_comes_closer_to_where_the_glass_would_do_or_is_as_one_would_choose_it()
    {
        var plan = Day(Framed(1.1, 5, 12), glass: [Prime(50, 1.8), Prime(50, 1.8, "again")]);
        var mend = Mends(plan)[0];
        Assert.Equal((MendKind.Otherwise, "Come closer: from 3.8 m the 50 would do, from 2.6 m as you would choose it"), (mend.Kind, mend.Label));
        var then = EditResult.Apply(plan, mend.Edits).Plan!;
        Assert.Equal(Outcome.Holds, new DayAnalysis(then).ReportPart("part")[0].Baseline);
        // At 3.8 m it is cropped and does; at 3.9 m it does not.
        Assert.Equal(Outcome.Thins, new DayAnalysis(Day(Framed(1.1, 3.8, 12), glass: [Prime(50, 1.8)])).ReportPart("part")[0].Baseline);
        Assert.Equal(Outcome.Lost, new DayAnalysis(Day(Framed(1.1, 3.9, 12), glass: [Prime(50, 1.8)])).ReportPart("part")[0].Baseline);
    }

    [Theory]
    [InlineData(null, 3.0)]
    [InlineData("play", null)]
    public void Nobody_comes_closer_than_a_line_or_onto_the_field(string? kind, double? line)
    {
        var plan = Day(Framed(1.1, 5, 12), new Part { Id = "part", Ev = 9, Kind = kind, StayBehindM = line }, glass: [Prime(50, 1.8)]);
        Assert.DoesNotContain(Mends(plan), m => m.Label.StartsWith("Come closer", StringComparison.Ordinal));
    }

    /// <summary>What is laid on a table, f/8 and 1/125 s at EV 5: 100·(8·1.144)²·125/32 = ISO 32 718; two stops wider and one longer, 3926.</summary>
    [Fact]
    public void One_opens_up_and_takes_longer_as_little_of_each_as_it_takes()
    {
        var need = new Need { Id = "n", ShutterSeconds = 1.0 / 125, MinFNumber = 8, Static = true, CloseWidthMm = 250 };
        var plan = Day(need, new Part { Id = "part", Ev = 5 }, megapixels: 45, iso: 6400,
            glass: [Prime(50, 1.8) with { Magnification = 0.144 }, Prime(50, 1.8, "again") with { Magnification = 0.144 }]);
        Assert.Equal("At f/4 and 1/60 s: ISO 3900", Mends(plan)[0].Label);
        Assert.Equal(Outcome.Holds, new DayAnalysis(EditResult.Apply(plan, Mends(plan)[0].Edits).Plan!).ReportPart("part")[0].Baseline);
    }

    [Fact]
    public void One_asks_whether_a_quiet_shutter_is_allowed()
    {
        var plan = Day(Framed(1.1, 2, 3), new Part { Id = "part", Ev = 9, Quiet = QuietRule.Required }, silent: false,
            glass: [Prime(50, 1.8), Prime(50, 1.8, "again")]);
        Assert.Equal("Ask whether a quiet shutter is allowed", Mends(plan)[0].Label);
    }

    /// <summary>A fitting lens before a cleaner body, and nothing that cannot be had.</summary>
    [Fact]
    public void A_fitting_lens_is_asked_for_first_and_never_a_body_that_there_is_not()
    {
        var dark = Day(Framed(0.6, 5, 5.5) with { Covers = Covers.All, ShutterSeconds = 1.0 / 1000 }, new Part { Id = "part", Ev = 7, Kind = "play" },
            megapixels: 24, iso: 6400, glass: [Prime(50, 1.8)]);
        var borrowed = Mends(dark).Where(m => m.Kind == MendKind.Borrow).SelectMany(m => m.Edits.OfType<BorrowThing>()).Select(b => b.Item).ToList();
        Assert.IsType<Lens>(borrowed[0]);
        Assert.Contains(CanBeHad.Lenses("K2"), l => l.Focal == ((Lens)borrowed[0]).Focal && l.Aperture == ((Lens)borrowed[0]).Aperture);
        Assert.All(borrowed.OfType<Body>(), b => Assert.True(b.IsoCeiling <= 25_600));
        Assert.Null(CanBeHad.CeilingFor(35_000));
        Assert.Equal(12_800, CanBeHad.CeilingFor(6401));
    }

    [Fact]
    public void A_macro_to_be_got_says_how_close_it_must_go() =>
        Assert.Equal("a macro 100 f/2.8, magnification 1:1, K2 mount", WantedThing.Say(CanBeHad.Lenses("K2").First(l => l.Focal.Low == 100 && l.IsMacro)));

    /// <summary>28 mm wanted, 65.5° × 46.4°; a 58 upright 23.4° × 34.5°; 30 % overlap; 24.5 MP · (58/28)².</summary>
    [Fact]
    public void A_stitch_says_its_frames_and_megapixels()
    {
        var stitch = Stitch.Of(58, 28, 24.5);
        Assert.Equal((4, 2, 105), (stitch.Across, stitch.Down, Math.Round(stitch.Megapixels)));
        var room = new Need { Id = "n", ShutterSeconds = 1.0 / 60, Static = true, Focal = new Interval(20, 28) };
        Assert.Equal("stitch: upright, 4 × 2 frames, 105 MP", Picture(Day(room, megapixels: 24.5, glass: [Prime(24, 2.8), Prime(58, 1.8)]), "l24"));
    }

    [Fact]
    public void What_to_do_now_ends_with_the_picture()
    {
        // Cropped, or from where one need not.
        Assert.Equal("crop to 10.5 MP, or come to 4.7 m", Picture(
            Day(Framed(1.1, 6, 9), megapixels: 22, glass: [Prime(135, 2), Prime(85, 1.8) with { Focal = new Interval(90.44, 90.44) }]), "l135"));
        // Wider than asked, and still it.
        Assert.Equal("wider than asked, and still the picture, or come to 2.6 m",
            Picture(Day(Framed(1.1, 6, 9) is var f ? f with { Framing = f.Framing! with { TallestM = 3.3 } } : f, glass: [Prime(135, 2), Prime(50, 1.8)]),
            "l135"));
        // Nothing left, but something can be done.
        Assert.Equal("come closer: from 3.8 m the 50 would do, from 2.6 m as you would choose it",
            Picture(Day(Framed(1.1, 5, 12), glass: [Prime(135, 2), Prime(50, 1.8)]), "l135"));
    }

    /// <summary>From behind a line, or at play, nobody is told to come nearer: the crop is all there is.</summary>
    [Theory]
    [InlineData(null, 5.0)]
    [InlineData("play", null)]
    public void Nor_does_what_to_do_now_send_anybody_onto_the_field(string? kind, double? line)
    {
        var part = new Part { Id = "part", Ev = 9, Kind = kind, StayBehindM = line };
        Assert.Equal("crop to 10.5 MP", Picture(Day(Framed(1.1, 6, 9), part, megapixels: 22,
            glass: [Prime(135, 2), Prime(85, 1.8) with { Focal = new Interval(90.44, 90.44) }]), "l135"));
    }

    /// <summary>A 100 is nearer to 131 mm than a 50, though the 50 is in the hand.</summary>
    [Fact]
    public void Of_second_best_ways_in_time_the_nearer_framing_comes_first()
    {
        var need = Framed(1.1, 6, 9) is var f ? f with { Framing = f.Framing! with { TallestM = 3.3 }, ToleranceSeconds = 120 } : f;
        var plan = Day(need, glass: [Prime(50, 1.8), Prime(135, 2), Prime(100, 2.8)]);
        var change = Assert.Single(Pulled(plan, "l135").Changes);
        Assert.Equal((Outcome.Thins, "l100"), (change.After, change.Now!.Lens));
    }

    [Fact]
    public void A_verdict_that_rests_on_a_usual_figure_asks_for_that_one()
    {
        var need = new Need { Id = "n", ShutterSeconds = 1.0 / 125, CloseWidthMm = 250 };
        var guessed = Prime(50, 1.8) with { Magnification = 0.15, Estimated = ["magnification", "weightG"] };
        Assert.Equal("It rests on what is usual, as nobody has said the magnification of the 50; type it in the locker.",
            Pinching.Of(new DayAnalysis(Day(need, glass: [guessed])), "part", "n")!.Beneath);
        Assert.Null(Pinching.Of(new DayAnalysis(Day(need, glass: [guessed with { Estimated = ["weightG"] }])), "part", "n")!.Beneath);
        Assert.Null(Pinching.Of(new DayAnalysis(Day(need with { CloseWidthMm = null }, glass: [guessed])), "part", "n")!.Beneath);
    }

    private static PullResult Pulled(Plan plan, string item) => new DayAnalysis(plan) is var whole
        ? PullTest.Compare(whole, new DayAnalysis(plan, [new Pulled(item)])) : null!;

    private static string? Picture(Plan plan, string gone) => Assert.Single(Pulled(plan, gone).Changes).Picture;
}
