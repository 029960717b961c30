using CsCheck;
using YokePair.Core.Basics;
using YokePair.Core.Plans;
using YokePair.Core.Taken;
using YokePair.Core.Wording;

namespace YokePair.Core.Tests;

/// <summary>What pictures tell of a day: shares, light, bursts, whose they are, whose clock is wrong.</summary>
public sealed class TakenTests
{
    private static readonly DateTime Noon = new(2027, 6, 12, 12, 0, 0);

    private static readonly Body Halm = TakenDays.Camera("b1", "Halm 45", "H-1"), Second = TakenDays.Camera("b2", "Halm 45 no. 2", "H-2");

    private static readonly Lens Wide = TakenDays.Glass("w", 28, 28, 2), Far = TakenDays.Glass("z", 70, 200, 2.8);

    private static PictureTold Shot(int n, double focal = 28, double seconds = 60, string? serial = "H-1", bool flash = false, double iso = 800) => new(
        $"DCIM/P{n:0000}.RAW", Noon.AddSeconds(n * seconds), "Halm 45", serial, null, null, focal is 28 ? new(28, 28) : new Interval(70, 200), focal is 28 ? 2
            : 2.8, focal,
        2.8, 1.0 / 200, iso, flash, 6000);

    [Fact]
    public void Shares_are_those_of_the_worked_figures()
    {
        var pictures = new (double Focal, int Count)[] { (28, 1620), (55, 240), (85, 130), (135, 10) }
            .SelectMany((x, k) => Enumerable.Range(0, x.Count).Select(n => Shot((k * 2000) + n, seconds: 0.5) with { FocalMm = x.Focal }));
        var day = TakenDays.Day([Halm, Wide, Far], TakenDays.Part("p", Noon, 600), pictures);
        Assert.Equal(2000, day.Frames);
        Assert.Equal([(28, 0.81), (55, 0.12), (85, 0.065), (135, 0.005)], day.Focals.Select(f => (f.Mm, Math.Round(f.Share, 6))));
    }

    /// <summary>f/2.8, 1/200 s, ISO 3200: log2(7.84 · 200) − log2(32) = 5.6.</summary>
    [Fact]
    public void The_light_of_a_part_is_the_median_of_what_was_taken_without_flash()
    {
        List<PictureTold> pictures = [.. Enumerable.Range(0, 9).Select(n => Shot(n, iso: 3200)), .. Enumerable.Range(20, 30)
            .Select(n => Shot(n, flash: true, iso: 100)), Shot(60, iso: 100)];
        var part = TakenDays.Day([Halm, Wide], TakenDays.Part("p", Noon, 120), pictures).Parts[0];
        Assert.Equal(5.6, part.Ev!.Value, 1);
        Assert.Equal(10, part.EvFrames);
        Assert.Null(TakenDays.Day([Halm, Wide], TakenDays.Part("p", Noon, 120), pictures.Take(4)).Parts[0].Ev);
    }

    [Fact]
    public void A_raw_file_and_its_JPEG_are_one_picture_and_a_renamed_one_is_found_by_its_time()
    {
        var raw = Shot(1);
        var roll = TakenRoll.Of([raw, raw with { File = "DCIM/P0001.JPG", LongPx = 3000 }, Shot(2)],
            [Shot(2) with { File = "out/kiss.jpg", LongPx = 4000 }, Shot(3) with { File = "out/other.jpg" }]);
        Assert.Equal(["DCIM/P0001.RAW", "DCIM/P0002.RAW"], roll.Frames.Select(f => f.File));
        Assert.Equal((6000, false), (roll.Frames[0].LongPx, roll.Frames[0].Kept));
        Assert.Equal((4000, true), (roll.Frames[1].KeptPx, roll.Frames[1].Kept));
        Assert.Equal(1, roll.Strange);
        // Two cameras count alike: names alone tell nothing.
        Assert.Equal(2, TakenRoll.Of([Shot(1), Shot(1, serial: "H-2")]).Frames.Count);
    }

    [Fact]
    public void Cameras_are_known_by_number_glass_by_its_figures_and_the_last_that_is_left_is_it()
    {
        var roll = TakenRoll.Of([Shot(1), Shot(2, 85), Shot(3, serial: "H-9")]);
        var found = Recognition.Of(roll, [Halm, Second with { Serial = null }, Wide, Far], [], new Dictionary<string, string>());
        Assert.Empty(found.Asked);
        Assert.Equal(["b1", "w", "z", "b2", "w"], found.Things);
    }

