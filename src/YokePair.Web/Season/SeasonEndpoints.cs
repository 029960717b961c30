using YokePair.Core.Record;
using YokePair.Core.Season;
using YokePair.Core.Taken;
using YokePair.Core.Wording;
using YokePair.Data;
using YokePair.Web.After;
using YokePair.Web.Assignments;
using YokePair.Web.Sessions;

namespace YokePair.Web.Season;

/// <summary>The jobs in order, and what carries over between them.</summary>
/// <param name="Sentence">What is to be seen to before the next job.</param>
/// <param name="Jobs">Each job with its strands.</param>
/// <param name="Between">What carries over, before each job yet to come that is near.</param>
/// <param name="Learnt">What past jobs teach.</param>
/// <param name="Lacks">What was lacking on them.</param>
public sealed record SeasonPage(
    IReadOnlyList<TextPiece> Sentence, IReadOnlyList<SeasonTick> Jobs, IReadOnlyList<SeasonGap> Between, IReadOnlyList<LearntLine> Learnt,
    IReadOnlyList<string> Lacks);

/// <summary>A job in the strip.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Start">When it starts.</param>
/// <param name="Strands">Strands of its weakest part; null = not worked out.</param>
/// <param name="IsPast">Whether it is over.</param>
/// <param name="HasPictures">Whether its pictures were read.</param>
public sealed record SeasonTick(string Key, string Name, DateTime Start, int? Strands, bool IsPast, bool HasPictures);

/// <summary>What is to be known before a job.</summary>
/// <param name="Job">Key of the job.</param>
/// <param name="After">Key of the one before; null = none.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Lines">What carries over; none = nothing.</param>
/// <param name="Instead">What would do instead of what another job has.</param>
public sealed record SeasonGap(string Job, string? After, int Revision, IReadOnlyList<CarriedOver> Lines, IReadOnlyList<Instead> Instead);

/// <summary>The season.</summary>
internal static class SeasonEndpoints
{
    /// <summary>Jobs ahead that are looked into; what lies beyond has time.</summary>
    private const int LookedInto = 8;

    public static void MapSeason(this IEndpointRouteBuilder api) => api.MapGet("/season", Show).WithName("ShowSeason").Produces<SeasonPage>();

    private static async Task<IResult> Show(PlanStore plans, Days days, UsedStore used, LearntFigures learnt, Summaries summaries, TimeProvider clock,
        CancellationToken cancel)
    {
        var now = clock.GetLocalNow().DateTime;
        var locker = await days.LockerAsync(cancel);
        var past = await used.AllAsync(cancel);
        var read = past.Select(d => d.Key).ToHashSet(StringComparer.Ordinal);
        var jobs = (await plans.SummariesAsync(cancel)).Where(s => s.Start is not null).Select(s => (Head: s, Known: Summaries.Read(s.Summary)))
            .Select(s => (s.Head, s.Known, Job: new SeasonJob(s.Head.Key, s.Head.Name, s.Head.Start!.Value, s.Known?.End ?? s.Head.Start.Value.AddHours(10))))
                .ToList();
        var ahead = jobs.FindIndex(j => j.Job.End >= now && j.Head.Shelf == Shelf.Current) is var n and >= 0 ? n : jobs.Count;
        var names = locker.Things.ToDictionary(t => t.Id, t => t.Label, StringComparer.Ordinal);
        var book = new CardBook(locker.Record.States, id => names.GetValueOrDefault(id, id));
        var between = new List<SeasonGap>();
        for (var i = ahead; i < Math.Min(jobs.Count, ahead + LookedInto); i++)
        {
            if (jobs[i].Head.Shelf != Shelf.Current || await SessionOf(jobs[i].Head.Key) is not { } session) continue;
            if (jobs[i].Known is null) _ = summaries.WorkOut(jobs[i].Head.Key);
            var before = i == 0 ? null : jobs[i - 1].Job;
            var lines = CarryingOver.Of(before, jobs[i].Job, session.Whole, locker.Things, book, i == ahead);
            between.Add(new SeasonGap(jobs[i].Head.Key, before?.Key, session.Stored.Revision, lines,
                session.Plan.Promised is null ? [] : InsteadOf.Of(session.Whole, locker.Things, cancel)));
        }
        return Results.Ok(new SeasonPage(
            CarryingOver.Sentence(jobs.Count, jobs.Find(j => between.Count > 0 && j.Head.Key == between[0].Job).Job, [.. between.Select(g => g.Lines)]),
            [.. jobs.Select(j => new SeasonTick(j.Head.Key, j.Head.Name, j.Job.Start, j.Known?.Strands, j.Job.End < now, read.Contains(j.Head.Key)))],
            between, await learnt.LinesAsync(cancel), Lacks()));

        List<string> Lacks()
        {
            List<TakenDay> taken = [.. past.Select(d => d.Day)];
            return [.. Lacking.Of(taken, locker.Things).Select(l => TakenWords.Of(l, id => names.GetValueOrDefault(id, id))),
                .. RunningLate.Of(taken).Select(l => TakenWords.Of(l))];
        }

        async Task<Session?> SessionOf(string key)
        {
            try
            {
                return await days.PassingAsync(key, cancel);
            }
            catch (UnreadableDayException)
            {
                // The list says what is wrong with it.
                return null;
            }
        }
    }
}
