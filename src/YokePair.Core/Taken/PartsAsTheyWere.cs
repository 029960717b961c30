using YokePair.Core.Plans;

namespace YokePair.Core.Taken;

/// <summary>When a part was, as the pictures tell it.</summary>
/// <param name="Part">The part as it was planned.</param>
/// <param name="From">When it began: the first picture after the pause before it, else as planned.</param>
/// <param name="To">When it ended.</param>
public sealed record PartAsItWas(Part Part, DateTime From, DateTime To);

/// <summary>
/// Which part each picture belongs to. A day is seldom on time, and between two parts the cameras rest: the join of two parts is put into the
/// pause near it that is long and close, each minute of pause outweighing two of distance.
/// </summary>
public sealed class PartsAsTheyWere
{
    private const double NearJoinMinutes = 20, LeastPauseMinutes = 2, OutsideMinutes = 60;

    private readonly Dictionary<string, HashSet<string>> bodies;

    private PartsAsTheyWere(List<PartAsItWas> parts)
    {
        Parts = parts;
        bodies = parts.ToDictionary(p => p.Part.Id, p => p.Part.Setups.Select(s => s.Body).OfType<string>().ToHashSet(StringComparer.Ordinal));
    }

    /// <summary>The parts that have times, in order.</summary>
    public IReadOnlyList<PartAsItWas> Parts { get; }

    /// <summary>Finds the joins.</summary>
    /// <param name="plan">The day as it was planned.</param>
    /// <param name="times">When pictures were taken, by a clock that is right.</param>
    public static PartsAsTheyWere Of(Plan plan, IEnumerable<DateTime> times)
    {
        DateTime[] taken = [.. times.Order()];
        List<PartAsItWas> parts = [.. Day.InOrder(plan).Where(p => p is { Start: not null, End: not null })
            .Select(p => new PartAsItWas(p, p.Start!.Value, p.End!.Value))];
        for (var n = 1; n < parts.Count; n++)
        {
            var (before, after) = (parts[n - 1], parts[n]);
            if (Day.Overlap(before.Part, after.Part) || Pause(taken, before, after) is not { } pause) continue;
            (parts[n - 1], parts[n]) = (before with { To = pause.From }, after with { From = pause.To });
        }
        return new PartsAsTheyWere(parts);
    }

    /// <summary>The part a picture belongs to; of several at once the one in which its camera is in a hand; null = none.</summary>
    public Part? Of(DateTime at, string? body)
    {
        var within = Parts.Where(p => at >= p.From && at <= p.To).ToList();
        if (within.Count == 0)
            return Parts.Select(p => (p.Part, Away: at < p.From ? p.From - at : at - p.To)).Where(p => p.Away.TotalMinutes <= OutsideMinutes)
                .OrderBy(p => p.Away).Select(p => p.Part).FirstOrDefault();
        return (within.Find(p => body is not null && bodies[p.Part.Id].Contains(body)) ?? within[^1]).Part;
    }

    private static (DateTime From, DateTime To)? Pause(DateTime[] taken, PartAsItWas before, PartAsItWas after)
    {
        var join = after.Part.Start!.Value;
        var (from, to) = (Later(before.From, join.AddMinutes(-NearJoinMinutes)), Earlier(after.To, join.AddMinutes(NearJoinMinutes)));
        var (best, score) = (((DateTime, DateTime)?)null, double.NegativeInfinity);
        for (var n = Math.Max(1, Array.FindIndex(taken, t => t >= from)); n < taken.Length && taken[n - 1] <= to; n++)
        {
            var (start, end) = (taken[n - 1], taken[n]);
            var pause = (end - start).TotalMinutes;
            if (pause < LeastPauseMinutes || start < before.From || end > after.To) continue;
            var away = join < start ? (start - join).TotalMinutes : join > end ? (join - end).TotalMinutes : 0;
            if (away > NearJoinMinutes || pause - (away / 2) <= score) continue;
            (best, score) = ((start, end), pause - (away / 2));
        }
        return best;
    }

    private static DateTime Later(DateTime one, DateTime other) => one > other ? one : other;

    private static DateTime Earlier(DateTime one, DateTime other) => one < other ? one : other;
}
