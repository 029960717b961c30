using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using YokePair.Core.Editing;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Record;

namespace YokePair.Data;

/// <summary>The locker as it is kept.</summary>
/// <param name="Things">Every thing.</param>
/// <param name="Pairs">What the owner knows of pairs.</param>
/// <param name="Kinds">Kinds of part of the user's own.</param>
/// <param name="Unreadable">What is kept but cannot be read; nothing else suffers from it.</param>
/// <param name="Revisions">By key of a thing, how often it changed.</param>
/// <param name="Undo">Label of the change that undo would take back; null = none.</param>
/// <param name="Redo">Label of the change that redo would make again; null = none.</param>
public sealed record StoredLocker(IReadOnlyList<Item> Things, IReadOnlyList<PairRule> Pairs, IReadOnlyList<FiledKind> Kinds,
    IReadOnlyList<UnreadableRow> Unreadable, IReadOnlyDictionary<string, int> Revisions, string? Undo, string? Redo);

/// <summary>Something of the locker that is kept but cannot be read.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Reason">What is wrong with it.</param>
public sealed record UnreadableRow(string Key, string Reason);

/// <summary>The kinds of part there are.</summary>
public static class StoredKinds
{
    /// <summary>Those that ship with the program, and the user's own.</summary>
    public static IReadOnlyList<PartKind> PartKinds(this StoredLocker locker) => [.. PartKind.All, .. locker.Kinds.Select(k => PartKind.Of(k, own: true))];
}

/// <summary>A thing to be put, replaced or taken away.</summary>
/// <param name="Id">Its id.</param>
/// <param name="BaseRevision">Revision it was seen at; null = it must be new.</param>
/// <param name="Now">The thing as it shall be; null = gone.</param>
public sealed record LockerChange(string Id, int? BaseRevision, Item? Now);

/// <summary>What came of a change of the locker; null problems = made and on disk.</summary>
/// <param name="Stale">Names of things that changed elsewhere since they were seen; nothing was overwritten.</param>
/// <param name="Refused">Why there is nothing to do.</param>
/// <param name="Followed">Names of the days yet to come that took the change over; null = none.</param>
public sealed record LockerOutcome(IReadOnlyList<string> Stale, string? Refused = null, IReadOnlyList<string>? Followed = null)
{
    public bool Done => Stale.Count == 0 && Refused is null;

    internal static readonly LockerOutcome Made = new([]);
}

/// <summary>The locker as it was at a revision.</summary>
/// <param name="Revision">Revision of the whole locker and of what the record says of its things.</param>
/// <param name="Things">Every thing.</param>
/// <param name="Pairs">What the owner knows of pairs.</param>
/// <param name="Kinds">Every kind of part, the user's own at the end.</param>
/// <param name="Record">What was recorded.</param>
public sealed record LockerState(
    int Revision, IReadOnlyList<Item> Things, IReadOnlyList<PairRule> Pairs, IReadOnlyList<PartKind> Kinds, Recorded Record);

internal sealed record LastLocker(StoredLocker Locker, LockerState State);

/// <summary>The locker as it was last read: good as long as its revision is that of the file, which is asked each time.</summary>
public sealed class LockerMemory
{
    internal LastLocker? Last { get; set; }
}

/// <summary>
/// Keeps the locker. Every change is one transaction, all of it or nothing; then the days yet to come that take the things along follow, each
/// with an edit of its own.
/// </summary>
public sealed class LockerStore(YokeContext db, LockerMemory memory, PlanStore plans, RecordStore record, Writers writers, TimeProvider clock)
{
    private const int UndoDepth = 200;

    /// <summary>Most bytes of one thing, a pair or a kind of part.</summary>
    private const int MostBytesOfThing = 64 * 1024;

    /// <summary>Most bytes that all noted changes may take; the last is noted however large it is.</summary>
    private const long MostBytesOfUndo = 32 * 1024 * 1024;

    /// <summary>All of it, from memory where nothing was written since.</summary>
    public async Task<StoredLocker> LoadAsync(CancellationToken cancel = default) => (await LastAsync(cancel)).Locker;

    private async Task<LastLocker> LastAsync(CancellationToken cancel)
    {
        // What is written after this was read has a later revision, and is read again.
        var revision = await RevisionAsync(cancel);
        if (memory.Last is { } known && known.State.Revision == revision) return known;
        var locker = await ReadAsync(cancel);
        return memory.Last = new LastLocker(locker, new LockerState(revision, locker.Things, locker.Pairs, locker.PartKinds(),
            await record.LoadAsync(cancel)));
    }

