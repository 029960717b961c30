using System.Globalization;
using System.Text.RegularExpressions;
using YokePair.Core.Basics;

namespace YokePair.Core.Starting;

/// <summary>The pieces of one line of a timetable.</summary>
internal sealed partial record TimetableWords
{
    private static readonly char[] Dashes = [' ', '-', '–', '—', ':', ',', '|'];

    private static readonly string[] Weekdays =
    [
        "sunday sonntag dimanche", "monday montag lundi", "tuesday dienstag mardi", "wednesday mittwoch mercredi",
        "thursday donnerstag jeudi", "friday freitag vendredi", "saturday samstag samedi",
    ];

    public required TimeOnly Start { get; init; }

    /// <summary>Whether the half of the day was said, or the hour has only one.</summary>
    public required bool HalfSaid { get; init; }

    public TimeOnly? End { get; init; }

    public bool EndHalfSaid { get; init; }

    /// <summary>How long it takes, where that was said.</summary>
    public double? Minutes { get; init; }

    public required string Name { get; init; }

    public string? Location { get; init; }

    /// <summary>The kind, where it was chosen: in brackets at the end.</summary>
    public string? KindSaid { get; init; }

    /// <summary>The name as far as it says what is done, not where.</summary>
    public string BeforePlace => Place().Split(Name, 2)[0];

    /// <summary>Reads a line; a problem where it has no time, or one that is none.</summary>
    // Long: one line of a timetable, read from its front to its end.
    public static Reading<TimetableWords> Of(string line)
    {
        var text = Cells().Replace(line.Trim('|', ' ', '\t'), ", ");
        var kind = Chosen().Match(text) is { Success: true } chosen ? chosen.Groups[1].Value.Trim() : null;
        text = Chosen().Replace(text, "").Trim();
        var (before, at) = ("", TypedTime.At(text));
        // The time may stand behind: Ceremony 14:00, Ceremony at 2 pm.
        if (at is null && Behind().Match(text) is { Success: true } behind)
        {
            before = text[..behind.Index].Trim(' ', ',', ':', '-', '–');
            if (Ending().IsMatch(before))
                return Reading.Refused<TimetableWords>($"\"{line}\" says when it ends, not when it begins; write it as 21:30–1:00 party");
            text = text[behind.Index..].TrimStart(' ', ',', '(', '-', '–');
            at = TypedTime.At(text);
        }
        if (at is not { } time) return Reading.Refused<TimetableWords>(
            $"\"{line}\" has no time; write it as 14:00 ceremony, chapel 40 min, or take the line out");
        if (!time.Read) return Reading.Refused<TimetableWords>(time.Problem!);
        var clock = text[..time.Value.Length];
        var behindClock = text[time.Value.Length..].TrimStart([')', .. Dashes]).TrimEnd(Dashes);
        var (rest, minutes, end) = Lasting($"{before} {behindClock}".Trim());
        var words = Where().Split(rest, 2);
        // The end may stand before the place: until 14:40, chapel.
        if (minutes is null && end is null && words.Length > 1) (words[0], minutes, end) = Lasting(words[0]);
        if (time.Value.End is null && StrayTime().Match(words[0]) is { Success: true } stray)
            return Reading.Refused<TimetableWords>(
                $"\"{line}\" holds a second time, {stray.Value}, that is not understood; write it as 14:00–14:40 ceremony, chapel");
        var name = words[0].Trim(Dashes);
        if (name.Count(c => c == '(') != name.Count(c => c == ')')) name = name.Trim('(', ')');
        return Reading.Of(new TimetableWords
        {
            Start = time.Value.Start,
            HalfSaid = Half().IsMatch(clock) || time.Value.Start.Hour is 0 or >= 12,
            End = time.Value.End ?? end?.Time,
            // Of "2:00 pm-3:30" the afternoon is said of the start alone.
            EndHalfSaid = Half().Matches(clock).Any(m => !clock[(m.Index + m.Length)..].Any(char.IsDigit)) || end?.HalfSaid == true,
            Minutes = time.Value.End is null && end is null ? minutes : null,
            Name = name.Length == 0 ? "Part" : English.Capital(name),
            Location = words.Length > 1 && words[1].Trim() is { Length: > 0 } place ? place : null,
            KindSaid = kind,
        });
    }

    /// <summary>What it lasts, or when it ends, at the end of a line.</summary>
    private static (string Words, double? Minutes, (TimeOnly Time, bool HalfSaid)? End) Lasting(string text)
    {
        if (Until().Match(text) is { Success: true } until && TypedTime.Read(until.Groups[1].Value) is { Read: true } end)
            return (text[..until.Index], null, (end.Value, Half().IsMatch(until.Value) || end.Value.Hour is 0 or >= 12));
        var spelt = text.Replace("half an hour", "30 min", StringComparison.OrdinalIgnoreCase).Replace("an hour", "60 min", StringComparison.OrdinalIgnoreCase);
        return Duration().Match(spelt) is { Success: true } lasts
            && TypedQuantity.Read(lasts.Groups[1].Value, "min") is { Read: true, Value: > 0 and < 1440 } minutes
            ? (spelt[..lasts.Index], minutes.Value, null) : (text, null, null);
    }

    /// <summary>Whether the whole timetable goes by a clock of 24 hours: it has an hour past twelve, or one with a nought before it.</summary>
    public static bool ByTheWholeClock(string text) => WholeClock().IsMatch(text);

