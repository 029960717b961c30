using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Advice;

/// <summary>Edits that might mend a need; whether they do is for the report to say.</summary>
internal static class MendCandidates
{
    private const int PlacesTried = 2;

    /// <summary>Lenses to be had that are tried for each camera.</summary>
    private const int LensesTried = 2;

    /// <summary>Position of a camera that hangs from a strap beside those in the hands.</summary>
    private const string Slung = "slung";

    /// <summary>Each thing in each other place at hand, bags before pockets, the quickest first.</summary>
    public static IEnumerable<PlanEdit> Moves(Plan plan, Part part, Bearing bearing)
    {
        var near = Bags(plan, part).ToList();
        foreach (var item in plan.Items)
        {
            // What a setup of this part names is in a hand, wherever it is packed; what lies on another thing goes with it.
            if (item is not (Body or Lens or Adapter or Converter or Tube or Flash or Battery or Cells or Card)
                || item.Place?.StartsWith('@') != false) continue;
            if (part.Setups.Any(s => s.Named().Any(n => n.Id == item.Id)) || !bearing.Has(item)) continue;
            foreach (var place in near)
                if (place.Id != item.Place) yield return new MoveItem { Item = item.Id, Place = place.Id };
        }
    }

    /// <summary>Each glass at hand on each camera in hand.</summary>
    public static IEnumerable<PlanEdit> Mounts(Plan plan, Part part, Bearing bearing)
    {
        foreach (var setup in part.Setups)
        {
            if (plan.Items.OfType<Body>().FirstOrDefault(b => b.Id == setup.Body) is not { } body) continue;
            foreach (var glass in GlassOnBody.Fitting(body, plan))
                if (part.Setups.All(s => s.Lens != glass.Lens.Id) && bearing.Has(glass) && plan.CanBeInHand(part, glass.Pieces))
                    yield return Mount.Of(part.Id, setup.Person, setup.Position, glass);
        }
    }

    /// <summary>Each thing of the locker that is free that day, in the bags before the pockets, lightest first.</summary>
    public static IEnumerable<PlanEdit> Packs(Plan plan, Part part, IReadOnlyList<Item> locker, Bearing bearing)
    {
        foreach (var item in locker.OrderBy(i => i.WeightG ?? double.MaxValue))
        {
            if (ItemKinds.IsFixed(item) || !bearing.Has(item) || !Sourcing.IsFree(plan, item, part)) continue;
            foreach (var place in Bags(plan, part).Take(PlacesTried)) yield return new PackThing { Thing = item.Id, Place = place.Id, Found = item };
        }
    }

    /// <summary>A second one of what the need hangs by; where it is not met at all, the nearest thing made just good enough.</summary>
    public static IEnumerable<IReadOnlyList<PlanEdit>> Borrows(DayAnalysis day, Part part, Need need)
    {
        var plan = day.Plan;
        var findings = day.PartOf(part.Id)!;
        var found = findings.Needs.First(n => n.Need.Id == need.Id);
        var kinds = found.Cuts.Where(c => c.Length == 1).Select(c => (Item?)day.Kit.Items[c[0]]).OfType<Item>().Where(i => i is not (Battery or Card or Cells))
            .Select(i => (Thing: Plain(i), Lens: (string?)null))
            .Concat(!found.Outcome.IsMet() ? BetterThings(day, findings, found) : []).ToList();
        // Where no single thing is to blame, whoever has it is: a second camera like theirs for somebody else.
        if (kinds.Count == 0 && found.Best is { Rig.Fitted: { } like }) kinds.Add((Plain(like.Glass.Body), null));
        var taken = ItemIds.Taken(plan);
        var bags = Bags(plan, part).Take(PlacesTried).ToList();
        var has = found.Best is { } best ? plan.People[best.Rig.Actor].Id : null;
        foreach (var (kind, lens) in kinds)
            foreach (var place in bags)
            {
                var borrow = new BorrowThing { Item = kind with { Id = ItemIds.New("borrowed", kind.Label, taken), Place = place.Id } };
                yield return [borrow];
                if (place != bags[0]) continue;
                // What happens once waits for no bag: the thing must be in the hand.
                foreach (var inHand in InHand(plan, part, borrow.Item, lens, has)) yield return [borrow, .. inHand];
                if (found.Best is not { Rig.Fitted: { } fitted } || borrow.Item is not Body) continue;
                // And where the glass is one of a kind as well, a second whole camera.
                var second = new BorrowThing { Item = Plain(fitted.Glass.Lens) with { Id = ItemIds.New("borrowed", "lens", taken), Place = place.Id } };
                foreach (var inHand in InHand(plan, part, borrow.Item, second.Item.Id, has)) yield return [borrow, second, .. inHand];
            }
    }

