namespace YokePair.Web.Cards;

/// <summary>
/// Folders in place of a card reader and drives, with made-up files in place of pictures, so that an evening can be tried through with nothing
/// connected.
/// </summary>
internal static class StandIns
{
    private const int Files = 5, FileBytes = 1_200_000;

    private static readonly string[] Cards = ["card-11", "card-12", "card-15", "card-16"], Drives = ["drive-of-lead", "drive-of-second"];

    /// <summary>The reader and each drive in a data folder.</summary>
    public static IEnumerable<string> In(string data) => Drives.Prepend("reader").Select(name => Path.Combine(Path.GetFullPath(data), "stand-ins", name));

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
}
