using YokePair.Core.Plans;

namespace YokePair.Core.Library;

/// <summary>How long things run on a charge that nobody has measured. Rough figures, to be marked as such wherever they are told.</summary>
public static class UsualRun
{
    private const double Transmitter = 1200, Lamp = 60, Anything = 300;

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

    /// <summary>Whether anything runs in it at all: cells, a figure or what it is for says so.</summary>
    public static bool Runs(OtherThing other) => other is not { CellsType: null, RunMinutes: null } || ForRole(other) is not null;

    private static double? ForRole(OtherThing other)
    {
        foreach (var (word, minutes) in ByRole)
            if ((other.Roles ?? []).Append(other.Name ?? "").Any(r => r.Contains(word, StringComparison.OrdinalIgnoreCase))) return minutes;
        return null;
    }
}
