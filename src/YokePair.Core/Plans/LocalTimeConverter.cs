using System.Globalization;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

internal sealed class LocalTimeConverter : JsonConverter<DateTime?>
{
    private static readonly string[] Formats = ["yyyy-MM-dd'T'HH:mm", "yyyy-MM-dd'T'HH:mm:ss"];

    public override DateTime? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType == JsonTokenType.Null) return null;
        if (reader.TokenType == JsonTokenType.String
            && DateTime.TryParseExact(reader.GetString(), Formats, CultureInfo.InvariantCulture, DateTimeStyles.None, out var time))
            return time;
        throw new JsonException("expected a local time such as \"2027-06-12T14:00\"");
    }

    public override void Write(Utf8JsonWriter writer, DateTime? value, JsonSerializerOptions options)
    {
        if (value is not { } time) writer.WriteNullValue();
        else writer.WriteStringValue(time.ToString(time.Second == 0 ? Formats[0] : Formats[1], CultureInfo.InvariantCulture));
    }
}
