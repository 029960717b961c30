using System.Globalization;
using System.Text.RegularExpressions;

namespace YokePair.Core.Basics;

/// <summary>
/// Figures with units as people write them, in the unit asked for. Inches, feet, pounds and ounces are the international ones (1959):
/// 25.4 mm, 0.3048 m, 453.592 37 g and a sixteenth of that. The list is short and its words are those of notebooks in three languages,
/// which no library of units knows.
/// </summary>
public static partial class TypedQuantity
{
    private static readonly Dictionary<string, (string Example, Dictionary<string, double> Words)> Units = new()
    {
        ["g"] = ("820 g or 0.82 kg",
            Words("g gr gram grams gramm grammes=1 kg kgs kilo kilos=1000 lb lbs pound pounds=453.59237 oz ounce ounces=28.349523125")),
        ["mm"] = ("77 mm", Words("mm=1 cm=10 m=1000 in inch inches \" ″ zoll pouces=25.4 ft feet foot ' ′=304.8")),
        ["m"] = ("5 m", Words(
            "m meter meters metre metres mètres=1 cm=0.01 mm=0.001 km=1000 ft feet foot ' ′=0.3048 in inch inches \" ″=0.0254 yd yds yard yards=0.9144")),
        ["cm"] = ("60 cm", Words("cm=1 mm=0.1 m=100 in inch inches \" ″=2.54")),
        ["s"] = ("20 s, 5 min or 1/250",
            Words("s sec secs second seconds sek sekunden secondes=1 ms=0.001 min mins minute minutes minuten=60 h hr hrs hour hours std stunden heures=3600")),
        ["h"] = ("2.5 h or 150 min", Words("h hr hrs hour hours std stunden heures=1 min mins minute minutes minuten=0.016666666666666666")),
        ["min"] = ("40 min or 1 h 30", Words("min mins minute minutes minuten m ' ′=1 h hr hrs hour hours std stunde stunden heure heures=60")),
        ["Wh"] = ("14.7 Wh", Words("wh=1 kwh=1000")),
        ["W"] = ("60 W", Words("w watt watts=1 kw=1000")),
        ["GB"] = ("128 GB or 1 TB", Words("gb go gig gigs gigabyte gigabytes=1 tb to terabyte terabytes=1000 mb mo=0.001")),
        ["MB"] = ("55 MB", Words("mb mo megabyte megabytes=1 gb go=1000")),
        ["MB/s"] = ("90 MB/s", Words("mb/s mo/s mbps=1 gb/s=1000")),
        ["MP"] = ("45 MP", Words("mp mpx mpix megapixel megapixels megapixeln mégapixels=1")),
        ["stops"] = ("3 stops", Words("stop stops ev blende blenden=1")),
        ["lux"] = ("800 lux", Words("lux lx=1")),
        ["fps"] = ("12 fps", Words("fps b/s i/s bilder/s images/s=1")),
    };

    /// <summary>Of these there are never thousands: 1.650 kg is no tonne and a half.</summary>
    private static readonly HashSet<string> NeverThousands = new(["kg", "kilo", "kilos", "lb", "lbs", "pound", "pounds", "tb", "m", "h"],
        StringComparer.OrdinalIgnoreCase);

    /// <summary>Reads a figure in a unit; without a unit of its own it is in that one.</summary>
    /// <param name="text">As typed: 0,82 kg; 1.9 lb; 24 oz; 12 cm; 5 min; 1/250 s; 1 h 30 min.</param>
    /// <param name="unit">The unit asked for, e.g. g; null = a plain number.</param>
    public static Reading<double> Read(string text, string? unit)
    {
        if (unit is null || !Units.TryGetValue(unit, out var known)) return TypedNumber.Read(text, unit is null ? "5.6" : $"5 {unit}");
        var typed = TypedNumber.About().Replace(text.Trim(), "");
        var pieces = Pieces().Matches(typed);
        if (pieces.Count == 0 || pieces.Sum(p => p.Length) != typed.Length) return Refuse(text, known.Example);
        var total = 0.0;
        double? last = null;
        foreach (Match piece in pieces)
        {
            var word = piece.Groups["unit"].Value.Trim().TrimEnd('.');
            // After an hour, bare figures are minutes, after metres centimetres; after anything else they are a slip.
            var meant = word.Length > 0 ? FactorOf(known.Words, word) : pieces.Count == 1 ? 1 : last is { } before ? Below(unit, before) : null;
            if (meant is not { } factor) return Refuse(text, known.Example);
            var number = TypedNumber.Read(piece.Groups["number"].Value, known.Example, NeverThousands.Contains(word));
            if (!number.Read) return number.SaysAll ? number : Refuse(text, known.Example);
            if (last is { } larger && factor >= larger) return Refuse(text, known.Example);
            total += number.Value * factor;
            last = factor;
        }
        // Factors such as 0.001 leave a tail that nobody typed, and nobody weighs to a thousandth of an ounce.
        var digits = last is { } scale && Math.Round(scale, 3) != scale ? "G4" : "G12";
        return Reading.Of(double.Parse(total.ToString(digits, CultureInfo.InvariantCulture), NumberStyles.Float, CultureInfo.InvariantCulture));
    }

    private static double? FactorOf(Dictionary<string, double> words, string word) =>
        words.TryGetValue(word.ToLowerInvariant(), out var factor) ? factor : null;

    private static double? Below(string unit, double before) => (unit, before) switch
    {
        ("min", 60) => 1,
        ("s", 3600) => 60,
        ("h", 1) => 1.0 / 60,
        ("m", 1) => 0.01,
        _ => null,
    };

    private static Reading<double> Refuse(string text, string example) =>
        Reading.Refused<double>($"\"{text.Trim()}\" is not understood; write it as {example}");

    private static Dictionary<string, double> Words(string list)
    {
        var words = new Dictionary<string, double>(StringComparer.Ordinal);
        var waiting = new List<string>();
        foreach (var entry in list.Split(' '))
        {
            var at = entry.Split('=');
            waiting.Add(at[0]);
            if (at.Length < 2) continue;
            foreach (var word in waiting) words[word] = double.Parse(at[1], CultureInfo.InvariantCulture);
            waiting.Clear();
        }
        return words;
    }

    [GeneratedRegex(
        @"\G\s*(?<number>[+\-−]?(?:\d[\d.,]*(?:[\s'’]\d{3}(?!\d))*(?:[.,]\d+)?|[.,]\d+)(?:[eE][+-]?\d+)?(?:\s*/\s*\d[\d.,]*)?)\s*(?<uni"
        + @"t>(?:\p{L}+(?:/s)?\.?|""|″|'|′)?)\s*",
        RegexOptions.IgnoreCase)]
    private static partial Regex Pieces();
}
