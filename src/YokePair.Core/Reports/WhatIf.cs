using YokePair.Core.Cards;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>A loss, part by part.</summary>
/// <param name="Id">Id of the thing, place, person, radio system, battery type or event; for a rig, of its body.</param>
/// <param name="Kind">What goes.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Items">Ids of everything that goes with it in any part.</param>
/// <param name="Cells">Every part, in the order of the day.</param>
/// <param name="Costs">How many once and must needs become late or lost.</param>
/// <param name="Dark">How many more fall into the dark, as a camera, flash or lamp runs out of charge without it.</param>
/// <param name="Power">What goes dark without it, in words; empty = nothing that would not anyway.</param>
/// <param name="Cards">What of room and copies is lacking without it, in words; empty = nothing that would not anyway.</param>
/// <param name="FromPart">Part from which on an event of one's own lasts; null = from the start of the day.</param>
/// <param name="UntilPart">Part by which it is mended; null = not that day.</param>
public sealed record WhatIfRow(
    string Id, LossKind Kind, string Name, IReadOnlyList<string> Items, IReadOnlyList<LossCell> Cells, int Costs, int Dark, IReadOnlyList<TextPiece> Power,
    IReadOnlyList<TextPiece> Cards, string? FromPart = null, string? UntilPart = null);

/// <summary>How many things of one kind, and of no other, must fail together to cost a picture that matters.</summary>
/// <param name="Kind">Kind of thing, as in a plan file.</param>
/// <param name="Margin">How many; null = beyond 3.</param>
public sealed record KindMargin(string Kind, int? Margin);

/// <summary>A thing and what it is called.</summary>
public sealed record NamedThing(string Item, string Name);

