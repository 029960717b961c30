using System.Collections.Concurrent;
using System.Security.Cryptography;

namespace YokePair.Data.Files;

/// <summary>
/// Copies a folder into bags and reads them back. A file has its name only once it is whole and on the disk; what is there already is never
/// written over; links are not followed. After a cut the same work goes on where it was, and what had arrived is read back like the rest.
/// </summary>
public sealed class Copier(TimeProvider clock)
{
    private sealed record SourceFile(string Path, string Name, long Size, long Changed);

    /// <summary>Does it; memory does not grow with what is copied.</summary>
    /// <param name="work">What.</param>
    /// <param name="tell">Told how far it is.</param>
    /// <param name="stop">Ends it; it can be gone on with.</param>
    public CopyResult Run(CopyWork work, Action<CopyStep> tell, CancellationToken stop)
    {
        if (work.Targets.Count == 0) return ReadAgain(work.Source, tell, stop);
        var notSafe = new List<UnsafeFile>();
        try
        {
            List<Bag> bags = [.. work.Targets.Select(t => new Bag(t, work.Name))];
            if (bags.Find(b => b.Exists) is { } there) return new CopyResult(0, [],
                $"{there.Final} is there already; nothing is written over. Give it another name.");
            var files = FilesIn(work.Source, notSafe);
            if (files.Count == 0 && notSafe.Count == 0) return new CopyResult(0, [], "There is no file in it.");
            var sums = CopyAndReadBack(files, bags, notSafe, new Tally(files.Sum(f => f.Size) * (1 + bags.Count), tell), stop);
            List<SourceFile> safe = [.. files.Where(f => sums.ContainsKey(f.Name) && !notSafe.Exists(u => u.Name == f.Name))];
            if (notSafe.Count > 0) return new CopyResult(safe.Count, notSafe, null);
            var today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
            foreach (var bag in bags) bag.Close([.. safe.Select(f => (f.Name, sums[f.Name], f.Size))], today);
            return new CopyResult(safe.Count, [], null);
        }
        catch (TargetException e) when (work.Targets.Count > 1)
        {
            // One that is full is no reason to leave the others without.
            var rest = Run(work with { Targets = [.. work.Targets.Where(t => t != e.Target)] }, tell, stop);
            return rest with { GivenUp = [new UnsafeFile(e.Target, e.Why), .. rest.GivenUp] };
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            var why = Directory.Exists(work.Source) ? e.Message : $"{work.Source} is gone; was it taken out?";
            return new CopyResult(0, notSafe, $"{why} What has arrived is kept; copy it again to go on.");
        }
    }

    private static List<SourceFile> FilesIn(string source, List<UnsafeFile> notSafe)
    {
        var found = new List<SourceFile>();
        var folders = new Stack<string>([source]);
        while (folders.TryPop(out var folder))
        {
            try
            {
                foreach (var entry in new DirectoryInfo(folder).EnumerateFileSystemInfos())
                {
                    var name = Path.GetRelativePath(source, entry.FullName).Replace('\\', '/');
                    if (entry.LinkTarget is not null) notSafe.Add(new UnsafeFile(name, "is a link, which is not followed"));
                    else if (name.AsSpan().IndexOfAny("\r\n\t%") >= 0) notSafe.Add(new UnsafeFile(name,
                        "has a line break, tab or per cent sign in its name, which lists of sums cannot hold; rename it"));
                    else if (entry is DirectoryInfo) folders.Push(entry.FullName);
                    else found.Add(new SourceFile(entry.FullName, name, ((FileInfo)entry).Length, entry.LastWriteTimeUtc.Ticks));
                }
            }
            catch (UnauthorizedAccessException) when (folder != source)
            {
                notSafe.Add(new UnsafeFile(Path.GetRelativePath(source, folder), "may not be read"));
            }
        }
        return [.. found.OrderBy(f => f.Name, StringComparer.Ordinal)];
    }

