namespace YokePair.Core.Plans;

/// <summary>What must be true of an item's figures.</summary>
internal static class ItemCheck
{
    public static void Range(string field, Interval range, string unit, ProblemList found)
    {
        found.Positive($"{field}[0]", range.Low, unit);
        found.Positive($"{field}[1]", range.High, unit);
        if (range.Low > range.High) found.Add(field, FormattableString.Invariant($"runs from {range.Low} to {range.High}; put the smaller first"));
    }

    public static void Figures(Item item, string at, ProblemList found)
    {
        if (item.Count is { } count) found.Within($"{at}.count", count, 1, 10_000, "a count of 1 or more");
        if (item.WeightG is { } weight) found.NotNegative($"{at}.weightG", weight, "grams");
        if (item.Value is { } value) found.NotNegative($"{at}.value", value, "an amount");
        if (item.From is { } from && item.To is { } to && to < from) found.Add($"{at}.to", FormattableString.Invariant($"{to:yyyy-MM-dd} is before {from:yyyy-MM-dd}; put the later day last"));
        switch (item)
        {
            case Body body:
                if (body.Mount.Count == 0) found.Add($"{at}.mount", "is empty; name the lens mount the body takes");
                found.Positive($"{at}.crop", body.Crop, "a factor");
                found.Positive($"{at}.megapixels", body.Megapixels, "megapixels");
                found.Positive($"{at}.isoCeiling", body.IsoCeiling, "ISO");
                found.NotNegative($"{at}.fps", body.Fps, "frames per second");
                if (body.FpsSilent is { } silent) found.NotNegative($"{at}.fpsSilent", silent, "frames per second");
                found.Within($"{at}.stabilisationStops", body.StabilisationStops, 0, 12, "stops from 0 to 12");
                found.Positive($"{at}.syncSeconds", body.SyncSeconds, "seconds");
                if (body.BaseIso is { } lowest) found.Positive($"{at}.baseIso", lowest, "ISO");
                if (body.FastestShutterSeconds is { } fastest) found.Positive($"{at}.fastestShutterSeconds", fastest, "seconds");
                break;
            case Lens lens:
                Range($"{at}.focal", lens.Focal, "mm", found);
                found.Positive($"{at}.aperture[0]", lens.Aperture.Low, "an f-number");
                found.Positive($"{at}.aperture[1]", lens.Aperture.High, "an f-number");
                found.Positive($"{at}.imageCircleCrop", lens.ImageCircleCrop, "a factor");
                found.NotNegative($"{at}.magnification", lens.Magnification, "a magnification");
                found.Within($"{at}.stabilisationStops", lens.StabilisationStops, 0, 12, "stops from 0 to 12");
                if (lens.WorkingFNumber is { } working) found.Positive($"{at}.workingFNumber", working, "an f-number");
                if (lens.TStopLoss is { } loss) found.Within($"{at}.tStopLoss", loss, 0, 5, "stops from 0 to 5");
                break;
            case Converter converter:
                found.Positive($"{at}.factor", converter.Factor, "a factor");
                break;
            case Battery { Health: { } health }:
                found.Within($"{at}.health", health, 0, 1, "a share from 0 to 1");
                break;
            case StandLight { LuxAtOneM: { } lux }:
                found.Positive($"{at}.luxAtOneM", lux, "lux");
                break;
            case Tube tube:
                found.Positive($"{at}.extensionMm", tube.ExtensionMm, "mm");
                break;
            case Flash flash:
                if (flash.GuideNumber is { } guide) found.Positive($"{at}.guideNumber", guide, "metres");
                found.Positive($"{at}.recycleSeconds", flash.RecycleSeconds, "seconds");
                break;
            case Card { Gigabytes: { } size }:
                found.Positive($"{at}.gigabytes", size, "gigabytes");
                break;
        }
    }
}
