namespace YokePair.Core.Plans;

/// <summary>What a place may say of itself, for a file and for an edit alike.</summary>
internal static class PlaceCheck
{
    /// <summary>Nothing that is carried weighs more.</summary>
    public const double MostGrams = 1_000_000;

    private const double MostMm = 10_000;

    /// <summary>Looks at every figure of a place.</summary>
    /// <param name="place">The place.</param>
    /// <param name="at">Where it stands, as a field.</param>
    /// <param name="found">What is wrong is added here.</param>
    public static void Figures(Place place, string at, ProblemList found)
    {
        found.Figure($"{at}.reachSeconds", place.ReachSeconds, 0, ProblemList.MostSeconds, "seconds");
        found.Figure($"{at}.emptyG", place.EmptyG, 0, MostGrams, "grams");
        found.Figure($"{at}.limitG", place.LimitG, 0, MostGrams, "grams");
        found.Figure($"{at}.lidMm", place.LidMm, 0, MostMm, "mm");
        found.Figure($"{at}.gapMm", place.GapMm, 0, MostMm, "mm");
        if (PlanLimits.Name($"{at}.guarded", place.Guarded) is { } unlikely) found.Add(unlikely.Field, unlikely.Message);
        Measures($"{at}.innerMm", place.InnerMm, "length, width and depth inside, such as 480 x 290 x 170", found);
        Measures($"{at}.outerMm", place.OuterMm, "length, width and height outside, such as 550 x 350 x 230", found);
    }

    /// <summary>Three measures, or none.</summary>
    public static void Measures(string field, IReadOnlyList<double>? mm, string wanted, ProblemList found)
    {
        if (mm is null) return;
        if (mm.Count != 3) found.Add(field, $"has {mm.Count} figures; expected three, mm: {wanted}");
        for (var i = 0; i < mm.Count; i++) found.Figure($"{field}[{i}]", mm[i], 1, MostMm, "mm");
    }

    /// <summary>What a carrier takes.</summary>
    public static void Carrier(CarrierRules? carrier, ProblemList found)
    {
        if (carrier is null) return;
        Measures("rules.carrier.cabinMm", carrier.CabinMm, "the largest bag in the cabin, such as 550 x 400 x 230", found);
        found.Figure("rules.carrier.cabinG", carrier.CabinG, 0, MostGrams, "grams");
        found.Figure("rules.carrier.holdG", carrier.HoldG, 0, MostGrams, "grams");
    }
}
