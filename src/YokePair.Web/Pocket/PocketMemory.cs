using System.Runtime.CompilerServices;
using YokePair.Core.Failure;
using YokePair.Core.Pocket;
using YokePair.Web.Sessions;

namespace YokePair.Web.Pocket;

/// <summary>Days for the pocket as they were last made: good while the day does not change.</summary>
internal sealed class PocketMemory
{
    private readonly ConditionalWeakTable<DayAnalysis, Dictionary<string, PocketDay>> made = [];

    /// <summary>The day of a person; null when there is no such person.</summary>
    public PocketDay? Of(Session session, string person, CancellationToken cancel)
    {
        var known = made.GetOrCreateValue(session.Whole);
        lock (known)
            if (known.TryGetValue(person, out var day)) return day with { Revision = session.Stored.Revision };
        if (PocketFiles.Of(session.Whole, session.Stored.Key, session.Stored.Revision, person, cancel) is not { } found) return null;
        lock (known) known[person] = found;
        return found;
    }
}