    [Fact]
    public void Twins_are_asked_of_once_and_the_answer_is_remembered()
    {
        var (one, other) = (TakenDays.Camera("b1", "Halm 45 no. 1", null), TakenDays.Camera("b2", "Halm 45 no. 2", null));
        var roll = TakenRoll.Of([Shot(1), Shot(2), Shot(3, serial: "H-2")]);
        var first = Recognition.Of(roll, [one, other, Wide], [], new Dictionary<string, string>());
        Assert.Equal([("camera|Halm 45|H-1", 2), ("camera|Halm 45|H-2", 1)], first.Asked.Select(a => (a.Key, a.Frames)));
        Assert.Equal(["b1", "b2"], first.Asked[0].Candidates.Take(2));
        // One answer leaves one for the other.
        var then = Recognition.Of(roll, [one, other, Wide], [], new Dictionary<string, string> { ["camera|Halm 45|H-1"] = "b2" });
        Assert.Empty(then.Asked);
        Assert.Equal(["b2", "b1"], new[] { then.Things[0], then.Things[2] });
        var none = Recognition.Of(roll, [one, other, Wide], [], new Dictionary<string, string> { ["camera|Halm 45|H-1"] = "" });
        Assert.Null(none.Things[0]);
        Assert.Equal(["camera|Halm 45|H-2"], none.Asked.Select(a => a.Key));
    }

    [Theory]
    [InlineData("70-200mm F2.8", 70, 200, 2.8)]
    [InlineData("XY 35mm 1:1.4", 35, 35, 1.4)]
    [InlineData("24–105 mm f/4", 24, 105, 4)]
    public void A_lens_that_gives_no_figures_is_known_by_its_name(string says, double low, double high, double widest)
    {
        var lens = TakenDays.Glass("x", low, high, widest);
        var roll = TakenRoll.Of([Shot(1) with { LensFocal = null, LensFNumber = null, LensModel = says }]);
        Assert.Equal("x", Recognition.Of(roll, [Halm, lens, TakenDays.Glass("y", 50, 50, 1.8)], [], new Dictionary<string, string>()).Things[1]);
    }

    [Fact]
    public void A_part_that_began_late_takes_the_pictures_after_the_pause()
    {
        var plan = TakenDays.Plan([Halm, Wide], TakenDays.Part("first", Noon, 60), TakenDays.Part("then", Noon.AddHours(1), 60));
        // One is ten minutes late: taken up to 13:08, a pause to 13:12, and on from there.
        var times = Enumerable.Range(0, 69).Concat(Enumerable.Range(72, 40)).Select(m => Noon.AddMinutes(m)).ToList();
        var was = PartsAsTheyWere.Of(plan, times);
        Assert.Equal((Noon.AddMinutes(68), Noon.AddMinutes(72)), (was.Parts[0].To, was.Parts[1].From));
        Assert.Equal("first", was.Of(Noon.AddMinutes(67), null)!.Id);
        Assert.Null(was.Of(Noon.AddHours(5), null));
        // A pause far off is none of this join.
        Assert.Equal(Noon.AddHours(1), PartsAsTheyWere.Of(plan, Enumerable.Range(0, 20).Concat(Enumerable.Range(30, 90)).Select(m => Noon.AddMinutes(m)))
            .Parts[1].From);
        // Of two near it the longer is taken only if it is not so much farther away: twelve minutes from 12:28, four from 12:56.
        Assert.Equal(Noon.AddMinutes(60), PartsAsTheyWere.Of(plan, Enumerable.Range(0, 29).Concat(Enumerable.Range(40, 17)).Concat(Enumerable.Range(60, 50))
            .Select(m => Noon.AddMinutes(m))).Parts[1].From);
    }

    [Fact]
    public void A_zoom_that_is_often_at_its_end_lacks_what_lies_beyond()
    {
        var day = TakenDays.Day([Halm, Far], TakenDays.Part("p", Noon, 120), Enumerable.Range(0, 50).Select(n => Shot(n, n < 22 ? 200 : 100)));
        Assert.Equal(0.44, day.Glass[0].AtLong!.Value, 3);
        Assert.Equal("44 % at 200 mm, its long end: what lies beyond is what you lack", TakenWords.AtAnEnd(day.Glass[0], Far));
        Assert.Equal([(LackKind.Longer, 280.0)], Lacking.Of([day], [Halm, Far]).Select(l => (l.Kind, l.FocalMm!.Value)));
        // Who owns a 300 does not lack one.
        Assert.Empty(Lacking.Of([day], [Halm, Far, TakenDays.Glass("l", 300, 300, 4)]));
        Assert.Null(TakenWords.AtAnEnd(day.Glass[0] with { AtLong = 0.4 }, Far));
        Assert.Null(TakenWords.AtAnEnd(day.Glass[0], Far, [Far, TakenDays.Glass("l", 300, 300, 4)]));
        Assert.Null(TakenWords.AtAnEnd(day.Glass[0] with { Taken = 9 }, Far));
    }

