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
        var said = await SaidAsync(known, [], cancel);
        var book = new CardBook(known.States, said.Name);
        var pages = (await CardsAsync(cancel)).Select(c => c.Id).Union(known.States.Keys).Select(id =>
        {
            var (copies, places) = book.Count(id);
            var state = book[id];
            var day = state.Day is { } key ? days.GetValueOrDefault(key, key) : null;
            return new RecordedCard(id, said.Name(id), state, day, copies, places, book.MayClear(id, said.RulesOf(state.Day)), book.Phrase(id));
        });
        return new CardPages([.. pages], [.. known.Facts.Where(f => f.Kind.IsOfCards()).Reverse().Take(FactsShown)]);
    }

    /// <summary>Adds facts, all or none.</summary>
    public async Task<IResult> AddAsync(IReadOnlyList<Fact> facts, CancellationToken cancel)
    {
        if (await TryAddAsync(facts, cancel) is not { } refused) return Results.Ok(await PagesAsync(cancel));
        return Problems.Unprocessable("This cannot be recorded.", [new PlanProblem(refused.Fact.Kind == FactKind.Overridden ? "words" : "card", refused.Why)]);
    }

    /// <summary>Adds facts, all or none; a card is cleared by the rules of the day whose pictures it holds, wherever that is asked.</summary>
    /// <returns>Which cannot be so, and why; null = all were added.</returns>
    public async Task<(Fact Fact, string Why)?> TryAddAsync(IReadOnlyList<Fact> facts, CancellationToken cancel)
    {
        var said = await SaidAsync(await record.LoadAsync(cancel), facts.Select(f => f.Day), cancel);
        return await record.AddAsync(facts, said.RulesOf, said.Name, cancel);
    }

    private async Task<IEnumerable<Card>> CardsAsync(CancellationToken cancel) => (await locker.ThingsAsync(cancel)).Things.OfType<Card>();

    /// <summary>What cards are called, and what is asked before they are cleared, by the locker and the days they were on.</summary>
    private sealed record Said(Dictionary<string, string> Names, Dictionary<string, CardRules> Rules)
    {
        public string Name(string card) => Names.GetValueOrDefault(card, card);

        public CardRules RulesOf(string? day) => day is not null && Rules.TryGetValue(day, out var rules) ? rules : new CardRules();
    }

    private async Task<Said> SaidAsync(Recorded known, IEnumerable<string?> more, CancellationToken cancel)
    {
        var said = new Said((await CardsAsync(cancel)).ToDictionary(c => c.Id, c => c.Label, StringComparer.Ordinal), new(StringComparer.Ordinal));
        foreach (var day in known.States.Values.Select(s => s.Day).Concat(more).OfType<string>().Distinct(StringComparer.Ordinal))
        {
            if (await plans.FindAsync(day, cancel) is not { Plan: var plan }) continue;
            said.Rules[day] = plan.Rules.Cards;
            foreach (var card in plan.Items.OfType<Card>()) said.Names.TryAdd(card.Id, card.Label);
        }
        return said;
    }
}
