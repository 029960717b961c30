using YokePair.Core.Locker;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Spreadsheets as people keep them.</summary>
public sealed class TableTests
{
    [Theory]
    [InlineData("kind", "kind")]
    [InlineData("Category", "kind")]
    [InlineData("Kategorie", "kind")]
    [InlineData("Item", "name")]
    [InlineData("Bezeichnung", "name")]
    [InlineData("Désignation", "name")]
    [InlineData("No.", "number")]
    [InlineData("Qty", "count")]
    [InlineData("Anzahl", "count")]
    [InlineData("Focal length (mm)", "focal")]
    [InlineData("Brennweite", "focal")]
    [InlineData("Max. aperture", "aperture")]
    [InlineData("Lichtstärke", "aperture")]
    [InlineData("Lens mount", "mount")]
    [InlineData("Bajonett", "mount")]
    [InlineData("Resolution [MP]", "megapixels")]
    [InlineData("Max ISO", "isoCeiling")]
    [InlineData("ISO", "isoCeiling")]
    [InlineData("Card slots", "slots")]
    [InlineData("Battery type", "batteryType")]
    [InlineData("Weight (kg)", "weightG")]
    [InlineData("Gewicht in g", "weightG")]
    [InlineData("Poids", "weightG")]
    [InlineData("Capacity GB", "gigabytes")]
    [InlineData("Serial No.", "serial")]
    [InlineData("S/N", "serial")]
    [InlineData("Seriennummer", "serial")]
    [InlineData("Purchase date", "firstUse")]
    [InlineData("Gekauft am", "firstUse")]
    [InlineData("Price", "value")]
    [InlineData("Owner", "owner")]
    [InlineData("Remarks", "notes")]
    [InlineData("GN", "guideNumber")]
    [InlineData("Leitzahl", "guideNumber")]
    [InlineData("Wh", "wattHours")]
    [InlineData("Filter thread", "filterThreadMm")]
    [InlineData("mm", "focal")]
    [InlineData("max ap.", "aperture")]
    [InlineData("kg", "weightG")]
    [InlineData("Make/Model", "name")]
    [InlineData("Favourite colour", null)]
    public void A_heading_is_matched_to_a_figure(string heading, string? figure) =>
        Assert.Equal(figure, Assert.Single(TableColumns.Match([heading], [])).Figure);

    [Fact]
    public void A_column_type_is_the_kind_where_kinds_stand_in_it_and_else_a_type()
    {
        Assert.Equal("kind", TableColumns.Match(["Type", "Item"], [["Camera", "Halm"], ["memory card", "SD 64"]])[0].Figure);
        Assert.Equal("type", TableColumns.Match(["Kind", "Type"], [["card", "SD"], ["battery", "LB7"]])[1].Figure);
    }

    [Fact]
    public void What_was_chosen_for_a_column_goes_before_what_was_guessed()
    {
        var columns = TableColumns.Match(["Item", "Code"], [["85/1.4", "K2"]], new Dictionary<string, string> { ["Code"] = "mount", ["Item"] = "" });
        Assert.Equal([null, "mount"], columns.Select(c => c.Figure));
    }

