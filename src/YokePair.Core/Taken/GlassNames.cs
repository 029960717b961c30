using System.Globalization;
using System.Text.RegularExpressions;
using YokePair.Core.Basics;

namespace YokePair.Core.Taken;

/// <summary>Figures in what a lens calls itself: "70-200mm F2.8", "XY 35 1:1.4".</summary>
internal static partial class GlassNames
{
    /// <summary>Its focal lengths, mm; null = the name says none.</summary>
    public static Interval? Focal(string says)
    {
        if (FocalPattern().Match(says) is not { Success: true } m) return null;
        var low = Number(m.Groups[1]);
        return new Interval(low, m.Groups[2].Success ? Number(m.Groups[2]) : low);
    }

    /// <summary>Its widest f-number; null = the name says none.</summary>
    public static double? FNumber(string says) => AperturePattern().Match(says) is { Success: true } m ? Number(m.Groups[1]) : null;

    private static double Number(Group text) => double.Parse(text.ValueSpan, CultureInfo.InvariantCulture);

    [GeneratedRegex(@"(\d{1,4}(?:\.\d)?)(?:\s*(?:mm)?\s*[-–]\s*(\d{1,4}(?:\.\d)?))?\s*mm", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex FocalPattern();

    [GeneratedRegex(@"(?:f/?|1:)\s*(\d{1,2}(?:\.\d{1,2})?)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex AperturePattern();
}
