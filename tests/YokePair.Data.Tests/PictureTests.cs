using YokePair.Core.Basics;
using YokePair.Core.Plans;
using YokePair.Core.Taken;
using YokePair.Data.Pictures;

namespace YokePair.Data.Tests;

/// <summary>What picture files tell, made by code: no picture is in them.</summary>
public sealed class PictureTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("yoke-pictures").FullName;

    private static readonly PictureTold Shot = new(
        "100/P0001.JPG", new DateTime(2027, 6, 12, 14, 30, 5, 250), "Halm 45", "H45-20417", "70-200mm F2.8", "L-77", new Interval(70, 200), 2.8, 135, 4,
            1.0 / 320, 6400, true, 8192);

    [Theory]
    [InlineData("100/P0001.JPG")]
    [InlineData("100/P0001.RAW")]
    [InlineData("100/P0001.dng")]
    public void Everything_a_camera_writes_is_read(string name)
    {
        StandInDay.Write(folder, [Shot with { File = name }]);
        var read = PictureFolder.Read(folder, _ => { }, CancellationToken.None);
        Assert.Empty(read.Faulty);
        Assert.Equal(Shot with { File = name, Seconds = 0 }, Assert.Single(read.Told) with { Seconds = 0 });
        Assert.Equal(1.0 / 320, read.Told[0].Seconds!.Value, 9);
    }

    [Fact]
    public void What_a_manual_lens_does_not_tell_is_not_made_up()
    {
        StandInDay.Write(folder, [new PictureTold("a.jpg", Shot.At, "Halm 45", Iso: 200)]);
        var told = PictureFolder.Read(folder, _ => { }, CancellationToken.None).Told[0];
        Assert.Equal((null, null, null, null), (told.LensModel, told.FocalMm, told.FNumber, told.Serial));
        Assert.Equal(-1, TakenRoll.Of([told]).Frames[0].Glass);
    }

    [Fact]
    public void What_cannot_be_read_is_named_and_the_rest_is_read()
    {
        StandInDay.Write(folder, [Shot, Shot with { File = "100/P0002.RAW" }]);
        File.WriteAllBytes(Path.Combine(folder, "100/empty.jpg"), []);
        File.WriteAllText(Path.Combine(folder, "100/words.jpg"), "no picture at all, but a name as if it were one");
        File.WriteAllBytes(Path.Combine(folder, "100/cut.jpg"), File.ReadAllBytes(Path.Combine(folder, Shot.File))[..60]);
        File.WriteAllBytes(Path.Combine(folder, "100/bare.jpg"), [0xFF, 0xD8, 0xFF, 0xD9]);
        File.WriteAllText(Path.Combine(folder, "100/notes.txt"), "not looked at");
        File.CreateSymbolicLink(Path.Combine(folder, "100/link.jpg"), Path.Combine(folder, Shot.File));
        var read = PictureFolder.Read(folder, _ => { }, CancellationToken.None);
        Assert.Equal(["100/P0001.JPG", "100/P0002.RAW"], read.Told.Select(t => t.File));
        Assert.Equal(["100/bare.jpg", "100/cut.jpg", "100/empty.jpg", "100/words.jpg"], read.Faulty.Select(f => f.Name));
        Assert.Contains(read.Faulty, f => f is { Name: "100/empty.jpg", Why: "is empty" });
        Assert.All(read.Faulty, f => Assert.NotEqual("", f.Why));
    }

    /// <summary>Whatever is in a file: it is read or named, and nothing else happens.</summary>
    [Fact]
    public void No_damage_to_a_file_ends_the_reading()
    {
        var random = new Random(7);
        foreach (var ending in new[] { ".jpg", ".raw" })
        {
            var whole = StandInPicture.Of(Shot with { File = "x" + ending });
            for (var n = 0; n < 300; n++)
            {
                var bytes = whole.ToArray();
                for (var k = random.Next(1, 4); k > 0; k--) bytes[random.Next(bytes.Length)] = (byte)random.Next(256);
                File.WriteAllBytes(Path.Combine(folder, $"{n}{ending}"), n % 4 == 0 ? bytes[..random.Next(1, bytes.Length)] : bytes);
            }
        }
        var read = PictureFolder.Read(folder, _ => { }, CancellationToken.None);
        Assert.Equal(600, read.Told.Count + read.Faulty.Count);
        Assert.InRange(read.Told.Count, 50, 550);
    }

    [Fact]
    public void It_says_how_far_it_is_and_stops_when_asked()
    {
        StandInDay.Write(folder, [.. Enumerable.Range(0, 200).Select(n => Shot with { File = $"100/P{n:0000}.JPG" })]);
        var steps = new System.Collections.Concurrent.ConcurrentBag<ReadingStep>();
        PictureFolder.Read(folder, steps.Add, CancellationToken.None);
        Assert.Contains(new ReadingStep(200, 200), steps);
        Assert.Contains(new ReadingStep(0, 200), steps);
        using var stop = new CancellationTokenSource();
        Assert.ThrowsAny<OperationCanceledException>(() => PictureFolder.Read(folder, step =>
        {
            if (step.Read >= 25) stop.Cancel();
        }, stop.Token));
    }

    [Fact]
    public void A_made_up_day_is_the_same_each_time_and_tells_of_both_clocks()
    {
        var plan = PlanFile.Read(File.ReadAllBytes(Path.Combine(Root(), "demo/steamer-wedding.yoke.json"))).Plan!;
        var pictures = StandInDay.Of(plan);
        Assert.Equal(pictures, StandInDay.Of(plan));
        Assert.NotEqual(pictures.Count, StandInDay.Of(plan, 2).Count);
        var times = pictures.ToLookup(p => p.Serial, p => p.At);
        Assert.InRange(ClockDifference.Between(times["S-b1"], times["S-b3"])!.Seconds, 46, 48);
    }

    private static string Root()
    {
        var at = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(at.FullName, "YokePair.slnx"))) at = at.Parent!;
        return at.FullName;
    }

    public void Dispose() => Directory.Delete(folder, recursive: true);
}
