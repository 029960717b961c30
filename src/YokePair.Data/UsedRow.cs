namespace YokePair.Data;

/// <summary>What the pictures of an assignment told, as it is kept.</summary>
public sealed class UsedRow
{
    public required string AssignmentKey { get; init; }

    /// <summary>When they were read, UTC.</summary>
    public DateTime At { get; set; }

    /// <summary>Counts every change.</summary>
    public int Revision { get; set; }

    /// <summary>Where they were read from.</summary>
    public required string Folder { get; set; }

    /// <summary>Where the delivered ones were; null = nobody said.</summary>
    public string? Delivered { get; set; }

    /// <summary>Files that could not be read, as JSON.</summary>
    public required byte[] Faulty { get; set; }

    /// <summary>What every picture told, packed; null once the assignment is archived: the figures stay.</summary>
    public byte[]? Roll { get; set; }

    /// <summary>What the day used, as JSON.</summary>
    public required byte[] Figures { get; set; }

    /// <summary>What was answered about it, as JSON.</summary>
    public required byte[] Told { get; set; }
}

/// <summary>Something that was asked once.</summary>
public sealed class AnswerRow
{
    /// <summary>What was asked.</summary>
    public required string Question { get; init; }

    public required string Answer { get; set; }
}
