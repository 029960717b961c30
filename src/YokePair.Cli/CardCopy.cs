using YokePair.Data.Files;

namespace YokePair.Cli;

/// <summary>A card copied, or a bag read again, without the server.</summary>
internal static class CardCopy
{
    private const int NotSafe = 1;

    /// <summary>Copies a folder into bags; with no folder to go into, reads a bag again.</summary>
    public static int Make(string source, string[] into, string? name)
    {
        source = Path.TrimEndingDirectorySeparator(Path.GetFullPath(source));
        var result = new Copier(TimeProvider.System).Run(new CopyWork(source, [.. into.Select(Path.GetFullPath)], name ?? Path.GetFileName(source)),
            _ => { }, CancellationToken.None);
        foreach (var file in result.Unsafe) Console.Error.WriteLine($"{file.Name} {file.Why}");
        if (result.Said is { } said) Console.Error.WriteLine(said);
        Console.Out.WriteLine(result.IsWhole ? $"{result.Files} files are safe." : "Not everything is safe.");
        return result.IsWhole ? 0 : NotSafe;
    }
}
