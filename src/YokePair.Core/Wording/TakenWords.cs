using YokePair.Core.Basics;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Taken;

namespace YokePair.Core.Wording;

/// <summary>What a day used and what assignments teach, in words.</summary>
public static class TakenWords
{
    /// <summary>What was carried and what of it took the pictures.</summary>
    /// <param name="day">What the day used.</param>
    /// <param name="items">What was along.</param>
    public static IReadOnlyList<TextPiece> Headline(TakenDay day, IReadOnlyList<Item> items)
    {
        var gear = items.Where(i => day.Carried.Contains(i.Id)).ToList();
        var hands = day.Parts.SelectMany(p => p.Hands).ToList();
        var pictures = day.Kept is null ? "pictures" : "delivered pictures";
        if (hands.Count == 0 || (day.Kept ?? day.Frames) == 0) return [new(
            $"None of the {pictures} belongs to a part of this day: look at its date and the cameras' clocks.")];
        var busy = gear.Where(i => day.Share(Taken(i.Id), Kept(i.Id)) >= StayAtHome.Hardly).ToList();
        var worked = busy.Select(i => i.Id).ToHashSet(StringComparer.Ordinal);
        var rest = hands.Where(h => (h.Body is { } b && !worked.Contains(b)) || (h.Glass is { } g && !worked.Contains(g)))
            .Sum(h => day.Counted(h.Taken, h.Kept));
        var took = rest == 0 ? "all" : $"all but {English.Number(rest)}";
        return [new("You carried "), Weight(gear), new(" of cameras and glass; "), Weight(busy), new($" took {took} of the {pictures}.")];

        int Taken(string id) => day.Bodies.Where(b => b.Body == id).Sum(b => b.Taken) + day.Glass.Where(g => g.Glass == id).Sum(g => g.Taken);
        int Kept(string id) => day.Bodies.Where(b => b.Body == id).Sum(b => b.Kept) + day.Glass.Where(g => g.Glass == id).Sum(g => g.Kept);
    }

    /// <summary>What of the rest is there for safety alone; empty where nothing is.</summary>
    public static IReadOnlyList<TextPiece> Spares(IReadOnlyList<SeldomUsed> seldom)
    {
        var (spare, idle) = (seldom.Count(s => !s.MayStay), seldom.Where(s => s.MayStay).ToList());
        List<TextPiece> said = [];
        if (spare > 0) said.Add(new(spare == 1 ? " One of the rest is your only backup."
            : $" {English.Capital(English.Number(spare))} of the rest are your only backups."));
        if (idle.Count > 0) said.AddRange([new($" {English.Capital(English.Count(idle.Count, "thing", "things"))} ("), new("", Grams: idle.Sum(i => i.Grams)),
            new(") could have stayed at home.")]);
        return said;
    }

    /// <summary>How long the longest burst was, against the buffer; null where there was none to speak of.</summary>
    public static string? Burst(BodyUse use, string name) => use.Burst < 5 ? null
        : $"{name}: {use.Burst} pictures in {English.Tenths(Math.Max(0.1, use.BurstSeconds))} s" + (use.BufferFrames switch
        {
            null => "",
            var fits when use.Burst > fits => $", more than the {English.Whole(Math.Floor(fits.Value))} its buffer takes: it waited for the card",
            var fits => $"; its buffer takes {English.Whole(Math.Floor(fits!.Value))}",
        });

    /// <summary>A zoom that was at one end too often; null where it was not, hardly used, or something along reaches beyond.</summary>
    public static string? AtAnEnd(GlassUse use, Lens lens, IReadOnlyList<Lens>? along = null) => use switch
    {
        { Taken: < Lacking.FewestFrames } => null,
        { AtLong: > Lacking.OftenAtTheEnd and var far } when along?.Any(l => l.Focal.High > lens.Focal.High * 1.1) != true =>
            $"{Percent(far)} at {English.Tenths(lens.Focal.High)} mm, its long end: what lies beyond is what you lack",
        { AtWide: > Lacking.OftenAtTheEnd and var near } when along?.Any(l => l.Focal.Low < lens.Focal.Low / 1.1) != true =>
            $"{Percent(near)} at {English.Tenths(lens.Focal.Low)} mm, its short end: what lies beyond is what you lack",
        _ => null,
    };

