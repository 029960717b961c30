using YokePair.Core.Plans;
using YokePair.Core.Taken;
using YokePair.Core.Wording;

namespace YokePair.Core.Tests;

/// <summary>Pictures at an end of a zoom, outside every part, of a camera that is no longer owned: one case each.</summary>
public sealed class CasesOfTaken
{
    private static readonly DateTime Noon = new(2027, 6, 12, 12, 0, 0);

    private static readonly Body Camera = TakenDays.Camera("b1", "Halm 45", "H-1");

    private static readonly Lens Zoom = TakenDays.Glass("z", 50, 200, 2.8);

    private static readonly Part Part = TakenDays.Part("p", Noon, 60);

    private static PictureTold Shot(int n, double focal) => new(
        $"P{n:0000}.RAW", Noon.AddMinutes(n), "Halm 45", "H-1", null, null, new(50, 200), 2.8, focal, 2.8, 1.0 / 200, 800, false, 6000);

    [Fact]
    public void A_zoom_is_at_an_end_within_a_fiftieth_of_it()
    {
        var glass = TakenDays.Day([Camera, Zoom], Part, new[] { 51.0, 51.1, 195.9, 196 }.Select((mm, n) => Shot(n, mm))).Glass[0];
        Assert.Equal((0.25, 0.25), (glass.AtWide, glass.AtLong));
    }

    [Fact]
    public void Pictures_outside_every_part_are_of_no_minutes()
    {
        var day = TakenDays.Day([Camera, Zoom], Part, Enumerable.Range(3000, 5).Select(n => Shot(n, 100)));
        Assert.Equal((5, 0.0), (day.Outside, day.Bodies[0].PerMinute));
    }

    [Theory]
    [InlineData(0, 0, "")]
    [InlineData(1, 0, " One of the rest is your only backup.")]
    [InlineData(2, 0, " Two of the rest are your only backups.")]
    [InlineData(0, 1, " One thing () could have stayed at home.")]
    [InlineData(1, 2, " One of the rest is your only backup. Two things () could have stayed at home.")]
    public void Spares_are_told_before_what_may_stay(int spares, int idle, string said)
    {
        SeldomUsed Thing(bool spare) => new("x", "X", 100, 0, 10, 5, spare ? ["Kiss"] : []);
        Assert.Equal(said, string.Concat(TakenWords.Spares([.. Enumerable.Repeat(Thing(spare: true), spares), .. Enumerable.Repeat(Thing(spare: false), idle)])
            .Select(t => t.Text)));
    }

    [Fact]
    public void What_was_said_to_be_a_thing_that_is_gone_is_none()
    {
        var roll = TakenRoll.Of([Shot(1, 100)]);
        string? Is(string said) => Recognition.Of(roll, [Camera, Zoom], [], new Dictionary<string, string> { [roll.Seen[0].Key] = said }).Things[0];
        Assert.Equal("b1", Is("b1"));
        Assert.Null(Is("sold"));
        Assert.Null(Is(""));
    }

    [Fact]
    public void A_picture_that_tells_no_ISO_is_of_no_step()
    {
        var body = TakenDays.Day([Camera, Zoom], Part, [Shot(1, 100), Shot(2, 100) with { Iso = 0 }, Shot(3, 100) with { Iso = null }]).Bodies[0];
        Assert.Equal([1], body.IsoKept.Values);
        Assert.Equal([1], body.IsoTaken!.Values);
    }

    /// <summary>Moments far enough apart that by chance none falls on another.</summary>
    [Theory]
    [InlineData(10, null)]
    [InlineData(11, -40.0)]
    public void More_than_ten_moments_that_agree_tell_two_clocks_apart(int moments, double? seconds)
    {
        DateTime[] one = [.. Enumerable.Range(0, moments).Select(n => Noon.AddHours(n * 5))];
        Assert.Equal(seconds, ClockDifference.Between(one, one.Select(t => t.AddSeconds(-40)))?.Seconds);
    }

    [Theory]
    [InlineData(19, 0)]
    [InlineData(20, 1)]
    public void Of_fewer_pictures_than_twenty_nothing_is_said_to_be_lacking(int pictures, int lacks) =>
        Assert.Equal(lacks, Lacking.Of([TakenDays.Day([Camera, Zoom], Part, Enumerable.Range(0, pictures).Select(n => Shot(n, 200)))], [Camera, Zoom]).Count);

