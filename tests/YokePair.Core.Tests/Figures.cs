using YokePair.Core.Basics;
using YokePair.Core.Optics;

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
}
