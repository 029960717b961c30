namespace YokePair.Web.Sessions;

/// <summary>
/// Gives memory back when nobody has asked for anything for a while: the program runs beside others on a laptop, and a collection then
/// holds nobody up.
/// </summary>
public sealed class QuietTimes(SessionCache cache, TimeProvider clock) : BackgroundService
{
    private static readonly TimeSpan Quiet = TimeSpan.FromSeconds(30);

    private long last;
    private volatile bool asked;

    /// <summary>Somebody asks for something.</summary>
    public void Note()
    {
        Volatile.Write(ref last, clock.GetTimestamp());
        asked = true;
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        for (; ; await Task.Delay(Quiet / 3, clock, stoppingToken))
        {
            if (!asked || clock.GetElapsedTime(Volatile.Read(ref last)) < Quiet) continue;
            asked = false;
            cache.Trim();
            GC.Collect(GC.MaxGeneration, GCCollectionMode.Aggressive, blocking: true, compacting: true);
        }
    }
}
