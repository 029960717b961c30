using YokePair.Core.Advice;
using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Wording;

/// <summary>What a search for a kit comes to, in words.</summary>
public static class KitWords
{
    /// <summary>One sentence a client could read, with the gap where the search was stopped.</summary>
    public static string Say(KitWish wish, bool proven, Plan plan, IReadOnlyList<Exposed> exposed, double cost, double atLeast)
    {
        var counted = plan.Parts.Sum(p => p.Needs.Count(n => n.Importance != Importance.Nice));
        var exposedNeeds = exposed.Select(e => (e.Part, e.Need)).Distinct().ToList();
        var survives = wish.Survives switch
        {
            FailureClass.None => "can be taken in time with this kit",
            FailureClass.Item => "can still be taken in time whatever one thing fails",
            FailureClass.Rig => "can still be taken in time whatever one thing fails or one camera is lost with all on it",
            _ => "can still be taken in time whatever one thing fails, or one camera or one bag is lost with all in it",
        };
        var which = exposedNeeds.Count == 0 ? $"Every one of the {counted} pictures that matter" : $"{counted - exposedNeeds.Count} of the {counted} pictures that matter";
        var amount = wish.Goal switch
        {
            KitGoal.Weight => $"{English.Tenths(cost / 1000)} kg",
            KitGoal.Count => $"{cost:0} things",
            KitGoal.Value => $"a value of {cost:0}",
            _ => cost == 1 ? "one change" : $"{English.Number((int)cost)} changes",
        };
        var bound = wish.Goal == KitGoal.Weight ? $"{English.Tenths(atLeast / 1000)} kg" : FormattableString.Invariant($"{atLeast:0}");
        return $"{which} {survives}; {(proven ? $"no kit does it with less than {amount}" : $"this one takes {amount}, and less than {bound} is not possible")}.";
    }
}
