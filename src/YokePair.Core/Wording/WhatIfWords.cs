using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Wording;

/// <summary>All losses of a day in a sentence.</summary>
internal static class WhatIfWords
{
    /// <param name="covered">Pictures that matter and are covered with everything there.</param>
    /// <param name="gaps">Those that are not.</param>
    /// <param name="tried">Losses tried.</param>
    /// <param name="harmful">The kind of each that costs a picture.</param>
    public static string Headline(int covered, int gaps, int tried, IReadOnlyList<LossKind> harmful)
    {
        var proof = $"{English.Capital(English.Number(covered))} pictures that matter, {tried} losses tried";
        var uncovered = gaps == 0 ? "" : $" {English.Capital(English.Number(gaps))} more {(gaps == 1 ? "is" : "are")} not covered even with everything there.";
        if (harmful.Count == 0) return $"{proof}: whatever single thing, camera, bag or person is lost, every one of them can still be taken in "
            + $"time.{uncovered}";
        var kinds = harmful.GroupBy(k => k).OrderBy(g => g.Key).Select(g => $"{English.Number(g.Count())} {LossWords.Count(g.Key, g.Count())}").ToList();
        return $"{proof}: {English.List(kinds)} could each cost at least one.{uncovered}";
    }
}