/// <summary>Every loss against every part.</summary>
/// <param name="Headline">The whole in a sentence a client could read.</param>
/// <param name="Rows">Losses, the most harmful first.</param>
/// <param name="Harmless">How many of them make nothing late or lost.</param>
/// <param name="Causes">What several things have in common that could take them together.</param>
/// <param name="ToGet">What is still to get and counted as missing, each with its name.</param>
/// <param name="Margins">By kind of thing, how many of that kind must fail together to cost a picture that matters; the smallest first.</param>
/// <param name="Gone">What is on the cards and would be gone with a camera, a wallet, a bag or all that somebody carries, the worst first.</param>
public sealed record WhatIfTable(
    string Headline, IReadOnlyList<WhatIfRow> Rows, int Harmless, IReadOnlyList<SharedCause> Causes, IReadOnlyList<NamedThing> ToGet,
    IReadOnlyList<KindMargin> Margins, IReadOnlyList<IReadOnlyList<TextPiece>> Gone)
{
    /// <summary>Tries every loss of a day.</summary>
    public static WhatIfTable Of(DayAnalysis day, CancellationToken cancel = default)
    {
        // What is still to get is missing until it is here.
        day = day.AsItIsHere();
        var names = new Names(day.Plan);
        var events = (day.Plan.Events ?? []).ToDictionary(e => e.Id, StringComparer.Ordinal);
        var lack = PowerPlans.Lack(day);
        var days = new Lazy<IReadOnlyList<PowerPlan>>(() => [.. PowerPlans.ByDay(day)]);
        var without = new Lazy<Func<IEnumerable<string>, CardsWithout>>(() => CardPlans.Without(day));
        var rows = LossRows.Of(day, cancel)
            .Select(r => r.Kind == LossKind.Own ? Named(r) with { FromPart = events[r.Id].FromPart, UntilPart = events[r.Id].UntilPart } : Named(r))
            .OrderByDescending(r => r.Costs + r.Dark).ThenByDescending(r => r.Cells.Count(c => c.Worst is not null) + r.Power.Count + r.Cards.Count)
            .ThenByDescending(r => r.Kind).ToList();
        var counted = day.Outcomes.SelectMany(p => p.Needs).Where(n => n.Need.Importance != Importance.Nice).ToList();
        var harmful = rows.Where(r => r.Costs + r.Dark > 0).Select(r => r.Kind).ToList();
        var met = counted.Count(n => n.Outcome.IsMet());
        return new WhatIfTable(
            WhatIfWords.Headline(met, counted.Count - met, rows.Count, harmful), rows, rows.Count(r => r.Costs + r.Dark + r.Cards.Count == 0),
            SharedCause.Of(day),
            [.. day.Whole.Items.Where(i => i.Wanted).Select(i => new NamedThing(i.Id, i.Label))], MarginsOf(day),
            [.. CardPlans.Losses(day).Select(l => (IReadOnlyList<TextPiece>)[.. CardWords.Gone(names, l)])]);

        WhatIfRow Named(LossRow row)
        {
            var feeds = row.Items.Any(i => day.Plan.ItemOf(i) is Battery or Cells or Pack or Charger);
            var dark = feeds ? PowerPlans.Without(day, row.Items, lack) : row.Kind == LossKind.Socket ? WithoutSocket() : [];
            // A part in the dark costs what it asks, unless the loss itself does already.
            var more = dark.SelectMany(d => d.Needs.Select(n => (d.Part, Need: n))).Distinct()
                .Count(d => !row.Cells.Any(c => c.Part == d.Part && c.Worst is Outcome.Late or Outcome.Lost && c.Needs.Contains(d.Need)));
            return new WhatIfRow(row.Id, row.Kind, LossWords.Row(names, row.Kind, row.Id), row.Items, row.Cells, row.Costs, more,
                dark.Count == 0 ? Charging(row) : [.. PowerWords.Dark(names, dark)], Cards(row));
        }

        IReadOnlyList<TextPiece> Cards(LossRow row) => row.Items.Any(i => day.Plan.ItemOf(i) is Card or CardReader or Drive)
            ? [.. CardWords.Without(without.Value(row.Items))] : [];

        IReadOnlyList<PowerShort> WithoutSocket() =>
            PowerPlans.Beyond(PowerPlans.Lack(day.Without(new Pulled("socket", Kind: LossKind.Socket))).Short, lack);

        // Without a charger the night is longer.
        IReadOnlyList<TextPiece> Charging(LossRow row)
        {
            if (!row.Items.Any(i => day.Plan.ItemOf(i) is Charger)) return [];
            var (with, without) = (ChargingNights.Of(day.Plan, days.Value, []), ChargingNights.Of(day.Plan, days.Value, [], row.Items));
            return [.. PowerWords.NotFull([.. without.Zip(with).Where(n => n.First.Short > n.Second.Short).Select(n => n.First)])];
        }
    }

    /// <summary>How a need comes to what a loss leaves of it, link by link; null when there is no such loss or need.</summary>
    public static IReadOnlyList<string>? Chain(DayAnalysis day, LossKind kind, string id, string part, string need)
    {
        day = day.AsItIsHere();
        if (Losses.Find(day.Kit, kind, id) is not { } loss) return null;
        if (loss.ItemsIn is null) return day.Without(new Pulled(id, Kind: kind)).Explain(part, need)?.Chain;
        if (day.PartOf(part) is not { } there) return null;
        Pulled[] gone = [.. loss.ItemsIn(there.Ways.Layout).Select(i => new Pulled(day.Kit.Items[i].Id))];
        return day.Without(gone).Explain(part, need)?.Chain;
    }

    private static IReadOnlyList<KindMargin> MarginsOf(DayAnalysis day)
    {
        var items = day.Kit.Items;
        var cuts = day.Parts.SelectMany(p => p.Needs).Where(n => n.Need.Importance != Importance.Nice).SelectMany(n => n.Cuts).ToList();
        return [.. items.Select(ItemKinds.Of).Distinct(StringComparer.Ordinal)
            .Select(kind => new KindMargin(kind, cuts.Where(c => Array.TrueForAll(c, i => ItemKinds.Of(items[i]) == kind)).Select(c => (int?)c.Length).Min()))
            .OrderBy(m => m.Margin ?? int.MaxValue)];
    }
}
