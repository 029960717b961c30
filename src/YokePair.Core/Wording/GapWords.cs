using YokePair.Core.Basics;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;
using YokePair.Core.Ways;

namespace YokePair.Core.Wording;

/// <summary>Why a need is not met, as one clause.</summary>
internal static class GapWords
{
    public static string Say(Names names, Part part, Need need, GapCause cause)
    {
        var why = Cause(names, part, need, cause);
        return cause.Where is { IsWhole: false } where ? $"{Along(where)}, {why}" : why;
    }

    /// <summary>The kind of cause, without what is true of one need alone: so that what many lack is one line.</summary>
    public static string Lacks(GapCause cause) => cause.Kind switch
    {
        GapKind.Away => "what would do is away that day",
        GapKind.SharedMoment => "they happen together, and there are too few hands for all at once",
        GapKind.RoleTooSlow or GapKind.TooSlow => "the quickest way takes too long",
        GapKind.NoRole => "a thing they ask for cannot be had with all it needs",
        GapKind.Nobody => "nobody who may photograph them is there",
        GapKind.NoSupplies => "no charged battery and clear card are left for a camera that would do",
        GapKind.NoCamera => "no working camera with glass is packed",
        GapKind.OutOfReach => "what would do cannot be reached",
        _ => cause.Fit!.Value.NoFor switch
        {
            Shortfalls.Iso => "nothing you pack is fast enough for the light",
            Shortfalls.Noise => "no silent body would do",
            Shortfalls.FrameRate => "no body gives frames fast enough",
            Shortfalls.TooLong => "nothing is wide enough",
            Shortfalls.LightNotWanted => "the light they ask for cannot be used or had",
            Shortfalls.Support => "no tripod or monopod can be had",
            var lacking when lacking.HasFlag(Shortfalls.Megapixels) && cause.Fit.Value.CloseUp is { Factor: > 1 } => "nothing gets close enough",
            var lacking when lacking.HasFlag(Shortfalls.Megapixels) => "nothing reaches",
            _ => "nothing you pack will do",
        },
    };

    /// <summary>What must be covered, with the stretch that is worst off where one is.</summary>
    public static string AllAlong(Stretch worst) => worst.IsWhole ? "all along" : $"all along; worst off: {Along(worst)}";

    /// <summary>Where along an interval something is so.</summary>
    private static string Along(Stretch where)
    {
        var (low, high) = (English.Whole(where.FocalMm.Low), English.Whole(where.FocalMm.High));
        var far = where.DistanceM;
        if (where.IsLast) return (far is null ? "at " : $"beyond {English.Whole(far.Value.Low)} m, ") + $"{low} mm and more";
        if (where.IsFirst) return (far is null ? "at " : $"up to {English.Whole(far.Value.High)} m, ") + $"{high} mm and less";
        return (far is null ? "at " : $"from {English.Whole(far.Value.Low)} to {English.Whole(far.Value.High)} m, ") + $"{low}–{high} mm";
    }

    private static string Cause(Names names, Part part, Need need, GapCause cause) => cause.Kind switch
    {
        GapKind.Away => English.List([.. cause.Items.Zip(cause.Whys).GroupBy(x => x.Second).Select(g => g.ToList())
            .Select(g => $"{English.List([.. g.Select(x => $"the {names.Item(x.First)}")])} {(g.Count == 1 ? "is" : "are")} {g[0].Second}")]),
        GapKind.SharedMoment =>
            $"it happens together with {English.List([.. cause.Others.Select(n => names.Need(part.Id, n))])}, and there is no way for "
                + $"{(cause.Others.Count == 1 ? "both" : "all")} at once in different hands",
        GapKind.RoleTooSlow => $"the quickest {need.Role}, the {names.Item(cause.Items[0])}, {Slow(cause)}",
        GapKind.NoRole => $"no {need.Role} with all it needs can be had here",
        GapKind.TooSlow => $"the quickest way, {names.Camera(cause.Items[0], cause.Items[1])}, {Slow(cause)}",
        GapKind.Nobody => "nobody who may photograph it is there",
        GapKind.NoSupplies => "no charged battery and clear card are left for a camera that would do",
        GapKind.NoCamera => "no working camera with glass is packed",
        GapKind.OutOfReach => "what would do cannot be reached in this part",
        _ => Nearest(names, part, need, cause),
    };

    private static string Slow(GapCause cause) => $"takes {English.Seconds(cause.Seconds)} and it can wait {English.Seconds(cause.WaitSeconds)}";

    private static string Nearest(Names names, Part part, Need need, GapCause cause)
    {
        var fit = cause.Fit!.Value;
        var camera = names.Camera(cause.Items[0], cause.Items[1]);
        return fit.NoFor switch
        {
            Shortfalls.Iso => $"nothing you pack is fast enough; {camera} comes nearest at ISO {English.Iso(fit.Iso)}, {English.Tenths(fit.StopsOver)} stops "
                + $"over what it delivers",
            Shortfalls.Noise => "no silent body would do",
            Shortfalls.FrameRate =>
                $"no body is fast enough; the {names.Item(cause.Items[0])} gives {English.Tenths(fit.Fps)} frames a second of {English.Tenths(need.Fps)} asked",
            Shortfalls.TooLong => $"nothing is wide enough; {camera} comes nearest, {English.Tenths(fit.Framing.Factor)}× too long",
            Shortfalls.LightNotWanted => Unlit(part, need),
            Shortfalls.Support => $"{camera} would do on a tripod or monopod, and none can be had",
            _ when fit.NoFor.HasFlag(Shortfalls.Megapixels) && fit.CloseUp is { Factor: > 1 } close =>
                $"nothing gets close enough; {camera} comes nearest with a frame {English.Tenths(close.FrameMm)} mm wide",
            _ when fit.NoFor.HasFlag(Shortfalls.Megapixels) =>
                $"nothing reaches; {camera} comes nearest and leaves {English.Tenths(fit.MegapixelsLeft)} megapixels of {English.Tenths(fit.MegapixelsAsked)} "
                    + $"asked",
            _ => $"nothing you pack will do; {camera} comes nearest",
        };
    }

    private static string Unlit(Part part, Need need)
    {
        if (part.Flash == FlashRule.Banned) return "it asks for flash, and flash is banned here";
        if (part.Quiet == QuietRule.Required) return "it asks for flash, and it must be quiet here";
        return need.Light.Contains(LightKind.Stands) && !need.Light.Contains(LightKind.Flash)
            ? $"it asks for {English.Number(need.Stands?.Count ?? 1)} {(need.Stands?.Count > 1 ? "lights" : "light")} in the room, and no whole chain of "
                + $"sender, receiver, power and stand is strong enough"
            : "it asks for flash, and none can be used";
    }
}
