using YokePair.Core.Cards;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Reports;
using YokePair.Core.Wording;

namespace YokePair.Core.Pocket;

/// <summary>The rest of a day, planned anew with what is left of it.</summary>
/// <param name="Parts">The parts that are not over, in order of time, with the duties and levels as they are now.</param>
/// <param name="Changes">Every need that what has failed changes.</param>
/// <param name="Told">How the rest of the day stands, and what of its battery changes is other than planned.</param>
public sealed record RestOfDay(IReadOnlyList<PocketPart> Parts, IReadOnlyList<LiveChange> Changes, IReadOnlyList<IReadOnlyList<TextPiece>> Told);

/// <summary>A need that changes.</summary>
/// <param name="Part">Number of the part, in order of time.</param>
/// <param name="Need">Number of the need in it.</param>
/// <param name="Outcome">What becomes of it.</param>
/// <param name="Answer">What one does.</param>
public sealed record LiveChange(int Part, int Need, Outcome Outcome, PocketAnswer Answer);

/// <summary>A figure read off a camera.</summary>
/// <param name="Body">Body id.</param>
/// <param name="Share">Share of a full battery that it shows; null = not read.</param>
/// <param name="Frames">Frames it says there is room for; null = not read.</param>
public sealed record Reading(string Body, double? Share, int? Frames);

/// <summary>Plans the rest of a day.</summary>
public static class FromNow
{
    /// <summary>The rest of a day.</summary>
    /// <param name="day">The day as it was planned.</param>
    /// <param name="person">Id of whoever asks.</param>
    /// <param name="now">Local time.</param>
    /// <param name="failed">What has failed.</param>
    /// <param name="readings">What cameras show; where none is read the plan is believed.</param>
    /// <returns>Null when there is no such person.</returns>
    public static RestOfDay? Of(DayAnalysis day, string person, DateTime now, IReadOnlyList<Pulled> failed, IReadOnlyList<Reading> readings)
    {
        day = day.AsItIsHere();
        if (day.Plan.PersonOf(person) is null) return null;
        var planned = PowerPlans.Of(day);
        var left = new DayAnalysis(Rest(day.Whole, now, planned, readings), failed);
        // As long as no battery shows anything else the plan is believed, and its changes stay where they are.
        var isRead = readings.Any(r => r.Share is not null);
        var (power, cards) = (isRead ? PowerPlans.Of(left) : planned, CardPlans.Of(day));
        var parts = PocketFiles.PartsOf(left, person, new Duties(day, power, cards), power, cards).Select(p => Whole(p, day.Plan.PartOf(p.Id)!, now, isRead));
        return new RestOfDay([.. parts], failed.Count == 0 ? [] : Changes(day, failed, person),
            [.. Told(day, left, planned, power, readings), .. Rooms(left.Plan, power, cards, readings)]);
    }

