using Microsoft.EntityFrameworkCore;
using YokePair.Core.Plans;
using YokePair.Core.Record;

namespace YokePair.Data;

/// <summary>The facts as they were last read: good as long as their number is that of the file, which is asked each time.</summary>
public sealed class RecordMemory
{
    internal Recorded? Last { get; set; }
}

/// <summary>The record as it was at a moment.</summary>
/// <param name="Number">Number of the last fact; 0 = there is none.</param>
/// <param name="Facts">All of them, in order.</param>
/// <param name="States">What is so of each card.</param>
public sealed record Recorded(int Number, IReadOnlyList<Fact> Facts, IReadOnlyDictionary<string, CardState> States);

/// <summary>Keeps the record: facts are added, all of a request or none, and nothing is ever changed.</summary>
public sealed class RecordStore(YokeContext db, RecordMemory memory, Writers writers)
{
    /// <summary>All of it, from memory where nothing was added since.</summary>
    public async Task<Recorded> LoadAsync(CancellationToken cancel = default)
    {
        var number = await db.Facts.MaxAsync(f => (int?)f.Number, cancel) ?? 0;
        if (memory.Last is { } known && known.Number == number) return known;
        List<Fact> facts = [.. (await db.Facts.AsNoTracking().OrderBy(f => f.Number).ToListAsync(cancel)).Select(f => f.ToFact()).OfType<Fact>()];
        return memory.Last = new Recorded(number, facts, CardBook.Fold(facts));
    }

    /// <summary>Adds facts one after the other, each as the ones before leave it.</summary>
    /// <param name="facts">The facts.</param>
    /// <param name="rulesOf">How many copies are asked of the pictures of a day, by its key.</param>
    /// <param name="name">What a card is called.</param>
    /// <param name="cancel">Ends the writing.</param>
    /// <returns>Why the first that cannot be so cannot be so, and nothing was added; null = all were.</returns>
    public async Task<(Fact Fact, string Why)?> AddAsync(
        IReadOnlyList<Fact> facts, Func<string?, CardRules> rulesOf, Func<string, string> name, CancellationToken cancel = default)
    {
        await using var writing = await writers.BeginAsync(db, cancel);
        List<Fact> all = [.. (await LoadAsync(cancel)).Facts];
        foreach (var fact in facts)
        {
            var book = new CardBook(CardBook.Fold(all), name);
            if (book.Refuse(fact, rulesOf(book[fact.Thing].Day)) is { } why) return (fact, why);
            all.Add(fact);
            db.Facts.Add(FactRow.Of(fact));
        }
        await db.SaveChangesAsync(cancel);
        await writing.CommitAsync(cancel);
        return null;
    }

    /// <summary>Adds what a phone noted, each as it can be; what is known already is left.</summary>
    /// <param name="facts">The facts, each with its origin.</param>
    /// <param name="rulesOf">How many copies are asked of the pictures of a day, by its key.</param>
    /// <param name="name">What a card is called.</param>
    /// <param name="cancel">Ends the writing.</param>
    public async Task<GivenBack> AddEachAsync(
        IReadOnlyList<Fact> facts, Func<string?, CardRules> rulesOf, Func<string, string> name, CancellationToken cancel = default)
    {
        await using var writing = await writers.BeginAsync(db, cancel);
        List<Fact> all = [.. (await LoadAsync(cancel)).Facts];
        var known = all.Select(f => f.Origin).OfType<string>().ToHashSet(StringComparer.Ordinal);
        var (added, refused) = (0, new List<(Fact, string)>());
        var news = facts.Where(f => known.Add(f.Origin!)).ToList();
        foreach (var fact in news)
        {
            // Only a card can be where it cannot be.
            var book = fact.Kind.IsOfCards() ? new CardBook(CardBook.Fold(all), name) : null;
            if (book?.Refuse(fact, rulesOf(book[fact.Thing].Day)) is { } why)
            {
                refused.Add((fact, why));
                continue;
            }
            all.Add(fact);
            db.Facts.Add(FactRow.Of(fact));
            added++;
        }
        await db.SaveChangesAsync(cancel);
        await writing.CommitAsync(cancel);
        return new GivenBack(added, facts.Count - news.Count, refused);
    }
}

/// <summary>What became of the facts of a phone.</summary>
/// <param name="Added">How many were added.</param>
/// <param name="Known">How many were known already.</param>
/// <param name="Refused">Those that cannot be so, and why.</param>
public sealed record GivenBack(int Added, int Known, IReadOnlyList<(Fact Fact, string Why)> Refused);
