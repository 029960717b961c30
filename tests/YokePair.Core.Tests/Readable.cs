using System.Collections;
using System.Globalization;
using System.Reflection;
using System.Text;
using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Plans;
using YokePair.Core.Wording;

namespace YokePair.Core.Tests;

/// <summary>
/// Writes what the program tells as text that a person can read and compare: one line for what has figures only, sentences whole, what is
/// nothing left out.
/// </summary>
internal static class Readable
{
    public static string Of(object? told)
    {
        var text = new StringBuilder();
        Write(text, 0, "", told);
        return text.ToString();
    }

    private static void Write(StringBuilder text, int depth, string name, object? value)
    {
        if (value is null or "" or IList { Count: 0 }) return;
        var at = new string(' ', depth * 2);
        if (Plain(value) is { } plain) text.Append(at).Append(name).Append(name.Length > 0 ? ": " : "").Append(plain).Append('\n');
        else if (value is IDictionary pairs)
        {
            text.Append(at).Append(name).Append(":\n");
            foreach (var key in pairs.Keys.Cast<object>().OrderBy(k => $"{k}", StringComparer.Ordinal)) Write(text, depth + 1, Plain(key)!, pairs[key]);
        }
        else if (value is IEnumerable many)
        {
            if (name.Length > 0 && many.Cast<object>().Select(Short).ToList() is var few && few.TrueForAll(f => f is not null))
            {
                text.Append(at).Append(name).Append(": ").AppendJoin(" | ", few).Append('\n');
                return;
            }
            if (name.Length > 0) text.Append(at).Append(name).Append(":\n");
            foreach (var one in many) Write(text, depth + (name.Length > 0 ? 1 : 0), "", one);
        }
        else WriteOne(text, at, depth, name, value);
    }

    private static void WriteOne(StringBuilder text, string at, int depth, string name, object value)
    {
        var properties = PropertiesOf(value);
        text.Append(at).Append(name).Append(name.Length > 0 ? ": " : "- ").Append(Figures(properties)).Append('\n');
        foreach (var (inner, found) in properties.Where(p => p.Value is not null && Plain(p.Value) is null)) Write(text, depth + 1, inner, found);
    }

    private static List<(string Name, object? Value)> PropertiesOf(object value) =>
        [.. value.GetType().GetProperties(BindingFlags.Instance | BindingFlags.Public).Where(p => p.GetIndexParameters().Length == 0)
            .Select(p => (p.Name, p.GetValue(value)))];

    private static string Figures(List<(string Name, object? Value)> properties) =>
        string.Join(' ', properties.Where(p => p.Value is not (null or false or "") && Plain(p.Value) is not (null or ""))
            .Select(p => $"{p.Name}={Plain(p.Value!)}"));

    /// <summary>What has so few figures that several go into one line; null = it has more.</summary>
    private static string? Short(object value) =>
        Plain(value) is null && PropertiesOf(value) is var properties
            && properties.TrueForAll(p => p.Value is null or IList { Count: 0 } || Plain(p.Value) is not null)
        && Figures(properties) is { Length: < 60 } figures ? figures : null;

    /// <summary>What fits into a line; null = it does not.</summary>
    private static string? Plain(object value) => value switch
    {
        string said => said,
        bool or Enum or int or char or DateOnly or TimeOnly => string.Create(CultureInfo.InvariantCulture, $"{value}"),
        double figure => Math.Round(figure, 3).ToString(CultureInfo.InvariantCulture),
        DateTime time => time.ToString("yyyy-MM-dd HH:mm", CultureInfo.InvariantCulture),
        TextPiece piece => Piece(piece),
        IEnumerable<TextPiece> pieces => string.Concat(pieces.Select(Piece)),
        Item item => item.Id,
        PlanEdit edit => $"{edit.GetType().Name} {System.Text.Json.JsonSerializer.Serialize<PlanEdit>(edit, PlanFile.JsonOptions)}",
        IEnumerable<string> names => string.Join(", ", names),
        _ when value is IEnumerable<int> or IEnumerable<double> or IEnumerable<DateTime> =>
            string.Join(", ", ((IEnumerable)value).Cast<object>().Select(Plain)),
        Interval range => string.Create(CultureInfo.InvariantCulture, $"{Math.Round(range.Low, 3)}–{Math.Round(range.High, 3)}"),
        _ => null,
    };

    /// <summary>Words, and what they lead to.</summary>
    private static string Piece(TextPiece piece) => (piece.Item, piece.Part, piece.Need) switch
    {
        (null, null, null) when piece.Grams is { } grams => string.Create(CultureInfo.InvariantCulture, $"{piece.Text}{{{Math.Round(grams)} g}}"),
        (null, null, null) => piece is { Text: "", Time: { } time } ? Plain(time)! : piece.Text,
        var (item, part, need) => $"{piece.Text}[{item}{part}{(need is null ? "" : "/" + need)}]",
    };
}
