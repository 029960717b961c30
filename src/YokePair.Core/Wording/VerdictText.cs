using System.Text.Json.Serialization;

namespace YokePair.Core.Wording;

/// <summary>A verdict in two parts: the headline, and the details one may need to act.</summary>
/// <param name="Headline">What a tired person must see.</param>
/// <param name="Details">The rest, in pieces.</param>
public sealed record VerdictText(string Headline, IReadOnlyList<TextPiece> Details);

/// <summary>A piece of a sentence, with the ids it speaks of.</summary>
/// <param name="Text">The words.</param>
/// <param name="Item">Item id, if it names one.</param>
/// <param name="Part">Part id, if it names a need or part.</param>
/// <param name="Need">Need id, if it names one.</param>
public sealed record TextPiece(
    string Text,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] string? Item = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] string? Part = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] string? Need = null);
