using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Cards;

/// <summary>
/// The copies that are made at the end of a day of work before one leaves: one card of each pair, on every drive (or, where there is none,
/// reader) one after the other, those that have come out as they come, those in the cameras after the last part. Of several days each makes
/// its own.
/// </summary>
internal sealed class EveningCopies
{
    private readonly Kit kit;
    private readonly CardRules rules;
    private readonly CardClock clock;
    private readonly List<FrameBatch> batches;
    private readonly List<FrameBatch> sofar;
    private readonly Whereabouts where;
    private readonly Part lastPart;
    private readonly Moment last;
    private readonly Item[] copiers;

    private EveningCopies(CameraDay day, CardClock clock, List<FrameBatch> all, Whereabouts where, HashSet<int> parts)
    {
        (kit, rules) = (day.Kit, day.Kit.Plan.Rules.Cards);
        (this.clock, this.where) = (clock, where);
        (batches, sofar) = (all.FindAll(b => parts.Contains(b.Part)), all.FindAll(b => b.Part <= parts.Max()));
        last = clock.EndOf(parts);
        lastPart = day.Parts[last.Part];
        var there = kit.Items.Where(i => i is Drive or CardReader && !day.IsGone(kit.IndexOf(i.Id), parts.Max())).ToLookup(i => i is Drive);
        copiers = [.. there[true].Any() ? there[true] : there[false]];
    }

    /// <summary>Each evening of a day, or of several with a night between.</summary>
    public static IReadOnlyList<EveningCopies> Of(CameraDay day, CardClock clock, List<FrameBatch> batches, Whereabouts where)
    {
        var evenings = new List<EveningCopies>();
        var first = 0;
        foreach (var parts in Day.Stretches(day.Kit.Plan))
        {
            evenings.Add(new EveningCopies(day, clock, batches, where, [.. Enumerable.Range(first, parts.Count)]));
            first += parts.Count;
        }
        return evenings;
    }

    /// <summary>A card that is copied.</summary>
    private sealed record Copied(string Card, double Megabytes, double OutAt);

    /// <summary>Frames of the day that are on a drive or reader once the evening is over: from when on, and its number.</summary>
    public IEnumerable<(FrameBatch Batch, double From, int Copier)> Copies()
    {
        var (toCopy, _, _) = Chosen(clock.Of(last));
        var runs = Queued(toCopy, clock.Of(last), out var until);
        var on = CopierOf(runs);
        return batches.Where(b => b.Raw.Any(on.ContainsKey)).Select(b => (b, until, kit.IndexOf(on[b.Raw.First(on.ContainsKey)])));
    }

    private static Dictionary<string, string> CopierOf(IEnumerable<CopyRun> runs) =>
        runs.SelectMany(q => q.Cards.Select(c => (Card: c, q.Copier))).ToDictionary(c => c.Card, c => c.Copier, StringComparer.Ordinal);

    public CardEvening Made()
    {
        var end = clock.Of(last);
        var (toCopy, unreadable, halves) = Chosen(end);
        var runs = Queued(toCopy, end, out var until);
        var minutes = Math.Max(0, until - end);
        var on = CopierOf(runs);
        List<CopyRun> busy = [.. runs.Where(q => q.Cards.Count > 0 || runs.Count == 1)];
        return new CardEvening(lastPart.Id, busy, Math.Round(minutes, 1), clock.TimeOf(last)?.AddMinutes(Math.Ceiling(minutes)),
            Fewest(b => b.Raw.Count + CopiesOf(b).Count() + Cabled(b).Count()),
            Fewest(b => b.Raw.Select(HomeOf).Concat(CopiesOf(b).Concat(Cabled(b)).Select(HomeOfThing)).Distinct().Count()),
            batches.Count > 0 && batches.TrueForAll(b => b.Jpeg.Count > 0 || (b.Sent is { Sending.ByCable: false } && HasArrived(b))),
            rules.CopiesAsked, rules.PlacesAsked,
            [.. unreadable.Order(StringComparer.Ordinal)], [.. halves.Order(StringComparer.Ordinal)], [.. Homes(busy)]);

        IEnumerable<string> CopiesOf(FrameBatch batch) => batch.Raw.Where(on.ContainsKey).Select(c => on[c]).Take(1);

        int Fewest(Func<FrameBatch, int> count) => batches.Select(count).DefaultIfEmpty(0).Min();
    }

    /// <summary>What has a raw file of a batch by cable when the last part is over.</summary>
    private IEnumerable<string> Cabled(FrameBatch batch) => batch.Sent is { Sending.ByCable: true } sent && HasArrived(batch) ? [sent.Sending.To] : [];

    private bool HasArrived(FrameBatch batch) => batch.Sent!.Arrived(batch.End, clock.Since(batch.Part, clock.Of(last))) >= batch.End - 1e-6;

