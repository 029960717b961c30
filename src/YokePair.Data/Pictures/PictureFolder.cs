using System.Collections.Concurrent;
using YokePair.Core.Taken;
using YokePair.Data.Files;

namespace YokePair.Data.Pictures;

/// <summary>How far a folder is read.</summary>
/// <param name="Read">Files that have been read.</param>
/// <param name="Total">Files there are.</param>
public readonly record struct ReadingStep(int Read, int Total);

/// <summary>What the files of a folder tell.</summary>
/// <param name="Told">What each that tells anything tells.</param>
/// <param name="Faulty">Those that do not, and why.</param>
public sealed record FolderTold(IReadOnlyList<PictureTold> Told, IReadOnlyList<UnsafeFile> Faulty);

/// <summary>Reads the pictures of a folder and of those in it. Nothing is copied or written, and no link is followed.</summary>
public static class PictureFolder
{
    /// <summary>Most files of one day.</summary>
    public const int MostFiles = 60_000;

    private const int TellEvery = 25;

    private static readonly EnumerationOptions Deep = new()
    {
        RecurseSubdirectories = true,
        AttributesToSkip = FileAttributes.ReparsePoint | FileAttributes.System,
        IgnoreInaccessible = true,
        MaxRecursionDepth = 20,
    };

    /// <summary>The picture files in it, by name.</summary>
    public static IReadOnlyList<string> FilesIn(string folder) => [.. Directory.EnumerateFiles(folder, "*", Deep).Where(PictureFile.IsNamedSo)
        .Where(f => !Path.GetFileName(f).StartsWith('.')).Take(MostFiles + 1).Order(StringComparer.Ordinal)];

    /// <summary>Reads them, several at once.</summary>
    /// <param name="folder">Full path of the folder.</param>
    /// <param name="tell">Told how far it is.</param>
    /// <param name="stop">Ends it with an <see cref="OperationCanceledException"/>.</param>
    public static FolderTold Read(string folder, Action<ReadingStep> tell, CancellationToken stop)
    {
        var files = FilesIn(folder);
        var told = new PictureTold?[files.Count];
        var faulty = new ConcurrentBag<UnsafeFile>();
        var (done, within) = (0, Path.TrimEndingDirectorySeparator(folder).Length + 1);
        tell(new ReadingStep(0, files.Count));
        Parallel.For(0, files.Count, new ParallelOptions { CancellationToken = stop, MaxDegreeOfParallelism = Environment.ProcessorCount }, n =>
        {
            var name = files[n][within..].Replace('\\', '/');
            var (picture, why) = PictureFile.Read(files[n], name);
            told[n] = picture;
            if (why is not null) faulty.Add(new UnsafeFile(name, why));
            if (Interlocked.Increment(ref done) is var now && (now % TellEvery == 0 || now == files.Count)) tell(new ReadingStep(now, files.Count));
        });
        return new FolderTold([.. told.OfType<PictureTold>()], [.. faulty.OrderBy(f => f.Name, StringComparer.Ordinal)]);
    }
}
