using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Locker;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Swaps;

/// <summary>What becomes of a swap when things are pulled.</summary>
public enum SwapFate
{
    /// <summary>It is made as planned.</summary>
    Stays,

    /// <summary>It is made as planned, with another thing.</summary>
    Other,

    /// <summary>It was not planned.</summary>
    New,

    /// <summary>It was planned and is not made.</summary>
    Dropped,
}
