using System.Globalization;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>Reads one quick-add line: finds the kind first, then gives every other word its meaning for that kind.</summary>
internal sealed class QuickLineReader(string line, KnownWords known)
{
    private readonly JsonObject thing = [];
    private readonly List<Understood> understood = [];
    private readonly List<PlanProblem> problems = [];
    private readonly List<int> numbers = [];
    private readonly List<string> name = [];
    private List<string> tokens = [];
    private string kind = "";
    private int copies = 1;

    public QuickLine Read()
    {
        var joined = QuickWords.SpacedAperture().Replace(line, "/");
        tokens = QuickWords.Tokens().Matches(joined).Select(m => m.Value.TrimEnd(',', ';')).Where(t => t.Length > 0).ToList();
        kind = KindIn();
        if (kind.Length == 0)
        {
            problems.Add(new PlanProblem("kind", $"say what it is: a lens as 24-70/2.8, or one of {string.Join(", ", FigureCatalogue.Kinds)}"));
            return QuickAdd.Finish(line, kind, thing, copies, numbers, understood, problems);
        }
        thing["kind"] = kind;
        for (var i = 0; i < tokens.Count; i++) Take(tokens[i], first: i == 0);
        if (name.Count > 0) thing["name"] = string.Join(' ', name);
        return QuickAdd.Finish(line, kind, thing, copies, numbers, understood, problems);
    }

    private string KindIn()
    {
        foreach (var token in tokens)
        {
            if (FigureCatalogue.Kinds.Contains(token.ToLowerInvariant())) return token.ToLowerInvariant();
            if (QuickWords.Kinds.TryGetValue(token, out var other)) return other.Kind;
        }
        return tokens.Any(t => QuickWords.Glass().IsMatch(t)) ? "lens" : "";
    }

    private void Take(string token, bool first)
    {
        if (first && kind != "converter" && QuickWords.Copies().Match(token) is { Success: true } times)
        {
            copies = Math.Max(1, int.Parse(times.Groups[1].Value, CultureInfo.InvariantCulture));
            Say(token, $"{copies} of them");
        }
        else if (token.Equals(kind, StringComparison.OrdinalIgnoreCase)) Say(token, "kind");
        else if (QuickWords.Kinds.TryGetValue(token, out var form) && form.Kind == kind) TakeForm(token, form.Form);
        else if (QuickWords.Numbers().Match(token) is { Success: true } number) TakeNumbers(token, number);
        else if (token.StartsWith('"')) TakeName(token.Trim('"'));
        else if (kind == "lens" && QuickWords.Glass().Match(token) is { Success: true } glass)
        {
            Set(token, "focal", Ends(glass.Groups[1], glass.Groups[2]));
            Set(token, "aperture", Ends(glass.Groups[3], glass.Groups[4]));
        }
        else if (kind == "lens" && QuickWords.ApertureAlone().Match(token) is { Success: true } alone) Set(token, "aperture", Ends(alone.Groups[1], alone.Groups[2]));
        else if (QuickWords.Date().IsMatch(token)) Set(token, "firstUse", token);
        else if (kind == "lens" && QuickWords.Reproduction().Match(token) is { Success: true } ratio) Set(token, "magnification", "1/" + ratio.Groups[1].Value);
        else if (token.StartsWith('@') && token.Length > 1) Set(token, "owner", token[1..]);
        else if (kind == "adapter" && QuickWords.MountToMount().Match(token) is { Success: true } mounts)
        {
            Set(token, "lensMount", mounts.Groups[1].Value);
            Set(token, "bodyMount", mounts.Groups[2].Value);
        }
        else if (QuickWords.Flags.TryGetValue(token, out var flag) && FigureCatalogue.Find(kind, flag.Figure) is not null) Set(token, flag.Figure, flag.Value);
        else if (QuickWords.Named().Match(token) is { Success: true } named && NamedFigure(named.Groups[1].Value) is { } figure) Set(token, figure, named.Groups[2].Value);
        else if (QuickWords.Measure().Match(token) is { Success: true } measure && MeasuredFigure(measure) is { } measured) Set(token, measured.Figure, measured.Value);
        else if (CardTypes(token) is { } cards) Set(token, cards, token);
        else if (QuickWords.Explicit().Match(token) is { Success: true } pair) TakeExplicit(token, pair);
        else if (Code(token) is { } code) Set(token, code, token);
        else if (kind is "card" or "drive" && thing["gigabytes"] is null && double.TryParse(token, NumberStyles.None, CultureInfo.InvariantCulture, out _)) Set(token, "gigabytes", token);
        else TakeName(token);
    }

    private void TakeForm(string token, string? form)
    {
        if (form is not null) Set(token, "form", form);
        else Say(token, kind);
        if (kind is "modifier" or "carry" or "case" or "light" || (kind == "trigger" && token.ToLowerInvariant() is "receiver" or "relay")) name.Add(char.ToUpperInvariant(token[0]) + token[1..]);
    }

    private void TakeNumbers(string token, Match number)
    {
        var from = int.Parse(number.Groups[1].Value, CultureInfo.InvariantCulture);
        var to = number.Groups[2].Success ? int.Parse(number.Groups[2].Value, CultureInfo.InvariantCulture) : from;
        if (to < from || to - from > 1000) problems.Add(new PlanProblem("number", $"\"{token}\" runs backwards or too far; write it as #11-12"));
        else numbers.AddRange(Enumerable.Range(from, to - from + 1));
        Say(token, from == to ? $"no. {from}" : $"nos. {from} to {to}");
        if (to > from && copies == 1) copies = to - from + 1;
    }

    private void TakeName(string word)
    {
        name.Add(word);
        Say(word, "name");
    }

