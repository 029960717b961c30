namespace YokePair.Core.Swaps;

/// <summary>When batteries and cards are changed so that a busy day completes.</summary>
/// <param name="Swaps">Swaps in the order of the day.</param>
/// <param name="Short">Where nothing is left to change to.</param>
/// <param name="Estimated">Ids of the bodies whose frames per charge or raw size is a usual figure, as nobody has said.</param>
/// <param name="IsBest">Whether it is certain that no plan is better; false only where very many things all differ.</param>
public sealed record SwapPlan(IReadOnlyList<Swap> Swaps, IReadOnlyList<Shortage> Short, IReadOnlyList<string> Estimated, bool IsBest);

/// <summary>One swap.</summary>
/// <param name="Part">Id of the part before which it is made, or inside of which.</param>
/// <param name="AfterFrames">Frames into the part after which it must be made; null = before the part.</param>
/// <param name="InOnce">Whether it falls inside a part that holds something which happens once.</param>
/// <param name="Person">Who makes it.</param>
/// <param name="Body">Body id.</param>
/// <param name="Slot">Card slot from 1; null = the battery.</param>
/// <param name="Out">Id of what is taken out; null = the slot was empty, or what was in it is gone.</param>
/// <param name="Given">Frames that what is taken out has given by then; null as above.</param>
/// <param name="Holds">Frames it gives in all.</param>
/// <param name="In">Id of what is put in.</param>
/// <param name="From">Where that is fetched from: a place's or a person's id, or of a camera in the hand that has failed; null = already in the hand.</param>
/// <param name="Seconds">How long it takes.</param>
/// <param name="TooSlowFor">Id of the need of the part that cannot wait so long; null = all can.</param>
public sealed record Swap(
    string Part, int? AfterFrames, bool InOnce, string Person, string Body, int? Slot, string? Out, int? Given, int? Holds,
    string In, string? From, double Seconds, string? TooSlowFor = null)
{
    /// <summary>What the device shows of what is taken out, in hundredths of a full one; null where there is nothing in it, or of a card.</summary>
    public int? ShownPercent => Slot is null && Given is { } given && Holds is > 0 and var holds ? (int)Math.Round(100 - (100.0 * given / holds)) : null;
}

/// <summary>Frames for which nothing is left.</summary>
/// <param name="Part">Part id.</param>
/// <param name="AfterFrames">Frames into the part from which on nothing is left; 0 = from its start.</param>
/// <param name="Body">Body id.</param>
/// <param name="Slot">Card slot from 1; null = the battery.</param>
/// <param name="Type">Type of battery or card that is wanted.</param>
/// <param name="Frames">How many frames go without.</param>
public sealed record Shortage(string Part, int AfterFrames, string Body, int? Slot, string Type, int Frames);
