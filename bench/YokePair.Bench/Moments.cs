using System.Diagnostics;
using YokePair.Browser;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Bench;

/// <summary>Every part of the demo days with all its needs at once: what is asked of the search of a moment at the worst.</summary>
internal static class Moments
{
    private const double Limit = 1;

    public static int Measure()
    {
        var (late, slowest) = (0, 0.0);
        foreach (var name in new[] { "steamer-wedding", "track-night" })
        {
            var plan = PlanFile.Read(File.ReadAllBytes(Path.Combine(Site.Root, "demo", name + ".yoke.json"))).Plan!;
            // The compiler's own time is not the search's.
            new DayAnalysis(plan).Report();
            foreach (var part in plan.Parts.Where(p => p.Needs.Count > 1))
            {
                var at = part with { Needs = [.. part.Needs.Select(n => n with { Moment = "all at once" })] };
                var together = plan with { Parts = [.. plan.Parts.Select(p => p == part ? at : p)] };
                var clock = Stopwatch.StartNew();
                var report = new DayAnalysis(together).Report();
                var seconds = clock.Elapsed.TotalSeconds;
                var needs = report.Needs.Where(n => n.Part == part.Id).ToList();
                var whole = needs.All(n => n.Exhaustive) ? "" : ", not all was tried";
                Console.WriteLine(FormattableString.Invariant(
                    $"{name}, {part.Name ?? part.Id}: {needs.Count} needs at once, {needs[0].Baseline}{whole}: report of the day {seconds * 1000:0} ms"));
                if (seconds > Limit) late++;
                slowest = Math.Max(slowest, seconds);
            }
        }
        Console.WriteLine(FormattableString.Invariant($"slowest {slowest * 1000:0} ms of {Limit * 1000:0}"));
        return late;
    }
}
