using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>
/// The fewest pictures that go without on a day of one camera, with everything tried: which battery is in it at each join and whenever one is
/// empty, and what lies on the charger in each part with a socket. Slow and plain, for days of a few parts and batteries.
/// </summary>
internal sealed class SlowCharging(Plan plan)
{
    private readonly Body body = plan.Items.OfType<Body>().Single();
    private readonly Battery[] batteries = [.. plan.Items.OfType<Battery>()];
    private readonly Charger? charger = plan.Items.OfType<Charger>().SingleOrDefault();

    public double Fewest() => Part(0, [.. batteries.Select(b => b.Charged ? 1.0 : 0)], Array.FindIndex(batteries, b => b.Place == $"@{body.Id}"));

    private double Part(int at, double[] left, int inside)
    {
        if (at == plan.Parts.Count) return 0;
        var part = plan.Parts[at];
        var least = double.PositiveInfinity;
        for (var put = 0; put < batteries.Length; put++)
        {
            // What was never charged is put into no camera; what stays in need not be full.
            if (put != inside && left[put] <= 0) continue;
            foreach (var charging in part.Socket == true && charger is not null ? Subsets(put) : [[]])
                least = Math.Min(least, Take(at, left, put, charging, part.Frames!.High));
        }
        return least;
    }

    /// <summary>Takes frames from what is in the camera, then from whatever else is not on the charger, or goes without.</summary>
    private double Take(int at, double[] left, int inside, int[] charging, double frames)
    {
        var full = Charge.Frames(body, batteries[inside]);
        var taken = Math.Min(frames, left[inside] * full);
        var then = (double[])left.Clone();
        then[inside] -= taken / full;
        if (frames - taken < 1e-9) return Part(at + 1, Charged(then, charging, at), inside);
        then[inside] = 0;
        var least = frames - taken + Part(at + 1, Charged(then, charging, at), inside);
        for (var other = 0; other < batteries.Length; other++)
            if (then[other] > 1e-9 && !charging.Contains(other)) least = Math.Min(least, Take(at, then, other, charging, frames - taken));
        return least;
    }

    private double[] Charged(double[] left, int[] charging, int at)
    {
        var hours = (plan.Parts[at].End!.Value - plan.Parts[at].Start!.Value).TotalHours;
        return [.. left.Select((share, b) => charging.Contains(b) ? Math.Min(1, share + (hours / charger!.Hours!.Value)) : share)];
    }

    /// <summary>At most as many as there are bays, and not what is in the camera.</summary>
    private IEnumerable<int[]> Subsets(int inside) => Enumerable.Range(0, 1 << batteries.Length)
        .Select(bits => Enumerable.Range(0, batteries.Length).Where(b => (bits & (1 << b)) != 0).ToArray())
        .Where(s => s.Length <= charger!.Bays && !s.Contains(inside));
}
