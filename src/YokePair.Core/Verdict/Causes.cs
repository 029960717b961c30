using YokePair.Core.Cards;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Verdict;

/// <summary>What could take several things together.</summary>
public enum CauseKind
{
    /// <summary>A thing and its only backup lie in one bag.</summary>
    OneBag,

    /// <summary>Every light that stands off the camera speaks one radio system.</summary>
    OneRadio,

    /// <summary>Several heads hang on one pack.</summary>
    OnePack,

    /// <summary>A trigger fits the shoe of one body only.</summary>
    OneShoe,

    /// <summary>One charger for every battery of a type.</summary>
    OneCharger,

    /// <summary>One reader for all cards.</summary>
    OneReader,

    /// <summary>One drive for all copies, and no reader.</summary>
    OneDrive,

    /// <summary>Both halves of the same pictures in one wallet.</summary>
    OneWallet,

    /// <summary>Cards bought together are all there is for a type of slot.</summary>
    OneLot,

    /// <summary>One adapter for several lenses.</summary>
    OneAdapter,
}

/// <summary>Things that one cause would take together, as facts; <c>Wording</c> makes the sentence.</summary>
/// <param name="Kind">What they share.</param>
/// <param name="Items">Ids: of a bag the thing and its only backup; else what is shared first, then what hangs on it.</param>
internal sealed record CauseFacts(CauseKind Kind, IReadOnlyList<string> Items)
{
    /// <summary>The needs that would be late or lost, by part and need.</summary>
    public IReadOnlyList<(string Part, string Need)> Hits { get; init; } = [];

    /// <summary>Id of the place or person, radio system, battery type or card type it is about.</summary>
    public string? About { get; init; }

    /// <summary>Id of the part it is true of.</summary>
    public string? Part { get; init; }

    /// <summary>How many batteries, frames, or bodies with such a slot.</summary>
    public int Count { get; init; }

    /// <summary>Day since which they are in use.</summary>
    public DateOnly? Since { get; init; }
}

/// <summary>Finds what one cause would take together.</summary>
internal static class Causes
{
    /// <summary>Every shared cause, those that could cost a picture that matters first.</summary>
    public static IReadOnlyList<CauseFacts> Of(DayAnalysis day)
    {
        var plan = day.Plan;
        return [.. Bags(day), .. Adapters(plan), .. Radio(plan), .. Packs(plan), .. Shoes(plan), .. Chargers(plan), .. Readers(plan),
            .. Wallets(day), .. Lots(plan)];
    }

    /// <summary>A pair that cuts a need and lies in one place: the one is all the backup the other has.</summary>
    public static IEnumerable<CauseFacts> Bags(DayAnalysis day)
    {
        var kit = day.Kit;
        var pairs = new Dictionary<(int A, int B, int Place), List<(string, string)>>();
        foreach (var part in day.Parts)
            foreach (var need in part.Needs.Where(n => n.Need.Importance != Importance.Nice))
                foreach (var cut in need.Cuts.Where(c => c.Length == 2))
                    if (part.Ways.Layout.SourceOf(cut[0]) is var place && place >= 0 && place < kit.Plan.Places.Count
                        && place == part.Ways.Layout.SourceOf(cut[1]))
                    {
                        var key = (cut[0], cut[1], place);
                        if (!pairs.TryGetValue(key, out var hit)) pairs.Add(key, hit = []);
                        hit.Add((part.Part.Id, need.Need.Id));
                    }
        return pairs.OrderByDescending(p => p.Value.Count)
            .Select(p => new CauseFacts(CauseKind.OneBag, [kit.Items[p.Key.A].Id, kit.Items[p.Key.B].Id])
            {
                Hits = p.Value,
                About = kit.Plan.Places[p.Key.Place].Id
            });
    }

    private static IEnumerable<CauseFacts> Adapters(Plan plan)
    {
        foreach (var group in plan.Items.OfType<Adapter>().Where(a => !a.Doubtful).GroupBy(a => (a.LensMount, a.BodyMount)))
        {
            if (group.Count() > 1 || group.Key.LensMount is null) continue;
            var lenses = plan.Items.OfType<Lens>().Where(l => l.Mount == group.Key.LensMount && plan.Items.OfType<Body>()
                .Any(b => b.Mount.Contains(group.Key.BodyMount!) && !b.Mount.Contains(l.Mount))).ToList();
            if (lenses.Count >= 2) yield return new CauseFacts(CauseKind.OneAdapter, [group.First().Id, .. lenses.Select(l => l.Id)]);
        }
    }

