using YokePair.Core.Basics;
using YokePair.Core.Carry;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;

namespace YokePair.Core.Wording;

/// <summary>What lies in one bag, and what is felt where for how long, in words.</summary>
internal static class CarryWords
{
    /// <summary>A thing and its only backup first, then bags that are too heavy, then who carries what.</summary>
    public static IReadOnlyList<TextPiece> Day(Plan plan, CarryPlan carried, IReadOnlyList<CauseFacts> together)
    {
        var names = new Names(plan);
        return
        [
            .. Together(names, together), .. carried.Places.Where(p => p.Over > 0).SelectMany(p => Over(names, p)),
            .. carried.People.SelectMany(p => On(plan, names, p)),
        ];
    }

    private static IEnumerable<TextPiece> Together(Names names, IReadOnlyList<CauseFacts> together)
    {
        if (together.Count == 0) yield break;
        yield return new TextPiece($"{CauseWords.Say(names, together[0])} ");
        var more = together.Count - 1;
        if (more > 0) yield return new TextPiece($"{English.Capital(English.Count(more, "more pair lies", "more pairs lie"))} in one bag. ");
    }

    private static IEnumerable<TextPiece> Over(Names names, Beam beam)
    {
        yield return new TextPiece($"{names.Place(beam.Place)} is ");
        yield return new TextPiece("", Grams: beam.Over);
        yield return new TextPiece(" over your limit. ");
    }

    private static IEnumerable<TextPiece> On(Plan plan, Names names, Burden burden)
    {
        if (burden.ShouldersG <= 0) yield break;
        yield return new TextPiece("", Grams: burden.ShouldersG);
        var whose = plan.People.Count == 1 ? "your" : $"{names.Person(burden.Person)}’s";
        yield return new TextPiece($" on {whose} shoulders{(burden.Hours > 0 ? " for " + English.Minutes(TimeSpan.FromHours(burden.Hours)) : "")}");
        if (burden.LimitG is { } limit && burden.Parts.Max(p => p.Shoulders) is var most && most > limit)
        {
            yield return new TextPiece(", at the most ");
            yield return new TextPiece("", Grams: most - limit);
            yield return new TextPiece(" over the limit");
        }
        yield return new TextPiece(". ");
    }
}
