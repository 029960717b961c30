using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using YokePair.Core.Plans;
using YokePair.Core.Taken;

namespace YokePair.Data.Tests;

/// <summary>What days used is kept, and which assignments go on at once.</summary>
public sealed class UsedStoreTests : StoreTests
{
    private static readonly DateTime Noon = new(2027, 6, 12, 12, 0, 0);

    private async Task<T> Used<T>(Func<UsedStore, Task<T>> ask)
    {
        await using var scope = Services.CreateAsyncScope();
        return await ask(scope.ServiceProvider.GetRequiredService<UsedStore>());
    }

    private async Task<T> Plans<T>(Func<PlanStore, Task<T>> ask)
    {
        await using var scope = Services.CreateAsyncScope();
        return await ask(scope.ServiceProvider.GetRequiredService<PlanStore>());
    }

    private Task<StoredPlan> Day(string name, DateTime start, double hours) => Plans(s => s.AddAsync(new Plan
    {
        Format = Plan.FormatName,
        Version = 1,
        Assignment = new Assignment { Id = name, Name = name },
        Parts = [new Part { Id = "p", Ev = 8, Start = start, End = start.AddHours(hours) }],
    }));

    private static UsedStored Told(string key, int frames) => new(key, Noon.ToUniversalTime(), "/pictures", null, [],
        TakenRoll.Of([new PictureTold("a.jpg", Noon, "Halm 45")]), new TakenDay(key, null, frames, null, 0, [], [], [], [], []), ToldOfDay.Nothing);

    private async Task<bool> Keep(UsedStored told) => await Used(async s =>
    {
        await s.KeepAsync(told);
        return true;
    });

    [Fact]
    public async Task What_a_day_used_is_kept_in_order_and_goes_with_the_day()
    {
        var (later, first) = (await Day("later", Noon.AddDays(9), 2), await Day("first", Noon, 2));
        await Keep(Told(later.Key, 10));
        await Keep(Told(first.Key, 20));
        Assert.Equal([20, 10], (await Used(s => s.AllAsync())).Select(d => d.Day.Frames));
        await Keep(Told(first.Key, 30));
        Assert.Equal([30, 10], (await Used(s => s.AllAsync())).Select(d => d.Day.Frames));
        Assert.Equal("a.jpg", (await Used(s => s.FindAsync(first.Key)))!.Roll!.Frames[0].File);
        await Used(async s =>
        {
            await s.LightenAsync(first.Key);
            return true;
        });
        var light = (await Used(s => s.FindAsync(first.Key)))!;
        Assert.Equal((null, 30), (light.Roll, light.Figures.Frames));
        await Plans(s => s.ShelveAsync(first.Key, Shelf.Deleted));
        Assert.Equal([10], (await Used(s => s.AllAsync())).Select(d => d.Day.Frames));
    }

    [Fact]
    public async Task What_somebody_else_damaged_keeps_the_others_from_nothing()
    {
        var (whole, damaged) = (await Day("whole", Noon, 2), await Day("damaged", Noon.AddDays(1), 2));
        await Keep(Told(whole.Key, 10));
        await Keep(Told(damaged.Key, 20));
        await using (var scope = Services.CreateAsyncScope())
            await scope.ServiceProvider.GetRequiredService<YokeContext>().Used.Where(u => u.AssignmentKey == damaged.Key)
                .ExecuteUpdateAsync(u => u.SetProperty(x => x.Figures, "no JSON"u8.ToArray()).SetProperty(x => x.Revision, 9));
        Assert.Equal([whole.Key], (await Used(s => s.AllAsync())).Select(d => d.Key));
        Assert.Null(await Used(s => s.FindAsync(damaged.Key)));
    }

    [Fact]
    public async Task An_answer_is_kept_until_it_is_taken_back()
    {
        async Task Answer(string? answer) => await Used(async s =>
        {
            await s.AnswerAsync("thing|camera|X|1", answer);
            return true;
        });
        await Answer("b1");
        await Answer("b2");
        Assert.Equal([new("camera|X|1", "b2")], await Used(s => s.AnswersAsync("thing|")));
        Assert.Empty(await Used(s => s.AnswersAsync("refused|")));
        await Answer(null);
        Assert.Empty(await Used(s => s.AnswersAsync("thing|")));
    }

    [Theory]
    [InlineData(0, 4, true)]
    [InlineData(-3, 2.5, true)]
    [InlineData(-3, 1.9, false)]
    [InlineData(3.5, 2, true)]
    [InlineData(5.1, 2, false)]
    public async Task Jobs_go_on_at_once_with_an_hour_on_the_road(double from, double hours, bool isAtOnce)
    {
        var own = await Day("own", Noon, 4);
        var other = await Day("other", Noon.AddHours(from), hours);
        var found = await Plans(s => s.AtOnceAsync(own.Key));
        Assert.Equal(isAtOnce ? [other.Key] : [], found.Select(f => f.Key));
        // Each knows of the other, and one of them comes first.
        if (isAtOnce) Assert.NotEqual(found[0].IsFirst, (await Plans(s => s.AtOnceAsync(other.Key)))[0].IsFirst);
        await Plans(s => s.ShelveAsync(other.Key, Shelf.Archived));
        Assert.Empty(await Plans(s => s.AtOnceAsync(own.Key)));
    }
}
