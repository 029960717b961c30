using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Plans with many things alike: a lens and perhaps another thing with four copies each, in the nearest place.</summary>
internal static class Crowd
{
    public static Plan Of(Plan plan, int seed)
    {
        var random = new Random(seed);
        var place = plan.Places.MinBy(p => p.ReachSeconds)!.Id;
        var items = plan.Items.ToList();
        Copy([.. items.OfType<Lens>()]);
        if (random.Next(2) == 0) Copy([.. items.Where(i => i is not (Battery or Card or Cells or Lens))]);
        return plan with { Items = items };

        void Copy(Item[] of)
        {
            var item = of[random.Next(of.Length)];
            for (var k = 1; k <= 4; k++) items.Add(item with { Id = $"{item.Id} copy {k}", Place = place, Number = k });
        }
    }

    public static bool IsCopy(string id) => id.Contains(" copy ", StringComparison.Ordinal);
}
