using System.Globalization;
using System.Text.RegularExpressions;

namespace YokePair.Core.Basics;

/// <summary>Days as people write them. A month or a year stands for its first day.</summary>
public static partial class TypedDay
{
    private static readonly string[][] Months =
    [
        ["jan", "jän"], ["feb", "fév", "fev"], ["mar", "mär", "mae"], ["apr", "avr"], ["may", "mai"], ["jun", "juin"],
        ["jul", "juil"], ["aug", "aoû", "aou"], ["sep"], ["oct", "okt"], ["nov"], ["dec", "dez", "déc"],
    ];

    /// <summary>Reads a day: 2024-03-15, 15.3.2024, 15 March 2024, March 2024, 03/2023, 2023. Where day and month may be either, it asks.</summary>
    public static Reading<DateOnly> Read(string text)
    {
        var typed = text.Trim();
        if (Iso().Match(typed) is { Success: true } iso) return Made(typed, Int(iso, 1), iso.Groups[2].Success ? Int(iso, 2) : 1,
            iso.Groups[3].Success ? Int(iso, 3) : 1);
        if (MonthYear().Match(typed) is { Success: true } month) return Made(typed, Year(month.Groups[2].Value), Int(month, 1), 1);
        if (Figures().Match(typed) is { Success: true } day) return OfFigures(typed, Int(day, 1), Int(day, 3), Year(day.Groups[4].Value), day.Groups[2].Value);
        if (Named().Match(typed) is { Success: true } named && MonthOf(named.Groups["month"].Value) is { } number)
            return Made(typed, Year(named.Groups["year"].Value), number, named.Groups["day"].Success ? Int(named, "day")
                : named.Groups["after"].Success ? Int(named, "after") : 1);
        return Refuse(typed);
    }

    private static Reading<DateOnly> OfFigures(string typed, int first, int second, int year, string sign)
    {
        // With points the day comes first wherever they are used; with strokes it depends on the country.
        if (sign != "." && first <= 12 && second <= 12 && first != second && Made(typed, year, second, first) is { Read: true } one
            && Made(typed, year, first, second) is { Read: true } other)
            return Reading.Refused<DateOnly>(FormattableString.Invariant(
                $"\"{typed}\" may be {one.Value:yyyy-MM-dd} or {other.Value:yyyy-MM-dd}; write the one you mean"));
        return second > 12 ? Made(typed, year, first, second) : Made(typed, year, second, first);
    }

    private static Reading<DateOnly> Made(string typed, int year, int month, int day) =>
        year is >= 1900 and <= 2200 && month is >= 1 and <= 12 && day >= 1 && day <= DateTime.DaysInMonth(year, month)
            ? Reading.Of(new DateOnly(year, month, day)) : Refuse(typed);

    private static Reading<DateOnly> Refuse(string typed) => Reading.Refused<DateOnly>($"\"{typed}\" is no day; write it as 2024-03-15, or a month as 2024-03");

    private static int? MonthOf(string word)
    {
        var bare = word.TrimEnd('.').ToLowerInvariant();
        // Juin and juillet begin alike; the longer beginning decides.
        var found = Enumerable.Range(0, 12).SelectMany(m => Months[m].Where(b => bare.StartsWith(b,
            StringComparison.Ordinal)).Select(b => (Month: m + 1, b.Length)))
            .OrderByDescending(f => f.Length).Select(f => f.Month).ToList();
        return found.Count == 0 ? null : found[0];
    }

    private static int Int(Match match, int group) => int.Parse(match.Groups[group].Value, CultureInfo.InvariantCulture);

    private static int Int(Match match, string group) => int.Parse(match.Groups[group].Value, CultureInfo.InvariantCulture);

    private static int Year(string text) => int.Parse(text, CultureInfo.InvariantCulture) is var year && text.Length == 2 ? 2000 + year : year;

    [GeneratedRegex(@"^(\d{4})(?:[-/.](\d{1,2}))?(?:[-/.](\d{1,2}))?$")]
    private static partial Regex Iso();

    [GeneratedRegex(@"^(\d{1,2})\s*[/.-]\s*(\d{4})$")]
    private static partial Regex MonthYear();

    [GeneratedRegex(@"^(\d{1,2})\s*([/.-])\s*(\d{1,2})\s*[/.-]\s*(\d{4}|\d{2})$")]
    private static partial Regex Figures();

    [GeneratedRegex(
        @"^(?:(?<day>\d{1,2})(?:\.|st|nd|rd|th|er)?\s+)?(?<month>\p{L}{3,}\.?)(?:\s+(?<after>\d{1,2})(?:st|nd|rd|th)?,?)?\s+(?<year>\d{"
        + @"4})$", RegexOptions.IgnoreCase)]
    private static partial Regex Named();
}
