using System.IO.Compression;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using YokePair.Core.Plans;
using YokePair.Core.Taken;
using YokePair.Data.Files;

namespace YokePair.Data;

/// <summary>What was told of a day in the evening.</summary>
/// <param name="Batteries">By type of battery, how many were changed.</param>
/// <param name="Clocks">By key of the camera as files speak of it, the seconds its clock was before the others.</param>
public sealed record ToldOfDay(IReadOnlyDictionary<string, BatteriesUsed> Batteries, IReadOnlyDictionary<string, double> Clocks)
{
    /// <summary>Nothing yet.</summary>
    public static ToldOfDay Nothing { get; } = new(new Dictionary<string, BatteriesUsed>(), new Dictionary<string, double>());
}

/// <summary>What the pictures of an assignment told.</summary>
/// <param name="Key">Key of the assignment.</param>
/// <param name="At">When they were read, UTC.</param>
/// <param name="Folder">Where they were read from.</param>
/// <param name="Delivered">Where the delivered ones were.</param>
/// <param name="Faulty">Files that could not be read.</param>
/// <param name="Roll">What each picture told; null once the assignment is archived.</param>
/// <param name="Figures">What the day used.</param>
/// <param name="Told">What was told of it.</param>
public sealed record UsedStored(
    string Key, DateTime At, string Folder, string? Delivered, IReadOnlyList<UnsafeFile> Faulty, TakenRoll? Roll, TakenDay Figures, ToldOfDay Told);

/// <summary>Figures of the days as they were last read: good as long as their number is that of the file.</summary>
public sealed class UsedMemory
{
    internal (long Number, IReadOnlyList<(string Key, TakenDay Day)> Days)? Last { get; set; }
}

/// <summary>Keeps what days used, and what was answered about things and figures.</summary>
public sealed class UsedStore(YokeContext db, UsedMemory memory, Writers writers)
{
    /// <summary>What one assignment used; null = nobody has read its pictures.</summary>
    public async Task<UsedStored?> FindAsync(string key, CancellationToken cancel = default) =>
        await db.Used.AsNoTracking().FirstOrDefaultAsync(u => u.AssignmentKey == key, cancel) is { } row && From<TakenDay>(row.Figures) is not null ? Read(row)
            : null;

    /// <summary>Keeps it; what was there before gives way.</summary>
    public async Task KeepAsync(UsedStored used, CancellationToken cancel = default)
    {
        await using var writing = await writers.BeginAsync(db, cancel);
        var revision = (await db.Used.AsNoTracking().Where(u => u.AssignmentKey == used.Key).Select(u => (int?)u.Revision).FirstOrDefaultAsync(cancel) ?? 0)
            + 1;
        await db.Used.Where(u => u.AssignmentKey == used.Key).ExecuteDeleteAsync(cancel);
        db.Used.Add(new UsedRow
        {
            AssignmentKey = used.Key,
            At = used.At,
            Revision = revision,
            Folder = used.Folder,
            Delivered = used.Delivered,
            Faulty = Json(used.Faulty),
            Roll = used.Roll is null ? null : Pack(Json(used.Roll)),
            Figures = Json(used.Figures),
            Told = Json(used.Told),
        });
        await db.SaveChangesAsync(cancel);
        await writing.CommitAsync(cancel);
        db.ChangeTracker.Clear();
    }

    /// <summary>What every assignment used that is not deleted, the oldest first, with its key.</summary>
    public async Task<IReadOnlyList<(string Key, TakenDay Day)>> AllAsync(CancellationToken cancel = default)
    {
        var there = db.Used.AsNoTracking().Join(db.Assignments.Where(a => a.DeletedAt == null), u => u.AssignmentKey, a => a.Key, (u, a) => new { u, a.Start });
        var number = await there.Select(x => (long)x.u.Revision).SumAsync(cancel) * 1000 + await there.CountAsync(cancel);
        if (memory.Last is { } known && known.Number == number) return known.Days;
        var rows = await there.OrderBy(x => x.Start).ThenBy(x => x.u.At).Select(x => new { x.u.AssignmentKey, x.u.Figures }).ToListAsync(cancel);
        // One that somebody else damaged must not keep the others from teaching.
        IReadOnlyList<(string, TakenDay)> days = [.. rows.Select(r => (r.AssignmentKey, Day: From<TakenDay>(r.Figures))).Where(r => r.Day is not null)
            .Select(r => (r.AssignmentKey, r.Day!))];
        memory.Last = (number, days);
        return days;
    }

    /// <summary>Lets go of what each picture told; the figures stay.</summary>
    public async Task LightenAsync(string key, CancellationToken cancel = default)
    {
        await using var writing = await writers.BeginAsync(db, cancel);
        await db.Used.Where(u => u.AssignmentKey == key).ExecuteUpdateAsync(u => u.SetProperty(x => x.Roll, (byte[]?)null), cancel);
        await writing.CommitAsync(cancel);
    }

    /// <summary>What was answered to questions that begin so, by the rest of the question.</summary>
    public async Task<IReadOnlyDictionary<string, string>> AnswersAsync(string about, CancellationToken cancel = default) =>
        (await db.Answers.AsNoTracking().Where(a => a.Question.StartsWith(about)).ToListAsync(cancel))
            .ToDictionary(a => a.Question[about.Length..], a => a.Answer, StringComparer.Ordinal);

    /// <summary>Keeps an answer; null takes it back.</summary>
    public async Task AnswerAsync(string question, string? answer, CancellationToken cancel = default)
    {
        await using var writing = await writers.BeginAsync(db, cancel);
        await db.Answers.Where(a => a.Question == question).ExecuteDeleteAsync(cancel);
        if (answer is not null) db.Answers.Add(new AnswerRow { Question = question, Answer = answer });
        await db.SaveChangesAsync(cancel);
        await writing.CommitAsync(cancel);
        db.ChangeTracker.Clear();
    }

    private static UsedStored Read(UsedRow row) => new(
        row.AssignmentKey, DateTime.SpecifyKind(row.At, DateTimeKind.Utc), row.Folder, row.Delivered, From<List<UnsafeFile>>(row.Faulty) ?? [],
        Unpack(row.Roll) is { } roll ? From<TakenRoll>(roll) : null, From<TakenDay>(row.Figures)!, From<ToldOfDay>(row.Told) ?? ToldOfDay.Nothing);

    private static byte[] Json<T>(T value) => JsonSerializer.SerializeToUtf8Bytes(value, PlanFile.JsonOptions);

    /// <summary>What is kept; null where it cannot be read.</summary>
    private static T? From<T>(byte[] json) where T : class
    {
        try
        {
            return JsonSerializer.Deserialize<T>(json, PlanFile.JsonOptions);
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private static byte[] Pack(byte[] bytes)
    {
        using var packed = new MemoryStream();
        using (var gzip = new GZipStream(packed, CompressionLevel.Fastest)) gzip.Write(bytes);
        return packed.ToArray();
    }

    /// <summary>What was packed; null where there is nothing, or it cannot be unpacked.</summary>
    private static byte[]? Unpack(byte[]? bytes)
    {
        if (bytes is null) return null;
        try
        {
            using var gzip = new GZipStream(new MemoryStream(bytes), CompressionMode.Decompress);
            using var unpacked = new MemoryStream();
            gzip.CopyTo(unpacked);
            return unpacked.ToArray();
        }
        catch (InvalidDataException)
        {
            return null;
        }
    }
}
