using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Core.Wording;

/// <summary>Says that a verdict rests on a usual figure which nobody measured, and asks for that one.</summary>
internal static class EstimateWords
{
    /// <summary>In a sentence; null where every figure that decides is known.</summary>
    public static string? Of(PartFindings part, NeedFinding need)
    {
        if (need.Best is not { } best) return null;
        List<string> asked =
        [
            .. from item in best.Items.Select(i => part.Ways.Kit.Items[i])
               from figure in Deciding(item, need.Need)
               where item.Estimated?.Contains(figure.Figure) == true
               select $"the {figure.Words} of the {item.Label}",
        ];
        return asked.Count == 0 ? null : $"It rests on what is usual, as nobody has said {English.List(asked)}; type it in the locker.";
    }

    /// <summary>Figures of a thing that decide about a picture, with what they are.</summary>
    private static IEnumerable<(string Figure, string Words)> Deciding(Item item, Need need)
    {
        if (item is Lens && need.CloseWidthMm is not null) yield return ("magnification", "magnification");
        if (item is Body && need.Fps > 0) yield return ("fps", "frames a second");
        if (item is Flash)
        {
            yield return ("guideNumber", "guide number");
            if (need.Fps > 0) yield return ("recycleSeconds", "recycling time");
        }
        if (item is StandLight) yield return ("luxAtOneM", "light at one metre");
    }
}
