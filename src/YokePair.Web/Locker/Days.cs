using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Data;

namespace YokePair.Web.Locker;

/// <summary>Assignments as the locker of today makes them: what is lent, in repair or lost on the day is not there.</summary>
public sealed class Days(PlanStore plans, LockerStore lockers)
{
    private StoredLocker? locker;

    public async Task<StoredPlan?> FindAsync(string key, CancellationToken cancel) =>
        await plans.FindAsync(key, cancel) is { } stored ? await WithLockerAsync(stored, cancel) : null;

    public async Task<StoredPlan> WithLockerAsync(StoredPlan stored, CancellationToken cancel)
    {
        locker ??= await lockers.LoadAsync(cancel);
        return locker.Things.Count == 0 ? stored : stored with { Plan = PlanAndLocker.With(stored.Plan, locker.Things.ToDictionary(t => t.Id, StringComparer.Ordinal), locker.Pairs) };
    }

    public async Task<Item?> ThingAsync(string id, CancellationToken cancel)
    {
        locker ??= await lockers.LoadAsync(cancel);
        return locker.Things.FirstOrDefault(t => t.Id == id);
    }
}
