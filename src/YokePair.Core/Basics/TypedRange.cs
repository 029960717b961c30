using System.Text.RegularExpressions;

namespace YokePair.Core.Basics;

/// <summary>One figure or two with a dash or a word between, and figures multiplied by ×, as people write them.</summary>
public static partial class TypedRange
{
    /// <summary>Reads one figure or two: 24–70, 24-70mm, 3 to 5 m, 5 m – 350 cm. One is both ends.</summary>
    /// <param name="text">As typed.</param>
    /// <param name="unit">The unit asked for; null = plain numbers.</param>
    /// <param name="example">How such a range is written, for the refusal.</param>
    public static Reading<Interval> Read(string text, string? unit, string example)
    {
        var typed = TypedNumber.About().Replace(text.Trim(), "");
        var ends = Between().Split(typed);
        if (ends.Length > 2 || ends.Any(e =>
            e.Trim().Length == 0)) return Reading.Refused<Interval>($"\"{text.Trim()}\" is neither one figure nor two; write it as {example}");
        // A unit that is only behind the second is meant for both.
        if (ends.Length == 2 && UnitBehind().Match(ends[1]).Value is { Length: > 0 } word && UnitBehind().Match(ends[0]).Length == 0) ends[0] += word;
        var read = Array.ConvertAll(ends, e => TypedQuantity.Read(e, unit));
        foreach (var end in read)
            if (!end.Read) return Reading.Refused<Interval>(end.SaysAll ? end.Problem!
                : $"\"{text.Trim()}\" is not understood; write it as {example}");
        var (low, high) = (read[0].Value, read[^1].Value);
        return low <= high ? Reading.Of(new Interval(low, high))
            : Reading.Refused<Interval>($"\"{text.Trim()}\" runs backwards; write it as {ends[1].Trim()}–{ends[0].Trim()}");
    }

    /// <summary>Reads f-numbers: 2.8, f/2.8, f2,8, 1:2.8, f/3.5-5.6. Of a zoom they may differ at its two ends.</summary>
    public static Reading<Interval> FNumbers(string text)
    {
        var bare = Aperture().Replace(text.Trim(), "");
        return Read(bare, null, "2.8 or 3.5-5.6") is { Read: true } read ? read
            : Reading.Refused<Interval>($"\"{text.Trim()}\" is no f-number; write it as 2.8, or 3.5-5.6");
    }

    /// <summary>Reads sizes: 550×350×200, 55 x 35 x 20 cm.</summary>
    public static Reading<IReadOnlyList<double>> Sizes(string text, string? unit)
    {
        var sides = Times().Split(text.Trim());
        if (UnitBehind().Match(sides[^1]).Value is { Length: > 0 } word)
            for (var i = 0; i < sides.Length - 1; i++)
                if (UnitBehind().Match(sides[i]).Length == 0) sides[i] += word;
        var read = Array.ConvertAll(sides, s => TypedQuantity.Read(s, unit));
        return Array.TrueForAll(read, r => r.Read) ? Reading.Of<IReadOnlyList<double>>(Array.ConvertAll(read, r => r.Value))
            : Reading.Refused<IReadOnlyList<double>>($"\"{text.Trim()}\" are no sizes; write them as 550×350×200{(unit is null ? "" : " " + unit)}");
    }

    [GeneratedRegex(@"\s*(?:(?<=[\d\p{L}""″'′])\s*[-–—−]|\.\.\.?|…|\b(?:to|bis|à)\b)\s*", RegexOptions.IgnoreCase)]
    private static partial Regex Between();

    [GeneratedRegex(@"\s*(?:\p{L}+|""|″|'|′)$")]
    private static partial Regex UnitBehind();

    [GeneratedRegex(@"^(?:f\s*/?|ƒ\s*/?|1\s*:|blende)\s*(?=[\d.,])", RegexOptions.IgnoreCase)]
    private static partial Regex Aperture();

    [GeneratedRegex(@"\s*[x×*]\s*", RegexOptions.IgnoreCase)]
    private static partial Regex Times();
}
