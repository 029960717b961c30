using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Core.Advice;

/// <summary>One position of one person in one chosen part, whose glass may be chosen anew; the body stays.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Person">Person id.</param>
/// <param name="Position">Position.</param>
/// <param name="Options">What it may carry.</param>
/// <param name="Current">Which of them it carries now.</param>
public sealed record SetupSlot(string Part, string Person, string Position, IReadOnlyList<Chain> Options, int Current)
{
    /// <summary>Options that are not the glass the person takes to such a part, or serve nothing in it.</summary>
    public IReadOnlySet<int> LeavesHabit { get; init; } = new HashSet<int>();

    /// <summary>Options that are second best all day: on an adapter, made for a smaller sensor, focused by hand.</summary>
    public IReadOnlySet<int> Awkward { get; init; } = new HashSet<int>();
}

/// <summary>Glass on a body: lens, converter, tube, adapter, null where there is none.</summary>
public sealed record Chain(string? Lens, string? Converter, string? Tube, string? Adapter)
{
    /// <summary>The things it is made of.</summary>
    public IEnumerable<string> Items => new[] { Lens, Converter, Tube, Adapter }.OfType<string>();

    /// <summary>What a setup carries.</summary>
    public static Chain Of(Setup setup) => new(setup.Lens, setup.Converter, setup.Tube, setup.Adapter);
}

/// <summary>A slot with one of its options.</summary>
public readonly record struct Choice(int Slot, int Option);

/// <summary>
/// What meets a need, seen from the hands, as an outer bound: where nothing of a list is chosen and the word beside it is
/// false, what the list stands for is out for certain; what is left only the report can tell.
/// </summary>
/// <param name="Part">Part id.</param>
/// <param name="Need">Need id.</param>
/// <param name="Importance">What it is worth.</param>
/// <param name="By">Choices with which it may be met from a hand, nothing fetched or changed.</param>
/// <param name="FullBy">Those of them with which the picture may be as one would choose it.</param>
/// <param name="Reached">Whether it may be met by changing glass in the part, or reaching for another camera.</param>
/// <param name="ReachedFull">Whether it may then be as one would choose it.</param>
/// <param name="Hangs">Whether it hangs by one thing with any setups.</param>
/// <param name="IsRole">Whether it asks for no camera at all: a thing that must be there.</param>
public sealed record NeedCover(
    string Part, string Need, Importance Importance, IReadOnlyList<Choice> By, IReadOnlyList<Choice> FullBy, bool Reached, bool ReachedFull, bool Hangs,
        bool IsRole = false)
{
    /// <summary>Seconds it takes at the least from a hand, and by reaching for something else; null = not met so with any setups.</summary>
    public (double? FromHand, double? Reaching) Seconds { get; init; }

    /// <summary>By slot of its part, a word for each option: those with the same word are the same to this need.</summary>
    public IReadOnlyDictionary<int, string[]> Alike { get; init; } = new Dictionary<int, string[]>();
}

/// <summary>What the report says of a need with setups.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Need">Need id.</param>
/// <param name="Overall">Its outcome.</param>
/// <param name="FromHands">Its outcome where one takes no camera but those in one's own hands, with the glass that is on them.</param>
/// <param name="Strands">0 broken, 1 hangs by one thing, 2, or 3 for three and more.</param>
/// <param name="Seconds">Seconds until it is ready the way one would take; 0 where it is not met.</param>
/// <param name="NotAlone">Whether the lead alone could not do it, where the house asks that.</param>
public sealed record JudgedNeed(string Part, string Need, Outcome Overall, Outcome FromHands, int Strands, int Seconds = 0, bool NotAlone = false);

/// <summary>The same position in two parts that follow each other, with the same body.</summary>
/// <param name="Before">Slot before, or null where that part is not chosen.</param>
/// <param name="FixedBefore">What it then carries.</param>
/// <param name="After">Slot after, or null.</param>
/// <param name="FixedAfter">What it then carries.</param>
/// <param name="Tight">Whether a change there has less time than it takes before something that happens once.</param>
public sealed record Succession(int? Before, Chain? FixedBefore, int? After, Chain? FixedAfter, bool Tight);

/// <summary>One piece of a proposal: a position carries other glass in some parts.</summary>
/// <param name="Person">Whose hand.</param>
/// <param name="Position">Which.</param>
/// <param name="Glass">Names of what it carries instead.</param>
/// <param name="Edits">The edits that do it, one for each part.</param>
public sealed record ProposedChange(string Person, string Position, IReadOnlyList<string> Glass, IReadOnlyList<PlanEdit> Edits);
