using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Ways;

namespace YokePair.Core.Tests;

/// <summary>Figures of light, depth, framing and frames, as tables worked out by hand.</summary>
public sealed class LightFigures
{
    [Theory]
    [InlineData(2.8, 1.0 / 200, 4900, 5)]
    [InlineData(16, 1.0 / 125, 100, 14.97)]
    [InlineData(1, 1, 100, 0)]
    [InlineData(2, 1, 400, 0)]
    public void Light_follows_from_a_noted_exposure(double f, double t, double iso, double ev) => Assert.Equal(ev, Exposure.Ev(f, t, iso), 0.01);

    [Theory]
    // Flash at 1.6 m, ceiling 1.6 m: straight. Ceiling 3.6 m, 3 m away: 3-4-5 on each side.
    [InlineData(4, 1.6, 4)]
    [InlineData(3, 3.6, 5)]
    [InlineData(0, 3.6, 4)]
    public void A_bounced_path_is_mirrored_in_the_ceiling(double distance, double ceiling, double path) =>
        Assert.Equal(path, OnCameraFlash.BouncedPathM(distance, ceiling), 1e-9);

    [Theory]
    // 2.5 lux are EV 0; as much again is one stop; twice the distance two stops less.
    [InlineData(-20, 2.5, 1, 0, 0)]
    [InlineData(5, 80, 1, 0, 6)]
    [InlineData(-20, 640, 2, 0, 6)]
    [InlineData(-20, 640, 2, 3, 3)]
    public void A_lamp_adds_to_the_light_there_is(double part, double lux, double metres, double loss, double ev) =>
        Assert.Equal(ev, ContinuousLight.Ev(part, lux, metres, loss), 0.001);

    [Theory]
    [InlineData(85, 2.95, 3.05, 1)]
    [InlineData(50, 3.75, 7.49, 1)]
    [InlineData(35, 2, 4, 1.5)]
    [InlineData(200, 12, 14, 1)]
    public void The_f_number_solved_for_a_depth_gives_that_depth(double focal, double near, double far, double crop)
    {
        var n = DepthOfField.FNumberFor(focal, near, far, crop);
        var sharp = DepthOfField.Sharp(focal, n, 2 * near * far / (near + far), crop);
        Assert.Equal((near, far), (sharp.NearM, sharp.FarM), (a, b) => Math.Abs(a.Item1 - b.Item1) < 1e-6 && Math.Abs(a.Item2 - b.Item2) < 1e-6);
    }

    [Theory]
    [InlineData(85, 2.95, 3.05, 1.4)]
    [InlineData(50, 3.75, 7.49, 5.6)]
    public void And_it_is_the_one_of_the_worked_figures(double focal, double near, double far, double f) =>
        Assert.Equal(f, DepthOfField.FNumberFor(focal, near, far, 1), 0.06);

    [Theory]
    [InlineData(36, 45, 8.2)]
    [InlineData(36, 24, 11.2)]
    [InlineData(23.5, 24, 7.3)]
    public void Diffraction_begins_earlier_on_smaller_pixels(double width, double megapixels, double f) =>
        Assert.Equal(f, DepthOfField.DiffractionFNumber(width, megapixels), 0.1);

    [Theory]
    [InlineData(60, 40, 240, 21.4)]
    [InlineData(30, 30, 300, 12.6)]
    public void A_print_asks_its_megapixels(double width, double height, double dpi, double megapixels) =>
        Assert.Equal(megapixels, new PrintSize { WidthCm = width, HeightCm = height, Dpi = dpi }.Megapixels, 0.1);

    [Theory]
    // n people in r rows: 0.6 m a shoulder and half a metre of air; 2.2 m and 0.35 m a row.
    [InlineData(12, 2, 4.1, 2.55)]
    [InlineData(22, 3, 5.3, 2.9)]
    [InlineData(1, 1, 1.1, 2.2)]
    public void A_group_is_as_wide_as_its_longest_row(int people, int rows, double width, double height)
    {
        var frame = Phrases.GroupFrame(people, rows, 4, 6);
        Assert.Equal((width, height), (frame.WidthM!.Value, frame.HeightM!.Value), (a, b) => Math.Abs(a.Item1 - b.Item1) < 1e-9
            && Math.Abs(a.Item2 - b.Item2) < 1e-9);
    }