    private void TakeExplicit(string token, Match pair)
    {
        var key = pair.Groups[1].Value;
        if (kind == "body" && key.StartsWith("sensor", StringComparison.OrdinalIgnoreCase))
        {
            if (LockerFigures.Set(thing, kind, LockerFigures.SensorWidth, pair.Groups[2].Value) is { } wrong) problems.Add(wrong);
            else Say(token, $"crop {thing["crop"]}");
            return;
        }
        var figure = FigureCatalogue.Find(kind, key) ?? (key.Equals("battery", StringComparison.OrdinalIgnoreCase) ? FigureCatalogue.Find(kind, "batteryType") ?? FigureCatalogue.Find(kind, "batteryTypes") : null);
        if (figure is null) problems.Add(new PlanProblem(key, $"a {kind} has no figure \"{key}\"; it has {string.Join(", ", FigureCatalogue.Of(kind).Select(f => f.Name))}"));
        else Set(token, figure.Name, pair.Groups[2].Value.Trim('"'));
    }

    private string? NamedFigure(string word) => (word.ToLowerInvariant(), kind) switch
    {
        ("iso", "body") => "isoCeiling",
        ("crop", "body") => "crop",
        ("crop", "lens") => "imageCircleCrop",
        ("gn", "flash") => "guideNumber",
        ("stab", "body" or "lens") => "stabilisationStops",
        ("ø", "lens") => "filterThreadMm",
        ("ø", "filter") => "threadMm",
        _ => null,
    };

    private (string Figure, string Value)? MeasuredFigure(Match measure)
    {
        var value = measure.Groups[1].Value;
        var number = double.Parse(value.Replace(',', '.'), CultureInfo.InvariantCulture);
        return (measure.Groups[2].Value.ToLowerInvariant(), kind) switch
        {
            ("g", _) => ("weightG", value),
            ("kg", _) => ("weightG", Text(number * 1000)),
            ("wh", "battery" or "pack" or "powerbank") => ("wattHours", value),
            ("gb", "card" or "drive") => ("gigabytes", value),
            ("tb", "card" or "drive") => ("gigabytes", Text(number * 1000)),
            ("mp", "body") => ("megapixels", value),
            ("fps", "body") => ("fps", value),
            ("mm", "tube") => ("extensionMm", value),
            ("mm", "filter") => thing["threadMm"] is null ? ("threadMm", value) : ("stepsToMm", value),
            ("mm", "lens") => ("filterThreadMm", value),
            ("w", "light") => ("watts", value),
            ("%", "battery") => ("health", Text(number / 100)),
            ("x" or "×", "body") => ("crop", value),
            ("x" or "×", "converter") => ("factor", value),
            ("x" or "×", "lens") => ("magnification", value),
            ("h", "charger") => ("hours", value),
            _ => null,
        };
    }

    private string? CardTypes(string token) =>
        token.Split('+').All(t => Locker.CardTypes.Named(t.Split('@')[0]) is not null)
            ? kind switch { "body" => "slots", "card" => "type", "reader" or "drive" => "cardTypes", _ => null }
            : null;

    private string? Code(string token)
    {
        var codes = token.Split('+');
        if (!codes.All(c => QuickWords.Code().IsMatch(c) || known.Mounts.Contains(c) || known.BatteryTypes.Contains(c) || known.RadioSystems.Contains(c) || c.Equals("AA", StringComparison.OrdinalIgnoreCase))) return null;
        switch (kind)
        {
            case "body":
                if (codes.All(known.BatteryTypes.Contains) && thing["batteryType"] is null) return "batteryType";
                if (codes.All(known.Mounts.Contains) && thing["mount"] is null) return "mount";
                // A code nobody has heard of is a mount or battery only where the line names none that is known; else it is a name.
                if (thing["mount"] is null && !tokens.Any(known.Mounts.Contains)) return "mount";
                return thing["batteryType"] is null && !tokens.Any(known.BatteryTypes.Contains) ? "batteryType" : null;
            case "lens" or "converter" or "tube":
                return thing["mount"] is null ? "mount" : null;
            case "battery" or "cells":
                return thing["type"] is null ? "type" : null;
            case "charger":
                return "batteryTypes";
            case "grip" or "light":
                return "batteryType";
            case "flash":
                return token.Equals("AA", StringComparison.OrdinalIgnoreCase) ? "cellsType" : thing["radioSystem"] is null ? "radioSystem" : null;
            case "trigger":
                return token.Equals("AA", StringComparison.OrdinalIgnoreCase) ? "cellsType"
                    : line.Contains("receiver", StringComparison.OrdinalIgnoreCase) || thing["sends"] is not null ? "hears" : "sends";
            default:
                return null;
        }
    }

    private void Set(string token, string figure, string text)
    {
        var known = FigureCatalogue.Find(kind, figure)!;
        var (value, problem) = known.Form == FigureForm.Text && figure == "type" && kind == "card" ? (Locker.CardTypes.Named(text) ?? text, null) : known.Parse(text);
        if (value is JsonArray types && figure == "cardTypes") value = new JsonArray([.. types.Select(t => (JsonNode)(Locker.CardTypes.Named(t!.GetValue<string>()) ?? t.GetValue<string>()))]);
        if (value is null)
        {
            problems.Add(new PlanProblem(figure, problem!));
            return;
        }
        thing[figure] = value;
        Say(token, $"{known.Words} {known.Say(value)}{(known.Unit is null ? "" : " " + known.Unit)}");
    }

    private void Say(string token, string meaning) => understood.Add(new Understood(token, meaning));

    private static string Ends(Group low, Group high) => high.Success ? $"{low.Value}-{high.Value}" : low.Value;

    private static string Text(double number) => Math.Round(number, 6).ToString(CultureInfo.InvariantCulture);
}
