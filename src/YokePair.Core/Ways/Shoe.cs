using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>The hot shoe, one place for flash and trigger alike.</summary>
public static class Shoe
{
    /// <summary>Whether something fits a body's shoe; where either system is not known it is taken to.</summary>
    public static bool Fits(Body body, string? system) => system is null || body.Shoe is null || system == body.Shoe;

    /// <summary>Whether a body's shoe takes a thing: a flash, a trigger that sends, on a camera left alone one that hears.</summary>
    internal static bool Takes(Plan plan, Body body, Item thing, bool alone) => thing switch
    {
        Flash flash => Fits(body, flash.Shoe),
        Trigger trigger => (trigger.Sends is not null || alone) && Fits(body, trigger.Shoe),
        _ => false,
    } && plan.PairOf(body.Id, thing.Id) != PairFit.No;
}
