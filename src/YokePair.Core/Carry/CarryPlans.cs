using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Carry;

/// <summary>
/// Weighs bags and people. A thing in a hand, and all that is on or in it, hangs where its person's cameras hang; what is left in a bag is
/// felt where that is worn; lights that are set up are carried by nobody. A part lasts until the next begins.
/// </summary>
public sealed class CarryPlans
{
    /// <summary>Between two parts further apart nobody stands waiting with it all on.</summary>
    private const double LongestPauseHours = 2;

    private readonly Plan plan;
    private readonly Kit kit;
    private readonly IReadOnlyDictionary<string, Item> known;
    private readonly ILookup<string?, int> packed;

    private CarryPlans(DayAnalysis day, IReadOnlyList<Item> locker)
    {
        (plan, kit) = (day.Plan, day.Kit);
        packed = Enumerable.Range(0, kit.Items.Length).ToLookup(kit.PackedIn);
        known = locker.DistinctBy(i => i.Id).ToDictionary(i => i.Id, StringComparer.Ordinal);
    }

    /// <summary>Weighs a day.</summary>
    /// <param name="day">The day.</param>
    /// <param name="locker">Where the plan does not say what a thing weighs or is worth, this does.</param>
    public static CarryPlan Of(DayAnalysis day, IReadOnlyList<Item> locker)
    {
        var weighed = new CarryPlans(day, locker);
        return new CarryPlan([.. day.Plan.Places.Select(weighed.BeamOf)],
            [.. day.Plan.People.Select(weighed.BurdenOf).Where(b => b.Parts.Any(p => p.Felt + p.Wheels > 0))]);
    }

    /// <summary>Grams of a thing, and whether that is a usual figure.</summary>
    private (double Grams, bool IsUsual) WeightOf(int item) =>
        (kit.Items[item].WeightG ?? known.GetValueOrDefault(kit.Items[item].Id)?.WeightG) is { } grams ? (grams, false)
            : (UsualWeights.Of(kit.Items[item]), true);

    private Beam BeamOf(Place place)
    {
        List<int> inside = [.. packed[place.Id]];
        var things = new List<BeamThing>();
        foreach (var item in inside.Where(i => kit.RestsOn[i] == Kit.None).OrderByDescending(GramsWithAll))
            foreach (var one in WithAll(item))
                things.Add(new BeamThing(kit.Items[one].Id, WeightOf(one).Grams, WeightOf(one).IsUsual,
                    kit.RestsOn[one] is var on and not Kit.None ? kit.Items[on].Id : null));
        return new Beam(place.Id, things.Sum(t => t.Grams) + (place.EmptyG ?? 0), place.EmptyG, place.LimitG,
            inside.Sum(i => kit.Items[i].Value ?? known.GetValueOrDefault(kit.Items[i].Id)?.Value ?? 0), things);
    }

    private double GramsWithAll(int item) => WithAll(item).Sum(i => WeightOf(i).Grams);

    /// <summary>
    /// A thing and all that is on or in it, each once, also in a circle. Of what is in a hand without the rest that is, and without glass it was
    /// packed with: a camera in a hand carries the glass named there and no other.
    /// </summary>
    private List<int> WithAll(int item, HashSet<int>? held = null)
    {
        List<int> found = [item];
        for (var n = 0; n < found.Count; n++)
            found.AddRange(Enumerable.Range(0, kit.Items.Length)
                .Where(i => kit.RestsOn[i] == found[n] && !found.Contains(i) && (held is null || (!held.Contains(i) && !IsGlass(i)))));
        return found;
    }

    private bool IsGlass(int item) => kit.Items[item] is Lens or Converter or Adapter or Tube;

    private Burden BurdenOf(Person person)
    {
        List<Part> order = [.. Day.InOrder(plan)];
        var parts = order.ConvertAll(p => InPart(person, p));
        var hours = order.ConvertAll(p => HoursOf(order, p));
        var worn = parts.Zip(hours).Where(p => p.First.Shoulders > 0).ToList();
        var total = worn.Sum(p => p.Second);
        return new Burden(person.Id, parts, Math.Round(total, 2),
            total > 0 ? Math.Round(worn.Sum(p => p.First.Shoulders * p.Second) / total) : worn.Select(p => p.First.Shoulders).DefaultIfEmpty(0).Average(),
            Math.Round(parts.Zip(hours).Sum(p => p.First.Felt * p.Second) / 1000, 1), person.LimitG);
    }

    /// <summary>Until the next part begins, or its own end before a long pause; 0 without times.</summary>
    private static double HoursOf(List<Part> order, Part part)
    {
        if (part is not { Start: { } start, End: { } end }) return 0;
        var next = order.Select(p => p.Start).Where(s => s > start).Min();
        return next is { } then && (then - end).TotalHours <= LongestPauseHours ? (then - start).TotalHours : (end - start).TotalHours;
    }

    /// <summary>Who carries a place: whose it is; a roller that is anybody's goes with the first of the team.</summary>
    private string? CarrierOf(Place place) => place.Person ?? (place.Worn == Worn.Wheels ? plan.People[0].Id : null);

    private BurdenInPart InPart(Person person, Part part)
    {
        if (part.Present?.Contains(person.Id) == false) return new BurdenInPart(part.Id, 0, 0, 0, 0);
        var felt = new Dictionary<Worn, double>();
        HashSet<int> held = [.. part.Setups.SelectMany(s => s.Named()).Select(n => kit.IndexOf(n.Id)).Where(i => i != Kit.None)];
        HashSet<int> lit = [.. (part.Lights ?? []).SelectMany(l => l.Named(plan.HasPerson)).Select(n => kit.IndexOf(n.Id)).Where(i => i != Kit.None)];
        foreach (var setup in part.Setups.Where(s => s.Person == person.Id && s.Unattended != true))
            foreach (var item in setup.Named().Select(n => kit.IndexOf(n.Id)).Where(i => i != Kit.None).SelectMany(i => WithAll(i, held)))
                Add(person.CamerasOn ?? Worn.Shoulders, WeightOf(item).Grams);
        foreach (var place in plan.Places.Where(p => CarrierOf(p) == person.Id && !part.Unreachable.Contains(p.Id)))
        {
            var grams = packed[place.Id].Where(i => !IsOut(i)).Sum(i => WeightOf(i).Grams) + (place.EmptyG ?? 0);
            var worn = place.Worn ?? Worn.Shoulders;
            Add(worn == Worn.Wheels && part.Rough == true ? Worn.Hands : worn, grams);
        }
        return new BurdenInPart(part.Id, At(Worn.Shoulders), At(Worn.Hips), At(Worn.Hands), At(Worn.Wheels));

        void Add(Worn where, double grams) => felt[where] = felt.GetValueOrDefault(where) + grams;

        double At(Worn where) => felt.GetValueOrDefault(where);

        // In a hand or a light itself, or on or in what is; glass that was taken off for other glass is in the bag.
        bool IsOut(int item)
        {
            foreach (var i in kit.Bearers(item).Prepend(item))
                if (held.Contains(i) || lit.Contains(i) || IsGlass(i)) return held.Contains(i) || lit.Contains(i);
            return false;
        }
    }
}
