using YokePair.Core.Plans;

namespace YokePair.Core.Reports;

/// <summary>Lights to be set up, or moved, before a part.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Items">Ids of the flashes and lamps.</param>
/// <param name="Seconds">How long it takes one person: each light its placing, and each place they come from its reach once.</param>
/// <param name="FreeSeconds">Time since the part before; null for the first, which is set up before the day begins.</param>
/// <param name="Tight">Whether there is less time than it takes, and something in the part happens once.</param>
public sealed record LightMove(string Part, IReadOnlyList<string> Items, double Seconds, double? FreeSeconds, bool Tight);

/// <summary>Follows the lights from part to part.</summary>
internal static class LightMoves
{
    public static IReadOnlyList<LightMove> Of(Plan plan)
    {
        var moves = new List<LightMove>();
        Part? before = null;
        foreach (var part in Day.InOrder(plan))
        {
            // A light that stood at the same spot in the part before stays as it is.
            var moved = (part.Lights ?? []).Where(l => Lamp(l) is not null
                && before?.Lights?.Any(b => Lamp(b) == Lamp(l) && b.Spot == l.Spot && b.Holder == l.Holder) != true).ToList();
            if (moved.Count > 0)
            {
                var stood = before?.Lights?.Select(Lamp).ToHashSet() ?? [];
                var from = moved.Where(l => !stood.Contains(Lamp(l)))
                    .Select(l => plan.Places.FirstOrDefault(p => p.Id == plan.Items.FirstOrDefault(i => i.Id == Lamp(l))?.Place)).OfType<Place>().Distinct()
                    .Sum(p => part.ReachSeconds?.TryGetValue(p.Id, out var here) == true ? here : p.ReachSeconds);
                var seconds = from + moved.Count * plan.Rules.Seconds.PlaceLight;
                double? free = before is null ? null : part.Start is { } start && before.End is { } end ? Math.Max(0, (start - end).TotalSeconds) : 0;
                moves.Add(new LightMove(part.Id, [.. moved.Select(l => Lamp(l)!)], seconds, free, free < seconds && part.HoldsOnce));
            }
            before = part;
        }
        return moves;
    }

    private static string? Lamp(PlacedLight light) => light.Flash ?? light.Light;
}
