using Microsoft.Extensions.DependencyInjection;
using YokePair.Core.Advice;
using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Locker;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Starting;
using YokePair.Core.Swaps;
using YokePair.Core.Verdict;
using YokePair.Core.Ways;
using YokePair.Core.Wording;

namespace YokePair.Data.Tests;

/// <summary>The locker's store on a real SQLite file.</summary>
public sealed class LockerStoreTests : StoreTests
{
    private static readonly Lens Lens = new() { Id = "l1", Name = "35 f/1.4", Mount = "K2", Focal = new Interval(35, 35), Aperture = new Interval(1.4, 1.4) };

    [Fact]
    public async Task A_thing_that_went_and_came_back_is_not_the_one_that_was_seen()
    {
        Assert.True((await With(s => s.ChangeAsync("added", [new LockerChange("l1", null, Lens)]))).Done);
        var seen = (await With(s => s.LoadAsync())).Revisions["l1"];
        await With(s => s.ChangeAsync("deleted", [new LockerChange("l1", seen, null)]));
        await With(s => s.StepAsync(undo: true));
        var late = await With(s => s.ChangeAsync("changed", [new LockerChange("l1", seen, Lens with { Name = "other" })]));
        Assert.Equal(["other"], late.Stale);
    }

    [Fact]
    public async Task All_of_a_change_is_made_or_nothing()
    {
        await With(s => s.ChangeAsync("added", [new LockerChange("l1", null, Lens)]));
        var half = await With(s => s.ChangeAsync("two", [new LockerChange("l2", null, Lens with { Id = "l2" }), new LockerChange("l1", 99, null)]));
        Assert.False(half.Done);
        Assert.Equal(["l1"], (await With(s => s.LoadAsync())).Things.Select(t => t.Id));
    }

    [Fact]
    public async Task What_is_said_of_a_pair_goes_with_either_of_them_and_comes_back_with_it()
    {
        await With(s => s.ChangeAsync("added", [new LockerChange("l1", null, Lens), new LockerChange("a1", null, new Adapter { Id = "a1" })]));
        await With(s => s.SetPairAsync("l1", "a1", new PairRule { A = "l1", B = "a1", Fit = PairFit.Doubtful }, "said"));
        var locker = await With(s => s.LoadAsync());
        Assert.Equal(PairFit.Doubtful, Assert.Single(locker.Pairs).Fit);
        await With(s => s.ChangeAsync("deleted", [new LockerChange("a1", locker.Revisions["a1"], null)]));
        Assert.Empty((await With(s => s.LoadAsync())).Pairs);
        await With(s => s.StepAsync(undo: true));
        Assert.Single((await With(s => s.LoadAsync())).Pairs);
    }

    [Fact]
    public async Task A_new_change_after_an_undo_takes_redo_away()
    {
        await With(s => s.ChangeAsync("first", [new LockerChange("l1", null, Lens)]));
        await With(s => s.StepAsync(undo: true));
        Assert.Equal("first", (await With(s => s.LoadAsync())).Redo);
        await With(s => s.ChangeAsync("second", [new LockerChange("l2", null, Lens with { Id = "l2" })]));
        var locker = await With(s => s.LoadAsync());
        Assert.Equal(("second", null), (locker.Undo, locker.Redo));
    }

    [Fact]
    public async Task What_is_read_from_memory_is_what_was_written_last()
    {
        await With(s => s.ChangeAsync("added", [new LockerChange("l1", null, Lens)]));
        Assert.Single((await With(s => s.ThingsAsync())).Things);
        var seen = (await With(s => s.LoadAsync())).Revisions["l1"];
        await With(s => s.ChangeAsync("changed", [new LockerChange("l1", seen, Lens with { Status = Availability.Lost })]));
        Assert.Equal(Availability.Lost, Assert.Single((await With(s => s.ThingsAsync())).Things).Status);
        await With(s => s.StepAsync(undo: true));
        Assert.Null(Assert.Single((await With(s => s.ThingsAsync())).Things).Status);
    }

    [Fact]
    public async Task Unknown_fields_of_a_thing_are_kept()
    {
        var marked = Lens with { Extra = new() { ["strap"] = System.Text.Json.JsonDocument.Parse("\"red\"").RootElement } };
        await With(s => s.ChangeAsync("added", [new LockerChange("l1", null, marked)]));
        Assert.Equal("red", Assert.Single((await With(s => s.LoadAsync())).Things).Extra!["strap"].GetString());
    }

    /// <summary>Each use gets a store of its own, as each request does.</summary>
    private async Task<T> With<T>(Func<LockerStore, Task<T>> use)
    {
        await using var scope = Services.CreateAsyncScope();
        return await use(scope.ServiceProvider.GetRequiredService<LockerStore>());
    }
}
