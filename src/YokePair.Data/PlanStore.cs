using System.Collections.Concurrent;
using System.Globalization;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using YokePair.Core.Editing;
using YokePair.Core.Plans;

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

/// <summary>
/// Plans as last read or written, so that an edit need not read the whole plan again, and what it does not touch stays
/// the same object. Of each assignment one revision is kept; a row of another revision is read.
/// </summary>
public sealed class PlanMemory
{
    private readonly ConcurrentDictionary<string, (int Revision, Plan Plan)> plans = new(StringComparer.Ordinal);

    internal Plan Recall(AssignmentRow row, Func<AssignmentRow, Plan> read)
    {
        if (plans.TryGetValue(row.Key, out var known) && known.Revision == row.Revision) return known.Plan;
        var plan = read(row);
        Keep(row, plan);
        return plan;
    }

    internal void Keep(AssignmentRow row, Plan plan) => plans[row.Key] = (row.Revision, plan);
}

/// <summary>Keeps assignments. Every change is one transaction; what it returns has been written.</summary>
public sealed class PlanStore(YokeContext db, PlanMemory memory)
{
    private const int UndoDepth = 200;

    public async Task<IReadOnlyList<StoredPlan>> ListAsync(CancellationToken cancel = default)
    {
        var rows = await db.Assignments.AsNoTracking().OrderBy(a => a.Start).ThenBy(a => a.Name).ToListAsync(cancel);
        return [.. rows.Select(r => new StoredPlan(r.Key, r.Revision, Parse(r), null, null))];
    }

    /// <summary>Assignments whose plan takes any of some things along.</summary>
    public async Task<IReadOnlyList<StoredPlan>> UsingAsync(IReadOnlyCollection<string> things, CancellationToken cancel = default) =>
        [.. (await ListAsync(cancel)).Where(s => s.Plan.Items.Any(i => things.Contains(i.Id)))];

    public async Task<StoredPlan?> FindAsync(string key, CancellationToken cancel = default) =>
        await db.Assignments.AsNoTracking().FirstOrDefaultAsync(a => a.Key == key, cancel) is { } row ? await DescribeAsync(row, Parse(row), cancel) : null;

    /// <summary>Adds a plan under a key made from its own id, with a number where that is taken.</summary>
    public async Task<StoredPlan> AddAsync(Plan plan, CancellationToken cancel = default)
    {
        var wanted = Slug(plan.Assignment.Id);
        var taken = await db.Assignments.Where(a => a.Key.StartsWith(wanted)).Select(a => a.Key).ToListAsync(cancel);
        var key = wanted;
        for (var n = 2; taken.Contains(key); n++) key = string.Create(CultureInfo.InvariantCulture, $"{wanted}-{n}");
        var row = new AssignmentRow { Key = key, Name = plan.Assignment.Name, Start = FirstStart(plan), Revision = 1, Plan = PlanFile.Write(plan) };
        db.Assignments.Add(row);
        await db.SaveChangesAsync(cancel);
        memory.Keep(row, plan);
        return new StoredPlan(key, 1, plan, null, null);
    }

    public Task<ChangeOutcome> EditAsync(string key, int baseRevision, IReadOnlyList<PlanEdit> edits, CancellationToken cancel = default) =>
        ChangeAsync(key, baseRevision, async (row, plan) =>
        {
            var result = EditResult.Apply(plan, edits);
            if (result.Plan is not { } next) return (null, new ChangeOutcome.Refused(result.Problems));
            await db.Edits.Where(e => e.AssignmentKey == key && e.Undone).ExecuteDeleteAsync(cancel);
            var number = (await db.Edits.Where(e => e.AssignmentKey == key).MaxAsync(e => (int?)e.Number, cancel) ?? 0) + 1;
            await db.Edits.Where(e => e.AssignmentKey == key && e.Number <= number - UndoDepth).ExecuteDeleteAsync(cancel);
            db.Edits.Add(new EditRow
            {
                AssignmentKey = key,
                Number = number,
                Revision = row.Revision + 1,
                Label = result.Label,
                Before = Write(PlanDelta.To(next, plan)),
                After = Write(PlanDelta.To(plan, next)),
            });
            return (next, new ChangeOutcome.Done(null!, result.Label));
        }, cancel);

