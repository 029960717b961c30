using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Swaps;
using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Power;

/// <summary>A battery, or a set of cells, when what it was in is done with it.</summary>
/// <param name="Thing">Number of it, or of the lot it is of.</param>
/// <param name="Left">Share of a full charge.</param>
internal readonly record struct SetLeft(int Thing, double Left);

/// <summary>
/// The charge of flashes, packs, triggers, lamps and what else runs, through a day. A set of cells or a battery is used down to its reserve;
/// before a part that it does not reach to the end of it is changed where a fresh one does, and inside a part only where one is not
/// enough. What has its charge built in is filled again only where there is a socket and it rests.
/// </summary>
internal sealed class DevicePlan
{
    private readonly CameraDay day;
    private readonly Kit kit;
    private readonly Dictionary<string, Queue<int>> spare;
    private readonly List<(int Part, Swap Change)> changes = [];
    private readonly List<(int Part, PowerShort Short)> dark = [];
    private readonly SortedDictionary<int, List<PowerLevel>> levels = [];
    private readonly Dictionary<int, Filling> left = [];
    private readonly List<SetLeft> used = [];
    private readonly HashSet<int> loaded = [];

    /// <param name="day">The parts.</param>
    /// <param name="work">What is at work in them.</param>
    /// <param name="taken">Numbers of the batteries that the cameras use.</param>
    public DevicePlan(CameraDay day, List<DeviceWork> work, IReadOnlySet<int> taken)
    {
        (this.day, kit, Work) = (day, day.Kit, work);
        var at = work.Select(w => w.Device).ToHashSet();
        spare = kit.Cells.Concat(kit.Batteries)
            .Where(c => IsCharged(c) && !taken.Contains(c) && !at.Contains(HolderOf(c)) && !day.IsGone(c, 0))
            .GroupBy(TypeOf).ToDictionary(g => g.Key, g => new Queue<int>(g.SelectMany(c => Enumerable.Repeat(c, FullSetsIn(c)))), StringComparer.Ordinal);
        for (var p = 0; p < day.Parts.Length; p++)
        {
            foreach (var one in work.Where(w => w.Part == p)) left[one.Device] = Use(one, left.TryGetValue(one.Device, out var had) ? had : Loaded(one.Device));
            Refill(p);
        }
        foreach (var (device, has) in left) NoteLeft(device, has);
    }

    /// <summary>What is in a thing.</summary>
    /// <param name="Things">Numbers of what it is; none for a charge built in, or for nothing.</param>
    /// <param name="Size">Full sets of cells, or batteries as new, that it comes to when full.</param>
    /// <param name="Left">How much of that is left above the reserve.</param>
    private readonly record struct Filling(IReadOnlyList<int> Things, double Size, double Left)
    {
        public int First => Things is [var first, ..] ? first : Kit.None;
    }

    private List<DeviceWork> Work { get; }

    public IEnumerable<(int Part, Swap Change)> Changes => changes;

    public IEnumerable<(int Part, PowerShort Short)> Dark => dark;

    /// <summary>What was in something at work, and how full it is when that is done.</summary>
    public IReadOnlyList<SetLeft> Used => used;

    public IEnumerable<PowerBand> Bands => levels.Select(l => new PowerBand(kit.Items[l.Key].Id, l.Value, ReserveOf(l.Key)));

    /// <summary>Each type: as many as are used and one that may die, and of cells one full change for each flash.</summary>
    public IEnumerable<PowerType> Types => Work.Select(w => Wanted(w.Device)).OfType<string>().Distinct(StringComparer.Ordinal).Select(type =>
    {
        int[] all = [.. kit.Cells.Concat(kit.Batteries).Where(c => TypeOf(c) == type)];
        int[] ready = [.. all.Where(c => IsCharged(c) && !day.IsGone(c, 0))];
        var flashes = Work.Select(w => w.Device).Distinct().Count(f => kit.Items[f] is Flash && Wanted(f) == type);
        var missing = (int)Math.Ceiling(dark.Where(d => d.Short.Type == type).Sum(d => d.Short.Sets));
        var drawn = loaded.Where(c => TypeOf(c) == type).Sum(SetsIn) + changes.Count(c => TypeOf(kit.IndexOf(c.Change.In)) == type);
        return new PowerType(type, all.Sum(SetsIn), ready.Sum(SetsIn), drawn, Math.Max(drawn + missing + 1, 2 * flashes), null, [], CellsOf(type));
    });

