using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>How two things get on with each other.</summary>
public enum PairFit
{
    /// <summary>As they should.</summary>
    Full,

    /// <summary>They fit, but the lens must be focused by hand.</summary>
    ManualFocusOnly,

    /// <summary>They fit, and sometimes fail together.</summary>
    Doubtful,

    /// <summary>They do not go together.</summary>
    No,

    /// <summary>They should fit; nobody has tried.</summary>
    Untested,
}

/// <summary>What the owner knows of two things that mounts and types do not say.</summary>
public sealed record PairRule
{
    /// <summary>Id of one thing.</summary>
    public required string A { get; init; }

    /// <summary>Id of the other; the order does not matter.</summary>
    public required string B { get; init; }

    /// <summary>How they get on.</summary>
    public required PairFit Fit { get; init; }

    /// <summary>Why, in the owner's words.</summary>
    public string? Note { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>Whether it speaks of these two.</summary>
    public bool IsOf(string a, string b) => (A == a && B == b) || (A == b && B == a);
}

/// <summary>Looking up pairs of a plan.</summary>
internal static class PlanPairs
{
    /// <summary>What the owner says of two things; null when nothing.</summary>
    public static PairFit? PairOf(this Plan plan, string a, string b) => (Find(plan.Pairs, a, b) ?? Find(plan.PairsAtHome, a, b))?.Fit;

    /// <summary>All that is known of pairs, of what is packed and what is not.</summary>
    public static IEnumerable<PairRule> KnownPairs(this Plan plan) => (plan.Pairs ?? []).Concat(plan.PairsAtHome ?? []);

    private static PairRule? Find(IReadOnlyList<PairRule>? pairs, string a, string b)
    {
        for (var i = 0; i < (pairs?.Count ?? 0); i++)
            if (pairs![i].IsOf(a, b)) return pairs[i];
        return null;
    }

    /// <summary>Whether the owner says that two things go together, whatever their mounts say.</summary>
    public static bool SaysTheyFit(this Plan plan, Item a, Item b) => plan.PairOf(a.Id, b.Id) is not (null or PairFit.No);
}
