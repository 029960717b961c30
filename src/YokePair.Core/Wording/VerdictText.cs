using System.Text.Json.Serialization;
using YokePair.Core.Failure;
using YokePair.Core.Verdict;

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
/// <param name="Grams">A weight instead of words, to be written in the reader's unit.</param>
/// <param name="Time">A local time instead of words, to be written as the reader writes times.</param>
public sealed record TextPiece(
    string Text,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] string? Item = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] string? Part = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] string? Need = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] double? Grams = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] DateTime? Time = null);

/// <summary>A thing that is planned and not there.</summary>
/// <param name="Item">Item id.</param>
/// <param name="Why">Why, in words: lent, in repair and until when.</param>
/// <param name="Parts">Ids of the parts it is missing in.</param>
/// <param name="InHand">Whether a setup of one of them names it.</param>
public sealed record AwayThing(string Item, string Why, IReadOnlyList<string> Parts, bool InHand);

/// <summary>A thing that is reckoned with and not here yet.</summary>
/// <param name="Item">Item id.</param>
/// <param name="What">What to ask for, with every figure it must have.</param>
/// <param name="Hits">The once and must needs that are not met, or hang by one thing, without it.</param>
public sealed record ThingToGet(string Item, string What, IReadOnlyList<Hit> Hits);

/// <summary>A need not met even when nothing fails.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Need">Need id.</param>
/// <param name="Outcome">Late or lost.</param>
/// <param name="Why">What keeps it from being met.</param>
public sealed record Gap(string Part, string Need, Outcome Outcome, string Why)
{
    /// <summary>The kind of thing that keeps it, without figures: what several needs lack in different degrees.</summary>
    [JsonIgnore] public string Lacks { get; init; } = Why;
}
