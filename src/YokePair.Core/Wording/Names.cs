using YokePair.Core.Plans;

namespace YokePair.Core.Wording;

/// <summary>What the things, people, places, parts and needs of a plan are called; an id stands for itself where it is none.</summary>
internal sealed class Names(Plan plan)
{
    private readonly Dictionary<string, string> items = plan.Items.ToDictionary(i => i.Id, i => i.Label, StringComparer.Ordinal);
    private readonly Dictionary<(string, string), Need> needs = plan.Parts.SelectMany(p => p.Needs.Select(n => (p, n)))
        .ToDictionary(x => (x.p.Id, x.n.Id), x => x.n);

    public string Item(string id) => items.GetValueOrDefault(id, id);

    /// <summary>Whether it is full as the day begins.</summary>
    public bool IsFull(string id) => plan.Left?.ContainsKey(id) != true;

    public string Need(string part, string need) => needs.TryGetValue((part, need), out var found) ? found.Label : need;

    public Importance Importance(string part, string need) => needs[(part, need)].Importance;

    public string Part(string id) => plan.PartOf(id)?.Label ?? id;

    public string Person(string id) => plan.PersonOf(id)?.Name ?? id;

    public string Place(string id) => plan.PlaceOf(id)?.Name ?? id;

    public string Event(string id) => plan.Events?.FirstOrDefault(e => e.Id == id)?.Name ?? id;

    /// <summary>A lens on a body.</summary>
    public string Camera(string body, string lens) => $"the {Item(lens)} on the {Item(body)}";
}
