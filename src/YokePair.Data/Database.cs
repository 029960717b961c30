using System.Reflection;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Migrations;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.DependencyInjection.Extensions;

namespace YokePair.Data;

/// <summary>Where the database is and how it is opened.</summary>
public static class Database
{
    /// <summary>Name of the file inside the data directory.</summary>
    public const string FileName = "yoke-pair.db";

    /// <summary>Every migration this program knows, in order; told without building the model, which takes longer than all else of a start.</summary>
    public static IReadOnlyList<string> Migrations { get; } =
    [
        .. typeof(Database).Assembly.GetTypes().Select(t => t.GetCustomAttribute<MigrationAttribute>()?.Id).OfType<string>().Order(StringComparer.Ordinal),
    ];

    /// <summary>Registers the store on the SQLite file in a directory, which is made if it is not there.</summary>
    public static IServiceCollection AddPlanStore(this IServiceCollection services, string directory)
    {
        if (!Directory.Exists(directory)) DataFolder.MakeFolder(directory);
        var connection = new SqliteConnectionStringBuilder { DataSource = DataFolder.FileIn(directory), ForeignKeys = true, DefaultTimeout = 10 };
        services.TryAddSingleton(TimeProvider.System);
        return services.AddDbContextPool<YokeContext>(o => o.UseSqlite(connection.ToString())).AddScoped<PlanStore>().AddScoped<LockerStore>()
            .AddScoped<RecordStore>().AddScoped<PhoneStore>().AddScoped<UsedStore>()
            .AddSingleton<PlanMemory>().AddSingleton<LockerMemory>().AddSingleton<RecordMemory>().AddSingleton<UsedMemory>().AddSingleton<Writers>();
    }

    /// <summary>
    /// Brings the file up to date and into write-ahead mode. SQLite's own default of a full sync at every commit stays:
    /// a change that was acknowledged survives a killed server and a pulled plug.
    /// </summary>
    public static async Task PrepareAsync(YokeContext db, CancellationToken cancel = default)
    {
        // Whoever prepares it holds the folder: a lock that is still written down is of a start that was cut off, and waited for by every later one.
        await db.Database.OpenConnectionAsync(cancel);
        var connection = (SqliteConnection)db.Database.GetDbConnection();
        if (connection.Ask("SELECT 1 FROM sqlite_master WHERE name = '__EFMigrationsLock'") is not null) connection.Run("DELETE FROM __EFMigrationsLock");
        await db.Database.MigrateAsync(cancel);
        connection.Run("PRAGMA journal_mode=WAL");
        await db.Database.CloseConnectionAsync();
    }

    /// <summary>Opens a database by itself, outside the model.</summary>
    internal static SqliteConnection Open(string file, SqliteOpenMode mode)
    {
        var db = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = file, Mode = mode, Pooling = false, DefaultTimeout = 10 }.ToString());
        db.Open();
        return db;
    }

    internal static void Run(this SqliteConnection db, string sql)
    {
        using var command = db.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    /// <summary>The first figure of an answer, as text; null where there is none.</summary>
    internal static string? Ask(this SqliteConnection db, string sql) => db.List(sql).FirstOrDefault();

    internal static List<string> List(this SqliteConnection db, string sql)
    {
        using var command = db.CreateCommand();
        command.CommandText = sql;
        using var reader = command.ExecuteReader();
        var found = new List<string>();
        while (reader.Read()) found.Add(reader.GetString(0));
        return found;
    }
}
