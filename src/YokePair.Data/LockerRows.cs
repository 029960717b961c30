namespace YokePair.Data;

/// <summary>A thing of the locker, what the owner knows of a pair of them, or a kind of part of their own, as the JSON its file would hold.</summary>
public sealed class LockerRow
{
    /// <summary>The thing's id; for a pair, both ids in order behind <see cref="PairPrefix"/>.</summary>
    public required string Key { get; init; }

    /// <summary>Counts its changes, over its deletion and return.</summary>
    public required int Revision { get; set; }

    public required byte[] Json { get; set; }

    internal const string PairPrefix = "pair:";

    /// <summary>Before the id of a kind of part that is the user's own.</summary>
    internal const string KindPrefix = "kind:";

    internal static string KeyOf(string a, string b) => PairPrefix + (string.CompareOrdinal(a, b) < 0 ? $"{a}|{b}" : $"{b}|{a}");
}

/// <summary>One change of the locker, kept for undo and redo.</summary>
public sealed class LockerEditRow
{
    public required int Number { get; init; }

    public required string Label { get; init; }

    /// <summary>JSON by key before it, null where there was none.</summary>
    public required byte[] Before { get; init; }

    /// <summary>JSON by key after it, null where there is none.</summary>
    public required byte[] After { get; init; }

    /// <summary>Revision it gave to what it touched, by its making, undoing or redoing, whichever was last.</summary>
    public int Revision { get; set; }

    public bool Undone { get; set; }
}
