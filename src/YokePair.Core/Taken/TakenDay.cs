namespace YokePair.Core.Taken;

/// <summary>What a day really used, as its pictures tell: figures alone, which stay when pictures and plan are long gone.</summary>
/// <param name="Name">What the assignment is called.</param>
/// <param name="Day">Its first day.</param>
/// <param name="Frames">Pictures taken.</param>
/// <param name="Kept">Pictures delivered; null = nobody has shown which.</param>
/// <param name="Outside">Pictures that belong to no part.</param>
/// <param name="Parts">Its parts, in order.</param>
/// <param name="Glass">Each glass that took a picture, what took most first; an id of null is what nobody knows.</param>
/// <param name="Bodies">Each camera, likewise.</param>
/// <param name="Focals">Pictures by focal length as marked on the lens, mm.</param>
/// <param name="Carried">Ids of the cameras and glass that were along.</param>
public sealed record TakenDay(
    string Name, DateOnly? Day, int Frames, int? Kept, int Outside, IReadOnlyList<TakenPart> Parts, IReadOnlyList<GlassUse> Glass,
        IReadOnlyList<BodyUse> Bodies,
    IReadOnlyList<FocalUse> Focals, IReadOnlyList<string> Carried)
{
    /// <summary>Batteries of each type that were changed, as somebody told.</summary>
    public IReadOnlyDictionary<string, BatteriesUsed>? Batteries { get; init; }

    /// <summary>What single batteries gave, where they are numbered and somebody read a camera off.</summary>
    public IReadOnlyList<BatteryUse>? Charges { get; init; }

    /// <summary>What counts of a use: what was delivered where that is known, else what was taken.</summary>
    public int Counted(int taken, int kept) => Kept is null ? taken : kept;

    /// <summary>The share that a use is of all.</summary>
    public double Share(int taken, int kept) => (Kept ?? Frames) is > 0 and var all ? (double)Counted(taken, kept) / all : 0;
}

/// <summary>What one part used.</summary>
/// <param name="Part">Its id.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Kind">What kind of part it is.</param>
/// <param name="Location">Where it was.</param>
/// <param name="From">When it began.</param>
/// <param name="To">When it ended.</param>
/// <param name="Taken">Pictures taken.</param>
/// <param name="Kept">Pictures delivered.</param>
/// <param name="Ev">Light, EV at ISO 100: median of the pictures without flash; null = too few.</param>
/// <param name="EvFrames">How many tell it.</param>
/// <param name="NearM">Distance to people, m, nearer end; null = the framings of the part do not tell it.</param>
/// <param name="FarM">Its farther end.</param>
/// <param name="Hands">Which camera with which glass, what took most first.</param>
/// <param name="Outdoors">Whether it was under the open sky.</param>
public sealed record TakenPart(
    string Part, string Name, string? Kind, string? Location, DateTime From, DateTime To, int Taken, int Kept, double? Ev, int EvFrames, double? NearM,
    double? FarM, IReadOnlyList<HandUse> Hands, bool Outdoors = false)
{
    /// <summary>How much later than planned it began, minutes; by the pictures, or as was noted on the day.</summary>
    public double LateMinutes { get; init; }

    /// <summary>How long it was, minutes.</summary>
    public double Minutes => (To - From).TotalMinutes;

    /// <summary>Pictures a minute, all cameras together.</summary>
    public double PerMinute => Minutes > 0 ? Taken / Minutes : 0;
}

/// <summary>A camera with a glass in one part.</summary>
/// <param name="Body">Id of the camera; null = not known.</param>
/// <param name="Glass">Id of the glass; null = not known.</param>
/// <param name="Taken">Pictures taken.</param>
/// <param name="Kept">Pictures delivered.</param>
public sealed record HandUse(string? Body, string? Glass, int Taken, int Kept);

/// <summary>What one glass was used for.</summary>
/// <param name="Glass">Its id; null = not known.</param>
/// <param name="Taken">Pictures taken.</param>
/// <param name="Kept">Pictures delivered.</param>
/// <param name="AtWide">Share of a zoom's pictures at its short end; null = no zoom.</param>
/// <param name="AtLong">Share at its long end.</param>
/// <param name="FNumber">f-numbers.</param>
/// <param name="Seconds">Exposure times.</param>
/// <param name="Iso">Sensitivities.</param>
/// <param name="CroppedTo">Median factor by which what was delivered is cropped; null = not known.</param>
/// <param name="OverCeiling">Pictures taken at a higher sensitivity than is delivered of the camera that took them.</param>
/// <param name="Share">Share of the pictures that count.</param>
public sealed record GlassUse(
    string? Glass, int Taken, int Kept, double? AtWide, double? AtLong, Spread? FNumber, Spread? Seconds, Spread? Iso, double? CroppedTo,
    int OverCeiling = 0, double Share = 0);

/// <summary>What one camera was used for.</summary>
/// <param name="Body">Its id; null = not known.</param>
/// <param name="Taken">Pictures taken.</param>
/// <param name="Kept">Pictures delivered.</param>
/// <param name="PerMinute">Pictures a minute in the parts in which it took any.</param>
/// <param name="Burst">Pictures of the longest burst.</param>
/// <param name="BurstSeconds">How long that took.</param>
/// <param name="BufferFrames">Pictures after which its buffer is full; null = not known, infinite = never.</param>
/// <param name="IsoKept">Pictures that count by sensitivity, in thirds of a stop.</param>
/// <param name="OverCeiling">Pictures taken at a higher sensitivity than its owner delivers.</param>
/// <param name="Drawn">Charges that its pictures and video would have taken at <paramref name="PerCharge"/>; null = not a known camera.</param>
/// <param name="PerCharge">Frames per charge as it was known then.</param>
/// <param name="BatteryType">Type of its battery.</param>
/// <param name="Share">Share of the pictures that count.</param>
/// <param name="IsoTaken">All its pictures by sensitivity.</param>
/// <param name="Ceiling">The sensitivity up to which its owner delivered, as it was known then.</param>
public sealed record BodyUse(
    string? Body, int Taken, int Kept, double PerMinute, int Burst, double BurstSeconds, double? BufferFrames, IReadOnlyDictionary<int, int> IsoKept,
    int OverCeiling, double? Drawn = null, double? PerCharge = null, string? BatteryType = null,
    double Share = 0, IReadOnlyDictionary<int, int>? IsoTaken = null, double? Ceiling = null);

/// <summary>Pictures at one focal length.</summary>
/// <param name="Mm">Focal length as marked on the lens, mm.</param>
/// <param name="Taken">Pictures taken.</param>
/// <param name="Kept">Pictures delivered.</param>
/// <param name="Share">Share of the pictures that count.</param>
public sealed record FocalUse(int Mm, int Taken, int Kept, double Share = 0);

/// <summary>What somebody told of the batteries of one type.</summary>
/// <param name="Changed">How many were changed.</param>
/// <param name="Left">Share that was left in those in the cameras at the end; null = not said, a half is reckoned.</param>
public sealed record BatteriesUsed(int Changed, double? Left = null);
