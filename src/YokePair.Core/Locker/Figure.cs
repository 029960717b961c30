using System.Globalization;
using System.Text.Json.Nodes;
using YokePair.Core.Basics;

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
    /// <summary>Reads a figure as people write it, by the reader of everything typed.</summary>
    /// <param name="text">What was typed; not empty.</param>
    /// <returns>The value as the files hold it, or what would be right.</returns>
    public (JsonNode? Value, string? Problem) Parse(string text)
    {
        text = text.Trim();
        switch (Form)
        {
            case FigureForm.Number:
                return Told(FigureText.Number(this, text), n => n);
            case FigureForm.YesNo:
                return YesNo(text) is { } yes ? (yes, null) : (null, $"\"{text}\" is neither yes nor no");
            case FigureForm.Texts:
                return (new JsonArray([.. Pieces(text, '+', '|').Select(p => (JsonNode)p)]), null);
            case FigureForm.Range:
                var ends = Name == "aperture" ? TypedRange.FNumbers(text) : TypedRange.Read(text, Unit ?? "mm", "50 or 24-70");
                return Told(ends, e => new JsonArray(e.Low, e.High));
            case FigureForm.Numbers:
                return Told(TypedRange.Sizes(text, Unit), sides => new JsonArray([.. sides.Select(n => (JsonNode)n)]));
            case FigureForm.Day:
                return Told(TypedDay.Read(text), day => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture));
            case FigureForm.Choice:
                var wanted = Bare(text);
                return Options.FirstOrDefault(o => Bare(o) == wanted) is { } option ? (option, null)
                    : (null, $"\"{text}\" is none of {string.Join(", ", Options)}");
            case FigureForm.Slots:
                return ParseSlots(text);
            default:
                return (text, null);
        }

        static (JsonNode?, string?) Told<T>(Reading<T> read, Func<T, JsonNode> write) => read.Read ? (write(read.Value), null) : (null, read.Problem);
    }

    private static bool? YesNo(string text) => text.ToLowerInvariant() switch
    {
        "yes" or "true" or "1" or "y" or "x" or "✓" or "ja" or "oui" or "wahr" or "vrai" => true,
        "no" or "false" or "0" or "n" or "-" or "nein" or "non" or "falsch" or "faux" => false,
        _ => null,
    };

    /// <summary>Writes a value so that <see cref="Parse"/> reads the same back.</summary>
    public string Format(JsonNode? value) => value switch
    {
        null => "",
        JsonArray list when Form == FigureForm.Range => list.Count == 2 && list[0]!.ToJsonString() == list[1]!.ToJsonString() ? Plain(list[0])
            : string.Join('-', list.Select(Plain)),
        JsonArray list when Form == FigureForm.Numbers => string.Join('×', list.Select(Plain)),
        JsonArray list when Form == FigureForm.Slots => string.Join('+',
            list.Select(s => Plain(s!["type"]) + (s["writeMegabytesPerSecond"] is { } speed ? "@" + Plain(speed) : ""))),
        JsonArray list => string.Join('+', list.Select(Plain)),
        _ when Form == FigureForm.YesNo => value.GetValue<bool>() ? "yes" : "no",
        _ => Plain(value),
    };

    /// <summary>The same as one says it: short times as a fraction of a second. Not for tables, where programs take 1/60 for a month.</summary>
    public string Say(JsonNode? value) =>
        Unit == "s" && value is JsonValue number && number.TryGetValue<double>(out var seconds) && seconds is > 0 and < 0.5
            && Math.Round(1 / seconds) is var parts && Math.Abs(1 / seconds - parts) < 1e-6 * parts
            ? FormattableString.Invariant($"1/{parts}")
            : Format(value);

    /// <summary>The same with its unit.</summary>
    public string SayWithUnit(JsonNode? value) => Unit is null ? Say(value) : $"{Say(value)} {Unit}";

    private static string Plain(JsonNode? value) =>
        value is null ? "" : value.GetValueKind() == System.Text.Json.JsonValueKind.String ? value.GetValue<string>() : FigureText.Plain(value.ToJsonString());

    private static (JsonNode?, string?) ParseSlots(string text)
    {
        var slots = new JsonArray();
        foreach (var piece in Pieces(text, '+', '|'))
        {
            var at = piece.Split('@', 2);
            var slot = new JsonObject { ["type"] = CardTypes.Named(at[0]) ?? at[0].Trim() };
            if (at.Length == 2)
            {
                if (TypedQuantity.Read(at[1], "MB/s") is not { Read: true } speed) return (null, $"\"{at[1]}\" is no write speed in MB/s");
                slot["writeMegabytesPerSecond"] = speed.Value;
            }
            slots.Add(slot);
        }
        return (slots, null);
    }

    private static string[] Pieces(string text, params char[] separators) =>
        text.Split(separators, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);

    private static string Bare(string text) => string.Concat(text.Where(char.IsLetterOrDigit)).ToLowerInvariant();
}

/// <summary>Types of memory card and the short ways they are written.</summary>
public static class CardTypes
{
    /// <summary>The value of a figure; where it names types of card, each by its full name.</summary>
    public static JsonNode? Of(string kind, string figure, JsonNode? value) => (kind, figure, value) switch
    {
        (_, "cardTypes", JsonArray types) => new JsonArray([.. types.Select(t => (JsonNode)Full(t!))]),
        ("card", "type", JsonValue) or (_, "cardType", JsonValue) => Full(value),
        _ => value,
    };

    private static string Full(JsonNode type) => Named(type.GetValue<string>()) ?? type.GetValue<string>();

    /// <summary>The full name of a type written short; null when it is none.</summary>
    public static string? Named(string text) => text.Trim().ToLowerInvariant() switch
    {
        "cfx-b" or "cfxb" or "cfx b" or "cfx type b" => "CFexpress-B",
        "cfexpress-b" or "cfexpress" or "cfexpress b" or "cfexpress type b" or "cfexpress typ b" => "CFexpress-B",
        "cfx-a" or "cfxa" or "cfx a" or "cfx type a" or "cfexpress-a" or "cfexpress a" or "cfexpress type a" or "cfexpress typ a" => "CFexpress-A",
        "sd uhs-ii" or "sd uhs-i" or "sdxc uhs-ii" or "sdhc uhs-i" => "SD",
        "sd" or "sdxc" or "sdhc" or "uhs-ii" or "uhs-i" => "SD",
        "microsd" => "microSD",
        "cf" or "compactflash" => "CompactFlash",
        _ => null,
    };
}
