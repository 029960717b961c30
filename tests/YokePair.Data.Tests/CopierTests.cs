using System.Diagnostics;
using System.Globalization;
using System.Net.Sockets;
using YokePair.Data.Files;

namespace YokePair.Data.Tests;

/// <summary>A card copied into bags: whole and the same, or told file by file what is not safe.</summary>
public sealed class CopierTests : IDisposable
{
    private const string Name = "card-12";

    private readonly string folder = Path.Combine(Path.GetTempPath(), $"yoke-copy-{Guid.NewGuid():N}");

    public CopierTests()
    {
        foreach (var name in (string[])["card", "drive", "second"]) Directory.CreateDirectory(In(name));
    }

    public void Dispose() => Directory.Delete(folder, recursive: true);

    private string In(params string[] names) => Path.Combine([folder, .. names]);

    private string Card => In("card");

    private string Bag => In("drive", Name);

    private CopyWork Work => new(Card, [In("drive"), In("second")], Name);

    private static CopyResult Run(CopyWork work, Action<CopyStep>? tell = null, CancellationToken stop = default) => new Copier(TimeProvider.System)
        .Run(work, tell ?? (_ => { }), stop);

    private void Shoot(int files, int bytes = 3 * 1024 * 1024, int seed = 1)
    {
        var random = new Random(seed);
        for (var n = 0; n < files; n++) Write($"DCIM/100/P{n:0000}.RAW", random, bytes + n);
    }

    private void Write(string name, Random random, int bytes)
    {
        var content = new byte[bytes];
        random.NextBytes(content);
        Directory.CreateDirectory(Path.GetDirectoryName(In("card", name))!);
        File.WriteAllBytes(In("card", name), content);
    }

    /// <summary>What the list of sums is worth to somebody without this program.</summary>
    private static int CheckedByOthers(string bag)
    {
        using var check = Process.Start(new ProcessStartInfo("sha256sum", ["-c", "--quiet", "manifest-sha256.txt"])
        {
            WorkingDirectory = bag,
            RedirectStandardOutput = true,
            RedirectStandardError = true
        })!;
        check.WaitForExit();
        return check.ExitCode;
    }

    private static void Shell(string command, params string[] arguments)
    {
        using var done = Process.Start(command, arguments);
        done.WaitForExit();
        Assert.Equal(0, done.ExitCode);
    }

    [Fact]
    public void A_card_is_whole_in_every_bag_with_names_in_any_alphabet()
    {
        Shoot(3);
        foreach (var name in (string[])["Trauung/Küsse – 1.raw", "写真/花嫁 2.raw", "🎉.jpg", "-rf.txt", " leading and trailing "])
            Write(name, new Random(2), 1000);
        File.WriteAllBytes(In("card", "empty.txt"), []);
        var result = Run(Work);
        Assert.Equal((9, true, null), (result.Files, result.IsWhole, result.Problem));
        foreach (var bag in (string[])[Bag, In("second", Name)])
        {
            Assert.Equal(0, CheckedByOthers(bag));
            Assert.StartsWith("BagIt-Version: 1.0\n", File.ReadAllText(Path.Combine(bag, "bagit.txt")), StringComparison.Ordinal);
            Assert.Contains(".9\n", File.ReadAllText(Path.Combine(bag, "bag-info.txt")), StringComparison.Ordinal);
            foreach (var file in Directory.EnumerateFiles(Card, "*", SearchOption.AllDirectories))
                Assert.Equal(File.ReadAllBytes(file), File.ReadAllBytes(Path.Combine(bag, "data", Path.GetRelativePath(Card, file))));
        }
        // And can be read again at any time: as it was, and not.
        Assert.True(Run(new CopyWork(Bag, [], Name)).IsWhole);
        using (var file = File.OpenWrite(Path.Combine(Bag, "data/DCIM/100/P0001.RAW")))
        {
            file.Position = 2_000_000;
            file.WriteByte(77);
        }
        File.Delete(Path.Combine(Bag, "data/DCIM/100/P0002.RAW"));
        Assert.Equal(["data/DCIM/100/P0001.RAW", "data/DCIM/100/P0002.RAW"], Run(new CopyWork(Bag, [], Name)).Unsafe.Select(u => u.Name));
    }

