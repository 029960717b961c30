using System.Globalization;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>Reads a day as <c>2024-03-15</c>, or a month or year as its first day; writes whole days.</summary>
internal sealed class DayConverter : JsonConverter<DateOnly?>
{
    private static readonly string[] Formats = ["yyyy-MM-dd", "yyyy-MM", "yyyy"];

    public static DateOnly? Parse(string? text) =>
        DateOnly.TryParseExact(text, Formats, CultureInfo.InvariantCulture, DateTimeStyles.None, out var day) ? day : null;

    public override DateOnly? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType == JsonTokenType.Null) return null;
        return (reader.TokenType == JsonTokenType.String ? Parse(reader.GetString()) : null)
            ?? throw new JsonException("expected a day such as \"2024-03-15\", or a month such as \"2024-03\"");
    }

    public override void Write(Utf8JsonWriter writer, DateOnly? value, JsonSerializerOptions options)
    {
        if (value is { } day) writer.WriteStringValue(day.ToString(Formats[0], CultureInfo.InvariantCulture));
        else writer.WriteNullValue();
    }
}
