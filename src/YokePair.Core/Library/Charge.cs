using YokePair.Core.Plans;

namespace YokePair.Core.Library;

/// <summary>How many frames batteries and cards hold.</summary>
public static class Charge
{
    /// <summary>Frames per charge of a body nobody has measured.</summary>
    public const double TypicalFramesPerCharge = 800;

    /// <summary>Minutes of video, and of live view, per charge of a body nobody has measured.</summary>
    public const double TypicalVideoMinutes = 100, TypicalLiveViewMinutes = 180;

    /// <summary>Batteries a charger nobody has told of takes at once, and hours it takes for a full charge.</summary>
    public const double TypicalBays = 1, TypicalHours = 2.5;

    /// <summary>The same of a charger for cells.</summary>
    public const double TypicalCellBays = 4, TypicalCellHours = 5;

    /// <summary>Energy of a power bank and of a camera's battery nobody has told of, Wh; share of a bank's that arrives in a battery.</summary>
    public const double TypicalBankWattHours = 37, TypicalBatteryWattHours = 14, ArrivingShare = 0.8;

    /// <summary>
    /// Pops at full power of a set of cells in a flash nobody has measured, and of a charge of a pack; cells of a set; least share of full
    /// power a flash gives.
    /// </summary>
    public const double TypicalFullPops = 180, TypicalPackPops = 450, TypicalCells = 4, LeastPower = 1.0 / 256;

    /// <summary>JPEG as a share of the raw file, and GB a minute of video, of a body nobody has measured; MB a second of a drive or reader.</summary>
    public const double TypicalJpegShare = 1.0 / 3, TypicalVideoGigabytes = 0.75, TypicalCopyRate = 70;

    /// <summary>MB a second that arrive by cable, and by radio, where nobody has measured it.</summary>
    public const double TypicalCableRate = 40, TypicalRadioRate = 2;

    /// <summary>Share of a card's printed size that can be used, and of that the share that is not kept back.</summary>
    public const double UsableShare = 0.95, UnreservedShare = 0.95;

    private static readonly (double Celsius, double Share)[] Cold = [(-20, 0.5), (-10, 0.65), (0, 0.8), (20, 1)];

    /// <summary>Raw file of a body nobody has measured, MB: compressed without loss it takes a little over a byte a pixel.</summary>
    public static double TypicalRawMegabytes(double megapixels) => Math.Round(megapixels * 1.07);

    /// <summary>Share of its charge that a lithium battery gives in the cold: 1 from 20 °C, 0.8 at 0, 0.65 at −10, 0.5 at −20 and below, in straight lines
    /// between.</summary>
    /// <param name="celsius">Temperature, °C; null = not cold.</param>
    public static double InTheCold(double? celsius)
    {
        if (celsius is not { } at || at >= Cold[^1].Celsius) return 1;
        if (at <= Cold[0].Celsius) return Cold[0].Share;
        var above = Array.FindIndex(Cold, c => c.Celsius > at);
        var (low, high) = (Cold[above - 1], Cold[above]);
        return low.Share + (high.Share - low.Share) * (at - low.Celsius) / (high.Celsius - low.Celsius);
    }

    /// <summary>Frames a body takes on a new battery, warm.</summary>
    public static double FramesOf(Body body) => body.FramesPerCharge ?? TypicalFramesPerCharge;

    /// <summary>What minutes of video and of live view cost a body, in frames, warm.</summary>
    public static double FramesOf(Body body, PartUse? use) => use is null ? 0 : FramesOf(body) * (
        ((use.VideoMinutes ?? 0) / (body.VideoMinutesPerCharge ?? TypicalVideoMinutes))
        + ((use.LiveViewMinutes ?? 0) / (body.LiveViewMinutesPerCharge ?? TypicalLiveViewMinutes)));

    /// <summary>Frames a charged battery gives in a body, warm.</summary>
    public static double Frames(Body body, Battery battery) => FramesOf(body) * (battery.Health ?? 1);

    /// <summary>Frames that fit on a card with what is kept back of it left free; infinite where its size is not known.</summary>
    /// <param name="body">The body.</param>
    /// <param name="card">The card.</param>
    /// <param name="jpeg">Whether it takes the JPEG of every frame instead of the raw file.</param>
    public static double Frames(Body body, Card card, bool jpeg = false) =>
        card.Gigabytes is { } size ? FramesOn(size, FrameMegabytes(body, jpeg)) : double.PositiveInfinity;

    /// <summary>Raw file, or JPEG, of a frame, MB: as measured, else as is usual.</summary>
    public static double FrameMegabytes(Body body, bool jpeg = false)
    {
        var raw = body.RawMegabytes ?? TypicalRawMegabytes(body.Megapixels);
        return jpeg ? body.JpegMegabytes ?? Math.Round(raw * TypicalJpegShare, 1) : raw;
    }

    /// <summary>What minutes of video take of a card, in frames.</summary>
    public static double FramesOfVideo(Body body, PartUse? use, bool jpeg) =>
        (use?.VideoMinutes ?? 0) * (body.VideoGigabytesPerMinute ?? TypicalVideoGigabytes) * 1000 / FrameMegabytes(body, jpeg);

    /// <summary>Frames on a card after the reserve: printed size × 0.95 × 0.95 ÷ frame size.</summary>
    public static double FramesOn(double gigabytes, double frameMegabytes) => Math.Floor(gigabytes * 1000 * UsableShare * UnreservedShare / frameMegabytes);
}