    [Fact]
    public void Nothing_is_written_over_and_no_link_is_followed()
    {
        Shoot(1, 100);
        File.CreateSymbolicLink(In("card", "away.raw"), "/etc/hostname");
        Directory.CreateSymbolicLink(In("card", "elsewhere"), "/etc");
        var result = Run(Work);
        Assert.Equal(["away.raw", "elsewhere"], result.Unsafe.Select(u => u.Name).Order());
        Assert.False(Directory.Exists(Bag));
        File.Delete(In("card", "away.raw"));
        Directory.Delete(In("card", "elsewhere"));
        Assert.True(Run(Work).IsWhole);
        var before = Directory.GetLastWriteTimeUtc(Bag);
        Assert.Contains("is there already", Run(Work).Problem!, StringComparison.Ordinal);
        Assert.Equal(before, Directory.GetLastWriteTimeUtc(Bag));
    }

    [Fact]
    public void What_was_stopped_goes_on_where_it_was()
    {
        Shoot(6);
        using var stop = new CancellationTokenSource();
        Assert.Throws<OperationCanceledException>(() => Run(Work, step => { if (step.Copied > 10_000_000) stop.Cancel(); }, stop.Token));
        Assert.False(Directory.Exists(Bag));
        var (known, copied) = (0L, 0L);
        var result = Run(Work, step =>
        {
            if (step.Phase != CopyPhase.Copying) return;
            // What had arrived is counted file by file, what is copied piece by piece.
            if (step.Copied - known <= 1024 * 1024) copied += step.Copied - known;
            known = step.Copied;
        });
        Assert.True(result.IsWhole);
        Assert.Equal((6, 0), (result.Files, CheckedByOthers(Bag)));
        Assert.True(copied < 12_000_000, $"{copied} bytes were copied once more");
        // A source that was changed meanwhile is copied anew.
        Assert.Empty(Directory.EnumerateDirectories(In("drive"), ".*"));
    }

    [Fact]
    public void A_source_that_vanishes_and_a_target_that_lies_are_told()
    {
        Shoot(4);
        var gone = Run(Work, step =>
        {
            if (step.File.EndsWith("P0001.RAW", StringComparison.Ordinal) && Directory.Exists(Card)) Directory.Move(Card,
            In("taken"));
        });
        Assert.False(gone.IsWhole);
        Assert.Contains($"{Card} is gone", gone.Problem!, StringComparison.Ordinal);
        Assert.False(Directory.Exists(Bag));
        Directory.Move(In("taken"), Card);
        var lied = false;
        var result = Run(Work, step =>
        {
            if (step.Phase != CopyPhase.Reading || lied) return;
            lied = true;
            File.WriteAllText(In("second", $".{Name}.partial", "data/DCIM/100/P0000.RAW"), "not the picture");
        });
        Assert.Equal("DCIM/100/P0000.RAW", Assert.Single(result.Unsafe).Name);
        Assert.False(Directory.Exists(In("second", Name)));
        // What is damaged is copied anew, and then it is whole.
        File.Delete(In("second", $".{Name}.partial", "data/DCIM/100/P0000.RAW"));
        Assert.True(Run(Work).IsWhole);
    }

    /// <summary>A drive that fills up, where one may be mounted: what it has not taken is told, nothing passes for whole, and room made, it goes on.</summary>
    [Fact]
    public void A_drive_that_is_full_is_told_and_can_be_gone_on_with()
    {
        Shoot(4);
        using var mount = Process.Start(new ProcessStartInfo("mount",
            ["-t", "tmpfs", "-o", "size=8m", "tmpfs", In("second")])
        { RedirectStandardError = true })!;
        mount.WaitForExit();
        Assert.SkipUnless(mount.ExitCode == 0, "nothing may be mounted here");
        try
        {
            var full = Run(Work);
            Assert.False(full.IsWhole);
            // The other has everything; alone, nothing would have.
            Assert.Equal((4, true), (full.Files, full.IsSafe));
            Assert.Equal(In("second"), Assert.Single(full.GivenUp).Name);
            Assert.StartsWith($"{In("second")} takes no more: no space left on device. ", full.Said, StringComparison.Ordinal);
            Assert.EndsWith(" Elsewhere 4 files are safe.", full.Said, StringComparison.Ordinal);
            Assert.Equal((true, false), (Directory.Exists(Bag), Directory.Exists(In("second", Name))));
            var alone = Work with { Targets = [In("second")] };
            Assert.StartsWith($"{In("second")} takes no more: ", Run(alone).Problem, StringComparison.Ordinal);
            Shell("mount", "-o", "remount,size=64m", In("second"));
            Assert.Equal((4, true), Run(alone) is var more ? (more.Files, more.IsWhole) : default);
            Assert.Equal((0, 0), (CheckedByOthers(Bag), CheckedByOthers(In("second", Name))));
        }
        finally
        {
            Shell("umount", In("second"));
        }
    }

