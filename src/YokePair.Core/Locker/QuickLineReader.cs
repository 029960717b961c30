using System.Globalization;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>
/// Reads one quick-add line: finds the kind first, then gives every other word its meaning for that kind. A word that holds a figure is
/// read, or asked about; it never slips into a name unseen.
/// </summary>
internal sealed partial class QuickLineReader(string line, KnownWords known)
{
    private readonly JsonObject thing = [];
    private readonly List<Understood> understood = [];
    private readonly List<PlanProblem> problems = [];
    private readonly List<int> numbers = [];
    private readonly List<string> name = [];
    private List<string> words = [];
    private QuickKind found = new("", null, null, null);
    private int copies = 1;
    private int lastName = -2;

    private string Kind => found.Kind;

    public QuickLine Read()
    {
        words = QuickPatterns.WordsOf(OfAllOfThem());
        found = QuickKind.In(words, known);
        if (Kind.Length == 0)
        {
            problems.Add(new PlanProblem("kind", $"say what it is: a lens as 24-70/2.8, or one of {string.Join(", ", FigureCatalogue.Kinds)}"));
            return QuickAdd.Finish(line, found, thing, copies, numbers, known, understood, problems);
        }
        thing["kind"] = Kind;
        for (var at = 0; at < words.Count; at++) Take(words[at], at);
        if (name.Count > 0) thing["name"] = string.Join(' ', name);
        if (PlanLimits.Name("name", thing["name"]?.GetValue<string>()) is { } unnamed) problems.Add(unnamed);
        Assume();
        return QuickAdd.Finish(line, found, thing, copies, numbers, known, understood, problems);
    }

    /// <summary>What is said of some of them only, as in (two are from 2019), is never taken for all: it is asked about.</summary>
    private string OfAllOfThem() => OfSome().Replace(line, m =>
    {
        problems.Add(new PlanProblem("", $"\"{m.Value.Trim('(', ')')}\" is said of some of them only; write those as a line of their own"));
        understood.Add(new Understood(m.Value, "said of some only", m.Value.Trim('(', ')'), Guess: true));
        return "";
    });

    private void Take(string word, int at)
    {
        var plain = QuickPatterns.Plain(word);
        if (IsCount(plain, at) is { } count) TakeCount(word, count);
        else if (word == found.Word || (found.Word is not null && IsKindAgain(plain))) TakeForm(word, plain);
        else if (Numbers().Match(plain) is { Success: true } number) TakeNumbers(word, number);
        else if (Kind == "cells" && QuickWords.IsSet(plain)) Say(word, "kind", "");
        else if (word.StartsWith('"')) TakeName(plain.Trim('"'), at);
        else if (TakeFigure(word, plain, at)) { }
        else if (QuickWords.Joins(plain) || (Kind == "lens" && IsFilter(plain))) { }
        else if (plain.Any(char.IsDigit)) TakeUnread(word, plain, at);
        else TakeName(plain, at);
    }

    /// <summary>How many: 6x, x4, (6), 6 pcs; a bare figure before a noun.</summary>
    private int? IsCount(string plain, int at)
    {
        if (at > 0 && Kind == "body" && Behind().Match(plain) is { Success: true } behind)
            return int.Parse(behind.Groups[1].Value, CultureInfo.InvariantCulture);
        if (Copies().Match(plain) is { Success: true } times && (Kind != "converter" || plain.StartsWith('(')) && (at == 0 || Kind is not ("lens" or "body")))
            return int.Parse(times.Groups.Values.Skip(1).First(g => g.Success).Value, CultureInfo.InvariantCulture);
        return at == 0 && words.Count > 1 && Whole().IsMatch(plain)
            && (words.Skip(1).Take(2).Contains(found.Word) || (Kind == "cells" && QuickWords.IsSet(words[1]))
                || QuickPatterns.IsCell(words[1]) || IsOtherNoun(plain) || known.BatteryTypes.Contains(words[1])
                || QuickKind.Slots(words[1]) is not null)
            // A prime before its noun is no count: 85 prime.
            && (Kind != "lens" || plain.Length == 1)
            ? int.Parse(plain, CultureInfo.InvariantCulture) : null;
    }

