using YokePair.Core.Locker;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Lines as people note down their gear.</summary>
public sealed class QuickAddTests
{
    private static readonly KnownWords Known = new(new HashSet<string> { "K1", "K2" }, new HashSet<string> { "LB7", "LB2" }, new HashSet<string>());

    /// <summary>A line, how many things it makes, and figures of the first as the tables write them.</summary>
    public static TheoryData<string, int, string> Lines => new()
    {
        { "24-70/2.8 K2 #3 820g", 1, "kind=lens focal=24-70 aperture=2.8 mount=K2 number=3 weightG=820 name=24–70_f/2.8_no._3" },
        { "2x card CFx-B 128 #11-12", 2, "kind=card type=CFexpress-B gigabytes=128 number=11 name=Card_11" },
        { "6x battery LB7 14.7Wh 2024-03", 6, "kind=battery type=LB7 wattHours=14.7 firstUse=2024-03-01 charged=yes name=LB7" },
        { "card SD 64GB #21-24", 4, "type=SD gigabytes=64 number=21" },
        { "85 f/1.4 K2", 1, "focal=85 aperture=1.4" },
        { "70-200/4-5,6 K2 takesconverter stab3 1,4kg @second", 1, "aperture=4-5.6 takesConverter=yes stabilisationStops=3 weightG=1400 owner=second" },
        { "100 f/2.8 macro K1", 1, "magnification=1 mount=K1 name=100_f/2.8_macro" },
        { "body Halm 45 K2 45MP iso12800 CFx-B+SD LB7 12fps silent", 1, "mount=K2 megapixels=45 isoCeiling=12800 slots=CFexpress-B+SD batteryType=LB7 fps=12 silent=yes name=Halm_45" },
        { "body Orrin 20MP sensor:24 iso6400 SD@90+SD@90 K2 LB2", 1, "crop=1.5 slots=SD@90+SD@90 name=Orrin" },
        { "adapter K1>K2 doubtful", 1, "lensMount=K1 bodyMount=K2 doubtful=yes name=K1_adapter" },
        { "converter 1.4x K2", 1, "factor=1.4 mount=K2" },
        { "tube 16mm K2", 1, "extensionMm=16" },
        { "flash GN36 AA R24 canSend:yes", 1, "guideNumber=36 cellsType=AA radioSystem=R24 canSend=yes" },
        { "4x cells AA", 4, "type=AA cellCount=4" },
        { "battery LB7 70% third-party", 1, "health=0.7 make=thirdParty" },
        { "charger LB7+LB2", 1, "batteryTypes=LB7+LB2" },
        { "reader CFx-B+SD", 1, "cardTypes=CFexpress-B+SD" },
        { "nd 77mm stops:3", 1, "kind=filter threadMm=77 stops=3" },
        { "ring 58mm 77mm", 1, "threadMm=58 stepsToMm=77 name=Step-up_ring_58–77" },
        { "tripod 1.65kg", 1, "kind=support form=tripod weightG=1650" },
        { "other \"Tripod plate\" roles:plate #1-2", 2, "name=Tripod_plate_no._1 roles=plate" },
        { "drive 1TB", 1, "gigabytes=1000" },
        { "case \"Roller\" innerMm:480×300×170 3,4kg", 1, "innerMm=480×300×170 weightG=3400" },
    };

    [Theory]
    [MemberData(nameof(Lines))]
    public void A_line_is_understood(string line, int count, string figures)
    {
        var read = QuickAdd.Read(line, Known);
        Assert.Empty(read.Problems);
        Assert.Empty(read.Missing);
        Assert.Equal(count, read.Things.Count);
        var json = FigureCatalogue.ToJson(read.Things[0]);
        var kind = ItemKinds.Of(read.Things[0]);
        foreach (var (name, wanted) in figures.Split(' ').Select(f => f.Split('=')).Select(f => (f[0], f[1].Replace('_', ' '))))
            Assert.Equal(wanted, name == "kind" ? kind : FigureCatalogue.Find(kind, name)!.Format(json[name]));
    }

    [Theory]
    [InlineData("24-70/2.8", "mount")]
    [InlineData("body Halm 45 K2 45MP", "isoCeiling slots batteryType")]
    [InlineData("card SD", "gigabytes")]
    [InlineData("adapter", "lensMount bodyMount")]
    [InlineData("battery", "type")]
    public void It_asks_for_what_the_arithmetic_cannot_do_without_and_for_no_more(string line, string missing)
    {
        var read = QuickAdd.Read(line, Known);
        Assert.Equal(missing, string.Join(' ', read.Missing.Select(m => m.Figure)));
        Assert.False(read.Ready);
    }

    [Theory]
    [InlineData("something nobody knows", "kind")]
    [InlineData("card SD 128 #12-11", "number")]
    [InlineData("lens 24-70/2.8 K2 colour:red", "colour")]
    [InlineData("battery LB7 health:170", "health")]
    [InlineData("24-70/0 K2", "aperture[0]")]
    [InlineData("999x battery LB7", "count")]
    public void Nonsense_is_refused_by_name(string line, string field) => Assert.Contains(field, QuickAdd.Read(line, Known).Problems.Select(p => p.Field));

    [Fact]
    public void What_nobody_typed_is_marked_as_an_estimate_until_it_is_measured()
    {
        var lens = QuickAdd.Read("35/1.4 K2", Known).Things[0];
        Assert.Contains("weightG", lens.Estimated!);
        var (measured, _) = LockerFigures.Change(lens, [KeyValuePair.Create("weightG", (string?)"595 g")]);
        Assert.Equal(595, measured!.WeightG);
        Assert.DoesNotContain("weightG", measured.Estimated!);
    }

    [Fact]
    public void Later_lines_know_what_earlier_ones_name()
    {
        var read = QuickAdd.ReadAll("adapter QX>K2\nlens 50/1.8 QX\nbattery B-9 7Wh\nbody Old B-9 QX 12MP iso1600 SD", KnownWords.None);
        Assert.All(read, l => Assert.True(l.Ready, string.Join("; ", l.Problems.Select(p => p.Message).Concat(l.Missing.Select(m => m.Question)))));
        Assert.Equal("B-9", Assert.IsType<Body>(read[3].Things[0]).BatteryType);
    }

    [Fact]
    public void Every_starter_reads_and_asks_only_for_what_differs_from_owner_to_owner()
    {
        string[] own = ["mount", "batteryType", "lensMount", "bodyMount", "type", "batteryTypes", "cardTypes"];
        foreach (var starter in StarterShelf.All)
        {
            var read = QuickAdd.Read(starter.Line, KnownWords.None);
            Assert.Empty(read.Problems);
            Assert.All(read.Missing, m => Assert.Contains(m.Figure, own));
        }
    }

    [Fact]
    public void No_line_breaks_the_reader() => CsCheck.Check.Sample(CsCheck.Gen.String, line => _ = QuickAdd.Read(line, Known).Summary.Length, iter: 3000);
}
