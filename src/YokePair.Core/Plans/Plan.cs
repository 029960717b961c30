using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>
/// One assignment with everything its analysis needs. A value: it is read from a plan file, never changed in place.
/// Fields this version does not know are kept in <see cref="Extra"/> so that a round trip loses nothing.
/// </summary>
public sealed record Plan
{
    /// <summary>The value of <see cref="Format"/> in every plan file.</summary>
    public const string FormatName = "yoke-pair/plan";

    /// <summary>The version this code reads and writes.</summary>
    public const int CurrentVersion = 1;

    /// <summary>Always <see cref="FormatName"/>.</summary>
    public required string Format { get; init; }

    /// <summary>Version of the format, 1.</summary>
    public required int Version { get; init; }

    /// <summary>What is planned.</summary>
    public Assignment Assignment { get; init; } = new();

    /// <summary>Constants of the arithmetic, each with the craft's usual default.</summary>
    public Rules Rules { get; init; } = new();

    /// <summary>By id, the share of a full charge that things have as the day begins, where the record knows of it; the rest are full. No part of
    /// the file.</summary>
    [JsonIgnore] public IReadOnlyDictionary<string, double>? Left { get; init; }

    /// <summary>By id, the assignment that things are promised to meanwhile, so that they are not here. No part of the file.</summary>
    [JsonIgnore] public IReadOnlyDictionary<string, Promise>? Promised { get; init; }

    /// <summary>The other assignment that has a thing on a day, be it in this plan or at home; null = none has.</summary>
    public Promise? PromisedOn(string item, DateOnly day) =>
        Promised is { } promised && promised.GetValueOrDefault(item) is { } assignment && assignment.Holds(day) ? assignment : null;

    /// <summary>Who acts.</summary>
    public IReadOnlyList<Person> People { get; init; } = [];

    /// <summary>Where things can be, other than in a hand or in one another.</summary>
    public IReadOnlyList<Place> Places { get; init; } = [];

    /// <summary>Every physical thing of the assignment. What is not listed does not exist.</summary>
    public IReadOnlyList<Item> Items { get; init; } = [];

    /// <summary>What the owner knows of pairs of things beyond their mounts and types.</summary>
    public IReadOnlyList<PairRule>? Pairs { get; init; }

    /// <summary>
    /// What the owner knows of things that are not packed, so that it counts as soon as they are. Not part of the file: the
    /// locker keeps it.
    /// </summary>
    [JsonIgnore] public IReadOnlyList<PairRule>? PairsAtHome { get; init; }

    /// <summary>Things the photographer fears for together, beyond what is tried anyway.</summary>
    public IReadOnlyList<PlannedLoss>? Events { get; init; }

    /// <summary>The stretches of the day, in the order of the file.</summary>
    public IReadOnlyList<Part> Parts { get; init; } = [];

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}

/// <summary>Name and kind of the assignment.</summary>
public sealed record Assignment
{
    /// <summary>Stable id.</summary>
    public string Id { get; init; } = "assignment";

    /// <summary>What the photographer calls it.</summary>
    public string Name { get; init; } = "Untitled assignment";

    /// <summary>Whether two files speak of one assignment: the same id and name, as when a file is opened twice.</summary>
    public bool IsOneWith(Assignment other) => Id == other.Id && Name == other.Name;

    /// <summary>Free word: wedding, event, sport.</summary>
    public string? Kind { get; init; }

    /// <summary>IANA zone in which the local times of the parts are meant.</summary>
    public string? TimeZone { get; init; }

    /// <summary>When the sun sets there, local time; null = worked out from where it is, where that is said.</summary>
    public TimeOnly? Sunset { get; init; }

    /// <summary>Where it is: degrees of latitude, north positive.</summary>
    public double? Latitude { get; init; }

    /// <summary>Degrees of longitude, east positive.</summary>
    public double? Longitude { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}

/// <summary>Constants the user may change.</summary>
public sealed record Rules
{
    /// <summary>Whether every frame is to be recorded twice at once.</summary>
    public bool DualRecord { get; init; } = true;

    /// <summary>Whether a card slot, from 0, takes the JPEGs.</summary>
    public bool TakesJpeg(int slot) => DualRecord && Cards.Second == SecondSlot.Jpeg && slot == 1;

    /// <summary>Fewest megapixels left after any crop, unless a need says otherwise.</summary>
    public double MinMegapixels { get; init; } = 8;

    /// <summary>How many times too long a lens may be for a static subject that can be stitched.</summary>
    public double StitchLimit { get; init; } = 2.5;

    /// <summary>ISO at which on-camera flash is reckoned, or the body's ceiling if that is lower.</summary>
    public double FlashIso { get; init; } = 1600;

    /// <summary>Whether what happens once is begun with a full battery where one has them; else batteries are changed as rarely as can be.</summary>
    public bool FreshBeforeOnce { get; init; } = true;

    /// <summary>How batteries and cells are used and charged.</summary>
    public PowerRules Power { get; init; } = new();

    /// <summary>How cards are changed, shared out and copied.</summary>
    public CardRules Cards { get; init; } = new();

    /// <summary>How long a need may wait, by importance.</summary>
    public Tolerances Tolerance { get; init; } = new();

    /// <summary>How long each operation of the hands takes.</summary>
    public HandlingSeconds Seconds { get; init; } = new();

    /// <summary>What is asked of a kit whatever the needs say.</summary>
    public House House { get; init; } = new();

    /// <summary>What the carrier takes; null = nobody has said, and nothing is limited.</summary>
    public CarrierRules? Carrier { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}

/// <summary>Rules of the house, each with a switch. No proposal breaks one further than it is broken.</summary>
public sealed record House
{
    /// <summary>Two working bodies for everyone who photographs.</summary>
    public bool TwoBodiesEach { get; init; } = true;

