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
/// <param name="Others">What other assignments it was looked at with, in one text.</param>
public sealed record Session(StoredPlan Stored, int Locker, DayAnalysis Whole, DayAnalysis Day, string Others = "")
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
    /// <param name="key">Key of the assignment.</param>
    /// <param name="cancel">Ends the reading.</param>
    public async Task<Action<StoredPlan>> AheadAsync(string key, CancellationToken cancel)
    {
        var around = await AroundAsync(key, cancel);
        return next => ahead = new Foreseen(around.StateOf(next), Task.Run(() => Worked(next), CancellationToken.None));

        Session Worked(StoredPlan next)
        {
            var session = Analysed(next, around, cache.Latest(next.Key)?.Whole);
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
        if (await plans.RevisionAsync(key, cancel) is not { } revision) return null;
        var around = await AroundAsync(key, cancel);
        if (cache.Find(around.StateOf(key, revision)) is { } known) return Pulling(known, pull);
        return await plans.FindAsync(key, cancel) is { } stored ? Of(stored, around, pull) : null;
    }

    /// <summary>The session of an assignment for once: what nobody looks at takes no room from what somebody does.</summary>
    public async Task<Session?> PassingAsync(string key, CancellationToken cancel)
    {
        if (await plans.FindAsync(key, cancel) is not { } stored) return null;
        var around = await AroundAsync(key, cancel);
        return cache.Find(around.StateOf(stored)) ?? Analysed(stored, around, null);
    }

    /// <summary>The session of an assignment as it has just been written.</summary>
    public async Task<Session> OfAsync(StoredPlan stored, IReadOnlyList<string>? pull, CancellationToken cancel) =>
        Of(stored, await AroundAsync(stored.Key, cancel), pull);

    /// <summary>Everything in the locker.</summary>
    public Task<LockerState> LockerAsync(CancellationToken cancel) => lockers.ThingsAsync(cancel);

    /// <summary>What an assignment is looked at with.</summary>
    /// <param name="Locker">Everything in the locker.</param>
    /// <param name="Others">What goes on at the same time, and comes first.</param>
    /// <param name="Plans">Their plans.</param>
    private sealed record Around(LockerState Locker, IReadOnlyList<AtOnce> Others, IReadOnlyList<Plan?> Plans)
    {
        public State StateOf(StoredPlan stored) => StateOf(stored.Key, stored.Revision);

        public State StateOf(string key, int revision) =>
            new(key, revision, Locker.Revision, Others: string.Join('\n', Others.Select(o => FormattableString.Invariant($"{o.Key}/{o.Revision}"))));

        /// <summary>What of the locker is elsewhere meanwhile, in this plan or not: what is not is not to be packed either.</summary>
        public Dictionary<string, Promise>? Promised(Plan own)
        {
            var promised = new Dictionary<string, Promise>(StringComparer.Ordinal);
            if (Others.Count == 0) return null;
            var owned = Locker.Things.ToDictionary(t => t.Id, StringComparer.Ordinal);
            // A day that was opened twice is one assignment.
            foreach (var (other, plan) in Others.Zip(Plans).Where(o => o.Second is { } p && !p.Assignment.IsOneWith(own.Assignment)))
                foreach (var item in plan?.Items.Where(i => !i.Wanted && owned.TryGetValue(i.Id, out var at) && at.IsOneWith(i)) ?? [])
                    if (own.ItemOf(item.Id)?.IsOneWith(item) != false)
                        promised.TryAdd(item.Id, new Promise(other.Key, other.Name, DateOnly.FromDateTime(other.Start), DateOnly.FromDateTime(other.End)));
            return promised.Count == 0 ? null : promised;
        }
    }

    private async Task<Around> AroundAsync(string key, CancellationToken cancel)
    {
        List<AtOnce> first = [.. (await plans.AtOnceAsync(key, cancel)).Where(o => o.IsFirst)];
        var others = new List<Plan?>();
        foreach (var other in first) others.Add(await plans.PlanAsync(other.Key, other.Revision, cancel));
        return new Around(await lockers.ThingsAsync(cancel), first, others);
    }

    private Session Of(StoredPlan stored, Around around, IReadOnlyList<string>? pull) =>
        Pulling(cache.Get(around.StateOf(stored), before => WorkedAhead(stored, around) ?? Analysed(stored, around, before)), pull);

    private Session? WorkedAhead(StoredPlan stored, Around around) =>
        ahead is { } foreseen && foreseen.State == around.StateOf(stored) ? foreseen.Session.GetAwaiter().GetResult().As(stored) : null;

    private static Session Analysed(StoredPlan stored, Around around, DayAnalysis? before)
    {
        var locker = around.Locker;
        var plan = locker.Things.Count == 0 ? stored.Plan : PlanAndLocker.With(stored.Plan, locker.Things.ToDictionary(t => t.Id, StringComparer.Ordinal),
            locker.Pairs);
        plan = ChargeBook.With(CardBook.With(plan, stored.Key, locker.Record.States), stored.Key,
            locker.Record.Facts) with
        { Promised = around.Promised(plan) };
        var day = new DayAnalysis(plan, before: before);
        return new Session(stored with { Plan = plan }, locker.Revision, day, day, around.StateOf(stored).Others);
    }

    private Session Pulling(Session whole, IReadOnlyList<string>? texts)
    {
        var pulled = PullTexts.Read(whole.Whole, texts);
        if (pulled.Count == 0) return whole;
        var state = new State(whole.Stored.Key, whole.Stored.Revision, whole.Locker, string.Join('\n', pulled), whole.Others);
        return cache.Get(state, _ => new Session(whole.Stored, whole.Locker, whole.Whole, new DayAnalysis(whole.Plan, pulled, whole.Whole), whole.Others));
    }
}
