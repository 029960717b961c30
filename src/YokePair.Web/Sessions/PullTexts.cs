using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Web.Sessions;

/// <summary>What is pulled, as addresses say it.</summary>
internal static class PullTexts
{
    /// <summary>
    /// Reads <c>item</c>, <c>item@part</c> or <c>item@part..part</c>, before which the kind of loss may stand: <c>rig:b1</c>,
    /// <c>place:roller</c>, <c>person:second</c>, <c>radio:R1</c>. What the plan does not know is left out, so that an old link still opens.
    /// </summary>
    public static List<Pulled> Read(DayAnalysis day, IReadOnlyList<string>? texts)
    {
        if (texts is not { Count: > 0 }) return [];
        var known = PullTest.Known(day);
        return [.. texts.Select(text => Read(text, known)).OfType<Pulled>()];
    }

    private static Pulled? Read(string text, IReadOnlySet<LossKey> known)
    {
        var colon = text.IndexOf(':');
        var kind = LossKind.Item;
        if (colon > 0 && EnumText.Read<LossKind>(text[..colon], out var named)) (kind, text) = (named, text[(colon + 1)..]);
        var at = text.LastIndexOf('@');
        var pull = known.Contains(new LossKey(kind, text)) || at < 0 ? new Pulled(text, Kind: kind) : Since(text[..at], text[(at + 1)..], kind);
        return known.Contains(new LossKey(kind, pull.Item)) ? pull : null;
    }

    /// <summary><c>part</c>, or <c>part..part</c> where it is mended by the second.</summary>
    private static Pulled Since(string item, string when, LossKind kind) =>
        when.Split("..") is [var from, var until] ? new Pulled(item, from.Length > 0 ? from : null, until, kind) : new Pulled(item, when, Kind: kind);
}
