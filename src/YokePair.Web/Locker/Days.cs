using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Data;

namespace YokePair.Web.Locker;

/// <summary>Assignments as the locker of today makes them: what is lent, in repair or lost on the day is not there.</summary>
public sealed class Days(PlanStore plans, LockerStore lockers)
{
    public async Task<StoredPlan?> FindAsync(string key, CancellationToken cancel) =>
        await plans.FindAsync(key, cancel) is { } stored ? await WithLockerAsync(stored, cancel) : null;

    public async Task<StoredPlan> WithLockerAsync(StoredPlan stored, CancellationToken cancel)
    {
        var (things, pairs) = await lockers.ThingsAsync(cancel);
        return things.Count == 0 ? stored : stored with { Plan = PlanAndLocker.With(stored.Plan, things.ToDictionary(t => t.Id, StringComparer.Ordinal), pairs) };
    }

    public async Task<IReadOnlyList<Item>> ThingsAsync(CancellationToken cancel) => (await lockers.ThingsAsync(cancel)).Things;

    public async Task<Item?> ThingAsync(string id, CancellationToken cancel) =>
        (await ThingsAsync(cancel)).FirstOrDefault(t => t.Id == id);
}
