using System.Globalization;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>A piece of a typed line and what it was taken for.</summary>
/// <param name="Text">As typed.</param>
/// <param name="Label">What it is, e.g. weight.</param>
/// <param name="Value">As it was read, e.g. 820 g; empty where the label says all.</param>
/// <param name="Guess">Whether it was guessed, or assumed without a word.</param>
public sealed record Understood(string Text, string Label, string Value, bool Guess = false);

/// <summary>Something the arithmetic cannot do without.</summary>
/// <param name="Figure">Its name.</param>
/// <param name="Question">What to ask.</param>
/// <param name="Example">How an answer is typed.</param>
public sealed record StillAsked(string Figure, string Question, string Example);

/// <summary>A typed line, read.</summary>
/// <param name="Line">As typed.</param>
/// <param name="At">Its number in what was typed or pasted, from 1.</param>
/// <param name="Summary">What would be added, in a few words.</param>
/// <param name="Kind">The kind it was taken for; empty where none.</param>
/// <param name="KindBecause">Why that kind, where no word said so.</param>
/// <param name="Understood">Piece by piece.</param>
/// <param name="Missing">What must still be said.</param>
/// <param name="Problems">What cannot be.</param>
/// <param name="Estimates">Typical figures taken for what was not typed, in words.</param>
/// <param name="Things">The things, complete but for ids; empty while something is missing or wrong.</param>
public sealed record QuickLine(
    string Line,
    int At,
    string Summary,
    string Kind,
    string? KindBecause,
    IReadOnlyList<Understood> Understood,
    IReadOnlyList<StillAsked> Missing,
    IReadOnlyList<PlanProblem> Problems,
    IReadOnlyList<string> Estimates,
    IReadOnlyList<Item> Things)
{
    /// <summary>Whether it can be added as it stands.</summary>
    public bool Ready => Things.Count > 0;

    /// <summary>What a line that is no thing says of those below it; null for a thing.</summary>
    public string? Heading { get; init; }

    /// <summary>Figures that were read without a doubt, as tables write them.</summary>
    internal IReadOnlyList<(string Name, string Text)> Figures { get; init; } = [];

    /// <summary>What it is called, without a number.</summary>
    internal string Called { get; init; } = "";
}

/// <summary>
/// Reads lines as people note down their gear: <c>24-70/2.8 K2 #3 820g</c>, <c>2x card CFx-B 128 #11-12</c>,
/// <c>6x battery LB7 14.7Wh 2024-03</c>. The order of the words does not matter, except that a count comes first.
/// </summary>
public static class QuickAdd
{
    private const int MostCopies = 200;

    /// <summary>Reads each line that holds anything; what earlier lines name is known to later ones.</summary>
    public static IReadOnlyList<QuickLine> ReadAll(string text, KnownWords known) => new QuickPage(known).Read(text);

    internal static QuickLine Unread(string line, PlanProblem why) =>
        new(line[..Math.Min(line.Length, TypedLimits.LineLetters)], 0, "", "", null, [], [], [why], [], []);

    /// <summary>Reads one line.</summary>
    public static QuickLine Read(string line, KnownWords known) => new QuickLineReader(line, known).Read();

    internal static QuickLine Finish(string line, QuickKind found, JsonObject thing, int copies, IReadOnlyList<int> numbers,
        KnownWords known, List<Understood> understood, List<PlanProblem> problems)
    {
        var kind = found.Kind;
        if (copies > MostCopies || numbers.Count > MostCopies) problems.Add(new PlanProblem("count", $"at most {MostCopies} at once"));
        if (numbers.Count > 1 && copies > 1 && numbers.Count != copies) problems.Add(
            new PlanProblem("number", $"{copies} things and {numbers.Count} numbers; give one number, or as many as there are things"));
        var missing = Typical.Essentials(kind).Where(e => thing[e.Figure] is null && problems.All(p => p.Field != e.Figure))
            .Select(e => new StillAsked(e.Figure, e.Question, e.Example)).ToList();
        var things = new List<Item>();
        List<string> estimates = [];
        if (problems.Count == 0 && missing.Count == 0)
        {
            Typical.Fill(kind, thing);
            estimates = [.. (thing["estimated"]?.AsArray() ?? []).Select(e => e!.GetValue<string>()).Select(e => FigureCatalogue.Find(kind, e)!)
                .Select(f => $"{f.Words} {f.SayWithUnit(thing[f.Name])}")];
            var count = Math.Max(copies, numbers.Count);
            var after = Naming.LastOf(kind, thing, known, count);
            for (var i = 0; i < count; i++)
            {
                var one = (JsonObject)thing.DeepClone();
                one["id"] = "new";
                int? number = numbers.Count == count ? numbers[i] : numbers.Count == 1 ? numbers[0] + i : after + i + 1;
                if (number is { } n) one["number"] = n;
                one["name"] = Naming.Full(kind, one, number);
                var (item, wrong) = PlanFile.ReadItem(one);
                problems.AddRange(wrong);
                if (item is null) break;
                things.Add(item);
            }
        }
        if (problems.Count > 0) things.Clear();
        string[] typed = [.. FigureCatalogue.Of(kind).Select(f => f.Name).Where(n => n is not ("name" or "number") && thing[n] is not null
            && thing["estimated"]?.AsArray().Any(e => (string?)e == n) != true)];
        var what = kind.Length == 0 ? "not understood yet" : $"{kind} {Naming.Bare(kind, thing)}";
        return new QuickLine(line, 1, copies > 1 ? $"{copies.ToString(CultureInfo.InvariantCulture)} × {what}" : what, kind, found.Because,
            understood, missing, problems, estimates, things)
        {
            Called = Naming.Bare(kind, thing),
            Figures = [.. typed.Select(n => (n, FigureCatalogue.Find(kind, n)!.Format(thing[n])))],
        };
    }
}

