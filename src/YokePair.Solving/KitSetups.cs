using YokePair.Core.Editing;
using YokePair.Core.Plans;
using YokePair.Core.Proposals;

namespace YokePair.Solving;

/// <summary>
/// Whether the report agrees with a kit, with the setups as they are or, where they are free, with the best that are
/// found: hand by hand and part by part the glass that leaves least exposed, until nothing gets better.
/// </summary>
internal sealed class KitSetups
{
    private readonly Plan plan;
    private readonly KitProblem problem;
    private readonly bool free;
    private readonly HashSet<(string Part, string Need)> hopeless;

    public KitSetups(Plan plan, KitProblem problem, KitWish wish, HashSet<(string Part, string Need)> hopeless)
    {
        this.plan = plan;
        this.problem = problem;
        this.hopeless = hopeless;
        free = wish.SetupsFree;
        Beyond = [];
        if (!free) return;
        // With everything there is: what is exposed even then is not asked of a smaller kit.
        var things = new HashSet<string>(StringComparer.Ordinal);
        bool[] all = [.. problem.Options.Select(o => things.Add(o.Thing))];
        if (Apply(plan, problem.Changes(all), []) is { } whole) Beyond = [.. problem.ExposedIn(Improved(whole, CancellationToken.None).Plan).Select(e => (e.Part, e.Need))];
    }

    /// <summary>Needs that no setups found protect even with everything along.</summary>
    public HashSet<(string Part, string Need)> Beyond { get; }

    /// <summary>The plan with every change made; null where one of them cannot be.</summary>
    public static Plan? Apply(Plan plan, IReadOnlyList<KitChange> changes, IReadOnlyList<ProposedChange> setups) =>
        EditResult.Apply(plan, [.. changes.Select(c => c.Edit), .. setups.SelectMany(s => s.Edits)]).Plan;

    /// <summary>Setups with which the report knows of nothing beyond what no kit survives; null when there are none, or none were found.</summary>
    public IReadOnlyList<ProposedChange>? Fit(bool[] chosen, IReadOnlySet<(string Part, string Need)> givenUp, CancellationToken cancel)
    {
        if (Apply(plan, problem.Changes(chosen), []) is not { } then) return null;
        if (Passes(then)) return [];
        if (!free) return null;
        var (better, setups) = Improved(then, cancel);
        return Passes(better) ? setups : null;

        bool Passes(Plan tried) => Protects(tried, givenUp);
    }

    /// <summary>Whether a kit with its setups exposes nothing that could be protected.</summary>
    public bool Agrees(bool[] chosen, IReadOnlyList<ProposedChange> setups) =>
        Apply(plan, problem.Changes(chosen), setups) is { } then && Protects(then, hopeless);

    private bool Protects(Plan tried, IReadOnlySet<(string Part, string Need)> givenUp) =>
        problem.ExposedIn(tried).Select(e => (e.Part, e.Need)).All(need => hopeless.Contains(need) || Beyond.Contains(need) || givenUp.Contains(need));

    private (Plan Plan, IReadOnlyList<ProposedChange> Setups) Improved(Plan from, CancellationToken cancel)
    {
        var setups = new SetupProblem(from);
        int[] options = [.. setups.Slots.Select(s => s.Current)];
        foreach (var part in from.Parts)
        {
            int[] own = [.. Enumerable.Range(0, options.Length).Where(s => setups.Slots[s].Part == part.Id)];
            var least = Exposed(part.Id);
            for (var better = least > 0; better && least > 0 && !cancel.IsCancellationRequested;)
            {
                better = false;
                foreach (var slot in own)
                    for (var o = 0; o < setups.Slots[slot].Options.Count && least > 0; o++)
                    {
                        var was = options[slot];
                        if (o == was) continue;
                        options[slot] = o;
                        if (!Clashes(slot) && Exposed(part.Id) is var now && now < least) (least, better) = (now, true);
                        else options[slot] = was;
                    }
            }
        }
        return (setups.With(options), setups.Differences(options));

        int Exposed(string part) => problem.ExposedIn(setups.With(options), part).Count;

        bool Clashes(int slot) => setups.Exclusive.Any(e => e.Any(c => c.Slot == slot && c.Option == options[slot]) && e.Count(c => options[c.Slot] == c.Option) > 1);
    }
}
