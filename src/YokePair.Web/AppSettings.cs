using YokePair.Data;

namespace YokePair.Web;

/// <summary>What the program is told at its start: <c>--data DIR</c>, <c>--demo DIR</c>, <c>--seed true</c>, <c>--roots DIR:DIR</c>, or the same as
/// environment variables <c>YOKE_…</c>.</summary>
/// <param name="DataDirectory">Where the database lives.</param>
/// <param name="DemoDirectory">Where the demo plans lie; null = the demo days cannot be opened.</param>
/// <param name="SeedDemo">Whether an empty database is given the demo days at the start.</param>
/// <param name="Roots">Folders that cards may be copied from and to; nothing outside of them is read or written.</param>
public sealed record AppSettings(string DataDirectory, string? DemoDirectory, bool SeedDemo, IReadOnlyList<string> Roots)
{
    public static AppSettings From(IConfiguration configuration) => new(
        configuration["data"] ?? DataFolder.Default,
        configuration["demo"] ?? Environment.GetEnvironmentVariable("YOKE_DEMO"),
        configuration["seed"] == "true",
        (configuration["roots"] ?? Environment.GetEnvironmentVariable("YOKE_ROOTS") ?? "")
            .Split(Path.PathSeparator, StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries));
}