    /// <summary>A few of what is called by a word of its own, where the figures say the kind: 3 torches GN 58.</summary>
    private bool IsOtherNoun(string count) => found.Word is null && count.Length <= 2 && words.Count > 2 && words[1].All(char.IsLetter) && words[1].Length > 3
        && Kind is "flash" or "battery" or "card" or "cells" or "light";

    private static bool IsFilter(string plain) =>
        plain.Equals("filter", StringComparison.OrdinalIgnoreCase) || plain.Equals("filtre", StringComparison.OrdinalIgnoreCase);

    /// <summary>Another word for the same: memory card, LED panel lamp; or one that only says what the thing is for.</summary>
    private bool IsKindAgain(string plain) =>
        QuickWords.Kinds.TryGetValue(plain, out var noun) && !QuickWords.Flags.ContainsKey(plain)
        && (noun.Kind == Kind || (Kind, noun.Kind) is ("charger", "battery") or ("reader", "card") or ("trigger", "flash") or ("grip", "battery")
            or ("adapter", "lens"));

    private void TakeCount(string word, int count)
    {
        const int set = (int)Charge.TypicalCells;
        // Cells are counted one by one unless sets are named; a thing of the locker is one set of them.
        if (Kind == "cells" && count > 1 && !words.Any(QuickWords.IsSet))
        {
            copies = count % set == 0 ? count / set : 1;
            thing["cellCount"] = count / copies;
            Say(word, "cells", copies == 1 ? $"{count} in one set" : $"{count}, in {copies} sets of {set}");
            return;
        }
        copies = Math.Max(1, count);
        Say(word, "how many", $"{copies}");
    }

    private void TakeForm(string word, string plain)
    {
        if (QuickWords.Kinds.TryGetValue(plain, out var noun) && noun.Form is { } form && Kind == "support") Set(word, "form", form);
        else Say(word, "kind", "");
        var called = Kind is "modifier" or "carry" or "case" or "light" or "other" || (Kind == "trigger" && noun.Form is not null);
        if (called && word == found.Word && !plain.Equals(Kind, StringComparison.OrdinalIgnoreCase)) name.Add(char.ToUpperInvariant(plain[0]) + plain[1..]);
    }

    private void TakeNumbers(string word, Match number)
    {
        var from = int.Parse(number.Groups[1].Value, CultureInfo.InvariantCulture);
        var to = number.Groups[2].Success ? int.Parse(number.Groups[2].Value, CultureInfo.InvariantCulture) : from;
        if (to < from || to - from > 1000) problems.Add(new PlanProblem("number",
            $"\"{QuickPatterns.Plain(word)}\" runs backwards or too far; write it as #11-12"));
        else numbers.AddRange(Enumerable.Range(from, to - from + 1));
        Say(word, "number", from == to ? $"{from}" : $"{from} to {to}");
        if (to > from && copies == 1) copies = to - from + 1;
    }

    private void TakeName(string word, int at)
    {
        name.Add(word);
        lastName = at;
        Say(word, "called", word);
    }

    /// <summary>A figure nobody can place. Right behind a name or the kind it is the model's; elsewhere it is asked about.</summary>
    private void TakeUnread(string word, string plain, int at)
    {
        if ((lastName == at - 1 || (at > 0 && words[at - 1] == found.Word)) && Kind is not ("battery" or "cells" or "card" or "lens") && Model().IsMatch(plain))
        {
            name.Add(plain);
            understood.Add(new Understood(plain, "called", plain, Guess: true));
            return;
        }
        problems.Add(new PlanProblem("", $"\"{plain}\" is not understood of a {Kind}; say what it is, or put it in quotation marks if it belongs to the name"));
        understood.Add(new Understood(plain, "not understood", plain, Guess: true));
    }

