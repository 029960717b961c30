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
        var copier = Array.Find(kit.Items, i => i is Drive && !day.IsGone(kit.IndexOf(i.Id), day.Parts.Length - 1))
            ?? Array.Find(kit.Items, i => i is CardReader && !day.IsGone(kit.IndexOf(i.Id), day.Parts.Length - 1));
        var last = new Moment(Enumerable.Range(0, day.Parts.Length).MaxBy(p => clock.Of(new Moment(p, 1))), 1);
        var (end, free, gigabytes) = (clock.Of(last), 0.0, 0.0);
        var unreadable = new HashSet<string>(StringComparer.Ordinal);
        var isCopied = new HashSet<FrameBatch>();
        if (copier is not null)
        {
            var rate = RateOf(copier);
            var toCopy = new Dictionary<string, double>(StringComparer.Ordinal);
            foreach (var batch in batches.Where(b => b.Raw.Count > 0))
            {
                // Of two halves the one that is copied already, or the first that can be read.
                if (batch.Raw.OrderByDescending(toCopy.ContainsKey).FirstOrDefault(c => Reads(copier, kit.Items[kit.IndexOf(c)])) is not { } card)
                {
                    unreadable.UnionWith(batch.Raw);
                    continue;
                }
                isCopied.Add(batch);
                toCopy[card] = toCopy.GetValueOrDefault(card) + ((batch.End - batch.First) * Charge.FrameMegabytes((Body)kit.Items[batch.Body]));
            }
            foreach (var (card, megabytes) in toCopy.OrderBy(c => OutAt(c.Key)))
            {
                free = Math.Max(free, OutAt(card)) + (megabytes / rate / 60);
                gigabytes += megabytes / 1000;
            }
        }
        var minutes = Math.Max(0, free - end);
        return new CardEvening(copier?.Id, copier is null ? 0 : RateOf(copier), copier is not null && MeasuredRateOf(copier) is null,
            Math.Round(gigabytes, 1), Math.Round(minutes, 1), clock.TimeOf(last)?.AddMinutes(Math.Ceiling(minutes)),
            Fewest(b => Copies(b, isCopied)), Fewest(b => Homes(b, isCopied)), (int)rules.Copies, (int)rules.Places, [.. unreadable.Order(StringComparer.Ordinal)]);

        double OutAt(string card) =>
            rules.CopyAsTheyCome && where.Of(card) is [.., { Kind: not CardHolder.Camera } out_] ? clock.Of(where.Of(card).First(s => s.Kind != CardHolder.Camera).From) : end;

        int Fewest(Func<FrameBatch, int> count) => batches.Select(count).DefaultIfEmpty(0).Min();

        int Copies(FrameBatch batch, HashSet<FrameBatch> copied) => batch.Raw.Count + batch.Jpeg.Count + (copied.Contains(batch) ? 1 : 0);

        // Cards go home with whoever has them, the drive with whose it is, else with the first of the team.
        int Homes(FrameBatch batch, HashSet<FrameBatch> copied) =>
            batch.Raw.Concat(batch.Jpeg).Select(c => HomeOf(c, where)).Concat(copied.Contains(batch) ? [HomeOf(copier!, kit.Plan)] : []).Distinct().Count();
    }

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
        ((copier as Drive)?.CardTypes ?? (copier as CardReader)?.CardTypes) is not { Count: > 0 } types || (card as Card)?.Type is not { } type || types.Contains(type);
}
