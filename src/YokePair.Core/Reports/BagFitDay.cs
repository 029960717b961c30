using YokePair.Core.Advice;
using YokePair.Core.Carry;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>Whether what is packed in a bag goes in, as its page tells it.</summary>
/// <param name="Sentence">What fails, by how much.</param>
/// <param name="Layout">How the things lie.</param>
/// <param name="Instead">What would fit instead of what does not.</param>
public sealed record BagFitDay(IReadOnlyList<TextPiece> Sentence, BagLayout Layout, IReadOnlyList<FitInstead> Instead)
{
    /// <summary>Tells of a bag.</summary>
    /// <param name="day">The day.</param>
    /// <param name="layout">How its things were laid.</param>
    /// <param name="atHome">What there is besides.</param>
    /// <param name="fits">Whether all of a bag's things go in.</param>
    public static BagFitDay Of(DayAnalysis day, BagLayout layout, IReadOnlyList<Item> atHome, Func<BagRoom, bool> fits) =>
        new(FitWords.Say(day.Plan, layout), layout, FitInstead.For(day, layout, atHome, fits));
}
