using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Starting;

/// <summary>
/// What a new day has in the hands, part by part: what a part needs at once is on a camera when it begins, as people change glass between
/// parts rather than in them, and a close-up's glass is in the hand where there is a close-up.
/// </summary>
internal static class HandsByPart
{
    /// <summary>In one part glass is changed so often at most; whoever needs more needs another style.</summary>
    private const int MostChanges = 3;

    /// <summary>Light below which the flash sits on the camera, where it may be used at all.</summary>
    private const double DarkEv = 5;

    /// <summary>The plan with the glass in the hands that people are used to in each kind of part, as far as it is there and fits.</summary>
    public static Plan Usual(Plan plan)
    {
        foreach (var (part, person) in plan.Parts.SelectMany(p => plan.People.Where(o => o.Habits is not null).Select(o => (Part: p, Person: o))).ToList())
        {
            var usual = person.Habits!.For(part.Kind).Where(id => plan.ItemOf(id) is Lens).ToList();
            foreach (var (setup, lens) in part.Setups.Where(s => s.Person == person.Id && s.Body is not null).Zip(usual))
                plan = new Mount { Part = part.Id, Person = person.Id, Position = setup.Position, Body = setup.Body, Lens = lens }.Apply(plan).Plan ?? plan;
        }
        return plan;
    }

    /// <summary>The plan with the glass of single parts changed.</summary>
    public static Plan Fit(Plan plan)
    {
        foreach (var id in plan.Parts.Select(p => p.Id).ToList())
            for (var change = 0; change < MostChanges && Better(plan, plan.PartOf(id)!) is { } better; change++) plan = better;
        return plan;
    }

    /// <summary>Flashes onto the cameras in hand in every dark part in which one may be used, as far as there are any.</summary>
    public static Plan Lit(Plan plan, IReadOnlyList<Item> here)
    {
        List<Flash> flashes = [.. here.OfType<Flash>().Where(f => !f.Doubtful && f.Power != FlashPower.SharedPack).OrderByDescending(f => f.GuideNumber ?? 0)];
        return plan with { Parts = [.. plan.Parts.Select(p => MayFlash(p) ? p with { Setups = WithFlash(plan, p, flashes) } : p)] };

        static bool MayFlash(Part part) => part.Ev <= DarkEv && part.Flash == FlashRule.Allowed && part.Quiet != QuietRule.Required;
    }

    private static List<Setup> WithFlash(Plan plan, Part part, IReadOnlyList<Flash> flashes)
    {
        var left = flashes.ToList();
        return [.. part.Setups.Select(s =>
        {
            if (s.Flash is not null || plan.ItemOf(s.Body) is not Body body) return s;
            if (left.FirstOrDefault(f => Ways.Shoe.Fits(body, f.Shoe)) is not { } flash) return s;
            left.Remove(flash);
            return s with { Flash = flash.Id };
        })];
    }

    /// <summary>The plan with one camera of a part carrying what a need of it waits for; null where that makes nothing better.</summary>
    private static Plan? Better(Plan plan, Part part)
    {
        var now = new DayAnalysis(plan).ReportPart(part.Id);
        var waiting = now.Zip(part.Needs).Where(n => n.First.Best is { } best && Changes(best))
            .Where(n => !n.First.Baseline.IsMet() || n.Second.CloseWidthMm is not null)
            .OrderBy(n => n.First.Baseline.IsMet()).ThenByDescending(n => n.First.Importance == Importance.Once);
        foreach (var (need, asked) in waiting)
        {
            var tried = (asked.CloseWidthMm is null ? [Carrying(plan, part, need.Best!)] : Macros(plan, part)).OfType<Plan>()
                .Select(p => (Plan: p, Needs: new DayAnalysis(p).ReportPart(part.Id)))
                .Where(t => t.Needs.Zip(now).All(n => n.First.Baseline <= n.Second.Baseline) && Seconds(t.Needs) < Seconds(now));
            if (tried.OrderBy(t => Seconds(t.Needs)).Select(t => t.Plan).FirstOrDefault() is { } better) return better;
        }
        return null;

        static double Seconds(IReadOnlyList<NeedReport> needs) => needs.Where(n => n.Importance != Importance.Nice).Sum(n => n.Best?.Seconds ?? 0);
    }

    /// <summary>The plan with each macro there is on each camera in hand. Nobody walks about with a tube: it is fitted for the one picture.</summary>
    private static IEnumerable<Plan?> Macros(Plan plan, Part part) =>
        from lens in plan.Items.OfType<Lens>()
        where lens.IsMacro && !lens.Doubtful
        from camera in part.Setups
        let body = plan.ItemOf(camera.Body) as Body
        where body is not null
        let adapter = body.Mount.Contains(lens.Mount) ? null : FreeAdapter(plan, part, camera, lens, body)
        where adapter is not null || body.Mount.Contains(lens.Mount)
        select new Mount { Part = part.Id, Person = camera.Person, Position = camera.Position, Body = body.Id, Lens = lens.Id, Adapter = adapter }.Apply(plan)
            .Plan;

    /// <summary>Id of an adapter that is on this camera, or on none.</summary>
    private static string? FreeAdapter(Plan plan, Part part, Setup camera, Lens lens, Body body) =>
        plan.Items.OfType<Adapter>().Where(a => !a.Doubtful && a.Joins(lens, body))
            .OrderByDescending(a => a.Id == camera.Adapter).FirstOrDefault(a => part.Setups.All(s => s == camera || s.Adapter != a.Id))?.Id;

    private static bool Changes(WayReport way) => way.Steps.Any(s => s.Action == StepAction.ChangeLens);

    /// <summary>The plan with the camera of a way carrying its glass from the start of the part; null where that camera is in no hand then.</summary>
    private static Plan? Carrying(Plan plan, Part part, WayReport way)
    {
        if (part.Setups.FirstOrDefault(s => s.Body is not null && s.Body == way.Body) is not { } camera) return null;
        string? Of<T>() where T : Item => way.Items.Select(plan.ItemOf).OfType<T>().FirstOrDefault()?.Id;
        var mount = new Mount
        {
            Part = part.Id,
            Person = camera.Person,
            Position = camera.Position,
            Body = camera.Body,
            Lens = way.Lens,
            Adapter = Of<Adapter>(),
            Converter = Of<Converter>(),
            Tube = Of<Tube>(),
        };
        return mount.Apply(plan).Plan;
    }
}
