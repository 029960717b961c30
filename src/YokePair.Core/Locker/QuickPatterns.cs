using System.Text.RegularExpressions;

namespace YokePair.Core.Locker;

/// <summary>
/// Cuts a typed line into words. What is one figure though there is a space in it stays one word: the space becomes one that does not
/// break, so that the word is still shown as it was typed.
/// </summary>
internal static partial class QuickPatterns
{
    private const char Held = '\u00A0';

    private static readonly Regex[] Joins = [Count(), Sizes(), CardType(), NumberOf(), Serial(), Thousands(), Named(), Stabiliser(), Mounts(), Glass(),
        Measure(), MonthOfYear(), SlotsTogether(), OfMount(), Bays()];

    private static readonly Regex Phrase = new(
        @"(?<![\p{L}-])(?:" + string.Join('|',
            QuickWords.Phrases.Select(p => Regex.Escape(p).Replace(@"\ ", @"\s+", StringComparison.Ordinal))) + @")(?![\p{L}-])",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.Compiled);

    /// <summary>The words of a line, in order.</summary>
    public static List<string> WordsOf(string line)
    {
        var held = line;
        foreach (var join in Joins.Append(Phrase))
            held = join.Replace(held, m => Spaces().Replace(m.Value, Held.ToString()));
        return [.. Words().Matches(held).Select(m => Trimmed(m.Value)).Where(t => t.Length > 0)];
    }

    /// <summary>A word as the tables have it.</summary>
    public static string Plain(string word) => word.Replace(Held, ' ');

    /// <summary>Without what only sets it off.</summary>
    private static string Trimmed(string word)
    {
        var bare = word.Trim(Held).TrimEnd(',', ';').Trim(Held);
        // What stands in brackets is said all the same; a count alone in them is one.
        if (bare.Length > 1 && !Counted().IsMatch(bare)) bare = bare.TrimStart('(').TrimEnd(')');
        return Regex.IsMatch(bare, @"^\p{L}{2,}[.:]$") ? bare[..^1] : bare;
    }

    [GeneratedRegex(@"\s+")]
    private static partial Regex Spaces();

    [GeneratedRegex(@"^\(\d{1,3}\)$")]
    private static partial Regex Counted();