    /// <summary>A row as somebody keeps it → kind and figures.</summary>
    [Theory]
    [InlineData("Category|Item|Weight (kg)|Bought", "Lens|24-70/2.8 K2|0,82|03/2023", "lens focal=24-70 aperture=2.8 mount=K2 weightG=820 firstUse=2023-03-01")]
    [InlineData("Category|Item|Lens mount", "Camera|Halm 45 45MP dual SD ISO 12800 LB7|K2",
        "body megapixels=45 slots=SD+SD isoCeiling=12800 batteryType=LB7 mount=K2")]
    [InlineData("Item|Mount|Weight", "85 1.4|K2|1.9 lb", "lens focal=85 aperture=1.4 mount=K2 weightG=861.8")]
    [InlineData("Kategorie|Brennweite|Lichtstärke|Bajonett", "Objektiv|35|1:1,4|K2", "lens focal=35 aperture=1.4 mount=K2")]
    [InlineData("Type|Name|Weight in g", "monopod|Stick|650", "support form=monopod weightG=650 name=Stick")]
    [InlineData("Type|Size (GB)|Card type", "Memory card|128|", "?type")]
    [InlineData("What|Type|Capacity", "memory card|SD|64 GB", "card type=SD gigabytes=64")]
    [InlineData("Category|Factor|Mount", "Teleconverter|1.4x|K2", "converter factor=1.4 mount=K2")]
    [InlineData("Category|Item|Price", "Battery|LB7|1.250", "?may be 1250 or 1.25")]
    [InlineData("Category|Mount|Focal|Aperture", "Lens|K2|wide|2", "?\"wide\" is not understood")]
    [InlineData("Category|Name", "Gizmo|x", "?is no kind")]
    [InlineData("what|mount|mm|max ap.|kg", "Fisheye|P|8|3.5|0.3", "lens focal=8 aperture=3.5 mount=P weightG=300")]
    [InlineData("what|mount|mm|max ap.", "Tube|P|25|-", "tube extensionMm=25 mount=P")]
    [InlineData("Category|Name|Notes", "Lens|400 f/2.8|T mount", "lens focal=400 mount=T")]
    [InlineData("Category|Name|Notes|ISO|Battery type|Mount", "Camera body|Terno|24 MP, 2x SD UHS-II, 20 fps|6400|LB7|K2",
        "body megapixels=24 slots=SD+SD fps=20")]
    [InlineData("Category|Name|Notes", "Memory card|SD 128GB V90|300MB/s", "card writeMegabytesPerSecond=300")]
    [InlineData("Category|Type|Focal", "card|SD|50", "?a card has no such figure")]
    public void A_row_is_read_or_asked_about(string headings, string cells, string wanted)
    {
        var columns = TableColumns.Match(headings.Split('|'), [cells.Split('|')]);
        var weighed = WeighedImport.Of([], [.. TableRows.Of(2, columns, cells.Split('|'))]);
        if (wanted.StartsWith('?'))
        {
            Assert.Empty(weighed.Things);
            Assert.Contains(wanted[1..], string.Join('\n', weighed.Rows[0].Problems.Select(p => p.ToString())), StringComparison.Ordinal);
            return;
        }
        var thing = Assert.Single(weighed.Things);
        var (words, json) = (wanted.Split(' '), FigureCatalogue.ToJson(thing));
        Assert.Equal(words[0], ItemKinds.Of(thing));
        foreach (var (name, value) in words.Skip(1).Select(w => w.Split('=')).Select(w => (w[0], w[1])))
        {
            Assert.Equal(value, FigureCatalogue.Find(words[0], name)!.Format(json[name]));
            // Every figure that was read is told before it is kept.
            if (name != "name") Assert.Contains(weighed.Rows[0].What, w => w.Contains(value, StringComparison.Ordinal));
        }
    }

    [Fact]
    public void A_column_of_kinds_is_the_kind_whatever_it_is_called_and_a_column_says_how_it_writes_thousands()
    {
        string[][] rows = [["Camera body", "Terno 24", "2.899,00"], ["Lens", "400 f/2.8", "9.800"]];
        var columns = TableColumns.Match(["Item", "Make/Model", "Price (EUR)"], rows);
        Assert.Equal(["kind", "name", "value"], columns.Select(c => c.Figure));
        var lens = Assert.Single(TableRows.Of(3, columns, rows[1]));
        Assert.Equal(("lens", "9800"), (lens.Kind, lens.Texts!["value"]));
        Assert.Equal("9.800", Assert.Single(TableRows.Of(2, TableColumns.Match(["Category", "Price"], [["Lens", "9.800"]]), ["Lens", "9.800"]))
            .Texts!["value"]);
    }

    [Fact]
    public void As_many_serial_numbers_as_things_are_one_each()
    {
        var columns = TableColumns.Match(["Category", "Name", "Qty", "Serial"], []);
        Assert.Equal(["T-1", "T-2"], TableRows.Of(2, columns, ["body", "Terno", "2", "T-1, T-2"]).Select(t => t.Texts!["serial"]));
    }

    [Fact]
    public void A_row_of_six_is_six_things_and_good_rows_go_without_the_faulty()
    {
        var columns = TableColumns.Match(["Category", "Type", "Qty"], [["Battery", "LB7", "6"]]);
        var weighed = WeighedImport.Of([], [.. TableRows.Of(2, columns, ["Battery", "LB7", "6"]), .. TableRows.Of(3, columns, ["Battery", "", "x"])]);
        Assert.Equal([1, 2, 3, 4, 5, 6], weighed.Things.Select(t => t.Number!.Value));
        Assert.False(weighed.Clean);
        Assert.Equal("count", Assert.Single(weighed.Rows, r => r.Action == RowAction.Refused).Problems[0].Field);
    }
}
