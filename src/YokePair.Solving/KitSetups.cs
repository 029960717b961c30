using YokePair.Core.Advice;
using YokePair.Core.Editing;
using YokePair.Core.Plans;

namespace YokePair.Solving;

/// <summary>
/// Whether the report agrees with a kit, with the setups as they are or, where they are free, with the best that are
/// found: part by part the glass that leaves least exposed, hand by hand until nothing gets better, then two hands at once.
/// </summary>
internal sealed class KitSetups
{
    private const int HandsTriedTogether = 2;

    private readonly Plan plan;
    private readonly KitProblem problem;
    private readonly bool free;
    private readonly IReadOnlyList<AskedNeed> cameras;

    public KitSetups(Plan plan, KitProblem problem, KitWish wish)
    {
        this.plan = plan;
        this.problem = problem;
        cameras = [.. AskedNeed.Cameras(plan)];
        free = wish.SetupsFree;
        Beyond = [];
        if (!free) return;
        // With everything there is: what is exposed even then is not asked of a smaller kit.
        var things = new HashSet<string>(StringComparer.Ordinal);
        bool[] all = [.. problem.Options.Select(o => things.Add(o.Thing))];
        if (Apply(plan, problem.Changes(all), []) is not { } whole) return;
        Beyond = [.. problem.WorseIn(Improved(whole, null, CancellationToken.None)!.Value.Plan)];
        var hopeless = problem.Hopeless;
        IsCertain = Beyond.All(need => hopeless.Contains(need) || plan.PartOf(need.Part)!.Setups.Count(s => s.Body is not null) <= HandsTriedTogether);
    }

    /// <summary>Needs that no setups found protect even with everything along.</summary>
    public HashSet<AskedNeed> Beyond { get; }

    /// <summary>Whether no setups whatever protect what is <see cref="Beyond"/> those found: where a part has more hands than are tried at once, nobody
    /// knows.</summary>
    public bool IsCertain { get; } = true;

    /// <summary>The plan with every change made; null where one of them cannot be.</summary>
    public static Plan? Apply(Plan plan, IReadOnlyList<KitChange> changes, IReadOnlyList<ProposedChange> setups) =>
        EditResult.Apply(plan, [.. changes.Select(c => c.Edit), .. setups.SelectMany(s => s.Edits)]).Plan;

    /// <summary>Whether, where <see cref="Fit"/> found none, there are none: every setup of a part it gave up at was tried.</summary>
    public bool SawAll { get; private set; } = true;

    /// <summary>Setups with which the report knows of nothing beyond what no kit survives; null when there are none, or none were found.</summary>
    public IReadOnlyList<ProposedChange>? Fit(bool[] chosen, IReadOnlySet<AskedNeed> givenUp, CancellationToken cancel)
    {
        if (Apply(plan, problem.Changes(chosen), []) is not { } then) return null;
        if (Protects(then, givenUp)) return [];
        if (!free) return null;
        SawAll = true;
        return Improved(then, givenUp, cancel) is { } found && Protects(found.Plan, givenUp) ? found.Setups : null;
    }

    /// <summary>Whether a kit with its setups exposes nothing that could be protected.</summary>
    public bool Agrees(bool[] chosen, IReadOnlyList<ProposedChange> setups) =>
        Apply(plan, problem.Changes(chosen), setups) is { } then && Exposed(then, null) == 0;

    private bool Protects(Plan tried, IReadOnlySet<AskedNeed> givenUp) => Exposed(tried, givenUp) == 0;

    /// <summary>How much a plan, or one part of it, exposes of what is asked, and how many it leaves without a camera.</summary>
    private int Exposed(Plan tried, IReadOnlySet<AskedNeed>? givenUp, string? part = null) =>
        problem.WorseIn(tried, part).Concat(cameras.Where(c => part is null || c.Part == part).Except(AskedNeed.Cameras(tried)))
            .Count(asked => !Beyond.Contains(asked) && givenUp?.Contains(asked) != true);

    /// <summary>The best setups found; null as soon as a part of them exposes more than is given up, if that is said.</summary>
    // Long: one round of improving, from asking to keeping.
    private (Plan Plan, IReadOnlyList<ProposedChange> Setups)? Improved(Plan from, IReadOnlySet<AskedNeed>? givenUp, CancellationToken cancel)
    {
        var setups = new SetupProblem(from);
        int[] options = [.. setups.Slots.Select(s => s.Current)];
        foreach (var part in from.Parts)
        {
            int[] own = [.. Enumerable.Range(0, options.Length).Where(s => setups.Slots[s].Part == part.Id)];
            var least = Exposed(setups.With(options), givenUp, part.Id);
            while (least > 0 && !cancel.IsCancellationRequested
                && (own.Any(slot => Try(slot, null)) || own.Any(first => own.Any(second => second > first && Try(first, second))))) { }
            if (givenUp is not null && least > 0)
            {
                if (own.Length > HandsTriedTogether) SawAll = false;
                return null;
            }

            // Whether other glass in one hand, or in two at once, leaves less exposed; the first that does stays.
            bool Try(int slot, int? other)
            {
                var (was, wasOther) = (options[slot], other is { } o ? options[o] : 0);
                for (options[slot] = 0; options[slot] < setups.Slots[slot].Options.Count; options[slot]++)
                {
                    if (options[slot] == was) continue;
                    if (other is { } second)
                    {
                        for (options[second] = 0; options[second] < setups.Slots[second].Options.Count; options[second]++)
                            if (options[second] != wasOther && Better()) return true;
                        options[second] = wasOther;
                    }
                    else if (Better()) return true;
                }
                options[slot] = was;
                return false;

                bool Better()
                {
                    if (Clashes(slot) || (other is { } second && Clashes(second))) return false;
                    var now = Exposed(setups.With(options), givenUp, part.Id);
                    (var better, least) = (now < least, Math.Min(now, least));
                    return better;
                }
            }
        }
        return (setups.With(options), setups.Differences(options));

        bool Clashes(int slot) => setups.Exclusive.Any(e => e.Any(c => c.Slot == slot && c.Option == options[slot])
            && e.Count(c => options[c.Slot] == c.Option) > 1);
    }
}