    [Fact]
    public void A_line_to_stay_behind_lengthens_the_lens()
    {
        var need = new Need { Id = "n", ShutterSeconds = 1, Framing = Phrases.Frame(Subject.FullLength, 3, 14) };
        Assert.Equal(3 * 24 / 2.2, need.FocalMm(new Part { Id = "p", Ev = 5 })!.Value.Low, 1e-9);
        Assert.Equal(10 * 24 / 2.2, need.FocalMm(new Part { Id = "p", Ev = 5, StayBehindM = 10 })!.Value.Low, 1e-9);
        Assert.Equal(153, need.FocalMm(new Part { Id = "p", Ev = 5, StayBehindM = 10 })!.Value.High, 0.5);
    }

    public static TheoryData<Importance, double?, double?, double?, double> Waits => new()
    {
        { Importance.Once, null, null, null, 15 },
        { Importance.Once, null, 8, null, 8 },
        { Importance.Once, null, 40, null, 15 },
        { Importance.Once, null, 180, null, 60 },
        { Importance.Once, null, 300, null, 100 },
        { Importance.Once, null, 3, null, 3 },
        { Importance.Once, null, 3600, null, 300 },
        { Importance.Nice, null, 60, null, 60 },
        { Importance.Once, null, 8, 30, 38 },
        { Importance.Must, null, 20, null, 20 },
        { Importance.Nice, null, null, null, double.PositiveInfinity },
        { Importance.Once, 90, 8, 30, 90 },
    };

    [Theory]
    [MemberData(nameof(Waits))]
    public void How_long_a_need_can_wait(Importance importance, double? typed, double? lasts, double? warning, double seconds) =>
        Assert.Equal(seconds, new Need
        {
            Id = "n",
            ShutterSeconds = 1,
            Importance = importance,
            ToleranceSeconds = typed,
            MomentSeconds = lasts,
            WarningSeconds = warning
        }.ToleranceSeconds(new Rules()));

    [Theory]
    [InlineData("ceremony", 40, 120, 240, 360)]
    [InlineData("play", 50, 625, 1250, 1875)]
    [InlineData("break", 30, 0, 0, 0)]
    [InlineData(null, 10, 15, 30, 45)]
    public void Frames_follow_from_kind_and_length(string? kind, int minutes, int low, int likely, int high)
    {
        var part = new Part
        {
            Id = "p",
            Ev = 5,
            Kind = kind,
            Start = new DateTime(2027, 6, 12, 14, 0, 0),
            End = new DateTime(2027, 6, 12, 14, 0, 0)
            .AddMinutes(minutes)
        };
        Assert.Equal(new FrameCount { Low = low, Likely = likely, High = high }, FrameEstimate.Of(new Plan { Format = Plan.FormatName, Version = 1 }, part));
        var typed = new FrameCount { Low = 1, Likely = 2, High = 3 };
        Assert.Equal(typed, FrameEstimate.Of(new Plan { Format = Plan.FormatName, Version = 1 }, part with { Frames = typed }));
    }

    [Theory]
    // Clocks in Vienna: forward on 2027-03-28 at 2:00, back on 2027-10-31 at 3:00.
    [InlineData("2027-06-12T22:00", "2027-06-13T02:00", 4)]
    [InlineData("2027-03-27T22:00", "2027-03-28T04:00", 5)]
    [InlineData("2027-10-30T22:00", "2027-10-31T04:00", 7)]
    public void A_night_on_which_clocks_change_is_as_long_as_it_is(string start, string end, double hours)
    {
        var part = new Part
        {
            Id = "p",
            Ev = 5,
            Start = DateTime.Parse(start, System.Globalization.CultureInfo.InvariantCulture),
            End = DateTime.Parse(end, System.Globalization.CultureInfo.InvariantCulture)
        };
        var plan = new Plan { Format = Plan.FormatName, Version = 1, Assignment = new Assignment { TimeZone = "Europe/Vienna" }, Parts = [part] };
        Assert.Equal(hours, Clock.Length(plan, part).TotalHours);
        Assert.Equal((int)(hours * 180), new DayAnalysis(plan).Report().Frames[0].Count.Likely);
    }
}