    /// <summary>Cells of a set of a type; null for batteries.</summary>
    public int? CellsOf(string type) => kit.Batteries.Any(b => TypeOf(b) == type) ? null
        : (int)Math.Min(kit.Cells.Where(c => TypeOf(c) == type).Select(c => ((Cells)kit.Items[c]).CellCount).FirstOrDefault(c => c is not null)
            ?? Charge.TypicalCells, Charge.TypicalCells);

    /// <summary>What is put on charge as it is, with its charge built in.</summary>
    public IEnumerable<PowerAlone> Alone => Work.Select(w => w.Device).Distinct().Where(d => Wanted(d) is null).Order().Select(d =>
        new PowerAlone(kit.Items[d].Id, Math.Round(Work.Where(w => w.Device == d).Sum(w => w.OfAll), 4)));

    private bool IsCharged(int thing) => kit.Items[thing] is Cells { Charged: true, Type: not null } or Battery { Charged: true, Type: not null };

    private string TypeOf(int thing) => kit.Items[thing].ChargeType() ?? "";

    /// <summary>Sets of the usual number that a lot comes to.</summary>
    public int SetsIn(int thing) =>
        (kit.Items[thing].Count ?? 1) * (kit.Items[thing] is Cells { CellCount: { } cells } ? Math.Max(1, (int)(cells / Charge.TypicalCells)) : 1);

    /// <summary>Of a lot that is not full, as many sets as its charge comes to.</summary>
    private int FullSetsIn(int thing) => (int)Math.Floor((SetsIn(thing) * day.ChargeOf(thing)) + 1e-9);

    /// <summary>What something is in, or in what that rests: cells in a pack on a flash feed the flash.</summary>
    private int HolderOf(int thing) =>
        kit.RestsOn[thing] is var on && on != Kit.None && kit.Items[on] is Pack && kit.RestsOn[on] != Kit.None ? kit.RestsOn[on] : kit.RestsOn[thing];

    private string? Wanted(int device) => TakenBy(kit.Items[device]);

    /// <summary>Type of cells or battery that a thing takes; null = its charge is built in.</summary>
    public static string? TakenBy(Item device) => device switch
    {
        Flash { Power: null or FlashPower.OwnCells } flash => flash.CellsType,
        Trigger trigger => trigger.CellsType,
        StandLight light => light.BatteryType,
        OtherThing other => other.CellsType,
        _ => null,
    };

    private double ReserveOf(int device) =>
        kit.Items[device] is StandLight or Pack || Wanted(device) is null ? kit.Plan.Rules.Power.BatteryReserve : kit.Plan.Rules.Power.CellReserve;

    private double UsableOf(int device) => 1 - ReserveOf(device);

    private Filling Loaded(int device)
    {
        if (Wanted(device) is not { } type) return new Filling([], 1, Math.Max(0, day.ChargeOf(device) - ReserveOf(device)));
        int[] inside = [.. kit.Cells.Concat(kit.Batteries).Where(c => IsCharged(c) && TypeOf(c) == type && HolderOf(c) == device && !day.IsGone(c, 0))];
        if (inside.Length == 0) return new Filling([], 0, 0);
        // Of cells in the flash itself one set counts, of those in its pack all.
        int[] counted = [.. inside.Where(c => kit.RestsOn[c] != device), .. inside.Where(c => kit.RestsOn[c] == device).Take(1)];
        loaded.UnionWith(counted);
        var size = counted.Sum(c => kit.RestsOn[c] == device ? SizeOf(c) : SetsIn(c));
        return new Filling(counted, size, counted.Sum(c =>
            (kit.RestsOn[c] == device ? SizeOf(c) : SetsIn(c)) * Math.Max(0, day.ChargeOf(c) - ReserveOf(device))));
    }

