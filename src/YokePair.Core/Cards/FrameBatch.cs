using YokePair.Core.Use;

namespace YokePair.Core.Cards;

/// <summary>Frames of one camera in one part that lie on the same cards.</summary>
/// <param name="Body">Number of the body.</param>
/// <param name="Part">Number of the part.</param>
/// <param name="First">First frame, from 0.</param>
/// <param name="End">The frame after the last.</param>
/// <param name="All">Frames of the camera in that part.</param>
/// <param name="Raw">Cards with the raw files.</param>
/// <param name="Jpeg">Cards with the JPEGs.</param>
/// <param name="Sent">What is sent of them besides; null = nothing.</param>
internal sealed record FrameBatch(
    int Body, int Part, double First, double End, double All, IReadOnlyList<string> Raw, IReadOnlyList<string> Jpeg, SentFrames? Sent)
{
    /// <summary>What lies where by the uses of the cards.</summary>
    public static List<FrameBatch> From(CameraDay day, List<CardUse> uses, List<CameraWork> work)
    {
        var kit = day.Kit;
        var all = work.ToDictionary(w => (w.Body, w.Part), w => w.Frames);
        var batches = new List<FrameBatch>();
        foreach (var camera in uses.GroupBy(u => (u.Body, u.Part)))
        {
            double[] cuts = [.. camera.SelectMany(u => new[] { u.From, u.To }).Distinct().Order()];
            for (var c = 1; c < cuts.Length; c++)
            {
                var on = camera.Where(u => u.Card is not null && u.From <= cuts[c - 1] + 1e-9 && u.To >= cuts[c] - 1e-9)
                    .ToLookup(u => kit.Plan.Rules.TakesJpeg(u.Slot), u => u.Card!);
                batches.Add(new FrameBatch(camera.Key.Body, camera.Key.Part, cuts[c - 1], cuts[c], all[camera.Key], [.. on[false]], [.. on[true]],
                    SentFrames.Of(day, camera.Key.Body, camera.Key.Part)));
            }
        }
        return batches;
    }
}
