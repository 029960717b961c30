using System.Globalization;
using System.Text;

namespace YokePair.Data.Files;

/// <summary>
/// A bag as RFC 8493 has it: the files under <c>data</c>, and beside them a list of their SHA-256 that <c>sha256sum -c</c> reads. Until it is
/// whole it lies under a name of its own with a journal of what has arrived, so that it can be gone on with.
/// </summary>
internal sealed class Bag
{
    public const string Manifest = "manifest-sha256.txt";
    private const string Payload = "data", Suffix = ".partial";

    private readonly string final;

    /// <param name="folder">Full path of the folder it goes into.</param>
    /// <param name="name">Its name.</param>
    public Bag(string folder, string name) => (Folder, final, Partial) = (folder, Path.Combine(folder, name), Path.Combine(folder, $".{name}{Suffix}"));

    public string Folder { get; }

    /// <summary>Where it is made.</summary>
    public string Partial { get; }

    /// <summary>Where it is once it is whole.</summary>
    public string Final => final;

    public bool Exists => Directory.Exists(final) || File.Exists(final);

    private string Journal => Path.Combine(Partial, "journal.txt");

    public string FileOf(string relative) => Path.Combine(Partial, Payload, relative);

    /// <summary>What arrived before, by name: its SHA-256, its size and when its source was changed.</summary>
    public Dictionary<string, (string Hash, long Size, long Changed)> Arrived()
    {
        var arrived = new Dictionary<string, (string, long, long)>(StringComparer.Ordinal);
        if (!File.Exists(Journal)) return arrived;
        foreach (var line in File.ReadLines(Journal))
        {
            // A line that was cut off is one that did not arrive.
            if (line.Split('\t') is not [{ Length: 64 } hash, var size, var changed, var name, "."]) continue;
            if (long.TryParse(size, CultureInfo.InvariantCulture, out var bytes)
                && long.TryParse(changed, CultureInfo.InvariantCulture, out var at)) arrived[name] = (hash, bytes, at);
        }
        return arrived;
    }

    /// <summary>Opens the journal to write what arrives.</summary>
    public FileStream OpenJournal()
    {
        Directory.CreateDirectory(Path.Combine(Partial, Payload));
        var journal = new FileStream(Journal, FileMode.Append, FileAccess.Write, FileShare.Read);
        // What a cut-off line would run into begins on a new one.
        journal.WriteByte((byte)'\n');
        return journal;
    }

    public static byte[] JournalLine(string name, string hash, long size, long changed) =>
        Encoding.UTF8.GetBytes(FormattableString.Invariant($"{hash}\t{size}\t{changed}\t{name}\t.\n"));

    /// <summary>Writes the lists and gives it its name.</summary>
    /// <param name="files">Name, SHA-256 and size of each file.</param>
    /// <param name="today">Date of the bag.</param>
    public void Close(IReadOnlyList<(string Name, string Hash, long Size)> files, DateOnly today)
    {
        var lists = new Dictionary<string, string>(StringComparer.Ordinal)
        {
            ["bagit.txt"] = "BagIt-Version: 1.0\nTag-File-Character-Encoding: UTF-8\n",
            ["bag-info.txt"] = FormattableString.Invariant($"Bagging-Date: {today:yyyy-MM-dd}\nPayload-Oxum: {files.Sum(f => f.Size)}.{files.Count}\n"),
            [Manifest] = string.Concat(files.Select(f => $"{f.Hash}  {Payload}/{f.Name}\n")),
        };
        var tags = string.Concat(lists.Select(l => $"{Hashing.Of(Encoding.UTF8.GetBytes(l.Value))}  {l.Key}\n"));
        foreach (var (name, text) in lists.Append(new("tagmanifest-sha256.txt", tags)))
        {
            using var file = new FileStream(Path.Combine(Partial, name), FileMode.Create, FileAccess.Write);
            file.Write(Encoding.UTF8.GetBytes(text));
            file.Flush(flushToDisk: true);
        }
        File.Delete(Journal);
        foreach (var folder in Directory.EnumerateDirectories(Partial, "*", SearchOption.AllDirectories)) Disk.Flush(folder);
        Disk.Flush(Partial);
        Directory.Move(Partial, final);
        Disk.Flush(Path.GetDirectoryName(final)!);
    }

    /// <summary>Names and sums as a bag says them.</summary>
    public static List<(string Name, string Hash)> Listed(string bag) =>
        [.. File.ReadLines(Path.Combine(bag, Manifest)).Where(l => l.Length > 66).Select(l => (l[66..], l[..64]))];
}
