using Microsoft.Extensions.Caching.Memory;
using YokePair.Core.Failure;

namespace YokePair.Web.Sessions;

/// <summary>What an analysis is of.</summary>
/// <param name="Key">Key of the assignment.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Locker">Revision of the locker.</param>
/// <param name="Pulled">What is pulled, in one text.</param>
public sealed record State(string Key, int Revision, int Locker, string Pulled = "");

/// <summary>
/// The analyses of days as they were last asked for: one for each state of an assignment and what is pulled from it. Bounded in
/// memory; what nobody asks for is forgotten. Two requests at once may both make one, and then both are right.
/// </summary>
public sealed class SessionCache : IDisposable
{
    private const long MostBytes = 512L * 1024 * 1024;

    // An analysis holds the ways of every need: about so much for each thing and part.
    private const long BytesForEachThingAndPart = 4 * 1024;

    private static readonly TimeSpan KeptUnasked = TimeSpan.FromMinutes(20);

    private readonly MemoryCache sessions = new(new MemoryCacheOptions { SizeLimit = MostBytes });

    /// <summary>The session of a state, where there is one.</summary>
    public Session? Find(State state) => sessions.Get<Session>(state);

    /// <summary>The session of a state; where there is none it is made, from the assignment's last one as far as that still holds.</summary>
    public Session Get(State state, Func<DayAnalysis?, Session> make)
    {
        if (Find(state) is { } known) return known;
        var session = make(sessions.Get<DayAnalysis>(state.Key));
        var size = Math.Max(1, session.Plan.Items.Count) * Math.Max(1L, session.Plan.Parts.Count) * BytesForEachThingAndPart;
        sessions.Set(state, session, new MemoryCacheEntryOptions { Size = size, SlidingExpiration = KeptUnasked });
        if (state.Pulled.Length == 0) sessions.Set(state.Key, session.Whole, new MemoryCacheEntryOptions { Size = size, SlidingExpiration = KeptUnasked });
        return session;
    }

    /// <inheritdoc/>
    public void Dispose() => sessions.Dispose();
}
