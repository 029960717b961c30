using System.Globalization;
using System.Text.RegularExpressions;

namespace YokePair.Core.Basics;

/// <summary>A time of day found at the start of a text.</summary>
/// <param name="Start">When.</param>
/// <param name="End">Until when, where a range was written; it may be past midnight.</param>
/// <param name="Length">How much of the text it took.</param>
public readonly record struct TypedClock(TimeOnly Start, TimeOnly? End, int Length);

/// <summary>Times of day and lengths of time as people write them, by either clock.</summary>
public static partial class TypedTime
{
    private const int Noon = 12;

    /// <summary>
    /// Finds a time, or two with a dash or a word between, at the start of a text: 14:30, 2:30pm, 14h30, 14 Uhr, ca. 13:00, 10–10:30,
    /// from 2 to 3:30 pm, noon. Half a day said once holds for both ends.
    /// </summary>
    /// <returns>The time; null where the text does not begin with one; a problem where it does and there is no such time.</returns>
    public static Reading<TypedClock>? At(string text)
    {
        var match = Leading().Match(text);
        if (!match.Success) return null;
        var (first, second) = (Parts.Of(match, "h", "m", "half", "word"), Parts.Of(match, "h2", "m2", "half2", "word2"));
        // A bare figure is a time only with something that says so: minutes, half a day, the hour's word, or an end that has them.
        if (!first.IsSure && !match.Groups["uhr"].Success && !(match.Groups["h2"].Success || match.Groups["word2"].Success)) return BareHour(text);
        var end = match.Groups["h2"].Success || match.Groups["word2"].Success ? second : null as Parts?;
        if (end is { Half: { } half } && first.Half is null && first.Hour is > 0 and <= Noon && !first.IsWord)
        {
            // 11–1 pm begins before noon; 2–3 pm after it.
            var afternoon = half == 'p' && !(first.Hour % Noon > end.Value.Hour % Noon
                || (first.Hour % Noon == end.Value.Hour % Noon && first.Minute > end.Value.Minute));
            first = first with { Half = half == 'a' ? 'a' : afternoon ? 'p' : 'a' };
        }
        if (first.Time is not { } start || (end is { } e && e.Time is null))
            return Reading.Refused<TypedClock>($"\"{match.Value.Trim()}\" is no time of day; write it as 14:30 or 2:30 pm");
        return Reading.Of(new TypedClock(start, end?.Time, match.Length));
    }

    /// <summary>Reads a text that is a time and no more.</summary>
    public static Reading<TimeOnly> Read(string text) =>
        At(text.Trim()) is { } found ? !found.Read ? Reading.Refused<TimeOnly>(found.Problem!)
            : found.Value.Length == text.Trim().Length && found.Value.End is null ? Reading.Of(found.Value.Start) : Refuse(text)
        : Refuse(text);

    private static Reading<TimeOnly> Refuse(string text) => Reading.Refused<TimeOnly>($"\"{text.Trim()}\" is no time of day; write it as 14:30 or 2:30 pm");

    /// <summary>14 Ceremony: an hour before a word; null where no clock shows it.</summary>
    private static Reading<TypedClock>? BareHour(string text) =>
        Bare().Match(text) is { Success: true } bare && int.Parse(bare.Groups[1].Value, CultureInfo.InvariantCulture) is <= 23 and var hour
            ? Reading.Of(new TypedClock(new TimeOnly(hour, 0), null, bare.Groups[1].Index + bare.Groups[1].Length)) : null;

    private readonly record struct Parts(int Hour, int Minute, char? Half, bool IsWord, bool IsSure)
    {
        public static Parts Of(Match match, string hour, string minute, string half, string word)
        {
            if (match.Groups[word].Success)
                return match.Groups[word].Value.ToLowerInvariant() is "noon" or "midday" or "mittag" or "mittags" or "midi"
                    ? new(Noon, 0, null, true, true) : new(0, 0, null, true, true);
            if (!match.Groups[hour].Success) return default;
            var h = int.Parse(match.Groups[hour].Value, CultureInfo.InvariantCulture);
            var m = match.Groups[minute].Success ? int.Parse(match.Groups[minute].Value, CultureInfo.InvariantCulture) : 0;
            char? said = match.Groups[half].Success ? char.ToLowerInvariant(match.Groups[half].Value[0]) : null;
            return new(h, m, said, false, match.Groups[minute].Success || said is not null);
        }

        /// <summary>The time; null where no clock shows it. 24:00 is midnight.</summary>
        public TimeOnly? Time =>
            Minute > 59 ? null
            : Half is { } half ? Hour is < 1 or > Noon ? Hour is > Noon and < 24 && half == 'p' ? new TimeOnly(Hour, Minute) : null
                : new TimeOnly(Hour % Noon + (half == 'p' ? Noon : 0), Minute)
            : Hour < 24 ? new TimeOnly(Hour, Minute)
            : Hour == 24 && Minute == 0 ? TimeOnly.MinValue : null;
    }

    private const string Clock =
        @"(?:(?<word>noon|midday|midnight|mittags?|mitternachts?|midi|minuit)\b|(?<h>\d{1,2})(?:\s*[:.h]\s*(?<m>\d{2})(?!\d)|(?<m>(?<="
        + @"\d{2})\d{2})(?=\s*(?:hrs?\b|h\b)))?\s*(?:(?<half>[ap])\.?\s?m\b\.?)?(?<uhr>\s*(?:uhr|o'clock|o’clock|hrs?|h)\b)?)";

    [GeneratedRegex(
        @"^\s*(?:[-–—•*]\s+)?(?:(?:ca\.?|circa|approx\.?|about|around|roughly|etwa|gegen|vers|env\.|~|≈|from|at|von|ab|um|de|dès|à)\s*)?" + Clock
        + @"(?:\s*(?:[-–—−]|\bto\b|\buntil\b|\btill\b|\bbis\b|\bà\b|\bjusqu'à\b)\s*(?:ca\.?\s*)?(?:(?<word2>noon|midday|midnight|mittags?"
        + @"|mitternachts?|midi|minuit)\b|(?<h2>\d{1,2})(?!\d)(?!\s*(?:min|stop|mm|%|people|persons|guests))(?:\s*[:.h]\s*(?<m2>\d{2})(?!"
        + @"\d))?\s*(?:(?<half2>[ap])\.?\s?m\b\.?)?(?:\s*(?:uhr|o'clock|o’clock|hrs?|h)\b)?))?",
        RegexOptions.IgnoreCase)]
    private static partial Regex Leading();

    [GeneratedRegex(@"^\s*(\d{1,2})(?=\s+\p{L})")]
    private static partial Regex Bare();
}
