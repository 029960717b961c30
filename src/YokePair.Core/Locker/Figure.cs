using System.Globalization;
using System.Text.Json.Nodes;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>How a figure of a thing is written.</summary>
public enum FigureForm
{
    /// <summary>A number.</summary>
    Number,

    /// <summary>Yes or no.</summary>
    YesNo,

    /// <summary>A text.</summary>
    Text,

    /// <summary>Texts, joined by +.</summary>
    Texts,

    /// <summary>One number, or two joined by a dash.</summary>
    Range,

    /// <summary>Numbers, joined by ×.</summary>
    Numbers,

    /// <summary>A day, month or year.</summary>
    Day,

    /// <summary>One of a few words.</summary>
    Choice,

    /// <summary>Card slots: types joined by +, each with @ and its speed in MB/s where known.</summary>
    Slots,
}

/// <summary>One figure that things of some kinds have: a column of a table, a field of a form.</summary>
/// <param name="Name">Its name in the files, e.g. <c>filterThreadMm</c>.</param>
/// <param name="Words">What it is called, e.g. filter thread.</param>
/// <param name="Unit">Unit, where it has one.</param>
/// <param name="Form">How it is written.</param>
/// <param name="Options">The words of a choice.</param>
/// <param name="Kinds">Kinds of thing that have it.</param>
public sealed record Figure(string Name, string Words, string? Unit, FigureForm Form, IReadOnlyList<string> Options, IReadOnlyList<string> Kinds)
{
    private const NumberStyles Decimal = NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign | NumberStyles.AllowExponent;

