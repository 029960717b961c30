using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.Primitives;
using YokePair.Core.Failure;

namespace YokePair.Web.Sessions;

/// <summary>What an analysis is of.</summary>
/// <param name="Key">Key of the assignment.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Locker">Revision of the locker.</param>
/// <param name="Pulled">What is pulled, in one text.</param>
/// <param name="Others">What other assignments go on meanwhile, in one text.</param>
public sealed record State(string Key, int Revision, int Locker, string Pulled = "", string Others = "");

/// <summary>
/// The analyses of days as they were last asked for: of each assignment its newest state, and what is pulled from that. Bounded in
/// memory; what nobody asks for is forgotten, and what an edit has overtaken at once. Two requests at once may both make one, and
/// then both are right.
/// </summary>
public sealed class SessionCache : IDisposable
{
    private const long MostBytes = 48L * 1024 * 1024;

    // An analysis holds the ways of every need: about so much for each thing and part.
    private const long BytesForEachThingAndPart = 4 * 1024;

    private static readonly TimeSpan KeptUnasked = TimeSpan.FromMinutes(20);

    // Days are large and live long enough to grow old: whoever leafs through hundreds would wait long for the collector to look at them.
    private const int OpenedBetweenCollections = 24;

    private int opened;

    private readonly MemoryCache sessions = new(new MemoryCacheOptions { SizeLimit = MostBytes });

    /// <summary>The session of a state, where there is one.</summary>
    public Session? Find(State state)
    {
        if (state.Pulled.Length > 0) return sessions.Get<Session>(state);
        return Newest(state.Key) is { } newest && newest.State == state ? newest.Session : null;
    }

    /// <summary>The newest session of an assignment, if any.</summary>
    public Session? Latest(string key) => Newest(key)?.Session;

    /// <summary>The session of a state; where there is none it is made, from the assignment's last one as far as that still holds.</summary>
    public Session Get(State state, Func<DayAnalysis?, Session> make)
    {
        if (Find(state) is { } known) return known;
        var newest = Newest(state.Key);
        var session = make(newest?.Session.Whole);
        var entry = new MemoryCacheEntryOptions
        {
            Size = Math.Max(1, session.Plan.Items.Count) * Math.Max(1L, session.Plan.Parts.Count) * BytesForEachThingAndPart,
            SlidingExpiration = KeptUnasked,
        };
        if (state.Pulled.Length > 0)
        {
            if (newest?.State != state with { Pulled = "" }) return session;
            entry.AddExpirationToken(new CancellationChangeToken(newest.Overtaken.Token));
            sessions.Set(state, session, entry);
        }
        else if (newest is null || newest.State.Revision <= state.Revision)
        {
            if (newest is null && Interlocked.Increment(ref opened) % OpenedBetweenCollections == 0)
                GC.Collect(GC.MaxGeneration, GCCollectionMode.Aggressive, blocking: true, compacting: true);
            sessions.Set(state.Key, new Kept(state, session), entry);
            newest?.Overtaken.Cancel();
        }
        return session;
    }

    /// <summary>Lets go of what nobody has asked for in a while.</summary>
    public void Trim() => sessions.Compact(0);

    /// <inheritdoc/>
    public void Dispose() => sessions.Dispose();

    private Kept? Newest(string key) => sessions.Get<Kept>(key);

    private sealed record Kept(State State, Session Session)
    {
        /// <summary>Ends what was kept of pulls from this state.</summary>
        public CancellationTokenSource Overtaken { get; } = new();
    }
}
