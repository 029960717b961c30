using System.Runtime.CompilerServices;

namespace YokePair.Core.Plans;

/// <summary>What a plan consists of, by id. Where two share an id, which only a plan that is refused has, it is the first.</summary>
public static class PlanIndex
{
    // A plan never changes, so what was looked up once stays true of it.
    private static readonly ConditionalWeakTable<Plan, Index> Indexes = [];

    /// <summary>The thing with an id.</summary>
    public static Item? ItemOf(this Plan plan, string? id) => Find(Of(plan).Items, id);

    /// <summary>All things by id.</summary>
    public static IReadOnlyDictionary<string, Item> ItemsById(this Plan plan) => Of(plan).Items;

    /// <summary>Whether a thing has this id.</summary>
    public static bool HasItem(this Plan plan, string id) => Of(plan).Items.ContainsKey(id);

    /// <summary>The part with an id.</summary>
    public static Part? PartOf(this Plan plan, string? id) => Find(Of(plan).Parts, id);

    /// <summary>The place with an id.</summary>
    public static Place? PlaceOf(this Plan plan, string? id) => Find(Of(plan).Places, id);

    /// <summary>The person with an id.</summary>
    public static Person? PersonOf(this Plan plan, string? id) => Find(Of(plan).People, id);

    /// <summary>Whether a person has this id.</summary>
    public static bool HasPerson(this Plan plan, string id) => Of(plan).People.ContainsKey(id);

    private static Index Of(Plan plan) => Indexes.GetValue(plan, p => new Index(p));

    private static T? Find<T>(Dictionary<string, T> by, string? id)
        where T : class => id is null ? null : by.GetValueOrDefault(id);

    private sealed class Index(Plan plan)
    {
        public Dictionary<string, Item> Items { get; } = ById(plan.Items, i => i.Id);

        public Dictionary<string, Part> Parts { get; } = ById(plan.Parts, p => p.Id);

        public Dictionary<string, Place> Places { get; } = ById(plan.Places, p => p.Id);

        public Dictionary<string, Person> People { get; } = ById(plan.People, p => p.Id);

        private static Dictionary<string, T> ById<T>(IReadOnlyList<T> all, Func<T, string> id)
        {
            var by = new Dictionary<string, T>(all.Count, StringComparer.Ordinal);
            foreach (var one in all) by.TryAdd(id(one), one);
            return by;
        }
    }
}
