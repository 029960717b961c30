using YokePair.Core.Basics;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Tests;

/// <summary>The worked figures that photographers can check with a pocket calculator.</summary>
public sealed class Figures
{
    [Theory]
    [InlineData(14, 2.2, null, false, 153)]
    [InlineData(14, 2.2, null, true, 229)]
    [InlineData(10, null, 3.6, false, 100)]
    [InlineData(10, 2.0, 3.6, false, 100)]
    [InlineData(10, 4.0, 3.6, false, 60)]
    public void Focal_length_for_a_distance_and_a_frame(double distance, double? height, double? width, bool upright, double expected) =>
        Assert.Equal(expected, Math.Round(Framing.EquivalentMm(distance, height, width, upright)));

    [Theory]
    [InlineData(24, 70, 50, 85, FramingCase.Overlaps, Quality.Full, 1, 50)]
    [InlineData(70, 200, 50, 85, FramingCase.Overlaps, Quality.Full, 1, 70)]
    [InlineData(24, 70, 80.5, 100, FramingCase.TooShort, Quality.Full, 1.15, 70)]
    [InlineData(24, 70, 81, 100, FramingCase.TooShort, Quality.SecondBest, 1.157, 70)]
    [InlineData(57.5, 70, 35, 50, FramingCase.TooLong, Quality.Full, 1.15, 57.5)]
    [InlineData(100, 100, 35, 50, FramingCase.TooLong, Quality.SecondBest, 2, 100)]
    [InlineData(126, 200, 35, 50, FramingCase.TooLong, Quality.No, 2.52, 126)]
    public void Framing_of_a_static_subject(double low, double high, double a, double b, FramingCase expectedCase, Quality quality, double factor, double used)
    {
        var fit = Framing.Fit(new Interval(low, high), new Interval(a, b), isStatic: true, stitchLimit: 2.5);
        Assert.Equal((expectedCase, quality, used), (fit.Case, fit.Quality, fit.EquivalentUsedMm));
        Assert.Equal(factor, fit.Factor, 3);
    }

    [Fact]
    public void A_moving_subject_cannot_be_stitched() =>
        Assert.Equal(Quality.No, Framing.Fit(new Interval(100, 100), new Interval(35, 50), isStatic: false, stitchLimit: 2.5).Quality);

    [Fact]
    public void A_tube_of_16_mm_on_a_56_mm_lens()
    {
        var magnification = CloseUp.LargestMagnification(0.09, 1, 16, 56);
        Assert.Equal(0.376, magnification, 3);
        Assert.Equal(62.5, CloseUp.FrameMm(23.5, magnification), 1);
        Assert.Equal(Quality.No, CloseUp.Fit(90, 23.5, magnification, 56, 16).Quality);
        Assert.Equal(Quality.Full, CloseUp.Fit(80, 23.5, magnification, 56, 16).Quality);
        Assert.Equal(Quality.SecondBest, CloseUp.Fit(50, 23.5, magnification, 56, 16).Quality);
    }

    [Theory]
    [InlineData(85, 1.4, 3, 2.95, 3.05)]
    [InlineData(50, 5.6, 5, 3.75, 7.49)]
    public void Depth_of_field(double focal, double f, double distance, double near, double far)
    {
        var sharp = DepthOfField.Sharp(focal, f, distance, crop: 1);
        Assert.Equal(near, sharp.NearM, 2);
        Assert.Equal(far, sharp.FarM, 2);
    }

    [Fact]
    public void From_the_hyperfocal_distance_on_depth_has_no_end() =>
        Assert.Equal(double.PositiveInfinity, DepthOfField.Sharp(24, 8, DepthOfField.HyperfocalMm(24, 8, 1) / 1000, 1).FarM);

    [Theory]
    [InlineData(2.8, 4900)]
    [InlineData(1.4, 1225)]
    [InlineData(4, 10_000)]
    public void Iso_in_an_evening_hall_at_a_two_hundredth(double f, double iso) => Assert.Equal(iso, Exposure.Iso(f, 1.0 / 200, 5), 6);

    [Theory]
    [InlineData(6400, Quality.Full)]
    [InlineData(6401, Quality.SecondBest)]
    [InlineData(12800, Quality.SecondBest)]
    [InlineData(12801, Quality.No)]
    public void Iso_against_a_ceiling_of_6400(double iso, Quality expected) => Assert.Equal(expected, Exposure.Judge(Exposure.StopsOver(iso, 6400)));

    [Theory]
    [InlineData(1.0 / 60, 85, 1, 0, 1.0 / 85)]
    [InlineData(1.0 / 60, 85, 1.5, 0, 1.0 / 127.5)]
    [InlineData(1.0 / 60, 85, 1, 2, 1.0 / 60)]
    public void Hand_held_shutter(double motion, double focal, double crop, double stops, double expected) =>
        Assert.Equal(expected, Exposure.HandHeldShutterSeconds(motion, focal, crop, stops), 12);

    [Theory]
    [InlineData(5.6, 7, 2, 36, 800, 0.593)]
    [InlineData(4, 5, 2, 36, 1600, 0.077)]
    public void Flash_power(double f, double path, double loss, double guide, double iso, double expected) =>
        Assert.Equal(expected, OnCameraFlash.PowerFraction(f, path, loss, guide, iso), 3);

    [Theory]
    [InlineData(24, 2.8)]
    [InlineData(105, 5.6)]
    [InlineData(50.2, 3.96)]
    public void Widest_aperture_of_a_variable_zoom(double focal, double expected) =>
        Assert.Equal(expected, Aperture.WidestAt(new Interval(24, 105), new Interval(2.8, 5.6), focal), 2);

