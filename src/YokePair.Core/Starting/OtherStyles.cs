using YokePair.Core.Carry;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;

namespace YokePair.Core.Starting;

/// <summary>The same day, worked in one way.</summary>
/// <param name="Style">Id of the style; null = as it is planned.</param>
/// <param name="Name">What it is called.</param>
/// <param name="KilogramHours">Shoulders, hips and hands together, of who works so; only to rank one against another.</param>
/// <param name="ShouldersG">On their shoulders on average over the hours with something on them.</param>
/// <param name="Gaps">Once and must needs that are late or lost then.</param>
/// <param name="Hanging">Once and must needs that hang by one thing.</param>
/// <param name="SecondBest">Once and must needs that are second best.</param>
/// <param name="Seconds">Seconds that the hands take to be ready for all of them together.</param>
public sealed record StyleDay(
    string? Style, string Name, double KilogramHours, double ShouldersG, int Gaps, int Hanging, int SecondBest, double Seconds);

/// <summary>What a day would weigh, and what it would cost in margin, in every other style, with what is packed.</summary>
public static class OtherStyles
{
    /// <summary>As it is planned, then every style for which there are cameras enough, what weighs least first.</summary>
    /// <param name="day">The day.</param>
    /// <param name="atHome">Where the plan does not say what a thing weighs, this does.</param>
    /// <param name="cancel">Ends it.</param>
    public static IReadOnlyList<StyleDay> Of(DayAnalysis day, IReadOnlyList<Item> atHome, CancellationToken cancel = default)
    {
        if (day.Plan.People.FirstOrDefault(p => p.Role != PersonRole.Assistant) is not { } who) return [];
        var styles = new List<StyleDay>();
        foreach (var style in StartingStyle.All)
        {
            cancel.ThrowIfCancellationRequested();
            if (Worked(day, who, style) is { } plan) styles.Add(Told(new DayAnalysis(plan), who.Id, atHome, style.Id, style.Name));
        }
        return [Told(day, who.Id, atHome, null, "As planned"), .. styles.OrderBy(s => s.KilogramHours)];
    }

    private static StyleDay Told(DayAnalysis day, string who, IReadOnlyList<Item> atHome, string? style, string name)
    {
        var verdict = DayVerdict.Of(day);
        var burden = CarryPlans.Of(day, atHome).People.FirstOrDefault(p => p.Person == who);
        var matter = verdict.Needs.Where(n => n.Importance != Importance.Nice).ToList();
        return new StyleDay(style, name, burden?.KilogramHours ?? 0, burden?.ShouldersG ?? 0, matter.Count(n => !n.Outcome.IsMet()),
            matter.Count(n => n.Outcome.IsMet() && n.SinglePoints.Count > 0), matter.Count(n => n.Outcome == Outcome.Thins),
            Math.Round(matter.Sum(n => n.Seconds ?? 0)));
    }

    /// <summary>The day with somebody's hands filled in another way in every part they work in; null where there are not cameras enough.</summary>
    private static Plan? Worked(DayAnalysis day, Person who, StartingStyle style)
    {
        var (plan, kit) = (day.Plan, day.Kit);
        var theirs = plan.Parts.SelectMany(p => p.Setups).Where(s => s.Person != who.Id).SelectMany(s => s.Named().Select(n => n.Id))
            .ToHashSet(StringComparer.Ordinal);
        List<Item> own =
        [
            .. Enumerable.Range(0, kit.Items.Length).Where(i => !theirs.Contains(kit.Items[i].Id) && plan.PlaceOf(kit.PackedIn(i)) is { } place
                && (place.Person is null || place.Person == who.Id)).Select(i => kit.Items[i]),
        ];
        var hands = style.Fill(who.Id, own);
        var cameras = style.Third is not null ? 3 : style.Right is not null ? 2 : 1;
        if (hands.Count < cameras || hands.Any(h => h.Lens is null)) return null;
        var worked = plan with
        {
            Places = [.. plan.Places.Select(p => style.OpenBag && p.Worn == Worn.Wheels ? Open(p) : p)],
            Parts = [.. plan.Parts.Select(p => p.Setups.Any(s => s.Person == who.Id) ? In(p) : p)],
        };
        return HandsByPart.Fit(HandsByPart.Lit(worked, [.. own.OfType<Flash>()]));

        static Place Open(Place place) => place with { ReachSeconds = Math.Min(place.ReachSeconds, StartingStyle.OpenBagSeconds) };
        Part In(Part part) => part with { Setups = [.. part.Setups.Where(s => s.Person != who.Id), .. hands] };
    }
}
