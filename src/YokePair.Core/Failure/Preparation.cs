using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Failure;

/// <summary>What one must fetch before a part so that it begins with other things in the hand.</summary>
internal static class Preparation
{
    /// <summary>
    /// Seconds to fetch things before a part: each source once, from where it lies when one could last get at it. What was in that
    /// person's hands in the part before costs nothing, nor does what can be had only before the day.
    /// </summary>
    /// <param name="day">The day.</param>
    /// <param name="part">The part they are wanted in.</param>
    /// <param name="person">Id of who wants them.</param>
    /// <param name="things">Ids of the things.</param>
    public static double Seconds(DayAnalysis day, Part part, string person, IEnumerable<string> things)
    {
        var order = Day.InOrder(day.Plan).ToList();
        var at = order.FindIndex(p => p.Id == part.Id);
        if (at <= 0) return 0;
        var fetched = new HashSet<(int Part, int Source)>();
        return things.Sum(thing => Fetch(day.Kit.IndexOf(thing)));

        double Fetch(int item)
        {
            if (item == Kit.None) return 0;
            for (var p = at; p >= 0; p--)
            {
                // As it lies before the part, not as the part itself has it.
                if (p == at && day.PartOf(order[p].Id)!.Ways.Layout.SetupOf(item) is not null) continue;
                var layout = day.PartOf(order[p].Id)!.Ways.Layout;
                var actor = layout.PersonIndex(person);
                if (!layout.Actors.Contains(actor)) continue;
                var source = layout.SourceOf(item);
                if (layout.HandsOf(source) == actor && p < at) return 0;
                if (layout.Cost(actor, source) is var seconds && !double.IsPositiveInfinity(seconds)) return fetched.Add((p, source)) ? seconds : 0;
            }
            return 0;
        }
    }
}
