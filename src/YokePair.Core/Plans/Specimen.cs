namespace YokePair.Core.Plans;

/// <summary>What makes a thing this one and no other: the one list of it.</summary>
public static class Specimen
{
    /// <summary>The same without what is true of one specimen alone: its number, its history, what is noted of it.</summary>
    public static Item Unmarked(this Item item) => item with { Number = null, Serial = null, FirstUse = null, ServiceDue = null, Cycles = null, Notes = null };

    /// <summary>The same without word of whether it can be had: that is the locker's to say, day by day.</summary>
    public static Item AtHand(this Item item) => item with { Status = null, From = null, To = null };

    /// <summary>Whether two plans speak of one thing: ids alone may be alike by chance in files of others.</summary>
    public static bool IsOneWith(this Item item, Item other) => item.Id == other.Id && item.Label == other.Label && (item, other) switch
    {
        (Body a, Body b) => a.Mount.SequenceEqual(b.Mount),
        (Lens a, Lens b) => a.Mount == b.Mount,
        _ => item.GetType() == other.GetType(),
    };
}
