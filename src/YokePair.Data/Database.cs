using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.DependencyInjection.Extensions;

namespace YokePair.Data;

/// <summary>Where the database is and how it is opened.</summary>
public static class Database
{
    /// <summary>Name of the file inside the data directory.</summary>
    public const string FileName = "yoke-pair.db";

    /// <summary>Registers the store on the SQLite file in a directory, which is made if it is not there.</summary>
    public static IServiceCollection AddPlanStore(this IServiceCollection services, string directory)
    {
        Directory.CreateDirectory(directory);
        var connection = new SqliteConnectionStringBuilder { DataSource = Path.Combine(directory, FileName), ForeignKeys = true, DefaultTimeout = 10 };
        services.TryAddSingleton(TimeProvider.System);
        return services.AddDbContextPool<YokeContext>(o => o.UseSqlite(connection.ToString())).AddScoped<PlanStore>().AddScoped<LockerStore>()
            .AddSingleton<PlanMemory>().AddSingleton<LockerMemory>();
    }

    /// <summary>
    /// Brings the file up to date and into write-ahead mode. SQLite's own default of a full sync at every commit stays:
    /// a change that was acknowledged survives a killed server and a pulled plug.
    /// </summary>
    public static async Task PrepareAsync(YokeContext db, CancellationToken cancel = default)
    {
        await db.Database.MigrateAsync(cancel);
        await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL", cancel);
    }
}
