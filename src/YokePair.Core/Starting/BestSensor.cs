using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Starting;

/// <summary>Gives the hand that is used most the camera with the best sensor, where the cameras of a person are unlike.</summary>
internal static class BestSensor
{
    /// <summary>The plan with two cameras of a person exchanged all day where that makes nothing worse.</summary>
    public static Plan InTheMostUsedHand(Plan plan)
    {
        foreach (var person in plan.People)
        {
            List<Body> bodies = [.. plan.Parts.SelectMany(p => p.Setups).Where(s => s.Person == person.Id).Select(s =>
                plan.ItemOf(s.Body)).OfType<Body>().Distinct().OrderByDescending(Sensor)];
            if (bodies.Count < 2 || Sensor(bodies[0]) == Sensor(bodies[^1])) continue;
            var day = new DayAnalysis(plan);
            // Each count is a report of its own: once for every camera.
            var uses = bodies.ToDictionary(b => b, b => Uses(day, b));
            var used = bodies.MaxBy(b => uses[b])!;
            if (Sensor(used) == Sensor(bodies[0]) || uses[used] == uses[bodies[0]]) continue;
            if (Exchanged(plan, person.Id, used, bodies[0]) is not { } other) continue;
            if (IsNoWorse(new DayAnalysis(other).Report(withEvents: false), day.Report(withEvents: false))) plan = other;
        }
        return plan;
    }

    /// <summary>Larger first, then cleaner, then finer.</summary>
    private static (double, double, double) Sensor(Body body) => (-body.Crop, body.IsoCeiling, body.Megapixels);

    /// <summary>How many pictures would be missed, second best or later without a camera: where two hands do as well, neither is leaned on.</summary>
    private static int Uses(DayAnalysis day, Body body)
    {
        var (with, without) = (day.Report(withEvents: false).Needs,
            new DayAnalysis(day.Whole, [new Pulled(body.Id, Kind: LossKind.Rig)]).Report(withEvents: false).Needs);
        return with.Zip(without).Count(n => n.Second.Baseline > n.First.Baseline || n.Second.Best?.Seconds > n.First.Best?.Seconds);
    }

    private static bool IsNoWorse(Report then, Report now) =>
        then.Needs.Zip(now.Needs).All(n => n.First.Baseline <= n.Second.Baseline) && Seconds(then) <= Seconds(now);

    private static double Seconds(Report report) => report.Needs.Sum(n => n.Best?.Seconds ?? 0);

    private static Plan? Exchanged(Plan plan, string person, Body one, Body other)
    {
        var then = plan with { Parts = [.. plan.Parts.Select(p => p with { Setups = [.. p.Setups.Select(Swapped)] })] };
        // Glass that needed no adapter, or another one, on the other camera cannot simply be moved over.
        return PlanCheck.Usable(then).Count == 0 && then.Parts.SelectMany(p => p.Setups).Where(s => s.Person == person).All(s => Fits(then, s)) ? then : null;

        Setup Swapped(Setup setup) => setup.Person != person ? setup
            : setup.Body == one.Id ? setup with { Body = other.Id } : setup.Body == other.Id ? setup with { Body = one.Id } : setup;
    }

    private static bool Fits(Plan plan, Setup setup)
    {
        if (plan.ItemOf(setup.Body) is not Body body || plan.ItemOf(setup.Lens) is not Lens lens) return true;
        var fits = plan.ItemOf(setup.Adapter) is Adapter adapter ? adapter.Joins(lens, body) : body.Mount.Contains(lens.Mount);
        return fits && (plan.ItemOf(setup.Flash) is not Flash flash || Ways.Shoe.Fits(body, flash.Shoe));
    }
}
