using System.Text.Json.Serialization;
using YokePair.Core.Swaps;

namespace YokePair.Core.Cards;

/// <summary>The cards of a day: when they are changed, where every copy is, and what would be gone at which moment.</summary>
/// <param name="Types">Each type of card that is used, those that are short first.</param>
/// <param name="Short">Where a camera has no room with every card there.</param>
/// <param name="Changes">Changes in the order of the day.</param>
/// <param name="Bands">How full the card in each slot is through the day.</param>
/// <param name="Stays">Where each card is through the day.</param>
/// <param name="Moves">What is put in and taken out, join by join.</param>
/// <param name="Ways">The day as planned, with one big pair in each camera, and with a card for each part.</param>
/// <param name="Alone">What happens once and is in one thing only for a while.</param>
/// <param name="Bursts">What needs ask by the second, and how long each camera is busy after it.</param>
/// <param name="Evenings">The copies before one leaves, of several days each evening.</param>
/// <param name="Estimated">Ids of the bodies whose files nobody has measured.</param>
/// <param name="Old">Ids of the cards with pictures that have been in use for years.</param>
/// <param name="OldPairs">Where both halves of the same pictures are on such cards.</param>
/// <param name="Due">Frames that somebody waits for.</param>
/// <param name="IsBest">Whether it is certain that no plan is better.</param>
public sealed record CardPlan(
    IReadOnlyList<CardType> Types, IReadOnlyList<Shortage> Short, IReadOnlyList<Swap> Changes, IReadOnlyList<CardBand> Bands, IReadOnlyList<CardStays> Stays,
    IReadOnlyList<CardMove> Moves,
    IReadOnlyList<CardWay> Ways, IReadOnlyList<OnceAlone> Alone, IReadOnlyList<CardBurst> Bursts, IReadOnlyList<CardEvening> Evenings,
    IReadOnlyList<string> Estimated, IReadOnlyList<string> Old, IReadOnlyList<OldPair> OldPairs, IReadOnlyList<DueAnswer> Due, bool IsBest)
{
    /// <summary>That after which everybody goes home.</summary>
    [JsonIgnore] public CardEvening Evening => Evenings[^1];
}

/// <summary>A camera that writes both halves to cards that have been in use for years: they may fail together.</summary>
/// <param name="Body">Body id.</param>
/// <param name="Cards">Ids of the cards.</param>
/// <param name="Parts">Ids of the parts.</param>
public sealed record OldPair(string Body, IReadOnlyList<string> Cards, IReadOnlyList<string> Parts);

/// <summary>How far the cards of one type go.</summary>
/// <param name="Type">The type.</param>
/// <param name="Carried">How many are in the plan.</param>
/// <param name="Ready">How many of them are clear or in a camera.</param>
/// <param name="Used">How many are written to.</param>
/// <param name="Wanted">How many it takes so that a busy day completes with the largest of them dead.</param>
/// <param name="Unmet">Of a card per part, parts that are begun on a card that is not clear, as there are too few.</param>
public sealed record CardType(string Type, int Carried, int Ready, int Used, int Wanted, int Unmet)
{
    /// <summary>How many more it takes; 0 = enough.</summary>
    public int Short => Math.Max(0, Wanted - Ready);
}

/// <summary>How full the card in one slot of one camera is through the day.</summary>
/// <param name="Body">Body id.</param>
/// <param name="Slot">Slot from 1.</param>
/// <param name="Levels">Line by line from level to level; a change stands between two at the same moment.</param>
public sealed record CardBand(string Body, int Slot, IReadOnlyList<CardLevel> Levels);

/// <summary>How full a card is at a moment.</summary>
/// <param name="Part">Part id.</param>
/// <param name="At">Share of the part that is over by then.</param>
/// <param name="Full">Share of its room that is taken.</param>
/// <param name="Card">Id of the card; null = none.</param>
public sealed record CardLevel(string Part, double At, double Full, string? Card);

