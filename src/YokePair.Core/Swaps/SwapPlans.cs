using YokePair.Core.Failure;
using YokePair.Core.Feeding;
using YokePair.Core.Plans;
using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Swaps;

/// <summary>
/// Plans swaps with the part's frames of a busy day, at joins, and inside a part only where no plan does without; inside a part
/// that holds something which happens once last of all. Fewest swaps among those. Exact, but where so many things all differ that it says so.
/// </summary>
public static class SwapPlans
{
    /// <summary>The swaps of a day.</summary>
    /// <param name="day">The day, which says which cameras are at work.</param>
    public static SwapPlan Of(DayAnalysis day) => After(day, day);

    /// <summary>The swaps of a day in which things are pulled: as planned up to each moment at which something goes or comes back, and planned anew from
    /// there.</summary>
    /// <param name="whole">The day with nothing pulled.</param>
    /// <param name="left">The same day with all of it pulled.</param>
    public static SwapPlan After(DayAnalysis whole, DayAnalysis left)
    {
        var (plan, pulled) = (whole.Whole, left.Pulled);
        var order = Day.InOrder(plan).ToList();
        var moments = pulled.SelectMany(p => new[] { Start(p), Day.Mended(plan, p.FromPart, p.UntilPart) is { } mended ? order.IndexOf(mended) : 0 }).Append(0)
            .Distinct().Order().ToList();
        CameraDay? day = null;
        var state = new SwapState(CameraDay.Of(whole));
        var made = new List<(Swap? Swap, Shortage? Short, int Part)>();
        var estimated = new HashSet<int>();
        List<FedSlot> fed = [];
        var best = true;
        foreach (var from in moments)
        {
            if (day is not null)
            {
                made.AddRange(Told(day, fed, until: from));
                state.Live(fed, from);
            }
            // Nobody knows yet what will fail later.
            List<Pulled> known = [.. pulled.Where(p => Start(p) <= from)];
            day = new CameraDay(known.Count == 0 ? whole : known.Count == pulled.Count ? left : new DayAnalysis(plan, known, whole));
            var work = day.Work();
            estimated.UnionWith(work.Where(w => w.Part >= from && day.Kit.Items[w.Body] is Body { FramesPerCharge: null } or Body { RawMegabytes: null })
                .Select(w => w.Body));
            (fed, var isBest) = new SwapPlanner(day, work, state, from).Solve();
            best &= isBest;
        }
        made.AddRange(Told(day!, fed, until: int.MaxValue));
        return new SwapPlan(
            [.. InOrder(made)],
            [.. made.Where(m => m.Short is not null).OrderBy(m => m.Part).Select(m => m.Short!)],
            [.. estimated.Order().Select(b => plan.Items[b].Id)],
            best);

        int Start(Pulled pull) => Math.Max(0, order.FindIndex(p => p.Id == pull.FromPart));
    }

    /// <summary>The swaps of a day lived from its start, in its order.</summary>
    internal static IEnumerable<Swap> Told(CameraDay day, List<FedSlot> fed) =>
        InOrder(Told(day, fed, int.MaxValue));

    /// <summary>Where nothing is left to change to.</summary>
    internal static IEnumerable<Shortage> Lacking(CameraDay day, List<FedSlot> fed) =>
        Told(day, fed, int.MaxValue).Where(t => t.Short is not null).OrderBy(t => t.Part).Select(t => t.Short!);

    private static IEnumerable<Swap> InOrder(IEnumerable<(Swap? Swap, Shortage? Short, int Part)> told) =>
        told.Where(t => t.Swap is not null).OrderBy(t => t.Part).ThenBy(t => t.Swap!.AfterFrames ?? 0)
            .ThenBy(t => t.Swap!.Body, StringComparer.Ordinal).ThenBy(t => t.Swap!.Slot ?? 0).Select(t => t.Swap!);

    private static IEnumerable<(Swap? Swap, Shortage? Short, int Part)> Told(CameraDay day, List<FedSlot> fed, int until)
    {
        var kit = day.Kit;
        foreach (var slot in fed)
        {
            var work = slot.Work;
            var body = (Body)kit.Items[work.Body];
            int? number = work.Slot == SlotWork.BatterySlot ? null : work.Slot + 1;
            if (work is { IsLater: true, Planned: [var planned, ..] } && work.Draws[0].Part < until)
                yield return (new Swap(day.Parts[work.Draws[0].Part].Id, null, false, Person(work.Work[0]), body.Id, number, null, null, null,
                    kit.Items[planned].Id, null, day.ChangeSeconds(planned, work.Work[0].Actor)), null, work.Draws[0].Part);
            foreach (var (swap, putIn, old, rest) in slot.Follow(kit, until).Swaps)
            {
                var (draw, camera) = (work.Draws[swap.Draw], work.Work[swap.Draw]);
                var part = day.Parts[draw.Part];
                // A battery in the cold draws more than it takes pictures.
                var frames = (int)Math.Round(swap.AfterFrames * camera.Frames / draw.Frames);
                if (putIn == Kit.None)
                {
                    var type = number is null ? body.BatteryType : body.Slots[work.Slot].Type ?? "card";
                    yield return (null, new Shortage(part.Id, frames, body.Id, number, type, (int)Math.Ceiling(camera.Frames) - frames), draw.Part);
                    continue;
                }
                var full = work.FramesOf(kit, old);
                var told = new Swap(part.Id, swap.AfterFrames > 0 ? frames : null, swap.AfterFrames > 0 && draw.Once, Person(camera), body.Id, number,
                    old.Length == 0 ? null : kit.Items[old[0]].Id, old.Length == 0 ? null : (int)Math.Round(full - rest), old.Length == 0 ? null : (int)full,
                    kit.Items[putIn].Id, From(day, slot.Before, putIn, camera, swap), swap.Cost.Seconds, swap.Cost.Hurried > 0
                        ? part.Needs.MinBy(n => n.ToleranceSeconds(kit.Plan.Rules))?.Id : null);
                yield return (told, null, draw.Part);
            }
        }

        string Person(CameraWork camera) => kit.Plan.People[camera.Actor].Id;
    }

    /// <summary>The place or person something is fetched from, or the camera in one's own hand that it is in; null = the hand it is for.</summary>
    private static string? From(CameraDay day, SwapState state, int item, CameraWork camera, PlannedSwap swap)
    {
        var kit = day.Kit;
        // At a join one goes as the part begins or as the one before ends, whichever is nearer.
        foreach (var layout in day.Layouts.Skip(Math.Max(0, camera.Part - 1)).Take(camera.Part > 0 ? 2 : 1).Reverse())
        {
            var source = layout.SourceOf(state.HolderOf(item));
            if (!layout.Actors.Contains(camera.Actor) || layout.Cost(camera.Actor, source) + day.ChangeSeconds(item, camera.Actor) > swap.Cost.Seconds
                + 1e-6) continue;
            var hand = layout.HandsOf(source);
            if (hand == camera.Actor) return state.Inside(item) is var on && on != Kit.None && kit.Items[on] is Body ? kit.Items[on].Id : null;
            return source == layout.Room ? null : hand >= 0 ? kit.Plan.People[hand].Id : kit.Plan.Places[source].Id;
        }
        return null;
    }
}
