using System.Text.RegularExpressions;

namespace YokePair.Core.Locker;

/// <summary>What kind of thing a typed line speaks of: by its word, else by its figures.</summary>
/// <param name="Kind">The kind; empty where nothing says it.</param>
/// <param name="Form">Its form, where the word names one.</param>
/// <param name="Word">The word that says it; null where figures did.</param>
/// <param name="Because">Why, where it is a guess; null where it was said.</param>
internal sealed partial record QuickKind(string Kind, string? Form, string? Word, string? Because)
{
    /// <summary>Finds it. Words are cut already.</summary>
    public static QuickKind In(IReadOnlyList<string> words, KnownWords known)
    {
        var said = Said(words);
        // Of what has megapixels, a battery or a card is a part; of glass, a filter is its thread.
        var isPart = (said?.Kind is "battery" or "card" && MegaPixels().IsMatch(string.Join(' ', words.Select(QuickPatterns.Plain))))
            || (said?.Kind == "filter" && words.Any(w => QuickPatterns.FocalAndAperture().IsMatch(w)));
        // AA are cells, whatever they are called; what charges them is none.
        if (said?.Kind == "battery" && words.Any(QuickPatterns.IsCell)) return said with { Kind = "cells" };
        return (isPart ? null : said) ?? Meant(words, known) ?? new("", null, null, null);
    }

    /// <summary>
    /// The first noun; of several in a row the last, as in battery charger. What charges or reads is never what it charges or reads, and
    /// what comes behind "with" or "for" only belongs to it.
    /// </summary>
    private static QuickKind? Said(IReadOnlyList<string> words)
    {
        var nouns = words.Select((word, at) => (Word: word, At: at, Is: Noun(word))).Where(w => w.Is is not null
            && !QuickWords.Flags.ContainsKey(QuickPatterns.Plain(w.Word))).ToList();
        if (nouns.Count == 0) return null;
        var head = nouns.FirstOrDefault(n => n.Is!.Value.Kind is "charger" or "reader");
        if (head.Word is null)
        {
            var (chosen, at) = (nouns[0], 0);
            while (at + 1 < nouns.Count && nouns[at + 1].At == nouns[at].At + 1) chosen = nouns[++at];
            head = chosen;
        }
        return new QuickKind(head.Is!.Value.Kind, head.Is.Value.Form, head.Word, null);
    }

    /// <summary>Kind and form of a noun, in the plural too.</summary>
    private static (string Kind, string? Form)? Noun(string word) =>
        QuickWords.Kinds.TryGetValue(QuickPatterns.Plain(word), out var noun) ? noun
        : FigureCatalogue.Kinds.Contains(word.ToLowerInvariant()) ? (word.ToLowerInvariant(), null) : null;

    // Long: a line for each kind that its figures tell.
    private static QuickKind? Meant(IReadOnlyList<string> words, KnownWords known)
    {
        var text = string.Join(' ', words.Select(QuickPatterns.Plain));
        var types = words.Any(w => Slots(w) is not null);
        if (MegaPixels().IsMatch(text)) return Guess("body", "by its megapixels");
        if (words.Any(w => QuickPatterns.FocalAndAperture().IsMatch(w))) return new QuickKind("lens", null, null, null);
        if (types && Capacity().IsMatch(text)) return Guess("card", "by its type and size");
        if (types && words.Any(known.Mounts.Contains)) return Guess("body", "by its card slots and mount");
        if (GuideNumber().IsMatch(text)) return Guess("flash", "by its guide number");
        if (Energy().IsMatch(text)) return Guess("battery", "by its watt-hours");
        if (NeutralDensity().IsMatch(text)) return Guess("filter", "by ND");
        if (Light().IsMatch(text)) return Guess("light", "by its lux or watts");
        if (FocalAlone().IsMatch(text) && words.Any(w => QuickPatterns.ApertureAlone().IsMatch(w))) return Guess("lens", "by its focal length and f-number");
        if (FocalAlone().IsMatch(text) && words.Any(w => QuickWords.Flags.TryGetValue(w, out var f)
            && f.Figure == "magnification")) return Guess("lens", "by macro");
        if (words.Any(w => QuickPatterns.MountToMount().IsMatch(w))) return Guess("adapter", "from one mount to another");
        if (Factor().IsMatch(text) && words.Any(known.Mounts.Contains)) return Guess("converter", "by its factor");
        if (words.Any(QuickPatterns.IsCell)) return Guess("cells", "by their size");
        if (words.Any(known.BatteryTypes.Contains)) return Guess("battery", "by its type");
        return null;

        static QuickKind Guess(string kind, string because) => new(kind, null, null, because);
    }

    /// <summary>Card types in one word, as a body's slots or a reader's: CFx-B+SD, dual SD, 2x SD.</summary>
    public static IReadOnlyList<string>? Slots(string word)
    {
        var bare = QuickPatterns.Plain(word);
        var twice = Twice().Match(bare);
        if (twice.Success) bare = bare[twice.Length..];
        string[] types = [.. bare.Split('+', '/', '&').Select(t => t.Trim())];
        if (types.Length == 0 || !Array.TrueForAll(types, t => CardTypes.Named(t.Split('@')[0]) is not null)) return null;
        return twice.Success && types.Length == 1 ? [types[0], types[0]] : types;
    }

    /// <summary>What says that a body has two slots of one type.</summary>
    public const string Twofold = @"2\s?[x×]|dual(?:\s+slots?)?|double(?:\s+slots?)?|two|zwei|deux|doppelslot";

    [GeneratedRegex(@"^(?:" + Twofold + @")\s+", RegexOptions.IgnoreCase)]
    private static partial Regex Twice();

    [GeneratedRegex(@"\d\s*(?:mp|mpx|mpix|megapixels?)\b", RegexOptions.IgnoreCase)]
    private static partial Regex MegaPixels();

    [GeneratedRegex(@"\d\s*(?:gb|go|tb)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Capacity();

    [GeneratedRegex(@"\b(?:gn|lz|ng)\s*\d", RegexOptions.IgnoreCase)]
    private static partial Regex GuideNumber();

    [GeneratedRegex(@"\d\s*wh\b", RegexOptions.IgnoreCase)]
    private static partial Regex Energy();

    [GeneratedRegex(@"\bnd\s*\d+\b", RegexOptions.IgnoreCase)]
    private static partial Regex NeutralDensity();

    [GeneratedRegex(@"\d\s*(?:lux|lx|watts?|w)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Light();

    [GeneratedRegex(@"(?<![\w.])[12][.,]\d[x×](?!\w)|(?<![\w.])2[x×](?!\w)", RegexOptions.IgnoreCase)]
    private static partial Regex Factor();

    [GeneratedRegex(@"(?<!\S)\d{1,4}(?:[-–]\d{1,4})?\s?(?:mm)?(?!\S)", RegexOptions.IgnoreCase)]
    private static partial Regex FocalAlone();
}