    [Fact]
    public void The_longest_burst_is_held_against_the_buffer_and_high_ISO_against_the_ceiling()
    {
        var body = Halm with { Fps = 10, BufferMegabytes = 400, RawMegabytes = 50, Slots = [new CardSlot { Type = "SD", WriteMegabytesPerSecond = 100 }] };
        var pictures = Enumerable.Range(0, 30).Select(n => Shot(1, iso: 12800) with { File = $"x{n}.raw", At = Noon.AddSeconds(n * 0.1) }).Append(Shot(5));
        var day = TakenDays.Day([body, Wide], TakenDays.Part("p", Noon, 60), pictures);
        // 10 a second in, 2 out: 8 frames of buffer are full after one second, 10 frames.
        Assert.Equal((30, 10.0), (day.Bodies[0].Burst, day.Bodies[0].BufferFrames!.Value));
        Assert.StartsWith("Halm: 30 pictures in 2.9 s, more than the 10 its buffer takes", TakenWords.Burst(day.Bodies[0], "Halm"), StringComparison.Ordinal);
        Assert.Equal((30, 30), (day.Bodies[0].OverCeiling, day.Glass[0].OverCeiling));
        Assert.Equal([(LackKind.Faster, 1.4)], Lacking.Of([day], [body, Wide]).Select(l => (l.Kind, l.FNumber!.Value)));
    }

    /// <summary>A stop wider there are lenses, or there are none; nobody is told to look for f/1.3.</summary>
    [Theory]
    [InlineData(20, 2.8, 2.0, "More light, or f/2 in place of the 20: 30 of its pictures (100 %) went over the ISO you deliver.")]
    [InlineData(20, 1.8, 1.4, "More light, or f/1.4 in place of the 20: 30 of its pictures (100 %) went over the ISO you deliver.")]
    [InlineData(20, 1.4, null, "More light for the 20: 30 of its pictures (100 %) went over the ISO you deliver.")]
    [InlineData(50, 1.8, 1.2, "More light, or f/1.2 in place of the 20: 30 of its pictures (100 %) went over the ISO you deliver.")]
    [InlineData(50, 1.4, 1.2, "More light, or f/1.2 in place of the 20: 30 of its pictures (100 %) went over the ISO you deliver.")]
    [InlineData(50, 1.2, null, "More light for the 20: 30 of its pictures (100 %) went over the ISO you deliver.")]
    [InlineData(200, 2.8, 2.0, "More light, or f/2 in place of the 20: 30 of its pictures (100 %) went over the ISO you deliver.")]
    [InlineData(600, 4, null, "More light for the 20: 30 of its pictures (100 %) went over the ISO you deliver.")]
    public void Of_faster_glass_only_what_there_is_is_named(double mm, double has, double? wider, string said)
    {
        var body = Halm with { IsoCeiling = 6400 };
        var glass = Wide with { Focal = new Basics.Interval(mm, mm), Aperture = new Basics.Interval(has, has) };
        var day = TakenDays.Day([body, glass], TakenDays.Part("p", Noon, 60), Enumerable.Range(0, 30)
            .Select(n => Shot(n, iso: 12800) with { LensFNumber = has, LensModel = null, LensFocal = new(mm, mm), FocalMm = mm }));
        var lack = Lacking.Of([day], [body, glass]).Single(l => l.Kind == LackKind.Faster);
        Assert.Equal(wider, lack.FNumber);
        Assert.Equal(said, TakenWords.Of(lack, _ => "20"));
    }

    /// <summary>What one owns goes before what one would buy: of the same mount, most of a stop faster, about as long.</summary>
    [Fact]
    public void Faster_glass_one_owns_is_named_first()
    {
        var body = Halm with { IsoCeiling = 6400 };
        var zoom = TakenDays.Glass("zoom", 24, 70, 2.8);
        Lens[] owned = [zoom, TakenDays.Glass("85", 85, 85, 1.2), TakenDays.Glass("50", 50, 50, 1.8), TakenDays.Glass("21", 21, 21, 1.4),
            TakenDays.Glass("35", 35, 35, 2.2), TakenDays.Glass("28", 28, 28, 1.4) with { Mount = "other" }];
        var day = TakenDays.Day([body, zoom], TakenDays.Part("p", Noon, 60), Enumerable.Range(0, 30)
            .Select(n => Shot(n, iso: 12800) with { LensFNumber = 2.8, LensFocal = new(24, 70), FocalMm = 35 }));
        var lack = Lacking.Of([day], [body, .. owned]).Single(l => l.Kind == LackKind.Faster);
        Assert.Equal("More light, or the 21 or 50 you own in place of the zoom: 30 of its pictures (100 %) went over the ISO you deliver.",
            TakenWords.Of(lack, id => id));
        Assert.Null(lack.FNumber);
    }

