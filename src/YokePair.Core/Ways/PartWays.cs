using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>One part worked out: where things are, every rig each person can raise, and the ways of each need.</summary>
internal sealed class PartWays
{
    private readonly Dictionary<int, RoomLights> lights = [];
    private readonly Dictionary<(int Actor, int Body), OptionGroup[]> supports = [];
    private readonly Dictionary<(int Actor, int Thing), Ask[]?> powers = [];

    public PartWays(Kit kit, Part part)
    {
        Kit = kit;
        Part = part;
        Layout = new PartLayout(kit, part);
        var rigs = new List<Rig>();
        foreach (var actor in Layout.Actors)
        {
            var supplies = new Dictionary<int, Supplies>();
            foreach (var fitted in kit.Glass)
            {
                if (double.IsPositiveInfinity(Layout.Cost(actor, Layout.SourceOf(fitted.Body)))) continue;
                if (!supplies.TryGetValue(fitted.Body, out var own))
                    supplies.Add(fitted.Body, own = Supplies.For(kit, Layout, actor, fitted.Body));
                if (Rig.Create(kit, Layout, fitted, actor, own) is { } rig) rigs.Add(rig);
            }
        }
        Rigs = [.. rigs.OrderBy(r => r.Seconds)];
        LeftAlone = [.. FindLeftAlone()];
        Needs = [.. part.Needs.Select(n => new BandedWays(n, [.. n.Bands(part).Select(band => NeedWays.For(this, band))]))];
    }

    public Kit Kit { get; }

    public Part Part { get; }

    public PartLayout Layout { get; }

    public IReadOnlyList<Rig> Rigs { get; }

    /// <summary>Cameras that work by themselves.</summary>
    public IReadOnlyList<Rig> LeftAlone { get; }

    public BandedWays[] Needs { get; }

    /// <summary>The lights of the room, as a person can use them.</summary>
    public RoomLights LightsFor(int actor)
    {
        if (!lights.TryGetValue(actor, out var room)) lights.Add(actor, room = new RoomLights(Kit, Layout, actor));
        return room;
    }

    /// <summary>Tripods and monopods for a rig.</summary>
    public OptionGroup[] SupportsFor(Rig rig)
    {
        var key = (rig.Actor, rig.Fitted!.Body);
        if (!supports.TryGetValue(key, out var groups)) supports.Add(key, groups = Supplies.SupportsFor(Kit, Layout, rig.Actor, rig.Fitted.Body));
        return groups;
    }

    /// <summary>What a flash, trigger or lamp wants of cells or batteries; null when it wants some and there are none.</summary>
    public Ask[]? PowerFor(int actor, int thing)
    {
        var key = (actor, thing);
        if (powers.TryGetValue(key, out var asks)) return asks;
        var (kind, groups) = Kit.Items[thing] is StandLight
            ? (Want.Battery, Supplies.BatteriesFor(Kit, Layout, actor, thing))
            : (Want.Cells, Supplies.CellsFor(Kit, Layout, actor, thing));
        asks = groups is null ? [] : groups.Length == 0 ? null : [new Ask(kind, groups)];
        powers.Add(key, asks);
        return asks;
    }

    private IEnumerable<Rig> FindLeftAlone()
    {
        for (var s = 0; s < Part.Setups.Count; s++)
        {
            var setup = Part.Setups[s];
            if (setup.Unattended != true || setup.Body is null) continue;
            var body = Kit.IndexOf(setup.Body);
            var owner = Layout.PersonIndex(setup.Person);
            var inside = Supplies.Inside(Kit, Layout, owner, body, new Endurance(Kit.Plan, Part));
            if (Array.Find(Kit.Glass, g => g.Body == body && !Rig.IsChanged(Layout.OnBody(body), g)) is { } fitted)
                yield return Rig.Alone(fitted, owner, Kit.Plan.People.Count + s, inside, Kit.IndexOf(setup.Trigger), Supplies.SendersFor(Kit, Layout, owner, setup.Trigger));
        }
    }
}
