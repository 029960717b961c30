namespace YokePair.Core.Plans;

/// <summary>Ids of new things: readable in a file, and never one that is taken.</summary>
public static class ItemIds
{
    /// <summary>A new id from what the thing is called.</summary>
    public static string New(string kind, string name, IReadOnlySet<string> taken)
    {
        var stem = Slug(name, 40) is { Length: > 0 } made ? (made.StartsWith(kind, StringComparison.Ordinal) ? made : $"{kind}-{made}") : kind;
        var id = stem;
        for (var n = 2; taken.Contains(id); n++) id = string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{stem}-{n}");
        return id;
    }

    /// <summary>A text as small letters, digits and single dashes; empty when it has none.</summary>
    public static string Slug(string text, int longest)
    {
        var slug = new System.Text.StringBuilder();
        foreach (var c in text.ToLowerInvariant())
        {
            if (char.IsAsciiLetterOrDigit(c)) slug.Append(c);
            else if (slug.Length > 0 && slug[^1] != '-') slug.Append('-');
            if (slug.Length == longest) break;
        }
        return slug.ToString().Trim('-');
    }
}
