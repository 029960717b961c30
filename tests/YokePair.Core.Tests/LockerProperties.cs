using CsCheck;
using YokePair.Core.Basics;
using YokePair.Core.Locker;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Random lockers against plain, slow ways of asking the same.</summary>
public sealed class LockerProperties
{
    private static readonly DateOnly Day = new(2027, 6, 12);

    [Fact]
    public void Every_figure_written_as_text_reads_back_the_same() => Gen.Int[0, 100_000].Sample(seed =>
    {
        foreach (var item in Locker(seed))
        {
            var json = FigureCatalogue.ToJson(item);
            var kind = ItemKinds.Of(item);
            foreach (var figure in FigureCatalogue.Of(kind).Where(f => json[f.Name] is not null))
            {
                var (value, problem) = figure.Parse(figure.Format(json[figure.Name]));
                Assert.Null(problem);
                Assert.Equal(figure.Format(json[figure.Name]), figure.Format(value));
            }
        }
    }, iter: 200);

    [Theory]
    [InlineData(1.0 / 250, "1/250")]
    [InlineData(1.0 / 32000, "1/32000")]
    [InlineData(0.4, "0.4")]
    [InlineData(2.5, "2.5")]
    public void Short_times_are_said_as_fractions_and_read_back(double seconds, string said)
    {
        var figure = FigureCatalogue.Find("body", "fastestShutterSeconds")!;
        Assert.Equal(said, figure.Say(seconds));
        Assert.Equal(seconds, figure.Parse(said).Value!.GetValue<double>(), 12);
    }

    [Fact]
    public void The_answer_for_two_things_does_not_depend_on_their_order() => Gen.Int[0, 100_000].Sample(seed =>
    {
        var locker = Locker(seed);
        var compatibility = new Compatibility(locker, []);
        foreach (var a in locker)
            foreach (var b in locker)
                if (a.Id != b.Id) Assert.Equal(compatibility.Of(a, b), compatibility.Of(b, a));
    }, iter: 100);

    /// <summary>What is remembered of one thing is told of those alike: each pair asked anew says the same, word for word.</summary>
    [Fact]
    public void What_is_told_of_one_thing_is_true_of_those_alike() => Gen.Int[0, 100_000].Sample(seed =>
    {
        List<Item> locker = [.. Locker(seed), .. Varied(new Random(seed))];
        PairRule[] rules = [new PairRule { A = locker.OfType<Body>().First().Id, B = locker.OfType<Lens>().First().Id, Fit = PairFit.No }];
        var together = new Compatibility(locker, rules);
        foreach (var a in locker)
            foreach (var b in locker)
                if (a.Id != b.Id) Assert.Equal(new Compatibility(locker, rules).Of(a, b), together.Of(a, b));
    }, iter: 40);

    /// <summary>Twins that differ in one figure each.</summary>
    private static IEnumerable<Item> Varied(Random random)
    {
        var body = new Body
        {
            Id = "v0",
            Name = "Halm 45",
            Mount = ["K2"],
            Crop = 1,
            Megapixels = 24,
            IsoCeiling = 6400,
            Slots = [new CardSlot { Type = "SD" }],
            BatteryType = "LB7",
            SizeMm = [140, 100, 80],
        };
        Body[] bodies =
        [
            body, body with { Mount = ["K1"] }, body with { Crop = 1.5 }, body with { Slots = [new CardSlot { Type = "CFexpress-B" }] },
                body with { BatteryType = "LB2" },
            body with { Shoe = "plain" }, body with { UsbCharging = true }, body with { Name = "Orrin 20" }, body with { Doubtful = true },
        ];
        var lens = new Lens { Id = "v0", Mount = "K2", Focal = new Interval(50, 50), Aperture = new Interval(1.8, 1.8) };
        Lens[] lenses = [lens, lens with { Mount = "K1" }, lens with { ImageCircleCrop = 1.5 }, lens with { TakesConverter = true },
            lens with { NeedsSupport = true }, lens with { FilterThreadMm = 58 }];
        Item[] others =
        [
            new Battery { Id = "v0", Type = "LB2" }, new Battery { Id = "v0", Type = "LB2", Doubtful = true }, new Card { Id = "v0", Type = "CFexpress-B" },
                new Grip { Id = "v0", FitsBody = "Halm" }, new PowerBank { Id = "v0" },
            new Converter { Id = "v0", Factor = 2, Mount = "K2" }, new Support { Id = "v0" }, new Filter { Id = "v0", ThreadMm = 58 },
                new Flash { Id = "v0", Shoe = "other" }, new Trigger { Id = "v0", NeededBy = ["vary3"], Sends = "R1" },
        ];
        return new Item[][] { bodies, lenses, others }.SelectMany(g => g).Where(_ => random.Next(3) > 0).Select((item, n) => item with { Id = $"vary{n}" });
    }

