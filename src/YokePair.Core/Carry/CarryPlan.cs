namespace YokePair.Core.Carry;

/// <summary>What is in which bag, and what everybody carries through the day.</summary>
/// <param name="Places">Every place, as a beam of what is in it.</param>
/// <param name="People">Everybody who carries something.</param>
public sealed record CarryPlan(IReadOnlyList<Beam> Places, IReadOnlyList<Burden> People);

/// <summary>A bag or another place with what is in it before the first part.</summary>
/// <param name="Place">Place id.</param>
/// <param name="Grams">What it weighs with all that is in it.</param>
/// <param name="EmptyG">What it weighs empty; null = nobody has said.</param>
/// <param name="LimitG">The most one wants; null = no limit.</param>
/// <param name="Value">What is in it would cost to replace, as far as it is known.</param>
/// <param name="Things">What is in it, in the order it hangs together, the heaviest first.</param>
public sealed record Beam(string Place, double Grams, double? EmptyG, double? LimitG, double Value, IReadOnlyList<BeamThing> Things)
{
    /// <summary>Grams too many; 0 = within the limit.</summary>
    public double Over => LimitG is { } limit ? Math.Max(0, Grams - limit) : 0;
}

/// <summary>A thing in a beam.</summary>
/// <param name="Item">Item id.</param>
/// <param name="Grams">What it weighs.</param>
/// <param name="IsUsual">Whether that is a usual figure, as nobody has weighed it.</param>
/// <param name="On">Id of what it is mounted on or loaded in; null = nothing.</param>
public sealed record BeamThing(string Item, double Grams, bool IsUsual, string? On);

/// <summary>What somebody carries.</summary>
/// <param name="Person">Person id.</param>
/// <param name="Parts">Part by part.</param>
/// <param name="Hours">Hours with something on the shoulders.</param>
/// <param name="ShouldersG">On the shoulders on average over those hours.</param>
/// <param name="KilogramHours">Shoulders, hips and hands together; only to rank one style against another.</param>
/// <param name="LimitG">The most they want on their shoulders; null = no limit.</param>
public sealed record Burden(
    string Person, IReadOnlyList<BurdenInPart> Parts, double Hours, double ShouldersG, double KilogramHours, double? LimitG);

/// <summary>What somebody carries in one part, by where it is felt, in grams.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Shoulders">Harness, straps, backpack, shoulder bag.</param>
/// <param name="Hips">Belt.</param>
/// <param name="Hands">By hand.</param>
/// <param name="Wheels">Rolled along: no load.</param>
public sealed record BurdenInPart(string Part, double Shoulders, double Hips, double Hands, double Wheels)
{
    /// <summary>All that is felt.</summary>
    public double Felt => Shoulders + Hips + Hands;
}
