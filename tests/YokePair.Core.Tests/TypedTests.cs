using CsCheck;
using YokePair.Core.Basics;

namespace YokePair.Core.Tests;

/// <summary>Figures, times and days as people write them. A question mark stands for one that is asked about or refused.</summary>
public sealed class TypedTests
{
    [Theory]
    [InlineData("5,6", null, 5.6)]
    [InlineData("5.6", null, 5.6)]
    [InlineData(".8", null, 0.8)]
    [InlineData("-2", null, -2.0)]
    [InlineData("−2", null, -2.0)]
    [InlineData("12 800", null, 12800.0)]
    [InlineData("12\u202F800", null, 12800.0)]
    [InlineData("12'800", null, 12800.0)]
    [InlineData("6.499,00", null, 6499.0)]
    [InlineData("6,499.00", null, 6499.0)]
    [InlineData("1.234.567", null, 1234567.0)]
    [InlineData("0.125", null, 0.125)]
    [InlineData("1.1250", null, 1.125)]
    [InlineData("ca. 5", null, 5.0)]
    [InlineData("1/250", "s", 0.004)]
    [InlineData("1/250 s", "s", 0.004)]
    [InlineData("0,82 kg", "g", 820.0)]
    [InlineData("1.650 kg", "g", 1650.0)]
    [InlineData("1.9 lb", "g", 861.8)]
    [InlineData("24 oz", "g", 680.4)]
    [InlineData("1 lb 4 oz", "g", 567.0)]
    [InlineData("950 g", "g", 950.0)]
    [InlineData("950", "g", 950.0)]
    [InlineData("5 min", "s", 300.0)]
    [InlineData("5min", "s", 300.0)]
    [InlineData("1 h 30", "min", 90.0)]
    [InlineData("1h30", "min", 90.0)]
    [InlineData("90'", "min", 90.0)]
    [InlineData("1,5 Stunden", "min", 90.0)]
    [InlineData("12 cm", "mm", 120.0)]
    [InlineData("12 cm", "m", 0.12)]
    [InlineData("15 ft", "m", 4.572)]
    [InlineData("2 m 40", "m", 2.4)]
    [InlineData("45 MP", "MP", 45.0)]
    [InlineData("1 TB", "GB", 1000.0)]
    [InlineData("64 Go", "GB", 64.0)]
    [InlineData("150 min", "h", 2.5)]
    public void A_figure_is_read(string text, string? unit, double wanted)
    {
        var read = TypedQuantity.Read(text, unit);
        Assert.Null(read.Problem);
        Assert.Equal(wanted, read.Value, 3);
    }

    [Theory]
    [InlineData("12.800", null, "may be 12800 or 12.8")]
    [InlineData("1,250 g", "g", "may be 1250 or 1.25")]
    [InlineData("1/0", "s", "divides by nothing")]
    [InlineData("fast", null, "\"fast\" is no number")]
    [InlineData("abc", "m", "\"abc\" is not understood; write it as 5 m")]
    [InlineData("5 kg", "m", "write it as 5 m")]
    [InlineData("5 6", null, "is no number")]
    [InlineData("1.23.456", null, "is no number")]
    [InlineData("5 oz 2 lb", "g", "not understood")]
    [InlineData("", null, "is no number")]
    [InlineData("5,6,7", null, "is no number")]
    public void What_is_none_or_may_be_two_is_quoted_with_what_would_do(string text, string? unit, string says) =>
        Assert.Contains(says, TypedQuantity.Read(text, unit).Problem, StringComparison.Ordinal);

    [Theory]
    [InlineData("24–70", "mm", "24–70")]
    [InlineData("24-70mm", "mm", "24–70")]
    [InlineData("50", "mm", "50–50")]
    [InlineData("3 to 5", "m", "3–5")]
    [InlineData("3 bis 5 m", "m", "3–5")]
    [InlineData("300 cm – 5 m", "m", "3–5")]
    [InlineData("3,5-5", "m", "3.5–5")]
    [InlineData("70-24", "mm", "?runs backwards; write it as 24–70")]
    [InlineData("24-", "mm", "?neither one figure nor two")]
    [InlineData("24-70-200", "mm", "?neither one figure nor two")]
    [InlineData("24-wide", "mm", "?not understood")]
    public void One_figure_or_two(string text, string unit, string wanted) => Says(wanted, TypedRange.Read(text, unit, "24–70"), Ends);

    [Theory]
    [InlineData("f/5,6", "5.6–5.6")]
    [InlineData("f2.8", "2.8–2.8")]
    [InlineData("F 4", "4–4")]
    [InlineData("1:2.8", "2.8–2.8")]
    [InlineData("1:3,5-5,6", "3.5–5.6")]
    [InlineData("wide open", "?no f-number")]
    public void F_numbers(string text, string wanted) => Says(wanted, TypedRange.FNumbers(text), Ends);

    [Theory]
    [InlineData("550×350×200", "550 350 200")]
    [InlineData("55 x 35 x 20 cm", "550 350 200")]
    [InlineData("55x35x?", "?are no sizes")]
    public void Sizes(string text, string wanted) => Says(wanted, TypedRange.Sizes(text, "mm"), s => string.Join(' ', s));

