using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Use;

namespace YokePair.Core.Power;

/// <summary>What charge is reckoned with, figure by figure.</summary>
internal static class PowerFigures
{
    /// <summary>The figures of everything at work.</summary>
    public static IReadOnlyList<PowerFigure> Of(CameraDay cameras, List<CameraWork> work, List<DeviceWork> running)
    {
        var items = cameras.Kit.Items;
        return
        [
            .. work.GroupBy(w => w.Body).OrderBy(g => g.Key)
                .SelectMany(g => OfBody((Body)items[g.Key], g.Select(w => cameras.Parts[w.Part].UseOf(items[g.Key].Id)))),
            .. running.Select(w => w.Device).Distinct().Order().Select(d => OfDevice(items[d])),
        ];
    }

    /// <summary>What every camera takes in every part.</summary>
    public static IReadOnlyList<PowerUse> UseOf(CameraDay cameras, List<CameraWork> work) =>
    [
        .. work.OrderBy(w => w.Part).ThenBy(w => w.Body).Select(w =>
        {
            var (part, body) = (cameras.Parts[w.Part], cameras.Kit.Items[w.Body].Id);
            var typed = part.Frames is not null || part.UseOf(body)?.Frames is not null;
            return new PowerUse(part.Id, body, (int)Math.Ceiling(w.Frames), typed ? FigureSource.Typed : FigureSource.Usual);
        }),
    ];

    private static IEnumerable<PowerFigure> OfBody(Body body, IEnumerable<PartUse?> uses)
    {
        yield return Of(body, "framesPerCharge", body.FramesPerCharge, Charge.TypicalFramesPerCharge);
        var all = uses.OfType<PartUse>().ToList();
        if (all.Exists(u => u.VideoMinutes > 0)) yield return Of(body, "videoMinutesPerCharge", body.VideoMinutesPerCharge, Charge.TypicalVideoMinutes);
        if (all.Exists(u => u.LiveViewMinutes > 0))
            yield return Of(body, "liveViewMinutesPerCharge", body.LiveViewMinutesPerCharge, Charge.TypicalLiveViewMinutes);
    }

    private static PowerFigure OfDevice(Item item) => item switch
    {
        Flash flash => Of(flash, "fullPops", flash.FullPops, flash.Power is FlashPower.OwnPack ? Charge.TypicalPackPops : Charge.TypicalFullPops),
        Pack pack => Of(pack, "fullPops", pack.FullPops, Charge.TypicalPackPops),
        Trigger trigger => Of(trigger, "runMinutes", trigger.RunMinutes, UsualRun.MinutesOf(trigger)),
        StandLight light => Of(light, "runMinutes", light.RunMinutes, UsualRun.MinutesOf(light)),
        _ => Of(item, "runMinutes", (item as OtherThing)?.RunMinutes, UsualRun.MinutesOf(item)),
    };

    private static PowerFigure Of(Item item, string figure, double? told, double usual) =>
        new(item.Id, figure, told ?? usual, told is null || item.Estimated?.Contains(figure) == true ? FigureSource.Usual : FigureSource.Rated);
}
