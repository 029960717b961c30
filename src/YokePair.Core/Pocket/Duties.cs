using YokePair.Core.Basics;
using YokePair.Core.Cards;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Reports;
using YokePair.Core.Wording;

namespace YokePair.Core.Pocket;

/// <summary>What sort of thing there is to do at a join.</summary>
public enum DutyKind
{
    /// <summary>Other glass on a camera, or another camera in the hand.</summary>
    Hand,

    /// <summary>A battery or cells changed.</summary>
    Charge,

    /// <summary>Cards changed.</summary>
    Cards,

    /// <summary>Lights set up or moved.</summary>
    Lights,
}

/// <summary>Something one does before a part, or inside of it.</summary>
/// <param name="Id">Stable as long as the plan says the same.</param>
/// <param name="Kind">What sort.</param>
/// <param name="Text">What to do, short.</param>
/// <param name="At">When, where it falls inside the part; null = before it.</param>
/// <param name="Where">Id of the camera or flash it is done to; null = none.</param>
/// <param name="In">Ids of what goes in.</param>
/// <param name="Out">Id of the battery that comes out; null = none.</param>
/// <param name="Left">Share of a full charge that it still has by the plan.</param>
public sealed record PocketDuty(string Id, DutyKind Kind, string Text, DateTime? At, string? Where, IReadOnlyList<string> In, string? Out, double? Left);

/// <summary>What each person does at the joins of a day, by the plan.</summary>
internal sealed class Duties
{
    private readonly Plan plan;
    private readonly PocketWords words;
    private readonly Names names;
    private readonly List<Part> order;
    private readonly PowerPlan power;
    private readonly IReadOnlyList<CardMove> moves;
    private readonly IReadOnlyList<LightMove> lights;

    public Duties(DayAnalysis day, PowerPlan power, CardPlan cards)
    {
        (plan, words, names) = (day.Plan, new PocketWords(day.Plan), new Names(day.Plan));
        order = [.. Day.InOrder(plan)];
        (this.power, moves, lights) = (power, cards.Moves, LightMoves.Of(plan));
    }

    /// <summary>What somebody does before a part and in it, those that change the glass first.</summary>
    public IReadOnlyList<PocketDuty> Of(Part part, string person) =>
        Planned(plan.PartOf(part.Id)!, person);

    private IReadOnlyList<PocketDuty> Planned(Part part, string person) =>
        [.. Hands(part, person), .. Charges(part, person), .. CardChanges(part, person), .. Lights(part, person)];

    private IEnumerable<PocketDuty> Hands(Part part, string person)
    {
        var before = order.Take(order.IndexOf(part)).LastOrDefault(p => p.Setups.Any(s => s.Person == person));
        foreach (var setup in part.Setups.Where(s => s.Person == person))
        {
            var then = before?.Setups.FirstOrDefault(s => s.Person == person && s.Position == setup.Position);
            if (before is null || Named(then).SequenceEqual(Named(setup))) continue;
            var camera = then?.Body != setup.Body && setup.Body is { } body ? $"{names.Item(body)}, " : "";
            string[] shoe = [.. Shoe(setup).Except(Shoe(then)).Select(names.Item)];
            string[] off = [.. Shoe(then).Except(Shoe(setup)).Select(s => $"{names.Item(s)} off")];
            var glass = camera.Length > 0 || then?.Lens != setup.Lens || words.Glass(setup) != words.Glass(then) ? $"{words.Glass(setup)} on" : "";
            var what = string.Join(", ", new[] { camera + glass }.Concat(shoe.Select(s => $"{s} on")).Concat(off).Where(t => t.Length > 0));
            if (what.Length > 0)
                yield return new PocketDuty($"hand/{part.Id}/{person}/{setup.Position}", DutyKind.Hand,
                    $"{English.Capital(setup.Position)}: {what}", null, setup.Body, [], null, null);
        }
    }

    private IEnumerable<PocketDuty> Charges(Part part, string person)
    {
        foreach (var change in power.Changes.Where(c => c.Part == part.Id && c.Person == person))
        {
            var at = change.AfterFrames is null ? null : PowerWords.MinuteOf(plan, power, change);
            var where = HandOf(part, person, change.Body);
            yield return new PocketDuty($"charge/{part.Id}/{change.Body}/{change.In}", DutyKind.Charge, $"{where}: {names.Item(change.In)} in", at,
                change.Body, [change.In], change.Out, change.ShownPercent is { } shown ? shown / 100.0 : null);
        }
    }

    private IEnumerable<PocketDuty> CardChanges(Part part, string person)
    {
        // What is in the cameras as the day begins is for the morning's list.
        if (part == order[0]) yield break;
        foreach (var camera in moves.Where(m => m.Part == part.Id && m.Kind == CardHolder.Camera).GroupBy(m => m.Where))
            if (part.Setups.FirstOrDefault(s => s.Body == camera.Key) is not { } hand || hand.Person == person)
                yield return new PocketDuty($"cards/{part.Id}/{camera.Key}", DutyKind.Cards,
                    $"{HandOf(part, person, camera.Key)}: {English.List([.. camera.Select(m => names.Item(m.Card))])} in", null, camera.Key,
                    [.. camera.Select(m => m.Card)], null, null);
    }

    private IEnumerable<PocketDuty> Lights(Part part, string person)
    {
        if (lights.FirstOrDefault(l => l.Part == part.Id) is not { } move) yield break;
        // Whoever carries nothing else sets them up; else the first of the team.
        var who = plan.People.OrderByDescending(p => p.Role == PersonRole.Assistant).FirstOrDefault();
        if (who?.Id == person)
            yield return new PocketDuty($"lights/{part.Id}", DutyKind.Lights,
                $"Lights: {English.List([.. move.Items.Select(names.Item)])} up, {English.Seconds(move.Seconds)}", null, null, move.Items, null, null);
    }

    private string HandOf(Part part, string person, string body) =>
        part.Setups.FirstOrDefault(s => s.Body == body && s.Person == person) is { } setup ? English.Capital(setup.Position) : names.Item(body);

    private static IEnumerable<string> Shoe(Setup? setup) => setup?.Besides() ?? [];

    private static List<string> Named(Setup? setup) =>
        [.. setup?.Named().Where(n => n.Field != "battery" && !n.Field.StartsWith("cards", StringComparison.Ordinal)).Select(n => n.Id) ?? []];
}
