using YokePair.Core.Plans;

namespace YokePair.Core.Library;

/// <summary>How long things run on a charge that nobody has measured. Rough figures, to be marked as such wherever they are told.</summary>
public static class UsualRun
{
    private const double Transmitter = 1200, Lamp = 60, Anything = 300, SmallWatts = 60;

    private static readonly (string Word, double Minutes)[] ByRole =
    [
        ("recorder", 600), ("microphone", 300), ("drone", 20), ("phone", 600), ("laptop", 300), ("tablet", 480), ("gimbal", 480), ("monitor", 120),
    ];

    /// <summary>Minutes on a full charge, as told, else as usual.</summary>
    public static double MinutesOf(Item item) => item switch
    {
        Trigger trigger => trigger.RunMinutes ?? Transmitter,
        StandLight light => light.RunMinutes ?? Lamp,
        OtherThing other => other.RunMinutes ?? ForRole(other) ?? Anything,
        _ => Anything,
    };

    /// <summary>
    /// Whether a thing runs off a charge, so far as one can tell: a transmitter always, anything else where cells, a battery, a figure or what it
    /// is for says so. A lamp of which nothing is said hangs on the mains, unless it is a small one.
    /// </summary>
    public static bool RunsOffCharge(Item item) => item switch
    {
        Trigger => true,
        StandLight light => light is not { BatteryType: null, RunMinutes: null } || light.Watts <= SmallWatts,
        OtherThing other => other is not { CellsType: null, RunMinutes: null } || ForRole(other) is not null,
        _ => false,
    };

    private static double? ForRole(OtherThing other)
    {
        foreach (var (word, minutes) in ByRole)
            if (other.IsFor(word)) return minutes;
        return null;
    }
}