    /// <summary>Adds up what is done, from both threads.</summary>
    private sealed class Tally(long total, Action<CopyStep> tell)
    {
        private readonly Lock one = new();
        private (long Copied, long Read) done;

        public void Copied(long bytes, string file) => Tell(CopyPhase.Copying, bytes, 0, file);

        public void Read(long bytes, string file) => Tell(CopyPhase.Reading, 0, bytes, file);

        private void Tell(CopyPhase phase, long copied, long read, string file)
        {
            lock (one)
            {
                done = (done.Copied + copied, done.Read + read);
                tell(new CopyStep(phase, done.Copied, done.Read, total, file));
            }
        }
    }

    /// <summary>A file is read back while the next is copied.</summary>
    private static Dictionary<string, string> CopyAndReadBack(List<SourceFile> files, List<Bag> bags, List<UnsafeFile> notSafe, Tally tally,
        CancellationToken stop)
    {
        using var arrived = new BlockingCollection<(string Name, string Sum)>();
        var reading = Task.Run(() => ReadBack(arrived.GetConsumingEnumerable(CancellationToken.None), bags, tally, stop), CancellationToken.None);
        Dictionary<string, string> sums;
        try
        {
            sums = Copy(files, bags, notSafe, tally, (name, sum) => arrived.Add((name, sum)), stop);
        }
        finally
        {
            arrived.CompleteAdding();
            ((IAsyncResult)reading).AsyncWaitHandle.WaitOne();
        }
        notSafe.AddRange(reading.GetAwaiter().GetResult());
        return sums;
    }

    private static Dictionary<string, string> Copy(
        List<SourceFile> files, List<Bag> bags, List<UnsafeFile> notSafe, Tally tally, Action<string, string> arrives, CancellationToken stop)
    {
        var sums = new Dictionary<string, string>(StringComparer.Ordinal);
        var before = bags.ConvertAll(b => b.Arrived());
        var journals = new List<FileStream>();
        try
        {
            foreach (var bag in bags) On(bag, () => journals.Add(bag.OpenJournal()));
            foreach (var file in files)
            {
                stop.ThrowIfCancellationRequested();
                var sum = KnownSum(file, bags, before);
                if (sum is not null) tally.Copied(file.Size, file.Name);
                else if (CopyOne(file, bags, notSafe, read => tally.Copied(read, file.Name), stop) is { } copied)
                {
                    sum = copied;
                    foreach (var (bag, journal) in bags.Zip(journals))
                        On(bag, () =>
                        {
                            journal.Write(Bag.JournalLine(file.Name, sum, file.Size, file.Changed));
                            journal.Flush(flushToDisk: true);
                        });
                }
                else continue;
                sums[file.Name] = sum;
                arrives(file.Name, sum);
            }
        }
        finally
        {
            journals.ForEach(j => j.Dispose());
        }
        return sums;
    }

    /// <summary>The sum of a file that has arrived in every bag and was not changed since; null = it is to be copied.</summary>
    private static string? KnownSum(SourceFile file, List<Bag> bags, List<Dictionary<string, (string Hash, long Size, long Changed)>> before)
    {
        var known = before.Select((b, n) => b.TryGetValue(file.Name, out var was) && was.Size == file.Size && was.Changed == file.Changed
            && new FileInfo(bags[n].FileOf(file.Name)) is { Exists: true } there && there.Length == file.Size ? was.Hash : null).ToList();
        return known.TrueForAll(k => k == known[0]) ? known[0] : null;
    }

