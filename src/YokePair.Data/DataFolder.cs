using Microsoft.Data.Sqlite;

namespace YokePair.Data;

/// <summary>Why the data cannot be used as they are, in a sentence with what to do. Nothing was touched.</summary>
public sealed class DataFolderException : Exception
{
    /// <param name="message">The sentence.</param>
    /// <param name="cause">What was met with.</param>
    public DataFolderException(string message, Exception? cause = null) : base(message, cause)
    {
    }
}

/// <summary>
/// The folder that holds the database, taken for one program at a time: an operating-system lock that ends with the program, however that
/// ends.
/// </summary>
public sealed class DataFolder : IDisposable
{
    private const string LockName = "yoke-pair.lock";
    private const UnixFileMode OwnersFolder = UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute;
    private const UnixFileMode OwnersFile = UnixFileMode.UserRead | UnixFileMode.UserWrite;

    /// <summary>Room, bytes, below which nothing is begun.</summary>
    private const long LeastRoom = 4 * 1024 * 1024;

    // What the lock of a file says where another has it: EAGAIN of Linux and of macOS, ERROR_SHARING_VIOLATION of Windows.
    private static readonly int[] HeldByAnother = [11, 35, unchecked((int)0x80070020)];

    private readonly FileStream held;

    private DataFolder(string path, FileStream held) => (Path, this.held) = (path, held);

    /// <summary>Where it is.</summary>
    public string Path { get; }

    /// <summary>The user's own, outside any checkout.</summary>
    public static string Default => Environment.GetEnvironmentVariable("YOKE_DATA") ?? System.IO.Path.Combine(
        Environment.GetFolderPath(Environment.SpecialFolder.LocalApplicationData, Environment.SpecialFolderOption.DoNotVerify), "yoke-pair");

    /// <summary>The database in a folder.</summary>
    public static string FileIn(string folder) => System.IO.Path.Combine(folder, Database.FileName);

    /// <summary>Takes a folder, which is made if it is not there.</summary>
    /// <exception cref="DataFolderException">Another program has it, or it cannot be written to.</exception>
    public static DataFolder Take(string folder)
    {
        try
        {
            if (!Directory.Exists(folder)) MakeFolder(folder);
            else if (File.Exists(FileIn(folder)) && !OperatingSystem.IsWindows()) File.SetUnixFileMode(folder, OwnersFolder);
            return new DataFolder(folder, Lock(folder));
        }
        catch (UnauthorizedAccessException e)
        {
            throw new DataFolderException($"The data folder {folder} may not be written to; give it back to its owner, or name another with --data.", e);
        }
        catch (IOException e) when (HeldByAnother.Contains(e.HResult))
        {
            throw new DataFolderException($"Yoke Pair is running already on {folder}; use that one, or name another folder with --data.", e);
        }
        catch (IOException e)
        {
            throw new DataFolderException(
                $"The data folder {folder} cannot be made or written to ({e.Message}); let it be written to, or name another with --data.", e);
        }
    }

    /// <summary>Makes a folder that only its owner looks into.</summary>
    internal static void MakeFolder(string folder)
    {
        if (OperatingSystem.IsWindows()) Directory.CreateDirectory(folder);
        else Directory.CreateDirectory(folder, OwnersFolder);
    }

    /// <summary>Lets only its owner read a file.</summary>
    internal static void Close(string file)
    {
        if (!OperatingSystem.IsWindows()) File.SetUnixFileMode(file, OwnersFile);
    }

    /// <summary>Looks at what is there before it is used, and makes an empty database where there never was one.</summary>
    /// <returns>Whether the database is as this program needs it.</returns>
    /// <exception cref="DataFolderException">It is not to be used.</exception>
    public bool Check(IReadOnlyList<string> migrations)
    {
        var file = FileIn(Path);
        var size = File.Exists(file) ? new FileInfo(file).Length : 0;
        if (size == 0 && HasChanges(file))
            throw new DataFolderException(
                $"{file} is missing or empty, but changes made to it lie beside it in {Database.FileName}-wal; put the database back there, "
                + "or move both away and take a copy with ./yoke restore FILE.");
        if (size == 0 && Backups.NewestIn(Path) is { } backup)
            throw new DataFolderException(
                $"{file} is missing or empty, but there are copies of it; take the newest with ./yoke restore {backup}, "
                + $"or move {Backups.FolderIn(Path)} away to begin anew.");
        if (new DriveInfo(Path).AvailableFreeSpace < LeastRoom)
            throw new DataFolderException($"The disk that holds {Path} is full; make room on it and start again.");
        if (size == 0)
        {
            // What lies beside it takes over who may read it.
            File.Create(file).Dispose();
            Close(file);
            return false;
        }
        Close(file);
        return Ask(file, migrations);
    }

    /// <inheritdoc/>
    public void Dispose() => held.Dispose();

    private static FileStream Lock(string folder)
    {
        var file = System.IO.Path.Combine(folder, LockName);
        var stream = new FileStream(file, FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        Close(file);
        return stream;
    }

    private static bool HasChanges(string file) => File.Exists(file + "-wal") && new FileInfo(file + "-wal").Length > 0;

    private static bool Ask(string file, IReadOnlyList<string> migrations)
    {
        try
        {
            using var db = Database.Open(file, SqliteOpenMode.ReadWrite);
            // Says at once whether it can be written, and gives a lock that an unclean end left in it back.
            db.Run("BEGIN IMMEDIATE");
            db.Run("ROLLBACK");
            if (db.Ask("PRAGMA quick_check(1)") is not "ok") throw Damaged(file, null);
            if (db.Ask("SELECT 1 FROM sqlite_master WHERE name = '__EFMigrationsHistory'") is null) return false;
            var made = db.List("SELECT MigrationId FROM __EFMigrationsHistory");
            if (made.Except(migrations, StringComparer.Ordinal).FirstOrDefault() is { } newer)
                throw new DataFolderException(
                    $"{file} was made by a newer Yoke Pair ({newer}); start that one, or take a copy of before with ./yoke restore FILE.");
            // A copy that was put back is not in this mode.
            db.Run("PRAGMA journal_mode=WAL");
            return made.Count == migrations.Count;
        }
        catch (SqliteException e)
        {
            throw Told(file, e);
        }
    }

    /// <summary>What SQLite says, in words.</summary>
    internal static DataFolderException Told(string file, SqliteException e) => e.SqliteErrorCode switch
    {
        8 or 14 => new DataFolderException($"{file} may not be written to; give it and its folder back to their owner, and start again.", e),
        13 => new DataFolderException($"The disk that holds {file} is full; make room on it and start again.", e),
        5 or 6 => new DataFolderException($"Another program is at work in {file}; end it and start again.", e),
        11 or 26 => Damaged(file, e),
        _ => new DataFolderException($"{file} cannot be opened ({e.Message}); keep it as it is, and take a copy with ./yoke restore FILE.", e),
    };

    private static DataFolderException Damaged(string file, Exception? cause) => new(
        $"{file} is damaged or no database; keep it, and take the newest good copy with ./yoke restore "
        + (Backups.NewestIn(System.IO.Path.GetDirectoryName(file)!) ?? "FILE") + ".", cause);
}
