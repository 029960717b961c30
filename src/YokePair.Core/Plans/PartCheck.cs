namespace YokePair.Core.Plans;

/// <summary>What must be true of a part, its setups and its needs.</summary>
internal static class PartCheck
{
    private const double LowestEv = -10, HighestEv = 20;

    public static void Check(Part part, string at, KnownIds ids, ProblemList found)
    {
        found.Within($"{at}.ev", part.Ev, LowestEv, HighestEv, $"an exposure value at ISO 100 from {LowestEv} (a moonless night) to {HighestEv} (sun on snow is 16)");
        if (part.Start is { } start && part.End is { } end && end <= start)
            found.Add($"{at}.end", $"{end:yyyy-MM-dd HH:mm} is not after the start, {start:yyyy-MM-dd HH:mm}");
        for (var i = 0; i < part.Unreachable.Count; i++) ids.Place($"{at}.unreachable[{i}]", part.Unreachable[i], found);
        for (var i = 0; i < (part.Present?.Count ?? 0); i++) ids.Person($"{at}.present[{i}]", part.Present![i], found);
        foreach (var (place, seconds) in part.ReachSeconds ?? new Dictionary<string, double>())
        {
            ids.Place($"{at}.reachSeconds.{place}", place, found);
            found.NotNegative($"{at}.reachSeconds.{place}", seconds, "seconds");
        }
        if (part.TemperatureC is { } degrees) found.Within($"{at}.temperatureC", degrees, -60, 60, "degrees Celsius from -60 to 60");
        if (part.StayBehindM is { } line) found.Within($"{at}.stayBehindM", line, 0, 1000, "metres from 0 to 1000");
        if (part.Noted is { } noted)
        {
            found.Positive($"{at}.noted.fNumber", noted.FNumber, "an f-number");
            found.Positive($"{at}.noted.shutterSeconds", noted.ShutterSeconds, "seconds");
            found.Positive($"{at}.noted.iso", noted.Iso, "ISO");
        }
        if (part.Frames is { } frames && !(0 <= frames.Low && frames.Low <= frames.Likely && frames.Likely <= frames.High))
            found.Add($"{at}.frames", $"low {frames.Low}, likely {frames.Likely}, high {frames.High}; put them in that order, 0 or more");
        var named = CheckSetups(part, at, ids, found);
        LightCheck.Check(part, at, named, ids, found);
        var needs = new HashSet<string>(StringComparer.Ordinal);
        for (var i = 0; i < part.Needs.Count; i++)
        {
            if (!needs.Add(part.Needs[i].Id)) found.Add($"{at}.needs[{i}].id", $"\"{part.Needs[i].Id}\" is used by two needs of this part; give each its own");
            CheckNeed(part.Needs[i], $"{at}.needs[{i}]", ids, found);
        }
    }

    private static Dictionary<string, string> CheckSetups(Part part, string at, KnownIds ids, ProblemList found)
    {
        var named = new Dictionary<string, string>(StringComparer.Ordinal);
        for (var i = 0; i < part.Setups.Count; i++)
        {
            var setup = part.Setups[i];
            ids.Person($"{at}.setups[{i}].person", setup.Person, found);
            if (setup is { Flash: not null, Trigger: not null }) found.Add($"{at}.setups[{i}].trigger", "the shoe holds a flash already, and it is one place; take one of the two out");
            foreach (var (field, id) in setup.Named())
            {
                var path = $"{at}.setups[{i}].{field}";
                ids.Item(path, id, KindOf(field), found);
                if (!named.TryAdd(id, path)) found.Add(path, $"\"{id}\" is already {named[id]}; one thing cannot be in two setups of a part");
            }
        }
        return named;
    }

    private static Type KindOf(string field) => field switch
    {
        "body" => typeof(Body),
        "lens" => typeof(Lens),
        "adapter" => typeof(Adapter),
        "converter" => typeof(Converter),
        "tube" => typeof(Tube),
        "flash" => typeof(Flash),
        "trigger" => typeof(Trigger),
        "support" => typeof(Support),
        "battery" => typeof(Battery),
        _ => typeof(Card),
    };

    private static void CheckNeed(Need need, string at, KnownIds ids, ProblemList found)
    {
        if (need.Id.Length == 0) found.Add($"{at}.id", "is empty; give it a short text");
        if (need.Who != Need.Anyone) ids.Person($"{at}.who", need.Who, found);
        if (need.Focal is { } focal) ItemCheck.Range($"{at}.focal", focal, "mm", found);
        if (need.Framing is { } frame)
        {
            ItemCheck.Range($"{at}.framing.distanceM", frame.DistanceM, "metres", found);
            if (frame.HeightM is { } height) found.Positive($"{at}.framing.heightM", height, "metres");
            if (frame.WidthM is { } across) found.Positive($"{at}.framing.widthM", across, "metres");
        }
        found.Positive($"{at}.shutterSeconds", need.ShutterSeconds, "seconds");
        if (need.MinFNumber is { } f) found.Positive($"{at}.minFNumber", f, "an f-number");
        if (need.MinMegapixels is { } mp) found.NotNegative($"{at}.minMegapixels", mp, "megapixels");
        if (need.ToleranceSeconds is { } tolerance) found.NotNegative($"{at}.toleranceSeconds", tolerance, "seconds");
        if (need.CloseWidthMm is { } width) found.Positive($"{at}.closeWidthMm", width, "mm");
        if (need.FlashPathM is { } path) found.Positive($"{at}.flashPathM", path, "metres");
        found.NotNegative($"{at}.bounceLossStops", need.BounceLossStops, "stops");
        if (need.Bounce is { } bounce) found.Within($"{at}.bounce.ceilingM", bounce.CeilingM, 1.6, 60, "metres from 1.6 (the height of the flash) to 60");
        if (need.Stands is { } stands)
        {
            found.Within($"{at}.stands.count", stands.Count, 1, LightCheck.MostAsked, $"a number of lights from 1 to {LightCheck.MostAsked}");
            found.Positive($"{at}.stands.distanceM", stands.DistanceM, "metres");
            found.NotNegative($"{at}.stands.lossStops", stands.LossStops, "stops");
        }
        if (need.DepthM is { } depth)
        {
            ItemCheck.Range($"{at}.depthM", depth, "metres", found);
            if (depth.Low < 0.1) found.Add($"{at}.depthM[0]", FormattableString.Invariant($"is {depth.Low}; expected 0.1 m or more"));
        }
        if (need.MaxFNumber is { } soft) found.Positive($"{at}.maxFNumber", soft, "an f-number");
        if (need.Deliverable is { } print)
        {
            found.Positive($"{at}.deliverable.widthCm", print.WidthCm, "cm");
            found.Positive($"{at}.deliverable.heightCm", print.HeightCm, "cm");
            found.Positive($"{at}.deliverable.dpi", print.Dpi, "dots per inch");
        }
        if (need.MomentSeconds is { } lasts) found.Positive($"{at}.momentSeconds", lasts, "seconds");
        if (need.WarningSeconds is { } warning) found.NotNegative($"{at}.warningSeconds", warning, "seconds");
        found.NotNegative($"{at}.fps", need.Fps, "frames per second");
    }
}
