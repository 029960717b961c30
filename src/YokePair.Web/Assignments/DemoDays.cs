using YokePair.Core.Plans;
using YokePair.Data;
using YokePair.Web.Locker;

namespace YokePair.Web.Assignments;

/// <summary>The made-up days that ship with the app, as plan files anyone could have exported.</summary>
internal static class DemoDays
{
    private const string Suffix = ".yoke.json";

    public static IReadOnlyList<string> Names(AppSettings settings) =>
        settings.DemoDirectory is { } directory && Directory.Exists(directory)
            ? [.. Directory.GetFiles(directory, "*" + Suffix).Select(f => Path.GetFileName(f)[..^Suffix.Length]).Order(StringComparer.Ordinal)]
            : [];

    /// <summary>The file of a demo day; null when there is none. Only names of the folder's own listing are opened, so no path leads elsewhere.</summary>
    public static async Task<byte[]?> ReadAsync(AppSettings settings, string name, CancellationToken cancel = default) =>
        Names(settings).Contains(name) ? await File.ReadAllBytesAsync(Path.Combine(settings.DemoDirectory!, name + Suffix), cancel) : null;

    /// <summary>Whether there is a demo locker.</summary>
    public static bool HasLocker(AppSettings settings) => LockerFileOf(settings) is not null;

    /// <summary>The demo locker; null when there is none.</summary>
    public static async Task<byte[]?> LockerAsync(AppSettings settings, CancellationToken cancel = default) =>
        LockerFileOf(settings) is { } file ? await File.ReadAllBytesAsync(file, cancel) : null;

    private static string? LockerFileOf(AppSettings settings) =>
        settings.DemoDirectory is { } directory && Path.Combine(directory, "locker.yoke-locker.json") is var file && File.Exists(file) ? file : null;

    /// <summary>Fills an empty database; one that holds anything is left as it is.</summary>
    public static async Task SeedAsync(AppSettings settings, PlanStore store, LockerStore lockers)
    {
        if ((await store.SummariesWithDeletedAsync()).Count > 0) return;
        foreach (var name in Names(settings))
            if (PlanFile.Read((await ReadAsync(settings, name))!).Plan is { } plan)
                await store.AddAsync(plan);
        if (await LockerAsync(settings) is { } locker) await LockerImports.TakeAsync(locker, keep: true, lockers, CancellationToken.None);
    }
}
