using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Cards;

/// <summary>How long what a need asks by the second can be shot, and how long the camera is busy after it.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Need">Need id.</param>
/// <param name="Body">Body id.</param>
/// <param name="Fps">Frames a second that are asked.</param>
/// <param name="Seconds">Until its buffer is full; null = never.</param>
/// <param name="BusySeconds">Until a full buffer is written away.</param>
/// <param name="FullTooSoon">Whether it is full before the burst is over.</param>
/// <param name="BusyAfter">Seconds it is still busy after the burst, where that is longer than what follows waits; null = ready in time.</param>
public sealed record CardBurst(
    string Part, string Need, string Body, double Fps, double? Seconds, double BusySeconds, bool FullTooSoon = false, double? BusyAfter = null);

/// <summary>Bursts that needs ask for, against the buffer of the camera they are met with and the cards that are in it then.</summary>
internal static class CardBursts
{
    /// <summary>Where buffer or write speeds are not known nothing is told.</summary>
    public static IEnumerable<CardBurst> Of(DayAnalysis analysis, CameraDay day, List<CardUse> uses)
    {
        for (var p = 0; p < day.Parts.Length; p++)
            foreach (var need in analysis.PartOf(day.Parts[p].Id)!.Needs)
            {
                if (need.Need.Fps <= 0 || !need.Outcome.IsMet() || need.Best?.Rig.Fitted is not { } fitted) continue;
                if (day.Kit.Items[fitted.Body] is not Body { BufferMegabytes: { } buffer } body
                    || Writes(day.Kit, fitted.Body, p, uses) is not { } slots) continue;
                var burst = Burst.Length(need.Need.Fps, buffer, Charge.FrameMegabytes(body), slots);
                var fit = BufferFit.Of(need.Need, body, need.Need.Fps, Burst.DrainFps(slots));
                yield return new CardBurst(day.Parts[p].Id, need.Need.Id, body.Id, need.Need.Fps,
                    double.IsPositiveInfinity(burst.SecondsUntilFull) ? null : Math.Round(burst.SecondsUntilFull, 1), Math.Round(burst.SecondsToClear, 1),
                    fit.Short.HasFlag(Shortfalls.BufferFull), fit.Short.HasFlag(Shortfalls.StillWriting) ? Math.Round(fit.BusySeconds, 1) : null);
            }
    }

    /// <summary>What each slot takes: the slower of slot and card.</summary>
    private static List<SlotWrite>? Writes(Kit kit, int body, int part, List<CardUse> uses)
    {
        var slots = new List<SlotWrite>();
        var of = (Body)kit.Items[body];
        foreach (var use in uses.Where(u => u.Body == body && u.Part == part && u.Card is not null).DistinctBy(u => u.Slot))
        {
            double?[] speeds = [of.Slots[use.Slot].WriteMegabytesPerSecond, (kit.Items[kit.IndexOf(use.Card)] as Card)?.WriteMegabytesPerSecond];
            if (speeds.OfType<double>().DefaultIfEmpty(0).Min() is not (> 0 and var speed)) return null;
            slots.Add(new SlotWrite(Charge.FrameMegabytes(of, kit.Plan.Rules.TakesJpeg(use.Slot)), speed));
        }
        return slots.Count > 0 ? slots : null;
    }
}
