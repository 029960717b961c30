using System.Text.Json.Serialization;
using YokePair.Core.Cards;
using YokePair.Core.Failure;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Swaps;
using YokePair.Core.Verdict;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>Everything the analysis says about a plan. All ids are the plan's own.</summary>
public sealed record Report
{
    /// <summary>The day in a sentence or two.</summary>
    public required string Verdict { get; init; }

    /// <summary>The same words in pieces, so that those which name a thing can lead to it.</summary>
    public required VerdictText VerdictParts { get; init; }

    /// <summary>Needs that are late or lost with nothing failed.</summary>
    public required IReadOnlyList<Gap> Gaps { get; init; }

    /// <summary>Items whose loss alone leaves a once or must need late or lost.</summary>
    public required IReadOnlyList<SinglePoint> SinglePoints { get; init; }

    /// <summary>Things of the plan that are not here on the day of a part: lent, rented out, in repair, lost, retired.</summary>
    public required IReadOnlyList<AwayThing> Away { get; init; }

    /// <summary>Things that are reckoned with and not here yet, with what becomes of the day without them.</summary>
    public required IReadOnlyList<ThingToGet> ToGet { get; init; }

    /// <summary>Changes of glass in the hands, from part to part.</summary>
    public required IReadOnlyList<HandChange> Changes { get; init; }

    /// <summary>Lights that must be set up or moved before a part.</summary>
    public required IReadOnlyList<LightMove> LightMoves { get; init; }

    /// <summary>Frames expected of each part.</summary>
    public required IReadOnlyList<PartFrames> Frames { get; init; }

    /// <summary>Every need of every part.</summary>
    public required IReadOnlyList<NeedReport> Needs { get; init; }

    /// <summary>How many strands carry each part.</summary>
    public required IReadOnlyList<PartReport> Parts { get; init; }

    /// <summary>How much hangs by each item that a once or must need could miss.</summary>
    public required IReadOnlyList<ItemReport> Items { get; init; }

    /// <summary>The loss of each single item, part by part. Empty where not asked for.</summary>
    public required IReadOnlyList<LossEvent> Events { get; init; }

    /// <summary>Batteries and cells, and what they do not reach.</summary>
    public required PowerReport Power { get; init; }

    /// <summary>Cards by type.</summary>
    public required IReadOnlyList<SupplyCount> Cards { get; init; }

    /// <summary>Where a busy day finds no room on any card; null = nowhere.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] public IReadOnlyList<Shortage>? NoRoom { get; init; }

    /// <summary>Types of card of which there are too few for the largest to die; null = none.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<CardType>? CardsShort { get; init; }

    /// <summary>What the rules' waits and seconds come to.</summary>
    public required Reckoning Reckoning { get; init; }

    /// <summary>The rules of the house that are switched on, and what is missing to keep them.</summary>
    public required IReadOnlyList<HouseRule> House { get; init; }

    /// <summary>Id of the place each thing that lies on or in another is packed in; none for what is in a place itself, or in none.</summary>
    public required IReadOnlyDictionary<string, string> Packed { get; init; }

    /// <summary>What is packed where.</summary>
    public required IReadOnlyList<PlaceCount> Carry { get; init; }

    /// <summary>
    /// Nothing uncovered, no single thing that costs a picture, no camera that goes dark, also with a battery dead, room for every frame,
    /// also with a card dead, and nothing in a hand that is not there.
    /// </summary>
    public bool Sound => NoRoom is null && CardsShort is null && Power.Short.Count == 0 && Power.WithoutOne.Count == 0
        && Gaps.Count == 0 && SinglePoints.Count == 0 && !Away.Any(a => a.InHand) && ToGet.All(t => t.Hits.Count == 0);
}

/// <summary>Batteries and cells of a day.</summary>
/// <param name="Types">How many there are, by type.</param>
/// <param name="Short">Where a camera goes dark on a busy day with everything there.</param>
/// <param name="WithoutOne">Types of battery of which there are too few for the best of them to die, with where a camera goes dark then.</param>
public sealed record PowerReport(IReadOnlyList<SupplyCount> Types, IReadOnlyList<PowerShort> Short, IReadOnlyList<PowerType> WithoutOne);

/// <summary>Frames expected of a part.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Count">Low, likely, high.</param>
/// <param name="Typed">Whether somebody typed them; else they follow from the kind of part and its length.</param>
public sealed record PartFrames(string Part, FrameCount Count, bool Typed);

/// <summary>What the analysis says of one need.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Need">Need id.</param>
/// <param name="Importance">What it is worth.</param>
/// <param name="Baseline">Outcome with nothing (more) failed.</param>
/// <param name="Margin">How many things must fail before it is late or lost; null = a gap, or more than three.</param>
/// <param name="Cuts">Minimal cut sets up to size three, as item ids.</param>
/// <param name="ToleranceSeconds">How long it can wait; null = without limit.</param>
/// <param name="Best">The way one would take; null when lost.</param>
/// <param name="Exhaustive">Whether every way was tried; else a moment of very many ways may stand better than shown.</param>
public sealed record NeedReport(
    string Part,
    string Need,
    Importance Importance,
    Outcome Baseline,
    int? Margin,
    IReadOnlyList<IReadOnlyList<string>> Cuts,
    double? ToleranceSeconds,
    WayReport? Best,
    bool Exhaustive)
{
    /// <summary>
    /// How many strands carry it: 0 broken, 1 hangs by one thing, 2, or 3 for three and more. The one number behind
    /// every strand mark.
    /// </summary>
    public int Strands => !Baseline.IsMet() ? 0 : Margin ?? 3;
}

