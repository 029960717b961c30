using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Data;

namespace YokePair.Web.Locker;

/// <summary>What a locker says about itself on a day.</summary>
/// <param name="Report">Of its things.</param>
/// <param name="Glass">Its glass on its rule.</param>
public sealed record LockerLook(LockerReport Report, GlassRule Glass);

/// <summary>The last look at the locker: who comes back to it, with nothing changed since, waits for no thousands of pairs.</summary>
public sealed class LockerLooks
{
    private sealed record Seen(StoredLocker Locker, DateOnly Day, string? Body, LockerLook Look);

    private volatile Seen? last;

    /// <summary>The look.</summary>
    /// <param name="locker">The locker; the same instance as long as nothing was written.</param>
    /// <param name="day">The day.</param>
    /// <param name="through">The body that the glass is seen through; null = real focal lengths.</param>
    public LockerLook At(StoredLocker locker, DateOnly day, Body? through)
    {
        if (last is { } seen && ReferenceEquals(seen.Locker, locker) && seen.Day == day && seen.Body == through?.Id) return seen.Look;
        var compatibility = new Compatibility(locker.Things, locker.Pairs);
        var look = new LockerLook(LockerReport.Of(locker.Things, compatibility, day), GlassRule.Lay(locker.Things, compatibility, through, day));
        last = new Seen(locker, day, through?.Id, look);
        return look;
    }
}