/// <summary>Where one card is through the day.</summary>
/// <param name="Card">Card id.</param>
/// <param name="Stays">Each place from when on.</param>
/// <param name="Frames">Frames of each part that are on it at the end.</param>
/// <param name="Pictures">Needs that its camera is used for in these parts, what happens once first.</param>
public sealed record CardStays(string Card, IReadOnlyList<CardStay> Stays, IReadOnlyList<LostFrames> Frames, IReadOnlyList<LostPicture> Pictures);

/// <summary>A card is somewhere from a moment on.</summary>
/// <param name="Part">Part id.</param>
/// <param name="At">Share of the part that is over by then.</param>
/// <param name="Kind">In what it is.</param>
/// <param name="Where">Id of that.</param>
/// <param name="IsShot">Whether there are pictures on it.</param>
public sealed record CardStay(string Part, double At, CardHolder Kind, string Where, bool IsShot);

/// <summary>A card goes into a camera, or out of it to somebody.</summary>
/// <param name="Part">Id of the part before which, or in which; null = after the last.</param>
/// <param name="Card">Card id.</param>
/// <param name="Kind">What it goes to.</param>
/// <param name="Where">Id of that.</param>
/// <param name="With">Of a card that goes into a camera, the id of the one in its other slot.</param>
/// <param name="IsJpeg">Whether it takes the JPEGs only there.</param>
public sealed record CardMove(string? Part, string Card, CardHolder Kind, string Where, string? With, bool IsJpeg = false);

/// <summary>What a card is in.</summary>
public enum CardHolder
{
    /// <summary>A camera.</summary>
    Camera,

    /// <summary>The wallet of a person.</summary>
    Wallet,

    /// <summary>A bag or another place.</summary>
    Place,
}

/// <summary>One way of using the cards of a day, and what it risks.</summary>
/// <param name="Kind">Which way.</param>
/// <param name="Changes">How many times a camera's cards are changed, both at once where it has two.</param>
/// <param name="Seconds">How long that takes in all.</param>
/// <param name="Joins">Ids of the parts before which cards are changed.</param>
/// <param name="Curve">Frames that would be gone with whichever camera holds most, from moment to moment.</param>
/// <param name="Losses">What each loss would take at its worst moment, the worst first.</param>
public sealed record CardWay(CardWayKind Kind, int Changes, double Seconds, IReadOnlyList<string> Joins, IReadOnlyList<ExposurePoint> Curve,
    IReadOnlyList<CardLoss> Losses);

/// <summary>Ways of using cards that are compared.</summary>
public enum CardWayKind
{
    /// <summary>With the cards and habits of the plan.</summary>
    Planned,

    /// <summary>One card in each slot that is large enough for all.</summary>
    OneBigPair,

    /// <summary>Another card in each slot at those two joins that share the day out best.</summary>
    TwoJoins,

    /// <summary>A card for each part in each slot.</summary>
    PerPart,
}

/// <summary>Frames that one camera holds alone.</summary>
/// <param name="Part">Part id.</param>
/// <param name="At">Share of the part that is over by then.</param>
/// <param name="Frames">Frames.</param>
/// <param name="Body">Id of the camera.</param>
public sealed record ExposurePoint(string Part, double At, int Frames, string? Body);

/// <summary>What can be lost with cards in it.</summary>
public enum CardLossKind
{
    /// <summary>One card dies, or is formatted by mistake.</summary>
    Card,

    /// <summary>A camera is stolen.</summary>
    Camera,

    /// <summary>Somebody's wallet of cards is lost.</summary>
    Wallet,

    /// <summary>A bag is stolen, a car broken into.</summary>
    Place,

    /// <summary>Everything that somebody carries.</summary>
    Person,
}