    private bool TakeFigure(string word, string plain, int at)
    {
        if (QuickWords.Flags.TryGetValue(plain, out var flag) && FigureCatalogue.Find(Kind, flag.Figure) is not null) return Set(word, flag.Figure, flag.Value);
        if (Explicit().Match(plain) is { Success: true } pair && !plain.StartsWith("1:", StringComparison.Ordinal)) return TakeExplicit(word, pair);
        if (SerialNumber().Match(plain) is { Success: true } serial) return Set(word, "serial", serial.Groups[1].Value);
        if (plain.StartsWith('@') && plain.Length > 1) return Set(word, "owner", plain[1..]);
        if (Kind == "lens" && TakeGlass(word, plain)) return true;
        if (QuickMeasures.Named(plain, Kind) is { } named) return Set(word, named.Figure, named.Text);
        if (QuickMeasures.Of(plain, Kind, figure => thing[figure] is not null
            || (figure == "focal" && words.Any(w => QuickPatterns.FocalAndAperture().IsMatch(w)))) is { } measured)
            return Set(word, measured.Figure, measured.Text);
        if (MilliampHours().IsMatch(plain)) return Say(word, "power is reckoned in Wh, not in", plain);
        if (Kind == "adapter" && QuickPatterns.MountToMount().Match(plain) is { Success: true } mounts)
            return Set(word, "lensMount", mounts.Groups["from"].Value) && Set(word, "bodyMount", mounts.Groups["to"].Value);
        if (Kind is "case" && TimesSigns().Count(plain) == 2) return Set(word, "innerMm", plain);
        if (TimesSigns().Count(plain) == 2) return Set(word, "sizeMm", plain);
        if (OfMount().Match(plain) is { Success: true } called && FigureCatalogue.Find(Kind, "mount") is not null)
            return Set(word, "mount", called.Groups["mount"].Value);
        if (QuickKind.Slots(plain) is { } slots && SlotFigure() is { } cards) return Set(word, cards, string.Join('+', slots));
        if (Kind == "lens" && at > 0 && IsFilter(words[at - 1]) && Whole().IsMatch(plain)) return Set(word, "filterThreadMm", plain);
        if (Kind == "filter" && StepUp().Match(plain) is { Success: true } step)
            return Set(word, "threadMm", step.Groups[1].Value) && Set(word, "stepsToMm", step.Groups[2].Value);
        if (Kind == "card" && SpeedClass().IsMatch(plain)) return Say(word, "speed class", plain.ToUpperInvariant());
        if (Labelled(plain, at) is { } labelled) return Set(word, labelled, plain);
        if (Code(plain) is { } code) return Set(word, code, plain, guess: code == "sends" || (Kind == "body" && !IsKnown(plain)));
        if (Date().IsMatch(plain)) return Set(word, "firstUse", plain);
        if (Kind is "card" or "drive" && thing["gigabytes"] is null && Whole().IsMatch(plain)) return Set(word, "gigabytes", plain);
        return false;
    }

    /// <summary>Glass: both at once, or one after the other.</summary>
    private bool TakeGlass(string word, string plain)
    {
        if (QuickPatterns.FocalAndAperture().Match(plain) is { Success: true } glass && thing["focal"] is null)
            return Set(word, "focal", Ends(glass.Groups["from"], glass.Groups["to"])) && Set(word, "aperture", Ends(glass.Groups["f"], glass.Groups["f2"]));
        var aperture = thing["aperture"] is not null || words.Any(w => QuickPatterns.FocalAndAperture().IsMatch(w));
        if (Reproduction().Match(plain) is { Success: true }
            && (aperture || plain.Replace(" ", "", StringComparison.Ordinal) == "1:1")) return Set(word, "magnification", plain);
        if (!aperture && (QuickPatterns.ApertureAlone().IsMatch(plain) || (Decimal().IsMatch(plain) && thing["focal"] is not null))) return Set(word,
            "aperture", plain);
        return thing["focal"] is null && FocalOnly().IsMatch(plain) && !words.Any(w => QuickPatterns.FocalAndAperture().IsMatch(w))
            && Set(word, "focal", plain);
    }

    private bool TakeExplicit(string word, Match pair)
    {
        var key = pair.Groups[1].Value;
        if (Kind == "body" && key.StartsWith("sensor", StringComparison.OrdinalIgnoreCase))
        {
            if (LockerFigures.Set(thing, Kind, LockerFigures.SensorWidth, pair.Groups[2].Value) is { } wrong) problems.Add(wrong);
            else Say(word, "crop", $"{thing["crop"]}");
            return true;
        }
        var figure = FigureCatalogue.Find(Kind, key)
            ?? (key.Equals("battery", StringComparison.OrdinalIgnoreCase)
                ? FigureCatalogue.Find(Kind, "batteryType") ?? FigureCatalogue.Find(Kind, "batteryTypes") : null)
            ?? (key.Equals("radio", StringComparison.OrdinalIgnoreCase) ? FigureCatalogue.Find(Kind, Kind == "trigger" ? "sends" : "radioSystem") : null);
        if (figure is not null) return Set(word, figure.Name, pair.Groups[2].Value.Trim('"'));
        problems.Add(new PlanProblem(key, $"a {Kind} has no figure \"{key}\"; it has {string.Join(", ", FigureCatalogue.Of(Kind).Select(f => f.Name))}"));
        return true;
    }

