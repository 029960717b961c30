using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Wording;

namespace YokePair.Core.Lists;

/// <summary>What a day is worth without some of its things, read off its smallest sets of things that cost a picture.</summary>
internal sealed class Prices
{
    private readonly List<(string Part, Need Need, int Strands, IReadOnlyList<string[]> Cuts)> needs;
    /// <summary>The smallest sets are known up to so many things; what more things cost together is tried.</summary>
    private const int Known = 3;

    private readonly DayAnalysis day;
    private readonly Plan plan;
    private readonly PowerPlan power;
    private readonly Names names;

    public Prices(DayAnalysis day, PowerPlan power)
    {
        (this.day, plan, this.power, names) = (day, day.Plan, power, new Names(day.Plan));
        needs =
        [
            .. day.Parts.OrderBy(p => p.Part.Start).SelectMany(p => p.Needs.Where(n => n.Need.Importance != Importance.Nice && n.Outcome.IsMet())
                .Select(n => (p.Part.Id, n.Need, n.Strands, (IReadOnlyList<string[]>)[.. n.Cuts.Select(c => c.Select(i => day.Kit.Items[i].Id).ToArray())])))
                .OrderBy(n => n.Need.Importance == Importance.Once ? 0 : 1),
        ];
    }

    /// <summary>What it costs if things are not there.</summary>
    /// <param name="gone">Their ids.</param>
    /// <param name="part">Id of the part whose pictures count alone; null = all of the day.</param>
    /// <returns>The cost, and what it says of it; null where no picture is worse for it.</returns>
    public (LineCost Cost, string? Why) Without(IReadOnlyCollection<string> gone, string? part = null)
    {
        var lost = gone.Count > Known ? Lost(gone) : [];
        var worst = needs.Where(n => part is null || n.Part == part)
            .Select(n => (n.Need, Left: lost.Contains((n.Part, n.Need.Id)) ? 0 : Left(n.Strands, n.Cuts, gone), Before: n.Strands))
            .Where(n => n.Left < n.Before).OrderBy(n => n.Left).FirstOrDefault();
        var dark = part is null ? Dark(gone) : null;
        if (dark is { } found && (worst.Need is null || worst.Left > found.Cost.Strands)) return found;
        if (worst.Need is null) return (LineCost.None, null);
        var price = worst.Left > 1 ? LinePrice.Comfort : worst.Need.Importance == Importance.Once ? LinePrice.Once : LinePrice.Picture;
        return (new LineCost(price, worst.Left), worst.Left switch
        {
            0 => $"without it no {worst.Need.Label}",
            1 => $"without it {worst.Need.Label} hangs by one thing",
            _ => null,
        });
    }

    /// <summary>The cost of a need that goes wrong.</summary>
    public static LinePrice Of(Need need) => need.Importance switch
    {
        Importance.Once => LinePrice.Once,
        Importance.Must => LinePrice.Picture,
        _ => LinePrice.Comfort,
    };

    private HashSet<(string, string)> Lost(IReadOnlyCollection<string> gone)
    {
        var then = day.Without(gone.Select(id => new Pulled(id)));
        return [.. then.Outcomes.SelectMany(p => p.Needs.Where(n => !n.Outcome.IsMet()).Select(n => (p.Part.Id, n.Need.Id)))];
    }

    private static int Left(int strands, IReadOnlyList<string[]> cuts, IReadOnlyCollection<string> gone)
    {
        foreach (var cut in cuts) strands = Math.Min(strands, cut.Length - cut.Count(gone.Contains));
        return strands;
    }

    /// <summary>Batteries and cells that are counted: with fewer than the busy day takes something goes dark.</summary>
    private (LineCost Cost, string? Why)? Dark(IReadOnlyCollection<string> gone)
    {
        (LineCost, string?)? worst = null;
        foreach (var type in power.Types)
        {
            var left = type.Ready - gone.Count(id => plan.ItemOf(id)?.ChargeType() == type.Type);
            if (left == type.Ready || left >= type.Wanted) continue;
            var cost = new LineCost(DrawsInOnce(type.Type) ? LinePrice.Once : LinePrice.Picture, left < type.Used ? 0 : 1);
            if (worst is null || cost.Strands < worst.Value.Item1.Strands)
                worst = (cost, left < type.Used ? $"with {left} {type.Type} left something goes dark" : $"with one {type.Type} dead something goes dark");
        }
        return worst;
    }

    private bool DrawsInOnce(string type) => power.Bands.Any(b => TypeOf(b.Device) == type && b.Levels.Any(l => plan.PartOf(l.Part)?.HoldsOnce == true));

    private string? TypeOf(string device) => plan.ItemOf(device) switch
    {
        Body body => body.BatteryType,
        Flash flash => flash.CellsType,
        Trigger trigger => trigger.CellsType,
        StandLight light => light.BatteryType,
        _ => null,
    };

    /// <summary>What things are called, one after the other.</summary>
    public string List(IEnumerable<string> ids) => Basics.English.List([.. ids.Select(names.Item)]);
}
