using Microsoft.Extensions.DependencyInjection;

namespace YokePair.Data.Tests;

/// <summary>A store on a real SQLite file of its own, gone afterwards.</summary>
public abstract class StoreTests : IAsyncLifetime
{
    /// <summary>Folder of the file.</summary>
    protected string Folder { get; } = Path.Combine(Path.GetTempPath(), $"yoke-data-{Guid.NewGuid():N}");

    /// <summary>What the program would have.</summary>
    protected ServiceProvider Services { get; private set; } = null!;

    public async ValueTask InitializeAsync()
    {
        Services = Open();
        await using var scope = Services.CreateAsyncScope();
        await Database.PrepareAsync(scope.ServiceProvider.GetRequiredService<YokeContext>(), TestContext.Current.CancellationToken);
    }

    /// <summary>The program ended and started again.</summary>
    protected async Task RestartAsync()
    {
        await Services.DisposeAsync();
        Services = Open();
    }

    private ServiceProvider Open() => new ServiceCollection().AddPlanStore(Folder).BuildServiceProvider();

    public async ValueTask DisposeAsync()
    {
        await Services.DisposeAsync();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(Folder, recursive: true);
        GC.SuppressFinalize(this);
    }
}