/// <summary>What a loss would take at its worst moment.</summary>
/// <param name="Kind">What is lost.</param>
/// <param name="Id">Id of it; of a wallet the person's.</param>
/// <param name="Frames">Frames of which no copy would be left.</param>
/// <param name="JpegOnly">Frames of which the JPEG alone would be left.</param>
/// <param name="Part">Id of the part in which that moment is; null = there is none.</param>
/// <param name="At">Share of the part that is over by then.</param>
/// <param name="Time">Local time of that; null without times.</param>
/// <param name="Parts">Frames of each part among them.</param>
/// <param name="Pictures">Needs of these parts that the cameras are used for, what happens once first.</param>
public sealed record CardLoss(
    CardLossKind Kind, string Id, int Frames, int JpegOnly, string? Part, double At, DateTime? Time, IReadOnlyList<LostFrames> Parts,
    IReadOnlyList<LostPicture> Pictures);

/// <summary>Frames of one part.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Frames">How many.</param>
public sealed record LostFrames(string Part, int Frames);

/// <summary>A picture that would be gone.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Need">Need id.</param>
public sealed record LostPicture(string Part, string Need);

/// <summary>Pictures of what happens once, all copies of which are in one thing from the end of their part on.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Needs">Ids of the needs of the part.</param>
/// <param name="Frames">Frames of that camera in that part.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Id">Id of it; of a wallet the person's.</param>
/// <param name="From">Local time from which on; null without times.</param>
/// <param name="Until">Local time until when; null = to the end of the day, or without times.</param>
/// <param name="Minutes">How long; without times, parts.</param>
public sealed record OnceAlone(
    string Part, IReadOnlyList<string> Needs, int Frames, CardLossKind Kind, string Id, DateTime? From, DateTime? Until, double Minutes);

/// <summary>The copies that are made before one leaves.</summary>
/// <param name="Part">Id of the last part before it.</param>
/// <param name="Runs">What each drive or reader copies, one card after the other; empty = there is none.</param>
/// <param name="Minutes">From the end of the last part until it is done.</param>
/// <param name="LeaveAt">When one may leave; null without times.</param>
/// <param name="Copies">Fewest copies of any raw file by then.</param>
/// <param name="Places">Fewest places they are in once everybody has left.</param>
/// <param name="HasJpeg">Whether there is a JPEG of everything besides; it is no copy of the raw file.</param>
/// <param name="CopiesAsked">How many are asked.</param>
/// <param name="PlacesAsked">In how many places.</param>
/// <param name="Unreadable">Ids of cards with pictures of which neither half can be read.</param>
/// <param name="HalvesUnread">Ids of cards that cannot be read, whose other half is copied.</param>
/// <param name="Homes">Who drives home with what.</param>
public sealed record CardEvening(
    string Part, IReadOnlyList<CopyRun> Runs, double Minutes, DateTime? LeaveAt, int Copies, int Places, bool HasJpeg, int CopiesAsked, int PlacesAsked,
    IReadOnlyList<string> Unreadable, IReadOnlyList<string> HalvesUnread, IReadOnlyList<GoingHome> Homes)
{
    /// <summary>Whether that is what is asked.</summary>
    public bool IsEnough => Copies >= CopiesAsked && Places >= PlacesAsked;
}

/// <summary>What one drive or reader copies.</summary>
/// <param name="Copier">Id of it.</param>
/// <param name="MegabytesPerSecond">What it copies.</param>
/// <param name="IsUsual">Whether that is a usual figure, as nobody has measured it.</param>
/// <param name="Gigabytes">What it copies in all.</param>
/// <param name="Cards">Ids of the cards, in their order.</param>
public sealed record CopyRun(string Copier, double MegabytesPerSecond, bool IsUsual, double Gigabytes, IReadOnlyList<string> Cards);

/// <summary>What somebody drives home with.</summary>
/// <param name="Person">Person id.</param>
/// <param name="Cards">Ids of the cards with pictures.</param>
/// <param name="Copiers">Ids of the drives or readers with the copies.</param>
public sealed record GoingHome(string Person, IReadOnlyList<string> Cards, IReadOnlyList<string> Copiers);
