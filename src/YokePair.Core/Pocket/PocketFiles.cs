using YokePair.Core.Cards;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Reports;
using YokePair.Core.Wording;

namespace YokePair.Core.Pocket;

/// <summary>Makes what a phone takes along.</summary>
public static class PocketFiles
{
    /// <summary>The day of one person.</summary>
    /// <param name="day">The day.</param>
    /// <param name="key">Key of the assignment.</param>
    /// <param name="revision">Revision of the plan.</param>
    /// <param name="person">Id of the person.</param>
    /// <param name="cancel">Ends the work.</param>
    /// <returns>Null when there is no such person.</returns>
    public static PocketDay? Of(DayAnalysis day, string key, int revision, string person, CancellationToken cancel = default)
    {
        day = day.AsItIsHere();
        if (day.Plan.PersonOf(person) is null) return null;
        var answers = new LossAnswers(day);
        var (power, cards) = (PowerPlans.Of(day), CardPlans.Of(day));
        var duties = new Duties(day, power, cards);
        var told = new PocketBook(day, person);
        var losses = told.Losses(answers, cancel);
        var pairs = told.Pairs(answers, cancel);
        var parts = Day.InOrder(day.Plan);
        return new PocketDay(PocketDay.FormatName, key, revision, day.Plan.Assignment.Name, person, NamesOf(day.Plan),
            [.. day.Plan.People.Where(p => p.Id != person).Select(p => p.Id)],
            [.. parts.Select(p => PartOf(day, p, person, told, duties, power, cards))], told.Answers, losses, pairs,
            [
                .. parts.AsParallel().AsOrdered().WithCancellation(cancel)
                    .SelectMany(p => Lateness.Usual.Select(m => Lateness.Of(day, power, p.Id, m))).OfType<LateDay>(),
            ],
            new PaperCards(day, answers, duties, person).All(LossRows.Of(day, cancel)));
    }

    /// <summary>The cards of paper alone; null when there is no such person.</summary>
    public static IReadOnlyList<PaperCard>? CardsOf(DayAnalysis day, string person)
    {
        day = day.AsItIsHere();
        return day.Plan.PersonOf(person) is null ? null
            : new PaperCards(day, new LossAnswers(day), new Duties(day, PowerPlans.Of(day), CardPlans.Of(day)), person).All(LossRows.Of(day));
    }

    /// <summary>The parts of a day as a phone shows them.</summary>
    internal static IReadOnlyList<PocketPart> PartsOf(DayAnalysis day, string person, Duties duties, PowerPlan power, CardPlan cards)
    {
        var told = new PocketBook(day, person);
        return [.. Day.InOrder(day.Plan).Select(p => PartOf(day, p, person, told, duties, power, cards))];
    }

    private static Dictionary<string, string> NamesOf(Plan plan)
    {
        var names = plan.Items.ToDictionary(i => i.Id, i => i.Label, StringComparer.Ordinal);
        foreach (var person in plan.People) names[person.Id] = person.Name ?? person.Id;
        foreach (var place in plan.Places) names[place.Id] = place.Label;
        return names;
    }

    private static PocketPart PartOf(DayAnalysis day, Part part, string person, PocketBook told, Duties duties, PowerPlan power, CardPlan cards)
    {
        var words = new PocketWords(day.Plan);
        var found = day.PartOf(part.Id)!;
        return new PocketPart(part.Id, part.Label, part.Location, part.Start, part.End, part.FixedStart == true, [.. words.Rules(part)],
            [.. part.Setups.Where(s => s.Person == person && s.Body is not null).Select(s => new PocketHand(s.Position, s.Body!, words.Glass(s),
                words.FNumber(s.Lens), [.. s.Besides()],
                Charge(power, part, s.Body!), Room(cards, part, s.Body!)))],
            [.. found.Needs.Select(n => new PocketNeed(n.Need.Id, n.Need.Label, n.Need.Importance, n.Outcome, n.Strands,
                double.IsPositiveInfinity(n.Ways.ToleranceSeconds) ? null : n.Ways.ToleranceSeconds, told.UsedBy(n)))],
            duties.Of(part, person));
    }

    private static List<PocketLevel> Charge(PowerPlan power, Part part, string body) =>
    [
        .. power.Bands.Where(b => b.Device == body).SelectMany(b => b.Levels).Where(l => l.Part == part.Id)
            .Select(l => new PocketLevel(l.At, Math.Round(l.Left, 3), l.Battery)),
    ];

    private static List<PocketLevel> Room(CardPlan cards, Part part, string body) =>
    [
        .. cards.Bands.Where(b => b.Body == body).OrderByDescending(b => b.Levels.Where(l => l.Part == part.Id).Select(l => l.Full).DefaultIfEmpty(0).Max())
            .Take(1).SelectMany(b => b.Levels).Where(l => l.Part == part.Id).Select(l => new PocketLevel(l.At, Math.Round(l.Full, 3), l.Card)),
    ];
}
