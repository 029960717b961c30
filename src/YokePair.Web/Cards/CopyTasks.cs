using YokePair.Core.Record;
using YokePair.Data.Files;

namespace YokePair.Web.Cards;

/// <summary>A copy that is made, or was.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Source">Full path of what is copied.</param>
/// <param name="Targets">Full paths of the folders that bags go into; none = a bag is read again.</param>
/// <param name="Name">Name of the bag.</param>
/// <param name="Card">Id of the card it is of; null = of none.</param>
/// <param name="Phase">How it stands.</param>
/// <param name="Share">Share of it that is done.</param>
/// <param name="MegabytesPerSecond">How fast it goes; null = not known yet.</param>
/// <param name="SecondsLeft">How long it takes still; null = not known yet.</param>
/// <param name="File">Name of the file at hand.</param>
/// <param name="Files">Files that are safe, once it has ended.</param>
/// <param name="Unsafe">Files that are not.</param>
/// <param name="Problem">What ended it before its time.</param>
/// <param name="Recorded">Why the copy is not in the book of cards; null = it is, or it is of no card.</param>
public sealed record CopyTask(
    int Id, string Source, IReadOnlyList<string> Targets, string Name, string? Card, CopyPhase Phase, double Share, double? MegabytesPerSecond,
        double? SecondsLeft,
    string? File, int Files, IReadOnlyList<UnsafeFile> Unsafe, string? Problem, string? Recorded);

/// <summary>
/// Makes copies one after the other on each device, several at once on several. A copy that was cut off is begun again by whoever wants it,
/// and goes on where it was.
/// </summary>
internal sealed class CopyTasks(Roots roots, IServiceScopeFactory scopes, TimeProvider clock, IHostApplicationLifetime life) : IDisposable
{
    private const int CopiesKept = 50;

    private readonly Lock one = new();
    private readonly List<Copy> copies = [];
    private readonly Dictionary<string, SemaphoreSlim> devices = new(StringComparer.Ordinal);
    private int last;

    private sealed class Copy(int id, CopyWork work, Fact? copied) : IDisposable
    {
        public int Id => id;

        public CopyWork Work => work;

        public Fact? Copied => copied;

        public CancellationTokenSource Stop { get; } = new();

        public CopyPhase Phase { get; set; } = CopyPhase.Waiting;

        public CopyStep Step { get; set; }

        public long Since { get; set; }

        public CopyResult? Result { get; set; }

        public string? Unrecorded { get; set; }

        public void Dispose() => Stop.Dispose();
    }

    /// <summary>All of them, the newest first.</summary>
    public IReadOnlyList<CopyTask> All()
    {
        lock (one) return [.. copies.AsEnumerable().Reverse().Select(Told)];
    }

    /// <summary>Begins one.</summary>
    /// <param name="work">What is copied, inside of the roots.</param>
    /// <param name="copied">What is recorded once it is safe; null = nothing.</param>
    public CopyTask Begin(CopyWork work, Fact? copied)
    {
        Copy copy;
        lock (one)
        {
            copies.Add(copy = new Copy(++last, work, copied));
            // What has ended long ago is forgotten.
            while (copies.Count > CopiesKept && copies.Find(j => j.Result is not null) is { } old) copies.Remove(old);
        }
        _ = Task.Run(() => RunAsync(copy));
        return Told(copy);
    }

    /// <summary>Stops one; false = there is none such.</summary>
    public bool Stop(int id)
    {
        lock (one)
        {
            if (copies.Find(j => j.Id == id) is not { } copy) return false;
            if (copy.Result is null) copy.Stop.Cancel();
            return true;
        }
    }

    private async Task RunAsync(Copy copy)
    {
        using var ends = CancellationTokenSource.CreateLinkedTokenSource(copy.Stop.Token, life.ApplicationStopping);
        // Always in one order, so that none waits for the other.
        List<SemaphoreSlim> taken = [];
        try
        {
            foreach (var device in copy.Work.Targets.Append(copy.Work.Source).Select(p => roots.RootOf(p)!).Distinct(StringComparer.Ordinal)
                .Order(StringComparer.Ordinal))
            {
                await Device(device).WaitAsync(ends.Token);
                taken.Add(Device(device));
            }
            copy.Since = clock.GetTimestamp();
            var result = new Copier(clock).Run(copy.Work, step => (copy.Step, copy.Phase) = (step, step.Phase), ends.Token);
            if (result.IsSafe && copy.Copied is { } fact) copy.Unrecorded = await RecordAsync(copy, fact, result);
            copy.Result = result;
            copy.Phase = result.IsWhole ? CopyPhase.Safe : CopyPhase.NotSafe;
        }
        catch (OperationCanceledException)
        {
            copy.Result = new CopyResult(0, [], "It was stopped. What has arrived is kept; copy it again to go on.");
            copy.Phase = CopyPhase.Stopped;
        }
        catch (Exception e)
        {
            // Whatever it is: whoever waits is told, and nothing is called safe.
            copy.Result = new CopyResult(0, [], e.Message);
            copy.Phase = CopyPhase.NotSafe;
        }
        finally
        {
            taken.ForEach(t => t.Release());
        }
    }

    /// <summary>A copy that was read back is a fact of its card, in each target.</summary>
    private async Task<string?> RecordAsync(Copy copy, Fact fact, CopyResult result)
    {
        await using var scope = scopes.CreateAsyncScope();
        var facts = copy.Work.Targets.Where(t => !result.GivenUp.Any(g => g.Name == t))
            .Select(t => fact with { Where = Path.GetFileName(t), At = clock.GetUtcNow().UtcDateTime })
            .SelectMany(f => new[] { f, f with { Kind = FactKind.Verified } });
        return await scope.ServiceProvider.GetRequiredService<Book>().TryAddAsync([.. facts], CancellationToken.None) is { } refused
            ? refused.Why : null;
    }

    private SemaphoreSlim Device(string root)
    {
        lock (one)
        {
            if (!devices.TryGetValue(root, out var device)) devices.Add(root, device = new SemaphoreSlim(1));
            return device;
        }
    }

    private CopyTask Told(Copy copy)
    {
        var (step, seconds) = (copy.Step, copy.Since == 0 ? 0 : clock.GetElapsedTime(copy.Since).TotalSeconds);
        var done = step.Copied + step.Read;
        var speed = done > 0 && seconds > 0.2 && copy.Result is null ? done / seconds : (double?)null;
        return new CopyTask(copy.Id, copy.Work.Source, copy.Work.Targets, copy.Work.Name, copy.Copied?.Thing, copy.Phase,
            copy.Phase == CopyPhase.Safe ? 1 : step.Total == 0 ? 0 : (double)done / step.Total,
            speed / 1e6, (step.Total - done) / speed, copy.Result is null ? step.File : null, copy.Result?.Files ?? 0, copy.Result?.Unsafe ?? [],
                copy.Result?.Said, copy.Unrecorded);
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        foreach (var device in devices.Values) device.Dispose();
        copies.ForEach(j => j.Dispose());
    }
}
