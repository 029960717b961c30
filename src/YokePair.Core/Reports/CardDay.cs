using YokePair.Core.Advice;
using YokePair.Core.Cards;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Use;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>The cards of a day, as their page tells it.</summary>
/// <param name="Sentence">What would be gone with one camera, when one may leave, and whether the cards are enough.</param>
/// <param name="Plan">The plan behind it.</param>
/// <param name="Mends">What would do about what is short.</param>
/// <param name="Rules">How cards are changed, shared out and copied.</param>
/// <param name="Level">How much is taken on the day that is told of.</param>
public sealed record CardDay(IReadOnlyList<TextPiece> Sentence, CardPlan Plan, IReadOnlyList<CardMend> Mends, CardRules Rules, UseLevel Level)
{
    /// <summary>Tells of a day.</summary>
    /// <param name="day">The day.</param>
    /// <param name="atHome">What else one owns.</param>
    /// <param name="level">How much is taken.</param>
    public static CardDay Of(DayAnalysis day, IReadOnlyList<Item> atHome, UseLevel level = UseLevel.High)
    {
        var cards = CardPlans.Of(day, level);
        return new CardDay(CardWords.Day(day.Plan, cards), cards, CardMend.For(day, atHome), day.Plan.Rules.Cards, level);
    }
}
