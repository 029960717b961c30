using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Reports;

/// <summary>What can go at once.</summary>
public enum LossKind
{
    /// <summary>One thing dies.</summary>
    Item,

    /// <summary>A camera is dropped or stolen with all that is on it and in it.</summary>
    Rig,

    /// <summary>A bag or the car is stolen, or cannot be got at.</summary>
    Place,

    /// <summary>A person is absent, with what they hold and what is in their bags.</summary>
    Person,

    /// <summary>A radio system is jammed: nothing sends or hears by it; the things still work without it.</summary>
    Radio,

    /// <summary>A camera refuses every battery of a type that is not its own maker's.</summary>
    Batteries,

    /// <summary>Things the photographer fears for together.</summary>
    Own,
}

/// <summary>Something that can go, with what goes with it. Either <see cref="Goes"/> or <see cref="Changes"/> says what it does.</summary>
/// <param name="Id">Id of the thing, place, person, radio system, battery type or event; for a rig, of its body.</param>
/// <param name="Kind">What goes.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Goes">Numbers of the things that are gone in a part; where they go later or are mended, none before and after.</param>
/// <param name="Changes">The plan as it then is, where more than things is gone.</param>
internal sealed record Loss(string Id, LossKind Kind, string Name, Func<PartFindings, int[]>? Goes, Func<Plan, Plan>? Changes = null);

/// <summary>Every loss of a day that is thought of.</summary>
internal static class Losses
{
    public static IEnumerable<Loss> Of(DayAnalysis day) =>
        Things(day.Kit).Concat(Rigs(day.Kit)).Concat(Places(day.Plan)).Concat(People(day.Plan)).Concat(Radios(day.Plan)).Concat(Refused(day.Plan)).Concat(Own(day));

    /// <summary>Each single thing.</summary>
    public static IEnumerable<Loss> Things(Kit kit) =>
        Enumerable.Range(0, kit.Items.Length).Select(i => new Loss(kit.Items[i].Id, LossKind.Item, kit.Items[i].Label, _ => [i]));

    /// <summary>Each camera with all on it.</summary>
    public static IEnumerable<Loss> Rigs(Kit kit) =>
        kit.Bodies.Select(body => new Loss(kit.Items[body].Id, LossKind.Rig, $"{kit.Items[body].Label} and all on it", part => RigOf(kit, part.Ways.Layout, body)));

    /// <summary>Each camera with what is in it but not what a setup hangs on it: what goes in any case, whatever the setups.</summary>
    public static IEnumerable<Loss> BareRigs(Kit kit) =>
        kit.Bodies.Select(body => new Loss(kit.Items[body].Id, LossKind.Rig, $"{kit.Items[body].Label} and all on it",
            _ => [body, .. Enumerable.Range(0, kit.Items.Length).Where(i => kit.RestsOn[i] == body && kit.Items[i] is (Battery or Card))]));

    /// <summary>Each place with all in it.</summary>
    public static IEnumerable<Loss> Places(Plan plan) => plan.Places.Select((place, at) => new Loss(place.Id, LossKind.Place, place.Name ?? place.Id,
        part => [.. Enumerable.Range(0, part.Failed.Length).Where(i => part.Ways.Layout.SourceOf(i) == at)]));

    private static IEnumerable<Loss> People(Plan plan) => plan.People.Select(person =>
    {
        List<string> others = [.. plan.People.Select(p => p.Id).Where(id => id != person.Id)];
        return new Loss(person.Id, LossKind.Person, $"{person.Name ?? person.Id} is absent", null, now => now with
        {
            Parts = [.. now.Parts.Select(p => p with { Present = [.. (p.Present ?? [.. now.People.Select(o => o.Id)]).Where(others.Contains)] })],
        });
    });

    private static IEnumerable<Loss> Radios(Plan plan) =>
        plan.Items.SelectMany(SystemsOf).Distinct(StringComparer.Ordinal).Order(StringComparer.Ordinal)
            .Select(system => new Loss(system, LossKind.Radio, $"radio {system} is jammed", null, now => now with { Items = [.. now.Items.Select(i => Deaf(i, system))] }));

    private static IEnumerable<string> SystemsOf(Item item) => item switch
    {
        Flash { RadioSystem: { } system } => [system],
        Trigger trigger => new[] { trigger.Sends, trigger.Hears }.OfType<string>(),
        _ => [],
    };

    private static Item Deaf(Item item, string system) => item switch
    {
        Flash flash when flash.RadioSystem == system => flash with { RadioSystem = null, CanSend = null, CanHear = null },
        Trigger trigger => trigger with { Sends = trigger.Sends == system ? null : trigger.Sends, Hears = trigger.Hears == system ? null : trigger.Hears },
        _ => item,
    };

    private static IEnumerable<Loss> Refused(Plan plan) =>
        plan.Items.OfType<Battery>().Where(b => b.Type is not null && b.Make is Make.ThirdParty or Make.Cheap).GroupBy(b => b.Type!, StringComparer.Ordinal).Select(type =>
        {
            var ids = type.Select(b => b.Id).ToHashSet(StringComparer.Ordinal);
            return new Loss(type.Key, LossKind.Batteries, $"{type.Key} of another maker refused", part => Numbers(part, ids));
        });

    private static IEnumerable<Loss> Own(DayAnalysis day) => (day.Plan.Events ?? []).Select(own =>
    {
        var ids = own.Items.ToHashSet(StringComparer.Ordinal);
        return new Loss(own.Id, LossKind.Own, own.Name ?? own.Id, part => own.Lasts(day.Plan, part.Part) ? Numbers(part, ids) : []);
    });

    private static int[] Numbers(PartFindings part, HashSet<string> ids)
    {
        var items = part.Ways.Kit.Items;
        return [.. Enumerable.Range(0, items.Length).Where(i => ids.Contains(items[i].Id))];
    }

    /// <summary>The body, what its setup hangs on it, and what is packed on or in any of that.</summary>
    private static int[] RigOf(Kit kit, PartLayout layout, int body)
    {
        var rig = new HashSet<int> { body };
        foreach (var glass in layout.OnBody(body)) rig.Add(glass);
        if (layout.SetupOf(body) is { } setup)
            foreach (var (_, id) in setup.Named()) rig.Add(kit.IndexOf(id));
        for (var grew = true; grew;)
        {
            grew = false;
            for (var i = 0; i < kit.Items.Length; i++)
                if (kit.RestsOn[i] != Kit.None && rig.Contains(kit.RestsOn[i]) && layout.SetupOf(i) is null) grew |= rig.Add(i);
        }
        return [.. rig];
    }
}
