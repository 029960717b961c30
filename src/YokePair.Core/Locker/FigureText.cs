using System.Text.RegularExpressions;
using YokePair.Core.Basics;

namespace YokePair.Core.Locker;

/// <summary>What stands before and behind the figures of things: ISO, GN, crop 1.5x, 70 %, 1:2, a currency.</summary>
internal static partial class FigureText
{
    /// <summary>Reads a number as its figure is written.</summary>
    public static Reading<double> Number(Figure figure, string text) => figure.Name switch
    {
        "value" => TypedNumber.Read(Currency().Replace(text, "").Trim(), "2400"),
        "isoCeiling" or "baseIso" => TypedNumber.Read(Iso().Replace(text, ""), "12800"),
        "guideNumber" => TypedQuantity.Read(GuideNumber().Replace(text, ""), "m"),
        "health" when text.EndsWith('%') => TypedNumber.Read(text[..^1], "90%").As(n => n / 100),
        "health" => TypedNumber.Read(text, "0.9 or 90%"),
        "crop" or "factor" or "imageCircleCrop" => TypedNumber.Read(Times().Replace(text, ""), "1.5"),
        "magnification" => Ratio().Match(text) is { Success: true } ratio && TypedNumber.Read(ratio.Groups[1].Value) is { Read: true, Value: > 0 } to
            ? Reading.Of(1 / to.Value) : TypedNumber.Read(Times().Replace(text, ""), "1:2 or 0.5"),
        "fps" or "fpsSilent" => TypedQuantity.Read(text, "fps"),
        "workingFNumber" => TypedRange.FNumbers(text).As(e => e.Low),
        _ => TypedQuantity.Read(text, figure.Unit),
    };

    /// <summary>A number as it is written into a table: what could be taken for thousands gets another nought.</summary>
    public static string Plain(string number) => MayBeThousands().IsMatch(number) ? number + "0" : number;

    [GeneratedRegex(@"[€$£¥]|\b(?:eur|euros?|usd|gbp|chf|fr\.|dollars?|pounds?)", RegexOptions.IgnoreCase)]
    private static partial Regex Currency();

    [GeneratedRegex(@"^\s*iso\s*", RegexOptions.IgnoreCase)]
    private static partial Regex Iso();

    [GeneratedRegex(@"^\s*(?:gn|lz|ng)\s*", RegexOptions.IgnoreCase)]
    private static partial Regex GuideNumber();

    [GeneratedRegex(@"^\s*crop\s*|\s*[x×]\s*$|^\s*[x×]\s*", RegexOptions.IgnoreCase)]
    private static partial Regex Times();

    [GeneratedRegex(@"^\s*1\s*:\s*([\d.,]+)\s*$")]
    private static partial Regex Ratio();

    [GeneratedRegex(@"^[+-]?[1-9]\d{0,2}\.\d{3}$")]
    private static partial Regex MayBeThousands();
}
