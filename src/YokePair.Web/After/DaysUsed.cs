using System.Globalization;
using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Core.Taken;
using YokePair.Data;
using YokePair.Data.Files;
using YokePair.Web.Sessions;

namespace YokePair.Web.After;

/// <summary>What days used: reckoned anew whenever an answer says more of their pictures.</summary>
internal sealed class DaysUsed(Days days, UsedStore used)
{
    /// <summary>Questions that were asked once: which thing it is, and which figure is not to be used.</summary>
    public const string Things = "thing|", Refusals = "refused|";

    /// <summary>Keeps what the pictures of an assignment tell.</summary>
    public async Task KeepAsync(
        string key, string folder, string? delivered, TakenRoll roll, IReadOnlyList<UnsafeFile> faulty, DateTime at, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return;
        var told = (await used.FindAsync(key, cancel))?.Told ?? ToldOfDay.Nothing;
        await used.KeepAsync(new UsedStored(key, at, folder, delivered, faulty, roll, await ReckonAsync(session, roll, told, cancel), told), cancel);
    }

    /// <summary>Reckons a day again, by what is known now.</summary>
    /// <param name="stored">What its pictures told.</param>
    /// <param name="told">What is told of it now.</param>
    /// <param name="cancel">Ends it.</param>
    public async Task AgainAsync(UsedStored stored, ToldOfDay told, CancellationToken cancel)
    {
        var figures = stored.Roll is { } roll && await days.FindAsync(stored.Key, null, cancel) is { } session
            ? await ReckonAsync(session, roll, told, cancel) : stored.Figures with { Batteries = told.Batteries };
        await used.KeepAsync(stored with { Told = told, Figures = figures }, cancel);
    }

    /// <summary>Which of one's own things took the pictures.</summary>
    public async Task<Recognition> RecogniseAsync(Plan plan, TakenRoll roll, CancellationToken cancel) =>
        Recognition.Of(roll, plan.Items, (await days.LockerAsync(cancel)).Things, await used.AnswersAsync(Things, cancel));

    /// <summary>What past assignments teach.</summary>
    public async Task<Learnt> LearntAsync(CancellationToken cancel) =>
        Learnt.Of([.. (await used.AllAsync(cancel)).Select(d => d.Day)], (await used.AnswersAsync(Refusals, cancel)).Keys.ToHashSet(StringComparer.Ordinal));

    private async Task<TakenDay> ReckonAsync(Session session, TakenRoll roll, ToldOfDay told, CancellationToken cancel)
    {
        var things = (await RecogniseAsync(session.Plan, roll, cancel)).Things;
        var locker = await days.LockerAsync(cancel);
        Fact[] facts = [.. locker.Record.Facts.Where(f => f.Day == session.Stored.Key)];
        var day = DayTaken.Of(session.Plan, roll, things, locker.Things, told.Clocks, told.Batteries);
        return day with
        {
            Parts = [.. day.Parts.Select(p => p with { LateMinutes = Math.Max(p.LateMinutes, Noted(facts, p.Part)) })],
            Charges = BatteryReadings.Of(session.Whole, DayTaken.Times(roll, things, told.Clocks), facts),
        };
    }

    /// <summary>Minutes that somebody noted on the day from a part on.</summary>
    private static double Noted(Fact[] facts, string part) => facts.LastOrDefault(f => f.Kind == FactKind.Slid && f.Thing == part)?.Words is { } words
        && double.TryParse(words.Split(' ')[0], CultureInfo.InvariantCulture, out var minutes) && double.IsFinite(minutes) ? minutes : 0;
}
