namespace YokePair.Core.Plans;

/// <summary>What must be true of a part, its setups and its needs.</summary>
internal static class PartCheck
{
    private const double LowestEv = -10, HighestEv = 20;

    public static void Check(Part part, string at, KnownIds ids, ProblemList found)
    {
        found.Within($"{at}.ev", part.Ev, LowestEv, HighestEv,
            $"an exposure value at ISO 100 from {LowestEv} (a moonless night) to {HighestEv} (sun on snow is 16)");
        if (part.Start is { } start && part.End is { } end && end <= start)
            found.Add($"{at}.end", $"{end:yyyy-MM-dd HH:mm} is not after the start, {start:yyyy-MM-dd HH:mm}");
        for (var i = 0; i < part.Unreachable.Count; i++) ids.Place($"{at}.unreachable[{i}]", part.Unreachable[i], found);
        for (var i = 0; i < (part.Present?.Count ?? 0); i++) ids.Person($"{at}.present[{i}]", part.Present![i], found);
        foreach (var (place, seconds) in part.ReachSeconds ?? new Dictionary<string, double>())
        {
            ids.Place($"{at}.reachSeconds.{place}", place, found);
            found.Figure($"{at}.reachSeconds.{place}", seconds, 0, ProblemList.MostSeconds, "seconds");
        }
        found.Figure($"{at}.temperatureC", part.TemperatureC, -60, 60, "degrees Celsius");
        found.Figure($"{at}.stayBehindM", part.StayBehindM, 0, 1000, "metres");
        found.Figure($"{at}.ceiling.ceilingM", part.Ceiling?.CeilingM, 1.6, 60, "metres (the flash is held at 1.6)");
        found.Figure($"{at}.noted.fNumber", part.Noted?.FNumber, 0.3, 256, "an f-number");
        found.Figure($"{at}.noted.shutterSeconds", part.Noted?.ShutterSeconds, 1e-6, 86_400, "seconds");
        found.Figure($"{at}.noted.iso", part.Noted?.Iso, 1, 1e8, "ISO");
        found.Figure($"{at}.framesPerMinute", part.FramesPerMinute, 0, 6000, "frames a minute");
        found.Figure($"{at}.frames.high", part.Frames?.High, 0, 1_000_000, "frames");
        if (part.Frames is { } frames && !(0 <= frames.Low && frames.Low <= frames.Likely && frames.Likely <= frames.High))
            found.Add($"{at}.frames", $"low {frames.Low}, likely {frames.Likely}, high {frames.High}; put them in that order, 0 or more");
        for (var i = 0; i < (part.Changes?.Count ?? 0); i++) ids.Item($"{at}.changes[{i}]", part.Changes![i], typeof(Body), found);
        CheckUse(part, at, ids, found);
        var named = CheckSetups(part, at, ids, found);
        LightCheck.Check(part, at, named, ids, found);
        var needs = new HashSet<string>(StringComparer.Ordinal);
        for (var i = 0; i < part.Needs.Count; i++)
        {
            if (!needs.Add(part.Needs[i].Id)) found.Add($"{at}.needs[{i}].id", $"\"{part.Needs[i].Id}\" is used by two needs of this part; give each its own");
            CheckNeed(part.Needs[i], $"{at}.needs[{i}]", ids, found);
        }
    }

    private static void CheckUse(Part part, string at, KnownIds ids, ProblemList found)
    {
        const double mostMinutes = 1440;
        var used = new HashSet<string>(StringComparer.Ordinal);
        for (var i = 0; i < (part.Use?.Count ?? 0); i++)
        {
            var (use, path) = (part.Use![i], $"{at}.use[{i}]");
            ids.Thing($"{path}.item", use.Item, found);
            if (!used.Add(use.Item)) found.Add($"{path}.item", $"\"{use.Item}\" is said twice in this part; say it once");
            found.Figure($"{path}.frames", use.Frames, 0, 1_000_000, "frames");
            found.Figure($"{path}.videoMinutes", use.VideoMinutes, 0, mostMinutes, "minutes");
            found.Figure($"{path}.liveViewMinutes", use.LiveViewMinutes, 0, mostMinutes, "minutes");
            found.Figure($"{path}.minutes", use.Minutes, 0, mostMinutes, "minutes");
            if (use.Sends is not { } sends) continue;
            if (string.IsNullOrWhiteSpace(sends.To)) found.Add($"{path}.sends.to", "is empty; say where to");
            found.Figure($"{path}.sends.megabytesPerSecond", sends.MegabytesPerSecond, 0.01, 100_000, "megabytes a second");
        }
    }