    /// <summary>One file into every bag at once, read once.</summary>
    /// <returns>Its SHA-256 as it was read; null = it could not be.</returns>
    private static string? CopyOne(SourceFile file, List<Bag> bags, List<UnsafeFile> notSafe, Action<int> tell, CancellationToken stop)
    {
        var into = new List<FileStream>();
        try
        {
            foreach (var bag in bags)
                On(bag, () =>
                {
                    Directory.CreateDirectory(Path.GetDirectoryName(bag.FileOf(file.Name))!);
                    into.Add(new FileStream(bag.FileOf(file.Name) + ".part", FileMode.Create, FileAccess.Write, FileShare.None, 0));
                });
            string sum;
            try
            {
                sum = Hashing.Read(file.Path, piece =>
                {
                    foreach (var (bag, stream) in bags.Zip(into)) On(bag, () => stream.Write(piece.Span));
                    tell(piece.Length);
                }, stop);
            }
            catch (Exception e) when (e is UnauthorizedAccessException or FileNotFoundException
                || (e is IOException and not TargetException && File.Exists(file.Path)))
            {
                notSafe.Add(new UnsafeFile(file.Name, $"cannot be read: {e.Message}"));
                return null;
            }
            foreach (var (bag, stream) in bags.Zip(into)) On(bag, () => stream.Flush(flushToDisk: true));
            into.ForEach(s => s.Dispose());
            foreach (var bag in bags) File.Move(bag.FileOf(file.Name) + ".part", bag.FileOf(file.Name), overwrite: true);
            return sum;
        }
        finally
        {
            into.ForEach(s => s.Dispose());
        }
    }

    private static void On(Bag bag, Action write)
    {
        try
        {
            write();
        }
        catch (IOException e)
        {
            throw new TargetException(bag.Folder, e);
        }
    }

    /// <summary>What is written to fails, so that no other file would fare better.</summary>
    private sealed class TargetException(string target, IOException cause) : IOException($"{target} {ReasonOf(cause)}", cause)
    {
        public string Target => target;

        public string Why => ReasonOf((IOException)InnerException!);

        /// <summary>The system names the file at hand as well, which is not what is wrong.</summary>
        private static string ReasonOf(IOException cause) => $"takes no more: {cause.Message.Split(" : '")[0].ToLowerInvariant()}.";
    }

    private static List<UnsafeFile> ReadBack(IEnumerable<(string Name, string Sum)> arrived, List<Bag> bags, Tally tally, CancellationToken stop)
    {
        var notSafe = new List<UnsafeFile>();
        foreach (var (name, sum) in arrived)
            foreach (var bag in bags)
                if (Differs(bag.FileOf(name), sum, read => tally.Read(read, name), stop) is { } why) notSafe.Add(new UnsafeFile(name,
                    $"{why} in {bag.Partial}"));
        return notSafe;
    }

    /// <summary>Reads a bag again and compares it with its own list.</summary>
    private static CopyResult ReadAgain(string bag, Action<CopyStep> tell, CancellationToken stop)
    {
        try
        {
            var listed = Bag.Listed(bag);
            var tally = new Tally(listed.Sum(l => new FileInfo(Path.Combine(bag, l.Name)) is { Exists: true } file ? file.Length : 0), tell);
            var notSafe = new List<UnsafeFile>();
            foreach (var (name, hash) in listed)
                if (Differs(Path.Combine(bag, name), hash, read => tally.Read(read, name), stop) is { } why)
                    notSafe.Add(new UnsafeFile(name, why));
            return new CopyResult(listed.Count - notSafe.Count, notSafe, listed.Count == 0 ? "Its list of sums is empty." : null);
        }
        catch (Exception e) when (e is FileNotFoundException or DirectoryNotFoundException)
        {
            return new CopyResult(0, [], $"{bag} is no bag: it has no {Bag.Manifest}.");
        }
    }

    /// <summary>What is wrong with a file; null = it is as its sum says.</summary>
    private static string? Differs(string file, string hash, Action<int> tell, CancellationToken stop)
    {
        try
        {
            var sum = Hashing.Read(file, piece => tell(piece.Length), stop);
            return CryptographicOperations.FixedTimeEquals(Convert.FromHexString(sum), Convert.FromHexString(hash)) ? null : "reads back otherwise than it was";
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or FormatException)
        {
            return $"cannot be read back: {e.Message}";
        }
    }
}
