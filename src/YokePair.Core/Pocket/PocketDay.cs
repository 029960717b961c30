using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Pocket;

/// <summary>All that a phone in a pocket needs of a day, for one person, worked out beforehand.</summary>
/// <param name="Format">Always <see cref="FormatName"/>.</param>
/// <param name="Key">Key of the assignment.</param>
/// <param name="Revision">Revision of the plan it is made of.</param>
/// <param name="Name">What the assignment is called.</param>
/// <param name="Person">Id of whom it is for.</param>
/// <param name="Names">What things, people and places are called, by id.</param>
/// <param name="Team">Ids of the people who are there besides.</param>
/// <param name="Parts">The parts, in order of time.</param>
/// <param name="Answers">What one does, told once for all who point at it.</param>
/// <param name="Losses">Every loss that is thought of.</param>
/// <param name="Pairs">Pairs of things that together leave less than either alone.</param>
/// <param name="Late">The day slid, by the part it is late from and the minutes.</param>
/// <param name="Cards">The card of paper, one for each day of work.</param>
public sealed record PocketDay(
    string Format, string Key, int Revision, string Name, string Person, IReadOnlyDictionary<string, string> Names, IReadOnlyList<string> Team,
    IReadOnlyList<PocketPart> Parts, IReadOnlyList<PocketAnswer> Answers, IReadOnlyList<PocketLoss> Losses, IReadOnlyList<PocketPair> Pairs,
    IReadOnlyList<LateDay> Late, IReadOnlyList<PaperCard> Cards)
{
    /// <summary>The value of <see cref="Format"/>.</summary>
    public const string FormatName = "yoke-pair/pocket";
}

/// <summary>A part of the day as a phone shows it.</summary>
/// <param name="Id">Part id.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Location">Where; null = not said.</param>
/// <param name="Start">When it begins, local time.</param>
/// <param name="End">When it ends.</param>
/// <param name="IsFixed">Whether it begins when it begins.</param>
/// <param name="Rules">What it asks, in words.</param>
/// <param name="Hands">What is in the hands of whom it is for.</param>
/// <param name="Needs">What must be photographed.</param>
/// <param name="Duties">What one does before it, and in it.</param>
public sealed record PocketPart(
    string Id, string Name, string? Location, DateTime? Start, DateTime? End, bool IsFixed, IReadOnlyList<string> Rules, IReadOnlyList<PocketHand> Hands,
    IReadOnlyList<PocketNeed> Needs, IReadOnlyList<PocketDuty> Duties);

/// <summary>One hand.</summary>
/// <param name="Position">Which: left, right.</param>
/// <param name="Body">Id of the camera.</param>
/// <param name="Glass">The glass as one says it: 35, 70–200.</param>
/// <param name="FNumber">Its f-number; null = it has none.</param>
/// <param name="On">Ids of what is on the shoe, and what it stands on.</param>
/// <param name="Charge">What the camera has left through the part, by the plan.</param>
/// <param name="Room">How full its fuller card is through the part.</param>
public sealed record PocketHand(
    string Position, string Body, string Glass, string? FNumber, IReadOnlyList<string> On, IReadOnlyList<PocketLevel> Charge, IReadOnlyList<PocketLevel> Room);

/// <summary>A level at a moment of a part.</summary>
/// <param name="At">Share of the part that is over by then.</param>
/// <param name="Share">Share of a full one.</param>
/// <param name="Thing">Id of the battery or card; null = nothing is in it.</param>
public sealed record PocketLevel(double At, double Share, string? Thing);

/// <summary>A need as a phone shows it.</summary>
/// <param name="Id">Need id.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Importance">What it is worth.</param>
/// <param name="Outcome">With everything there.</param>
/// <param name="Strands">How many strands carry it.</param>
/// <param name="WaitSeconds">How long it can wait; null = without limit.</param>
/// <param name="Uses">Numbers in <see cref="PocketDay.Losses"/> of the things it stands on.</param>
public sealed record PocketNeed(string Id, string Name, Importance Importance, Outcome Outcome, int Strands, double? WaitSeconds, IReadOnlyList<int> Uses);

/// <summary>What one does about a need.</summary>
/// <param name="Hand">By which hand, as one says it to oneself; null = nothing is left to do.</param>
/// <param name="Person">Who.</param>
/// <param name="Seconds">How long it takes.</param>
/// <param name="Steps">What to do, in order.</param>
/// <param name="Picture">What the picture is then, or how it can still be had; null where it is as one would have chosen it.</param>
/// <param name="Stays">What must be set again, as it does not move along.</param>
public sealed record PocketAnswer(string? Hand, string? Person, double? Seconds, IReadOnlyList<Step> Steps, string? Picture, IReadOnlyList<string> Stays);

/// <summary>A loss, with what it does from when on.</summary>
/// <param name="Kind">What goes.</param>
/// <param name="Id">Id of it.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Ways">What it does; for a camera or bag that goes with all in it once for each time at which that is something else.</param>
public sealed record PocketLoss(LossKind Kind, string Id, string Name, IReadOnlyList<PocketFate> Ways);

/// <summary>What a loss does when it happens in one of some parts.</summary>
/// <param name="Parts">Ids of those; empty = in any.</param>
/// <param name="Items">Ids of what goes with it; empty where more than things goes.</param>
/// <param name="Changes">Every need of the whole day whose way it changes.</param>
public sealed record PocketFate(IReadOnlyList<string> Parts, IReadOnlyList<string> Items, IReadOnlyList<PocketChange> Changes);

/// <summary>Two things, and what their loss together does beyond that of either.</summary>
/// <param name="One">Number of the loss of one in <see cref="PocketDay.Losses"/>.</param>
/// <param name="Other">That of the other.</param>
/// <param name="Changes">The needs.</param>
public sealed record PocketPair(int One, int Other, IReadOnlyList<PocketChange> Changes);

/// <summary>A need that changes.</summary>
/// <param name="Part">Number of the part.</param>
/// <param name="Need">Number of the need in it.</param>
/// <param name="Outcome">What becomes of it.</param>
/// <param name="Answer">Number in <see cref="PocketDay.Answers"/> of what one does.</param>
public sealed record PocketChange(int Part, int Need, Outcome Outcome, int Answer);