    [Theory]
    [InlineData("2024-03-15", "2024-03-15")]
    [InlineData("2024-03", "2024-03-01")]
    [InlineData("2023", "2023-01-01")]
    [InlineData("03/2023", "2023-03-01")]
    [InlineData("3.2023", "2023-03-01")]
    [InlineData("15.3.2024", "2024-03-15")]
    [InlineData("5.3.24", "2024-03-05")]
    [InlineData("15/03/2024", "2024-03-15")]
    [InlineData("03/15/2024", "2024-03-15")]
    [InlineData("March 2024", "2024-03-01")]
    [InlineData("15 March 2024", "2024-03-15")]
    [InlineData("March 15, 2024", "2024-03-15")]
    [InlineData("15. März 2024", "2024-03-15")]
    [InlineData("1er juillet 2024", "2024-07-01")]
    [InlineData("Juin 2024", "2024-06-01")]
    [InlineData("5/3/2024", "?may be 2024-03-05 or 2024-05-03")]
    [InlineData("31.2.2024", "?is no day")]
    [InlineData("13/2023", "?is no day")]
    [InlineData("yesterday", "?is no day")]
    public void Days(string text, string wanted) => Says(wanted, TypedDay.Read(text), d => $"{d:yyyy-MM-dd}");

    [Theory]
    [InlineData("14:30 Ceremony", "14:30", " Ceremony")]
    [InlineData("2:30pm ceremony", "14:30", " ceremony")]
    [InlineData("11:30 PM", "23:30", "")]
    [InlineData("9:00 pm Dancing", "21:00", " Dancing")]
    [InlineData("9 a.m. Getting ready", "09:00", " Getting ready")]
    [InlineData("12 am Sparklers", "00:00", " Sparklers")]
    [InlineData("12:15 pm Lunch", "12:15", " Lunch")]
    [InlineData("14.30 Trauung", "14:30", " Trauung")]
    [InlineData("14h30 Cérémonie", "14:30", " Cérémonie")]
    [InlineData("14 Uhr Trauung", "14:00", " Trauung")]
    [InlineData("ca. 13:00 Empfang", "13:00", " Empfang")]
    [InlineData("~13:00 Empfang", "13:00", " Empfang")]
    [InlineData("10–10:30 Warm-up", "10:00–10:30", " Warm-up")]
    [InlineData("2–3:30pm Portraits", "14:00–15:30", " Portraits")]
    [InlineData("11-1pm Preparation", "11:00–13:00", " Preparation")]
    [InlineData("11:30–12:30 pm Preparation", "11:30–12:30", " Preparation")]
    [InlineData("from 2 to 3 pm photos", "14:00–15:00", " photos")]
    [InlineData("von 14 bis 15 Uhr Fotos", "14:00–15:00", " Fotos")]
    [InlineData("de 14h à 15h30 photos", "14:00–15:30", " photos")]
    [InlineData("23:30 - 00:30 Party", "23:30–00:30", " Party")]
    [InlineData("noon Lunch", "12:00", " Lunch")]
    [InlineData("midnight Exit", "00:00", " Exit")]
    [InlineData("noon–1:30pm Lunch", "12:00–13:30", " Lunch")]
    [InlineData("- 15:00 Speeches", "15:00", " Speeches")]
    [InlineData("14 ceremony", "14:00", " ceremony")]
    [InlineData("15:00 - Speeches", "15:00", " - Speeches")]
    [InlineData("14:30 2 speeches", "14:30", " 2 speeches")]
    [InlineData("25:00 Ceremony", "?is no time of day", "")]
    [InlineData("14:75 Ceremony", "?is no time of day", "")]
    [InlineData("13 pm", "13:00", "")]
    public void Times_of_day(string text, string wanted, string rest)
    {
        var at = TypedTime.At(text);
        Assert.NotNull(at);
        Says(wanted, at.Value, t => t.End is { } end ? $"{t.Start:HH\\:mm}–{end:HH\\:mm}" : $"{t.Start:HH\\:mm}");
        if (at.Value.Read) Assert.Equal(rest.Trim(), text[at.Value.Value.Length..].Trim());
    }

    [Theory]
    [InlineData("Ceremony at 14:30")]
    [InlineData("Day 2")]
    [InlineData("")]
    public void What_does_not_begin_with_a_time_has_none(string text) => Assert.Null(TypedTime.At(text));

    /// <summary>Whatever way thousands and decimals are marked, the figure is the one that was meant, or it is asked.</summary>
    [Fact]
    public void Every_way_of_writing_a_number_is_read_as_that_number_or_asked()
    {
        var asked = 0;
        var read = 0;
        Gen.Select(Gen.Int[0, 9_999_999], Gen.Int[0, 99], Gen.Int[0, 5]).Sample((whole, hundredths, way) =>
        {
            var (group, point) = (way switch { 0 => "", 1 => " ", 2 => "\u202F", 3 => "'", 4 => ".", _ => "," }, way is 4 or 0 ? "," : ".");
            var grouped = System.Text.RegularExpressions.Regex.Replace($"{whole}", @"(?<=\d)(?=(\d{3})+$)", group);
            var text = hundredths == 0 ? grouped : $"{grouped}{point}{hundredths:00}";
            var (number, problem) = TypedNumber.Read(text);
            Interlocked.Increment(ref problem is null ? ref read : ref asked);
            if (problem is null) Assert.Equal(whole + hundredths / 100.0, number, 6);
            else Assert.True(way >= 4 && hundredths == 0 && whole is >= 1000 and < 1_000_000, text);
        }, iter: 20_000);
        Assert.True(read > 10_000);
    }

    private static string Ends(Interval ends) => FormattableString.Invariant($"{ends.Low}–{ends.High}");

    private static void Says<T>(string wanted, Reading<T> read, Func<T, string> say)
    {
        if (wanted.StartsWith('?')) Assert.Contains(wanted[1..], read.Problem, StringComparison.Ordinal);
        else Assert.Equal(wanted, read.Problem ?? say(read.Value));
    }
}