    private async Task<StoredLocker> ReadAsync(CancellationToken cancel)
    {
        var rows = await db.Locker.AsNoTracking().ToListAsync(cancel);
        var unreadable = new List<UnreadableRow>();
        var things = Readable<Item>(rows.Where(r => IsThing(r.Key)), unreadable, (row, thing) => thing.Id == row.Key);
        return new StoredLocker(
            [.. things.Select(t => t.Value)],
            [.. Readable<PairRule>(rows.Where(r => Is(LockerRow.PairPrefix, r.Key)), unreadable).Select(p => p.Value)],
            [.. Readable<FiledKind>(rows.Where(r => Is(LockerRow.KindPrefix, r.Key)), unreadable).Select(k => k.Value)],
            unreadable,
            things.ToDictionary(t => t.Row.Key, t => t.Row.Revision, StringComparer.Ordinal),
            await LabelAsync(undo: true, cancel),
            await LabelAsync(undo: false, cancel));
    }

    /// <summary>The things, pairs and kinds alone, from memory where nothing was written since.</summary>
    public async Task<LockerState> ThingsAsync(CancellationToken cancel = default) => (await LastAsync(cancel)).State;

    /// <summary>Makes changes of things, with pairs of things that go.</summary>
    public Task<LockerOutcome> ChangeAsync(string label, IReadOnlyList<LockerChange> changes, CancellationToken cancel = default) => ImportAsync(
        label, changes, [], [], cancel);

    /// <summary>The same, with what a file says of pairs and its kinds of part.</summary>
    public async Task<LockerOutcome> ImportAsync(string label, IReadOnlyList<LockerChange> changes, IReadOnlyList<PairRule> pairs,
        IReadOnlyList<FiledKind> kinds, CancellationToken cancel = default)
    {
        await using var writing = await writers.BeginAsync(db, cancel);
        var ids = changes.Select(c => c.Id).ToHashSet(StringComparer.Ordinal);
        if (ids.Count < changes.Count) return new LockerOutcome([], "The same thing is named twice. Nothing was changed.");
        var rows = await RowsAsync(ids, cancel);
        var stale = changes.Where(c => rows.GetValueOrDefault(c.Id)?.Revision != c.BaseRevision).Select(c => c.Now?.Label ?? c.Id).ToList();
        if (stale.Count > 0) return new LockerOutcome(stale);
        var after = changes.ToDictionary(c => c.Id, c => c.Now is null ? null : Write(c.Now), StringComparer.Ordinal);
        var gone = changes.Where(c => c.Now is null).Select(c => c.Id).ToHashSet(StringComparer.Ordinal);
        if (gone.Count > 0)
            foreach (var pair in await db.Locker.Where(r => r.Key.StartsWith(LockerRow.PairPrefix)).ToListAsync(cancel))
                if (TryRead<PairRule>(pair.Json, out _) is { } rule && (gone.Contains(rule.A) || gone.Contains(rule.B)))
                {
                    rows[pair.Key] = pair;
                    after[pair.Key] = null;
                }
        foreach (var rule in pairs) after[LockerRow.KeyOf(rule.A, rule.B)] = Write(rule);
        foreach (var kind in kinds) after[LockerRow.KindPrefix + kind.Id] = Write(kind);
        foreach (var (key, row) in await RowsAsync(after.Keys.Where(k => !ids.Contains(k)), cancel)) rows[key] = row;
        if (after.Count == 0) return LockerOutcome.Made;
        foreach (var (key, json) in after)
            if (json is not null && PlanFile.Unkeepable(json, MostBytesOfThing) is { } problem)
                return new LockerOutcome([], $"{key} {problem.Message}. Nothing was changed.");
        return await MakeAsync(writing, label, rows, after, cancel);
    }

    /// <summary>Says how two things get on; null takes it back.</summary>
    public Task<LockerOutcome> SetPairAsync(string a, string b, PairRule? rule, string label, CancellationToken cancel = default) =>
        SetAsync(LockerRow.KeyOf(a, b), rule is null ? null : Write(rule), label, cancel);

    /// <summary>Keeps a kind of part of the user's own; null takes it away.</summary>
    public Task<LockerOutcome> SetKindAsync(string id, FiledKind? kind, string label, CancellationToken cancel = default) =>
        SetAsync(LockerRow.KindPrefix + id, kind is null ? null : Write(kind), label, cancel);

    private async Task<LockerOutcome> SetAsync(string key, byte[]? json, string label, CancellationToken cancel)
    {
        await using var writing = await writers.BeginAsync(db, cancel);
        return await MakeAsync(writing, label, await RowsAsync([key], cancel), new Dictionary<string, byte[]?> { [key] = json }, cancel);
    }