    private string? SlotFigure() => Kind switch { "body" => "slots", "card" => "type", "reader" or "drive" => "cardTypes", "other" => "cardType", _ => null };

    private bool IsKnown(string code) => known.Mounts.Contains(code) || known.BatteryTypes.Contains(code) || known.RadioSystems.Contains(code);

    /// <summary>A code with the word for it before it: mount K2, battery LB7.</summary>
    private string? Labelled(string plain, int at) => at == 0 || !CodeShape().IsMatch(plain) ? null : (Kind, words[at - 1].ToLowerInvariant()) switch
    {
        ("body" or "lens" or "converter" or "tube", "mount" or "bajonett" or "monture") => "mount",
        ("body" or "grip" or "light", "battery" or "akku" or "batterie" or "accu") => "batteryType",
        _ => null,
    };

    private string? Code(string plain)
    {
        var codes = plain.Split('+');
        if (!codes.All(c => CodeShape().IsMatch(c) || IsKnown(c) || QuickPatterns.IsCell(c))) return null;
        var cell = QuickPatterns.IsCell(plain);
        switch (Kind)
        {
            case "body":
                if (codes.All(known.BatteryTypes.Contains) && thing["batteryType"] is null) return "batteryType";
                if (codes.All(known.Mounts.Contains) && thing["mount"] is null) return "mount";
                // A code nobody has heard of is a mount or battery only where the line names none that is known.
                if (lastName >= 0 && words.IndexOf(plain) == lastName + 1
                    && words.Count(w => CodeShape().IsMatch(w) && QuickMeasures.Named(w, Kind) is null) > 2) return null;
                if (thing["mount"] is null && !words.Any(known.Mounts.Contains)) return "mount";
                return thing["batteryType"] is null && !words.Any(known.BatteryTypes.Contains) ? "batteryType" : null;
            case "lens" or "converter" or "tube":
                return thing["mount"] is null ? "mount" : null;
            case "battery" or "cells":
                return thing["type"] is null ? "type" : null;
            case "charger":
                return "batteryTypes";
            case "grip" or "light":
                return "batteryType";
            case "flash":
                return cell ? "cellsType" : thing["radioSystem"] is null ? "radioSystem" : null;
            case "trigger":
                return cell ? "cellsType" : found.Form == "receiver" || thing["sends"] is not null ? "hears" : "sends";
            default:
                return cell && FigureCatalogue.Find(Kind, "cellsType") is not null ? "cellsType" : null;
        }
    }

    /// <summary>What goes without saying, and is marked: a flash of a radio system hears it. That it sends is never assumed.</summary>
    private void Assume()
    {
        if (Kind == "flash" && thing["radioSystem"] is not null
            && thing["canHear"] is null) understood.Add(new Understood("", "hears", $"{thing["radioSystem"]}, assumed", Guess: true));
    }

    private bool Set(string word, string figure, string text, bool guess = false)
    {
        var catalogued = FigureCatalogue.Find(Kind, figure)!;
        var (read, problem) = catalogued.Parse(text);
        var value = CardTypes.Of(Kind, figure, read);
        if (value is null)
        {
            problems.Add(new PlanProblem(figure, problem!));
            return true;
        }
        if (thing[figure] is { } before && before.ToJsonString() != value.ToJsonString())
        {
            problems.Add(new PlanProblem(figure, $"\"{QuickPatterns.Plain(word)}\" is another {catalogued.Words} beside {catalogued.Say(before)}; keep one"));
            return true;
        }
        thing[figure] = value;
        understood.Add(new Understood(QuickPatterns.Plain(word), catalogued.Words,
            catalogued.SayWithUnit(value), guess));
        return true;
    }

