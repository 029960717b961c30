using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using YokePair.Core.Locker;
using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>A thing of the locker before and after its figures were changed there.</summary>
public sealed record ChangedThing(Item Before, Item After);

/// <summary>
/// Takes over figures that were changed in the locker. What the day has of its own, a figure that was another one there already, stays; so
/// does where the thing is packed.
/// </summary>
public sealed record FollowLocker : PlanEdit
{
    private static readonly string[] TheDaysOwn = ["id", "kind", "place", Marks];

    private const string Marks = "estimated";

    /// <summary>What was changed; the locker says it, no client does.</summary>
    [JsonIgnore] public IReadOnlyList<ChangedThing> Things { get; init; } = [];

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        var followed = new List<string>();
        foreach (var change in Things)
        {
            if (plan.ItemOf(change.Before.Id) is not { } item) continue;
            var (json, figures) = Followed(item, change);
            if (figures.Count == 0) continue;
            var (now, problems) = PlanFile.ReadItem(json);
            if (now is null) return new EditResult(null, "", problems);
            plan = plan with { Items = [.. plan.Items.Select(i => i == item ? now : i)] };
            var words = figures.Select(f => FigureCatalogue.Find(ItemKinds.Of(now), f)?.Words ?? f);
            followed.Add($"{now.Label} as the locker has it now: {string.Join(", ", words)}");
        }
        return new EditResult(plan, followed.Count > 0 ? string.Join("; ", followed) : "as the locker has it already", []);
    }

    private static (JsonObject Json, List<string> Figures) Followed(Item item, ChangedThing change)
    {
        var (json, before, after) = (FigureCatalogue.ToJson(item), FigureCatalogue.ToJson(change.Before), FigureCatalogue.ToJson(change.After));
        List<string> figures =
        [
            .. before.Concat(after).Select(f => f.Key).Distinct().Except(TheDaysOwn)
                .Where(f => !JsonNode.DeepEquals(before[f], after[f]) && JsonNode.DeepEquals(json[f], before[f])),
        ];
        foreach (var figure in figures)
        {
            if (after[figure] is { } value) json[figure] = value.DeepClone();
            else json.Remove(figure);
        }
        // A figure that follows is a guess if it is one in the locker.
        var marked = Marked(json).Except(figures).Concat(Marked(after).Intersect(figures)).ToList();
        if (marked.Count > 0) json[Marks] = new JsonArray([.. marked.Select(m => (JsonNode)m)]);
        else json.Remove(Marks);
        return (json, figures);

        static IEnumerable<string> Marked(JsonObject thing) => (thing[Marks] as JsonArray)?.Select(m => m!.GetValue<string>()) ?? [];
    }
}