    /// <summary>Takes back the last change, or makes it again. Refused where what it touched has changed since.</summary>
    public async Task<LockerOutcome> StepAsync(bool undo, CancellationToken cancel = default)
    {
        await using var writing = await writers.BeginAsync(db, cancel);
        if (await Steps(undo).FirstOrDefaultAsync(cancel) is not { } edit) return new LockerOutcome([], undo ? "There is nothing to undo."
            : "There is nothing to redo.");
        if (Unreadable(edit)) return new LockerOutcome([], $"What was noted of \"{edit.Label}\" cannot be read any more, so it stays as it is.");
        var (from, to) = (Snapshot(undo ? edit.After : edit.Before), Snapshot(undo ? edit.Before : edit.After));
        var rows = await RowsAsync(from.Keys, cancel);
        var moved = from.Where(f => !(rows.GetValueOrDefault(f.Key)?.Json ?? []).AsSpan().SequenceEqual(f.Value ?? [])).Select(f => f.Key).ToList();
        if (moved.Count > 0) return new LockerOutcome(moved);
        edit.Undone = undo;
        edit.Revision = await NextRevisionAsync(cancel);
        await WriteAsync(edit.Revision, rows, to, cancel);
        await writing.CommitAsync(cancel);
        return await FollowedAsync(from, to, cancel);
    }

    /// <summary>Logs and writes a change and commits it.</summary>
    private async Task<LockerOutcome> MakeAsync(
        Writing writing, string label, Dictionary<string, LockerRow> rows, Dictionary<string, byte[]?> after, CancellationToken cancel)
    {
        var revision = await NextRevisionAsync(cancel);
        var before = after.Keys.ToDictionary(k => k, k => rows.GetValueOrDefault(k)?.Json);
        await LogAsync(label, revision, before, after, cancel);
        await WriteAsync(revision, rows, after, cancel);
        await writing.CommitAsync(cancel);
        return await FollowedAsync(before, after, cancel);
    }

    private async Task<LockerOutcome> FollowedAsync(Dictionary<string, byte[]?> before, Dictionary<string, byte[]?> after, CancellationToken cancel)
    {
        List<ChangedThing> changed =
        [
            .. from thing in after
               where IsThing(thing.Key)
               let was = before.GetValueOrDefault(thing.Key)
               where was is not null && thing.Value is not null
               select new ChangedThing(Read<Item>(was), Read<Item>(thing.Value)),
        ];
        var followed = await plans.FollowAsync(changed, DateOnly.FromDateTime(clock.GetLocalNow().DateTime), cancel);
        return followed.Count > 0 ? LockerOutcome.Made with { Followed = followed } : LockerOutcome.Made;
    }

    private async Task<Dictionary<string, LockerRow>> RowsAsync(IEnumerable<string> keys, CancellationToken cancel)
    {
        var wanted = keys.ToHashSet(StringComparer.Ordinal);
        // Beyond a few hundred, reading all is quicker than a list of parameters, and SQLite limits those.
        var rows = wanted.Count < 200 ? await db.Locker.Where(r => wanted.Contains(r.Key)).ToListAsync(cancel) : await db.Locker.ToListAsync(cancel);
        return rows.Where(r => wanted.Contains(r.Key)).ToDictionary(r => r.Key, StringComparer.Ordinal);
    }

    /// <summary>One that nothing has had, so that a thing that comes back does not look like the one somebody saw before it went.</summary>
    private async Task<int> NextRevisionAsync(CancellationToken cancel) => 1 + await LastRevisionAsync(cancel);

    // A tick changes no day.
    private static readonly string[] OfLists = [nameof(FactKind.Ticked), nameof(FactKind.Unticked), nameof(FactKind.Departed)];

    /// <summary>Revision of all that days take from here: of the locker, and of what is recorded of its cards and charge.</summary>
    public async Task<int> RevisionAsync(CancellationToken cancel = default) =>
        await LastRevisionAsync(cancel) + (await db.Facts.Where(f => !OfLists.Contains(f.Kind)).MaxAsync(f => (int?)f.Number, cancel) ?? 0);

    private async Task<int> LastRevisionAsync(CancellationToken cancel) => Math.Max(
        await db.Locker.MaxAsync(r => (int?)r.Revision, cancel) ?? 0,
        await db.LockerEdits.MaxAsync(e => (int?)e.Revision, cancel) ?? 0);