    private bool Say(string word, string label, string value)
    {
        understood.Add(new Understood(QuickPatterns.Plain(word), label, QuickPatterns.Plain(value)));
        return true;
    }

    private static string Ends(Group low, Group high) => high.Success ? $"{low.Value}-{high.Value}" : low.Value;

    [GeneratedRegex(@"^(\d{1,3})\s?[x×]$|^[x×]\s?(\d{1,3})$|^\((\d{1,3})\)$|^(\d{1,3})\s(?:stück|stk\.?|pcs\.?|pieces|pièces)$", RegexOptions.IgnoreCase)]
    private static partial Regex Copies();

    /// <summary>How many, behind a body: a small x, for a large one is a model's.</summary>
    [GeneratedRegex(@"^[x×]\s?(\d{1,2})$")]
    private static partial Regex Behind();

    [GeneratedRegex(@"^(?:(?<mount>[A-Z]\w{0,3})[\s-]mount|mount\s(?<mount>[A-Z]\w{0,3}))$")]
    private static partial Regex OfMount();

    [GeneratedRegex(@"\((?:one|two|three|four|five|some|a\sfew|\d{1,2}|eine[rs]?|zwei|drei|vier|un|une|deux|trois)\s+(?:of\sthem\s|davon\s|de\s)?"
        + @"(?:is|are|was|were|has|have|with|from|fails?|sticks?|needs?|weak|old|dead|broken|loose|ist|sind|hat|haben|defekt|est|sont|a|ont)\b[^)]*\)",
        RegexOptions.IgnoreCase)]
    private static partial Regex OfSome();

    [GeneratedRegex(@"^\d{1,4}$")]
    private static partial Regex Whole();

    [GeneratedRegex(@"^(\d{2,3})\s?(?:[-–>→]|to|auf)\s?(\d{2,3})(?:\s?mm)?$")]
    private static partial Regex StepUp();

    [GeneratedRegex(@"^[vu]\d{1,2}$", RegexOptions.IgnoreCase)]
    private static partial Regex SpeedClass();

    [GeneratedRegex(@"^\d{1,2}[.,]\d{1,2}(?:-\d{1,2}(?:[.,]\d)?)?$")]
    private static partial Regex Decimal();

    [GeneratedRegex(@"^\d{1,4}(?:[-–]\d{1,4})?(?:\s?mm)?$", RegexOptions.IgnoreCase)]
    private static partial Regex FocalOnly();

    [GeneratedRegex(@"^(?:#|(?:no|nr|num|n°|№|nº)\.?\s*)\s?(\d{1,5})(?:\s*[-–]\s*(\d{1,5}))?$", RegexOptions.IgnoreCase)]
    private static partial Regex Numbers();

    [GeneratedRegex(@"^1\s*:\s*\d+(?:[.,]\d+)?$")]
    private static partial Regex Reproduction();

    [GeneratedRegex(@"^(?:s/n|serial(?:\s(?:no|number))?)\.?\s*[:#]?\s*([\w-]+)$", RegexOptions.IgnoreCase)]
    private static partial Regex SerialNumber();

    [GeneratedRegex(@"^\d+(?:[.,]\d+)?\s*m?ah$", RegexOptions.IgnoreCase)]
    private static partial Regex MilliampHours();

    [GeneratedRegex(@"[x×*]", RegexOptions.IgnoreCase)]
    private static partial Regex TimesSigns();

    [GeneratedRegex(@"^(?:(?:19|20)\d\d(?:-\d{1,2}){0,2}|\d{1,2}[./]\d{4}|\d{1,2}[./]\d{1,2}[./]\d{2,4}|\p{L}{3,}\.?\s(?:19|20)\d\d)$")]
    private static partial Regex Date();

    /// <summary>A model's figure behind its name: Halm 45, Orrin X2.</summary>
    [GeneratedRegex(@"^[A-Za-z]{0,3}-?\d{1,4}[A-Za-z]{0,2}$")]
    private static partial Regex Model();

    [GeneratedRegex(@"^(?!s/n)([A-Za-z]\w*):(.+)$")]
    private static partial Regex Explicit();

    [GeneratedRegex(@"^[A-Za-z]{1,4}-?\d{1,3}[A-Za-z]?$")]
    private static partial Regex CodeShape();
}
