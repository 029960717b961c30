using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Data;

namespace YokePair.Web.Cards;

/// <summary>The record together with what names the cards and days in it.</summary>
internal sealed class Book(RecordStore record, LockerStore locker, PlanStore plans)
{
    private const int FactsShown = 60;

    /// <summary>Every card, and what was recorded last.</summary>
    public async Task<CardPages> PagesAsync(CancellationToken cancel)
    {
        var known = await record.LoadAsync(cancel);
        var days = (await plans.SummariesAsync(cancel)).ToDictionary(s => s.Key, s => s.Name, StringComparer.Ordinal);
        var names = await NamesAsync(known.States.Values.Select(s => s.Day).OfType<string>(), cancel);
        var book = new CardBook(known.States, id => names.GetValueOrDefault(id, id));
        var pages = (await CardsAsync(cancel)).Select(c => c.Id).Union(known.States.Keys).Select(id =>
        {
            var (copies, places) = book.Count(id);
            var state = book[id];
            var day = state.Day is { } key ? days.GetValueOrDefault(key, key) : null;
            return new RecordedCard(id, names.GetValueOrDefault(id, id), state, day, copies, places, book.MayClear(id, new CardRules()), book.Phrase(id));
        });
        return new CardPages([.. pages], [.. known.Facts.Reverse().Take(FactsShown)]);
    }

    /// <summary>Adds facts, all or none; a card is cleared by the rules of the day they belong to.</summary>
    public async Task<IResult> AddAsync(IReadOnlyList<Fact> facts, string? day, CancellationToken cancel)
    {
        if (await TryAddAsync(facts, day, cancel) is not { } refused) return Results.Ok(await PagesAsync(cancel));
        return Problems.Unprocessable("This cannot be recorded.", [new PlanProblem(refused.Fact.Kind == FactKind.Overridden ? "words" : "card", refused.Why)]);
    }

    /// <summary>Adds facts, all or none.</summary>
    /// <returns>Which cannot be so, and why; null = all were added.</returns>
    public async Task<(Fact Fact, string Why)?> TryAddAsync(IReadOnlyList<Fact> facts, string? day, CancellationToken cancel)
    {
        var plan = day is null ? null : await plans.FindAsync(day, cancel);
        var names = await NamesAsync(day is null ? [] : [day], cancel);
        return await record.AddAsync(facts, plan?.Plan.Rules.Cards ?? new CardRules(), id => names.GetValueOrDefault(id, id), cancel);
    }

    private async Task<IEnumerable<Card>> CardsAsync(CancellationToken cancel) => (await locker.ThingsAsync(cancel)).Things.OfType<Card>();

    /// <summary>What cards are called: in the locker, else on the days they were on.</summary>
    private async Task<Dictionary<string, string>> NamesAsync(IEnumerable<string> days, CancellationToken cancel)
    {
        var names = (await CardsAsync(cancel)).ToDictionary(c => c.Id, c => c.Label, StringComparer.Ordinal);
        foreach (var day in days.Distinct(StringComparer.Ordinal))
            foreach (var card in (await plans.FindAsync(day, cancel))?.Plan.Items.OfType<Card>() ?? []) names.TryAdd(card.Id, card.Label);
        return names;
    }
}
