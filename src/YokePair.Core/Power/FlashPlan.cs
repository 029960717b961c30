using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Swaps;
using YokePair.Core.Ways;

namespace YokePair.Core.Power;

/// <summary>
/// The cells of the flashes through a busy day. A set is used down to its reserve; before a part that it does not reach to the end of it is
/// changed where a fresh one does, and inside a part only where one set is not enough.
/// </summary>
internal sealed class FlashPlan
{
    private readonly CameraDay day;
    private readonly Kit kit;
    private readonly Dictionary<string, Queue<int>> spare;
    private readonly List<(int Part, Swap Change)> changes = [];
    private readonly List<(int Part, PowerShort Short)> dark = [];
    private readonly Dictionary<int, List<PowerLevel>> levels = [];
    private readonly HashSet<int> loaded = [];

    public FlashPlan(CameraDay day, List<FlashWork> work)
    {
        (this.day, kit) = (day, day.Kit);
        var at = work.Select(w => w.Flash).ToHashSet();
        spare = kit.Cells
            .Where(c => kit.Items[c] is Cells { Charged: true, Type: not null } && !at.Contains(kit.RestsOn[c]) && !day.IsGone(c, 0))
            .GroupBy(TypeOf).ToDictionary(g => g.Key, g => new Queue<int>(g.SelectMany(c => Enumerable.Repeat(c, CountOf(c)))), StringComparer.Ordinal);
        var left = new Dictionary<int, (int Set, double Left)>();
        foreach (var one in work) left[one.Flash] = Use(one, left.TryGetValue(one.Flash, out var had) ? had : Loaded(one.Flash));
        Work = work;
    }

    private List<FlashWork> Work { get; }

    public IEnumerable<(int Part, Swap Change)> Changes => changes;

    public IEnumerable<(int Part, PowerShort Short)> Dark => dark;

    public IEnumerable<PowerBand> Bands => levels.OrderBy(l => l.Key).Select(l => new PowerBand(kit.Items[l.Key].Id, l.Value, Charge.CellReserve));

    /// <summary>Each type of cells, in sets: as many as are used and one that may die, and one full change for each flash.</summary>
    public IEnumerable<PowerType> Types => Work.Select(w => TypeWanted(w.Flash)).Distinct(StringComparer.Ordinal).Select(type =>
    {
        int[] sets = [.. kit.Cells.Where(c => kit.Items[c] is Cells && TypeOf(c) == type)];
        int[] ready = [.. sets.Where(c => kit.Items[c] is Cells { Charged: true } && !day.IsGone(c, 0))];
        var flashes = Work.Select(w => w.Flash).Distinct().Count(f => TypeWanted(f) == type);
        var missing = (int)Math.Ceiling(dark.Where(d => d.Short.Type == type).Sum(d => d.Short.Sets));
        var drawn = loaded.Count(c => TypeOf(c) == type) + changes.Count(c => TypeOf(kit.IndexOf(c.Change.In)) == type);
        var each = sets.Select(c => ((Cells)kit.Items[c]).CellCount).FirstOrDefault(c => c is not null) ?? Charge.TypicalCells;
        return new PowerType(type, sets.Sum(CountOf), ready.Sum(CountOf), drawn, Math.Max(drawn + missing + 1, 2 * flashes), null, [], (int)each);
    });

    private int CountOf(int cells) => kit.Items[cells].Count ?? 1;

    private string TypeWanted(int flash) => ((Flash)kit.Items[flash]).CellsType!;

    private string TypeOf(int cells) => ((Cells)kit.Items[cells]).Type ?? "";

    private (int Set, double Left) Loaded(int flash)
    {
        foreach (var set in kit.Cells)
        {
            if (kit.RestsOn[set] != flash || kit.Items[set] is not Cells { Charged: true } || TypeOf(set) != TypeWanted(flash) || day.IsGone(set, 0)) continue;
            loaded.Add(set);
            return (set, Charge.UsableOfCells);
        }
        return (Kit.None, 0);
    }

    private (int Set, double Left) Use(FlashWork work, (int Set, double Left) has)
    {
        var (set, left) = has;
        var (asked, done) = (work.OfASet, 0.0);
        if (left < asked && left < Charge.UsableOfCells) (set, left) = Change(work, set, left, 0) ?? (set, left);
        Note(0);
        while (left + 1e-9 < asked - done)
        {
            done += left;
            left = 0;
            Note(done / asked);
            if (Change(work, set, 0, done / asked) is not { } next)
            {
                GoDark(work, done / asked);
                done = asked;
                break;
            }
            (set, left) = next;
            Note(done / asked);
        }
        left = Math.Max(0, left - (asked - done));
        Note(1);
        return (set, left);

        void Note(double at)
        {
            if (!levels.TryGetValue(work.Flash, out var line)) levels.Add(work.Flash, line = []);
            var shown = set == Kit.None ? 0 : Math.Round(left + Charge.CellReserve, 4);
            line.Add(new PowerLevel(day.Parts[work.Part].Id, Math.Round(at, 4), shown, set == Kit.None ? null : kit.Items[set].Id));
        }
    }

    private (int Set, double Left)? Change(FlashWork work, int from, double left, double at)
    {
        if (!spare.TryGetValue(TypeWanted(work.Flash), out var sets) || !sets.TryDequeue(out var set)) return null;
        var part = day.Parts[work.Part];
        var shown = from == Kit.None ? (int?)null : (int)Math.Round(100 * (1 - left - Charge.CellReserve));
        var inOnce = at > 0 && part.Needs.Any(n => n.Importance == Importance.Once);
        changes.Add((work.Part, new Swap(part.Id, at > 0 ? (int)Math.Round(at * work.Pops) : null, inOnce, kit.Plan.People[work.Actor].Id,
            kit.Items[work.Flash].Id, null, from == Kit.None ? null : kit.Items[from].Id, shown, shown is null ? null : 100, kit.Items[set].Id, null,
            kit.SecondsOf(work.Actor).ChangeBattery)));
        return (set, Charge.UsableOfCells);
    }

    private void GoDark(FlashWork work, double at)
    {
        var part = day.Parts[work.Part];
        var pops = (int)Math.Round(at * work.Pops);
        dark.Add((work.Part, new PowerShort(kit.Items[work.Flash].Id, TypeWanted(work.Flash), part.Id, PowerPlans.MinuteOf(part, at), pops, work.Pops - pops,
            [.. part.Needs.Where(n => n.Importance != Importance.Nice).Select(n => n.Id)])
        { Sets = (1 - at) * work.OfASet / Charge.UsableOfCells }));
    }
}
