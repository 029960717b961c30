using System.Text.Json.Serialization;
using YokePair.Core.Swaps;

namespace YokePair.Core.Power;

/// <summary>What a busy day takes of charge: when what is changed, what runs dry, and how many of each must be full.</summary>
/// <param name="Types">Each type of battery that is used, those that are short first.</param>
/// <param name="Short">Where a camera goes dark with everything there.</param>
/// <param name="Changes">Changes in the order of the day.</param>
/// <param name="Bands">What every camera at work has left through the day.</param>
/// <param name="Alone">What is put on charge as it is, with its charge built in.</param>
/// <param name="Figures">What all this is reckoned with, and where each figure is from.</param>
/// <param name="Use">Frames of every camera in every part.</param>
/// <param name="IsBest">Whether it is certain that no plan is better.</param>
/// <param name="OnTheWay">What goes on a charger in a part with a socket and is used afterwards, as it would not do without.</param>
public sealed record PowerPlan(
    IReadOnlyList<PowerType> Types, IReadOnlyList<PowerShort> Short, IReadOnlyList<Swap> Changes, IReadOnlyList<PowerBand> Bands,
    IReadOnlyList<PowerAlone> Alone, IReadOnlyList<PowerFigure> Figures, IReadOnlyList<PowerUse> Use, bool IsBest,
    IReadOnlyList<ChargedOnTheWay> OnTheWay)
{
    /// <summary>Of a day after another, what is on which charger in the night before it.</summary>
    [JsonIgnore]
    public IReadOnlyList<Charging> NightBefore { get; init; } = [];

    /// <summary>What everything that was used has left at the end of the day, if nobody charges it.</summary>
    [JsonIgnore]
    public IReadOnlyList<ChargeLeft> AtTheEnd =>
    [
        .. Bands.SelectMany(b => b.Levels).Where(l => l.Battery is not null).GroupBy(l => l.Battery!, StringComparer.Ordinal)
            .Select(g => new ChargeLeft(g.Key, g.Last().Left)),
    ];
}

/// <summary>A battery on a charger while a part with a socket lasts.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Charger">Id of the charger.</param>
/// <param name="Battery">Id of the battery.</param>
/// <param name="From">Share of a full charge it has before.</param>
/// <param name="To">Share it has after.</param>
public sealed record ChargedOnTheWay(string Part, string Charger, string Battery, double From, double To);

/// <summary>What a thing has of its charge.</summary>
/// <param name="Thing">Id of the battery, the set of cells or the thing itself.</param>
/// <param name="Left">Share of a full charge.</param>
public sealed record ChargeLeft(string Thing, double Left);

/// <summary>A thing with its charge built in: a pack, a transmitter, a recorder.</summary>
/// <param name="Device">Its id.</param>
/// <param name="Used">Share of a full charge that the day takes.</param>
public sealed record PowerAlone(string Device, double Used);

/// <summary>Where a figure is from.</summary>
public enum FigureSource
{
    /// <summary>Usual for things of its kind; nobody has said.</summary>
    Usual,

    /// <summary>The thing itself is said to have it: by its papers, or measured by its owner.</summary>
    Rated,

    /// <summary>Somebody typed it for this day.</summary>
    Typed,
}

/// <summary>A figure that charge is reckoned with.</summary>
/// <param name="Item">Id of the thing.</param>
/// <param name="Figure">Name of the figure, as in a plan file.</param>
/// <param name="Value">The figure.</param>
/// <param name="Source">Where it is from.</param>
public sealed record PowerFigure(string Item, string Figure, double Value, FigureSource Source);

/// <summary>What one camera takes in one part.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Body">Body id.</param>
/// <param name="Frames">Frames.</param>
/// <param name="Source">Whether somebody typed them, for this camera or for the part.</param>
public sealed record PowerUse(string Part, string Body, int Frames, FigureSource Source);

/// <summary>How far the batteries of one type go.</summary>
/// <param name="Type">The type.</param>
/// <param name="Carried">How many are in the plan.</param>
/// <param name="Ready">How many of them are charged.</param>
/// <param name="Used">How many a busy day uses as planned.</param>
/// <param name="Wanted">How many must be full so that a busy day completes with the best of them dead.</param>
/// <param name="Dead">Id of the best of them; null = there is none.</param>
/// <param name="WithoutOne">Where a camera goes dark with that one dead and not before.</param>
/// <param name="Each">Cells of a set, where sets of them are counted; null = single batteries.</param>
public sealed record PowerType(
    string Type, int Carried, int Ready, int Used, int Wanted, string? Dead, IReadOnlyList<PowerShort> WithoutOne, int? Each = null)
{
    /// <summary>Ids of the parts in which something must go on a charger if that one dies, and need not before.</summary>
    public IReadOnlyList<string> SocketsWithoutOne { get; init; } = [];


    /// <summary>How many more it takes; 0 = enough.</summary>
    public int Short => Math.Max(0, Wanted - Ready);

    /// <summary>How many might stay at home.</summary>
    public int Spare => Math.Max(0, Ready - Wanted);
}

/// <summary>A camera without a charged battery, a flash without cells, or anything else that runs down.</summary>
/// <param name="Device">Id of the thing.</param>
/// <param name="Type">Type of battery or cells it wants; null = its charge is built in.</param>
/// <param name="Part">Id of the part in which it goes dark.</param>
/// <param name="At">Local time of that, if what the part takes is taken evenly; null without times.</param>
/// <param name="AfterFrames">Frames into the part; of a flash or pack pops, of anything else minutes.</param>
/// <param name="Frames">Frames, pops or minutes of the part that it is dark for.</param>
/// <param name="Needs">Ids of the once and must needs of the part.</param>
public sealed record PowerShort(string Device, string? Type, string Part, DateTime? At, int AfterFrames, int Frames, IReadOnlyList<string> Needs)
{
    /// <summary>Of anything but a camera, full sets of cells or batteries that would do.</summary>
    internal double Sets { get; init; }
}

/// <summary>What one camera or flash has left through the day.</summary>
/// <param name="Device">Id of the body or flash.</param>
/// <param name="Levels">Line by line from level to level; a change stands between two at the same moment.</param>
/// <param name="Reserve">Share that is kept back.</param>
public sealed record PowerBand(string Device, IReadOnlyList<PowerLevel> Levels, double Reserve);

/// <summary>What a camera has left at a moment.</summary>
/// <param name="Part">Part id.</param>
/// <param name="At">Share of the part that is over by then.</param>
/// <param name="Left">Share of a full battery that it shows.</param>
/// <param name="Battery">Id of what is in it; null = nothing.</param>
public sealed record PowerLevel(string Part, double At, double Left, string? Battery);
