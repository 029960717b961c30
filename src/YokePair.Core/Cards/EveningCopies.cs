using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Cards;

/// <summary>
/// The copies that are made before one leaves: one card of each pair after the other, those that have come out as they come, those in the
/// cameras after the last part.
/// </summary>
internal static class EveningCopies
{
    public static CardEvening Of(CameraDay day, CardClock clock, List<FrameBatch> batches, Whereabouts where)
    {
        var (kit, rules) = (day.Kit, day.Kit.Plan.Rules.Cards);
        var copier = Array.Find(kit.Items, i => i is Drive && IsThere(i)) ?? Array.Find(kit.Items, i => i is CardReader && IsThere(i));
        var last = new Moment(Enumerable.Range(0, day.Parts.Length).MaxBy(p => clock.Of(new Moment(p, 1))), 1);
        var end = clock.Of(last);
        var copied = copier is null ? new Copied([], [], 0, end) : Queued(kit, copier, batches, card => OutAt(card, clock, where, rules, end));
        var minutes = Math.Max(0, copied.Until - end);
        return new CardEvening(copier?.Id, copier is null ? 0 : RateOf(copier), copier is not null && MeasuredRateOf(copier) is null,
            Math.Round(copied.Megabytes / 1000, 1), Math.Round(minutes, 1), clock.TimeOf(last)?.AddMinutes(Math.Ceiling(minutes)),
            Fewest(b => b.Raw.Count + b.Jpeg.Count + (copied.Batches.Contains(b) ? 1 : 0)), Fewest(Homes), rules.CopiesAsked, rules.PlacesAsked,
            [.. copied.Unreadable.Order(StringComparer.Ordinal)]);

        bool IsThere(Item item) => !day.IsGone(kit.IndexOf(item.Id), day.Parts.Length - 1);

        int Fewest(Func<FrameBatch, int> count) => batches.Select(count).DefaultIfEmpty(0).Min();

        // Cards go home with whoever has them, the drive with whose it is, else with the first of the team.
        int Homes(FrameBatch batch) =>
            batch.Raw.Concat(batch.Jpeg).Select(c => HomeOf(c, where)).Concat(copied.Batches.Contains(batch) ? [HomeOf(copier!, kit.Plan)] : [])
                .Distinct().Count();
    }

    /// <summary>What a drive or reader gets to copy, and until when.</summary>
    private sealed record Copied(HashSet<FrameBatch> Batches, HashSet<string> Unreadable, double Megabytes, double Until);

    private static Copied Queued(Kit kit, Item copier, List<FrameBatch> batches, Func<string, double> outAt)
    {
        var (unreadable, copied) = (new HashSet<string>(StringComparer.Ordinal), new HashSet<FrameBatch>());
        var toCopy = new Dictionary<string, double>(StringComparer.Ordinal);
        foreach (var batch in batches.Where(b => b.Raw.Count > 0))
        {
            // Of two halves the one that is copied already, or the first that can be read.
            if (batch.Raw.OrderByDescending(toCopy.ContainsKey).FirstOrDefault(c => Reads(copier, kit.Items[kit.IndexOf(c)])) is not { } card)
            {
                unreadable.UnionWith(batch.Raw);
                continue;
            }
            copied.Add(batch);
            toCopy[card] = toCopy.GetValueOrDefault(card) + ((batch.End - batch.First) * Charge.FrameMegabytes((Body)kit.Items[batch.Body]));
        }
        var until = 0.0;
        foreach (var (card, megabytes) in toCopy.OrderBy(c => outAt(c.Key))) until = Math.Max(until, outAt(card)) + (megabytes / RateOf(copier) / 60);
        return new Copied(copied, unreadable, toCopy.Values.Sum(), until);
    }

    private static double OutAt(string card, CardClock clock, Whereabouts where, CardRules rules, double end) =>
        rules.AllAtTheEnd != true && where.Of(card) is [.., { Kind: not CardHolder.Camera }]
            ? clock.Of(where.Of(card).First(s => s.Kind != CardHolder.Camera).From) : end;

    private static int HomeOf(string card, Whereabouts where)
    {
        var spell = where.Of(card)[^1];
        if (spell.Kind == CardHolder.Camera) spell = where.AtTheEnd(card, spell);
        return spell.Kind == CardHolder.Wallet ? spell.Where : where.OwnerOf(spell.Where) is var owner and not Kit.None ? owner : 0;
    }

    private static int HomeOf(Item copier, Plan plan) => Math.Max(0, plan.People.ToList().FindIndex(p => p.Id == plan.PlaceOf(copier.Place)?.Person));

    private static double? MeasuredRateOf(Item copier) => (copier as Drive)?.MegabytesPerSecond ?? (copier as CardReader)?.MegabytesPerSecond;

    private static double RateOf(Item copier) => MeasuredRateOf(copier) ?? Charge.TypicalCopyRate;

    private static bool Reads(Item copier, Item card) =>
        ((copier as Drive)?.CardTypes ?? (copier as CardReader)?.CardTypes) is not { Count: > 0 } types || (card as Card)?.Type is not { } type
            || types.Contains(type);
}
