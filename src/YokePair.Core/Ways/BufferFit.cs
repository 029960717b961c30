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
    /// <summary>By the camera's own slots, whatever card is in them.</summary>
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

    /// <summary>
    /// By one card in one slot, of which the slower counts: the slots are written to side by side, so that a way holds where each of its cards
    /// does. What nobody has measured is not held against it.
    /// </summary>
    /// <param name="rules">The rules.</param>
    /// <param name="need">The need.</param>
    /// <param name="body">The camera.</param>
    /// <param name="fps">Frames a second.</param>
    /// <param name="card">The card.</param>
    /// <param name="slot">Its slot from 0; −1 = whichever takes it, as the only record.</param>
    public static BufferFit Of(Rules rules, Need need, Body body, double fps, Card card, int slot)
    {
        if (body.BufferMegabytes is null || (slot < 0 ? null : body.Slots[slot].WriteMegabytesPerSecond) is var own
            && card.WriteMegabytesPerSecond is null && own is null) return default;
        var speed = Math.Min(own ?? double.PositiveInfinity, card.WriteMegabytesPerSecond ?? double.PositiveInfinity);
        return Of(need, body, fps, speed / Charge.FrameMegabytes(body, slot >= 0 && rules.TakesJpeg(slot)));
    }

    /// <summary>Grades the cards of each candidate by whether they keep up with the burst.</summary>
    public static void Grade(PartWays part, Need need, List<Candidate> candidates)
    {
        var (kit, known) = (part.Kit, new Dictionary<Supplies, Supplies>());
        for (var i = 0; i < candidates.Count; i++)
        {
            if (candidates[i].Rig is not { Cards: { } cards, Fitted.Glass.Body: { BufferMegabytes: not null } body } rig) continue;
            var fps = Math.Min(NeedFit.FpsOf(part.Part, body), need.Fps);
            if (!known.TryGetValue(cards, out var graded))
                known.Add(cards, graded = cards.Grading((slot, card) => !KeepsUp(card, slot)));
            candidates[i] = candidates[i] with { Rig = rig with { Cards = graded } };

            bool KeepsUp(int card, int slot) => Of(kit.Plan.Rules, need, body, fps, (Card)kit.Items[card], slot).Short == Shortfalls.None;
        }
    }

    /// <summary>By the cards of a way; nothing where they keep up.</summary>
    public static BufferFit Of(Kit kit, Part part, Need need, Way way)
    {
        if (way.Rig.Fitted is not { Glass.Body: var body }) return default;
        var fps = Math.Min(NeedFit.FpsOf(part, body), need.Fps);
        Card[] cards = [.. way.Picks.Where(p => p.Want == Want.Card).Select(p => kit.Items[p.Item]).OfType<Card>()];
        return cards.Select((card, slot) => Of(kit.Plan.Rules, need, body, fps, card, cards.Length > 1 ? slot : -1))
            .Where(fit => fit.Short != Shortfalls.None).OrderByDescending(fit => fit.BusySeconds).FirstOrDefault();
    }

    /// <summary>Whether anything is asked of the buffer.</summary>
    public static bool IsAsked(Need need) => need.Fps > 0 && need is not { BurstSeconds: null, ReadySeconds: null };

    private static bool IsAsked(Need need, double fps) => fps > 0 && need is not { BurstSeconds: null, ReadySeconds: null };
}
