namespace YokePair.Core.Plans;

/// <summary>What can go at once.</summary>
public enum LossKind
{
    /// <summary>One thing dies.</summary>
    Item,

    /// <summary>A camera is dropped or stolen with all that is on it and in it.</summary>
    Rig,

    /// <summary>A bag or the car is stolen, or cannot be got at.</summary>
    Place,

    /// <summary>A person is absent, with what they hold and what is in their bags.</summary>
    Person,

    /// <summary>A radio system is jammed: nothing sends or hears by it; the things still work without it.</summary>
    Radio,

    /// <summary>A camera refuses every battery of a type that is not its own maker's.</summary>
    Batteries,

    /// <summary>All cells of one make turn out bad.</summary>
    Cells,

    /// <summary>Batteries, cells or cards of a type that are old fail together.</summary>
    Old,

    /// <summary>No socket works where one is counted on.</summary>
    Socket,

    /// <summary>Things the photographer fears for together.</summary>
    Own,
}

/// <summary>One loss of a day.</summary>
/// <param name="Kind">What is lost.</param>
/// <param name="Id">Id of the thing, place, person, radio system, battery type or event; for a rig, of its body; for cells their type and make.</param>
public sealed record LossKey(LossKind Kind, string Id);
