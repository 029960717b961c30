using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Wording;

/// <summary>Cut sets in words, those that differ only in which of several like things folded into one.</summary>
public static class CutWords
{
    /// <summary>Folds cut sets: "any two of the four LB7 batteries" rather than six pairs.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="cuts">Cut sets, by item id.</param>
    /// <returns>One phrase for each family, the largest families first.</returns>
    public static IReadOnlyList<string> Fold(Plan plan, IReadOnlyList<IReadOnlyList<string>> cuts)
    {
        var items = plan.ItemsById();
        return [.. cuts.GroupBy(Shape, StringComparer.Ordinal).OrderByDescending(g => g.Count()).SelectMany(Phrases)];

        string Shape(IReadOnlyList<string> cut) => string.Join('|', cut.Select(i => KindOf(items[i]) ?? i).Order(StringComparer.Ordinal));

        // Things are one kind to a family only when every choice of so many of them is a cut of its own.
        IEnumerable<string> Phrases(IGrouping<string, IReadOnlyList<string>> family)
        {
            var sample = family.First();
            var kinds = sample.GroupBy(i => KindOf(items[i]) ?? i, StringComparer.Ordinal)
                .Select(k => (Kind: k.Key, Count: k.Count(), Members: family.SelectMany(c => c).Distinct(StringComparer.Ordinal)
                    .Where(i => (KindOf(items[i]) ?? i) == k.Key).ToList())).ToList();
            var all = kinds.Aggregate(1L, (n, k) => n * Choose(k.Members.Count, k.Count));
            return family.Count() > 1 && all == family.Count()
                ? [English.List([.. kinds.Select(k => Say(k.Count, k.Members))])]
                : family.Select(c => English.List([.. c.Select(i => $"the {items[i].Label}")]));
        }

        string Say(int count, List<string> members) => members.Count == count
            ? English.List([.. members.Select(i => $"the {items[i].Label}")])
            : $"any {English.Number(count)} of the {English.Number(members.Count)} {Plural(items[members[0]])}";
    }

    /// <summary>What makes spares alike; null for things that are each one of a kind.</summary>
    private static string? KindOf(Item item) => item switch
    {
        Battery battery => $"battery {battery.Type}",
        Cells cells => $"cells {cells.Type}",
        Card card => $"card {card.Type}",
        _ => null,
    };

    private static string Plural(Item item) => item switch
    {
        Battery battery => $"{battery.Type} batteries",
        Cells cells => $"{cells.Type} sets",
        Card card => $"{card.Type} cards",
        _ => item.Label,
    };

    private static long Choose(int n, int k)
    {
        var result = 1L;
        for (var i = 0; i < k; i++) result = result * (n - i) / (i + 1);
        return result;
    }
}
