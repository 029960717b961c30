using YokePair.Core.Plans;

namespace YokePair.Core.Library;

/// <summary>How many frames a part takes, where nobody has typed it.</summary>
public static class FrameEstimate
{
    private const double UsualPerMinute = 3;

    /// <summary>As typed, else the part's length × its frames a minute, or those that its kind usually takes; half of that on a slow day, one and a half
    /// times on a busy one.</summary>
    /// <remarks>The length is the real one, also on a night when clocks change.</remarks>
    public static FrameCount Of(Plan plan, Part part)
    {
        if (part.Frames is { } typed) return typed;
        var likely = Clock.Length(plan, part).TotalMinutes * (part.FramesPerMinute ?? PerMinute(part.Kind));
        return new FrameCount { Low = (int)Math.Ceiling(likely / 2), Likely = (int)Math.Ceiling(likely), High = (int)Math.Ceiling(likely * 1.5) };
    }

    /// <summary>Frames a minute by kind of part, both hands together.</summary>
    public static double PerMinute(string? kind) => kind switch
    {
        "play" or "hall-play" or "race" => 25,
        "warm-up" or "podium" => 6,
        "first-dance" or "exit" => 10,
        "ceremony" or "awards" or "concert" or "dance-floor" => 6,
        "couple" or "groups" => 5,
        "break" => 0,
        "talks" or "dinner" => 1.5,
        _ => UsualPerMinute,
    };
}
