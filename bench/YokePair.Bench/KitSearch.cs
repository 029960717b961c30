using System.Text.Json;
using YokePair.Browser;
using YokePair.Core.Advice;
using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Solving;

namespace YokePair.Bench;

/// <summary>The least kit of the demo wedding with the demo locker, once for each class of failures.</summary>
internal static class KitSearch
{
    public static int Measure()
    {
        var plan = PlanFile.Read(File.ReadAllBytes(Path.Combine(Site.Root, "demo/steamer-wedding.yoke.json"))).Plan!;
        using var file = JsonDocument.Parse(File.ReadAllText(Path.Combine(Site.Root, "demo/locker.yoke-locker.json")));
        var locker = file.RootElement.GetProperty("things").Deserialize<List<Item>>(PlanFile.JsonOptions)!;
        var pairs = file.RootElement.GetProperty("pairs").Deserialize<List<PairRule>>(PlanFile.JsonOptions)!;
        plan = PlanAndLocker.With(plan, locker.ToDictionary(i => i.Id, StringComparer.Ordinal), pairs);
        var late = 0;
        foreach (var (survives, limit) in new[] { (FailureClass.None, 5.0), (FailureClass.Item, 5), (FailureClass.Rig, 30), (FailureClass.Bag, 30) })
            foreach (var free in new[] { false, true })
            {
                var found = LightestKit.Find(plan, locker, new KitWish(survives, SetupsFree: free));
                var bound = found.Proven ? "proven" : FormattableString.Invariant($"with bound {found.AtLeast / 1000:0.0}");
                Console.Write(FormattableString.Invariant(
                    $"{locker.Count} things in the locker, survives {survives}, setups {(free ? "free" : "as they are")}: "));
                Console.WriteLine(FormattableString.Invariant($"{found.Cost / 1000:0.0} kg {bound}, {found.Rounds} rounds, {found.Seconds:0.00} s"));
                if (!free && (!found.Proven || found.Seconds > limit)) late++;
            }
        return late;
    }
}
