using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Microsoft.Extensions.DependencyInjection;
using YokePair.Core.Editing;
using YokePair.Core.Plans;

namespace YokePair.Data.Tests;

/// <summary>The data folder from one start to the next, and copies of it.</summary>
public sealed class FolderTests : StoreTests
{
    private static Plan Wedding { get; } = Demo();

    private static Plan Demo()
    {
        var at = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(at.FullName, "YokePair.slnx"))) at = at.Parent!;
        return PlanFile.Read(File.ReadAllBytes(Path.Combine(at.FullName, "demo/steamer-wedding.yoke.json"))).Plan!;
    }

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_start_goes_on_where_one_was_cut_off_while_it_brought_the_file_up_to_date()
    {
        var folder = Path.Combine(Folder, "cut-off");
        await using var services = new ServiceCollection().AddPlanStore(folder).BuildServiceProvider();
        await using var scope = services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<YokeContext>();
        await db.GetService<IMigrator>().MigrateAsync(Database.Migrations[0], Stop);
        await db.Database.ExecuteSqlRawAsync("CREATE TABLE IF NOT EXISTS __EFMigrationsLock (Id INTEGER PRIMARY KEY, Timestamp TEXT NOT NULL)", Stop);
        await db.Database.ExecuteSqlRawAsync("INSERT OR REPLACE INTO __EFMigrationsLock VALUES (1, '2027-06-12 08:00:00')", Stop);
        using var held = DataFolder.Take(folder);
        Assert.False(held.Check(Database.Migrations));
        await Database.PrepareAsync(db, Stop).WaitAsync(TimeSpan.FromSeconds(60), Stop);
        Assert.True(held.Check(Database.Migrations));
    }

    [Fact]
    public async Task A_copy_made_while_others_write_is_whole_and_what_was_acknowledged_before_it_is_in_it()
    {
        var key = await InAsync(async store => (await store.AddAsync(Wedding, Stop)).Key);
        using var ended = new CancellationTokenSource();
        var acknowledged = 1;
        var writer = Task.Run(async () =>
        {
            while (!ended.IsCancellationRequested)
            {
                var done = await InAsync(store => store.EditAsync(key, acknowledged,
                    [new MoveItem { Item = "z70", Place = acknowledged % 2 == 0 ? "car" : "roller" }]));
                Interlocked.Exchange(ref acknowledged, Assert.IsType<ChangeOutcome.Done>(done).Now.Revision);
            }
        }, Stop);
        for (var n = 0; n < 12; n++)
        {
            var before = Volatile.Read(ref acknowledged);
            var copy = Backups.Make(Folder, Path.Combine(Folder, "copies"), new DateTime(2027, 6, 12, 8, 0, n));
            Assert.InRange(RevisionIn(copy), before, Volatile.Read(ref acknowledged) + 1);
            Assert.False(File.Exists(copy + "-wal"));
        }
        await ended.CancelAsync();
        await writer;

        // Put back, it starts, holds the last edit, and what was there is kept.
        var last = Backups.Make(Folder, Path.Combine(Folder, "copies"), new DateTime(2027, 6, 13));
        Assert.IsType<ChangeOutcome.Done>(await InAsync(store => store.EditAsync(key, acknowledged, [new MoveItem { Item = "b1", Place = "car" }])));
        await Services.DisposeAsync();
        SqliteConnection.ClearAllPools();
        using (var held = DataFolder.Take(Folder))
        {
            var kept = Backups.Restore(held, last, new DateTime(2027, 6, 14));
            Assert.Equal(acknowledged + 1, RevisionIn(DataFolder.FileIn(kept!)));
            Assert.True(held.Check(Database.Migrations));
        }
        await RestartAsync();
        Assert.Equal(acknowledged, (await InAsync(store => store.FindAsync(key, Stop)))!.Revision);
    }

    [Fact]
    public void Nothing_is_put_back_while_the_program_runs_or_that_is_no_copy()
    {
        using var held = DataFolder.Take(Folder);
        Assert.Throws<DataFolderException>(() => DataFolder.Take(Folder).Dispose());
        var none = Path.Combine(Folder, "none.db");
        File.WriteAllText(none, "a text, and a long one".PadRight(5000));
        var before = File.ReadAllBytes(DataFolder.FileIn(Folder));
        Assert.Throws<DataFolderException>(() => Backups.Restore(held, none, DateTime.Now));
        Assert.Equal(before, File.ReadAllBytes(DataFolder.FileIn(Folder)));
        Assert.Empty(Directory.GetFiles(Folder, "restoring*"));
    }

    [Fact]
    public void A_copy_is_made_once_a_day_and_a_fortnight_of_them_is_kept()
    {
        for (var day = 1; day <= 20; day++)
            for (var times = 0; times < 2; times++)
                Assert.Equal(times == 0, Backups.MakeDaily(Folder, new DateOnly(2027, 6, day)));
        var kept = Directory.GetFiles(Backups.FolderIn(Folder)).Select(Path.GetFileName).Order().ToList();
        Assert.Equal(Backups.Daily, kept.Count);
        Assert.Equal("daily-2027-06-07.db", kept[0]);
        Assert.Equal("daily-2027-06-20.db", kept[^1]);
    }

    private async Task<T> InAsync<T>(Func<PlanStore, Task<T>> work)
    {
        await using var scope = Services.CreateAsyncScope();
        return await work(scope.ServiceProvider.GetRequiredService<PlanStore>());
    }

    private static int RevisionIn(string file)
    {
        using var db = new SqliteConnection($"Data Source={file};Pooling=false");
        db.Open();
        using var command = db.CreateCommand();
        command.CommandText = "SELECT Revision FROM Assignments";
        return Convert.ToInt32(command.ExecuteScalar(), System.Globalization.CultureInfo.InvariantCulture);
    }
}
