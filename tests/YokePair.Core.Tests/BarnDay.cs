using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Two people and a hand, one thing of each kind, a part for each rule: what the demo days have no use for.</summary>
internal static class BarnDay
{
    public static Plan Plan { get; } = PlanFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "Lines/barn-day.json"))).Plan!;
}
