using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Failure;

/// <summary>
/// What pulls take out of a day, part by part. A dropped camera takes along what is on it when it goes, a stolen bag what is in
/// it then; a person takes nobody else's hands; a jammed radio leaves its things to work by themselves.
/// </summary>
internal sealed class Outage
{
    private readonly List<(Pulled Pull, HashSet<int> Items)> things = [];
    private readonly Dictionary<string, Kit> deaf = new(StringComparer.Ordinal);

    /// <param name="plan">The plan.</param>
    /// <param name="pulled">What is pulled.</param>
    /// <param name="like">A kit made before, of which what still holds is taken over.</param>
    public Outage(Plan plan, IReadOnlyList<Pulled> pulled, Kit? like = null)
    {
        Pulled = pulled;
        var absent = pulled.Where(p => p.Kind == LossKind.Person).ToList();
        Plan = absent.Count == 0 ? plan : plan with
        {
            Parts = [.. plan.Parts.Select(part => Without(plan, part,
                [.. absent.Where(p => Day.Lasts(plan, part, p.FromPart, p.UntilPart)).Select(p => p.Item)]))],
        };
        Kit = new Kit(Plan, like);
        foreach (var pull in pulled.Where(p => !IsNoThing(p)))
            things.Add((pull, [.. pull.Kind == LossKind.Item && Plan.ItemOf(pull.Item) is not Case
                ? new[] { Kit.IndexOf(pull.Item) }.Where(i => i != Kit.None) : Along(pull)]));
        foreach (var systems in Plan.Parts.Select(Jammed).Where(s => s.Count > 0).DistinctBy(Key)) deaf[Key(systems)] = new Kit(Jammed(Plan, systems), Kit);
    }

    /// <summary>What is pulled.</summary>
    public IReadOnlyList<Pulled> Pulled { get; }

    /// <summary>The plan in which those who are absent are not present.</summary>
    public Plan Plan { get; }

    /// <summary>Its things.</summary>
    public Kit Kit { get; }

    /// <summary>The things as they are in a part: by a jammed radio none sends or hears.</summary>
    public Kit KitOf(Part part) => deaf.Count > 0 && Jammed(part) is { Count: > 0 } systems ? deaf[Key(systems)] : Kit;

    /// <summary>Whether there is a socket that works in a part.</summary>
    public bool HasSocket(Part part) => part.Socket == true && !Pulled.Any(p => p.Kind == LossKind.Socket && Lasts(p, part));

    /// <summary>Whether a thing is gone in a part.</summary>
    public bool IsGone(int item, Part part) => things.Exists(t => t.Items.Contains(item) && Lasts(t.Pull, part));

    /// <summary>Numbers of the things that are gone in a part.</summary>
    public IEnumerable<int> GoneIn(Part part) => things.Where(t => Lasts(t.Pull, part)).SelectMany(t => t.Items);

    /// <summary>Ids of the people who are absent in a part.</summary>
    public IEnumerable<string> AbsentIn(Part part) => Pulled.Where(p => p.Kind == LossKind.Person && Lasts(p, part)).Select(p => p.Item);

    /// <summary>Whether a thing is left because it is in a hand just when the bag it belongs in, or the camera it belongs on, goes.</summary>
    public bool IsSaved(Part part, string item)
    {
        var at = Kit.IndexOf(item);
        return things.Exists(t => At(t.Pull)?.Id == part.Id && t.Pull.Kind switch
        {
            LossKind.Place => Kit.PackedIn(at) == t.Pull.Item,
            LossKind.Rig or LossKind.Item => Kit.Bearers(at).Any(t.Items.Contains),
            _ => false,
        });
    }

    /// <summary>Ids of the things that are gone with a pull.</summary>
    public IReadOnlyList<string> ItemsOf(Pulled pull) => [.. things.Where(t => t.Pull == pull).SelectMany(t => t.Items).Order().Select(i => Kit.Items[i].Id)];

    /// <summary>The same with each thing by itself: what went along with a camera or a bag has gone, wherever it would be with other setups.</summary>
    public IReadOnlyList<Pulled> AsThings =>
    [
        .. Pulled.Where(IsNoThing),
        .. things.SelectMany(t => t.Items.Select(i => new Pulled(Kit.Items[i].Id, t.Pull.FromPart, t.Pull.UntilPart))),
    ];

    /// <summary>Whether a way in a part, told by its person and things, is cut.</summary>
    public bool Cuts(Part part, string person, IEnumerable<string> items)
    {
        if (AbsentIn(part).Contains(person)) return true;
        var systems = Jammed(part);
        return items.Select(Kit.IndexOf).Any(i => IsGone(i, part) || SystemsOf(Kit.Items[i]).Any(systems.Contains));
    }

    /// <summary>Whether in a part the same is gone as by another.</summary>
    public bool IsSameIn(Part part, Outage other) =>
        (things.Count == 0 && other.things.Count == 0 || GoneIn(part).ToHashSet().SetEquals(other.GoneIn(part))) && Jammed(part)
            .SequenceEqual(other.Jammed(part));

    /// <summary>A part without some people.</summary>
    public static Part Without(Plan plan, Part part, IReadOnlyList<string> people) =>
        people.Count == 0 ? part : part with { Present = [.. (part.Present ?? [.. plan.People.Select(p => p.Id)]).Where(id => !people.Contains(id))] };

    /// <summary>A plan in which nothing sends or hears by some radio systems.</summary>
    public static Plan Jammed(Plan plan, IReadOnlyList<string> systems) => plan with { Items = [.. plan.Items.Select(i => systems.Aggregate(i, Deaf))] };

    /// <summary>Radio systems a thing sends or hears by.</summary>
    public static IEnumerable<string> SystemsOf(Item item) => item switch
    {
        Flash { RadioSystem: { } system } => [system],
        Trigger trigger => new[] { trigger.Sends, trigger.Hears }.OfType<string>(),
        _ => [],
    };

    private static Item Deaf(Item item, string system) => item switch
    {
        Flash flash when flash.RadioSystem == system => flash with { RadioSystem = null, CanSend = null, CanHear = null },
        Trigger trigger => trigger with { Sends = trigger.Sends == system ? null : trigger.Sends, Hears = trigger.Hears == system ? null : trigger.Hears },
        _ => item,
    };

    /// <summary>Whether with a pull more than things is gone.</summary>
    private static bool IsNoThing(Pulled pull) => pull.Kind is LossKind.Person or LossKind.Radio or LossKind.Socket;

    private static string Key(List<string> systems) => string.Join('\n', systems);

    private List<string> Jammed(Part part) => [.. Pulled.Where(p => p.Kind == LossKind.Radio && Lasts(p, part)).Select(p => p.Item)
        .Order(StringComparer.Ordinal)];

    private bool Lasts(Pulled pull, Part part) => Day.Lasts(Plan, part, pull.FromPart, pull.UntilPart);

    /// <summary>What goes along, as it lies and hangs when it goes.</summary>
    private int[] Along(Pulled pull)
    {
        if (Losses.Find(Kit, pull.Kind, pull.Item)?.ItemsIn is not { } itemsIn || At(pull) is not { } at) return [];
        return itemsIn(new PartLayout(Kit, at));
    }

    /// <summary>The part in which a pull happens; null on a day without parts.</summary>
    private Part? At(Pulled pull) => Plan.PartOf(pull.FromPart) ?? (Day.InOrder(Plan) is [var first, ..] ? first : null);
}
