using YokePair.Core.Plans;
using YokePair.Data;
using YokePair.Data.Pictures;
using YokePair.Web.Assignments;

namespace YokePair.Web.Cards;

/// <summary>
/// Folders in place of a card reader and drives, with made-up files in place of pictures, so that an evening can be tried through with nothing
/// connected.
/// </summary>
internal static class StandIns
{
    private const string Pictures = "pictures";

    private const int Files = 5, FileBytes = 1_200_000;

    private static readonly string[] Cards = ["card-11", "card-12", "card-15", "card-16"], Drives = ["drive-of-lead", "drive-of-second"];

    /// <summary>The reader, each drive and the folder of a day's pictures in a data folder.</summary>
    public static IEnumerable<string> In(string data) => Drives.Prepend("reader").Append(Pictures)
        .Select(name => Path.Combine(Path.GetFullPath(data), "stand-ins", name));

    /// <summary>Makes what is not there.</summary>
    public static void Make(string data)
    {
        foreach (var folder in In(data)) Directory.CreateDirectory(folder);
        var random = new Random(11);
        foreach (var card in Cards)
        {
            var folder = Path.Combine(In(data).First(), card, "DCIM", "100");
            if (Directory.Exists(folder)) continue;
            Directory.CreateDirectory(folder);
            for (var n = 1; n <= Files; n++)
            {
                var bytes = new byte[FileBytes + random.Next(FileBytes)];
                random.NextBytes(bytes);
                File.WriteAllBytes(Path.Combine(folder, $"P{n:0000}.RAW"), bytes);
            }
        }
    }

    /// <summary>The pictures that the demo days might have given, and those of them that were delivered.</summary>
    public static async Task MakePicturesAsync(AppSettings settings, LockerStore lockers)
    {
        // What the cameras tell of themselves, the locker knows.
        var locker = (await lockers.ThingsAsync()).Things.ToDictionary(t => t.Id, StringComparer.Ordinal);
        foreach (var name in DemoDays.Names(settings))
        {
            var folder = Path.Combine(In(settings.DataDirectory).Last(), name);
            if (Directory.Exists(folder) || PlanFile.Read((await DemoDays.ReadAsync(settings, name))!).Plan is not { } plan) continue;
            var items = plan.Items.Select(i => locker.GetValueOrDefault(i.Id) is { } own && own.IsOneWith(i) ? i with { Serial = own.Serial } : i);
            var pictures = StandInDay.Of(plan with { Items = [.. items] });
            StandInDay.Write(folder, pictures);
            StandInDay.Write(folder + "-delivered", StandInDay.Delivered(pictures));
        }
    }
}
