using System.Globalization;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;
using YokePair.Core.Editing;
using YokePair.Core.Plans;
using YokePair.Core.Season;

namespace YokePair.Data;

/// <summary>An assignment as it is kept.</summary>
/// <param name="Key">Key in URLs.</param>
/// <param name="Revision">Counts its changes.</param>
/// <param name="Plan">The plan.</param>
/// <param name="Undo">Label of the edit that undo would take back; null = none.</param>
/// <param name="Redo">Label of the edit that redo would make again; null = none.</param>
public sealed record StoredPlan(string Key, int Revision, Plan Plan, string? Undo, string? Redo);

/// <summary>What came of a change.</summary>
public abstract record ChangeOutcome
{
    /// <summary>It was made and is on disk.</summary>
    public sealed record Done(StoredPlan Now, string Label) : ChangeOutcome;

    /// <summary>The plan had moved on; nothing was overwritten. Tells what had changed since.</summary>
    public sealed record Stale(int Revision, IReadOnlyList<string> Changes) : ChangeOutcome;

    /// <summary>The edit makes no valid plan.</summary>
    public sealed record Refused(IReadOnlyList<PlanProblem> Problems) : ChangeOutcome;

    /// <summary>There is no such assignment.</summary>
    public sealed record Missing : ChangeOutcome;
}

/// <summary>A day is kept that cannot be read. The others are not touched by it.</summary>
public sealed class UnreadableDayException : Exception
{
    /// <param name="key">Key of the assignment.</param>
    /// <param name="revision">Its revision.</param>
    /// <param name="why">What is wrong with it.</param>
    public UnreadableDayException(string key, int revision, string why) : base($"The day \"{key}\" is kept, but cannot be read: {why}") =>
        (Revision, Why) = (revision, why);

    /// <summary>Its revision.</summary>
    public int Revision { get; }

    /// <summary>What is wrong with it.</summary>
    public string Why { get; }
}

/// <summary>
/// Plans as they were last read or written, so that one that has not changed is not parsed again. Those not asked for long, and
/// what is beyond the room there is, are forgotten.
/// </summary>
public sealed class PlanMemory : IDisposable
{
    // As they are kept; in memory a plan takes several times as much.
    private const long MostBytes = 6 * 1024 * 1024;

    private readonly MemoryCache plans = new(new MemoryCacheOptions { SizeLimit = MostBytes });

    internal Plan? Recall(string key, int revision) => plans.Get<Plan>((key, revision));

    internal void Keep(string key, int revision, Plan plan, long bytes) =>
        plans.Set((key, revision), plan, new MemoryCacheEntryOptions { Size = bytes, SlidingExpiration = TimeSpan.FromHours(1) });

    /// <inheritdoc/>
    public void Dispose() => plans.Dispose();
}

/// <summary>What the list of assignments shows of one, as last worked out.</summary>
/// <param name="Key">Key of the assignment.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Start">When it starts.</param>
/// <param name="Revision">Its revision now.</param>
/// <param name="Summary">What was worked out of it; null = nothing yet.</param>
/// <param name="SummaryOf">Revisions of plan and locker that this was worked out of.</param>
/// <param name="Shelf">Where it is.</param>
public sealed record StoredSummary(string Key, string Name, DateTime? Start, int Revision, byte[]? Summary, SummaryState? SummaryOf,
    Shelf Shelf = Shelf.Current);

/// <summary>An assignment that goes on at the same time as another.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Start">When it starts.</param>
/// <param name="End">When it ends.</param>
/// <param name="IsFirst">Whether it begins before the other, or would be listed before it: then the other goes without what both take.</param>
public sealed record AtOnce(string Key, string Name, int Revision, DateTime Start, DateTime End, bool IsFirst);

/// <summary>Where an assignment is in the list.</summary>
public enum Shelf
{
    /// <summary>Among those worked on.</summary>
    Current,

    /// <summary>Out of the way, but kept.</summary>
    Archived,

    /// <summary>Deleted; it can be put back for a while.</summary>
    Deleted,
}

/// <summary>The state of things a summary speaks of.</summary>
/// <param name="Revision">Revision of the plan.</param>
/// <param name="Locker">Revision of the locker.</param>
public sealed record SummaryState(int Revision, int Locker);

