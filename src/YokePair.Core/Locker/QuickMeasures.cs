using System.Globalization;
using System.Text.RegularExpressions;

namespace YokePair.Core.Locker;

/// <summary>Which figure a measure in a typed line is, by its unit and the kind of thing.</summary>
internal static partial class QuickMeasures
{
    /// <summary>The figure and its text; null where such a thing has none in that unit.</summary>
    /// <param name="word">A figure with its unit, e.g. 820 g.</param>
    /// <param name="kind">Kind of thing.</param>
    /// <param name="has">Whether a figure is known already.</param>
    public static (string Figure, string Text)? Of(string word, string kind, Func<string, bool> has)
    {
        if (PoundsAndOunces().IsMatch(word)) return ("weightG", word);
        if (kind == "charger" && HoursAndMinutes().IsMatch(word)) return ("hours", word);
        if (kind == "charger" && Bays().Match(word) is { Success: true } bays) return ("bays", Count(bays.Groups[1].Value));
        if (kind == "converter" && BareFactor().IsMatch(word) && !has("factor")) return ("factor", word);
        if (Shape().Match(word) is not { Success: true } match) return null;
        var (number, unit) = (match.Groups[1].Value, match.Groups[2].Value.ToLowerInvariant());
        return (unit, kind) switch
        {
            ("g" or "gr" or "kg" or "kilo" or "lb" or "lbs" or "oz", _) => ("weightG", word),
            ("€" or "eur" or "euro" or "euros" or "usd" or "gbp" or "chf", _) => ("value", number),
            ("clicks" or "actuations" or "auslösungen", "body") => ("cycles", number),
            ("wh", "battery" or "pack" or "powerbank") => ("wattHours", number),
            ("gb" or "go" or "tb" or "to", "card" or "drive") => ("gigabytes", word),
            ("mb/s", "card") => ("writeMegabytesPerSecond", number),
            ("mp" or "mpx" or "mpix" or "megapixel" or "megapixels", "body") => ("megapixels", number),
            ("fps" or "b/s", "body") => ("fps", number),
            ("frames" or "shots" or "bilder", "body") => ("framesPerCharge", number),
            ("stop" or "stops" or "blenden" or "ev", "body" or "lens") => ("stabilisationStops", number),
            ("stop" or "stops" or "blenden" or "ev", "filter") => ("stops", number),
            ("mm" or "cm", "tube") => ("extensionMm", word),
            ("mm", "filter") => (has("threadMm") ? "stepsToMm" : "threadMm", number),
            ("mm", "lens") => (has("focal") ? "filterThreadMm" : "focal", number),
            ("w" or "watt" or "watts", "light") => ("watts", number),
            ("lux" or "lx", "light") => ("luxAtOneM", number),
            ("%", "battery") => ("health", word),
            ("x" or "×", "body") => ("crop", number),
            ("x" or "×", "converter") => ("factor", number),
            ("x" or "×", "lens") => ("magnification", number),
            ("h" or "hour" or "hours" or "std", "charger") => ("hours", number),
            ("bay" or "bays" or "schächte" or "fach", "charger") => ("bays", number),
            _ => null,
        };
    }

    /// <summary>The figure that a word before a number names; null where none.</summary>
    public static (string Figure, string Text)? Named(string word, string kind)
    {
        if (Prefixed().Match(word) is not { Success: true } match) return null;
        var number = match.Groups[2].Value;
        return (match.Groups[1].Value.ToLowerInvariant(), kind) switch
        {
            ("iso", "body") => ("isoCeiling", number),
            ("crop", "body") => ("crop", number),
            ("crop", "lens") => ("imageCircleCrop", number),
            ("gn" or "lz" or "ng", "flash") => ("guideNumber", number),
            ("stab" or "stabi" or "ibis" or "is" or "stabilised" or "stabilized" or "stabiliser", "body" or "lens") => ("stabilisationStops", number),
            ("ø", "lens") => ("filterThreadMm", number),
            ("ø", "filter") => ("threadMm", number),
            ("nd", "filter") when StopsOf(number) is { } stops => ("stops", stops),
            _ => null,
        };
    }

    /// <summary>
    /// ND64 lets a 64th of the light through: six stops. Below 4 it is a density: 0.3 a stop. Null where no filter is called so: whole stops, or
    /// a round hundred; ND 77 is a thread.
    /// </summary>
    private static string? StopsOf(string factor)
    {
        if (!double.TryParse(factor.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var f) || f <= 0) return null;
        var stops = f < 4 && f != 2 ? f / 0.3 : Math.Log2(f);
        var isMade = f < 4 || f % 100 == 0 || Math.Abs(stops - Math.Round(stops)) < 0.05;
        return isMade ? Math.Round(stops, 1).ToString(CultureInfo.InvariantCulture) : null;
    }

    private static string Count(string word)
    {
        string[] words = ["", "", "two zwei deux", "three drei trois", "four vier quatre", "", "six sechs", "", "eight acht huit"];
        var at = Array.FindIndex(words, w => w.Split(' ').Contains(word.ToLowerInvariant()));
        return at > 0 ? at.ToString(CultureInfo.InvariantCulture) : word;
    }

    [GeneratedRegex(@"^\d{1,2}\s?h\s?\d{2}$", RegexOptions.IgnoreCase)]
    private static partial Regex HoursAndMinutes();

    [GeneratedRegex(@"^(\d{1,2}|\p{L}+)[\s-](?:bays?|fach|slots?|fächer|schächte|baies)$", RegexOptions.IgnoreCase)]
    private static partial Regex Bays();

    [GeneratedRegex(@"^(?:1[.,](?:25|4|7)|2)$")]
    private static partial Regex BareFactor();

    [GeneratedRegex(@"^(\d+(?:[.,]\d+)?(?:[\s'’]\d{3})*)\s*(x|×|" + QuickPatterns.Units + ")$", RegexOptions.IgnoreCase)]
    private static partial Regex Shape();

    [GeneratedRegex(@"^[\d.,]+\s?lbs?\s[\d.,]+\s?oz$", RegexOptions.IgnoreCase)]
    private static partial Regex PoundsAndOunces();

    [GeneratedRegex(
        @"^(iso|crop|gn|lz|ng|ø|nd|stabi(?:lised|lized|liser)?|stab|ibis|is)" + QuickPatterns.UpTo
        + @"\s*:?\s*(\d+(?:[.,]\d+)?(?:[\s'’]\d{3})*)(?:\s*(?:stops|ev|"
        + @"blenden|m))?$", RegexOptions.IgnoreCase)]
    private static partial Regex Prefixed();
}
