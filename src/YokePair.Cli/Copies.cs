using YokePair.Data;

namespace YokePair.Cli;

/// <summary>Copies of the database, made and put back.</summary>
internal static class Copies
{
    private const int Failed = 1;

    /// <summary>Makes a copy, whether the program runs or not.</summary>
    /// <param name="data">The data folder.</param>
    /// <param name="folder">Where the copy goes; null = beside the data.</param>
    public static int Make(string data, string? folder) => Told(() => $"Copied to {Backups.Make(data, folder, DateTime.Now)}");

    /// <summary>Puts a copy back, while the program does not run.</summary>
    public static int Restore(string data, string file) => Told(() =>
    {
        using var held = DataFolder.Take(data);
        var kept = Backups.Restore(held, file, DateTime.Now);
        return $"{file} is now the database in {data}." + (kept is null ? "" : $" What was there is kept in {kept}.");
    });

    private static int Told(Func<string> work)
    {
        try
        {
            Console.Out.WriteLine(work());
            return 0;
        }
        catch (DataFolderException e)
        {
            Console.Error.WriteLine(e.Message);
            return Failed;
        }
    }
}
