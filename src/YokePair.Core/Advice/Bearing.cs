using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Advice;

/// <summary>
/// What could have a part in any way of meeting a need, wherever it lay and whoever had it. What could not need not be tried: moving, mounting or
/// packing it changes no way.
/// </summary>
internal sealed class Bearing
{
    private readonly DayAnalysis day;
    private readonly Part part;
    private readonly Need need;
    private readonly bool all;
    private readonly HashSet<string> glass;
    private readonly HashSet<string?> batteries;
    private readonly bool lit;

    public Bearing(DayAnalysis day, Part part, Need need)
    {
        (this.day, this.part, this.need) = (day, part, need);
        // What another need of the moment wants bears on this one too, and a role may be anything's.
        all = need.Role is not null || need.Moment is not null;
        var serving = all ? [] : day.Kit.Glass.Select(g => g.Glass).Where(Has).ToList();
        glass = serving.SelectMany(g => g.Pieces.Append(g.Body)).Select(i => i.Id).ToHashSet(StringComparer.Ordinal);
        lit = need.Light.Any(l => l != LightKind.Ambient);
        batteries = serving.Select(g => (string?)g.Body.BatteryType).ToHashSet(StringComparer.Ordinal);
    }

    /// <summary>Whether glass on a body could make the picture, with whatever help there is.</summary>
    public bool Has(GlassOnBody on) => all || SetupBounds.Serves(day.Kit, part, need, on).Some;

    /// <summary>Whether a thing could have a part in it, be it packed or not.</summary>
    public bool Has(Item item) => all || item switch
    {
        Body or Lens or Adapter or Converter or Tube => glass.Contains(item.Id) || (day.Kit.IndexOf(item.Id) == Kit.None && Fitted(item).Any(Has)),
        Battery battery => lit || batteries.Contains(battery.Type),
        Flash or Cells or Trigger => lit,
        _ => true,
    };

    /// <summary>A thing that is not packed with all that is, in every chain it is part of.</summary>
    private IEnumerable<GlassOnBody> Fitted(Item item)
    {
        var plan = day.Plan;
        var beside = plan.Items.Where(i => item switch
        {
            Body => i is not Body,
            Lens => i is not Lens,
            _ => true,
        });
        var with = plan with { Items = [.. beside, item] };
        return with.Items.OfType<Body>().SelectMany(b => GlassOnBody.Fitting(b, with)).Where(g => g.Body == item || g.Pieces.Contains(item));
    }
}