    /// <summary>Whether a line is only a rule or a heading of columns.</summary>
    public static bool IsRule(string line) => Rule().IsMatch(line);

    /// <summary>The day that a line begins; null where it is none. A weekday is the next such from the last day on.</summary>
    public static Reading<DateOnly>? DayIn(string line, DateOnly first, DateOnly last)
    {
        if (DayNumber().Match(line) is { Success: true } nth) return Reading.Of(first.AddDays(int.Parse(nth.Groups[1].Value,
            CultureInfo.InvariantCulture) - 1));
        var bare = line.Trim(' ', ':', '-', '–', '#', '*', '.');
        var word = bare.Split([' ', ','], 2)[0].ToLowerInvariant();
        var weekday = Array.FindIndex(Weekdays,
            w => w.Split(' ').Any(name => name == word || (word.Length == 3 && name.StartsWith(word, StringComparison.Ordinal))));
        var rest = weekday < 0 ? bare : bare[word.Length..].Trim(' ', ',', '.');
        if (weekday >= 0 && rest.Length == 0) return Reading.Of(last.AddDays((weekday - (int)last.DayOfWeek + 7) % 7));
        if (!DateShape().IsMatch(rest)) return null;
        var date = TypedDay.Read(rest);
        return date.Read || date.Problem!.Contains("may be", StringComparison.Ordinal) ? date : null;
    }

    [GeneratedRegex(@"^day (\d{1,3})\W*$", RegexOptions.IgnoreCase)]
    private static partial Regex DayNumber();

    /// <summary>A whole date: with its year, and more than one figure or a month's name.</summary>
    [GeneratedRegex(
        @"^(?:\d{4}-\d{1,2}-\d{1,2}|\d{1,2}[./]\d{1,2}[./]\d{2,4}|\d{1,2}(?:\.|st|nd|rd|th|er)?\s+\p{L}{3,}\.?\s+\d{4}|\p{L}{3,}\.?\s+"
        + @"\d{1,2}(?:st|nd|rd|th)?,?\s+\d{4})$", RegexOptions.IgnoreCase)]
    private static partial Regex DateShape();

    [GeneratedRegex(@"(?<!\d)\d{1,2}[:h]\d{2}(?!\d)|(?<!\d)\d{1,2}\s?[ap]m\b", RegexOptions.IgnoreCase)]
    private static partial Regex StrayTime();

    /// <summary>Where the place begins: behind a comma that is in no bracket, or behind @.</summary>
    [GeneratedRegex(@"\s*,\s*(?![^(]*\))|\s+@\s*")]
    private static partial Regex Where();

    [GeneratedRegex(@"(?:^|\s)(?:until|till?|bis|jusqu'à)$", RegexOptions.IgnoreCase)]
    private static partial Regex Ending();

    [GeneratedRegex(@"\t+|\s*\|\s*|\s{3,}")]
    private static partial Regex Cells();

    [GeneratedRegex(@"\s*\[([^\]]+)\]\s*$")]
    private static partial Regex Chosen();

    [GeneratedRegex(
        @"(?:,|\s|\()\s*(?:at|um|à|from|ab|–|-)?\s*\d{1,2}(?:(?:\s*[:.h]\s*\d{2})(?:\s*[ap]\.?m\b\.?)?|\s*[ap]\.?m\b\.?|\s*uhr\b).*$",
        RegexOptions.IgnoreCase)]
    private static partial Regex Behind();

    [GeneratedRegex(@"\d\s*[ap]\.?\s?m\b|noon|midday|midnight|mittag|midi|minuit|uhr\b", RegexOptions.IgnoreCase)]
    private static partial Regex Half();

    [GeneratedRegex(@"\s+(?:\(?(?:until|till|bis|jusqu'à|ends?(?:\s+at)?|to))\s+([^\s(].{0,20}?)\)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex Until();

    [GeneratedRegex(
        @"[\s,(–—-]*(?:for|ca\.?|about|lasts|~)?\s*(?<![\d:.])(\d{1,3}(?:[.,]\d)?\s*(?:minutes|minuten|mins?|m|'|hours?|heures?|hrs?|st"
        + @"d\.?|stunden?|h)(?:\s*\d{1,2}(?:\s*(?:minutes|mins?))?)?)\.?\)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex Duration();

    [GeneratedRegex(
        @"(?m)(?<![\d:.,/-])(?:0\d|1[3-9]|2[0-4])\s*(?:[:.h]\s*[0-5]\d|\s*uhr\b)(?!\s*[ap]\.?m)|(?m)^\s*(?:1[3-9]|2[0-3])\s+\p{L}", RegexOptions.IgnoreCase)]
    private static partial Regex WholeClock();

    [GeneratedRegex(@"^[\s|:*=_–—-]+$|^\|?\s*(?:time|start|when|zeit|uhrzeit|heure|horaire)\s*(?:\||\t|,|;).*$", RegexOptions.IgnoreCase)]
    private static partial Regex Rule();

    /// <summary>What comes behind these says where.</summary>
    [GeneratedRegex(@"\s+(?:to|at|in|from|@|nach|zur|zum|im|am|vers|à|au|aux|chez|dans)\s+", RegexOptions.IgnoreCase)]
    private static partial Regex Place();
}