/// <summary>Reads and writes assignments. One instance per unit of work.</summary>
public sealed class PlanStore(YokeContext db, PlanMemory memory, Writers writers, TimeProvider clock)
{
    /// <summary>How long a deleted assignment can be put back.</summary>
    public static readonly TimeSpan DeletedFor = TimeSpan.FromDays(30);

    private const int UndoDepth = 200;

    /// <summary>Every assignment with its plan, in order of date.</summary>
    public async Task<IReadOnlyList<StoredPlan>> ListAsync(CancellationToken cancel = default)
    {
        var heads = await SummariesAsync(cancel);
        var all = new List<StoredPlan>();
        foreach (var head in heads)
            if (await ReadableAsync(head.Key, head.Revision, cancel) is { } plan) all.Add(new StoredPlan(head.Key, head.Revision, plan, null, null));
        return all;
    }

    /// <summary>The last few days, the latest first.</summary>
    public async Task<IReadOnlyList<Plan>> LatestAsync(CancellationToken cancel = default)
    {
        const int looked = 5;
        var latest = new List<Plan>();
        foreach (var head in (await SummariesAsync(cancel)).Reverse().Take(looked))
            if (await ReadableAsync(head.Key, head.Revision, cancel) is { } plan) latest.Add(plan);
        return latest;
    }

    /// <summary>What is known of every assignment without reading its plan, in order of date.</summary>
    public Task<IReadOnlyList<StoredSummary>> SummariesAsync(CancellationToken cancel = default) => SummariesOf(There, cancel);

    /// <summary>The same with those that were deleted and can be put back.</summary>
    public Task<IReadOnlyList<StoredSummary>> SummariesWithDeletedAsync(CancellationToken cancel = default) => SummariesOf(Sound, cancel);

    /// <summary>Every assignment that is not deleted.</summary>
    private IQueryable<AssignmentRow> There => Sound.Where(a => a.DeletedAt == null);

    /// <summary>
    /// Every assignment, where somebody else wrote something into a column that is not of its type, without it: one such row must not keep
    /// the others from being listed. What is wrong with a plan is said when it is read.
    /// </summary>
    private IQueryable<AssignmentRow> Sound => db.Assignments.FromSql($"""
        SELECT Key, CAST(Name AS TEXT) AS Name, CASE WHEN datetime(Start) IS NOT NULL THEN Start END AS Start,
          CASE WHEN datetime(End) IS NOT NULL THEN End END AS End,
          CAST(Revision AS INTEGER) AS Revision, CAST(Plan AS BLOB) AS Plan, CAST(Archived AS INTEGER) AS Archived,
          CASE WHEN datetime(DeletedAt) IS NOT NULL THEN DeletedAt END AS DeletedAt, CAST(Summary AS BLOB) AS Summary,
          CAST(SummaryRevision AS INTEGER) AS SummaryRevision, CAST(SummaryLocker AS INTEGER) AS SummaryLocker
        FROM Assignments
        """);

    private static async Task<IReadOnlyList<StoredSummary>> SummariesOf(IQueryable<AssignmentRow> rows, CancellationToken cancel)
    {
        var all = await rows.AsNoTracking().OrderBy(a => a.Start).ThenBy(a => a.Name).ThenBy(a => a.Key)
            .Select(a => new StoredSummary(
                a.Key, a.Name, a.Start, a.Revision, a.Summary, a.SummaryRevision == null ? null
                    : new SummaryState(a.SummaryRevision.Value, a.SummaryLocker ?? 0),
                a.DeletedAt != null ? Shelf.Deleted : a.Archived ? Shelf.Archived : Shelf.Current))
            .ToListAsync(cancel);
        // Two of one name on one day could not be told apart in a list; the plans themselves stay as their owners called them.
        var alike = new Dictionary<(string, DateTime?), int>();
        return [.. all.Select(s => (alike[(s.Name, s.Start?.Date)] = alike.GetValueOrDefault((s.Name, s.Start?.Date)) + 1) is var n and > 1
            ? s with { Name = string.Create(CultureInfo.InvariantCulture, $"{s.Name} ({n})") } : s)];
    }