    [Fact]
    public void Gaps_are_where_no_lens_reaches_and_nowhere_else() => Gen.Int[0, 100_000].Sample(seed =>
    {
        var locker = Locker(seed);
        var body = locker.OfType<Body>().First();
        var compatibility = new Compatibility(locker, []);
        var rule = GlassRule.Lay(locker, compatibility, body, Day);
        var reach = locker.OfType<Lens>().Where(l => l.IsHere(Day) && compatibility.Of(body, l).Works)
            .Select(l => l.Focal.Times(Math.Max(body.Crop, l.ImageCircleCrop))).ToList();
        if (reach.Count == 0)
        {
            Assert.Empty(rule.Stretches);
            return;
        }
        var (low, high) = (reach.Min(r => r.Low), reach.Max(r => r.High));
        for (var focal = low; focal <= high; focal *= 1.013)
        {
            var covered = reach.Count(r => r.Low <= focal * 1.15 && focal <= r.High * 1.15);
            // Within the little reach beyond the ends a word may be said or not; well away from them it must be.
            var wellInGap = rule.Stretches.Any(s => s.Kind == StretchKind.Gap && s.RangeMm.Low * 1.16 < focal && focal < s.RangeMm.High / 1.16);
            if (wellInGap) Assert.Equal(0, covered);
            if (covered == 0) Assert.Contains(rule.Stretches, s => s.Kind == StretchKind.Gap && s.RangeMm.Low <= focal && focal <= s.RangeMm.High);
        }
    }, iter: 300);

    [Fact]
    public void A_lens_is_alone_just_where_some_focal_length_of_it_has_no_sound_stand_in_as_fast() => Gen.Int[0, 100_000].Sample(seed =>
    {
        var locker = Locker(seed);
        var compatibility = new Compatibility(locker, []);
        var alone = Alone.Find(locker, compatibility, Day).Select(a => a.Id).ToHashSet();
        foreach (var lens in locker.OfType<Lens>().Where(l => l.IsHere(Day) && l.Magnification < 0.5 && l.Focal.Low == l.Focal.High))
        {
            var bodies = locker.OfType<Body>().Where(b => b.IsHere(Day) && compatibility.Of(b, lens).Works).ToList();
            if (bodies.Count == 0) continue;
            var standIns = locker.OfType<Lens>().Where(o => o.Id != lens.Id && o.IsHere(Day) && !o.Doubtful
                && bodies.Any(b => compatibility.Of(b, o) is { Works: true, Fit: not PairFit.Doubtful })
                && o.Focal.Low <= lens.Focal.Low * 1.15 && lens.Focal.Low <= o.Focal.High * 1.15
                && FastestNear(o, lens.Focal.Low) <= lens.Aperture.Low * 1.43);
            Assert.Equal(!standIns.Any(), alone.Contains(lens.Id));
        }
    }, iter: 300);

    private static double FastestNear(Lens lens, double focal)
    {
        if (lens.Focal.Low == lens.Focal.High) return lens.Aperture.Low;
        var at = Math.Min(Math.Max(focal, lens.Focal.Low), lens.Focal.High);
        return lens.Aperture.Low * Math.Pow(lens.Aperture.High / lens.Aperture.Low, Math.Log(at / lens.Focal.Low) / Math.Log(lens.Focal.High / lens.Focal.Low));
    }

    [Fact]
    public void Adding_a_thing_makes_nothing_that_was_replaced_stand_alone() => Gen.Int[0, 100_000].Sample(seed =>
    {
        var locker = Locker(seed);
        var before = Alone.Find(locker, new Compatibility(locker, []), Day).Select(a => a.Id).ToHashSet();
        List<Item> more = [.. locker, locker.OfType<Lens>().First() with { Id = "one-more", Doubtful = false, Status = null }];
        var after = Alone.Find(more, new Compatibility(more, []), Day).Select(a => a.Id).ToHashSet();
        after.ExceptWith(before);
        Assert.DoesNotContain(after, id => id != "one-more" && locker.First(i => i.Id == id) is Lens);
    }, iter: 200);

    // Long: each kind of thing that a locker is drawn of.
    private static List<Item> Locker(int seed)
    {
        var random = new Random(seed);
        var items = new List<Item>();
        for (var i = random.Next(1, 4); i > 0; i--)
            items.Add(new Body
            {
                Id = $"b{i}",
                Mount = Pick<string[]>(["K2"], ["K2"], ["K1"], ["K1", "K2"]),
                Crop = Pick(1, 1.5),
                Megapixels = 24,
                IsoCeiling = 6400,
                Slots = [new CardSlot { Type = "SD", WriteMegabytesPerSecond = 90 }],
                BatteryType = Pick("LB7", "LB2"),
                SizeMm = [140, 100, 80],
                FirstUse = new DateOnly(2024, 3, 1)
            });
        for (var i = random.Next(1, 8); i > 0; i--)
        {
            var low = Pick(14.0, 24, 35, 50, 85, 135, 300);
            items.Add(new Lens
            {
                Id = $"l{i}",
                Mount = Pick("K2", "K2", "K1"),
                Focal = new Interval(low, low * Pick(1.0, 1.0, 2.5)),
                Aperture = new Interval(Pick(1.4, 1.8, 2.8), 2.8),
                ImageCircleCrop = Pick(1, 1, 1.5),
                Magnification = Pick(0.15, 0.15, 1),
                Doubtful = Chance(0.15),
                Status = Chance(0.15) ? Availability.Lent : null,
                Roles = ["stage", "hall"],
                WeightG = 812.5
            });
        }
        if (Chance(0.5)) items.Add(new Adapter { Id = "a1", LensMount = "K1", BodyMount = "K2", Doubtful = Chance(0.3) });
        items.Add(new Charger { Id = "ch", BatteryTypes = ["LB7", "LB2"], Hours = 2.5 });
        items.Add(new Battery { Id = "bat", Type = "LB7", Health = 0.7, Make = Make.ThirdParty, Charged = Chance(0.5) });
        items.Add(new Card { Id = "card", Type = "SD", Gigabytes = 64 });
        return items;

        bool Chance(double p) => random.NextDouble() < p;
        T Pick<T>(params T[] from) => from[random.Next(from.Length)];
    }
}
