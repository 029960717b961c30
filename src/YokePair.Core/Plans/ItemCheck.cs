using YokePair.Core.Basics;

namespace YokePair.Core.Plans;

/// <summary>What must be true of an item's figures. The limits are wide of anything made, and keep all that is reckoned finite.</summary>
internal static class ItemCheck
{
    private const double MostMinutes = 100_000;

    public static void Range(string field, Interval range, double low, double high, string unit, ProblemList found)
    {
        found.Figure($"{field}[0]", range.Low, low, high, unit);
        found.Figure($"{field}[1]", range.High, low, high, unit);
        if (range.Low > range.High) found.Add(field, FormattableString.Invariant($"runs from {range.Low} to {range.High}; put the smaller first"));
    }

    public static void Figures(Item item, string at, ProblemList found)
    {
        found.Figure($"{at}.count", item.Count, 1, 10_000, "things");
        found.Figure($"{at}.weightG", item.WeightG, 0, 1_000_000, "grams");
        found.Figure($"{at}.value", item.Value, 0, 1e9, "an amount");
        found.Figure($"{at}.cycles", item.Cycles, 0, 1e8, "cycles");
        for (var i = 0; i < (item.SizeMm?.Count ?? 0); i++) found.Figure($"{at}.sizeMm[{i}]", item.SizeMm![i], 0, 100_000, "mm");
        if (item.From is { } from && item.To is { } to && to < from) found.Add($"{at}.to",
            FormattableString.Invariant($"{to:yyyy-MM-dd} is before {from:yyyy-MM-dd}; put the later day last"));
        switch (item)
        {
            case Body body: OfBody(body, at, found); break;
            case Lens lens: OfLens(lens, at, found); break;
            case Flash flash: OfFlash(flash, at, found); break;
            default: OfOther(item, at, found); break;
        }
    }

    private static void OfBody(Body body, string at, ProblemList found)
    {
        if (body.Mount.Count == 0) found.Add($"{at}.mount", "is empty; name the lens mount the body takes");
        found.Figure($"{at}.crop", body.Crop, 0.1, 20, "a factor");
        found.Figure($"{at}.megapixels", body.Megapixels, 0.1, 2000, "megapixels");
        found.Figure($"{at}.isoCeiling", body.IsoCeiling, 1, 1e8, "ISO");
        found.Figure($"{at}.fps", body.Fps, 0, 10_000, "frames per second");
        found.Figure($"{at}.fpsSilent", body.FpsSilent, 0, 10_000, "frames per second");
        found.Figure($"{at}.stabilisationStops", body.StabilisationStops, 0, 12, "stops");
        found.Figure($"{at}.syncSeconds", body.SyncSeconds, 1e-6, 60, "seconds");
        found.Figure($"{at}.baseIso", body.BaseIso, 1, 1e6, "ISO");
        found.Figure($"{at}.fastestShutterSeconds", body.FastestShutterSeconds, 1e-6, 60, "seconds");
        found.Figure($"{at}.framesPerCharge", body.FramesPerCharge, 1, 1e6, "frames");
        found.Figure($"{at}.videoMinutesPerCharge", body.VideoMinutesPerCharge, 1, MostMinutes, "minutes");
        found.Figure($"{at}.liveViewMinutesPerCharge", body.LiveViewMinutesPerCharge, 1, MostMinutes, "minutes");
        found.Figure($"{at}.bufferMegabytes", body.BufferMegabytes, 0, 1e7, "megabytes");
        found.Figure($"{at}.rawMegabytes", body.RawMegabytes, 0.1, 10_000, "megabytes");
        found.Figure($"{at}.jpegMegabytes", body.JpegMegabytes, 0.1, 10_000, "megabytes");
        for (var i = 0; i < body.Slots.Count; i++) found.Figure($"{at}.slots[{i}].writeMegabytesPerSecond", body.Slots[i].WriteMegabytesPerSecond, 0.1, 1e6,
            "megabytes a second");
    }