    /// <summary>A figure that was learnt.</summary>
    /// <param name="figure">The figure.</param>
    /// <param name="name">What things are called.</param>
    /// <param name="kind">What kinds of part are called.</param>
    public static string Of(LearntFigure figure, Func<string, string> name, Func<string, string> kind) => figure.Kind switch
    {
        LearntKind.Light =>
            $"{English.Capital(figure.Place!)}, {English.Lower(figure.PartKind is { } k ? kind(k) : figure.Called!)}: EV {English.Tenths(figure.Value)}",
        LearntKind.Length => $"{kind(figure.PartKind!)}: {English.Whole(figure.Value)} min",
        LearntKind.FramesPerMinute => $"{kind(figure.PartKind!)}: {English.Tenths(figure.Value)} pictures a minute",
        LearntKind.Distance => $"{kind(figure.PartKind!)}: people {English.Tenths(figure.Value)} to {English.Tenths(figure.To ?? figure.Value)} m away",
        LearntKind.Hands => $"{kind(figure.PartKind!)}: {English.List([.. figure.Glass.Select(name)])}",
        LearntKind.FramesPerCharge => $"{name(figure.Thing!)}: {English.Whole(figure.Value)} pictures a charge",
        LearntKind.Health => $"{name(figure.Thing!)}: gives {Percent(figure.Value)} of a new one",
        _ => $"{name(figure.Thing!)}: you deliver up to ISO {English.Iso(figure.Value)}",
    };

    /// <summary>Something that was lacking.</summary>
    public static string Of(Lack lack, Func<string, string> name) => lack.Kind switch
    {
        LackKind.Longer => $"A lens that reaches {English.Whole(lack.FocalMm!.Value)} mm: the {name(lack.Glass)} was at its long end, or cropped, in "
            + $"{English.Number(lack.Frames)} pictures"
            + $" ({Percent(lack.Share)} of its own){Assignments(lack)}.",
        LackKind.Wider => $"A lens of {English.Whole(lack.FocalMm!.Value)} mm: the {name(lack.Glass)} was at its short end in {English.Number(lack.Frames)} "
            + $"pictures ({Percent(lack.Share)} of its own){Assignments(lack)}.",
        _ => $"More light{Instead(lack, name)} the {name(lack.Glass)}: "
            + $"{English.Number(lack.Frames)} of its pictures "
            + $"({Percent(lack.Share)}) went over the ISO you deliver{Assignments(lack)}.",
    };

    /// <summary>What one owns goes before what one would have to buy.</summary>
    private static string Instead(Lack lack, Func<string, string> name) => lack switch
    {
        { Own: [_, ..] own } => $", or the {English.Either([.. own.Select(name)])} you own in place of",
        { FNumber: { } wider } => $", or f/{English.Tenths(wider)} in place of",
        _ => " for",
    };

    /// <summary>A kind of part that began late.</summary>
    public static string Of(LateKind late)
    {
        var assignments = late.Assignments == 1 ? "" : $" in {English.Number(late.Assignments)} assignments";
        var after = late.After is { } before ? $"; {English.Lower(before)} before it takes more than it is given" : "";
        return $"Time: {English.Lower(late.Name)} began {English.Whole(late.Minutes)} min late{assignments}{after}.";
    }

    /// <summary>Something that hardly came out, and what to do with it on the plan at hand.</summary>
    public static IReadOnlyList<TextPiece> Of(SeldomUsed seldom)
    {
        var took = $"took {(seldom.Taken == 0 ? "none" : English.Number(seldom.Taken))} of {seldom.Of} pictures in {Times(seldom.Assignments)}";
        return seldom.MayStay
            ? [new($"Leave it? The {seldom.Name} {took}, and nothing here gets worse without it ("), new("", Grams: seldom.Grams), new(").")]
            : [new($"Keep the {seldom.Name}: {(seldom.IsSpare ? "the spare of another that may stay at home" : Why(seldom))}, though it {took}.")];
    }

    private static string Why(SeldomUsed seldom) => string.Join(", ", new[] { ("alone", seldom.AloneFor), ("a backup", seldom.BackupFor) }
        .Where(w => w.Item2.Count > 0).Select(w => $"{w.Item1} for {English.List(English.Few(w.Item2, 3))}"));

    /// <summary>Whose clock is wrong, by what.</summary>
    public static string Of(ClockDifference clock, string camera, string other) =>
        $"The clock of {camera} is {English.Seconds(Math.Abs(clock.Seconds))} {(clock.Seconds > 0 ? "ahead of" : "behind")} {other}, by "
            + $"{English.Count(clock.Moments, "moment", "moments")} both took.";

    private static string Assignments(Lack lack) => lack.Assignments == 1 ? "" : $", over {English.Number(lack.Assignments)} assignments";

    private static string Times(int assignments) => assignments == 1 ? "this assignment" : $"{English.Number(assignments)} assignments";

    private static string Percent(double share) => $"{English.Whole(Math.Round(share * 100))} %";

    private static TextPiece Weight(List<Item> items) => new("", Grams: items.Sum(i => i.WeightG ?? UsualWeights.Of(i)));
}