    /// <summary>
    /// Archives an assignment, deletes it, or puts it back. What is deleted stays as it is, edits and all, for
    /// <see cref="DeletedFor"/>, and goes when something is deleted after that.
    /// </summary>
    /// <returns>What it is called; null when there is none such.</returns>
    public async Task<string?> ShelveAsync(string key, Shelf shelf, CancellationToken cancel = default)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        await using var writing = await writers.BeginAsync(db, cancel);
        if (shelf == Shelf.Deleted) await db.Assignments.Where(a => a.DeletedAt < now - DeletedFor).ExecuteDeleteAsync(cancel);
        var row = db.Assignments.Where(a => a.Key == key);
        await row.ExecuteUpdateAsync(a => a
            .SetProperty(x => x.Archived, x => shelf == Shelf.Archived || (shelf == Shelf.Deleted && x.Archived))
            .SetProperty(x => x.DeletedAt, shelf == Shelf.Deleted ? now : null), cancel);
        var name = await row.Select(a => a.Name).FirstOrDefaultAsync(cancel);
        await writing.CommitAsync(cancel);
        return name;
    }

    /// <summary>Keeps what was worked out of an assignment, unless something newer is kept.</summary>
    public async Task KeepSummaryAsync(string key, byte[] summary, SummaryState of, CancellationToken cancel = default)
    {
        await using var writing = await writers.BeginAsync(db, cancel);
        await db.Assignments.Where(a => a.Key == key && (a.SummaryRevision == null || a.SummaryRevision <= of.Revision)).ExecuteUpdateAsync(
            a => a.SetProperty(x => x.Summary, summary).SetProperty(x => x.SummaryRevision, of.Revision).SetProperty(x => x.SummaryLocker, of.Locker), cancel);
        await writing.CommitAsync(cancel);
    }

    /// <summary>The assignments that go on while this one does: neither archived nor deleted.</summary>
    public async Task<IReadOnlyList<AtOnce>> AtOnceAsync(string key, CancellationToken cancel = default) =>
        await There.Where(a => a.Key == key).Select(a => new { a.Start, a.End }).FirstOrDefaultAsync(cancel) is { Start: { } start, End: { } end }
            ? await AtOnceAsync(start, end, key, cancel) : [];

    /// <summary>The assignments that go on between two times, with the hour it takes to get from one to the other.</summary>
    /// <param name="start">When it starts.</param>
    /// <param name="end">When it ends.</param>
    /// <param name="key">Key of the one that does so; empty = it is not kept yet, and comes after all others.</param>
    /// <param name="cancel">Ends the reading.</param>
    public async Task<IReadOnlyList<AtOnce>> AtOnceAsync(DateTime start, DateTime end, string key = "", CancellationToken cancel = default)
    {
        var (before, after, own) = (end.AddHours(SeasonAssignment.RoadHours), start.AddHours(-SeasonAssignment.RoadHours), start);
        return await db.Database.SqlQuery<AtOnce>($"""
            SELECT Key, CAST(Name AS TEXT) AS Name, CAST(Revision AS INTEGER) AS Revision, Start, End,
              ({key} = '' OR Start < {own} OR (Start = {own} AND Key < {key})) AS IsFirst
            FROM Assignments WHERE Start < {before} AND End > {after} AND Key <> {key}
              AND datetime(Start) IS NOT NULL AND datetime(End) IS NOT NULL AND DeletedAt IS NULL AND Archived = 0
            ORDER BY Start, Key
            """).ToListAsync(cancel);
    }

    /// <summary>The plan of a revision of an assignment; null where it cannot be read.</summary>
    public Task<Plan?> PlanAsync(string key, int revision, CancellationToken cancel = default) => ReadableAsync(key, revision, cancel);

    /// <summary>The assignments that take any of these things along.</summary>
    public async Task<IReadOnlyList<StoredPlan>> UsingAsync(IReadOnlyCollection<string> things, CancellationToken cancel = default) =>
        [.. (await ListAsync(cancel)).Where(s => s.Plan.Items.Any(i => things.Contains(i.Id)))];

    /// <summary>Revision of an assignment; null when there is none such.</summary>
    public Task<int?> RevisionAsync(string key, CancellationToken cancel = default) =>
        There.AsNoTracking().Where(a => a.Key == key).Select(a => (int?)a.Revision).FirstOrDefaultAsync(cancel);

    /// <summary>One assignment, with what could be undone and redone.</summary>
    public async Task<StoredPlan?> FindAsync(string key, CancellationToken cancel = default) =>
        await RevisionAsync(key, cancel) is { } revision && await ReadAsync(key, revision, cancel) is { } plan
            ? await DescribeAsync(key, revision, plan, cancel) : null;

    /// <summary>Keeps a new assignment under a key made of its id.</summary>
    public async Task<StoredPlan> AddAsync(Plan plan, CancellationToken cancel = default)
    {
        var wanted = Slug(plan.Assignment.Id);
        await using var writing = await writers.BeginAsync(db, cancel);
        var taken = await db.Assignments.Where(a => a.Key.StartsWith(wanted)).Select(a => a.Key).ToListAsync(cancel);
        var key = wanted;
        for (var n = 2; taken.Contains(key); n++) key = string.Create(CultureInfo.InvariantCulture, $"{wanted}-{n}");
        var json = PlanFile.Write(plan);
        db.Assignments.Add(new AssignmentRow
        {
            Key = key,
            Name = plan.Assignment.Name,
            Start = FirstStart(plan),
            End = LastEnd(plan),
            Revision = 1,
            Plan = json
        });
        await db.SaveChangesAsync(cancel);
        await writing.CommitAsync(cancel);
        memory.Keep(key, 1, plan, json.Length);
        return new StoredPlan(key, 1, plan, null, null);
    }

    /// <summary>Makes edits, all or none, if the caller saw the latest revision.</summary>
    /// <param name="key">Key of the assignment.</param>
    /// <param name="baseRevision">The revision the caller saw.</param>
    /// <param name="edits">What to do, in order.</param>
    /// <param name="foreseen">Hears what the assignment will be, before that is written; it may come to nothing.</param>
    /// <param name="cancel">Ends it before it is written.</param>
    public Task<ChangeOutcome> EditAsync(
        string key, int baseRevision, IReadOnlyList<PlanEdit> edits, Action<StoredPlan>? foreseen = null, CancellationToken cancel = default) =>
        ChangeAsync(key, baseRevision, async plan =>
        {
            var result = EditResult.Apply(plan, edits);
            if (result.Plan is not { } next) return new Change(null, new ChangeOutcome.Refused(result.Problems));
            await db.Edits.Where(e => e.AssignmentKey == key && e.Undone).ExecuteDeleteAsync(cancel);
            var number = (await db.Edits.Where(e => e.AssignmentKey == key).MaxAsync(e => (int?)e.Number, cancel) ?? 0) + 1;
            if (number > UndoDepth) await db.Edits.Where(e => e.AssignmentKey == key && e.Number <= number - UndoDepth).ExecuteDeleteAsync(cancel);
            db.Edits.Add(new EditRow
            {
                AssignmentKey = key,
                Number = number,
                Revision = baseRevision + 1,
                Label = result.Label,
                Before = PlanDelta.To(next, plan).Write(),
                After = PlanDelta.To(plan, next).Write(),
            });
            return new Change(next, new ChangeOutcome.Done(null!, result.Label));
            // What was just made is what undo takes back, and nothing is left to make again.
        }, (revision, plan, label) => Task.FromResult(new StoredPlan(key, revision, plan, label, null)), foreseen, cancel);

    /// <summary>Days yet to come take over what was changed in the locker, each as one edit.</summary>
    /// <param name="things">What was changed.</param>
    /// <param name="today">Days that ended before this stay as they were.</param>
    /// <param name="cancel">Ends it between two days.</param>
    /// <returns>Names of the days that changed.</returns>
    public async Task<IReadOnlyList<string>> FollowAsync(IReadOnlyList<ChangedThing> things, DateOnly today, CancellationToken cancel = default)
    {
        var followed = new List<string>();
        if (things.Count == 0) return followed;
        var edit = new FollowLocker { Things = things };
        foreach (var stored in await UsingAsync([.. things.Select(t => t.Before.Id)], cancel))
        {
            if (stored.Plan.Parts.Max(p => p.End) is { } end && DateOnly.FromDateTime(end) < today) continue;
            // Whoever works on it at this moment is asked again, as long as it takes.
            for (var now = stored; now is not null && edit.Apply(now.Plan).Plan is { } then
                && !ReferenceEquals(then, now.Plan); now = await FindAsync(stored.Key, cancel))
            {
                var outcome = await EditAsync(now.Key, now.Revision, [edit], cancel: cancel);
                if (outcome is ChangeOutcome.Done) followed.Add(now.Plan.Assignment.Name);
                if (outcome is not ChangeOutcome.Stale) break;
            }
        }
        return followed;
    }

    /// <summary>Takes things out of every day yet to come that has them, each as one edit.</summary>
    /// <returns>Names of the days that changed; and what is in the way, where one cannot.</returns>
    public async Task<(IReadOnlyList<string> Days, IReadOnlyList<PlanProblem> Problems)> TakeOutAsync(IReadOnlyCollection<string> things,
        DateOnly today, CancellationToken cancel = default)
    {
        var days = new List<string>();
        foreach (var stored in await UsingAsync(things, cancel))
        {
            if (stored.Plan.Parts.Max(p => p.End) is { } end && DateOnly.FromDateTime(end) < today) continue;
            List<PlanEdit> edits = [.. stored.Plan.Items.Where(i => things.Contains(i.Id)).Select(i => new UnpackThing { Item = i.Id, Everywhere = true })];
            switch (await EditAsync(stored.Key, stored.Revision, edits, cancel: cancel))
            {
                case ChangeOutcome.Done: days.Add(stored.Plan.Assignment.Name); break;
                case ChangeOutcome.Refused refused: return (days, refused.Problems);
                case ChangeOutcome.Stale: return (days, [new PlanProblem("things", $"{stored.Plan.Assignment.Name} is being changed just now; try it again")]);
            }
        }
        return (days, []);
    }

    /// <summary>Takes the last edit back.</summary>
    public Task<ChangeOutcome> UndoAsync(string key, int baseRevision, Action<StoredPlan>? foreseen = null, CancellationToken cancel = default) =>
        StepAsync(key, baseRevision, undo: true, foreseen, cancel);

    /// <summary>Makes the edit again that was last taken back.</summary>
    public Task<ChangeOutcome> RedoAsync(string key, int baseRevision, Action<StoredPlan>? foreseen = null, CancellationToken cancel = default) =>
        StepAsync(key, baseRevision, undo: false, foreseen, cancel);

    private Task<ChangeOutcome> StepAsync(string key, int baseRevision, bool undo, Action<StoredPlan>? foreseen, CancellationToken cancel) =>
        ChangeAsync(key, baseRevision, async plan =>
        {
            if (await Steps(key, undo).FirstOrDefaultAsync(cancel) is not { } edit)
                return new Change(null, new ChangeOutcome.Refused([new PlanProblem("", undo ? "there is nothing to undo" : "there is nothing to redo")]));
            if (!PlanDelta.TryRead(undo ? edit.Before : edit.After, out var delta))
                return new Change(null, new ChangeOutcome.Refused(
                    [new PlanProblem("", $"what was noted of \"{edit.Label}\" cannot be read any more, so it stays as it is")]));
            edit.Undone = undo;
            edit.Revision = baseRevision + 1;
            return new Change(delta.ApplyTo(plan), new ChangeOutcome.Done(null!, (undo ? "undone: " : "redone: ") + edit.Label));
        }, (revision, plan, _) => DescribeAsync(key, revision, plan, cancel), foreseen, cancel);

    private sealed record Change(Plan? Next, ChangeOutcome Outcome);

    private async Task<ChangeOutcome> ChangeAsync(
        string key, int baseRevision, Func<Plan, Task<Change>> change, Func<int, Plan, string, Task<StoredPlan>> describe,
        Action<StoredPlan>? foreseen, CancellationToken cancel)
    {
        await using var writing = await writers.BeginAsync(db, cancel);
        if (await RevisionAsync(key, cancel) is not { } revision) return new ChangeOutcome.Missing();
        if (revision != baseRevision) return await StaleAsync(key, revision, baseRevision, cancel);
        var (next, outcome) = await change((await ReadAsync(key, revision, cancel))!);
        if (next is null || outcome is not ChangeOutcome.Done done) return outcome;
        var json = PlanFile.Write(next);
        if (PlanFile.Unkeepable(json) is { } problem) return new ChangeOutcome.Refused([problem with { Message = $"the day {problem.Message}" }]);
        foreseen?.Invoke(new StoredPlan(key, revision + 1, next, null, null));
        await db.SaveChangesAsync(cancel);
        await db.Assignments.Where(a => a.Key == key).ExecuteUpdateAsync(a => a
            .SetProperty(x => x.Revision, revision + 1).SetProperty(x => x.Name, next.Assignment.Name).SetProperty(x => x.Start, FirstStart(next))
            .SetProperty(x => x.End, LastEnd(next)).SetProperty(x => x.Plan, json), cancel);
        await writing.CommitAsync(cancel);
        memory.Keep(key, revision + 1, next, json.Length);
        return done with { Now = await describe(revision + 1, next, done.Label) };
    }

    private async Task<ChangeOutcome> StaleAsync(string key, int revision, int since, CancellationToken cancel)
    {
        var edits = await db.Edits.AsNoTracking().Where(e => e.AssignmentKey == key && e.Revision > since).OrderBy(e => e.Revision)
            .Select(e => new { e.Undone, e.Label }).ToListAsync(cancel);
        return new ChangeOutcome.Stale(revision, [.. edits.Select(e => (e.Undone ? "undone: " : "") + e.Label)]);
    }

    private async Task<StoredPlan> DescribeAsync(string key, int revision, Plan plan, CancellationToken cancel) =>
        new(key, revision, plan, await LabelAsync(key, undo: true, cancel), await LabelAsync(key, undo: false, cancel));

    private Task<string?> LabelAsync(string key, bool undo, CancellationToken cancel) => Steps(key, undo).AsNoTracking().Select(e => e.Label)
        .FirstOrDefaultAsync(cancel);

    /// <summary>Edits that could be taken back, or made again, the next first.</summary>
    private IQueryable<EditRow> Steps(string key, bool undo)
    {
        var edits = db.Edits.Where(e => e.AssignmentKey == key && e.Undone != undo);
        return undo ? edits.OrderByDescending(e => e.Number) : edits.OrderBy(e => e.Number);
    }

    /// <summary>The same, also null where it cannot be read: one bad day is one bad day.</summary>
    private async Task<Plan?> ReadableAsync(string key, int revision, CancellationToken cancel)
    {
        try
        {
            return await ReadAsync(key, revision, cancel);
        }
        catch (UnreadableDayException)
        {
            return null;
        }
    }

    /// <summary>The bytes of a plan as they are kept, readable or not; null when there is none such.</summary>
    public Task<byte[]?> RawAsync(string key, CancellationToken cancel = default) =>
        db.Assignments.AsNoTracking().Where(a => a.Key == key).Select(a => a.Plan).FirstOrDefaultAsync(cancel);

    /// <summary>The plan of a revision; null when it is gone by now.</summary>
    private async Task<Plan?> ReadAsync(string key, int revision, CancellationToken cancel)
    {
        if (memory.Recall(key, revision) is { } known) return known;
        if (await db.Assignments.AsNoTracking().Where(a => a.Key == key).Select(a => new { a.Revision, a.Plan })
            .FirstOrDefaultAsync(cancel) is not { } row) return null;
        var reading = PlanFile.ReadKept(row.Plan);
        var plan = reading.Plan ?? throw new UnreadableDayException(key, row.Revision, string.Join("; ", reading.Problems.Take(3)));
        memory.Keep(key, row.Revision, plan, row.Plan.Length);
        return plan;
    }

    private static DateTime? FirstStart(Plan plan) => plan.Parts.Min(p => p.Start);

    private static DateTime? LastEnd(Plan plan) => plan.Parts.Max(p => p.End);

    private static string Slug(string id) => ItemIds.Slug(id, 60) is { Length: > 0 } made ? made : "assignment";
}
