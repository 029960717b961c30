using System.Runtime.CompilerServices;

namespace YokePair.Core.Tests;

/// <summary>What was read and agreed, beside this file in <c>Told</c>; <c>./yoke types</c> writes it anew.</summary>
internal static class Told
{
    public static void Compare(string name, string now, [CallerFilePath] string here = "")
    {
        var path = Path.Combine(Path.GetDirectoryName(here)!, "Told", $"{name}.txt");
        if (Environment.GetEnvironmentVariable("YOKE_WRITE_SNAPSHOTS") == "1") System.IO.File.WriteAllText(path, now.TrimEnd() + "\n");
        var was = System.IO.File.Exists(path) ? System.IO.File.ReadAllText(path).TrimEnd().Split('\n') : [];
        var is_ = now.TrimEnd().Split('\n');
        var line = Enumerable.Range(0, Math.Max(was.Length, is_.Length)).FirstOrDefault(n => was.ElementAtOrDefault(n) != is_.ElementAtOrDefault(n), -1);
        Assert.True(line < 0,
            $"Told/{name}.txt, line {line + 1}: \"{was.ElementAtOrDefault(line)}\" is now \"{is_.ElementAtOrDefault(line)}\"; where that is meant, run ./yoke "
                + $"types");
    }

    /// <summary>The lines of one text that another does not have, each as often as it has it more.</summary>
    public static IEnumerable<string> Only(string[] one, string[] other)
    {
        var there = other.CountBy(l => l, StringComparer.Ordinal).ToDictionary(StringComparer.Ordinal);
        return one.CountBy(l => l, StringComparer.Ordinal).SelectMany(g => Enumerable.Repeat(g.Key, Math.Max(0, g.Value - there.GetValueOrDefault(g.Key))));
    }
}
