using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Swaps;

/// <summary>A camera at work in one part.</summary>
/// <param name="Body">Number of the body.</param>
/// <param name="Part">Number of the part in the order of the day.</param>
/// <param name="Actor">Who uses it, or set it up where it is left alone.</param>
/// <param name="Frames">Frames it takes on a busy day.</param>
/// <param name="Alone">Whether it is left alone.</param>
internal sealed record CameraWork(int Body, int Part, int Actor, double Frames, bool Alone);

/// <summary>A day as the cameras see it: its parts in order, where everything is in each, and which camera takes how many frames.</summary>
internal sealed class CameraDay
{
    private readonly DayAnalysis day;
    private readonly int dead;

    /// <param name="day">The day.</param>
    /// <param name="dead">Number of a thing that does not work from the start, or <see cref="Kit.None"/>.</param>
    public CameraDay(DayAnalysis day, int dead = Kit.None)
    {
        (this.day, this.dead) = (day, dead);
        Kit = day.Kit;
        Parts = [.. Day.InOrder(day.Plan)];
        Layouts = [.. Parts.Select(p => day.PartOf(p.Id)!.Ways.Layout)];
    }

    public Kit Kit { get; }

    public Part[] Parts { get; }

    public PartLayout[] Layouts { get; }

    /// <summary>Whether a thing is pulled or not here in a part.</summary>
    public bool IsGone(int item, int part) =>
        item == dead || Day.Of(Parts[part]) is { } date && Kit.AwayWith(item, date) != Kit.None || day.Outage.IsGone(item, Parts[part]);

    /// <summary>Whether there is a part in which a thing is here: what never is, is as if it were not in the plan.</summary>
    public bool IsEverThere(int item) => Parts.Length == 0 || Enumerable.Range(0, Parts.Length).Any(p => !IsGone(item, p));

    /// <summary>Seconds it takes to put a battery or card in.</summary>
    public double ChangeSeconds(int item, int actor) => Kit.Items[item] is Card ? Kit.SecondsOf(actor).ChangeCard : Kit.SecondsOf(actor).ChangeBattery;

    /// <summary>
    /// The cameras at work: those set up in the hands and whole, and those that the report takes up instead. Those in hands share the
    /// part's frames alike; one left alone may take all of them, as nobody counts.
    /// </summary>
    public List<CameraWork> Work()
    {
        var work = new List<CameraWork>();
        for (var p = 0; p < Parts.Length; p++)
        {
            var (part, layout) = (Parts[p], Layouts[p]);
            var cameras = new Dictionary<int, (int Actor, bool Alone)>();
            foreach (var setup in part.Setups)
                if (setup is { Body: { } body, Lens: { } lens } && layout.Actors.Contains(layout.PersonIndex(setup.Person)) && !IsGone(Kit.IndexOf(body), p) && !IsGone(Kit.IndexOf(lens), p))
                    cameras[Kit.IndexOf(body)] = (layout.PersonIndex(setup.Person), setup.Unattended == true);
            foreach (var need in day.PartOf(part.Id)!.Needs)
                if (need.Outcome.IsMet() && need.Best?.Rig is { Fitted: { } fitted } rig) cameras.TryAdd(fitted.Body, (rig.Actor, false));
            var frames = FrameEstimate.Of(Kit.Plan, part).High;
            var hands = cameras.Values.Count(c => !c.Alone);
            if (frames > 0) work.AddRange(cameras.Select(c => new CameraWork(c.Key, p, c.Value.Actor, c.Value.Alone ? frames : (double)frames / hands, c.Value.Alone)));
        }
        return work;
    }
}