    /// <summary>Reads a figure as people write it: decimal comma or point, spaces between thousands, its unit behind it.</summary>
    /// <param name="text">What was typed; not empty.</param>
    /// <returns>The value as the files hold it, or what would be right.</returns>
    public (JsonNode? Value, string? Problem) Parse(string text)
    {
        text = text.Trim();
        switch (Form)
        {
            case FigureForm.Number:
                return NumberIn(text) is { } number ? (number, null) : (null, $"\"{text}\" is no number{(Unit is null ? "" : $" of {Unit}")}");
            case FigureForm.YesNo:
                return text.ToLowerInvariant() switch
                {
                    "yes" or "true" or "1" or "y" or "x" => (true, null),
                    "no" or "false" or "0" or "n" => (false, null),
                    _ => (null, $"\"{text}\" is neither yes nor no"),
                };
            case FigureForm.Texts:
                return (new JsonArray([.. Pieces(text, '+', '|').Select(p => (JsonNode)p)]), null);
            case FigureForm.Range:
                var ends = Pieces(text, '-', '–').Select(NumberIn).ToArray();
                return ends is [{ } low] ? (new JsonArray(low, low), null) : ends is [{ } from, { } to] ? (new JsonArray(from, to), null)
                    : (null, $"\"{text}\" is neither one number nor two such as 24-70");
            case FigureForm.Numbers:
                var numbers = Pieces(text, '×', 'x', '*').Select(NumberIn).ToArray();
                return numbers.All(n => n is not null) ? (new JsonArray([.. numbers.Select(n => (JsonNode)n!.Value)]), null) : (null, $"\"{text}\" are no numbers such as 550×350×200");
            case FigureForm.Day:
                return DayConverter.Parse(text) is { } day ? (day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture), null) : (null, $"\"{text}\" is no day such as 2024-03-15, nor a month such as 2024-03");
            case FigureForm.Choice:
                var wanted = Bare(text);
                return Options.FirstOrDefault(o => Bare(o) == wanted) is { } option ? (option, null) : (null, $"\"{text}\" is none of {string.Join(", ", Options)}");
            case FigureForm.Slots:
                return ParseSlots(text);
            default:
                return (text, null);
        }
    }

    /// <summary>Writes a value so that <see cref="Parse"/> reads the same back.</summary>
    public string Format(JsonNode? value) => value switch
    {
        null => "",
        JsonArray list when Form == FigureForm.Range => list.Count == 2 && list[0]!.ToJsonString() == list[1]!.ToJsonString() ? Plain(list[0]) : string.Join('-', list.Select(Plain)),
        JsonArray list when Form == FigureForm.Numbers => string.Join('×', list.Select(Plain)),
        JsonArray list when Form == FigureForm.Slots => string.Join('+', list.Select(s => Plain(s!["type"]) + (s["writeMegabytesPerSecond"] is { } speed ? "@" + Plain(speed) : ""))),
        JsonArray list => string.Join('+', list.Select(Plain)),
        _ when Form == FigureForm.YesNo => value.GetValue<bool>() ? "yes" : "no",
        _ => Plain(value),
    };

    /// <summary>The same as one says it: short times as a fraction of a second. Not for tables, where programs take 1/60 for a month.</summary>
    public string Say(JsonNode? value) =>
        Unit == "s" && value is JsonValue number && number.TryGetValue<double>(out var seconds) && seconds is > 0 and < 0.5 && Math.Round(1 / seconds) is var parts && Math.Abs(1 / seconds - parts) < 1e-6 * parts
            ? FormattableString.Invariant($"1/{parts}")
            : Format(value);

    private static string Plain(JsonNode? value) =>
        value is null ? "" : value.GetValueKind() == System.Text.Json.JsonValueKind.String ? value.GetValue<string>() : value.ToJsonString();

    private (JsonNode?, string?) ParseSlots(string text)
    {
        var slots = new JsonArray();
        foreach (var piece in Pieces(text, '+', '|'))
        {
            var at = piece.Split('@', 2);
            var slot = new JsonObject { ["type"] = CardTypes.Named(at[0]) ?? at[0].Trim() };
            if (at.Length == 2)
            {
                if (NumberIn(at[1]) is not { } speed) return (null, $"\"{at[1]}\" is no write speed in MB/s");
                slot["writeMegabytesPerSecond"] = speed;
            }
            slots.Add(slot);
        }
        return (slots, null);
    }

    private double? NumberIn(string text)
    {
        text = text.Trim();
        if (Unit is not null && text.EndsWith(Unit, StringComparison.OrdinalIgnoreCase)) text = text[..^Unit.Length];
        text = string.Concat(text.Where(c => !char.IsWhiteSpace(c)));
        // A comma is the decimal sign unless a point is there already; then it sets off thousands.
        text = text.Contains('.', StringComparison.Ordinal) ? text.Replace(",", "", StringComparison.Ordinal) : text.Replace(',', '.');
        if (text.Split('/') is [var over, var under] && double.TryParse(over, Decimal, CultureInfo.InvariantCulture, out var a) && double.TryParse(under, Decimal, CultureInfo.InvariantCulture, out var b) && b != 0)
            return a / b;
        return double.TryParse(text, Decimal, CultureInfo.InvariantCulture, out var number) && double.IsFinite(number) ? number : null;
    }

    private static string[] Pieces(string text, params char[] separators) =>
        text.Split(separators, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);

    private static string Bare(string text) => string.Concat(text.Where(char.IsLetterOrDigit)).ToLowerInvariant();
}

/// <summary>Types of memory card and the short ways they are written.</summary>
public static class CardTypes
{
    /// <summary>The full name of a type written short; null when it is none.</summary>
    public static string? Named(string text) => text.Trim().ToLowerInvariant() switch
    {
        "cfx-b" or "cfxb" or "cfexpress-b" or "cfexpress" or "cfexpress type b" => "CFexpress-B",
        "cfx-a" or "cfxa" or "cfexpress-a" or "cfexpress type a" => "CFexpress-A",
        "sd" or "sdxc" or "sdhc" or "uhs-ii" or "uhs-i" => "SD",
        "microsd" => "microSD",
        "cf" or "compactflash" => "CompactFlash",
        _ => null,
    };
}
