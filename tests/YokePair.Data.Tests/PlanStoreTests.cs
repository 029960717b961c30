using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Plans;

namespace YokePair.Data.Tests;

public sealed class PlanStoreTests : StoreTests
{
    private static readonly Plan Day = new()
    {
        Format = Plan.FormatName,
        Version = 1,
        Assignment = new Assignment { Id = "Lake day", Name = "Lake day" },
        People = [new Person { Id = "lead" }],
        Places = [new Place { Id = "belt", ReachSeconds = 5 }, new Place { Id = "car", ReachSeconds = 900 }],
        Items =
        [
            new Body { Id = "b1", Place = "belt", Mount = ["K2"], Megapixels = 45, IsoCeiling = 12800, Slots = [new CardSlot { Type = "SD" }],
                BatteryType = "LB7" },
            new Lens { Id = "l1", Place = "belt", Mount = "K2", Focal = new Interval(35, 35), Aperture = new Interval(1.4, 1.4) },
        ],
        Parts = [new Part { Id = "vows", Name = "Vows", Ev = 11, Start = new DateTime(2027, 6, 12, 14, 0, 0), End = new DateTime(2027, 6, 12, 14, 30, 0),
            Extra = new() { ["note"] = System.Text.Json.JsonDocument.Parse("\"mine\"").RootElement } }],
    };

    /// <summary>Each call stands for a request of its own, with its own context.</summary>
    private async Task<T> Request<T>(Func<PlanStore, Task<T>> ask)
    {
        await using var scope = Services.CreateAsyncScope();
        return await ask(scope.ServiceProvider.GetRequiredService<PlanStore>());
    }

    private Task<ChangeOutcome> Light(string key, int revision, double ev) =>
        Request(s => s.EditAsync(key, revision, [new SetPart { Part = "vows", Ev = ev }]));

    private async Task<double> StoredLight(string key) => (await Request(s => s.FindAsync(key)))!.Plan.Parts[0].Ev;

    /// <summary>What is changed in the locker: a day yet to come takes it over, one that is past does not, nor a figure the day has of its own.</summary>
    [Fact]
    public async Task Days_yet_to_come_follow_the_locker_each_with_an_edit_that_can_be_undone()
    {
        var lens = (Lens)Day.Items[1] with { Place = null, Name = "35", WeightG = 600, Magnification = 0.1 };
        Plan With(string name, int year, double grams) => Day with
        {
            Assignment = new Assignment { Id = name, Name = name },
            Items = [Day.Items[0], lens with { Place = "belt", WeightG = grams }],
            Parts = [Day.Parts[0] with { Start = new DateTime(year, 6, 12, 14, 0, 0), End = new DateTime(year, 6, 12, 14, 30, 0) }],
        };
        await Locker(s => s.ChangeAsync("added", [new LockerChange("l1", null, lens)]));
        foreach (var (name, year, grams) in new[] { ("next", 2999, 600.0), ("past", 2001, 600), ("own", 2999, 650) }) await Request(s =>
            s.AddAsync(With(name, year, grams)));
        var seen = (await Locker(s => s.LoadAsync())).Revisions["l1"];
        var made = await Locker(s => s.ChangeAsync("weighed", [new LockerChange("l1", seen, lens with { WeightG = 512, Magnification = 0.2 })]));
        Assert.Equal(["next", "own"], made.Followed!.Order());
        Assert.Equal([(512, 0.2), (600, 0.1), (650, 0.2)], await Figures());
        Assert.Equal("35 as the locker has it now: magnification, weight", (await Request(s => s.FindAsync("next")))!.Undo);
        // Undone in the locker, the days follow back; undone in the day, it has its own from then on.
        await Locker(s => s.StepAsync(undo: true));
        Assert.Equal([(600, 0.1), (600, 0.1), (650, 0.1)], await Figures());
        await Locker(s => s.StepAsync(undo: false));
        await Request(s => s.UndoAsync("next", 4));
        Assert.Equal([(600, 0.1), (600, 0.1), (650, 0.2)], await Figures());

        async Task<List<(double?, double)>> Figures()
        {
            var found = new List<(double?, double)>();
            foreach (var key in new[] { "next", "past", "own" })
                if ((await Request(s => s.FindAsync(key)))!.Plan.Items[1] is Lens now && now.Place == "belt") found.Add((now.WeightG, now.Magnification));
            return found;
        }

        async Task<T> Locker<T>(Func<LockerStore, Task<T>> ask)
        {
            await using var scope = Services.CreateAsyncScope();
            return await ask(scope.ServiceProvider.GetRequiredService<LockerStore>());
        }
    }

