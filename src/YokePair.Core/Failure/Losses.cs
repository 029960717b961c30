using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Failure;

/// <summary>Something that can be lost, with what goes with it.</summary>
/// <param name="Id">Id of the thing, place, person, radio system, battery type or event; for a rig, of its body.</param>
/// <param name="Kind">What is lost.</param>
/// <param name="ItemsIn">
/// Numbers of the things that are gone in a part; where they fail later or are mended, none before and after. Null where more than
/// things is gone: a person, a radio system.
/// </param>
internal sealed record Loss(string Id, LossKind Kind, Func<PartLayout, int[]>? ItemsIn);

/// <summary>Every loss of a day that is thought of.</summary>
internal static class Losses
{
    public static IEnumerable<Loss> Of(Kit kit) =>
        Things(kit).Concat(Rigs(kit)).Concat(Places(kit.Plan)).Concat(People(kit.Plan)).Concat(Radios(kit.Plan)).Concat(Refused(kit.Plan))
            .Concat(Makes(kit.Plan)).Concat(Old(kit.Plan)).Concat(Sockets(kit.Plan)).Concat(Own(kit.Plan));

    /// <summary>One of them; null when there is no such.</summary>
    public static Loss? Find(Kit kit, LossKind kind, string id) => Of(kit).FirstOrDefault(l => l.Kind == kind && l.Id == id);

    /// <summary>Each single thing; a box or bag with all in it.</summary>
    public static IEnumerable<Loss> Things(Kit kit) =>
        Enumerable.Range(0, kit.Items.Length)
            .Select(i => new Loss(kit.Items[i].Id, LossKind.Item, kit.Items[i] is Case ? layout => BoxOf(kit, layout, i) : _ => [i]));

    /// <summary>A box, and what is packed in it and not in a hand.</summary>
    private static int[] BoxOf(Kit kit, PartLayout layout, int box) =>
    [
        box, .. Enumerable.Range(0, kit.Items.Length).Where(i => kit.Bearers(i).Contains(box)
            && kit.Bearers(i).TakeWhile(b => b != box).Prepend(i).All(b => layout.SetupOf(b) is null)),
    ];

    /// <summary>Each camera with all on it.</summary>
    public static IEnumerable<Loss> Rigs(Kit kit) =>
        kit.Bodies.Select(body => new Loss(kit.Items[body].Id, LossKind.Rig, layout => RigOf(kit, layout, body)));

    /// <summary>Each camera with what is in it but not what a setup hangs on it: what goes in any case, whatever the setups.</summary>
    public static IEnumerable<Loss> BareRigs(Kit kit) =>
        kit.Bodies.Select(body => new Loss(kit.Items[body].Id, LossKind.Rig,
            _ => [body, .. Enumerable.Range(0, kit.Items.Length).Where(i => kit.RestsOn[i] == body && kit.Items[i] is (Battery or Card))]));

    /// <summary>Each place with all in it.</summary>
    public static IEnumerable<Loss> Places(Plan plan) => plan.Places.Select((place, at) => new Loss(place.Id, LossKind.Place,
        layout => [.. Enumerable.Range(0, layout.Kit.Items.Length).Where(i => layout.SourceOf(i) == at)]));

    /// <summary>The day with a loss that is more than things gone; null where it is no more.</summary>
    public static DayAnalysis? Changed(this DayAnalysis day, Loss loss) => loss.ItemsIn is null ? day.Without(new Pulled(loss.Id, Kind: loss.Kind)) : null;

    /// <summary>
    /// A part of such a day. A loss of this kind only takes ways away: while the one that would be taken anyway stands, the need is as
    /// it was, and only the others are looked at again.
    /// </summary>
    public static PartFindings Touched(this DayAnalysis changed, DayAnalysis day, Loss loss, PartFindings part)
    {
        NeedFinding?[] known = [.. part.Needs.Select(n => IsTouched(n) ? null : n)];
        return Array.IndexOf(known, null) < 0 ? part : changed.PartWith(part.Part.Id, known);

        bool IsTouched(NeedFinding need) => need.Moment?.Found.Exhaustive == false || (loss.Kind == LossKind.Radio
            ? Enumerable.Range(0, day.Kit.Items.Length).Any(i => Outage.SystemsOf(day.Kit.Items[i]).Contains(loss.Id) && need.Uses(i))
            : loss.Kind == LossKind.Person && need.Asks(part.Ways.Layout, part.Ways.Layout.PersonIndex(loss.Id)));
    }

    private static IEnumerable<Loss> People(Plan plan) => plan.People.Select(person => new Loss(person.Id, LossKind.Person, null));

    private static IEnumerable<Loss> Radios(Plan plan) =>
        plan.Items.SelectMany(Outage.SystemsOf).Distinct(StringComparer.Ordinal).Order(StringComparer.Ordinal)
            .Select(system => new Loss(system, LossKind.Radio, null));

    private static IEnumerable<Loss> Refused(Plan plan) =>
        plan.Items.OfType<Battery>().Where(b => b.Type is not null && b.Make is Make.ThirdParty or Make.Cheap).GroupBy(b => b.Type!, StringComparer.Ordinal)
            .Select(type =>
        {
            var ids = type.Select(b => b.Id).ToHashSet(StringComparer.Ordinal);
            return new Loss(type.Key, LossKind.Batteries, layout => Numbers(layout, ids));
        });

    private static IEnumerable<Loss> Makes(Plan plan) => Lots(
        plan.Items.OfType<Cells>().Where(c => c.Type is not null && c.Make is not null), LossKind.Cells, c => $"{c.ChargeType()} {c.Make}");

    /// <summary>Bought years ago, and by now as likely to fail as one another.</summary>
    private static IEnumerable<Loss> Old(Plan plan) => Lots(plan.Items.Where(i => IsOld(plan, i)), LossKind.Old, i => i.ChargeType() ?? (i as Card)?.Type);

    /// <summary>Whether a thing has been in use for so long on the day that it may fail.</summary>
    public static bool IsOld(Plan plan, Item item)
    {
        const int years = 4;
        return item.FirstUse is { } since && plan.Parts.Select(Day.Of).Min() is { } day && since <= day.AddYears(-Math.Min(years, day.Year - 1));
    }

    private static IEnumerable<Loss> Sockets(Plan plan) => plan.Parts.Any(p => p.Socket == true) ? [new Loss("socket", LossKind.Socket, null)] : [];

    /// <summary>Things alike by a key; one alone is a thing like any other.</summary>
    private static IEnumerable<Loss> Lots(IEnumerable<Item> items, LossKind kind, Func<Item, string?> keyOf) =>
        items.Where(i => keyOf(i) is not null).GroupBy(keyOf, StringComparer.Ordinal).Where(g => g.Count() > 1).Select(lot =>
        {
            var ids = lot.Select(i => i.Id).ToHashSet(StringComparer.Ordinal);
            return new Loss(lot.Key!, kind, layout => Numbers(layout, ids));
        });

    private static IEnumerable<Loss> Own(Plan plan) => (plan.Events ?? []).Select(own =>
    {
        var ids = own.Items.ToHashSet(StringComparer.Ordinal);
        return new Loss(own.Id, LossKind.Own, layout => own.Lasts(plan, layout.Part) ? Numbers(layout, ids) : []);
    });

    private static int[] Numbers(PartLayout layout, HashSet<string> ids)
    {
        var items = layout.Kit.Items;
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
