using System.Text.RegularExpressions;

namespace YokePair.Core.Tests;

/// <summary>
/// Counts what is too dense to read: lines over 160 characters, functions over 40 lines. A long function may stay where the line before it
/// says why, starting "Long:".
/// </summary>
public sealed partial class DensePlaces
{
    private const int LongLines = 0;
    private const int LongFunctions = 0;

    private static readonly string Root = Find();

    private static IEnumerable<(string Path, string[] Lines)> Sources { get; } =
        [.. new[] { "src", "tests", "bench", "web/src" }
            .SelectMany(folder => Directory.EnumerateFiles(Path.Combine(Root, folder), "*.*", SearchOption.AllDirectories))
            .Where(f => Source().IsMatch(f) && !Made().IsMatch(f)).Order(StringComparer.Ordinal)
                .Select(f => (Path.GetRelativePath(Root, f), File.ReadAllLines(f)))];

    [Fact]
    public void Lines_over_160_characters() =>
        IsAsMany(LongLines, Sources.SelectMany(s => s.Lines.Select((line, i) => (line.Length, Where: $"{s.Path}:{i + 1}")).Where(l => l.Length > 160)));

    [Fact]
    public void Functions_over_40_lines() => IsAsMany(LongFunctions, Sources.SelectMany(s => Functions(s.Path, s.Lines)).Where(f => f.Length > 40));

    private static void IsAsMany(int known, IEnumerable<(int Length, string Where)> found)
    {
        var all = found.OrderByDescending(f => f.Length).ToList();
        Assert.True(all.Count == known,
            $"{all.Count} where {known} were known; the longest:\n{string.Join('\n', all.Take(20).Select(f => $"{f.Length} {f.Where}"))}");
    }

    /// <summary>By their indentation, which the formatters keep: a head, and the first closing brace that stands as far in.</summary>
    private static IEnumerable<(int Length, string Where)> Functions(string path, string[] lines)
    {
        var head = path.EndsWith(".cs", StringComparison.Ordinal) ? Member() : Function();
        for (var i = 0; i < lines.Length; i++)
        {
            if (head.Match(lines[i]) is not { Success: true } match || (i > 0 && Reason().IsMatch(lines[i - 1]))) continue;
            var close = match.Groups["in"].Value + "}";
            var end = Array.FindIndex(lines, i, l => l == close || l.StartsWith(close + ";", StringComparison.Ordinal)
                || l.StartsWith(close + ");", StringComparison.Ordinal));
            if (end > i) yield return (end - i + 1, $"{path}:{i + 1}");
        }
    }

    private static string Find()
    {
        var at = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(at.FullName, "YokePair.slnx"))) at = at.Parent!;
        return at.FullName;
    }

    [GeneratedRegex(@"\.(cs|tsx?)$")]
    private static partial Regex Source();

    [GeneratedRegex(@"/(obj|bin|Migrations)/|schema\.d\.ts$")]
    private static partial Regex Made();

    [GeneratedRegex(@"^\s*// Long: \w")]
    private static partial Regex Reason();

    // A member with a body: not a type, not a field, and not what stands deeper.
    [GeneratedRegex(@"^(?<in> {4}| {8})(public|private|internal|protected|static|override|async|void)\b"
        + @"(?!.*\b(class|record|struct|interface|enum)\b)[^;=]*\)\s*(where .*)?$")]
    private static partial Regex Member();

    [GeneratedRegex(@"^(?<in>)(export )?(default )?(async )?(function |const \w+ = .*=> \{$)")]
    private static partial Regex Function();
}
