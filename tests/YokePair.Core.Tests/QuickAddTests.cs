using YokePair.Core.Locker;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Lines as people note down their gear.</summary>
public sealed class QuickAddTests
{
    private static readonly KnownWords Known = new(new HashSet<string> { "K1", "K2" }, new HashSet<string> { "LB7", "LB2" }, new HashSet<string>());

    public static TheoryData<string, string> Lines => TypedLines.Of("quick-lines.txt");

    [Theory]
    [MemberData(nameof(Lines))]
    public void A_line_is_understood_or_asked_about(string line, string wanted)
    {
        var read = QuickAdd.Read(line, Known);
        if (wanted.StartsWith('?'))
        {
            Assert.False(read.Ready);
            Assert.Contains(wanted[1..].Trim(), string.Join('\n', read.Problems.Select(p => p.Message).Concat(read.Missing.Select(m => m.Question))),
                StringComparison.Ordinal);
            return;
        }
        Assert.Empty(read.Problems);
        Assert.Empty(read.Missing);
        var (kind, json) = (ItemKinds.Of(read.Things[0]), FigureCatalogue.ToJson(read.Things[0]));
        var words = wanted.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        Assert.Equal(words[0], kind);
        foreach (var (name, value) in words.Skip(1).Select(w => w.Split('=')).Select(w => (w[0], w[1].Replace('_', ' '))))
            Assert.Equal($"{name}={value}", $"{name}={(name == "count" ? $"{read.Things.Count}" : FigureCatalogue.Find(kind, name)!.Format(json[name]))}");
    }

    /// <summary>A plan says which camera is changed; any battery of a handful will do.</summary>
    [Fact]
    public void Of_several_at_once_each_has_a_name_unless_any_will_do()
    {
        Assert.Equal(["Verrin no. 1", "Verrin no. 2"], Names("2 body Verrin 24MP K2 dual SD iso6400 LB7"));
        Assert.Equal(["Verrin no. 7", "Verrin no. 8"], Names("2 body Verrin 24MP K2 dual SD iso6400 LB7 no7"));
        Assert.Equal(["Verrin"], Names("body Verrin 24MP K2 dual SD iso6400 LB7"));
        Assert.Equal(["LB7", "LB7", "LB7"], Names("3 battery LB7"));
        Assert.Equal(["Drone"], Names("drone"));
        // What comes later goes on from what is there; digits of a name are no number.
        Assert.Equal(["Card 1", "Card 2", "Card 3"], Names("2 card SD 128GB\ncard SD 64GB"));
        Assert.Equal(["Verrin", "Verrin no. 2", "Verrin no. 3"], Names("body Verrin 24MP K2 dual SD iso6400 LB7\n2 body Verrin 24MP K2 dual SD iso6400 LB7"));
        Assert.Equal(["Halm 45", "Halm 45 no. 2"], Names("body \"Halm 45\" 24MP K2 dual SD iso6400 LB7\nbody \"Halm 45\" 24MP K2 dual SD iso6400 LB7"));

        static IEnumerable<string> Names(string lines) => QuickAdd.ReadAll(lines, Known).SelectMany(l => l.Things).Select(t => t.Label);
    }

    /// <summary>A word with a figure in it is among those that are shown as understood, whatever it is taken for.</summary>
    [Fact]
    [Trait("Takes", "long")]
    public void Nothing_with_a_figure_is_taken_without_being_shown()
    {
        string[] all = [.. Lines.Select(l => l.Data.Item1)];
        string[] pieces = [.. all.SelectMany(l => l.Split(' ', StringSplitOptions.RemoveEmptyEntries)).Distinct()];
        var (ready, figures) = (0, 0);
        CsCheck.Check.Sample(CsCheck.Gen.Int, seed =>
        {
            var random = new Random(seed);
            var (some, whole) = (random.GetItems(pieces, random.Next(1, 8)), all[random.Next(all.Length)]);
            foreach (var line in new[] { string.Join(' ', some), $"{whole} {some[0]}", $"{some[0]} {whole}" })
            {
                var read = QuickAdd.Read(line, Known);
                if (!read.Ready) continue;
                Interlocked.Increment(ref ready);
                var shown = read.Understood.SelectMany(u => u.Text.Split(' ')).Concat(read.Understood.Select(u => u.Text)).ToHashSet();
                foreach (var word in line.Replace('"', ' ').Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(Bare).Where(w => w.Any(char.IsDigit)))
                {
                    Interlocked.Increment(ref figures);
                    Assert.True(shown.Contains(word) || shown.Contains(word.TrimEnd(',', ';'))
                        || read.Understood.Any(u => u.Text.Contains(word.TrimEnd(',', ';'), StringComparison.Ordinal)), $"{word} in {line}");
                }
            }
        }, iter: 4000);
        Assert.True(ready > 500 && figures > 2000, $"{ready} lines taken, {figures} figures");

        // Brackets only set off; a count in them is one.
        static string Bare(string word) => word is ['(', .. var inner, ')'] && inner.All(char.IsDigit) ? word : word.TrimStart('(').TrimEnd(')');
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

    [Fact]
    public void A_page_is_read_under_its_headings_and_a_line_of_several_things_is_several()
    {
        var read = QuickAdd.ReadAll("Bodies\nGlass (all V mount)\n24-70 2.8\n35 1.8, 50 1.8\nCards\nSD: 6x 128 GB V60, 4x 64GB\ngrey card, gaffer tape\nLight",
            Known);
        Assert.Equal(
            ["1 ", "2 ", "3 24–70 f/2.8", "4 35 f/1.8", "4 50 f/1.8", "5 ", "6 Card 1", "6 Card 7", "7 Grey card", "7 Gaffer tape", "8 Light"],
            read.Select(l => $"{l.At} {(l.Things is [var first, ..] ? first.Label : "")}"));
        Assert.Equal([6, 4], read.Where(l => l.Kind == "card").Select(l => l.Things.Count));
        Assert.All(read.Where(l => l.Kind == "lens"), l => Assert.Equal("V", Assert.IsType<Lens>(Assert.Single(l.Things)).Mount));
        Assert.EndsWith("where a line names no mount, it is V", read[1].Heading, StringComparison.Ordinal);
        // Each line says all by itself, typed alone.
        foreach (var line in read.Where(l => l.Heading is null)) Assert.True(QuickAdd.Read(line.Line, Known).Ready, line.Line);
    }

    [Theory]
    [InlineData("Halm 45 K2 45MP iso12800 SD+SD, LB7")]
    [InlineData("camera Orrin, 20 MP, APS-C, SD/SD, ISO 6400, K2, LB2")]
    [InlineData("charger, LB7, two bays")]
    [InlineData("grip for Halm 45, LB7")]
    public void A_comma_within_one_thing_makes_no_two(string line) => Assert.Single(QuickAdd.ReadAll(line, Known));
}