    public Task<ChangeOutcome> UndoAsync(string key, int baseRevision, CancellationToken cancel = default) =>
        StepAsync(key, baseRevision, undo: true, cancel);

    public Task<ChangeOutcome> RedoAsync(string key, int baseRevision, CancellationToken cancel = default) =>
        StepAsync(key, baseRevision, undo: false, cancel);

    private Task<ChangeOutcome> StepAsync(string key, int baseRevision, bool undo, CancellationToken cancel) =>
        ChangeAsync(key, baseRevision, async (row, plan) =>
        {
            if (await NextStep(key, undo, cancel) is not { } edit)
                return (null, new ChangeOutcome.Refused([new PlanProblem("", undo ? "there is nothing to undo" : "there is nothing to redo")]));
            edit.Undone = undo;
            edit.Revision = row.Revision + 1;
            var delta = JsonSerializer.Deserialize<PlanDelta>(undo ? edit.Before : edit.After, PlanFile.JsonOptions)!;
            return (delta.ApplyTo(plan), new ChangeOutcome.Done(null!, (undo ? "undone: " : "redone: ") + edit.Label));
        }, cancel);

    private async Task<ChangeOutcome> ChangeAsync(string key, int baseRevision, Func<AssignmentRow, Plan, Task<(Plan?, ChangeOutcome)>> change, CancellationToken cancel)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        if (await db.Assignments.FirstOrDefaultAsync(a => a.Key == key, cancel) is not { } row) return new ChangeOutcome.Missing();
        if (row.Revision != baseRevision) return await StaleAsync(key, row.Revision, baseRevision, cancel);
        var (next, outcome) = await change(row, Parse(row));
        if (next is null || outcome is not ChangeOutcome.Done done) return outcome;
        row.Revision++;
        row.Name = next.Assignment.Name;
        row.Start = FirstStart(next);
        row.Plan = PlanFile.Write(next);
        await db.SaveChangesAsync(cancel);
        await transaction.CommitAsync(cancel);
        memory.Keep(row, next);
        return done with { Now = await DescribeAsync(row, next, cancel) };
    }

    private async Task<ChangeOutcome> StaleAsync(string key, int revision, int since, CancellationToken cancel)
    {
        var edits = await db.Edits.AsNoTracking().Where(e => e.AssignmentKey == key && e.Revision > since).OrderBy(e => e.Revision).ToListAsync(cancel);
        return new ChangeOutcome.Stale(revision, [.. edits.Select(e => (e.Undone ? "undone: " : "") + e.Label)]);
    }

    private async Task<StoredPlan> DescribeAsync(AssignmentRow row, Plan plan, CancellationToken cancel) =>
        new(row.Key, row.Revision, plan, (await NextStep(row.Key, undo: true, cancel))?.Label, (await NextStep(row.Key, undo: false, cancel))?.Label);

    private Task<EditRow?> NextStep(string key, bool undo, CancellationToken cancel)
    {
        var edits = db.Edits.Where(e => e.AssignmentKey == key && e.Undone != undo);
        return (undo ? edits.OrderByDescending(e => e.Number) : edits.OrderBy(e => e.Number)).FirstOrDefaultAsync(cancel);
    }

    private Plan Parse(AssignmentRow row) => memory.Recall(row, Read);

    private static Plan Read(AssignmentRow row)
    {
        var reading = PlanFile.Read(row.Plan);
        return reading.Plan ?? throw new InvalidDataException($"The stored plan \"{row.Key}\" cannot be read: {string.Join("; ", reading.Problems)}");
    }

    private static byte[] Write(PlanDelta delta) => JsonSerializer.SerializeToUtf8Bytes(delta, PlanFile.JsonOptions);

    private static DateTime? FirstStart(Plan plan) => plan.Parts.Min(p => p.Start);

    private static string Slug(string id) => ItemIds.Slug(id, 60) is { Length: > 0 } made ? made : "assignment";
}
