using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Basics;

/// <summary>A closed interval, written in a plan file as an array of two numbers.</summary>
/// <param name="Low">The lower end (for an aperture: the f-number at the short end of the range).</param>
/// <param name="High">The upper end (for an aperture: the f-number at the long end of the range).</param>
[JsonConverter(typeof(IntervalConverter))]
public readonly record struct Interval(double Low, double High)
{
    /// <summary>The same interval with both ends multiplied.</summary>
    public Interval Times(double factor) => new(Low * factor, High * factor);
}

internal sealed class IntervalConverter : JsonConverter<Interval>
{
    public override Interval Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType != JsonTokenType.StartArray) throw TwoNumbers();
        var low = Next(ref reader);
        var high = Next(ref reader);
        if (!reader.Read() || reader.TokenType != JsonTokenType.EndArray) throw TwoNumbers();
        return new Interval(low, high);
    }

    public override void Write(Utf8JsonWriter writer, Interval value, JsonSerializerOptions options)
    {
        writer.WriteStartArray();
        writer.WriteNumberValue(value.Low);
        writer.WriteNumberValue(value.High);
        writer.WriteEndArray();
    }

    private static double Next(ref Utf8JsonReader reader) =>
        reader.Read() && reader.TokenType == JsonTokenType.Number ? reader.GetDouble() : throw TwoNumbers();

    private static JsonException TwoNumbers() => new("expected two numbers, such as [24, 70]");
}
