using System.Globalization;

namespace YokePair.Core.Basics;

/// <summary>How numbers and lists read in a sentence.</summary>
internal static class English
{
    private static readonly string[] Small = ["no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"];

    public static string Number(int n) => n < Small.Length ? Small[n] : n.ToString(CultureInfo.InvariantCulture);

    /// <summary>One of something, or so many.</summary>
    public static string Count(int n, string one, string many) => $"{Number(n)} {(n == 1 ? one : many)}";

    private static readonly string[] Order = ["first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth", "tenth"];

    /// <summary>The first, the second; from eleven on as a figure.</summary>
    public static string Nth(int n) => n <= Order.Length ? Order[n - 1] : $"{n.ToString(CultureInfo.InvariantCulture)}th";

    /// <summary>As within a sentence.</summary>
    public static string Lower(string text) => text.Length == 0 ? text : char.ToLowerInvariant(text[0]) + text[1..];

    public static string Capital(string text) => text.Length == 0 ? text : char.ToUpperInvariant(text[0]) + text[1..];

    /// <summary>One; one and two; one, two and three.</summary>
    public static string List(IReadOnlyList<string> items) => List(items, "and");

    /// <summary>One; one or two; one, two or three.</summary>
    public static string Either(IReadOnlyList<string> items) => List(items, "or");

    private static string List(IReadOnlyList<string> items, string last) =>
        items.Count < 2 ? string.Concat(items) : $"{string.Join(", ", items.Take(items.Count - 1))} {last} {items[^1]}";

    /// <summary>A day within a sentence, which nobody reads for another: "Jun 20, 2027".</summary>
    public static string Date(DateOnly day) => day.ToString("MMM d, yyyy", CultureInfo.InvariantCulture);

    /// <summary>All of them as long as they are few; else all but the last places, and how many more.</summary>
    public static IReadOnlyList<string> Few(IReadOnlyList<string> items, int most, string more = "more") =>
        items.Count <= most ? items : [.. items.Take(most - 1), $"{Number(items.Count - most + 1)} {more}"];

    /// <summary>Seconds up to two minutes, then minutes.</summary>
    public static string Seconds(double seconds) =>
        double.IsPositiveInfinity(seconds) ? "without limit"
        : seconds < 120 ? FormattableString.Invariant($"{seconds:0.#} s")
        : FormattableString.Invariant($"{seconds / 60:0.#} min");

    /// <summary>How a time of the clock moves, as a difference, which every clock shows alike: "15 min later".</summary>
    public static string Moved(TimeSpan? by) => by is not { } moved ? "at another time"
        : moved == TimeSpan.Zero ? "as it did"
        : $"{Minutes(moved.Duration())} {(moved > TimeSpan.Zero ? "later" : "earlier")}";

    /// <summary>A stretch of time: 25 min, 1 h 30 min, 2 h.</summary>
    public static string Minutes(TimeSpan time)
    {
        var (hours, minutes) = ((int)time.TotalHours, time.Minutes);
        return string.Join(' ', new[] { hours > 0 ? FormattableString.Invariant($"{hours} h") : "", minutes > 0 || hours == 0
            ? FormattableString.Invariant($"{minutes} min") : "" }.Where(t => t.Length > 0));
    }

    public static string Whole(double value) => value.ToString("0", CultureInfo.InvariantCulture);

    public static string Tenths(double value) => value.ToString("0.#", CultureInfo.InvariantCulture);

    /// <summary>Two significant figures, thousands set off by a thin space, as the dial of a camera is read.</summary>
    public static string Iso(double iso)
    {
        if (iso < 1 || double.IsInfinity(iso)) return iso.ToString("0.#", CultureInfo.InvariantCulture);
        var unit = Math.Pow(10, Math.Max(0, Math.Floor(Math.Log10(iso)) - 1));
        var rounded = Math.Round(iso / unit) * unit;
        return rounded.ToString(rounded < 10_000 ? "0" : "#,0", CultureInfo.InvariantCulture).Replace(',', '\u202F');
    }
}