    private async Task LogAsync(string label, int revision, Dictionary<string, byte[]?> before, Dictionary<string, byte[]?> after, CancellationToken cancel)
    {
        await db.LockerEdits.Where(e => e.Undone).ExecuteDeleteAsync(cancel);
        var number = (await db.LockerEdits.MaxAsync(e => (int?)e.Number, cancel) ?? 0) + 1;
        await db.LockerEdits.Where(e => e.Number <= number - UndoDepth).ExecuteDeleteAsync(cancel);
        db.LockerEdits.Add(new LockerEditRow
        {
            Number = number,
            Label = label,
            Revision = revision,
            Before = JsonSerializer.SerializeToUtf8Bytes(before),
            After = JsonSerializer.SerializeToUtf8Bytes(after),
        });
        var left = MostBytesOfUndo;
        var sizes = await db.LockerEdits.OrderByDescending(e => e.Number).Select(e => new { e.Number, Bytes = e.Before.Length + e.After.Length })
            .ToListAsync(cancel);
        if (sizes.SkipWhile(e => (left -= e.Bytes) >= 0).FirstOrDefault() is { } first)
            await db.LockerEdits.Where(e => e.Number <= first.Number).ExecuteDeleteAsync(cancel);
    }

    private async Task WriteAsync(int fresh, Dictionary<string, LockerRow> rows, Dictionary<string, byte[]?> after, CancellationToken cancel)
    {
        foreach (var (key, json) in after)
        {
            var row = rows.GetValueOrDefault(key);
            if (json is null && row is not null) db.Locker.Remove(row);
            else if (json is not null && row is null) db.Locker.Add(new LockerRow { Key = key, Revision = fresh, Json = json });
            else if (json is not null) (row!.Json, row.Revision) = (json, fresh);
        }
        await db.SaveChangesAsync(cancel);
    }

    private Task<string?> LabelAsync(bool undo, CancellationToken cancel) => Steps(undo).AsNoTracking().Select(e => e.Label).FirstOrDefaultAsync(cancel);

    /// <summary>Edits that could be taken back, or made again, the next first.</summary>
    private IQueryable<LockerEditRow> Steps(bool undo)
    {
        var edits = db.LockerEdits.Where(e => e.Undone != undo);
        return undo ? edits.OrderByDescending(e => e.Number) : edits.OrderBy(e => e.Number);
    }

    private static List<(LockerRow Row, T Value)> Readable<T>(
        IEnumerable<LockerRow> rows, List<UnreadableRow> unreadable, Func<LockerRow, T, bool>? isGood = null)
        where T : class
    {
        var read = new List<(LockerRow, T)>();
        foreach (var row in rows)
            if (TryRead<T>(row.Json, out var why) is { } value && isGood?.Invoke(row, value) != false) read.Add((row, value));
            else unreadable.Add(new UnreadableRow(row.Key, why ?? "it is kept under another id than its own"));
        return read;
    }

    private static bool IsThing(string key) => !Is(LockerRow.PairPrefix, key) && !Is(LockerRow.KindPrefix, key);

    private static bool Is(string prefix, string key) => key.StartsWith(prefix, StringComparison.Ordinal);

    private static bool Unreadable(LockerEditRow edit) => TryRead<Dictionary<string, byte[]?>>(edit.Before, out _) is null
        || TryRead<Dictionary<string, byte[]?>>(edit.After, out _) is null;

    /// <summary>Bytes of a row as they are kept, readable or not; null when there is none such.</summary>
    public Task<byte[]?> RawAsync(string key, CancellationToken cancel = default) =>
        db.Locker.AsNoTracking().Where(r => r.Key == key).Select(r => r.Json).FirstOrDefaultAsync(cancel);

    /// <summary>Takes something away that cannot be read; undo brings it back as it was.</summary>
    public Task<LockerOutcome> DropAsync(string key, CancellationToken cancel = default) =>
        SetAsync(key, null, $"{key}, which could not be read, removed", cancel);

    private static Dictionary<string, byte[]?> Snapshot(byte[] json) => JsonSerializer.Deserialize<Dictionary<string, byte[]?>>(json)!;

    private static T? TryRead<T>(byte[] json, out string? why) where T : class
    {
        why = null;
        try
        {
            if (JsonSerializer.Deserialize<T>(json, PlanFile.JsonOptions) is { } value) return value;
            why = "it is empty";
        }
        catch (Exception e) when (e is JsonException or NotSupportedException)
        {
            why = $"not valid JSON: {e.Message.Split(" Path: ")[0]}";
        }
        return null;
    }

    private static T Read<T>(byte[] json) => JsonSerializer.Deserialize<T>(json, PlanFile.JsonOptions)!;

    private static byte[] Write<T>(T value) => JsonSerializer.SerializeToUtf8Bytes(value, PlanFile.JsonOptions);
}
