using System.Globalization;
using Microsoft.Data.Sqlite;

namespace YokePair.Data;

/// <summary>Copies of the database: whole, looked through, and as it was at one moment, also while the program works in it.</summary>
public static class Backups
{
    /// <summary>Days of which a daily copy is kept.</summary>
    public const int Daily = 14;

    // A database, what was changed since it was last written to, and the index of that.
    private static readonly string[] Endings = ["", "-wal", "-shm"];

    private const string DailyPrefix = "daily-", MadePrefix = "backup-", ReplacedPrefix = "replaced-";

    /// <summary>Where copies lie unless one says where.</summary>
    public static string FolderIn(string data) => Path.Combine(data, "backups");

    /// <summary>The newest copy beside some data; null when there is none.</summary>
    public static string? NewestIn(string data) => Directory.Exists(FolderIn(data))
        ? Directory.EnumerateFiles(FolderIn(data), "*.db").OrderByDescending(File.GetLastWriteTimeUtc).FirstOrDefault() : null;

    /// <summary>Copies the database.</summary>
    /// <param name="data">The data folder; whoever works in it goes on.</param>
    /// <param name="folder">Where the copy goes; null = beside the data.</param>
    /// <param name="now">Goes into its name.</param>
    /// <returns>The copy.</returns>
    /// <exception cref="DataFolderException">There is nothing to copy, or no good copy could be made.</exception>
    public static string Make(string data, string? folder, DateTime now) =>
        Copy(data, folder ?? FolderIn(data), string.Create(CultureInfo.InvariantCulture, $"{MadePrefix}{now:yyyy-MM-dd-HHmmss}"));

    /// <summary>Copies the database for today, unless that was done, and lets go of the copies of long ago.</summary>
    /// <returns>Whether one was made.</returns>
    public static bool MakeDaily(string data, DateOnly today)
    {
        var name = string.Create(CultureInfo.InvariantCulture, $"{DailyPrefix}{today:yyyy-MM-dd}");
        if (File.Exists(Path.Combine(FolderIn(data), name + ".db"))) return false;
        Copy(data, FolderIn(data), name);
        foreach (var old in Directory.EnumerateFiles(FolderIn(data), DailyPrefix + "*.db").OrderDescending(StringComparer.Ordinal).Skip(Daily))
            File.Delete(old);
        return true;
    }

    /// <summary>Puts a copy in the place of the database. What was there is kept.</summary>
    /// <param name="folder">The data folder, held.</param>
    /// <param name="file">The copy.</param>
    /// <param name="now">Goes into the name of what is kept.</param>
    /// <returns>Where what was there is kept; null where there was nothing.</returns>
    /// <exception cref="DataFolderException">The copy is none, or cannot be put there. Nothing was changed.</exception>
    public static string? Restore(DataFolder folder, string file, DateTime now)
    {
        if (!File.Exists(file)) throw new DataFolderException($"There is no file {file}; name one of those in {FolderIn(folder.Path)}.");
        var fresh = Path.Combine(folder.Path, "restoring.db");
        try
        {
            foreach (var end in Endings[..2])
            {
                File.Delete(fresh + end);
                if (File.Exists(file + end)) File.Copy(file + end, fresh + end);
            }
            DataFolder.Close(fresh);
            using var copy = Database.Open(fresh, SqliteOpenMode.ReadWrite);
            LookThrough(copy, file);
        }
        catch (Exception e) when (e is DataFolderException or SqliteException or IOException)
        {
            foreach (var end in Endings) File.Delete(fresh + end);
            if (e is SqliteException said) throw DataFolder.Told(file, said);
            throw e is DataFolderException ? e : new DataFolderException($"{file} cannot be copied to {folder.Path} ({e.Message}); make room.", e);
        }
        var kept = Path.Combine(folder.Path, string.Create(CultureInfo.InvariantCulture, $"{ReplacedPrefix}{now:yyyy-MM-dd-HHmmss}"));
        var database = DataFolder.FileIn(folder.Path);
        string[] there = [.. Endings.Select(end => database + end).Where(File.Exists)];
        if (there.Length > 0) DataFolder.MakeFolder(kept);
        foreach (var old in there) File.Move(old, Path.Combine(kept, Path.GetFileName(old)));
        File.Move(fresh, database);
        return there.Length > 0 ? kept : null;
    }

    private static string Copy(string data, string folder, string name)
    {
        var database = DataFolder.FileIn(data);
        if (!File.Exists(database)) throw new DataFolderException($"There is no database in {data}; name its folder with --data.");
        var copy = Path.Combine(folder, name + ".db");
        var part = Path.Combine(folder, name + ".part");
        try
        {
            if (!Directory.Exists(folder)) DataFolder.MakeFolder(folder);
            File.Delete(part);
            CopyPages(database, part);
            File.Move(part, copy, overwrite: true);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new DataFolderException($"No copy could be made in {folder} ({e.Message}); make room, or name another folder.", e);
        }
        return copy;
    }

    /// <summary>Copies a database page by page, as SQLite does it beside whoever writes, and looks through what came of it.</summary>
    private static void CopyPages(string from, string to)
    {
        try
        {
            File.Create(to).Dispose();
            DataFolder.Close(to);
            using var source = Database.Open(from, SqliteOpenMode.ReadWrite);
            using var copy = Database.Open(to, SqliteOpenMode.ReadWrite);
            // Copying is no command, so that the command's time to wait for a lock does not hold for it.
            source.Run("PRAGMA busy_timeout=10000");
            source.BackupDatabase(copy);
            LookThrough(copy, from);
        }
        catch (SqliteException e)
        {
            throw DataFolder.Told(from, e);
        }
    }

    private static void LookThrough(SqliteConnection copy, string of)
    {
        // By itself and whole, with nothing beside it.
        copy.Run("PRAGMA journal_mode=DELETE");
        if (copy.Ask("PRAGMA integrity_check(1)") is not "ok")
            throw new DataFolderException($"{of} is damaged; there is no good copy to be had of it. Keep it, and take an older one.");
        if (copy.Ask("SELECT 1 FROM sqlite_master WHERE name = 'Assignments'") is null) throw new DataFolderException($"{of} is no database of Yoke Pair.");
    }
}
