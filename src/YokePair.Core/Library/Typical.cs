using System.Text.Json.Nodes;

namespace YokePair.Core.Library;

/// <summary>Figures a thing of its kind usually has: they fill what nobody typed, and are marked until somebody measures.</summary>
public static class Typical
{
    /// <summary>What the arithmetic cannot do without, with the question one asks for it and an example answer.</summary>
    public static IReadOnlyList<(string Figure, string Question, string Example)> Essentials(string kind) => kind switch
    {
        "body" =>
        [
            ("mount", "Which lens mount?", "K2"), ("megapixels", "How many megapixels?", "45MP"), ("isoCeiling", "Highest ISO you would deliver?", "iso12800"),
            ("slots", "Which card slots?", "CFx-B+SD"), ("batteryType", "Which battery?", "battery:LB7"),
        ],
        "lens" => [("focal", "Which focal length?", "24-70/2.8"), ("aperture", "Which aperture?", "f/2.8"), ("mount", "Which mount?", "K2")],
        "adapter" => [("lensMount", "From which lens mount?", "K1>K2"), ("bodyMount", "To which body mount?", "K1>K2")],
        "converter" => [("factor", "Which factor?", "1.4x"), ("mount", "Which mount?", "K2")],
        "tube" => [("extensionMm", "How long?", "16mm"), ("mount", "Which mount?", "K2")],
        "battery" or "cells" => [("type", "Which type?", kind == "cells" ? "AA" : "LB7")],
        "card" => [("type", "Which type?", "SD"), ("gigabytes", "Which size?", "128GB")],
        "charger" => [("batteryTypes", "For which batteries?", "LB7")],
        "reader" => [("cardTypes", "For which cards?", "CFx-B+SD")],
        "filter" => [("threadMm", "Which thread?", "77mm")],
        _ => [],
    };

    /// <summary>Adds the usual figures that are missing and says which those are.</summary>
    public static JsonObject Fill(string kind, JsonObject thing)
    {
        var missing = Figures(kind, thing).Where(f => thing[f.Name] is null).ToList();
        foreach (var (name, value) in missing) thing[name] = value;
        if (missing.Count > 0) thing["estimated"] = new JsonArray([.. missing.Select(f => (JsonNode)f.Name)]);
        return thing;
    }

    private static Figure[] Figures(string kind, JsonObject thing) => kind switch
    {
        "body" => BodyFigures(Number(thing, "megapixels") ?? 24),
        "lens" => [new("magnification", 0.15), new("weightG", GlassGrams(thing))],
        "flash" =>
        [
            new("guideNumber", 36), new("recycleSeconds", 2.5), new("fullPops", Charge.TypicalFullPops), new("weightG", 420),
            .. thing["power"] is null ? [new Figure("cellsType", "AA")] : Array.Empty<Figure>(),
            // A flash of a radio system hears it; that it sends is never assumed.
            .. thing["radioSystem"] is not null ? [new Figure("canHear", true)] : Array.Empty<Figure>(),
        ],
        // A small panel with a wide beam: 30 lux at one metre for every watt.
        "light" when Number(thing, "watts") is { } watts => [new("luxAtOneM", LuxPerWatt * watts)],
        "battery" => [new("wattHours", 14), new("health", 1), new("weightG", 80)],
        "cells" => [new("cellCount", Charge.TypicalCells)],
        "card" => [new("writeMegabytesPerSecond", IsExpress(thing["type"]) ? 400 : 80)],
        "charger" when $"{thing["batteryTypes"]}".Contains("AA", StringComparison.Ordinal) =>
            [new("bays", Charge.TypicalCellBays), new("hours", Charge.TypicalCellHours)],
        "charger" => [new("bays", Charge.TypicalBays), new("hours", Charge.TypicalHours)],
        "drive" => [new("minutesPerCard", 15)],
        _ => [],
    };

    /// <summary>Lux at one metre that a small lamp of unknown make gives for each watt.</summary>
    private const double LuxPerWatt = 30;

    private static Figure[] BodyFigures(double megapixels) =>
    [
        new("fps", 8),
        new("rawMegabytes", Charge.TypicalRawMegabytes(megapixels)),
        new("jpegMegabytes", Math.Round(megapixels * 0.35)),
        new("bufferMegabytes", 1500),
        new("framesPerCharge", Charge.TypicalFramesPerCharge),
        new("baseIso", 100),
        new("fastestShutterSeconds", 1.0 / 8000),
        new("weightG", 700),
    ];

    /// <summary>
    /// What glass weighs, within about a third: the front element grows with the square of the pupil, speed costs glass, a zoom has a second
    /// set of it, and so have macros and the very wide.
    /// </summary>
    private static double GlassGrams(JsonObject lens)
    {
        if (End(lens["aperture"]) is not ({ } f and > 0) || End(lens["focal"]) is not { } longest) return 400;
        var shortest = Start(lens["focal"]) ?? longest;
        var pupilMm = longest / f;
        var grams = 100 + 0.13 * pupilMm * pupilMm + 500 / Math.Pow(f, 1.5);
        if (shortest < longest) grams += 1400 / f;
        if (Number(lens, "magnification") >= 0.5) grams += 200;
        if (shortest <= 16) grams += 200;
        return Math.Round(grams / 10) * 10;
    }

    private static bool IsExpress(JsonNode? type) => type?.GetValue<string>().StartsWith("CFexpress", StringComparison.Ordinal) == true;

    private readonly record struct Figure(string Name, JsonNode Value);

    private static double? Number(JsonObject thing, string name) => thing[name] is JsonValue value && value.TryGetValue<double>(out var number) ? number : null;

    private static double? Start(JsonNode? range) => range is JsonArray { Count: 2 } pair ? pair[0]!.GetValue<double>() : null;

    private static double? End(JsonNode? range) => range is JsonArray { Count: 2 } pair ? pair[1]!.GetValue<double>() : null;
}
