using System.Text;

namespace YokePair.Core.Plans;

/// <summary>Ids of new things: readable in a file, and never one that is taken.</summary>
public static class ItemIds
{
    /// <summary>A new id from what the thing is called.</summary>
    public static string New(string kind, string name, IReadOnlySet<string> taken)
    {
        var stem = Slug(name, 40) is { Length: > 0 } made ? (made.StartsWith(kind, StringComparison.Ordinal) ? made : $"{kind}-{made}") : kind;
        if (!taken.Contains(stem)) return stem;
        // Numbers are taken from the first on: the end of them is found in a few steps, not one by one.
        int had = 1, free = 2;
        for (; taken.Contains(Numbered(free)); free *= 2) had = free;
        while (free - had > 1)
            if ((had + free) / 2 is var middle && taken.Contains(Numbered(middle))) had = middle;
            else free = middle;
        return Numbered(free);

        string Numbered(int n) => string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{stem}-{n}");
    }

    /// <summary>Ids that a plan's things, people and places have: no other may have one of them.</summary>
    internal static HashSet<string> Taken(Plan plan) =>
        plan.Items.Select(i => i.Id).Concat(plan.People.Select(p => p.Id)).Concat(plan.Places.Select(p => p.Id)).ToHashSet(StringComparer.Ordinal);

    /// <summary>What is wrong with an id that somebody else made; null where nothing is.</summary>
    public static string? Wrong(string id) =>
        string.IsNullOrWhiteSpace(id) ? "is blank; give it one, such as b1"
        : id.Length > PlanLimits.NameLetters ? $"has {id.Length} letters; at most {PlanLimits.NameLetters}"
        : id.Any(char.IsControl) || id.EnumerateRunes().Any(r => r == Rune.ReplacementChar) ? "has signs in it that cannot be written; use letters and digits"
        : id.Contains(':') ? $"\"{id}\" has a colon in it; leave it out"
        : null;

    /// <summary>A text as small letters, digits and single dashes; empty when it has none.</summary>
    public static string Slug(string text, int longest)
    {
        var slug = new StringBuilder();
        foreach (var c in text.ToLowerInvariant())
        {
            if (char.IsAsciiLetterOrDigit(c)) slug.Append(c);
            else if (slug.Length > 0 && slug[^1] != '-') slug.Append('-');
            if (slug.Length == longest) break;
        }
        return slug.ToString().Trim('-');
    }
}
