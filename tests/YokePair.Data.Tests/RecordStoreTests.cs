using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using YokePair.Core.Plans;
using YokePair.Core.Record;

namespace YokePair.Data.Tests;

/// <summary>Facts are added, all of a request or none, and nothing changes them.</summary>
public sealed class RecordStoreTests : StoreTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private static Fact Put(string card) => new(FactKind.Put, card, new DateTime(2027, 6, 12, 9, 0, 0, DateTimeKind.Utc), "wedding", Where: "Halm", With: "x");

    private async Task<T> InAsync<T>(Func<RecordStore, YokeContext, Task<T>> what)
    {
        await using var scope = Services.CreateAsyncScope();
        return await what(scope.ServiceProvider.GetRequiredService<RecordStore>(), scope.ServiceProvider.GetRequiredService<YokeContext>());
    }

    private Task<(Fact Fact, string Why)?> AddAsync(params Fact[] facts) =>
        InAsync((store, _) => store.AddAsync(facts, _ => new CardRules(), id => $"Card {id}", Stop));

    private Task<Recorded> LoadAsync() => InAsync((store, _) => store.LoadAsync(Stop));

    [Fact]
    public async Task Facts_outlive_the_program_in_their_order()
    {
        Assert.Null(await AddAsync(Put("11"), Put("12")));
        await RestartAsync();
        var known = await LoadAsync();
        Assert.Equal([Put("11"), Put("12")], known.Facts);
        Assert.Equal(CardCondition.Loaded, known.States["12"].Condition);
    }

    [Fact]
    public async Task Of_a_request_all_or_nothing_is_recorded()
    {
        var refused = await AddAsync(Put("11"), Put("12"), Put("11"));
        Assert.Equal("Card 11 is in the Halm already.", refused?.Why);
        Assert.Empty((await LoadAsync()).Facts);
    }

    [Theory]
    [InlineData("UPDATE Facts SET Thing = '99'", "a fact is never changed")]
    [InlineData("DELETE FROM Facts", "a fact is never lost")]
    public async Task The_table_itself_refuses_to_change_or_lose_one(string sql, string why)
    {
        Assert.Null(await AddAsync(Put("11")));
        var fault = await Assert.ThrowsAsync<SqliteException>(() => InAsync((_, db) => db.Database.ExecuteSqlRawAsync(sql, Stop)));
        Assert.Contains(why, fault.Message, StringComparison.Ordinal);
        Assert.Equal([Put("11")], (await LoadAsync()).Facts);
    }
}
