using YokePair.Core.Failure;
using YokePair.Core.Verdict;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>Things that one cause would take together, called by name.</summary>
/// <param name="Kind">What they share.</param>
/// <param name="Text">The sentence.</param>
/// <param name="Items">Ids of the things.</param>
public sealed record SharedCause(CauseKind Kind, string Text, IReadOnlyList<string> Items)
{
    /// <summary>Every shared cause of a day, those that could cost a picture that matters first.</summary>
    public static IReadOnlyList<SharedCause> Of(DayAnalysis day)
    {
        var names = new Names(day.Plan);
        return [.. Causes.Of(day).Select(c => new SharedCause(c.Kind, CauseWords.Say(names, c), c.Items))];
    }
}
