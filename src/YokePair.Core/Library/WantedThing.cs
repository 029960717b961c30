using System.Globalization;
using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Library;

/// <summary>A thing one does not own, told by the figures it must have.</summary>
public static class WantedThing
{
    /// <summary>What to ask for, after "borrow, rent or buy".</summary>
    public static string Say(Item item) => item switch
    {
        Lens lens => string.Create(CultureInfo.InvariantCulture,
            $"a {(lens.IsMacro ? "macro" : "lens")} {Figures(lens.Focal, lens.Aperture)}"
                + $"{(lens.IsMacro ? $", magnification {English.Tenths(lens.Magnification)}:1" : "")}, {lens.Mount} mount"),
        Body body => FormattableString.Invariant(
            $"a body, {body.Mount[0]} mount, {body.Megapixels:0.#} MP or more, clean to ISO {English.Iso(body.IsoCeiling)}, battery {body.BatteryType}"),
        Adapter adapter => $"a sound adapter {adapter.LensMount} to {adapter.BodyMount}",
        Flash flash => FormattableString.Invariant($"a flash, guide number {flash.GuideNumber:0.#}"),
        Battery battery => $"a battery {battery.Type}",
        Card card => $"a card {card.Type}",
        _ => $"a {item.Label}",
    };

    /// <summary>What such a thing is called in a plan; its own name where its figures say nothing.</summary>
    public static string? Name(Item item) => item switch
    {
        Lens lens => Figures(lens.Focal, lens.Aperture),
        Body body => FormattableString.Invariant($"body, {body.Mount[0]} mount, {body.Megapixels} MP, clean to ISO {body.IsoCeiling:0}"),
        Adapter adapter => $"adapter {adapter.LensMount} to {adapter.BodyMount}",
        _ => item.Name,
    };

    private static string Figures(Interval focal, Interval aperture) => $"{Range(focal)} f/{Range(aperture)}";

    private static string Range(Interval range) => range.Low == range.High ? English.Tenths(range.Low)
        : $"{English.Tenths(range.Low)}–{English.Tenths(range.High)}";
}
