using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using System.Security.Cryptography;
using Microsoft.Data.Sqlite;
using YokePair.Data;

namespace YokePair.Web.Tests;

/// <summary>What keeps the program from starting is told in one sentence with what to do, exit code 1, and nothing is touched.</summary>
public sealed class StartTests : IDisposable
{
    private readonly string folder = Path.Combine(Path.GetTempPath(), $"yoke-start-{Guid.NewGuid():N}");

    private bool asNobody;

    private string File => DataFolder.FileIn(folder);

    public StartTests()
    {
        Assert.Equal(0, Run(end: true).Code);
        SqliteConnection.ClearAllPools();
    }

    public void Dispose() => Directory.Delete(folder, recursive: true);

    [Fact]
    public void A_second_program_on_one_folder()
    {
        using var held = DataFolder.Take(folder);
        Refused("is running already on");
    }

    [Fact]
    public void A_database_of_a_newer_program()
    {
        Do("INSERT INTO __EFMigrationsHistory VALUES ('29991231235959_Later', '99.0')");
        Refused("was made by a newer Yoke Pair");
    }

    [Fact]
    public void Changes_without_their_database()
    {
        System.IO.File.Delete(File);
        System.IO.File.WriteAllBytes(File + "-wal", new byte[5000]);
        Refused("is missing or empty, but changes made to it lie beside it");
        Assert.False(System.IO.File.Exists(File));
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void No_database_where_there_are_copies(bool empty)
    {
        Backups.Make(folder, null, new DateTime(2027, 6, 12, 8, 0, 0));
        foreach (var end in (string[])["", "-wal", "-shm"]) System.IO.File.Delete(File + end);
        if (empty) System.IO.File.Create(File).Dispose();
        Refused("take the newest with ./yoke restore");
    }

    [Theory]
    [InlineData(0)]
    [InlineData(8192)]
    public void A_damaged_database(int at)
    {
        Do("PRAGMA wal_checkpoint(TRUNCATE)");
        using (var file = System.IO.File.OpenWrite(File))
        {
            file.Position = at;
            file.Write(RandomNumberGenerator.GetBytes(4096));
        }
        Refused("is damaged or no database");
    }

    [Fact]
    public void A_port_that_is_taken()
    {
        using var other = new TcpListener(IPAddress.Loopback, 0);
        other.Start();
        var port = ((IPEndPoint)other.LocalEndpoint).Port;
        Refused($"Port {port} is taken", "--urls", $"http://127.0.0.1:{port}");
    }

    /// <summary>The folder belongs to somebody else, or lies where nothing may be written.</summary>
    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void What_may_only_be_read(bool folderToo)
    {
        if (OperatingSystem.IsWindows()) return;
        Do("PRAGMA wal_checkpoint(TRUNCATE)");
        const UnixFileMode Read = UnixFileMode.UserRead | UnixFileMode.GroupRead | UnixFileMode.OtherRead;
        const UnixFileMode Enter = UnixFileMode.UserExecute | UnixFileMode.GroupExecute | UnixFileMode.OtherExecute;
        foreach (var file in Directory.GetFiles(folder)) System.IO.File.SetUnixFileMode(file, Read);
        System.IO.File.SetUnixFileMode(folder, Read | Enter | (folderToo ? 0 : UnixFileMode.UserWrite | UnixFileMode.GroupWrite | UnixFileMode.OtherWrite));
        asNobody = Environment.IsPrivilegedProcess;
        Refused("may not be written to");
        System.IO.File.SetUnixFileMode(folder, Read | Enter | UnixFileMode.UserWrite);
    }

    [Fact]
    public void A_page_that_was_not_built() => Refused("The page was not built", "--webroot", folder);

    [Fact]
    public void Only_its_owner_looks_into_the_folder()
    {
        if (OperatingSystem.IsWindows()) return;
        Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute, System.IO.File.GetUnixFileMode(folder));
        var copy = Backups.Make(folder, null, DateTime.Now);
        foreach (var file in (string[])[File, copy]) Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, System.IO.File.GetUnixFileMode(file));
    }

    private void Refused(string says, params string[] more)
    {
        var before = Hash();
        var (code, said) = Run(end: false, more);
        Assert.Equal(1, code);
        Assert.Contains(says, said, StringComparison.Ordinal);
        Assert.Single(said.Split('\n', StringSplitOptions.RemoveEmptyEntries));
        Assert.Equal(before, Hash());
    }

    /// <summary>The built program on a folder, its output to be read.</summary>
    internal static Process Program(string folder, params string[] more) => Program(folder, false, more);

    /// <summary>Likewise; as a user who owns nothing, since root may write anywhere.</summary>
    private static Process Program(string folder, bool asNobody, string[] more)
    {
        var configuration = AppContext.BaseDirectory.Contains("/Release/", StringComparison.Ordinal) ? "Release" : "Debug";
        string[] built = [Path.Combine(App.Root, $"src/YokePair.Web/bin/{configuration}/net10.0/YokePair.Web.dll"), "--contentRoot",
            Path.Combine(App.Root, "src/YokePair.Web")];
        string[] who = asNobody ? ["setpriv", "--reuid=65534", "--regid=65534", "--clear-groups", "dotnet"] : ["dotnet"];
        return Process.Start(new ProcessStartInfo(who[0], [.. who[1..], .. built, "--data", folder, .. more])
        {
            RedirectStandardError = true,
            RedirectStandardOutput = true
        })!;
    }

    private string Hash() => System.IO.File.Exists(File) ? Convert.ToHexString(SHA256.HashData(System.IO.File.ReadAllBytes(File))) : "none";

    private void Do(string sql)
    {
        using var db = new SqliteConnection($"Data Source={File};Pooling=false");
        db.Open();
        using var command = db.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    /// <summary>Starts the program and waits for its end, or ends it as soon as it listens.</summary>
    private (int Code, string Said) Run(bool end, params string[] more)
    {
        string[] page = more.Contains("--webroot") ? [] : ["--webroot", Path.Combine(App.Root, "web/dist")];
        string[] urls = more.Contains("--urls") ? [] : ["--urls", "http://127.0.0.1:0"];
        using var program = Program(folder, asNobody, [.. page, .. urls, .. more]);
        program.OutputDataReceived += (_, line) =>
        {
            if (end && line.Data?.Contains("Application started", StringComparison.Ordinal) == true) Process.Start("kill",
                ["-TERM", program.Id.ToString(System.Globalization.CultureInfo.InvariantCulture)]).WaitForExit();
        };
        program.BeginOutputReadLine();
        var said = program.StandardError.ReadToEnd();
        Assert.True(program.WaitForExit(60_000));
        return (program.ExitCode, said);
    }
}
