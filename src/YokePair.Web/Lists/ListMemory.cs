using System.Runtime.CompilerServices;
using YokePair.Core.Failure;
using YokePair.Core.Lists;
using YokePair.Core.Record;
using YokePair.Data;
using YokePair.Web.Sessions;

namespace YokePair.Web.Lists;

/// <summary>The lists of a day as they are now.</summary>
/// <param name="Day">The day.</param>
/// <param name="Lists">Its lists.</param>
/// <param name="Facts">What was recorded.</param>
internal sealed record ListsFound(DayAnalysis Day, IReadOnlyList<CheckList> Lists, IReadOnlyList<Fact> Facts);

/// <summary>Lists as they were last made: good while neither the day nor what is recorded of cards changes, so that a tick makes none.</summary>
internal sealed class ListMemory
{
    private readonly ConditionalWeakTable<DayAnalysis, Made> made = [];

    private sealed record Made(int CardFacts, IReadOnlyList<CheckList> Lists);

    /// <summary>The lists of an assignment; null when there is none such.</summary>
    public async Task<ListsFound?> FindAsync(string key, Days days, RecordStore record, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return null;
        var known = await record.LoadAsync(cancel);
        var cardFacts = known.Facts.Count(f => f.Kind.IsOfCards());
        if (!made.TryGetValue(session.Day, out var last) || last.CardFacts != cardFacts)
        {
            last = new Made(cardFacts, DayLists.Of(session.Day, (await days.LockerAsync(cancel)).Things, known.States));
            made.AddOrUpdate(session.Day, last);
        }
        return new ListsFound(session.Day, last.Lists, known.Facts);
    }
}
