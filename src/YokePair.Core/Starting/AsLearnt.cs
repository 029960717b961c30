using YokePair.Core.Basics;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Taken;

namespace YokePair.Core.Starting;

/// <summary>A new day begins with what past assignments taught, where nobody refused it.</summary>
public static class AsLearnt
{
    /// <summary>A kind of part as long as such parts were, with people as far away as they were.</summary>
    public static PartKind Of(PartKind kind, Learnt learnt)
    {
        var minutes = Find(learnt, LearntKind.Length, kind.Id)?.Value;
        return kind with
        {
            Minutes = minutes is { } m ? (int)m : kind.Minutes,
            Needs = Find(learnt, LearntKind.Distance, kind.Id) is { To: { } far } stood
                && kind.Needs.Select(n => n.Framing?.HeightM).Where(h => h is not null).Distinct().Count() == 1
                ? [.. kind.Needs.Select(n => n.Framing is { HeightM: not null } frame
                    ? n with { Framing = frame with { DistanceM = new Interval(stood.Value, far) } } : n)]
                : kind.Needs,
        };
    }

    /// <summary>A part with the light of its place and as many pictures as such parts had, and word of it.</summary>
    /// <param name="part">The part as its kind has it.</param>
    /// <param name="usual">Its kind as it ships or was kept; null = of no known kind.</param>
    /// <param name="learnt">What past assignments taught.</param>
    public static Part Of(Part part, PartKind? usual, Learnt learnt)
    {
        var taught = new List<TaughtFigure>();
        if (part.Outdoors != true && part.Location is { } place && Light(learnt, place, part) is { } light
            && Math.Abs(light.Value - part.Ev) > 0.05)
        {
            taught.Add(new TaughtFigure(TaughtKind.Ev, light.Value, part.Ev, light.Assignments));
            part = part with { Ev = light.Value };
        }
        // What somebody said of his own day stands.
        if (part is { Kind: { } kind, FramesPerMinute: null } && Find(learnt, LearntKind.FramesPerMinute, kind) is { } rate)
        {
            taught.Add(new TaughtFigure(TaughtKind.FramesPerMinute, rate.Value, FrameEstimate.PerMinute(kind), rate.Assignments));
            part = part with { FramesPerMinute = rate.Value };
        }
        if (usual is not null && Find(learnt, LearntKind.Length, usual.Id) is { } length && part is { Start: { } start, End: { } end }
            && (end - start).TotalMinutes == length.Value && length.Value != usual.Minutes)
            taught.Add(new TaughtFigure(TaughtKind.Minutes, length.Value, usual.Minutes, length.Assignments));
        return taught.Count == 0 ? part : part with { Taught = [.. taught, .. part.Taught ?? []] };
    }

    /// <summary>A day that is like a past one, with the light of its places and as many pictures as is known by now. Its hours and hands stay, and so does
    /// light that was noted there.</summary>
    public static Plan Of(Plan copy, Learnt learnt)
    {
        return copy with { Parts = [.. copy.Parts.Select(Anew)] };

        Part Anew(Part part)
        {
            if (part.Noted is not null) return part;
            var was = part.Taught?.ToDictionary(t => t.Figure) ?? [];
            var usual = part with
            {
                Ev = was.GetValueOrDefault(TaughtKind.Ev)?.Usual ?? part.Ev,
                FramesPerMinute = was.ContainsKey(TaughtKind.FramesPerMinute) ? null : part.FramesPerMinute,
                Taught = part.Taught?.Where(t => t.Figure == TaughtKind.Minutes).ToList() is [_, ..] length ? length : null,
            };
            return Of(usual, null, learnt);
        }
    }

    /// <summary>The habits of the lead with the glass that was used in each kind of part for which they name none.</summary>
    public static WorkHabits? Of(WorkHabits? habits, Learnt learnt)
    {
        var used = learnt.Used(LearntKind.Hands).Where(h => habits?.Glass.Any(g => g.Kind == h.PartKind) != true)
            .Select(h => new UsualGlass { Kind = h.PartKind, Lenses = h.Glass }).ToList();
        return used.Count == 0 ? habits : (habits ?? new WorkHabits()) with { Glass = [.. used, .. habits?.Glass ?? []] };
    }

    private static LearntFigure? Find(Learnt learnt, LearntKind what, string kind) => learnt.Used(what).FirstOrDefault(f => f.PartKind == kind);

    /// <summary>Of the same kind of part there, else of one called the same, else of any other that was there: a room has its light whatever happens in
    /// it.</summary>
    private static LearntFigure? Light(Learnt learnt, string place, Part part)
    {
        var there = learnt.Used(LearntKind.Light).Where(l => Learnt.PlaceKey(l.Place!) == Learnt.PlaceKey(place)).ToList();
        return there.Find(l => Learnt.What(l.PartKind, l.Called ?? "") == Learnt.What(part.Kind, part.Label))
            ?? there.Find(l => l.Called is { } called && Learnt.PlaceKey(called) == Learnt.PlaceKey(part.Label)) ?? (there.Count == 1 ? there[0] : null);
    }
}