    /// <summary>The plan without what is over, begun with what is left of every battery, each where it is by then.</summary>
    private static Plan Rest(Plan plan, DateTime now, PowerPlan power, IReadOnlyList<Reading> readings)
    {
        List<Part> parts = [.. Day.InOrder(plan).Where(p => !(p.End <= now)).Select(p => From(p, now, power))];
        if (parts.Count == 0) parts = [.. Day.InOrder(plan).TakeLast(1)];
        var left = new Dictionary<string, double>(plan.Left ?? new Dictionary<string, double>(), StringComparer.Ordinal);
        var inside = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var band in power.Bands)
        {
            foreach (var level in band.Levels.TakeWhile(l => plan.PartOf(l.Part) is { } part && PowerPlans.MinuteOf(part, l.At) <= now))
                if (level.Battery is { } battery) (left[battery], inside[band.Device]) = (level.Left, battery);
            if (At(plan, band, now) is { Battery: { } here } shown) (left[here], inside[band.Device]) = (shown.Left, here);
        }
        foreach (var reading in readings.Where(r => r.Share is not null))
            if ((inside.GetValueOrDefault(reading.Body) ?? plan.Items.OfType<Battery>().FirstOrDefault(b => b.Place == "@" + reading.Body)?.Id) is { } read)
                left[read] = Math.Clamp(reading.Share!.Value, 0, 1);
        // The joins that were planned stay, and nothing is changed besides but what runs dry.
        return plan with { Parts = parts, Items = Moved(plan, inside), Left = left, Rules = plan.Rules with { FreshBeforeOnce = false } };
    }

    /// <summary>A part that has begun as it is told: from when it began, its levels from now on.</summary>
    private static PocketPart Whole(PocketPart rest, Part part, DateTime now, bool isRead)
    {
        if (part is not { Start: { } start, End: { } end } || start >= now || now >= end) return rest;
        if (!isRead) return rest with { Start = start };
        var over = (now - start) / (end - start);
        return rest with { Start = start, Hands = [.. rest.Hands.Select(h => h with { Charge = [.. h.Charge.Select(FromThen)] })] };

        PocketLevel FromThen(PocketLevel level) => level with { At = over + ((1 - over) * level.At) };
    }

    private static Part From(Part part, DateTime now, PowerPlan power)
    {
        if (!(part.Start < now) || part.End is not { } end || part.Start is not { } start)
        {
            var planned = power.Changes.Where(c => c.Part == part.Id && c.AfterFrames is null).Select(c => c.Body);
            return part with { Changes = [.. planned.Concat(part.Changes ?? []).Distinct()] };
        }
        var share = (end - now) / (end - start);
        return part with
        {
            Start = now,
            Changes = null,
            Frames = part.Frames is not { } all ? null
                : new FrameCount { Low = (int)(all.Low * share), Likely = (int)(all.Likely * share), High = (int)(all.High * share) },
        };
    }

    /// <summary>The level of a band inside a part, on the line from one to the next.</summary>
    private static PowerLevel? At(Plan plan, PowerBand band, DateTime now)
    {
        for (var i = 0; i + 1 < band.Levels.Count; i++)
        {
            var (one, other) = (band.Levels[i], band.Levels[i + 1]);
            if (one.Part != other.Part || plan.PartOf(one.Part) is not { } part) continue;
            if (PowerPlans.MinuteOf(part, one.At) is not { } from || PowerPlans.MinuteOf(part, other.At) is not { } to || now < from || now >= to) continue;
            return one with { Left = one.Left + (other.Left - one.Left) * ((now - from) / (to - from)) };
        }
        return null;
    }

    /// <summary>Batteries where the changes have brought them: what went in is in the camera, what came out lies where that was.</summary>
    private static IReadOnlyList<Item> Moved(Plan plan, Dictionary<string, string> inside)
    {
        var places = plan.Items.Where(i => i.ChargeType() is not null).ToDictionary(i => i.Id, i => i.Place, StringComparer.Ordinal);
        foreach (var (device, battery) in inside)
        {
            if (!places.TryGetValue(battery, out var was) || was == "@" + device) continue;
            foreach (var before in places.Where(p => p.Value == "@" + device).Select(p => p.Key).ToList()) places[before] = was;
            places[battery] = "@" + device;
        }
        return [.. plan.Items.Select(i => places.TryGetValue(i.Id, out var place) && place != i.Place ? i with { Place = place } : i)];
    }

    private static IReadOnlyList<LiveChange> Changes(DayAnalysis day, IReadOnlyList<Pulled> failed, string person)
    {
        var then = day.Without(failed);
        var order = Day.InOrder(day.Plan).ToList();
        var words = new PocketWords(day.Plan);
        return
        [
            .. PullTest.Compare(day, then).Changes.Select(c =>
            {
                var part = day.Plan.PartOf(c.Part)!;
                // Who shoots it is said by the hand.
                var (now, picture) = PullAnswer.Of(then, c.Part, c.Need, before: null);
                var answer = new PocketAnswer(now is { } way ? words.Hand(part, person, way.Person, way.Body, way.Lens) : null,
                    now?.Person, now?.Seconds, now?.Steps ?? [], picture, c.DoesNotMove);
                return new LiveChange(order.FindIndex(p => p.Id == c.Part), part.Needs.ToList().FindIndex(n => n.Id == c.Need), c.After, answer);
            }),
        ];
    }

    private static IEnumerable<IReadOnlyList<TextPiece>> Told(
        DayAnalysis day, DayAnalysis left, PowerPlan planned, PowerPlan now, IReadOnlyList<Reading> readings)
    {
        var counted = left.Parts.SelectMany(p => p.Needs).Where(n => n.Need.Importance != Importance.Nice).ToList();
        var (open, hang) = (counted.Count(n => n.Strands == 0), counted.Count(n => n.Strands == 1));
        yield return [new(RestWords.Of(counted.Count, open, hang))];
        if (readings.Count == 0) yield break;
        var names = new Names(day.Plan);
        foreach (var change in now.Changes.Where(c => readings.Any(r => r.Body == c.Body && r.Share is not null)).DistinctBy(c => c.Body))
        {
            var was = planned.Changes.FirstOrDefault(c => c.Body == change.Body && left.Plan.PartOf(c.Part) is not null);
            if (PowerWords.MinuteOf(left.Plan, now, change) is not { } at) continue;
            var then = was is null ? null : PowerWords.MinuteOf(day.Plan, planned, was);
            yield return
            [
                new("By what it shows, change the battery of the "), new(names.Item(change.Body), Item: change.Body), new(" at "), new("", Time: at),
                .. then is { } time && time != at ? new TextPiece[] { new(" instead of "), new("", Time: time) } : [],
                new("."),
            ];
        }
        foreach (var dark in now.Short.Where(s => !planned.Short.Any(b => b.Device == s.Device && b.Part == s.Part)))
            yield return LateWords.Dark(left.Plan, dark);
    }

    /// <summary>When what a camera says it has room for is taken, where no change of cards is planned before.</summary>
    private static IEnumerable<IReadOnlyList<TextPiece>> Rooms(Plan rest, PowerPlan power, CardPlan cards, IReadOnlyList<Reading> readings)
    {
        var names = new Names(rest);
        foreach (var (body, room) in readings.Where(r => r.Frames is not null).Select(r => (r.Body, r.Frames!.Value)))
        {
            var taken = 0;
            foreach (var (part, n) in Day.InOrder(rest).Select((p, n) => (p, n)))
            {
                if (n > 0 && cards.Moves.Any(m => m.Part == part.Id && m.Where == body && m.Kind == CardHolder.Camera)) break;
                var frames = power.Use.Where(u => u.Part == part.Id && u.Body == body).Sum(u => u.Frames);
                if (taken + frames <= room)
                {
                    taken += frames;
                    continue;
                }
                yield return
                [
                    new("By what it shows, the cards of the "), new(names.Item(body), Item: body), new(" are full in "), new(part.Label, Part: part.Id),
                    .. PowerPlans.MinuteOf(part, (double)(room - taken) / frames) is { } at ? new TextPiece[] { new(", about "), new("", Time: at) } : [],
                    new(n > 0 ? ": change them before it." : ": change them in the next pause."),
                ];
                break;
            }
        }
    }
}
