namespace YokePair.Core.Optics;

/// <summary>What a body writes to one slot for each frame, and how fast that slot takes it.</summary>
/// <param name="FileMegabytes">Size of the file, MB.</param>
/// <param name="MegabytesPerSecond">Sustained write speed of slot and card, MB/s.</param>
public readonly record struct SlotWrite(double FileMegabytes, double MegabytesPerSecond);

/// <summary>How long a burst lasts.</summary>
/// <param name="SecondsUntilFull">Seconds at full speed until the buffer is full; infinite if it never fills.</param>
/// <param name="Frames">Whole frames in that time; infinite if it never fills.</param>
/// <param name="SecondsToClear">Seconds to write away a full buffer; 0 if it never fills.</param>
public readonly record struct BurstLength(double SecondsUntilFull, double Frames, double SecondsToClear);

/// <summary>Bursts against the buffer.</summary>
public static class Burst
{
    /// <summary>Frames per second that can be written away: the slowest slot's speed ÷ file size.</summary>
    public static double DrainFps(IEnumerable<SlotWrite> slots) => slots.Min(s => s.MegabytesPerSecond / s.FileMegabytes);

    /// <summary>
    /// Burst <c>(buffer ÷ raw)/(fps − drain)</c>, without end where the drain keeps up; clearing takes the frames the
    /// buffer holds ÷ drain.
    /// </summary>
    /// <param name="fps">Frame rate.</param>
    /// <param name="bufferMegabytes">Buffer, MB.</param>
    /// <param name="rawMegabytes">Raw frame, MB: what a frame takes of the buffer.</param>
    /// <param name="slots">The streams to the slots in use, at least one.</param>
    public static BurstLength Length(double fps, double bufferMegabytes, double rawMegabytes, IReadOnlyList<SlotWrite> slots)
    {
        var drain = DrainFps(slots);
        if (drain >= fps) return new BurstLength(double.PositiveInfinity, double.PositiveInfinity, 0);
        var held = bufferMegabytes / rawMegabytes;
        var seconds = held / (fps - drain);
        return new BurstLength(seconds, Math.Floor(seconds * fps), held / drain);
    }
}
