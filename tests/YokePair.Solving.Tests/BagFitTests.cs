using YokePair.Core.Carry;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Solving.Tests;

/// <summary>Things side by side in a bag.</summary>
public sealed class BagFitTests
{
    private static BagRoom Room(double length, double width, double depth, double gap, params (double, double, double)[] things) =>
        new("bag", length, width, depth, gap, [.. things.Select((t, i) => new CarriedShape($"{i}", [t.Item1, t.Item2, t.Item3], false))], []);

    /// <summary>Four cameras laid flat in foam: a rim and gaps of 25 mm let all in, of 50 leave the last one 54 mm short.</summary>
    [Fact]
    public void Wider_foam_leaves_one_out()
    {
        (double, double, double)[] things = [(367, 163, 80), (140, 104, 80), (146, 90, 80), (127, 89, 80)];
        var fits = BagFit.Find(Room(559, 432, 85, 25, things));
        Assert.True(fits is { Fits: true, Proven: true });
        Check(fits);
        var foam = Room(559, 432, 85, 50, things) with { OneWay = true };
        var found = BagFit.Find(foam);
        Check(found);
        Assert.Equal(["3"], found.Out);
        Assert.Equal((54, true), (found.LongerMm, found.Proven));
        // Turned round it lacks less, and in the width less still.
        var turned = BagFit.Find(foam with { OneWay = false });
        Assert.Equal((47, 21, true), (turned.LongerMm, turned.WiderMm, turned.Proven));
        Assert.True(BagFit.Fits(Room(559 + 47, 432, 85, 50, things)) && !BagFit.Fits(Room(559 + 46, 432, 85, 50, things)));
        Assert.True(BagFit.Fits(Room(559, 432 + 21, 85, 50, things)) && !BagFit.Fits(Room(559, 432 + 20, 85, 50, things)));
    }

    [Fact]
    public void What_is_too_thick_is_named_and_what_may_stand_up_does()
    {
        var low = BagFit.Find(Room(300, 200, 80, 0, (200, 88, 88), (100, 60, 60)));
        Assert.Equal([("0", 8.0)], low.TooDeep.Select(t => (t.Item, t.MissingMm)));
        Assert.Equal(["1"], low.Laid.Select(l => l.Item));
        // Three of 150 x 70 x 70 lie beside one another only if they stand up.
        (double, double, double)[] tall = [(150, 70, 70), (150, 70, 70), (150, 70, 70)];
        Assert.False(BagFit.Find(Room(210, 70, 100, 0, tall)).Fits);
        var stand = BagFit.Find(Room(210, 70, 150, 0, tall));
        Assert.True(stand.Fits);
        Assert.All(stand.Laid, l => Assert.Equal(150, l.Height));
    }

    /// <summary>Layouts are right by a plain look at every two things, and on small cases no more room could be taken, by trying every corner.</summary>
    [Fact]
    public void Nothing_lies_on_another_and_no_more_would_go_in()
    {
        var (full, partly) = (0, 0);
        for (var seed = 0; seed < 60; seed++)
        {
            var random = new Random(seed);
            // Small whole numbers, so that the slow one can try every place.
            var room = Room(random.Next(4, 9), random.Next(3, 7), random.Next(2, 5), random.Next(2),
                [.. Enumerable.Range(0, random.Next(1, 5)).Select(_ => ((double)random.Next(1, 5), (double)random.Next(1, 5), (double)random.Next(1, 5)))]);
            var found = BagFit.Find(room);
            Check(found);
            Assert.True(found.Proven);
            var most = SlowFit.Most(room);
            Assert.True(most == found.Laid.Sum(l => Least(room, l.Item)), $"seed {seed}");
            if (found.Fits) full++;
            else partly++;
        }
        Assert.True(full > 10 && partly > 10, $"{full} full, {partly} partly");
    }

    [Fact]
    public void A_search_that_is_stopped_gives_what_it_has_and_says_that_it_is_not_proven()
    {
        var random = new Random(1);
        var room = Room(600, 400, 200, 10, [.. Enumerable.Range(0, 40)
            .Select(_ => ((double)random.Next(60, 250), (double)random.Next(60, 150), (double)random.Next(60, 120)))]);
        using var stop = new CancellationTokenSource();
        stop.Cancel();
        var found = BagFit.Find(room, stop.Token);
        Check(found);
        Assert.False(found.Proven && found.Fits);
    }

