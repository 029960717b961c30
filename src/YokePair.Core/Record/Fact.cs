namespace YokePair.Core.Record;

/// <summary>
/// Something that happened to a card, to what holds a charge, or to a line of a list. Facts are added and never changed; what is so now is
/// folded from them.
/// </summary>
/// <param name="Kind">What happened.</param>
/// <param name="Thing">Id of the card, battery, pack or what else it is; of a tick, of the line.</param>
/// <param name="At">When, UTC.</param>
/// <param name="Day">Key of the assignment it happened on.</param>
/// <param name="Who">Who has the card, or the copy, from then on.</param>
/// <param name="Where">The camera it was put into, what it lies in, or the drive a copy is on.</param>
/// <param name="With">Id of the card in the other slot, which takes the same pictures.</param>
/// <param name="OnTheWay">Whether it is not there yet: no place counts that nothing has reached.</param>
/// <param name="Words">What was typed to clear it all the same, or to leave all the same; what the line said that was ticked.</param>
/// <param name="Left">Share of a full charge it has from then on; null = full.</param>
/// <param name="IsJpeg">Whether a card that is put in takes the JPEGs only.</param>
/// <param name="Origin">Which phone noted it, and its number there: told twice it is one fact. Null = noted here.</param>
public sealed record Fact(
    FactKind Kind, string Thing, DateTime At, string? Day = null, string? Who = null, string? Where = null, string? With = null, bool OnTheWay = false,
    string? Words = null, double? Left = null, bool IsJpeg = false, string? Origin = null);

/// <summary>What happens.</summary>
public enum FactKind
{
    /// <summary>Put into a camera.</summary>
    Put,

    /// <summary>Taken out of a camera, or handed on: somebody else has it, or it lies elsewhere.</summary>
    Taken,

    /// <summary>All of it was copied.</summary>
    Copied,

    /// <summary>A copy was read back and is the same.</summary>
    Verified,

    /// <summary>Formatted, as there are copies enough.</summary>
    Cleared,

    /// <summary>Formatted all the same.</summary>
    Overridden,

    /// <summary>Holds settings: it is never shot on nor cleared.</summary>
    Settings,

    /// <summary>Turned out to be somebody else's.</summary>
    NotOurs,

    /// <summary>An ordinary card again.</summary>
    Ours,

    /// <summary>Dead, stolen or not to be found.</summary>
    Lost,

    /// <summary>Put on charge until it was full.</summary>
    Charged,

    /// <summary>Taken out with something left, or done with for the day.</summary>
    Changed,

    /// <summary>A line of a list was ticked.</summary>
    Ticked,

    /// <summary>A line of a list was opened again.</summary>
    Unticked,

    /// <summary>Somebody left for the assignment.</summary>
    Departed,

    /// <summary>A thing, a camera with all on it, a bag or somebody failed on the day.</summary>
    Failed,

    /// <summary>It works again, or is there again.</summary>
    Mended,

    /// <summary>The day was late from a part on.</summary>
    Slid,

    /// <summary>What a camera showed that it has left.</summary>
    Read,
}

/// <summary>What facts are about.</summary>
public static class FactKinds
{
    /// <summary>Whether it is something that happens to a card.</summary>
    public static bool IsOfCards(this FactKind kind) => kind < FactKind.Charged;
}
