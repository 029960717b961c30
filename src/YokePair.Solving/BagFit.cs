using Google.OrTools.Sat;
using YokePair.Core.Carry;

namespace YokePair.Solving;

/// <summary>
/// Lays things side by side in a bag, each on any side that the depth allows, none on another. The solver (CP-SAT) lays as much as it can by
/// the room it takes; where something is left out, it says by how much the bag would have to be longer, or wider, for all of it.
/// </summary>
public static class BagFit
{
    /// <summary>Seconds for laying, and for each of the two questions how much larger the bag would have to be.</summary>
    private const double Laying = 2, Asking = 0.5;

    /// <summary>A bag more than so many times as long is not asked for.</summary>
    private const int Longest = 4;

    /// <summary>Lays them, within three seconds.</summary>
    /// <param name="room">The bag and the things.</param>
    /// <param name="cancel">Stops the search; the best so far is given, unproven.</param>
    public static BagLayout Find(BagRoom room, CancellationToken cancel = default)
    {
        var tooDeep = room.Things.Select(t => new TooDeep(t.Item, t.SizeMm.Min() - room.Depth)).Where(t => t.MissingMm > 0).ToList();
        List<CarriedShape> flat = [.. room.Things.Where(t => tooDeep.TrueForAll(d => d.Item != t.Item))];
        var (laid, proven) = new Floor(room, flat).LayAsMuchAsGoes(cancel);
        List<string> left = [.. flat.Select(t => t.Item).Except(laid.Select(l => l.Item))];
        double? longer = null, wider = null;
        if (left.Count > 0)
        {
            longer = new Floor(room, flat).Least(isLength: true, cancel);
            wider = new Floor(room, flat).Least(isLength: false, cancel);
        }
        return new BagLayout(room, laid, tooDeep, left, longer, wider, proven);
    }

    /// <summary>Whether all of it goes in, as far as that is found within half a second.</summary>
    public static bool Fits(BagRoom room, CancellationToken cancel = default) =>
        room.Things.All(t => t.SizeMm.Min() <= room.Depth) && new Floor(room, room.Things).LayAsMuchAsGoes(cancel, Asking).Laid.Count == room.Things.Count;

    /// <summary>
    /// A gap all round a thing is shared with its neighbour: the bag is as if it were larger by one gap less two along its walls, and each thing as
    /// if it were larger by one.
    /// </summary>
    private sealed class Floor
    {
        private readonly CpModel model = new();
        private readonly BagRoom room;
        private readonly IReadOnlyList<CarriedShape> things;
        private readonly List<Side> sides = [];
        private readonly BoolVar[] laid;
        private readonly long gap, length, width;

        public Floor(BagRoom room, IReadOnlyList<CarriedShape> things)
        {
            (this.room, this.things, gap) = (room, things, (long)Math.Ceiling(room.Gap));
            (length, width) = ((long)Math.Floor(room.Length) - gap, (long)Math.Floor(room.Width) - gap);
            laid = [.. things.Select(_ => model.NewBoolVar(""))];
        }

        private sealed record Side(int Thing, long Length, long Width, double Height, BoolVar Chosen, IntVar X, IntVar Y);

        public (IReadOnlyList<LaidThing> Laid, bool Proven) LayAsMuchAsGoes(CancellationToken cancel, double seconds = Laying)
        {
            if (length <= 0 || width <= 0) return ([], true);
            // A search cannot be stopped before it has begun.
            if (cancel.IsCancellationRequested) return ([], false);
            Turn(length, width, null, null);
            var sizes = things.Select(t => t.SizeMm.Order().ToArray()).Select(s => (long)Math.Ceiling(s[0] * s[1])).ToArray();
            model.Maximize(LinearExpr.WeightedSum(laid, sizes));
            using var solver = Solver(seconds, cancel, out var stop);
            using (stop)
            {
                var status = solver.Solve(model);
                if (status is not (CpSolverStatus.Optimal or CpSolverStatus.Feasible)) return ([], false);
                return ([.. sides.Where(s => solver.BooleanValue(s.Chosen)).Select(s => new LaidThing(things[s.Thing].Item, solver.Value(s.X) + gap,
                    solver.Value(s.Y) + gap, s.Length - gap, s.Width - gap, s.Height))], status == CpSolverStatus.Optimal);
            }
        }

        /// <summary>The least by which the bag must grow on one side for all of it; null where none was found in time, or none helps.</summary>
        public double? Least(bool isLength, CancellationToken cancel)
        {
            var now = isLength ? length : width;
            var most = Math.Max(now, 1) * Longest;
            if (now + gap <= 0 || (isLength ? width : length) <= 0 || cancel.IsCancellationRequested) return null;
            var end = model.NewIntVar(0, most, "");
            Turn(isLength ? most : length, isLength ? width : most, isLength ? end : null, isLength ? null : end);
            foreach (var one in laid) model.Add(one == 1);
            model.Minimize(end);
            using var solver = Solver(Asking, cancel, out var stop);
            using (stop)
                return solver.Solve(model) is CpSolverStatus.Optimal or CpSolverStatus.Feasible ? Math.Max(0, solver.Value(end) - now) : null;
        }

        private static CpSolver Solver(double seconds, CancellationToken cancel, out CancellationTokenRegistration stop)
        {
            var solver = new CpSolver { StringParameters = FormattableString.Invariant($"num_workers:1,max_time_in_seconds:{seconds}") };
            stop = cancel.Register(() => solver.StopSearch());
            return solver;
        }

        /// <summary>Each thing on one of its sides, turned either way, or left out.</summary>
        private void Turn(long mostX, long mostY, IntVar? endX, IntVar? endY)
        {
            var floor = model.AddNoOverlap2D();
            for (var t = 0; t < things.Count; t++)
            {
                var ways = new List<BoolVar>();
                foreach (var (l, w, h) in Sides(things[t], room))
                {
                    var (long1, wide1) = ((long)Math.Ceiling(l) + gap, (long)Math.Ceiling(w) + gap);
                    if (long1 > mostX || wide1 > mostY) continue;
                    var side = new Side(t, long1, wide1, h, model.NewBoolVar(""), model.NewIntVar(0, mostX - long1, ""), model.NewIntVar(0, mostY - wide1, ""));
                    floor.AddRectangle(model.NewOptionalFixedSizeIntervalVar(side.X, side.Length, side.Chosen, ""),
                        model.NewOptionalFixedSizeIntervalVar(side.Y, side.Width, side.Chosen, ""));
                    if (endX is not null) model.Add(endX >= side.X + side.Length).OnlyEnforceIf(side.Chosen);
                    if (endY is not null) model.Add(endY >= side.Y + side.Width).OnlyEnforceIf(side.Chosen);
                    ways.Add(side.Chosen);
                    sides.Add(side);
                }
                model.Add(LinearExpr.Sum(ways) == laid[t]);
            }
        }
    }

    /// <summary>The sides a thing may lie on, each turned both ways, none twice.</summary>
    private static IEnumerable<(double Length, double Width, double Height)> Sides(CarriedShape thing, BagRoom room)
    {
        double[] s = [.. thing.SizeMm.OrderDescending()];
        var all = new[] { (s[0], s[1], s[2]), (s[1], s[0], s[2]), (s[0], s[2], s[1]), (s[2], s[0], s[1]), (s[1], s[2], s[0]), (s[2], s[1], s[0]) };
        return all.Take(room.OneWay ? 1 : all.Length).Where(x => x.Item3 <= room.Depth).Distinct();
    }
}