    private double SizeOf(int thing) => (kit.Items[thing] as Battery)?.Health ?? 1;

    private Filling Use(DeviceWork work, Filling has)
    {
        var (asked, done) = (work.OfAll, 0.0);
        if (has.Size <= 0 || (has.Left < asked && has.Left < (has.Size * UsableOf(work.Device)) - 1e-9)) has = Change(work, has, 0) ?? has;
        Note(0);
        while (has.Left + 1e-9 < asked - done)
        {
            done += has.Left;
            has = has with { Left = 0 };
            Note(done / asked);
            if (Change(work, has, done / asked) is not { } next)
            {
                GoDark(work, done / asked);
                done = asked;
                break;
            }
            has = next;
            Note(done / asked);
        }
        has = has with { Left = Math.Max(0, has.Left - (asked - done)) };
        Note(1);
        return has;

        void Note(double at) => Level(work.Device, work.Part, at, has);
    }

    private void Level(int device, int part, double at, Filling has)
    {
        if (!levels.TryGetValue(device, out var line)) levels.Add(device, line = []);
        var shown = has.Size <= 0 ? 0 : Math.Round((has.Left / has.Size) + ReserveOf(device), 4);
        line.Add(new PowerLevel(day.Parts[part].Id, Math.Round(at, 4), shown,
            has.Size <= 0 ? null : kit.Items[has.First == Kit.None ? device : has.First].Id));
    }

    private Filling? Change(DeviceWork work, Filling from, double at)
    {
        if (Wanted(work.Device) is not { } type || !spare.TryGetValue(type, out var sets) || !sets.TryDequeue(out var set)) return null;
        var part = day.Parts[work.Part];
        var shown = from.First == Kit.None ? (int?)null : (int)Math.Round(100 * (1 - (from.Left / from.Size) - ReserveOf(work.Device)));
        var inOnce = at > 0 && part.HoldsOnce;
        changes.Add((work.Part, new Swap(part.Id, at > 0 ? (int)Math.Round(at * work.Amount) : null, inOnce, kit.Plan.People[work.Actor].Id,
            kit.Items[work.Device].Id, null, from.First == Kit.None ? null : kit.Items[from.First].Id, shown, shown is null ? null : 100,
            kit.Items[set].Id, null, kit.SecondsOf(work.Actor).ChangeBattery)));
        NoteLeft(work.Device, from);
        return new Filling([set], SizeOf(set), SizeOf(set) * UsableOf(work.Device));
    }

    private void NoteLeft(int device, Filling has)
    {
        if (has.Size > 0) used.AddRange(has.Things.Select(t => new SetLeft(t, (has.Left / has.Size) + ReserveOf(device))));
    }

    /// <summary>A socket fills what has its charge built in and is not at work.</summary>
    private void Refill(int part)
    {
        if (!day.HasSocket(part)) return;
        var hours = Clock.Length(kit.Plan, day.Parts[part]).TotalHours;
        foreach (var device in left.Keys.Where(d => Wanted(d) is null && !Work.Exists(w => w.Part == part && w.Device == d)).ToList())
        {
            var has = left[device];
            Level(device, part, 0, has);
            left[device] = has with { Left = Math.Min(UsableOf(device), has.Left + (hours / Charge.TypicalHours)) };
            Level(device, part, 1, left[device]);
        }
    }

    private void GoDark(DeviceWork work, double at)
    {
        var part = day.Parts[work.Part];
        var amount = (int)Math.Round(at * work.Amount);
        dark.Add((work.Part, new PowerShort(kit.Items[work.Device].Id, Wanted(work.Device), part.Id, PowerPlans.MinuteOf(part, at), amount,
            (int)Math.Round(work.Amount) - amount, [.. part.Needs.Where(n => n.Importance != Importance.Nice).Select(n => n.Id)])
        { Sets = (1 - at) * work.OfAll / UsableOf(work.Device) }));
    }
}
