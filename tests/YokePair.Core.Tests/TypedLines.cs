namespace YokePair.Core.Tests;

/// <summary>Lines of the files in Lines/: what is typed, an arrow, and what must be understood of it.</summary>
internal static class TypedLines
{
    public static TheoryData<string, string> Of(string file)
    {
        var lines = new TheoryData<string, string>();
        foreach (var line in File.ReadAllLines(Path.Combine(AppContext.BaseDirectory, "Lines", file)))
            if (line.Length > 0 && line[0] != '#' && line.LastIndexOf(" → ", StringComparison.Ordinal) is > 0 and var at) lines.Add(line[..at],
                line[(at + 3)..].Trim());
        return lines;
    }
}
