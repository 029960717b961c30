using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>A rig some of whose things are one of many alike.</summary>
/// <param name="kit">The kit.</param>
/// <param name="whole">The rig with the first of each.</param>
/// <param name="alike">Numbers of those in it that have twins.</param>
internal sealed class TwinRig(Kit kit, Rig whole, int[] alike)
{
    public Rig Whole => whole;

    public bool AreHit(bool[] failed) => Array.Exists(alike, i => !kit.Twins.Works(i, failed));

    /// <summary>The rig with those that were taken.</summary>
    /// <param name="taken">In the order of those with twins.</param>
    // Long: every field of a rig, each taken over or exchanged.
    public Rig Taking(int[] taken)
    {
        if (taken.AsSpan().SequenceEqual(alike)) return whole;
        int[] items = [.. whole.Items];
        for (var i = 0; i < alike.Length; i++) items[Array.IndexOf(items, alike[i])] = taken[i];
        // Of two alike in one rig, the sender comes first and the spare on a stand after it.
        var spare = whole.Lights?.StandIn is { } stood && Array.LastIndexOf(alike, stood) is var at and >= 0 ? taken[at] : whole.Lights?.StandIn;
        return whole with
        {
            Items = items,
            Fitted = whole.Fitted is { } fitted ? Taken(fitted) : null,
            Flash = Other(whole.Flash),
            Sender = Other(whole.Sender),
            Filters = [.. whole.Filters.Select(Other)],
            Lights = spare is { } other ? whole.Lights!.With(other) : whole.Lights,
        };

        int Other(int item) => Array.IndexOf(alike, item) is var at and >= 0 ? taken[at] : item;

        FittedGlass Taken(FittedGlass fitted)
        {
            int[] pieces = [.. fitted.Pieces.Select(Other)];
            var glass = fitted.Glass;
            return fitted with
            {
                Body = Other(fitted.Body),
                Pieces = pieces,
                Items = [Other(fitted.Body), .. pieces],
                Glass = glass with
                {
                    Body = (Body)kit.Items[Other(fitted.Body)],
                    Lens = (Lens)Named(glass.Lens)!,
                    Converter = (Converter?)Named(glass.Converter),
                    Tube = (Tube?)Named(glass.Tube),
                    Adapter = (Adapter?)Named(glass.Adapter),
                },
            };
        }

        Item? Named(Item? piece) => piece is null ? null : kit.Items[Other(kit.IndexOf(piece.Id))];
    }
}
