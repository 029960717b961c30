using Microsoft.Extensions.DependencyInjection;
using YokePair.Core.Basics;
using YokePair.Core.Plans;

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

    [Fact]
    public async Task One_adds_undoes_and_adds_another()
    {
        await With(s => s.ChangeAsync("first", [new LockerChange("l1", null, Lens)]));
        await With(s => s.StepAsync(undo: true));
        await With(s => s.LoadAsync());
        Assert.True((await With(async s =>
        {
            // As a request does: looks first, then writes.
            await s.LoadAsync();
            return await s.ChangeAsync("second", [new LockerChange("l2", null, Lens with { Id = "l2" })]);
        })).Done);
        var now = await With(s => s.LoadAsync());
        Assert.Equal(("second", null), (now.Undo, now.Redo));
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    // Long: the list that says what is right is kept beside what is tested.
    public async Task Any_run_of_changes_undos_and_redos_is_what_a_plain_list_says(int seed)
    {
        var random = new Random(seed);
        var list = new PlainLocker();
        for (var step = 0; step < 70; step++)
        {
            var said = await With(async store =>
            {
                var locker = await store.LoadAsync();
                var ids = Enumerable.Range(0, random.Next(1, 4)).Select(_ => $"t{random.Next(6)}").Distinct().ToList();
                var changes = ids.Select(id => new LockerChange(id, locker.Revisions.TryGetValue(id, out var revision) ? revision : null,
                    random.Next(4) == 0 && locker.Revisions.ContainsKey(id) ? null : Lens with { Id = id, Name = $"{id} of step {step}" })).ToList();
                var (a, b) = ($"t{random.Next(6)}", $"t{random.Next(6)}");
                PairRule[] pairs = a != b && list.Has(a) && list.Has(b) && !changes.Any(c => c.Now is null)
                    ? [new PairRule { A = a, B = b, Fit = (PairFit)random.Next(4), Note = $"step {step}" }] : [];
                switch (random.Next(7))
                {
                    case 0 or 1:
                        list.Change($"step {step}", changes, []);
                        return await store.ChangeAsync($"step {step}", changes);
                    case 2:
                        list.Change($"step {step}", changes, pairs);
                        return await store.ImportAsync($"step {step}", changes, pairs, []);
                    case 3 or 4:
                        return (await store.StepAsync(undo: true)) is var undone && undone.Done == list.Undo() ? new LockerOutcome([]) : undone;
                    case 5:
                        return (await store.StepAsync(undo: false)) is var redone && redone.Done == list.Redo() ? new LockerOutcome([]) : redone;
                    default:
                        if (pairs.Length == 0) return new LockerOutcome([]);
                        list.Change($"step {step}", [], pairs);
                        return await store.SetPairAsync(pairs[0].A, pairs[0].B, pairs[0], $"step {step}");
                }
            });
            Assert.True(said.Done, $"step {step}: {said.Refused}{string.Join(", ", said.Stale)}");
            if (step % 20 == 19) await RestartAsync();
            var now = await With(s => s.LoadAsync());
            Assert.Equal(list.Things.OrderBy(t => t.Key).Select(t => t.Value), now.Things.OrderBy(t => t.Id).Select(t => t.Name));
            Assert.Equal(list.Pairs.OrderBy(p => p.Key).Select(p => p.Value), now.Pairs.OrderBy(p => PlainLocker.KeyOf(p)).Select(p => p.Note));
            Assert.Equal((list.UndoLabel, list.RedoLabel), (now.Undo, now.Redo));
        }
    }

    /// <summary>A locker kept as the list of all it ever was.</summary>
    private sealed class PlainLocker
    {
        private readonly List<(string Label, Dictionary<string, string> Things, Dictionary<string, string> Pairs)> states = [("", [], [])];
        private int at;

        public Dictionary<string, string> Things => states[at].Things;

        public Dictionary<string, string> Pairs => states[at].Pairs;

        public string? UndoLabel => at > 0 ? states[at].Label : null;

        public string? RedoLabel => at < states.Count - 1 ? states[at + 1].Label : null;

        public static string KeyOf(PairRule rule) => string.Join('+', new[] { rule.A, rule.B }.Order(StringComparer.Ordinal));

        public bool Has(string id) => Things.ContainsKey(id);

        public bool Undo() => at > 0 && --at >= 0;

        public bool Redo() => at < states.Count - 1 && ++at > 0;

        public void Change(string label, IReadOnlyList<LockerChange> changes, IReadOnlyList<PairRule> rules)
        {
            var (things, pairs) = (new Dictionary<string, string>(Things), new Dictionary<string, string>(Pairs));
            foreach (var change in changes)
                if (change.Now is { } now) things[change.Id] = now.Name!;
                else
                {
                    things.Remove(change.Id);
                    foreach (var key in pairs.Keys.Where(k => k.Split('+').Contains(change.Id)).ToList()) pairs.Remove(key);
                }
            foreach (var rule in rules) pairs[KeyOf(rule)] = rule.Note!;
            states.RemoveRange(at + 1, states.Count - at - 1);
            states.Add((label, things, pairs));
            at++;
        }
    }

    /// <summary>Each use gets a store of its own, as each request does.</summary>
    private async Task<T> With<T>(Func<LockerStore, Task<T>> use)
    {
        await using var scope = Services.CreateAsyncScope();
        return await use(scope.ServiceProvider.GetRequiredService<LockerStore>());
    }
}
