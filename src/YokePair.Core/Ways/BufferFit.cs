using YokePair.Core.Basics;
using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>How a camera's buffer takes the burst of a need.</summary>
/// <param name="Short">What keeps it from being full, if anything; judged only where buffer and speeds are known.</param>
/// <param name="FullSeconds">Until the buffer is full; infinite if it never fills.</param>
/// <param name="BusySeconds">Until what is left in it after the burst is written away.</param>
internal readonly record struct BufferFit(Shortfalls Short, double FullSeconds, double BusySeconds)
{
    /// <summary>
    /// By the camera's own slots: a way is as good as its camera, whatever card is at hand. What the cards that are in it then make of it is
    /// told with the cards.
    /// </summary>
    public static BufferFit Of(Rules rules, Need need, Body body, double fps)
    {
        if (body.BufferMegabytes is null || !IsAsked(need, fps)) return default;
        var slots = new List<SlotWrite>();
        for (var slot = 0; slot < (rules.DualRecord ? body.Slots.Count : Math.Min(1, body.Slots.Count)); slot++)
        {
            if (body.Slots[slot].WriteMegabytesPerSecond is not { } speed) return default;
            slots.Add(new SlotWrite(Charge.FrameMegabytes(body, rules.TakesJpeg(slot)), speed));
        }
        return slots.Count == 0 ? default : Of(need, body, fps, Burst.DrainFps(slots));
    }

    /// <summary>
    /// A burst of B seconds leaves min(held, (fps − drain)·B) frames in the buffer, which take that ÷ drain to be written away; a burst
    /// nobody has timed lasts until the buffer is full.
    /// </summary>
    /// <param name="need">The need.</param>
    /// <param name="body">A camera whose buffer is known.</param>
    /// <param name="fps">Frames a second.</param>
    /// <param name="drain">Frames a second that are written away.</param>
    public static BufferFit Of(Need need, Body body, double fps, double drain)
    {
        if (!IsAsked(need, fps)) return default;
        var held = body.BufferMegabytes!.Value / Charge.FrameMegabytes(body);
        var full = fps <= drain ? double.PositiveInfinity : held / (fps - drain);
        var left = fps <= drain ? 0 : Math.Min(held, (fps - drain) * (need.BurstSeconds ?? double.PositiveInfinity));
        var busy = left / drain;
        return new BufferFit(
            (Slack.AtMost(need.BurstSeconds ?? 0, full) ? Shortfalls.None : Shortfalls.BufferFull)
                | (Slack.AtMost(busy, need.ReadySeconds ?? double.PositiveInfinity) ? Shortfalls.None : Shortfalls.StillWriting), full, busy);
    }

    private static bool IsAsked(Need need, double fps) => fps > 0 && need is not { BurstSeconds: null, ReadySeconds: null };
}
