using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Swaps;

/// <summary>How far a day's swaps have come.</summary>
/// <param name="day">The day, with what was left of everything as it began.</param>
internal sealed class SwapState(CameraDay day)
{
    private readonly Kit kit = day.Kit;
    private readonly Dictionary<(int Body, int Slot), (int[] Planned, int[] Items, double Level)> slots = [];
    private readonly Dictionary<int, double> left = [];
    private readonly HashSet<int> charged = [];

    /// <summary>The same, to be gone on with apart.</summary>
    public SwapState Copy()
    {
        var copy = new SwapState(day);
        foreach (var (slot, at) in slots) copy.slots[slot] = at;
        foreach (var (item, share) in left) copy.left[item] = share;
        copy.charged.UnionWith(charged);
        return copy;
    }

    /// <summary>A battery comes off a charger on the way; that of a camera that rests goes back into it.</summary>
    public void Charge(int item, double share)
    {
        left[item] = share;
        if (BodyOf(item) == Kit.None) charged.Add(item);
        foreach (var (slot, at) in slots.Where(s => s.Value.Items.Contains(item)).ToList())
            slots[slot] = at with { Level = at.Items.Sum(i => SlotWork.FramesOf(kit, slot.Body, slot.Slot, i) * Left(i)) };
    }

    /// <summary>What a power bank has left after it has given some.</summary>
    public void Spend(int bank, double share) => left[bank] = share;

    /// <summary>Whether a battery was charged on the way, and not put into a camera since.</summary>
    public bool IsCharged(int item) => charged.Contains(item);

    /// <summary>Share of its frames that is left of a thing.</summary>
    public double Left(int item) => left.TryGetValue(item, out var share) ? share : day.ChargeOf(item);

    /// <summary>Whether anything was drawn from a thing.</summary>
    public bool IsTouched(int item) => left.ContainsKey(item);

    /// <summary>The body a thing was in when last used, or <see cref="Kit.None"/>.</summary>
    public int BodyOf(int item)
    {
        foreach (var ((body, _), at) in slots)
            if (at.Items.Contains(item)) return body;
        return Kit.None;
    }

    /// <summary>What one goes for to get a thing: the camera it was last used in, else the thing itself.</summary>
    public int HolderOf(int item) => BodyOf(item) is var body && body != Kit.None ? body : item;

    /// <summary>What a thing is in: the camera it was last used in, else what its place says.</summary>
    public int Inside(int item) => BodyOf(item) is var body && body != Kit.None ? body : kit.RestsOn[item];

    /// <summary>What is in a slot; null where nothing was drawn from it yet or the plan now has something else in it.</summary>
    public (int[] Items, double Level)? In(int body, int slot, int[] planned) =>
        slots.TryGetValue((body, slot), out var at) && at.Planned.SequenceEqual(planned) ? (at.Items, at.Level) : null;

    /// <summary>The day up to a part goes as planned.</summary>
    public void Live(IEnumerable<FedSlot> fed, int until)
    {
        foreach (var slot in fed.Where(f => f.Work.Draws[0].Part < until))
        {
            var (swaps, items, level) = slot.Follow(kit, until);
            foreach (var swap in swaps.Where(s => s.In != Kit.None)) Note(swap.Out, swap.Left);
            Note(items, level);
            // What comes out of a camera that has failed is in it no longer.
            foreach (var (other, at) in slots.Where(s => s.Value.Items.Any(items.Contains)).ToList()) slots[other] = (at.Planned, [], 0);
            slots[(slot.Work.Body, slot.Work.Slot)] = (slot.Work.Planned, items, level);

            void Note(int[] things, double now)
            {
                var full = slot.Work.FramesOf(kit, things);
                charged.ExceptWith(things);
                foreach (var item in things) left[item] = double.IsPositiveInfinity(full) ? 1 : Math.Clamp(now / full, 0, 1);
            }
        }
    }
}
