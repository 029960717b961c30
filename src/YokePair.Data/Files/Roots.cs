namespace YokePair.Data.Files;

/// <summary>Why a folder cannot be copied from or to.</summary>
/// <param name="field">What was asked for.</param>
/// <param name="message">What is wrong, and what would do.</param>
public sealed class CopyRefusedException(string field, string message) : Exception(message)
{
    /// <summary>What was asked for.</summary>
    public string Field { get; } = field;
}

/// <summary>The folders that may be read and written: nothing outside of them is touched, and no link is followed out of them.</summary>
/// <param name="allowed">Full paths.</param>
public sealed class Roots(IEnumerable<string> allowed)
{
    /// <summary>Full paths, without an end slash.</summary>
    public IReadOnlyList<string> All { get; } = [.. allowed.Select(r => Path.TrimEndingDirectorySeparator(Path.GetFullPath(r)))
        .Distinct(StringComparer.Ordinal)];

    /// <summary>The full path of a folder in one of them.</summary>
    /// <exception cref="CopyRefusedException">It lies in none, or a link leads to it.</exception>
    public string Inside(string field, string path)
    {
        if (path.Contains('\0', StringComparison.Ordinal) || !Path.IsPathRooted(path)) throw new CopyRefusedException(field, "is no full path of a folder");
        var full = Path.TrimEndingDirectorySeparator(Path.GetFullPath(path));
        var known = All.Count == 0 ? "none were named at the start with --roots" : string.Join(", ", All);
        var root = RootOf(full) ?? throw new CopyRefusedException(field, $"is in none of the folders that may be used: {known}");
        for (var at = full; at.Length > root.Length; at = Path.GetDirectoryName(at)!)
            if (new DirectoryInfo(at).LinkTarget is not null || new FileInfo(at).LinkTarget is not null)
                throw new CopyRefusedException(field, $"goes through a link, {at}; name the folder itself");
        return full;
    }

    /// <summary>Which of them a full path lies in: what is on one device waits its turn.</summary>
    public string? RootOf(string full) =>
        All.FirstOrDefault(r => full.Equals(r, StringComparison.Ordinal) || full.StartsWith(r + Path.DirectorySeparatorChar, StringComparison.Ordinal));

    /// <summary>They themselves, and the folders directly in them.</summary>
    public IReadOnlyList<string> Folders() => [.. All.Where(Directory.Exists).SelectMany(r => In(r).Prepend(r))];

    private static IOrderedEnumerable<string> In(string root) =>
        Directory.EnumerateDirectories(root, "*", PlainFolders).Where(d => !Path.GetFileName(d).StartsWith('.')).Order(StringComparer.Ordinal);

    /// <summary>Folders as they are, without links.</summary>
    private static readonly EnumerationOptions PlainFolders = new() { AttributesToSkip = FileAttributes.ReparsePoint, IgnoreInaccessible = true };
}
