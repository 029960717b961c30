using System.Runtime.CompilerServices;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Use;

/// <summary>A camera at work in one part.</summary>
/// <param name="Body">Number of the body.</param>
/// <param name="Part">Number of the part in the order of the day.</param>
/// <param name="Actor">Who uses it, or set it up where it is left alone.</param>
/// <param name="Frames">Frames it takes.</param>
/// <param name="Alone">Whether it is left alone.</param>
/// <param name="Besides">What video and live view cost its battery, in frames.</param>
internal sealed record CameraWork(int Body, int Part, int Actor, double Frames, bool Alone, double Besides = 0);

/// <summary>A day as the cameras see it: its parts in order, where everything is in each, and which camera takes how many frames.</summary>
internal sealed class CameraDay
{
    // What a report asks for charge and again for cards is worked out once.
    private static readonly ConditionalWeakTable<DayAnalysis, CameraDay> Whole = [];

    private readonly Lazy<List<CameraWork>> work;
    private readonly DayAnalysis day;
    private readonly IReadOnlySet<int> dead;
    private readonly UseLevel level;
    private readonly IReadOnlyDictionary<int, double>? morning;

    /// <param name="day">The day.</param>
    /// <param name="dead">Numbers of things that do not work from the start; null = all work.</param>
    /// <param name="level">How much is taken.</param>
    /// <param name="only">Parts to look at, in the order of the day; null = all.</param>
    /// <param name="morning">Shares of a full charge that things begin with, where that is not what the plan says.</param>
    public CameraDay(DayAnalysis day, IReadOnlySet<int>? dead = null, UseLevel level = UseLevel.High, IReadOnlyList<Part>? only = null,
        IReadOnlyDictionary<int, double>? morning = null)
    {
        (this.day, this.dead, this.level, this.morning) = (day, dead ?? new HashSet<int>(), level, morning);
        Kit = day.Kit;
        Parts = [.. only ?? [.. Day.InOrder(day.Plan)]];
        Layouts = [.. Parts.Select(p => day.PartOf(p.Id)!.Ways.Layout)];
        work = new Lazy<List<CameraWork>>(WorkOut);
    }

    /// <summary>The whole of a busy day with everything that is there.</summary>
    public static CameraDay Of(DayAnalysis day) => Whole.GetValue(day, d => new CameraDay(d));

    public Kit Kit { get; }

    /// <summary>The same parts with other things dead.</summary>
    public CameraDay Without(IReadOnlySet<int> gone) => new(day, gone, level, Parts, morning);

    /// <summary>Share of a full charge that a thing begins with.</summary>
    public double ChargeOf(int item) => morning?.TryGetValue(item, out var share) == true ? share : Kit.ChargeOf(item);

    public Part[] Parts { get; }

    public PartLayout[] Layouts { get; }

    /// <summary>Whether a thing is pulled or not here in a part.</summary>
    public bool IsGone(int item, int part) =>
        dead.Contains(item) || (Day.Of(Parts[part]) is { } date && Kit.AwayWith(item, date) != Kit.None) || day.Outage.IsGone(item, Parts[part]);

    /// <summary>Whether there is a socket that works in a part.</summary>
    public bool HasSocket(int part) => day.Outage.HasSocket(Parts[part]);

    /// <summary>Whether there is a part in which a thing is here: what never is, is as if it were not in the plan.</summary>
    public bool IsEverThere(int item) => Enumerable.Range(0, Parts.Length).Any(p => !IsGone(item, p));

    /// <summary>Seconds it takes to put a battery or card in.</summary>
    public double ChangeSeconds(int item, int actor) => Kit.Items[item] is Card ? Kit.SecondsOf(actor).ChangeCard : Kit.SecondsOf(actor).ChangeBattery;

    /// <summary>
    /// The cameras at work: those set up in the hands and whole, and those that the report takes up instead. Those in hands share the
    /// part's frames by what is in them: one share each, and one more for each picture of the part that it is the first choice for. What
    /// somebody typed is kept; one left alone may take all of them, as nobody counts.
    /// </summary>
    public List<CameraWork> Work() => work.Value;

    private List<CameraWork> WorkOut()
    {
        var found = new List<CameraWork>();
        for (var p = 0; p < Parts.Length; p++)
        {
            var (part, layout) = (Parts[p], Layouts[p]);
            var cameras = new Dictionary<int, (int Actor, bool Alone)>();
            foreach (var setup in part.Setups)
                if (setup is { Body: { } body, Lens: { } lens } && layout.Actors.Contains(layout.PersonIndex(setup.Person)) && !IsGone(Kit.IndexOf(body), p)
                    && !IsGone(Kit.IndexOf(lens), p))
                    cameras[Kit.IndexOf(body)] = (layout.PersonIndex(setup.Person), setup.Unattended == true);
            foreach (var need in day.PartOf(part.Id)!.Needs)
                if (need.Outcome.IsMet() && need.Best?.Rig is { Fitted: { } fitted } rig) cameras.TryAdd(fitted.Body, (rig.Actor, false));
            var frames = Of(FrameEstimate.Of(Kit.Plan, part));
            var typed = cameras.Keys.ToDictionary(b => b, b => part.UseOf(Kit.Items[b].Id));
            // What nobody typed is shared by the hands that are left.
            var first = day.PartOf(part.Id)!.Needs.Where(n => n.Outcome.IsMet()).Select(n => n.Best?.Rig.Fitted?.Body).OfType<int>()
                .CountBy(b => b).ToDictionary();
            var shares = cameras.Where(c => !c.Value.Alone && typed[c.Key]?.Frames is null).Sum(c => ShareOf(c.Key));
            var rest = Math.Max(0, frames - typed.Sum(t => cameras[t.Key].Alone ? 0 : Of(t.Value)));
            foreach (var (body, (actor, alone)) in cameras)
            {
                var own = typed[body]?.Frames is not null ? Of(typed[body]) : alone ? frames : rest * ShareOf(body) / shares;
                var besides = Charge.FramesOf((Body)Kit.Items[body], typed[body]);
                if (own + besides > 0) found.Add(new CameraWork(body, p, actor, own, alone, besides));
            }

            int ShareOf(int body) => 1 + first.GetValueOrDefault(body);
        }
        return found;
    }

    private double Of(FrameCount frames) => level switch
    {
        UseLevel.Low => frames.Low,
        UseLevel.Likely => frames.Likely,
        _ => frames.High,
    };

    /// <summary>Typed are the frames of a busy day: half as many again as are likely, three times those of a slow one.</summary>
    private double Of(PartUse? use) => (use?.Frames ?? 0) / (level switch { UseLevel.Low => 3, UseLevel.Likely => 1.5, _ => 1 });
}
