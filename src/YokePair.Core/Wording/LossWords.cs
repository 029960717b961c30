using YokePair.Core.Plans;

namespace YokePair.Core.Wording;

/// <summary>How a kind of loss is told.</summary>
/// <param name="Row">A loss as a row of a table.</param>
/// <param name="Pulled">What is gone, after "without".</param>
/// <param name="One">One of the kind, in a count.</param>
/// <param name="Many">Several of the kind, in a count.</param>
internal sealed record LossTelling(Func<Names, string, string> Row, Func<Names, string, string> Pulled, string One, string Many);

/// <summary>The one table of what each kind of loss is called.</summary>
internal static class LossWords
{
    private static readonly Dictionary<LossKind, LossTelling> Table = new()
    {
        [LossKind.Item] = new((n, id) => n.Item(id), (n, id) => $"the {n.Item(id)}", "thing", "things"),
        [LossKind.Rig] = new((n, id) => $"{n.Item(id)} and all on it", (n, id) => $"the {n.Item(id)} and all on it", "camera with all on it",
            "cameras with all on them"),
        [LossKind.Place] = new((n, id) => n.Place(id), (n, id) => $"the {n.Place(id)} and all in it", "bag or place", "bags or places"),
        [LossKind.Person] = new((n, id) => $"{n.Person(id)} is absent", (n, id) => n.Person(id), "person", "people"),
        [LossKind.Radio] = new((_, id) => $"radio {id} is jammed", (_, id) => $"radio {id}", "radio system", "radio systems"),
        [LossKind.Batteries] = new((_, id) => $"{id} of another maker refused", (_, id) => $"the {id} of another maker", "type of battery refused",
            "types of batteries refused"),
        [LossKind.Cells] = new((_, id) => $"{Make(id)} turn out bad", (_, id) => $"all {Make(id)}", "make of cells", "makes of cells"),
        [LossKind.Old] = new((_, id) => $"the old {id} fail together", (_, id) => $"the old {id}", "old lot", "old lots"),
        [LossKind.Socket] = new((_, _) => "no socket works", (_, _) => "a socket", "socket", "sockets"),
        [LossKind.Own] = new((n, id) => n.Event(id), (n, id) => $"the things of \"{n.Event(id)}\"", "event of your own", "events of your own"),
    };

    /// <summary>Type and make of cells: AA ThirdParty.</summary>
    private static string Make(string id) => id.Split(' ') is [var type, var make] ? make switch
    {
        nameof(Plans.Make.Own) => $"{type} of the camera's maker",
        nameof(Plans.Make.Cheap) => $"cheap {type}",
        _ => $"{type} of another maker",
    } : id;

    public static string Row(Names names, LossKind kind, string id) => Table[kind].Row(names, id);

    public static string Pulled(Names names, LossKind kind, string id) => Table[kind].Pulled(names, id);

    public static string Count(LossKind kind, int count) => count == 1 ? Table[kind].One : Table[kind].Many;
}