    [Theory]
    [InlineData(47)]
    [InlineData(-3600)]
    [InlineData(0)]
    public void The_difference_of_two_clocks_is_found_under_jitter(int seconds)
    {
        var random = new Random(seconds);
        var moments = Enumerable.Range(0, 60).Select(_ => random.NextDouble() * 20_000).ToList();
        // Half of what either takes the other does not, and nobody presses at the same instant.
        var one = moments.Concat(Enumerable.Range(0, 200).Select(_ => random.NextDouble() * 20_000)).Select(s => Noon.AddSeconds(s));
        var other = moments.Select(s => s + (random.NextDouble() * 1.6) - 0.8).Concat(Enumerable.Range(0, 200).Select(_ => random.NextDouble() * 20_000))
            .Select(s => Noon.AddSeconds(s + seconds));
        var found = ClockDifference.Between(one, other)!;
        Assert.InRange(found.Seconds, seconds - 1, seconds + 1);
        Assert.InRange(found.Moments, 40, 100);
    }

    [Fact]
    [Trait("Takes", "long")]
    public void Of_two_who_took_nothing_together_no_difference_is_told()
    {
        // Always the same thousand days: what chance does once in ten thousand must not come and go from run to run.
        for (var seed = 0; seed < 1000; seed++)
        {
            var random = new Random(seed);
            DateTime[] Some() => [.. Enumerable.Range(0, 150).Select(_ => Noon.AddSeconds(random.NextDouble() * 20_000))];
            Assert.Null(ClockDifference.Between(Some(), Some()));
        }
    }

    [Fact]
    public void A_clock_that_is_reckoned_with_puts_its_pictures_where_they_belong()
    {
        var plan = TakenDays.Plan([Halm, Second, Wide], TakenDays.Part("first", Noon, 60), TakenDays.Part("then", Noon.AddHours(1), 60));
        var roll = TakenRoll.Of(Enumerable.Range(0, 120).SelectMany(n => new[] { Shot(n), Shot(n, serial: "H-2") with { At = Noon.AddMinutes(n + 90) } }));
        var things = Recognition.Of(roll, plan.Items, [], new Dictionary<string, string>()).Things;
        var day = DayTaken.Of(plan, roll, things, [], new Dictionary<string, double> { ["camera|Halm 45|H-2"] = 5400 });
        Assert.Equal(0, day.Outside);
        Assert.Equal(day.Parts[0].Hands[0].Taken, day.Parts[0].Hands[1].Taken);
        Assert.NotEqual(0, DayTaken.Of(plan, roll, things, []).Outside);
    }

    /// <summary>Against sums made one by one.</summary>
    [Fact]
    public void Every_sum_is_that_of_counting()
    {
        var counted = 0;
        Gen.Int.Sample(seed =>
        {
            var random = new Random(seed);
            List<Part> parts = [.. Enumerable.Range(0, 4).Select(p => TakenDays.Part("p" + p, Noon.AddHours(p), 60))];
            var plan = TakenDays.Plan([Halm, Second, Wide, Far], [.. parts]);
            List<PictureTold> pictures = [.. Enumerable.Range(0, random.Next(1, 200))
                .Select(n => Shot(n, random.Next(2) == 0 ? 28 : random.Next(70, 201), serial: random.Next(3) == 0 ? "H-2" : "H-1")
                with { At = Noon.AddSeconds(random.Next(14_400)) })];
            List<PictureTold> kept = [.. pictures.Where(_ => random.Next(4) == 0)];
            var roll = TakenRoll.Of(pictures, kept);
            var day = DayTaken.Of(plan, roll, Recognition.Of(roll, plan.Items, [], new Dictionary<string, string>()).Things, []);
            Assert.Equal((pictures.Count, kept.Count), (day.Frames, day.Kept!.Value));
            Assert.Equal(pictures.Count, day.Parts.Sum(p => p.Taken) + day.Outside);
            foreach (var (id, glass) in day.Glass.Select(g => (g.Glass, g)))
            {
                bool Is(PictureTold p) => (p.FocalMm == 28 ? "w" : "z") == id;
                Assert.Equal((pictures.Count(Is), kept.Count(Is)), (glass.Taken, glass.Kept));
                Assert.Equal(kept.Count == 0 ? 0 : (double)kept.Count(Is) / kept.Count, glass.Share, 9);
                counted++;
            }
            foreach (var body in day.Bodies)
                Assert.Equal(pictures.Count(p => (p.Serial == "H-1" ? "b1" : "b2") == body.Body), body.Taken);
            foreach (var part in day.Parts)
                Assert.Equal(part.Taken, part.Hands.Sum(h => h.Taken));
        }, iter: 60);
        Assert.True(counted > 60);
    }
}