    /// <summary>The lead alone could do every once and must, one at a time.</summary>
    public bool LeadAlone { get; init; }

    /// <summary>One full change of cells for every flash.</summary>
    public bool CellsForEachFlash { get; init; } = true;

    /// <summary>Two senders where lights on stands are asked.</summary>
    public bool TwoSenders { get; init; } = true;

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}

/// <summary>Seconds a need of each importance may wait; a nice need waits without limit.</summary>
public sealed record Tolerances
{
    /// <summary>For what happens once.</summary>
    public double Once { get; init; } = 15;

    /// <summary>For what must be had in its part.</summary>
    public double Must { get; init; } = 300;

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}

/// <summary>Seconds that each operation takes.</summary>
public sealed record HandlingSeconds
{
    /// <summary>Raise another camera to the eye.</summary>
    public double Raise { get; init; } = 5;

    /// <summary>Take one lens off and put another on.</summary>
    public double ChangeLens { get; init; } = 30;

    /// <summary>Fit an adapter, converter or tube that is not already on the lens.</summary>
    public double FitAdapter { get; init; } = 15;

    /// <summary>Change a battery, or a flash's cells.</summary>
    public double ChangeBattery { get; init; } = 20;

    /// <summary>Change one card.</summary>
    public double ChangeCard { get; init; } = 20;

    /// <summary>Slide a flash into the shoe and lock it.</summary>
    public double FitFlash { get; init; } = 20;

    /// <summary>Get something from a colleague's hands, pocket or bag.</summary>
    public double Borrow { get; init; } = 60;

    /// <summary>Put the camera on a tripod or monopod.</summary>
    public double FitSupport { get; init; } = 20;

    /// <summary>Screw a filter in.</summary>
    public double FitFilter { get; init; } = 15;

    /// <summary>Take a light off its stand, or put another one there.</summary>
    public double PlaceLight { get; init; } = 60;

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}

/// <summary>What somebody does on the day.</summary>
public enum PersonRole
{
    /// <summary>Photographs.</summary>
    Photographer,

    /// <summary>Hands things over and holds lights, and photographs nothing.</summary>
    Assistant,
}

/// <summary>Somebody of the team.</summary>
public sealed record Person
{
    /// <summary>Stable id, unique among people, places and items.</summary>
    public required string Id { get; init; }

    /// <summary>What the others call them.</summary>
    public string? Name { get; init; }

    /// <summary>What they do; null = photograph.</summary>
    public PersonRole? Role { get; init; }

    /// <summary>Seconds it takes to be handed something they carry; null = as the rules say for borrowing.</summary>
    public double? HandOverSeconds { get; init; }

    /// <summary>How they work; null = not said.</summary>
    public WorkHabits? Habits { get; init; }

    /// <summary>Where the cameras hang that they use; null = on the shoulders.</summary>
    public Worn? CamerasOn { get; init; }

    /// <summary>The most they want on their shoulders, grams.</summary>
    public double? LimitG { get; init; }

    /// <summary>Seconds of their own, where they differ from the rules; null = as the rules say.</summary>
    public OwnSeconds? Seconds { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}

/// <summary>Where a weight is felt.</summary>
public enum Worn
{
    /// <summary>A harness, straps, a backpack, a shoulder bag.</summary>
    Shoulders,

    /// <summary>A belt.</summary>
    Hips,

    /// <summary>Carried by hand.</summary>
    Hands,

    /// <summary>A roller: no load but where it cannot roll.</summary>
    Wheels,

    /// <summary>Not at all: it stays where it is.</summary>
    Stays,
}

/// <summary>A bag, pouch, base or car.</summary>
public sealed record Place
{
    /// <summary>Stable id, unique among people, places and items.</summary>
    public required string Id { get; init; }

    /// <summary>What the photographer calls it.</summary>
    public string? Name { get; init; }

    /// <summary>Its name; the id where it has none.</summary>
    [JsonIgnore] public string Label => string.IsNullOrWhiteSpace(Name) ? Id : Name;

    /// <summary>Whose it is; null = anybody reaches into it.</summary>
    public string? Person { get; init; }

    /// <summary>Seconds until a thing from here is in the hand.</summary>
    public required double ReachSeconds { get; init; }

    /// <summary>How it is carried; null = somebody's own on the shoulders, others not at all.</summary>
    public Worn? Worn { get; init; }

    /// <summary>What it weighs empty, grams.</summary>
    public double? EmptyG { get; init; }

    /// <summary>What it may weigh at the most, as one wants it, grams.</summary>
    public double? LimitG { get; init; }

    /// <summary>Inner size, mm: length, width, depth without the lid; null = nobody has said.</summary>
    public IReadOnlyList<double>? InnerMm { get; init; }

    /// <summary>How deep the lid is, where things may stand up into it, mm; null = nothing.</summary>
    public double? LidMm { get; init; }

    /// <summary>What is left between things and along the walls, mm: none for dividers, 25 to 50 for foam; null = none.</summary>
    public double? GapMm { get; init; }

    /// <summary>Whether things lie in it flat and the long way only, as in a cut insert; else on any side that the depth allows.</summary>
    public bool? OneWay { get; init; }

    /// <summary>Outer size, mm: length, width, height; null = nobody has said.</summary>
    public IReadOnlyList<double>? OuterMm { get; init; }

    /// <summary>Whether somebody sees it or what it is locked to, in a few words: in sight of the bar; locked to the pew.</summary>
    public string? Guarded { get; init; }

    /// <summary>How it travels; null = in one's own car, or not told.</summary>
    public Travel? Travels { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}