    private static IEnumerable<IReadOnlyList<PlanEdit>> InHand(Plan plan, Part part, Item thing, string? lens, string? has)
    {
        // A second of something serves best in the hands of somebody else.
        var hands = part.Setups.Concat(plan.People.Where(p => p.Role != PersonRole.Assistant && part.Present?.Contains(p.Id) != false
            && part.Setups.All(s => s.Person != p.Id || s.Position != Slung))
            .Select(p => new Setup { Person = p.Id, Position = Slung, Body = thing is Body ? thing.Id : null })).OrderBy(s => s.Person == has);
        foreach (var setup in hands)
        {
            if (thing is Lens glass && plan.Items.OfType<Body>().FirstOrDefault(b => b.Id == setup.Body) is { } held
                && held.Mount.Contains(glass.Mount)) yield return [new Mount { Part = part.Id, Person = setup.Person, Position = setup.Position,
                Body = held.Id, Lens = glass.Id }];
            if (thing is not Body { Slots.Count: > 0 } body) continue;
            // A body that comes along is empty: a battery and cards of its types that no other hand needs go in before the part.
            var battery = Spare(plan, part).OfType<Battery>().FirstOrDefault(b => b.Type == body.BatteryType && b.Charged);
            var cards = Spare(plan, part).OfType<Card>().Where(c => c.State == Card.Clear).ToList();
            var filling = new List<PlanEdit>();
            for (var slot = 0; slot < body.Slots.Count; slot++)
            {
                if (cards.Find(c => c.Type == body.Slots[slot].Type) is not { } card) continue;
                cards.Remove(card);
                filling.Add(new MoveItem { Item = card.Id, Place = FormattableString.Invariant($"@{body.Id}/{slot + 1}") });
            }
            if (filling.Count == 0) filling.Add(new BorrowThing
            {
                Item =
                new Card { Id = $"{body.Id}-card", Name = $"{body.Slots[0].Type} card", Type = body.Slots[0].Type, Place = $"@{body.Id}/1" }
            });
            yield return
            [
                battery is null
                    ? new BorrowThing { Item = new Battery { Id = $"{body.Id}-battery", Name = $"{body.BatteryType} battery", Type = body.BatteryType,
                        Place = $"@{body.Id}" } }
                    : new MoveItem { Item = battery.Id, Place = $"@{body.Id}" },
                .. filling,
                new Mount { Part = part.Id, Person = setup.Person, Position = setup.Position, Body = body.Id, Lens = lens ?? setup.Lens, Adapter = lens is null
                    ? setup.Adapter : null },
            ];
        }
    }

    /// <summary>Supplies that lie in a bag and in no hand of the part.</summary>
    private static IEnumerable<Item> Spare(Plan plan, Part part)
    {
        var held = part.Setups.SelectMany(s => s.Named()).Select(n => n.Id).ToHashSet(StringComparer.Ordinal);
        return plan.Items.Where(i => !held.Contains(i.Id) && i.Place?.StartsWith('@') == false && !part.Unreachable.Contains(i.Place));
    }

    /// <summary>Somebody else there too, in every part that a person's absence harms.</summary>
    public static IReadOnlyList<PlanEdit> Company(Plan plan, string absent, IEnumerable<Part> parts) =>
        [.. parts.Where(p => p.Present is { } there && plan.People.Any(o => o.Id != absent && !there.Contains(o.Id)))
            .Select(p => new SetPart { Part = p.Id, Present = [.. plan.People.Select(o => o.Id)] })];

    private static IEnumerable<Place> Bags(Plan plan, Part part) => plan.PlacesNear(part).BagsFirst();

    /// <summary>A thing like another, as one would ask for it: a kind with figures, of no make and nobody's.</summary>
    private static Item Plain(Item like) => like.Unmarked().AtHand() with
    {
        Name = WantedThing.Name(like),
        Owner = null,
        NeededBy = null,
        Doubtful = false,
        Make = null
    };

    /// <summary>
    /// What would make good a need that nothing meets, of what can be had: a lens that fits a camera in hand, the plainest first; something
    /// to stand on; and only then a cleaner body for glass that is too dark.
    /// </summary>
    private static IEnumerable<(Item Thing, string? Lens)> BetterThings(DayAnalysis day, PartFindings part, NeedFinding found)
    {
        var rules = day.Plan.Rules;
        var need = found.Ways.Need;
        var bodies = day.Kit.Items.OfType<Body>().Where(b => part.Part.Setups.Any(s => s.Body == b.Id)).OrderByDescending(b => b.IsoCeiling);
        foreach (var body in bodies.DistinctBy(b => (b.Mount[0], b.Crop, b.IsoCeiling)))
            foreach (var lens in CanBeHad.Lenses(body.Mount[0])
                .Where(l => NeedFit.AmbientQuality(rules, part.Part, need, new GlassOnBody(body, l, null, null, null)) == Quality.Full)
                .OrderBy(l => l.NeedsSupport == true).ThenByDescending(l => l.Aperture.Low).ThenBy(l => l.Focal.High / l.Focal.Low).Take(LensesTried))
                yield return (Plain(lens), null);
        var near = day.Kit.Glass.Select(g => (g.Glass, Fit: NeedFit.Ambient(rules, part.Part, need, g.Glass)))
            .Where(w => w.Glass.Converter is null && w.Glass.Tube is null && w.Glass.Adapter is null && part.Ways.Layout.Actors.Length > 0).ToList();
        if (near.Any(w => w.Fit.NoFor == Shortfalls.Support))
            yield return (new Support { Id = "support", Name = "tripod", Form = "tripod" }, null);
        foreach (var (glass, fit) in near.Where(w => w.Fit.NoFor == Shortfalls.Iso).OrderBy(w => w.Fit.StopsOver).Take(3))
            if (CanBeHad.CeilingFor(fit.Iso) is { } ceiling) yield return (
                Plain(glass.Body with { IsoCeiling = ceiling, WeightG = null, Value = null }), glass.Lens.Id);
    }
}
