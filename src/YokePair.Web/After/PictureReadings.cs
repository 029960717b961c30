using YokePair.Core.Taken;
using YokePair.Data.Files;
using YokePair.Data.Pictures;

namespace YokePair.Web.After;

/// <summary>How the reading of a day's pictures stands.</summary>
/// <param name="Folder">What is read.</param>
/// <param name="Delivered">Where the delivered ones are; null = nobody said.</param>
/// <param name="Read">Files read so far.</param>
/// <param name="Total">Files there are, as far as is known.</param>
/// <param name="Running">Whether it goes on.</param>
/// <param name="Problem">What ended it before its time.</param>
public sealed record PictureReading(string Folder, string? Delivered, int Read, int Total, bool Running, string? Problem);

/// <summary>Reads folders of pictures beside the requests, one after the other. What was read is kept once all of it was.</summary>
internal sealed class PictureReadings(IServiceScopeFactory scopes, IHostApplicationLifetime life, TimeProvider clock) : IDisposable
{
    private readonly Lock one = new();
    private readonly Dictionary<string, Reading> readings = new(StringComparer.Ordinal);
    private readonly SemaphoreSlim turn = new(1);

    private sealed record Reading(string Folder, string? Delivered, CancellationTokenSource Stop)
    {
        public ReadingStep First { get; set; }

        public ReadingStep Second { get; set; }

        public bool Running { get; set; } = true;

        public string? Problem { get; set; }
    }

    /// <summary>How it stands with an assignment; null = nothing was begun since the start.</summary>
    public PictureReading? Of(string key)
    {
        lock (one)
            return readings.GetValueOrDefault(key) is not { } reading ? null : new PictureReading(
                reading.Folder, reading.Delivered, reading.First.Read + reading.Second.Read, reading.First.Total + reading.Second.Total, reading.Running,
                    reading.Problem);
    }

    /// <summary>Begins to read; what is being read of that assignment is stopped.</summary>
    public void Begin(string key, string folder, string? delivered)
    {
        var reading = new Reading(folder, delivered, new CancellationTokenSource());
        lock (one)
        {
            if (readings.GetValueOrDefault(key) is { Running: true } before) before.Stop.Cancel();
            readings[key] = reading;
        }
        _ = Task.Run(() => RunAsync(key, reading));
    }

    /// <summary>Stops it; false = nothing is being read.</summary>
    public bool Stop(string key)
    {
        lock (one)
        {
            if (readings.GetValueOrDefault(key) is not { Running: true } reading) return false;
            reading.Stop.Cancel();
            return true;
        }
    }

    private async Task RunAsync(string key, Reading reading)
    {
        using var ends = CancellationTokenSource.CreateLinkedTokenSource(reading.Stop.Token, life.ApplicationStopping);
        try
        {
            await turn.WaitAsync(ends.Token);
            try
            {
                var all = PictureFolder.Read(reading.Folder, step => reading.First = step, ends.Token);
                var delivered = reading.Delivered is null ? null : PictureFolder.Read(reading.Delivered, step => reading.Second = step, ends.Token);
                if (all.Told.Count == 0) reading.Problem = all.Faulty.Count == 0 ? "There is no picture in it."
                    : $"None of its {all.Faulty.Count} pictures could be read: {all.Faulty[0].Name} {all.Faulty[0].Why}.";
                else await KeepAsync(key, reading, TakenRoll.Of(all.Told, delivered?.Told), [.. all.Faulty, .. delivered?.Faulty ?? []], ends.Token);
            }
            finally
            {
                turn.Release();
            }
        }
        catch (OperationCanceledException)
        {
            reading.Problem = "It was stopped; what was known before is kept.";
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or System.Data.Common.DbException)
        {
            reading.Problem = e.Message;
        }
        finally
        {
            reading.Running = false;
        }
    }

    private async Task KeepAsync(string key, Reading reading, TakenRoll roll, IReadOnlyList<UnsafeFile> faulty, CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        await scope.ServiceProvider.GetRequiredService<DaysUsed>()
            .KeepAsync(key, reading.Folder, reading.Delivered, roll, faulty, clock.GetUtcNow().UtcDateTime, cancel);
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        turn.Dispose();
        foreach (var reading in readings.Values) reading.Stop.Dispose();
    }
}