/// <summary>A part as strong as the weakest of its once and must needs.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Strands">0 broken, 1 hangs by one thing, 2, or 3 for three and more.</param>
/// <param name="DuskEv">Light of its darkest minute, EV at ISO 100, where that is less than its light by day; null = it is not.</param>
/// <param name="Sunset">When the sun sets on its day, local time, where it is out of doors and that is known.</param>
public sealed record PartReport(
    string Part, int Strands,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] double? DuskEv = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] DateTime? Sunset = null);

/// <summary>An item that belongs to a cut set of a once or must need.</summary>
/// <param name="Item">Item id.</param>
/// <param name="Strands">Size of the smallest such set: 1 = it alone carries a need.</param>
/// <param name="Partners">Ids of the things any one of which carries a need together with it, where nothing carries it alone.</param>
/// <param name="PairedNeeds">How many needs it carries together with one of those.</param>
public sealed record ItemReport(string Item, int Strands, IReadOnlyList<string> Partners, int PairedNeeds);

/// <summary>A way of meeting a need.</summary>
/// <param name="Person">Who.</param>
/// <param name="Body">Body id; null where a role is served.</param>
/// <param name="Lens">Lens id; null where a role is served.</param>
/// <param name="Items">Every item it uses.</param>
/// <param name="Quality">Full or second best.</param>
/// <param name="Seconds">Seconds to bring it into use.</param>
/// <param name="Steps">What to do, in order; their seconds add up.</param>
public sealed record WayReport(string Person, string? Body, string? Lens, IReadOnlyList<string> Items, Quality Quality, double Seconds,
    IReadOnlyList<Step> Steps);

/// <summary>What a step of the hands is.</summary>
public enum StepAction
{
    /// <summary>Go to a place and take something out.</summary>
    Fetch,

    /// <summary>Get something from a colleague's hands.</summary>
    Borrow,

    /// <summary>Raise the camera.</summary>
    Raise,

    /// <summary>Change the lens.</summary>
    ChangeLens,

    /// <summary>Fit an adapter, converter or tube.</summary>
    FitAdapter,

    /// <summary>Change the battery or cells.</summary>
    ChangeBattery,

    /// <summary>Change a card.</summary>
    ChangeCard,

    /// <summary>Put a flash or trigger in the shoe.</summary>
    FitFlash,

    /// <summary>Put the camera on a tripod or monopod.</summary>
    FitSupport,

    /// <summary>Screw a filter in.</summary>
    FitFilter,

    /// <summary>Put a light on a stand.</summary>
    PlaceLight,
}

/// <summary>One step.</summary>
/// <param name="Action">What to do.</param>
/// <param name="Item">The item it is done with (of several fetched together, the first).</param>
/// <param name="Seconds">How long it takes.</param>
/// <param name="From">For a fetch the place id, or none from the lights in the room; for a borrow the person id.</param>
/// <param name="Items">For a fetch or borrow, everything taken from there.</param>
public sealed record Step(
    StepAction Action,
    string Item,
    double Seconds,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] string? From = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] IReadOnlyList<string>? Items = null);

/// <summary>Things that fail together, and what that does in each part.</summary>
/// <param name="Id">Id of the event; for a single item, the item's.</param>
/// <param name="Kind">Kind of event: <c>item</c>.</param>
/// <param name="Items">Ids of the items that are gone.</param>
/// <param name="Parts">Every part.</param>
public sealed record LossEvent(string Id, string Kind, IReadOnlyList<string> Items, IReadOnlyList<LossInPart> Parts);

/// <summary>What an event does in one part.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Worst">Worst outcome of its needs.</param>
/// <param name="Needs">Every need of the part.</param>
public sealed record LossInPart(string Part, Outcome Worst, IReadOnlyList<LossOfNeed> Needs);

/// <summary>What an event does to one need.</summary>
/// <param name="Need">Need id.</param>
/// <param name="Outcome">What becomes of it.</param>
/// <param name="Steps">What to do now; empty when the way one would have taken still stands, or none is left.</param>
public sealed record LossOfNeed(string Need, Outcome Outcome, IReadOnlyList<Step> Steps);

/// <summary>How many there are of a type, and how many can be used.</summary>
/// <param name="Type">Type of battery, cells or card.</param>
/// <param name="Carried">How many.</param>
/// <param name="Ready">How many are charged, or can record.</param>
public sealed record SupplyCount(string Type, int Carried, int Ready);

/// <summary>How many things a place holds, nested ones included.</summary>
/// <param name="Place">Place id.</param>
/// <param name="Items">How many.</param>
public sealed record PlaceCount(string Place, int Items);
