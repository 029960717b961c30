using YokePair.Core.Basics;
using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>How a camera's buffer takes the burst of a need.</summary>
/// <param name="Short">What keeps it from being full, if anything; judged only where buffer and speeds are known.</param>
/// <param name="FullSeconds">Until the buffer is full; infinite if it never fills.</param>
/// <param name="BusySeconds">Until what is left in it after the burst is written away.</param>
internal readonly record struct BufferFit(Shortfalls Short, double FullSeconds, double BusySeconds)
{
    /// <summary>
    /// A burst of B seconds leaves min(held, (fps − drain)·B) frames in the buffer, which take that ÷ drain to be written away; a burst
    /// nobody has timed lasts until the buffer is full.
    /// </summary>
    public static BufferFit Of(Need need, GlassOnBody glass, double fps)
    {
        if (need is { BurstSeconds: null, ReadySeconds: null } || fps <= 0
            || glass is not { WrittenPerSecond: { } drain, Body.BufferMegabytes: { } buffer }) return default;
        var raw = Charge.FrameMegabytes(glass.Body);
        var held = buffer / raw;
        var full = fps <= drain ? double.PositiveInfinity : held / (fps - drain);
        var left = fps <= drain ? 0 : Math.Min(held, (fps - drain) * (need.BurstSeconds ?? double.PositiveInfinity));
        var busy = left / drain;
        return new BufferFit(
            (Slack.AtMost(need.BurstSeconds ?? 0, full) ? Shortfalls.None : Shortfalls.BufferFull)
                | (Slack.AtMost(busy, need.ReadySeconds ?? double.PositiveInfinity) ? Shortfalls.None : Shortfalls.StillWriting), full, busy);
    }
}
