using System.Runtime.CompilerServices;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Taken;
using YokePair.Core.Wording;
using YokePair.Web.Sessions;

namespace YokePair.Web.After;

/// <summary>What hardly ever comes out of the bag.</summary>
/// <param name="Today">Of this day's own pictures.</param>
/// <param name="Told">What of it is there for safety alone, and what could have stayed; empty where nothing was read.</param>
/// <param name="Lately">Of the last assignments, for the plan as it is.</param>
public sealed record SeldomPage(IReadOnlyList<SeldomUsed> Today, IReadOnlyList<TextPiece> Told, IReadOnlyList<SeldomLine> Lately);

/// <summary>Something that hardly came out of the bag lately.</summary>
/// <param name="Seldom">What.</param>
/// <param name="Said">What to do with it on this plan.</param>
public sealed record SeldomLine(SeldomUsed Seldom, IReadOnlyList<TextPiece> Said);

/// <summary>The same as last worked out: good while neither the day nor the figures change.</summary>
internal sealed class SeldomMemory
{
    private readonly ConditionalWeakTable<DayAnalysis, Tuple<IReadOnlyList<(string Key, TakenDay Day)>, SeldomPage>> known = [];

    /// <summary>For an assignment.</summary>
    public SeldomPage Of(Session session, IReadOnlyList<(string Key, TakenDay Day)> days, IReadOnlyList<Item> locker, CancellationToken cancel)
    {
        if (known.TryGetValue(session.Whole, out var last) && ReferenceEquals(last.Item1, days)) return last.Item2;
        var own = days.Where(d => d.Key == session.Stored.Key).Select(d => d.Day).ToList();
        var today = StayAtHome.Of(session.Whole, own, locker, fewest: 1, cancel: cancel);
        var lately = StayAtHome.Of(session.Whole, [.. days.Where(d => d.Key != session.Stored.Key).Select(d => d.Day)], locker, cancel: cancel);
        var page = new SeldomPage(today, TakenWords.Spares(today), [.. lately.Select(s => new SeldomLine(s, TakenWords.Of(s)))]);
        known.AddOrUpdate(session.Whole, Tuple.Create(days, page));
        return page;
    }
}
