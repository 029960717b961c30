using YokePair.Core.Failure;

namespace YokePair.Core.Verdict;

/// <summary>A thing that alone can cost pictures.</summary>
/// <param name="Item">Item id.</param>
/// <param name="Hits">What its loss costs.</param>
public sealed record SinglePoint(string Item, IReadOnlyList<Hit> Hits);

/// <summary>A need that is late or lost without a thing.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Need">Need id.</param>
/// <param name="Outcome">Late or lost.</param>
public sealed record Hit(string Part, string Need, Outcome Outcome);