    [Fact]
    public void A_burst_of_raw_to_both_slots()
    {
        var burst = Burst.Length(10, 1600, 48, [new SlotWrite(48, 90), new SlotWrite(48, 90)]);
        Assert.Equal(4.1, burst.SecondsUntilFull, 1);
        Assert.Equal(41, burst.Frames);
        Assert.Equal(17.8, burst.SecondsToClear, 1);
    }

    [Fact]
    public void A_burst_of_raw_and_jpeg() =>
        Assert.Equal(13.3, Burst.Length(10, 1600, 48, [new SlotWrite(48, 400), new SlotWrite(12, 90)]).SecondsUntilFull, 1);

    [Fact]
    public void A_burst_that_the_cards_keep_up_with_has_no_end() =>
        Assert.Equal(double.PositiveInfinity, Burst.Length(5, 1600, 48, [new SlotWrite(48, 400)]).SecondsUntilFull);

    [Theory]
    [InlineData(4, 80, 3, 16000)]
    [InlineData(1.4, 125, 2.3, 4975)]
    [InlineData(4.576, 60, 5, 3926)]
    public void Iso_in_the_dark_and_of_place_cards(double f, double part, double ev, double iso) => Assert.Equal(iso, Exposure.Iso(f, 1 / part, ev), 0);

    [Theory]
    [InlineData(5, 70.6)]
    [InlineData(2.5, 35.3)]
    public void A_speaker_s_face_may_be_as_tall_as_to_the_knee(double near, double expected) =>
        Assert.Equal(expected, Math.Round(Library.Phrases.Need("face", Importance.Once, Library.Subject.Face, near, 10, Motion.Talking)
            .AcceptMm(Field)!.Value.Low, 1));

    [Fact]
    public void Play_at_15_to_45_m_is_four_bands()
    {
        var bands = Play(accept: null).Bands(Field);
        Assert.Equal([163.6, 215.4, 283.4, 373], bands.Select(b => Math.Round(b.Focal!.Value.Low, 1)));
        Assert.Equal(490.9, Math.Round(bands[^1].Focal!.Value.High, 1));
    }

    [Fact]
    public void A_long_zoom_covers_two_of_them_and_leaves_the_last()
    {
        double[] left = [.. Play(accept: null).Bands(Field).Select(b => NeedFit.Ambient(new Rules(), Field, b, Glass(20, new Interval(70, 200), 2.8))
            .MegapixelsLeft)];
        Quality[] zoom = [.. Play(accept: null).Bands(Field).Select(b => NeedFit.AmbientQuality(new Rules(), Field, b, Glass(20, new Interval(70, 200), 2.8)))];
        Assert.Equal([Quality.Full, Quality.Full, Quality.SecondBest, Quality.No], zoom);
        Assert.Equal([10.0, 5.7], left[2..].Select(mp => Math.Round(mp, 1)));
        Assert.Equal(Quality.SecondBest, NeedFit.AmbientQuality(new Rules(), Field, Play(accept: null).Bands(Field)[3],
            Glass(20, new Interval(300, 300), 2.8)));
    }

    [Fact]
    public void Each_band_accepts_its_own_share() =>
        Assert.Equal(new Interval(109, 982), Ends(Play(new Interval(109, 982)).Bands(Field)));

    [Theory]
    [InlineData(50, Quality.SecondBest)]
    [InlineData(35, Quality.No)]
    [InlineData(135, Quality.Full)]
    public void A_kiss_from_wider_is_still_the_kiss(double mm, Quality quality)
    {
        var kiss = new Need
        {
            Id = "kiss",
            ShutterSeconds = 1.0 / 125,
            Framing = new SubjectFrame { DistanceM = new Interval(6, 12), HeightM = 1.1, TallestM = 3.3 }
        };
        Assert.Equal(44, Math.Round(kiss.AcceptMm(Field)!.Value.Low));
        Assert.Equal(quality, NeedFit.AmbientQuality(new Rules(), Field, kiss, Glass(24, new Interval(mm, mm), 1.8)));
    }

    [Theory]
    [InlineData(8, Quality.No)]
    [InlineData(4, Quality.SecondBest)]
    public void A_ring_within_120_mm_is_cropped_from_there(double asked, Quality quality)
    {
        var ring = new Need { Id = "ring", ShutterSeconds = 1.0 / 125, CloseWidthMm = 40, CloseWidthMaxMm = 120, MinMegapixels = asked };
        var fit = NeedFit.Ambient(new Rules(), Field, ring, Glass(45, new Interval(85, 85), 1.8, 0.12));
        Assert.Equal((300, 2.5, 7.2, quality), (Math.Round(fit.CloseUp!.Value.FrameMm), fit.CloseUp!.Value.Factor, Math.Round(fit.MegapixelsLeft, 1),
            fit.Quality));
    }

    private static readonly Part Field = new() { Id = "play", Ev = 14 };

    private static Interval Ends(IReadOnlyList<Need> bands) => new(Math.Round(bands[0].Accept!.Value.Low), Math.Round(bands[^1].Accept!.Value.High));

    private static Need Play(Interval? accept) => new()
    {
        Id = "action",
        ShutterSeconds = 1.0 / 800,
        Covers = Covers.All,
        Accept = accept,
        Framing = new SubjectFrame { DistanceM = new Interval(15, 45), HeightM = 2.2 },
    };

    private static GlassOnBody Glass(double megapixels, Interval focal, double fNumber, double magnification = 0.1) => new(
        new Body
        {
            Id = "b",
            Mount = ["K"],
            Megapixels = megapixels,
            IsoCeiling = 12800,
            Slots = [new() { Type = "SD" }, new() { Type = "SD" }],
            BatteryType = "LB"
        },
        new Lens { Id = "l", Mount = "K", Focal = focal, Aperture = new Interval(fNumber, fNumber), Magnification = magnification }, null, null, null);
}
