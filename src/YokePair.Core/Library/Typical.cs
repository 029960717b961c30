using System.Text.Json.Nodes;
using YokePair.Core.Basics;
using YokePair.Core.Optics;
using YokePair.Core.Plans;

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
        var estimated = new List<string>();
        switch (kind)
        {
            case "body":

                var megapixels = Number(thing, "megapixels") ?? 24;
                Guess("fps", 8);
                Guess("rawMegabytes", Charge.TypicalRawMegabytes(megapixels));
                Guess("jpegMegabytes", Math.Round(megapixels * 0.35));
                Guess("bufferMegabytes", 1500);
                Guess("framesPerCharge", Charge.TypicalFramesPerCharge);
                Guess("baseIso", 100);
                Guess("fastestShutterSeconds", 1.0 / 8000);
                Guess("weightG", 700);
                break;
            case "lens":
                Guess("magnification", 0.15);
                var pupilMm = End(thing["aperture"]) is { } f and > 0 ? (End(thing["focal"]) ?? 50) / f : 12;
                // Glass weighs about as its entrance pupil: within a third for most lenses.
                Guess("weightG", Math.Round((200 + pupilMm * pupilMm * 0.22) / 10) * 10);
                break;
            case "flash":
                Guess("guideNumber", 36);
                Guess("recycleSeconds", 2.5);
                Guess("fullPops", 180);
                if (thing["power"] is null) Guess("cellsType", "AA");
                Guess("weightG", 420);
                break;
            case "battery":
                Guess("wattHours", 14);
                Guess("health", 1);
                Guess("weightG", 80);
                break;
            case "cells":
                Guess("cellCount", 4);
                break;
            case "card":
                Guess("writeMegabytesPerSecond", thing["type"]?.GetValue<string>() is { } type && type.StartsWith("CFexpress", StringComparison.Ordinal) ? 400 : 80);
                break;
            case "charger":
                Guess("bays", 1);
                Guess("hours", 2.5);
                break;
            case "drive":
                Guess("minutesPerCard", 15);
                break;
        }
        if (estimated.Count > 0) thing["estimated"] = new JsonArray([.. estimated.Select(e => (JsonNode)e)]);
        return thing;

        void Guess(string name, JsonNode value)
        {
            if (thing[name] is not null) return;
            thing[name] = value;
            estimated.Add(name);
        }
    }

    private static double? Number(JsonObject thing, string name) => thing[name] is JsonValue value && value.TryGetValue<double>(out var number) ? number : null;

    private static double? End(JsonNode? range) => range is JsonArray { Count: 2 } pair ? pair[1]!.GetValue<double>() : null;
}
