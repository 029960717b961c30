using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>What a plan learns from the locker its things came from.</summary>
public static class PlanAndLocker
{
    /// <summary>A plan whose things are as available as the locker says, and whose pairs get on as it says.</summary>
    public static Plan With(Plan plan, IReadOnlyDictionary<string, Item> locker, IReadOnlyList<PairRule> pairs)
    {
        var ids = plan.Items.Select(i => i.Id).ToHashSet(StringComparer.Ordinal);
        var own = plan.Pairs ?? [];
        var learnt = pairs.Where(p => !own.Any(o => o.IsOf(p.A, p.B))).ToLookup(p => ids.Contains(p.A) && ids.Contains(p.B));
        if (learnt.Contains(true)) plan = plan with { Pairs = [.. own, .. learnt[true]] };
        if (learnt.Contains(false)) plan = plan with { PairsAtHome = [.. learnt[false]] };
        return plan.Items.Any(Differs) ? plan with
        {
            Items = [
            .. plan.Items.Select(i => Differs(i) && locker[i.Id] is var known ? i with { Status = known.Status, From = known.From, To = known.To } : i)]
        }
            : plan;

        bool Differs(Item item) => locker.TryGetValue(item.Id, out var known)
            && (known.Status != item.Status || known.From != item.From || known.To != item.To);
    }
}
