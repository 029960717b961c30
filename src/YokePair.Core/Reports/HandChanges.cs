using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Core.Reports;

/// <summary>What is on a position's camera changes from one part to the next.</summary>
/// <param name="Part">Id of the part before which it must be done.</param>
/// <param name="Person">Whose hand.</param>
/// <param name="Position">Which.</param>
/// <param name="Seconds">How long it takes: a lens, and whatever must be fitted to it.</param>
/// <param name="FreeSeconds">Time between the two parts.</param>
/// <param name="Tight">Whether there is less time than it takes, and something in the part happens once.</param>
public sealed record HandChange(string Part, string Person, string Position, double Seconds, double FreeSeconds, bool Tight);

/// <summary>Finds every change of glass in the hands, from part to part.</summary>
internal static class HandChanges
{
    public static IReadOnlyList<HandChange> Of(DayAnalysis day)
    {
        var plan = day.Plan;
        var changes = new List<HandChange>();
        var before = new Dictionary<string, (Setup Setup, Part Part)>(StringComparer.Ordinal);
        foreach (var part in Day.InOrder(plan))
        {
            foreach (var setup in part.Setups)
            {
                if (setup.Body is not { } body) continue;
                if (before.TryGetValue(body, out var was) && Chain(was.Setup) is var old && Chain(setup) is var now && !old.SequenceEqual(now))
                {
                    string[] fitted = [.. now.Where(piece => !old.Contains(piece))];
                    var hands = day.Kit.SecondsOf(day.PartOf(part.Id)!.Ways.Layout.PersonIndex(setup.Person));
                    var seconds = hands.ChangeLens + hands.FitAdapter * fitted.Count(piece => piece != setup.Lens && plan.ItemOf(piece)?.Place != "@"
                        + setup.Lens)
                        + Preparation.Seconds(day, part, setup.Person, fitted);
                    var free = part.Start is { } start && was.Part.End is { } end ? Math.Max(0, (start - end).TotalSeconds) : 0;
                    changes.Add(new HandChange(part.Id, setup.Person, setup.Position, seconds, free, free < seconds && part.HoldsOnce));
                }
                before[body] = (setup, part);
            }
        }
        return changes;
    }

    private static List<string> Chain(Setup setup) => [.. new[] { setup.Lens, setup.Converter, setup.Tube, setup.Adapter }.OfType<string>()];
}