    private static IEnumerable<CauseFacts> Radio(Plan plan)
    {
        var placed = plan.Parts.SelectMany(p => p.Lights ?? []).Where(l => l.Flash is not null).ToList();
        string[] flashes = [.. placed.Select(l => l.Flash!).Distinct(StringComparer.Ordinal)];
        var systems = placed.Select(l => plan.Items.OfType<Trigger>().FirstOrDefault(t => t.Id == l.Receiver)?.Hears ?? plan.Items.OfType<Flash>()
            .First(f => f.Id == l.Flash).RadioSystem)
            .Distinct(StringComparer.Ordinal).ToList();
        if (flashes.Length > 1 && systems is [{ } only]) yield return new CauseFacts(CauseKind.OneRadio, flashes) { About = only };
    }

    private static IEnumerable<CauseFacts> Packs(Plan plan) =>
        plan.Parts.SelectMany(p => (p.Lights ?? []).Where(l => l.Pack is not null && l.Flash is not null).GroupBy(l => l.Pack!).Where(g => g.Count() > 1)
                .Select(g => new CauseFacts(CauseKind.OnePack, [g.Key, .. g.Select(l => l.Flash!)]) { Part = p.Id }))
            .DistinctBy(c => string.Concat(c.Items));

    private static IEnumerable<CauseFacts> Shoes(Plan plan)
    {
        var bodies = plan.Items.OfType<Body>().ToList();
        if (bodies.Count < 2) yield break;
        foreach (var trigger in plan.Items.OfType<Trigger>().Where(t => t.Sends is not null))
            if (bodies.Where(b => Shoe.Fits(b, trigger.Shoe)).ToList() is [var only]) yield return new CauseFacts(CauseKind.OneShoe, [trigger.Id, only.Id]);
    }

    private static IEnumerable<CauseFacts> Chargers(Plan plan)
    {
        foreach (var type in plan.Items.OfType<Battery>().Where(b => b.Type is not null).GroupBy(b => b.Type!).Where(g => g.Count() > 1))
            if (plan.Items.OfType<Charger>().Where(c => c.Takes(type.Key)).ToList() is [var only])
                yield return new CauseFacts(CauseKind.OneCharger, [only.Id]) { About = type.Key, Count = type.Count() };
    }

    private static IEnumerable<CauseFacts> Readers(Plan plan)
    {
        if (!plan.Items.OfType<Card>().Any()) yield break;
        var (readers, drives) = (plan.Items.OfType<CardReader>().ToList(), plan.Items.OfType<Drive>().ToList());
        if (readers is [var only]) yield return new CauseFacts(CauseKind.OneReader, [only.Id]);
        else if (readers.Count == 0 && drives is [var drive]) yield return new CauseFacts(CauseKind.OneDrive, [drive.Id]);
    }

    private static IEnumerable<CauseFacts> Wallets(DayAnalysis day) =>
        CardPlans.Losses(day).Where(l => l is { Kind: CardLossKind.Wallet, Frames: > 0 }).Select(l => new CauseFacts(CauseKind.OneWallet, [])
        {
            About = l.Id,
            Count = l.Frames,
            Hits = [.. l.Pictures.Select(p => (p.Part, p.Need))],
        });

    private static IEnumerable<CauseFacts> Lots(Plan plan)
    {
        foreach (var type in plan.Items.OfType<Card>().Where(c => c.Type is not null && c.CanRecord).GroupBy(c => c.Type!))
        {
            var slots = plan.Items.OfType<Body>().Count(b => b.Slots.Any(s => s.Type == type.Key));
            if (type.Count() > 1 && slots > 1 && type.Select(c => c.FirstUse).Distinct().ToList() is [{ } day])
                yield return new CauseFacts(CauseKind.OneLot, [.. type.Select(c => c.Id)]) { About = type.Key, Count = slots, Since = day };
        }
    }
}