    [Theory]
    [InlineData(0, 0, 0, "No picture that matters is left.")]
    [InlineData(1, 0, 0, "The one picture of the rest of the day survives any one failure.")]
    [InlineData(1, 1, 0, "The one picture of the rest of the day is not covered.")]
    [InlineData(1, 0, 1, "The one picture of the rest of the day hangs by one thing.")]
    [InlineData(2, 0, 0, "Both pictures of the rest of the day survive any one failure.")]
    [InlineData(3, 0, 0, "All three pictures of the rest of the day survive any one failure.")]
    [InlineData(6, 0, 1, "Of the six pictures of the rest of the day one hangs by one thing.")]
    [InlineData(6, 2, 0, "Of the six pictures of the rest of the day two are not covered.")]
    [InlineData(6, 1, 3, "Of the six pictures of the rest of the day one is not covered and three hang by one thing.")]
    public void Of_the_rest_of_a_day_only_what_is_so_is_said(int needs, int open, int hanging, string said) =>
        Assert.Equal(said, RestWords.Of(needs, open, hanging));

    [Theory]
    [InlineData(0.45, null, "45 % at 50 mm, its short end: what lies beyond is what you lack")]
    [InlineData(null, 0.45, "45 % at 200 mm, its long end: what lies beyond is what you lack")]
    [InlineData(0.4, 0.4, null)]
    [InlineData(null, null, null)]
    public void What_is_lacking_beyond_an_end_of_a_zoom_is_said(double? wide, double? far, string? said)
    {
        var glass = TakenDays.Day([Camera, Zoom], Part, Enumerable.Range(0, 50).Select(n => Shot(n, 100))).Glass[0];
        Assert.Equal(said, TakenWords.AtAnEnd(glass with { AtWide = wide, AtLong = far }, Zoom));
        // Who carries what lies beyond lacks nothing.
        Assert.Null(TakenWords.AtAnEnd(glass with { AtWide = wide }, Zoom, [Zoom, TakenDays.Glass("w", 16, 35, 4)]));
    }

    [Theory]
    [InlineData(12, 20.4, "; its buffer takes 20")]
    [InlineData(30, 20.4, ", more than the 20 its buffer takes")]
    public void A_burst_is_held_against_what_the_buffer_takes(int burst, double fits, string said)
    {
        var use = TakenDays.Day([Camera, Zoom], Part, [Shot(1, 100)]).Bodies[0] with { Burst = burst, BurstSeconds = 2, BufferFrames = fits };
        Assert.Contains(said, TakenWords.Burst(use, "Halm"), StringComparison.Ordinal);
    }

    /// <summary>A lens that reaches almost as far as what is cropped to is that lens: a twentieth is nothing.</summary>
    [Theory]
    [InlineData(265, 1)]
    [InlineData(267, 0)]
    public void A_twentieth_less_than_what_is_lacking_is_not_lacking(double owned, int lacks) => Assert.Equal(lacks, Lacking.Of(
        [TakenDays.Day([Camera, Zoom], Part, Enumerable.Range(0, 50).Select(n => Shot(n, 200)))], [Camera, Zoom, TakenDays.Glass("l", owned, owned, 4)]).Count);

    [Fact]
    public void Of_cameras_that_were_never_out_together_no_difference_is_told() =>
        Assert.Null(ClockDifference.Between([Noon.AddDays(1), Noon.AddDays(2)], [Noon, Noon.AddMinutes(1)]));

    [Theory]
    [InlineData(2.0, null, LackKind.Longer, 400)]
    [InlineData(null, 0.5, LackKind.Wider, 36)]
    public void What_is_lacking_is_told_as_such_glass_is_called(double? cropped, double? wide, LackKind kind, double mm)
    {
        var day = TakenDays.Day([Camera, Zoom], Part, Enumerable.Range(0, 50).Select(n => Shot(n, 100)));
        day = day with { Glass = [day.Glass[0] with { CroppedTo = cropped, AtWide = wide }] };
        Assert.Equal([(kind, mm)], Lacking.Of([day], [Camera, Zoom]).Select(l => (l.Kind, l.FocalMm!.Value)));
    }

    [Theory]
    [InlineData(null, 2.8)]
    [InlineData(4.0, 4.0)]
    public void A_lens_that_gives_no_f_number_has_the_one_in_its_name(double? given, double f)
    {
        var shot = Shot(1, 100) with { LensModel = "70-200mm f/2.8 Q", LensFNumber = given, LensFocal = null };
        Assert.Equal(f, TakenRoll.Of([shot]).Seen.Single(s => !s.IsCamera).FNumber);
    }
}
