using YokePair.Core.Plans;

namespace YokePair.Core.Starting;

/// <summary>
/// Lights on stands, where there are stands and flashes left for them: one puts them up when the room is empty, and they stay to the end of
/// what happens there.
/// </summary>
internal static class StandingLights
{
    /// <summary>From a light to the people it lights, metres, where nobody has said it.</summary>
    private const double UsualDistanceM = 3;

    /// <summary>Light below which one puts up lights where no part is for that.</summary>
    private const double DarkEv = 5;

    private static readonly string[] Spots = ["one corner", "the other corner", "third corner", "fourth corner"];

    /// <summary>The plan with the lights standing, and the needs there allowed to be lit by them.</summary>
    public static Plan Placed(Plan plan)
    {
        var order = Day.InOrder(plan).ToList();
        var from = order.FindIndex(p => p.Kind == "room");
        if (from < 0) from = order.FindIndex(p => p.Ev <= DarkEv && MayStand(p));
        if (from < 0) return plan;
        List<Part> parts = [.. order.Skip(from).Where(MayStand)];
        var worn = plan.Parts.SelectMany(p => p.Setups).SelectMany(s => s.Named()).Select(n => n.Id).ToHashSet(StringComparer.Ordinal);
        var senders = plan.Items.Select(SystemSent).OfType<string>().ToHashSet(StringComparer.Ordinal);
        // One that may sit in a shoe and send is kept for that as long as nothing else sends.
        List<Flash> heard = [.. plan.Items.OfType<Flash>().Where(f => !worn.Contains(f.Id)
            && f is { Doubtful: false, CanHear: true, GuideNumber: not null } && f.RadioSystem is { } system
            && senders.Contains(system)).OrderBy(f => f.CanSend == true)];
        if (!plan.Items.Any(i => SystemSent(i) is not null && (i is Trigger || worn.Contains(i.Id))) && heard.Count > 0) heard.RemoveAt(heard.Count - 1);
        List<Support> stands = [.. plan.Items.OfType<Support>().Where(s => !s.Doubtful && s.HoldsLight).OrderByDescending(s => s.IsLightStand)];
        var lights = heard.Zip(stands, (flash, stand) => (flash, stand)).Zip(Spots,
            (l, spot) => new PlacedLight { Flash = l.flash.Id, Holder = l.stand.Id, Spot = spot }).ToList();
        if (lights.Count == 0) return plan;
        var ids = parts.Select(p => p.Id).ToHashSet(StringComparer.Ordinal);
        return plan with { Parts = [.. plan.Parts.Select(p => ids.Contains(p.Id) ? p with { Lights = lights, Needs = [.. p.Needs.Select(Lit)] } : p)] };
    }

    private static bool MayStand(Part part) => part.Flash == FlashRule.Allowed && part.Quiet != QuietRule.Required && part.Ceiling is not null
        && part.Needs.Count > 0;

    private static string? SystemSent(Item item) => item switch
    {
        { Doubtful: true } => null,
        Flash { CanSend: true } flash => flash.RadioSystem,
        Trigger trigger => trigger.Sends,
        _ => null,
    };

    private static Need Lit(Need need) => !need.Light.Contains(LightKind.Flash) || need.Light.Contains(LightKind.Stands) ? need
        : need with { Light = [.. need.Light, LightKind.Stands], Stands = need.Stands ?? new StandLighting { DistanceM = UsualDistanceM } };
}
