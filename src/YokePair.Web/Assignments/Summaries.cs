using System.Collections.Concurrent;
using System.Text.Json;
using System.Threading.Channels;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Wording;
using YokePair.Data;
using YokePair.Web.Sessions;

namespace YokePair.Web.Assignments;

/// <summary>What was worked out of an assignment for the list.</summary>
/// <param name="Kind">Free word.</param>
/// <param name="End">When it ends.</param>
/// <param name="People">How many people.</param>
/// <param name="Things">How many things are packed.</param>
/// <param name="Strands">Strands of its weakest part.</param>
/// <param name="Verdict">The verdict.</param>
public sealed record Summary(string? Kind, DateTime? End, int People, int Things, int Strands, VerdictText Verdict);

/// <summary>
/// Works out what the list shows, once for each revision, beside the requests: no plan, however hard to analyse, keeps the others from
/// being listed. What was worked out is stored with the assignment.
/// </summary>
public sealed partial class Summaries(IServiceScopeFactory scopes, ILogger<Summaries> log) : BackgroundService
{
    private static readonly TimeSpan Quiet = TimeSpan.FromSeconds(1);

    private readonly ConcurrentDictionary<string, Session> newest = new(StringComparer.Ordinal);
    private readonly ConcurrentDictionary<(string Key, int Revision), string> faults = new();
    private readonly ConcurrentDictionary<string, (byte[] Bytes, Summary? Summary)> read = new(StringComparer.Ordinal);
    private readonly Channel<string> wanted = Channel.CreateUnbounded<string>();
    private readonly ConcurrentDictionary<string, TaskCompletionSource> waiting = new(StringComparer.Ordinal);

    /// <summary>The summary a stored one holds. What was read last is kept: of hundreds of assignments hardly one changes between two looks.</summary>
    public Summary? Of(StoredSummary stored)
    {
        if (stored.Summary is not { } bytes) return null;
        if (read.TryGetValue(stored.Key, out var last) && last.Bytes.AsSpan().SequenceEqual(bytes)) return last.Summary;
        var summary = Read(bytes);
        read[stored.Key] = (bytes, summary);
        return summary;
    }

    private static Summary? Read(byte[] stored)
    {
        try
        {
            return JsonSerializer.Deserialize<Summary>(stored, PlanFile.JsonOptions);
        }
        catch (JsonException)
        {
            // It says nothing that cannot be worked out again.
            return null;
        }
    }

    /// <summary>Why a revision of an assignment cannot be read; null where it can, or was not asked for.</summary>
    public string? Fault(string key, int revision) => faults.GetValueOrDefault((key, revision));

    /// <summary>Stores what a session has worked out already, once nothing newer has come for a moment: whoever edits waits for no list.</summary>
    public void Keep(Session session, Report report)
    {
        newest[session.Stored.Key] = session;
        _ = KeepWhenQuietAsync(session, report);
    }

    /// <summary>Asks for the summary of an assignment; done when it is stored, or cannot be had.</summary>
    public Task WorkOut(string key)
    {
        var done = waiting.GetOrAdd(key, _ =>
        {
            wanted.Writer.TryWrite(key);
            return new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
        });
        return done.Task;
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await foreach (var key in wanted.Reader.ReadAllAsync(stoppingToken))
        {
            await WorkOutAsync(key, stoppingToken);
            if (waiting.TryRemove(key, out var done)) done.TrySetResult();
        }
    }

    private async Task WorkOutAsync(string key, CancellationToken stop)
    {
        try
        {
            await using var scope = scopes.CreateAsyncScope();
            if (await scope.ServiceProvider.GetRequiredService<Days>().PassingAsync(key, stop) is { } session) await KeepAsync(session, session.Board);
        }
        catch (UnreadableDayException e)
        {
            faults[(key, e.Revision)] = e.Why;
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            NotWorkedOut(e, key);
        }
    }

    private async Task KeepWhenQuietAsync(Session session, Report report)
    {
        await Task.Delay(Quiet);
        if (newest.TryRemove(new(session.Stored.Key, session))) await KeepAsync(session, report);
    }

    private async Task KeepAsync(Session session, Report report)
    {
        try
        {
            var plan = session.Plan;
            var summary = new Summary(plan.Assignment.Kind, plan.Parts.Max(p => p.End), plan.People.Count, plan.Items.Count,
                report.Parts.Select(p => p.Strands).DefaultIfEmpty(3).Min(), report.VerdictParts);
            await using var scope = scopes.CreateAsyncScope();
            await scope.ServiceProvider.GetRequiredService<PlanStore>()
                .KeepSummaryAsync(session.Stored.Key, JsonSerializer.SerializeToUtf8Bytes(summary, PlanFile.JsonOptions),
                    new SummaryState(session.Stored.Revision, session.Locker));
        }
        catch (Exception e) when (e is System.Data.Common.DbException or ObjectDisposedException)
        {
            // It is worked out again when it is next asked for.
            NotStored(e, session.Stored.Key);
        }
    }

    [LoggerMessage(LogLevel.Warning, "The verdict on {Key} could not be worked out.")]
    private partial void NotWorkedOut(Exception cause, string key);

    [LoggerMessage(LogLevel.Debug, "The verdict on {Key} was not stored.")]
    private partial void NotStored(Exception cause, string key);
}
