using System.Diagnostics;
using System.Globalization;
using MetadataExtractor;
using YokePair.Core.Basics;
using YokePair.Core.Plans;
using YokePair.Core.Taken;
using YokePair.Data.Pictures;

namespace YokePair.Bench;

/// <summary>
/// The pictures of a large day: reading what they tell, recognising whose they are and reckoning the day, against the library plainly
/// reading the headers of the same files, in one run.
/// </summary>
internal static class PictureSpeed
{
    private const int Files = 10_000, Rounds = 3, PreviewBytes = 400_000;

    public static int Measure()
    {
        var folder = System.IO.Directory.CreateTempSubdirectory("yoke-bench-pictures").FullName;
        try
        {
            Fill(folder);
            double plain = double.MaxValue, read = double.MaxValue, whole = double.MaxValue;
            for (var round = 0; round <= Rounds; round++)
            {
                var (one, two, three) = (Seconds(() => Plain(folder)), Seconds(() => Read(folder)), Seconds(() => Whole(folder)));
                // The first round fills the disk's cache and compiles.
                if (round > 0) (plain, read, whole) = (Math.Min(plain, one), Math.Min(read, two), Math.Min(whole, three));
            }
            Console.WriteLine(string.Create(CultureInfo.InvariantCulture,
                $"{Files} files, {Environment.ProcessorCount} cores: headers alone {plain:0.00} s, what they tell {read:0.00} s, "
                    + $"{plain / read:P0} of plain reading; with the day reckoned {whole:0.00} s, {plain / whole:P0}"));
            return 0;
        }
        finally
        {
            System.IO.Directory.Delete(folder, recursive: true);
        }
    }

    /// <summary>Half raw, half JPEG, each with as much behind its header as a small picture has.</summary>
    private static void Fill(string folder)
    {
        var rest = new byte[PreviewBytes];
        for (var n = 0; n < Files; n++)
        {
            var told = new PictureTold(
                $"{n / 500:000}/P{n:00000}{(n % 2 == 0 ? ".RAW" : ".JPG")}", new DateTime(2027, 6, 12, 11, 0, 0).AddSeconds(n * 4), "Halm 45",
                n % 3 == 0 ? "H-2" : "H-1",
                null, null, n % 5 == 0 ? new Interval(70, 200) : new Interval(35, 35), n % 5 == 0 ? 2.8 : 1.4,
                n % 5 == 0 ? 70 + (n % 131) : 35, 2.8, 1.0 / 200, 1600, false, 8000);
            StandInDay.Write(folder, [told]);
            using var file = new FileStream(Path.Combine(folder, told.File), FileMode.Append);
            file.Write(rest);
        }
    }

    /// <summary>With the buffer that was quickest of 4 to 64 KiB.</summary>
    private static void Plain(string folder) => Parallel.ForEach(
        System.IO.Directory.GetFiles(folder, "*", SearchOption.AllDirectories),
        new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount },
        file =>
        {
            using var stream = new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.Read, 8192);
            ImageMetadataReader.ReadMetadata(stream);
        });

    private static FolderTold Read(string folder) => PictureFolder.Read(folder, _ => { }, CancellationToken.None);

    private static void Whole(string folder)
    {
        var roll = TakenRoll.Of(Read(folder).Told);
        Item[] items = [new Lens { Id = "l", Mount = "M", Focal = new(35, 35), Aperture = new(1.4, 1.4) },
            new Lens { Id = "z", Mount = "M", Focal = new(70, 200), Aperture = new(2.8, 2.8) }];
        var part = new Part { Id = "p", Ev = 8, Start = new(2027, 6, 12, 11, 0, 0), End = new(2027, 6, 12, 23, 0, 0) };
        var plan = new Plan { Format = Plan.FormatName, Version = 1, Items = items, Parts = [part] };
        DayTaken.Of(plan, roll, Recognition.Of(roll, items, [], new Dictionary<string, string>()).Things, []);
    }

    private static double Seconds(Action work)
    {
        var clock = Stopwatch.StartNew();
        work();
        return clock.Elapsed.TotalSeconds;
    }
}
