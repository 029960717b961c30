using YokePair.Core.Optics;

namespace YokePair.Core.Ways;

/// <summary>One set of things that meets a need, by item numbers.</summary>
/// <param name="Rig">Person, body, glass, light.</param>
/// <param name="Quality">Full or second best.</param>
/// <param name="Seconds">Seconds to bring it into use.</param>
/// <param name="Picks">Cards, battery, cells and support, each with the group it was taken from.</param>
internal sealed record Way(Rig Rig, Quality Quality, double Seconds, Pick[] Picks)
{
    /// <summary>A way of a rig with its asks filled; of twins it names those that were taken.</summary>
    public static Way Of(Rig rig, Quality quality, double seconds, Pick[] picks) => rig.Twins is not { } twins
        ? new Way(rig, quality, seconds, picks)
        : new Way(twins.Taking([.. picks.Where(p => p.Want == Want.Twin).Select(p => p.Item)]), quality, seconds, [.. picks.Where(p => p.Want != Want.Twin)]);

    public bool Uses(int item)
    {
        if (Array.IndexOf(Rig.Items, item) >= 0) return true;
        foreach (var pick in Picks)
            if (pick.Item == item) return true;
        return false;
    }

    /// <summary>Whether it asks something of a person: that they act, hand over what they hold or carry, or hold a light.</summary>
    public bool Asks(PartLayout layout, int person)
    {
        if (Rig.Actor == person || Rig.Sources.Concat(Picks.Select(p => p.From.Source)).Any(s => layout.OwnerOf(s) == person)) return true;
        // A light or a relay in somebody's hands is a thing of the way, who holds it is not.
        return (Rig.Sender != Kit.None || Rig.Lights is not null)
            && (layout.Part.Lights ?? []).Any(l => l.Holder is { } holder && layout.PersonOrNone(holder) == person);
    }

    public IEnumerable<int> Items => Rig.Items.Concat(Picks.Select(p => p.Item));
}

/// <summary>What a pick is for.</summary>
internal enum Want
{
    Battery,
    Card,
    Cells,
    Support,
    Sender,

    /// <summary>A small part something else of the way cannot be used without.</summary>
    SmallPart,

    /// <summary>Which of things that are all alike.</summary>
    Twin,
}

/// <summary>A thing taken from a group of interchangeable ones.</summary>
internal readonly record struct Pick(Want Want, int Item, OptionGroup From);

/// <summary>A rig that serves a need, and how well; supplies may make it worse, never better.</summary>
internal readonly record struct Candidate(Rig Rig, Quality Quality)
{
    /// <summary>Whether the rig with these picks is as one would choose it: nothing second best in it, and as many records as asked.</summary>
    public bool IsSound(ReadOnlySpan<Pick> picks, bool dualRecord, Pairings pairings)
    {
        if (Quality != Quality.Full) return false;
        var cards = 0;
        for (var i = 0; i < picks.Length; i++)
        {
            if (picks[i].From.IsLesser || pairings.Joining(picks[i].Item, Rig, picks[..i]) != Quality.Full) return false;
            if (picks[i].Want == Want.Card) cards++;
        }
        return Rig.Cards is null || !dualRecord || cards == 2;
    }
}