    [Fact]
    public async Task What_is_stored_is_the_plan_file_unknown_fields_included()
    {
        var added = await Request(s => s.AddAsync(Day));
        var found = await Request(s => s.FindAsync(added.Key));
        Assert.Equal("lake-day", added.Key);
        Assert.Equal(PlanFile.Write(Day), PlanFile.Write(found!.Plan));
        Assert.Equal("lake-day-2", (await Request(s => s.AddAsync(Day))).Key);
    }

    [Fact]
    public async Task A_stale_edit_is_refused_with_what_changed_and_overwrites_nothing()
    {
        var key = (await Request(s => s.AddAsync(Day))).Key;
        Assert.IsType<ChangeOutcome.Done>(await Light(key, 1, 8));
        var stale = Assert.IsType<ChangeOutcome.Stale>(await Light(key, 1, 5));
        Assert.Equal(2, stale.Revision);
        Assert.Equal(["Vows: light EV 8 (was 11)"], stale.Changes);
        Assert.Equal(8, await StoredLight(key));
    }

    [Fact]
    public async Task Of_many_edits_on_one_revision_exactly_one_is_made()
    {
        var key = (await Request(s => s.AddAsync(Day))).Key;
        var outcomes = await Task.WhenAll(Enumerable.Range(1, 8).Select(ev => Task.Run(() => Light(key, 1, ev))));
        var done = Assert.Single(outcomes.OfType<ChangeOutcome.Done>());
        Assert.Equal(7, outcomes.OfType<ChangeOutcome.Stale>().Count());
        Assert.Equal(done.Now.Plan.Parts[0].Ev, await StoredLight(key));
    }

    [Fact]
    public async Task Undo_and_redo_walk_through_the_edits_and_survive_a_restart()
    {
        var key = (await Request(s => s.AddAsync(Day))).Key;
        await Light(key, 1, 8);
        await Request(s => s.EditAsync(key, 2, [new MoveItem { Item = "l1", Place = "car" }]));
        await RestartAsync();

        var undone = Assert.IsType<ChangeOutcome.Done>(await Request(s => s.UndoAsync(key, 3)));
        Assert.Equal("belt", undone.Now.Plan.Items[1].Place);
        Assert.Equal(("Vows: light EV 8 (was 11)", "l1 moved to car (was belt)"), (undone.Now.Undo, undone.Now.Redo));
        undone = Assert.IsType<ChangeOutcome.Done>(await Request(s => s.UndoAsync(key, 4)));
        Assert.Equal(PlanFile.Write(Day), PlanFile.Write(undone.Now.Plan));
        Assert.IsType<ChangeOutcome.Refused>(await Request(s => s.UndoAsync(key, 5)));

        var redone = Assert.IsType<ChangeOutcome.Done>(await Request(s => s.RedoAsync(key, 5)));
        Assert.Equal(8, redone.Now.Plan.Parts[0].Ev);
        var edited = Assert.IsType<ChangeOutcome.Done>(await Light(key, 6, 3));
        Assert.Null(edited.Now.Redo);
    }

    [Fact]
    public async Task A_refused_edit_leaves_everything_as_it_was()
    {
        var key = (await Request(s => s.AddAsync(Day))).Key;
        var refused = Assert.IsType<ChangeOutcome.Refused>(await Request(s => s.EditAsync(key, 1,
            [new SetPart { Part = "vows", Ev = 9 }, new SetPart { Part = "vows", End = new DateTime(2027, 6, 12, 13, 0, 0) }])));
        Assert.Equal("parts[0].end", Assert.Single(refused.Problems).Field);
        var found = await Request(s => s.FindAsync(key));
        Assert.Equal((1, 11.0), (found!.Revision, found.Plan.Parts[0].Ev));
    }

    [Fact]
    public async Task The_file_is_in_write_ahead_mode_with_full_syncs_and_foreign_keys_on()
    {
        await using var scope = Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<YokeContext>().Database;
        var settings = await db.SqlQueryRaw<string>(
            "SELECT journal_mode || ' ' || synchronous || ' ' || foreign_keys AS Value FROM pragma_journal_mode, pragma_synchronous, pragma_foreign_keys")
            .ToListAsync(TestContext.Current.CancellationToken);
        Assert.Equal("wal 2 1", settings.Single());
    }
}
