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
public sealed record CopyJob(
    int Id, string Source, IReadOnlyList<string> Targets, string Name, string? Card, CopyPhase Phase, double Share, double? MegabytesPerSecond,
        double? SecondsLeft,
    string? File, int Files, IReadOnlyList<UnsafeFile> Unsafe, string? Problem, string? Recorded);

/// <summary>
/// Makes copies one after the other on each device, several at once on several. A copy that was cut off is begun again by whoever wants it,
/// and goes on where it was.
/// </summary>
internal sealed class CopyJobs(Roots roots, IServiceScopeFactory scopes, TimeProvider clock, IHostApplicationLifetime life) : IDisposable
{
    private const int JobsKept = 50;

    private readonly Lock one = new();
    private readonly List<Job> jobs = [];
    private readonly Dictionary<string, SemaphoreSlim> devices = new(StringComparer.Ordinal);
    private int last;

    private sealed class Job(int id, CopyWork work, Fact? copied) : IDisposable
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
    public IReadOnlyList<CopyJob> All()
    {
        lock (one) return [.. jobs.AsEnumerable().Reverse().Select(Told)];
    }

    /// <summary>Begins one.</summary>
    /// <param name="work">What is copied, inside of the roots.</param>
    /// <param name="copied">What is recorded once it is safe; null = nothing.</param>
    public CopyJob Begin(CopyWork work, Fact? copied)
    {
        Job job;
        lock (one)
        {
            jobs.Add(job = new Job(++last, work, copied));
            // What has ended long ago is forgotten.
            while (jobs.Count > JobsKept && jobs.Find(j => j.Result is not null) is { } old) jobs.Remove(old);
        }
        _ = Task.Run(() => RunAsync(job));
        return Told(job);
    }

    /// <summary>Stops one; false = there is none such.</summary>
    public bool Stop(int id)
    {
        lock (one)
        {
            if (jobs.Find(j => j.Id == id) is not { } job) return false;
            if (job.Result is null) job.Stop.Cancel();
            return true;
        }
    }

    private async Task RunAsync(Job job)
    {
        using var ends = CancellationTokenSource.CreateLinkedTokenSource(job.Stop.Token, life.ApplicationStopping);
        // Always in one order, so that none waits for the other.
        List<SemaphoreSlim> taken = [];
        try
        {
            foreach (var device in job.Work.Targets.Append(job.Work.Source).Select(p => roots.RootOf(p)!).Distinct(StringComparer.Ordinal)
                .Order(StringComparer.Ordinal))
            {
                await Device(device).WaitAsync(ends.Token);
                taken.Add(Device(device));
            }
            job.Since = clock.GetTimestamp();
            var result = new Copier(clock).Run(job.Work, step => (job.Step, job.Phase) = (step, step.Phase), ends.Token);
            if (result.IsSafe && job.Copied is { } fact) job.Unrecorded = await RecordAsync(job, fact, result);
            job.Result = result;
            job.Phase = result.IsWhole ? CopyPhase.Safe : CopyPhase.NotSafe;
        }
        catch (OperationCanceledException)
        {
            job.Result = new CopyResult(0, [], "It was stopped. What has arrived is kept; copy it again to go on.");
            job.Phase = CopyPhase.Stopped;
        }
        catch (Exception e)
        {
            // Whatever it is: whoever waits is told, and nothing is called safe.
            job.Result = new CopyResult(0, [], e.Message);
            job.Phase = CopyPhase.NotSafe;
        }
        finally
        {
            taken.ForEach(t => t.Release());
        }
    }

    /// <summary>A copy that was read back is a fact of its card, in each target.</summary>
    private async Task<string?> RecordAsync(Job job, Fact fact, CopyResult result)
    {
        await using var scope = scopes.CreateAsyncScope();
        var facts = job.Work.Targets.Where(t => !result.GivenUp.Any(g => g.Name == t))
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

    private CopyJob Told(Job job)
    {
        var (step, seconds) = (job.Step, job.Since == 0 ? 0 : clock.GetElapsedTime(job.Since).TotalSeconds);
        var done = step.Copied + step.Read;
        var speed = done > 0 && seconds > 0.2 && job.Result is null ? done / seconds : (double?)null;
        return new CopyJob(job.Id, job.Work.Source, job.Work.Targets, job.Work.Name, job.Copied?.Thing, job.Phase,
            job.Phase == CopyPhase.Safe ? 1 : step.Total == 0 ? 0 : (double)done / step.Total,
            speed / 1e6, (step.Total - done) / speed, job.Result is null ? step.File : null, job.Result?.Files ?? 0, job.Result?.Unsafe ?? [],
                job.Result?.Said, job.Unrecorded);
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        foreach (var device in devices.Values) device.Dispose();
        jobs.ForEach(j => j.Dispose());
    }
}
