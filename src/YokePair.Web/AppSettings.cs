namespace YokePair.Web;

/// <summary>What the program is told at its start: <c>--data DIR</c>, <c>--demo DIR</c>, <c>--seed true</c>, or the same as environment variables <c>YOKE_…</c>.</summary>
/// <param name="DataDirectory">Where the database lives.</param>
/// <param name="DemoDirectory">Where the demo plans lie; null = the demo days cannot be opened.</param>
/// <param name="SeedDemo">Whether an empty database is given the demo days at the start.</param>
public sealed record AppSettings(string DataDirectory, string? DemoDirectory, bool SeedDemo)
{
    public static AppSettings From(IConfiguration configuration) => new(
        configuration["data"] ?? Environment.GetEnvironmentVariable("YOKE_DATA") ?? Default(),
        configuration["demo"] ?? Environment.GetEnvironmentVariable("YOKE_DEMO"),
        configuration["seed"] == "true");

    /// <summary>The user's own data folder, outside any checkout.</summary>
    private static string Default() => Path.Combine(
        Environment.GetFolderPath(Environment.SpecialFolder.LocalApplicationData, Environment.SpecialFolderOption.DoNotVerify), "yoke-pair");
}
