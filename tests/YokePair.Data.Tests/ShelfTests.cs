using Microsoft.Extensions.DependencyInjection;
using YokePair.Core.Editing;
using YokePair.Core.Plans;
using YokePair.Core.Starting;

namespace YokePair.Data.Tests;

/// <summary>Archived, deleted, put back; and a thing taken out of the days that have it.</summary>
public sealed class ShelfTests : StoreTests
{
    private static readonly Plan Day = NewDay.From(
        new NewDayRequest("Lake day", new DateOnly(2027, 6, 12), "wedding-indoor", null, "two-primes", false),
        [
            new Body { Id = "b1", Mount = ["K2"], Megapixels = 45, IsoCeiling = 12800, Slots = [new CardSlot { Type = "SD" }], BatteryType = "LB7" },
            new Lens { Id = "l1", Mount = "K2", Focal = new Core.Basics.Interval(35, 35), Aperture = new Core.Basics.Interval(1.4, 1.4) },
        ]).Plan!;

    private async Task<T> Request<T>(Func<PlanStore, Task<T>> ask)
    {
        await using var scope = Services.CreateAsyncScope();
        return await ask(scope.ServiceProvider.GetRequiredService<PlanStore>());
    }

    private async Task<Shelf?> ShelfOf(string key) => (await Request(s => s.SummariesWithDeletedAsync())).FirstOrDefault(s => s.Key == key)?.Shelf;

    [Fact]
    public async Task What_is_deleted_is_gone_from_every_list_and_comes_back_as_it_was()
    {
        var stored = await Request(s => s.AddAsync(Day));
        await Request(s => s.EditAsync(stored.Key, 1, [new SetPart { Part = Day.Parts[0].Id, Ev = 3 }]));
        Assert.Equal("Lake day", await Request(s => s.ShelveAsync(stored.Key, Shelf.Deleted)));
        await RestartAsync();
        Assert.Null(await Request(s => s.FindAsync(stored.Key)));
        Assert.Empty(await Request(s => s.SummariesAsync()));
        Assert.Empty(await Request(s => s.UsingAsync(["b1"])));
        Assert.IsType<ChangeOutcome.Missing>(await Request(s => s.EditAsync(stored.Key, 2, [new SetPart { Part = Day.Parts[0].Id, Ev = 4 }])));
        Assert.Equal(Shelf.Deleted, await ShelfOf(stored.Key));

        await Request(s => s.ShelveAsync(stored.Key, Shelf.Current));
        var back = (await Request(s => s.FindAsync(stored.Key)))!;
        Assert.Equal((2, 3), (back.Revision, back.Plan.Parts[0].Ev));
        Assert.NotNull(back.Undo);
    }

    [Fact]
    public async Task An_archived_one_is_still_there_also_after_it_was_deleted_and_put_back_where_it_was()
    {
        var key = (await Request(s => s.AddAsync(Day))).Key;
        await Request(s => s.ShelveAsync(key, Shelf.Archived));
        Assert.Equal(Shelf.Archived, await ShelfOf(key));
        Assert.NotNull(await Request(s => s.FindAsync(key)));
        Assert.Null(await Request(s => s.ShelveAsync("no such", Shelf.Archived)));
    }

    [Fact]
    public async Task After_thirty_days_it_goes_when_something_else_is_deleted()
    {
        var key = (await Request(s => s.AddAsync(Day))).Key;
        var other = (await Request(s => s.AddAsync(Day))).Key;
        await At(DateTimeOffset.UtcNow.AddDays(-31), s => s.ShelveAsync(key, Shelf.Deleted));
        Assert.Equal(Shelf.Deleted, await ShelfOf(key));
        await Request(s => s.ShelveAsync(other, Shelf.Deleted));
        Assert.Null(await ShelfOf(key));
        Assert.Equal(Shelf.Deleted, await ShelfOf(other));
    }

    private async Task At(DateTimeOffset now, Func<PlanStore, Task<string?>> ask)
    {
        await using var then = new ServiceCollection().AddSingleton<TimeProvider>(new Stopped(now)).AddPlanStore(Folder).BuildServiceProvider();
        await using var scope = then.CreateAsyncScope();
        await ask(scope.ServiceProvider.GetRequiredService<PlanStore>());
    }

    private sealed class Stopped(DateTimeOffset now) : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => now;
    }

    [Fact]
    public async Task Two_of_one_name_on_one_day_are_told_apart()
    {
        foreach (var _ in Enumerable.Range(0, 3)) await Request(s => s.AddAsync(Day));
        await Request(s => s.AddAsync(Core.Plans.Day.MovedTo(Day, new DateOnly(2028, 6, 12))));
        Assert.Equal(["Lake day", "Lake day (2)", "Lake day (3)", "Lake day"], (await Request(s => s.SummariesAsync())).Select(s => s.Name));
        // Only in the list: a plan goes out as it came in.
        Assert.All(await Request(s => s.ListAsync()), s => Assert.Equal("Lake day", s.Plan.Assignment.Name));
    }

    [Fact]
    public async Task A_thing_is_taken_out_of_the_days_yet_to_come_with_an_edit_each_that_can_be_undone()
    {
        var next = (await Request(s => s.AddAsync(Day))).Key;
        var past = (await Request(s => s.AddAsync(Core.Plans.Day.MovedTo(Day, new DateOnly(2020, 6, 12))))).Key;
        var (days, problems) = await Request(s => s.TakeOutAsync(["l1"], new DateOnly(2027, 1, 1)));
        Assert.Empty(problems);
        Assert.Equal(["Lake day"], days);
        Assert.DoesNotContain((await Request(s => s.FindAsync(next)))!.Plan.Items, i => i.Id == "l1");
        Assert.Contains((await Request(s => s.FindAsync(past)))!.Plan.Items, i => i.Id == "l1");
        await Request(s => s.UndoAsync(next, 2));
        Assert.Contains((await Request(s => s.FindAsync(next)))!.Plan.Items, i => i.Id == "l1");
    }
}
