using YokePair.Core.Basics;
using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>The hot shoe, one place for flash and trigger alike.</summary>
public static class Shoe
{
    /// <summary>Whether something fits a body's shoe; where either system is not known it is taken to.</summary>
    public static bool Fits(Body body, string? system) => system is null || body.Shoe is null || system == body.Shoe;
}
