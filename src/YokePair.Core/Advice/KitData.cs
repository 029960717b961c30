using YokePair.Core.Editing;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;

namespace YokePair.Core.Advice;

/// <summary>What a kit must survive. Each includes those before it.</summary>
public enum FailureClass
{
    /// <summary>Nothing fails.</summary>
    None,

    /// <summary>Any one thing.</summary>
    Item,

    /// <summary>Any one thing, or any camera with all on it.</summary>
    Rig,

    /// <summary>Any one thing, camera with all on it, or bag with all in it.</summary>
    Bag,
}

/// <summary>What a kit is to have least of.</summary>
public enum KitGoal
{
    /// <summary>Grams.</summary>
    Weight,

    /// <summary>Things.</summary>
    Count,

    /// <summary>Money.</summary>
    Value,

    /// <summary>Differences from what is packed today.</summary>
    Changes,
}

/// <summary>Grams that may be carried in a place, or in all the places of a person.</summary>
/// <param name="Id">Id of the place or person.</param>
/// <param name="Grams">Most of what is packed there, things without a known weight not counted.</param>
public sealed record CarryLimit(string Id, double Grams);

/// <summary>What kit is wanted.</summary>
/// <param name="Survives">What every once and must need must survive.</param>
/// <param name="Goal">What to have least of.</param>
/// <param name="FromLocker">Whether things from the locker may come along.</param>
/// <param name="Move">Whether glass, bodies and flashes may be packed elsewhere.</param>
/// <param name="SetupsFree">Whether the glass on the cameras in hand may be chosen anew in every part; else setups stay, and what is left at home leaves a
/// hole.</param>
/// <param name="Limits">Limits of places and people.</param>
public sealed record KitWish(
    FailureClass Survives = FailureClass.Item, KitGoal Goal = KitGoal.Weight, bool FromLocker = true, bool Move = false, bool SetupsFree = false,
        IReadOnlyList<CarryLimit>? Limits = null);

/// <summary>A thing in a place, which may be taken along or not. A thing may have several, of which at most one is chosen.</summary>
/// <param name="Thing">Id of the thing.</param>
/// <param name="Place">Id of the place, or <c>@thing</c>.</param>
/// <param name="Today">Whether it is packed there today.</param>
/// <param name="Fixed">Whether it stays in any case: what the needs do not tell of (chargers, readers, carrying gear) and what is reckoned elsewhere
/// (batteries, cells, cards).</param>
/// <param name="Grams">Its weight, 0 where not known.</param>
/// <param name="Value">Its value, 0 where not known.</param>
/// <param name="Cost">What choosing it costs by the goal.</param>
public sealed record KitOption(string Thing, string Place, bool Today, bool Fixed, double Grams, double Value, long Cost);

/// <summary>A need that a kit is asked for.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Need">Need id.</param>
/// <param name="Alone">Whether it is asked of the lead alone.</param>
public readonly record struct AskedNeed(string Part, string Need, bool Alone = false)
{
    /// <summary>That somebody has a camera in a part, asked as a need is.</summary>
    public static AskedNeed Camera(string part, string person) => new(part, "@" + person);

    /// <summary>Everyone who has a camera with glass on it in a part of a plan.</summary>
    public static IEnumerable<AskedNeed> Cameras(Plan plan) => plan.Parts.SelectMany(p =>
        p.Setups.Where(s => s.Body is not null && s.Lens is not null && s.Unattended != true).Select(s => Camera(p.Id, s.Person))).Distinct();
}

/// <summary>What a house rule, or a photographer, asks of a kit.</summary>
/// <param name="Rule">The rule; null = that somebody who photographs has a camera.</param>
/// <param name="OneOf">Each a bundle of options that counts as one when all of it is chosen.</param>
/// <param name="AtLeast">How many bundles there must be.</param>
/// <param name="AtMost">How many there may be; null = any number.</param>
/// <param name="Camera">Whose camera it is, and where; null = not one person's.</param>
public sealed record KitBound(HouseRuleKind? Rule, IReadOnlyList<IReadOnlyList<int>> OneOf, int AtLeast, int? AtMost = null, AskedNeed? Camera = null)
{
    /// <summary>Whether a kit keeps it.</summary>
    /// <param name="chosen">By option number.</param>
    public bool IsMet(bool[] chosen) => OneOf.Count(bundle => bundle.All(o => chosen[o])) is var has && has >= AtLeast && !(has > AtMost);
}

/// <summary>A need that some kit fails, and what must be chosen for it not to.</summary>
/// <param name="Need">The need.</param>
/// <param name="OneOf">Options of which at least <paramref name="AtLeast"/> must be chosen.</param>
/// <param name="AtLeast">How many.</param>
/// <param name="Unless">Options of which one left at home will do as well, as it brings something nearer: a lens that a camera would have held.</param>
public sealed record KitClause(AskedNeed Need, IReadOnlyList<int> OneOf, int AtLeast, IReadOnlyList<int> Unless)
{
    /// <summary>Whether a kit has what it asks.</summary>
    /// <param name="chosen">By option number.</param>
    public bool IsMet(bool[] chosen) => Unless.Any(o => !chosen[o]) || OneOf.Count(o => chosen[o]) >= AtLeast;
}

/// <summary>A need that a kit leaves uncovered or hanging.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Need">Need id.</param>
/// <param name="Loss">The loss it does not survive; null = it is not met even with everything there.</param>
public sealed record ExposedNeed(string Part, string Need, LossKey? Loss);

/// <summary>Sums of a kit.</summary>
/// <param name="Things">How many things.</param>
/// <param name="Grams">Their weight as far as known.</param>
/// <param name="Value">Their value as far as known.</param>
/// <param name="Unweighed">How many have no known weight.</param>
public sealed record KitTotals(int Things, double Grams, double Value, int Unweighed);

/// <summary>One difference from what is packed today.</summary>
/// <param name="Thing">Id of the thing.</param>
/// <param name="Name">What it is called.</param>
/// <param name="From">Place it is in today; null = at home.</param>
/// <param name="To">Place it comes to; null = it stays at home.</param>
/// <param name="Grams">Its weight, 0 where not known.</param>
/// <param name="Edit">The edit that does it.</param>
public sealed record KitChange(string Thing, string Name, string? From, string? To, double Grams, PlanEdit Edit);