    /// <summary>Two files that cannot be read among others: each is named with the reason, the rest arrives, and no bag passes for whole.</summary>
    [Fact]
    public void What_cannot_be_read_is_named_and_the_rest_arrives()
    {
        Shoot(3, 1000);
        using var unreadable = new Socket(AddressFamily.Unix, SocketType.Stream, ProtocolType.Unspecified);
        unreadable.Bind(new UnixDomainSocketEndPoint(In("card", "DCIM", "P9.RAW")));
        // Whoever may read everything has no file of this kind.
        if (!Environment.IsPrivilegedProcess) Shell("chmod", "000", In("card", "DCIM", "100", "P0001.RAW"));
        var result = Run(Work);
        string[] named = ["DCIM/100/P0001.RAW", "DCIM/P9.RAW"];
        Assert.Equal(Environment.IsPrivilegedProcess ? named[1..] : named, result.Unsafe.Select(u => u.Name).Order(StringComparer.Ordinal));
        Assert.All(result.Unsafe, u => Assert.StartsWith("cannot be read: ", u.Why, StringComparison.Ordinal));
        Assert.Equal(Environment.IsPrivilegedProcess ? 3 : 2, result.Files);
        Assert.False(result.IsWhole || Directory.Exists(Bag));
        File.Delete(In("card", "DCIM", "P9.RAW"));
        Shell("chmod", "400", In("card", "DCIM", "100", "P0001.RAW"));
        Assert.True(Run(Work).IsWhole);
    }

    [Fact]
    public void Only_what_is_in_the_roots_is_touched()
    {
        var roots = new Roots([In("card"), In("drive") + "/"]);
        Assert.Equal(In("card"), roots.Inside("source", In("card") + "/"));
        Assert.Equal(In("drive", "a"), roots.Inside("target", In("drive", "b", "..", "a")));
        Directory.CreateSymbolicLink(In("drive", "out"), "/etc");
        foreach (var (path, why) in (ValueTuple<string, string>[])
                 [
                     (In("second"), "none of the folders"), (In("drive", "..", "second"), "none of the folders"), (In("drive") + "x", "none of the folders"),
                     (In("drive", "out"), "goes through a link"), (In("drive", "out", "ssl"), "goes through a link"), ("drive", "no full path"),
                         ("/", "none of the folders"),
                 ])
            Assert.Contains(why, Assert.Throws<CopyRefusedException>(() => roots.Inside("source", path)).Message, StringComparison.Ordinal);
        Directory.CreateDirectory(In("drive", "b"));
        Assert.Equal([In("card"), In("drive"), In("drive", "b")], roots.Folders());
    }

    /// <summary>The program killed at random while it copies: gone on with, the bag is whole. More of them by <c>YOKE_COPY_KILLS</c>.</summary>
    [Fact]
    public void Killed_at_random_points_it_goes_on_and_is_whole()
    {
        Shoot(12, 2 * 1024 * 1024);
        var kills = int.TryParse(Environment.GetEnvironmentVariable("YOKE_COPY_KILLS"), CultureInfo.InvariantCulture, out var asked) ? asked : 4;
        var random = new Random(7);
        var cut = 0;
        for (var kill = 0; kill < kills; kill++)
        {
            using (var copy = Copying())
            {
                // From before it has read anything to when it is nearly done.
                if (!copy.WaitForExit(random.Next(60, 700))) cut++;
                copy.Kill();
                copy.WaitForExit();
            }
            using var again = Copying();
            again.WaitForExit();
            Assert.True(Directory.Exists(Bag), $"kill {kill}");
            Assert.Equal(0, CheckedByOthers(Bag));
            Assert.Equal(12, Directory.EnumerateFiles(Path.Combine(Bag, "data"), "*", SearchOption.AllDirectories).Count());
            Directory.Delete(Bag, recursive: true);
        }
        TestContext.Current.TestOutputHelper!.WriteLine($"{kills} kills, {cut} of them before it was done: whole every time");
        Assert.True(cut > 0);

        Process Copying() => Process.Start(new ProcessStartInfo(
            "dotnet", [Path.Combine(AppContext.BaseDirectory, "YokePair.Cli.dll"), "copy", Card, In("drive"), "--name", Name])
        { RedirectStandardOutput = true, RedirectStandardError = true })!;
    }
}