    private static void OfLens(Lens lens, string at, ProblemList found)
    {
        Range($"{at}.focal", lens.Focal, 1, 10_000, "mm", found);
        found.Figure($"{at}.aperture[0]", lens.Aperture.Low, 0.3, 256, "an f-number");
        found.Figure($"{at}.aperture[1]", lens.Aperture.High, 0.3, 256, "an f-number");
        found.Figure($"{at}.imageCircleCrop", lens.ImageCircleCrop, 0.1, 20, "a factor");
        found.Figure($"{at}.magnification", lens.Magnification, 0, 50, "a magnification");
        found.Figure($"{at}.stabilisationStops", lens.StabilisationStops, 0, 12, "stops");
        found.Figure($"{at}.nearestFocusM", lens.NearestFocusM, 0, 1000, "metres");
        found.Figure($"{at}.workingFNumber", lens.WorkingFNumber, 0.3, 256, "an f-number");
        found.Figure($"{at}.tStopLoss", lens.TStopLoss, 0, 5, "stops");
        found.Figure($"{at}.filterThreadMm", lens.FilterThreadMm, 1, 1000, "mm");
    }

    private static void OfFlash(Flash flash, string at, ProblemList found)
    {
        found.Figure($"{at}.guideNumber", flash.GuideNumber, 0.1, 10_000, "metres");
        found.Figure($"{at}.recycleSeconds", flash.RecycleSeconds, 0.001, 600, "seconds");
        found.Figure($"{at}.fullPops", flash.FullPops, 1, 1e6, "pops");
    }

    // Long: a line for each figure of each kind.
    private static void OfOther(Item item, string at, ProblemList found)
    {
        switch (item)
        {
            case Converter converter:
                found.Figure($"{at}.factor", converter.Factor, 0.1, 10, "a factor");
                break;
            case Tube tube:
                found.Figure($"{at}.extensionMm", tube.ExtensionMm, 0.1, 1000, "mm");
                break;
            case Battery battery:
                found.Figure($"{at}.wattHours", battery.WattHours, 0.01, 100_000, "watt-hours");
                found.Figure($"{at}.health", battery.Health, 0, 1, "a share");
                break;
            case Cells cells:
                found.Figure($"{at}.cellCount", cells.CellCount, 1, 1000, "cells");
                break;
            case Card card:
                found.Figure($"{at}.gigabytes", card.Gigabytes, 0.001, 1e6, "gigabytes");
                found.Figure($"{at}.writeMegabytesPerSecond", card.WriteMegabytesPerSecond, 0.1, 1e6, "megabytes a second");
                break;
            case StandLight light:
                found.Figure($"{at}.watts", light.Watts, 0.1, 1e6, "watts");
                found.Figure($"{at}.luxAtOneM", light.LuxAtOneM, 0.1, 1e8, "lux");
                found.Figure($"{at}.runMinutes", light.RunMinutes, 1, MostMinutes, "minutes");
                break;
            case Trigger trigger:
                found.Figure($"{at}.runMinutes", trigger.RunMinutes, 1, MostMinutes, "minutes");
                break;
            case OtherThing other:
                found.Figure($"{at}.runMinutes", other.RunMinutes, 1, MostMinutes, "minutes");
                break;
            case Filter filter:
                found.Figure($"{at}.threadMm", filter.ThreadMm, 1, 1000, "mm");
                found.Figure($"{at}.stepsToMm", filter.StepsToMm, 1, 1000, "mm");
                found.Figure($"{at}.stops", filter.Stops, 0, 40, "stops");
                break;
            case Pack pack:
                found.Figure($"{at}.outlets", pack.Outlets, 1, 100, "outlets");
                found.Figure($"{at}.wattHours", pack.WattHours, 0.01, 100_000, "watt-hours");
                found.Figure($"{at}.fullPops", pack.FullPops, 1, 1e6, "pops");
                break;
            case Charger charger:
                found.Figure($"{at}.bays", charger.Bays, 1, 1000, "bays");
                found.Figure($"{at}.hours", charger.Hours, 0.01, 1000, "hours");
                break;
            case PowerBank bank:
                found.Figure($"{at}.wattHours", bank.WattHours, 0.01, 100_000, "watt-hours");
                break;
            case Drive drive:
                found.Figure($"{at}.gigabytes", drive.Gigabytes, 0.001, 1e7, "gigabytes");
                found.Figure($"{at}.minutesPerCard", drive.MinutesPerCard, 0, 10_000, "minutes");
                break;
            case Support support:
                found.Figure($"{at}.maxLoadG", support.MaxLoadG, 0, 1e6, "grams");
                break;
            case Grip grip:
                found.Figure($"{at}.holds", grip.Holds, 1, 100, "batteries");
                break;
        }
    }
}
