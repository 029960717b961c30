namespace YokePair.Core.Plans;

/// <summary>An assignment that has a thing with it.</summary>
/// <param name="Assignment">Key of the assignment.</param>
/// <param name="Name">What it is called.</param>
/// <param name="From">First day on which the thing is there.</param>
/// <param name="To">Last day.</param>
public sealed record Promise(string Assignment, string Name, DateOnly From, DateOnly To)
{
    /// <summary>Whether it is there on a day.</summary>
    public bool Holds(DateOnly day) => day >= From && day <= To;
}