    [GeneratedRegex(@"""[^""]*""|[^\s""]+:""[^""]*""|[^ \t\r\n]+")]
    private static partial Regex Words();

    [GeneratedRegex(
        @"^\s*\d{1,3}\s*[x×](?=\s)|(?<=\s)[x×]\s?\d{1,3}(?=\s|$)|(?<=\s)\d{1,3}\s(?:stück|stk\.?|pcs\.?|pieces|pièces)(?=\s|$)", RegexOptions.IgnoreCase)]
    private static partial Regex Count();

    [GeneratedRegex(@"(?<![\w-])(?:cfx|cfexpress)[\s-]+(?:(?:type|typ)\s+)?[ab](?![\w-])", RegexOptions.IgnoreCase)]
    private static partial Regex CardType();

    [GeneratedRegex(@"\d+(?:[.,]\d+)?(?:\s*[x×*]\s*\d+(?:[.,]\d+)?){2}(?:\s*(?:mm|cm|in))?", RegexOptions.IgnoreCase)]
    private static partial Regex Sizes();

    [GeneratedRegex(
        @"(?<![\w.])(?:no|nr|num|n°|№|nº)\.?\s*\d{1,5}(?:\s*[-–]\s*\d{1,5})?(?![\w])|#\s?\d{1,5}(?:\s*[-–]\s*\d{1,5})?(?!\w)", RegexOptions.IgnoreCase)]
    private static partial Regex NumberOf();

    [GeneratedRegex(@"(?<!\w)(?:s/n|serial(?:\s+(?:no|number))?)\.?\s*[:#]?\s*[\w-]*\d[\w-]*", RegexOptions.IgnoreCase)]
    private static partial Regex Serial();

    [GeneratedRegex(
        @"(?<!\w)(?:iso|value)\s*:?\s*\d{1,3}(?:[\s'’]\d{3})+(?!\d)|(?<![\w.,])\d{1,3}(?:[\s'’]\d{3})+\s*(?:frames|shots|clicks|actuati"
        + @"ons|bilder|auslösungen|lux|€|eur)", RegexOptions.IgnoreCase)]
    private static partial Regex Thousands();

    /// <summary>Words that say up to where an ISO is delivered: ISO ok to 12800.</summary>
    public const string UpTo = @"(?:\s+(?:ok|fine|good|clean|usable|up|to|bis|max\.?|jusqu'à))*";

    [GeneratedRegex(@"(?<!\w)(?:iso" + UpTo + @"|crop|gn|lz|ng|stab|ø|nd)\s*\d+(?:[.,]\d+)?(?!\s*mm|[\w/])", RegexOptions.IgnoreCase)]
    private static partial Regex Named();

    [GeneratedRegex(@"(?<!\w)(?:ibis|stabilised|stabilized|stabiliser|stabi|is)\s*\d(?:[.,]\d)?(?:\s*(?:stops|ev|blenden))?(?!\w)", RegexOptions.IgnoreCase)]
    private static partial Regex Stabiliser();

    [GeneratedRegex(@"(?<!\S)[A-Z][\w.]{0,7}\s*(?:→|->|>|\s(?:to|auf|sur|vers)\s)\s*[A-Z][\w.]{0,7}(?!\S)")]
    private static partial Regex Mounts();

    /// <summary>Focal length and f-number. Without a stroke, an f or a 1: the f-number must have a decimal.</summary>
    [GeneratedRegex(
        @"(?<![\w.,/×x])\d{1,4}(?:\s?[-–]\s?\d{1,4})?\s*(?:mm)?(?:\s*/\s*f?\s*|\s*f\s*/?\s*|\s+1\s?:\s?|\s+(?=\d{1,2}[.,]\d(?!\d)|\d\s?"
        + @"[-–]\s?\d{1,2}[.,]\d(?!\d)))\d{1,2}(?:[.,]\d{1,2})?(?:\s?[-–]\s?\d{1,2}(?:[.,]\d)?)?(?![\w/]|[.,]\d|\s*(?:kg|g|lb|lbs|oz|wh|g"
        + @"b|tb|mp|mm|%|h)\b)", RegexOptions.IgnoreCase)]
    private static partial Regex Glass();

    [GeneratedRegex(
        @"(?<![\w.,/])\d+(?:[.,]\d+)?\s?lbs?\s\d+(?:[.,]\d+)?\s?oz(?!\w)|(?<![\w.,/])\d+(?:[.,]\d+)?\s*(?:" + Units + @")(?!\w)", RegexOptions.IgnoreCase)]
    private static partial Regex Measure();

    [GeneratedRegex(
        @"(?<!\w)(?:jan|feb|fév|mar|mär|apr|avr|may|mai|jun|juin|jul|juil|aug|aoû|sep|oct|okt|nov|dec|dez|déc)\p{L}*\.?\s+(?:19|20)\d\d"
        + @"(?!\w)", RegexOptions.IgnoreCase)]
    private static partial Regex MonthOfYear();

    private const string CardWord = @"(?:cfx[\s-]?(?:type\s)?[ab]|cfexpress(?:[\s-]?(?:type\s)?[ab])?|sd(?:xc|hc)?(?:\s+uhs-?i{1,2})?|microsd|cf)";

    [GeneratedRegex(
        @"(?<!\S)(?:2\s?[x×]\s?)?" + CardWord + @"(?:\s*[+/&]\s*" + CardWord + @")+(?!\S)|(?<!\S)(?:" + QuickKind.Twofold + @")\s+"
        + @"(?:cfx[\s-]?[ab]|sd(?:\s+uhs-?i{1,2})?|microsd|cf)(?![\w@+/-])", RegexOptions.IgnoreCase)]
    private static partial Regex SlotsTogether();

    /// <summary>Units behind a figure.</summary>
    public const string Units =
        @"g|gr|kg|kilo|lbs?|oz|wh|mah|gb|go|tb|(?-i:To)|mb/s|mp|mpx|mpix|megapixels?|fps|b/s|mm|cm|watts?|w|lux|lx|%|stops?|blenden|ev|"
        + @"bays?|schächte|fach|hours?|h|std|frames|shots|bilder|clicks|actuations|auslösungen|€|eur|euros?|usd|gbp|chf";

    /// <summary>V mount, P-mount: a mount of one letter is one only where it is called so.</summary>
    [GeneratedRegex(@"(?<![\w-])[A-Z][A-Za-z0-9]{0,3}[\s-]mount(?![\w:]|\s+[A-Z]\w{0,3}(?!\S))|(?<!\w)mount\s+[A-Z][A-Za-z0-9]{0,3}(?!\S)")]
    private static partial Regex OfMount();

    [GeneratedRegex(@"(?<!\w)(?:two|three|four|six|eight|zwei|drei|vier|sechs|acht|deux|trois|quatre|huit)\s+(?:bays?|fächer|schächte|baies)(?!\w)",
        RegexOptions.IgnoreCase)]
    private static partial Regex Bays();

    /// <summary>24-70/2.8, 50 1.2, 85 f/1.4, 24–70 1:2.8.</summary>
    [GeneratedRegex(
        @"^(?<from>\d{1,4}(?:[.,]\d+)?)(?:\s?[-–]\s?(?<to>\d{1,4}(?:[.,]\d+)?))?\s*(?:mm)?(?:\s*/\s*f?\s*|\s*f\s*/?\s*|\s+1\s?:\s?|\s+)"
        + @"(?<f>\d{1,2}(?:[.,]\d{1,2})?)(?:\s?[-–]\s?(?<f2>\d{1,2}(?:[.,]\d)?))?$", RegexOptions.IgnoreCase)]
    public static partial Regex FocalAndAperture();

    [GeneratedRegex(@"^(?:f\s*/?\s*|1\s*:\s*)\d{1,2}(?:[.,]\d{1,2})?(?:\s?[-–]\s?\d{1,2}(?:[.,]\d)?)?$", RegexOptions.IgnoreCase)]
    public static partial Regex ApertureAlone();

    [GeneratedRegex(@"^(?<from>[a-z][\w.]{0,7})\s*(?:→|->|>|/|\sto\s|\sauf\s|\ssur\s|\svers\s)\s*(?<to>[a-z][\w.]{0,7})$", RegexOptions.IgnoreCase)]
    public static partial Regex MountToMount();

    /// <summary>Whether a word is a size of cell.</summary>
    public static bool IsCell(string word) => Cell().IsMatch(word);

    [GeneratedRegex(@"^(?:AA|AAA|CR\d{4}|CR123A?|18650|LR6|LR03)$", RegexOptions.IgnoreCase)]
    private static partial Regex Cell();
}
