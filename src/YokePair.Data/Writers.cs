using Microsoft.EntityFrameworkCore.Storage;

namespace YokePair.Data;

/// <summary>
/// One writer at a time. SQLite has room for one anyway; whoever waits here waits in turn and as long as it takes, not for so many
/// seconds and then in vain.
/// </summary>
public sealed class Writers : IDisposable
{
    private readonly SemaphoreSlim one = new(1);

    /// <summary>Waits for one's turn and begins a transaction, which ends with what is returned.</summary>
    internal async Task<Writing> BeginAsync(YokeContext db, CancellationToken cancel)
    {
        await one.WaitAsync(cancel);
        try
        {
            return new Writing(await db.Database.BeginTransactionAsync(cancel), one);
        }
        catch
        {
            one.Release();
            throw;
        }
    }

    /// <inheritdoc/>
    public void Dispose() => one.Dispose();
}

/// <summary>A turn to write.</summary>
/// <param name="transaction">All or nothing.</param>
/// <param name="one">Whose turn it is.</param>
internal sealed class Writing(IDbContextTransaction transaction, SemaphoreSlim one) : IAsyncDisposable
{
    private bool ended;

    /// <summary>Everything is on disk; the next may write.</summary>
    public async Task CommitAsync(CancellationToken cancel)
    {
        await transaction.CommitAsync(cancel);
        await DisposeAsync();
    }

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        if (ended) return;
        ended = true;
        try
        {
            await transaction.DisposeAsync();
        }
        finally
        {
            one.Release();
        }
    }
}
