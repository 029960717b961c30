using YokePair.Core.Failure;
using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Core.Reports;
using YokePair.Data;

namespace YokePair.Web.Sessions;

/// <summary>One state of an assignment, with its analyses.</summary>
/// <param name="Stored">The assignment, its things as the locker has them.</param>
/// <param name="Locker">Revision of the locker.</param>
/// <param name="Whole">The day with nothing pulled.</param>
/// <param name="Day">The day with what is pulled; the same where nothing is.</param>
public sealed record Session(StoredPlan Stored, int Locker, DayAnalysis Whole, DayAnalysis Day)
{
    private readonly Lazy<Report> board = new(() => Whole.Report(withEvents: false), LazyThreadSafetyMode.PublicationOnly);
    private readonly Lazy<Report> left = new(() => Day.Report(withEvents: false), LazyThreadSafetyMode.PublicationOnly);

    /// <summary>The plan.</summary>
    public Plan Plan => Stored.Plan;

    /// <summary>The report with nothing pulled.</summary>
    public Report Board => board.Value;

    /// <summary>The report with what is pulled gone.</summary>
    public Report Left => Pulls ? left.Value : Board;

    /// <summary>The same, known to be stored so.</summary>
    internal Session As(StoredPlan stored) => this with { Stored = stored with { Plan = Plan } };

    /// <summary>Whether anything is pulled.</summary>
    public bool Pulls => !ReferenceEquals(Day, Whole);
}

/// <summary>Assignments as they are looked at: with what the locker says of the things they take along, and analysed once for every answer.</summary>
public sealed class Days(PlanStore plans, LockerStore lockers, SessionCache cache)
{
    private Foreseen? ahead;

    /// <summary>What an assignment is about to be, being worked out.</summary>
    private sealed record Foreseen(State State, Task<Session> Session);

    /// <summary>
    /// For whoever writes an assignment: told what it is about to be, its analysis begins while that goes to the disk. Nothing of it is
    /// kept before it is written.
    /// </summary>
    public async Task<Action<StoredPlan>> AheadAsync(CancellationToken cancel)
    {
        var locker = await lockers.ThingsAsync(cancel);
        return next => ahead = new Foreseen(StateOf(next, locker), Task.Run(() => Worked(next, locker), CancellationToken.None));

        Session Worked(StoredPlan next, LockerState locker)
        {
            var session = Analysed(next, locker, cache.Latest(next.Key)?.Whole);
            _ = session.Board;
            return session;
        }
    }

    /// <summary>The session of an assignment as it is now; null when there is none such.</summary>
    /// <param name="key">Key of the assignment.</param>
    /// <param name="pull">What is pulled, as addresses say it.</param>
    /// <param name="cancel">Ends the reading.</param>
    public async Task<Session?> FindAsync(string key, IReadOnlyList<string>? pull, CancellationToken cancel)
    {
        var locker = await lockers.ThingsAsync(cancel);
        if (await plans.RevisionAsync(key, cancel) is not { } revision) return null;
        if (cache.Find(new State(key, revision, locker.Revision)) is { } known) return Pulling(known, pull);
        return await plans.FindAsync(key, cancel) is { } stored ? Of(stored, locker, pull) : null;
    }

    /// <summary>The session of an assignment for once: what nobody looks at takes no room from what somebody does.</summary>
    public async Task<Session?> PassingAsync(string key, CancellationToken cancel)
    {
        var locker = await lockers.ThingsAsync(cancel);
        if (await plans.FindAsync(key, cancel) is not { } stored) return null;
        return cache.Find(StateOf(stored, locker)) ?? Analysed(stored, locker, null);
    }

    /// <summary>The session of an assignment as it has just been written.</summary>
    public async Task<Session> OfAsync(StoredPlan stored, IReadOnlyList<string>? pull, CancellationToken cancel) => Of(stored, await lockers.ThingsAsync(cancel), pull);

    /// <summary>Everything in the locker.</summary>
    public Task<LockerState> LockerAsync(CancellationToken cancel) => lockers.ThingsAsync(cancel);

    private Session Of(StoredPlan stored, LockerState locker, IReadOnlyList<string>? pull) =>
        Pulling(cache.Get(StateOf(stored, locker), before => WorkedAhead(stored, locker) ?? Analysed(stored, locker, before)), pull);

    private Session? WorkedAhead(StoredPlan stored, LockerState locker) =>
        ahead is { } foreseen && foreseen.State == StateOf(stored, locker) ? foreseen.Session.GetAwaiter().GetResult().As(stored) : null;

    private static State StateOf(StoredPlan stored, LockerState locker) => new(stored.Key, stored.Revision, locker.Revision);

    private static Session Analysed(StoredPlan stored, LockerState locker, DayAnalysis? before)
    {
        var plan = locker.Things.Count == 0 ? stored.Plan : PlanAndLocker.With(stored.Plan, locker.Things.ToDictionary(t => t.Id, StringComparer.Ordinal), locker.Pairs);
        plan = ChargeBook.With(CardBook.With(plan, stored.Key, locker.Record.States), stored.Key, locker.Record.Facts);
        var day = new DayAnalysis(plan, before: before);
        return new Session(stored with { Plan = plan }, locker.Revision, day, day);
    }

    private Session Pulling(Session whole, IReadOnlyList<string>? texts)
    {
        var pulled = PullTexts.Read(whole.Whole, texts);
        if (pulled.Count == 0) return whole;
        var state = new State(whole.Stored.Key, whole.Stored.Revision, whole.Locker, string.Join('\n', pulled));
        return cache.Get(state, _ => new Session(whole.Stored, whole.Locker, whole.Whole, new DayAnalysis(whole.Plan, pulled, whole.Whole)));
    }
}
