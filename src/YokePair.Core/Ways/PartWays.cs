using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>One part worked out: where things are, every rig each person can raise, and the ways of each need.</summary>
internal sealed class PartWays
{
    private readonly Dictionary<int, RoomLights> lights = [];
    private readonly Dictionary<(int Actor, int Body), OptionGroup[]> supports = [];
    private readonly Dictionary<(int Actor, int Thing), Ask[]?> powers = [];
    private AidedRigs?[] aided;

    /// <param name="kit">The kit.</param>
    /// <param name="part">The part.</param>
    /// <param name="asked">By position, whether a need's ways are asked for; the others have none here.</param>
    public PartWays(Kit kit, Part part, Func<int, bool> asked)
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
        WholeRigs = [.. Rigs.Select(r => Whole(r).Rig)];
        aided = new AidedRigs?[Rigs.Count];
        Help = new AidedWays(this);
        LeftAlone = [.. FindLeftAlone()];
        Needs = [.. part.Needs.Select((n, at) => new BandedWays(n, asked(at) ? [.. n.Bands(part).Select(band => NeedWays.For(this, band))] : []))];
        // What no need took is let go.
        aided = [];
        (Help, Found) = (null!, null!);
    }

    public Kit Kit { get; }

    public Part Part { get; }

    public PartLayout Layout { get; }

    public IReadOnlyList<Rig> Rigs { get; }

    /// <summary>The same, as a way takes them; null where a small part cannot be had.</summary>
    public IReadOnlyList<Rig?> WholeRigs { get; }

    /// <summary>Cameras that work by themselves.</summary>
    public IReadOnlyList<Rig> LeftAlone { get; }

    public BandedWays[] Needs { get; }

    /// <summary>The lights of the room, as a person can use them.</summary>
    public RoomLights LightsFor(int actor)
    {
        if (!lights.TryGetValue(actor, out var room)) lights.Add(actor, room = new RoomLights(Kit, Layout, actor));
        return room;
    }

    /// <summary>A rig with what can help it.</summary>
    /// <param name="rig">Its position among the rigs.</param>
    public AidedRigs Aided(int rig) => aided[rig] ??= new AidedRigs(this, Rigs[rig]);

    /// <summary>Room for the ways of one need after another while they are looked for.</summary>
    public List<Candidate> Found { get; private set; } = [];

    /// <summary>What helps a rig for one need after another.</summary>
    public AidedWays Help { get; private set; }

    /// <summary>A rig as a way takes it: with its small parts, and with a choice among what is alike.</summary>
    public AidedRig Whole(Rig? rig)
    {
        var together = rig is null ? Quality.No : Kit.Pairings.Of(rig.Items);
        if (Kit.SmallParts.Any) rig = rig?.WithSmallParts(Kit, Layout);
        if (Kit.Twins.Any) rig = rig?.WithTwins(Kit);
        return new AidedRig(rig, together);
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

    /// <summary>A rig on whatever carries it.</summary>
    public IEnumerable<Rig> Supported(Rig plain)
    {
        var key = (plain.Actor, plain.Fitted!.Body);
        if (!supports.TryGetValue(key, out var groups)) supports.Add(key, groups = Supplies.SupportsFor(Kit, Layout, plain.Actor, plain.Fitted.Body));
        if (groups.Length > 0) yield return plain.WithSupport(groups);
        if (!Kit.SmallParts.Any) yield break;
        foreach (var support in Kit.Supports)
            if (Kit.SmallParts.Serve(support) && plain.WithSupport(Kit, Layout, support) is { } on) yield return on;
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
                yield return Rig.Alone(fitted, owner, Kit.Plan.People.Count + s, inside, Kit.IndexOf(setup.Trigger),
                    Supplies.SendersFor(Kit, Layout, owner, setup.Trigger));
        }
    }
}