    /// <summary>Of two halves the one that is copied already, or the first that can be read; with what can not.</summary>
    private (List<Copied> ToCopy, HashSet<string> Unreadable, HashSet<string> Halves) Chosen(double end)
    {
        var (unreadable, halves) = (new HashSet<string>(StringComparer.Ordinal), new HashSet<string>(StringComparer.Ordinal));
        var toCopy = new Dictionary<string, double>(StringComparer.Ordinal);
        foreach (var batch in batches.Where(b => b.Raw.Count > 0))
        {
            var readable = batch.Raw.OrderByDescending(toCopy.ContainsKey).Where(c => Array.Exists(copiers, copier => Reads(copier, CardOf(c)))).ToList();
            if (copiers.Length > 0) (readable.Count == 0 ? unreadable : halves).UnionWith(batch.Raw.Except(readable));
            if (readable is [var card, ..])
                toCopy[card] = toCopy.GetValueOrDefault(card) + ((batch.End - batch.First) * Charge.FrameMegabytes((Body)kit.Items[batch.Body]));
        }
        return ([.. toCopy.Select(c => new Copied(c.Key, c.Value, OutAt(c.Key, end))).OrderBy(c => c.OutAt)], unreadable, halves);
    }

    /// <summary>Each card on whichever is done with it first.</summary>
    private List<CopyRun> Queued(List<Copied> toCopy, double end, out double until)
    {
        var free = new double[copiers.Length];
        var taken = copiers.Select(_ => new List<Copied>()).ToList();
        foreach (var card in toCopy)
        {
            var first = Enumerable.Range(0, copiers.Length).Where(n => Reads(copiers[n], CardOf(card.Card))).MinBy(n => DoneAt(n, card));
            free[first] = DoneAt(first, card);
            taken[first].Add(card);
        }
        until = free.Append(end).Max();
        return [.. copiers.Select((c, n) => new CopyRun(c.Id, RateOf(c), MeasuredRateOf(c) is null,
            Math.Round(taken[n].Sum(t => t.Megabytes) / 1000, 1), [.. taken[n].Select(t => t.Card)]))];

        double DoneAt(int copier, Copied card) => Math.Max(free[copier], card.OutAt) + (card.Megabytes / RateOf(copiers[copier]) / 60);
    }

    /// <summary>Cards go home with whoever has them, the drive with whose it is, else with the first of the team.</summary>
    private IEnumerable<GoingHome> Homes(List<CopyRun> runs)
    {
        var cards = sofar.SelectMany(b => b.Raw.Concat(b.Jpeg)).Distinct(StringComparer.Ordinal).ToLookup(HomeOf);
        var copies = runs.Where(q => q.Cards.Count > 0).Select(q => q.Copier).ToLookup(HomeOfThing);
        for (var p = 0; p < kit.Plan.People.Count; p++)
            if (cards[p].Any() || copies[p].Any())
                yield return new GoingHome(kit.Plan.People[p].Id, [.. cards[p].Order(StringComparer.Ordinal)], [.. copies[p]]);
    }

    private double OutAt(string card, double end) =>
        rules.AllAtTheEnd == true ? end
            : where.Of(card).Where(s => s.Kind != CardHolder.Camera).Select(s => clock.Of(s.From)).Append(end).Min();

    private int HomeOf(string card)
    {
        var spell = where.At(card, clock.Of(last), justBefore: false) ?? where.Of(card)[^1];
        if (spell.Kind == CardHolder.Camera) spell = where.AtTheEnd(card, spell, last);
        return spell.Kind == CardHolder.Wallet ? spell.Where : where.OwnerOf(spell.Where) is var owner and not Kit.None ? owner : 0;
    }

    private int HomeOfThing(string thing) =>
        Math.Max(0, kit.Plan.People.ToList().FindIndex(p => p.Id == kit.Plan.PlaceOf(kit.PackedIn(kit.IndexOf(thing)))?.Person));

    /// <summary>Null for one that is only thought of, where other ways are tried.</summary>
    private Card? CardOf(string id) => kit.IndexOf(id) is var card and not Kit.None ? kit.Items[card] as Card : null;

    private static double? MeasuredRateOf(Item copier) => (copier as Drive)?.MegabytesPerSecond ?? (copier as CardReader)?.MegabytesPerSecond;

    private static double RateOf(Item copier) => MeasuredRateOf(copier) ?? Charge.TypicalCopyRate;

    private static bool Reads(Item copier, Card? card) =>
        ((copier as Drive)?.CardTypes ?? (copier as CardReader)?.CardTypes) is not { Count: > 0 } types || card?.Type is not { } type
            || types.Contains(type);
}