    /// <summary>A long zoom that stands too high; at home lies a slower one that fits and serves the same, and one with another mount.</summary>
    [Fact]
    public void What_would_fit_instead_serves_the_same_and_is_told_with_its_cost()
    {
        var plan = SmallDay.From(3);
        var bag = plan.Places[0] with { InnerMm = [500, 300, 85] };
        var lens = plan.Items.OfType<Lens>().First();
        plan = plan with { Items = [.. plan.Items.Select(i => i is Lens && i.Id != lens.Id ? i with { SizeMm = [80, 80, 80] } : i)] };
        var big = lens with { Place = bag.Id, SizeMm = [210, 90, 90] };
        plan = plan with { Places = [bag, .. plan.Places.Skip(1)], Items = [.. plan.Items.Select(i => i.Id == lens.Id ? big : i)] };
        Item[] home = [big with { Id = "small", Name = "The small one", SizeMm = [120, 80, 80] },
            big with { Id = "other", Mount = "none", SizeMm = [120, 80, 80] },
            big with { Id = "large", SizeMm = [230, 95, 95] }];
        var day = new DayAnalysis(plan);
        var told = BagFitDay.Of(day, BagFit.Find(BagRoom.Of(plan, bag, [])!), home, r => BagFit.Fits(r));
        var instead = Assert.Single(told.Instead);
        Assert.Equal((lens.Id, "small", "every picture that matters stands as before"), (instead.Out, instead.With, instead.Then));
        Assert.Contains(" is 5 mm too thick to lie in ", string.Concat(told.Sentence.Select(p => p.Text)), StringComparison.Ordinal);
    }

    [Fact]
    public void A_camera_is_as_long_as_its_glass_and_what_nobody_measured_is_marked()
    {
        var plan = SmallDay.From(3);
        var (body, lens) = (plan.Items.OfType<Body>().First(), plan.Items.OfType<Lens>().First());
        var bag = plan.Places[0] with { InnerMm = [500, 300, 85], LidMm = 15, GapMm = 25 };
        plan = plan with
        {
            Places = [bag],
            Items = [body with { Place = bag.Id, SizeMm = [140, 105, 75] }, lens with { Place = $"@{body.Id}", SizeMm = [120, 80, 80] },
                new Battery { Id = "b", Type = "LB", Place = bag.Id }, new Flash { Id = "f", Place = bag.Id }],
        };
        var room = BagRoom.Of(plan, bag, [])!;
        Assert.Equal((100, 25), (room.Depth, room.Gap));
        Assert.Equal([140, 105, 195], room.Things.Single(t => t.Item == body.Id).SizeMm);
        Assert.False(room.Things.Single(t => t.Item == body.Id).IsUsual);
        Assert.True(room.Things.Single(t => t.Item == "f").IsUsual);
        Assert.Equal(["b"], room.Small);
        Assert.Null(BagRoom.Of(plan, bag with { InnerMm = null }, []));
    }

    private static double Least(BagRoom room, string item)
    {
        var s = room.Things.Single(t => t.Item == item).SizeMm.Order().ToArray();
        return Math.Ceiling(s[0] * s[1]);
    }

    /// <summary>Written apart from the search: every two things are a gap apart, all are a gap from the walls, none stands out.</summary>
    private static void Check(BagLayout found)
    {
        var (room, gap) = (found.Room, found.Room.Gap);
        Assert.Equal(room.Things.Count, found.Laid.Count + found.Out.Count + found.TooDeep.Count);
        foreach (var a in found.Laid)
        {
            Assert.True(a.X >= gap && a.Y >= gap && a.X + a.Length <= room.Length - gap && a.Y + a.Width <= room.Width - gap && a.Height <= room.Depth);
            Assert.Equal(room.Things.Single(t => t.Item == a.Item).SizeMm.Order(), new[] { a.Length, a.Width, a.Height }.Order());
            foreach (var b in found.Laid.Where(b => b.Item != a.Item))
                Assert.True(a.X + a.Length + gap <= b.X || b.X + b.Length + gap <= a.X || a.Y + a.Width + gap <= b.Y || b.Y + b.Width + gap <= a.Y);
        }
    }
}

/// <summary>Tries every thing on every side at every whole millimetre, and leaves any out: slow, and plainly right.</summary>
internal static class SlowFit
{
    public static double Most(BagRoom room) => From(room, 0, []);

    private static double From(BagRoom room, int at, List<(double X, double Y, double L, double W)> laid)
    {
        if (at == room.Things.Count) return 0;
        var best = From(room, at + 1, laid);
        var s = room.Things[at].SizeMm;
        foreach (var (l, w, h) in new[] { (s[0], s[1], s[2]), (s[1], s[0], s[2]), (s[0], s[2], s[1]), (s[2], s[0], s[1]), (s[1], s[2], s[0]),
            (s[2], s[1], s[0]) })
            for (var x = room.Gap; h <= room.Depth && x + l + room.Gap <= room.Length; x++)
                for (var y = room.Gap; y + w + room.Gap <= room.Width; y++)
                {
                    if (laid.Exists(o => x < o.X + o.L + room.Gap && o.X < x + l + room.Gap && y < o.Y + o.W + room.Gap && o.Y < y + w + room.Gap)) continue;
                    laid.Add((x, y, l, w));
                    var sorted = s.Order().ToArray();
                    best = Math.Max(best, (sorted[0] * sorted[1]) + From(room, at + 1, laid));
                    laid.RemoveAt(laid.Count - 1);
                }
        return best;
    }
}