/// <summary>What things are called when nobody says.</summary>
internal static partial class Naming
{
    public static string Full(string kind, JsonObject thing, int? number) =>
        number is { } n ? Numbered(Bare(kind, thing), kind, n) : Bare(kind, thing);

    /// <summary>A name with a number, as it is painted on.</summary>
    public static string Numbered(string name, string kind, int number) =>
        string.Create(CultureInfo.InvariantCulture, $"{name}{(kind == "card" ? " " : " no. ")}{number}");

    /// <summary>A thing's name without its number; other digits at the end belong to the name.</summary>
    public static string Stem(Item thing) => NumberAtEnd().Match(thing.Label) is { Success: true } end
        && (thing is Card || end.Groups["no"].Success || end.Groups["n"].Value == $"{thing.Number}") ? thing.Label[..end.Index] : thing.Label;

    /// <summary>
    /// After which number things go on that share a name: of two cameras, flashes or cards a plan must be able to say which. Null where one
    /// stands alone or any will do, as of batteries.
    /// </summary>
    public static int? LastOf(string kind, JsonObject thing, KnownWords known, int count) =>
        kind is "battery" or "cells" ? null
            : known.Numbers.TryGetValue((kind, Bare(kind, thing)), out var last) ? last
            : count > 1 ? 0 : null;

    [GeneratedRegex(@"\s+(?<no>no\.\s*)?(?<n>\d+)$")]
    private static partial Regex NumberAtEnd();

    public static string Bare(string kind, JsonObject thing)
    {
        if (thing["name"]?.GetValue<string>() is { Length: > 0 } name) return name;
        return kind switch
        {
            "lens" when thing["focal"] is { } focal && thing["aperture"] is { } aperture =>
                $"{Show("focal", focal)} f/{Show("aperture", aperture)}"
                    + (thing["magnification"] is JsonValue m && m.GetValue<double>() >= 0.5 ? " macro" : ""),
            "battery" or "cells" when thing["type"] is { } type => $"{type}",
            "card" => "Card",
            "adapter" when thing["lensMount"] is { } mount => $"{mount} adapter",
            "converter" when thing["factor"] is { } factor => $"{Show("factor", factor)}× converter",
            "tube" when thing["extensionMm"] is { } mm => $"{Show("extensionMm", mm)} mm tube",
            "charger" when thing["batteryTypes"] is JsonArray types => $"Charger {string.Join('+', types.Select(t => t!.GetValue<string>()))}",
            "filter" when thing["stepsToMm"] is { } to => $"Step-up ring {Show("threadMm", thing["threadMm"])}–{Show("stepsToMm", to)}",
            "filter" when thing["threadMm"] is { } thread => thing["stops"] is { } stops
                ? $"ND filter {Show("threadMm", thread)} mm, {Show("stops", stops)} stops" : $"Filter {Show("threadMm", thread)} mm",
            "support" when thing["form"] is { } form => Capital(form.GetValue<string>()),
            "powerbank" => "Power bank",
            _ => Capital(kind),
        };

        string Show(string figure, JsonNode? value) => FigureCatalogue.Find(kind, figure)!.Format(value).Replace('-', '–');
    }

    private static string Capital(string text) => text.Length == 0 ? text : char.ToUpperInvariant(text[0]) + text[1..];
}
