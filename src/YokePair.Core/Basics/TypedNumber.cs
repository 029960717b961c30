using System.Globalization;
using System.Text.RegularExpressions;

namespace YokePair.Core.Basics;

/// <summary>
/// Numbers as people write them: decimal comma or point, thousands set off by spaces, apostrophes, points or commas, fractions. What may
/// mean two numbers is asked about, never guessed.
/// </summary>
public static partial class TypedNumber
{
    /// <summary>Reads a number without a unit.</summary>
    /// <param name="text">As typed.</param>
    /// <param name="example">How such a number is written, for the refusal.</param>
    /// <param name="neverThousands">Of this there are never thousands, so 1.650 is 1.65.</param>
    public static Reading<double> Read(string text, string example = "5.6", bool neverThousands = false)
    {
        var typed = text.Trim();
        var bare = About().Replace(typed, "").Replace('−', '-');
        if (bare.Split('/') is [var over, var under]) return Fraction(typed, over, under, example);
        if (!Shape().IsMatch(bare)) return Refuse(typed, example);
        bare = Groups().Replace(bare, "$1");
        if (bare.Any(c => char.IsWhiteSpace(c) || c is '\'' or '’')) return Refuse(typed, example);
        var (points, commas) = (bare.Count(c => c == '.'), bare.Count(c => c == ','));
        if (points + commas == 0) return Parsed(typed, bare, example);
        if (points > 0 && commas > 0)
        {
            // Both are there: the last is the decimal sign, the other sets off thousands.
            var thousands = bare.LastIndexOf('.') > bare.LastIndexOf(',') ? ',' : '.';
            var whole = bare.Split(thousands == ',' ? '.' : ',');
            return whole.Length == 2 && Grouped().IsMatch(whole[0]) ? Parsed(typed, Bare(whole[0]) + "." + whole[1], example) : Refuse(typed, example);
        }
        if (points + commas > 1) return Grouped().IsMatch(bare) ? Parsed(typed, Bare(bare), example) : Refuse(typed, example);
        if (!neverThousands && OneGroup().IsMatch(bare))
        {
            var (large, small) = (Bare(bare), Tidy(bare.Replace(',', '.')));
            return Reading.Refused<double>($"\"{typed}\" may be {large} or {small}; write the one you mean", saysAll: true);
        }
        return Parsed(typed, bare.Replace(',', '.'), example);
    }

    private static Reading<double> Fraction(string typed, string over, string under, string example)
    {
        var (a, b) = (Read(over, example), Read(under, example));
        if (!a.Read || !b.Read) return Refuse(typed, example);
        return b.Value == 0 ? Reading.Refused<double>($"\"{typed}\" divides by nothing; write it as 1/250", saysAll: true) : Reading.Of(a.Value / b.Value);
    }

    private static Reading<double> Parsed(string typed, string plain, string example) =>
        double.TryParse(plain, NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign | NumberStyles.AllowExponent,
            CultureInfo.InvariantCulture, out var number)
        && double.IsFinite(number) ? Reading.Of(number) : Refuse(typed, example);

    private static Reading<double> Refuse(string typed, string example) => Reading.Refused<double>($"\"{typed}\" is no number; write it as {example}");

    private static string Bare(string number) => number.Replace(".", "", StringComparison.Ordinal).Replace(",", "", StringComparison.Ordinal);

    private static string Tidy(string number) => double.Parse(number, CultureInfo.InvariantCulture).ToString(CultureInfo.InvariantCulture);

    /// <summary>Words before a figure that is not exact.</summary>
    [GeneratedRegex(@"^(?:ca\.?|circa|approx\.?|about|around|roughly|etwa|ungefähr|rund|environ|vers|env\.|~|≈)\s*", RegexOptions.IgnoreCase)]
    internal static partial Regex About();

    [GeneratedRegex(@"^[+-]?(?:\d[\d\s.,'’]*|[.,]\d+)(?:[eE][+-]?\d+)?$")]
    private static partial Regex Shape();

    /// <summary>A space or an apostrophe before a group of three.</summary>
    [GeneratedRegex(@"(?<=\d)[\s'’](\d{3})(?=[\s'’.,]|$)")]
    private static partial Regex Groups();

    [GeneratedRegex(@"^[+-]?\d{1,3}(?:[.,]\d{3})*$")]
    private static partial Regex Grouped();

    /// <summary>One to three digits and one group of three: a thousand or a thousandth.</summary>
    [GeneratedRegex(@"^[+-]?[1-9]\d{0,2}[.,]\d{3}$")]
    private static partial Regex OneGroup();
}
