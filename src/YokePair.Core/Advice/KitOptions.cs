using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Advice;

/// <summary>What a kit may be chosen from.</summary>
internal static class KitOptions
{
    private const int PlacesTried = 2;

    /// <summary>Every option with the item it stands for in a plan that holds them all.</summary>
    public static (IReadOnlyList<KitOption> Options, IReadOnlyList<Item> Items) Of(Plan plan, IReadOnlyList<Item> locker, KitWish wish)
    {
        var known = locker.ToDictionary(i => i.Id, StringComparer.Ordinal);
        var options = new List<KitOption>();
        var items = new List<Item>();
        var places = Sensible(plan);
        var inUse = plan.Parts.SelectMany(p => p.Setups.SelectMany(s => s.Named()).Select(n => n.Id)
            .Concat((p.Lights ?? []).SelectMany(l => l.Named(_ => false)).Select(n => n.Id)))
            .Concat(plan.Items.Select(i => PlaceReference.Parse(i.Place, plan.HasItem)?.Item).OfType<string>()).ToHashSet(StringComparer.Ordinal);
        foreach (var item in plan.Items) Add(item, item.Id, item.Place ?? "", today: true);
        foreach (var item in wish.Move ? plan.Items : [])
            if (!item.IsFixed() && !inUse.Contains(item.Id) && item.Place?.StartsWith('@') == false)
                foreach (var place in places.Where(p => p.Id != item.Place)) Add(item, item.Id, place.Id, today: false);
        foreach (var item in wish.FromLocker ? locker : [])
            if (!item.IsFixed() && item.Keep != Keep.Never && Sourcing.IsFree(plan, item))
                foreach (var place in places) Add(item, item.Id, place.Id, today: false);
        return (options, items);

        void Add(Item item, string thing, string place, bool today)
        {
            var from = known.GetValueOrDefault(thing);
            var grams = item.WeightG ?? from?.WeightG ?? 0;
            var value = item.Value ?? from?.Value ?? 0;
            var stays = today && (item.IsFixed() || item.Keep == Keep.Always);
            options.Add(new KitOption(thing, place, today, stays, grams, value,
                CostOf(wish.Goal, item, grams, value, today, plan.ItemOf(thing) is not null, plan.PlaceOf(place))));
            items.Add(today ? item : item with { Id = $"{thing}\u0000{place}", Place = place });
        }
    }

    /// <summary>Places at hand in every part, bags before pockets.</summary>
    private static List<Place> Sensible(Plan plan) =>
        [.. plan.Places.Where(p => plan.Parts.All(part => !part.Unreachable.Contains(p.Id))).BagsFirst().Take(PlacesTried)];

    /// <summary>The goal first; among equals what is there and where it is stays.</summary>
    private static long CostOf(KitGoal goal, Item item, double grams, double value, bool today, bool packed, Place? place)
    {
        var tie = today ? 0 : packed ? 3 : 5;
        if (!today && place?.ReachSeconds < Nearness.PocketSeconds) tie++;
        return KitTotal.Scale * (goal switch
        {
            KitGoal.Weight => (long)Math.Round(grams > 0 ? grams : UsualWeights.Of(item)),
            KitGoal.Count => 1,
            KitGoal.Value => (long)Math.Round(value),
            _ => today ? -1 : packed ? 0 : 1,
        }) + tie;
    }
}

/// <summary>How sums of a goal are scaled.</summary>
public static class KitTotal
{
    /// <summary>One gram, thing, unit of money or change; below it lies what decides among equals.</summary>
    public const long Scale = 1000;
}
