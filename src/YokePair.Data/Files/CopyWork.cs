namespace YokePair.Data.Files;

/// <summary>A folder copied into bags, or a bag read again.</summary>
/// <param name="Source">Full path of what is copied; of a bag that is read again the bag.</param>
/// <param name="Targets">Full paths of the folders that bags go into; none = the bag is read again.</param>
/// <param name="Name">Name of the bag.</param>
public sealed record CopyWork(string Source, IReadOnlyList<string> Targets, string Name);

/// <summary>How far it is.</summary>
/// <param name="Phase">What is done now.</param>
/// <param name="Copied">Bytes that have been copied, or had arrived before.</param>
/// <param name="Read">Bytes that have been read back, of all bags together.</param>
/// <param name="Total">Bytes that are copied and read back in all.</param>
/// <param name="File">Name of the file at hand.</param>
public readonly record struct CopyStep(CopyPhase Phase, long Copied, long Read, long Total, string File);

/// <summary>What is done.</summary>
public enum CopyPhase
{
    /// <summary>Waits for another on the same device.</summary>
    Waiting,

    /// <summary>Copies.</summary>
    Copying,

    /// <summary>Reads back.</summary>
    Reading,

    /// <summary>Everything is there and was read back.</summary>
    Safe,

    /// <summary>Something is not safe.</summary>
    NotSafe,

    /// <summary>Was stopped; it can be gone on with.</summary>
    Stopped,
}

/// <summary>A file that is not safe.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Why">Why.</param>
public sealed record UnsafeFile(string Name, string Why);

/// <summary>What came of it.</summary>
/// <param name="Files">Files that are safe in every target that was not given up.</param>
/// <param name="Unsafe">Files that are not; with any the bags keep the names of unfinished ones.</param>
/// <param name="Problem">What ended it before its time; null = nothing.</param>
public sealed record CopyResult(int Files, IReadOnlyList<UnsafeFile> Unsafe, string? Problem)
{
    /// <summary>Targets that took no more, and were given up so that the others have everything.</summary>
    public IReadOnlyList<UnsafeFile> GivenUp { get; init; } = [];

    /// <summary>Whether everything is safe in the targets that were not given up.</summary>
    public bool IsSafe => Problem is null && Unsafe.Count == 0;

    /// <summary>Whether everything is safe everywhere.</summary>
    public bool IsWhole => IsSafe && GivenUp.Count == 0;

    /// <summary>What went wrong before every file was safe everywhere, in words; null where that is told file by file.</summary>
    public string? Said => Problem ?? (GivenUp.Count == 0 ? null
        : string.Join(' ', GivenUp.Select(g => $"{g.Name} {g.Why} What has arrived there is kept.").Append($"Elsewhere {Files} files are safe.")));
}