    private static Dictionary<string, string> CheckSetups(Part part, string at, KnownIds ids, ProblemList found)
    {
        var named = new Dictionary<string, string>(StringComparer.Ordinal);
        for (var i = 0; i < part.Setups.Count; i++)
        {
            var setup = part.Setups[i];
            ids.Person($"{at}.setups[{i}].person", setup.Person, found);
            if (setup is { Flash: not null, Trigger: not null }) found.Add($"{at}.setups[{i}].trigger",
                "the shoe holds a flash already, and it is one place; take one of the two out");
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
        CheckFraming(need, at, found);
        CheckLight(need, at, found);
        found.Figure($"{at}.fps", need.Fps, 0, 10_000, "frames per second");
        found.Figure($"{at}.burstSeconds", need.BurstSeconds, 0.001, 3600, "seconds");
        found.Figure($"{at}.readySeconds", need.ReadySeconds, 0, 3600, "seconds");
        found.Figure($"{at}.due.frames", need.Due?.Frames, 1, 100_000, "frames");
        found.Figure($"{at}.due.minutes", need.Due?.Minutes, 0, 1440, "minutes");
        found.Figure($"{at}.toleranceSeconds", need.ToleranceSeconds, 0, ProblemList.MostSeconds, "seconds");
        found.Figure($"{at}.momentSeconds", need.MomentSeconds, 0.001, ProblemList.MostSeconds, "seconds");
        found.Figure($"{at}.warningSeconds", need.WarningSeconds, 0, ProblemList.MostSeconds, "seconds");
    }

    private static void CheckFraming(Need need, string at, ProblemList found)
    {
        const double farthestM = 100_000;
        if (need.Focal is { } focal) ItemCheck.Range($"{at}.focal", focal, 0.1, 100_000, "mm", found);
        if (need.Accept is { } accept) ItemCheck.Range($"{at}.accept", accept, 0.1, 100_000, "mm", found);
        if (need.Framing is { } frame)
        {
            ItemCheck.Range($"{at}.framing.distanceM", frame.DistanceM, 0.01, farthestM, "metres", found);
            found.Figure($"{at}.framing.heightM", frame.HeightM, 0.001, farthestM, "metres");
            found.Figure($"{at}.framing.widthM", frame.WidthM, 0.001, farthestM, "metres");
            found.Figure($"{at}.framing.tallestM", frame.TallestM, 0.001, farthestM, "metres");
            found.Figure($"{at}.framing.widestM", frame.WidestM, 0.001, farthestM, "metres");
            found.Figure($"{at}.framing.smallestM", frame.SmallestM, 0.001, farthestM, "metres");
            found.Figure($"{at}.framing.narrowestM", frame.NarrowestM, 0.001, farthestM, "metres");
        }
        found.Figure($"{at}.minMegapixels", need.MinMegapixels, 0, 2000, "megapixels");
        found.Figure($"{at}.closeWidthMm", need.CloseWidthMm, 0.1, 10_000, "mm");
        found.Figure($"{at}.closeWidthMaxMm", need.CloseWidthMaxMm, 0.1, 10_000, "mm");
        if (need.CloseWidthMaxMm < need.CloseWidthMm)
        {
            var narrower = FormattableString.Invariant($"is {need.CloseWidthMaxMm} mm, narrower than the wanted {need.CloseWidthMm} mm");
            found.Add($"{at}.closeWidthMaxMm", narrower + "; make it the wider of the two");
        }
        found.Figure($"{at}.deliverable.widthCm", need.Deliverable?.WidthCm, 0.1, 10_000, "cm");
        found.Figure($"{at}.deliverable.heightCm", need.Deliverable?.HeightCm, 0.1, 10_000, "cm");
        found.Figure($"{at}.deliverable.dpi", need.Deliverable?.Dpi, 1, 10_000, "dots per inch");
        if (need.DepthM is { } depth) ItemCheck.Range($"{at}.depthM", depth, 0.1, farthestM, "metres", found);
        found.Figure($"{at}.minFNumber", need.MinFNumber, 0.3, 256, "an f-number");
        found.Figure($"{at}.maxFNumber", need.MaxFNumber, 0.3, 256, "an f-number");
        if (need.MinFNumber > need.MaxFNumber) found.Add($"{at}.maxFNumber",
            FormattableString.Invariant($"is f/{need.MaxFNumber}, below the smallest wanted, f/{need.MinFNumber}; put the smaller first"));
    }

    private static void CheckLight(Need need, string at, ProblemList found)
    {
        found.Figure($"{at}.shutterSeconds", need.ShutterSeconds, 1e-6, 86_400, "seconds");
        found.Figure($"{at}.shortestShutterSeconds", need.ShortestShutterSeconds, 1e-6, 86_400, "seconds");
        if (need.ShortestShutterSeconds > need.ShutterSeconds)
            found.Add($"{at}.shortestShutterSeconds", FormattableString.Invariant(
                $"is {need.ShortestShutterSeconds} s, longer than the longest allowed, {need.ShutterSeconds} s; put the shorter first"));
        found.Figure($"{at}.flashPathM", need.FlashPathM, 0.01, 10_000, "metres");
        found.Figure($"{at}.bounceLossStops", need.BounceLossStops, 0, 40, "stops");
        found.Figure($"{at}.bounce.ceilingM", need.Bounce?.CeilingM, 1.6, 60, "metres (the flash is held at 1.6)");
        found.Figure($"{at}.stands.count", need.Stands?.Count, 1, LightCheck.MostAsked, "lights");
        found.Figure($"{at}.stands.distanceM", need.Stands?.DistanceM, 0.01, 10_000, "metres");
        found.Figure($"{at}.stands.lossStops", need.Stands?.LossStops, 0, 40, "stops");
    }
}
